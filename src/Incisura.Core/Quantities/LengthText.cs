using System.Globalization;
using System.Text.RegularExpressions;

namespace Incisura.Core.Quantities;

/// <summary>Lengths as they stand in tables and searches: 12, 12.5 mm, 12,5, 1/2", 1 1/2 in, .375in.</summary>
public static partial class LengthText
{
    /// <summary>Reads a length in mm; a fraction without a unit is in inches.</summary>
    /// <param name="text">The text.</param>
    /// <param name="mm">The length, mm.</param>
    /// <returns>Whether the text is a length.</returns>
    public static bool TryRead(string text, out double mm) => TryRead(text, null, out mm);

    /// <summary>Reads a number, a fraction or a mixed number with or without a unit of length.</summary>
    /// <param name="text">The text.</param>
    /// <param name="perUnit">Millimetres per unit where none is written; null for mm, with fractions in inches.</param>
    /// <param name="mm">The length, mm.</param>
    /// <returns>Whether the text is a length.</returns>
    public static bool TryRead(string text, double? perUnit, out double mm)
    {
        mm = double.NaN;
        Match match = Form().Match(text.Trim());
        if (!match.Success || text.Trim().Length == 0 || !text.Any(char.IsAsciiDigit)) return false;
        string whole = match.Groups["whole"].Value.Replace(',', '.');
        double value = whole.Length == 0 ? 0 : double.Parse(whole, CultureInfo.InvariantCulture);
        bool fraction = match.Groups["top"].Success;
        if (fraction)
        {
            double bottom = double.Parse(match.Groups["bottom"].ValueSpan, CultureInfo.InvariantCulture);
            if (bottom == 0) return false;
            double part = double.Parse(match.Groups["top"].ValueSpan, CultureInfo.InvariantCulture) / bottom;
            value = whole.StartsWith('-') ? value - part : value + part;
        }

        double per = match.Groups["unit"].Value switch
        {
            "mm" => 1,
            "cm" => 10,
            "µm" or "um" => 0.001,
            "thou" => Units.MillimetresPerInch / 1000,
            "" => perUnit ?? (fraction ? Units.MillimetresPerInch : 1),
            _ => Units.MillimetresPerInch,
        };

        // Fourteen digits drop the noise of binary fractions, so that 3/32 in is 2.38125 mm.
        mm = per == 1 ? value : double.Parse((value * per).ToString("G14", CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
        return true;
    }

    [GeneratedRegex(@"^(?<whole>[-−]?\d*[.,]?\d+(?!\d*/))?\s*[+\s-]?\s*((?<top>\d{1,4})/(?<bottom>\d{1,4}))?\s*(?<unit>mm|cm|in|inch|""|″|thou|µm|um)?$", RegexOptions.CultureInvariant)]
    private static partial Regex Form();
}

using System.Globalization;
using System.Text.RegularExpressions;

namespace Incisura.Core.Quantities;

/// <summary>What a text reads as.</summary>
/// <param name="Found">Whether it is a length at all.</param>
/// <param name="Mm">The length, mm.</param>
/// <param name="Other">What it may just as well mean, mm; not a number where there is one reading.</param>
public readonly record struct LengthReading(bool Found, double Mm, double Other)
{
    /// <summary>A text that is no length.</summary>
    public static LengthReading None { get; } = new(false, double.NaN, double.NaN);

    /// <summary>Whether it can be read in two ways, so that a person has to say which is meant.</summary>
    public bool Doubtful => double.IsFinite(Other);
}

/// <summary>Lengths as they stand in tables and searches: 12, 12.5 mm, 12,5, 1/2", 1 1/2 in, .375in, ½ in, −4.</summary>
public static partial class LengthText
{
    private static readonly Dictionary<char, string> Vulgar = new()
    {
        ['½'] = "1/2",
        ['¼'] = "1/4",
        ['¾'] = "3/4",
        ['⅛'] = "1/8",
        ['⅜'] = "3/8",
        ['⅝'] = "5/8",
        ['⅞'] = "7/8",
        ['⅓'] = "1/3",
        ['⅔'] = "2/3",
    };

    /// <summary>Reads a length in mm; a fraction without a unit is in inches.</summary>
    /// <param name="text">The text.</param>
    /// <param name="mm">The length, mm.</param>
    /// <returns>Whether the text is a length.</returns>
    public static bool TryRead(string text, out double mm)
    {
        LengthReading reading = Read(text, null);
        mm = reading.Mm;
        return reading.Found;
    }

    /// <summary>
    /// Reads a number, a fraction or a mixed number with or without a unit of length. Two texts have two readings: a comma before
    /// exactly three digits (12,000), and a bare fraction where lengths are in mm, since fractions are inches in the trade.
    /// </summary>
    /// <param name="text">The text.</param>
    /// <param name="perUnit">Millimetres per unit where none is written; null for mm, with fractions in inches.</param>
    /// <param name="decimalComma">Whether a comma is known to stand before decimals.</param>
    public static LengthReading Read(string text, double? perUnit, bool decimalComma = false)
    {
        Match match = Form().Match(Plain(text));
        if (!match.Success || !match.Value.Any(char.IsAsciiDigit)) return LengthReading.None;
        string whole = match.Groups["whole"].Value;
        bool fraction = match.Groups["top"].Success, thousands = !decimalComma && ThousandsToo().IsMatch(whole);
        double part = 0;
        if (fraction)
        {
            double bottom = double.Parse(match.Groups["bottom"].ValueSpan, CultureInfo.InvariantCulture);
            if (bottom == 0) return LengthReading.None;
            part = double.Parse(match.Groups["top"].ValueSpan, CultureInfo.InvariantCulture) / bottom;
        }

        double? written = match.Groups["unit"].Value switch
        {
            "mm" => 1,
            "cm" => 10,
            "µm" or "μm" or "um" => 0.001,
            "thou" => Units.MillimetresPerInch / 1000,
            "" => null,
            _ => Units.MillimetresPerInch,
        };
        double per = written ?? perUnit ?? (fraction ? Units.MillimetresPerInch : 1), sign = match.Groups["sign"].Length > 0 ? -1 : 1;
        double At(string number, double unit) =>
            Exact(sign * ((number.Length == 0 ? 0 : double.Parse(number, CultureInfo.InvariantCulture)) + part), unit);
        string point = whole.Replace(',', '.');
        double other = thousands
            ? At(whole.Replace(",", "", StringComparison.Ordinal), per)
            : fraction && written is null && perUnit == 1
            ? At(point, Units.MillimetresPerInch)
            : double.NaN;
        return new(true, At(point, per), other);
    }

    /// <summary>A text with every minus, space and fraction sign as the one that is read.</summary>
    /// <param name="text">The text.</param>
    public static string Plain(string text)
    {
        string plain = text.Trim()
            .Replace('−', '-')
            .Replace('–', '-')
            .Replace('\u00A0', ' ')
            .Replace('\u202F', ' ')
            .Replace("''", "\"", StringComparison.Ordinal);
        foreach ((char sign, string fraction) in Vulgar) plain = plain.Replace(sign.ToString(), " " + fraction, StringComparison.Ordinal);
        return plain.Trim();
    }

    // Fourteen digits drop the noise of binary fractions, so that 3/32 in is 2.38125 mm.
    private static double Exact(double value, double per) =>
        per == 1 ? value : double.Parse((value * per).ToString("G14", CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);

    [GeneratedRegex(
        @"^(?<sign>-)?\s*(?<whole>\d*[.,]?\d+(?!\d*/)([eE][+-]?\d{1,2})?)?\s*[+\s-]?\s*"
            + @"((?<top>\d{1,4})/(?<bottom>\d{1,4}))?\s*(?<unit>mm|cm|in|inch|""|″|”|thou|µm|μm|um)?$",
        RegexOptions.CultureInvariant)]
    private static partial Regex Form();

    [GeneratedRegex(@"^[1-9]\d{0,2},\d{3}$", RegexOptions.CultureInvariant)]
    private static partial Regex ThousandsToo();
}

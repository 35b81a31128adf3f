using System.Globalization;
using System.Text.RegularExpressions;

namespace Incisura.Core.Holes;

/// <summary>
/// Limits of size of a hole, read from the words of a drawing: a class of ISO 286 such as H7, or deviations such as ±0.02 and +0.03/-0.01.
/// </summary>
/// <param name="Least">Least diameter, mm.</param>
/// <param name="Most">Largest diameter, mm.</param>
public readonly partial record struct HoleTolerance(double Least, double Most)
{
    /// <summary>Largest nominal size the classes are known for, mm (ISO 286-1).</summary>
    public const double LargestNominal = 500;

    // Upper ends of the ranges of nominal size, mm (ISO 286-1, table 1).
    private static readonly double[] Ranges = [3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500];

    // Standard tolerances IT5 to IT13 by range, µm (ISO 286-1, table 1).
    private static readonly int[][] Grades =
    [
        [4, 5, 6, 8, 9, 11, 13, 15, 18, 20, 23, 25, 27],
        [6, 8, 9, 11, 13, 16, 19, 22, 25, 29, 32, 36, 40],
        [10, 12, 15, 18, 21, 25, 30, 35, 40, 46, 52, 57, 63],
        [14, 18, 22, 27, 33, 39, 46, 54, 63, 72, 81, 89, 97],
        [25, 30, 36, 43, 52, 62, 74, 87, 100, 115, 130, 140, 155],
        [40, 48, 58, 70, 84, 100, 120, 140, 160, 185, 210, 230, 250],
        [60, 75, 90, 110, 130, 160, 190, 220, 250, 290, 320, 360, 400],
        [100, 120, 150, 180, 210, 250, 300, 350, 400, 460, 520, 570, 630],
        [140, 180, 220, 270, 330, 390, 460, 540, 630, 720, 810, 890, 970],
    ];

    private const int FirstGrade = 5;

    // Lower deviations EI of the holes above the zero line, by range, µm (ISO 286-1, table 2).
    private static readonly Dictionary<string, int[]> Above = new()
    {
        ["D"] = [20, 30, 40, 50, 65, 80, 100, 120, 145, 170, 190, 210, 230],
        ["E"] = [14, 20, 25, 32, 40, 50, 60, 72, 85, 100, 110, 125, 135],
        ["F"] = [6, 10, 13, 16, 20, 25, 30, 36, 43, 50, 56, 62, 68],
        ["G"] = [2, 4, 5, 6, 7, 9, 10, 12, 14, 15, 17, 18, 20],
        ["H"] = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
    };

    // Deviations of the shafts of the same letter, by range, µm; the hole's upper one is their mirror, moved by Δ up to the grade given.
    private static readonly Dictionary<string, (int[] Deviations, int LastMoved)> Below = new()
    {
        ["K"] = ([0, 1, 1, 1, 2, 2, 2, 3, 3, 4, 4, 4, 5], 8),
        ["M"] = ([2, 4, 6, 7, 8, 9, 11, 13, 15, 17, 20, 21, 23], 8),
        ["N"] = ([4, 8, 10, 12, 15, 17, 20, 23, 27, 31, 34, 37, 40], 8),
        ["P"] = ([6, 12, 15, 18, 22, 26, 32, 37, 43, 50, 56, 62, 68], 7),
    };

    /// <summary>The diameter to aim at, mm.</summary>
    public double Middle => (Least + Most) / 2;

    /// <summary>Whether a diameter lies inside.</summary>
    /// <param name="diameter">The diameter, mm.</param>
    public bool Holds(double diameter) => diameter >= Least - 1e-9 && diameter <= Most + 1e-9;

    /// <summary>Reads limits of size; null where the words are not understood, or not known for certain at this size.</summary>
    /// <param name="words">The words of the drawing.</param>
    /// <param name="nominal">Nominal diameter, mm, above 0.</param>
    public static HoleTolerance? Read(string words, double nominal)
    {
        string text = words.Trim().Replace('−', '-');
        if (ClassWords().Match(text) is { Success: true } named)
            return OfClass(named.Groups[1].Value.ToUpperInvariant(), int.Parse(named.Groups[2].ValueSpan, CultureInfo.InvariantCulture), nominal);
        if (EvenWords().Match(text) is { Success: true } even && Number(even.Groups[1].Value) is { } half && half > 0)
            return new(nominal - half, nominal + half);
        if (
            TwoWords().Match(text) is not { Success: true } two || Number(two.Groups[1].Value) is not { } a
                || Number(two.Groups[2].Value) is not { } b || a == b)
            return null;
        return new(nominal + Math.Min(a, b), nominal + Math.Max(a, b));

        double? Number(string s) =>
            double.TryParse(s.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out double v) && Math.Abs(v) < nominal ? v : null;
    }

    private static HoleTolerance? OfClass(string letter, int grade, double nominal)
    {
        int range = Array.FindIndex(Ranges, r => nominal <= r), column = grade - FirstGrade;
        if (range < 0 || column < 0 || column >= Grades.Length) return null;
        int width = Grades[column][range];
        if (letter == "JS") return At(-width / 2.0);
        if (Above.TryGetValue(letter, out int[]? lower)) return At(lower[range]);
        if (!Below.TryGetValue(letter, out (int[] Deviations, int LastMoved) shaft) || grade is < 6 or > 9) return null;

        // K and M are certain up to grade 8; N9 is the one that ends at the zero line above 3 mm; M6 has its own value in one range.
        if ((letter is "K" or "M" && grade > 8) || (letter == "M" && grade == 6 && nominal is > 250 and <= 315)) return null;
        int step = range == 0 || grade > shaft.LastMoved ? 0 : width - Grades[column - 1][range];
        int upper = letter == "N" && grade == 9 && range > 0 ? 0 : step - shaft.Deviations[range];
        return At(upper - width);

        HoleTolerance At(double lowerDeviation) => new(nominal + (lowerDeviation / 1000), nominal + ((lowerDeviation + width) / 1000));
    }

    [GeneratedRegex(@"^(JS|[A-Z])\s?(\d{1,2})$", RegexOptions.IgnoreCase)]
    private static partial Regex ClassWords();

    [GeneratedRegex(@"^(?:±|\+/?-)\s?(\d*[.,]?\d+)$")]
    private static partial Regex EvenWords();

    [GeneratedRegex(@"^([+-]?\d*[.,]?\d+)\s*[/ ]\s*([+-]?\d*[.,]?\d+)$")]
    private static partial Regex TwoWords();
}

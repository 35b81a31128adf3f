using Incisura.Core.Quantities;

namespace Incisura.Core.Threads;

/// <summary>Limits of size of unified threads: ASME B1.1, in inches as the standard rounds them.</summary>
internal static class UnifiedLimits
{
    private const double Inch = Units.MillimetresPerInch;

    // Over the tolerance of 2A; classes 1A and 1B are set down from memory.
    private static readonly Dictionary<string, (double Factor, bool Checked)> Classes = new()
    {
        ["1A"] = (1.5, false),
        ["2A"] = (1, true),
        ["3A"] = (0.75, true),
        ["1B"] = (1.95, false),
        ["2B"] = (1.3, true),
        ["3B"] = (0.975, true),
    };

    public static ThreadLimits? Of(Thread t, string name)
    {
        string series = ThreadText.SeriesOf(t);
        bool isCoarseOrFine = series is "UNC" or "UNF";
        if (!Classes.TryGetValue(name, out (double Factor, bool Checked) c) || (name[0] == '1' && !isCoarseOrFine)) return null;
        double d = t.Diameter / Inch, p = t.Pitch / Inch, thirds = Math.Pow(p, 2.0 / 3);

        // Length of engagement: the diameter for coarse and fine threads and those of 4, 6 and 8 an inch, nine pitches for all others.
        double length = isCoarseOrFine || (series == "UN" && Math.Round(1 / p) is 4 or 6 or 8) ? d : 9 * p;
        double tolerance2A = Math.Round((0.0015 * Math.Cbrt(d)) + (0.0015 * Math.Sqrt(length)) + (0.015 * thirds), 6),
            tolerance = Math.Round(c.Factor * tolerance2A, 4), allowance = name is "1A" or "2A" ? Math.Round(0.3 * tolerance2A, 4) : 0;
        double pitch = Math.Round(d - (0.75 * Math.Sqrt(3) / 2 * p), 4), minor = d - (1.25 * Math.Sqrt(3) / 2 * p);

        // Printed to three places from #6 up, from four that were rounded before.
        double inside = Math.Round(minor, 4);
        int places = d < 0.1375 ? 4 : 3;
        if (name[1] == 'B')
            return new(
                name, true, In(d, double.NaN), In(pitch, pitch + tolerance),
                In(Math.Round(inside, places), name == "3B" ? double.NaN : Math.Round(inside + Math.Round(Minor(d, p), 4), places)),
                name == "3B" ? "ASME B1.1; the largest minor diameter of 3B is not here" : "ASME B1.1", c.Checked);
        double major = Math.Round((name == "1A" ? 0.09 : 0.06) * thirds, 4), top = Math.Round(d, 4) - allowance;
        return new(
            name, false, In(top - major, top), In(pitch - allowance - tolerance, pitch - allowance),
            In(double.NaN, Math.Round(minor, 4) - allowance), "ASME B1.1", c.Checked);
    }

    // Minor diameter of 1B and 2B.
    private static double Minor(double d, double p)
    {
        double coarse = (0.25 * p) - (0.4 * p * p);
        return d >= 0.25 ? coarse : Math.Clamp((0.05 * Math.Pow(p, 2.0 / 3)) + (0.03 * p / d) - 0.002, coarse, 0.394 * p);
    }

    private static SizeLimits In(double least, double most) => new(Math.Round(least, 4) * Inch, Math.Round(most, 4) * Inch);
}

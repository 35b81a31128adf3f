namespace Incisura.Core.Threads;

/// <summary>A class of an internal thread with the limits of its minor diameter.</summary>
/// <param name="Name">Class, such as 6H or 2B.</param>
/// <param name="Least">Least minor diameter, mm.</param>
/// <param name="Most">Largest minor diameter, mm.</param>
public readonly record struct MinorClass(string Name, double Least, double Most)
{
    /// <summary>Whether a minor diameter, mm, lies inside.</summary>
    public bool Holds(double minor) => minor >= Least - 1e-9 && minor <= Most + 1e-9;
}

/// <summary>Limits of the minor diameter of internal 60° threads by class: metric by ISO 965-1, unified by ASME B1.1.</summary>
public static class MinorLimits
{
    private const double Inch = 25.4;

    // T_D1 of grade 6 by pitch, µm (ISO 965-1, table of minor diameter tolerances).
    private static readonly (double Pitch, double Tolerance)[] Grade6 =
    [
        (0.35, 100), (0.4, 112), (0.45, 125), (0.5, 140), (0.6, 160), (0.7, 180), (0.75, 190), (0.8, 200), (1, 236), (1.25, 265), (1.5, 300),
        (1.75, 335), (2, 375), (2.5, 450), (3, 500), (3.5, 560), (4, 600), (4.5, 670), (5, 710), (5.5, 750), (6, 800),
    ];

    // The other grades over grade 6, and the R40 series their products are rounded to.
    private static readonly (string Name, double Factor)[] Grades = [("4H", 0.63), ("5H", 0.8), ("6H", 1), ("7H", 1.25), ("8H", 1.6)];
    private static readonly double[] R40 =
    [
        1, 1.06, 1.12, 1.18, 1.25, 1.32, 1.4, 1.5, 1.6, 1.7, 1.8, 1.9, 2, 2.12, 2.24, 2.36, 2.5, 2.65, 2.8, 3, 3.15, 3.35, 3.55, 3.75, 4, 4.25, 4.5,
        4.75, 5, 5.3, 5.6, 6, 6.3, 6.7, 7.1, 7.5, 8, 8.5, 9, 9.5, 10,
    ];

    /// <summary>The classes a thread of this diameter and pitch has, tightest first; empty where neither standard knows it.</summary>
    /// <param name="diameter">D, mm.</param>
    /// <param name="pitch">P, mm.</param>
    public static IReadOnlyList<MinorClass> Of(double diameter, double pitch)
    {
        foreach ((double p, double tolerance) in Grade6)
            if (Math.Abs(p - pitch) < 1e-9)
            {
                double basic = diameter - (5 * Math.Sqrt(3) / 8 * pitch);
                return [.. Grades.Select(g => new MinorClass(g.Name, basic, basic + (Rounded(tolerance * g.Factor) / 1000)))];
            }

        double perInch = Inch / pitch;
        return Math.Abs(perInch - Math.Round(perInch)) < 0.005 && perInch <= 80 ? Unified(diameter / Inch, 1 / Math.Round(perInch)) : [];
    }

    // ASME B1.1: one minor tolerance for 1B and 2B, and a tighter one for 3B that is left out.
    private static MinorClass[] Unified(double d, double p)
    {
        double coarse = (0.25 * p) - (0.4 * p * p);
        double tolerance = d >= 0.25 ? coarse : Math.Clamp((0.05 * Math.Pow(p, 2.0 / 3)) + (0.03 * p / d) - 0.002, coarse, 0.394 * p);
        double least = Math.Round(d - (5 * Math.Sqrt(3) / 8 * p), 3), most = Math.Round(d - (5 * Math.Sqrt(3) / 8 * p) + Math.Round(tolerance, 4), 3);
        return [new("2B", least * Inch, most * Inch)];
    }

    private static double Rounded(double micrometres)
    {
        double scale = Math.Pow(10, Math.Floor(Math.Log10(micrometres)));
        return R40.MinBy(r => Math.Abs(r - (micrometres / scale))) * scale;
    }
}

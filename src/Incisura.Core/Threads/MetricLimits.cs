namespace Incisura.Core.Threads;

/// <summary>
/// Limits of size of ISO metric threads: ISO 965-1. The first figure and letter of a class are those of the pitch diameter, a second pair those of the
/// crest; basic diameters count in whole micrometres, as the standard's tables of limits do.
/// </summary>
internal static class MetricLimits
{
    // By pitch: fundamental deviations of e, f and g, and tolerances of grade 6 of d and D_1, µm. The columns of e and f are set down from memory.
    private static readonly (double Pitch, double E, double F, double G, double Major, double Minor)[] ByPitch =
    [
        (0.35, double.NaN, 34, 19, 85, 100), (0.4, double.NaN, 34, 19, 95, 112), (0.45, double.NaN, 35, 20, 100, 125), (0.5, 50, 36, 20, 106, 140),
        (0.6, 53, 36, 21, 125, 160), (0.7, 56, 38, 22, 140, 180), (0.75, 56, 38, 22, 140, 190), (0.8, 60, 38, 24, 150, 200),
        (1, 60, 40, 26, 180, 236), (1.25, 63, 42, 28, 212, 265), (1.5, 67, 45, 32, 236, 300), (1.75, 71, 48, 34, 265, 335),
        (2, 71, 52, 38, 280, 375), (2.5, 80, 58, 42, 335, 450), (3, 85, 63, 48, 375, 500), (3.5, 90, 70, 53, 425, 560), (4, 95, 75, 60, 475, 600),
        (4.5, 100, 80, 63, 500, 670), (5, 106, 85, 71, 530, 710), (5.5, 112, 90, 75, 560, 750), (6, 118, 95, 80, 600, 800),
        (8, 140, 118, 100, 710, 1000),
    ];

    // By range of diameters: pitch, and tolerances of grade 6 of d_2 and D_2, µm.
    private static readonly (double Over, double UpTo, (double Pitch, double External, double Internal)[] Grade6)[] ByDiameter =
    [
        (1.4, 2.8, [(0.35, 63, 85), (0.4, 67, 90), (0.45, 71, 95)]),
        (2.8, 5.6, [(0.35, 67, 90), (0.5, 75, 100), (0.6, 85, 112), (0.7, 90, 118), (0.75, 90, 118), (0.8, 95, 125)]),
        (5.6, 11.2, [(0.75, 100, 132), (1, 112, 150), (1.25, 118, 160), (1.5, 132, 180)]),
        (11.2, 22.4, [(1, 118, 160), (1.25, 132, 180), (1.5, 140, 190), (1.75, 150, 200), (2, 160, 212), (2.5, 170, 224)]),
        (22.4, 45, [(1, 125, 170), (1.5, 150, 200), (2, 170, 224), (3, 200, 265), (3.5, 212, 280), (4, 224, 300), (4.5, 236, 315)]),
        (45, 90, [(1.5, 160, 212), (2, 180, 236), (3, 212, 280), (4, 236, 315), (5, 250, 335), (5.5, 265, 355), (6, 280, 375)]),
        (90, 180, [(2, 190, 250), (3, 224, 300), (4, 250, 335), (6, 300, 400), (8, 335, 450)]),
    ];

    // Each grade lies so many steps of R40 from its neighbour; the tables are rounded so, and not from the ratio of the grades.
    private const int StepsOfAGrade = 4;

    // Least pitches that the standard gives grade 7 inside, and grades 8 and 9, mm.
    private const double LeastMedium = 0.5, LeastCoarse = 0.8;

    private static readonly double[] R40 =
    [
        1, 1.06, 1.12, 1.18, 1.25, 1.32, 1.4, 1.5, 1.6, 1.7, 1.8, 1.9, 2, 2.12, 2.24, 2.36, 2.5, 2.65, 2.8, 3, 3.15, 3.35, 3.55, 3.75, 4, 4.25, 4.5,
        4.75, 5, 5.3, 5.6, 6, 6.3, 6.7, 7.1, 7.5, 8, 8.5, 9, 9.5,
    ];

    public static ThreadLimits? Of(Thread t, string name)
    {
        if (ReadClass(name) is not { } c || ByPitch.FirstOrDefault(r => Math.Abs(r.Pitch - t.Pitch) < 1e-9) is not { Pitch: > 0 } row) return null;
        (double Pitch, double External, double Internal) grade6 = ByDiameter.FirstOrDefault(r => t.Diameter > r.Over && t.Diameter <= r.UpTo)
            .Grade6?.FirstOrDefault(g => Math.Abs(g.Pitch - t.Pitch) < 1e-9) ?? default;
        if (grade6.Pitch == 0) return null;
        bool isInternal = char.IsUpper(c.Position);
        double away = Away(c.Position), crestAway = Away(c.CrestPosition);
        if (double.IsNaN(away) || double.IsNaN(crestAway)) return null;
        ThreadShape basic = ThreadShape.Of(t);
        double d = t.Diameter, d2 = Math.Round(basic.Pitch, 3), d1 = Math.Round(basic.InternalMinor, 3);
        bool known = c.Position is not ('e' or 'f') && c.CrestPosition is not ('e' or 'f');
        if (isInternal)
        {
            if (!Inside(c.CrestGrade, t.Pitch) || !Inside(c.Grade, t.Pitch) || (c.Grade == 8 && t.Pitch == 1 && d > 22.4)) return null;
            return new(
                name, true, new(d + away, double.NaN), Above(d2 + away, Grade(grade6.Internal, c.Grade)),
                Above(d1 + crestAway, Grade(row.Minor, c.CrestGrade)), "ISO 965-1", known);
        }

        if (c.CrestGrade is not (4 or 6 or 8) || c.Grade is < 3 or > 9 || (Math.Max(c.Grade, c.CrestGrade) > 7 && t.Pitch < LeastCoarse)) return null;
        return new(
            name, false, Below(d - crestAway, MajorTolerance(row.Pitch, row.Major, c.CrestGrade)), Below(d2 - away, Grade(grade6.External, c.Grade)),
            new(double.NaN, Math.Round(d1 - away, 3)), "ISO 965-1", known);

        double Away(char position) => char.ToUpperInvariant(position) switch { 'E' => row.E, 'F' => row.F, 'G' => row.G, _ => 0 } / 1000;
    }

    /// <summary>T_D1 of a grade, mm; null where the pitch is not of the series, or has no such grade.</summary>
    public static double? MinorTolerance(double pitch, int grade) =>
        ByPitch.FirstOrDefault(r => Math.Abs(r.Pitch - pitch) < 1e-9) is { Pitch: > 0 } row && Inside(grade, pitch)
            ? Grade(row.Minor, grade) / 1000
            : null;

    private static bool Inside(int grade, double pitch) => grade switch
    {
        4 or 5 or 6 => true,
        7 => pitch >= LeastMedium,
        8 => pitch >= LeastCoarse,
        _ => false,
    };

    // Grade 8 of the largest pitch is printed otherwise.
    private static double MajorTolerance(double pitch, double grade6, int grade) => (pitch, grade) is (8, 8) ? 1180 : Grade(grade6, grade);

    // A tolerance of a grade from that of grade 6, in whole micrometres.
    private static double Grade(double grade6, int grade)
    {
        int decade = (int)Math.Floor(Math.Log10(grade6) + 1e-9), at = Array.FindIndex(R40, r => Math.Abs((r * Math.Pow(10, decade)) - grade6) < 0.6);
        at += StepsOfAGrade * (grade - 6);
        while (at < 0) (at, decade) = (at + R40.Length, decade - 1);
        while (at >= R40.Length) (at, decade) = (at - R40.Length, decade + 1);
        return Math.Round(Math.Round(R40[at] * Math.Pow(10, decade), 6));
    }

    private static SizeLimits Above(double least, double micrometres) => new(Math.Round(least, 3), Math.Round(least + (micrometres / 1000), 3));

    private static SizeLimits Below(double most, double micrometres) => new(Math.Round(most - (micrometres / 1000), 3), Math.Round(most, 3));

    private static (int Grade, char Position, int CrestGrade, char CrestPosition)? ReadClass(string name)
    {
        if (name.Length is not (2 or 4) || !char.IsAsciiDigit(name[0]) || (name.Length == 4 && !char.IsAsciiDigit(name[2]))) return null;
        char first = name[1], second = name[^1];
        if (!"efghGH".Contains(first, StringComparison.Ordinal) || !"efghGH".Contains(second, StringComparison.Ordinal)
            || char.IsUpper(first) != char.IsUpper(second)) return null;
        return (name[0] - '0', first, name[^2] - '0', second);
    }
}

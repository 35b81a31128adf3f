using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Materials;

namespace Incisura.Core.Starters;

/// <summary>
/// Rows of a speed chart as textbooks teach them, by family of cutter and whole group of work material. Each names its range; the row starts at the
/// lower end of speed and feed, and is marked as not tried.
/// </summary>
public static class StarterRows
{
    private const string Practice = "general textbook practice, unverified: ";

    // For each group: range of speed in m/min, and of the feed per tooth in mm at the diameter that Way names.
    private sealed record Way(
        CutterFamily Family, CuttingMaterial Material, string Operation, double Width, double Depth, double At,
        (double Diameter, double Share)[] Feeds,
        (MaterialGroup Group, double Slow, double Fast, double Little, double Much)[] Ranges);

    private static readonly (double, double)[] Mills = [(3, 0.2), (6, 0.5), (12, 1), (20, 1.5)], Drills = [(3, 0.4), (6, 0.7), (10, 1), (20, 1.6)],
        Wide = [(20, 1), (160, 1)], Points = [(3, 0.5), (10, 1), (25, 1.4)], None = [];

    private static readonly (MaterialGroup, double, double, double, double)[] Roughing =
    [
        (MaterialGroup.P, 90, 160, 0.04, 0.07), (MaterialGroup.M, 50, 90, 0.03, 0.055), (MaterialGroup.K, 90, 150, 0.05, 0.08),
        (MaterialGroup.N, 250, 600, 0.06, 0.12), (MaterialGroup.S, 25, 50, 0.025, 0.045),
    ];

    private static readonly Way[] Ways =
    [
        new(CutterFamily.SquareEndMill, CuttingMaterial.Carbide, "side-rough", 0.25, 1, 12, Mills, Roughing),
        new(CutterFamily.SquareEndMill, CuttingMaterial.Carbide, "side-rough", 0.05, 0.5, 12, Mills, [(MaterialGroup.H, 50, 90, 0.02, 0.04)]),
        new(CutterFamily.SquareEndMill, CuttingMaterial.Carbide, "side-finish", 0.03, 1, 12, Mills,
            [
                (MaterialGroup.P, 110, 190, 0.04, 0.06), (MaterialGroup.M, 60, 100, 0.03, 0.05), (MaterialGroup.K, 100, 170, 0.04, 0.07),
                (MaterialGroup.N, 300, 700, 0.05, 0.1), (MaterialGroup.S, 30, 60, 0.025, 0.04), (MaterialGroup.H, 60, 110, 0.02, 0.035),
            ]),
        new(CutterFamily.SquareEndMill, CuttingMaterial.HighSpeedSteel, "side-rough", 0.25, 0.75, 12, Mills,
            [
                (MaterialGroup.P, 18, 32, 0.035, 0.06), (MaterialGroup.M, 10, 18, 0.03, 0.05), (MaterialGroup.K, 16, 28, 0.04, 0.07),
                (MaterialGroup.N, 60, 150, 0.05, 0.1), (MaterialGroup.S, 4, 8, 0.025, 0.04),
            ]),
        new(CutterFamily.CornerRadiusEndMill, CuttingMaterial.Carbide, "side-rough", 0.25, 0.75, 12, Mills, Roughing),
        new(CutterFamily.BallEndMill, CuttingMaterial.Carbide, "surface-finish", 0.03, 0.03, 12, Mills,
            [
                (MaterialGroup.P, 110, 200, 0.05, 0.09), (MaterialGroup.M, 60, 110, 0.04, 0.07), (MaterialGroup.K, 110, 200, 0.06, 0.1),
                (MaterialGroup.N, 300, 700, 0.07, 0.14), (MaterialGroup.S, 35, 70, 0.035, 0.06), (MaterialGroup.H, 70, 130, 0.03, 0.05),
            ]),
        new(CutterFamily.FaceMill, CuttingMaterial.Carbide, "face", 0.7, 0.03, 63, Wide,
            [
                (MaterialGroup.P, 120, 220, 0.1, 0.2), (MaterialGroup.M, 80, 150, 0.08, 0.16), (MaterialGroup.K, 120, 200, 0.12, 0.25),
                (MaterialGroup.N, 300, 800, 0.1, 0.25), (MaterialGroup.S, 25, 50, 0.08, 0.14),
            ]),
        new(CutterFamily.ChamferMill, CuttingMaterial.Carbide, "chamfer", 0.1, 0.1, 12, Mills,
            [
                (MaterialGroup.P, 80, 150, 0.03, 0.06), (MaterialGroup.M, 45, 80, 0.025, 0.05), (MaterialGroup.K, 80, 140, 0.035, 0.07),
                (MaterialGroup.N, 200, 500, 0.04, 0.1), (MaterialGroup.S, 25, 45, 0.02, 0.04),
            ]),
        new(CutterFamily.TwistDrill, CuttingMaterial.Carbide, "drill", 1, 1, 10, Drills,
            [
                (MaterialGroup.P, 60, 100, 0.075, 0.125), (MaterialGroup.M, 30, 50, 0.05, 0.09), (MaterialGroup.K, 65, 110, 0.1, 0.16),
                (MaterialGroup.N, 120, 250, 0.1, 0.18), (MaterialGroup.S, 12, 25, 0.03, 0.06),
            ]),
        new(CutterFamily.TwistDrill, CuttingMaterial.HighSpeedSteel, "drill", 1, 1, 10, Drills,
            [
                (MaterialGroup.P, 18, 30, 0.06, 0.1), (MaterialGroup.M, 8, 15, 0.04, 0.075), (MaterialGroup.K, 18, 28, 0.08, 0.13),
                (MaterialGroup.N, 40, 90, 0.08, 0.15), (MaterialGroup.S, 3, 7, 0.03, 0.05),
            ]),
        new(CutterFamily.SpotDrill, CuttingMaterial.Carbide, "spot", 1, 1, 10, Points,
            [
                (MaterialGroup.P, 50, 90, 0.03, 0.06), (MaterialGroup.M, 25, 45, 0.02, 0.04), (MaterialGroup.K, 50, 90, 0.04, 0.07),
                (MaterialGroup.N, 100, 200, 0.04, 0.08), (MaterialGroup.S, 12, 25, 0.02, 0.03),
            ]),
        new(CutterFamily.CentreDrill, CuttingMaterial.HighSpeedSteel, "centre-drill", 1, 1, 10, Points,
            [(MaterialGroup.P, 15, 25, 0.03, 0.05), (MaterialGroup.M, 8, 12, 0.02, 0.04), (MaterialGroup.K, 15, 25, 0.03, 0.06),
                (MaterialGroup.N, 30, 60, 0.04, 0.07)]),
        new(CutterFamily.Countersink, CuttingMaterial.HighSpeedSteel, "countersink", 1, 1, 10, Points,
            [(MaterialGroup.P, 12, 22, 0.03, 0.06), (MaterialGroup.M, 6, 12, 0.03, 0.05), (MaterialGroup.K, 12, 20, 0.04, 0.07),
                (MaterialGroup.N, 25, 60, 0.04, 0.08)]),
        new(CutterFamily.Reamer, CuttingMaterial.HighSpeedSteel, "ream", 1, 1, 10, Drills,
            [(MaterialGroup.P, 5, 10, 0.03, 0.05), (MaterialGroup.M, 3, 6, 0.02, 0.04), (MaterialGroup.K, 5, 10, 0.04, 0.06),
                (MaterialGroup.N, 10, 20, 0.04, 0.07)]),
        new(CutterFamily.CuttingTap, CuttingMaterial.PowderSteel, "tap", 1, 1, 0, None,
            [(MaterialGroup.P, 6, 15, 0, 0), (MaterialGroup.M, 3, 8, 0, 0), (MaterialGroup.K, 6, 12, 0, 0), (MaterialGroup.N, 12, 25, 0, 0),
                (MaterialGroup.S, 1, 3, 0, 0)]),
        new(CutterFamily.ThreadMill, CuttingMaterial.Carbide, "thread-milling", 0.1, 1, 12, Mills,
            [(MaterialGroup.P, 60, 110, 0.03, 0.06), (MaterialGroup.M, 40, 70, 0.025, 0.045), (MaterialGroup.K, 60, 110, 0.04, 0.07),
                (MaterialGroup.N, 120, 250, 0.05, 0.09), (MaterialGroup.S, 20, 40, 0.02, 0.035)]),
        new(CutterFamily.ThreadTurningTool, CuttingMaterial.Carbide, "thread-turning", 1, 1, 0, None,
            [(MaterialGroup.P, 80, 140, 0, 0), (MaterialGroup.M, 50, 90, 0, 0), (MaterialGroup.K, 70, 110, 0, 0), (MaterialGroup.N, 150, 300, 0, 0),
                (MaterialGroup.S, 20, 40, 0, 0)]),
        new(CutterFamily.InsideThreadTurningTool, CuttingMaterial.Carbide, "thread-turning", 1, 1, 0, None,
            [(MaterialGroup.P, 70, 120, 0, 0), (MaterialGroup.M, 45, 80, 0, 0), (MaterialGroup.K, 60, 100, 0, 0), (MaterialGroup.N, 120, 250, 0, 0),
                (MaterialGroup.S, 18, 35, 0, 0)]),
    ];

    /// <summary>All of them, family after family.</summary>
    public static IReadOnlyList<SpeedRow> All { get; } =
    [
        .. Ways.SelectMany(w => w.Ranges.Select(r => new SpeedRow
        {
            Family = w.Family,
            CuttingMaterial = w.Material,
            SubGroup = r.Group.ToString(),
            Operation = w.Operation,
            CuttingSpeed = r.Slow,
            Feeds = [.. w.Feeds.Select(f => new FeedPoint(f.Diameter, Math.Round(f.Share * r.Little, 4)))],
            WidthRatio = w.Width,
            DepthRatio = w.Depth,
            Source = Practice + (w.Feeds.Length > 0
                ? FormattableString.Invariant($"{r.Slow} to {r.Fast} m/min, {r.Little} to {r.Much} mm a tooth at Ø{w.At}; the lower end is taken")
                : FormattableString.Invariant($"{r.Slow} to {r.Fast} m/min; the lower end is taken")),
            Untried = true,
        })),
    ];
}

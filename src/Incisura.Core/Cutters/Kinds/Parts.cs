using Incisura.Core.Calculation;
using Incisura.Core.Geometry;
using static Incisura.Core.Cutters.Dimension;

namespace Incisura.Core.Cutters.Kinds;

/// <summary>Dimensions and pieces of outline that many families share.</summary>
internal static class Parts
{
    /// <summary>Shank and lengths of a solid cutter of about this size.</summary>
    public static IReadOnlyList<FamilyDimension> Lengths(double size, double flutes) =>
    [
        FluteLength.In(0.05, 500, flutes).Under(UsableLength),
        UsableLength.In(0.05, 600, flutes).Under(OverallLength),
        NeckDiameter.In(0.05, 200, 0).Free(),
        ShankDiameter.In(0.5, 100, size),
        OverallLength.In(3, 1500, Math.Round(flutes + (3 * size) + 20)),
    ];

    /// <summary>Teeth, helix and what the edge stands, of a milling cutter.</summary>
    public static IReadOnlyList<FamilyDimension> Edge(int teeth, double helix, double leastChip = 0.004, double largestChip = 0.08) =>
    [
        Teeth.In(1, 40, teeth),
        HelixAngle.In(-60, 60, helix).Free(),
        LeastChip.In(0, 2, leastChip).Under(LargestChip).Free(),
        LargestChip.In(0.001, 5, largestChip),
        LargestWidthRatio.In(0.005, 1, 1),
        Dimension.Rake.In(-30, 40, 0).Free(),
        DeadCentre.In(0, 480, 0).Under(CuttingDiameter, 0.95).Free(),
        LargestRamp.In(0, 90, 0).Free(),
        LargestSpeed.In(0, 300_000, 0).Free(),
    ];

    /// <summary>Teeth and helix of a tool for holes.</summary>
    public static IReadOnlyList<FamilyDimension> Lips(int teeth, double helix) =>
        [Teeth.In(1, 40, teeth), HelixAngle.In(-60, 60, helix).Free(), LargestSpeed.In(0, 300_000, 0).Free()];

    /// <summary>A neck has a diameter, and one that follows the flutes into the cut.</summary>
    public static Relation Neck { get; } = new(
        NeckDiameter,
        c => !(c.UsableLength > c.FluteLength) || (c[NeckDiameter] > 0 && c[NeckDiameter] <= Math.Max(c.CuttingDiameter, Widest(c)) + 1e-9),
        c => $"The neck from {c.FluteLength:0.###} to {c.UsableLength:0.###} mm needs a diameter DN of at most {Math.Max(c.CuttingDiameter, Widest(c)):0.###} mm; give it, or make LU equal to LCF.");

    /// <summary>A relation that the corner of a profile must have room.</summary>
    public static Relation Room(Dimension dimension, Func<Cutter, bool> holds, string sentence) => new(dimension, holds, _ => sentence);

    /// <summary>The pick between straight and helical flutes and the like.</summary>
    public static OptionDescription Pick(string code, string name, params IReadOnlyList<OptionPick> picks) => new(code, name, picks, picks[0].Code);

    /// <summary>Neck, shank and end behind the flutes.</summary>
    public static Profile Tail(this Outline o, Cutter c)
    {
        if (c.UsableLength > o.Z && c[NeckDiameter] > 0) o.Cylinder(ProfilePart.Neck, c.UsableLength, c[NeckDiameter]);
        return o.Cylinder(ProfilePart.Shank, c.OverallLength, c.ShankSize).Revolved();
    }

    /// <summary>Half an angle, in radians.</summary>
    public static double Half(double degrees) => double.DegreesToRadians(degrees / 2);

    /// <summary>Height of a cone whose base and top have these diameters, mm.</summary>
    public static double ConeHeight(double baseDiameter, double topDiameter, double includedAngle) =>
        includedAngle >= 180 ? 0 : (baseDiameter - topDiameter) / 2 / Math.Tan(Half(includedAngle));

    private static double Widest(Cutter c) => double.IsNaN(c[LargestDiameter]) ? 0 : c[LargestDiameter];
}

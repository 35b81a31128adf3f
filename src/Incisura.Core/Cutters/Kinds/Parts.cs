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
    public static IReadOnlyList<FamilyDimension> Edge(
        int teeth, double helix, double leastChip = 0.004, double largestChip = 0.08, int mostTeeth = 40) =>
    [
        Teeth.In(1, mostTeeth, teeth),
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

    /// <summary>A neck behind the flutes has a diameter.</summary>
    public static Relation Neck { get; } = new(
        NeckDiameter,
        c => !(c[UsableLength] > c.FluteLength) || c[NeckDiameter] > 0,
        c => $"The neck from {c.FluteLength:0.###} to {c[UsableLength]:0.###} mm needs a diameter DN; give it, or make LU equal to LCF.");

    // Most a collar is thicker than what is cut and held, teeth nearer than this, and a thinner or shorter shank are no tool.
    private const double CollarOver = 2, LeastToothPitch = 0.04, LeastShankOver = 0.08, LeastShankLength = 0.5;

    /// <summary>What holds for every cutter: whole teeth that have room, a shank that can carry and be held, a collar that can be.</summary>
    public static IReadOnlyList<Relation> Always { get; } =
    [
        new(Teeth, c => !(c[Teeth] > 0) || c[Teeth] == Math.Floor(c[Teeth]), c => $"A cutter has a whole number of teeth, not {c[Teeth]:0.###}."),
        new(
            Teeth, c => !(c[Teeth] > 1) || !(Across(c) > 0) || Math.PI * Across(c) / c[Teeth] >= LeastToothPitch,
            c => $"{c[Teeth]:0} teeth on Ø{Across(c):0.###} mm leave {Math.PI * Across(c) / c[Teeth]:0.####} mm for each; take fewer."),
        new(
            ShankDiameter, c => !(c[ShankDiameter] > 0) || !(Across(c) > 0) || c[ShankDiameter] >= LeastShankOver * Across(c),
            c => $"A shank of {c[ShankDiameter]:0.###} mm does not carry Ø{Across(c):0.###} mm; give at least {LeastShankOver * Across(c):0.##} mm."),
        new(
            NeckDiameter, c => !(c[NeckDiameter] > 0) || c[NeckDiameter] <= CollarOver * Math.Max(Across(c), c.ShankSize) + 1e-9,
            c =>
                $"A neck of Ø{c[NeckDiameter]:0.###} mm is no part of this cutter; give at most "
                    + $"{CollarOver * Math.Max(Across(c), c.ShankSize):0.##} mm."),
        new(
            OverallLength, HasShank,
            c =>
                $"Of its {c.OverallLength:0.###} mm only {Math.Max(0, c.OverallLength - c.ShankFrom):0.###} mm are shank; "
                    + "make it longer, or what cuts shorter."),
        new(OverallLength, c => Loops(c) is null, c => Loops(c)!),
    ];

    private static double Across(Cutter c) =>
        Math.Max(double.IsNaN(c.CuttingDiameter) ? 0 : c.CuttingDiameter, Widest(c));

    private static bool HasShank(Cutter c) =>
        c.Described.Shank != ShankForm.Cylindrical || c.Described.Use == CutterUse.Turning
            || c.OverallLength - c.ShankFrom >= (LeastShankLength * c.ShankSize) - 1e-9;

    // A flat outline is loops: none crosses itself, and nothing of them lies behind the end.
    private static string? Loops(Cutter c)
    {
        if (c.Described.Use != CutterUse.Turning) return null;
        Profile profile = c.Profile();
        if (profile.Elements.Any(e => e.Box.MostZ > c.OverallLength + 1e-6))
            return "The insert reaches behind the end of the tool; make the tool longer or the insert smaller.";
        ProfileBox[] edges = [.. profile.Elements.Where(e => e.Part == ProfilePart.Cutting).Select(e => e.Box)];
        if (c[LeastBore] > 0 && edges.Max(e => e.MostR) - edges.Min(e => e.LeastR) > c[LeastBore])
            return "The insert is larger than the bore the bar goes into; take a smaller insert.";
        return profile.CrossesItself()
            ? "The outline of insert, head and shank crosses itself with these dimensions; look at IC, LH, WF and "
                + "the shank, or at the pitch beside IC."
            : null;
    }

    /// <summary>A relation that the corner of a profile must have room.</summary>
    public static Relation Room(Dimension dimension, Func<Cutter, bool> holds, string sentence) => new(dimension, holds, _ => sentence);

    /// <summary>The pick between straight and helical flutes and the like.</summary>
    public static PickDescription Pick(string code, string name, params IReadOnlyList<OptionPick> picks) => new(code, name, picks, picks[0].Code);

    /// <summary>Neck, shank and end behind the flutes.</summary>
    public static Profile Tail(this Outline o, Cutter c)
    {
        if (c[UsableLength] > o.Z && c[NeckDiameter] > 0) o.Cylinder(ProfilePart.Neck, c[UsableLength], c[NeckDiameter]);
        return o.Cylinder(ProfilePart.Shank, c.OverallLength, c.ShankSize).Revolved();
    }

    /// <summary>Half an angle, in radians.</summary>
    public static double Half(double degrees) => double.DegreesToRadians(degrees / 2);

    /// <summary>Height of a cone whose base and top have these diameters, mm.</summary>
    public static double ConeHeight(double baseDiameter, double topDiameter, double includedAngle) =>
        includedAngle >= 180 ? 0 : (baseDiameter - topDiameter) / 2 / Math.Tan(Half(includedAngle));

    private static double Widest(Cutter c) => double.IsNaN(c[LargestDiameter]) ? 0 : c[LargestDiameter];
}

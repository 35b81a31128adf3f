using Incisura.Core.Geometry;
using static Incisura.Core.Cutters.Dimension;
using static Incisura.Core.Cutters.Kinds.Parts;

namespace Incisura.Core.Cutters.Kinds;

/// <summary>Drills and the tools that finish what they leave.</summary>
internal static class HoleTools
{
    // Nobody has to know it; its thrust is left out then.
    private static readonly FamilyDimension Chisel = ChiselEdge.In(0, 40, 0).Under(CuttingDiameter, 0.5).Free();

    public static Family Centre { get; } = new(
        CutterFamily.CentreDrill, "centre drill", CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c => Point(c.CuttingDiameter, 120).Line(ProfilePart.Cutting, c[PilotLength], c.CuttingDiameter / 2)
            .Line(ProfilePart.Cutting, c[PilotLength] + ConeHeight(c.ShankSize, c.CuttingDiameter, c[PointAngle]), c.ShankSize / 2).Tail(c),
        [
            CuttingDiameter.In(0.5, 12, 3.15).Under(ShankDiameter, 0.6), PilotLength.In(0.5, 20, 3.9).Over(CuttingDiameter, 0.5),
            PointAngle.In(50, 125, 60), ShankDiameter.In(2, 40, 8), OverallLength.In(20, 200, 50), .. Lips(2, 0),
        ])
    {
        Relations = [Room(OverallLength, c => c[PilotLength] + ConeHeight(
        c.ShankSize, c.CuttingDiameter, c[PointAngle]) < c.OverallLength, "Pilot and cone are "
        + "longer than the drill; make it longer.")]
    };

    public static Family Spot { get; } = Drill(CutterFamily.SpotDrill, "spot drill", 10, 25, 90, 60, 150);

    public static Family Twist { get; } = Drill(CutterFamily.TwistDrill, "twist drill", 8.5, 47, 140, 80, 180);

    public static Family Flat { get; } = new(
        CutterFamily.FlatDrill, "flat-bottomed drill", CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c => Point(c.CuttingDiameter, 180).Line(ProfilePart.Body, c.FluteLength, c.CuttingDiameter / 2).Tail(c),
        [CuttingDiameter.In(0.1, 80, 10), .. Lengths(10, 30), .. Lips(2, 30), Chisel])
    { Relations = [Neck] };

    public static Family Step { get; } = new(
        CutterFamily.StepDrill, "step drill", CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c => Point(c.CuttingDiameter, c[PointAngle]).Line(ProfilePart.Body, c[StepLength], c.CuttingDiameter / 2)
            .Line(ProfilePart.Cutting, c[StepLength] + ConeHeight(c[LargestDiameter], c.CuttingDiameter, c[StepAngle]), c[LargestDiameter] / 2)
            .Line(ProfilePart.Body, c.FluteLength, c[LargestDiameter] / 2).Tail(c),
        [
            CuttingDiameter.In(0.5, 80, 6.8).Under(LargestDiameter, 0.98), LargestDiameter.In(0.6, 100, 9), PointAngle.In(80, 180, 140),
            StepLength.In(0.5, 200, 20).Under(FluteLength), StepAngle.In(30, 180, 90), .. Lengths(10, 47), .. Lips(2, 30), Chisel,
        ])
    {
        Relations =
        [
            Room(
                StepLength, c => c[StepLength] >= ConeHeight(c.CuttingDiameter, 0, c[PointAngle]),
                "The step is shorter than the point; make it longer."),
            Room(
                StepLength, c => c[StepLength] + ConeHeight(c[LargestDiameter], c.CuttingDiameter, c[StepAngle]) <= c.FluteLength,
                "Step and cone are longer than the flutes; make the flutes longer."),
        ],
    };

    public static Family Indexable { get; } = new(
        CutterFamily.IndexableDrill, "indexable drill", CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c => Point(c.CuttingDiameter, c[PointAngle]).Line(ProfilePart.Body, c.FluteLength, c.CuttingDiameter / 2)
            .Cylinder(ProfilePart.Neck, c[UsableLength], c[NeckDiameter]).Tail(c),
        [
            CuttingDiameter.In(10, 120, 24), PointAngle.In(140, 180, 176), FluteLength.In(10, 600, 72).Under(UsableLength).Over(CuttingDiameter),
            UsableLength.In(10, 650, 80).Under(OverallLength),
            NeckDiameter.In(10, 150, 34), ShankDiameter.In(12, 60, 25), OverallLength.In(40, 900, 136), .. Lips(2, 0),
        ])
    { Inserts = true };

    public static Family Gun { get; } = new(
        CutterFamily.GunDrill, "deep-hole drill", CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c => Point(c.CuttingDiameter, c[PointAngle]).Line(ProfilePart.Cutting, c[HeadLength], c.CuttingDiameter / 2)
            .Cylinder(ProfilePart.Body, c.FluteLength, c[BodyDiameter]).Cylinder(ProfilePart.Shank, c.OverallLength, c.ShankSize).Revolved(),
        [
            CuttingDiameter.In(0.8, 60, 8), PointAngle.In(90, 170, 130), HeadLength.In(5, 120, 25).Over(CuttingDiameter, 0.6).Under(FluteLength),
            BodyDiameter.In(0.5, 60, 7.6).Under(CuttingDiameter),
            FluteLength.In(20, 2900, 250).Under(OverallLength, 0.98), ShankDiameter.In(4, 60, 16), OverallLength.In(40, 3000, 310), .. Lips(1, 0),
        ]);

    public static Family Reamer { get; } = new(
        CutterFamily.Reamer, "reamer", CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c => new Outline().Line(ProfilePart.Cutting, 0, (c.CuttingDiameter / 2) - Bevel(c)).Line(ProfilePart.Cutting, Bevel(c), c.CuttingDiameter / 2)
            .Line(ProfilePart.Body, c.FluteLength, c.CuttingDiameter / 2).Tail(c),
        [CuttingDiameter.In(0.5, 120, 10), .. Lengths(10, 30), .. Lips(6, 0)])
    { Relations = [Neck] };

    public static Family Counterbore { get; } = new(
        CutterFamily.Counterbore, "counterbore", CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c => new Outline().Line(ProfilePart.Body, 0, c[PilotDiameter] / 2).Line(ProfilePart.Body, c[PilotLength], c[PilotDiameter] / 2)
            .Line(ProfilePart.Cutting, c[PilotLength], c.CuttingDiameter / 2)
            .Line(ProfilePart.Body, c[PilotLength] + c.FluteLength, c.CuttingDiameter / 2)
            .Tail(c),
        [
            CuttingDiameter.In(2, 120, 18), PilotDiameter.In(0.5, 100, 11).Under(CuttingDiameter, 0.95), PilotLength.In(0.5, 80, 10),
            FluteLength.In(1, 200, 24).Under(OverallLength, 0.8),
            ShankDiameter.In(2, 60, 12.5), OverallLength.In(20, 400, 100), .. Lips(3, 15),
        ])
    {
        Relations = [Room(OverallLength, c => c[PilotLength] + c.FluteLength < c.OverallLength, "Pilot and flutes are "
        + "longer than the tool; make it longer.")]
    };

    public static Family Countersink { get; } = new(
        CutterFamily.Countersink, "countersink", CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c =>
            new Outline()
                .Line(ProfilePart.Cutting, 0, Least(c) / 2)
                .Line(ProfilePart.Cutting, ConeHeight(c[LargestDiameter], Least(c), c[PointAngle]), c[LargestDiameter] / 2)
            .Line(ProfilePart.Body, ConeHeight(c[LargestDiameter], Least(c), c[PointAngle]) + (c[LargestDiameter] * 0.15), c[LargestDiameter] / 2)
            .Tail(c),
        [
            LargestDiameter.In(2, 120, 20.5), LeastDiameter.In(0, 60, 3.5).Under(LargestDiameter, 0.9).Free(), PointAngle.In(40, 150, 90),
            ShankDiameter.In(2, 60, 10), OverallLength.In(15, 300, 63), .. Lips(3, 0),
        ])
    {
        CalledBy = LargestDiameter.Symbol,
        Relations =
            [Room(
                OverallLength, c => ConeHeight(c[LargestDiameter], Least(c), c[PointAngle]) + (c[LargestDiameter] * 0.15) < c.OverallLength,
                "The cone is longer than the tool; make it longer.")],
    };

    public static Family Boring { get; } = Bar(CutterFamily.BoringTool, "boring tool", 40, 2);

    public static Family FineBoring { get; } = Bar(CutterFamily.FineBoringHead, "fine-boring head", 25, 1);

    /// <summary>Length of the lead of a reamer, mm.</summary>
    public static double Bevel(Cutter c) => Math.Min(c.CuttingDiameter * 0.1, c.FluteLength / 4);

    private static double Least(Cutter c) => double.IsNaN(c[LeastDiameter]) ? 0 : c[LeastDiameter];

    private static Outline Point(double diameter, double angle) =>
        new Outline().Line(ProfilePart.Cutting, ConeHeight(diameter, 0, angle), diameter / 2);

    private static Family Drill(CutterFamily code, string name, double size, double flutes, double angle, double sharpest, double flattest) => new(
        code, name, CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c => Point(c.CuttingDiameter, c[PointAngle]).Line(ProfilePart.Body, c.FluteLength, c.CuttingDiameter / 2).Tail(c),
        [CuttingDiameter.In(0.1, 100, size), PointAngle.In(sharpest, flattest, angle), .. Lengths(10, flutes), .. Lips(2, 30), Chisel])
    {
        Relations = [Neck, Room(FluteLength, c => c.FluteLength >= ConeHeight(c.CuttingDiameter, 0, c[PointAngle]), "The flutes are "
        + "shorter than the point; make them longer.")]
    };

    private static Family Bar(CutterFamily code, string name, double size, int teeth) => new(
        code, name, CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c =>
            new Outline()
                .Line(ProfilePart.Body, 0, Math.Min(c[BodyDiameter], c.CuttingDiameter) / 2 * 0.96)
                .Line(ProfilePart.Cutting, 0, c.CuttingDiameter / 2)
            .Line(ProfilePart.Cutting, Math.Min(size / 8, c[UsableLength] / 3), c.CuttingDiameter / 2)
            .Cylinder(ProfilePart.Neck, c[UsableLength], c[BodyDiameter])
            .Cylinder(ProfilePart.Shank, c.OverallLength, c.ShankSize)
            .Revolved(),
        [
            CuttingDiameter.In(3, 400, size).Over(LeastDiameter).Under(LargestDiameter), LeastDiameter.In(3, 400, size * 0.9),
            LargestDiameter.In(3, 420, size * 1.25).Over(LeastDiameter),
            BodyDiameter.In(2, 390, size * 0.8).Under(LeastDiameter), CornerRadius.In(0.05, 2.4, 0.4),
            UsableLength.In(5, 600, 3 * size).Under(OverallLength), ShankDiameter.In(3, 100, Math.Round(size * 0.8)),
            OverallLength.In(10, 800, (3 * size) + 50), .. Lips(teeth, 0),
        ])
    { Inserts = true };
}

using Incisura.Core.Geometry;
using static Incisura.Core.Cutters.Dimension;
using static Incisura.Core.Cutters.Kinds.Parts;

namespace Incisura.Core.Cutters.Kinds;

/// <summary>End mills, high-feed and face mills.</summary>
internal static class EndMills
{
    private static readonly FamilyDimension Depth = LargestDepth.In(0.01, 500, 25).Under(FluteLength);

    // The rounding of an insert's corner makes the finish; it is too small for the outline.
    private static readonly FamilyDimension InsertRadius = Dimension.CornerRadius.In(0, 20, 0).Free();

    public static Family Square { get; } = new(
        CutterFamily.SquareEndMill, "square end mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c =>
            new Outline().Line(ProfilePart.Cutting, 0, c.CuttingDiameter / 2).Line(ProfilePart.Cutting, c.FluteLength, c.CuttingDiameter / 2).Tail(c),
        [CuttingDiameter.In(0.1, 100, 12), Depth, .. Lengths(12, 26), .. Edge(4, 38)])
    { Relations = [Neck] };

    public static Family CornerRadius { get; } = new(
        CutterFamily.CornerRadiusEndMill, "corner-radius end mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c => Tapered(c, c[Dimension.CornerRadius], 0),
        [
            CuttingDiameter.In(0.1, 100, 12), Dimension.CornerRadius.In(0.01, 50, 1).Under(CuttingDiameter, 0.5).Under(FluteLength), Depth,
            .. Lengths(12, 26), .. Edge(4, 38),
        ])
    { Relations = [Neck] };

    public static Family Ball { get; } = new(
        CutterFamily.BallEndMill, "ball end mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        DrawBall,
        [CuttingDiameter.In(0.1, 100, 10), LargestDepth.In(0.01, 500, 20).Under(FluteLength), .. Lengths(10, 20), .. Edge(2, 30, 0.003, 0.06)])
    {
        Picks = [Pick("ball", "Ball", new("half", "up to its half, then straight"), new("past", "past its half"))],
        Relations =
        [
            Neck,
            Room(
                FluteLength, c => !PastHalf(c) || (c.FluteLength > c.CuttingDiameter / 2 && c.FluteLength < c.CuttingDiameter),
                "A ball that cuts past its half ends between its half and its whole diameter; give an LCF between them."),
            Room(
                NeckDiameter,
                c =>
                    !PastHalf(c)
                        || (c[NeckDiameter] > 0 && c[UsableLength] > c.FluteLength && c[NeckDiameter] <= (2 * BallRadiusAt(c, c.FluteLength)) + 1e-9),
                "A ball that cuts past its half stands on a neck no thicker than where it ends; give DN, and LU longer than LCF."),
        ],
    };

    public static Family Taper { get; } = new(
        CutterFamily.TaperedEndMill, "tapered end mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c => Tapered(c, Rounding(c), c[TaperAngle]),
        [
            CuttingDiameter.In(0.1, 100, 4), TaperAngle.In(0.1, 45, 3), Dimension.CornerRadius.In(0, 50, 0.5).Under(CuttingDiameter, 0.75).Free(),
            LargestDepth.In(0.01, 500, 20).Under(FluteLength), .. Lengths(8, 20), .. Edge(3, 30, 0.002, 0.03),
        ])
    {
        Relations =
        [
            Neck,
            Room(
                Dimension.CornerRadius, c => TipRadius(c, Rounding(c), c[TaperAngle]) >= -1e-9,
                "The corner radius reaches past the axis; make it smaller. A ball tip has its centre on the axis."),
            Room(
                Dimension.CornerRadius, c => Rounding(c) * (1 - Math.Sin(double.DegreesToRadians(c[TaperAngle]))) <= c.FluteLength,
                "The corner radius is longer than the flutes; make it smaller."),
        ],
    };

    public static Family HighFeed { get; } = new(
        CutterFamily.HighFeedMill, "high-feed mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c =>
        {
            double flank = c.LargestDepth / Math.Tan(double.DegreesToRadians(c[EdgeAngle]));
            return new Outline()
                .Line(ProfilePart.Cutting, 0, (c.CuttingDiameter / 2) - flank)
                .Line(ProfilePart.Cutting, c.LargestDepth, c.CuttingDiameter / 2)
                .Line(ProfilePart.Body, c.FluteLength, c.CuttingDiameter / 2).Tail(c);
        },
        [
            CuttingDiameter.In(1, 200, 32), EdgeAngle.In(3, 30, 12), LargestDepth.In(0.05, 10, 1.2).Under(FluteLength), .. Lengths(32, 30),
            InsertRadius, .. Edge(4, 0, 0.05, 0.3),
        ])
    {
        Inserts = true,
        Relations =
        [
            Neck,
            Room(
                EdgeAngle, c => c.LargestDepth / Math.Tan(double.DegreesToRadians(c[EdgeAngle])) < c.CuttingDiameter / 2,
                "The flank of this angle reaches past the axis at the largest depth; give a larger angle or less depth."),
        ],
    };

    public static Family Face { get; } = new(
        CutterFamily.FaceMill, "face mill", CutterUse.Milling, ShankForm.Arbor, SeatBore,
        c => new Outline().Line(ProfilePart.Cutting, 0, c.CuttingDiameter / 2).Line(ProfilePart.Cutting, c.LargestDepth, Flank(c) / 2)
            .Cylinder(ProfilePart.Body, Math.Min(c.OverallLength, Math.Max(2 * c.LargestDepth, c.OverallLength * 0.4)), Flank(c) - 1)
            .Cylinder(ProfilePart.Shank, c.OverallLength, c[HubDiameter]).Revolved(),
        [
            CuttingDiameter.In(16, 500, 50), EdgeAngle.In(10, 90, 45), LargestDepth.In(0.2, 30, 4).Under(OverallLength, 0.5),
            SeatBore.In(5, 100, 22).Under(HubDiameter),
            HubDiameter.In(10, 450, 40).Under(CuttingDiameter), OverallLength.In(10, 200, 40), InsertRadius, .. Edge(5, 0, 0.03, 0.25),
        ])
    { Inserts = true };

    // Widest diameter of the flank of a face mill, at its largest depth.
    private static double Flank(Cutter c) => c.CuttingDiameter + (2 * c.LargestDepth / Math.Tan(double.DegreesToRadians(c[EdgeAngle])));

    private static bool PastHalf(Cutter c) => c.Picked("ball") == "past";

    private static double BallRadiusAt(Cutter c, double z) => Math.Sqrt(Math.Max(0, z * (c.CuttingDiameter - z)));

    // Flutes shorter than the half of the ball end on it; a ball past its half narrows again towards its neck.
    private static Profile DrawBall(Cutter c)
    {
        double half = c.CuttingDiameter / 2, ends = PastHalf(c) ? c.FluteLength : Math.Min(c.FluteLength, half);
        return new Outline()
            .Round(ProfilePart.Cutting, ends, BallRadiusAt(c, ends), half)
            .Line(ProfilePart.Cutting, c.FluteLength, BallRadiusAt(c, ends))
            .Tail(c);
    }

    private static double Rounding(Cutter c) => double.IsNaN(c[Dimension.CornerRadius]) ? 0 : c[Dimension.CornerRadius];

    // Where the flat of the tip ends: the corner's arc touches the end plane and a flank that leans by the taper.
    private static double TipRadius(Cutter c, double corner, double taper)
    {
        double a = double.DegreesToRadians(taper);
        return (c.CuttingDiameter / 2) + (corner * Math.Tan(a)) - (corner / Math.Cos(a));
    }

    private static Profile Tapered(Cutter c, double corner, double taper)
    {
        double a = double.DegreesToRadians(taper), flat = Math.Max(0, TipRadius(c, corner, taper));
        double back = (c.CuttingDiameter / 2) + (c.FluteLength * Math.Tan(a));
        Outline o = new Outline().Line(ProfilePart.Cutting, 0, flat);
        if (corner > 0) o.Round(ProfilePart.Cutting, corner * (1 - Math.Sin(a)), flat + (corner * Math.Cos(a)), corner);
        return o.Line(ProfilePart.Cutting, c.FluteLength, back).Tail(c);
    }
}

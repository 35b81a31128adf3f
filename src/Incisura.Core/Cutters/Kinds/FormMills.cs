using Incisura.Core.Geometry;
using static Incisura.Core.Cutters.Dimension;
using static Incisura.Core.Cutters.Kinds.Parts;

namespace Incisura.Core.Cutters.Kinds;

/// <summary>Milling cutters that leave a form of their own: discs, cones, roundings, barrels, threads, and free profiles.</summary>
internal static class FormMills
{
    private static readonly FamilyDimension Shank = ShankDiameter.In(0.5, 100, 8);
    private static readonly FamilyDimension Overall = OverallLength.In(3, 500, 60);
    private static readonly FamilyDimension Usable = UsableLength.In(0.05, 400, 20).Under(OverallLength);

    public static Family Slot { get; } = new(
        CutterFamily.SlotMill, "slotting cutter", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c =>
            new Outline()
                .Line(ProfilePart.Cutting, 0, c.CuttingDiameter / 2)
                .Line(ProfilePart.Cutting, c[CuttingWidth], c.CuttingDiameter / 2)
                .Tail(c),
        [
            CuttingDiameter.In(2, 300, 20), CuttingWidth.In(0.05, 60, 5).Under(UsableLength), Usable,
            NeckDiameter.In(0.5, 200, 9).Under(CuttingDiameter), Shank with { Start = 12 }, Overall, .. Edge(6, 0, mostTeeth: 240),
        ]);

    public static Family Dovetail { get; } = new(
        CutterFamily.DovetailMill, "dovetail mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c => new Outline().Line(ProfilePart.Cutting, 0, c.CuttingDiameter / 2).Line(ProfilePart.Cutting, c.LargestDepth, Waist(c)).Tail(c),
        [
            CuttingDiameter.In(2, 100, 20), PointAngle.In(30, 89, 60), LargestDepth.In(0.2, 60, 8).Under(UsableLength), Usable with { Start = 14 },
            NeckDiameter.In(0.5, 100, 8).Under(CuttingDiameter), Shank with { Start = 12 }, Overall, .. Edge(6, 0),
        ])
    {
        Relations =
            [Room(
                PointAngle, c => Waist(c) >= c[NeckDiameter] / 2 - 1e-9,
                "The flank narrows below the neck; give a steeper angle, less depth or a thinner neck.")],
    };

    public static Family Chamfer { get; } = new(
        CutterFamily.ChamferMill, "chamfer mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c => Cone(c, c.CuttingDiameter).Tail(c),
        [
            LargestDiameter.In(1, 100, 10), CuttingDiameter.In(0, 90, 0).Under(LargestDiameter, 0.99).Free(), PointAngle.In(10, 150, 90),
            (Usable with { Start = 0 }).Free(), NeckDiameter.In(0.5, 100, 0).Free(), Shank with { Start = 10 }, Overall, .. Edge(4, 0),
        ])
    {
        CalledBy = LargestDiameter.Symbol,
        Relations =
        [
            ConeFits,
            new(
                NeckDiameter, c => !(c[UsableLength] > 0) || c[NeckDiameter] > 0,
                c => $"The neck as far as {c[UsableLength]:0.###} mm needs a diameter DN; give it, or leave LU out."),
        ],
    };

    public static Family CornerRounding { get; } = new(
        CutterFamily.CornerRoundingMill, "corner-rounding mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c =>
            new Outline()
                .Line(ProfilePart.Cutting, 0, c.CuttingDiameter / 2)
                .Round(ProfilePart.Cutting, c[ProfileRadius], (c.CuttingDiameter / 2) + c[ProfileRadius], -c[ProfileRadius])
            .Line(ProfilePart.Body, c.FluteLength, (c.CuttingDiameter / 2) + c[ProfileRadius]).Tail(c),
        [
            CuttingDiameter.In(0.5, 60, 6), ProfileRadius.In(0.1, 30, 3).Under(FluteLength), FluteLength.In(0.1, 60, 8).Under(OverallLength),
            Shank with { Start = 12 }, Overall, .. Edge(4, 0),
        ]);

    public static Family Barrel { get; } = new(
        CutterFamily.BarrelMill, "barrel mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter, DrawBarrel,
        [
            CuttingDiameter.In(1, 60, 10), ProfileRadius.In(1, 2000, 85).Over(CuttingDiameter, 0.5),
            CornerRadius.In(0.05, 30, 2).Under(CuttingDiameter, 0.5), TaperAngle.In(0, 60, 0).Free(),
            LargestDepth.In(0.01, 200, 18).Under(FluteLength), .. Lengths(10, 20), .. Edge(4, 30, 0.003, 0.06),
        ])
    {
        Picks = [Pick("form", "Form", new("tangential", "tangential"), new("conical", "conical"), new("lens", "lens"))],
        Relations =
        [
            Neck,
            Room(
                LargestDepth, c => c.Picked("form") != "lens" || !BarrelFits(c) || c.LargestDepth <= LensDepth(c) + 1e-9,
                "The lens cuts no deeper than where its corner meets the shank; give a smaller APMX."),
            Room(
                ProfileRadius, c => BarrelFits(c),
                "The tip radius cannot meet the large radius within this diameter and length; make the tip radius smaller, the large "
                    + "radius larger, or the flutes shorter."),
        ],
    };

    public static Family Engraving { get; } = new(
        CutterFamily.EngravingPoint, "engraving point", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c => Cone(c, c.CuttingDiameter, c.ShankSize).Tail(c),
        [
            CuttingDiameter.In(0, 5, 0.2).Under(ShankDiameter, 0.9), PointAngle.In(5, 120, 40), Shank with { Start = 6 }, Overall,
            .. Edge(1, 0, 0.001, 0.02),
        ])
    { Relations = [ConeFits] };

    public static Family Thread { get; } = new(
        CutterFamily.ThreadMill, "thread mill", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter, DrawThread,
        [
            CuttingDiameter.In(0.5, 100, 8), Pitch.In(0.2, 12, 1.25).Under(CuttingDiameter, 0.9), LargestPitch.In(0.2, 12, 0).Free().Over(Pitch),
            ProfileAngle.In(20, 90, 60), .. Lengths(8, 16), .. Edge(3, 10),
        ])
    {
        Picks = [Pick("profiles", "Profiles", new("several", "several"), new("one", "one"), new("taper", "several, taper 1 in 16"))],
        Relations = [Neck, Room(FluteLength, c => c.FluteLength >= c[Pitch], "The flutes are shorter than one pitch; make them longer.")],
    };

    public static Family Form { get; } = new(
        CutterFamily.FormCutter, "form cutter", CutterUse.Milling, ShankForm.Cylindrical, ShankDiameter,
        c => StackedProfile.Draw(c.Segments, ProfilePart.Shank),
        [CuttingDiameter.In(0.1, 500, 20), .. Edge(4, 0)])
    {
        FreeProfile = true,
        Relations =
        [
            new(
                CuttingDiameter, c => Math.Abs(Widest(c) - c.CuttingDiameter) <= 0.01,
                c => $"The profile cuts Ø{Widest(c):0.###} mm at its widest, and DC says {c.CuttingDiameter:0.###} mm; make one like the other."),
            new(
                CuttingDiameter,
                c => c.Segments[^1] is var back && !back.Cuts && back.LowerDiameter == back.UpperDiameter && back.UpperDiameter >= 0.5,
                _ => "The profile ends with a shank: its last segment is a cylinder of at least 0.5 mm that does not cut."),
        ],
    };

    private static double Widest(Cutter c) => c.Profile().CuttingDiameterAt(double.MaxValue);

    private static Relation ConeFits => new(
        PointAngle,
        c => ConeHeight(Wide(c), Tip(c), c[PointAngle]) < c.OverallLength,
        c =>
            $"The cone of this angle is {ConeHeight(Wide(c), Tip(c), c[PointAngle]):0.###} mm long, longer than the "
                + "cutter; give a larger angle or length.");

    private static double Tip(Cutter c) => double.IsNaN(c[CuttingDiameter]) ? 0 : c[CuttingDiameter];

    private static double Wide(Cutter c) => double.IsNaN(c[LargestDiameter]) ? c.ShankSize : c[LargestDiameter];

    private static double Waist(Cutter c) => (c.CuttingDiameter / 2) - (c.LargestDepth / Math.Tan(double.DegreesToRadians(c[PointAngle])));

    private static Outline Cone(Cutter c, double called, double wide = 0)
    {
        double base_ = wide > 0 ? wide : called;
        double height = ConeHeight(base_, Tip(c), c[PointAngle]);
        Outline o = new Outline().Line(ProfilePart.Cutting, 0, Tip(c) / 2).Line(ProfilePart.Cutting, height, base_ / 2);
        return wide > 0 ? o : o.Line(ProfilePart.Body, Math.Min(c.OverallLength, height + (base_ / 2)), base_ / 2);
    }

    // The large circle of a barrel: its centre, and where the tip's circle touches it from inside.
    private static (double Z, double R, double TipR) Circles(Cutter c)
    {
        double radius = c[ProfileRadius], tip = c[CornerRadius], z, r;
        if (c.Picked("form") == "conical")
        {
            // The tangent in the middle of the flutes leans by the taper; the widest point of the circle on the flutes has the cutting diameter.
            z = (c.FluteLength / 2) + (radius * Math.Sin(double.DegreesToRadians(c[TaperAngle])));
            r = (c.CuttingDiameter / 2) - Rise(radius, Math.Max(0, z - c.FluteLength));
        }
        else (z, r) = (c.FluteLength, (c.CuttingDiameter / 2) - radius);

        double across = (radius - tip) * (radius - tip) - ((z - tip) * (z - tip));
        return (z, r, across < 0 ? double.NaN : r + Math.Sqrt(across));
    }

    private static double Rise(double radius, double along) => Math.Sqrt(Math.Max(0, (radius * radius) - (along * along)));

    private static bool BarrelFits(Cutter c)
    {
        double radius = c[ProfileRadius], tip = c[CornerRadius], half = c.CuttingDiameter / 2;
        if (c.Picked("form") == "lens") return radius > half && tip < half && LensDepth(c) <= c.FluteLength;
        if (
            !(
                radius > tip && Circles(c).TipR is >= -1e-9 and var at && at <= half - (tip / 2)
                    && (c.Picked("form") != "conical" || c[TaperAngle] > 0)))
            return false;

        // As drawn: the tip's arc meets the large one before the flutes end, nothing runs back, and nothing is wider than the diameter.
        return DrawBarrel(c).Elements
            .Where(e => e.Part == ProfilePart.Cutting)
            .All(e => e.ToZ >= e.FromZ && e.Box is var box && box.MostR <= half + 1e-6 && box.MostZ <= c.FluteLength + 1e-6 && box.LeastR >= -1e-9);
    }

    // Depth of a lens from the tip to where its corner meets the cylinder.
    private static double LensDepth(Cutter c)
    {
        double radius = c[ProfileRadius], tip = c[CornerRadius], half = c.CuttingDiameter / 2;
        return radius - Math.Sqrt(((radius - tip) * (radius - tip)) - ((half - tip) * (half - tip)));
    }

    private static Profile DrawBarrel(Cutter c)
    {
        double radius = c[ProfileRadius], tip = c[CornerRadius], half = c.CuttingDiameter / 2;
        Outline o = new();
        if (c.Picked("form") == "lens")
        {
            double z = LensDepth(c), share = radius / (radius - tip);
            o.Round(ProfilePart.Cutting, radius + ((z - radius) * share), (half - tip) * share, radius)
                .Round(ProfilePart.Cutting, z, half, tip)
                .Line(ProfilePart.Body, c.FluteLength, half);
        }
        else
        {
            (double cz, double cr, double tipR) = Circles(c);
            tipR = Math.Max(0, tipR);
            double share = radius / (radius - tip);
            o.Line(ProfilePart.Cutting, 0, tipR)
                .Round(ProfilePart.Cutting, cz + ((tip - cz) * share), cr + ((tipR - cr) * share), tip)
                .Round(ProfilePart.Cutting, c.FluteLength, cr + Rise(radius, cz - c.FluteLength), radius);
        }

        return o.Tail(c);
    }

    private static Profile DrawThread(Cutter c)
    {
        double pitch = c[Pitch], half = c.CuttingDiameter / 2;
        double height = Math.Min(pitch / 2 / Math.Tan(Half(c[ProfileAngle])) * 0.75, half * 0.6);
        double lean = c.Picked("profiles") == "taper" ? 1.0 / 32 : 0;
        int teeth = c.Picked("profiles") == "one" ? 1 : Math.Max(1, (int)(c.FluteLength / pitch));
        Outline o = new Outline().Line(ProfilePart.Cutting, 0, half - height);
        for (int i = 0; i < teeth; i++)
            o.Line(ProfilePart.Cutting, (i + 0.5) * pitch, half + ((i + 0.5) * pitch * lean))
                .Line(ProfilePart.Cutting, (i + 1) * pitch, half - height + ((i + 1) * pitch * lean));
        return o.Line(ProfilePart.Body, c.FluteLength, o.R).Tail(c);
    }
}

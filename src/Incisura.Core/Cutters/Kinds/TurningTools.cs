using Incisura.Core.Geometry;
using static Incisura.Core.Cutters.Dimension;
using static Incisura.Core.Cutters.Kinds.Parts;

namespace Incisura.Core.Cutters.Kinds;

/// <summary>Turning tools, flat as seen on their rake face; the nose is at the origin and the shank runs along Z.</summary>
internal static class TurningTools
{
    /// <summary>Height of the profile of a threading insert over its largest pitch: that of the sharp 60° triangle, 0.866, and of a buttress thread.</summary>
    public const double ThreadHeightShare = 0.88;

    // Corners of an insert by its shape letter (ISO 1832), from the nose round.
    private static readonly Dictionary<string, double[]> Corners = new()
    {
        ["C"] = [80, 100, 80, 100],
        ["D"] = [55, 125, 55, 125],
        ["V"] = [35, 145, 35, 145],
        ["S"] = [90, 90, 90, 90],
        ["T"] = [60, 60, 60],
        ["W"] = [80, 160, 80, 160, 80, 160],
        ["R"] = [],
    };

    private static readonly PickDescription Shape = Pick(
        "insert", "Shape of the insert", new("C", "C, rhombic 80°"), new("D", "D, rhombic 55°"), new("V", "V, rhombic 35°"), new("S", "S, square"),
        new("T", "T, triangle"), new("W", "W, trigon 80°"), new("R", "R, round"));

    // What a bar is made of.
    private static readonly PickDescription BarMade = Pick(
        "bar", "The bar", new("steel", "steel"), new("heavyMetal", "heavy metal"), new("carbide", "carbide"), new("damped", "damped, steel"));

    // Young's modulus of a bar, MPa, and how far over its diameter it stands out before it is known to chatter (shop practice).
    private static readonly Dictionary<string, (double Modulus, double Overhang)> Bars = new()
    {
        ["steel"] = (Holders.TipCompliance.Steel, 4),
        ["heavyMetal"] = (345_000, 6),
        ["carbide"] = (Holders.TipCompliance.Carbide, 6),
        ["damped"] = (Holders.TipCompliance.Steel, 10),
    };

    /// <summary>Young's modulus of the shank of a turning tool, MPa: of a bar as it is made, or else steel.</summary>
    public static double Modulus(Cutter c) => BarOf(c)?.Modulus ?? Holders.TipCompliance.Steel;

    /// <summary>Length over its diameter that a bar may stand out; NaN of tools that are no bars.</summary>
    public static double LargestOverhang(Cutter c) => BarOf(c)?.Overhang ?? double.NaN;

    private static (double Modulus, double Overhang)? BarOf(Cutter c) =>
        c.Described.Picks.Any(p => p.Code == BarMade.Code) ? Bars[c.Picked(BarMade.Code)] : null;

    /// <summary>Tip angle ε_r of the insert, degrees; 0 for a round one.</summary>
    public static double TipAngle(Cutter c) => Corners[c.Picked("insert")] is [var tip, ..] ? tip : 0;

    /// <summary>Length of an edge of the insert l, mm, corner to corner: of its inscribed circle and its angles; of a round one half its girth.</summary>
    public static double EdgeLength(Cutter c)
    {
        double[] corners = Corners[c.Picked("insert")];
        if (corners.Length == 0) return Math.PI * c[InscribedCircle] / 2;
        return c[InscribedCircle] / 2 * ((1 / Math.Tan(Half(corners[0]))) + (1 / Math.Tan(Half(corners[1]))));
    }

    public static Family Outside { get; } = new(
        CutterFamily.OutsideTurningTool, "outside turning tool", CutterUse.Turning, ShankForm.Square, ShankHeight, DrawOutside,
        [
            ShankHeight.In(8, 60, 25), ShankWidth.In(8, 60, 25), FunctionalWidth.In(4, 100, 32).Over(ShankWidth, 0.5),
            HeadLength.In(8, 120, 36).Under(OverallLength, 0.8), OverallLength.In(40, 400, 150), .. Insert(12.7, 95),
        ])
    { CalledBy = ShankHeight.Symbol, Inserts = true, Picks = [Shape], Relations = [HeadRoom, Trailing] };

    public static Family Inside { get; } = new(
        CutterFamily.InsideTurningTool, "turning boring bar", CutterUse.Turning, ShankForm.Cylindrical, ShankDiameter, DrawInside,
        [
            ShankDiameter.In(3, 100, 20), LeastBore.In(3.2, 300, 25).Over(ShankDiameter),
            FunctionalWidth.In(1.6, 80, 13).Over(ShankDiameter, 0.5).Under(LeastBore), HeadLength.In(2, 200, 32).Under(OverallLength, 0.8),
            OverallLength.In(30, 500, 180), .. Insert(9.525, 95),
        ])
    {
        CalledBy = ShankDiameter.Symbol,
        Inserts = true,
        Picks = [Shape, BarMade],
        Relations =
        [
            HeadRoom, Trailing, EntersBore,
        ],
    };

    public static Family Grooving { get; } = Blade(CutterFamily.GroovingBlade, "grooving blade", 3, 12, GreatestWork.In(1, 400, 90));

    public static Family FaceGrooving { get; } = Blade(
        CutterFamily.FaceGroovingBlade, "face grooving blade", 4, 15, LeastFaceGroove.In(5, 1500, 40).Under(LargestFaceGroove),
        LargestFaceGroove.In(6, 2000, 70));

    public static Family Parting { get; } = Blade(CutterFamily.PartingBlade, "parting blade", 3, 30, GreatestWork.In(1, 400, 60));

    public static Family InsideGrooving { get; } = new(
        CutterFamily.InsideGroovingTool, "grooving bar", CutterUse.Turning, ShankForm.Cylindrical, ShankDiameter,
        c => Bar(GrooveInsert(c), c, c[CuttingWidth] * 1.5, c[Reach]),
        [
            ShankDiameter.In(3, 100, 16), LeastBore.In(3.2, 300, 22).Over(ShankDiameter),
            FunctionalWidth.In(1.6, 80, 13).Over(ShankDiameter, 0.5).Under(LeastBore), CuttingWidth.In(0.5, 12, 3).Under(HeadLength, 0.5),
            Reach.In(0.3, 40, 4.5).Under(FunctionalWidth), HeadLength.In(2, 200, 28).Under(OverallLength, 0.8), OverallLength.In(30, 500, 150),
            CornerRadius.In(0, 5, 0.2).Under(CuttingWidth, 0.5).Free(), .. BladeFeeds,
        ])
    {
        CalledBy = ShankDiameter.Symbol,
        Inserts = true,
        Picks = [BarMade],
        Relations =
        [
            EntersBore,
            Room(
                Reach, c => c[FunctionalWidth] - (c.ShankSize / 2) >= c[Reach] - 1e-9,
                "The bar would touch the bore before the groove is as deep as CDX; give a smaller CDX, or a larger WF."),
        ],
    };

    public static Family Threading { get; } = new(
        CutterFamily.ThreadTurningTool, "threading tool", CutterUse.Turning, ShankForm.Square, ShankHeight,
        c => Shank(ThreadInsert(c, swap: false), c, c[InscribedCircle] * 0.55, -c[InscribedCircle] * 0.45, c[InscribedCircle] * 0.8),
        [
            ShankHeight.In(8, 60, 25), ShankWidth.In(8, 60, 25), FunctionalWidth.In(4, 100, 32).Over(ShankWidth, 0.5),
            HeadLength.In(8, 120, 30).Under(OverallLength, 0.8), OverallLength.In(40, 400, 150), .. ThreadProfile(9.525),
        ])
    { CalledBy = ShankHeight.Symbol, Inserts = true, Picks = [Profiled], Relations = [ProfileFits] };

    public static Family InsideThreading { get; } = new(
        CutterFamily.InsideThreadTurningTool, "threading bar", CutterUse.Turning, ShankForm.Cylindrical, ShankDiameter,
        c => Bar(ThreadInsert(c, swap: true), c, c[InscribedCircle] * 1.1, c[InscribedCircle] * 0.9),
        [
            ShankDiameter.In(3, 100, 16), LeastBore.In(3.2, 300, 20).Over(ShankDiameter),
            FunctionalWidth.In(1.6, 80, 11).Over(ShankDiameter, 0.5).Under(LeastBore), HeadLength.In(2, 200, 28).Under(OverallLength, 0.8),
            OverallLength.In(30, 500, 150), .. ThreadProfile(6.35),
        ])
    { CalledBy = ShankDiameter.Symbol, Inserts = true, Picks = [Profiled], Relations = [HeadRoom, EntersBore, ProfileFits] };

    private static PickDescription Profiled => Pick(
        "profile", "Profile", new("full", "full, cuts the crest"), new("partial", "partial, for several pitches"));

    private static Relation EntersBore => Room(
        LeastBore, c => c[FunctionalWidth] + (c.ShankSize / 2) <= c[LeastBore] + 1e-9,
        "WF and half the bar do not enter a bore of DMIN; give a larger DMIN, or a smaller WF.");

    private static Relation ProfileFits => Room(
        LargestPitch,
        c => ThreadHeightShare * c[LargestPitch] * Math.Max(1, 2 * Math.Tan(Half(c[ProfileAngle]))) <= c[InscribedCircle] + 1e-9,
        "A profile for this pitch is larger than the insert; give a smaller pitch, or a larger insert.");

    private static IReadOnlyList<FamilyDimension> ThreadProfile(double circle) =>
    [
        InscribedCircle.In(4, 30, circle), Pitch.In(0.2, 12, 1).Under(LargestPitch), LargestPitch.In(0.2, 12, 3), ProfileAngle.In(29, 80, 60),
        Teeth.In(1, 4, 1), Clearance.In(0, 20, 0).Free(),
    ];

    private static Relation HeadRoom =>
        Room(HeadLength, c => c[HeadLength] >= c[InscribedCircle] * 0.6, "The head is shorter than its insert; make it longer.");

    private static Relation Trailing => new(
        EdgeAngle,
        c => c.Picked("insert") == "R" || c[EdgeAngle] + Corners[c.Picked("insert")][0] < 180,
        c =>
            $"At {c[EdgeAngle]:0.#}° an insert {c.Picked("insert")} would rub with its trailing edge; KAPR stays below "
                + $"{180 - Corners[c.Picked("insert")][0]:0.#}°.");

    private static IReadOnlyList<FamilyDimension> Insert(double circle, double angle) =>
    [
        InscribedCircle.In(3.97, 32, circle), CornerRadius.In(0.03, 6.4, 0.8).Under(InscribedCircle, 0.5), EdgeAngle.In(15, 118, angle),
        LeastFormingDepth.In(0.02, 20, 0.5).Under(LargestFormingDepth), LargestFormingDepth.In(0.05, 25, 4),
        LeastFormingFeed.In(0.01, 2, 0.1).Under(LargestFormingFeed), LargestFormingFeed.In(0.02, 3, 0.4),
        LargestFormingFeedDeep.In(0, 3, 0).Under(LargestFormingFeed).Free(),
        LeastFormingDepthFast.In(0, 25, 0).Under(LargestFormingDepth).Free(), WiperLength.In(0, 5, 0).Free(),
    ];

    private static IReadOnlyList<FamilyDimension> BladeFeeds =>
        [LeastFormingFeed.In(0.01, 1, 0.05).Under(LargestFormingFeed), LargestFormingFeed.In(0.02, 1.5, 0.2)];

    private static Outline GrooveInsert(Cutter c)
    {
        Outline o = new();
        o.Line(ProfilePart.Cutting, c[CuttingWidth], 0).Line(ProfilePart.Cutting, c[CuttingWidth], c[Reach] * 1.4);
        return o.Line(ProfilePart.Cutting, 0, c[Reach] * 1.4).Close(ProfilePart.Cutting);
    }

    private static Family Blade(CutterFamily code, string name, double width, double reach, params ReadOnlySpan<FamilyDimension> work) => new(
        code, name, CutterUse.Turning, ShankForm.Blade, ShankHeight,
        c =>
        {
            double half = c[CuttingWidth] / 2, blade = c[BladeWidth] / 2, body = c[ShankWidth] / 2,
                insert = Math.Min(c[CuttingWidth] * 2, c[Reach] * 0.5);
            return new Outline(0, -half)
                .Line(ProfilePart.Cutting, 0, half)
                .Line(ProfilePart.Cutting, insert, blade)
                .Line(ProfilePart.Cutting, insert, -blade)
                .Close(ProfilePart.Cutting)
                .From(insert, -blade)
                .Line(ProfilePart.Neck, insert, blade)
                .Line(ProfilePart.Neck, c[Reach], blade)
                .Line(ProfilePart.Neck, c[Reach], -blade)
                .Close(ProfilePart.Neck)
                .From(c[Reach], -body)
                .Line(ProfilePart.Shank, c[Reach], body)
                .Line(ProfilePart.Shank, c.OverallLength, body)
                .Line(ProfilePart.Shank, c.OverallLength, -body)
                .Close(ProfilePart.Shank)
                .Flat();
        },
        [
            CuttingWidth.In(0.5, 20, width), Reach.In(0.5, 120, reach).Under(OverallLength, 0.8), .. work,
            BladeWidth.In(0.3, 19, width * 0.8).Under(CuttingWidth), ShankHeight.In(8, 60, 32), ShankWidth.In(1, 60, 8).Over(BladeWidth),
            CornerRadius.In(0, 5, 0.2).Under(CuttingWidth, 0.5).Free(), OverallLength.In(30, 400, 150),
            .. BladeFeeds,
        ])
    { CalledBy = CuttingWidth.Symbol, Inserts = true };

    private static Profile DrawOutside(Cutter c) => WithInsert(c, swap: false, (o, back, across) => Shank(o, c, back, across * 0.2, back));

    // A threading insert as its rake face shows it; the height of its profile follows its largest pitch.
    private static Outline ThreadInsert(Cutter c, bool swap)
    {
        double depth = c[LargestPitch] * ThreadHeightShare, wide = depth * Math.Tan(Half(c[ProfileAngle])), edge = c[InscribedCircle];
        Outline o = swap ? new(edge / 2, 0) : new();
        foreach ((double across, double along) in
            (ReadOnlySpan<(double, double)>)[(depth, wide), (edge, edge / 2), (edge, -edge / 2), (depth, -wide)])
            o.Line(ProfilePart.Cutting, swap ? along + (edge / 2) : across, swap ? across : along);
        return o.Close(ProfilePart.Cutting);
    }

    private static Profile DrawInside(Cutter c) => WithInsert(c, swap: true, (o, back, across) => Bar(o, c, back, across));

    private static Profile Bar(Outline o, Cutter c, double back, double across)
    {
        double axis = c[FunctionalWidth], half = c.ShankSize / 2, near = axis - half, far = axis + half;
        return o.From(back, across * 0.5)
            .Line(ProfilePart.Shank, c[HeadLength], near)
            .Line(ProfilePart.Shank, c.OverallLength, near)
            .Line(ProfilePart.Shank, c.OverallLength, far)
            .Line(ProfilePart.Shank, c[HeadLength] * 0.3, far).Line(ProfilePart.Shank, c[HeadLength] * 0.08, axis).Close(ProfilePart.Shank).Flat();
    }

    // The square shank lies between WF − B and WF across; the head joins it to the seat of the insert.
    private static Profile Shank(Outline o, Cutter c, double back, double seat, double start)
    {
        double far = c[FunctionalWidth], near = far - c[ShankWidth], head = c[HeadLength], side = c.Hand == Hand.Left ? -1 : 1;
        return o.From(start, seat * side)
            .Line(ProfilePart.Shank, head, near * side)
            .Line(ProfilePart.Shank, c.OverallLength, near * side)
            .Line(ProfilePart.Shank, c.OverallLength, far * side)
            .Line(ProfilePart.Shank, back * 1.2, far * side)
            .Line(ProfilePart.Shank, back * 0.7, (far + Math.Abs(seat)) * 0.6 * side)
            .Close(ProfilePart.Shank)
            .Flat();
    }

    // The insert lies with its edge at κ_r to the feed. Its nose, rounded by RE, touches both axes.
    private static Profile WithInsert(Cutter c, bool swap, Func<Outline, double, double, Profile> body)
    {
        double[] corners = Corners[c.Picked("insert")];
        double inner = c[InscribedCircle] / 2, nose = c[CornerRadius], side = c.Hand == Hand.Left && !swap ? -1 : 1;
        List<(double U, double V)> points = [];
        if (corners.Length == 0)
        {
            nose = inner;
            points = [.. Enumerable.Range(0, 4).Select(i => (inner * (1 - Math.Cos(i * Math.PI / 2)), inner * Math.Sin(i * Math.PI / 2)))];
        }
        else
        {
            // Directions are measured from the feed: the edge lies at κ_r, the middle of the insert half a corner further on.
            double middle = double.DegreesToRadians(c[EdgeAngle] + (corners[0] / 2));
            double[] reach = [.. corners.Select(a => inner / Math.Sin(Half(a)))];
            (double U, double V) centre = (-reach[0] * Math.Cos(middle), reach[0] * Math.Sin(middle));
            for (int i = 0; i < corners.Length; i++)
            {
                double at = middle + Math.PI - (i * 2 * Math.PI / corners.Length);
                points.Add((centre.U - (reach[i] * Math.Cos(at)), centre.V + (reach[i] * Math.Sin(at))));
            }
        }

        (double Z, double R) Place((double U, double V) p) => swap ? (p.U, p.V) : (p.V, p.U * side);
        Outline o = new();
        DrawRounded(o, [.. points.Select(Place)], corners, nose, corners.Length == 0);

        // The nose's arc touches the axes; the sharp corner lies a little beyond it.
        Profile insert = o.Flat();
        double back = insert.Elements.Min(e => e.Box.LeastZ);
        IEnumerable<ProfileElement> touching = swap || corners.Length == 0 ? insert.Elements : insert.Elements.Take(1);
        double shiftR = side * touching.Min(e => side > 0 ? e.Box.LeastR : -e.Box.MostR);
        Outline moved = new();
        foreach (ProfileElement e in insert.Elements)
            (moved.Z == e.FromZ - back && moved.R == e.FromR - shiftR ? moved : moved.From(e.FromZ - back, e.FromR - shiftR))
                .Arc(ProfilePart.Cutting, e.ToZ - back, e.ToR - shiftR, e.Bulge);
        return body(moved, inner * 1.1, inner);
    }

    private static void DrawRounded(Outline o, IReadOnlyList<(double Z, double R)> points, double[] corners, double nose, bool round)
    {
        int n = points.Count;
        List<(double Z, double R, double Bulge)> path = [];
        for (int i = 0; i < n; i++)
        {
            (double z, double r) = points[i];
            (double pz, double pr) = points[(i + n - 1) % n];
            (double nz, double nr) = points[(i + 1) % n];
            double turn = Math.Sign(((z - pz) * (nr - r)) - ((r - pr) * (nz - z)));
            if (round)
            {
                path.Add((z, r, turn * Math.Tan(Math.PI / 8)));
                continue;
            }

            double half = Half(corners[i]), cut = nose / Math.Tan(half);
            double toPrevious = double.Hypot(pz - z, pr - r), toNext = double.Hypot(nz - z, nr - r);
            path.Add((z + ((pz - z) * cut / toPrevious), r + ((pr - r) * cut / toPrevious), turn * Math.Tan(((Math.PI / 2) - half) / 2)));
            path.Add((z + ((nz - z) * cut / toNext), r + ((nr - r) * cut / toNext), 0));
        }

        o.From(path[0].Z, path[0].R);
        for (int i = 0; i < path.Count; i++)
        {
            (double z, double r, _) = path[(i + 1) % path.Count];
            o.Arc(ProfilePart.Cutting, z, r, path[i].Bulge);
        }
    }
}

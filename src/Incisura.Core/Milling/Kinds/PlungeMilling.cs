using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>Plunging beside a wall: the feed runs along the axis, step by step along the wall, row by row across.</summary>
internal readonly struct PlungeMilling : IMillingKind
{
    private static readonly WayKind Down = new("plunge", "Plunges at feed rate"), Up = new("up", "Up in rapid");

    private static readonly Formula BiteFormula = new(
        "b_l", "Largest bite of a tooth", Quantity.Length, "DC/2 - sqrt(max(0, sqrt(DC^2/4 - max(0, DC/2 - a_e)^2) - s_t)^2 + max(0, DC/2 - a_e)^2)",
        "from the rim to where the plunge before and the open side meet, or as deep as the row");
    private static readonly Formula AllBitesFormula = new(
        "b_s", "Bite of all teeth", Quantity.Length, "min(b_l*min(z_m, sin(min(z_m*pi/z, pi/2))/sin(pi/z)), b_l + z*a_e*s_t/(pi*(DC - b_l)))",
        "the least of two bounds: z_m teeth at their angles with the largest bite each, or one with it and the rest as the section has it");
    private static readonly Formula AllBeyondFormula = AllBitesFormula with
    {
        Expression = "b_l*min(z, 1/sin(pi/z))",
        Source = "a row or a step wider than half the cutter: edges bite beyond the arc at the rim too, so that every tooth is taken to",
    };
    private static readonly Formula AtOnceFormula = new(
        "z_m", "Teeth in cut at once, at most", Quantity.Count, "ceil(z*φ_e/360 - 1e-9)", "teeth within the arc");
    private static readonly Formula SectionFormula = new(
        "a_p", "Height of the section removed", Quantity.Length, "1*s_t", "a row wide and a step high, swept along the axis");
    private static readonly Formula RoundsFormula = new(
        "i_r", "Plunges", Quantity.Count, "i_e*ceil(L/s_t - 1e-9)", "steps along the wall in every row");
    private static readonly Formula CuspFormula = new(
        "h_r", "Ridge between plunges", Quantity.Chip, "DC/2 - sqrt(DC^2/4 - s_t^2/4)", "circular segment");
    private static readonly Formula ThrustFormula = new(
        "F_f", "Thrust", Quantity.Force, "k_r*k_c*f_z*b_s", "force square to the edges, which along the end face lies along the axis");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "i_r*((H + c_0)/v_f + (H + c_0)/v_rapid) + 2*h_s/v_rapid",
        "down at feed rate, up in rapid, from a clear way c_0 above");

    public static OperationDescription Description { get; } = new(
        "plunge",
        "Plunge milling",
        "plunge",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.HighFeedMill, CutterFamily.FaceMill],
        [
            new(Input.StockWidth, "W", "Stock on the wall", "Across", Quantity.Length, 0.001, 2000),
            Width with { Name = "Width of a row, at most" },
            new(Input.SideStep, "s_t", "Step along the wall", "Across", Quantity.Length, 0.01, 500),
            new(Input.WallHeight, "H", "Depth of a plunge", "Deep", Quantity.Length, 0.01, 1000),
            FeedPerTooth,
            Length("Length of the wall"),
            Deflection(60),
        ],
        [ChipKept("largest")],
        Large,
        [Output.Width, Output.Rounds, Output.Ridge, .. LoadRows])
    {
        AtMachine = SetAtMachine(Output.Width, Input.SideStep, Output.Rounds),
        Takes = LeftoverKind.Wall,
        ChartedAs = [SideRough.Description, FaceMilling.Description],
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(Input.StockWidth, x[Input.WidthOfCut]);
        x.Propose(Input.SideStep, 0.5 * setup.Diameter);
        x.Propose(Input.WallHeight, Math.Min(2 * setup.Diameter, setup.Reach));
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check) =>
        check.Within("sideStep", "The step along the wall", x[Input.SideStep], 0.01, setup.Diameter * 0.95, Quantity.Length);

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        PassDivision.Across(x[Input.StockWidth], Math.Min(x[Input.WidthOfCut], setup.Diameter), ref r, ref trace);
        r.Down = new(1, x[Input.WallHeight]);
        double step = Math.Min(x[Input.SideStep], setup.Diameter), width = r.Across.Each;
        ArcOfEngagement arc = ArcOfEngagement.Plunge(setup.Diameter, width, step, ref trace);
        double radius = setup.Diameter / 2, open = Math.Max(0, radius - width);
        double bite = radius - double.Hypot(Math.Max(0, Math.Sqrt((radius * radius) - (open * open)) - step), open);

        // Where the axis itself stands in the open, edges bite near it that do not at the rim.
        bool beyond = width > radius || step > radius * (1 + 1e-9);
        double atOnce = beyond ? setup.Teeth : Passes.Covering(setup.Teeth * arc.Length / (2 * Math.PI), 1);
        double together = Math.Min(atOnce, Math.Sin(Math.Min(atOnce * Math.PI / setup.Teeth, Math.PI / 2)) / Math.Sin(Math.PI / setup.Teeth));
        double bites = beyond
            ? bite * together
            : Math.Min(bite * together, bite + (setup.Teeth * width * step / (Math.PI * (setup.Diameter - bite))));
        r.Engagement = new(setup.Diameter, width, step, 90, 90, 1, arc) { EvenBite = bites };
        if (!TTrace.Listens) return;
        trace.Take(BiteFormula, bite, new("DC", setup.Diameter), new("a_e", width), new("s_t", step));
        if (beyond) trace.Take(AllBeyondFormula, bites, new("b_l", bite), new("z", setup.Teeth));
        else
        {
            trace.Take(AtOnceFormula, atOnce, new("z", setup.Teeth), new("φ_e", double.RadiansToDegrees(arc.Length)));
            trace.Take(
                AllBitesFormula, bites, new("b_l", bite), new("z_m", atOnce), new("z", setup.Teeth), new("a_e", width), new("s_t", step),
                new("DC", setup.Diameter));
        }

        trace.Take(SectionFormula, step, new Term("s_t", step));
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double step = x[Input.SideStep], height = x[Input.WallHeight],
            plunges = r.Across.Count * Passes.Covering(x[Input.Length], step);
        double radius = setup.Diameter / 2, ridge = radius - Math.Sqrt((radius * radius) - (step * step / 4));
        r[Output.Thrust] = setup.RadialRatio * r.Load.SpecificForce * x[Input.FeedPerTooth] * r.Engagement.EvenBite;
        r[Output.Rounds] = plunges;
        r[Output.Ridge] = ridge;
        PassTime.Sum<PlungeMilling>(setup, x, ref r);
        if (TTrace.Listens)
        {
            trace.Take(
                ThrustFormula, r[Output.Thrust], new("k_r", setup.RadialRatio), new("k_c", r.Load.SpecificForce), new("f_z", x[Input.FeedPerTooth]),
                new("b_s", r.Engagement.EvenBite));
            trace.Take(RoundsFormula, plunges, new("i_e", r.Across.Count), new("L", x[Input.Length]), new("s_t", step));
            trace.Take(CuspFormula, ridge, new("DC", setup.Diameter), new("s_t", step));
            trace.Take(
                TimeFormula, r[Output.Time], new("i_r", plunges), new("H", height), new("c_0", setup.Practice.ClearWay),
                new("v_f", r[Output.FeedRate]),
                new("v_rapid", setup.RapidFeed), new("h_s", setup.Practice.Lift));
        }

        return new(0, r.Across.Each, height);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double way = x[Input.WallHeight] + setup.Practice.ClearWay, n = r[Output.SpindleSpeed];
        sink.Take(new(Down, way, r[Output.FeedRate]) { Count = r[Output.Rounds], Speed = n });
        sink.Take(new(Up, way, setup.RapidFeed) { Count = r[Output.Rounds], Rapid = true, Speed = n });
        sink.Take(new(WayKind.Lift, setup.Practice.Lift, setup.RapidFeed) { Count = 2, Rapid = true, Speed = r[Output.SpindleSpeed] });
    }

    public static void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits)
    {
        if (setup.InsertReach > 0) limits.Add(MillingLimits.InsertReach, r.Across.Each, setup.InsertReach);
        PassLoad.JudgeThrust(setup, r, ref limits);
    }

    public static double MostWidth(MillingSetup setup) =>
        setup.InsertReach > 0 ? Math.Min(setup.InsertReach, setup.LargestWidth is var w && w > 0 ? w : setup.Diameter) : setup.LargestWidth;

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
        if (setup.DeadCentre > 0 && r.Across.Each > (setup.Diameter - setup.DeadCentre) / 2 + 1e-9)
            findings.Add(new(
                "dead-centre", Severity.Stop,
                new("A row of {0} reaches under the middle of the cutter, where no edge cuts.", new Measure(r.Across.Each, Quantity.Length)),
                $"Take rows of at most {(setup.Diameter - setup.DeadCentre) / 2:0.##} mm."));
    }
}

using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>
/// Pocket milling: in on a helix, along the middle, then outwards in loops of equal width, whose corners grow tightest at the last.
/// </summary>
internal readonly struct PocketMilling : IMillingKind
{
    private static readonly WayKind Entry = new("entry", "In on a helix"), Loops = new("loops", "Along the middle and outwards in loops");

    private static readonly Formula LoopsFormula = new(
        "i_e", "Loops", Quantity.Count, "ceil((B_p - 2*s - DC)/(2*a_emost) - 1e-9)", "equal loops outwards from a slot along the middle");
    private static readonly Formula WidthFormula = new("a_e", "Width of each loop", Quantity.Length, "(B_p - 2*s - DC)/(2*i_e)", "equal loops");
    private static readonly Formula WayFormula = new(
        "l", "Way of a level", Quantity.Length, "m*(1 + 2*i_e) + 4*a_e*i_e*(i_e + 1) - i_e*(8 - 2*pi)*(R_c - r)",
        "a slot of length m along the middle and loops around it, their corners rounded");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "i_p*(l/v_f + a_p/sin(α_h*pi/180)/v_f + 2*h_s/v_rapid)",
        "levels, each entered on a helix of α_h, with a lift h_s");

    public static OperationDescription Description { get; } = new(
        "pocket",
        "Pocket milling",
        "pocket",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.HighFeedMill],
        [
            new(Input.PocketLength, "L_p", "Length of the pocket", "Across", Quantity.Length, 0.1, 10_000),
            new(Input.PocketWidth, "B_p", "Width of the pocket", "Across", Quantity.Length, 0.1, 10_000),
            Width,
            new(Input.StockLeft, "s", "Left on the walls", "Across", Quantity.Length, 0, 100, 0),
            StockHeight,
            Depth,
            new(Input.RampAngle, "α_h", "Entry on a helix of", "Deep", Quantity.Angle, 0.05, 45, 3),
            new(Input.CornerRadius, "R_c", "Radius of the corners", "Bend", Quantity.Length, 0.001, 10_000),
            FeedPerTooth,
            Deflection(60),
        ],
        [ChipKept("largest")],
        Large,
        [Output.Width, Output.Depth, .. LoadRows])
    {
        AtMachine = SetAtMachine(Output.Width, Output.Depth, Input.RampAngle, Input.StockLeft, Output.PassesAcross, Output.PassesDown),
        Leaves = LeftoverKind.Wall,
        ChartedAs = [SideRough.Description],
        DepthFactor = 0.6,
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(Input.PocketWidth, 4 * setup.Diameter);
        x.Propose(Input.PocketLength, Math.Max(6 * setup.Diameter, x[Input.PocketWidth]));
        x.Propose(Input.StockHeight, x[Input.DepthOfCut]);
        x.Propose(Input.CornerRadius, 0.75 * setup.Diameter);
        if (setup.LargestRamp > 0) x.Propose(Input.RampAngle, Math.Min(3, setup.LargestRamp));
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double least = setup.Diameter + (2 * x[Input.StockLeft]);
        check.Within("pocketWidth", "The width of the pocket", x[Input.PocketWidth], least, 10_000, Quantity.Length)
            .Within("pocketLength", "The length of the pocket", x[Input.PocketLength], x[Input.PocketWidth], 10_000, Quantity.Length);
        Milling.Bend.Refuse(setup, x, check);
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double side = (x[Input.PocketWidth] - (2 * x[Input.StockLeft]) - setup.Diameter) / 2;
        r.Across = side > 1e-9 ? Passes.Even(side, Math.Min(x[Input.WidthOfCut], setup.Diameter)) : new(0, setup.Diameter);
        if (TTrace.Listens && r.Across.Count > 0)
        {
            trace.Take(
                LoopsFormula, r.Across.Count, new("B_p", x[Input.PocketWidth]), new("s", x[Input.StockLeft]), new("DC", setup.Diameter),
                new("a_emost", Math.Min(x[Input.WidthOfCut], setup.Diameter)));
            trace.Take(
                WidthFormula, r.Across.Each, new("B_p", x[Input.PocketWidth]), new("s", x[Input.StockLeft]), new("DC", setup.Diameter),
                new("i_e", r.Across.Count));
        }

        PassDivision.Down(x[Input.StockHeight], x[Input.DepthOfCut], ref r, ref trace);
        Contact contact = setup.ContactAt(r.Down.Each);
        r.Engagement = Engagement.Of(
            contact, r.Across.Each, r.Down.Each, ArcOfEngagement.Side(contact.Diameter, Math.Min(r.Across.Each, contact.Diameter), ref trace));
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double loops = r.Across.Count, each = r.Across.Each, middle = x[Input.PocketLength] - x[Input.PocketWidth],
            round = RoundOf(setup, x), way = LevelWay(setup, x, r);
        PassTime.Sum<PocketMilling>(setup, x, ref r);
        r[Output.StockLeft] = x[Input.StockLeft];
        r[Output.Rounds] = loops;
        if (TTrace.Listens)
        {
            trace.Take(
                WayFormula, way, new("m", middle), new("i_e", loops), new("a_e", each), new("R_c", round + (setup.Diameter / 2)),
                new("r", setup.Diameter / 2));
            trace.Take(
                TimeFormula, r[Output.Time], new("i_p", r.Down.Count), new("l", way), new("v_f", r.Load.FeedRate), new("a_p", r.Down.Each),
                new("α_h", x[Input.RampAngle]), new("h_s", setup.Practice.Lift), new("v_rapid", setup.RapidFeed));
        }

        Milling.Bend.Solve(setup, x, ref r, ref trace);
        return new(r.Down.Each, r.Across.Each, x[Input.StockHeight]);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double levels = r.Down.Count, feed = r[Output.FeedRate], n = r[Output.SpindleSpeed],
            entry = r.Down.Each / Math.Sin(double.DegreesToRadians(x[Input.RampAngle]));
        sink.Take(new(Entry, entry, feed) { Count = levels, Speed = n });
        sink.Take(new(Loops, LevelWay(setup, x, r), feed) { Count = levels, Speed = n });
        sink.Take(new(WayKind.Lift, setup.Practice.Lift, setup.RapidFeed) { Count = 2 * levels, Rapid = true, Speed = r[Output.SpindleSpeed] });
    }

    public static void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits)
    {
        PassLoad.JudgeChipRoom(setup, x, r, ref limits);
        limits.Add(MillingLimits.RampAngle, x[Input.RampAngle], setup.LargestRamp);
    }

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
        double slot = ChipSection.Largest(1, 1, setup.Teeth, setup.LagPerDepth * r.Down.Each, FullArc()),
            loop = ChipSection.Largest(1, 1, setup.Teeth, setup.LagPerDepth * r.Down.Each, r.Engagement.Arc);
        if (slot > loop * 1.2)
            findings.Add(new(
                "first-slot", Severity.Caution,
                new(
                    "The first way along the middle is a full slot: its side force is {0} times that of a loop.",
                    new Measure(slot / loop, Quantity.Ratio)),
                $"Run it at {r.Load.FeedRate * loop / slot:0} mm/min, or open the middle on a helix first."));
        Milling.Bend.Notice(x, r, findings);
    }

    // Radius of the centre's path in a corner.
    private static double RoundOf(MillingSetup setup, in Inputs x) => Math.Max(0, x[Input.CornerRadius] - (setup.Diameter / 2));

    private static double LevelWay(MillingSetup setup, in Inputs x, in MillingResult r)
    {
        double loops = r.Across.Count, middle = x[Input.PocketLength] - x[Input.PocketWidth];
        return Math.Max(
            0,
            (middle * (1 + (2 * loops))) + (4 * r.Across.Each * loops * (loops + 1)) - (loops * (8 - (2 * Math.PI)) * RoundOf(setup, x)));
    }

    private static ArcOfEngagement FullArc()
    {
        NoTrace none = default;
        return ArcOfEngagement.Side(1, 1, ref none);
    }
}

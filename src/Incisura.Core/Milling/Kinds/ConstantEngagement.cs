using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>Roughing a slot in loops whose arc of engagement never exceeds what is wanted, over the length of the flutes.</summary>
internal readonly struct ConstantEngagement : IMillingKind
{
    private static readonly WayKind Loop = new("loop", "Loops at feed rate");

    // Degrees; a cutter rated for less width keeps to the arc of that width.
    private const double UsualArc = 60;

    private static readonly Formula StepFormula = new(
        "s_l", "Step between loops", Quantity.Length, "R - sqrt((R - r)^2 + r^2 + 2*(R - r)*r*cos(φ_w*pi/180))",
        "the largest arc, at the head of a loop, is the arc wanted; inverse of the arc in a bend");
    private static readonly Formula LoopRadiusFormula = new(
        "R_l", "Radius of a loop", Quantity.Length, "(B_s - DC)/2", "the loop of the centre fills the slot");
    private static readonly Formula RateFormula = new(
        "Q", "Removal rate over whole loops", Quantity.RemovalRate, "a_p*s_l*B_s/(2*pi*R_l/v_f)/1000", "each loop moves the slot on by one step");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "i_p*(ceil(L/s_l - 1e-9)*2*pi*R_l/v_f + 2*h_s/v_rapid)", "loops of equal length, with a lift h_s for each level");

    public static OperationDescription Description { get; } = new(
        "constant-engagement",
        "Constant-engagement roughing",
        "loops",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill],
        [
            new(Input.SlotWidth, "B_s", "Width of the slot", "Across", Quantity.Length, 0.01, 1000),
            new(Input.ArcWanted, "φ_w", "Largest arc wanted", "Across", Quantity.Angle, 5, 180),
            StockHeight,
            Depth,
            FeedPerTooth,
            Length("Length of the slot"),
            Deflection(60),
        ],
        [ChipKept("largest")],
        Large,
        [Output.LoopStep, Output.LoopRadius, Output.Rounds, Output.RimFeed, Output.Own0, .. LoadRows])
    {
        AtMachine = SetAtMachine(Output.LoopStep, Output.Depth, Output.LoopRadius, Output.Rounds, Output.PassesDown, Output.RimFeed),
        ChartedAs = [SideRough.Description],
        DepthFactor = 10,
        Own = [new(Output.Own0, "P_m", "Power over whole loops", Quantity.Power) { Code = "loopPower" }],
    };

    private static readonly Formula MeanPowerFormula = new(
        "P_m", "Power over whole loops", Quantity.Power, "P_c*q_l", "what a loop removes on average over what it removes at its head");

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(
            Input.ArcWanted,
            Math.Min(UsualArc, double.RadiansToDegrees(Math.Acos(Math.Max(-1, 1 - (2 * setup.LargestWidth / setup.Diameter))))));
        x.Propose(Input.SlotWidth, 1.8 * setup.Diameter);
        x.Propose(Input.StockHeight, x[Input.DepthOfCut]);
        x.Propose(
            Input.WidthOfCut,
            ArcOfEngagement.WidthFor(
                setup.Diameter, double.DegreesToRadians(x[Input.ArcWanted]), Math.Max(x[Input.SlotWidth] / 2, setup.Diameter * 0.501)));
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double least = setup.Diameter * 1.1, width = x[Input.SlotWidth];
        if (width < least - 1e-9)
            check.Within("slotWidth", "The width of the slot", width, least, 1000, Quantity.Length)
                .Holds(
                    false, "slotWidth", width,
                    $"Loops need room beside a cutter of {setup.Diameter:0.###} mm; take a smaller cutter, or mill it as a slot.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double step = x[Input.WidthOfCut], radius = Math.Max(x[Input.SlotWidth] / 2, setup.Diameter * 0.501);
        if (TTrace.Listens) trace.Take(StepFormula, step, new("R", radius), new("r", setup.Diameter / 2), new("φ_w", x[Input.ArcWanted]));
        r.Across = new(1, step);
        PassDivision.Down(x[Input.StockHeight], x[Input.DepthOfCut], ref r, ref trace);
        r.Engagement = Engagement.InBend(setup.ContactAt(r.Down.Each), step, r.Down.Each, radius, ref trace);
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double width = x[Input.SlotWidth], step = x[Input.WidthOfCut],
            loop = Math.Max(width - setup.Diameter, 0.002 * setup.Diameter) / 2, round = 2 * Math.PI * loop, feed = r.Load.FeedRate;
        double loops = Passes.Covering(x[Input.Length], step);
        r[Output.LoopStep] = step;
        r[Output.LoopRadius] = loop;
        r[Output.Rounds] = loops;
        r[Output.RimFeed] = feed / r.Engagement.FeedFactor;
        PassTime.Sum<ConstantEngagement>(setup, x, ref r);
        double whole = r.Load.RemovalRate;
        r[Output.RemovalRate] = r.Down.Each * step * width * feed / round / 1000;
        r[Output.Own0] = r.Load.Power * r[Output.RemovalRate] / Math.Max(whole, 1e-12);
        if (TTrace.Listens)
        {
            trace.Take(MeanPowerFormula, r[Output.Own0], new("P_c", r.Load.Power), new("q_l", r[Output.Own0] / r.Load.Power));
            trace.Take(LoopRadiusFormula, loop, new("B_s", width), new("DC", setup.Diameter));
            trace.Take(
                RateFormula, r[Output.RemovalRate], new("a_p", r.Down.Each), new("s_l", step), new("B_s", width), new("R_l", loop),
                new("v_f", feed));
            trace.Take(
                TimeFormula, r[Output.Time], new("i_p", r.Down.Count), new("L", x[Input.Length]), new("s_l", step), new("R_l", loop),
                new("v_f", feed),
                new("h_s", setup.Practice.Lift), new("v_rapid", setup.RapidFeed));
        }

        return new(r.Down.Each, r.Engagement.Width, x[Input.StockHeight]);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink
    {
        sink.Take(new(Loop, 2 * Math.PI * r[Output.LoopRadius], r[Output.FeedRate])
        {
            Count = r.Down.Count * r[Output.Rounds],
            Speed = r[Output.SpindleSpeed],
        });
        sink.Take(
            new(WayKind.Lift, setup.Practice.Lift, setup.RapidFeed) { Count = 2.0 * r.Down.Count, Rapid = true, Speed = r[Output.SpindleSpeed] });
    }

    public static void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits) =>
        PassLoad.JudgeChipRoom(setup, x, r, ref limits);

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
        if (setup.Cutter.Material == CuttingMaterial.Carbide || setup.Cutter.Described.Inserts) return;
        findings.Add(new(
            "loops-in-steel", Severity.Caution,
            new(
                "Loops live on cutting speed, which high-speed steel does not stand: this takes {0}.", new Measure(r[Output.Time], Quantity.Time)),
            "Take a carbide cutter, or mill the slot in plain passes."));
    }
}

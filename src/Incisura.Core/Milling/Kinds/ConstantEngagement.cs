using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;
using static Incisura.Core.Calculation.ShopOptions;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>Roughing a slot in loops whose arc of engagement never exceeds what is wanted, over the length of the flutes.</summary>
public readonly struct ConstantEngagement : IMillingKind
{
    // Degrees; a cutter rated for less width keeps to the arc of that width.
    private const double UsualArc = 60;

    private static readonly Formula StepFormula = new(
        "s_l", "Step between loops", Quantity.Length, "R - sqrt((R - r)^2 + r^2 + 2*(R - r)*r*cos(φ_w*pi/180))",
        "the largest arc, at the head of a loop, is the arc wanted; inverse of the arc in a bend");
    private static readonly Formula LoopRadiusFormula = new(
        "R_l", "Radius of a loop", Quantity.Length, "(b - DC)/2", "the loop of the centre fills the slot");
    private static readonly Formula RateFormula = new(
        "Q", "Removal rate over whole loops", Quantity.RemovalRate, "a_p*s_l*b/(2*pi*R_l/v_f)/1000", "each loop moves the slot on by one step");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "i_p*(ceil(L/s_l - 1e-9)*2*pi*R_l/v_f + 2*h_s/v_rapid)", "loops of equal length, with a lift h_s for each level");

    /// <inheritdoc/>
    public static MillingDescription Description { get; } = new(
        "constant-engagement",
        "Constant-engagement roughing",
        "loops",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill],
        [
            new(MillingInput.SlotWidth, "b", "Width of the slot", "Across", Quantity.Length, 0.01, 1000),
            new(MillingInput.ArcWanted, "φ_w", "Largest arc wanted", "Across", Quantity.Angle, 5, 180),
            StockHeight,
            Depth,
            FeedPerTooth,
            CuttingSpeed,
            ToolLife,
            Length("Length of the slot"),
            Deflection(60),
        ],
        [ChipKept("largest"), EdgeWear, CoolantBy, WorkHeld],
        Large,
        [MillingFigure.LoopStep, MillingFigure.LoopRadius, MillingFigure.Rounds, MillingFigure.RimFeed, .. LoadRows])
    { ChartedAs = ["side-rough"], DepthFactor = 10 };

    /// <inheritdoc/>
    public static void Follow(MillingSetup setup, ref MillingInputs x)
    {
        x.Propose(
            MillingInput.ArcWanted,
            Math.Min(UsualArc, double.RadiansToDegrees(Math.Acos(Math.Max(-1, 1 - (2 * setup.LargestWidth / setup.Diameter))))));
        x.Propose(MillingInput.SlotWidth, 1.8 * setup.Diameter);
        x.Propose(MillingInput.StockHeight, x[MillingInput.DepthOfCut]);
        x.Propose(
            MillingInput.WidthOfCut,
            ArcOfEngagement.WidthFor(
                setup.Diameter, double.DegreesToRadians(x[MillingInput.ArcWanted]), Math.Max(x[MillingInput.SlotWidth] / 2, setup.Diameter * 0.501)));
    }

    /// <inheritdoc/>
    public static void Refuse(MillingSetup setup, in MillingInputs x, InputCheck check)
    {
        double least = setup.Diameter * 1.1, width = x[MillingInput.SlotWidth];
        if (width < least - 1e-9)
            check.Within("slotWidth", "The width of the slot", width, least, 1000, Quantity.Length)
                .Holds(
                    false, "slotWidth", width,
                    $"Loops need room beside a cutter of {setup.Diameter:0.###} mm; take a smaller cutter, or mill it as a slot.");
    }

    /// <inheritdoc/>
    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double step = x[MillingInput.WidthOfCut], radius = Math.Max(x[MillingInput.SlotWidth] / 2, setup.Diameter * 0.501);
        if (TTrace.Listens) trace.Take(StepFormula, step, new("R", radius), new("r", setup.Diameter / 2), new("φ_w", x[MillingInput.ArcWanted]));
        r.Across = new(1, step);
        PassDivision.Down(x[MillingInput.StockHeight], x[MillingInput.DepthOfCut], ref r, ref trace);
        r.Engagement = Engagement.InBend(setup.ContactAt(r.Down.Each), step, r.Down.Each, radius, ref trace);
    }

    /// <inheritdoc/>
    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double width = x[MillingInput.SlotWidth], step = x[MillingInput.WidthOfCut],
            loop = Math.Max(width - setup.Diameter, 0.002 * setup.Diameter) / 2, round = 2 * Math.PI * loop, feed = r.Load.FeedRate;
        double loops = Passes.Covering(x[MillingInput.Length], step),
            time = r.Down.Count * ((loops * round / feed) + (2 * PassTime.Lift / setup.RapidFeed));
        r[MillingFigure.LoopStep] = step;
        r[MillingFigure.LoopRadius] = loop;
        r[MillingFigure.Rounds] = loops;
        r[MillingFigure.RimFeed] = feed / r.Engagement.FeedFactor;
        r[MillingFigure.Way] = r.Down.Count * loops * round;
        r[MillingFigure.Time] = time;
        r[MillingFigure.RemovalRate] = r.Down.Each * step * width * feed / round / 1000;
        if (TTrace.Listens)
        {
            trace.Take(LoopRadiusFormula, loop, new("b", width), new("DC", setup.Diameter));
            trace.Take(
                RateFormula, r[MillingFigure.RemovalRate], new("a_p", r.Down.Each), new("s_l", step), new("b", width), new("R_l", loop),
                new("v_f", feed));
            trace.Take(
                TimeFormula, time, new("i_p", r.Down.Count), new("L", x[MillingInput.Length]), new("s_l", step), new("R_l", loop), new("v_f", feed),
                new("h_s", PassTime.Lift), new("v_rapid", setup.RapidFeed));
        }

        return new(r.Down.Each, r.Engagement.Width, x[MillingInput.StockHeight]);
    }

    /// <inheritdoc/>
    public static void Judge(MillingSetup setup, in MillingInputs x, in MillingResult r, ref LimitSet limits) =>
        PassLoad.JudgeChipRoom(setup, x, r, ref limits);

    /// <inheritdoc/>
    public static void Notice(MillingSetup setup, in MillingInputs x, in MillingResult r, List<Finding> findings) => findings.Add(new(
        "loop-mean",
        Severity.Info,
        new(
            "The largest load stands at the head of a loop; over whole loops the power is {0} of {1} on average.",
            new(r.Load.Power * r[MillingFigure.RemovalRate] / Math.Max(r.Load.RemovalRate, 1e-12), Quantity.Power),
            new Measure(r.Load.Power, Quantity.Power)),
        ""));
}

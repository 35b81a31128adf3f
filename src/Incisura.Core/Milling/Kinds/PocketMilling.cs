using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;
using static Incisura.Core.Calculation.ShopOptions;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>
/// Pocket milling: in on a helix, along the middle, then outwards in loops of equal width, whose corners grow tightest at the last.
/// </summary>
public readonly struct PocketMilling : IMillingKind
{
    private static readonly Formula LoopsFormula = new(
        "i_e", "Loops", Quantity.Count, "ceil((B - 2*s - DC)/(2*a_emost) - 1e-9)", "equal loops outwards from a slot along the middle");
    private static readonly Formula WidthFormula = new("a_e", "Width of each loop", Quantity.Length, "(B - 2*s - DC)/(2*i_e)", "equal loops");
    private static readonly Formula WayFormula = new(
        "l", "Way of a level", Quantity.Length, "m*(1 + 2*i_e) + 4*a_e*i_e*(i_e + 1) - i_e*(8 - 2*pi)*(R_c - r)",
        "a slot of length m along the middle and loops around it, their corners rounded");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "i_p*(l/v_f + a_p/sin(α_h*pi/180)/v_f + 2*h_s/v_rapid)",
        "levels, each entered on a helix of α_h, with a lift h_s");

    /// <inheritdoc/>
    public static MillingDescription Description { get; } = new(
        "pocket",
        "Pocket milling",
        "pocket",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.HighFeedMill],
        [
            new(MillingInput.PocketLength, "L_p", "Length of the pocket", "Across", Quantity.Length, 0.1, 10_000),
            new(MillingInput.PocketWidth, "B", "Width of the pocket", "Across", Quantity.Length, 0.1, 10_000),
            Width,
            new(MillingInput.StockLeft, "s", "Left on the walls", "Across", Quantity.Length, 0, 100, 0),
            StockHeight,
            Depth,
            new(MillingInput.RampAngle, "α_h", "Entry on a helix of", "Deep", Quantity.Angle, 0.05, 45, 3),
            new(MillingInput.CornerRadius, "R_c", "Radius of the corners", "Bend", Quantity.Length, 0.001, 10_000),
            FeedPerTooth,
            CuttingSpeed,
            ToolLife,
            Deflection(60),
        ],
        [ChipKept("largest"), EdgeWear, CoolantBy, WorkHeld],
        Large,
        [MillingFigure.Width, MillingFigure.Depth, .. LoadRows])
    { ChartedAs = ["side-rough"], DepthFactor = 0.6, Behind = [.. WallMilling.BendRows, MillingFigure.StockLeft, MillingFigure.Rounds] };

    /// <inheritdoc/>
    public static void Follow(MillingSetup setup, ref MillingInputs x)
    {
        x.Propose(MillingInput.PocketWidth, 4 * setup.Diameter);
        x.Propose(MillingInput.PocketLength, Math.Max(6 * setup.Diameter, x[MillingInput.PocketWidth]));
        x.Propose(MillingInput.StockHeight, x[MillingInput.DepthOfCut]);
        x.Propose(MillingInput.CornerRadius, 0.75 * setup.Diameter);
        if (setup.LargestRamp > 0) x.Propose(MillingInput.RampAngle, Math.Min(3, setup.LargestRamp));
    }

    /// <inheritdoc/>
    public static void Refuse(MillingSetup setup, in MillingInputs x, InputCheck check)
    {
        double least = setup.Diameter + (2 * x[MillingInput.StockLeft]);
        check.Within("pocketWidth", "The width of the pocket", x[MillingInput.PocketWidth], least, 10_000, Quantity.Length)
            .Within("pocketLength", "The length of the pocket", x[MillingInput.PocketLength], x[MillingInput.PocketWidth], 10_000, Quantity.Length);
        Milling.Bend.Refuse(setup, x, check);
    }

    /// <inheritdoc/>
    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double side = (x[MillingInput.PocketWidth] - (2 * x[MillingInput.StockLeft]) - setup.Diameter) / 2;
        r.Across = side > 1e-9 ? Passes.Even(side, Math.Min(x[MillingInput.WidthOfCut], setup.Diameter)) : new(0, setup.Diameter);
        if (TTrace.Listens && r.Across.Count > 0)
        {
            trace.Take(
                LoopsFormula, r.Across.Count, new("B", x[MillingInput.PocketWidth]), new("s", x[MillingInput.StockLeft]), new("DC", setup.Diameter),
                new("a_emost", Math.Min(x[MillingInput.WidthOfCut], setup.Diameter)));
            trace.Take(
                WidthFormula, r.Across.Each, new("B", x[MillingInput.PocketWidth]), new("s", x[MillingInput.StockLeft]), new("DC", setup.Diameter),
                new("i_e", r.Across.Count));
        }

        PassDivision.Down(x[MillingInput.StockHeight], x[MillingInput.DepthOfCut], ref r, ref trace);
        Contact contact = setup.ContactAt(r.Down.Each);
        r.Engagement = Engagement.Of(
            contact, r.Across.Each, r.Down.Each, ArcOfEngagement.Side(contact.Diameter, Math.Min(r.Across.Each, contact.Diameter), ref trace));
    }

    /// <inheritdoc/>
    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double loops = r.Across.Count, each = r.Across.Each, middle = x[MillingInput.PocketLength] - x[MillingInput.PocketWidth],
            round = Math.Max(0, x[MillingInput.CornerRadius] - (setup.Diameter / 2));
        double way = Math.Max(0, (middle * (1 + (2 * loops))) + (4 * each * loops * (loops + 1)) - (loops * (8 - (2 * Math.PI)) * round));
        double entry = r.Down.Each / Math.Sin(double.DegreesToRadians(x[MillingInput.RampAngle]));
        double time = r.Down.Count * (((way + entry) / r.Load.FeedRate) + (2 * PassTime.Lift / setup.RapidFeed));
        r[MillingFigure.Way] = r.Down.Count * (way + entry);
        r[MillingFigure.Time] = time;
        r[MillingFigure.StockLeft] = x[MillingInput.StockLeft];
        r[MillingFigure.Rounds] = loops;
        if (TTrace.Listens)
        {
            trace.Take(
                WayFormula, way, new("m", middle), new("i_e", loops), new("a_e", each), new("R_c", round + (setup.Diameter / 2)),
                new("r", setup.Diameter / 2));
            trace.Take(
                TimeFormula, time, new("i_p", r.Down.Count), new("l", way), new("v_f", r.Load.FeedRate), new("a_p", r.Down.Each),
                new("α_h", x[MillingInput.RampAngle]), new("h_s", PassTime.Lift), new("v_rapid", setup.RapidFeed));
        }

        Milling.Bend.Solve(setup, x, ref r, ref trace);
        return new(r.Down.Each, r.Across.Each, x[MillingInput.StockHeight]);
    }

    /// <inheritdoc/>
    public static void Judge(MillingSetup setup, in MillingInputs x, in MillingResult r, ref LimitSet limits)
    {
        PassLoad.JudgeChipRoom(setup, x, r, ref limits);
        limits.Add(LimitKind.RampAngle, x[MillingInput.RampAngle], setup.LargestRamp);
    }

    /// <inheritdoc/>
    public static void Notice(MillingSetup setup, in MillingInputs x, in MillingResult r, List<Finding> findings)
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

    private static ArcOfEngagement FullArc()
    {
        NoTrace none = default;
        return ArcOfEngagement.Side(1, 1, ref none);
    }
}

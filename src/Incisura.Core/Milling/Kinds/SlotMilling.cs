using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>Slot milling: first as wide as the cutter, then, in a wider slot, along its walls. The load is that of the first pass.</summary>
internal readonly struct SlotMilling : IMillingKind
{
    // Passes along the walls of a wider slot take at most this share of the diameter.
    private const double WallShare = 0.5;

    private static readonly Formula PassesFormula = new(
        "i_e", "Passes across", Quantity.Count, "1 + ceil((B_s - DC)/(0.5*DC) - 1e-9)",
        "one as wide as the cutter, then equal passes along the walls of at most half its diameter");

    public static OperationDescription Description { get; } = new(
        "slot",
        "Slot milling",
        "slot",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.BallEndMill, CutterFamily.TaperedEndMill],
        [
            new(Input.SlotWidth, "B_s", "Width of the slot", "Across", Quantity.Length, 0.01, 1000), StockHeight, Depth, FeedPerTooth,
            Length("Length of the slot"), Deflection(60),
        ],
        [ChipKept("largest"), PassWays],
        Large,
        [Output.Width, Output.Depth, .. LoadRows])
    {
        AtMachine = SetAtMachine(Output.Depth, Output.Width, Output.PassesAcross, Output.PassesDown, Output.Overrun),
        ChartedAs = [SideRough.Description, PocketMilling.Description],
        DepthFactor = 0.4,
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(Input.SlotWidth, setup.Diameter);
        x.Propose(Input.StockHeight, x[Input.DepthOfCut]);
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double width = x[Input.SlotWidth];
        check.Holds(
            !(setup.LargestWidth < setup.Diameter * (1 - 1e-9)), "assembly", double.NaN,
            $"Cutter {setup.Cutter.Number} is made for at most {setup.LargestWidth:0.###} mm of width and stands in a slot over its full "
                + $"{setup.Diameter:0.###} mm. Take a slotting cutter with fewer teeth, or rough the slot with constant engagement.");
        if (width < setup.Diameter - 1e-9)
            check.Within("slotWidth", "The width of the slot", width, setup.Diameter, 1000, Quantity.Length)
                .Holds(false, "slotWidth", width, $"A cutter of {setup.Diameter:0.###} mm cuts a wider slot; take one of at most {width:0.###} mm.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double rest = x[Input.SlotWidth] - setup.Diameter;
        r.Across = new(1 + (rest > 1e-9 ? Passes.Even(rest, WallShare * setup.Diameter).Count : 0), setup.Diameter);
        if (TTrace.Listens) trace.Take(PassesFormula, r.Across.Count, new("B_s", x[Input.SlotWidth]), new("DC", setup.Diameter));
        PassDivision.Down(x[Input.StockHeight], x[Input.DepthOfCut], ref r, ref trace);
        Contact contact = setup.ContactAt(r.Down.Each);
        r.Engagement = Engagement.Of(contact, contact.Diameter, r.Down.Each, ArcOfEngagement.Side(contact.Diameter, contact.Diameter, ref trace));
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        PassTime.Solve<SlotMilling, TTrace>(
            setup, x, (double)r.Across.Count * r.Down.Count, r.Down.Count, PassTime.OverrunOfAll(setup, r.Engagement.Diameter, ref trace), ref r,
            ref trace);
        return new(r.Down.Each, setup.Diameter, x[Input.StockHeight]);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink =>
        PassTime.Walk(setup, x, r, (double)r.Across.Count * r.Down.Count, r.Down.Count, ref sink);

    public static void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits) =>
        PassLoad.JudgeChipRoom(setup, x, r, ref limits);

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
        if (x[Input.SlotWidth] < setup.Diameter * 1.005 && r[Output.Deflection] > x[Input.DeflectionAllowed] / 2)
            findings.Add(new(
                "one-pass-slot", Severity.Info,
                new(
                    "The slot is as wide as the cutter: its bend of {0} stands on both walls.",
                    new Measure(r[Output.Deflection], Quantity.Deviation)),
                "Take a smaller cutter and finish the walls, where the width matters."));
    }
}

using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>What roughing and finishing a wall with the side of the cutter have in common.</summary>
internal static class WallMilling
{
    public static readonly CutterFamily[] Families =
    [
        CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.BallEndMill, CutterFamily.TaperedEndMill, CutterFamily.SlotMill,
        CutterFamily.FormCutter,
    ];

    public static readonly FieldDescription CornerRadius = new(
        Input.CornerRadius, "R_c", "Radius, 0 for none", "Bend", Quantity.Length, 0, 10_000, 0);
    public static readonly FieldDescription CornerAngle = new(Input.CornerAngle, "θ", "Angle of a corner", "Bend", Quantity.Angle, 20, 179, 90);
    public static readonly OptionDescription BendSide = new(
        Choice.Bend, "Bend", [new("inner", "inner"), new("outer", "outer")], "inner")
    { Group = "Bend" };

    public static readonly Output[] BendRows =
    [
        Output.BendArc, Output.BendChip, Output.BendForce, Output.BendRimFeed, Output.BendChipFeed,
        Output.BendLargestCutter,
    ];

    // The angle of a corner matters only where the cutter is as large as the corner.
    public static bool TurnsOnTheSpot(MillingSetup setup, in Inputs x) =>
        x[Input.CornerRadius] > 0 && x[Input.CornerRadius] <= setup.Diameter / 2 * (1 + 1e-9) && !x.OuterBend;

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, double stock, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        PassDivision.Across(stock, Math.Min(x[Input.WidthOfCut], setup.Diameter), ref r, ref trace);
        PassDivision.Down(x[Input.WallHeight], x[Input.DepthOfCut], ref r, ref trace);
        Contact contact = setup.ContactAt(r.Down.Each);
        r.Engagement = Engagement.Of(
            contact, r.Across.Each, r.Down.Each, ArcOfEngagement.Side(contact.Diameter, Math.Min(r.Across.Each, contact.Diameter), ref trace));
    }

    public static double PassesOf(in Inputs x, in MillingResult r) => (r.Across.Count + x[Input.SpringPasses]) * r.Down.Count;

    public static Extent Plan<TKind, TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TKind : struct, IMillingKind
        where TTrace : struct, ITrace
    {
        PassTime.Solve<TKind, TTrace>(
            setup, x, PassesOf(x, r), r.Down.Count, PassTime.OverrunOfSide(setup, r.Engagement.Diameter, r.Across.Each, ref trace), ref r, ref trace);
        FeedMarks.Solve(r.Engagement.Diameter / 2, x[Input.FeedPerTooth], setup.RunOut, ref r, ref trace);
        Milling.Bend.Solve(setup, x, ref r, ref trace);
        return new(r.Down.Each, r.Across.Each, x[Input.WallHeight]);
    }
}

/// <summary>Rough side milling: the chip of the chart is kept when the width changes, and stock can be left for the step after.</summary>
internal readonly struct SideRough : IMillingKind
{
    private static readonly Formula Removed = new(
        "W", "Stock to remove", Quantity.Length, "W_0 - s", "stock on the wall less what stays for the step after");

    public static OperationDescription Description { get; } = new(
        "side-rough",
        "Rough side milling",
        "wall",
        WallMilling.Families,
        [
            new(Input.StockWidth, "W_0", "Stock on the wall", "Across", Quantity.Length, 0.001, 2000),
            Width,
            new(Input.StockLeft, "s", "Left for the next step", "Across", Quantity.Length, 0, 100, 0),
            new(Input.WallHeight, "H", "Wall height", "Deep", Quantity.Length, 0.001, 1000),
            Depth,
            FeedPerTooth,
            Length(),
            WallMilling.CornerRadius,
            WallMilling.CornerAngle,
            Deflection(60),
        ],
        [ChipKept("largest"), PassWays, WallMilling.BendSide],
        Large,
        LoadRows)
    {
        AtMachine = SetAtMachine(Output.Width, Output.Depth, Output.PassesAcross, Output.PassesDown, Input.StockLeft, Output.Overrun),
        Takes = LeftoverKind.Wall,
        Leaves = LeftoverKind.Wall,
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(Input.StockWidth, x[Input.WidthOfCut] + x[Input.StockLeft]);
        x.Propose(Input.WallHeight, x[Input.DepthOfCut]);
    }

    public static bool Uses(MillingSetup setup, in Inputs x, Input input) =>
        input != Input.CornerAngle || WallMilling.TurnsOnTheSpot(setup, x);

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double stock = x[Input.StockWidth], left = x[Input.StockLeft];
        check.Holds(
            stock - left > 1e-6, "stockLeft", left,
            $"Nothing is left to cut: the wall has {stock:0.###} mm of stock and {left:0.###} mm are to stay. Leave "
                + $"between 0 and less than {stock:0.###} mm.");
        Milling.Bend.Refuse(setup, x, check);
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double stock = Math.Max(x[Input.StockWidth] - x[Input.StockLeft], 1e-6);
        if (TTrace.Listens) trace.Take(Removed, stock, new("W_0", x[Input.StockWidth]), new("s", x[Input.StockLeft]));
        WallMilling.Engage(setup, x, stock, ref r, ref trace);
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[Output.StockLeft] = x[Input.StockLeft];
        return WallMilling.Plan<SideRough, TTrace>(setup, x, ref r, ref trace);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink =>
        PassTime.Walk(setup, x, r, WallMilling.PassesOf(x, r), r.Down.Count, ref sink);

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings) => Bend.Notice(x, r, findings);
}

/// <summary>
/// Finish side milling: the feed per tooth of the chart is kept, since its marks make the finish; spring passes repeat the last way.
/// </summary>
internal readonly struct SideFinish : IMillingKind
{
    public static OperationDescription Description { get; } = new(
        "side-finish",
        "Finish side milling",
        "wall",
        WallMilling.Families,
        [
            new(Input.StockWidth, "W", "Stock on the wall", "Across", Quantity.Length, 0, 2000),
            Width,
            new(Input.WallHeight, "H", "Wall height", "Deep", Quantity.Length, 0.001, 1000),
            Depth,
            FeedPerTooth,
            Length(),
            new(Input.SpringPasses, "i_s", "Spring passes", "Along", Quantity.Count, 0, 10, 0),
            WallMilling.CornerRadius,
            WallMilling.CornerAngle,
            Deflection(20) with { Name = "Error of the wall allowed" },
        ],
        [ChipKept("none"), PassWays, WallMilling.BendSide],
        Large,
        [Output.PeakToValley, Output.WallError, Output.WallTilt, .. LoadRows])
    {
        AtMachine = SetAtMachine(Output.Width, Output.Depth, Output.PassesAcross, Output.PassesDown, Input.SpringPasses, Output.Overrun),
        Takes = LeftoverKind.Wall,
        DepthGivesWay = true,
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(Input.StockWidth, x[Input.WidthOfCut]);
        x.Propose(Input.WallHeight, x[Input.DepthOfCut]);
    }

    public static bool Uses(MillingSetup setup, in Inputs x, Input input) =>
        input != Input.CornerAngle || WallMilling.TurnsOnTheSpot(setup, x);

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        check.Holds(
            x[Input.StockWidth] > 1e-6, "stockWidth", x[Input.StockWidth],
            "Nothing is left to cut: the wall has no stock. Give what the step before leaves, above 0 mm, or do without this step.")
            .Holds(
                x[Input.SpringPasses] == Math.Floor(x[Input.SpringPasses]), "springPasses", x[Input.SpringPasses],
                "Spring passes are counted: give a whole number from 0 to 10.");
        Milling.Bend.Refuse(setup, x, check);
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        WallMilling.Engage(setup, x, Math.Max(x[Input.StockWidth], 1e-6), ref r, ref trace);
        r.Engagement = r.Engagement with { Wall = x.BothWays ? WallCut.BothWays : WallCut.Climb };
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => WallMilling.Plan<SideFinish, TTrace>(setup, x, ref r, ref trace);

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink =>
        PassTime.Walk(setup, x, r, WallMilling.PassesOf(x, r), r.Down.Count, ref sink);

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings) => Bend.Notice(x, r, findings);
}

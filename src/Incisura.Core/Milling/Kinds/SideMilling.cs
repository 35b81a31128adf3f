using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;
using static Incisura.Core.Calculation.ShopOptions;
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

    public static readonly MillingField CornerRadius = new(
        MillingInput.CornerRadius, "R_c", "Radius, 0 for none", "Bend", Quantity.Length, 0, 10_000, 0);
    public static readonly MillingField CornerAngle = new(MillingInput.CornerAngle, "θ", "Angle of a corner", "Bend", Quantity.Angle, 20, 179, 90);
    public static readonly OptionDescription BendSide = new(
        MillingWords.Bend, "Bend", [new("inner", "inner"), new("outer", "outer")], "inner")
    { Group = "Bend" };

    public static readonly MillingFigure[] BendRows =
    [
        MillingFigure.BendArc, MillingFigure.BendChip, MillingFigure.BendForce, MillingFigure.BendRimFeed, MillingFigure.BendChipFeed,
        MillingFigure.BendLargestCutter,
    ];

    // The angle of a corner matters only where the cutter is as large as the corner.
    public static bool TurnsOnTheSpot(MillingSetup setup, in MillingInputs x) =>
        x[MillingInput.CornerRadius] > 0 && x[MillingInput.CornerRadius] <= setup.Diameter / 2 * (1 + 1e-9) && !x.OuterBend;

    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, double stock, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        PassDivision.Across(stock, Math.Min(x[MillingInput.WidthOfCut], setup.Diameter), ref r, ref trace);
        PassDivision.Down(x[MillingInput.WallHeight], x[MillingInput.DepthOfCut], ref r, ref trace);
        Contact contact = setup.ContactAt(r.Down.Each);
        r.Engagement = Engagement.Of(
            contact, r.Across.Each, r.Down.Each, ArcOfEngagement.Side(contact.Diameter, Math.Min(r.Across.Each, contact.Diameter), ref trace));
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, double spring, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double passes = (r.Across.Count + spring) * r.Down.Count;
        PassTime.Solve(setup, x, passes, r.Down.Count, PassTime.OverrunOfSide(r.Engagement.Diameter, r.Across.Each, ref trace), ref r, ref trace);
        FeedMarks.Solve(r.Engagement.Diameter / 2, x[MillingInput.FeedPerTooth], ref r, ref trace);
        Milling.Bend.Solve(setup, x, ref r, ref trace);
        return new(r.Down.Each, r.Across.Each, x[MillingInput.WallHeight]);
    }
}

/// <summary>Rough side milling: the chip of the chart is kept when the width changes, and stock can be left for the step after.</summary>
public readonly struct SideRough : IMillingKind
{
    private static readonly Formula Removed = new(
        "W", "Stock to remove", Quantity.Length, "W_0 - s", "stock on the wall less what stays for the step after");

    /// <inheritdoc/>
    public static MillingDescription Description { get; } = new(
        "side-rough",
        "Rough side milling",
        "wall",
        WallMilling.Families,
        [
            new(MillingInput.StockWidth, "W_0", "Stock on the wall", "Across", Quantity.Length, 0.001, 2000),
            Width,
            new(MillingInput.StockLeft, "s", "Left for the next step", "Across", Quantity.Length, 0, 100, 0),
            new(MillingInput.WallHeight, "H", "Wall height", "Deep", Quantity.Length, 0.001, 1000),
            Depth,
            FeedPerTooth,
            CuttingSpeed,
            ToolLife,
            Length(),
            WallMilling.CornerRadius,
            WallMilling.CornerAngle,
            Deflection(60),
        ],
        [ChipKept("largest"), PassWays, WallMilling.BendSide, EdgeWear, CoolantBy, WorkHeld],
        Large,
        LoadRows)
    { FollowsWall = true, Behind = [.. WallMilling.BendRows, MillingFigure.StockLeft, MillingFigure.PeakToValley] };

    /// <inheritdoc/>
    public static void Follow(MillingSetup setup, ref MillingInputs x)
    {
        x.Propose(MillingInput.StockWidth, x[MillingInput.WidthOfCut] + x[MillingInput.StockLeft]);
        x.Propose(MillingInput.WallHeight, x[MillingInput.DepthOfCut]);
    }

    /// <inheritdoc/>
    public static bool Uses(MillingSetup setup, in MillingInputs x, MillingInput input) =>
        input != MillingInput.CornerAngle || WallMilling.TurnsOnTheSpot(setup, x);

    /// <inheritdoc/>
    public static void Refuse(MillingSetup setup, in MillingInputs x, InputCheck check)
    {
        double stock = x[MillingInput.StockWidth], left = x[MillingInput.StockLeft];
        check.Holds(
            stock - left > 1e-6, "stockLeft", left,
            $"Nothing is left to cut: the wall has {stock:0.###} mm of stock and {left:0.###} mm are to stay. Leave "
                + $"between 0 and less than {stock:0.###} mm.");
        Milling.Bend.Refuse(setup, x, check);
    }

    /// <inheritdoc/>
    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double stock = Math.Max(x[MillingInput.StockWidth] - x[MillingInput.StockLeft], 1e-6);
        if (TTrace.Listens) trace.Take(Removed, stock, new("W_0", x[MillingInput.StockWidth]), new("s", x[MillingInput.StockLeft]));
        WallMilling.Engage(setup, x, stock, ref r, ref trace);
    }

    /// <inheritdoc/>
    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[MillingFigure.StockLeft] = x[MillingInput.StockLeft];
        return WallMilling.Plan(setup, x, 0, ref r, ref trace);
    }

    /// <inheritdoc/>
    public static void Notice(MillingSetup setup, in MillingInputs x, in MillingResult r, List<Finding> findings) => Bend.Notice(x, r, findings);
}

/// <summary>
/// Finish side milling: the feed per tooth of the chart is kept, since its marks make the finish; spring passes repeat the last way.
/// </summary>
public readonly struct SideFinish : IMillingKind
{
    /// <inheritdoc/>
    public static MillingDescription Description { get; } = new(
        "side-finish",
        "Finish side milling",
        "wall",
        WallMilling.Families,
        [
            new(MillingInput.StockWidth, "W", "Stock on the wall", "Across", Quantity.Length, 0, 2000),
            Width,
            new(MillingInput.WallHeight, "H", "Wall height", "Deep", Quantity.Length, 0.001, 1000),
            Depth,
            FeedPerTooth,
            CuttingSpeed,
            ToolLife,
            Length(),
            new(MillingInput.SpringPasses, "i_s", "Spring passes", "Along", Quantity.Count, 0, 10, 0),
            WallMilling.CornerRadius,
            WallMilling.CornerAngle,
            Deflection(20),
        ],
        [ChipKept("none"), PassWays, WallMilling.BendSide, EdgeWear, CoolantBy, WorkHeld],
        Large,
        [MillingFigure.PeakToValley, .. LoadRows])
    { FollowsWall = true, Behind = WallMilling.BendRows };

    /// <inheritdoc/>
    public static void Follow(MillingSetup setup, ref MillingInputs x)
    {
        x.Propose(MillingInput.StockWidth, x[MillingInput.WidthOfCut]);
        x.Propose(MillingInput.WallHeight, x[MillingInput.DepthOfCut]);
    }

    /// <inheritdoc/>
    public static bool Uses(MillingSetup setup, in MillingInputs x, MillingInput input) =>
        input != MillingInput.CornerAngle || WallMilling.TurnsOnTheSpot(setup, x);

    /// <inheritdoc/>
    public static void Refuse(MillingSetup setup, in MillingInputs x, InputCheck check)
    {
        check.Holds(
            x[MillingInput.StockWidth] > 1e-6, "stockWidth", x[MillingInput.StockWidth],
            "Nothing is left to cut: the wall has no stock. Give what the step before leaves, above 0 mm, or do without this step.")
            .Holds(
                x[MillingInput.SpringPasses] == Math.Floor(x[MillingInput.SpringPasses]), "springPasses", x[MillingInput.SpringPasses],
                "Spring passes are counted: give a whole number from 0 to 10.");
        Milling.Bend.Refuse(setup, x, check);
    }

    /// <inheritdoc/>
    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => WallMilling.Engage(setup, x, Math.Max(x[MillingInput.StockWidth], 1e-6), ref r, ref trace);

    /// <inheritdoc/>
    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => WallMilling.Plan(setup, x, x[MillingInput.SpringPasses], ref r, ref trace);

    /// <inheritdoc/>
    public static void Notice(MillingSetup setup, in MillingInputs x, in MillingResult r, List<Finding> findings) => Bend.Notice(x, r, findings);
}

using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;
using Incisura.Core.Quantities;
using static Incisura.Core.Calculation.ShopOptions;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>Reaming a hole to size: a little stock on a side, in and out at feed rate.</summary>
public readonly struct Reaming : IHoleKind
{
    // Stock on a side that a reamer cuts rather than rubs or is crowded by: shop practice, rising with the diameter.
    private const double LeastStock = 0.04, StockPerDiameter = 0.006, MostOverLeast = 3;

    /// <inheritdoc/>
    public static HoleDescription Description { get; } = new(
        "ream",
        "Reaming",
        [CutterFamily.Reamer],
        [Depth, Breakthrough, Before, DepthBefore, Feed, CuttingSpeed, ToolLife, .. Planes],
        [EndOption, EdgeWear, CoolantBy],
        Large,
        [HoleFigure.Stock, HoleFigure.DepthRatio, HoleFigure.LeadLength, HoleFigure.DepthNeeded, HoleFigure.ProgrammedHeight, .. LoadRows]);

    /// <inheritdoc/>
    public static void Follow(HoleSetup setup, ref HoleInputs x)
    {
        x.Propose(HoleInput.Depth, 2 * setup.Diameter);
        x.Propose(HoleInput.HoleBefore, Math.Round(10 * (setup.Diameter - (3 * Least(setup)))) / 10);
        x.Propose(HoleInput.DepthOfHoleBefore, x[HoleInput.Depth] + HoleTools.Bevel(setup.Cutter) + 1);
    }

    /// <inheritdoc/>
    public static bool Uses(HoleSetup setup, in HoleInputs x, HoleInput input) =>
        input switch { HoleInput.Breakthrough => x.Through, HoleInput.DepthOfHoleBefore => !x.Through, _ => true };

    /// <inheritdoc/>
    public static void Refuse(HoleSetup setup, in HoleInputs x, InputCheck check) =>
        check.Within("holeBefore", "The hole that is there", x[HoleInput.HoleBefore], setup.Diameter * 0.7, setup.Diameter - 0.005, Quantity.Length);

    /// <inheritdoc/>
    public static void Work<TTrace>(HoleSetup setup, in HoleInputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double lead = HoleTools.Bevel(setup.Cutter);
        HoleWork.Ratio(setup, x, ref r, ref trace);
        ThreadedDepth.Of(x, lead, 0, ref r, ref trace);
        HoleWork.Load(setup, x, setup.Diameter, x[HoleInput.HoleBefore], 45, ref r, ref trace);
        HoleWork.Time(setup, x, true, ref r, ref trace);
        r[HoleFigure.Stock] = (setup.Diameter - x[HoleInput.HoleBefore]) / 2;
    }

    /// <inheritdoc/>
    public static void Judge(HoleSetup setup, in HoleInputs x, in HoleResult r, ref LimitSet limits)
    {
        if (!x.Through) limits.Add(LimitKind.HoleDepth, x[HoleInput.DepthOfHoleBefore], r[HoleFigure.DepthNeeded]);
    }

    /// <inheritdoc/>
    public static void Notice(HoleSetup setup, in HoleInputs x, in HoleResult r, List<Finding> findings)
    {
        double least = Least(setup), most = MostOverLeast * least, stock = r[HoleFigure.Stock];
        if (stock < least * (1 - LimitCatalogue.Tolerance) || stock > most * (1 + LimitCatalogue.Tolerance))
            findings.Add(new(
                "ream-stock", Severity.Caution,
                new(
                    $"{{0}} on a side is too {(stock < least ? "little: the reamer rubs" : "much: its flutes are crowded")}; "
                        + $"{{1}} to {{2}} is usual at this diameter.",
                    new(stock, Quantity.Chip), new(least, Quantity.Chip), new Measure(most, Quantity.Chip)),
                "Take another drill before it."));
    }

    /// <inheritdoc/>
    public static IReadOnlyList<HoleStage> Stages(HoleSetup setup, in HoleInputs x, in HoleResult r) =>
        HoleStages.Of(setup, x, r, returnsAtFeed: true);

    private static double Least(HoleSetup setup) => LeastStock + (StockPerDiameter * setup.Diameter);
}

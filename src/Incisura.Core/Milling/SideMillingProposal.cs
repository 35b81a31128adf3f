using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>What the user typed for a side cut; null where a proposal is wanted.</summary>
public readonly record struct SideMillingWish
{
    /// <summary>Cutting speed v_c, m/min.</summary>
    public double? CuttingSpeed { get; init; }

    /// <summary>Feed per tooth f_z, mm.</summary>
    public double? FeedPerTooth { get; init; }

    /// <summary>Most width of one pass, mm.</summary>
    public double? MostWidth { get; init; }

    /// <summary>Most depth of one pass, mm.</summary>
    public double? MostDepth { get; init; }

    /// <summary>Stock W across, mm; null for one pass.</summary>
    public double? StockWidth { get; init; }

    /// <summary>Wall height H, mm; null for one pass.</summary>
    public double? WallHeight { get; init; }

    /// <summary>Length of the cut, mm; null for <see cref="DefaultLength"/>.</summary>
    public double? Length { get; init; }

    /// <summary>Deflection allowed, µm; null for <see cref="DefaultDeflection"/>.</summary>
    public double? DeflectionAllowed { get; init; }

    /// <summary>Length taken where none was typed, mm.</summary>
    public double DefaultLength { get; init; }

    /// <summary>Deflection allowed where none was typed, µm.</summary>
    public double DefaultDeflection { get; init; }

    /// <summary>Whether passes go to and fro.</summary>
    public bool BothWays { get; init; }

    /// <summary>What the feed per tooth keeps when the width differs from the chart's.</summary>
    public ChipKept ChipKept { get; init; }

    /// <summary>Factor k_s on the charted depth for how steadily the work is held, above 0 up to 1.</summary>
    public double Steadiness { get; init; }
}

/// <summary>A proposed value that a limit held back.</summary>
/// <param name="Kind">The limit that bound.</param>
/// <param name="Symbol">Symbol of the value held.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="From">The value before.</param>
/// <param name="To">The value held to.</param>
public sealed record Hold(LimitKind Kind, string Symbol, Quantity Quantity, double From, double To);

/// <summary>Proposed choices: from the chart, adapted to the width, and held inside every limit the untyped values can reach.</summary>
/// <param name="Choices">The choices, complete.</param>
/// <param name="Holds">What was held back, in order.</param>
public sealed record SideMillingProposal(SideMillingChoices Choices, IReadOnlyList<Hold> Holds)
{
    /// <summary>Depth and width below these shares of the diameter are no longer proposed.</summary>
    public const double LeastDepthShare = 0.05, LeastWidthShare = 0.02;

    private static readonly Formula ChartSpeed = new("v_c", "Cutting speed proposed", Quantity.CuttingSpeed, "v_cchart", "speed chart of the shop");
    private static readonly Formula ChartWidth = new("a_emost", "Width proposed", Quantity.Length, "min(q_e*D_e, a_elargest)", "speed chart of the shop, within the cutter's largest width");
    private static readonly Formula ChartDepth = new("a_pmost", "Depth proposed", Quantity.Length, "min(q_p*D_e*k_s, APMX, LCF)", "speed chart of the shop, for the steadiness of the work, within the cutter's flutes");
    private static readonly Formula ChartFeed = new("f_z", "Feed per tooth proposed", Quantity.Chip, "f_zchart*k_thin", "speed chart of the shop, with the chip kept at this width");
    private static readonly LimitKind[] Loads = [LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Deflection];

    /// <summary>
    /// Proposes every value that was not typed. Speed is held to the spindle, the chip between its least and largest, speed again to
    /// the axis feed so that the chip stays, and then depth, width and feed per tooth, in this order, until power, torque and
    /// deflection are inside. Typed values are never changed.
    /// </summary>
    /// <exception cref="InputException">The chart has no row and a value it would propose was not typed.</exception>
    public static SideMillingProposal Propose<TTrace>(SideMillingSetup setup, SpeedRow? row, in SideMillingWish wish, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (row is null) RefuseUntyped(wish);
        List<Hold> holds = [];
        double diameter = setup.Diameter;
        double width = wish.MostWidth ?? Math.Min(row!.WidthRatio * diameter, setup.LargestWidth);
        double depth = wish.MostDepth ?? Math.Min(row!.DepthRatio * diameter * wish.Steadiness, Math.Min(setup.LargestDepth, setup.FluteLength));
        double speed = wish.CuttingSpeed ?? row!.CuttingSpeed;
        if (TTrace.Listens && row is not null)
        {
            if (wish.CuttingSpeed is null) trace.Take(ChartSpeed, speed, new Term("v_cchart", row.CuttingSpeed));
            if (wish.MostWidth is null) trace.Take(ChartWidth, width, new("q_e", row.WidthRatio), new("D_e", diameter), new("a_elargest", setup.LargestWidth));
            if (wish.MostDepth is null) trace.Take(ChartDepth, depth, new("q_p", row.DepthRatio), new("D_e", diameter), new("k_s", wish.Steadiness), new("APMX", setup.LargestDepth), new("LCF", setup.FluteLength));
        }

        if (wish.CuttingSpeed is null)
        {
            double n = MillingCut.SpindleSpeedFor(speed, diameter);
            double held = Math.Clamp(n, setup.LeastSpeed, Math.Max(setup.LeastSpeed, setup.LargestSpeed));
            if (held != n)
            {
                double to = MillingCut.CuttingSpeedFor(held, diameter);
                holds.Add(new(n > held ? LimitKind.HighestSpeed : LimitKind.LowestSpeed, "v_c", Quantity.CuttingSpeed, speed, to));
                speed = to;
            }
        }

        SideMillingChoices choices = Complete(wish, speed, 0, width, depth);
        choices = Refeed(setup, row, wish, choices, holds);
        if (TTrace.Listens && row is not null && wish.FeedPerTooth is null)
        {
            double charted = row.FeedPerToothAt(diameter), thinning = ThinningAt(setup, row, wish, choices);
            trace.Take(ChartFeed, charted * thinning, new("f_zchart", charted), new("k_thin", thinning));
        }

        double feedRate = MillingCut.SpindleSpeedFor(choices.CuttingSpeed, diameter) * setup.Teeth * choices.FeedPerTooth;
        if (feedRate > setup.LargestFeed && wish.CuttingSpeed is null)
        {
            double to = MillingCut.CuttingSpeedFor(Math.Max(setup.LeastSpeed, setup.LargestFeed / (setup.Teeth * choices.FeedPerTooth)), diameter);
            holds.Add(new(LimitKind.AxisFeed, "v_c", Quantity.CuttingSpeed, choices.CuttingSpeed, to));
            choices = choices with { CuttingSpeed = to };
        }

        return new(HoldLoads(setup, row, wish, choices, holds), holds);
    }

    /// <summary>
    /// Largest value of a range up to which a condition holds; NaN when even the least fails. The load of helical edges does not
    /// rise evenly with depth, so the range is walked in steps to the first failure, which is then closed in on.
    /// </summary>
    /// <param name="least">Lower end, above 0.</param>
    /// <param name="most">Upper end.</param>
    /// <param name="holds">The condition.</param>
    public static double LargestWithin(double least, double most, Func<double, bool> holds)
    {
        const int steps = 16;
        if (!holds(least)) return double.NaN;
        double inside = least, outside = double.NaN;
        for (int i = 1; i <= steps && double.IsNaN(outside); i++)
        {
            double at = i == steps ? most : least + ((most - least) * i / steps);
            if (holds(at)) inside = at;
            else outside = at;
        }

        if (double.IsNaN(outside)) return most;
        while (outside - inside > 1e-8 * most)
        {
            double middle = (inside + outside) / 2;
            if (holds(middle)) inside = middle;
            else outside = middle;
        }

        return inside;
    }

    /// <summary>One pass of another width and depth, with the feed per tooth following the width where it is proposed.</summary>
    internal static SideMillingChoices At(SideMillingSetup setup, SpeedRow? row, in SideMillingWish wish, in SideMillingChoices choices, double width, double depth) =>
        Refeed(setup, row, wish, choices with { MostWidth = width, StockWidth = width, MostDepth = depth, WallHeight = depth }, null);

    /// <summary>Arc of engagement of the width that each pass really takes.</summary>
    internal static ArcOfEngagement ArcAt(SideMillingSetup setup, in SideMillingChoices at)
    {
        NoTrace none = default;
        return ArcOfEngagement.Side(setup.Diameter, Passes.Even(at.StockWidth, Math.Min(at.MostWidth, setup.Diameter)).Each, ref none);
    }

    /// <summary>Factor on the charted feed per tooth that keeps the chip of the row's own width.</summary>
    internal static double ThinningAt(SideMillingSetup setup, SpeedRow row, in SideMillingWish wish, in SideMillingChoices at)
    {
        NoTrace none = default;
        return ChipThinning.Factor(wish.ChipKept, ArcOfEngagement.Side(setup.Diameter, row.WidthRatio * setup.Diameter, ref none), ArcAt(setup, at));
    }

    private static SideMillingChoices Complete(in SideMillingWish wish, double speed, double feed, double width, double depth) => new()
    {
        CuttingSpeed = speed,
        FeedPerTooth = feed,
        MostWidth = width,
        MostDepth = depth,
        StockWidth = wish.StockWidth ?? width,
        WallHeight = wish.WallHeight ?? depth,
        Length = wish.Length ?? wish.DefaultLength,
        DeflectionAllowed = wish.DeflectionAllowed ?? wish.DefaultDeflection,
        BothWays = wish.BothWays,
    };

    // The feed per tooth that follows the width: charted, thinned, and held to the chip's own limits.
    private static SideMillingChoices Refeed(
        SideMillingSetup setup, SpeedRow? row, in SideMillingWish wish, in SideMillingChoices choices, List<Hold>? holds)
    {
        if (wish.FeedPerTooth is { } typed) return choices with { FeedPerTooth = typed };
        ArcOfEngagement arc = ArcAt(setup, choices);
        double feed = row!.FeedPerToothAt(setup.Diameter) * ThinningAt(setup, row, wish, choices);
        double least = ChipThinning.FeedForMeanChip(setup.LeastChip, setup.LeadAngle, arc);
        double most = ChipThinning.FeedForLargestChip(setup.LargestChip, setup.LeadAngle, arc);
        double held = Math.Min(Math.Max(feed, least), most);
        if (held != feed) holds?.Add(new(feed < held ? LimitKind.LeastChip : LimitKind.LargestChip, "f_z", Quantity.Chip, feed, held));
        return choices with { FeedPerTooth = held };
    }

    private static SideMillingChoices HoldLoads(
        SideMillingSetup setup, SpeedRow? row, SideMillingWish wish, SideMillingChoices choices, List<Hold> holds)
    {
        if (Within(setup, choices)) return choices;
        if (wish.MostDepth is null)
        {
            SideMillingChoices With(double depth) => choices with { MostDepth = depth, WallHeight = wish.WallHeight ?? depth };
            choices = HoldOne("a_p", Quantity.Length, choices.MostDepth, LeastDepthShare * setup.Diameter, With);
        }

        if (wish.MostWidth is null && !Within(setup, choices))
        {
            SideMillingChoices With(double width) => Refeed(setup, row, wish, choices with { MostWidth = width, StockWidth = wish.StockWidth ?? width }, null);
            choices = HoldOne("a_e", Quantity.Length, choices.MostWidth, LeastWidthShare * setup.Diameter, With);
        }

        if (wish.FeedPerTooth is null && !Within(setup, choices))
        {
            double least = Math.Max(ChipThinning.FeedForMeanChip(setup.LeastChip, setup.LeadAngle, ArcAt(setup, choices)), 1e-6);
            choices = HoldOne("f_z", Quantity.Chip, choices.FeedPerTooth, least, feed => choices with { FeedPerTooth = feed });
        }

        return choices;

        SideMillingChoices HoldOne(string symbol, Quantity quantity, double from, double least, Func<double, SideMillingChoices> with)
        {
            if (least >= from) return choices;
            LimitKind binding = Tightest(setup, choices);
            double to = LargestWithin(least, from, value => Within(setup, with(value)));
            to = double.IsNaN(to) ? least : ShopRounding.Down(to);
            holds.Add(new(binding, symbol, quantity, from, to));
            return with(to);
        }
    }

    private static bool Within(SideMillingSetup setup, in SideMillingChoices choices)
    {
        NoTrace none = default;
        SideMilling.Solve(setup, choices, out SideMillingResult result, ref none);
        foreach (LimitKind kind in Loads)
            if (result.Limits.Of(kind).Use > 1) return false;
        return true;
    }

    private static LimitKind Tightest(SideMillingSetup setup, in SideMillingChoices choices)
    {
        NoTrace none = default;
        SideMilling.Solve(setup, choices, out SideMillingResult result, ref none);
        LimitSet limits = result.Limits;
        return Loads.Where(k => limits.Of(k).Judged).MaxBy(k => limits.Of(k).Use);
    }

    private static void RefuseUntyped(in SideMillingWish wish)
    {
        const string reason = "The speed chart has no row for this cutter, material and operation, so nothing can be proposed; type it, or add the row.";
        new InputCheck()
            .Holds(wish.CuttingSpeed is not null, SideMillingOperation.CuttingSpeed, double.NaN, "The cutting speed is missing. " + reason)
            .Holds(wish.FeedPerTooth is not null, SideMillingOperation.FeedPerTooth, double.NaN, "The feed per tooth is missing. " + reason)
            .Holds(wish.MostWidth is not null, SideMillingOperation.WidthOfCut, double.NaN, "The width of cut is missing. " + reason)
            .Holds(wish.MostDepth is not null, SideMillingOperation.DepthOfCut, double.NaN, "The depth of cut is missing. " + reason)
            .ThrowIfAny();
    }
}

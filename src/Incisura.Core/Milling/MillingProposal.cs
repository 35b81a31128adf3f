using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>Proposed inputs: from the chart, adapted to the engagement, and held inside every limit the untyped values can reach.</summary>
/// <param name="Inputs">The inputs, complete.</param>
/// <param name="Holds">What was held back, in order.</param>
public sealed record MillingProposal(MillingInputs Inputs, IReadOnlyList<Hold<MillingInput>> Holds)
{
    /// <summary>Depth and width below these shares of the diameter are no longer proposed.</summary>
    public const double LeastDepthShare = 0.02, LeastWidthShare = 0.02;

    private static readonly Formula ChartWidth = new(
        "a_emost", "Width proposed", Quantity.Length, "min(q_e*DC, a_elargest)", "speed chart of the shop, within the cutter's largest width");
    private static readonly Formula ChartDepth = new(
        "a_pmost", "Depth proposed", Quantity.Length, "min(q_p*k_p*DC*k_s, APMX, LCF)",
        "speed chart of the shop, with the share k_p this operation takes of another one's row, for the steadiness of "
            + "the work, within the cutter's flutes");
    private static readonly Formula ChartFeed = new(
        "f_z", "Feed per tooth proposed", Quantity.Chip, "f_zchart*k_thin", "speed chart of the shop, with the chip kept at this engagement");
    private static readonly LimitKind[] Loads = [LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Deflection, LimitKind.ChipRoom];

    /// <summary>
    /// Proposes every value that was not typed. Speed is held to the spindle, the chip between its least and largest, speed again to
    /// the axis feed so that the chip stays, then depth, width and feed per tooth, in this order, until power, torque and deflection
    /// are inside, and the speed once more at the diameter in contact that is left. Typed values are never changed.
    /// </summary>
    /// <param name="setup">The setup; without a row of the chart every value it would propose must have been typed.</param>
    /// <param name="wish">What was typed.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static MillingProposal Propose<TKind, TTrace>(MillingSetup setup, in MillingInputs wish, ref TTrace trace)
        where TKind : struct, IMillingKind
        where TTrace : struct, ITrace
    {
        List<Hold<MillingInput>> holds = [];
        MillingInputs x = Start<TKind>(setup, wish);
        HoldToSpindle<TKind>(setup, ref x, holds);
        double wanted = ChartedFeed<TKind>(setup, x);
        LimitKind? chip = Refeed<TKind>(setup, ref x);
        if (chip is { } by) holds.Add(new(by, MillingInput.FeedPerTooth, wanted, x[MillingInput.FeedPerTooth]));
        HoldToAxes<TKind>(setup, ref x, holds);
        x = HoldLoads<TKind>(setup, x, holds);

        // Less depth or width may have drawn in the diameter in contact: the speed is held once more where it is worked out now.
        HoldToSpindle<TKind>(setup, ref x, holds);
        HoldToAxes<TKind>(setup, ref x, holds);
        if (TTrace.Listens && setup.Row is { } row) Explain<TKind, TTrace>(setup, row, x, holds, ref trace);
        return new(x, holds);
    }

    /// <summary>
    /// Inputs with width or depth of one pass set, and all that follows them: one pass of that size, and the feed where it is proposed.
    /// </summary>
    internal static MillingInputs At<TKind>(MillingSetup setup, in MillingInputs inputs, MillingInput input, double value)
        where TKind : struct, IMillingKind
    {
        MillingInputs x = inputs;
        x[input] = value;
        Follow<TKind>(setup, ref x);
        if (input != MillingInput.FeedPerTooth) Refeed<TKind>(setup, ref x);
        return x;
    }

    /// <summary>Sets what was not typed: defaults, and what follows other inputs.</summary>
    internal static void Follow<TKind>(MillingSetup setup, ref MillingInputs x)
        where TKind : struct, IMillingKind => TKind.Follow(setup, ref x);

    /// <summary>Feed per tooth of the chart, with its chip kept at this engagement; NaN without a row.</summary>
    internal static double ChartedFeed<TKind>(MillingSetup setup, in MillingInputs x)
        where TKind : struct, IMillingKind =>
        setup.Row is { } row
            ? row.FeedPerToothAt(setup.Diameter) * ChipThinning.Factor(x.ChipKept, setup.Charted, MillingSolver.Engage<TKind>(setup, x))
            : double.NaN;

    /// <summary>
    /// The feed per tooth that follows the engagement: charted, thinned, and held to the chip's own limits, of which the one that held is returned.
    /// </summary>
    internal static LimitKind? Refeed<TKind>(MillingSetup setup, ref MillingInputs x)
        where TKind : struct, IMillingKind
    {
        if (x.IsTyped(MillingInput.FeedPerTooth) || setup.Row is null) return null;
        Engagement e = MillingSolver.Engage<TKind>(setup, x);
        double feed = setup.Row.FeedPerToothAt(setup.Diameter) * ChipThinning.Factor(x.ChipKept, setup.Charted, e);
        double held = Math.Min(Math.Max(feed, setup.LeastChip / e.MeanChipRatio), setup.LargestChip / e.LargestChipRatio);
        x[MillingInput.FeedPerTooth] = held;
        return held == feed ? null : feed < held ? LimitKind.LeastChip : LimitKind.LargestChip;
    }

    private static MillingInputs Start<TKind>(MillingSetup setup, in MillingInputs wish)
        where TKind : struct, IMillingKind
    {
        NoTrace none = default;
        MillingInputs x = wish;
        MillingDescription d = TKind.Description;
        if (setup.Row is { } row)
        {
            double factor = DepthFactor(d, row);
            x.Propose(MillingInput.CuttingSpeed, ChartedSpeed(setup, x, ref none));
            x.Propose(MillingInput.ToolLife, setup.Taylor.LifeOrNone(x[MillingInput.CuttingSpeed]));
            x.Propose(MillingInput.FeedPerTooth, row.FeedPerToothAt(setup.Diameter));
            x.Propose(MillingInput.WidthOfCut, ChartedWidth(setup, row));
            x.Propose(MillingInput.DepthOfCut, ChartedDepth(setup, row, factor, x.Steadiness));
        }

        foreach (MillingField f in d.Fields)
            if (double.IsFinite(f.Default)) x.Propose(f.Input, f.Default);
        Follow<TKind>(setup, ref x);
        return x;
    }

    private static double ChartedSpeed<TTrace>(MillingSetup setup, in MillingInputs x, ref TTrace trace)
        where TTrace : struct, ITrace =>
            setup.Taylor.Proposed(x.IsTyped(MillingInput.ToolLife) ? x[MillingInput.ToolLife] : setup.Taylor.Life, ref trace);

    private static double DepthFactor(MillingDescription d, SpeedRow row) => row.Operation == d.Code ? 1 : d.DepthFactor;

    private static double ChartedWidth(MillingSetup setup, SpeedRow row) => Math.Min(row.WidthRatio * setup.Diameter, setup.LargestWidth);

    private static double ChartedDepth(MillingSetup setup, SpeedRow row, double factor, double steadiness) =>
        Math.Min(row.DepthRatio * factor * setup.Diameter * steadiness, Math.Min(setup.LargestDepth, setup.FluteLength));

    // What the chart gave, and what the limits left of it, in the order in which one follows from the other.
    private static void Explain<TKind, TTrace>(MillingSetup setup, SpeedRow row, in MillingInputs x, List<Hold<MillingInput>> holds, ref TTrace trace)
        where TKind : struct, IMillingKind
        where TTrace : struct, ITrace
    {
        MillingDescription d = TKind.Description;
        double factor = DepthFactor(d, row), charted = row.FeedPerToothAt(setup.Diameter), thinned = ChartedFeed<TKind>(setup, x);
        if (Proposed(x, MillingInput.CuttingSpeed)) Held(x, MillingInput.CuttingSpeed, ChartedSpeed(setup, x, ref trace), ref trace);
        if (Proposed(x, MillingInput.WidthOfCut))
        {
            trace.Take(
                ChartWidth, ChartedWidth(setup, row), new("q_e", row.WidthRatio), new("DC", setup.Diameter), new("a_elargest", setup.LargestWidth));
            Held(x, MillingInput.WidthOfCut, ChartedWidth(setup, row), ref trace);
        }

        if (Proposed(x, MillingInput.DepthOfCut))
        {
            double depth = ChartedDepth(setup, row, factor, x.Steadiness);
            trace.Take(
                ChartDepth, depth, new("q_p", row.DepthRatio), new("k_p", factor), new("DC", setup.Diameter), new("k_s", x.Steadiness),
                new("APMX", setup.LargestDepth), new("LCF", setup.FluteLength));
            Held(x, MillingInput.DepthOfCut, depth, ref trace);
        }

        if (!Proposed(x, MillingInput.FeedPerTooth)) return;
        trace.Take(ChartFeed, thinned, new("f_zchart", charted), new("k_thin", thinned / charted));
        Held(x, MillingInput.FeedPerTooth, thinned, ref trace);

        bool Proposed(in MillingInputs inputs, MillingInput input) => d.Has(input) && !inputs.IsTyped(input);

        void Held(in MillingInputs inputs, MillingInput input, double from, ref TTrace listener)
        {
            MillingField f = d.Fields.Of(input);
            holds.Explain(f, MillingGivens.SymbolOf(f), from, inputs[input], ref listener);
        }
    }

    private static void HoldToSpindle<TKind>(MillingSetup setup, ref MillingInputs x, List<Hold<MillingInput>> holds)
        where TKind : struct, IMillingKind
    {
        if (x.IsTyped(MillingInput.CuttingSpeed)) return;
        double speed = x[MillingInput.CuttingSpeed], diameter = MillingSolver.Engage<TKind>(setup, x).Diameter;
        double n = MillingCut.SpindleSpeedFor(speed, diameter),
            held = Math.Clamp(n, setup.LeastSpeed, Math.Max(setup.LeastSpeed, setup.LargestSpeed));
        if (Math.Abs(held - n) <= LimitCatalogue.Tolerance * n) return;
        x[MillingInput.CuttingSpeed] = MillingCut.CuttingSpeedFor(held, diameter);
        holds.Add(new(n > held ? LimitKind.HighestSpeed : LimitKind.LowestSpeed, MillingInput.CuttingSpeed, speed, x[MillingInput.CuttingSpeed]));
    }

    // To the axes the speed is lowered rather than the chip, so that the chip stays.
    private static void HoldToAxes<TKind>(MillingSetup setup, ref MillingInputs x, List<Hold<MillingInput>> holds)
        where TKind : struct, IMillingKind
    {
        MillingLoad load = MillingSolver.Solve<TKind>(setup, x).Load;
        if (x.IsTyped(MillingInput.CuttingSpeed) || load.FeedRate <= setup.LargestFeed * (1 + LimitCatalogue.Tolerance)) return;
        double from = x[MillingInput.CuttingSpeed], slowest = from * setup.LeastSpeed / load.SpindleSpeed;
        x.Propose(MillingInput.CuttingSpeed, Math.Max(from * setup.LargestFeed / load.FeedRate, slowest));
        holds.Add(new(LimitKind.AxisFeed, MillingInput.CuttingSpeed, from, x[MillingInput.CuttingSpeed]));
    }

    private static MillingInputs HoldLoads<TKind>(MillingSetup setup, MillingInputs x, List<Hold<MillingInput>> holds)
        where TKind : struct, IMillingKind
    {
        MillingDescription d = TKind.Description;
        if (d.Has(MillingInput.DepthOfCut)) HoldOne(MillingInput.DepthOfCut, LeastDepthShare * setup.Diameter);
        if (d.Has(MillingInput.WidthOfCut)) HoldOne(MillingInput.WidthOfCut, LeastWidthShare * setup.Diameter);
        HoldOne(MillingInput.FeedPerTooth, Math.Max(setup.LeastChip / MillingSolver.Engage<TKind>(setup, x).MeanChipRatio, 1e-6));
        return x;

        void HoldOne(MillingInput input, double least)
        {
            double from = x[input];
            if (x.IsTyped(input) || least >= from) return;
            if (Tightest<TKind>(setup, x) is not { } binding) return;
            MillingInputs at = x;
            double to = Search.LargestWithin(least, from, value => Tightest<TKind>(setup, At<TKind>(setup, at, input, value)) is null);
            to = double.IsNaN(to) ? least : ShopRounding.Down(to);
            holds.Add(new(binding, input, from, to));
            x = At<TKind>(setup, x, input, to);
        }
    }

    // The load that is exceeded most; null while all are inside.
    private static LimitKind? Tightest<TKind>(MillingSetup setup, in MillingInputs x)
        where TKind : struct, IMillingKind
    {
        LimitSet limits = MillingSolver.Solve<TKind>(setup, x).Limits;
        LimitKind? tightest = null;
        double most = 1;
        foreach (LimitKind kind in Loads)
        {
            double use = limits.Of(kind).Use;
            if (use > most) (tightest, most) = (kind, use);
        }

        return tightest;
    }
}

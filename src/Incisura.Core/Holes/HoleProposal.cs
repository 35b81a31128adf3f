using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>Proposed inputs: from the chart, held inside every limit the untyped values can reach.</summary>
/// <param name="Inputs">The inputs, complete.</param>
/// <param name="Holds">What was held back, in order.</param>
public sealed record HoleProposal(HoleInputs Inputs, IReadOnlyList<Hold<HoleInput>> Holds)
{
    /// <summary>Feed below this share of the charted one is no longer proposed.</summary>
    public const double LeastFeedShare = 0.2;

    private static readonly Formula ChartFeed = new(
        "f", "Feed per revolution proposed", Quantity.Chip, "z*f_zchart", "speed chart of the shop, for all lips");
    private static readonly LimitKind[] Speeds = [LimitKind.HighestSpeed, LimitKind.AxisFeed, LimitKind.Whirl];
    private static readonly LimitKind[] Loads =
    [
        LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Thrust, LimitKind.ToolStrength, LimitKind.Buckling, LimitKind.Deflection,
    ];

    /// <summary>
    /// Proposes every value that was not typed: speed held to spindle, axis and whirling, then feed to power, torque and thrust. Typed values are
    /// never changed.
    /// </summary>
    /// <param name="setup">The setup; without a row of the chart every value it would propose must have been typed.</param>
    /// <param name="wish">What was typed.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static HoleProposal Propose<TKind, TTrace>(HoleSetup setup, in HoleInputs wish, ref TTrace trace)
        where TKind : struct, IHoleKind
        where TTrace : struct, ITrace
    {
        HoleInputs x = wish;
        List<Hold<HoleInput>> holds = [];
        HoleDescription d = TKind.Description;
        if (setup.Row is { } row)
        {
            NoTrace none = default;
            x.Propose(HoleInput.CuttingSpeed, ChartedSpeed(setup, x, ref none));
            x.Propose(HoleInput.ToolLife, setup.Taylor.LifeOrNone(x[HoleInput.CuttingSpeed]));
            x.Propose(HoleInput.FeedPerRevolution, ChartedFeed(setup, row));
        }

        foreach (HoleField f in d.Fields)
            if (double.IsFinite(f.Default)) x.Propose(f.Input, f.Default);
        TKind.Follow(setup, ref x);
        x.Propose(HoleInput.Retract, Math.Max(HoleWords.UsualRetract, x[HoleInput.Approach]));

        // A tap is held to its speed while it is worked out, so that its feed can never leave it.
        if (!d.InStep)
        {
            Hold(HoleInput.CuttingSpeed, Speeds, x[HoleInput.CuttingSpeed] * 1e-3);
            Hold(HoleInput.FeedPerRevolution, Loads, x[HoleInput.FeedPerRevolution] * LeastFeedShare);
        }

        if (TTrace.Listens && setup.Row is { } charted) Explain(d, setup, charted, x, holds, ref trace);
        return new(x, holds);

        void Hold(HoleInput input, LimitKind[] kinds, double least)
        {
            if (x.IsTyped(input) || Over<TKind>(setup, x, kinds) is not { } binding) return;
            double from = x[input];
            HoleInputs at = x;
            double to = Search.LargestWithin(least, from, value =>
            {
                HoleInputs tried = at;
                tried[input] = value;
                return Over<TKind>(setup, tried, kinds) is null;
            });
            x[input] = double.IsNaN(to) ? least : ShopRounding.Down(to);
            holds.Add(new(binding, input, from, x[input]));
        }
    }

    // What the chart gave, and what the limits left of it.
    private static void Explain<TTrace>(
        HoleDescription d, HoleSetup setup, SpeedRow row, in HoleInputs x, List<Hold<HoleInput>> holds, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (!x.IsTyped(HoleInput.CuttingSpeed)) Held(HoleInput.CuttingSpeed, x[HoleInput.CuttingSpeed], ChartedSpeed(setup, x, ref trace), ref trace);
        if (d.InStep || x.IsTyped(HoleInput.FeedPerRevolution)) return;
        trace.Take(ChartFeed, ChartedFeed(setup, row), new("z", setup.Teeth), new("f_zchart", row.FeedPerToothAt(setup.Diameter)));
        Held(HoleInput.FeedPerRevolution, x[HoleInput.FeedPerRevolution], ChartedFeed(setup, row), ref trace);

        void Held(HoleInput input, double to, double from, ref TTrace listener)
        {
            HoleField f = d.Fields.Of(input);
            holds.Explain(f, f.Symbol, from, to, ref listener);
        }
    }

    /// <summary>Cutting speed of the chart for the life wanted, m/min.</summary>
    internal static double ChartedSpeed<TTrace>(HoleSetup setup, in HoleInputs x, ref TTrace trace)
        where TTrace : struct, ITrace => setup.Taylor.Proposed(x.IsTyped(HoleInput.ToolLife) ? x[HoleInput.ToolLife] : setup.Taylor.Life, ref trace);

    /// <summary>Feed of one turn by the chart, mm: that of a tooth at this diameter, for all lips.</summary>
    internal static double ChartedFeed(HoleSetup setup, SpeedRow row) => row.Feeds.Count == 0 ? 0 : setup.Teeth * row.FeedPerToothAt(setup.Diameter);

    /// <summary>The limit among some that is exceeded most; null while all are inside.</summary>
    internal static LimitKind? Over<TKind>(HoleSetup setup, in HoleInputs x, LimitKind[] kinds)
        where TKind : struct, IHoleKind
    {
        LimitSet limits = HoleSolver.Solve<TKind>(setup, x).Limits;
        LimitKind? tightest = null;
        double most = 1 + LimitCatalogue.Tolerance;
        foreach (LimitKind kind in kinds)
        {
            double use = limits.Of(kind).Use;
            if (use > most) (tightest, most) = (kind, use);
        }

        return tightest;
    }
}

using Incisura.Core.Charts;

namespace Incisura.Core.Calculation;

/// <content>What is proposed where nothing was typed.</content>
public partial class Operation<TWork, TResult>
{
    /// <summary>
    /// Proposes every value that was not typed. Speed is held to the spindle, the chip to what the edge asks, speed again to the axes so
    /// that the chip stays, then the levers in their order until every load is inside, and the speed once more at the diameter in contact
    /// that is left. Typed values are never changed.
    /// </summary>
    /// <param name="setup">The setup; without a row of the chart every value it would propose must have been typed.</param>
    /// <param name="wish">What was typed.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static Proposal Propose<TTrace>(CuttingSetup setup, in Inputs wish, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        List<Hold> holds = [];
        Inputs x = Start(setup, wish);
        if (Feed is not null)
        {
            HoldToSpindle(setup, ref x, holds);
            double charted = x[Feed.Input];
            if (Refeed(setup, ref x) is { } by) holds.Add(new(by, Feed.Input, charted, x[Feed.Input]));
            HoldToAxes(setup, ref x, holds);
            foreach (Lever lever in GivingWay) GiveWay(setup, lever, ref x, holds);

            // Less depth or width may have drawn in the diameter in contact: the speed is held once more where it is worked out now.
            HoldToSpindle(setup, ref x, holds);
            HoldToAxes(setup, ref x, holds);
        }

        if (TTrace.Listens && setup.Row is { } row) Explain(setup, row, x, holds, ref trace);
        return new(x, holds);
    }

    // The inputs with one set, and all that follows it: totals, and the feed where it is proposed.
    private static Inputs At(CuttingSetup setup, in Inputs inputs, Input input, double value)
    {
        Inputs x = inputs;
        x[input] = value;
        TWork.Follow(setup, ref x);
        if (input != Feed?.Input) Refeed(setup, ref x);
        return x;
    }

    // The feed that follows the engagement: as charted for it, held to the chip's own limits, of which the one that held is returned.
    private static LimitDefinition? Refeed(CuttingSetup setup, ref Inputs x) =>
        Feed is null || setup.Row is not { } row || x.IsTyped(Feed.Input) ? null : TWork.Refeed(setup, row, ref x);

    private static Inputs Start(CuttingSetup setup, in Inputs wish)
    {
        NoTrace none = default;
        Inputs x = wish;
        if (setup.Row is { } row)
        {
            x.Propose(Input.CuttingSpeed, setup.ChartedSpeed(x, ref none));
            x.Propose(Input.ToolLife, setup.Taylor.LifeOrNone(x[Input.CuttingSpeed]));
            foreach (Lever lever in TWork.Levers)
                if (!lever.IsFeed) x.Propose(lever.Input, TWork.Charted(setup, row, x, lever.Input, ref none));
        }

        foreach (FieldDescription f in TWork.Description.Fields)
            if (double.IsFinite(f.Default)) x.Propose(f.Input, f.Default);
        TWork.Follow(setup, ref x);
        if (setup.Row is { } charted && Feed is not null) x.Propose(Feed.Input, TWork.Charted(setup, charted, x, Feed.Input, ref none));
        return x;
    }

    // What the chart gave, and what the limits left of it, in the order in which one follows from the other.
    private static void Explain<TTrace>(CuttingSetup setup, SpeedRow row, in Inputs x, List<Hold> holds, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        foreach (Lever lever in Levers)
        {
            if (x.IsTyped(lever.Input)) continue;
            double from = lever.Input == Input.CuttingSpeed
                ? setup.ChartedSpeed(x, ref trace)
                : TWork.Charted(setup, row, x, lever.Input, ref trace);
            double to = x[lever.Input];
            if (to == from) continue;
            FieldDescription f = TWork.Description.Field(lever.Input);
            string symbol = TWork.SymbolOf(f),
                by = string.Join(", ", holds.Where(h => h.Input == lever.Input).Select(h => h.Limit.Words).Distinct());
            trace.Take(
                new(symbol, $"{f.Name}, held", f.Quantity, $"k_h*{symbol}", $"share that keeps every limit; held by: {by}"), to,
                new("k_h", to / from), new(symbol, from));
        }
    }

    private static void HoldToSpindle(CuttingSetup setup, ref Inputs x, List<Hold> holds)
    {
        if (x.IsTyped(Input.CuttingSpeed)) return;
        double speed = x[Input.CuttingSpeed], diameter = TWork.SpeedDiameter(setup, x), n = CuttingSetup.SpindleSpeedFor(speed, diameter),
            held = Math.Clamp(n, setup.LeastSpeed, Math.Max(setup.LeastSpeed, setup.LargestSpeed));
        if (Math.Abs(held - n) <= LimitDefinition.Tolerance * n) return;
        x[Input.CuttingSpeed] = CuttingSetup.CuttingSpeedFor(held, diameter);
        holds.Add(new(n > held ? Limits.HighestSpeed : Limits.LowestSpeed, Input.CuttingSpeed, speed, x[Input.CuttingSpeed]));
    }

    // To the axes the speed is lowered rather than the chip, so that the chip stays.
    private static void HoldToAxes(CuttingSetup setup, ref Inputs x, List<Hold> holds)
    {
        if (x.IsTyped(Input.CuttingSpeed)) return;
        NoTrace none = default;
        TWork.Solve(setup, x, out TResult r, ref none);
        if (r[Output.FeedRate] <= setup.LargestFeed * (1 + LimitDefinition.Tolerance)) return;
        double from = x[Input.CuttingSpeed], slowest = from * setup.LeastSpeed / r[Output.SpindleSpeed];
        x.Propose(Input.CuttingSpeed, Math.Max(from * setup.LargestFeed / r[Output.FeedRate], slowest));
        holds.Add(new(Limits.AxisFeed, Input.CuttingSpeed, from, x[Input.CuttingSpeed]));
    }

    // A lever is turned down until what it gives way to is inside, or to its floor.
    private static void GiveWay(CuttingSetup setup, Lever lever, ref Inputs x, List<Hold> holds)
    {
        double from = x[lever.Input], least = lever.Floor(setup, x);
        if (x.IsTyped(lever.Input) || least >= from || Over(setup, x, lever.Input, ranges: false) is not { } binding) return;
        Inputs at = x;
        double to = Calculation.Search.LargestWithin(
            least, from, value => Over(setup, At(setup, at, lever.Input, value), lever.Input, ranges: false) is null);
        to = double.IsNaN(to) ? least : ShopRounding.Down(to);
        holds.Add(new(binding, lever.Input, from, to));
        x = At(setup, x, lever.Input, to);
    }

    // The limit exceeded most among those an input gives way to, or all that bound its range; null while all are inside.
    private static LimitDefinition? Over(CuttingSetup setup, in Inputs x, Input input, bool ranges)
    {
        NoTrace none = default;
        TWork.Solve(setup, x, out TResult result, ref none);
        LimitSet limits = result.Limits;
        LimitDefinition? over = null;
        double most = 1 + LimitDefinition.Tolerance;
        for (int i = 0; i < limits.Count; i++)
        {
            Limit limit = limits[i];
            if ((ranges ? limit.Definition.Ranges(input) : limit.Definition.HoldsBack(input)) && limit.Use > most)
                (over, most) = (limit.Definition, limit.Use);
        }

        return over;
    }
}

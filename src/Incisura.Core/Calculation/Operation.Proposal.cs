using Incisura.Core.Charts;

namespace Incisura.Core.Calculation;

/// <content>What is proposed where nothing was typed.</content>
public partial class Operation<TWork, TResult>
{
    /// <summary>
    /// Proposes every value that was not typed: what the chart says, the chip held to what the edge asks, and then depth, width, feed and speed
    /// together inside every limit. Typed values are never changed.
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
            // A slender tool turns slower first, whatever it cuts.
            double charted = x[Feed.Input];
            if (Refeed(setup, ref x) is { } by) holds.Add(new(by, Feed.Input, charted, x[Feed.Input]));
            GiveWay(setup, ref x, holds);
            HoldTogether(setup, ref x, holds);
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

    // The speed is turned down until what it alone gives way to is inside, or to its floor.
    private static void GiveWay(CuttingSetup setup, ref Inputs x, List<Hold> holds)
    {
        double from = x[Input.CuttingSpeed], least = Speed.Floor(setup, x);
        if (x.IsTyped(Input.CuttingSpeed) || Over(setup, x, Input.CuttingSpeed, ranges: false) is not { } binding) return;
        Inputs at = x;
        double to = Calculation.Search.LargestWithin(
            least, from, value => Over(setup, At(setup, at, Input.CuttingSpeed, value), Input.CuttingSpeed, ranges: false) is null);
        to = double.IsNaN(to) ? least : ShopRounding.Down(to);
        holds.Add(new(binding, Input.CuttingSpeed, from, to));
        x = At(setup, x, Input.CuttingSpeed, to);
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

namespace Incisura.Core.Calculation;

/// <content>The fields after it was worked out: value, origin, proposal, and the range that keeps the limits.</content>
public partial class Operation<TWork, TResult>
{
    private const double LeastLookedAt = 1e-4, BeyondReach = 1.2;

    private static IReadOnlyList<FieldState> StatesOf(Taken given, Proposal proposal)
    {
        CuttingSetup setup = given.Setup;
        Inputs x = proposal.Inputs;
        Inputs atFeed = Feed is null ? x : x.With(Feed.Input, x[Feed.Input]);
        LimitSet limits = Solve(setup, x).Limits;
        return [.. TWork.Description.Fields.Select(StateOf)];

        FieldState StateOf(FieldDescription f)
        {
            bool typed = given.Wish.IsTyped(f.Input);
            Lever? lever = Levers.FirstOrDefault(l => l.Input == f.Input);
            double? least = lever?.Least?.Invoke(setup, x);
            (double? most, LimitDefinition? by) = RangeOf(f, lever, least ?? 0);
            if (TWork.Permitted(setup, x, f.Input) is { } permitted) (least, most, by) = (permitted.Least, permitted.Most, null);
            bool charted = lever is not null || f.Input == Input.ToolLife;
            Origin origin = typed ? Origin.Typed
                : proposal.Holds.Any(h => h.Input == f.Input) ? Origin.Held
                : charted ? Origin.Proposed : Origin.Default;
            return new(f.Code, x[f.Input], origin, ProposedFor(f, typed, charted), least, most, by?.Code, NoteOf(f), UsesField(setup, x, f.Input));
        }

        // The largest value that keeps what bounds it, with the others as they are and the feed kept.
        (double? Most, LimitDefinition? By) RangeOf(FieldDescription f, Lever? lever, double least)
        {
            if (lever is null && !Bounded(f.Input)) return (null, null);
            double low = Math.Max(least, LeastLookedAt);
            double end = Math.Max(
                low, lever is null ? BeyondReach * Math.Max(x[f.Input], setup.Reach) : lever.Most?.Invoke(setup, x) ?? f.Most);
            if (lever is null && Straight(f.Input) is { } straight) return straight;
            double most = Calculation.Search.LargestWithin(low, end, v => OverAt(f.Input, v) is null);
            if (double.IsNaN(most)) return (null, OverAt(f.Input, low));
            LimitDefinition? by = OverAt(f.Input, most + (2 * Calculation.Search.Resolution * end));
            return by is null && lever?.Most is null ? (null, null) : (most, by);
        }

        // Most depths are used up one for one: where that is so, what is left of the limit says the end exactly.
        (double? Most, LimitDefinition? By)? Straight(Input input)
        {
            Limit tightest = limits.All().Where(l => l.Definition.Ranges(input)).MinBy(l => l.Allowed - l.Used);
            double most = x[input] + (tightest.Allowed - tightest.Used);
            bool ends = most > 0 && OverAt(input, most) is null && OverAt(input, most * (1 + 1e-6)) == tightest.Definition;
            return ends ? (most, tightest.Definition) : null;
        }

        LimitDefinition? OverAt(Input input, double value)
        {
            Inputs at = atFeed.With(input, value);
            TWork.Follow(setup, ref at);
            return Over(setup, at, input, ranges: true);
        }

        bool Bounded(Input input) => limits.All().Any(l => l.Definition.Ranges(input));

        // What would stand in a field if nothing were typed there.
        double? ProposedFor(FieldDescription f, bool typed, bool charted)
        {
            if (!typed) return x[f.Input];
            NoTrace none = default;
            if (charted) return setup.Row is null ? null : Propose(setup, given.Wish.Without(f.Input), ref none).Inputs[f.Input];
            Inputs without = x.Without(f.Input);
            if (double.IsFinite(f.Default)) without.Propose(f.Input, f.Default);
            TWork.Follow(setup, ref without);
            return without[f.Input];
        }

        Sentence? NoteOf(FieldDescription f) => f.Input switch
        {
            _ when proposal.Holds.LastOrDefault(h => h.Input == f.Input) is { } hold =>
                new($"held from {{0}} by: {hold.Limit.Words}", new Measure(hold.From, f.Quantity)),
            Input.CuttingSpeed when setup.Row is { } row => new(
                TWork.Description.ChartedAs.FirstOrDefault(o => o.Code == row.Operation) is { } other && row.Operation != TWork.Description.Code
                    ? $"chart {{0}}, row for {char.ToLowerInvariant(other.Name[0])}{other.Name[1..]}"
                    : "chart {0}",
                new Measure(row.CuttingSpeed, Quantity.CuttingSpeed)),
            Input.ToolLife when setup.Row is { } row => new("chart {0}", new Measure(row.Life, Quantity.Time)),
            _ => TWork.Note(setup, x, f.Input),
        };
    }
}

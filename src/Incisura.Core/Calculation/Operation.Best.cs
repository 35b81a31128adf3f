namespace Incisura.Core.Calculation;

/// <content>The best point inside all limits.</content>
public partial class Operation<TWork, TResult>
{
    // A free value that is searched along, with the least and most it takes, or the only values that divide a whole into equal passes.
    private readonly record struct Axis(Input Input, double Least, double Most, int Points, bool Squared, double[]? Picks)
    {
        public double At(double share) =>
            Picks is { } picks ? picks[(int)Math.Round(share * (picks.Length - 1))]
            : Squared ? Least + ((Most - Least) * share * share)
            : Least * Math.Pow(Most / Least, share);
    }

    private readonly record struct Candidate(double[] Place, double Merit, Inputs Inputs);

    /// <summary>
    /// Loads follow a power of the feed, so for any place along the other levers the largest feed inside all limits is found in a few
    /// steps; what remains is searched on a grid and then closed in on from its best points, along the axes and all diagonals. Only points
    /// whose every judged limit is kept are ever taken.
    /// </summary>
    private sealed class Search
    {
        private const int Starts = 5, FeedSteps = 12, MostPasses = 16, ProbePoints = 6;
        private const double FirstStep = 1.0 / 15, SmallestStep = 2e-4, FinestFeed = 1.0 / 200;

        private readonly CuttingSetup setup;
        private readonly Inputs start;
        private readonly BestAim aim;
        private readonly CancellationToken cancel;
        private readonly Axis[] axes;

        public Search(CuttingSetup setup, in Inputs inputs, BestAim aim, CancellationToken cancel)
        {
            (this.setup, this.aim, this.cancel) = (setup, aim, cancel);
            start = aim == BestAim.Time ? WholeJob(inputs) : inputs;
            axes = [.. Free.Where(l => !l.IsFeed).OrderBy(l => l.Input == Input.CuttingSpeed).Select(AxisOf)];
        }

        public BestPoint Run()
        {
            List<Candidate> found = [];
            double[] place = new double[axes.Length];
            Walk(0);
            if (found.Count == 0) return Nothing();

            Candidate best = found.MaxBy(c => c.Merit);
            foreach (Candidate from in found.OrderByDescending(c => c.Merit).Take(Starts))
                if (Refine(from) is var refined && refined.Merit > best.Merit) best = refined;
            Inputs job = WholePasses(best.Inputs);
            TResult result = Solve(setup, job);
            bool asFound = aim == BestAim.Time || result[Output.RemovalRate] >= best.Merit * (1 - 1e-9);
            bool open = Totals.Any(t => !start.IsTyped(t));
            if (open && (!asFound || result.Limits.LargestUse > 1 + LimitDefinition.Tolerance))
                return new Search(setup, WholeJob(start), aim, cancel).Run();
            return new(
                true, ValuesOf(job), result[Output.RemovalRate], result[Output.Time], Binding(result.Limits), NotJudged(result.Limits),
                ChartReason(job));

            void Walk(int axis)
            {
                if (axis == axes.Length)
                {
                    cancel.ThrowIfCancellationRequested();
                    if (Try(place) is { } candidate) found.Add(candidate);
                    return;
                }

                int count = axes[axis].Points;
                for (int i = 0; i < count; i++)
                {
                    place[axis] = count == 1 ? 1 : (double)i / (count - 1);
                    Walk(axis + 1);
                }
            }
        }

        // From a good point, to ever smaller steps along the axes and all diagonals.
        private Candidate Refine(Candidate best)
        {
            int directions = (int)Math.Pow(3, axes.Length);
            for (double step = FirstStep; step > SmallestStep; step /= 2)
            {
                bool moved = true;
                while (moved)
                {
                    moved = false;
                    for (int d = 0; d < directions; d++)
                    {
                        double[] place = [.. best.Place];
                        for (int a = 0, code = d; a < axes.Length; a++, code /= 3)
                            if (axes[a].Picks is null) place[a] = Math.Clamp(place[a] + (((code % 3) - 1) * step), 0, 1);
                        if (Try(place) is not { } tried || tried.Merit <= best.Merit * (1 + 1e-9)) continue;
                        best = tried;
                        moved = true;
                    }
                }
            }

            return best;
        }

        // The largest feed inside all limits at one place; nothing where no feed is.
        private Candidate? Try(double[] place)
        {
            Inputs x = At(place);
            double feed = FreeFeed?.Top(setup, x) ?? double.NaN;
            NoTrace none = default;
            for (int i = 0; i < FeedSteps; i++)
            {
                if (FreeFeed is not null) x[FreeFeed.Input] = feed;
                TWork.Solve(setup, x, out TResult result, ref none);
                LimitSet limits = result.Limits;
                double scale = 1;
                for (int k = 0; k < limits.Count; k++)
                {
                    Limit limit = limits[k];
                    if (!(FreeFeed is null ? limit.Exceeded : limit.Use > 1)) continue;
                    if (FreeFeed is null || limit.Definition.WithFeed == FeedShare.None) return null;
                    scale = Math.Min(scale, limit.ShareOfFeed(setup.ChipExponent));
                }

                if (scale == 1) return new([.. place], aim == BestAim.Removal ? result[Output.RemovalRate] : 1 / result[Output.Time], x);
                feed *= scale * (1 - 1e-9);
            }

            return null;
        }

        private Inputs At(double[] place)
        {
            Inputs x = start;
            for (int a = 0; a < axes.Length; a++) x[axes[a].Input] = axes[a].At(place[a]);
            TWork.Follow(setup, ref x);
            return x;
        }

        // Where nobody said how much is to be removed, it becomes a whole number of the best passes, never less than it was.
        private Inputs WholePasses(in Inputs best)
        {
            Inputs job = best;
            foreach (Input total in Totals)
            {
                if (best.IsTyped(total)) continue;
                double aside = LeftOf(total), pass = best[total] - aside;
                job.Type(total, aside + (Passes.Covering(start[total] - aside, pass) * pass));
            }

            TWork.Follow(setup, ref job);
            return job;
        }

        private double LeftOf(Input total) =>
            total == Input.StockWidth && TWork.Description.Has(Input.StockLeft) ? start[Input.StockLeft] : 0;

        // What was said to be removed stays what it is, so only whole numbers of equal passes count.
        private Axis AxisOf(Lever lever)
        {
            double top = lever.Top(setup, start), least = lever.Floor(setup, start);
            if (lever == Speed)
            {
                top = Math.Min(top, SpeedAt(setup, start, setup.LargestSpeed));
                least = Math.Max(Math.Min(SpeedAt(setup, start, setup.LeastSpeed), top), top / 20);
            }

            int total = lever.Totals.ToList().FindIndex(TWork.Description.Has);
            if (total < 0 || !start.IsTyped(lever.Totals[total]))
                return new(lever.Input, Math.Min(least, top), top, lever.Points.Count, lever.Points.Squared, null);
            double whole = start[lever.Totals[total]] - LeftOf(lever.Totals[total]);
            int first = Passes.Even(whole, top).Count;
            return new(
                lever.Input, least, top, MostPasses, lever.Points.Squared, [.. Enumerable.Range(first, MostPasses).Select(i => whole / i)]);
        }

        // Why no point is inside: one limit that nothing keeps, or two that nothing keeps together.
        private BestPoint Nothing()
        {
            List<uint> kept = [];
            IReadOnlyList<Limit> first = Solve(setup, start).Limits.All();
            int probes = (int)Math.Pow(ProbePoints, axes.Length + (FreeFeed is null ? 0 : 1));
            Inputs least = start;
            double leastUse = double.PositiveInfinity;
            for (int p = 0; p < probes; p++)
            {
                double[] place = new double[axes.Length];
                int code = p;
                for (int a = 0; a < axes.Length; a++, code /= ProbePoints) place[a] = (code % ProbePoints) / (ProbePoints - 1.0);
                Inputs x = At(place);
                if (FreeFeed is not null)
                {
                    double most = FreeFeed.Top(setup, x), finest = most * FinestFeed;
                    x[FreeFeed.Input] = finest * Math.Pow(most / finest, code / (ProbePoints - 1.0));
                }

                LimitSet limits = Solve(setup, x).Limits;
                uint mask = 0;
                for (int k = 0; k < limits.Count; k++)
                    if (!limits[k].Exceeded) mask |= 1u << k;
                kept.Add(mask);
                if (limits.LargestUse < leastUse) (leastUse, least) = (limits.LargestUse, x);
            }

            return new(false, ValuesOf(least), 0, 0, [], NotJudged(Solve(setup, least).Limits), Reason(first, kept));
        }

        private static string Reason(IReadOnlyList<Limit> first, List<uint> kept)
        {
            LimitDefinition D(int k) => first[k].Definition;
            int alone = Enumerable.Range(0, first.Count).FirstOrDefault(k => kept.All(m => (m & (1u << k)) == 0), -1);
            if (alone >= 0) return $"Nothing that can be chosen keeps this limit: {D(alone).Words}. {D(alone).Cure}";
            for (int a = first.Count - 2; a >= 0; a--)
                for (int b = first.Count - 1; b > a; b--)
                    if (kept.All(m => (m & (1u << a)) == 0 || (m & (1u << b)) == 0))
                        return $"Two limits contradict each other: {D(a).Words} and {D(b).Words}. {D(a).Cure} {D(b).Cure}";
            return $"No {And(Free.Select(l => TWork.Description.Field(l.Input).Words))} keep all limits together.";
        }

        // What else ends the search: nothing goes above what the shop's chart says.
        private string ChartReason(Inputs best)
        {
            string[] ended =
            [
                .. Levers.Where(l => l.TopIsChart && best[l.Input] >= l.Top(setup, best) * (1 - 1e-3))
                .Select(l => TWork.Description.Field(l.Input).Words),
            ];
            if (ended.Length == 0) return "";
            string verb = ended.Length == 1 ? "is" : "are";
            return setup.Row is null
                ? $"The {And(ended)} {verb} kept at what was typed."
                : $"The {And(ended)} {verb} not raised above the shop's chart.";
        }

        private static string And(IEnumerable<string> words) => words.ToArray() is { Length: > 1 } many
            ? $"{string.Join(", ", many[..^1])} and {many[^1]}"
            : words.FirstOrDefault("value");

        private static List<BestValue> ValuesOf(Inputs x) =>
            [.. Levers.Select(l => l.Input).Concat(Totals).Select(i => new BestValue(TWork.Description.Field(i).Code, x[i]))];

        private static List<string> Binding(LimitSet limits) =>
            [.. limits.All().Where(l => l.Use >= LimitDefinition.BindingUse).OrderByDescending(l => l.Use).Select(l => l.Definition.Code)];

        private static List<string> NotJudged(LimitSet limits) => [.. limits.All().Where(l => !l.Judged).Select(l => l.Definition.Code)];
    }
}

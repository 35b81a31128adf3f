using Incisura.Core.Calculation;

namespace Incisura.Core.Milling;

/// <summary>
/// Looks for the best point inside all limits. Load limits follow a power of the feed per tooth, so for any width, depth and speed
/// the largest feed inside all limits is found in a few steps; what remains is searched on a grid in the logarithms and then closed
/// in on from its best points, along the axes and all diagonals. Only points whose every judged limit is kept are ever taken.
/// </summary>
internal static class BestPointSearch
{
    private const int GridPoints = 16, DepthPoints = 32, SpeedPoints = 5, Starts = 10, FeedSteps = 8, MostPasses = 16, ProbePoints = 6;
    private const double SmallestStep = 2e-4, BindingUse = 0.998;

    public static BestPoint Find<TKind>(MillingSetup setup, in MillingInputs inputs, BestAim aim, CancellationToken cancel)
        where TKind : struct, IMillingKind
    {
        Search<TKind> search = new(setup, inputs, aim, cancel);
        return search.Run();
    }

    // The load of helical edges rises and falls with depth, so depth is sampled finely, and evenly towards its end.
    private readonly record struct Axis(MillingInput Input, double Least, double Most, double[]? Picks)
    {
        public int Points =>
            Picks?.Length ?? (Input == MillingInput.DepthOfCut ? DepthPoints : Input == MillingInput.CuttingSpeed ? SpeedPoints : GridPoints);

        public double At(double share) =>
            Picks is { } picks ? picks[(int)Math.Round(share * (picks.Length - 1))]
            : Input == MillingInput.DepthOfCut ? Least + ((Most - Least) * share * share)
            : Least * Math.Pow(Most / Least, share);
    }

    private readonly record struct Candidate(double[] Place, double Merit, MillingInputs Inputs);

    private sealed class Search<TKind>
        where TKind : struct, IMillingKind
    {
        private readonly MillingSetup setup;
        private readonly MillingInputs start;
        private readonly BestAim aim;
        private readonly CancellationToken cancel;
        private readonly List<Axis> axes = [];
        private readonly double fastest;

        public Search(MillingSetup setup, in MillingInputs inputs, BestAim aim, CancellationToken cancel)
        {
            (this.setup, this.aim, this.cancel) = (setup, aim, cancel);
            start = aim == BestAim.Time ? MillingWindow.WholeJob<TKind>(inputs) : inputs;
            MillingDescription d = TKind.Description;
            Engagement e = MillingSolver.Engage<TKind>(setup, start);
            double widest = Math.Min(setup.LargestWidth, setup.Diameter), deepest = Math.Min(setup.FluteLength, setup.LargestDepth);
            if (d.Has(MillingInput.WidthOfCut))
                axes.Add(AxisOf(MillingInput.WidthOfCut, MillingProposal.LeastWidthShare * setup.Diameter, widest, MillingInput.StockWidth));
            if (d.Has(MillingInput.DepthOfCut))
                axes.Add(AxisOf(
                    MillingInput.DepthOfCut, MillingProposal.LeastDepthShare * setup.Diameter, deepest,
                    d.Has(MillingInput.WallHeight) ? MillingInput.WallHeight : MillingInput.StockHeight));
            fastest = Math.Max(
                setup.Row?.CuttingSpeed ?? 0, setup.Row is null || inputs.IsTyped(MillingInput.CuttingSpeed) ? inputs[MillingInput.CuttingSpeed] : 0);
            double slowest = MillingCut.CuttingSpeedFor(setup.LeastSpeed, e.Diameter),
                top = Math.Min(fastest, MillingCut.CuttingSpeedFor(setup.LargestSpeed, e.Diameter));
            axes.Add(new(MillingInput.CuttingSpeed, Math.Max(Math.Min(slowest, top), top / 20), top, null));
        }

        public BestPoint Run()
        {
            List<Candidate> found = [];
            double[] place = new double[axes.Count];
            Walk(0);
            if (found.Count == 0) return Nothing();

            Candidate best = found.MaxBy(c => c.Merit);
            foreach (Candidate from in found.OrderByDescending(c => c.Merit).Take(Starts))
                if (Refine(from) is var refined && refined.Merit > best.Merit) best = refined;
            MillingInputs job = WholePasses(best.Inputs);
            MillingResult result = MillingSolver.Solve<TKind>(setup, job);
            bool asFound = aim == BestAim.Time || result[MillingFigure.RemovalRate] >= best.Merit * (1 - 1e-9);
            if (!asFound || result.Limits.LargestUse > 1 + LimitCatalogue.Tolerance)
                return BestPointSearch.Find<TKind>(setup, MillingWindow.WholeJob<TKind>(start), aim, cancel);
            return new(
                true, ValuesOf(job), result[MillingFigure.RemovalRate], result[MillingFigure.Time], Binding(result), NotJudged(result),
                SpeedReason(job));

            void Walk(int axis)
            {
                if (axis == axes.Count)
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
            int directions = (int)Math.Pow(3, axes.Count);
            for (double step = 1.0 / (GridPoints - 1); step > SmallestStep; step /= 2)
            {
                bool moved = true;
                while (moved)
                {
                    moved = false;
                    for (int d = 0; d < directions; d++)
                    {
                        double[] place = [.. best.Place];
                        for (int a = 0, code = d; a < axes.Count; a++, code /= 3)
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
            MillingInputs x = At(place);
            Engagement e = MillingSolver.Engage<TKind>(setup, x);
            double feed = setup.LargestChip / e.LargestChipRatio, slope = 1 - setup.ChipExponent;
            NoTrace none = default;
            for (int i = 0; i < FeedSteps; i++)
            {
                x[MillingInput.FeedPerTooth] = feed;
                MillingSolver.Solve<TKind, NoTrace>(setup, x, out MillingResult result, ref none);
                LimitSet limits = result.Limits;
                double scale = 1;
                for (int k = 0; k < limits.Count; k++)
                {
                    Limit limit = limits[k];
                    if (!(limit.Use > 1)) continue;
                    double power = limit.Kind switch
                    {
                        LimitKind.LargestChip or LimitKind.AxisFeed or LimitKind.ChipRoom => 1,
                        LimitKind.PowerContinuous or LimitKind.PowerShortTime or LimitKind.TorqueContinuous
                            or LimitKind.TorqueShortTime or LimitKind.Deflection => slope,
                        _ => 0,
                    };
                    if (power == 0) return null;
                    scale = Math.Min(scale, Math.Pow(limit.Use, -1 / power));
                }

                if (scale == 1)
                    return new([.. place], aim == BestAim.Removal ? result[MillingFigure.RemovalRate] : 1 / result[MillingFigure.Time], x);
                feed *= scale * (1 - 1e-9);
            }

            return null;
        }

        private MillingInputs At(double[] place)
        {
            MillingInputs x = start;
            for (int a = 0; a < axes.Count; a++) x[axes[a].Input] = axes[a].At(place[a]);

            TKind.Follow(setup, ref x);
            return x;
        }

        // Where nobody said how much is to be removed, it becomes a whole number of the best passes, never less than it was.
        private MillingInputs WholePasses(in MillingInputs best)
        {
            MillingInputs job = best;
            foreach (MillingInput total in MillingWindow.TotalsOf<TKind>())
            {
                if (best.IsTyped(total)) continue;
                double aside = LeftOf(total), pass = best[total] - aside;
                job.Type(total, aside + (Passes.Covering(start[total] - aside, pass) * pass));
            }

            return job;
        }

        private double LeftOf(MillingInput total) =>
            total == MillingInput.StockWidth && TKind.Description.Has(MillingInput.StockLeft) ? start[MillingInput.StockLeft] : 0;

        // What was said to be removed stays what it is, so only whole numbers of equal passes count.
        private Axis AxisOf(MillingInput input, double least, double most, MillingInput total)
        {
            if (!TKind.Description.Has(total) || !start.IsTyped(total)) return new(input, Math.Min(least, most), most, null);
            double whole = start[total] - LeftOf(total);
            int first = Passes.Even(whole, most).Count;
            return new(input, least, most, [.. Enumerable.Range(first, MostPasses).Select(i => whole / i)]);
        }

        // Why no point is inside: one limit that nothing keeps, or two that nothing keeps together.
        private BestPoint Nothing()
        {
            List<uint> kept = [];
            LimitSet first = MillingSolver.Solve<TKind>(setup, start).Limits;
            int dimensions = axes.Count + 1, probes = (int)Math.Pow(ProbePoints, dimensions);
            MillingInputs least = start;
            double leastUse = double.PositiveInfinity;
            for (int p = 0; p < probes; p++)
            {
                double[] place = new double[axes.Count];
                int code = p;
                for (int a = 0; a < axes.Count; a++, code /= ProbePoints) place[a] = (code % ProbePoints) / (ProbePoints - 1.0);
                MillingInputs x = At(place);
                Engagement e = MillingSolver.Engage<TKind>(setup, x);
                double most = setup.LargestChip / e.LargestChipRatio, finest = most / 200;
                x[MillingInput.FeedPerTooth] = finest * Math.Pow(most / finest, code / (ProbePoints - 1.0));
                MillingResult result = MillingSolver.Solve<TKind>(setup, x);
                uint mask = 0;
                for (int k = 0; k < result.Limits.Count; k++)
                    if (!result.Limits[k].Exceeded) mask |= 1u << k;
                kept.Add(mask);
                if (result.Limits.LargestUse < leastUse) (leastUse, least) = (result.Limits.LargestUse, x);
            }

            string Name(int k) => LimitCatalogue.NameOf(first[k].Kind).ToLowerInvariant();
            string reason = "No width, depth, speed and feed keep all limits together.";
            int alone = Enumerable.Range(0, first.Count).FirstOrDefault(k => kept.All(m => (m & (1u << k)) == 0), -1);
            if (alone >= 0) reason = $"Nothing that can be chosen keeps this limit: {Name(alone)}. {LimitCatalogue.CureOf(first[alone].Kind)}";
            else
                for (int a = 0; a < first.Count; a++)
                    for (int b = a + 1; b < first.Count; b++)
                        if (kept.All(m => (m & (1u << a)) == 0 || (m & (1u << b)) == 0))
                            reason =
                                $"Two limits contradict each other: {Name(a)} and {Name(b)}. {LimitCatalogue.CureOf(first[a].Kind)} "
                                    + $"{LimitCatalogue.CureOf(first[b].Kind)}";
            return new(false, ValuesOf(least), 0, 0, [], NotJudged(MillingSolver.Solve<TKind>(setup, least)), reason);
        }

        private string SpeedReason(in MillingInputs best) =>
            best[MillingInput.CuttingSpeed] >= fastest * (1 - 1e-3)
                ? (setup.Row is null ? "The cutting speed is kept at what was typed." : "The cutting speed is not raised above the shop's chart.")
                : "";

        private static List<BestValue> ValuesOf(MillingInputs x) =>
            [.. MillingWindow.FreeOf<TKind>().Concat(MillingWindow.TotalsOf<TKind>()).Select(i => new BestValue(Codes.Of(i), x[i]))];

        private static List<LimitKind> Binding(MillingResult r) =>
            [
                .. Enumerable.Range(0, r.Limits.Count)
                .Select(k => r.Limits[k])
                .Where(l => l.Use >= BindingUse)
                .OrderByDescending(l => l.Use)
                .Select(l => l.Kind)];

        private static List<LimitKind> NotJudged(MillingResult r) =>
            [.. Enumerable.Range(0, r.Limits.Count).Select(k => r.Limits[k]).Where(l => !l.Judged).Select(l => l.Kind)];
    }
}

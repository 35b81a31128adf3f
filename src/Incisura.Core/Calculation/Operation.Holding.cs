namespace Incisura.Core.Calculation;

/// <content>Holding a proposal inside all limits together, in the box that the chart opens.</content>
public partial class Operation<TWork, TResult>
{
    private static readonly Lever? Deep = Levers.FirstOrDefault(l => l.KeptFirst),
        Wide = Levers.FirstOrDefault(l => l is { IsFeed: false, KeptFirst: false } && l != Speed);

    // Each step down in speed that is tried where no depth, width and feed keep the limits.
    private const double SlowerStep = 0.85, SlowestProposed = 0.2;

    // Depth, width and feed are looked for together, and the speed at the diameter in contact of each point. What no point keeps may be kept slower:
    // a drill in a weak machine.
    private static void HoldTogether(CuttingSetup setup, ref Inputs x, List<Hold> holds)
    {
        Box box = new(setup, x);
        Inputs held = box.Found(out LimitDefinition? by, out uint over);
        double charted = x[Input.CuttingSpeed];
        if (over != 0 && !x.IsTyped(Input.CuttingSpeed) && Slower(setup, x, out Inputs slower, out LimitDefinition? asked))
        {
            (held, by) = (slower, asked ?? by);
            if (asked is not null) holds.Add(new(asked, Input.CuttingSpeed, charted, held[Input.CuttingSpeed]));
        }
        else TellSpeed(setup, x, held, holds);
        if (by is not null)
            foreach (Lever lever in box.Turned)
            {
                double from = lever.IsFeed ? ChartedFeed(setup, held) : x[lever.Input];
                if (held[lever.Input] < from * (1 - 1e-9)) holds.Add(new(by, lever.Input, from, held[lever.Input]));
            }

        x = held;
    }

    // The fastest of some slower speeds at which every limit is kept.
    private static bool Slower(CuttingSetup setup, in Inputs x, out Inputs held, out LimitDefinition? by)
    {
        (held, by) = (x, null);
        double charted = x[Input.CuttingSpeed], least = Math.Max(SlowestProposed * charted, SpeedAt(setup, x, setup.LeastSpeed));
        Inputs slow = x;
        uint over = 1;
        for (double speed = SlowerStep * charted; over != 0 && speed >= least; speed *= SlowerStep)
        {
            slow[Input.CuttingSpeed] = speed;
            Box box = new(setup, slow);
            if (box.Apart == 0) held = box.Found(out _, out over);
        }

        if (over != 0) return false;
        NoTrace none = default;
        Inputs fast = held;
        fast[Input.CuttingSpeed] = charted;
        TWork.Solve(setup, fast, out TResult result, ref none);
        by = result.Limits.Tightest;
        return true;
    }

    private static void TellSpeed(CuttingSetup setup, in Inputs from, in Inputs to, List<Hold> holds)
    {
        double before = from[Input.CuttingSpeed], after = to[Input.CuttingSpeed], least = SpeedAt(setup, to, setup.LeastSpeed);
        if (Math.Abs(after - before) <= LimitDefinition.Tolerance * before) return;
        LimitDefinition by = after > before ? Limits.LowestSpeed
            : before > SpeedAt(setup, to, setup.LargestSpeed) * (1 + LimitDefinition.Tolerance) && after > least ? Limits.HighestSpeed
            : Limits.AxisFeed;
        holds.Add(new(by, Input.CuttingSpeed, before, after));
    }

    // What the chart gives as feed at the engagement of the inputs.
    private static double ChartedFeed(CuttingSetup setup, in Inputs inputs)
    {
        Inputs x = inputs;
        Refeed(setup, ref x);
        return x[Feed!.Input];
    }

    /// <summary>
    /// The box a chart opens: depth and width up to what it says, feed from the least chip to what it says with the chip kept. Roughing takes the
    /// deepest point whose rate comes within a twentieth of the largest, since a deep cut of little width spreads the wear along the edge; where the
    /// depth gives way, in facing and finishing, width and feed stay and the deepest point that keeps all limits is taken.
    /// </summary>
    private sealed class Box
    {
        // The share of the rate given up for depth, and what a grid may miss and rounding take of the largest rate.
        private const double DepthIsWorth = 0.05, GridMisses = 0.03;
        private const int DepthSteps = 16, WidthSteps = 14, FeedSteps = 6, Halvings = 5;

        private readonly CuttingSetup setup;
        private readonly Inputs charted;
        private readonly Lever? deep, wide, feed;
        private readonly double speed;
        private readonly bool speedTyped;
        private uint apart;

        public Box(CuttingSetup setup, in Inputs charted)
        {
            (this.setup, this.charted) = (setup, charted);
            (speed, speedTyped) = (charted[Input.CuttingSpeed], charted.IsTyped(Input.CuttingSpeed));
            Inputs x = charted;
            bool Turns(Lever? lever) => lever is not null && !x.IsTyped(lever.Input) && lever.Floor(setup, x) < x[lever.Input];
            (deep, wide, feed) = (Turns(Deep) ? Deep : null, Turns(Wide) ? Wide : null, Turns(Feed) && setup.Row is not null ? Feed : null);
            Turned = [.. new[] { deep, wide, feed }.OfType<Lever>()];
        }

        public IReadOnlyList<Lever> Turned { get; }

        // What is over as charted and even where depth, width and feed are least: no point of the box can keep it.
        public uint Apart
        {
            get
            {
                Inputs start = charted, least = Least();
                return Exceeded(Solved(ref start)) & Exceeded(Solved(ref least));
            }
        }

        // The inputs that keep every limit that can be kept, the limit that asked for it, none where the charted ones do, and what is over still.
        public Inputs Found(out LimitDefinition? by, out uint still)
        {
            Inputs start = charted;
            LimitSet limits = Solved(ref start);
            by = null;
            uint over = still = Exceeded(limits);
            if (over == 0) return start;
            Inputs least = Least();
            LimitSet atLeast = Solved(ref least);

            // What is over even at the least load no point of the box can keep.
            apart = over & Exceeded(atLeast);
            if (apart == over || Turned.Count == 0) return start;
            by = Tightest(limits);
            double rate = 0;
            Inputs found = default;
            if (deep is null || !TWork.Description.DepthGivesWay || !Shallower(ref found, ref rate)) Together(ref found, ref rate);
            found = rate > 0 ? Rounded(found, rate) : least;
            still = Exceeded(Solved(ref found));
            return found;
        }

        private Inputs Least()
        {
            Inputs least = charted;
            if (deep is not null) least = At(setup, least, deep.Input, deep.Floor(setup, least));
            if (wide is not null) least = At(setup, least, wide.Input, wide.Floor(setup, least));
            if (feed is not null) least[feed.Input] = Math.Min(least[feed.Input], feed.Floor(setup, least));
            return least;
        }

        // Width and feed as charted, and the deepest that keeps the limits: a bend does not rise evenly, so it is looked for from the deep end.
        private bool Shallower(ref Inputs found, ref double rate)
        {
            double most = charted[deep!.Input], least = deep.Floor(setup, charted), step = (most - least) / (2 * DepthSteps), outside = most;
            for (int i = 1; i <= 2 * DepthSteps; i++)
            {
                double at = most - (i * step);
                if (!Keeps(at, out Inputs x, out rate))
                {
                    outside = at;
                    continue;
                }

                found = x;
                for (int k = 0; k < Halvings + 3; k++)
                {
                    double middle = (at + outside) / 2;
                    if (!Keeps(middle, out x, out double there)) outside = middle;
                    else (at, found, rate) = (middle, x, there);
                }

                return true;
            }

            return false;

            bool Keeps(double depth, out Inputs x, out double rate)
            {
                x = At(setup, charted, deep.Input, depth);
                double before = feed is null ? 0 : x[feed.Input];
                return Fits(ref x, 0, out rate) && (feed is null || x[feed.Input] >= before * (1 - 1e-9));
            }
        }

        private void Together(ref Inputs found, ref double rate)
        {
            int depths = deep is null ? 1 : DepthSteps;
            rate = 0;
            double best = 0, bestDepth = 0, bestWidth = 0, most = deep is null ? 0 : charted[deep.Input],
                floor = deep is null ? 0 : deep.Floor(setup, charted);
            Span<double> rates = stackalloc double[DepthSteps];
            for (int i = 0; i < depths; i++)
            {
                double depth = DepthAt(i);
                rates[i] = Widest(depth, (1 - DepthIsWorth) * best, out Inputs x);
                if (rates[i] > best) (best, bestDepth, bestWidth) = (rates[i], depth, wide is null ? 0 : x[wide.Input]);
            }

            if (best == 0) return;
            best = Closed(best, bestDepth, bestWidth);
            double wanted = (1 - DepthIsWorth + GridMisses) * best;
            int deepest = 0;
            while (deepest < depths - 1 && rates[deepest] < wanted) deepest++;
            double inside = rates[deepest] < wanted ? bestDepth : DepthAt(deepest);
            rate = Widest(inside, 0, out found);
            if (deepest == 0 || rate == 0) return;
            double outside = DepthAt(deepest - 1);
            for (int k = 0; k < Halvings; k++)
            {
                double middle = (inside + outside) / 2;
                if (Widest(middle, wanted, out Inputs x) is var there && there < wanted) outside = middle;
                else (inside, found, rate) = (middle, x, there);
            }

            double DepthAt(int i) => floor + ((most - floor) * Spaced(i, DepthSteps));
        }

        // Closes in on the largest rate from a point of the grid.
        private double Closed(double best, double depth, double width)
        {
            double down = deep is null ? 0 : charted[deep.Input] / DepthSteps, across = wide is null ? 0 : charted[wide.Input] / WidthSteps;
            for (int k = 0; k < Halvings; k++)
            {
                down /= 2;
                across /= 2;
                for (int d = -1; d <= 1; d++)
                    for (int w = -1; w <= 1; w++)
                        if ((d != 0 || w != 0) && Point(depth + (d * down), width + (w * across), best, out _) is var rate && rate > best)
                            (best, depth, width) = (rate, depth + (d * down), width + (w * across));
            }

            return best;
        }

        // From 1 down to 0, closer together where the cut is small: there a little more is a large share of the load.
        private static double Spaced(int i, int steps) => 1 - ((double)i / (steps - 1)) is var share ? share * Math.Sqrt(share) : 0;

        // The largest rate at a depth, over all widths; 0 where none keeps the limits and comes up to what is wanted.
        private double Widest(double depth, double wanted, out Inputs found)
        {
            double best = 0;
            found = default;
            int widths = wide is null ? 1 : WidthSteps;
            double least = wide?.Floor(setup, charted) ?? 0;
            for (int j = 0; j < widths; j++)
            {
                double width = wide is null ? 0 : least + ((charted[wide.Input] - least) * Spaced(j, WidthSteps));
                if (Point(depth, width, Math.Max(best, wanted), out Inputs x) is var rate && rate > best) (best, found) = (rate, x);
            }

            return best;
        }

        private double Point(double depth, double width, double wanted, out Inputs x)
        {
            x = charted;
            if (deep is not null)
            {
                if (depth > charted[deep.Input] || depth < deep.Floor(setup, charted)) return 0;
                x[deep.Input] = depth;
            }

            if (wide is not null)
            {
                if (width > charted[wide.Input] || width < wide.Floor(setup, charted)) return 0;
                x[wide.Input] = width;
            }

            TWork.Follow(setup, ref x);
            Refeed(setup, ref x);
            return Fits(ref x, wanted, out double rate) ? rate : 0;
        }

        // The largest feed up to the inputs' own that keeps the limits; false where none does, or removes less than is wanted. Loads follow a
        // power of the feed but for what edges and run-out add, so a few steps come down to it; where they do not, it is closed in on from the
        // least.
        private bool Fits(ref Inputs x, double wanted, out double rate)
        {
            double least = feed is null ? 0 : Math.Min(x[feed.Input], feed.Floor(setup, x));
            for (int i = 0; i < FeedSteps; i++)
            {
                double scale = Scale(ref x, out rate);
                if (rate < wanted || scale == 0) return false;
                if (scale == 1) return true;
                double next = x[feed!.Input] * scale * (1 - 1e-9);
                if (next < least) break;
                x[feed.Input] = next;
            }

            double outside = x[feed!.Input], inside = least;
            x[feed.Input] = least;
            if (Scale(ref x, out rate) != 1) return false;
            for (int i = 0; i < FeedSteps; i++)
            {
                x[feed.Input] = Math.Sqrt(inside * outside);
                if (Scale(ref x, out _) == 1) inside = x[feed.Input];
                else outside = x[feed.Input];
            }

            x[feed.Input] = inside;
            return Scale(ref x, out rate) == 1 && rate >= wanted;
        }

        // The share of the feed that keeps every limit that follows it; 1 where all are kept, 0 where one is not that does not follow.
        private double Scale(ref Inputs x, out double rate)
        {
            LimitSet limits = Solved(ref x, out rate);
            double scale = 1;
            for (int k = 0; k < limits.Count; k++)
            {
                Limit limit = limits[k];
                if (!limit.Exceeded || (apart & (1u << k)) != 0) continue;
                if (feed is null || limit.Definition.WithFeed == FeedShare.None) return 0;
                scale = Math.Min(scale, limit.ShareOfFeed(setup.ChipExponent));
            }

            return scale;
        }

        // What is held is rounded down for the shop where that keeps the limits too.
        private Inputs Rounded(in Inputs found, double rate)
        {
            Inputs x = found;
            foreach (Lever lever in Turned)
                if (!lever.IsFeed && x[lever.Input] < charted[lever.Input]) x[lever.Input] = ShopRounding.Down(x[lever.Input]);
            TWork.Follow(setup, ref x);
            if (feed is not null)
            {
                Refeed(setup, ref x);
                if (found[feed.Input] < ChartedFeed(setup, found) * (1 - 1e-9))
                    x[feed.Input] = Math.Max(feed.Floor(setup, x), ShopRounding.Down(Math.Min(x[feed.Input], found[feed.Input])));
            }

            LimitSet limits = Solved(ref x, out double rounded);
            return (Exceeded(limits) & ~apart) == 0 && rounded > 0.98 * rate ? x : found;
        }

        private LimitSet Solved(ref Inputs x) => Solved(ref x, out _);

        // Works the inputs out at the speed they can have: within the spindle, and slower where the axes would not follow, so that the chip stays.
        private LimitSet Solved(ref Inputs x, out double rate)
        {
            NoTrace none = default;
            TResult result;
            if (speedTyped) TWork.Solve(setup, x, out result, ref none);
            else
            {
                double perSpeed = SpeedAt(setup, x, 1), slowest = perSpeed * setup.LeastSpeed,
                    fastest = perSpeed * Math.Max(setup.LeastSpeed, setup.LargestSpeed);
                x[Input.CuttingSpeed] = Math.Clamp(speed, slowest, fastest);
                TWork.Solve(setup, x, out result, ref none);
                if (result[Output.FeedRate] > setup.LargestFeed * (1 + LimitDefinition.Tolerance) && x[Input.CuttingSpeed] > slowest)
                {
                    x[Input.CuttingSpeed] = Math.Max(slowest, x[Input.CuttingSpeed] * setup.LargestFeed / result[Output.FeedRate]);
                    TWork.Solve(setup, x, out result, ref none);
                }
            }

            rate = result[Output.RemovalRate];
            return result.Limits;
        }

        private LimitDefinition Tightest(in LimitSet limits)
        {
            LimitDefinition? tightest = null;
            double most = 0;
            for (int i = 0; i < limits.Count; i++)
                if ((apart & (1u << i)) == 0 && limits[i].Use is var use && use > most) (tightest, most) = (limits[i].Definition, use);
            return tightest!;
        }
    }

    // The places of the limits that are exceeded.
    private static uint Exceeded(in LimitSet limits)
    {
        uint over = 0;
        for (int i = 0; i < limits.Count; i++)
            if (limits[i].Exceeded) over |= 1u << i;
        return over;
    }
}

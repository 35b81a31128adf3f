using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Holders;
using Incisura.Core.Milling;
using Incisura.Core.Milling.Kinds;

namespace Incisura.Core.Tests.Milling;

public class SideMillingProperties
{
    private static readonly MillingSetup Setup = new(Sample.Built, Sample.Material, Sample.Machine, null, ShopPractice.Usual);

    private static readonly Gen<(double Width, double Depth, double Feed, double Speed)> Cuts =
        Gen.Select(Gen.Double[0.05, 12], Gen.Double[0.2, 25], Gen.Double[0.005, 0.15], Gen.Double[20, 400]);

    private static Inputs Inputs(double width, double depth, double feed, double speed)
    {
        Inputs x = default;
        x.Type(Input.CuttingSpeed, speed);
        x.Type(Input.FeedPerTooth, feed);
        x.Type(Input.WidthOfCut, width);
        x.Type(Input.DepthOfCut, depth);
        x.Type(Input.StockWidth, width);
        x.Type(Input.WallHeight, depth);
        x.Type(Input.Length, 100);
        x.Type(Input.DeflectionAllowed, 50);
        return x;
    }

    private static MillingResult Solve(double width, double depth, double feed, double speed) =>
        MillingOperation<SideRough>.Solve(Setup, Inputs(width, depth, feed, speed));

    [Fact]
    public void Halving_the_width_never_raises_the_arc() =>
        Cuts.Sample(
            c =>
                Solve(c.Width / 2, c.Depth, c.Feed, c.Speed).Engagement.Arc.Length <= Solve(c.Width, c.Depth, c.Feed, c.Speed).Engagement.Arc.Length);

    [Fact]
    public void Power_is_additive_over_depth() => Cuts.Sample(c =>
    {
        double whole = Solve(c.Width, c.Depth, c.Feed, c.Speed).Load.Power;
        double parts = Solve(c.Width, c.Depth * 0.3, c.Feed, c.Speed).Load.Power + Solve(c.Width, c.Depth * 0.7, c.Feed, c.Speed).Load.Power;
        return Math.Abs(whole - parts) <= 1e-9 * whole;
    });

    [Fact]
    public void Power_is_torque_times_angular_speed() => Cuts.Sample(c =>
    {
        MillingLoad load = Solve(c.Width, c.Depth, c.Feed, c.Speed).Load;
        return Math.Abs((load.Torque * load.SpindleSpeed * Math.PI / 30000) - load.Power) <= 1e-9 * load.Power;
    });

    [Fact]
    public void The_feed_for_a_chip_gives_that_chip_back() => Cuts.Sample(c =>
    {
        MillingResult r = Solve(c.Width, c.Depth, c.Feed, c.Speed);
        double forMean = ChipThinning.FeedForMeanChip(r.Load.MeanChip, 90, r.Engagement.Arc),
            forLargest = ChipThinning.FeedForLargestChip(r.Load.LargestChip, 90, r.Engagement.Arc);
        return Math.Abs(forMean - c.Feed) <= 1e-9 && Math.Abs(forLargest - c.Feed) <= 1e-9;
    });

    [Fact]
    public void The_mean_chip_is_the_numerical_mean_over_the_arc() => Cuts.Sample(
        c =>
        {
            MillingResult r = Solve(c.Width, c.Depth, c.Feed, c.Speed);
            const int steps = 400;
            double sum = Enumerable.Range(0, steps).Sum(i => Math.Sin(r.Engagement.Arc.Entry + (r.Engagement.Arc.Length * (i + 0.5) / steps)));
            return Math.Abs((c.Feed * sum / steps) - r.Load.MeanChip) <= 1e-5 * r.Load.MeanChip;
        },
        iter: 300);

    [Fact]
    public void Deflection_grows_with_depth_and_feed() => Cuts.Sample(c =>
        Solve(
            c.Width, c.Depth, c.Feed * 1.2, c.Speed)[Output.Deflection] >= Solve(c.Width, c.Depth, c.Feed, c.Speed)[Output.Deflection]);

    [Fact]
    public void The_largest_section_is_the_peak_of_a_turn_searched_step_by_step() =>
        Gen.Select(Gen.Double[0.2, 12], Gen.Double[0.2, 40], Gen.Int[1, 9], Gen.Double[0, 50]).Sample(
        c =>
        {
            (double width, double depth, int teeth, double helix) = c;
            NoTrace none = default;
            ArcOfEngagement arc = ArcOfEngagement.Side(12, width, ref none);
            double lag = Math.Max(ChipSection.Lag(depth, helix, 12), 1e-5), pitch = 2 * Math.PI / teeth;
            double searched = Enumerable.Range(0, 2000).Max(i => ChipSection.SumAt(i * pitch / 2000, pitch, lag, arc)) * 0.1 * depth;
            double found = ChipSection.Largest(0.1, depth, teeth, lag, arc);
            return found >= searched * (1 - 1e-9) && found <= searched * 1.05;
        },
        iter: 3000);

    [Fact]
    public void Passes_are_equal_and_none_is_above_the_most() => Gen.Select(Gen.Double[0.01, 500], Gen.Double[0.01, 50]).Sample(p =>
    {
        Passes passes = Passes.Even(p.Item1, p.Item2);
        bool fewest = passes.Count == 1 || p.Item1 / (passes.Count - 1) > p.Item2;
        return passes.Each <= p.Item2 * (1 + 1e-8) && fewest && Math.Abs((passes.Each * passes.Count) - p.Item1) < 1e-9 * p.Item1;
    });

    [Fact]
    public void Rounding_does_not_add_a_pass() => Assert.Equal(3, Passes.Even(0.3, 0.1).Count);

    [Fact]
    public void A_calculation_without_derivation_allocates_nothing()
    {
        NoTrace none = default;
        Inputs x = Inputs(3, 12, 0.06, 120);
        Milling<SideRough>.Solve(Setup, x, out _, ref none);
        long before = GC.GetAllocatedBytesForCurrentThread();
        for (int i = 0; i < 1000; i++) Milling<SideRough>.Solve(Setup, x, out _, ref none);
        Assert.Equal(before, GC.GetAllocatedBytesForCurrentThread());
    }

    [Fact]
    public void A_grid_holds_what_each_of_its_points_would_give_alone()
    {
        const int size = 6;
        float[] uses = new float[20 * size * size], rates = new float[size * size];
        Inputs x = Inputs(1, 1, 0.06, 120);
        IReadOnlyList<LimitDefinition> kinds = MillingOperation<SideRough>.Evaluate(
            Setup, x, (Input.WidthOfCut, 12), (Input.DepthOfCut, 24), size, uses, rates, CancellationToken.None);
        for (int j = 0; j < size; j++)
            for (int i = 0; i < size; i++)
            {
                MillingResult alone = Solve(2 * (i + 1), 4 * (j + 1), 0.06, 120);
                int at = (j * size) + i;
                Assert.Equal((float)alone[Output.RemovalRate], rates[at]);
                for (int k = 0; k < kinds.Count; k++)
                    if (alone.Limits.Of(kinds[k]) is { Judged: true } limit) Assert.Equal((float)limit.Use, uses[(k * size * size) + at]);
            }
    }

    [Fact]
    public void A_stepped_beam_bends_like_its_parts_integrated_numerically() =>
        Gen.Select(Gen.Double[5, 60], Gen.Double[4, 20], Gen.Double[5, 60], Gen.Double[10, 40], Gen.Double[0, 5]).Sample(
        b =>
        {
            (double l1, double d1, double l2, double d2, double a) = b;
            BeamSegment[] beam = [new(l1, d1, 600_000), new(l2, d2, 210_000)];
            double numeric = 0;
            const int steps = 20_000;
            double dx = (l1 + l2) / steps;
            for (int i = 0; i < steps; i++)
            {
                double x = (i + 0.5) * dx;
                BeamSegment s = x < l1 ? beam[0] : beam[1];
                if (x > a) numeric += (x - a) * x * dx / (s.YoungsModulus * Math.PI * Math.Pow(s.Diameter, 4) / 64);
            }

            double got = TipCompliance.Of(beam).Deflection(100, a) / 1000;
            return Math.Abs(got - (100 * numeric)) <= 2e-3 * got;
        },
        iter: 50);

    [Fact]
    public void A_projection_that_grows_makes_the_tip_give_way_more()
    {
        double At(double projection) =>
            TipCompliance.Of(
                new BuiltAssembly(Sample.Assembly with { Projection = projection }, Sample.Cutter, Sample.Holder, []).Profile(), Sample.Cutter,
                0.8).Deflection(200, 5);
        Assert.True(At(50) > At(40) && At(40) > At(30));
    }
}

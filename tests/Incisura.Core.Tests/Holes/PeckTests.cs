using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

public sealed class PeckTests
{
    [Theory]
    [InlineData(10.2, 35.7, 3.5)]
    [InlineData(10.2, 30.6, 3)]
    [InlineData(10.2, 56.1, 5.5)]
    [InlineData(10.2, 122.4, 12)]
    [InlineData(8.5, 59.5, 7)]
    public void A_depth_just_at_a_threshold_is_not_above_it(double diameter, double depth, double threshold)
    {
        Situation s = With(
            CutterFamily.TwistDrill, "drill", (Dimension.CuttingDiameter, diameter), (Dimension.FluteLength, 180), (Dimension.UsableLength, 180),
            (Dimension.ShankDiameter, 12), (Dimension.OverallLength, 240));
        DrillingCycleRow row = s.Chart.Value.Cycles[0] with { ChipBreaking = threshold, FullRetract = threshold + 5, Staged = 30 };
        Situation at = s with { Chart = new(1, 1, s.Chart.Value with { Cycles = [row] }) };
        double CycleAt(double mm) => Calculate("drill", at, ("depth", mm)).Figure("cycle");
        Assert.Equal((double)DrillingCycle.Plain, CycleAt(depth));
        Assert.Equal((double)DrillingCycle.ChipBreaking, CycleAt(depth + 0.001));
    }

    [Fact]
    public void A_hole_too_deep_for_pecks_is_cleared_at_each_above_the_shops_own_line()
    {
        Situation s = With(
            CutterFamily.TwistDrill, "drill", (Dimension.FluteLength, 180), (Dimension.UsableLength, 180), (Dimension.OverallLength, 240));
        CalculationResult r = Calculate("drill", s, ("depth", 110));
        Assert.Equal(5, r.Findings.Single(f => f.Code == "cycle").Text.Measures[1].Value);
        Assert.Contains(r.Findings, f => f.Code == "staged");
        CalculationResult crossed = Operations.Find("drill")!
            .Calculate(s, Sample.Typed(("depth", 110)) with { Extras = [new DrilledBefore(60)] }, false);
        Assert.Contains("in stages above", crossed.Findings.Single(f => f.Code == "cycle-crossed").Text.Template, StringComparison.Ordinal);
    }

    [Fact]
    public void Pecks_sum_to_the_depth_and_none_is_larger_than_its_turn_allows() =>
        Gen.Select(Gen.Double[0.5, 20], Gen.Double[0.3, 1], Gen.Double[0.05, 1], Gen.Double[1, 200]).Sample((first, ratio, share, total) =>
        {
            PeckSchedule schedule = new(first, ratio, share * first, total);
            double before = 0, allowed = first, last = 0;
            int count = 0;
            foreach (double at in schedule)
            {
                double peck = at - before;
                if (peck <= 0 || peck > allowed + 1e-9) return false;
                (before, last) = (at, at);
                allowed = Math.Max(schedule.Least, allowed * ratio);
                if (++count > PeckSchedule.Most) return schedule.Count == PeckSchedule.Most + 1;
            }

            return last == total && schedule.Count == count;
        });

    [Fact]
    public void A_shaving_at_the_end_is_shared_with_the_peck_before()
    {
        List<double> reached = [];
        foreach (double at in new PeckSchedule(5, 1, 2, 15.4)) reached.Add(at);
        Assert.Equal([5, 10, 12.7, 15.4], reached.Select(r => Math.Round(r, 9)));
    }

    [Fact]
    public void The_shops_thresholds_pick_the_cycle_and_say_why()
    {
        Situation s = With(
            CutterFamily.TwistDrill, "drill", (Dimension.FluteLength, 140), (Dimension.UsableLength, 140), (Dimension.OverallLength, 190));
        foreach ((double ratio, DrillingCycle cycle, string words) in ((double, DrillingCycle, string)[])[
            (2, DrillingCycle.Plain, "plain drilling"), (4, DrillingCycle.ChipBreaking, "breaking the chip above"),
            (7, DrillingCycle.FullRetract, "clearing the hole"),
        ])
        {
            CalculationResult r = Calculate("drill", s, ("depth", 8.5 * ratio));
            Assert.Equal((int)cycle, r.Figure("cycle"));
            Assert.Contains(words, r.Findings.Single(f => f.Code == "cycle").Text.Template, StringComparison.Ordinal);
            Assert.Equal(cycle != DrillingCycle.Plain, r.Field("firstPeck").Used);
        }

        Assert.Contains(Calculate("drill", s, ("depth", 8.5 * 13)).Findings, f => f.Code == "staged");
    }

    [Fact]
    public void Without_thresholds_of_the_shop_the_cautious_ones_are_taken_and_named()
    {
        Situation s = With(CutterFamily.TwistDrill, "drill");
        s = s with { Chart = new(1, 1, s.Chart.Value with { Cycles = [] }) };
        CalculationResult r = Calculate("drill", s, ("depth", 8.5 * 4));
        Assert.Equal((int)DrillingCycle.FullRetract, r.Figure("cycle"));
        Assert.Contains("cautious", r.Findings.Single(f => f.Code == "cycle").Text.Template, StringComparison.Ordinal);
    }

    [Fact]
    public void A_depth_that_crosses_a_threshold_says_what_both_cycles_take()
    {
        Situation s = With(CutterFamily.TwistDrill, "drill");
        IOperation drill = Operations.Find("drill")!;
        Choices deeper = Sample.Typed(("depth", 34)) with { Extras = [new DrilledBefore(20)] };
        Finding crossed = Assert.Single(drill.Calculate(s, deeper, false).Findings, f => f.Code == "cycle-crossed");
        Assert.Equal(Severity.Caution, crossed.Severity);
        double plain = drill.Calculate(s, Sample.Typed(("depth", 34)).Picked("cycle", "plain"), false).Figure("time"),
            now = drill.Calculate(s, Sample.Typed(("depth", 34)), false).Figure("time");
        Assert.Equal([60 * plain, 60 * now], crossed.Text.Measures.TakeLast(2).Select(m => m.Value));
        Assert.True(now > plain);
        Assert.DoesNotContain(drill.Calculate(s, deeper with { Extras = [new DrilledBefore(30)] }, false).Findings, f => f.Code == "cycle-crossed");
    }

    [Fact]
    public void Clearing_the_hole_takes_longer_than_breaking_the_chip_and_that_longer_than_plain()
    {
        Situation s = With(CutterFamily.TwistDrill, "drill");
        double[] times =
            [.. ((string[])["plain", "chip-breaking", "full-retract"]).Select(
                c => Operations.Find("drill")!.Calculate(s, Sample.Typed(("depth", 34)).Picked("cycle", c), false).Figure("time"))];
        Assert.True(times[0] < times[1] && times[1] < times[2]);
        Assert.Contains(
            Operations.Find("drill")!.Calculate(s, Sample.Typed(("depth", 34)).Picked("cycle", "plain"), false).Findings,
            f => f is { Code: "cycle-picked", Severity: Severity.Caution });
    }

    [Fact]
    public void Too_many_pecks_are_refused()
    {
        IReadOnlyList<InputFault> faults = Refused(
            () => Calculate("drill", With(CutterFamily.TwistDrill, "drill"), ("depth", 40), ("firstPeck", 0.05), ("leastPeck", 0.05)));
        Assert.Equal("leastPeck", Assert.Single(faults).Field);
        Choices absurd = Sample.Typed(("depth", 30)) with { Extras = [new DrilledBefore(1e12)] };
        Assert.Equal(
            "depthBefore",
            Assert.Single(Refused(() => Operations.Find("drill")!.Calculate(With(CutterFamily.TwistDrill, "drill"), absurd, false))).Field);
    }
}

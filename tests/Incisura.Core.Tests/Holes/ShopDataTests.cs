using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Tests.Holes;

public sealed class ShopDataTests
{
    private static readonly DrillingCycleRow Row = new()
    {
        Family = CutterFamily.TwistDrill,
        Group = MaterialGroup.P,
        Coolant = "flood",
        ChipBreaking = 3,
        FullRetract = 5,
        Staged = 12,
        FirstPeck = 1,
        PeckRatio = 0.8,
        LeastPeck = 0.35,
    };

    private static IEnumerable<string> Faults(params DrillingCycleRow[] rows) =>
        (Sample.Chart with { Cycles = rows }).Check(Operations.FeedInStep).Faults.Select(f => f.Field);

    [Fact]
    public void Thresholds_rise_from_plain_to_staged_and_pecks_stay_in_order()
    {
        Assert.Empty(Faults(Row));
        Assert.Equal(["cycles[0].fullRetract"], Faults(Row with { FullRetract = 2 }));
        Assert.Equal(["cycles[0].staged"], Faults(Row with { Staged = 4 }));
        Assert.Equal(["cycles[0].leastPeck"], Faults(Row with { LeastPeck = 1.2 }));
        Assert.Equal(["cycles[0].peckRatio"], Faults(Row with { PeckRatio = 1.1 }));
        Assert.Equal(["cycles[0].coolant"], Faults(Row with { Coolant = "water" }));
    }

    [Fact]
    public void A_cycle_is_kept_once_for_each_family_group_and_coolant()
    {
        Assert.Equal(["cycles[1]"], Faults(Row, Row with { Staged = 20 }));
        Assert.Empty(Faults(
            Row, Row with { Coolant = "through" }, Row with { Group = MaterialGroup.M }, Row with { Family = CutterFamily.FlatDrill }));
        SpeedChart chart = Sample.Chart with { Cycles = [Row, Row with { Coolant = "through", Staged = 20 }] };
        Assert.Equal(20, chart.FindCycle(CutterFamily.TwistDrill, MaterialGroup.P, "through")!.Staged);
        Assert.Null(chart.FindCycle(CutterFamily.TwistDrill, MaterialGroup.K, "flood"));
    }

    [Fact]
    public void Only_a_row_for_tapping_may_go_without_feeds()
    {
        SpeedRow tap = Sample.Chart.Rows[0] with { Family = CutterFamily.CuttingTap, Operation = "tap", Feeds = [] };
        Assert.Empty((Sample.Chart with { Rows = [tap] }).Check(Operations.FeedInStep).Faults);
        Assert.Equal(
            ["rows[0].feeds"],
            (Sample.Chart with { Rows = [tap with { Family = CutterFamily.TwistDrill, Operation = "drill" }] })
                .Check(Operations.FeedInStep).Faults
                .Select(f => f.Field));
    }

    [Fact]
    public void What_a_machine_says_of_tapping_and_drilling_is_checked()
    {
        Machine mill = HoleSample.Mill;
        Assert.Empty(mill.Check().Faults);
        Assert.Equal(
            ["runUpTime", "axisThrust", "feedStep"],
            (mill with { RunUpTime = -1, AxisThrust = double.NaN, FeedStep = 500 }).Check().Faults.Select(f => f.Field));
    }
}

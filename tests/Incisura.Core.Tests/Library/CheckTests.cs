using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;

namespace Incisura.Core.Tests.Library;

public class CheckTests
{
    [Fact]
    public void The_samples_are_sound()
    {
        Assert.Empty(Sample.Cutter.Check().Faults);
        Assert.Empty(Sample.Holder.Check().Faults);
        Assert.Empty(Sample.Machine.Check().Faults);
        Assert.Empty(Sample.Material.Check().Faults);
        Assert.Empty(Sample.Chart.Check().Faults);
        Assert.Empty(Sample.Assembly.Check(Sample.Cutter, Sample.Holder).Faults);
    }

    public static TheoryData<string, Cutter> BadCutters() => new()
    {
        { "number", Sample.Cutter with { Number = " " } },
        { "cuttingDiameter", Sample.Cutter with { CuttingDiameter = double.NaN } },
        { "cuttingDiameter", Sample.Cutter with { CuttingDiameter = 1e308 } },
        { "teeth", Sample.Cutter with { Teeth = 0 } },
        { "fluteLength", Sample.Cutter with { FluteLength = 30 } },
        { "largestDepth", Sample.Cutter with { LargestDepth = 26.5 } },
        { "usableLength", Sample.Cutter with { UsableLength = 90, NeckDiameter = 11 } },
        { "neckDiameter", Sample.Cutter with { UsableLength = 40, NeckDiameter = 12.5 } },
        { "leastChip", Sample.Cutter with { LeastChip = 0.1 } },
        { "groups", Sample.Cutter with { Groups = [] } },
    };

    [Theory]
    [MemberData(nameof(BadCutters))]
    public void An_impossible_cutter_is_refused_by_field(string field, Cutter cutter) => Assert.Contains(cutter.Check().Faults, f => f.Field == field);

    [Fact]
    public void A_cutter_longer_than_its_grip_allows_is_refused_with_the_range()
    {
        InputFault fault = Assert.Single((Sample.Assembly with { Projection = 60 }).Check(Sample.Cutter, Sample.Holder).Faults);
        Assert.Equal("projection", fault.Field);
        Assert.Contains("between 33 mm", fault.Sentence, StringComparison.Ordinal);
        Assert.Contains("51 mm", fault.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_shank_the_holder_cannot_clamp_is_refused() =>
        Assert.Contains(Sample.Assembly.Check(Sample.Cutter with { ShankDiameter = 20 }, Sample.Holder).Faults, f => f.Field == "holderId");

    [Fact]
    public void A_cutter_too_short_for_the_grip_is_said_so() =>
        Assert.Contains(Sample.Assembly.Check(Sample.Cutter with { OverallLength = 50 }, Sample.Holder).Faults, f => f.Sentence.Contains("too short", StringComparison.Ordinal));

    [Fact]
    public void A_chart_with_two_rows_for_one_situation_is_refused()
    {
        SpeedChart chart = Sample.Chart with { Rows = [.. Sample.Chart.Rows, Sample.Chart.Rows[0]] };
        Assert.Contains(chart.Check().Faults, f => f.Field == "rows[2]");
    }

    [Fact]
    public void A_chart_row_for_an_unknown_operation_or_without_feeds_is_refused()
    {
        SpeedRow row = Sample.Chart.Rows[0];
        Assert.Contains((Sample.Chart with { Rows = [row with { Operation = "whittling" }] }).Check().Faults, f => f.Field == "rows[0].operation");
        Assert.Contains((Sample.Chart with { Rows = [row with { Feeds = [] }] }).Check().Faults, f => f.Field == "rows[0].feeds");
        Assert.Contains((Sample.Chart with { Rows = [row with { Feeds = [new(12, 0.05), new(6, 0.03)] }] }).Check().Faults, f => f.Field == "rows[0].feeds[1].diameter");
    }

    [Theory]
    [InlineData(4, 0.02)]
    [InlineData(8, 0.04)]
    [InlineData(16, 0.075)]
    [InlineData(2, 0.01)]
    [InlineData(40, 0.18)]
    public void A_charted_feed_runs_straight_between_diameters_and_in_proportion_outside(double diameter, double feed) =>
        Assert.Equal(feed, Sample.Chart.Rows[0].FeedPerToothAt(diameter), 12);

    [Fact]
    public void A_spindle_curve_keeps_torque_below_and_power_above_its_points()
    {
        SpindleCurve curve = new([new(1500, 11, 15, 70, 95), new(6000, 11, 15, 17.5, 23.75)]);
        Assert.Equal(70, curve.At(300).Torque);
        Assert.Equal(2.2, curve.At(300).Power, 12);
        Assert.Equal(35, curve.At(3000).Torque, 9);
        Assert.Equal(11, curve.At(3000).Power);
        Assert.Equal(8.75, curve.At(12000).Torque, 9);
        Assert.True(double.IsNaN(new SpindleCurve([]).At(1000).Power));
    }

    [Fact]
    public void A_profile_stacks_up_to_the_projection_and_the_gauge_length()
    {
        IReadOnlyList<ProfileSegment> profile = Profile.Of(Sample.Cutter, Sample.Holder, 38);
        Assert.Equal(38 + Sample.Holder.GaugeLength, profile.Sum(s => s.Length), 12);
        Assert.Equal([ProfilePart.Flutes, ProfilePart.Shank, ProfilePart.Holder, ProfilePart.Holder, ProfilePart.Holder], profile.Select(s => s.Part));
        Assert.Equal(83, Profile.Of(Sample.Cutter).Sum(s => s.Length), 12);
    }

    [Fact]
    public void A_holder_without_profile_is_refused() => Assert.Contains((Sample.Holder with { Segments = [] }).Check().Faults, f => f.Field == "segments");

    [Fact]
    public void A_curve_that_falls_back_in_speed_is_refused() =>
        Assert.Contains((Sample.Machine with { Curve = [new(2000, 5, 6, 20, 25), new(1000, 5, 6, 20, 25)] }).Check().Faults, f => f.Field == "curve[1].speed");
}

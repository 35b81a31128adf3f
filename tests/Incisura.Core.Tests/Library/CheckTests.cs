using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;

namespace Incisura.Core.Tests.Library;

public class CheckTests
{
    private static BuiltAssembly Put(Assembly assembly, Cutter cutter) => new(assembly, cutter, Sample.Holder, []);

    [Fact]
    public void The_samples_are_sound()
    {
        Assert.Empty(Sample.Cutter.Check().Faults);
        Assert.Empty(Sample.Holder.Check().Faults);
        Assert.Empty(Sample.Machine.Check().Faults);
        Assert.Empty(Sample.Material.Check().Faults);
        Assert.Empty(Sample.Chart.Check(Operations.FeedInStep).Faults);
        Assert.Empty(Sample.Built.Check().Faults);
    }

    public static TheoryData<string, Cutter> BadCutters() => new()
    {
        { "number", Sample.Cutter with { Number = " " } },
        { "dimensions.DC", Sample.Cutter.With(Dimension.CuttingDiameter, double.NaN) },
        { "dimensions.DC", Sample.Cutter.With(Dimension.CuttingDiameter, 1e308) },
        { "dimensions.ZEFF", Sample.Cutter.With(Dimension.Teeth, 0) },
        { "dimensions.LCF", Sample.Cutter.With(Dimension.FluteLength, 30) },
        { "dimensions.APMX", Sample.Cutter.With(Dimension.LargestDepth, 26.5) },
        { "dimensions.LU", Sample.Cutter.With(Dimension.UsableLength, 90).With(Dimension.NeckDiameter, 11) },
        { "dimensions.DN", Sample.Cutter.With(Dimension.UsableLength, 40) },
        { "dimensions.DN", Sample.Cutter.With(Dimension.UsableLength, 40).With(Dimension.NeckDiameter, 30) },
        { "dimensions.h_min", Sample.Cutter.With(Dimension.LeastChip, 0.1) },
        { "dimensions.RE", Sample.Cutter.With(Dimension.CornerRadius, 1) },
        { "picks.form", Sample.Cutter with { Picks = new Dictionary<string, string> { ["form"] = "lens" } } },
        { "segments", Sample.Cutter with { Segments = [new(10, 5, 5)] } },
        { "replacedById", Sample.Cutter with { ReplacedById = 3 } },
        { "groups", Sample.Cutter with { Groups = [] } },
    };

    [Theory]
    [MemberData(nameof(BadCutters))]
    public void An_impossible_cutter_is_refused_by_field(string field, Cutter cutter) =>
        Assert.Contains(cutter.Check().Faults, f => f.Field == field);

    [Fact]
    public void A_cutter_longer_than_its_grip_allows_is_refused_with_the_range()
    {
        InputFault fault = Assert.Single(Put(Sample.Assembly with { Projection = 60 }, Sample.Cutter).Check().Faults);
        Assert.Equal("projection", fault.Field);
        Assert.Contains("between 33 mm", fault.Sentence, StringComparison.Ordinal);
        Assert.Contains("51 mm", fault.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_shank_the_holder_cannot_clamp_is_refused() =>
        Assert.Contains(Put(Sample.Assembly, Sample.Cutter.With(Dimension.ShankDiameter, 20)).Check().Faults, f => f.Field == "holderId");

    [Fact]
    public void A_cutter_too_short_for_the_grip_is_said_so() =>
        Assert.Contains(
            Put(Sample.Assembly, Sample.Cutter.With(Dimension.OverallLength, 50)).Check().Faults,
            f => f.Sentence.Contains("too short", StringComparison.Ordinal));

    [Fact]
    public void A_chart_with_two_rows_for_one_situation_is_refused()
    {
        SpeedChart chart = Sample.Chart with { Rows = [.. Sample.Chart.Rows, Sample.Chart.Rows[0]] };
        Assert.Contains(chart.Check(Operations.FeedInStep).Faults, f => f.Field == "rows[2]");
    }

    [Fact]
    public void A_chart_row_for_an_unknown_operation_or_without_feeds_is_refused()
    {
        SpeedRow row = Sample.Chart.Rows[0];
        Assert.Contains(
            (Sample.Chart with { Rows = [row with { Operation = "whittling" }] }).Check(Operations.FeedInStep).Faults,
            f => f.Field == "rows[0].operation");
        Assert.Contains(
            (Sample.Chart with { Rows = [row with { Feeds = [] }] }).Check(Operations.FeedInStep).Faults, f => f.Field == "rows[0].feeds");
        Assert.Contains(
            (Sample.Chart with { Rows = [row with { Feeds = [new(12, 0.05), new(6, 0.03)] }] }).Check(Operations.FeedInStep).Faults,
            f => f.Field == "rows[0].feeds[1].diameter");
    }

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
    public void A_holder_without_profile_is_refused() =>
        Assert.Contains((Sample.Holder with { Segments = [] }).Check().Faults, f => f.Field == "segments");

    [Fact]
    public void A_curve_that_falls_back_in_speed_is_refused() =>
        Assert.Contains(
            (Sample.Machine with { Curve = [new(2000, 5, 6, 20, 25), new(1000, 5, 6, 20, 25)] }).Check().Faults, f => f.Field == "curve[1].speed");
}

using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;

namespace Incisura.Core.Tests.Charts;

public sealed class SpeedChartTests
{
    private static readonly SpeedRow Row = Sample.Chart.Rows[0]; // 0.02 at 4 mm, 0.06 at 12 mm, 0.09 at 20 mm

    private static IEnumerable<string> Refused(params SpeedRow[] rows) =>
        (Sample.Chart with { Rows = rows }).Check(Operations.FeedInStep).Faults.Select(f => f.Field);

    [Theory]
    [InlineData(12, 0.06)]
    [InlineData(8, 0.04)] // half way
    [InlineData(16, 0.075)]
    [InlineData(2, 0.01)] // in proportion below the first
    [InlineData(40, 0.09)] // and never above what was tried
    public void A_feed_is_straight_between_two_diameters_in_proportion_below_and_held_above(double diameter, double feed) =>
        Assert.Equal(feed, Row.FeedPerToothAt(diameter), 12);

    [Fact]
    public void A_larger_cutter_never_gets_a_smaller_feed_where_the_points_rise() =>
        Gen.Select(Gen.Double[0.5, 60], Gen.Double[0, 10]).Sample((d, more) => Row.FeedPerToothAt(d + more) >= Row.FeedPerToothAt(d));

    [Fact]
    public void A_row_is_found_by_family_cutting_material_sub_group_and_operation()
    {
        Assert.Same(Row, Sample.Chart.Find(CutterFamily.SquareEndMill, CuttingMaterial.Carbide, "p3", "side-rough"));
        Assert.Null(Sample.Chart.Find(CutterFamily.BallEndMill, CuttingMaterial.Carbide, "P3", "side-rough"));
        Assert.Null(Sample.Chart.Find(CutterFamily.SquareEndMill, CuttingMaterial.HighSpeedSteel, "P3", "side-rough"));
        Assert.Null(Sample.Chart.Find(CutterFamily.SquareEndMill, CuttingMaterial.Carbide, "P1", "side-rough"));
        Assert.Null(Sample.Chart.Find(CutterFamily.SquareEndMill, CuttingMaterial.Carbide, "P3", "face"));
    }

    [Fact]
    public void What_no_row_can_be_is_refused_by_its_box()
    {
        Assert.Empty(Sample.Chart.Check(Operations.FeedInStep).Faults);
        Assert.Equal(["rows[0].cuttingSpeed"], Refused(Row with { CuttingSpeed = 0 }));
        Assert.Equal(["rows[0].operation"], Refused(Row with { Operation = "whittle" }).Where(f => f != "rows[0].feeds"));
        Assert.Equal(["rows[0].feeds"], Refused(Row with { Feeds = [] }));
        Assert.Equal(["rows[0].feeds[1].diameter"], Refused(Row with { Feeds = [new(12, 0.06), new(6, 0.03)] }));
        Assert.Equal(["rows[1]"], Refused(Row, Row with { SubGroup = "p3", CuttingSpeed = 99 }));
        Assert.Equal(["rows[0].widthRatio", "rows[0].depthRatio"], Refused(Row with { WidthRatio = 2, DepthRatio = 0 }));
    }

    [Fact]
    public void The_row_of_a_related_operation_serves_where_there_is_none_and_is_named()
    {
        CalculationResult helix = Operations.Find("helical-entry")!.Calculate(Sample.Situation, Choices.None, false);
        Finding charted = helix.Findings.Single(f => f.Code == "charted-as");
        Assert.Contains("rough side milling", charted.Text.Template, StringComparison.Ordinal);
        Situation own =
            Sample.Situation with
            {
                Chart = new(1, 1, Sample.Chart with { Rows = [.. Sample.Chart.Rows, Row with { Operation = "slot", CuttingSpeed = 77 }] })
            };
        CalculationResult slot = Operations.Find("slot")!.Calculate(own, Choices.None, false);
        Assert.DoesNotContain(slot.Findings, f => f.Code == "charted-as");
        Assert.Equal(77, slot.Field("cuttingSpeed").Value);
    }
}

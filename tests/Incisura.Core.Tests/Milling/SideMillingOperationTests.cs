using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Machines;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

public class SideMillingOperationTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!;

    private static CalculationResult Calculate(Situation situation, Choices choices, bool explain = false) =>
        Rough.Calculate(situation, choices, explain);

    // So little depth that no limit asks for less than the chart.
    private static Choices Shallow(params (string, double)[] more) => Sample.Typed([("depthOfCut", 3), .. more]);

    [Fact]
    public void The_proposal_comes_from_the_chart()
    {
        CalculationResult result = Calculate(Sample.Situation, Shallow());
        Assert.Equal(120, result.Field("cuttingSpeed").Value);
        Assert.Equal(0.06, result.Field("feedPerTooth").Value, 12);
        Assert.Equal(3, result.Field("widthOfCut").Value, 12);
        Assert.All(result.Limits.Where(l => l.Severity == Severity.Stop), l => Assert.True(l.Use <= 1 + 1e-9));
    }

    [Fact]
    public void A_narrower_cut_raises_the_feed_so_that_the_largest_chip_stays()
    {
        CalculationResult wide = Calculate(Sample.Situation, Shallow()), narrow = Calculate(Sample.Situation, Shallow(("widthOfCut", 1)));
        Assert.True(narrow.Figure("feedRate") > wide.Figure("feedRate"));
        Assert.Equal(wide.Figure("largestChip"), narrow.Figure("largestChip"), 12);
    }

    [Fact]
    public void The_mean_chip_can_be_kept_instead_and_the_rise_of_the_feed_has_an_end()
    {
        Choices mean = Shallow(("widthOfCut", 1)) with { Options = new Dictionary<string, string> { ["chip"] = "mean" } };
        Assert.Equal(Calculate(Sample.Situation, Shallow()).Figure("meanChip"), Calculate(Sample.Situation, mean).Figure("meanChip"), 12);
        Assert.Equal(
            0.06 * ShopPractice.Usual.LargestThinning, Calculate(Sample.Situation, Shallow(("widthOfCut", 0.01))).Field("feedPerTooth").Value,
            12);
    }

    [Fact]
    public void The_top_speed_of_the_spindle_holds_the_cutting_speed_and_all_else_follows()
    {
        Machine slow = Sample.Machine with { LargestSpeed = 2000 };
        CalculationResult result = Calculate(Sample.On(slow), Shallow());
        Assert.Equal(2000, result.Figure("spindleSpeed"), 6);
        Assert.Equal(2000 * Math.PI * 12 / 1000, result.Field("cuttingSpeed").Value, 9);
        Assert.Equal(2000 * 4 * result.Field("feedPerTooth").Value, result.Figure("feedRate"), 6);
        Assert.Equal(Origin.Held, result.Field("cuttingSpeed").Origin);
        Assert.Equal("held from {0} by: highest speed", result.Field("cuttingSpeed").Note!.Template);
    }

    [Fact]
    public void The_axis_feed_holds_the_speed_so_that_the_chip_stays()
    {
        CalculationResult result = Calculate(Sample.On(Sample.Machine with { LargestFeed = 400 }), Shallow());
        Assert.Equal(400, result.Figure("feedRate"), 6);
        Assert.Equal(0.06, result.Field("feedPerTooth").Value, 12);
        Assert.Equal(1, result.Limits.Single(l => l.Kind == Limits.AxisFeed.Code).Use!.Value, 9);
    }

    [Fact]
    public void A_weak_spindle_holds_the_depth_to_its_torque_at_the_speed_used()
    {
        Machine weak = Sample.Machine with { Curve = [new(1000, 0.5, 0.6, 4.8, 5.7), new(12000, 0.5, 0.6, 0.4, 0.5)] };
        CalculationResult result = Calculate(Sample.On(weak), Choices.None);
        Assert.Equal(Origin.Held, result.Field("depthOfCut").Origin);
        // Held values are rounded down to three digits, so a per cent may be left.
        Assert.InRange(result.Limits[0].Use!.Value, 0.99, 1);
        Assert.True(result.Limits[0].Kind is "torqueContinuous" or "powerContinuous");
    }

    [Fact]
    public void Width_and_feed_follow_where_the_depth_was_typed()
    {
        Machine weak = Sample.Machine with { Curve = [new(1000, 0.5, 0.6, 4.8, 5.7), new(12000, 0.5, 0.6, 0.4, 0.5)] };
        CalculationResult result = Calculate(Sample.On(weak), Sample.Typed(("depthOfCut", 18)));
        Assert.Equal(18, result.Field("depthOfCut").Value);
        Assert.Equal(Origin.Held, result.Field("widthOfCut").Origin);
        Assert.DoesNotContain(result.Limits, l => l.Kind == Limits.TorqueContinuous.Code && l.Use > 1 + 1e-9);
    }

    [Fact]
    public void Typed_values_are_never_changed_and_the_limit_over_them_is_named_with_its_cure()
    {
        CalculationResult result = Calculate(Sample.Situation, Sample.Typed(("depthOfCut", 30), ("widthOfCut", 12), ("feedPerTooth", 0.2)));
        Assert.Equal(0.2, result.Field("feedPerTooth").Value);
        Finding over = result.Findings.First(f => f.Code == "over-limit");
        Assert.Equal(Severity.Stop, over.Severity);
        Assert.NotEmpty(over.Cure);
        Assert.True(result.Limits[0].Use > 1);
    }

    [Fact]
    public void A_limit_without_data_is_said_and_never_passed()
    {
        CalculationResult result = Calculate(Sample.On(Sample.Machine with { Curve = [] }), Choices.None);
        JudgedLimit power = result.Limits.Single(l => l.Kind == Limits.PowerContinuous.Code);
        Assert.Null(power.Use);
        Assert.Contains(result.Findings, f => f.Code == "not-judged");
    }

    [Fact]
    public void The_range_of_a_field_follows_the_others()
    {
        double narrow = Calculate(Sample.Situation, Sample.Typed(("widthOfCut", 1))).Field("depthOfCut").Most!.Value;
        double wide = Calculate(Sample.Situation, Sample.Typed(("widthOfCut", 9))).Field("depthOfCut").Most!.Value;
        Assert.True(wide < narrow);
    }

    [Fact]
    public void The_end_of_a_range_is_inside_and_just_beyond_it_is_not()
    {
        CalculationResult result = Calculate(Sample.Situation, Sample.Typed(("widthOfCut", 6)));
        FieldState depth = result.Field("depthOfCut");
        CalculationResult At(double d) =>
            Calculate(
                Sample.Situation,
                Sample.Typed(
                    ("widthOfCut", 6), ("depthOfCut", d), ("feedPerTooth", result.Field("feedPerTooth").Value),
                    ("cuttingSpeed", result.Field("cuttingSpeed").Value)));
        Assert.DoesNotContain(At(depth.Most!.Value).Limits, l => l.Kind == depth.MostBy && l.Use > 1 + 1e-9);
        Assert.Contains(At(depth.Most!.Value * 1.001).Limits, l => l.Kind == depth.MostBy && l.Use > 1 + 1e-9);
    }

    [Fact]
    public void A_situation_without_a_chart_row_asks_for_every_figure_by_name()
    {
        Situation without = Sample.Situation with { Chart = new(1, 1, Sample.Chart with { Rows = [] }) };
        InputException refused = Assert.Throws<InputException>(() => Calculate(without, Choices.None));
        Assert.Equal(["cuttingSpeed", "depthOfCut", "feedPerTooth", "widthOfCut"], refused.Faults.Select(f => f.Field).Order());
        Choices typed = Sample.Typed(("cuttingSpeed", 100), ("feedPerTooth", 0.05), ("widthOfCut", 2), ("depthOfCut", 10));
        Assert.Equal(100, Calculate(without, typed).Field("cuttingSpeed").Value);
    }

    [Theory]
    [InlineData("widthOfCut", 12.5)]
    [InlineData("widthOfCut", 0)]
    [InlineData("depthOfCut", -3)]
    [InlineData("feedPerTooth", double.NaN)]
    [InlineData("cuttingSpeed", double.PositiveInfinity)]
    [InlineData("length", 1e308)]
    [InlineData("colour", 1)]
    public void A_value_that_cannot_be_computed_with_names_its_field(string field, double value)
    {
        InputException refused = Assert.Throws<InputException>(() => Calculate(Sample.Situation, Sample.Typed((field, value))));
        Assert.Equal(field, Assert.Single(refused.Faults).Field);
    }

    [Fact]
    public void Same_inputs_give_the_same_bits_with_and_without_derivation()
    {
        CalculationResult plain = Calculate(Sample.Situation, Choices.None), explained = Calculate(Sample.Situation, Choices.None, explain: true);
        Assert.Equal(plain.Figures, explained.Figures);
        Assert.Empty(plain.Steps);
        Assert.NotEmpty(explained.Steps);
    }

    [Fact]
    public void Passes_to_and_fro_save_the_returns()
    {
        Choices Way(string ways) =>
            new(new Dictionary<string, double> { ["stockWidth"] = 12, ["widthOfCut"] = 3 }, new Dictionary<string, string> { ["ways"] = ways });
        CalculationResult oneWay = Calculate(Sample.Situation, Way("one-way")), both = Calculate(Sample.Situation, Way("both-ways"));
        Assert.Equal(4, both.Figure("passesAcross"));
        Assert.Equal(3 * (100 + (2 * both.Figure("overrun"))) / Sample.Machine.RapidFeed, oneWay.Figure("time") - both.Figure("time"), 9);
    }

    [Fact]
    public void A_foreign_interface_and_a_foreign_group_are_found()
    {
        Situation foreign =
            Sample.On(Sample.Machine with { Interface = "HSK-A 63" }) with
            {
                Cutter = new(1, 1, Sample.Cutter with { Groups = [Incisura.Core.Materials.MaterialGroup.N] })
            };
        Assert.Superset(
            new HashSet<string> { "interface", "material-group" }, Calculate(foreign, Choices.None).Findings.Select(f => f.Code).ToHashSet());
    }
}

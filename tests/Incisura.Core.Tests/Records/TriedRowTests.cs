using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Records;

namespace Incisura.Core.Tests.Records;

/// <summary>What was run becomes the row that would propose it again, and nothing beyond it.</summary>
public sealed class TriedRowTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!;

    private static CalculationResult Run(params (string, double)[] typed) => Rough.Calculate(Sample.Situation, Sample.Typed(typed), explain: false);

    private static double Value(CalculationResult r, string field) => r.Fields.First(f => f.Code == field).Value;

    private static SpeedRow There => Sample.Situation.Chart.Value.Rows.First(r => r.Operation == "side-rough");

    [Fact]
    public void The_row_proposes_what_was_run()
    {
        CalculationResult ran = Run(("widthOfCut", 1.5), ("depthOfCut", 9), ("feedPerTooth", 0.045), ("cuttingSpeed", 96));
        SpeedRow row = TriedRow.Of(Sample.Situation, ran, null, "a trial");
        Situation again = Sample.Situation with { Chart = new(1, 2, new() { Name = "chart", Rows = [row] }) };
        CalculationResult proposed = Rough.Calculate(again, Choices.None, explain: false);
        foreach (string field in new[] { "widthOfCut", "depthOfCut", "feedPerTooth", "cuttingSpeed" })
            Assert.Equal(Value(ran, field), Value(proposed, field), 6);
        Assert.Equal(("a trial", false), (row.Source, row.Untried));
        Assert.Empty(again.Chart.Value.Check(Operations.FeedInStep).Faults);
    }

    [Fact]
    public void It_counts_what_each_pass_took_not_what_was_allowed()
    {
        CalculationResult ran = Run(("stockWidth", 5), ("widthOfCut", 3), ("depthOfCut", 6), ("feedPerTooth", 0.05), ("cuttingSpeed", 110));
        Assert.Equal(2.5 / 12, TriedRow.Of(Sample.Situation, ran, null, "").WidthRatio, 9);
    }

    [Fact]
    public void Feeds_at_other_diameters_are_kept_for_the_same_cut_only()
    {
        SpeedRow there = There with { Feeds = [new(6, 0.02), new(12, 0.05), new(20, 0.08)], WidthRatio = 0.25, DepthRatio = 0.5 };
        CalculationResult same = Run(("widthOfCut", 3), ("depthOfCut", 6), ("feedPerTooth", 0.04), ("cuttingSpeed", 110)),
            other = Run(("widthOfCut", 1), ("depthOfCut", 6), ("feedPerTooth", 0.08), ("cuttingSpeed", 110));
        Assert.Equal(
            [new FeedPoint(6, 0.02), new FeedPoint(12, 0.04), new FeedPoint(20, 0.08)], TriedRow.Of(Sample.Situation, same, there, "").Feeds);
        SpeedRow alone = TriedRow.Of(Sample.Situation, other, there, "");
        Assert.Equal([new FeedPoint(12, 0.08)], alone.Feeds);
        // Above what was tried nobody gets more.
        Assert.Equal((0.04, 0.08), (alone.FeedPerToothAt(6), alone.FeedPerToothAt(20)));
    }

    [Fact]
    public void An_edge_lasts_as_long_as_the_row_says_at_that_speed_and_not_as_at_another()
    {
        SpeedRow there = There with { CuttingSpeed = 100, Life = 40, LifeExponent = 0.25 };
        CalculationResult faster = Run(("widthOfCut", 3), ("depthOfCut", 6), ("feedPerTooth", 0.05), ("cuttingSpeed", 120));
        Assert.Equal(40 * Math.Pow(100 / 120.0, 4), TriedRow.Of(Sample.Situation, faster, there, "").Life, 6);
        Assert.Equal(0, TriedRow.Of(Sample.Situation, faster, There with { Life = 0, LifeExponent = 0 }, "").Life);
    }

    [Fact]
    public void Figures_without_a_speed_make_no_row()
    {
        CalculationResult none = Run() with { Fields = [] };
        Assert.Throws<InputException>(() => TriedRow.Of(Sample.Situation, none, null, ""));
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Machines;
using Incisura.Core.Records;

namespace Incisura.Core.Tests.Records;

/// <summary>How a record stands once what it rests on has been revised.</summary>
public sealed class StandingTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!;
    private static readonly Choices Typed = Sample.Typed(("widthOfCut", 3), ("depthOfCut", 6), ("feedPerTooth", 0.05), ("cuttingSpeed", 110));
    private static readonly CalculationResult Then = Rough.Calculate(Sample.Situation, Typed, explain: false);

    private static Standing With(Cutter? cutter = null, Machine? machine = null, CalculationResult? then = null, Choices? choices = null) =>
        Staleness.Of(
        Rough, Sample.Situation, choices ?? Typed, then
            ?? Then, Sample.Situation with
            {
                Cutter = new(1, cutter is null ? 1 : 2, cutter ?? Sample.Cutter),
                Machine = new(1, machine is null ? 1 : 2, machine ?? Sample.Machine),
            },
            choices ?? Typed);

    [Fact]
    public void What_did_not_move_is_firm_and_what_moved_without_effect_holds()
    {
        Assert.Equal(Standing.Firm, With());
        Standing remark = With(Sample.Cutter with { Remarks = "reground" });
        Assert.Single(remark.Moved);
        Assert.False(remark.Stale);
    }

    [Fact]
    public void A_figure_that_differs_makes_it_stale_and_is_told_both_ways()
    {
        Standing slower = With(machine: Sample.Machine with { RapidFeed = 10_000 });
        FigureChange time = Assert.Single(slower.Figures);
        Assert.Equal("time", time.Code);
        Assert.True(time.To > time.From);
        Assert.True(slower.Stale);
        Assert.Empty(slower.Breaks);
    }

    [Fact]
    public void A_record_that_can_no_longer_be_calculated_says_so()
    {
        Standing tiny = With(Sample.Cutter.With(Dimension.CuttingDiameter, 2));
        Assert.True(tiny.Stale);
        Assert.NotEmpty(tiny.Refused);
        Finding broken = Assert.Single(tiny.Breaks);
        Assert.Equal((Staleness.NoLongerPossible, Severity.Stop), (broken.Code, broken.Severity));
    }

    [Fact]
    public void Figures_as_approved_are_judged_by_the_limits_of_today()
    {
        Standing proposed = With(
            machine: Sample.Machine with { LargestSpeed = 1000 }, then: Rough.Calculate(Sample.Situation, Choices.None, explain: false),
            choices: Choices.None);
        // What would be proposed today keeps the limit; what was approved does not.
        Assert.Contains(proposed.Figures, f => f.Code == "spindleSpeed" && f.To <= 1000 * (1 + 1e-9));
        Assert.Contains(proposed.Breaks, b => b.Severity == Severity.Stop && b.Text.Template.StartsWith("Highest speed", StringComparison.Ordinal));
    }

    [Fact]
    public void Figures_that_vanish_and_limits_and_findings_that_come_and_go_count()
    {
        Figure gone = new("ghost", "g", "Ghost", Incisura.Core.Quantities.Quantity.Length, 3);
        FigureChange vanished = Assert.Single(Staleness.Changes([.. Then.Figures, gone], Then.Figures));
        Assert.Equal(("ghost", 3d, null), (vanished.Code, vanished.From!.Value, vanished.To));
        JudgedLimit limit = Then.Limits[0];
        Assert.Null(Assert.Single(Staleness.LimitChanges(Then.Limits, [.. Then.Limits.Skip(1)])).To);
        Assert.Null(Assert.Single(Staleness.LimitChanges([.. Then.Limits.Skip(1)], Then.Limits)).From);
        Assert.Equal(
            limit.Use! + 0.1, Assert.Single(Staleness.LimitChanges(Then.Limits, [limit with { Use = limit.Use + 0.1 }, .. Then.Limits.Skip(1)])).To);
        Finding caution = new("x", Severity.Caution, new("Careful."), ""), info = new("y", Severity.Info, new("By the way."), "");
        Assert.True(Assert.Single(Staleness.FindingChanges([], [caution, info])).Appeared);
        Assert.False(Assert.Single(Staleness.FindingChanges([caution, info], [])).Appeared);
    }

    [Fact]
    public void A_record_of_an_earlier_engine_is_looked_at_again_and_stale_only_where_it_matters()
    {
        CalculationResult old = Then with { EngineVersion = "4" };
        Standing same = With(then: old);
        Assert.Equal(Staleness.Engine, Assert.Single(same.Moved).Footing.Kind);
        Assert.False(same.Stale);
        Standing other = With(then: old with { Figures = [.. old.Figures.Select(f => f.Code == "peakForce" ? f with { Value = f.Value / 10 } : f)] });
        Assert.True(other.Stale);
        Assert.Equal("peakForce", Assert.Single(other.Figures).Code);
    }
}

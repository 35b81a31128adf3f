using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Methods;
using Incisura.Core.Tests.Holes;
using Incisura.Core.Wear;

namespace Incisura.Core.Tests.Wear;

/// <summary>The tool life wanted moves the speed, and the speed moves the life, by one relation.</summary>
public sealed class PaceTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!;

    private static Situation Lasting(Situation s, double life = 45, double exponent = 0.25)
    {
        SpeedChart chart = s.Chart.Value;
        return s with { Chart = new(1, 1, chart with { Rows = [.. chart.Rows.Select(r => r with { Life = life, LifeExponent = exponent })] }) };
    }

    [Fact]
    public void Half_the_speed_lasts_by_the_exponent_longer()
    {
        NoTrace none = default;
        TaylorLife taylor = new(200, 15, 0.25);
        Assert.Equal(15, taylor.LifeAt(200, ref none), 12);
        Assert.Equal(15 * 16, taylor.LifeAt(100, ref none), 9); // 2^(1/0.25)
        Assert.Equal(100, taylor.SpeedFor(240, ref none), 9);
    }

    [Fact]
    public void Speed_and_life_are_each_others_inverse_and_a_longer_life_is_never_faster() =>
        Gen.Select(Gen.Double[5, 800], Gen.Double[1, 300], Gen.Double[0.05, 1], Gen.Double[1, 500]).Sample((speed, life, exponent, wanted) =>
        {
            NoTrace none = default;
            TaylorLife taylor = new(speed, life, exponent);
            double v = taylor.SpeedFor(wanted, ref none);
            return Math.Abs(taylor.LifeAt(v, ref none) - wanted) <= 1e-9 * wanted && taylor.SpeedFor(wanted * 1.1, ref none) < v;
        });

    [Fact]
    public void The_life_wanted_moves_the_proposed_speed_and_all_that_follows()
    {
        Situation s = Lasting(Sample.Situation);
        CalculationResult charted = Rough.Calculate(s, Choices.None, false), spared = Rough.Calculate(s, Sample.Typed(("toolLife", 90)), true);
        Assert.Equal(120, charted.Field("cuttingSpeed").Value, 12);
        Assert.Equal(45, charted.Field("toolLife").Value, 9);
        Assert.DoesNotContain(charted.Limits, l => l.Kind == Limits.ToolLife.Code);
        Assert.Equal(120 * Math.Pow(0.5, 0.25), spared.Field("cuttingSpeed").Value, 9);
        Assert.Equal(90, spared.Figure("toolLife"), 9);
        Assert.Equal(45, spared.Field("toolLife").Proposed!.Value, 9);
        Assert.Equal(charted.Figure("feedRate") * Math.Pow(0.5, 0.25), spared.Figure("feedRate"), 6);
        Assert.Equal(charted.Figure("largestChip"), spared.Figure("largestChip"), 12);
        Assert.Equal("typed", spared.Givens.Single(g => g.Symbol == "T_L").From);
        Assert.Equal(2, spared.Steps.Count(t => t.Formula.Source.StartsWith("Taylor", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_typed_speed_says_how_long_the_edge_lasts_and_both_typed_are_judged()
    {
        Situation s = Lasting(Sample.Situation);
        CalculationResult fast = Rough.Calculate(s, Sample.Typed(("cuttingSpeed", 240)), false);
        Assert.Equal(45.0 / 16, fast.Field("toolLife").Value, 9);
        Assert.DoesNotContain(fast.Limits, l => l.Kind == Limits.ToolLife.Code);
        CalculationResult both = Rough.Calculate(s, Sample.Typed(("cuttingSpeed", 240), ("toolLife", 45)), false);
        JudgedLimit limit = both.Limits.Single(l => l.Kind == Limits.ToolLife.Code);
        Assert.Equal(16, limit.Use!.Value, 9);
        Assert.Contains(
            both.Findings,
            f =>
                f.Code == "over-limit" && f.Severity == Severity.Caution && f.Text.Template.StartsWith("Life of the edge", StringComparison.Ordinal));
        Assert.Equal(120, both.Field("cuttingSpeed").Most!.Value, 3);
    }

    [Fact]
    public void A_speed_held_by_the_spindle_lasts_longer_than_wanted()
    {
        CalculationResult r = Rough.Calculate(Lasting(Sample.On(Sample.Machine with { LargestSpeed = 1600 })), Sample.Typed(("toolLife", 20)), false);
        Assert.True(r.Figure("toolLife") > 20);
        Assert.True(r.Limits.Single(l => l.Kind == Limits.ToolLife.Code).Use < 1);
    }

    [Fact]
    public void Where_nothing_is_known_of_the_life_a_pace_is_refused_and_a_method_says_so()
    {
        Assert.False(Rough.Calculate(Sample.Situation, Choices.None, false).Field("toolLife").Used);
        Assert.DoesNotContain(Rough.Calculate(Sample.Situation, Choices.None, false).Figures, f => f.Code == "toolLife");
        Assert.Equal(
            ["toolLife"], HoleSample.Refused(() => Rough.Calculate(Sample.Situation, Sample.Typed(("toolLife", 30)), false)).Select(f => f.Field));
        Method paced = new()
        {
            Name = "Spare the edge",
            Operation = "side-rough",
            Choices = [new("toolLife", MethodBasis.Value, 90), new("widthOfCut", MethodBasis.OfDiameter, 0.1)],
        };
        Assert.Empty(paced.Check().Faults);
        AppliedMethod there = paced.Apply(Rough, Lasting(Sample.Situation), 1), here = paced.Apply(Rough, Sample.Situation, 1);
        Assert.Equal(90, there.Choices.Numbers["toolLife"]);
        Assert.Equal(["toolLife"], here.NotApplied.Select(n => n.Field));
        Assert.True(here.Choices.Numbers.ContainsKey("widthOfCut"));
    }

    [Fact]
    public void The_best_point_keeps_the_life_wanted()
    {
        Situation s = Lasting(Sample.Situation);
        foreach (BestAim aim in Enum.GetValues<BestAim>())
        {
            Choices paced = Sample.Typed(("toolLife", 60));
            BestPoint best = Rough.Best(s, paced, aim, TestContext.Current.CancellationToken),
                free = Rough.Best(s, Choices.None, aim, TestContext.Current.CancellationToken);
            CalculationResult at = Rough.Calculate(
                s, new(best.Values.ToDictionary(v => v.Code, v => v.Value), new Dictionary<string, string>()), false);
            Assert.True(best.Found);
            Assert.True(at.Figure("toolLife") >= 60 * (1 - 1e-9));
            Assert.True(best.RemovalRate < free.RemovalRate);
        }
    }

    [Fact]
    public void Over_width_and_depth_a_life_that_is_kept_hides_no_other_limit()
    {
        Situation s = Lasting(Sample.Situation);
        OperatingWindow Over(string across, params (string, double)[] typed) =>
            Rough.Window(s, Sample.Typed(typed), new(across, "depthOfCut", 16), TestContext.Current.CancellationToken);
        Assert.DoesNotContain(Limits.ToolLife.Code, Over("widthOfCut", ("toolLife", 60)).Kinds);
        Assert.Contains(Limits.ToolLife.Code, Over("cuttingSpeed", ("toolLife", 60)).Kinds);
        Assert.Contains(Limits.ToolLife.Code, Over("widthOfCut", ("toolLife", 60), ("cuttingSpeed", 200)).Kinds);
    }

    [Fact]
    public void Every_hole_keeps_the_life_wanted_by_the_speed_it_really_has()
    {
        foreach ((string code, CutterFamily family) in HoleSample.All)
        {
            Situation s = Lasting(HoleSample.With(family, code), 30, 0.2);
            CalculationResult r = HoleSample.Calculate(code, s, ("toolLife", 60));
            Assert.True(r.Figure("toolLife") >= 60 * (1 - 1e-9), code);
            Assert.Equal(r.Figure("toolLife"), 30 * Math.Pow(s.Chart.Value.Rows[0].CuttingSpeed / r.Figure("speedInUse"), 5), 6);
        }
    }

    [Theory]
    [InlineData(0, 0.25, "rows[0].life")]
    [InlineData(45, 0, "rows[0].lifeExponent")]
    [InlineData(-1, 0, "rows[0].life")]
    [InlineData(45, 1.5, "rows[0].lifeExponent")]
    public void A_chart_states_life_and_exponent_together_or_neither(double life, double exponent, string field) =>
        Assert.Contains(
            (Sample.Chart with { Rows = [Sample.Chart.Rows[0] with { Life = life, LifeExponent = exponent }] })
                .Check(Operations.FeedInStep).Faults, f =>
                f.Field == field);
}

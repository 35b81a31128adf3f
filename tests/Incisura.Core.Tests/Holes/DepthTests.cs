using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Holes;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

public sealed class DepthTests
{
    private static readonly IOperation Drill = Operations.Find("drill")!;

    [Fact]
    public void Every_hole_operation_yields_a_depth_a_time_and_stages_that_hang_together()
    {
        foreach ((string code, CutterFamily family) in All)
        {
            CalculationResult r = Calculate(code, With(family, code));
            double tip = r.Figure("programmedDepth");
            Assert.True(tip > 0, code);
            Assert.True(r.Figure("time") > 0, code);
            Assert.Equal(tip, r.Way().Parts.Max(s => s.To!.Value), 9);
            for (int i = 1; i < r.Way().Parts.Count; i++) Assert.Equal(r.Way().Parts[i - 1].To!.Value, r.Way().Parts[i].From!.Value, 9);
            Assert.Equal(r.Figure("time"), r.Way().Parts.Sum(s => s.Time), 9);
        }
    }

    [Fact]
    public void Every_figure_has_the_words_of_its_own_row()
    {
        foreach (OutputWords words in Outputs.Shared) Assert.Equal(words.Output.ToString(), words.Code, ignoreCase: true);
        Assert.Equal(Outputs.Shared.Select((_, place) => (Output)place), Outputs.Shared.Select(w => w.Output));
    }

    [Fact]
    public void A_blind_hole_is_drilled_deeper_by_the_point_and_a_depth_to_the_point_is_not()
    {
        Situation s = With(CutterFamily.TwistDrill, "drill");
        Choices typed = Sample.Typed(("depth", 17));
        double point = 8.5 / 2 / Math.Tan(70 * Math.PI / 180);
        Assert.Equal(17 + point, Drill.Calculate(s, typed, false).Figure("programmedDepth"), 9);
        CalculationResult toPoint = Drill.Calculate(s, typed.Picked("meaning", "point"), false);
        Assert.Equal(17, toPoint.Figure("programmedDepth"), 9);
        Assert.Equal(17 - point, toPoint.Figure("fullDepth"), 9);
    }

    [Fact]
    public void The_programmed_height_counts_from_the_surface()
    {
        CalculationResult r = Drill.Calculate(With(CutterFamily.FlatDrill, "drill"), Sample.Typed(("depth", 12), ("surface", 30)), false);
        Assert.Equal(0, r.Figure("pointLength"));
        Assert.Equal(18, r.Figure("programmedHeight"), 9);
    }

    [Fact]
    public void The_programmed_depth_is_never_less_than_the_holes_and_a_through_hole_always_breaks_through() =>
        Gen.Select(
            Gen.Double[1, 40], Gen.Double[3, 25], Gen.Double[90, 180], Gen.Double[0, 5], Gen.Bool).Sample((depth, diameter, angle, past, through) =>
        {
            Inputs x = default;
            x.Pick(Choice.End, through ? 1 : 0);
            x.Type(Input.Depth, depth);
            x.Type(Input.Breakthrough, past);
            HoleResult r = default;
            NoTrace none = default;
            AxisDepth.OfDrill(diameter, angle, x, ref r, ref none);
            double full = r[Output.ProgrammedDepth] - r[Output.PointLength];
            return full >= depth - 1e-9 && (!through || Math.Abs(full - depth - past) < 1e-9);
        });

    [Fact]
    public void A_spot_goes_as_deep_as_its_chamfer_asks_less_the_webs_flat()
    {
        CalculationResult r = Calculate(
            "spot", With(CutterFamily.SpotDrill, "spot", (Dimension.CuttingDiameter, 16)), ("chamferDiameter", 10.5), ("webFlat", 0.5));
        Assert.Equal(5, r.Figure("programmedDepth"), 9);
        Assert.Contains(
            Calculate("spot", With(CutterFamily.SpotDrill, "spot"), ("chamferDiameter", 6), ("holeBefore", 6.8)).Findings,
            f => f.Code == "chamfer-lost");
    }

    [Fact]
    public void A_countersink_starts_from_its_least_diameter_and_a_centre_drill_after_its_pilot()
    {
        CalculationResult sink = Calculate(
            "countersink", With(CutterFamily.Countersink, "countersink"), ("holeBefore", 8.5), ("chamferDiameter", 10.5));
        Assert.Equal((10.5 - 3.5) / 2, sink.Figure("programmedDepth"), 9);
        Assert.Equal(Math.Sqrt(2), sink.Figure("edgeLength"), 9);
        CalculationResult centre = Calculate("centre-drill", With(CutterFamily.CentreDrill, "centre-drill"), ("chamferDiameter", 6));
        Assert.Equal(3.9 + ((6 - 3.15) / 2 / Math.Tan(30 * Math.PI / 180)), centre.Figure("programmedDepth"), 9);
    }

    [Fact]
    public void With_a_step_drill_depth_and_chamfer_are_one_choice()
    {
        Situation s = With(CutterFamily.StepDrill, "drill");
        CalculationResult byChamfer = Calculate("drill", s, ("chamferDiameter", 8));
        CalculationResult byDepth = Calculate("drill", s, ("depth", byChamfer.Field("depth").Value));
        Assert.Equal(8, byDepth.Field("chamferDiameter").Value, 9);
        Assert.Equal(8, byChamfer.Figure("outerDiameter"), 9);
    }

    [Fact]
    public void A_reamer_needs_its_lead_below_and_a_counterbore_its_pilot()
    {
        Situation ream = With(CutterFamily.Reamer, "ream");
        Assert.True(
            Calculate("ream", ream, ("depth", 20), ("depthOfHoleBefore", 20.5)).Limits.Single(l => l.Kind == HoleLimits.HoleDepth.Code).Use > 1);
        Assert.True(
            Calculate("ream", ream, ("depth", 20), ("depthOfHoleBefore", 22)).Limits.Single(l => l.Kind == HoleLimits.HoleDepth.Code).Use <= 1);
        Assert.Equal(
            ["holeBefore"],
            Refused(() => Calculate("counterbore", With(CutterFamily.Counterbore, "counterbore"), ("holeBefore", 10))).Select(f => f.Field));
    }

    [Fact]
    public void What_cannot_be_is_refused_by_name_with_the_cure()
    {
        Situation drill = With(CutterFamily.TwistDrill, "drill");
        Assert.Contains(
            "take a larger drill", Assert.Single(Refused(() => Calculate("drill", drill, ("holeBefore", 9)))).Sentence, StringComparison.Ordinal);
        Assert.Equal("leastPeck", Assert.Single(Refused(() => Calculate("drill", drill, ("leastPeck", 9), ("firstPeck", 3)))).Field);
        Assert.Equal("retract", Assert.Single(Refused(() => Calculate("drill", drill, ("approach", 12), ("retract", 3)))).Field);
        Finding deep = Assert.Single(
            Calculate("drill", drill, ("depth", 46)).Findings,
            f => f.Code == "over-limit" && f.Text.Template.StartsWith("Flute length", StringComparison.Ordinal));
        Assert.Equal(Severity.Stop, deep.Severity);
        Assert.NotEmpty(deep.Cure);
        Assert.Equal(
            "boreDiameter", Assert.Single(Refused(() => Calculate("bore", With(CutterFamily.BoringTool, "bore"), ("boreDiameter", 90)))).Field);
        Assert.Equal("holeBefore", Assert.Single(Refused(() => Calculate("bore", With(CutterFamily.BoringTool, "bore"), ("holeBefore", 12)))).Field);
    }

    [Fact]
    public void No_hole_operation_takes_a_retract_plane_below_its_approach_plane()
    {
        foreach ((string code, CutterFamily family) in All)
            Assert.Contains("retract", Refused(() => Calculate(code, With(family, code), ("approach", 12), ("retract", 3))).Select(f => f.Field));
    }

    [Fact]
    public void Without_a_row_of_the_chart_speed_and_feed_are_asked_for_by_name()
    {
        Situation s = With(CutterFamily.TwistDrill, "drill");
        s = s with { Chart = new(1, 1, s.Chart.Value with { Rows = [] }) };
        Assert.Equal(["cuttingSpeed", "feedPerRevolution"], Refused(() => Calculate("drill", s)).Select(f => f.Field));
        Assert.True(Calculate("drill", s, ("cuttingSpeed", 80), ("feedPerRevolution", 0.1)).Figure("feedRate") > 0);
    }

    [Fact]
    public void A_feed_that_is_proposed_gives_way_to_power_torque_and_thrust()
    {
        Situation s = With(CutterFamily.IndexableDrill, "drill");
        Situation weak = s with { Machine = new(1, 1, Mill with { AxisThrust = 2000 }) };
        CalculationResult held = Calculate("drill", weak);
        Assert.Equal(Origin.Held, held.Field("feedPerRevolution").Origin);
        Assert.All(held.Limits.Where(l => l.Kind == Limits.Thrust.Code), l => Assert.True(l.Use <= 1 + 1e-9));
        Assert.Contains("thrust of the axis", held.Field("feedPerRevolution").Note!.Template, StringComparison.Ordinal);
        Assert.Null(
            Calculate("drill", s with { Machine = new(1, 1, Mill with { AxisThrust = 0 }) }).Limits
                .Single(l => l.Kind == Limits.Thrust.Code).Use);
    }

    [Fact]
    public void The_window_and_the_best_point_agree_with_the_calculation()
    {
        Situation s = With(CutterFamily.TwistDrill, "drill");
        OperatingWindow window = Drill.Window(s, Choices.None, new("cuttingSpeed", "feedPerRevolution", 32), TestContext.Current.CancellationToken);
        Assert.Equal(32 * 32, window.Use.Length);
        BestPoint best = Drill.Best(s, Choices.None, BestAim.Time, TestContext.Current.CancellationToken);
        CalculationResult at = Drill.Calculate(s, new(best.Values.ToDictionary(v => v.Code, v => v.Value), new Dictionary<string, string>()), false);
        Assert.True(best.Found);
        Assert.InRange(window.BestRemovalRate, 0.8 * at.Figure("removalRate"), at.Figure("removalRate"));
        Assert.All(best.Values, v => Assert.True((v.Code == window.Across ? window.BestAcross : window.BestUp) <= v.Value * (1 + 1e-9)));
        Assert.Equal(best.Time, at.Figure("time"), 12);
        Assert.All(at.Limits, l => Assert.True(l.Use is null or <= 1 + 1e-9));
        Assert.Equal(
            ["across"],
            Refused(() => Drill.Window(s, Choices.None, new("depth", "cuttingSpeed", 32), TestContext.Current.CancellationToken))
                .Select(f => f.Field));
    }
}

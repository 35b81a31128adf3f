using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Machines;
using Incisura.Core.Threads;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

public sealed class TapTests
{
    private static readonly IOperation Tap = Operations.Find("tap")!;
    private static readonly Situation Usual = With(CutterFamily.CuttingTap, "tap");

    private static Situation On(Machine machine) => Usual with { Machine = new(1, 1, machine) };

    [Fact]
    public void Feed_over_speed_is_the_lead_to_the_last_bit_whatever_limit_binds() =>
        Gen.Select(
            Gen.Double[1, 80], Gen.Double[0.2, 6], Gen.Double[50, 4000], Gen.Double[200, 9000], Gen.Double[0.5, 12],
            Gen.Int[1, 4]).Sample((speed, pitch, step, axis, ramp, starts) =>
        {
            Situation s = On(Mill with { SynchronousLimit = step, LargestFeed = axis, RunUpTime = ramp })
                .Changed(
                    c =>
                        c.With(Dimension.Pitch, pitch)
                            .With(Dimension.ThreadDiameter, 4 * pitch)
                            .With(Dimension.FluteLength, 10 * pitch)
                            .With(Dimension.UsableLength, 12 * pitch)
                            .With(Dimension.NeckDiameter, Math.Min(2 * pitch, 7)));
            CalculationResult r = Tap.Calculate(s, Sample.Typed(("cuttingSpeed", speed), ("starts", starts)), false);
            return r.Figure("feedRate") / r.Figure("spindleSpeed") == pitch * starts
                && r.Figure("returnFeed") / r.Figure("returnSpeed") == pitch * starts && r.Figure("spindleSpeed") <= step
                && r.Figure("feedRate") <= axis * (1 + 1e-12);
        });

    [Fact]
    public void Each_limit_that_binds_is_named_and_all_figures_follow()
    {
        foreach ((Machine machine, LimitDefinition kind) in ((Machine, LimitDefinition)[])[
            (Mill with { SynchronousLimit = 300 }, Tapping.SpeedInStep), (Mill with { LargestFeed = 400 }, Limits.AxisFeed),
            (Mill with { RunUpTime = 60 }, Tapping.SpeedReached),
            (Mill with { LargestSpeed = 350, SynchronousLimit = 900 }, Limits.HighestSpeed),
        ])
        {
            CalculationResult r = Tap.Calculate(On(machine), Sample.Typed(("cuttingSpeed", 40)), false);
            Finding held = Assert.Single(r.Findings, f => f.Code == "held");
            Assert.Contains(kind.Name.ToLowerInvariant(), held.Text.Template, StringComparison.Ordinal);
            Assert.Equal(Math.PI * 10 * r.Figure("spindleSpeed") / 1000, r.Figure("speedInUse"), 9);
            Assert.Equal(40, r.Field("cuttingSpeed").Value);
            Assert.Equal(r.Figure("spindleSpeed"), r.Figure("returnSpeed"), 6);
        }
    }

    [Fact]
    public void The_run_up_and_the_stop_just_fit_into_the_way_at_the_speed_reached()
    {
        CalculationResult r = Tap.Calculate(On(Mill with { RunUpTime = 60 }), Sample.Typed(("cuttingSpeed", 60)), false);
        Assert.Equal(r.Field("approach").Value + r.Figure("programmedDepth"), r.Figure("runUpWay"), 6);
    }

    [Fact]
    public void The_feed_cannot_be_typed_at_all() =>
        Assert.Equal("feedPerRevolution", Assert.Single(Refused(() => Tap.Calculate(Usual, Sample.Typed(("feedPerRevolution", 1.4)), false))).Field);

    [Fact]
    public void Hole_and_height_are_inverse_of_each_other() =>
        Gen.Select(Gen.Double[2, 60], Gen.Double[0.2, 0.28], Gen.Double[30, 100], Gen.Bool).Sample((diameter, share, percent, formed) =>
        {
            NoTrace none = default;
            double pitch = share * diameter, hole = ThreadHole.For(diameter, pitch, percent, formed, ref none);
            return Math.Abs(ThreadHole.HeightOf(diameter, pitch, hole, formed, ref none) - percent) < 1e-9;
        });

    [Theory]
    [InlineData(10, 1.5, "6H", 8.376, 8.676)]
    [InlineData(6, 1, "6H", 4.917, 5.153)]
    [InlineData(10, 1.5, "7H", 8.376, 8.751)]
    [InlineData(12.7, 25.4 / 13, "2B", 10.5918, 11.0236)]
    public void Minor_diameters_have_the_limits_of_the_standards(double diameter, double pitch, string name, double least, double most)
    {
        MinorClass limits = MinorLimits.Of(diameter, pitch).Single(c => c.Name == name);
        Assert.Equal(least, limits.Least, 3);
        Assert.Equal(most, limits.Most, 3);
    }

    [Fact]
    public void A_drill_on_the_shelf_gives_its_height_and_class()
    {
        TapDrill drill = TapDrill.Of(new(Usual.Cutter.Value), 8.5)!.Value;
        Assert.Equal(77, drill.Height, 0);
        Assert.Equal("4H", drill.Class);
        Assert.Null(TapDrill.Of(new(Usual.Cutter.Value), 7.8));
        CalculationResult wide = Tap.Calculate(Usual, Sample.Typed(("holeBefore", 8.9)), false);
        Assert.Contains(wide.Findings, f => f is { Code: "minor-outside", Cure: "Take a smaller drill." });
    }

    [Fact]
    public void A_blind_hole_must_hold_lead_clear_way_and_chips()
    {
        CalculationResult r = Tap.Calculate(Usual, Sample.Typed(("depth", 15)), false);
        Assert.Equal(15 + 3.75, r.Figure("programmedDepth"), 9);
        Assert.True(r.Limits.Single(l => l.Kind == HoleLimits.HoleDepth.Code).Use <= 1);
        Assert.Contains(
            Tap.Calculate(Usual, Sample.Typed(("depth", 15), ("depthOfHoleBefore", 18)), false).Findings,
            f => f is { Code: "over-limit", Severity: Severity.Stop });
        Situation ahead = Usual.Changed(c => c with { Picks = new Dictionary<string, string> { ["flutes"] = "point", ["lead"] = "B" } });
        CalculationResult chips = Tap.Calculate(ahead, Sample.Typed(("depth", 15)), false);
        Assert.True(chips.Figure("roomForChips") > 1);
        Assert.Contains(chips.Findings, f => f.Code == "chips-ahead");
        CalculationResult through = Tap.Calculate(ahead, Sample.Typed(("depth", 15)).Picked("end", "through"), false);
        Assert.Equal(0, through.Figure("roomForChips"));
        Assert.Equal(15 + 6.75 + 1.5, through.Figure("programmedDepth"), 9);
    }

    [Fact]
    public void A_smaller_hole_takes_more_torque_and_a_forming_tap_more_still()
    {
        double Torque(Situation s, double hole) => Tap.Calculate(s, Sample.Typed(("holeBefore", hole)), false).Figure("torque");
        Assert.True(Torque(Usual, 8.3) > Torque(Usual, 8.6));
        Situation forming = With(CutterFamily.FormingTap, "tap");
        Assert.True(Torque(forming, 9.25) > Torque(Usual, 8.5));
        CalculationResult r = Tap.Calculate(Usual, Choices.None, false);
        Assert.InRange(r.Figure("breakingTorque"), 20, 40);
        Assert.InRange(r.Figure("torque"), 4, 12);
    }

    [Fact]
    public void A_control_that_rounds_the_feed_shows_the_drift()
    {
        Assert.DoesNotContain(Tap.Calculate(Usual, Choices.None, false).Figures, f => f.Code == "drift");
        CalculationResult r = Tap.Calculate(On(Mill with { FeedStep = 10 }), Sample.Typed(("cuttingSpeed", 3)), false);
        double n = Math.Round(r.Figure("spindleSpeed")), feed = Math.Round(n * 1.5 / 10) * 10;
        Assert.Equal(Math.Abs((feed / n / 1.5) - 1) * (r.Field("approach").Value + r.Figure("programmedDepth")), r.Figure("drift"), 9);
    }

    [Fact]
    public void The_wrong_hand_hole_or_pitch_is_refused_with_the_cure()
    {
        Situation left = Usual.Changed(c => c with { Hand = Hand.Left });
        InputFault hand = Assert.Single(Refused(() => Tap.Calculate(left, Choices.None.Picked("turning", "right"), false)));
        Assert.Equal("turning", hand.Field);
        Assert.Contains("turn it to the left", hand.Sentence, StringComparison.Ordinal);
        Assert.True(Tap.Calculate(left, Choices.None, false).Way().Parts.Single(s => s.Code == "in").Speed < 0);
        Assert.Contains(
            "the tap would jam", Assert.Single(Refused(() => Tap.Calculate(Usual, Sample.Typed(("holeBefore", 7.5)), false))).Sentence,
            StringComparison.Ordinal);
        Assert.Contains(
            "take a larger tap", Assert.Single(Refused(() => Tap.Calculate(Usual, Sample.Typed(("holeBefore", 9.95)), false))).Sentence,
            StringComparison.Ordinal);
        Assert.Equal(
            "cutter.dimensions.TP", Refused(() => Tap.Calculate(Usual.Changed(c => c.With(Dimension.Pitch, 0)), Choices.None, false))[0].Field);
        Assert.Equal("starts", Assert.Single(Refused(() => Tap.Calculate(Usual, Sample.Typed(("starts", 1.5)), false))).Field);
    }

    [Fact]
    public void A_machine_that_does_not_tap_in_step_says_so() =>
        Assert.Contains(
            Tap.Calculate(On(Mill with { SynchronousLimit = 0 }), Choices.None, false).Findings,
            f => f is { Code: "cannot-tap", Severity: Severity.Stop });
}

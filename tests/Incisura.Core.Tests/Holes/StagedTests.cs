using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

public sealed class StagedTests
{
    private static readonly IOperation Deep = Operations.Find("deep-hole")!;
    private static readonly Situation Usual = With(CutterFamily.GunDrill, "deep-hole").Changed(c => c with { ThroughCoolant = true });

    private static Choices Crossed(params CrossHole[] holes) =>
        (Sample.Typed(("depth", 160)) with { Extras = [new CrossHoles(holes)] }).Picked("end", "through");

    [Fact]
    public void The_stages_follow_each_other_from_the_pilot_to_the_withdrawal()
    {
        CalculationResult r = Deep.Calculate(Usual, Crossed(new CrossHole(60, 10), new CrossHole(120, 12, 60)), false);
        Assert.Equal(
            [
                "approach", "entry", "spin-up", "coolant", "start", "full", "cross-1", "full-2", "cross-2", "full-3", "break", "stop", "withdraw",
                "retract",
            ],
            r.Way().Parts.Select(s => s.Code));
        WayPart entry = r.Way().Parts[1], cross = r.Way().Parts[6], full = r.Way().Parts[5];
        Assert.True(entry.Speed < 0 && !entry.Coolant && entry.To < r.Field("pilotDepth").Value);
        Assert.Equal(full.FeedRate / 2, cross.FeedRate, 9);
        Assert.All(r.Way().Parts.Where(s => s.To > r.Field("pilotDepth").Value && s.To > s.From), s => Assert.True(s.Coolant && s.Speed > 0));
        Assert.Equal(0, r.Way().Parts[^2].Speed);
    }

    [Fact]
    public void The_slow_window_is_where_the_point_meets_the_open_wall()
    {
        CalculationResult r = Deep.Calculate(Usual, Crossed(new CrossHole(60, 10)), false);
        WayPart cross = r.Way().Parts.Single(s => s.Code == "cross-1");
        Assert.Equal(60 - 5 - 1, cross.From!.Value, 9);
        Assert.Equal(60 + 5 + r.Figure("pointLength") + 1, cross.To!.Value, 9);
    }

    [Fact]
    public void The_wall_is_open_where_the_two_cylinders_meet() =>
        Gen.Select(Gen.Double[2, 40], Gen.Double[1, 40], Gen.Double[15, 165], Gen.Double[0, 0.98]).Sample((bore, diameter, angle, beside) =>
        {
            CrossHole hole = new(0, diameter, angle, beside * (bore + diameter) / 2);
            double half = hole.HalfLength(bore), farthest = 0, θ = double.DegreesToRadians(angle);
            // Points of the bore's wall are walked along; the last one inside the crossing cylinder is looked for.
            const int around = 100_000;
            for (int i = 0; i < around; i++)
            {
                double x = bore / 2 * Math.Cos(2 * Math.PI * i / around), y = bore / 2 * Math.Sin(2 * Math.PI * i / around),
                    left = (diameter * diameter / 4) - ((y - hole.Offset) * (y - hole.Offset));
                if (left >= 0) farthest = Math.Max(farthest, ((x * Math.Cos(θ)) + Math.Sqrt(left)) / Math.Sin(θ));
            }

            return half >= farthest - 1e-9 && half <= farthest + (1e-3 * (bore + diameter));
        });

    [Theory]
    [InlineData(8, 10, 90, 0, 5)]
    [InlineData(8, 10, 90, 3, 5)] // its widest still lies inside the bore
    [InlineData(8, 10, 90, 8, 3)] // 4 mm of the bore are left: √(5² − 4²)
    [InlineData(8, 10, 60, 0, 8.0829)] // 5/sin 60° + 4·cot 60°
    [InlineData(8, 10, 120, 0, 8.0829)]
    public void The_open_length_is_known_where_it_can_be_worked_out_by_hand(double bore, double diameter, double angle, double offset, double half) =>
        Assert.Equal(half, new CrossHole(50, diameter, angle, offset).HalfLength(bore), 4);

    [Fact]
    public void A_hole_that_passes_beside_the_axis_slows_the_drill_for_less_long()
    {
        WayPart Across(CrossHole hole) => Deep.Calculate(Usual, Crossed(hole), false).Way().Parts.Single(s => s.Code == "cross-1");
        WayPart met = Across(new(60, 10, 60)), beside = Across(new(60, 10, 60, 7));
        Assert.True(beside.To - beside.From < met.To - met.From);
        CalculationResult r = Deep.Calculate(Usual, Crossed(new CrossHole(60, 10, 60, 7)), true);
        Assert.Equal(60, (r.Attached<OpenWalls>()!.Walls.Single().From + r.Attached<OpenWalls>()!.Walls.Single().To) / 2, 9);
        Assert.Equal(r.Attached<OpenWalls>()!.Walls.Single().To - 60, r.Steps.Single(s => s.Formula.Symbol == "b_x").Value, 12);
    }

    [Fact]
    public void Wherever_the_holes_lie_the_stages_cover_the_way_once() =>
        Gen.Select(
            Gen.Double[20, 150], Gen.Double[2, 20], Gen.Double[40, 140], Gen.Double[20, 150], Gen.Double[2, 20]).Sample((x1, d1, angle, x2, d2) =>
        {
            CalculationResult r = Deep.Calculate(Usual, Crossed(new CrossHole(x1, d1, angle), new CrossHole(x2, d2)), false);
            WayPart[] down = [.. r.Way().Parts.Where(s => s.To > s.From && !s.Rapid)];
            foreach (CrossHole hole in (CrossHole[])[new(x1, d1, angle), new(x2, d2)])
                if (
                    hole.Distance > 25 && down.Single(s => s.From <= hole.Distance && hole.Distance < s.To).Code is var at
                        && !at.StartsWith("cross", StringComparison.Ordinal))
                    return false;
            return down.Zip(down.Skip(1)).All(p => Math.Abs(p.First.To!.Value - p.Second.From!.Value) < 1e-9)
                && Math.Abs(down[^1].To!.Value - r.Figure("programmedDepth")) < 1e-9;
        });

    [Fact]
    public void A_longer_drill_whirls_sooner_and_buckles_under_less()
    {
        NoTrace none = default;
        SlenderDrill drill = SlenderDrill.Of(Usual.Cutter.Value);
        Assert.Equal(drill.GuidedSpeed(200, ref none) / 4, drill.GuidedSpeed(400, ref none), 6);
        Assert.Equal(drill.BucklingForce(200, ref none) / 4, drill.BucklingForce(400, ref none), 6);
        Assert.True(drill.FreeSpeed(300, ref none) < drill.GuidedSpeed(300, ref none));
        CalculationResult r = Deep.Calculate(Usual, Sample.Typed(("cuttingSpeed", 2000)), false);
        Assert.Contains(r.Limits, l => l.Kind == HoleLimits.Whirl.Code && l.Use > 1);
    }

    [Fact]
    public void A_stage_can_be_changed_and_the_time_follows()
    {
        CalculationResult before = Deep.Calculate(Usual, Crossed(), false);
        Choices slower = Crossed() with
        {
            Extras = [new StageEdits([new("full", null, before.Way().Parts.Single(s => s.Code == "full").FeedRate / 2, null)])],
        };
        Assert.True(Deep.Calculate(Usual, slower, false).Figure("time") > before.Figure("time") * 1.5);
    }

    [Theory]
    [InlineData("entry", 2900.0, null, null, "outside the bore")]
    [InlineData("withdraw", 2900.0, null, null, "outside the bore")]
    [InlineData("full", null, null, false, "without coolant")]
    [InlineData("full", null, 9000.0, null, "more than the full feed")]
    [InlineData("full", -500.0, null, null, "turns to the right")]
    [InlineData("cross-4", null, 20.0, null, "no stage")]
    public void An_unsafe_change_is_refused_with_the_reason(string stage, double? speed, double? feed, bool? coolant, string reason)
    {
        Situation slow = Usual.Changed(c => c.With(Dimension.FluteLength, 290).With(Dimension.OverallLength, 350)) with { };
        slow = slow with { Assembly = slow.Assembly with { Value = slow.Assembly.Value with { Projection = 320 } } };
        InputFault fault = Assert.Single(
            Refused(() => Deep.Calculate(slow, Crossed() with { Extras = [new StageEdits([new(stage, speed, feed, coolant)])] }, false)));
        Assert.Equal($"edits.{stage}", fault.Field);
        Assert.Contains(reason, fault.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_cross_hole_outside_the_bore_and_a_pilot_smaller_than_the_drill_are_refused()
    {
        Assert.Equal("crossHoles[0].distance", Assert.Single(Refused(() => Deep.Calculate(Usual, Crossed(new CrossHole(180, 10)), false))).Field);
        Assert.Equal(
            "crossHoles[1].offset",
            Assert.Single(Refused(() => Deep.Calculate(Usual, Crossed(new CrossHole(60, 10), new CrossHole(90, 6, 90, 8)), false))).Field);
        InputFault pilot = Assert.Single(Refused(() => Deep.Calculate(Usual, Sample.Typed(("pilotDiameter", 7.9)), false)));
        Assert.Contains("smaller than the drill", pilot.Sentence, StringComparison.Ordinal);
        Assert.Equal("pilotDepth", Assert.Single(Refused(() => Deep.Calculate(Usual, Sample.Typed(("pilotDepth", 0.6)), false))).Field);
    }

    [Fact]
    public void What_no_bore_could_have_is_refused_before_anything_is_worked_out()
    {
        Assert.Equal(
            ["crossHoles[0].diameter", "crossHoles[0].angle"],
            Refused(() => Deep.Calculate(Usual, Crossed(new CrossHole(60, -5, 0)), false)).Select(f => f.Field));
        Assert.Equal(
            ["crossHoles"],
            Refused(() => Deep.Calculate(Usual, Crossed([.. Enumerable.Repeat(new CrossHole(60, 5), 40)]), false)).Select(f => f.Field));
        Assert.Equal(["crossHoles[1]"], Refused(() => Deep.Calculate(Usual, Crossed(new CrossHole(60, 5), null!), false)).Select(f => f.Field));
        Assert.Equal(
            ["edits[0]", "edits.full"],
            Refused(() => Deep.Calculate(Usual, Crossed() with { Extras = [new StageEdits([null!, new("full", double.NaN, null, null)])] }, false))
                .Select(f => f.Field));
    }
}

using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Machines;
using Incisura.Core.Tests.Holes;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>Facing, roughing, finishing, grooving and parting off: worked by hand, against fine paths, and what they refuse.</summary>
public class TurnedCourseTests
{
    private const CutterFamily Bar = CutterFamily.InsideTurningTool, Blade = CutterFamily.GroovingBlade, Parter = CutterFamily.PartingBlade;

    // What bends is looked at by tests of its own.
    private static readonly (string, double) Stiff = ("deflectionAllowed", 2000);

    [Fact]
    public void Rough_turning_by_hand()
    {
        // Ø60 to Ø40 with 0.5 left: 9.5 mm in four passes of 2.375; the last one leaves Ø41 and cuts at Ø45.75.
        CalculationResult r = Turn(
            "turn-rough", With("turn-rough"),
            [("startDiameter", 60), ("endDiameter", 40), ("length", 100), ("standsOut", 120), Stiff]);
        Assert.Equal(4, r.Figure("passesDown"));
        Assert.Equal(2.375, r.Figure("depth"), 9);
        double programmed = 200 * 41 / 45.75;
        Assert.Equal(programmed, r.Figure("programmedSpeed"), 9);
        Assert.Equal(1000 * programmed / (Math.PI * 55.25), r.Figure("spindleSpeed"), 6);
        Assert.Equal(1000 * programmed / (Math.PI * 41), r.Figure("topSpeed"), 6);
        Assert.Equal(200, r.Figure("speedInUse"), 9);
        Assert.Equal(60, r.Figure("outerDiameter"), 9);

        double time = 0, clear = 2;
        for (double tip = 55.25; tip > 40.9; tip -= 4.75) time += (100 + clear) / (0.3 * 1000 * programmed / (Math.PI * tip));
        Assert.Equal(time + (4 * (100 + (3 * clear)) / Sample.Machine.RapidFeed), r.Figure("time"), 9);
    }

    [Fact]
    public void A_bar_cuts_fastest_at_the_finished_bore()
    {
        CalculationResult r = Turn(
            "turn-rough", With("turn-rough", Bar, depth: 2), [("startDiameter", 40), ("endDiameter", 51), ("length", 30), Stiff]);
        Assert.Equal(3, r.Figure("passesDown"));
        Assert.Equal(200, r.Figure("programmedSpeed"), 9);
        Assert.Equal(1000 * 200 / (Math.PI * 50), r.Figure("spindleSpeed"), 6);
        Assert.Equal(50, r.Figure("outerDiameter"), 9);
    }

    [Fact]
    public void The_surface_of_the_work_is_never_cut_faster_than_was_asked() => Gen.Select(
        Gen.Double[5, 200], Gen.Double[0.3, 0.98], Gen.Double[50, 400], Gen.Double[0.5, 5], Gen.Double[200, 3500]).Sample(
        (d, share, speed, depth, clamp) =>
        {
            CalculationResult r = Turn(
                "turn-rough", With("turn-rough"),
                [
                    ("startDiameter", d), ("endDiameter", share * d), ("stockLeft", 0), ("cuttingSpeed", speed), ("depthOfCut", depth),
                    ("speedClamp", clamp),
                ]);
            double each = r.Figure("depth"), programmed = r.Figure("programmedSpeed");
            int passes = (int)r.Figure("passesDown");
            double fastest = 0;
            for (int i = 1; i <= passes; i++)
            {
                double tip = d - (2 * each * i), n = Math.Min(clamp, 1000 * programmed / (Math.PI * tip));
                fastest = Math.Max(fastest, n * Math.PI * (tip + (2 * each)) / 1000);
            }

            Assert.True(each <= depth * (1 + 1e-9));
            Assert.True(fastest <= speed * (1 + 1e-9), $"{fastest} > {speed}");
            Assert.InRange(r.Figure("speedInUse"), fastest * (1 - 1e-9), speed * (1 + 1e-9));
            Assert.InRange(r.Figure("topSpeed"), 0, clamp * (1 + 1e-9));
        },
        iter: 200, seed: "0000000000000");

    [Fact]
    public void Facing_to_the_middle_takes_the_time_of_a_fine_path_with_its_clamp() => Gen.Select(
        Gen.Double[20, 200], Gen.Double[0, 0.8], Gen.Double[300, 3500]).Sample(
        (d, bore, clamp) =>
        {
            CalculationResult r = Turn(
                "turn-face", With("turn-face"),
                [
                    ("startDiameter", d), ("workBore", bore * d), ("stockHeight", 2), ("depthOfCut", 2),
                    ("feedPerRevolution", 0.3), ("cuttingSpeed", 200), ("speedClamp", clamp), Stiff,
                ]);
            double time = 0, from = (d / 2) + 2, to = bore * d / 2;
            const int parts = 20_000;
            for (int i = 0; i < parts; i++)
            {
                double radius = from + ((to - from) * (i + 0.5) / parts);
                time += (from - to) / parts / (0.3 * Math.Min(clamp, 1000 * 200 / (2 * Math.PI * radius)));
            }

            double rapid = (from - to + 4) / Sample.Machine.RapidFeed;
            Assert.Equal(1, r.Figure("time") / (time + rapid), 4);
            Assert.Equal(r.Figure("topSpeed") >= clamp * (1 - 1e-9), r.Findings.Any(f => f.Code == "clamped"));
        },
        iter: 60, seed: "0000000000000");

    [Fact]
    public void What_is_removed_in_passes_is_the_ring_between_the_diameters() => Gen.Select(
        Gen.Double[20, 150], Gen.Double[0.4, 0.95], Gen.Double[0.5, 4]).Sample(
        (d, share, depth) =>
        {
            CalculationResult r = Turn(
                "turn-rough", With("turn-rough"), [("startDiameter", d), ("endDiameter", share * d), ("stockLeft", 0.2), ("depthOfCut", depth)]);
            double left = (share * d) + 0.4;
            if (left >= d) return;
            double sum = 0, each = r.Figure("depth");
            for (int i = 0; i < r.Figure("passesDown"); i++) sum += Math.PI * (d - (2 * i * each) - each) * each;
            Assert.Equal(1, sum / (Math.PI / 4 * ((d * d) - (left * left))), 9);
        },
        iter: 100, seed: "0000000000000");

    [Fact]
    public void A_bored_and_a_turned_cut_of_the_same_edge_load_it_alike()
    {
        CalculationResult outside = Turn("turn-rough", With("turn-rough", depth: 2, dimensions: (Dimension.EdgeAngle, 95)), [Stiff]),
            inside = Turn(
                "turn-rough",
                With("turn-rough", Bar, depth: 2, dimensions: [(Dimension.EdgeAngle, 95), (Dimension.CornerRadius, 0.8)]), [Stiff]);
        foreach (string code in (string[])["cuttingForce", "thrust", "passiveForce", "edgeLength", "largestChip"])
            Assert.Equal(1, inside.Figure(code) / outside.Figure(code), 9);
    }

    [Fact]
    public void The_hand_of_the_tool_changes_nothing()
    {
        Situation right = With("turn-rough");
        Situation left = right.Changed(c => c with { Hand = Hand.Left });
        Assert.Equal(Turn("turn-rough", right).Figures, Turn("turn-rough", left).Figures);
    }

    [Fact]
    public void The_feed_follows_the_finish_wanted()
    {
        foreach (double wanted in (double[])[1, 3, 8, 20])
        {
            CalculationResult r = Turn("turn-finish", With("turn-finish", feed: 0.4), [("finishWanted", wanted), Stiff]);
            double feed = r.Figure("feedInUse");
            Assert.True(r.Figure("peakToValley") <= wanted * (1 + 1e-9));
            if (feed < 0.4 - 1e-9) Assert.Equal(wanted, r.Figure("peakToValley"), 6);
            Assert.True(r.Limit("finish").Use <= 1 + 1e-9);
        }
    }

    [Fact]
    public void A_wanted_finish_beyond_the_corner_has_the_feed_of_its_edges() => Gen.Select(
        Gen.Double[0.1, 1.6], Gen.Double[60, 95], Gen.Double[3, 60], Gen.Double[0.5, 300]).Sample(
        (r, κ, trailing, height) =>
        {
            double feed = FeedMark.ExactFeedFor(height, r, κ, trailing), got = FeedMark.Exact(feed, r, κ, trailing);
            Assert.True(got <= height * (1 + 1e-6), $"{got} > {height}");
            if (feed < 50) Assert.True(got > height * 0.999 || FeedMark.Exact(feed * 1.001, r, κ, trailing) > height);
        },
        iter: 500, seed: "0000000000000");

    [Fact]
    public void Slender_work_bends_less_with_a_centre_and_least_with_a_steady_rest_where_it_is_cut()
    {
        (string, double)[] slender =
            [("startDiameter", 18), ("endDiameter", 14), ("length", 180), ("standsOut", 200), ("depthOfCut", 1), ("feedPerRevolution", 0.2)];
        CalculationResult free = Turn("turn-rough", With("turn-rough"), slender),
            centre = Turn("turn-rough", With("turn-rough"), slender, [("support", "centre")]),
            steady = Turn("turn-rough", With("turn-rough"), [.. slender, ("steadyAt", 190)], [("support", "steady")]);
        Assert.True(free.Limit("sizeError").Use > 1, "free work of this length bends too far");
        Assert.True(centre.Figure("workBend") < free.Figure("workBend") / 20);
        Assert.True(steady.Figure("workBend") < free.Figure("workBend") / 10);
        Assert.True(free.Limit("leverage").Use > 1, "free work of this length is levered out of its jaws");
        Assert.DoesNotContain(centre.Limits.Concat(steady.Limits), l => l.Kind == "leverage");
        Assert.False(centre.Field("gripLength").Used || steady.Field("gripLength").Used);
        Assert.Contains(free.Findings, f => f.Severity == Severity.Stop && f.Cure.Contains("centre", StringComparison.Ordinal));
    }

    [Fact]
    public void A_proposal_gives_way_to_what_bends_and_to_what_slips()
    {
        (string, double)[] slender = [("startDiameter", 16), ("endDiameter", 10), ("length", 80), ("standsOut", 90), ("deflectionAllowed", 60)];
        CalculationResult r = Turn("turn-rough", With("turn-rough", depth: 3), slender);
        Assert.True(r.Limits.All(l => l.Use is null or <= 1 + 1e-9 || l.IsLeast), string.Join("; ", r.Limits.Where(l => l.Use > 1)));
        Assert.True(r.Figure("depth") < 2.5);

        Situation weak = With("turn-rough", depth: 5, feed: 0.4)
            .OnMachine(m => m with { Main = m.Main! with { Chuck = m.Main.Chuck! with { Force = 30_000, JawMass = 0 } } });
        CalculationResult held = Turn("turn-rough", weak, [("startDiameter", 60), ("endDiameter", 30), Stiff]);
        Assert.InRange(held.Limit("chuckGrip").Use!.Value, 0.8, 1 + 1e-9);
        Assert.True(held.Figure("depth") < 5);
    }

    [Fact]
    public void The_chuck_is_judged_where_lever_and_speed_are_worst_together()
    {
        Situation s = With("turn-face", speed: 400)
            .OnMachine(m => m with { Main = m.Main! with { Chuck = m.Main.Chuck! with { Force = 60_000, JawMass = 1.6 } } });
        CalculationResult r = Turn("turn-face", s, [("startDiameter", 100), ("stockHeight", 2), Stiff]);
        double worst = 0;
        for (double d = 100; d > 0.5; d -= 0.05)
        {
            double n = Math.Min(3500, 1000 * 400 / (Math.PI * d)), left = new ChuckGrip(60_000, 3, 1.6, 70).At(n),
                needed = ChuckGrip.Needed(r.Figure("cuttingForce"), Math.Abs(r.Figure("passiveForce")), d, 100, 0.15, 2.5);
            worst = Math.Max(worst, needed / left);
        }

        Assert.InRange(r.Limit("chuckGrip").Use!.Value / worst, 0.97, 1.001);
        Assert.NotNull(r.Limit("chuckGrip").AtDiameter);
    }

    [Fact]
    public void A_groove_takes_as_many_plunges_as_its_width_asks_for()
    {
        foreach ((double width, int plunges) in (ReadOnlySpan<(double, int)>)[(3, 1), (3.1, 2), (5.4, 2), (5.5, 3), (10, 4)])
            Assert.Equal(plunges, Turn("turn-groove", With("turn-groove", Blade, 120, 0.1), [("slotWidth", width)]).Figure("passesDown"));
        CalculationResult r = Turn("turn-groove", With("turn-groove", Blade, 120, 0.1), [("startDiameter", 40), ("depth", 6), Stiff]);
        Assert.Equal(28, r.Figure("innerDiameter"), 9);
        double chip = 0.1, force = r.Figure("specificForce") * 3 * chip;
        Assert.Equal(force, r.Figure("cuttingForce"), 6);
        Assert.Equal(120 * 3 * chip, r.Figure("removalRate"), 9);
    }

    [Fact]
    public void Parting_off_slows_down_towards_the_middle_and_says_what_its_shank_needs()
    {
        Situation s = With("part-off", Parter, 110, 0.1);
        CalculationResult fast = Turn("part-off", s, [("startDiameter", 40), ("slowFrom", 0), Stiff]),
            slow = Turn("part-off", s, [("startDiameter", 40), ("slowFrom", 10), ("slowShare", 0.5), Stiff]);
        Assert.True(slow.Figure("time") > fast.Figure("time"));
        SurfaceSpeed speed = new(110, 3500);
        double time = speed.Across(44, 10, 0.1) + speed.Across(10, 0, 0.05);
        Assert.Equal(time + ((22 + 4) / Sample.Machine.RapidFeed), slow.Figure("time"), 9);

        CalculationResult beside = Turn("part-off", s, [("startDiameter", 40), ("shoulderDiameter", 90), ("shoulderGap", 1), Stiff]);
        double gap = beside.Figure("gapNeeded");
        Assert.Equal((8.0 - 3) / 2, gap, 9);
        Finding finding = beside.Findings.First(f => f.Code == "rough-further");
        Assert.Equal(Severity.Stop, finding.Severity);
        Assert.Contains($"{gap - 1:0.##} mm further", finding.Cure, StringComparison.Ordinal);
        CalculationResult cured = Turn("part-off", s, [("startDiameter", 40), ("shoulderDiameter", 90), ("shoulderGap", gap), Stiff]);
        Assert.DoesNotContain(cured.Findings, f => f.Severity == Severity.Stop);
    }

    [Fact]
    public void What_cannot_be_turned_is_refused_with_its_cure()
    {
        Situation rough = With("turn-rough"), bar = With("turn-rough", Bar), groove = With("turn-groove", Blade), off = With("part-off", Parter);
        Assert.Equal("endDiameter", Refused("turn-rough", rough, ("startDiameter", 40), ("endDiameter", 50)).Field);
        Assert.Contains("leave less", Refused("turn-rough", rough, ("startDiameter", 40), ("endDiameter", 39.5)).Sentence, StringComparison.Ordinal);
        Assert.Equal(
            "depthOfCut", Refused("turn-rough", rough, ("startDiameter", 100), ("endDiameter", 50), ("depthOfCut", 0.01)).Field);
        Assert.Equal("standsOut", Refused("turn-rough", rough, ("length", 80), ("standsOut", 70)).Field);
        Assert.Equal("workBore", Refused("turn-rough", rough, ("startDiameter", 40), ("endDiameter", 30), ("workBore", 32)).Field);
        Assert.Equal("bodyDiameter", Refused("turn-rough", bar, ("startDiameter", 40), ("endDiameter", 50), ("bodyDiameter", 45)).Field);
        Assert.Equal("slotWidth", Refused("turn-groove", groove, ("slotWidth", 2)).Field);
        Assert.Equal("depth", Refused("turn-groove", groove, ("startDiameter", 20), ("depth", 11)).Field);
        Assert.Equal("shoulderDiameter", Refused("part-off", off, ("startDiameter", 40), ("shoulderDiameter", 30)).Field);
        Assert.Equal(
            "assembly",
            Refused("turn-face", With("turn-face", dimensions: (Dimension.EdgeAngle, 75))).Field);
    }

    [Fact]
    public void What_must_not_be_run_is_a_stop_or_a_caution_with_its_cure()
    {
        Limit(Turn("turn-rough", With("turn-rough", Bar), [("startDiameter", 20), ("endDiameter", 24)]), "leastBore", Severity.Stop);
        Limit(Turn("turn-groove", With("turn-groove", Blade), [("startDiameter", 80), ("depth", 30)]), "bladeReach", Severity.Stop);
        Limit(Turn("part-off", With("part-off", Parter), [("startDiameter", 90)]), "bladeWork", Severity.Stop);
        Limit(Turn("turn-rough", With("turn-rough"), [("speedClamp", 3800)]), "speedClamp", Severity.Stop);
        Limit(Turn("turn-rough", With("turn-rough"), [("startDiameter", 80)]), "barThroughSpindle", Severity.Caution);
        Limit(Turn("turn-rough", With("turn-rough"), [("feedPerRevolution", 0.6)]), "cornerFeed", Severity.Caution);

        CalculationResult centre = Turn(
            "turn-rough", With("turn-rough").OnMachine(m => m with { Tailstock = false }), null, [("support", "centre")]);
        Assert.Contains(centre.Findings, f => f is { Code: "no-centre", Severity: Severity.Stop });
        Assert.Contains(Turn("part-off", With("part-off", Parter), null, [("support", "centre")]).Findings, f => f.Code == "centre-pinches");
        Assert.Contains(Turn("turn-face", With("turn-face"), null, [("support", "centre")]).Findings, f => f.Code == "centre-in-the-way");
        Situation none = With("turn-rough").OnMachine(m => m with { Main = null, Counter = null });
        Assert.Contains(Turn("turn-rough", none, [("speedClamp", 3000)]).Findings, f => f is { Code: "no-main-spindle", Severity: Severity.Stop });

        static void Limit(CalculationResult r, string kind, Severity severity)
        {
            JudgedLimit limit = r.Limit(kind);
            Assert.True(limit.Use > 1, $"{kind} {limit.Use}");
            Assert.Equal(severity, limit.Severity);
        }
    }

    [Fact]
    public void A_chuck_nobody_has_measured_is_said_and_never_passed()
    {
        Situation s = With("turn-rough").OnMachine(m => m with { Main = m.Main! with { Chuck = null } });
        CalculationResult r = Turn("turn-rough", s);
        Assert.Null(r.Limit("chuckGrip").Use);
        Assert.Contains(r.Findings, f => f is { Code: "chuck-unknown", Severity: Severity.Caution });
        Assert.DoesNotContain(r.Limits, l => l.Kind == "leverage");
        Assert.Contains(Turn("turn-rough", s, [("startDiameter", 20), ("standsOut", 90)]).Findings, f => f.Code == "levers-out");
        Assert.True(r.Figure("gripNeeded") > 0 && r.Figures.All(f => f.Code != "gripLeft" && double.IsFinite(f.Value)));
        Assert.All(r.Limits, l => Assert.True(double.IsFinite(l.Used)));
    }

    [Fact]
    public void The_counter_spindle_turns_with_its_own_curve_and_speed()
    {
        CalculationResult main = Turn("turn-rough", With("turn-rough")),
            counter = Turn("turn-rough", With("turn-rough"), null, [("spindle", "counter")]);
        Assert.Equal(3500, main.Fields.First(f => f.Code == "speedClamp").Value);
        Assert.Equal(5000, counter.Fields.First(f => f.Code == "speedClamp").Value);
        Assert.True(counter.Limit("powerContinuous").Allowed < main.Limit("powerContinuous").Allowed);
        Situation without = With("turn-rough").OnMachine(m => m with { Counter = null });
        Assert.Contains(Turn("turn-rough", without, null, [("spindle", "counter")]).Findings, f => f.Code == "no-main-spindle");
    }

    [Fact]
    public void An_outline_is_roughed_from_diameter_to_diameter_in_equal_passes()
    {
        Choices choices = Typed([("startDiameter", 60), ("stockLeft", 0.5), ("faceStock", 0), ("depthOfCut", 2.5), Stiff]) with
        {
            Extras = [new TurnedOutline([new(24, 30), new(36, 50), new(50, 20)])],
        };
        CalculationResult r = Rough(choices);

        // From Ø60 to Ø51, 37 and 25: 4.5, 7 and 6 mm on a side in two, three and three passes.
        Assert.Equal(8, r.Figure("passesDown"));
        Assert.Equal(7.0 / 3, r.Figure("depth"), 9);
        ToolWay way = r.Way();
        Assert.Equal([102, 102, 82, 82, 82, 32, 32, 32], way.Parts.Where(p => !p.Rapid).Select(p => Math.Round(p.Length, 6)));
        double volume = way.Parts.Where(p => !p.Rapid)
            .Zip(Tips(), (p, t) => (p.Length - 2) * Math.PI * (t.From + t.To) / 2 * (t.From - t.To) / 2).Sum();
        double left = Math.PI / 4 * ((25 * 25 * 30) + (37 * 37 * 50) + (51 * 51 * 20));
        Assert.Equal(1, volume / ((Math.PI / 4 * 60 * 60 * 100) - left), 9);
        Assert.Equal(1, way.Parts.Sum(p => p.Time) / r.Figure("time"), 9);
        Assert.False(r.Field("endDiameter").Used || r.Field("length").Used);

        static IEnumerable<(double From, double To)> Tips()
        {
            double at = 60;
            foreach ((double to, int count) in ((double, int)[])[(51, 2), (37, 3), (25, 3)])
            {
                double each = (at - to) / count;
                for (int i = 0; i < count; i++) yield return (at - (i * each), at - ((i + 1) * each));
                at = to;
            }
        }
    }

    [Fact]
    public void A_bore_of_several_diameters_and_a_finishing_pass_along_them()
    {
        TurnedOutline bore = new([new(60, 20), new(50, 15)]), stud = new([new(20, 30), new(30, 40)]);
        CalculationResult inside = Turn("turn-rough", With("turn-rough", Bar, depth: 2), bore, [("startDiameter", 42), Stiff]);
        Assert.Equal([37, 37, 21.8, 21.8, 21.8], inside.Way().Parts.Where(p => !p.Rapid).Select(p => Math.Round(p.Length, 6)));

        CalculationResult finish = Turn("turn-finish", With("turn-finish", feed: 0.1), stud, [("startDiameter", 21), Stiff]);
        Assert.Equal(0.5, finish.Figure("depth"), 9);
        double f = finish.Figure("feedInUse"), programmed = finish.Figure("programmedSpeed");
        Assert.Equal(200 * 20 / 21.0, programmed, 9);
        double At(double d) => f * Math.Min(3500, 1000 * programmed / (Math.PI * d));
        double along = (32 / At(20)) + (40 / At(30)) + new SurfaceSpeed(programmed, 3500).Across(20, 30, f);
        Assert.Equal(along + ((75 + 6) / Sample.Machine.RapidFeed), finish.Figure("time"), 9);

        static CalculationResult Turn(string operation, Situation s, TurnedOutline outline, (string, double)[] numbers) =>
            Core.Catalogue.Operations.Find(operation)!.Calculate(s, Typed(numbers) with { Extras = [outline] }, explain: true);
    }

    [Fact]
    public void An_outline_of_one_step_is_the_work_of_one_diameter() => Gen.Select(
        Gen.Double[20, 100], Gen.Double[0.4, 0.9], Gen.Double[10, 150], Gen.Double[0.5, 4]).Sample(
        (d, share, length, depth) =>
        {
            (string, double)[] both = [("startDiameter", d), ("stockLeft", 0), ("depthOfCut", depth), ("standsOut", length + 20)];
            CalculationResult plain = Rough(Typed([.. both, ("endDiameter", share * d), ("length", length)])),
                outline = Rough(Typed(both) with { Extras = [new TurnedOutline([new(share * d, length)])] });
            Assert.Equal(plain.Figures, outline.Figures);
        },
        iter: 60, seed: "0000000000000");

    [Fact]
    public void An_outline_that_turns_back_or_holds_nothing_is_refused_where_it_does()
    {
        Assert.Equal("turnedOutline[1].diameter", Fault([new(30, 20), new(24, 20)]).Field);
        Assert.Contains("groove it", Fault([new(30, 20), new(24, 20)]).Sentence, StringComparison.Ordinal);
        Assert.Equal("turnedOutline[0].length", Fault([new(30, 0)]).Field);
        Assert.Equal("turnedOutline", Fault([]).Field);
        Assert.Equal("startDiameter", Fault([new(30, 20), new(60, 20)], 40).Field);

        static InputFault Fault(OutlineStep[] steps, double from = 80) => Assert.Throws<InputException>(
            () => Rough(Typed([("startDiameter", from)]) with { Extras = [new TurnedOutline(steps)] })).Faults[0];
    }

    private static CalculationResult Rough(Choices choices) =>
        Core.Catalogue.Operations.Find("turn-rough")!.Calculate(With("turn-rough"), choices, explain: true);
}

using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Tests.Holes;
using Incisura.Core.ThreadCutting;
using Incisura.Core.Threads;
using static Incisura.Core.Tests.ThreadCutting.ThreadSample;

namespace Incisura.Core.Tests.ThreadCutting;

/// <summary>Turning threads, outside and inside.</summary>
public sealed class ThreadTurningTests
{
    private static readonly (Dimension, double)[] Coarse = [(Dimension.LargestPitch, 3), (Dimension.Pitch, 0.5)];

    [Theory]
    [InlineData("M30x2-6H", false, "write 6g")]
    [InlineData("M30x2-6g", true, "write 6H")]
    [InlineData("1-8 UNC-2B", false, "write 2A")]
    public void A_class_of_the_other_side_is_refused_and_not_replaced(string thread, bool inside, string cure) => Assert.Contains(
        cure, Refused(() => Turn(Turned(inside: inside), Thread(thread)), "threadToCut").Sentence, StringComparison.Ordinal);

    [Fact]
    public void Sizes_stand_in_the_middle_of_the_class_and_the_height_between_them()
    {
        CalculationResult r = Turn(Turned(), Thread("M20x2.5-6g"));

        // 6g: major 19.623 to 19.958, pitch diameter 18.164 to 18.334; the full profile's floor reaches 1.0825·P·… below it.
        Assert.Equal((19.623 + 19.958) / 2, r.Field("crestDiameter").Value, 3);
        WorkThread t = WorkThread.Of(ThreadText.Read("M20x2.5-6g")!);
        double root = ((18.164 + 18.334) / 2) - t.PitchToFloor(t.FloorWidth(false));
        Assert.Equal(root, r.Field("rootDiameter").Value, 3);
        Assert.Equal((r.Field("crestDiameter").Value - root) / 2, r.Field("heightToCut").Value, 9);
        Assert.Equal(18.334 - 18.164, r.Field("rootDiameter").Most!.Value - r.Field("rootDiameter").Least!.Value, 6);
        Assert.Equal("6g", r.Attached<CutThread>()!.Class);
    }

    [Fact]
    public void The_range_of_the_height_follows_what_was_typed_before_and_outside_of_it_is_refused()
    {
        Situation s = Turned();
        FieldState free = Turn(s, Thread("M20x2.5-6g")).Field("heightToCut"),
            small = Turn(s, Thread("M20x2.5-6g", ("crestDiameter", 19.65))).Field("heightToCut");
        Assert.True(small.Least < free.Least && small.Most < free.Most);
        Assert.Equal(small.Value, Turn(s, Thread("M20x2.5-6g", ("crestDiameter", 19.65), ("heightToCut", small.Value))).Figure("heightCut"), 9);
        InputFault fault = Refused(() => Turn(s, Thread("M20x2.5-6g", ("heightToCut", free.Most!.Value + 0.05))), "heightToCut");
        Assert.Contains("6g", fault.Sentence, StringComparison.Ordinal);
        Assert.Contains($"{free.Most:0.###}", fault.Sentence, StringComparison.Ordinal);
        Refused(
            () => Turn(
                s, Thread("M20x2.5-6g", ("crestDiameter", 19.8), ("rootDiameter", free.Value > 0 ? 16.75 : 0), ("heightToCut", 1.45))),
                    "heightToCut");
    }

    [Fact]
    public void A_root_typed_sets_the_height_and_two_of_three_set_the_third()
    {
        Situation s = Turned();
        double root = Turn(s, Thread("M20x2.5-6g")).Field("rootDiameter").Least!.Value;
        CalculationResult r = Turn(s, Thread("M20x2.5-6g", ("rootDiameter", root)));
        Assert.Equal((r.Field("crestDiameter").Value - root) / 2, r.Figure("heightCut"), 9);
        CalculationResult both = Turn(s, Thread("M20x2.5-6g", ("rootDiameter", root), ("heightToCut", 1.5)));
        Assert.Equal(root + 3, both.Field("crestDiameter").Value, 9);
    }

    [Fact]
    public void Inside_the_bore_comes_before_and_the_root_is_the_larger()
    {
        CalculationResult r = Turn(Turned(inside: true), Thread("M30x2-6H"));
        Assert.InRange(r.Field("crestDiameter").Value, 27.835, 28.21);
        Assert.True(r.Figure("rootDiameter") > 30);
        Assert.Equal(r.Figure("rootDiameter"), r.Figure("outerDiameter"), 9);
        Assert.Contains(
            "thinner bar", Refused(() => Turn(Turned(inside: true), Thread("M16x2-6H")), "threadToCut").Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void The_course_over_the_infeeds_is_what_the_figures_say()
    {
        foreach (string way in new[] { "radial", "flank", "modified", "alternating" })
        {
            Choices choices = Thread("M20x2.5-6g", ("infeeds", 9)).Picked("infeed", way);
            CalculationResult r = Turn(Turned(), choices);
            InfeedCourse course = r.Attached<InfeedCourse>()!;
            Assert.Equal(r.Figure("heightCut"), course.Infeeds[^1].Depth, 12);
            Assert.Equal(r.Figure("cuttingForce"), course.Infeeds.Max(i => i.Force), 9);
            Infeed worst = course.Infeeds[(int)r.Figure("heaviestInfeed") - 1];
            Assert.Equal(worst.Force, r.Figure("cuttingForce"), 9);
            Assert.Equal(worst.Power, r.Figure("power"), 9);

            // F_c = k_c11·h^−m·A of each, and all sections are the groove.
            Assert.All(course.Infeeds, i => Assert.Equal(1900 * Math.Pow(i.Chip, -0.25) * i.Section, i.Force, 1e-6 * i.Force));
            WorkThread t = WorkThread.Of(ThreadText.Read("M20x2.5-6g")!);
            GrooveProfile groove = new(t.Slopes.Leading, t.Slopes.Following, t.FloorWidth(false));
            Assert.Equal(groove.Section(r.Figure("heightCut")), course.Infeeds.Sum(i => i.Section), 9);
        }
    }

    [Theory]
    [InlineData("right", "M20x2.5", "front-up", "counter-clockwise", "towards", false)]
    [InlineData("right", "M20x2.5 LH", "front-up", "counter-clockwise", "away", true)]
    [InlineData("right", "M20x2.5", "behind-up", "clockwise", "away", false)]
    [InlineData("left", "M20x2.5", "front-up", "counter-clockwise", "towards", true)]
    [InlineData("left", "M20x2.5 LH", "behind-up", "clockwise", "towards", false)]
    [InlineData("right", "M20x2.5", "behind-down", "counter-clockwise", "towards", false)]
    [InlineData("right", "M20x2.5", "front-down", "clockwise", "away", false)]
    public void Hand_of_the_tool_hand_of_the_thread_and_place_give_both_directions(
        string hand, string thread, string stands, string turns, string feed, bool against)
    {
        Situation s = Turned().Changed(c => c with { Hand = hand == "left" ? Hand.Left : Hand.Right });
        CalculationResult r = Turn(s, Thread(thread).Picked("stands", stands));
        string told = r.Findings.Single(f => f.Code == "directions").Text.Template;
        Assert.Contains($"turns {turns},", told, StringComparison.Ordinal);
        Assert.Contains(feed, told, StringComparison.Ordinal);
        Assert.Equal(against, r.Findings.Any(f => f.Code == "against-hand"));
        Assert.Equal(against ? -1 : 1, Math.Sign(r.Field("shimInclination").Value));
    }

    [Fact]
    public void Speed_is_held_by_chuck_spindle_and_axis_and_the_feed_stays_the_lead()
    {
        Situation s = Turned(), slow = s with { Machine = new(1, 1, Lathe with { LargestFeed = 600 }) };
        CalculationResult chuck = Turn(s, Thread("M10x1.5", ("cuttingSpeed", 300)));
        Assert.Equal(3500, chuck.Figure("spindleSpeed"), 0);
        Assert.Contains("chuck", chuck.Findings.Single(f => f.Code == "held").Text.Template, StringComparison.Ordinal);
        CalculationResult axis = Turn(slow, Thread("M20x2.5"));
        Assert.Equal(240, axis.Figure("spindleSpeed"), 6);
        Assert.Equal(2.5, axis.Figure("feedRate") / axis.Figure("spindleSpeed"), 15);
        CalculationResult double5 = Turn(Turned(dimensions: [(Dimension.LargestPitch, 7), (Dimension.ProfileAngle, 30),
            (Dimension.InscribedCircle, 16)]), Thread("Tr40x14 (P7)"));
        Assert.Equal(14, double5.Figure("feedInUse"), 12);
        Assert.Contains(double5.Findings, f => f.Code == "starts");
    }

    [Fact]
    public void Ways_to_run_in_and_out_follow_the_acceleration_and_too_little_is_a_stop()
    {
        CalculationResult r = Turn(Turned(), Thread("M20x2.5", ("runOut", 0.1)));
        double feed = r.Figure("feedRate") / 60;
        Assert.Equal(feed * feed / 5000, r.Figure("axisRunUp"), 9);
        JudgedLimit limit = r.Limits.Single(l => l.Kind == "runOut");
        Assert.True(limit.Use > 1 && limit.Severity == Severity.Stop);
        Assert.True(r.Limits.Single(l => l.Kind == "runIn").Use <= 1);
        Situation unknown = Turned() with { Machine = new(1, 1, Lathe with { AxisAcceleration = 0 }) };
        CalculationResult not = Turn(unknown, Thread("M20x2.5"));
        Assert.Null(not.Limits.Single(l => l.Kind == "runIn").Use);
        Assert.Contains(not.Findings, f => f.Code == "acceleration-unknown");
    }

    [Fact]
    public void The_shim_is_judged_where_the_lead_is_steepest()
    {
        CalculationResult r = Turn(Turned(), Thread("M20x2.5", ("shimInclination", -3)));
        double steepest = ThreadShape.LeadAngle(2.5, r.Figure("rootDiameter"));
        Assert.Equal(steepest + 3, r.Figure("lean"), 9);

        // tan 10° · tan 30° = 0.1018: 5.8° of side clearance.
        JudgedLimit limit = r.Limits.Single(l => l.Kind == "flankClearance");
        Assert.Equal(double.RadiansToDegrees(Math.Atan(Math.Tan(Math.PI / 18) * Math.Tan(Math.PI / 6))), limit.Allowed!.Value, 9);
        Assert.Null(Turn(Turned(dimensions: [(Dimension.Clearance, 0)]), Thread("M20x2.5")).Limits.Single(l => l.Kind == "flankClearance").Use);
    }

    [Fact]
    public void Work_bends_less_with_a_centre_and_a_bar_more_when_it_is_long()
    {
        CalculationResult free = Turn(Turned(), Thread("M20x2.5", ("standsOut", 120))),
            held = Turn(Turned(), Thread("M20x2.5", ("standsOut", 120)).Picked("support", "centre"));
        Assert.True(held.Figure("deflection") < 0.3 * free.Figure("deflection"));
        double force = free.Attached<InfeedCourse>()!.Infeeds[^1].Passive;
        Assert.Equal(
            WorkBend.At(force, free.Figure("rootDiameter"), 120, 120, false, 205_000), free.Figure("deflection"), 1e-6 * free.Figure("deflection"));
        Situation bar = Turned(inside: true), longer = bar with
        {
            Assembly = bar.Assembly with { Value = bar.Assembly.Value with { Projection = bar.Assembly.Value.Projection - 10 } },
        };
        Assert.True(Turn(bar, Thread("M30x2")).Figure("deflection") > Turn(longer, Thread("M30x2")).Figure("deflection"));
    }

    [Theory]
    [InlineData("M20x4", "insert")]
    [InlineData("Tr20x4", "30°")]
    [InlineData("nonsense", "names no thread")]
    [InlineData("M20x2.5-9g", "class")]
    public void What_the_insert_cannot_cut_is_named_with_the_cure(string thread, string words) =>
        Assert.Contains(words, Refused(() => Turn(Turned(), Thread(thread)), "threadToCut").Sentence, StringComparison.OrdinalIgnoreCase);

    [Fact]
    public void An_insert_for_several_pitches_leaves_a_sharper_root_and_cuts_deeper()
    {
        Situation full = Turned(dimensions: Coarse), partial = full.Changed(
            c => c with { Picks = new Dictionary<string, string> { ["profile"] = "partial" } });
        CalculationResult a = Turn(full, Thread("M20x2.5-6g")), b = Turn(partial, Thread("M20x2.5-6g"));
        Assert.True(b.Figure("heightCut") > a.Figure("heightCut") + 0.1);
        Assert.Contains(b.Findings, f => f is { Code: "sharp-root", Severity: Severity.Caution });
        Assert.DoesNotContain(a.Findings, f => f.Code == "sharp-root");
    }

    [Fact]
    public void Every_pass_takes_its_time_and_every_start_all_of_them()
    {
        Situation s = Turned(dimensions: [(Dimension.LargestPitch, 7), (Dimension.ProfileAngle, 30), (Dimension.InscribedCircle, 16)]);
        CalculationResult one = Turn(s, Thread("Tr40x7", ("cuttingSpeed", 40), ("length", 60), ("runIn", 10), ("runOut", 10))),
            two = Turn(s, Thread("Tr40x14 (P7)", ("cuttingSpeed", 40), ("length", 60), ("runIn", 10), ("runOut", 10)));
        Assert.Equal(one.Way().Parts.Sum(p => p.Time), one.Figure("time"), 9);
        double fedOne = one.Way().Parts.Where(p => !p.Rapid).Sum(p => p.Count * p.Length), fedTwo = two.Way().Parts.Where(p => !p.Rapid)
            .Sum(p => p.Count * p.Length);
        Assert.Equal(2 * fedOne, fedTwo, 6);
    }

    [Fact]
    public void A_taper_thread_grows_into_the_work_outside_and_says_by_how_much()
    {
        Situation s = Turned(dimensions: [(Dimension.ProfileAngle, 55)]);
        CalculationResult r = Turn(s, Thread("R3/4"));
        Core.Threads.Thread t = ThreadText.Read("R3/4")!;
        Assert.Equal(t.Diameter - (GaugePlane.Of(t)!.Value.Gauge / 16), r.Field("crestDiameter").Value, 3);
        Assert.Equal(r.Field("crestDiameter").Value + (r.Field("length").Value / 16), r.Figure("outerDiameter"), 6);
        Assert.Contains(r.Findings, f => f.Code == "taper");
    }

    [Fact]
    public void A_machine_that_does_not_turn_the_work_is_told() =>
        Assert.Contains(
            Turn(Turned() with { Machine = new(1, 1, Sample.Machine) }, Thread("M20x2.5")).Findings,
            f => f is { Code: "no-main-spindle", Severity: Severity.Stop });
}

using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Tests.ThreadCutting;
using Incisura.Core.ThreadCutting;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>What the edge and its bar are: the field of its chip, a wiper, what the bar is made of, and cuts that are interrupted.</summary>
public class TurningEdgeTests
{
    private const CutterFamily Bar = CutterFamily.InsideTurningTool;

    private static readonly (string, double)[] Usual = [("startDiameter", 60), ("endDiameter", 50), ("stockLeft", 0), ("deflectionAllowed", 2000)];

    // Forms its chip from 1 to 4 mm and from 0.15 to 0.45 mm; deep only to 0.3, and fast only from 2 mm on.
    private static readonly (Dimension, double)[] Field =
    [
        (Dimension.LeastFormingDepth, 1), (Dimension.LargestFormingDepth, 4), (Dimension.LeastFormingFeed, 0.15),
        (Dimension.LargestFormingFeed, 0.45), (Dimension.LargestFormingFeedDeep, 0.3), (Dimension.LeastFormingDepthFast, 2),
    ];

    [Theory]
    [InlineData(1.0, 0.15, 1.0, 0.45)]
    [InlineData(2.5, 0.3, 1.5, 0.375)]
    [InlineData(4.0, 0.45, 2.0, 0.3)]
    [InlineData(5.0, 0.5, 2.0, 0.3)]
    public void The_chip_forms_in_a_field_whose_corners_may_be_cut_off(double depth, double feed, double leastDepth, double largestFeed)
    {
        CalculationResult r = Turn(
            "turn-rough", With("turn-rough", depth: 10, dimensions: Field),
            [
                ("startDiameter", 60), ("endDiameter", 60 - (2 * depth)), ("stockLeft", 0), ("depthOfCut", depth), ("feedPerRevolution", feed),
                ("deflectionAllowed", 2000),
            ]);
        Assert.Equal(leastDepth, r.Limit("leastFormingDepth").Allowed!.Value, 9);
        Assert.Equal(largestFeed, r.Limit("largestFormingFeed").Allowed!.Value, 9);
    }

    [Fact]
    public void A_field_without_corners_is_a_rectangle()
    {
        CalculationResult r = Turn("turn-rough", With("turn-rough", dimensions: Field[..4]), Usual);
        Assert.Equal(1, r.Limit("leastFormingDepth").Allowed);
        Assert.Equal(0.45, r.Limit("largestFormingFeed").Allowed);
    }

    [Fact]
    public void A_wiper_leaves_the_marks_of_what_it_does_not_reach_and_never_less_than_half() => Gen.Select(
        Gen.Double[0.05, 0.8], Gen.Double[0.2, 1.6], Gen.Double[0.1, 1]).Sample(
        (feed, corner, wiper) =>
        {
            double plain = FeedMark.Exact(feed, corner, 95, 5), wiped = FeedMark.Wiped(feed, corner, 95, 5, wiper);
            Assert.InRange(wiped, plain / 2, plain);
            if (feed > wiper && FeedMark.Exact(feed - wiper, corner, 95, 5) is var rest && rest > plain / 2) Assert.Equal(rest, wiped, 9);
            Assert.Equal(plain, FeedMark.Wiped(feed, corner, 95, 5, 0), 12);

            // The feed for a finish is the largest that keeps it.
            double most = FeedMark.WipedFeedFor(wiped, corner, 95, 5, wiper);
            Assert.InRange(FeedMark.Wiped(most, corner, 95, 5, wiper), 0.99 * wiped, wiped * (1 + 1e-6));
            Assert.True(most >= feed * (1 - 1e-6));
        });

    [Fact]
    public void A_wiper_lets_finishing_feed_faster()
    {
        (string, double)[] finish = [("startDiameter", 41), ("endDiameter", 40), ("finishWanted", 6), ("deflectionAllowed", 2000)];
        CalculationResult plain = Turn("turn-finish", With("turn-finish"), finish),
            wiped = Turn("turn-finish", With("turn-finish", dimensions: [(Dimension.WiperLength, 0.5)]), finish);

        // Marks of twice the height by the corner alone: about √2 of the feed, the trailing edge aside.
        Assert.InRange(wiped.Figure("feedInUse") / plain.Figure("feedInUse"), 1.35, 1.55);
        Assert.InRange(wiped.Figure("peakToValley"), 5.4, 6);
    }

    [Theory]
    [InlineData("steel", 210_000, 4)]
    [InlineData("heavyMetal", 345_000, 6)]
    [InlineData("carbide", 600_000, 6)]
    [InlineData("damped", 210_000, 10)]
    public void A_bar_bends_as_what_it_is_made_of_and_stands_out_as_far_as_that_is_quiet(string made, double modulus, double overhang)
    {
        (string, double)[] bore = [("startDiameter", 40), ("endDiameter", 44), ("length", 30), ("deflectionAllowed", 2000)];
        CalculationResult steel = Turn("turn-rough", Made("steel"), bore), r = Turn("turn-rough", Made(made), bore);
        Assert.Equal(modulus / 210_000, Bend(steel) / Bend(r), 1e-9);
        Assert.Equal(overhang, r.Limit("overhang").Allowed);

        static double Bend(CalculationResult r) => r.Figure("deflection");

        static Situation Made(string of)
        {
            Situation s = With("turn-rough", Bar);

            // What the seat gives is not the bar's.
            return s with
            {
                Holder = s.Holder with { Value = s.Holder.Value with { SeatCompliance = 0 } },
                Cutter = s.Cutter with { Value = s.Cutter.Value with { Picks = new Dictionary<string, string> { ["bar"] = of } } },
            };
        }
    }

    [Theory]
    [InlineData(Hand.Right, "front-up", "main", false, false)]
    [InlineData(Hand.Right, "behind-down", "main", false, false)]
    [InlineData(Hand.Right, "behind-up", "main", true, true)]
    [InlineData(Hand.Left, "front-up", "main", false, true)]
    [InlineData(Hand.Left, "front-down", "main", true, false)]
    [InlineData(Hand.Right, "front-up", "counter", true, true)]
    [InlineData(Hand.Left, "front-up", "counter", true, false)]
    [InlineData(Hand.Neutral, "behind-up", "main", true, false)]
    public void The_spindle_turns_against_the_rake_face_and_the_hand_leads_to_the_chuck(
        Hand hand, string stands, string spindle, bool clockwise, bool away)
    {
        Situation s = With("turn-rough");
        s = s with { Cutter = s.Cutter with { Value = s.Cutter.Value with { Hand = hand } } };
        CalculationResult r = Turn("turn-rough", s, null, [("stands", stands), ("spindle", spindle)]);
        string told = r.Findings.Single(f => f.Code == "directions").Text.ToString();
        Assert.Contains(clockwise ? "turns clockwise" : "turns counter-clockwise", told, StringComparison.Ordinal);
        Assert.Equal(away, r.Findings.Any(f => f is { Code: "leads-away", Severity: Severity.Caution }));

        // A thread of that hand is fed the way its lead goes with the spindle so turning.
        CalculationResult thread = Operations.Find("thread-turning")!.Calculate(
            ThreadSample.Turned() with { Machine = s.Machine }, Typed(null, [("stands", stands), ("spindle", spindle)]), explain: false);
        InfeedCourse course = thread.Attached<InfeedCourse>()!;
        Assert.Equal((clockwise, !clockwise), (course.Clockwise, course.TowardsChuck));
        Assert.Equal(
            stands == "front-up" ? null : stands,
            r.Attached<GoesOn>()!.Steps[0].Options.GetValueOrDefault("stands"));
    }

    [Fact]
    public void An_interrupted_cut_bends_and_pulls_as_a_force_that_comes_at_once()
    {
        (string, double)[] typed = [.. Usual, ("depthOfCut", 2.5), ("feedPerRevolution", 0.25), ("cuttingSpeed", 180)];
        CalculationResult even = Turn("turn-rough", With("turn-rough"), typed),
            struck = Turn("turn-rough", With("turn-rough"), [.. typed, ("cutShare", 0.6)]);
        foreach (string figure in (string[])["deflection", "workBend", "wallError", "gripNeeded", "leverForce"])
            Assert.Equal(2, struck.Figure(figure) / even.Figure(figure), 9);
        foreach (string figure in (string[])["cuttingForce", "power", "torque", "time"])
            Assert.Equal(even.Figure(figure), struck.Figure(figure));
        Assert.Contains(struck.Findings, f => f.Code == "interrupted" && f.Severity == Severity.Caution);
        Assert.DoesNotContain(even.Findings, f => f.Code == "interrupted");
        Assert.Equal("cutShare", Refused("turn-rough", With("turn-rough"), ("cutShare", 1.2)).Field);
    }
}

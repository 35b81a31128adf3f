using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using Incisura.Core.Records;

namespace Incisura.Core.Tests.Records;

/// <summary>May this be used: every reason against it, on every road.</summary>
public class UsableTests
{
    private static readonly DateOnly Today = new(2026, 12, 1);

    private static readonly Finding Break = new("over-limit", Severity.Stop, new("{0} is asked for and {1} is allowed.", new(18, Quantity.Length),
        new Measure(4, Quantity.Length)), "Take less.");

    private static readonly Standing Stale = Standing.Firm with
    {
        Moved = [new(new("chart", 1, "Shop chart", 3), 4)],
        Figures = [new("feedRate", "v_f", "Feed rate", Quantity.FeedRate, 500, 400)],
    };

    private static RevisionFacts Sound(RecordState state = RecordState.InReview) => new(state, ["maren"], Standing.Firm) { Today = Today };

    // Each way in which figures can have become untrue, by the code that tells it.
    private static Dictionary<string, RevisionFacts> Untrue => new()
    {
        [Usable.Stopped] = Sound() with { Standing = Standing.Firm with { Breaks = [new(Usable.Stopped, Severity.Stop, new("Do not run."), "")] } },
        [Usable.Ended] = Sound() with { Terms = Terms.None with { Until = Today.AddDays(-1) } },
        [Usable.StopFinding] = Sound() with { Findings = [new("collides", Severity.Stop, new("It collides."), "")] },
        [Usable.Broken] = Sound() with { Standing = Standing.Firm with { Breaks = [Break] } },
        [Usable.Impossible] = Sound() with { Standing = Standing.Firm with { Refused = "There is no row." } },
        [Usable.UnapprovedThread] = Sound() with { UnapprovedThread = "Worn 24 is not approved." },
        [Usable.OpenCaution] = Sound() with { Findings = [new("thin", Severity.Caution, new("Thin chip."), "")] },
        [Usable.Moved] = Sound() with { Standing = Stale },
    };

    [Fact]
    public void What_is_sound_may_be_used_for_everything() =>
        Assert.All(Enum.GetValues<Use>(), use => Assert.Empty(Usable.Bars(Sound(), use)));

    [Theory]
    [InlineData(Use.Approval, Usable.Moved)]
    [InlineData(Use.Keeping, Usable.Moved)]
    [InlineData(Use.Publication, Usable.Moved, Usable.Broken)]
    [InlineData(Use.Reading, Usable.Moved)]
    public void Each_thing_that_became_untrue_is_said_and_only_some_yield_to_a_reason(Use use, params string[] yield)
    {
        foreach ((string code, RevisionFacts facts) in Untrue.Where(u => (u.Key, use) is not (Usable.OpenCaution, Use.Reading)))
        {
            Bar bar = Assert.Single(Usable.Bars(facts, use));
            Assert.Equal((code, yield.Contains(code)), (bar.Code, bar.Yields));
            Assert.NotEmpty(bar.Says.ToString());
        }
    }

    [Fact]
    public void Nothing_untrue_is_approved_but_what_moved_with_a_reason_that_stands_beside_the_figures()
    {
        Actor approver = new("tobias", Role.Approver);
        foreach ((string code, RevisionFacts facts) in Untrue)
        {
            Assert.Equal(code, Assert.Throws<RuleException>(() => RecordLife.After(facts, RecordAct.Approve, approver, null)).Code);
            if (code != Usable.Moved)
                Assert.Equal(code, Assert.Throws<RuleException>(() => RecordLife.After(facts, RecordAct.Approve, approver, "because")).Code);
        }

        RevisionFacts moved = Untrue[Usable.Moved];
        Assert.Equal(RecordState.Approved, RecordLife.After(moved, RecordAct.Approve, approver, "ran so last week"));
        ActVerdict verdict = RecordLife.Verdicts(moved, approver).Single(v => v.Act == RecordAct.Approve);
        Assert.Equal(("", 1), (verdict.Rule, verdict.Against.Count));
        Terms after = Usable.Overrule(Terms.None, Usable.Bars(moved, Use.Approval), " ran so last week ", "tobias");
        Acceptance said = Assert.Single(Usable.Overruled(after));
        Assert.Equal((Usable.Moved, "ran so last week", "tobias"), (said.Code, said.Reason, said.By));
        Assert.Contains("chart Shop chart", said.Text, StringComparison.Ordinal);
        Assert.Contains("400 mm/min instead of 500 mm/min", said.Text, StringComparison.Ordinal);

        // Said again it replaces what was said before, and other figures do not take it along.
        Assert.Single(Usable.Overrule(after, Usable.Bars(moved, Use.Keeping), "still", "ines").Accepted, a => a is { Reason: "still", By: "ines" });
        Assert.Empty(after.For([]).Accepted);
    }

    [Fact]
    public void Whoever_stands_in_for_somebody_who_had_a_hand_in_it_decides_nothing()
    {
        foreach (RecordAct act in new[] { RecordAct.Approve, RecordAct.SendBack })
        {
            RuleException refused =
                Assert.Throws<RuleException>(() => RecordLife.After(Sound(), act, new("edda", Role.Approver, InPlaceOf: "Maren"), "because"));
            Assert.Equal("own-proposal", refused.Code);
            Assert.Contains("You stand in for Maren", refused.Message, StringComparison.Ordinal);
            RecordLife.After(Sound(), act, new("edda", Role.Approver, InPlaceOf: "tobias"), "because");
        }
    }

    [Fact]
    public void Another_length_sets_the_same_at_the_machine_and_another_speed_feed_depth_or_width_does_not()
    {
        CalculationResult usual = Of();
        Assert.True(Usable.SameAtMachine(usual, Of(("length", 326.4))));
        Assert.True(Usable.SameAtMachine(usual, Of(("cuttingSpeed", Speed * 1.004))));
        foreach ((string code, double factor) in new[] { ("cuttingSpeed", 1.01), ("feedPerTooth", 1.01), ("depthOfCut", 1.01), ("widthOfCut", 0.98) })
            Assert.False(Usable.SameAtMachine(usual, Of((code, usual.Field(code).Value * factor))), code);

        Terms tried = Terms.None with { Evidence = new(EvidenceKind.TriedAtMachine, "Job 7") };
        Assert.Equal(tried.Evidence, tried.Carried(Of(("length", 326.4)), usual).Evidence);
        Assert.Equal(Evidence.Computed, tried.Carried(Of(("cuttingSpeed", Speed * 1.1)), usual).Evidence);
        Assert.Equal(Evidence.Computed, tried.Carried(usual, null).Evidence);
    }

    private const double Speed = 150;

    private static CalculationResult Of(params (string Code, double Value)[] more) => Core.Catalogue.Operations.Find("side-rough")!.Calculate(
        Sample.Situation,
        Sample.Typed(
            [
                .. new[] { ("cuttingSpeed", Speed), ("feedPerTooth", 0.05), ("depthOfCut", 5.0), ("widthOfCut", 1.0), ("length", 320.0) }
                    .Where(u => more.All(m => m.Code != u.Item1)), .. more,
            ]),
        explain: false);
}

using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using Incisura.Core.Records;

namespace Incisura.Core.Tests.Records;

public class TermsTests
{
    private static readonly Actor Approver = new("tobias", Role.Approver), Engineer = new("maren", Role.Engineer);

    private static Finding Caution(double chip, string code = "thin") =>
        new(code, Severity.Caution, new("Least chip {0}.", new Measure(chip, Quantity.Length)), "");

    private static Finding Stop { get; } = new("collides", Severity.Stop, new("It collides."), "Take a longer one.");

    private static RevisionFacts InReview(params Finding[] findings) => By(RecordState.InReview, "maren") with { Findings = findings };

    private static ActVerdict Verdict(RevisionFacts facts, RecordAct act, Actor actor) =>
        RecordLife.Verdicts(facts, actor).Single(v => v.Act == act);

    private static RevisionFacts By(RecordState state, params string[] contributors) => new(state, contributors, Standing.Firm);

    [Fact]
    public void An_acceptance_is_of_the_numbers_in_a_caution_too()
    {
        Dictionary<string, string> reason = new() { [Caution(0.01).Text.ToString()] = " thin wall " };
        Terms terms = Terms.None.Accepting(reason, [Caution(0.01)], "maren");
        Acceptance accepted = Assert.Single(terms.Accepted);
        Assert.Equal(("thin", "thin wall", "maren"), (accepted.Code, accepted.Reason, accepted.By));
        Assert.Same(accepted, terms.Of(Caution(0.01)));
        Assert.Null(terms.Of(Caution(0.02)));
        Assert.Null(terms.Of(Caution(0.01, "other")));
        Assert.Empty(terms.Open([Caution(0.01)]));
        Assert.Single(terms.Open([Caution(0.01), Caution(0.02), Stop]));
        Assert.Empty(terms.For([Caution(0.02)]).Accepted);
    }

    [Fact]
    public void A_reason_is_taken_back_by_an_empty_one_and_who_writes_the_same_again_does_not_become_its_author()
    {
        Finding[] findings = [Caution(0.01)];
        Dictionary<string, string> Reason(string r) => new() { [findings[0].Text.ToString()] = r };
        Terms terms = Terms.None.Accepting(Reason("thin wall"), findings, "maren");
        Assert.Equal("maren", terms.Accepting(Reason("thin wall"), findings, "tobias").Accepted[0].By);
        Assert.Equal("tobias", terms.Accepting(Reason("thin walls"), findings, "tobias").Accepted[0].By);
        Assert.Empty(terms.Accepting(Reason("  "), findings, "tobias").Accepted);
        Assert.Equal("no-such-caution", Assert.Throws<RuleException>(() => Terms.None.Accepting(Reason("x"), [Stop], "maren")).Code);
        Assert.Equal(
            "reason",
            Assert.Throws<RuleException>(() => terms.Accepting(Reason(new string('x', RecordLife.LongestText + 1)), findings, "maren")).Code);
    }

    [Fact]
    public void Nothing_with_an_open_caution_is_approved_and_nothing_with_a_stop_is_submitted()
    {
        RevisionFacts open = InReview(Caution(0.01));
        Assert.Equal("open-caution", Verdict(open, RecordAct.Approve, Approver).Rule);
        Terms terms = Terms.None.Accepting(new Dictionary<string, string> { [Caution(0.01).Text.ToString()] = "thin wall" }, open.Findings, "maren");
        Assert.Equal("", Verdict(open with { Terms = terms }, RecordAct.Approve, Approver).Rule);
        RevisionFacts draft = By(RecordState.Draft, "maren") with { Findings = [Stop] };
        Assert.Equal("stop-finding", Verdict(draft, RecordAct.Submit, Engineer).Rule);
        Assert.Contains("It collides. Take a longer one.", Verdict(draft, RecordAct.Submit, Engineer).WhyNot, StringComparison.Ordinal);
        Assert.Equal("thread-not-approved", Verdict(InReview() with { UnapprovedThread = "Worn 24 is not." }, RecordAct.Approve, Approver).Rule);
    }

    [Theory]
    [InlineData(-1, true)]
    [InlineData(0, false)]
    [InlineData(1, false)]
    public void An_approval_holds_to_the_end_of_its_last_day(int days, bool ended)
    {
        DateOnly today = new(2026, 11, 27);
        Terms terms = Terms.None with { Until = today.AddDays(days) };
        Assert.Equal(ended, terms.EndedOn(today));
        Assert.Equal(ended, !terms.Check(today).Faults.All(f => f.Field != "until"));
        Assert.Equal(ended ? "ended" : "", Verdict(InReview() with { Terms = terms, Today = today }, RecordAct.Approve, Approver).Rule);
        Assert.False(Terms.None.EndedOn(DateOnly.MaxValue));
    }

    [Fact]
    public void Only_what_moved_and_breaks_nothing_is_kept_and_once_is_enough()
    {
        RevisionFacts approved = By(RecordState.Approved, "maren");
        Standing stale = Standing.Firm with { Limits = [new("power", "Power", 0.5, 0.9)] };
        Assert.Equal("holds", Verdict(approved with { Standing = Standing.Firm }, RecordAct.Keep, Approver).Rule);
        Assert.Equal("", Verdict(approved with { Standing = stale }, RecordAct.Keep, Approver).Rule);
        Assert.Equal("holds", Verdict(approved with { Standing = stale, Kept = true }, RecordAct.Keep, Approver).Rule);
        Assert.Equal("ended", Verdict(approved with { Standing = stale, Ended = true }, RecordAct.Keep, Approver).Rule);
        Assert.Equal("impossible", Verdict(approved with { Standing = stale with { Refused = "No such speed." } }, RecordAct.Keep, Approver).Rule);
    }

    [Fact]
    public void Every_verdict_is_what_the_act_does()
    {
        Actor[] actors = [Approver, Engineer, new("x", Role.Reader), new("x", Role.Administrator), new("ada", Role.Approver, "ines")];
        foreach (RecordState state in Enum.GetValues<RecordState>())
            foreach (Actor actor in actors)
                foreach (ActVerdict verdict in RecordLife.Verdicts(By(state, "maren", "ada"), actor))
                {
                    Exception? thrown = Record.Exception(() => RecordLife.After(By(state, "maren", "ada"), verdict.Act, actor, "because"));
                    Assert.Equal(verdict.Rule, (thrown as RuleException)?.Code ?? "");
                    Assert.Equal(verdict.WhyNot, thrown?.Message ?? "");
                }
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Quantities;
using Incisura.Core.Records;

namespace Incisura.Core.Tests.Records;

public class RecordLifeTests
{
    private static readonly Actor Engineer = new("maren", Role.Engineer), Approver = new("tobias", Role.Approver);

    [Theory]
    [InlineData(RecordState.Draft, RecordAct.Submit, RecordState.InReview)]
    [InlineData(RecordState.InReview, RecordAct.Approve, RecordState.Approved)]
    [InlineData(RecordState.InReview, RecordAct.SendBack, RecordState.Draft)]
    [InlineData(RecordState.Approved, RecordAct.Withdraw, RecordState.Withdrawn)]
    [InlineData(RecordState.Draft, RecordAct.Discard, RecordState.Discarded)]
    public void The_life_runs_from_draft_to_withdrawn(RecordState from, RecordAct act, RecordState to) =>
        Assert.Equal(to, RecordLife.After(from, act, Approver, ["maren"], "because"));

    [Fact]
    public void Nobody_decides_on_their_own_proposal_however_the_name_is_written() =>
        Assert.Equal(
            "own-proposal",
            Assert.Throws<RuleException>(() => RecordLife.After(RecordState.InReview, RecordAct.Approve, Approver, ["maren", "Tobias"], null)).Code);

    [Theory]
    [InlineData(Role.Engineer)]
    [InlineData(Role.Reader)]
    [InlineData(Role.Administrator)]
    public void Only_an_approver_decides(Role role) =>
        Assert.Equal(
            "role",
            Assert.Throws<RuleException>(() => RecordLife.After(RecordState.InReview, RecordAct.Approve, new("x", role), ["maren"], null)).Code);

    [Theory]
    [InlineData(RecordState.InReview, RecordAct.SendBack)]
    [InlineData(RecordState.Approved, RecordAct.Withdraw)]
    public void Sending_back_and_withdrawing_need_a_reason(RecordState state, RecordAct act) =>
        Assert.Equal("reason", Assert.Throws<RuleException>(() => RecordLife.After(state, act, Approver, ["maren"], "  ")).Code);

    [Fact]
    public void Every_other_step_is_refused()
    {
        foreach (RecordState state in Enum.GetValues<RecordState>())
            foreach (RecordAct act in Enum.GetValues<RecordAct>())
            {
                bool allowed = (state, act) is (RecordState.Draft, RecordAct.Edit) or (RecordState.Draft, RecordAct.Submit)
                    or (RecordState.InReview, RecordAct.Approve)
                    or (RecordState.InReview, RecordAct.SendBack) or (RecordState.Approved, RecordAct.Withdraw)
                        or (RecordState.Draft, RecordAct.Discard);
                if (!allowed)
                    Assert.Equal("state", Assert.Throws<RuleException>(() => RecordLife.After(state, act, Approver, ["maren"], "why")).Code);
            }
    }

    [Fact]
    public void An_engineer_may_edit_and_submit_but_a_reader_may_not()
    {
        Assert.Equal(RecordState.Draft, RecordLife.After(RecordState.Draft, RecordAct.Edit, Engineer, ["maren"], null));
        Assert.Throws<RuleException>(() => RecordLife.After(RecordState.Draft, RecordAct.Edit, new("r", Role.Reader), ["maren"], null));
    }

    [Fact]
    public void What_moved_under_a_record_is_told_with_both_revisions()
    {
        IReadOnlyList<Footing> then = Staleness.FootingsOf(Sample.Situation, Choices.None, "5");
        Situation later = Sample.Situation with { Cutter = new(1, 3, Sample.Cutter) };
        MovedFooting moved = Assert.Single(Staleness.Moved(then, Staleness.FootingsOf(later, Choices.None, "5")));
        Assert.Equal(("cutter", 1, 3), (moved.Footing.Kind, moved.Footing.Revision, moved.Now));
        Assert.Empty(Staleness.Moved(then, then));
    }

    [Fact]
    public void Figures_that_changed_are_listed_and_the_rest_is_not()
    {
        Figure n = new("n", "n", "Spindle speed", Quantity.SpindleSpeed, 1000), f = new("f", "v_f", "Feed", Quantity.FeedRate, 200);
        FigureChange change = Assert.Single(Staleness.Changes([n, f], [n, f with { Value = 210 }]));
        Assert.Equal((200d, 210d), (change.From, change.To));
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Quantities;
using Incisura.Core.Records;

namespace Incisura.Core.Tests.Records;

public class RecordLifeTests
{
    private static readonly Actor Engineer = new("maren", Role.Engineer), Approver = new("tobias", Role.Approver);

    // Something moved, so that there is something to keep.
    private static readonly Standing Moved = Standing.Firm with { Limits = [new("power", "Power", 0.5, 0.9)] };

    private static RevisionFacts By(RecordState state, params string[] contributors) => new(state, contributors, Standing.Firm);

    [Theory]
    [InlineData(RecordState.Draft, RecordAct.Submit, RecordState.InReview)]
    [InlineData(RecordState.InReview, RecordAct.Approve, RecordState.Approved)]
    [InlineData(RecordState.InReview, RecordAct.SendBack, RecordState.Draft)]
    [InlineData(RecordState.Approved, RecordAct.Withdraw, RecordState.Withdrawn)]
    [InlineData(RecordState.Draft, RecordAct.Discard, RecordState.Discarded)]
    [InlineData(RecordState.Approved, RecordAct.Keep, RecordState.Approved)]
    public void The_life_runs_from_draft_to_withdrawn(RecordState from, RecordAct act, RecordState to) =>
        Assert.Equal(to, RecordLife.After(By(from, "maren") with { Standing = Moved }, act, Approver, "because"));

    [Fact]
    public void Nobody_decides_on_their_own_proposal_however_the_name_is_written() =>
        Assert.Equal(
            "own-proposal",
            Assert.Throws<RuleException>(
                () => RecordLife.After(By(RecordState.InReview, "maren", "Tobias"), RecordAct.Approve, Approver, null)).Code);

    [Theory]
    [InlineData(Role.Engineer)]
    [InlineData(Role.Reader)]
    [InlineData(Role.Administrator)]
    public void Only_an_approver_decides(Role role) =>
        Assert.Equal(
            "role",
            Assert.Throws<RuleException>(() => RecordLife.After(By(RecordState.InReview, "maren"), RecordAct.Approve, new("x", role), null)).Code);

    [Theory]
    [InlineData(RecordState.InReview, RecordAct.SendBack)]
    [InlineData(RecordState.Approved, RecordAct.Withdraw)]
    [InlineData(RecordState.Approved, RecordAct.Keep)]
    public void Sending_back_and_withdrawing_need_a_reason(RecordState state, RecordAct act) =>
        Assert.Equal(
            "reason",
            Assert.Throws<RuleException>(() => RecordLife.After(By(state, "maren") with { Standing = Moved }, act, Approver, "  ")).Code);

    [Fact]
    public void Every_other_step_is_refused()
    {
        foreach (RecordState state in Enum.GetValues<RecordState>())
            foreach (RecordAct act in Enum.GetValues<RecordAct>())
            {
                bool allowed = (state, act) is (RecordState.Draft, RecordAct.Edit) or (RecordState.Draft, RecordAct.Submit)
                    or (RecordState.InReview, RecordAct.Approve)
                    or (RecordState.InReview, RecordAct.SendBack) or (RecordState.Approved, RecordAct.Withdraw)
                        or (RecordState.Draft, RecordAct.Discard) or (RecordState.Approved, RecordAct.Keep)
                        or (RecordState.InReview, RecordAct.TakeBack);
                if (!allowed)
                    Assert.Equal("state", Assert.Throws<RuleException>(() => RecordLife.After(By(state, "maren"), act, Approver, "why")).Code);
            }
    }

    [Fact]
    public void Only_who_worked_on_it_takes_it_back_from_review()
    {
        Assert.Equal(RecordState.Draft, RecordLife.After(By(RecordState.InReview, "Maren"), RecordAct.TakeBack, Engineer, null));
        Assert.Equal(
            "not-yours",
            Assert.Throws<RuleException>(() => RecordLife.After(By(RecordState.InReview, "maren"), RecordAct.TakeBack, Approver, null)).Code);
    }

    [Theory]
    [InlineData(Role.Engineer, "role")]
    [InlineData(Role.Approver, "own-proposal")]
    public void Keeping_is_a_decision_for_somebody_else(Role role, string rule) =>
        Assert.Equal(
            rule,
            Assert.Throws<RuleException>(() => RecordLife.After(By(RecordState.Approved, "x"), RecordAct.Keep, new("x", role), "why")).Code);

    [Fact]
    public void A_figure_inside_the_tolerance_has_not_moved()
    {
        static Figure[] Of(double v) => [new("a", "a", "A", Quantity.Length, v)];
        Assert.Empty(Staleness.Changes(Of(100), Of(100.4), Staleness.Tolerance));
        Assert.Single(Staleness.Changes(Of(100), Of(100.6), Staleness.Tolerance));
        Assert.Single(Staleness.Changes(Of(100), Of(100.4)));
        Standing moved = Standing.Firm with { Figures = Staleness.Changes(Of(100), Of(80)) };
        Assert.Equal(0.2, moved.Move, 12);
        Assert.Equal(1, (Standing.Firm with { Figures = Staleness.Changes([], Of(80)) }).Move);
        Assert.Equal(0, Standing.Firm.Move);
    }

    [Fact]
    public void A_situation_for_one_operation_has_only_what_it_reads_of_the_chart()
    {
        Situation s = Sample.Situation, own = s.For(Operations.Find("side-rough")!.Description);
        SpeedRow? found = s.Chart.Value.Find(s.Cutter.Value.Family, s.Cutter.Value.Material, s.Material.Value, "side-rough");
        Assert.Same(found, Assert.Single(own.Chart.Value.Rows));
        Assert.True(own.Chart.Value.SameAs(own.For(Operations.Find("side-rough")!.Description).Chart.Value));
        SpeedRow row = own.Chart.Value.Rows[0];
        SpeedChart With(SpeedRow r) => own.Chart.Value with { Rows = [r] };
        Assert.True(own.Chart.Value.SameAs(With(row with { Feeds = [.. row.Feeds] })));
        Assert.False(own.Chart.Value.SameAs(With(row with { Feeds = [.. row.Feeds, new(99, 1)] })));
        Assert.False(own.Chart.Value.SameAs(With(row with { CuttingSpeed = row.CuttingSpeed + 1 })));
        Assert.False(own.Chart.Value.SameAs(own.Chart.Value with { Rows = [] }));
        Assert.False(own.Chart.Value.SameAs(own.Chart.Value with { Practice = own.Chart.Value.Practice with { Lift = 99 } }));
    }

    [Fact]
    public void An_engineer_may_edit_and_submit_but_a_reader_may_not()
    {
        Assert.Equal(RecordState.Draft, RecordLife.After(By(RecordState.Draft, "maren"), RecordAct.Edit, Engineer, null));
        Assert.Throws<RuleException>(() => RecordLife.After(By(RecordState.Draft, "maren"), RecordAct.Edit, new("r", Role.Reader), null));
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

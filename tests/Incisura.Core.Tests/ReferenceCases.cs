using Incisura.Cases;

namespace Incisura.Core.Tests;

public class ReferenceCases
{
    private static readonly string Reference = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "reference", "cutting-cases.json"));

    public static TheoryData<string> Covered() =>
        [.. CaseRunner.Run(Reference).Where(r => r.Outcome is not CaseOutcome.NotYetCovered).Select(r => r.Id)];

    [Theory]
    [MemberData(nameof(Covered))]
    public void A_worked_case_agrees(string id)
    {
        CaseRun run = CaseRunner.Run(Reference).Single(r => r.Id == id);
        Assert.Equal([], run.Differences);
    }

    [Fact]
    public void Every_case_of_the_reference_is_run_or_named_as_not_yet_covered()
    {
        Assert.DoesNotContain(CaseRunner.Run(Reference), r => r.Outcome == CaseOutcome.Unknown);
        Assert.True(CaseRunner.Run(Reference).Count(r => r.Outcome == CaseOutcome.Passed) >= 7);
    }

    [Fact]
    public void A_wrong_figure_and_an_unknown_id_are_told()
    {
        const string wrong =
            """
            {"cases":[{"id":"even-passes-9","inputs":{"total":5,"most":2},"expected":{"passes":2},
            "relativeTolerance":0.0001},{"id":"whittling-1"}]}
            """;
        Assert.Equal([CaseOutcome.Differs, CaseOutcome.Unknown], CaseRunner.Run(wrong).Select(r => r.Outcome));
    }
}

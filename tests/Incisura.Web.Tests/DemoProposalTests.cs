using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;

namespace Incisura.Web.Tests;

/// <summary>What is proposed to the demo workshop: every assembly on every work material, wherever an operation takes it.</summary>
public sealed class DemoProposalTests(SharedWorkshop workshop)
{
    // What makes a situation no ordinary one: parts that do not go together, or data that are missing.
    private static readonly string[] NotOrdinary = ["material-group", "interface", "not-judged", "machine-coolant"];

    private async Task<IEnumerable<(IOperation Operation, CalculationResult Result)>> OrdinaryAsync()
    {
        ShelfView view = await workshop.ShelfAsync();
        List<(IOperation, CalculationResult)> results = [];
        foreach (IOperation operation in Operations.All)
            foreach (int assembly in view.Assemblies.Keys)
                foreach (int material in view.Materials.Keys)
                {
                    Situation? s = view.SituationOf(material, assembly, 1);
                    if (s is null || !operation.Description.Families.Contains(s.Cutter.Value.Family)) continue;
                    try
                    {
                        CalculationResult r = operation.Calculate(s, Choices.None, explain: false, TestContext.Current.CancellationToken);
                        if (!r.Findings.Any(f => NotOrdinary.Contains(f.Code))) results.Add((operation, r));
                    }
                    catch (InputException)
                    {
                    }
                }

        return results;
    }

    [Fact]
    public async Task Every_proposal_keeps_every_limit_or_says_which_stands_in_the_way_and_findings_are_few()
    {
        (IOperation Operation, CalculationResult Result)[] all = [.. await OrdinaryAsync()];
        Assert.True(all.Length > 300, $"{all.Length} ordinary situations");
        foreach ((IOperation operation, CalculationResult r) in all.Where(o => o.Operation.Description.Free.Count > 0))
            Assert.Equal(
                r.Limits.Any(l => l.Use > 1 + 1e-9), r.Findings.Any(f => f.Code == "nothing-fits"));

        // One that is always there is read by nobody.
        foreach (IGrouping<string, string> code in all.SelectMany(o => o.Result.Findings.Select(f => f.Code).Distinct()).GroupBy(c => c))
            Assert.True(code.Count() <= all.Length / 3, $"{code.Key} is said on {code.Count()} of {all.Length}");
    }

    [Fact]
    public async Task A_thicker_cutter_of_the_same_kind_removes_no_less()
    {
        ShelfView view = await workshop.ShelfAsync();
        IOperation rough = Operations.Find("side-rough")!;
        double Removes(string number) => rough.Calculate(
            view.SituationOf(1, view.Assemblies.Single(a => a.Value.Name == number).Key, 1)!, Choices.None, explain: false)
            .Figures.Single(f => f.Code == "removalRate").Value;
        Assert.True(Removes("A-1077") > 15, "sixteen millimetres of carbide in heat-treated steel");
        Assert.True(Removes("A-1042") > 15, "twelve millimetres");
    }
}

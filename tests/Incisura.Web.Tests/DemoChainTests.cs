using Incisura.Core.Calculation;
using Incisura.Core.HoleGroups;
using Incisura.Core.Tests.Holes;

namespace Incisura.Web.Tests;

/// <summary>Chains of the demo workshop's own tools.</summary>
public sealed class DemoChainTests(SharedWorkshop workshop)
{
    private async Task<Dictionary<(int Material, int Machine), ToolShelf>> ShelvesAsync()
    {
        ShelfView view = await workshop.ShelfAsync();
        return (from material in view.Materials.Keys
                from machine in view.Machines.Keys
                select (material, machine)).ToDictionary(p =>
                    p, p => ToolShelf.Of(view.Assemblies.Keys.Select(a => view.SituationOf(p.material, a, p.machine)!)));
    }

    [Fact]
    public async Task No_chain_of_a_thousand_says_it_works_and_does_not()
    {
        Dictionary<(int, int), ToolShelf> shelves = await ShelvesAsync();
        Random random = new(20261126);
        Dictionary<ChainVerdict, int> verdicts = [];
        for (int i = 0; i < 1000; i++)
        {
            HoleTarget target = TargetDraw.Of(random);
            ToolShelf shelf = shelves[random.Next(2) == 0 ? (1 + random.Next(2), 1) : shelves.Keys.ElementAt(random.Next(shelves.Count))];
            HoleChain chain = HoleChain.Propose(target, shelf, new Dictionary<string, int>(), others: false, TestContext.Current.CancellationToken);
            Assert.True(ChainCheck.Contradictions(target, chain) is [], $"{target}: {string.Join("; ", ChainCheck.Contradictions(target, chain))}");
            verdicts[chain.Verdict] = verdicts.GetValueOrDefault(chain.Verdict) + 1;
        }

        Assert.True(
            verdicts.GetValueOrDefault(ChainVerdict.Works) + verdicts.GetValueOrDefault(ChainVerdict.Cautions) > 100, string.Join(", ", verdicts));
    }

    [Fact]
    public async Task Every_other_tool_offered_makes_the_hole_when_it_is_picked()
    {
        Dictionary<(int, int), ToolShelf> shelves = await ShelvesAsync();
        Random random = new(7);
        int offered = 0;
        for (int i = 0; i < 60; i++)
        {
            HoleTarget target = TargetDraw.Of(random);
            ToolShelf shelf = shelves[(1 + random.Next(3), 1 + random.Next(2))];
            foreach (ChainStep step in HoleChain.Propose(
                target, shelf, new Dictionary<string, int>(), cancel: TestContext.Current.CancellationToken).Steps)
                foreach (Situation other in step.Others)
                {
                    offered++;
                    HoleChain with = HoleChain.Propose(
                        target, shelf, new Dictionary<string, int> { [step.Operation] = other.Assembly.Id }, others: false,
                        TestContext.Current.CancellationToken);
                    Assert.NotEqual(ChainVerdict.Fails, with.Verdict);
                    Assert.Empty(with.Fallen);
                    Assert.Contains(with.Steps, s => s.Situation?.Assembly.Id == other.Assembly.Id);
                    Assert.Empty(ChainCheck.Contradictions(target, with));
                }
        }

        Assert.True(offered > 20, $"{offered}");
    }
}

using Incisura.Core.Cutters;

namespace Incisura.Core.Tests.Holes;

/// <summary>What is proposed for holes, over situations drawn at random.</summary>
public class HoleProposalTests
{
    public static TheoryData<string, CutterFamily> All()
    {
        TheoryData<string, CutterFamily> data = [];
        foreach ((string code, CutterFamily family) in HoleSample.All) data.Add(code, family);
        return data;
    }

    [Theory]
    [MemberData(nameof(All))]
    public void A_proposal_keeps_every_limit_or_says_which_stands_in_the_way(string code, CutterFamily family)
    {
        for (int seed = 0; seed < 60; seed++)
            RandomSituation.HoldProposal(RandomSituation.From(HoleSample.With(family, code), seed), code, $"{code} {family} {seed}");
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>What a hole operation gives reason to say.</summary>
internal static class HoleFindings
{
    public static IReadOnlyList<Finding> Of<TKind>(Situation situation, HoleCase given, HoleProposal proposal, in HoleResult result)
        where TKind : struct, IHoleKind
    {
        HoleDescription d = TKind.Description;
        List<Finding> findings = [.. proposal.Holds.Found(d.Fields)];
        if (given.Setup.Row is { } row && row.Operation != d.Code) findings.Add(SituationFindings.ChartedAs(d.Name, row.Operation));
        SituationFindings.Add(situation, given.Options, result.Limits, findings);
        if (given.DepthBefore is { } before && d.Has(HoleInput.FirstPeck)) Crossed<TKind>(given.Setup, proposal.Inputs, result, before, findings);
        TKind.Notice(given.Setup, proposal.Inputs, result, findings);
        return [.. findings.OrderByDescending(f => f.Severity)];
    }

    // A drawing that changes the depth can cross the line between two cycles unseen.
    private static void Crossed<TKind>(HoleSetup setup, in HoleInputs x, in HoleResult result, double before, List<Finding> findings)
        where TKind : struct, IHoleKind
    {
        HoleInputs then = x;
        then[HoleInput.Depth] = before;
        DrillingCycle was = HoleSolver.Solve<TKind>(setup, then).Cycle;
        if (was == result.Cycle || x.Cycle is not null) return;
        HoleInputs kept = x;
        kept.Cycle = was;
        findings.Add(new(
            "cycle-crossed",
            Severity.Caution,
            new(
                $"The depth went from {{0}} to {{1}}, from {{2}} to {{3}} × D: {HoleWords.NameOf(was)} would take {{4}}, and {HoleWords.NameOf(result.Cycle)} takes {{5}}.",
                new(before, Quantity.Length),
                new(x[HoleInput.Depth], Quantity.Length),
                new(Math.Round(before / setup.Diameter, 1), Quantity.Ratio),
                new(Math.Round(x[HoleInput.Depth] / setup.Diameter, 1), Quantity.Ratio),
                new(60 * HoleSolver.Solve<TKind>(setup, kept)[HoleFigure.Time], Quantity.Duration),
                new Measure(60 * result[HoleFigure.Time], Quantity.Duration)),
            "Look at the cycle anew, tell the programmer, and propose the record again."));
    }
}

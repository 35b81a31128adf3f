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
        if (given.Setup.Row is { } row) SituationFindings.AddChart(situation, d.Code, row, findings);
        SituationFindings.Add(situation, given.Options, result.Limits, findings);
        given.Leftover?.Tell(
            d.Has(HoleInput.DepthOfHoleBefore) && !proposal.Inputs.Through
                ? [
                    ("a hole of Ø", given.Leftover.CutterDiameter, proposal.Inputs[HoleInput.HoleBefore]),
                    ("a depth of", given.Leftover.Height, proposal.Inputs[HoleInput.DepthOfHoleBefore]),
                ]
                : [("a hole of Ø", given.Leftover.CutterDiameter, proposal.Inputs[HoleInput.HoleBefore])],
            findings);
        if (
            given.CycleBefore is { } was && given.DepthBefore is null && d.Has(HoleInput.FirstPeck) && was != result.Cycle
                && proposal.Inputs.Cycle is null)
            findings.Add(new(
                "cycle-crossed",
                Severity.Caution,
                new(
                    $"It was drilled by {HoleWords.NameOf(was)}; with what is chosen now it is {HoleWords.NameOf(result.Cycle)}, in {{0}}.",
                    new Measure(60 * result[HoleFigure.Time], Quantity.Duration)),
                "Look at the cycle anew, and tell the programmer."));
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
        if (x.Cycle is not null) return;
        double ratioThen = before / setup.Diameter, ratio = x[HoleInput.Depth] / setup.Diameter;
        if (was == result.Cycle)
        {
            // From clearing the hole at every peck to drilling in stages the cycle stays, and the operation should not.
            bool staged = CycleChoice.For(setup.Cycles, ratio).Cycle == DrillingCycle.Staged;
            if (staged != (CycleChoice.For(setup.Cycles, ratioThen).Cycle == DrillingCycle.Staged))
                findings.Add(new(
                    "cycle-crossed",
                    Severity.Caution,
                    new(
                        $"The depth went from {{0}} to {{1}}, from {{2}} to {{3}} × D: the shop drills in stages above {{4}} × D, "
                            + $"{(staged ? "and this is now deeper" : "and this no longer is")}.",
                        new(before, Quantity.Length), new(x[HoleInput.Depth], Quantity.Length), new(Math.Round(ratioThen, 1), Quantity.Ratio),
                        new(Math.Round(ratio, 1), Quantity.Ratio), new Measure(setup.Cycles.Staged, Quantity.Ratio)),
                    "Look at the way of drilling anew, tell the programmer, and propose the record again."));
            return;
        }

        HoleInputs kept = x;
        kept.Cycle = was;
        findings.Add(new(
            "cycle-crossed",
            Severity.Caution,
            new(
                $"The depth went from {{0}} to {{1}}, from {{2}} to {{3}} × D: {HoleWords.NameOf(was)} would take {{4}}, and "
                    + $"{HoleWords.NameOf(result.Cycle)} takes {{5}}.",
                new(before, Quantity.Length),
                new(x[HoleInput.Depth], Quantity.Length),
                new(Math.Round(ratioThen, 1), Quantity.Ratio),
                new(Math.Round(ratio, 1), Quantity.Ratio),
                new(60 * HoleSolver.Solve<TKind>(setup, kept)[HoleFigure.Time], Quantity.Duration),
                new Measure(60 * result[HoleFigure.Time], Quantity.Duration)),
            "Look at the cycle anew, tell the programmer, and propose the record again."));
    }
}

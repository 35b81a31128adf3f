using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>What a milling operation gives reason to say.</summary>
internal static class MillingFindings
{
    private const double FullWidth = 0.98;

    public static IReadOnlyList<Finding> Of<TKind>(Situation situation, MillingCase given, MillingProposal proposal, in MillingResult result)
        where TKind : struct, IMillingKind
    {
        MillingDescription d = TKind.Description;
        List<Finding> findings = [.. proposal.Holds.Found(d.Fields)];
        if (given.Setup.Row is { } row) SituationFindings.AddChart(situation, d.Code, row, findings);
        given.Leftover?.Tell(MillingWords.Left(d, given.Leftover, proposal.Inputs), findings);
        SituationFindings.Add(situation, given.Options, result.Limits, findings);
        if (d.Has(MillingInput.WidthOfCut) && result.Across.Each / given.Setup.Diameter >= FullWidth)
            findings.Add(new(
                "full-width", Severity.Caution, new("The cutter is in the work over its full width: no side is free for chips to leave."),
                "Take more passes across."));
        if (result.Load.TeethInCut < 1)
            findings.Add(new(
                "pulsing", Severity.Info,
                new("On average {0} teeth are in cut: the load comes in pulses.", new Measure(result.Load.TeethInCut, Quantity.Ratio)), ""));
        TKind.Notice(given.Setup, proposal.Inputs, result, findings);
        return [.. findings.OrderByDescending(f => f.Severity)];
    }
}

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
        List<Finding> findings = [];
        MillingDescription d = TKind.Description;
        foreach (Hold hold in proposal.Holds)
        {
            string symbol = d.Fields.First(f => f.Input == hold.Input).Symbol;
            findings.Add(new(
                "held",
                Severity.Info,
                new($"Proposed {symbol} was held from {{0}} to {{1}} by: {Lower(hold.Kind)}.", new(hold.From, hold.Quantity), new Measure(hold.To, hold.Quantity)),
                ""));
        }

        if (given.Setup.Row is { } row && row.Operation != d.Code)
            findings.Add(new("charted-as", Severity.Info, new($"The speed chart has no row for {d.Name.ToLowerInvariant()}; it was started from the row for {Operations.Find(row.Operation)!.Description.Name.ToLowerInvariant()}."), "Add a row in Shop once this has proved itself."));
        if (given.Leftover is { } leftover)
        {
            findings.Add(new("leftover", Severity.Info, new($"Takes what {leftover.From} leaves: {{0}} on the wall, by a cutter of {{1}}.", new(leftover.Across, Quantity.Length), new Measure(leftover.CutterDiameter, Quantity.Length)), ""));
            if (leftover.Changed is { Length: > 0 } changed) findings.Add(new("leftover-changed", Severity.Caution, new(changed), "Take the leftover anew, or keep these figures knowingly."));
        }

        LimitSet limits = result.Limits;
        for (int i = 0; i < limits.Count; i++)
        {
            Limit limit = limits[i];
            Quantity quantity = LimitCatalogue.QuantityOf(limit.Kind);
            if (limit.Exceeded)
                findings.Add(new(
                    "over-limit",
                    LimitCatalogue.SeverityOf(limit.Kind),
                    new(
                        LimitCatalogue.IsLeast(limit.Kind)
                            ? $"{LimitCatalogue.NameOf(limit.Kind)}: {{0}}, and at least {{1}} is needed."
                            : $"{LimitCatalogue.NameOf(limit.Kind)}: {{0}} is asked for and {{1}} is allowed.",
                        new(limit.Used, quantity),
                        new Measure(limit.Allowed, quantity)),
                    LimitCatalogue.CureOf(limit.Kind)));
        }

        if (!limits.Of(LimitKind.PowerContinuous).Judged)
            findings.Add(new("not-judged", Severity.Caution, new($"{situation.Machine.Value.Name} has no power and torque curve, so neither could be judged."), "Enter the curve on the machine's page in Shop."));
        if (situation.Holder.Value.Interface != situation.Machine.Value.Interface)
            findings.Add(new(
                "interface",
                Severity.Stop,
                new($"Holder {situation.Holder.Value.Number} has {situation.Holder.Value.Interface} and {situation.Machine.Value.Name} takes {situation.Machine.Value.Interface}."),
                "Choose an assembly with the machine's interface, or another machine."));
        if (!situation.Cutter.Value.Groups.Contains(situation.Material.Value.Group))
            findings.Add(new(
                "material-group",
                Severity.Caution,
                new($"Cutter {situation.Cutter.Value.Number} is not meant for group {situation.Material.Value.Group}."),
                "Choose a cutter meant for this group, or add the group on the cutter's page."));
        if (given.Options.GetValueOrDefault(MillingWords.Coolant) == "through" && !situation.Cutter.Value.ThroughCoolant)
            findings.Add(new("coolant", Severity.Caution, new($"Cutter {situation.Cutter.Value.Number} has no channels for coolant."), "Pick flood, or a cutter with coolant through it."));
        if (d.Has(MillingInput.WidthOfCut) && result.Across.Each / given.Setup.Diameter >= FullWidth)
            findings.Add(new("full-width", Severity.Caution, new("The cutter is in the work over its full width: no side is free for chips to leave."), "Take more passes across."));
        if (result.Load.TeethInCut < 1)
            findings.Add(new("pulsing", Severity.Info, new("On average {0} teeth are in cut: the load comes in pulses.", new Measure(result.Load.TeethInCut, Quantity.Ratio)), ""));
        TKind.Notice(given.Setup, proposal.Inputs, result, findings);
        return [.. findings.OrderByDescending(f => f.Severity)];
    }

    private static string Lower(LimitKind kind)
    {
        string name = LimitCatalogue.NameOf(kind);
        return char.ToLowerInvariant(name[0]) + name[1..];
    }
}

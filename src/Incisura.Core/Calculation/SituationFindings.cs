using Incisura.Core.Charts;
using Incisura.Core.Quantities;

namespace Incisura.Core.Calculation;

/// <summary>What any operation gives reason to say: limits exceeded or not judged, and parts that do not go together.</summary>
internal static class SituationFindings
{
    /// <summary>Where the chart has no row, or no feed, for exactly this: what served instead.</summary>
    /// <param name="situation">The situation.</param>
    /// <param name="code">Code of the operation.</param>
    /// <param name="row">The row that served.</param>
    /// <param name="findings">Takes what there is to say.</param>
    public static void AddChart(Situation situation, string code, SpeedRow row, List<Finding> findings)
    {
        const string Cure = "Add a row in Shop once this has proved itself.";
        string Named(string operation) => Lower(Operations.Find(operation)!.Description.Name);
        if (row.Operation != code)
            findings.Add(new(
                "charted-as", Severity.Info,
                new($"The speed chart has no row for {Named(code)}; it was started from the row for {Named(row.Operation)}."), Cure));
        if (!string.Equals(row.SubGroup, situation.Material.Value.SubGroup, StringComparison.OrdinalIgnoreCase))
            findings.Add(new(
                "charted-group", Severity.Info,
                new(
                    $"The speed chart has no row for {situation.Material.Value.SubGroup}; it was started from the one for all of "
                        + $"group {situation.Material.Value.Group}."),
                Cure));
        if (row.EndsBelow(situation.Cutter.Value.CuttingDiameter))
            findings.Add(new(
                "chart-ends",
                Severity.Info,
                new(
                    "The row's feeds end at Ø{0}: Ø{1} starts from the last one, {2}.", new(row.Feeds[^1].Diameter, Quantity.Length),
                    new(situation.Cutter.Value.CuttingDiameter, Quantity.Length), new Measure(row.Feeds[^1].FeedPerTooth, Quantity.Chip)),
                "Add a feed at this diameter in Shop."));
    }

    /// <summary>Limits exceeded or not judged, and parts that do not go together.</summary>
    public static void Add(Situation situation, IReadOnlyDictionary<string, string> options, in LimitSet limits, List<Finding> findings)
    {
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
            findings.Add(new(
                "not-judged", Severity.Caution, new($"{situation.Machine.Value.Name} has no power and torque curve, so neither could be judged."),
                "Enter the curve on the machine's page in Shop."));
        if (situation.Holder.Value.Interface != situation.Machine.Value.Interface)
            findings.Add(new(
                "interface",
                Severity.Stop,
                new(
                    $"Holder {situation.Holder.Value.Number} has {situation.Holder.Value.Interface} and {situation.Machine.Value.Name} takes "
                        + $"{situation.Machine.Value.Interface}."),
                "Choose an assembly with the machine's interface, or another machine."));
        if (!situation.Cutter.Value.Groups.Contains(situation.Material.Value.Group))
            findings.Add(new(
                "material-group",
                Severity.Caution,
                new($"Cutter {situation.Cutter.Value.Number} is not meant for group {situation.Material.Value.Group}."),
                "Choose a cutter meant for this group, or add the group on the cutter's page."));
        if (options.GetValueOrDefault(ShopOptions.Coolant) == "through" && situation.Machine.Value.CoolantThrough == false)
            findings.Add(new(
                "machine-coolant", Severity.Stop, new($"{situation.Machine.Value.Name} brings no coolant through its spindle."),
                "Pick flood, or another machine."));
        if (options.GetValueOrDefault(ShopOptions.Coolant) == "through" && !situation.Cutter.Value.ThroughCoolant)
            findings.Add(new(
                "coolant", Severity.Caution, new($"Cutter {situation.Cutter.Value.Number} has no channels for coolant."),
                "Pick flood, or a cutter with coolant through it."));
    }

    private static string Lower(string name) => char.ToLowerInvariant(name[0]) + name[1..];
}

using Incisura.Core.Charts;
using Incisura.Core.Cutters;

namespace Incisura.Core.Calculation;

/// <summary>What every operation has, given by the engine: speed and life as a pair, the edge's wear, coolant.</summary>
public static class Common
{
    private const string UntriedSpeeds = "untried-speeds", UntriedForces = "untried-forces";

    /// <summary>Factor K_w on the specific force for a worn edge; Kienzle and Victor give 1.3 to 1.5.</summary>
    public const double WornFactor = 1.3;

    /// <summary>Code of the option that says how coolant comes.</summary>
    public static string Coolant { get; } = Codes.Of(Choice.Coolant);

    /// <summary>How coolant comes.</summary>
    public static OptionDescription CoolantBy { get; } = new(
        Choice.Coolant, "Coolant", Coolants.All, "flood")
    { Group = "Held to" };

    /// <summary>Whether the edge is fresh.</summary>
    public static OptionDescription EdgeWear { get; } = new(
        Choice.Edge, "Edge", [new("fresh", "fresh"), new("worn", "worn, force × 1.3")], "fresh")
    { Group = "Held to" };

    private static readonly FieldDescription[] Pace =
    [
        new(Input.CuttingSpeed, "v_c", "Cutting speed", "Fast", Quantity.CuttingSpeed, 0.5, 5000),
        new(Input.ToolLife, "T_L", "Tool life wanted", "Pace", Quantity.Time, 0.5, 1000),
    ];

    /// <summary>Factor K_w on the specific force for the wear that is picked.</summary>
    public static double Wear(in Inputs x) => x.Picked(Choice.Edge) == 1 ? WornFactor : 1;

    /// <summary>
    /// A description with what every operation has: the pace stands after the feed, the wear and the coolant after the other options.
    /// </summary>
    /// <param name="own">What the operation itself asks for.</param>
    /// <param name="after">Options of its world that stand last.</param>
    public static OperationDescription Complete(OperationDescription own, params ReadOnlySpan<OptionDescription> after)
    {
        List<FieldDescription> fields = [.. own.Fields];
        int feed = fields.FindLastIndex(f => f.Input is Input.FeedPerTooth or Input.FeedPerRevolution),
            at = feed >= 0 ? feed + 1 : fields.FindIndex(f => f.Group == "Fast");
        fields.InsertRange(at < 0 ? fields.Count : at, Pace);
        OptionDescription coolant = own.Options.FirstOrDefault(o => o.Choice == Choice.Coolant) ?? CoolantBy;
        return own with { Fields = fields, Options = [.. own.Options.Where(o => o.Choice != Choice.Coolant), EdgeWear, coolant, .. after] };
    }

    /// <summary>Where the chart has no row, or no feed, for exactly this: what served instead.</summary>
    internal static void AddChart(Situation situation, OperationDescription operation, SpeedRow row, List<Finding> findings)
    {
        const string cure = "Add a row in Shop once this has proved itself.";

        // The nearest row serves as a matter of course, and is named at the speed; one further away is said.
        if (row.Operation != operation.Code && operation.ChartedAs.Skip(1).FirstOrDefault(o => o.Code == row.Operation) is { } other)
            findings.Add(new(
                "charted-as", Severity.Info,
                new($"The speed chart has no row for {Lower(operation.Name)}; it was started from the row for {Lower(other.Name)}."), cure));
        if (!string.Equals(row.SubGroup, situation.Material.Value.SubGroup, StringComparison.OrdinalIgnoreCase))
            findings.Add(new(
                "charted-group", Severity.Info,
                new(
                    $"The speed chart has no row for {situation.Material.Value.SubGroup}; it was started from the one for all of group "
                        + $"{situation.Material.Value.Group}."), cure));
        if (row.EndsBelow(situation.Cutter.Value.FeedSize))
            findings.Add(new(
                "chart-ends",
                Severity.Info,
                new(
                    situation.Cutter.Value.Described.Use == CutterUse.Turning
                        ? "The row's feeds end at an edge of {0}: one of {1} starts from the last one, {2}."
                        : "The row's feeds end at Ø{0}: Ø{1} starts from the last one, {2}.", new(row.Feeds[^1].Diameter, Quantity.Length),
                    new(situation.Cutter.Value.FeedSize, Quantity.Length), new Measure(row.Feeds[^1].FeedPerTooth, Quantity.Chip)),
                "Add a feed at this size in Shop."));
    }

    /// <summary>Whether a finding says that something rests on values which nobody has tried here.</summary>
    internal static bool SaysUntried(Finding finding) => finding.Code is UntriedSpeeds or UntriedForces;

    /// <summary>What of the figures rests on starting values that nobody has tried here: said wherever the figures go, until somebody has.</summary>
    /// <param name="situation">The situation.</param>
    /// <param name="row">The row that speed or feed was taken from; null where both were typed.</param>
    /// <param name="findings">Where to say it.</param>
    internal static void AddUntried(Situation situation, SpeedRow? row, List<Finding> findings)
    {
        if (row is { Untried: true })
            findings.Add(new(
                UntriedSpeeds, Severity.Caution, new("Starting values, not tried here: speed and feed of the chart."),
                "Begin with care, and mark the row as tried in Shop once it has run."));
        if (situation.Material.Value.Untried)
            findings.Add(new(
                UntriedForces, Severity.Caution, new("Starting values, not tried here: the cutting forces of the work material."),
                "Leave room to every limit, and mark the material as tried in Shop once load and power were as calculated."));
    }

    /// <summary>Limits exceeded or not judged, and parts that do not go together.</summary>
    internal static void AddFit(Situation situation, IReadOnlyDictionary<string, string> options, in LimitSet limits, List<Finding> findings)
    {
        for (int i = 0; i < limits.Count; i++)
        {
            Limit limit = limits[i];
            LimitDefinition d = limit.Definition;
            if (limit.Exceeded)
                findings.Add(new(
                    "over-limit",
                    d.Severity,
                    new(
                        d.IsLeast ? $"{d.Name}: {{0}}, and at least {{1}} is needed." : $"{d.Name}: {{0}} is asked for and {{1}} is allowed.",
                        new(limit.Used, d.Quantity), new Measure(limit.Allowed, d.Quantity)),
                    d.Cure));
        }

        if (!limits.Of(Limits.PowerContinuous).Judged)
            findings.Add(new(
                "not-judged", Severity.Caution,
                new($"{situation.Machine.Value.Name} has no power and torque curve, so neither could be judged."),
                "Enter the curve on the machine's page in Shop."));
        if (situation.Holder.Value.Interface != situation.Machine.Value.Interface)
            findings.Add(new(
                "interface",
                Severity.Stop,
                new(
                    $"Holder {situation.Holder.Value.Number} has {situation.Holder.Value.Interface} and {situation.Machine.Value.Name} takes "
                        + $"{situation.Machine.Value.Interface}."),
                "Choose an assembly with the machine's interface, or another machine."));
        else if (situation.IsUndriven() && options.GetValueOrDefault(Codes.Of(Choice.Spindle)) is not ("main" or "counter"))
            findings.Add(new(
                "not-driven", Severity.Stop, new($"Holder {situation.Holder.Value.Number} does not turn its tool."),
                "Let the work turn, where the hole lies on its axis, or take a driven head."));
        if (!situation.Cutter.Value.Groups.Contains(situation.Material.Value.Group))
            findings.Add(new(
                "material-group",
                Severity.Caution,
                new($"Cutter {situation.Cutter.Value.Number} is not meant for group {situation.Material.Value.Group}."),
                "Choose a cutter meant for this group, or add the group on the cutter's page."));
        if (situation.Retired() is { Length: > 0 } retired)
            findings.Add(new(
                "retired", Severity.Caution, new($"{retired} is retired."), "Choose one that is in use, or say why this one is still run."));
        bool through = options.GetValueOrDefault(Coolant) == "through";
        if (through && situation.Machine.Value.CoolantThrough == false)
            findings.Add(new(
                "machine-coolant", Severity.Stop, new($"{situation.Machine.Value.Name} brings no coolant through its spindle."),
                "Pick flood, or another machine."));
        if (through && !situation.Cutter.Value.ThroughCoolant)
            findings.Add(new(
                "coolant", Severity.Caution, new($"Cutter {situation.Cutter.Value.Number} has no channels for coolant."),
                "Pick flood, or a cutter with coolant through it."));
    }

    private static string Lower(string name) => char.ToLowerInvariant(name[0]) + name[1..];
}

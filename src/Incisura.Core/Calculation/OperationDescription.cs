using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Materials;

namespace Incisura.Core.Calculation;

/// <summary>A number an operation asks for.</summary>
/// <param name="Input">Which.</param>
/// <param name="Symbol">Symbol of ISO 3002; empty where there is none.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Group">Heading it stands under: across, deep, per tooth, fast, along.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Least">Least value that can be computed with, base unit.</param>
/// <param name="Most">Largest value that can be computed with, base unit.</param>
/// <param name="Default">Value taken where none was typed; NaN where it follows others or the speed chart.</param>
public sealed record FieldDescription(
    Input Input, string Symbol, string Name, string Group, Quantity Quantity, double Least, double Most,
    double Default = double.NaN)
{
    /// <summary>Stable code: the name of the input with a small first letter, unless the operation gives another.</summary>
    public string Code { get; init; } = Codes.Of(Input);

    /// <summary>Whether the value belongs to the part or to the way it is made, and what the way is measured by.</summary>
    public FieldRole Role => FieldRoles.Of(Code);

    /// <summary>The name within a sentence.</summary>
    public string Words => char.ToLowerInvariant(Name[0]) + Name[1..].Replace(", at most", "", StringComparison.Ordinal);
}

/// <summary>A choice between words.</summary>
/// <param name="Choice">Which.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Picks">What can be picked.</param>
/// <param name="Default">Code of the pick taken when none is given.</param>
public sealed record OptionDescription(Choice Choice, string Name, IReadOnlyList<OptionPick> Picks, string Default)
{
    /// <summary>Stable code: the name of the choice with a small first letter, unless the operation gives another.</summary>
    public string Code { get; init; } = Codes.Of(Choice);

    /// <summary>Heading it stands under, among the groups of the fields; empty for one that stands elsewhere.</summary>
    public string Group { get; init; } = "";

    /// <summary>Whether it is asked only where the machine turns the work.</summary>
    public bool OnLathes { get; init; }
}

/// <summary>An operation as its own file describes it, and as the interface, the API and the exports know it.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Picture">Which picture shows it.</param>
/// <param name="Families">Families of cutter that may do it.</param>
/// <param name="Fields">What it asks for.</param>
/// <param name="Options">Choices between words.</param>
/// <param name="Large">Figures shown large.</param>
/// <param name="Rows">Figures shown below them; all others are there for pictures, comparison and other steps.</param>
public sealed record OperationDescription(
    string Code, string Name, string Picture, IReadOnlyList<CutterFamily> Families, IReadOnlyList<FieldDescription> Fields,
    IReadOnlyList<OptionDescription> Options, IReadOnlyList<Output> Large, IReadOnlyList<Output> Rows)
{
    /// <summary>Codes of the fields the operating window can be drawn over and the best point is looked for in.</summary>
    public IReadOnlyList<string> Free { get; init; } = [];

    /// <summary>Whether the load changes within a turn and can be drawn over it.</summary>
    public bool LoadOverTurn { get; init; }

    /// <summary>What a step before may have left for it; null where it takes nothing over.</summary>
    public LeftoverKind? Takes { get; init; }

    /// <summary>What it leaves for the step after; null where nothing is told of it.</summary>
    public LeftoverKind? Leaves { get; init; }

    /// <summary>Input that is the diameter of the hole it leaves; null where that is the cutter's own.</summary>
    public Input? LeavesBy { get; init; }

    /// <summary>Codes of the extras it takes, such as holes that cross the bore.</summary>
    public IReadOnlyList<string> Extras { get; init; } = [];

    /// <summary>Whether the feed is the lead of the thread, so that the speed chart holds none for it.</summary>
    public bool FeedInStep { get; init; }

    /// <summary>Operations whose row of the chart serves where there is none for this one, the nearest first.</summary>
    public IReadOnlyList<OperationDescription> ChartedAs { get; init; } = [];

    /// <summary>Factor on the charted depth where another operation's row serves.</summary>
    public double DepthFactor { get; init; } = 1;

    /// <summary>Width over diameter where another operation's row of the chart serves; 0 where the row's own width does.</summary>
    public double WidthFactor { get; init; }

    /// <summary>Whether the depth gives way to limits while width and feed stay, as in facing and finishing.</summary>
    public bool DepthGivesWay { get; init; }

    /// <summary>Codes of the figures and fields that are set at the machine, in the order in which they are asked for; the first stand large.</summary>
    public required IReadOnlyList<string> AtMachine { get; init; }

    /// <summary>Outputs only it has, and shared ones it calls otherwise.</summary>
    public IReadOnlyList<OutputWords> Own { get; init; } = [];

    /// <summary>The chart's row for its own or the nearest operation it has one for; null where it has none.</summary>
    /// <param name="chart">The chart.</param>
    /// <param name="cutter">The cutter.</param>
    /// <param name="material">The work material.</param>
    public SpeedRow? RowIn(SpeedChart chart, Cutter cutter, WorkMaterial material)
    {
        SpeedRow? row = chart.Find(cutter.Family, cutter.Material, material, Code);
        for (int i = 0; row is null && i < ChartedAs.Count; i++) row = chart.Find(cutter.Family, cutter.Material, material, ChartedAs[i].Code);
        return row;
    }

    /// <summary>Whether the operation asks for an input.</summary>
    public bool Has(Input input)
    {
        for (int i = 0; i < Fields.Count; i++)
            if (Fields[i].Input == input) return true;
        return false;
    }

    /// <summary>The field of an input.</summary>
    public FieldDescription Field(Input input) => Fields.First(f => f.Input == input);

    /// <summary>The words of an output.</summary>
    public OutputWords Words(Output output) => Own.FirstOrDefault(o => o.Output == output) ?? Outputs.Shared[(int)output];
}

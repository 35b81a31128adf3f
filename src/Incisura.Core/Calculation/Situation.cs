using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Calculation;

/// <summary>A stored object as it stood at one revision.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Number">Revision, from 1.</param>
/// <param name="Value">The object.</param>
public sealed record Revised<T>(int Id, int Number, T Value)
    where T : notnull;

/// <summary>What a calculation is about: an operation in a work material with an assembly on a machine, and the chart it starts from.</summary>
public sealed record Situation
{
    /// <summary>The work material.</summary>
    public required Revised<WorkMaterial> Material { get; init; }

    /// <summary>The cutter.</summary>
    public required Revised<Cutter> Cutter { get; init; }

    /// <summary>The holder.</summary>
    public required Revised<Holder> Holder { get; init; }

    /// <summary>Extensions between cutter and holder, in the assembly's order.</summary>
    public IReadOnlyList<Revised<Holder>> Extensions { get; init; } = [];

    /// <summary>The assembly of them.</summary>
    public required Revised<Assembly> Assembly { get; init; }

    /// <summary>The machine.</summary>
    public required Revised<Machine> Machine { get; init; }

    /// <summary>Whether the tool would have to turn in a holder that does not turn it: a fixed block in the turret of a lathe.</summary>
    public bool IsUndriven() => Machine.Value.Main is not null && Cutter.Value.Described.Use != CutterUse.Turning && !Holder.Value.Driven;

    /// <summary>What of the tool is retired, in words; empty where all of it is in use.</summary>
    internal string Retired()
    {
        string? extension = Extensions.FirstOrDefault(e => e.Value.Retired)?.Value.Number;
        return Assembly.Value.Retired ? $"Assembly {Assembly.Value.Number}"
            : Cutter.Value.Retired ? $"Cutter {Cutter.Value.Number}"
            : Holder.Value.Retired ? $"Holder {Holder.Value.Number}"
            : extension is not null ? $"Extension {extension}" : "";
    }

    /// <summary>The speed chart proposals start from.</summary>
    public required Revised<SpeedChart> Chart { get; init; }

    /// <summary>The chart's row for an operation or the nearest it has one for; null where it has none.</summary>
    internal SpeedRow? RowFor(OperationDescription operation) => operation.RowIn(Chart.Value, Cutter.Value, Material.Value);

    /// <summary>The situation with no more of the chart than an operation reads in it: its row, the drilling cycles, and what the shop goes by.</summary>
    /// <param name="operation">The operation.</param>
    public Situation For(OperationDescription operation) => this with
    {
        Chart = new(
            Chart.Id, Chart.Number,
            Chart.Value.With(
                RowFor(operation), Cutter.Value.Family, Material.Value.Group)),
    };

    /// <summary>The assembly put together.</summary>
    public BuiltAssembly Built() => new(Assembly.Value, Cutter.Value, Holder.Value, [.. Extensions.Select(e => e.Value)]);
}

/// <summary>What was typed and picked, by the codes of the operation's description.</summary>
/// <param name="Numbers">Typed values in base units; a field left out is proposed.</param>
/// <param name="Options">Picked options; one left out takes its default.</param>
public sealed record Choices(IReadOnlyDictionary<string, double> Numbers, IReadOnlyDictionary<string, string> Options)
{
    /// <summary>What a step before left; null where nothing was taken over.</summary>
    public Leftover? Leftover { get; init; }

    /// <summary>The method that was applied, in words; empty for none.</summary>
    public string Method { get; init; } = "";

    /// <summary>What it has beyond numbers and picks, such as holes that cross the bore.</summary>
    public IReadOnlyList<Extra> Extras { get; init; } = [];

    /// <summary>Nothing typed, nothing picked.</summary>
    public static Choices None { get; } = new(new Dictionary<string, double>(), new Dictionary<string, string>());
}

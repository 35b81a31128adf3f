namespace Incisura.Core.Calculation;

/// <summary>What a calculation stands on, in words, for the origin of each given value.</summary>
/// <param name="Cutter">The cutter with its revision.</param>
/// <param name="Material">The work material with its revision.</param>
/// <param name="Machine">The machine with its revision.</param>
/// <param name="Assembly">The assembly and its holder with their revisions.</param>
/// <param name="Chart">The speed chart with its revision, and the source of the row.</param>
public sealed record Origins(string Cutter, string Material, string Machine, string Assembly, string Chart)
{
    /// <summary>The words of a situation.</summary>
    public static Origins Of(Situation s, CuttingSetup setup) => new(
        $"cutter {s.Cutter.Value.Number}, revision {s.Cutter.Number}",
        $"material {s.Material.Value.Name}, revision {s.Material.Number}",
        $"machine {s.Machine.Value.Name}, revision {s.Machine.Number}",
        $"assembly {s.Assembly.Value.Number}, revision {s.Assembly.Number}, with holder {s.Holder.Value.Number}, revision {s.Holder.Number}",
        $"{s.Chart.Value.Name}, revision {s.Chart.Number}" + (setup.Row is { Source.Length: > 0 } row ? $"; {row.Source}" : ""));
}

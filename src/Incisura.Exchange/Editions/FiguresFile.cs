namespace Incisura.Exchange.Editions;

/// <summary>What of an edition is set at a machine, and nothing else.</summary>
/// <param name="Schema">Name and version of the form.</param>
/// <param name="Edition">The edition it was drawn out of.</param>
/// <param name="Units">Unit of each quantity.</param>
/// <param name="Records">The records.</param>
public sealed record FiguresFile(string Schema, EditionMark Edition, IReadOnlyDictionary<string, string> Units, IReadOnlyList<FiguresOf> Records)
{
    /// <summary>The form this program writes.</summary>
    public const string Form = "incisura-figures/1";
}

/// <summary>The figures of a record.</summary>
/// <param name="Record">Its number.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Operation">Code of the operation.</param>
/// <param name="Material">Name of the work material.</param>
/// <param name="Machine">Name of the machine.</param>
/// <param name="Assembly">Number of the assembly.</param>
/// <param name="Values">Values of figures and settings by their codes.</param>
public sealed record FiguresOf(
    string Record, int Revision, string Operation, string Material, string Machine, string Assembly, IReadOnlyDictionary<string, double> Values)
{
    /// <summary>What stood against the figures when they were published, and why they may be used nevertheless; absent for nothing.</summary>
    public string? Against { get; init; }

    /// <summary>The figures of a published record; one that stands among both counts by what came out.</summary>
    public static FiguresOf Of(PublishedRecord p) => new(
        p.Record, p.Revision, p.Operation.Code, p.Material.Name, p.Machine.Name, p.Assembly.Number,
        p.Figures.Select(f => (f.Code, f.Value)).Concat(p.Settings.Select(s => (s.Code, s.Value)))
            .DistinctBy(f => f.Code).ToDictionary(f => f.Code, f => f.Value))
    {
        Against = p.Against() is { Length: > 0 } against ? against : null,
    };
}

namespace Incisura.Core.Calculation;

/// <summary>Where a value came from.</summary>
public enum Origin
{
    /// <summary>Typed by the user.</summary>
    Typed,

    /// <summary>Proposed from the speed chart.</summary>
    Proposed,

    /// <summary>Proposed, then held back by a limit.</summary>
    Held,

    /// <summary>A default of the operation.</summary>
    Default,
}

/// <summary>A field after the calculation.</summary>
/// <param name="Code">Code of the field.</param>
/// <param name="Value">Value used, base unit.</param>
/// <param name="Origin">Where it came from.</param>
/// <param name="Proposed">What would be proposed if nothing were typed here; null where nothing can be.</param>
/// <param name="Least">Least value that keeps every limit with the other fields as they are; null where none is known.</param>
/// <param name="Most">Largest such value; null where no value keeps every limit, or none stands in its way.</param>
/// <param name="MostBy">Code of the limit that sets <paramref name="Most"/>.</param>
/// <param name="Note">A line about the value.</param>
/// <param name="Used">Whether the value matters with the cutter and the other fields as they are.</param>
public sealed record FieldState(
    string Code, double Value, Origin Origin, double? Proposed, double? Least, double? Most, string? MostBy, Sentence? Note, bool Used = true);

/// <summary>How much a figure stands out.</summary>
public enum FigureRank
{
    /// <summary>Shown large.</summary>
    Large,

    /// <summary>Shown in the rows below.</summary>
    Row,

    /// <summary>There for pictures, comparison and other steps.</summary>
    Behind,
}

/// <summary>A computed figure.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Value">Its value, base unit.</param>
/// <param name="Rank">How much it stands out; figures of earlier engines have none and stand in the rows.</param>
public sealed record Figure(string Code, string Symbol, string Name, Quantity Quantity, double Value, FigureRank Rank = FigureRank.Row);

/// <summary>A limit as judged, with its words.</summary>
/// <param name="Kind">Code of the limit.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Used">Value used.</param>
/// <param name="Allowed">Value allowed; null where data are missing.</param>
/// <param name="Use">Use as a ratio; null where it could not be judged.</param>
/// <param name="IsLeast">Whether the allowed value is a least one.</param>
/// <param name="Severity">What its excess means.</param>
/// <param name="At">Where along the cut it is worst, mm from its beginning; null where it is the same all the way.</param>
/// <param name="AtDiameter">Diameter of turned work at which it is worst, mm; null where that is not told.</param>
public sealed record JudgedLimit(
    string Kind, string Name, Quantity Quantity, double Used, double? Allowed, double? Use, bool IsLeast, Severity Severity, double? At = null,
    double? AtDiameter = null);

/// <summary>The outcome of a calculation. Same inputs and same engine version give the same bits.</summary>
public sealed record CalculationResult
{
    /// <summary>Code of the operation.</summary>
    public required string Operation { get; init; }

    /// <summary>Version of the engine that computed it.</summary>
    public required string EngineVersion { get; init; }

    /// <summary>Every field of the operation.</summary>
    public required IReadOnlyList<FieldState> Fields { get; init; }

    /// <summary>Every option, by code.</summary>
    public required IReadOnlyDictionary<string, string> Options { get; init; }

    /// <summary>The figures.</summary>
    public required IReadOnlyList<Figure> Figures { get; init; }

    /// <summary>Every limit, tightest first, those that could not be judged last.</summary>
    public required IReadOnlyList<JudgedLimit> Limits { get; init; }

    /// <summary>The findings, gravest first.</summary>
    public required IReadOnlyList<Finding> Findings { get; init; }

    /// <summary>What went in, with its origin; empty unless the derivation was asked for.</summary>
    public IReadOnlyList<Given> Givens { get; init; } = [];

    /// <summary>The derivation; empty unless it was asked for.</summary>
    public IReadOnlyList<DerivationStep> Steps { get; init; } = [];

    /// <summary>What it has beyond figures, such as the way of the tool.</summary>
    public IReadOnlyList<Attachment> Attachments { get; init; } = [];

    /// <summary>An attachment of a type; null where there is none.</summary>
    public TAttachment? Attached<TAttachment>()
        where TAttachment : Attachment => Attachments.OfType<TAttachment>().FirstOrDefault();
}

using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Milling;
using Incisura.Core.Milling.Kinds;
using Incisura.Core.Quantities;

namespace Incisura.Core.Calculation;

/// <summary>A number an operation asks for.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Symbol">Symbol of ISO 3002; empty where there is none.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Group">Heading it stands under: across, deep, per tooth, fast, along.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Least">Least value that can be computed with, base unit.</param>
/// <param name="Most">Largest value that can be computed with, base unit.</param>
public sealed record FieldDescription(string Code, string Symbol, string Name, string Group, Quantity Quantity, double Least, double Most)
{
    /// <summary>Whether the value belongs to the part or to the way it is made, and what the way is measured by.</summary>
    public FieldRole Role { get; } = FieldRoles.Of(Code);
}

/// <summary>One pick of an option.</summary>
public sealed record OptionPick(string Code, string Words);

/// <summary>A choice between words.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Picks">What can be picked.</param>
/// <param name="Default">Code of the pick taken when none is given.</param>
public sealed record OptionDescription(string Code, string Name, IReadOnlyList<OptionPick> Picks, string Default)
{
    /// <summary>Heading it stands under, among the groups of the fields; empty for one that stands elsewhere.</summary>
    public string Group { get; init; } = "";
}

/// <summary>An operation as the interface, the API and the exports know it.</summary>
public sealed record OperationDescription(
    string Code,
    string Name,
    IReadOnlyList<CutterFamily> Families,
    IReadOnlyList<FieldDescription> Fields,
    IReadOnlyList<OptionDescription> Options)
{
    /// <summary>Which picture shows it.</summary>
    public required string Picture { get; init; }

    /// <summary>Codes of the fields the operating window can be drawn over and the best point is looked for in.</summary>
    public required IReadOnlyList<string> Free { get; init; }

    /// <summary>Whether the load changes within a turn and can be drawn over it.</summary>
    public bool LoadOverTurn { get; init; }

    /// <summary>What a step before may have left for it; null where it takes nothing over.</summary>
    public LeftoverKind? Takes { get; init; }

    /// <summary>Whether the hole is drilled in stages, which can be changed one by one and be crossed by other holes.</summary>
    public bool InStages { get; init; }

    /// <summary>Whether the feed is the lead of the thread, so that the speed chart holds none for it.</summary>
    public bool FeedInStep { get; init; }
}

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
/// <param name="Most">Largest such value; null where no value keeps every limit.</param>
/// <param name="MostBy">The limit that sets <paramref name="Most"/>.</param>
/// <param name="Note">A line about the value.</param>
/// <param name="Used">Whether the value matters with the cutter and the other fields as they are.</param>
public sealed record FieldState(
    string Code, double Value, Origin Origin, double? Proposed, double? Least, double? Most, LimitKind? MostBy, Sentence? Note, bool Used = true);

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
/// <param name="Kind">Which limit.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Used">Value used.</param>
/// <param name="Allowed">Value allowed; null where data are missing.</param>
/// <param name="Use">Use as a ratio; null where it could not be judged.</param>
/// <param name="IsLeast">Whether the allowed value is a least one.</param>
/// <param name="Severity">What its excess means.</param>
public sealed record JudgedLimit(
    LimitKind Kind, string Name, Quantity Quantity, double Used, double? Allowed, double? Use, bool IsLeast, Severity Severity);

/// <summary>A value that went into the derivation from outside, with where it came from.</summary>
public sealed record Given(string Symbol, string Name, Quantity Quantity, double Value, string From);

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
    public required IReadOnlyList<Given> Givens { get; init; }

    /// <summary>The derivation; empty unless it was asked for.</summary>
    public required IReadOnlyList<DerivationStep> Steps { get; init; }

    /// <summary>What the tool does along its axis, stage by stage; empty where the operation does not move along it alone.</summary>
    public IReadOnlyList<Holes.HoleStage> Stages { get; init; } = [];

    /// <summary>Where crossing holes open the wall of the bore, in the order they were given.</summary>
    public IReadOnlyList<Holes.OpenWall> Openings { get; init; } = [];
}

/// <summary>An operation: its description and its calculation stand together.</summary>
public interface IOperation
{
    /// <summary>What it is called and what it asks for.</summary>
    OperationDescription Description { get; }

    /// <summary>Calculates a situation.</summary>
    /// <param name="situation">What it is about.</param>
    /// <param name="choices">What was typed and picked.</param>
    /// <param name="explain">Whether the derivation is wanted.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="InputException">A value cannot be computed with; each fault names its field.</exception>
    CalculationResult Calculate(Situation situation, Choices choices, bool explain, CancellationToken cancel = default);

    /// <summary>Works out where the situation may be run, over two of its free values.</summary>
    /// <param name="situation">What it is about.</param>
    /// <param name="choices">What was typed and picked.</param>
    /// <param name="request">Which two, and how finely.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="InputException">A value cannot be computed with; each fault names its field.</exception>
    OperatingWindow Window(Situation situation, Choices choices, WindowRequest request, CancellationToken cancel);

    /// <summary>Looks for the best point inside all limits, over all free values, whether typed or not.</summary>
    /// <param name="situation">What it is about.</param>
    /// <param name="choices">What was typed and picked.</param>
    /// <param name="aim">What is best.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="InputException">A value cannot be computed with; each fault names its field.</exception>
    BestPoint Best(Situation situation, Choices choices, BestAim aim, CancellationToken cancel);
}

/// <summary>An operation whose load changes within a turn.</summary>
public interface ITurningLoad
{
    /// <summary>Works out the load over one revolution.</summary>
    /// <param name="situation">What it is about.</param>
    /// <param name="choices">What was typed and picked.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="InputException">A value cannot be computed with; each fault names its field.</exception>
    RevolutionLoad Revolution(Situation situation, Choices choices, CancellationToken cancel = default);
}

/// <summary>Every operation there is.</summary>
public static class Operations
{
    /// <summary>Version of the engine; raised whenever any figure could change.</summary>
    public const string EngineVersion = "6";

    /// <summary>All, in the order they are offered.</summary>
    public static IReadOnlyList<IOperation> All { get; } =
    [
        new MillingOperation<SideRough>(),
        new MillingOperation<SideFinish>(),
        new MillingOperation<FaceMilling>(),
        new MillingOperation<SlotMilling>(),
        new MillingOperation<PocketMilling>(),
        new MillingOperation<ConstantEngagement>(),
        new MillingOperation<RampMilling>(),
        new MillingOperation<HelicalEntry>(),
        new MillingOperation<HelicalBoring>(),
        new MillingOperation<PlungeMilling>(),
        new MillingOperation<CornerCleaning>(),
        new MillingOperation<SurfaceFinishing>(),
        new MillingOperation<ChamferMilling>(),
        new MillingOperation<Engraving>(),
        new HoleOperation<CentreDrilling>(),
        new HoleOperation<SpotDrilling>(),
        new HoleOperation<Drilling>(),
        new HoleOperation<StagedDrilling>(),
        new HoleOperation<Countersinking>(),
        new HoleOperation<Counterboring>(),
        new HoleOperation<Reaming>(),
        new HoleOperation<Boring<RoughBar>>(),
        new HoleOperation<Boring<FineBar>>(),
        new HoleOperation<Tapping>(),
    ];

    /// <summary>The operation of a code, or null.</summary>
    public static IOperation? Find(string code) => All.FirstOrDefault(o => o.Description.Code == code);
}

using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;

namespace Incisura.Core.Calculation;

/// <summary>A number read from a setup and the inputs.</summary>
/// <param name="setup">The setup.</param>
/// <param name="x">The inputs, complete.</param>
public delegate double Reading(CuttingSetup setup, in Inputs x);

/// <summary>
/// What can be turned to keep limits and is proposed from the speed chart: one ordered list for each world. Proposal, ranges, window
/// and the search for the best point all read it.
/// </summary>
/// <param name="Input">Which input.</param>
/// <param name="Floor">Value below which it is no longer turned down or looked for.</param>
/// <param name="Top">Largest value the best point takes.</param>
/// <param name="End">Where the axis of a window ends.</param>
public sealed record Lever(Input Input, Reading Floor, Reading Top, Reading End)
{
    /// <summary>Whether it is kept before the others where limits ask for less: the depth, since a deep edge wears evenly.</summary>
    public bool KeptFirst { get; init; }

    /// <summary>Least value shown as its range; null where none is.</summary>
    public Reading? Least { get; init; }

    /// <summary>Where its range ends whatever the limits say; null for the field's own end.</summary>
    public Reading? Most { get; init; }

    /// <summary>Whether it is the feed, found last for the best point because loads follow a power of it.</summary>
    public bool IsFeed { get; init; }

    /// <summary>Whether its top is what the shop's chart says.</summary>
    public bool TopIsChart { get; init; }

    /// <summary>What is to be removed in all in its direction, the first that an operation asks for.</summary>
    public IReadOnlyList<Input> Totals { get; init; } = [];

    /// <summary>Points looked at along it for the best point, and whether they lie closer towards its least.</summary>
    public (int Count, bool Squared) Points { get; init; } = (16, false);
}

/// <summary>What of a leftover an operation can take over.</summary>
/// <param name="Input">Which input it stands in for.</param>
/// <param name="Value">What is left, base unit.</param>
/// <param name="Words">What it is called in a sentence before its value.</param>
/// <param name="TakesNothing">Whether nothing left is worth taking over too.</param>
public readonly record struct LeftPart(Input Input, double Value, string Words, bool TakesNothing = false);

/// <summary>
/// One operation as the engine works with it: a kind within its world, such as slotting within milling. A struct as type parameter
/// lets the compiler make one straight piece of code for each operation.
/// </summary>
/// <typeparam name="TResult">What the world yields.</typeparam>
public interface IWork<TResult>
    where TResult : struct, IOutputs
{
    /// <summary>Words, fields and options, complete.</summary>
    static abstract OperationDescription Description { get; }

    /// <summary>What can be turned beside the speed, which the engine turns in every operation.</summary>
    static abstract IReadOnlyList<Lever> Levers { get; }

    /// <summary>Draws the setup together from a checked situation.</summary>
    static abstract CuttingSetup Draw(Situation situation, BuiltAssembly built, SpeedRow? row, IReadOnlyDictionary<string, string> options);

    /// <summary>Largest value of a field with a cutter.</summary>
    static virtual double MostOf(FieldDescription field, Cutter cutter) => field.Most;

    /// <summary>Sets what was not typed and follows other inputs.</summary>
    static abstract void Follow(CuttingSetup setup, ref Inputs x);

    /// <summary>Whether an input matters with the cutter and the other inputs as they are.</summary>
    static abstract bool Uses(CuttingSetup setup, in Inputs x, Input input);

    /// <summary>Refuses values that cannot be computed with because of the cutter or of each other.</summary>
    static abstract void Refuse(CuttingSetup setup, in Inputs x, InputCheck check);

    /// <summary>Diameter at which the cutting speed counts, mm.</summary>
    static abstract double SpeedDiameter(CuttingSetup setup, in Inputs x);

    /// <summary>What the speed chart says of a lever other than the speed, at the engagement of the inputs.</summary>
    static abstract double Charted<TTrace>(CuttingSetup setup, SpeedRow row, in Inputs x, Input lever, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Sets the feed to what is charted for the engagement, held to what the edge asks of a chip.</summary>
    /// <returns>The limit that held it; null where it stays as charted.</returns>
    static abstract LimitDefinition? Refeed(CuttingSetup setup, SpeedRow row, ref Inputs x);

    /// <summary>Works complete inputs out, taken as checked.</summary>
    static abstract void Solve<TTrace>(CuttingSetup setup, in Inputs x, out TResult result, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>
    /// The range that what is typed elsewhere leaves an input, such as the tolerance of a thread; null where only limits bound it.
    /// </summary>
    static virtual (double Least, double Most)? Permitted(CuttingSetup setup, in Inputs x, Input input) => null;

    /// <summary>A line about the value of an input; null for none.</summary>
    static abstract Sentence? Note(CuttingSetup setup, in Inputs x, Input input);

    /// <summary>Says what the world and the operation have to say.</summary>
    static abstract void Notice(CuttingSetup setup, in Inputs x, in TResult result, List<Finding> findings);

    /// <summary>What goes into the derivation beside the fields, with where it came from.</summary>
    static abstract IEnumerable<Given> Givens(CuttingSetup setup, in Inputs x, in TResult result, Origins origins);

    /// <summary>Symbol of a field in the derivation.</summary>
    static virtual string SymbolOf(FieldDescription field) => field.Symbol;

    /// <summary>What a step before left for the operation.</summary>
    static abstract IReadOnlyList<LeftPart> Left(Leftover leftover, in Inputs x);

    /// <summary>What the result has beyond figures.</summary>
    static virtual IReadOnlyList<Attachment> Attach(CuttingSetup setup, in Inputs x, in TResult result) => [];
}

namespace Incisura.Core.Calculation;

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

/// <summary>A proposed value that a limit held back.</summary>
/// <param name="Limit">The limit that bound.</param>
/// <param name="Input">The value held.</param>
/// <param name="From">The value before.</param>
/// <param name="To">The value held to.</param>
public sealed record Hold(LimitDefinition Limit, Input Input, double From, double To);

/// <summary>Proposed inputs: from the chart, and held inside every limit the untyped values can reach.</summary>
/// <param name="Inputs">The inputs, complete.</param>
/// <param name="Holds">What was held back, in order.</param>
public sealed record Proposal(Inputs Inputs, IReadOnlyList<Hold> Holds);

/// <summary>A situation as it came through the door.</summary>
/// <param name="Setup">What stays the same while choices change.</param>
/// <param name="Wish">What was typed and picked.</param>
/// <param name="Options">What is picked of every option, by code.</param>
/// <param name="Leftover">What a step before left; null where nothing was taken over.</param>
public sealed record Taken(CuttingSetup Setup, Inputs Wish, IReadOnlyDictionary<string, string> Options, Leftover? Leftover);

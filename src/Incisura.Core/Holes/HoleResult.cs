using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;

namespace Incisura.Core.Holes;

/// <summary>How the drill gets to its depth.</summary>
public enum DrillingCycle
{
    /// <summary>Straight down.</summary>
    Plain,

    /// <summary>In pecks, with a short lift that breaks the chip.</summary>
    ChipBreaking,

    /// <summary>In pecks, out of the hole after each to clear it.</summary>
    FullRetract,

    /// <summary>In stages behind a pilot.</summary>
    Staged,
}

/// <summary>Everything a hole operation yields, with its limits, in one value so that nothing is allocated.</summary>
public struct HoleResult : IOutputs
{
    private Numbers<Output> outputs;
    private LimitSet judged;

    /// <summary>Room for the limits, to be judged into.</summary>
    [UnscopedRef]
    internal ref LimitSet Judging => ref judged;

    /// <summary>How the tool gets to its depth.</summary>
    public DrillingCycle Cycle { get; internal set; }

    /// <summary>Cutting edge angle κ of the edge that cuts, degrees.</summary>
    public double EdgeAngle { get; internal set; }

    /// <summary>What held the speed of a tap; null where nothing did.</summary>
    public LimitDefinition? HeldBy { get; internal set; }

    /// <inheritdoc/>
    public readonly LimitSet Limits => judged;

    /// <inheritdoc/>
    public double this[Output output]
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        readonly get => outputs[output];
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        set => outputs.Mark(output, value);
    }

    /// <inheritdoc/>
    public readonly bool Has(Output output) => outputs.IsMarked(output);
}

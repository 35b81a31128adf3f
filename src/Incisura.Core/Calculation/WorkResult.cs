using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;

namespace Incisura.Core.Calculation;

/// <summary>Everything that turning, or milling a thread, yields, with its limits, in one value so that nothing is allocated.</summary>
public struct WorkResult : IOutputs
{
    private Numbers<Output> outputs;
    private LimitSet judged;

    /// <summary>Room for the limits, to be judged into.</summary>
    [UnscopedRef]
    internal ref LimitSet Judging => ref judged;

    /// <summary>What held the speed; null where nothing did.</summary>
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

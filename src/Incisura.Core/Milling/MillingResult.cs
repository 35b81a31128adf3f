using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;

namespace Incisura.Core.Milling;

/// <summary>Form of a surface across the passes.</summary>
public enum SurfaceForm
{
    /// <summary>Flat.</summary>
    Flat,

    /// <summary>Hollow, with its radius.</summary>
    Concave,

    /// <summary>Domed, with its radius.</summary>
    Convex,
}

/// <summary>Everything a milling operation yields, with its limits, in one value so that nothing is allocated.</summary>
public struct MillingResult : IOutputs
{
    private Numbers<Output> outputs;
    private LimitSet judged;

    /// <summary>Room for the limits, to be judged into.</summary>
    [UnscopedRef]
    internal ref LimitSet Judging => ref judged;

    /// <summary>Passes across with the width of each, mm.</summary>
    public Passes Across { get; internal set; }

    /// <summary>Passes down with the depth of each, mm.</summary>
    public Passes Down { get; internal set; }

    /// <summary>How the teeth meet the work.</summary>
    public Engagement Engagement { get; internal set; }

    /// <summary>Speed, feed, chip, force, power and torque.</summary>
    public MillingLoad Load { get; internal set; }

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

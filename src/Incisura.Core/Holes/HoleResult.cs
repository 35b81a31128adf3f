using Incisura.Core.Calculation;

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

    /// <summary>How the tool gets to its depth.</summary>
    public DrillingCycle Cycle { get; internal set; }

    /// <summary>Cutting edge angle κ of the edge that cuts, degrees.</summary>
    public double EdgeAngle { get; internal set; }

    /// <summary>What held the speed of a tap; null where nothing did.</summary>
    public LimitDefinition? HeldBy { get; internal set; }

    /// <inheritdoc/>
    public LimitSet Limits { get; set; }

    /// <inheritdoc/>
    public double this[Output output]
    {
        readonly get => outputs[output];
        set => outputs.Mark(output, value);
    }

    /// <inheritdoc/>
    public readonly bool Has(Output output) => outputs.IsMarked(output);
}

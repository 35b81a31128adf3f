namespace Incisura.Core.Milling;

/// <summary>How far the tool is in the work.</summary>
/// <param name="Axial">Depth of the edge in the work along the axis, mm.</param>
/// <param name="Radial">Width of the edge in the work across, mm.</param>
/// <param name="Reach">How deep the tool goes into the work in all, mm.</param>
public readonly record struct Extent(double Axial, double Radial, double Reach);

/// <summary>
/// One milling operation: its description, how the teeth meet the work, its passes and time, its own limits and findings. What all
/// operations share stands in <see cref="PassLoad"/> and <see cref="Milling{TKind}"/>. Static members of a struct let the
/// compiler make one straight piece of code for each operation.
/// </summary>
public interface IMillingKind
{
    /// <summary>Its words, fields and options.</summary>
    static abstract OperationDescription Description { get; }

    /// <summary>Sets what was not typed and follows other inputs.</summary>
    static abstract void Follow(MillingSetup setup, ref Inputs x);

    /// <summary>Largest width it takes with a cutter, mm; NaN where the cutter names none.</summary>
    static virtual double MostWidth(MillingSetup setup) => setup.LargestWidth;

    /// <summary>Whether an input matters with the cutter and the other inputs as they are.</summary>
    static virtual bool Uses(MillingSetup setup, in Inputs x, Input input) => true;

    /// <summary>Refuses values that cannot be computed with because of the cutter or of each other.</summary>
    static virtual void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
    }

    /// <summary>Divides into passes and works out how the teeth meet the work.</summary>
    static abstract void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Works out its own figures, once the load is known, and sums its way.</summary>
    static abstract Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Walks the way of the tool, for its length, its time and its pictures.</summary>
    static abstract void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink;

    /// <summary>Where along the cut its loads are worst, mm from the beginning; 0 where they are the same all the way.</summary>
    static virtual double WorstAt(in Inputs x, in MillingResult r) => 0;

    /// <summary>Judges limits that only it has.</summary>
    static virtual void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits)
    {
    }

    /// <summary>Says what only it has to say.</summary>
    static virtual void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
    }
}

global using MillingField = Incisura.Core.Calculation.InputField<Incisura.Core.Milling.MillingInput>;
using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>A milling operation in words and fields.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Picture">Which picture shows it.</param>
/// <param name="Families">Families of cutter that may do it.</param>
/// <param name="Fields">What it asks for.</param>
/// <param name="Options">Choices between words.</param>
/// <param name="Large">Figures shown large.</param>
/// <param name="Rows">Figures shown below them; all others are there for the pictures.</param>
public sealed record MillingDescription(
    string Code,
    string Name,
    string Picture,
    IReadOnlyList<CutterFamily> Families,
    IReadOnlyList<MillingField> Fields,
    IReadOnlyList<OptionDescription> Options,
    IReadOnlyList<MillingFigure> Large,
    IReadOnlyList<MillingFigure> Rows)
{
    /// <summary>Codes of operations whose row of the chart serves where there is none for this one, the nearest first.</summary>
    public IReadOnlyList<string> ChartedAs { get; init; } = [];

    /// <summary>Factor on the charted depth where another operation's row serves.</summary>
    public double DepthFactor { get; init; } = 1;

    /// <summary>Figures that are there for the pictures and for other steps.</summary>
    public IReadOnlyList<MillingFigure> Behind { get; init; } = [];

    /// <summary>Whether it follows a step that left stock on a wall.</summary>
    public bool FollowsWall { get; init; }

    /// <summary>Whether the operation asks for an input.</summary>
    public bool Has(MillingInput input) => Fields.Any(f => f.Input == input);
}

/// <summary>How far the tool is in the work.</summary>
/// <param name="Axial">Depth of the edge in the work along the axis, mm.</param>
/// <param name="Radial">Width of the edge in the work across, mm.</param>
/// <param name="Reach">How deep the tool goes into the work in all, mm.</param>
public readonly record struct Extent(double Axial, double Radial, double Reach);

/// <summary>
/// One milling operation: its description, how the teeth meet the work, its passes and time, its own limits and findings. What all
/// operations share stands in <see cref="PassLoad"/> and <see cref="MillingOperation{TKind}"/>. Static members of a struct let the
/// compiler make one straight piece of code for each operation.
/// </summary>
public interface IMillingKind
{
    /// <summary>Its words, fields and options.</summary>
    static abstract MillingDescription Description { get; }

    /// <summary>Sets what was not typed and follows other inputs.</summary>
    static abstract void Follow(MillingSetup setup, ref MillingInputs x);

    /// <summary>Whether an input matters with the cutter and the other inputs as they are.</summary>
    static virtual bool Uses(MillingSetup setup, in MillingInputs x, MillingInput input) => true;

    /// <summary>Refuses values that cannot be computed with because of the cutter or of each other.</summary>
    static virtual void Refuse(MillingSetup setup, in MillingInputs x, InputCheck check)
    {
    }

    /// <summary>Divides into passes and works out how the teeth meet the work.</summary>
    static abstract void Engage<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Works out way, time and its own figures, once the load is known.</summary>
    static abstract Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Judges limits that only it has.</summary>
    static virtual void Judge(MillingSetup setup, in MillingInputs x, in MillingResult r, ref LimitSet limits)
    {
    }

    /// <summary>Says what only it has to say.</summary>
    static virtual void Notice(MillingSetup setup, in MillingInputs x, in MillingResult r, List<Finding> findings)
    {
    }
}

/// <summary>Works a milling operation out.</summary>
public static class MillingSolver
{
    /// <summary>Load, passes, time and limits for complete inputs, taken as checked.</summary>
    /// <param name="setup">Cutter, holder, material and machine.</param>
    /// <param name="x">The inputs, complete.</param>
    /// <param name="result">The result.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static void Solve<TKind, TTrace>(MillingSetup setup, in MillingInputs x, out MillingResult result, ref TTrace trace)
        where TKind : struct, IMillingKind
        where TTrace : struct, ITrace
    {
        result = default;
        TKind.Engage(setup, x, ref result, ref trace);
        PassLoad.Solve(setup, x, result.Engagement, ref result, ref trace);
        result[MillingFigure.PassesAcross] = result.Across.Count;
        result[MillingFigure.PassesDown] = result.Down.Count;
        Extent extent = TKind.Plan(setup, x, ref result, ref trace);
        LimitSet limits = default;
        PassLoad.Judge(setup, x, result, extent.Axial, extent.Radial, extent.Reach, ref limits);
        TKind.Judge(setup, x, result, ref limits);
        result.Limits = limits;
    }

    /// <summary>The same without a listener.</summary>
    public static MillingResult Solve<TKind>(MillingSetup setup, in MillingInputs x)
        where TKind : struct, IMillingKind
    {
        NoTrace none = default;
        Solve<TKind, NoTrace>(setup, x, out MillingResult result, ref none);
        return result;
    }

    /// <summary>How the teeth meet the work, without the load.</summary>
    internal static Engagement Engage<TKind>(MillingSetup setup, in MillingInputs x)
        where TKind : struct, IMillingKind
    {
        NoTrace none = default;
        MillingResult result = default;
        TKind.Engage(setup, x, ref result, ref none);
        return result.Engagement;
    }
}

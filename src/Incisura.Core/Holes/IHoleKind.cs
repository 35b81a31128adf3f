global using HoleField = Incisura.Core.Calculation.InputField<Incisura.Core.Holes.HoleInput>;

using Incisura.Core.Calculation;
using Incisura.Core.Cutters;

namespace Incisura.Core.Holes;

/// <summary>A hole operation in words and fields.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Families">Families of cutter that may do it.</param>
/// <param name="Fields">What it asks for.</param>
/// <param name="Options">Choices between words.</param>
/// <param name="Large">Figures shown large.</param>
/// <param name="Rows">Figures shown below them; all others are there for the drawing.</param>
public sealed record HoleDescription(
    string Code,
    string Name,
    IReadOnlyList<CutterFamily> Families,
    IReadOnlyList<HoleField> Fields,
    IReadOnlyList<OptionDescription> Options,
    IReadOnlyList<HoleFigure> Large,
    IReadOnlyList<HoleFigure> Rows)
{
    /// <summary>Which picture shows it.</summary>
    public string Picture { get; init; } = "hole";

    /// <summary>Codes of operations whose row of the chart serves where there is none for this one, the nearest first.</summary>
    public IReadOnlyList<string> ChartedAs { get; init; } = [];

    /// <summary>Whether it is drilled in stages.</summary>
    public bool InStages { get; init; }

    /// <summary>Whether the feed is the lead of the thread.</summary>
    public bool InStep { get; init; }

    /// <summary>Whether it comes before the hole it asks for, and makes none of its own.</summary>
    public bool StartsHole { get; init; }

    /// <summary>Whether it goes into a hole that a step before left.</summary>
    public bool FollowsHole => Has(HoleInput.HoleBefore) && !StartsHole;

    /// <summary>Whether the operation asks for an input.</summary>
    public bool Has(HoleInput input) => Fields.Any(f => f.Input == input);
}

/// <summary>
/// One hole operation: its description, its depth and load, its own limits and findings. What all of them share stands in
/// <see cref="HoleWork"/> and <see cref="HoleOperation{TKind}"/>.
/// </summary>
public interface IHoleKind
{
    /// <summary>Its words, fields and options.</summary>
    static abstract HoleDescription Description { get; }

    /// <summary>Sets what was not typed and follows other inputs.</summary>
    static abstract void Follow(HoleSetup setup, ref HoleInputs x);

    /// <summary>Whether an input matters with the cutter and the other inputs as they are.</summary>
    static virtual bool Uses(HoleSetup setup, in HoleInputs x, HoleInput input) => true;

    /// <summary>Diameter of the hole that shank and neck have to enter behind the cutting part, mm.</summary>
    static virtual double Enters(HoleSetup setup, in HoleInputs x) => setup.Diameter;

    /// <summary>Refuses values that cannot be computed with because of the cutter or of each other.</summary>
    static virtual void Refuse(HoleSetup setup, in HoleInputs x, InputCheck check)
    {
    }

    /// <summary>Works out depth, load, time and its own figures.</summary>
    static abstract void Work<TTrace>(HoleSetup setup, in HoleInputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Judges limits that only it has.</summary>
    static virtual void Judge(HoleSetup setup, in HoleInputs x, in HoleResult r, ref LimitSet limits)
    {
    }

    /// <summary>Says what only it has to say.</summary>
    static virtual void Notice(HoleSetup setup, in HoleInputs x, in HoleResult r, List<Finding> findings)
    {
    }

    /// <summary>What the tool does along its axis, stage by stage.</summary>
    static virtual IReadOnlyList<HoleStage> Stages(HoleSetup setup, in HoleInputs x, in HoleResult r) =>
        HoleStages.Of(setup, x, r, returnsAtFeed: false);

    /// <summary>Where crossing holes open the wall, in the order they were given.</summary>
    static virtual IReadOnlyList<OpenWall> Openings(in HoleInputs x) => [];
}

/// <summary>Works a hole operation out.</summary>
public static class HoleSolver
{
    /// <summary>Depth, load, time and limits for complete inputs, taken as checked.</summary>
    /// <param name="setup">Cutter, holder, material and machine.</param>
    /// <param name="x">The inputs, complete.</param>
    /// <param name="result">The result.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static void Solve<TKind, TTrace>(HoleSetup setup, in HoleInputs x, out HoleResult result, ref TTrace trace)
        where TKind : struct, IHoleKind
        where TTrace : struct, ITrace
    {
        result = default;
        TKind.Work(setup, x, ref result, ref trace);
        if (setup.Taylor.Known) result[HoleFigure.ToolLife] = setup.Taylor.LifeAt(result[HoleFigure.SpeedInUse], ref trace);
        LimitSet limits = default;
        HoleWork.Judge(setup, x, result, TKind.Enters(setup, x), ref limits);
        TKind.Judge(setup, x, result, ref limits);
        result.Limits = limits;
    }

    /// <summary>The same without a listener.</summary>
    public static HoleResult Solve<TKind>(HoleSetup setup, in HoleInputs x)
        where TKind : struct, IHoleKind
    {
        NoTrace none = default;
        Solve<TKind, NoTrace>(setup, x, out HoleResult result, ref none);
        return result;
    }

    /// <summary>Whether an input matters: a life only where one is known or asked for, anything else as the operation says.</summary>
    internal static bool Uses<TKind>(HoleSetup setup, in HoleInputs x, HoleInput input)
        where TKind : struct, IHoleKind => input == HoleInput.ToolLife ? x.IsTyped(input) || setup.Taylor.Known : TKind.Uses(setup, x, input);
}

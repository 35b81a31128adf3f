namespace Incisura.Core.Calculation;

/// <summary>Equal passes, none above the most allowed.</summary>
/// <param name="Count">Number of passes, at least 1.</param>
/// <param name="Each">Amount each takes, in the unit of the total.</param>
public readonly record struct Passes(int Count, double Each)
{
    /// <summary>Most passes anything may be divided into.</summary>
    public const int Most = 100_000;

    /// <summary>Number of passes across.</summary>
    public static readonly Formula AcrossFormula = new(
        "i_e", "Passes across", Quantity.Count, "ceil(W/a_emost - 1e-9)", "equal passes, none above the most allowed");

    /// <summary>Number of passes down.</summary>
    public static readonly Formula DownFormula = new(
        "i_p", "Passes down", Quantity.Count, "ceil(H/a_pmost - 1e-9)", "equal passes, none above the most allowed");

    /// <summary>Width of each pass.</summary>
    public static readonly Formula WidthFormula = new("a_e", "Width of each pass", Quantity.Length, "W/i_e", "equal passes");

    /// <summary>Depth of each pass.</summary>
    public static readonly Formula DepthFormula = new("a_p", "Depth of each pass", Quantity.Length, "H/i_p", "equal passes");

    /// <summary>How many steps cover a total: at least 1. A remainder below 1e-9 of a step is rounding, not another step.</summary>
    /// <param name="total">Total to cover, at least 0.</param>
    /// <param name="step">A step, above 0, in the unit of the total.</param>
    public static double Covering(double total, double step) => Math.Max(1, Math.Ceiling((total / step) - 1e-9));

    /// <summary>Divides a total into equal passes, as many as cover it.</summary>
    /// <param name="total">Total to remove, above 0.</param>
    /// <param name="most">Most a pass may take, above 0.</param>
    public static Passes Even(double total, double most)
    {
        double count = Math.Min(Covering(total, most), Most);
        return new((int)count, total / count);
    }
}

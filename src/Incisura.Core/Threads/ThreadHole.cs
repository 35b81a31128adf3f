namespace Incisura.Core.Threads;

/// <summary>
/// The hole a 60° thread is tapped into, and the height of thread it gives. The full height is 3/4 of that of the sharp triangle,
/// 0.6495·P, as wide tables for tapping holes take it; a formed thread rises from the hole by flow, so that the diameter changes by
/// 0.0068·P for each per cent of height.
/// </summary>
public static class ThreadHole
{
    // 2·(3/4)·(√3/2): the fall of the diameter for the full height, over the pitch; of pipe threads twice the height of their profiles.
    private static readonly double CutFall = 0.75 * Math.Sqrt(3);
    private const double WhitworthFall = 2 * 0.640327, Taper60Fall = 1.6;
    private const double FormFall = 0.68;

    private static readonly Formula CutFormula = new(
        "d_h", "Hole for the height wanted", Quantity.Length, "D - 3*sqrt(3)/4*P*H_w/100",
        "height of a 60° thread over 3/4 of the sharp triangle; ISO 68-1");
    private static readonly Formula FormFormula = new(
        "d_h", "Hole for the height wanted", Quantity.Length, "D - 0.0068*P*H_w", "volume displaced into the crest; formed 60° threads");
    private static readonly Formula CutHeight = new(
        "H_p", "Thread height got", Quantity.Ratio, "100*(D - d_0)/(3*sqrt(3)/4*P)", "the same, for the hole that is there");
    private static readonly Formula FormHeight = new(
        "H_p", "Thread height got", Quantity.Ratio, "(D - d_0)/(0.0068*P)", "the same, for the hole that is there");

    private static readonly Formula WhitworthFormula = CutFormula with
    {
        Expression = "D - 1.280654*P*H_w/100",
        Source = "height of a 55° pipe thread; ISO 228-1, ISO 7-1",
    };
    private static readonly Formula WhitworthHeight = CutHeight with { Expression = "100*(D - d_0)/(1.280654*P)" };
    private static readonly Formula Taper60Formula = CutFormula with
    {
        Expression = "D - 1.6*P*H_w/100",
        Source = "height of a 60° taper pipe thread, 0.8 of the pitch; ASME B1.20.1",
    };
    private static readonly Formula Taper60Height = CutHeight with { Expression = "100*(D - d_0)/(1.6*P)" };

    /// <summary>Hole for a wanted height, mm.</summary>
    /// <param name="diameter">D, mm.</param>
    /// <param name="pitch">P, mm.</param>
    /// <param name="percent">Height wanted over the full one, %, 0 to 100.</param>
    /// <param name="formed">Whether the thread is formed rather than cut; a formed one is of 60°.</param>
    /// <param name="trace">Listens to the step.</param>
    /// <param name="form">Form of the thread.</param>
    public static double For<TTrace>(
        double diameter, double pitch, double percent, bool formed, ref TTrace trace, ThreadForm form = ThreadForm.Metric)
        where TTrace : struct, ITrace
    {
        double hole = diameter - (FallOf(formed, form) * pitch * percent / 100);
        if (TTrace.Listens) trace.Take(Of(formed, form).Hole, hole, new("D", diameter), new("P", pitch), new("H_w", percent));
        return hole;
    }

    /// <summary>Height that a hole gives, % of the full one.</summary>
    /// <param name="diameter">D, mm.</param>
    /// <param name="pitch">P, mm.</param>
    /// <param name="hole">d_0, mm.</param>
    /// <param name="formed">Whether the thread is formed rather than cut; a formed one is of 60°.</param>
    /// <param name="trace">Listens to the step.</param>
    /// <param name="form">Form of the thread.</param>
    public static double HeightOf<TTrace>(
        double diameter, double pitch, double hole, bool formed, ref TTrace trace, ThreadForm form = ThreadForm.Metric)
        where TTrace : struct, ITrace
    {
        double percent = 100 * (diameter - hole) / (FallOf(formed, form) * pitch);
        if (TTrace.Listens) trace.Take(Of(formed, form).Height, percent, new("D", diameter), new("P", pitch), new("d_0", hole));
        return percent;
    }

    /// <summary>Minor diameter D_1 of the thread for a height, mm: the hole itself for a cut thread.</summary>
    public static double MinorFor(double diameter, double pitch, double percent, ThreadForm form = ThreadForm.Metric) =>
        diameter - (FallOf(false, form) * pitch * percent / 100);

    private static double FallOf(bool formed, ThreadForm form) => formed ? FormFall : form switch
    {
        ThreadForm.PipeParallel or ThreadForm.PipeTaper => WhitworthFall,
        ThreadForm.PipeTaper60 or ThreadForm.PipeTaper60Dry => Taper60Fall,
        _ => CutFall,
    };

    private static (Formula Hole, Formula Height) Of(bool formed, ThreadForm form) => formed ? (FormFormula, FormHeight) : form switch
    {
        ThreadForm.PipeParallel or ThreadForm.PipeTaper => (WhitworthFormula, WhitworthHeight),
        ThreadForm.PipeTaper60 or ThreadForm.PipeTaper60Dry => (Taper60Formula, Taper60Height),
        _ => (CutFormula, CutHeight),
    };
}

namespace Incisura.Core.Milling;

/// <summary>Division of stock into equal passes across and down.</summary>
internal static class PassDivision
{
    /// <summary>Passes across.</summary>
    public static void Across<TTrace>(double total, double most, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        Passes passes = Passes.Even(total, most);
        r.Across = passes;
        if (!TTrace.Listens) return;
        trace.Take(Passes.AcrossFormula, passes.Count, new("W", total), new("a_emost", most));
        trace.Take(Passes.WidthFormula, passes.Each, new("W", total), new("i_e", passes.Count));
    }

    /// <summary>Passes down.</summary>
    public static void Down<TTrace>(double total, double most, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        Passes passes = Passes.Even(total, most);
        r.Down = passes;
        if (!TTrace.Listens) return;
        trace.Take(Passes.DownFormula, passes.Count, new("H", total), new("a_pmost", most));
        trace.Take(Passes.DepthFormula, passes.Each, new("H", total), new("i_p", passes.Count));
    }
}

/// <summary>The marks the feed leaves along its way.</summary>
internal static class FeedMarks
{
    private static readonly Formula PeakToValley = new(
        "R_th", "Peak to valley along the feed, theory", Quantity.Deviation, "1000*f_z^2/(8*r)",
        "circular segment, for one tooth after another; runout makes it the feed of a turn");

    /// <summary>Writes peak to valley for a rounding that passes with the feed; nothing without one.</summary>
    public static void Solve<TTrace>(double radius, double feed, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (!(radius > 0)) return;
        double height = 1000 * feed * feed / (8 * radius);
        r[Output.PeakToValley] = height;
        if (TTrace.Listens) trace.Take(PeakToValley, height, new("f_z", feed), new("r", radius));
    }
}

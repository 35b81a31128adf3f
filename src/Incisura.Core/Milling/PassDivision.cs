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
        "R_th", "Peak to valley along the feed, theory", Quantity.Deviation, "1000*f_z^2/(8*r)", "circular segment, for one tooth after another");
    private static readonly Formula WithRunOut = PeakToValley with
    {
        Expression = "1000*min(f_z^2/(8*r) + 2*e_r, (z*f_z)^2/(8*r))",
        Source = "circular segment: the teeth lie within twice the offset of the axis, and no mark is longer than the feed of a turn; "
            + "errs on the safe side",
    };

    /// <summary>Writes peak to valley for a rounding that passes with the feed; nothing without one.</summary>
    /// <param name="radius">Radius r of the rounding, mm.</param>
    /// <param name="feed">f_z, mm.</param>
    /// <param name="runOut">Run-out of the teeth across the surface; none where it does not lie across it.</param>
    /// <param name="r">Receives the height.</param>
    /// <param name="trace">Listens to the step.</param>
    public static void Solve<TTrace>(double radius, double feed, RunOut runOut, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (!(radius > 0)) return;
        double turn = runOut.Teeth * feed, even = feed * feed / (8 * radius);
        bool uneven = runOut.Step > 0;
        double height = 1000 * (uneven ? Math.Min(even + (2 * runOut.Offset), turn * turn / (8 * radius)) : even);
        r[Output.PeakToValley] = height;
        if (!TTrace.Listens) return;
        if (uneven) trace.Take(WithRunOut, height, new("f_z", feed), new("r", radius), new("e_r", runOut.Offset), new("z", runOut.Teeth));
        else trace.Take(PeakToValley, height, new("f_z", feed), new("r", radius));
    }
}

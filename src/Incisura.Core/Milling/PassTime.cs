namespace Incisura.Core.Milling;

/// <summary>Time of passes that lie beside and below each other, with run-in, run-out, returns and the lift between levels.</summary>
internal static class PassTime
{
    private static readonly Formula SideOverrun = new(
        "l_e", "Way before and after the work", Quantity.Length, "sqrt(min(a_e, D_e/2)*(D_e - min(a_e, D_e/2))) + c_0",
        "geometry of entry and exit, with a clear way c_0");
    private static readonly Formula FullOverrun = new(
        "l_e", "Way before and after the work", Quantity.Length, "D_e/2 + c_0", "the whole cutter clears the work, with a clear way c_0");
    private static readonly Formula OneWay = new(
        "T", "Time", Quantity.Time, "i*(L + 2*l_e)/v_f + (i - 1)*(L + 2*l_e)/v_rapid + 2*i_p*h_s/v_rapid",
        "passes at feed rate, returns in rapid, a lift h_s for each level");
    private static readonly Formula BothWays = new(
        "T", "Time", Quantity.Time, "i*(L + 2*l_e)/v_f + 2*i_p*h_s/v_rapid", "passes at feed rate, to and fro, a lift h_s for each level");

    /// <summary>Way before and after the work for a cut with the side of the cutter.</summary>
    public static double OverrunOfSide<TTrace>(MillingSetup setup, double diameter, double width, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double side = Math.Min(width, diameter / 2), overrun = Math.Sqrt(side * (diameter - side)) + setup.Practice.ClearWay;
        if (TTrace.Listens) trace.Take(SideOverrun, overrun, new("a_e", width), new("D_e", diameter), new("c_0", setup.Practice.ClearWay));
        return overrun;
    }

    /// <summary>Way before and after the work so that the whole cutter clears it.</summary>
    public static double OverrunOfAll<TTrace>(MillingSetup setup, double diameter, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double overrun = (diameter / 2) + setup.Practice.ClearWay;
        if (TTrace.Listens) trace.Take(FullOverrun, overrun, new("D_e", diameter), new("c_0", setup.Practice.ClearWay));
        return overrun;
    }

    /// <summary>Walks passes that lie beside and below each other: the passes, the lifts between levels, and the ways back.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs; the length is that of one pass.</param>
    /// <param name="r">The result, with its overrun.</param>
    /// <param name="passes">Number of passes on all levels.</param>
    /// <param name="levels">Number of levels.</param>
    /// <param name="sink">Receives the stretches.</param>
    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, double passes, double levels, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double way = x[Input.Length] + (2 * r[Output.Overrun]);
        sink.Take(new(WayKind.Pass, way, r[Output.FeedRate]) { Count = passes, Speed = r[Output.SpindleSpeed] });
        sink.Take(new(WayKind.Lift, setup.Practice.Lift, setup.RapidFeed) { Count = 2 * levels, Rapid = true, Speed = r[Output.SpindleSpeed] });
        if (!x.BothWays && passes > 1)
            sink.Take(new(WayKind.Return, way, setup.RapidFeed) { Count = passes - 1, Rapid = true, Speed = r[Output.SpindleSpeed] });
    }

    /// <summary>Sums the way of an operation and writes way and time.</summary>
    public static void Sum<TKind>(MillingSetup setup, in Inputs x, ref MillingResult r)
        where TKind : struct, IMillingKind
    {
        WaySum sum = default;
        TKind.Walk(setup, x, r, ref sum);
        r[Output.Way] = sum.Fed;
        r[Output.Time] = sum.Time;
    }

    /// <summary>Sums the way of passes beside and below each other, and says how.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs; the length is that of one pass.</param>
    /// <param name="passes">Number of passes on all levels.</param>
    /// <param name="levels">Number of levels.</param>
    /// <param name="overrun">Way before and after the work in each pass, mm.</param>
    /// <param name="r">The result.</param>
    /// <param name="trace">Listens to the step.</param>
    public static void Solve<TKind, TTrace>(
        MillingSetup setup, in Inputs x, double passes, double levels, double overrun, ref MillingResult r, ref TTrace trace)
        where TKind : struct, IMillingKind
        where TTrace : struct, ITrace
    {
        r[Output.Overrun] = overrun;
        Sum<TKind>(setup, x, ref r);
        if (TTrace.Listens)
            trace.Take(
                x.BothWays ? BothWays : OneWay, r[Output.Time], new("i", passes), new("i_p", levels), new("L", x[Input.Length]), new("l_e", overrun),
                new("v_f", r[Output.FeedRate]), new("v_rapid", setup.RapidFeed), new("h_s", setup.Practice.Lift));
    }
}

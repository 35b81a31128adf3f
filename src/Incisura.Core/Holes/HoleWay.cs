namespace Incisura.Core.Holes;

/// <summary>The way of a tool in a plain or pecked cycle.</summary>
internal static class HoleWay
{
    private static readonly WayKind Down = new("feed", "Down at feed rate"), Peck = new("peck", "Peck {0}"),
        Breaks = new("lift", "Lift that breaks the chip"), Clears = new("lift", "Out to clear the hole"), Back = new("back", "Back down"),
        Dwell = new("dwell", "Turns at the bottom"), Out = new("out", "Out at feed rate");

    /// <summary>Walks it, in the cycle the result names.</summary>
    public static void Walk<TSink>(HoleSetup setup, in Inputs x, in HoleResult r, bool returnsAtFeed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double tip = r[Output.ProgrammedDepth], a = x[Input.Approach], up = x[Input.Retract], n = r[Output.SpindleSpeed],
            feed = r[Output.FeedRate], rapid = setup.RapidFeed;
        sink.Take(Stretch.Along(WayKind.Approach, -up, -a, n, rapid) with { Rapid = true });
        if (r.Cycle is DrillingCycle.ChipBreaking or DrillingCycle.FullRetract) Pecks(x, r.Cycle, tip, n, feed, rapid, ref sink);
        else sink.Take(Stretch.Along(Down, -a, tip, n, feed));
        if (x[Input.DwellTurns] > 0) sink.Take(Stretch.Along(Dwell, tip, tip, n, 0) with { Stand = x[Input.DwellTurns] / n });
        if (returnsAtFeed) sink.Take(Stretch.Along(Out, tip, -a, n, feed));
        sink.Take(Stretch.Along(WayKind.Retract, returnsAtFeed ? -a : tip, -up, n, rapid) with { Rapid = true });
    }

    /// <summary>The pecks down to a depth of the tip.</summary>
    public static PeckSchedule ScheduleOf(in Inputs x, double tip) => new(x[Input.FirstPeck], x[Input.PeckRatio], x[Input.LeastPeck], tip);

    private static void Pecks<TSink>(in Inputs x, DrillingCycle cycle, double tip, double n, double feed, double rapid, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double a = x[Input.Approach], from = -a;
        int number = 0;
        foreach (double at in ScheduleOf(x, tip))
        {
            // More pecks than are taken are refused once everything is known; until then they are not walked to the end.
            if (++number > PeckSchedule.Most) break;
            sink.Take(Stretch.Along(Peck, from, at, n, feed) with { Number = number });
            if (at >= tip) break;
            bool breaks = cycle == DrillingCycle.ChipBreaking;
            double top = breaks ? at - x[Input.ChipBreakLift] : -a, back = breaks ? at : at - x[Input.PeckClearance];
            sink.Take(Stretch.Along(breaks ? Breaks : Clears, at, top, n, rapid) with { Number = number, Rapid = true });
            sink.Take(Stretch.Along(Back, top, back, n, rapid) with { Number = number, Rapid = true });
            from = back;
        }
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>Receives the stages of a plan, one after the other.</summary>
internal interface IStageSink
{
    /// <summary>Takes a stage. The name is built only where somebody reads it.</summary>
    void Take(in Stage stage);
}

/// <summary>One stage of a hole drilled behind a pilot, before it gets its words.</summary>
/// <param name="Part">Which part of the hole.</param>
/// <param name="Number">Number of the crossing hole, from 1; otherwise 0.</param>
/// <param name="From">Depth of the tip at its beginning, mm.</param>
/// <param name="To">Depth of the tip at its end, mm.</param>
/// <param name="Speed">Spindle speed, rev/min, negative to the left.</param>
/// <param name="FeedRate">Feed rate, mm/min; 0 while the tool stands.</param>
/// <param name="Coolant">Whether coolant is on.</param>
/// <param name="Stand">Time it stands, min.</param>
internal readonly record struct Stage(StagePart Part, int Number, double From, double To, double Speed, double FeedRate, bool Coolant, double Stand)
{
    /// <summary>Time, min.</summary>
    public double Time => Stand + (FeedRate > 0 ? Math.Abs(To - From) / FeedRate : 0);
}

/// <summary>The parts of a hole drilled in stages, in their order.</summary>
internal enum StagePart
{
    Approach,
    Entry,
    SpinUp,
    Coolant,
    Start,
    Full,
    Cross,
    Break,
    Stop,
    Withdraw,
    Clear,
}

/// <summary>
/// A deep hole in stages behind a pilot: the drill enters slowly and reversed, spins up guided by the pilot, and is slowed where the
/// wall is open. The same walk gives the time, the table and the checks.
/// </summary>
internal static class StagedPlan
{
    /// <summary>Walks the stages in order.</summary>
    public static void Walk<TSink>(HoleSetup setup, in HoleInputs x, in HoleResult r, ref TSink sink)
        where TSink : struct, IStageSink
    {
        double n = r[HoleFigure.SpindleSpeed], feed = r[HoleFigure.FeedRate], a = x[HoleInput.Approach], up = x[HoleInput.Retract],
            tip = r[HoleFigure.ProgrammedDepth];
        double pilot = x[HoleInput.PilotDepth], at = Math.Max(0, pilot - x[HoleInput.PilotClearance]),
            ramp = double.IsNaN(setup.RunUp) ? 0 : n / (60 * setup.RunUp);
        Put(x, new(StagePart.Approach, 0, -up, -a, 0, setup.RapidFeed, false, 0), ref sink);
        Put(x, new(StagePart.Entry, 0, -a, at, -x[HoleInput.EntrySpeed], x[HoleInput.EntryFeed], false, 0), ref sink);
        Put(x, new(StagePart.SpinUp, 0, at, at, n, 0, false, ramp), ref sink);
        Put(x, new(StagePart.Coolant, 0, at, at, n, 0, true, x[HoleInput.CoolantDelay] / 60), ref sink);

        double started = Math.Min(tip, pilot + x[HoleInput.StartLength]);
        double breaks = x.Through ? Math.Max(started, Math.Min(tip, x[HoleInput.Depth] - x[HoleInput.SlowMargin])) : tip;
        Put(x, new(StagePart.Start, 0, at, started, n, feed * x[HoleInput.StartShare], true, 0), ref sink);
        at = started;
        uint passed = 0;
        int full = 0;
        for (int met = 0; met < x.Openings.Length && at < breaks; met++)
        {
            int i = Next(x.Openings, ref passed);
            (double from, double to) = Window(x, r, x.Openings[i]);
            if (to <= at) continue;
            if (Math.Min(from, breaks) > at) Put(x, new(StagePart.Full, full++, at, Math.Min(from, breaks), n, feed, true, 0), ref sink);
            at = Math.Max(at, Math.Min(from, breaks));
            double end = Math.Min(to, breaks);
            if (end > at) Put(x, new(StagePart.Cross, i + 1, at, end, n, feed * x[HoleInput.SlowShare], true, 0), ref sink);
            at = Math.Max(at, end);
        }

        if (breaks > at) Put(x, new(StagePart.Full, full, at, breaks, n, feed, true, 0), ref sink);
        if (tip > breaks) Put(x, new(StagePart.Break, 0, breaks, tip, n, feed * x[HoleInput.BreakShare], true, 0), ref sink);
        Put(x, new(StagePart.Stop, 0, tip, tip, 0, 0, false, ramp), ref sink);
        Put(x, new(StagePart.Withdraw, 0, tip, -a, 0, x[HoleInput.WithdrawFeed], false, 0), ref sink);
        Put(x, new(StagePart.Clear, 0, -a, -up, 0, setup.RapidFeed, false, 0), ref sink);
    }

    /// <summary>Where the tip is while any part of the point meets the open wall, mm, with the margin before and after.</summary>
    public static (double From, double To) Window(in HoleInputs x, in HoleResult r, OpenWall open) =>
        (open.From - x[HoleInput.SlowMargin], open.To + r[HoleFigure.PointLength] + x[HoleInput.SlowMargin]);

    /// <summary>Code of a stage.</summary>
    public static string CodeOf(StagePart part, int number) => part switch
    {
        StagePart.Cross => $"cross-{number}",
        StagePart.Full when number > 0 => $"full-{number + 1}",
        StagePart.SpinUp => "spin-up",
        _ => part.ToString().ToLowerInvariant(),
    };

    /// <summary>Name of a stage.</summary>
    public static string NameOf(StagePart part, int number) => part switch
    {
        StagePart.Approach => "To the approach plane",
        StagePart.Entry => "Into the pilot, reversed",
        StagePart.SpinUp => "Spin up",
        StagePart.Coolant => "Coolant on",
        StagePart.Start => "Start of drilling",
        StagePart.Full => "Full feed",
        StagePart.Cross => $"Across hole {number}, slowed",
        StagePart.Break => "Breakthrough",
        StagePart.Stop => "Coolant off, spindle stops",
        StagePart.Withdraw => "Withdrawal",
        _ => "To the retract plane",
    };

    /// <summary>Whether a part's speed, feed and coolant can be changed.</summary>
    public static bool Editable(StagePart part) =>
        part is StagePart.Entry or StagePart.Start or StagePart.Full or StagePart.Cross or StagePart.Break or StagePart.Withdraw;

    // The hole met next; they may be given in any order, and keep the numbers they were given with.
    private static int Next(OpenWall[] openings, ref uint passed)
    {
        int next = -1;
        double least = double.PositiveInfinity;
        for (int i = 0; i < openings.Length; i++)
            if ((passed & (1u << i)) == 0 && openings[i].From < least) (next, least) = (i, openings[i].From);
        passed |= 1u << next;
        return next;
    }

    private static void Put<TSink>(in HoleInputs x, Stage stage, ref TSink sink)
        where TSink : struct, IStageSink
    {
        if (x.Edits.Length > 0 && Editable(stage.Part))
        {
            string code = CodeOf(stage.Part, stage.Number);
            foreach (StageEdit edit in x.Edits)
                if (edit.Stage == code)
                    stage = stage with
                    {
                        Speed = edit.Speed ?? stage.Speed,
                        FeedRate = edit.FeedRate ?? stage.FeedRate,
                        Coolant = edit.Coolant ?? stage.Coolant,
                    };
        }

        sink.Take(stage);
    }
}

/// <summary>Sums the time of the stages by what the drill does.</summary>
internal struct StageTime : IStageSink
{
    private static readonly Formula TimeFormula = new(
        "T", "Time of a hole", Quantity.Time, "t_r + t_e + t_f + t_w + t_0",
        "sum of the stages: in rapid, into the pilot, drilling, out of the bore, standing");

    private double rapid, entry, drilling, withdrawal, standing;

    /// <inheritdoc/>
    public void Take(in Stage stage)
    {
        standing += stage.Stand;
        double moving = stage.Time - stage.Stand;
        switch (stage.Part)
        {
            case StagePart.Approach or StagePart.Clear: rapid += moving; break;
            case StagePart.Entry: entry += moving; break;
            case StagePart.Withdraw: withdrawal += moving; break;
            default: drilling += moving; break;
        }
    }

    /// <summary>Time of the hole, min.</summary>
    public readonly double Total<TTrace>(ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double total = rapid + entry + drilling + withdrawal + standing;
        if (TTrace.Listens)
            trace.Take(TimeFormula, total, new("t_r", rapid), new("t_e", entry), new("t_f", drilling), new("t_w", withdrawal), new("t_0", standing));
        return total;
    }
}

/// <summary>Keeps the stages with their words.</summary>
internal readonly struct StageList() : IStageSink
{
    /// <summary>The stages.</summary>
    public List<HoleStage> Stages { get; } = [];

    /// <inheritdoc/>
    public void Take(in Stage s) =>
        Stages.Add(
            new(
                StagedPlan.CodeOf(s.Part, s.Number), StagedPlan.NameOf(s.Part, s.Number), s.From, s.To, s.Speed, s.FeedRate,
                s.Part is StagePart.Approach or StagePart.Clear, s.Coolant, s.Time)
            { Editable = StagedPlan.Editable(s.Part) });
}

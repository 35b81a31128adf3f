namespace Incisura.Core.Holes;

/// <summary>A change of one stage.</summary>
/// <param name="Stage">Code of the stage.</param>
/// <param name="Speed">Spindle speed, rev/min, negative to the left; null to leave it.</param>
/// <param name="FeedRate">Feed rate, mm/min; null to leave it.</param>
/// <param name="Coolant">Whether coolant is on; null to leave it.</param>
public sealed record StageEdit(string Stage, double? Speed = null, double? FeedRate = null, bool? Coolant = null);

/// <summary>Stages whose speed, feed or coolant was changed.</summary>
/// <param name="Edits">The changes.</param>
public sealed record StageEdits(IReadOnlyList<StageEdit> Edits) : Extra
{
    /// <summary>Most changes of one calculation.</summary>
    public const int Most = 64;

    /// <inheritdoc/>
    protected internal override string Words => "changes of stages";

    /// <inheritdoc/>
    protected internal override void Check(OperationDescription operation, InputCheck check)
    {
        check.Holds(Edits.Count <= Most, "edits", Edits.Count, $"At most {Most} stages can be changed; take some changes back.");
        for (int i = 0; i < Edits.Count && i < Most; i++)
            if (Edits[i] is not { Stage.Length: > 0 } edit)
                check.Holds(false, $"edits[{i}]", double.NaN, $"Change {i + 1} names no stage; name one, or leave it out.");
            else
                check.Within($"edits.{edit.Stage}", "The speed of the stage", edit.Speed ?? 0, -200_000, 200_000, Quantity.SpindleSpeed)
                    .Within($"edits.{edit.Stage}", "The feed rate of the stage", edit.FeedRate ?? 1, 0, 300_000, Quantity.FeedRate);
    }
}

/// <summary>
/// A deep hole in stages behind a pilot: the drill enters slowly and reversed, spins up guided by the pilot, and is slowed where the
/// wall is open. The same walk gives the time, the table and the checks.
/// </summary>
internal static class StagedPlan
{
    /// <summary>The stages, in their order.</summary>
    public static readonly WayKind Entry = new("entry", "Into the pilot, reversed", Editable: true), SpinUp = new("spin-up", "Spin up"),
        CoolantOn = new("coolant", "Coolant on"), Start = new("start", "Start of drilling", Editable: true),
        Full = new("full", "Full feed", Editable: true), Cross = new("cross", "Across hole {0}, slowed", Editable: true),
        Break = new("break", "Breakthrough", Editable: true), Stop = new("stop", "Coolant off, spindle stops"),
        Withdraw = new("withdraw", "Withdrawal", Editable: true);

    /// <summary>Walks the stages in order.</summary>
    public static void Walk<TSink>(HoleSetup setup, in Inputs x, in HoleResult r, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double n = r[Output.SpindleSpeed], feed = r[Output.FeedRate], a = x[Input.Approach], up = x[Input.Retract],
            tip = r[Output.ProgrammedDepth];
        double pilot = x[Input.PilotDepth], at = Math.Max(0, pilot - x[Input.PilotClearance]),
            ramp = double.IsNaN(setup.RunUp) ? 0 : n / (60 * setup.RunUp);
        Put(setup, Stretch.Along(WayKind.Approach, -up, -a, 0, setup.RapidFeed) with { Rapid = true, Coolant = false }, ref sink);
        Put(setup, Stretch.Along(Entry, -a, at, -x[Input.EntrySpeed], x[Input.EntryFeed]) with { Coolant = false }, ref sink);
        Put(setup, Stretch.Along(SpinUp, at, at, n, 0) with { Coolant = false, Stand = ramp }, ref sink);
        Put(setup, Stretch.Along(CoolantOn, at, at, n, 0) with { Stand = x[Input.CoolantDelay] / 60 }, ref sink);

        double started = Math.Min(tip, pilot + x[Input.StartLength]);
        double breaks = x.Through ? Math.Max(started, Math.Min(tip, x[Input.Depth] - x[Input.SlowMargin])) : tip;
        Put(setup, Stretch.Along(Start, at, started, n, feed * x[Input.StartShare]), ref sink);
        at = started;
        OpenWall[] openings = setup.Crossing?.Openings ?? [];
        uint passed = 0;
        int full = 0;
        for (int met = 0; met < openings.Length && at < breaks; met++)
        {
            int i = Next(openings, ref passed);
            (double from, double to) = Window(x, r, openings[i]);
            if (to <= at) continue;
            if (Math.Min(from, breaks) > at)
                Put(setup, Stretch.Along(Full, at, Math.Min(from, breaks), n, feed) with { Number = NumberOf(full++) }, ref sink);
            at = Math.Max(at, Math.Min(from, breaks));
            double end = Math.Min(to, breaks);
            if (end > at) Put(setup, Stretch.Along(Cross, at, end, n, feed * x[Input.SlowShare]) with { Number = i + 1 }, ref sink);
            at = Math.Max(at, end);
        }

        if (breaks > at) Put(setup, Stretch.Along(Full, at, breaks, n, feed) with { Number = NumberOf(full) }, ref sink);
        if (tip > breaks) Put(setup, Stretch.Along(Break, breaks, tip, n, feed * x[Input.BreakShare]), ref sink);
        Put(setup, Stretch.Along(Stop, tip, tip, 0, 0) with { Coolant = false, Stand = ramp }, ref sink);
        Put(setup, Stretch.Along(Withdraw, tip, -a, 0, x[Input.WithdrawFeed]) with { Coolant = false }, ref sink);
        Put(setup, Stretch.Along(WayKind.Retract, -a, -up, 0, setup.RapidFeed) with { Rapid = true, Coolant = false }, ref sink);
    }

    /// <summary>Where the tip is while any part of the point meets the open wall, mm, with the margin before and after.</summary>
    public static (double From, double To) Window(in Inputs x, in HoleResult r, OpenWall open) =>
        (open.From - x[Input.SlowMargin], open.To + r[Output.PointLength] + x[Input.SlowMargin]);

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

    // The first stretch at full feed has no number.
    private static int NumberOf(int before) => before > 0 ? before + 1 : 0;

    private static void Put<TSink>(HoleSetup setup, Stretch stage, ref TSink sink)
        where TSink : struct, IWaySink
    {
        if (stage.Kind.Editable && setup.Edited is { } edited)
        {
            string code = stage.Kind.CodeOf(stage.Number);
            foreach (StageEdit edit in edited.Edits)
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
internal struct StageTime : IWaySink
{
    private static readonly Formula TimeFormula = new(
        "T", "Time of a hole", Quantity.Time, "t_r + t_e + t_f + t_w + t_0",
        "sum of the stages: in rapid, into the pilot, drilling, out of the bore, standing");

    private double rapid, entry, drilling, withdrawal, standing;

    /// <inheritdoc/>
    public void Take(in Stretch stage)
    {
        standing += stage.Stand;
        double moving = stage.Time - stage.Stand;
        if (stage.Rapid) rapid += moving;
        else if (stage.Kind == StagedPlan.Entry) entry += moving;
        else if (stage.Kind == StagedPlan.Withdraw) withdrawal += moving;
        else drilling += moving;
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

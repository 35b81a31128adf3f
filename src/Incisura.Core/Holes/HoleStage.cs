using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>A stretch of the tool's way along its axis, or a stand, with one speed, one feed and coolant on or off.</summary>
/// <param name="Code">Stable code, such as full or cross-1.</param>
/// <param name="Name">Plain words.</param>
/// <param name="From">Depth of the tip below the surface at its beginning, mm; negative above it.</param>
/// <param name="To">Depth of the tip at its end, mm.</param>
/// <param name="Speed">Spindle speed, rev/min; negative to the left.</param>
/// <param name="FeedRate">Feed rate, mm/min; 0 while the tool stands.</param>
/// <param name="Rapid">Whether it moves in rapid.</param>
/// <param name="Coolant">Whether coolant is on.</param>
/// <param name="Time">Time, min.</param>
public sealed record HoleStage(string Code, string Name, double From, double To, double Speed, double FeedRate, bool Rapid, bool Coolant, double Time)
{
    /// <summary>Whether its speed, feed and coolant can be changed.</summary>
    public bool Editable { get; init; }
}

/// <summary>A change of one stage.</summary>
/// <param name="Stage">Code of the stage.</param>
/// <param name="Speed">Spindle speed, rev/min, negative to the left; null to leave it.</param>
/// <param name="FeedRate">Feed rate, mm/min; null to leave it.</param>
/// <param name="Coolant">Whether coolant is on; null to leave it.</param>
public sealed record StageEdit(string Stage, double? Speed = null, double? FeedRate = null, bool? Coolant = null)
{
    /// <summary>Most changes of one calculation.</summary>
    public const int Most = 64;

    /// <summary>Refuses changes that no stage could take, before anything is worked out with them.</summary>
    internal static void CheckAll(IReadOnlyList<StageEdit> edits, InputCheck check)
    {
        check.Holds(edits.Count <= Most, "edits", edits.Count, $"At most {Most} stages can be changed; take some changes back.");
        for (int i = 0; i < edits.Count && i < Most; i++)
            if (edits[i] is not { Stage.Length: > 0 } edit)
                check.Holds(false, $"edits[{i}]", double.NaN, $"Change {i + 1} names no stage; name one, or leave it out.");
            else
                check.Within($"edits.{edit.Stage}", "The speed of the stage", edit.Speed ?? 0, -200_000, 200_000, Quantity.SpindleSpeed)
                    .Within($"edits.{edit.Stage}", "The feed rate of the stage", edit.FeedRate ?? 1, 0, 300_000, Quantity.FeedRate);
    }
}

/// <summary>Writes the stages of plain and pecked cycles.</summary>
internal static class HoleStages
{
    public static IReadOnlyList<HoleStage> Of(HoleSetup setup, in HoleInputs x, in HoleResult r, bool returnsAtFeed)
    {
        double tip = r[HoleFigure.ProgrammedDepth], a = x[HoleInput.Approach], up = x[HoleInput.Retract], n = r[HoleFigure.SpindleSpeed],
            feed = r[HoleFigure.FeedRate], rapid = setup.RapidFeed;
        bool pecked = r.Cycle is DrillingCycle.ChipBreaking or DrillingCycle.FullRetract;
        List<HoleStage> stages = [Rapid("approach", "To the approach plane", -up, -a)];
        if (!pecked) stages.Add(Feed("feed", "Down at feed rate", -a, tip));
        else
        {
            double from = -a;
            int number = 0;
            foreach (double at in HoleWork.ScheduleOf(x, tip))
            {
                stages.Add(Feed($"peck-{++number}", $"Peck {number}", from, at));
                if (at >= tip) break;
                bool breaks = r.Cycle == DrillingCycle.ChipBreaking;
                double top = breaks ? at - x[HoleInput.ChipBreakLift] : -a, back = breaks ? at : at - x[HoleInput.PeckClearance];
                stages.Add(Rapid($"lift-{number}", breaks ? "Lift that breaks the chip" : "Out to clear the hole", at, top));
                stages.Add(Rapid($"back-{number}", "Back down", top, back));
                from = back;
            }
        }

        if (x[HoleInput.DwellTurns] > 0) stages.Add(new("dwell", "Turns at the bottom", tip, tip, n, 0, false, true, x[HoleInput.DwellTurns] / n));
        if (returnsAtFeed) stages.Add(Feed("out", "Out at feed rate", tip, -a));
        stages.Add(Rapid("retract", "To the retract plane", returnsAtFeed ? -a : tip, -up));
        return stages;

        HoleStage Feed(string code, string name, double from, double to) =>
            new(code, name, from, to, n, feed, false, true, Math.Abs(to - from) / feed);
        HoleStage Rapid(string code, string name, double from, double to) =>
            new(code, name, from, to, n, rapid, true, true, Math.Abs(to - from) / rapid);
    }
}

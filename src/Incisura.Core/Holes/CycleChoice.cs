using Incisura.Core.Charts;

namespace Incisura.Core.Holes;

/// <summary>Which cycle a depth asks for, by the shop's own thresholds.</summary>
internal static class CycleChoice
{
    /// <summary>The cycle for a depth over diameter, and the threshold it lies above.</summary>
    public static (DrillingCycle Cycle, double From) For(DrillingCycleRow row, double depthRatio) =>
        Above(depthRatio, row.Staged) ? (DrillingCycle.Staged, row.Staged) : InOne(row, depthRatio);

    /// <summary>The same for a hole that is not drilled in stages: one too deep for it is cleared at every peck.</summary>
    public static (DrillingCycle Cycle, double From) InOne(DrillingCycleRow row, double depthRatio) =>
        Above(depthRatio, row.FullRetract) ? (DrillingCycle.FullRetract, row.FullRetract)
        : Above(depthRatio, row.ChipBreaking) ? (DrillingCycle.ChipBreaking, row.ChipBreaking)
        : (DrillingCycle.Plain, 0);

    /// <summary>Whether a depth over diameter lies above a threshold. The last bits of a division do not decide.</summary>
    public static bool Above(double depthRatio, double threshold) => depthRatio > threshold * (1 + 1e-9);

    /// <summary>Sets the pecks by the shop's thresholds where none were typed.</summary>
    public static void FollowPecks(HoleSetup setup, ref Inputs x)
    {
        x.Propose(Input.FirstPeck, setup.Cycles.FirstPeck * setup.Diameter);
        x.Propose(Input.PeckRatio, setup.Cycles.PeckRatio);
        x.Propose(Input.LeastPeck, Math.Min(setup.Cycles.LeastPeck * setup.Diameter, x[Input.FirstPeck]));
    }

    /// <summary>Says which cycle it is and why.</summary>
    public static void Notice(HoleSetup setup, in Inputs x, in HoleResult r, List<Finding> findings)
    {
        double ratio = r[Output.DepthRatio];
        (DrillingCycle shop, double from) = For(setup.Cycles, ratio);
        string source = setup.CycleCharted
            ? "the shop's drilling cycles"
            : "cautious thresholds, because the shop has none for this cutter, group and coolant";
        if (x.Cycle is { } picked && picked != shop)
            findings.Add(new(
                "cycle-picked",
                picked < shop ? Severity.Caution : Severity.Info,
                new(
                    $"Picked: {HoleWords.NameOf(picked)}. By {source} {{0}} × D asks for {HoleWords.NameOf(shop)}, above {{1}} × D.",
                    new(Math.Round(ratio, 1), Quantity.Ratio), new Measure(from, Quantity.Ratio)),
                picked < shop ? "Pick the cycle by depth over diameter, or have it tried first." : ""));
        else if (r.Cycle == DrillingCycle.Plain)
            findings.Add(new(
                "cycle", Severity.Info,
                new(
                    $"{{0}} × D: plain drilling up to {{1}} × D, by {source}.", new(Math.Round(ratio, 1), Quantity.Ratio),
                    new Measure(setup.Cycles.ChipBreaking, Quantity.Ratio)),
                ""));
        else
            findings.Add(new(
                "cycle",
                Severity.Info,
                new(
                    $"{{0}} × D: {HoleWords.NameOf(r.Cycle)} above {{1}} × D, by {source}; {{2}} pecks and {{3}} more than plain.",
                    new(Math.Round(ratio, 1), Quantity.Ratio), new(r[Output.CycleFrom], Quantity.Ratio),
                    new(Math.Max(1, r[Output.Pecks]), Quantity.Count),
                    new Measure(60 * (r[Output.Time] - r[Output.PlainTime]), Quantity.Duration)),
                setup.CycleCharted ? "" : "Add a row of drilling cycles in Shop."));
        if (shop == DrillingCycle.Staged && x.Cycle is null)
            findings.Add(new(
                "staged", Severity.Caution,
                new(
                    "{0} × D is deeper than {1} × D, from where the shop drills in stages behind a pilot; this clears the hole at every peck.",
                    new(Math.Round(ratio, 1), Quantity.Ratio), new Measure(from, Quantity.Ratio)),
                "Choose the operation for holes in stages, with a deep-hole drill."));
    }

    /// <summary>Says where a change of depth, cutter, material, machine or coolant crossed the line between two cycles unseen.</summary>
    public static void Crossed<TKind>(HoleSetup setup, in Inputs x, in HoleResult result, DrilledBefore before, List<Finding> findings)
        where TKind : struct, IHoleKind
    {
        const string look = "Look at the cycle anew, and tell the programmer.";
        if (x.Cycle is not null) return;
        if (before.Depth is { } depth) DepthCrossed<TKind>(setup, x, result, depth, findings);
        else if (before.Cycle is { } was && was != result.Cycle)
            findings.Add(new(
                "cycle-crossed", Severity.Caution,
                new(
                    $"It was drilled by {HoleWords.NameOf(was)}; with what is chosen now it is {HoleWords.NameOf(result.Cycle)}, in {{0}}.",
                    new Measure(60 * result[Output.Time], Quantity.Duration)),
                look));
    }

    private static void DepthCrossed<TKind>(HoleSetup setup, in Inputs x, in HoleResult result, double before, List<Finding> findings)
        where TKind : struct, IHoleKind
    {
        Inputs then = x;
        then[Input.Depth] = before;
        DrillingCycle was = HoleOperation<TKind>.Solve(setup, then).Cycle;
        double ratioThen = before / setup.Diameter, ratio = x[Input.Depth] / setup.Diameter;
        const string cure = "Look at the cycle anew, tell the programmer, and propose the record again.";
        Measure[] moved =
        [
            new(before, Quantity.Length), new(x[Input.Depth], Quantity.Length), new(Math.Round(ratioThen, 1), Quantity.Ratio),
            new(Math.Round(ratio, 1), Quantity.Ratio),
        ];
        const string went = "The depth went from {0} to {1}, from {2} to {3} × D: ";
        if (was != result.Cycle)
        {
            Inputs kept = x;
            kept.Pick(Choice.Cycle, (int)was + 1);
            findings.Add(new(
                "cycle-crossed", Severity.Caution,
                new(
                    $"{went}{HoleWords.NameOf(was)} would take {{4}}, and {HoleWords.NameOf(result.Cycle)} takes {{5}}.",
                    [
                        .. moved, new(60 * HoleOperation<TKind>.Solve(setup, kept)[Output.Time], Quantity.Duration),
                        new(60 * result[Output.Time], Quantity.Duration),
                    ]),
                cure));
            return;
        }

        // From clearing the hole at every peck to drilling in stages the cycle stays, and the operation should not.
        bool staged = For(setup.Cycles, ratio).Cycle == DrillingCycle.Staged;
        if (staged != (For(setup.Cycles, ratioThen).Cycle == DrillingCycle.Staged))
            findings.Add(new(
                "cycle-crossed", Severity.Caution,
                new(
                    $"{went}the shop drills in stages above {{4}} × D, {(staged ? "and this is now deeper" : "and this no longer is")}.",
                    [.. moved, new(setup.Cycles.Staged, Quantity.Ratio)]),
                cure));
    }
}

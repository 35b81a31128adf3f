using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Quantities;

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
    public static void FollowPecks(HoleSetup setup, ref HoleInputs x)
    {
        x.Propose(HoleInput.FirstPeck, setup.Cycles.FirstPeck * setup.Diameter);
        x.Propose(HoleInput.PeckRatio, setup.Cycles.PeckRatio);
        x.Propose(HoleInput.LeastPeck, Math.Min(setup.Cycles.LeastPeck * setup.Diameter, x[HoleInput.FirstPeck]));
    }

    /// <summary>Says which cycle it is and why.</summary>
    public static void Notice(HoleSetup setup, in HoleInputs x, in HoleResult r, List<Finding> findings)
    {
        double ratio = r[HoleFigure.DepthRatio];
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
                    new(Math.Round(ratio, 1), Quantity.Ratio), new(r[HoleFigure.CycleFrom], Quantity.Ratio),
                    new(Math.Max(1, r[HoleFigure.Pecks]), Quantity.Count),
                    new Measure(60 * (r[HoleFigure.Time] - r[HoleFigure.PlainTime]), Quantity.Duration)),
                setup.CycleCharted ? "" : "Add a row of drilling cycles in Shop."));
        if (shop == DrillingCycle.Staged && x.Cycle is null)
            findings.Add(new(
                "staged", Severity.Caution,
                new(
                    "{0} × D is deeper than {1} × D, from where the shop drills in stages behind a pilot; this clears the hole at every peck.",
                    new(Math.Round(ratio, 1), Quantity.Ratio), new Measure(from, Quantity.Ratio)),
                "Choose the operation for holes in stages, with a deep-hole drill."));
    }
}

using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>What milling a thread has to say.</summary>
internal static class ThreadMillingFindings
{
    public static void Add(ThreadMillingSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        Thread t = setup.Thread.Thread;

        // Inside a cutter that turns right climbs counter-clockwise, outside clockwise; the hand of the thread says whether that goes up or down.
        bool clockwise = x.Climbs == setup.TurnsRight != setup.Inside, up = clockwise == t.LeftHand;
        findings.Add(new(
            "directions", Severity.Info,
            new(
                $"The cutter goes {ThreadCutWords.Clock(clockwise)}, seen from above, and {(up ? "up, out of the work" : "down, into the work")}: "
                    + (x.Climbs ? "it climbs." : "it cuts conventionally.")),
            ""));
        if (setup.Inside && r.Has(Output.FlankError) && setup.LargestCutter(x[Input.FlankErrorAllowed]) is var largest)
            findings.Add(double.IsNaN(largest)
                ? new(
                    "no-cutter-fits", Severity.Info,
                    new("No cutter keeps the flank error within {0}.", new Measure(x[Input.FlankErrorAllowed], Quantity.Deviation)),
                    "Allow more, or turn or tap the thread.")
                : new(
                    "largest-cutter", Severity.Info,
                    new(
                        "Cutters up to Ø{0} keep the flank error within {1}.", new(largest, Quantity.Length),
                        new Measure(x[Input.FlankErrorAllowed], Quantity.Deviation)),
                    ""));
        if (setup.Thread.Form.Taper > 0)
        {
            TaperPath path = TaperPath.Of(
                r[Output.PathDiameter] / 2, setup.Thread.Form.Taper / 2 * t.Lead, x[Input.PathTolerance]);
            findings.Add(new(
                "taper-arcs", path.Error > x[Input.PathTolerance] ? Severity.Caution : Severity.Info,
                new(
                    $"{path.PerTurn} arcs in a turn follow the taper within {{0}}.", new Measure(path.Error, Quantity.Deviation)),
                path.Error > x[Input.PathTolerance] ? "Allow more, or let the control run a spiral." : ""));
        }

        if (setup.Profiles != MillProfiles.One && t.Starts > 1)
            findings.Add(new(
                "starts-at-once", Severity.Info,
                new(
                    $"One turn climbs {{0}} and cuts all {t.Starts} starts.", new Measure(t.Lead, Quantity.Length)), ""));
        if (setup.Profiles == MillProfiles.One && t.Starts > 1)
            findings.Add(new(
                "starts", Severity.Info,
                new(
                    $"{t.Starts} starts, one after the other: each begins {{0}} further round.", new Measure(360.0 / t.Starts, Quantity.Angle)), ""));
        if (setup.Limits is null)
            findings.Add(new(
                "no-class", Severity.Info, new($"No limits of size are known here for {setup.Thread.Text}: its basic sizes were taken."), ""));
    }
}

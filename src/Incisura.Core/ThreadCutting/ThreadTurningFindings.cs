using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>What turning a thread has to say.</summary>
internal static class ThreadTurningFindings
{
    // Flank angles up to which a chip of both flanks at once jams; wider ones let it curl away.
    private const double Narrow = 32, CoarsePitch = 4;

    public static void Add(ThreadTurningSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        Thread t = setup.Thread.Thread;
        setup.Turning.Notice(findings);
        bool clockwise = x.Clockwise, towards = ThreadTurning.TowardsChuck(setup, x);
        findings.Add(new(
            "directions", Severity.Info,
            new(
                $"The spindle turns {ThreadCutWords.Clock(clockwise)}, seen from the free end; the tool is fed "
                    + (towards ? "towards the chuck." : "away from the chuck.")),
            ""));
        if (!setup.WithHand)
            findings.Add(new(
                "against-hand", Severity.Info,
                new(
                    "The tool is fed against its hand: its shim leans to {0}.", new Measure(x[Input.ShimInclination], Quantity.Angle)),
                $"A {(t.LeftHand ? "left" : "right")}-hand tool needs no shim that leans back."));
        if (r.HeldBy is { } held)
            findings.Add(new(
                "held", Severity.Info,
                new(
                    $"{{0}} was held to {{1}} by: {held.Words}; feed and cutting speed follow.",
                    new(CuttingSetup.SpindleSpeedFor(x[Input.CuttingSpeed], r[Output.OuterDiameter]), Quantity.SpindleSpeed),
                    new Measure(r[Output.SpindleSpeed], Quantity.SpindleSpeed)),
                ""));
        if (t.Starts > 1)
            findings.Add(new(
                "starts", Severity.Info,
                new(
                    $"{t.Starts} starts: every start begins {{0}} later along the axis, or with the spindle {{1}} further.",
                    new(t.Pitch, Quantity.Length), new Measure(360.0 / t.Starts, Quantity.Angle)),
                ""));
        if (setup.Thread.Form.Taper > 0)
            findings.Add(new(
                "taper", Severity.Info,
                new(
                    $"A taper of 1 in {1 / setup.Thread.Form.Taper:0}: over the length the tool moves {{0}} {(setup.Inside ? "in" : "out")}.",
                    new Measure(setup.Thread.Form.Taper / 2 * x[Input.Length], Quantity.Length)),
                ""));
        Profile(setup, x, r, findings);
        if (double.IsNaN(setup.AxisAcceleration))
            findings.Add(new(
                "acceleration-unknown", Severity.Caution,
                new("How fast the axes accelerate is not known, so the way to run in could not be judged."),
                "Enter the acceleration on the machine's page in Shop."));
    }

    private static void Profile(ThreadTurningSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        Thread t = setup.Thread.Thread;
        double usual = setup.Thread.FloorWidth(setup.Inside);
        if (setup.Groove.Floor < usual - 1e-6)
            findings.Add(new(
                "sharp-root", setup.Inside ? Severity.Info : Severity.Caution,
                new(
                    "An insert for several pitches has the nose of the least: the root is {0} wide instead of {1}.",
                    new(setup.Groove.Floor, Quantity.Length), new Measure(usual, Quantity.Length)),
                "Take an insert with the full profile of this pitch where the thread bears load."));
        if (setup.Limits is null)
            findings.Add(new(
                "no-class", Severity.Info, new($"No limits of size are known here for {setup.Thread.Text}: its basic sizes were taken."), ""));
        if ((int)r[Output.Rounds] is var made && made != (int)x[Input.Infeeds])
            findings.Add(new(
                "infeeds-held", Severity.Info,
                new($"{made} infeeds instead of {x[Input.Infeeds]:0}: none is less than {{0}}.", new Measure(x[Input.LeastInfeed], Quantity.Chip)),
                ""));
        if (x.Way == InfeedWay.Radial && (t.Pitch > CoarsePitch || setup.Thread.Form.FlankAngle <= Narrow))
            findings.Add(new(
                "chip-jams", Severity.Caution, new("Straight in, both flanks cut one chip, which jams in a groove this deep or narrow."),
                "Go in along the flank."));
    }
}

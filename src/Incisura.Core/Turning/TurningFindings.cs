using Incisura.Core.Cutters;

namespace Incisura.Core.Turning;

/// <summary>What every turning operation has to say.</summary>
internal static class TurningFindings
{
    // From here on shops support the end of the work (shop practice).
    private const double LeverFrom = 3;

    public static void Add(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        setup.Turning.Notice(findings);
        if (x.OnlyJaws && setup.Turning.ClampedBy is null && x[Input.StandsOut] > LeverFrom * x[Input.GrippedDiameter])
            findings.Add(new(
                "levers-out", Severity.Caution,
                new(
                    "Work that stands out {0} times the Ø gripped can be levered out of the jaws, and how hard they clamp is not known.",
                    new Measure(x[Input.StandsOut] / x[Input.GrippedDiameter], Quantity.Ratio)),
                "Support its end with a centre or a steady rest, or let it stand out less."));
        if (x.Centre && setup.Tailstock == false)
            findings.Add(new(
                "no-centre", Severity.Stop, new("This machine has no centre to support the work."),
                "Hold the work shorter, or take another machine."));
        if (r[Output.TopSpeed] >= x[Input.SpeedClamp] * (1 - 1e-9))
            findings.Add(new(
                "clamped", Severity.Info,
                new(
                    "Below Ø{0} the clamp holds the spindle at {1}, and the cutting speed falls with the diameter.",
                    new(r[Output.ClampDiameter], Quantity.Length), new Measure(x[Input.SpeedClamp], Quantity.SpindleSpeed)),
                ""));
        if (x[Input.CutShare] < 1)
            findings.Add(new(
                "interrupted", Severity.Caution,
                new("The edge strikes the work anew at every turn; bends and grip are judged for a force that comes at once."),
                "Take a tough edge with a strong land, and no more speed than the chart gives."));
        Directions(setup, x, findings);
        findings.Add(new(
            "programmed-point", Severity.Info,
            new("Diameters and surface speed are those of the tip of the edge, as the control goes by."), ""));
    }

    private static void Directions(TurnedSetup setup, in Inputs x, List<Finding> findings)
    {
        Hand hand = setup.Cutter.Hand;
        findings.Add(new(
            "directions", Severity.Info,
            new($"The spindle turns {(x.Clockwise ? "clockwise" : "counter-clockwise")}, seen from the free end of the work."), ""));
        if (setup.IsBlade || hand == Hand.Neutral || (hand == Hand.Left) == x.Clockwise) return;
        findings.Add(new(
            "leads-away", Severity.Caution,
            new($"A {(hand == Hand.Left ? "left" : "right")}-hand tool so placed leads away from the chuck, and its main edge trails here."),
            $"Take a {(hand == Hand.Left ? "right" : "left")}-hand tool, or let it cut the other way up."));
    }
}

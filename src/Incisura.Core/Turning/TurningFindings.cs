namespace Incisura.Core.Turning;

/// <summary>What every turning operation has to say.</summary>
internal static class TurningFindings
{
    // From here on shops support the end of the work (shop practice).
    private const double LeverFrom = 3;

    public static void Add(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        if (!setup.TurnsWork)
            findings.Add(new(
                "no-main-spindle", Severity.Stop,
                new(setup.Counter ? "This machine has no counter spindle." : "This machine does not turn the work."),
                setup.Counter
                    ? "Pick the main spindle, or enter the counter spindle in Shop."
                    : "Take a turning centre, or enter its main spindle in Shop."));
        else if (setup.ClampedBy is null)
            findings.Add(new(
                "chuck-unknown", Severity.Caution, new("How hard the chuck clamps is not known, so its grip could not be judged."),
                "Enter the clamping force on the machine's page in Shop."));
        if (!x.Centre && !x.Steady && x[Input.StandsOut] > LeverFrom * x[Input.GrippedDiameter])
            findings.Add(new(
                "levers-out", Severity.Caution,
                new(
                    "Work that stands out {0} times the Ø gripped can be levered out of the jaws; its grip is judged against turning and slipping "
                        + "only.",
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
        findings.Add(new(
            "programmed-point", Severity.Info,
            new("Diameters and surface speed are those of the tip of the edge, as the control goes by."), ""));
    }
}

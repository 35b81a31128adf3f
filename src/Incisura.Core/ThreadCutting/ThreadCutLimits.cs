namespace Incisura.Core.ThreadCutting;

/// <summary>Limits that only threads have.</summary>
public static class ThreadCutLimits
{
    /// <summary>Highest speed of the chuck, rev/min.</summary>
    public static readonly LimitDefinition ChuckSpeed = new(
        "chuckSpeed", "Speed of the chuck", Quantity.SpindleSpeed, Severity.Stop, "Lower the cutting speed, or clamp in a chuck that turns faster.");

    /// <summary>Way before the thread in which the axis reaches the feed, mm.</summary>
    public static readonly LimitDefinition RunIn = new(
        "runIn", "Way to run in", Quantity.Length, Severity.Stop, "Begin further out, or lower the speed.")
    { IsLeast = true };

    /// <summary>Way behind the thread in which the axis stops, mm.</summary>
    public static readonly LimitDefinition RunOut = new(
        "runOut", "Way to run out", Quantity.Length, Severity.Stop, "Give the undercut more width, or lower the speed.")
    { IsLeast = true };

    /// <summary>Height a profile can cut, mm.</summary>
    public static readonly LimitDefinition ProfileHeight = new(
        "profileHeight", "Height of the cutter's profile", Quantity.Length, Severity.Stop, "Take an insert, or a cutter, for a larger pitch.")
    { Bounds = [Input.HeightToCut] };

    /// <summary>Lean of the lead against the shim that the clearance of the flanks allows, degrees.</summary>
    public static readonly LimitDefinition FlankClearance = new(
        "flankClearance", "Clearance of the flanks", Quantity.Angle, Severity.Stop,
        "Take the shim whose inclination is nearest to the lead angle, or an insert with more clearance.");

    /// <summary>Bend of the work, or of the bar, along the height of the thread at the infeed that makes its size, µm.</summary>
    public static readonly LimitDefinition Bend = new(
        "threadBend", "Bend at the last infeed", Quantity.Deviation, Severity.Caution,
        "Take more infeeds, clamp shorter, support the end with a centre, or take a thicker bar.");

    /// <summary>Error of the flanks that a milling cutter makes on its helix, µm.</summary>
    public static readonly LimitDefinition FlankError = new(
        "flankError", "Error of the flanks", Quantity.Deviation, Severity.Caution, "Take a smaller cutter.");
}

/// <summary>Words that both ways of cutting a thread share.</summary>
internal static class ThreadCutWords
{
    public const string Thread = "Thread";

    public static readonly string[] Extras = [Extra.CodeOf(typeof(ThreadToCut))];

    public static readonly FieldDescription Crest = new(
        Input.CrestDiameter, "d_k", "Ø at the crests, before", Thread, Quantity.Length, 0.3, 1000);

    public static FieldDescription Deflection(double start) =>
        new(Input.DeflectionAllowed, "δ_max", "Bend allowed", "Held to", Quantity.Deviation, 0.1, 1000, start);

    /// <summary>Which way the spindle of a thread turns, from the free end of the work.</summary>
    public static string Clock(bool clockwise) => clockwise ? "clockwise" : "counter-clockwise";
}

namespace Incisura.Core.Threads;

/// <summary>Form of a thread: the standard that gives its profile.</summary>
public enum ThreadForm
{
    /// <summary>ISO metric, 60°: ISO 68-1, 261.</summary>
    Metric,

    /// <summary>Unified, 60°: ASME B1.1.</summary>
    Unified,

    /// <summary>Pipe thread, 55°, parallel: ISO 228-1.</summary>
    PipeParallel,

    /// <summary>Pipe thread, 55°, taper 1 in 16: ISO 7-1.</summary>
    PipeTaper,

    /// <summary>Pipe thread, 60°, taper 1 in 16: ASME B1.20.1.</summary>
    PipeTaper60,

    /// <summary>The same, tight without sealant: ASME B1.20.3.</summary>
    PipeTaper60Dry,

    /// <summary>Trapezoidal, 30°: ISO 2901 to 2904.</summary>
    Trapezoidal,

    /// <summary>ACME, 29°: ASME B1.5.</summary>
    Acme,

    /// <summary>Stub ACME, 29°, of little height: ASME B1.8.</summary>
    StubAcme,

    /// <summary>Buttress, 3° and 30°: DIN 513-1.</summary>
    Buttress,

    /// <summary>Round, 30°: DIN 405-1.</summary>
    Round,

    /// <summary>Steel conduit, 80°: DIN 40430.</summary>
    Conduit,
}

/// <summary>What a form of thread is, beside its sizes.</summary>
/// <param name="Form">Which.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Standard">The standards that give it.</param>
/// <param name="LeadingFlank">Angle of the flank that leads along the axis, to the normal of the axis, degrees.</param>
/// <param name="FollowingFlank">Angle of the flank that follows; of a buttress thread the steep one bears the load.</param>
/// <param name="Inch">Whether its pitch is told as threads per inch.</param>
/// <param name="Taper">Growth of the diameter along the axis; 0 for a parallel thread.</param>
/// <param name="Missing">What of its standard is not here, in words; empty where nothing is known to be.</param>
public sealed record FormDescription(
    ThreadForm Form, string Name, string Standard, double LeadingFlank, double FollowingFlank, bool Inch, double Taper, string Missing)
{
    private const double Sixteenth = 1.0 / 16;

    /// <summary>Every form.</summary>
    public static IReadOnlyList<FormDescription> All { get; } =
    [
        new(ThreadForm.Metric, "ISO metric", "ISO 68-1, 261, 965-1", 30, 30, false, 0, "Classes of positions other than e, f, g, h, G and H."),
        new(
            ThreadForm.Unified, "Unified", "ASME B1.1", 30, 30, true, 0,
            "Pairs of diameter and pitch beyond the coarse, fine, extra-fine and constant-pitch series."),
        new(ThreadForm.PipeParallel, "Pipe, parallel, 55°", "ISO 228-1", 27.5, 27.5, true, 0, ""),
        new(
            ThreadForm.PipeTaper, "Pipe, taper, 55°", "ISO 7-1", 27.5, 27.5, true, Sixteenth,
            "Tolerances of the gauge plane; parallel internal threads that seal (Rp)."),
        new(
            ThreadForm.PipeTaper60, "Pipe, taper, 60°", "ASME B1.20.1", 30, 30, true, Sixteenth,
            "Truncations of crest and root by pitch; sizes above 12."),
        new(
            ThreadForm.PipeTaper60Dry, "Pipe, taper, 60°, dry-seal", "ASME B1.20.3", 30, 30, true, Sixteenth,
            "Truncations of crest and root by pitch, and the height they leave; sizes above 3."),
        new(ThreadForm.Trapezoidal, "Trapezoidal", "ISO 2901 to 2904", 15, 15, false, 0, "Classes (ISO 2903)."),
        new(ThreadForm.Acme, "ACME", "ASME B1.5", 14.5, 14.5, true, 0, "Classes, and centralising threads."),
        new(ThreadForm.StubAcme, "Stub ACME", "ASME B1.8", 14.5, 14.5, true, 0, "Classes."),
        new(ThreadForm.Buttress, "Buttress", "DIN 513-1", 30, 3, false, 0, "Classes; other buttress threads, such as 45° ones."),
        new(ThreadForm.Round, "Round", "DIN 405-1", 15, 15, true, 0, "Classes; round threads of other standards."),
        new(ThreadForm.Conduit, "Steel conduit", "DIN 40430", 40, 40, true, 0, "Tolerances."),
    ];

    /// <summary>The form's description.</summary>
    public static FormDescription Of(ThreadForm form) => All[(int)form];

    /// <summary>Angle between the flanks α, degrees.</summary>
    public double FlankAngle => LeadingFlank + FollowingFlank;

    /// <summary>Whether both flanks lean alike.</summary>
    public bool Symmetric => LeadingFlank == FollowingFlank;
}

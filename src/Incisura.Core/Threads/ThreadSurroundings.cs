namespace Incisura.Core.Threads;

/// <summary>The hole for a coil insert that brings the thread back to its size: a thread of the same pitch, further out by the wire.</summary>
/// <param name="Minor">Minor diameter of the hole, mm.</param>
/// <param name="Pitch">Pitch diameter of the hole, mm.</param>
/// <param name="Major">Major diameter of the hole, mm.</param>
public readonly record struct CoilInsertHole(double Minor, double Pitch, double Major)
{
    // The wire fills a rhombus of two sharp triangles less their flats: 3/4 of √3 of the pitch on the diameters.
    private static readonly double Sharp = Math.Sqrt(3) / 2;

    /// <summary>The hole of a metric or unified thread; null for others.</summary>
    /// <param name="t">The thread.</param>
    public static CoilInsertHole? Of(Thread t) => t.Form is ThreadForm.Metric or ThreadForm.Unified
        ? new(t.Diameter + (0.25 * Sharp * t.Pitch), t.Diameter + (0.75 * Sharp * t.Pitch), t.Diameter + (1.5 * Sharp * t.Pitch))
        : null;
}

/// <summary>The undercut behind an external metric thread: DIN 76-1, form A, set down from memory.</summary>
/// <param name="Diameter">Diameter of the undercut d_g, mm.</param>
/// <param name="Least">Least width g_1, mm.</param>
/// <param name="Most">Largest width g_2, mm.</param>
public readonly record struct Undercut(double Diameter, double Least, double Most)
{
    private const double WidthPerPitch = 3.5;

    // By pitch: how far below the major diameter, and the least width.
    private static readonly (double Pitch, double Below, double Least)[] ByPitch =
    [
        (0.5, 0.8, 0.8), (0.7, 1.1, 1.1), (0.8, 1.3, 1.3), (1, 1.6, 1.6), (1.25, 2, 2), (1.5, 2.3, 2.5), (1.75, 2.6, 3), (2, 3, 3.4),
        (2.5, 3.6, 4.4), (3, 4.4, 5.2), (3.5, 5, 6.2), (4, 5.7, 7), (4.5, 6.4, 8), (5, 7, 9), (5.5, 7.7, 11), (6, 8.3, 11),
    ];

    /// <summary>The undercut of a metric thread; null for others and for pitches that are not here.</summary>
    /// <param name="t">The thread.</param>
    public static Undercut? Of(Thread t) => t.Form == ThreadForm.Metric && ByPitch.FirstOrDefault(r => Math.Abs(r.Pitch - t.Pitch) < 1e-9) is
    { Pitch: > 0 } row
        ? new(t.Diameter - row.Below, row.Least, WidthPerPitch * t.Pitch)
        : null;
}

/// <summary>Limits of size before a coating, so that the coated thread is inside its class.</summary>
public static class Plating
{
    /// <summary>
    /// Limits before a coating: on a flank it grows square to it, so that the pitch diameter changes by 2·t/sin(α/2), four times the thickness for
    /// 60°,
    /// crests and roots by twice.
    /// </summary>
    /// <param name="limits">Limits of the coated thread.</param>
    /// <param name="flankAngle">α between the flanks, degrees.</param>
    /// <param name="thickness">Thickness of the coating t, mm, at least 0.</param>
    public static ThreadLimits Before(ThreadLimits limits, double flankAngle, double thickness)
    {
        double side = limits.Internal ? 1 : -1, flank = side * 2 * thickness / Math.Sin(double.DegreesToRadians(flankAngle / 2)),
            crest = side * 2 * thickness;
        return limits with { Major = By(limits.Major, crest), Pitch = By(limits.Pitch, flank), Minor = By(limits.Minor, crest) };
    }

    private static SizeLimits By(SizeLimits size, double change) => new(size.Least + change, size.Most + change);
}

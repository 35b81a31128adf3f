using Incisura.Core.Milling;

namespace Incisura.Core.ThreadCutting;

/// <summary>Speed and feeds of a cutter that goes round a thread.</summary>
/// <param name="SpindleSpeed">n, rev/min.</param>
/// <param name="Rim">Feed at the rim v_fr, where the tips touch the roots, mm/min.</param>
/// <param name="Centre">Feed of the centre v_f, mm/min: what is programmed.</param>
public readonly record struct MillingFeeds(double SpindleSpeed, double Rim, double Centre)
{
    /// <summary>The feeds for a cutting speed and a feed per tooth at the rim.</summary>
    /// <param name="cuttingSpeed">v_c, m/min, above 0.</param>
    /// <param name="feedPerTooth">f_z at the rim, mm, above 0.</param>
    /// <param name="teeth">Number of teeth z.</param>
    /// <param name="cutter">Diameter of the cutter D, mm, above 0.</param>
    /// <param name="root">Diameter at the roots of the thread d_g, mm; inside above that of the cutter.</param>
    /// <param name="inside">Whether the thread is inside.</param>
    public static MillingFeeds Of(double cuttingSpeed, double feedPerTooth, int teeth, double cutter, double root, bool inside)
    {
        double n = CuttingSetup.SpindleSpeedFor(cuttingSpeed, cutter), rim = n * teeth * feedPerTooth;
        return new(n, rim, rim * CircularPath.CentreFactor(root / 2, cutter / 2, !inside));
    }
}

using Incisura.Core.Quantities;

namespace Incisura.Core.Threads;

/// <summary>Where a taper thread is gauged.</summary>
/// <param name="SmallEnd">Pitch diameter at the small end of the external thread E_0, mm.</param>
/// <param name="AtGauge">Pitch diameter in the gauge plane E_1, mm: at the face of the internal thread.</param>
/// <param name="Gauge">Length from the small end to the gauge plane L_1, mm: hand-tight engagement.</param>
/// <param name="Effective">Length of the effective external thread L_2, mm; not a number where it is not known.</param>
public readonly record struct GaugePlane(double SmallEnd, double AtGauge, double Gauge, double Effective)
{
    /// <summary>Growth of the diameter along the axis of all taper pipe threads.</summary>
    public const double Taper = 1.0 / 16;

    private const double Inch = Units.MillimetresPerInch;

    /// <summary>The gauge plane of a thread; null for parallel threads and sizes no standard lists.</summary>
    /// <param name="t">The thread.</param>
    public static GaugePlane? Of(Thread t)
    {
        if (!(FormDescription.Of(t.Form).Taper > 0) || ThreadTables.GaugeLength(t) is not { } length) return null;
        if (t.Form == ThreadForm.PipeTaper)
        {
            double at = ThreadShape.Of(t).Pitch;
            return new(at - (length * Taper), at, length, double.NaN);
        }

        return Of60(t.Diameter, t.PerInch, length);
    }

    /// <summary>The gauge plane of a 60° taper pipe thread: E_0 = D − (0.05·D + 1.1)/n, L_2 = (0.8·D + 6.8)/n in inches; ASME B1.20.1.</summary>
    /// <param name="outside">Outside diameter of the pipe D, mm.</param>
    /// <param name="perInch">Threads per inch n.</param>
    /// <param name="engagement">Hand-tight engagement L_1, mm.</param>
    public static GaugePlane Of60(double outside, double perInch, double engagement)
    {
        double small = SmallEnd60(outside, perInch);
        return new(small, small + (engagement * Taper), engagement, ((0.8 * outside / Inch) + 6.8) / perInch * Inch);
    }

    /// <summary>Pitch diameter of a 60° taper pipe thread at its small end E_0, mm.</summary>
    /// <param name="outside">Outside diameter of the pipe D, mm.</param>
    /// <param name="perInch">Threads per inch n.</param>
    internal static double SmallEnd60(double outside, double perInch) => outside - (((0.05 * outside / Inch) + 1.1) / perInch * Inch);
}

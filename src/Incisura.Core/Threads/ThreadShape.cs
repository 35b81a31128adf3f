namespace Incisura.Core.Threads;

/// <summary>
/// The basic dimensions of a thread, from the profile of its standard. Of a taper thread they are those in its gauge plane (55°) or at the small end of
/// the external thread (60°).
/// </summary>
/// <param name="Major">Major diameter of the external thread d, mm.</param>
/// <param name="InternalMajor">Major diameter of the internal thread D_4 or D, mm.</param>
/// <param name="Pitch">Pitch diameter d_2, mm.</param>
/// <param name="Minor">Minor diameter of the external thread d_3, mm.</param>
/// <param name="InternalMinor">Minor diameter of the internal thread D_1, mm.</param>
/// <param name="CrestRadius">Radius at the crest of the external thread, mm; 0 for a sharp edge.</param>
/// <param name="RootRadius">Radius at the root of the external thread, mm.</param>
/// <param name="InternalRootRadius">Radius at the root of the internal thread, mm.</param>
/// <param name="HeightKnown">Whether the standard's truncations are known; without them heights are those of the sharp flanks cut at 0.033 of the pitch.</param>
public readonly record struct ThreadShape(
    double Major, double InternalMajor, double Pitch, double Minor, double InternalMinor, double CrestRadius, double RootRadius,
    double InternalRootRadius, bool HeightKnown = true)
{
    // Heights over the pitch: 5/8, 3/8 and 17/24 of the sharp triangle of 60°; ISO 68-1, ASME B1.1.
    private static readonly double Sharp60 = Math.Sqrt(3) / 2;

    /// <summary>Height of the external thread h_3, mm.</summary>
    public double Height => (Major - Minor) / 2;

    /// <summary>Height of the internal thread H_4, mm.</summary>
    public double InternalHeight => (InternalMajor - InternalMinor) / 2;

    /// <summary>Height over which the flanks of both bear H_1, mm.</summary>
    public double Bearing => (Major - InternalMinor) / 2;

    /// <summary>The basic dimensions of a thread.</summary>
    /// <param name="t">The thread.</param>
    public static ThreadShape Of(Thread t)
    {
        double d = t.Diameter, p = t.Pitch;
        switch (t.Form)
        {
            case ThreadForm.Metric:
                // Basic diameters count in whole micrometres (ISO 724).
                double m = Sharp60 * p;
                return new(d, d, Math.Round(d - (0.75 * m), 3), Math.Round(d - (17.0 / 12 * m), 3), Math.Round(d - (1.25 * m), 3), 0, m / 6, 0);
            case ThreadForm.Unified:
                double h = Sharp60 * p;
                return new(d, d, d - (0.75 * h), d - (17.0 / 12 * h), d - (1.25 * h), 0, h / 6, 0);
            case ThreadForm.PipeParallel or ThreadForm.PipeTaper:
                double w = 0.640327 * p, round = 0.137329 * p;
                return new(d, d, d - w, d - (2 * w), d - (2 * w), round, round, round);
            case ThreadForm.PipeTaper60 or ThreadForm.PipeTaper60Dry:
                double e0 = GaugePlane.SmallEnd60(d, t.PerInch), high = 0.8 * p;
                return new(e0 + high, e0 + high, e0, e0 - high, e0 - high, 0, 0, 0, t.Form == ThreadForm.PipeTaper60);
            case ThreadForm.Trapezoidal:
                double clear = ClearanceOf(p);
                return new(d, d + (2 * clear), d - (p / 2), d - p - (2 * clear), d - p, 0, clear, clear);
            case ThreadForm.Acme or ThreadForm.StubAcme:
                double part = t.Form == ThreadForm.Acme ? 0.5 : 0.3, gap = t.PerInch > 10 + 1e-6 ? 0.254 : 0.508;
                return new(d, d + gap, d - (part * p), d - (2 * part * p) - gap, d - (2 * part * p), 0, 0, 0);
            case ThreadForm.Buttress:
                return new(d, d, d - (0.75 * p), d - (1.73554 * p), d - (1.5 * p), 0, 0.12427 * p, 0);
            case ThreadForm.Round:
                return new(d, d + (0.1 * p), d - (0.5 * p), d - p, d - (0.9 * p), 0.23851 * p, 0.23851 * p, 0.22105 * p);
            default:
                double minor = ThreadTables.ConduitMinor(d, p), arc = 0.107 * p;
                return new(d, d, (d + minor) / 2, minor, minor, arc, arc, arc);
        }
    }

    /// <summary>Clearance a_c at crest and root of a trapezoidal thread, mm; ISO 2904.</summary>
    /// <param name="pitch">P, mm.</param>
    public static double ClearanceOf(double pitch) => pitch < 2 ? 0.15 : pitch <= 5 ? 0.25 : pitch <= 12 ? 0.5 : 1;

    /// <summary>Largest pitch that leaves a thread of its diameter a core of a third, mm.</summary>
    /// <param name="t">The thread.</param>
    public static double LargestPitch(Thread t)
    {
        bool taper60 = t.Form is ThreadForm.PipeTaper60 or ThreadForm.PipeTaper60Dry;
        double per = taper60 ? 1.6 : (t.Diameter - Of(t with { Pitch = 0.1 }).InternalMinor) / 0.1;
        return t.Diameter * 2 / 3 / per;
    }

    /// <summary>Lead angle at the pitch diameter ψ, degrees: atan(P·i_g/(π·d_2)).</summary>
    /// <param name="t">The thread.</param>
    public static double LeadAngle(Thread t) => LeadAngle(t.Lead, Of(t).Pitch);

    /// <summary>Lead angle ψ, degrees.</summary>
    /// <param name="lead">Way along the axis in a turn, mm.</param>
    /// <param name="diameter">Diameter at which it is told, mm.</param>
    public static double LeadAngle(double lead, double diameter) => double.RadiansToDegrees(Math.Atan(lead / (Math.PI * diameter)));

    /// <summary>Stress area A_s, mm², of an external 60° thread; not a number for others (ISO 898-1, ASME B1.1 appendix B).</summary>
    /// <param name="t">The thread.</param>
    public static double StressArea(Thread t)
    {
        ThreadShape s = Of(t);
        return t.Form switch
        {
            ThreadForm.Metric => Math.PI / 4 * Math.Pow((s.Pitch + s.Minor) / 2, 2),
            ThreadForm.Unified => Math.PI / 4 * Math.Pow(t.Diameter - (0.9743 * t.Pitch), 2),
            _ => double.NaN,
        };
    }

    // Ends of the ranges of diameters of ISO 965-1, mm, the largest first.
    private static readonly double[] Ranges = [180, 90, 45, 22.4, 11.2, 5.6, 2.8, 1.4, 0.99];

    /// <summary>
    /// Normal lengths of engagement, mm: 2.24 and 6.7 times P·d^0.2 with d the lower end of its range of diameters; ISO 965-1, whose tables round
    /// them. Not a number for other forms.
    /// </summary>
    /// <param name="t">The thread.</param>
    public static (double Least, double Most) NormalEngagement(Thread t)
    {
        if (t.Form != ThreadForm.Metric) return (double.NaN, double.NaN);
        double lower = Array.Find(Ranges, r => t.Diameter > r), scale = t.Pitch * Math.Pow(lower > 0 ? lower : t.Diameter, 0.2);
        return (2.24 * scale, 6.7 * scale);
    }
}

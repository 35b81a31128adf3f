using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>
/// One pass of a thread mill round the thread: how its teeth meet the work, and what they take. The tip of a tooth stands at the angle θ from
/// the place where it touches the wall; its chip there is f·sin θ, and it is in the work as far inward as the blank reaches.
/// </summary>
internal readonly struct MilledGroove
{
    private const int Angles = 20, MostApart = 256;
    private const double LeastArc = 1e-6;

    private readonly GrooveProfile groove;
    private readonly double blank, cutter, centre, feed;
    private readonly bool inside;

    /// <param name="groove">The profile.</param>
    /// <param name="inside">Whether the thread is inside.</param>
    /// <param name="wall">Radius the tips reach in this pass, mm.</param>
    /// <param name="before">Radius they reached before it, mm; that of the blank before the first.</param>
    /// <param name="blank">Radius of the blank, mm.</param>
    /// <param name="cutter">Radius of the cutter, mm.</param>
    /// <param name="rimFeed">Feed per tooth at the wall, mm.</param>
    public MilledGroove(GrooveProfile groove, bool inside, double wall, double before, double blank, double cutter, double rimFeed)
    {
        (this.groove, this.inside, this.blank, this.cutter) = (groove, inside, blank, cutter);
        centre = inside ? wall - cutter : wall + cutter;
        feed = rimFeed * centre / wall;
        double cosine = ((before * before) - (centre * centre) - (cutter * cutter)) / (2 * centre * cutter);
        Arc = centre > 0 ? Math.Acos(Math.Clamp(inside ? cosine : -cosine, -1, 1)) : 0;
    }

    /// <summary>Arc in which the tips are in the work θ_e, radians; 0 for a cutter that does not go round.</summary>
    public double Arc { get; }

    /// <summary>Feed per tooth of the centre f_m, mm.</summary>
    public double Feed => feed;

    /// <summary>Largest chip of the nose, mm.</summary>
    public double LargestChip => feed * Math.Sin(Math.Min(Arc, Math.PI / 2));

    /// <summary>Mean chip of the flanks over the arc, square to them, mm.</summary>
    /// <param name="sine">Sine of the angle between a flank and the radius.</param>
    public double MeanChip(double sine) => Arc > 0 ? feed * sine * (1 - Math.Cos(Arc)) / Arc : 0;

    /// <summary>
    /// Largest force across the axis over a turn, N, the teeth of all profiles in the work as vectors, each at its own angle, and the mean
    /// torque, N·m.
    /// </summary>
    /// <param name="teeth">Number of teeth.</param>
    /// <param name="profiles">Profiles in the work at once.</param>
    /// <param name="lag">Lag of a tooth from one profile to the next, radians.</param>
    /// <param name="k11">k_c1.1, MPa.</param>
    /// <param name="exponent">m_c.</param>
    /// <param name="radial">Ratio of the force square to the edge to the cutting force.</param>
    public (double Peak, double Torque) Load(int teeth, int profiles, double lag, double k11, double exponent, double radial)
    {
        // Steps back from where a tooth enters with its largest chip; so many to the space between two teeth that the next stands on one too.
        double between = 2 * Math.PI / teeth;
        if (!(Arc > LeastArc)) return default;
        int apart = (int)Math.Clamp(Math.Ceiling(Angles * between / Arc), 1, MostApart);
        double step = between / apart;
        int count = (int)(Arc / step) + 1;

        // Forces by the place of the first tooth: teeth a space apart stand on the same one.
        Span<(double Along, double Across)> forces = stackalloc (double, double)[apart];
        Span<int> behind = stackalloc int[profiles];
        double sum = 0, peak = 0, last = 0;

        // A flank of slope t has the length y·√(1 + t²) and takes the chip h·t/√(1 + t²); the force square to it acts outward by the same share.
        double cuts = 0, pushes = 0;
        foreach (double slope in (ReadOnlySpan<double>)[groove.Leading, groove.Following])
        {
            double length = Math.Sqrt(1 + (slope * slope)), force = length * Math.Pow(slope / length, 1 - exponent);
            (cuts, pushes) = (cuts + force, pushes + (force * slope / length));
        }

        for (int i = 0; i < count; i++)
        {
            double at = Arc - (i * step);
            (double sine, double cosine) = Math.SinCos(at);
            double nose = k11 * Math.Pow(feed * sine, 1 - exponent), deep = DepthAt(sine, cosine),
                tangential = nose * (groove.Floor + (deep * cuts)), push = radial * nose * (groove.Floor + (deep * pushes));
            ref (double Along, double Across) place = ref forces[i % apart];
            place = (place.Along + (tangential * cosine) + (push * sine), place.Across + (tangential * sine) - (push * cosine));

            // Flanks turn on a shorter arm than the nose.
            double turning = nose * ((groove.Floor * cutter) + (deep * cuts * (cutter - (deep / 2))));
            if (i > 0) sum += step * (last + turning) / 2;
            last = turning;
        }

        // What is left to where the chip begins with nothing.
        sum += (Arc - ((count - 1) * step)) * last / 2;

        // Every place of the first tooth; each profile stands further back by its lag.
        for (int p = 0; p < profiles; p++) behind[p] = (int)Math.Round(p * lag / step) % apart;
        for (int i = 0; i < apart; i++)
        {
            double along = 0, across = 0;
            foreach (int back in behind)
            {
                (double Along, double Across) one = forces[i + back < apart ? i + back : i + back - apart];
                (along, across) = (along + one.Along, across + one.Across);
            }

            peak = Math.Max(peak, (along * along) + (across * across));
        }

        return (Math.Sqrt(peak), profiles * sum / between / 1000);
    }

    // How far inward a tooth is in the work, mm.
    private double DepthAt(double sine, double cosine)
    {
        double root = Math.Sqrt(Math.Max(0, (blank * blank) - (centre * centre * sine * sine)));
        return Math.Max(0, cutter - (inside ? root - (centre * cosine) : (centre * cosine) - root));
    }
}

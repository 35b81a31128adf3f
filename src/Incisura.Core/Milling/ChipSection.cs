namespace Incisura.Core.Milling;

/// <summary>The section of chip that all teeth cut together, which rises and falls over a turn.</summary>
public static class ChipSection
{
    // A straight edge is taken as one that lags by this much; the difference is far below what can be cut.
    private const double SmallestLag = 1e-5;

    /// <summary>Angle by which a helical edge lags over the depth of cut, ψ = 2·a_p·tan|λ|/D, radians.</summary>
    /// <param name="depth">a_p, mm.</param>
    /// <param name="helixAngle">λ, degrees.</param>
    /// <param name="diameter">D_e, mm.</param>
    public static double Lag(double depth, double helixAngle, double diameter) =>
        2 * depth * Math.Abs(Math.Tan(double.DegreesToRadians(helixAngle))) / diameter;

    /// <summary>
    /// Largest section in cut at any moment of a turn, mm². With a sine-shaped chip the section of one helical edge that spans
    /// the angles lo to hi is f_z·a_p·(cos lo − cos hi)/ψ. Over one pitch the sum over the teeth is a sine between the few moments
    /// at which a front or a tail of an edge enters or leaves the arc; it breaks downwards only where a front leaves and where a tail
    /// enters, so its peak lies at one of these two or at the crest of a piece. Where the chip only grows over the arc (up to a
    /// quarter turn) it is the moment a front leaves, where it only shrinks (from a quarter turn on) the moment a tail enters.
    /// </summary>
    /// <param name="feedPerTooth">f_z, mm.</param>
    /// <param name="depth">a_p, mm.</param>
    /// <param name="teeth">z.</param>
    /// <param name="lag">ψ, radians, from <see cref="Lag"/>.</param>
    /// <param name="arc">Arc of engagement.</param>
    public static double Largest(double feedPerTooth, double depth, int teeth, double lag, in ArcOfEngagement arc)
    {
        double pitch = 2 * Math.PI / teeth;
        lag = Math.Max(lag, SmallestLag);
        return feedPerTooth * depth * LargestSum(pitch, lag, arc);
    }

    /// <summary>Sum over the teeth of the mean sine along each edge, with the foremost point of one edge at an angle.</summary>
    /// <param name="angle">Angle of the foremost point of one edge, radians.</param>
    /// <param name="pitch">Angle between teeth, radians.</param>
    /// <param name="lag">ψ, radians, above 0.</param>
    /// <param name="arc">Arc of engagement.</param>
    public static double SumAt(double angle, double pitch, double lag, in ArcOfEngagement arc)
    {
        (double whole, double rest) = WholePitches(lag, pitch);
        return ((whole * (arc.CosEntry - arc.CosExit)) + RestAt(angle, pitch, rest, arc)) / lag;
    }

    private static double LargestSum(double pitch, double lag, in ArcOfEngagement arc)
    {
        (double whole, double rest) = WholePitches(lag, pitch);
        double steady = whole * (arc.CosEntry - arc.CosExit);
        if (arc.CosExit >= 0) return (steady + RestAt(arc.Exit, pitch, rest, arc)) / lag;
        if (arc.CosEntry <= 0) return (steady + RestAt(arc.Entry + rest, pitch, rest, arc)) / lag;

        double largest = Math.Max(RestAt(arc.Exit, pitch, rest, arc), RestAt(arc.Entry + rest, pitch, rest, arc));
        Span<double> moments = [Within(arc.Entry, pitch), Within(arc.Exit, pitch), Within(arc.Entry + rest, pitch), Within(arc.Exit + rest, pitch)];
        moments.Sort();
        for (int i = 0; i < moments.Length; i++)
        {
            double next = i + 1 < moments.Length ? moments[i + 1] : moments[0] + pitch;
            double half = (next - moments[i]) / 2, middle = moments[i] + half;
            if (half < SmallestLag) continue;
            double crest = CrestFrom(middle, pitch, rest, arc);
            if (Math.Abs(crest) < half) largest = Math.Max(largest, RestAt(middle + crest, pitch, rest, arc));
        }

        return (steady + largest) / lag;
    }

    // Where an edge lags by more than a pitch, its tail stands where the tail of another tooth would: whole pitches only add
    // edges that span the arc from end to end, so that no lag, however long, costs more than its rest.
    private static (double Whole, double Over) WholePitches(double lag, double pitch)
    {
        double whole = Math.Floor(lag / pitch);
        return (whole, Math.Clamp(lag - (whole * pitch), 0, pitch));
    }

    // Sum over the teeth of cos tail − cos front, each held to the arc.
    private static double RestAt(double angle, double pitch, double lag, in ArcOfEngagement arc)
    {
        double sum = 0;
        for (double front = Foremost(angle, pitch, lag, arc); front > arc.Entry; front -= pitch)
        {
            double tail = front - lag;
            double cosFront = front >= arc.Exit ? arc.CosExit : Math.Cos(front);
            double cosTail = tail <= arc.Entry ? arc.CosEntry : Math.Cos(tail);
            if (tail < arc.Exit) sum += cosTail - cosFront;
        }

        return sum;
    }

    // Distance from an angle to where the sum, continued as the sine it is there, has a level point; within a quarter turn.
    private static double CrestFrom(double angle, double pitch, double lag, in ArcOfEngagement arc)
    {
        double sine = 0, cosine = 0;
        for (double front = Foremost(angle, pitch, lag, arc); front > arc.Entry; front -= pitch)
        {
            double tail = front - lag;
            if (front < arc.Exit)
            {
                (double s, double c) = Math.SinCos(front);
                sine += s;
                cosine += c;
            }

            if (tail > arc.Entry && tail < arc.Exit)
            {
                (double s, double c) = Math.SinCos(tail);
                sine -= s;
                cosine -= c;
            }
        }

        return cosine == 0 ? 0 : Math.Atan(-sine / cosine);
    }

    private static double Foremost(double angle, double pitch, double lag, in ArcOfEngagement arc) =>
        angle + (Math.Floor((arc.Exit + lag - angle) / pitch) * pitch);

    private static double Within(double angle, double pitch) => angle - (Math.Floor(angle / pitch) * pitch);
}

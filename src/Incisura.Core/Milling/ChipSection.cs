namespace Incisura.Core.Milling;

/// <summary>The section of chip that all teeth cut together, which rises and falls over a turn.</summary>
public static class ChipSection
{
    private const double SmallestLag = 1e-6;

    /// <summary>Angle by which a helical edge lags over the depth of cut, ψ = 2·a_p·tan|λ|/D, radians.</summary>
    /// <param name="depth">a_p, mm.</param>
    /// <param name="helixAngle">λ, degrees.</param>
    /// <param name="diameter">D_e, mm.</param>
    public static double Lag(double depth, double helixAngle, double diameter) =>
        2 * depth * Math.Abs(Math.Tan(double.DegreesToRadians(helixAngle))) / diameter;

    /// <summary>
    /// Largest section in cut at any moment of a turn, mm². With a sine-shaped chip the section of one helical edge that spans
    /// the angles lo to hi is f_z·a_p·(cos lo − cos hi)/ψ, and the sum over the teeth peaks either as an edge begins to leave
    /// the arc, or as a group of neighbouring edges stands evenly about the thickest chip.
    /// </summary>
    /// <param name="feedPerTooth">f_z, mm.</param>
    /// <param name="depth">a_p, mm.</param>
    /// <param name="teeth">z.</param>
    /// <param name="lag">ψ, radians, from <see cref="Lag"/>.</param>
    /// <param name="arc">Arc of engagement.</param>
    public static double Largest(double feedPerTooth, double depth, int teeth, double lag, in ArcOfEngagement arc)
    {
        double pitch = 2 * Math.PI / teeth;
        double sum = SumAt(arc.Exit, pitch, lag, arc);
        if (arc.CosExit < 0)
        {
            // Past the thickest chip the peak may come before an edge leaves.
            int group = (int)((arc.Length + lag) / pitch) + 1;
            for (int inGroup = Math.Max(1, group - 2); inGroup <= group; inGroup++)
                sum = Math.Max(sum, SumAt((Math.PI / 2) + (lag / 2) + ((inGroup - 1) * pitch / 2), pitch, lag, arc));
        }

        return feedPerTooth * depth * sum;
    }

    /// <summary>Sum over the teeth of the mean sine along each edge, with the foremost point of one edge at an angle.</summary>
    /// <param name="angle">Angle of the foremost point of one edge, radians.</param>
    /// <param name="pitch">Angle between teeth, radians.</param>
    /// <param name="lag">ψ, radians.</param>
    /// <param name="arc">Arc of engagement.</param>
    public static double SumAt(double angle, double pitch, double lag, in ArcOfEngagement arc)
    {
        double foremost = angle + (Math.Floor((arc.Exit + lag - angle) / pitch) * pitch);
        double sum = 0;
        for (double at = foremost; at > arc.Entry; at -= pitch)
        {
            if (lag < SmallestLag)
            {
                if (at <= arc.Exit) sum += Math.Sin(at);
                continue;
            }

            double cosHigh = at >= arc.Exit ? arc.CosExit : Math.Cos(at);
            double cosLow = at - lag <= arc.Entry ? arc.CosEntry : Math.Cos(at - lag);
            if (at - lag < arc.Exit) sum += (cosLow - cosHigh) / lag;
        }

        return sum;
    }
}

namespace Incisura.Core.Threads;

/// <summary>
/// What a cutter of one profile takes off the flanks of a thread beyond the thread's own form. Its teeth stand square to its axis while it
/// climbs a lead a turn, so that before and after it passes a place it reaches into the flank there. At a radius r the error is the largest over the
/// turn θ, while inside the cutter, of P·θ/2π − q·tan(α/2) + |r − e|·tan(α/2): q is the distance of the place from the axis of the cutter, e that of
/// the two axes.
/// </summary>
public static class FlankError
{
    private const int Radii = 32, Closings = 10, Halvings = 48;

    /// <summary>Largest error over the flank, µm, along the axis; 0 for a cutter of no size.</summary>
    /// <param name="major">Major diameter D, mm.</param>
    /// <param name="minor">Minor diameter D_1, mm, below the major one.</param>
    /// <param name="pitch">P, mm; of several starts the lead.</param>
    /// <param name="flankAngle">α between the flanks, degrees.</param>
    /// <param name="cutter">Diameter of the cutter D_c, mm; inside up to the minor diameter.</param>
    /// <param name="inside">Whether the thread is inside.</param>
    public static double Of(double major, double minor, double pitch, double flankAngle, double cutter, bool inside = true)
    {
        double largest = 0, at = minor / 2, step = (major - minor) / 2 / Radii;
        for (int i = 0; i <= Radii; i++) Try((minor / 2) + (i * step));

        // Closer between the radii, from the worst of them.
        for (int i = 0; i < Closings; i++)
        {
            step /= 2;
            double from = at;
            Try(Math.Max(minor / 2, from - step));
            Try(Math.Min(major / 2, from + step));
        }

        return 1000 * largest;

        void Try(double r)
        {
            double axes = inside ? (major - cutter) / 2 : (minor + cutter) / 2;
            if (At(r, axes, pitch, flankAngle, cutter) is var error && error > largest) (largest, at) = (error, r);
        }
    }

    /// <summary>Largest cutter inside a thread whose error stays inside what is allowed, mm; not a number where none does.</summary>
    /// <param name="major">Major diameter D, mm.</param>
    /// <param name="minor">Minor diameter D_1, mm.</param>
    /// <param name="pitch">P, mm.</param>
    /// <param name="flankAngle">α, degrees.</param>
    /// <param name="allowed">Error allowed, µm, above 0.</param>
    public static double LargestCutter(double major, double minor, double pitch, double flankAngle, double allowed)
    {
        // A tooth must be longer than the thread is high.
        double inside = major - minor, outside = minor;
        if (!(inside < outside) || Of(major, minor, pitch, flankAngle, inside) > allowed) return double.NaN;
        if (Of(major, minor, pitch, flankAngle, outside) <= allowed) return outside;
        for (int i = 0; i < Halvings && outside - inside > 1e-6; i++)
        {
            double middle = (inside + outside) / 2;
            if (Of(major, minor, pitch, flankAngle, middle) <= allowed) inside = middle;
            else outside = middle;
        }

        return inside;
    }

    // The error at one radius, mm. It rises from 0 with the turn as long as the climb does more than the way out of the flank.
    private static double At(double r, double e, double pitch, double flankAngle, double cutter)
    {
        double tan = Math.Tan(double.DegreesToRadians(flankAngle / 2)), climb = pitch / (2 * Math.PI);
        if (!(e > 0)) return 0;
        double inCutter = ((r * r) + (e * e) - (cutter * cutter / 4)) / (2 * r * e);
        if (inCutter >= 1) return 0;
        double ends = Math.Acos(Math.Max(-1, inCutter)), low = 0, high = Math.Min(ends, Math.Acos(Math.Min(e, r) / Math.Max(e, r)));
        if (Slope(high) > 0) low = Slope(ends) > 0 ? ends : high;
        else
            for (int i = 0; i < Halvings; i++)
            {
                double middle = (low + high) / 2;
                if (Slope(middle) > 0) low = middle;
                else high = middle;
            }

        return Math.Max(0, Math.Max(Error(low), Error(ends)));

        double Distance(double turn) => Math.Sqrt((r * r) + (e * e) - (2 * r * e * Math.Cos(turn)));
        double Slope(double turn) => climb - (tan * r * e * Math.Sin(turn) / Distance(turn));
        double Error(double turn) => (climb * turn) - (Distance(turn) * tan) + (Math.Abs(r - e) * tan);
    }
}

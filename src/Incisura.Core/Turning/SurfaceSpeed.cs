namespace Incisura.Core.Turning;

/// <summary>
/// Constant surface speed: the spindle follows the diameter as far as it is let. Times are exact, the clamp taken where it begins.
/// </summary>
/// <param name="CuttingSpeed">v_c, m/min, above 0.</param>
/// <param name="Clamp">Highest spindle speed, rev/min, above 0: the least of clamp, chuck and spindle.</param>
public readonly record struct SurfaceSpeed(double CuttingSpeed, double Clamp)
{
    /// <summary>Diameter below which the clamp holds the spindle, D_n = 1000·v_c/(π·n), mm.</summary>
    public double ClampDiameter => 1000 * CuttingSpeed / (Math.PI * Clamp);

    /// <summary>Spindle speed at a diameter, rev/min.</summary>
    /// <param name="diameter">mm, at least 0.</param>
    public double SpeedAt(double diameter) => diameter <= ClampDiameter ? Clamp : CuttingSetup.SpindleSpeedFor(CuttingSpeed, diameter);

    /// <summary>Cutting speed at a diameter, m/min: that asked for, and below the clamp less.</summary>
    /// <param name="diameter">mm, at least 0.</param>
    public double SpeedReached(double diameter) => Math.Min(CuttingSpeed, CuttingSetup.CuttingSpeedFor(Clamp, diameter));

    /// <summary>Time to feed across from one diameter to another, min.</summary>
    /// <param name="from">mm, at least 0.</param>
    /// <param name="to">mm, at least 0.</param>
    /// <param name="feed">Feed of a turn f, mm, above 0.</param>
    public double Across(double from, double to, double feed)
    {
        (double large, double small) = (Math.Max(from, to), Math.Min(from, to));
        double clamp = Math.Clamp(ClampDiameter, small, large);
        return (Math.PI * ((large * large) - (clamp * clamp)) / (4000 * CuttingSpeed * feed)) + ((clamp - small) / (2 * feed * Clamp));
    }

    /// <summary>Time to feed in towards the axis, slower from a diameter on, min: parting off, and facing past the middle.</summary>
    /// <param name="from">Diameter it begins at, mm.</param>
    /// <param name="to">Diameter it ends at, mm, at most the first.</param>
    /// <param name="feed">Feed of a turn f, mm, above 0.</param>
    /// <param name="slowFrom">Diameter from which it goes slower, mm; 0 where it does not.</param>
    /// <param name="slowFeed">Feed of a turn from there, mm, above 0.</param>
    public double Across(double from, double to, double feed, double slowFrom, double slowFeed)
    {
        double turn = Math.Clamp(slowFrom, to, from);
        return Across(from, turn, feed) + Across(turn, to, slowFeed);
    }

    /// <summary>Time to feed along an arc that nowhere turns back across the axis, min: ∫ ds/(f·n).</summary>
    /// <param name="centre">Distance of its centre from the axis, mm; below 0 beyond it.</param>
    /// <param name="radius">Its radius, mm, above 0.</param>
    /// <param name="from">Angle of its start about the centre, from the direction of the axis, rad.</param>
    /// <param name="to">Angle of its end, rad.</param>
    /// <param name="feed">Feed of a turn f, mm, above 0.</param>
    public double Round(double centre, double radius, double from, double to, double feed)
    {
        if (Math.Sin(from) > Math.Sin(to)) (from, to) = (to, from);
        double sine = ((ClampDiameter / 2) - centre) / radius,
            turn = sine <= Math.Sin(from) ? from : sine >= Math.Sin(to) ? to : Between(from, to, sine),
            free = (centre * (to - turn)) - (radius * (Math.Cos(to) - Math.Cos(turn)));
        return (radius * Math.Abs(turn - from) / (feed * Clamp)) + (2 * Math.PI * radius * Math.Abs(free) / (1000 * CuttingSpeed * feed));
    }

    /// <summary>Time to feed along a cone or a cylinder, min.</summary>
    /// <param name="from">Diameter it begins at, mm.</param>
    /// <param name="to">Diameter it ends at, mm.</param>
    /// <param name="way">Length of the way, mm, at least 0.</param>
    /// <param name="feed">Feed of a turn f, mm, above 0.</param>
    public double Along(double from, double to, double way, double feed)
    {
        double across = Math.Abs(from - to) / 2;
        return across > 1e-9 * (from + to) ? Across(from, to, feed) * (way / across) : way / (feed * SpeedAt(from));
    }

    // The angle of a sine between two angles between which it only grows.
    private static double Between(double from, double to, double sine)
    {
        double least = Math.Min(from, to), most = Math.Max(from, to), at = Math.Asin(sine);
        foreach (double angle in (ReadOnlySpan<double>)[at, Math.PI - at, at - (2 * Math.PI), at + (2 * Math.PI), -Math.PI - at])
            if (angle >= least && angle <= most) return angle;
        return from;
    }
}

namespace Incisura.Core.Holes;

/// <summary>Speed and feed that are one figure: the feed of a turn is the lead, whatever limit holds the speed.</summary>
public static class InStep
{
    /// <summary>
    /// The highest speed up to a given one whose feed rate, divided by it again, gives the lead to the last bit. Rounding can cost a
    /// bit; a speed at most a few bits lower always serves.
    /// </summary>
    /// <param name="speed">Speed at most, rev/min, above 0.</param>
    /// <param name="lead">Lead: pitch times starts, mm, above 0.</param>
    public static double SpeedUpTo(double speed, double lead)
    {
        while (speed > 0 && speed * lead / speed != lead) speed = Math.BitDecrement(speed);
        return speed;
    }

    /// <summary>Highest speed the spindle can run up to and stop from again within a way in step, rev/min.</summary>
    /// <param name="way">Way along the axis, mm, above 0.</param>
    /// <param name="lead">Lead, mm, above 0.</param>
    /// <param name="runUp">Rise of the speed, rev/min in a second; NaN where it is not known, and then so is the result.</param>
    public static double SpeedWithin(double way, double lead, double runUp) => Math.Sqrt(60 * runUp * way / lead);
}

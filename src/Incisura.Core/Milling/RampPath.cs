namespace Incisura.Core.Milling;

/// <summary>Ramps to and fro over one length, each going on from the end of the one before.</summary>
public static class RampPath
{
    /// <summary>Gain of a ramp g = L·tan α, mm.</summary>
    /// <param name="length">Length L of a ramp in the plane, mm, above 0.</param>
    /// <param name="angle">Ramp angle α, degrees, above 0 and below 90.</param>
    public static double Gain(double length, double angle) => length * Math.Tan(double.DegreesToRadians(angle));

    /// <summary>
    /// Largest depth in cut on any of the ramps, mm. The first runs into the full, from nothing to its gain. Every later one starts
    /// where the one before ended, on its floor, and ends where that one had begun: there the floor still lies two gains higher.
    /// </summary>
    /// <param name="gain">Gain g of a ramp, mm.</param>
    /// <param name="ramps">How many ramps, at least 1.</param>
    public static double Deepest(double gain, int ramps) => Math.Min(ramps, 2) * gain;
}

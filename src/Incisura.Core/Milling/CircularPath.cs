using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>Circles and helices of the cutter's centre.</summary>
public static class CircularPath
{
    /// <summary>Factor of the centre's feed inside a circle.</summary>
    public static readonly Formula InnerFactor = new("k_f", "Feed of the centre over feed at the rim", Quantity.Ratio, "(R - r)/R", "both turn about one centre; the rim keeps its feed");

    /// <summary>Pitch of a helix.</summary>
    public static readonly Formula PitchFormula = new("P", "Depth in a turn", Quantity.Length, "pi*D_p*tan(α*pi/180)", "helix unrolled");

    /// <summary>Feed of the centre over feed at the rim.</summary>
    /// <param name="radius">Radius R of the wall, mm, above 0.</param>
    /// <param name="cutterRadius">Radius r of the cutter, mm.</param>
    /// <param name="outer">Whether the wall is the outside of the work.</param>
    public static double CentreFactor(double radius, double cutterRadius, bool outer) => (outer ? radius + cutterRadius : radius - cutterRadius) / radius;

    /// <summary>Depth gained in one turn, mm.</summary>
    /// <param name="pathDiameter">Diameter D_p of the centre's path, mm.</param>
    /// <param name="angle">Ramp angle α, degrees.</param>
    public static double Pitch(double pathDiameter, double angle) => Math.PI * pathDiameter * Math.Tan(double.DegreesToRadians(angle));
}

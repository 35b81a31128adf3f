namespace Incisura.Core.Milling;

/// <summary>Circles and helices of the cutter's centre.</summary>
public static class CircularPath
{
    /// <summary>Factor of the centre's feed inside a circle.</summary>
    public static readonly Formula InnerFactor = new(
        "k_f", "Feed of the centre over feed at the rim", Quantity.Ratio, "(R - r)/R", "both turn about one centre; the rim keeps its feed");

    /// <summary>Pitch of a helix.</summary>
    public static readonly Formula PitchFormula = new("P_u", "Depth in a turn", Quantity.Length, "pi*D_p*tan(α*pi/180)", "helix unrolled");

    /// <summary>Feed of the centre over feed at the rim.</summary>
    /// <param name="radius">Radius R of the wall, mm, above 0.</param>
    /// <param name="cutterRadius">Radius r of the cutter, mm.</param>
    /// <param name="outer">Whether the wall is the outside of the work.</param>
    public static double CentreFactor(double radius, double cutterRadius, bool outer) =>
        (outer ? radius + cutterRadius : radius - cutterRadius) / radius;

    /// <summary>Depth gained in one turn, mm.</summary>
    /// <param name="pathDiameter">Diameter D_p of the centre's path, mm.</param>
    /// <param name="angle">Ramp angle α, degrees.</param>
    public static double Pitch(double pathDiameter, double angle) => Math.PI * pathDiameter * Math.Tan(double.DegreesToRadians(angle));

    /// <summary>
    /// Diameter D_o in the middle of which nothing is removed, mm: open before, or a core that a cutter less than half the hole leaves standing.
    /// </summary>
    /// <param name="hole">Diameter D_h of the hole to make, mm.</param>
    /// <param name="before">Diameter d_0 of the hole that is there, mm; 0 for none.</param>
    /// <param name="cutter">Cutting diameter, mm.</param>
    public static double Open(double hole, double before, double cutter) => Math.Max(before, hole - (2 * cutter));

    /// <summary>
    /// Section A_s = π/4·(D_h² − D_o²)·sin α that a helix sweeps square to its path, mm²: with the feed of the centre it gives the volume of the hole
    /// in its time.
    /// </summary>
    /// <param name="hole">Diameter D_h of the hole, mm.</param>
    /// <param name="open">Diameter D_o from <see cref="Open"/>, mm.</param>
    /// <param name="angle">Ramp angle α, degrees.</param>
    public static double SweptSection(double hole, double open, double angle) =>
        Math.PI / 4 * ((hole * hole) - (open * open)) * Math.Sin(double.DegreesToRadians(angle));
}

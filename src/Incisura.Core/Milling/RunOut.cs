namespace Incisura.Core.Milling;

/// <summary>Run-out of a cutter: its axis lies beside the one it turns about, so that its teeth cut unequal chips.</summary>
/// <param name="Offset">Offset e_r of the axis, mm, at least 0: half of what a dial reads.</param>
/// <param name="Teeth">Number of teeth z.</param>
/// <remarks>
/// The radius of tooth i is r + e·cos(2πi/z + θ), so that it cuts r_i − r_(i−1) more than the feed, at most 2·e·sin(π/z); over m teeth in a row the
/// differences add up to r_i − r_(i−m), at most 2·e·sin(π·m/z). Kline and DeVor 1983; Schmitz and Smith.
/// </remarks>
public readonly record struct RunOut(double Offset, int Teeth)
{
    /// <summary>Largest chip with run-out.</summary>
    public static readonly Formula LargestChipFormula = new(
        "h_max", "Largest chip thickness", Quantity.Chip, "(f_z*s_max + 2*e_r*sin(pi/z))*sin(κ_max*pi/180)",
        "the tooth that stands out most, with the axis offset by e_r; every tooth still cuts");

    /// <summary>Factor on the force.</summary>
    public static readonly Formula FactorFormula = new(
        "K_e", "Factor for the run-out", Quantity.Ratio, "(1 + x_r)^(2 - m_c) - x_r^(2 - m_c)",
        "mean force of a chip that grows evenly from nothing, over that without the offset; errs on the safe side");

    /// <summary>Share of the chip by which the teeth in cut stand out.</summary>
    public static readonly Formula ShareFormula = new(
        "x_r", "Run-out of the teeth in cut over their chip", Quantity.Ratio, "2*e_r*sin(pi*z_r/z)/(z_r*f_z*s_max)",
        "z_r teeth in a row cut at once; what one stands out the next one lacks");

    /// <summary>By how much a tooth stands out over the one before, at most: 2·e·sin(π/z), mm.</summary>
    public double Step => Teeth > 1 ? 2 * Offset * Math.Sin(Math.PI / Teeth) : 0;

    /// <summary>Largest undeformed chip of an upright edge, mm: f_z·s + 2·e·sin(π/z).</summary>
    /// <param name="feed">f_z, mm.</param>
    /// <param name="largestSine">Largest sine over the arc.</param>
    public double LargestChip(double feed, double largestSine) => (feed * largestSine) + Step;

    /// <summary>Whole teeth within the arc, at least one: fewer share what they stand out less.</summary>
    /// <param name="arc">Arc of engagement.</param>
    public double TeethAtOnce(in ArcOfEngagement arc) =>
        Math.Clamp(Math.Floor((Teeth * arc.Length / (2 * Math.PI)) + 1e-9), 1, Math.Max(1, Teeth));

    /// <summary>Share x_r of the chip by which the teeth in cut stand out on average.</summary>
    /// <param name="feed">f_z, mm, above 0.</param>
    /// <param name="arc">Arc of engagement.</param>
    public double Share(double feed, in ArcOfEngagement arc)
    {
        if (!(Offset > 0) || Teeth < 2) return 0;
        double together = TeethAtOnce(arc);
        return Math.Max(0, 2 * Offset * Math.Sin(Math.PI * together / Teeth) / (together * feed * arc.LargestSine));
    }

    /// <summary>Factor K_e on the peak force for a share; 1 without run-out.</summary>
    /// <param name="share">x_r.</param>
    /// <param name="chipExponent">m_c.</param>
    public static double Factor(double share, double chipExponent) =>
        share > 0 ? Math.Pow(1 + share, 2 - chipExponent) - Math.Pow(share, 2 - chipExponent) : 1;
}

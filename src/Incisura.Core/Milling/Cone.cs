using Incisura.Core.Cutters;

namespace Incisura.Core.Milling;

/// <summary>The cutting cone of a chamfer mill or an engraving point.</summary>
/// <param name="TipDiameter">Diameter at the tip, mm, at least 0.</param>
/// <param name="IncludedAngle">Included angle σ, degrees, above 0 below 180.</param>
public readonly record struct Cone(double TipDiameter, double IncludedAngle)
{
    /// <summary>Depth of the tip below the top face.</summary>
    public static readonly Formula TipDepthFormula = new(
        "t_t", "Depth of the tip", Quantity.Length, "t_k + c/tan(σ*pi/360)", "leg along the cone, with the tip below the chamfer");

    /// <summary>Diameter of the cone at a height.</summary>
    public static readonly Formula DiameterFormula = new(
        "D_e", "Diameter in contact at the top", Quantity.Length, "d_t + 2*t_t*tan(σ*pi/360)", "cone from its tip");

    /// <summary>Diameter at the lower end.</summary>
    public static readonly Formula LowerFormula = new(
        "D_l", "Diameter in contact at the lower end", Quantity.Length, "d_t + 2*t_k*tan(σ*pi/360)", "cone from its tip");

    /// <summary>Mean depth of a triangular section.</summary>
    public static readonly Formula TriangleFormula = new(
        "a_p", "Mean depth of the section", Quantity.Length, "c/tan(σ*pi/360)/2", "half of leg times height, over the leg");

    /// <summary>Cutting edge angle κ of its edge against the plane of the work, degrees.</summary>
    public double EdgeAngle => 90 - (IncludedAngle / 2);

    private double Rise => Math.Tan(double.DegreesToRadians(IncludedAngle / 2));

    /// <summary>The cone of a cutter.</summary>
    public static Cone Of(Cutter cutter) => new(cutter.Dimensions.GetValueOrDefault(Dimension.CuttingDiameter.Symbol), cutter[Dimension.PointAngle]);

    /// <summary>Depth of the tip for a leg across the top face, mm.</summary>
    /// <param name="leg">Leg c, mm.</param>
    /// <param name="tipBelow">How far the tip stands below the chamfer, mm.</param>
    public double TipDepthFor(double leg, double tipBelow) => tipBelow + (leg / Rise);

    /// <summary>Diameter at a height above the tip, mm.</summary>
    public double DiameterAt(double height) => TipDiameter + (2 * height * Rise);

    /// <summary>Height above the tip at which the cone has a diameter, mm.</summary>
    public double HeightOf(double diameter) => (diameter - TipDiameter) / 2 / Rise;
}

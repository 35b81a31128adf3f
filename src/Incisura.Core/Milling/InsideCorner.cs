namespace Incisura.Core.Milling;

/// <summary>What a larger cutter leaves in an inside corner for a smaller one.</summary>
public static class InsideCorner
{
    /// <summary>Thickness of the leftover on the bisector.</summary>
    public static readonly Formula LeftoverFormula = new(
        "t_c", "Leftover on the bisector", Quantity.Length, "(R_1 - R_c)*(1/sin(θ*pi/360) - 1)",
        "distance between two roundings of one corner, along its bisector");

    /// <summary>Section of the leftover.</summary>
    public static readonly Formula SectionFormula = new(
        "A_c", "Section of the leftover", Quantity.Section, "(R_1^2 - R_c^2)*(1/tan(θ*pi/360) - (180 - θ)*pi/360)",
        "area between two roundings of one corner");

    /// <summary>Cutter between.</summary>
    public static readonly Formula BetweenFormula = new(
        "D_m", "Cutter between", Quantity.Length, "R_1 + R_c", "the radius in the middle leaves two leftovers of equal thickness");

    /// <summary>Thickness t_c of the leftover on the bisector, mm.</summary>
    /// <param name="before">Radius R₁ of the rounding that is there, mm.</param>
    /// <param name="wanted">Radius R_c wanted, mm, up to R₁.</param>
    /// <param name="angle">Angle θ between the walls, degrees, above 0 below 180.</param>
    public static double Leftover(double before, double wanted, double angle) =>
        (before - wanted) * ((1 / Math.Sin(double.DegreesToRadians(angle / 2))) - 1);

    /// <summary>Section A_c of the leftover, mm².</summary>
    /// <inheritdoc cref="Leftover"/>
    public static double Section(double before, double wanted, double angle)
    {
        double half = double.DegreesToRadians(angle / 2);
        return ((before * before) - (wanted * wanted)) * ((1 / Math.Tan(half)) - (Math.PI / 2) + half);
    }
}

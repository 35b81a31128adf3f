namespace Incisura.Core.Geometry;

/// <summary>Draws a profile point by point, from the tip.</summary>
/// <param name="z">Z of the first point, mm.</param>
/// <param name="r">R of the first point, mm.</param>
internal sealed class Outline(double z = 0, double r = 0)
{
    /// <summary>Lengths up to this, mm, do not exist: they are what is left of sums that should be equal.</summary>
    public const double Nothing = 1e-9;

    private readonly List<ProfileElement> elements = [];
    private (double Z, double R) first = (z, r), at = (z, r);

    /// <summary>R of the point reached, mm.</summary>
    public double R => at.R;

    /// <summary>Z of the point reached, mm.</summary>
    public double Z => at.Z;

    /// <summary>A straight line; none where the point is reached already.</summary>
    public Outline Line(ProfilePart part, double z, double r) => Arc(part, z, r, 0);

    /// <summary>
    /// An arc by its bulge, negative where it stands out. What is reached within <see cref="Nothing"/> is reached: no face is a cone by the last bit
    /// of a sum.
    /// </summary>
    public Outline Arc(ProfilePart part, double z, double r, double bulge)
    {
        if (Math.Abs(z - at.Z) <= Nothing) z = at.Z;
        if (Math.Abs(r - at.R) <= Nothing) r = at.R;
        if (z != at.Z || r != at.R) elements.Add(new(part, at.Z, at.R, z, r, bulge));
        at = (z, r);
        return this;
    }

    /// <summary>An arc of a radius that stands out (above 0) or is hollow (below 0), less than half a turn.</summary>
    public Outline Round(ProfilePart part, double z, double r, double radius)
    {
        double half = Math.Asin(Math.Min(1, double.Hypot(z - at.Z, r - at.R) / (2 * Math.Abs(radius))));
        return Arc(part, z, r, -Math.Sign(radius) * Math.Tan(half / 2));
    }

    /// <summary>A cylinder from here as far as a Z, after a step to its diameter.</summary>
    public Outline Cylinder(ProfilePart part, double until, double diameter) =>
        until <= at.Z ? this : Line(part, at.Z, diameter / 2).Line(part, until, diameter / 2);

    /// <summary>Closes the loop of a flat profile and starts another.</summary>
    public Outline Close(ProfilePart part, double nextZ = 0, double nextR = 0)
    {
        Line(part, first.Z, first.R);
        first = at = (nextZ, nextR);
        return this;
    }

    /// <summary>Starts at another point.</summary>
    public Outline From(double z, double r)
    {
        first = at = (z, r);
        return this;
    }

    public Profile Revolved() => new(ProfileShape.Revolved, elements);

    public Profile Flat() => new(ProfileShape.Flat, elements);
}

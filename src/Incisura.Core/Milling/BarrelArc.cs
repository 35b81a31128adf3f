using Incisura.Core.Geometry;

namespace Incisura.Core.Milling;

/// <summary>The large arc of a barrel or lens. A place on it is 0 at the tip's end and 1 at the other.</summary>
/// <param name="CentreR">Distance r₀ of its centre from the axis, mm; negative beyond the axis.</param>
/// <param name="Radius">Radius R, mm.</param>
/// <param name="From">Lean of the tangent against the axis at the tip's end, degrees; negative where the arc widens away from the tip.</param>
/// <param name="To">Lean at the other end, degrees.</param>
public sealed record BarrelArc(double CentreR, double Radius, double From, double To)
{
    /// <summary>Length of the arc, mm.</summary>
    public double ArcLength => Radius * double.DegreesToRadians(To - From);

    /// <summary>Whether it works as a flank; otherwise it forms the tip, as a lens.</summary>
    public bool IsFlank => Math.Abs(LeanAt(0.5)) < 45;

    /// <summary>The arc of this radius in the cutting part of a profile; null where there is none.</summary>
    /// <param name="profile">The cutter's profile.</param>
    /// <param name="radius">Radius, mm.</param>
    public static BarrelArc? Of(Profile profile, double radius)
    {
        foreach (ProfileElement e in profile.Elements)
        {
            if (e.Part != ProfilePart.Cutting || e.Bulge >= 0 || Math.Abs(e.Radius - radius) > 1e-6 * radius) continue;
            (double z, double r) = e.Centre;
            return new(r, radius, Lean(e.FromZ - z), Lean(e.ToZ - z));
        }

        return null;

        double Lean(double along) => double.RadiansToDegrees(Math.Asin(Math.Clamp(along / radius, -1, 1)));
    }

    /// <summary>Lean of the tangent against the axis at a place, degrees: the tilt that lays it along a wall.</summary>
    public double LeanAt(double place) => From + (place * (To - From));

    /// <summary>Diameter at a place, mm.</summary>
    public double DiameterAt(double place) => 2 * (CentreR + (Radius * Math.Cos(double.DegreesToRadians(LeanAt(place)))));
}

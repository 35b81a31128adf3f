using Incisura.Core.Geometry;

namespace Incisura.Core.Milling;

/// <summary>The large arc of a barrel or lens. A place on it is 0 at the tip's end and 1 at the other.</summary>
/// <param name="CentreZ">Distance of its centre from the tip along the axis, mm.</param>
/// <param name="CentreR">Distance r₀ of its centre from the axis, mm; negative beyond the axis.</param>
/// <param name="Radius">Radius R, mm.</param>
/// <param name="From">Lean of the tangent against the axis at the tip's end, degrees; negative where the arc widens away from the tip.</param>
/// <param name="To">Lean at the other end, degrees.</param>
public sealed record BarrelArc(double CentreZ, double CentreR, double Radius, double From, double To)
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
            return new(z, r, radius, Lean(e.FromZ - z), Lean(e.ToZ - z));
        }

        return null;

        double Lean(double along) => double.RadiansToDegrees(Math.Asin(Math.Clamp(along / radius, -1, 1)));
    }

    /// <summary>Lean of the tangent against the axis at a place, degrees: the tilt that lays it along a wall.</summary>
    public double LeanAt(double place) => From + (place * (To - From));

    /// <summary>The place at an angle from the direction of the tip, radians, as seen from the centre of the arc.</summary>
    public double PlaceAt(double angle) => (double.RadiansToDegrees(angle) - 90 - From) / (To - From);

    /// <summary>Distance along the axis from the tip at a place, mm.</summary>
    public double HeightAt(double place) => CentreZ + (Radius * Math.Sin(double.DegreesToRadians(LeanAt(place))));

    /// <summary>
    /// How far an assembly lying with this arc on a flat surface goes into it within a distance from the contact, mm; at most 0 where it clears.
    /// </summary>
    /// <param name="whole">Profile of the assembly.</param>
    /// <param name="place">Place of the contact.</param>
    /// <param name="within">How far the surface reaches from the contact towards the machine, mm.</param>
    public double Overlap(Profile whole, double place, double within)
    {
        double lean = double.DegreesToRadians(Math.Abs(LeanAt(place))), z = HeightAt(place), r = DiameterAt(place) / 2,
            most = double.NegativeInfinity;
        foreach (ProfileElement e in whole.Elements)
        {
            if (e.Part == ProfilePart.Cutting) continue;
            foreach ((double pz, double pr) in (ReadOnlySpan<(double, double)>)[(e.FromZ, e.FromR), (e.ToZ, e.ToR)])
                if ((pz - z) * Math.Cos(lean) <= within) most = Math.Max(most, ((pr - r) * Math.Cos(lean)) - ((pz - z) * Math.Sin(lean)));
        }

        return most;
    }

    /// <summary>Diameter at a place, mm.</summary>
    public double DiameterAt(double place) => 2 * (CentreR + (Radius * Math.Cos(double.DegreesToRadians(LeanAt(place)))));
}

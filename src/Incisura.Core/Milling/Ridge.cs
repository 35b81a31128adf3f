using Incisura.Core.Geometry;

namespace Incisura.Core.Milling;

/// <summary>The ridge that a rounded profile leaves between passes, on flat, hollow and domed surfaces.</summary>
public static class Ridge
{
    /// <summary>Step for a ridge height on a flat surface.</summary>
    public static readonly Formula FlatStep = new("s_w", "Step for the ridge wanted", Quantity.Length, "2*sqrt(h_w*(2*R - h_w))", "circular segment");

    /// <summary>Step along a curved surface for a ridge height.</summary>
    public static readonly Formula CurvedStep = new(
        "s_w", "Step for the ridge wanted", Quantity.Length, "4*ρ*asin(sqrt(h_w*(2*R - h_w)/(4*(ρ + g*R)*(ρ + g*h_w))))",
        "law of cosines between surface and profile, by half the angle; g is 1 for a domed surface, -1 for a hollow one");

    /// <summary>How far up a rounding the stock on a flat surface reaches.</summary>
    public static readonly Formula FlatContact = new(
        "θ_c", "Angle of the rounding in the stock", Quantity.Angle, "acos(max(0, 1 - t_s/r))*180/pi", "circular segment");

    /// <summary>How far up a rounding the stock on a domed or hollow surface reaches.</summary>
    public static readonly Formula CurvedContact = new(
        "θ_c", "Angle of the rounding in the stock", Quantity.Angle,
        "acos(max(-1, min(1, g*(r^2 + (ρ + g*r)^2 - max(0, ρ + g*t_s)^2)/(2*r*(ρ + g*r)))))*180/pi",
        "law of cosines between rounding and surface of the stock; g is 1 for a domed surface, -1 for a hollow one");

    /// <summary>Step s_r between passes that leaves a ridge height, mm, measured along the surface.</summary>
    /// <param name="profileRadius">Radius R of the profile at the contact, mm, above 0.</param>
    /// <param name="height">Ridge height h_r, mm, above 0 up to R.</param>
    /// <param name="form">Form of the surface.</param>
    /// <param name="surfaceRadius">Radius ρ of a curved surface, mm; of a hollow one above R.</param>
    public static double StepFor(double profileRadius, double height, SurfaceForm form = SurfaceForm.Flat, double surfaceRadius = 0)
    {
        if (form == SurfaceForm.Flat) return 2 * Math.Sqrt(height * ((2 * profileRadius) - height));
        double sign = Sign(form), path = surfaceRadius + (sign * profileRadius), crest = surfaceRadius + (sign * height);

        // The angle is small, so its half is taken from its sine, which keeps all digits where the cosine would lose them.
        double square = height * ((2 * profileRadius) - height) / (4 * path * crest);
        return 4 * surfaceRadius * Math.Asin(Math.Sqrt(Math.Clamp(square, 0, 1)));
    }

    /// <summary>Ridge height h_r left by a step, mm: the inverse of <see cref="StepFor"/>.</summary>
    /// <param name="profileRadius">Radius R of the profile at the contact, mm, above 0.</param>
    /// <param name="step">Step s_r along the surface, mm, above 0.</param>
    /// <param name="form">Form of the surface.</param>
    /// <param name="surfaceRadius">Radius ρ of a curved surface, mm.</param>
    /// <returns>Not a number where the passes do not meet.</returns>
    public static double HeightFor(double profileRadius, double step, SurfaceForm form = SurfaceForm.Flat, double surfaceRadius = 0)
    {
        if (form == SurfaceForm.Flat) return RoundCut.Ridge(profileRadius, step);
        double sign = Sign(form), path = surfaceRadius + (sign * profileRadius);
        (double sine, double cosine) = Math.SinCos(step / 2 / surfaceRadius);
        double crest = (path * cosine) - (sign * Math.Sqrt((profileRadius * profileRadius) - (path * path * sine * sine)));
        return form == SurfaceForm.Convex ? crest - surfaceRadius : surfaceRadius - crest;
    }

    /// <summary>
    /// Angle θ_c of a rounding over which it is in the stock, from the place where it touches the surface, radians: acos(1 − a_p/r) on a flat one.
    /// </summary>
    /// <param name="radius">Radius r of the rounding, mm, above 0.</param>
    /// <param name="depth">Depth a_p square to the surface, mm, above 0; on a flat one it stays a quarter turn from the radius on.</param>
    /// <param name="form">Form of the surface.</param>
    /// <param name="surfaceRadius">Radius ρ of a curved surface, mm; of a hollow one above r.</param>
    public static double ContactAngle(double radius, double depth, SurfaceForm form = SurfaceForm.Flat, double surfaceRadius = 0)
    {
        if (form == SurfaceForm.Flat) return Math.Acos(Math.Max(0, 1 - (depth / radius)));
        double sign = Sign(form), path = surfaceRadius + (sign * radius), raw = Math.Max(0, surfaceRadius + (sign * depth));
        return Math.Acos(Math.Clamp(sign * ((radius * radius) + (path * path) - (raw * raw)) / (2 * radius * path), -1, 1));
    }

    /// <summary>
    /// Diameter in contact of a tilted rounding, mm: 2·(F + r·sin(β + θ_c)). For a ball on a flat surface, without a flat end, that is D·sin(β +
    /// acos(1 − 2·a_p/D)).
    /// </summary>
    /// <param name="flat">Half-width F of the flat at the tip, mm; 0 for a ball.</param>
    /// <param name="radius">Radius r of the rounding, mm, above 0.</param>
    /// <param name="over">Angle θ_c over which it is in the stock, radians (<see cref="ContactAngle"/>).</param>
    /// <param name="tilt">Tilt β of the axis from the surface's normal, degrees, 0 to 90.</param>
    public static double DiameterInContact(double flat, double radius, double over, double tilt) =>
        2 * (flat + (radius * Math.Sin(Math.Min(Math.PI / 2, double.DegreesToRadians(tilt) + over))));

    /// <summary>g: 1 for a domed surface, −1 for a hollow one.</summary>
    /// <param name="form">Form of a curved surface.</param>
    internal static double Sign(SurfaceForm form) => form == SurfaceForm.Convex ? 1 : -1;
}

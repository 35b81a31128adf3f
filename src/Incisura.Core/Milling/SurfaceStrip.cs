using Incisura.Core.Geometry;

namespace Incisura.Core.Milling;

/// <summary>
/// What a rounded edge takes off a surface in one line: between the surface, the stock over it and the line before. The axis leans square to the
/// line. Seen along the line, the edge is a circle about C; X runs from C away from the axis, Y along the axis away from the tip, and the surface
/// touches the circle β from the tip.
/// </summary>
/// <remarks>
/// Swept along the line the rounding leaves its own circle, so that at each height the tooth goes from the circle (φ = 0) to where the line before or
/// the stock ends: both are lines or circles in X and Y. The chip is f_z times the part of the feed square to the edge.
/// </remarks>
internal readonly struct SurfaceStrip
{
    /// <summary>The longest arc in the strip.</summary>
    public static readonly Formula ArcFormula = new(
        "φ_e", "Arc of engagement", Quantity.Angle, "acos(max(-1, 1 - w_q/r_q))*180/pi",
        "between surface, line before and stock, at the height where the arc is longest; w_q is its width there and r_q the radius of the edge");

    /// <summary>The edge angle whose sine, with that of the longest arc, gives the mean chip.</summary>
    public static readonly Formula EdgeAngleFormula = new(
        "κ", "Mean cutting edge angle in contact", Quantity.Angle, "asin(min(1, q_h/s_m))*180/pi",
        "mean chip q_h for each mm of feed, section over the face that the edge sweeps in the work, and mean sine s_m over the longest arc");

    private const int Half = 4;

    private readonly double centreZ, centreR, radius, sine, cosine, step, stock, beforeX, beforeY, rawX, rawY, rawRadius, cornerX, cornerY;
    private readonly SurfaceForm form;

    /// <summary>Draws a strip up.</summary>
    /// <param name="centre">Distance of C from the tip along the axis and from the axis, mm; the latter negative beyond it.</param>
    /// <param name="radius">Radius of the rounding, mm, above 0.</param>
    /// <param name="tilt">β, degrees, 0 to 90, on the flank of a barrel some more.</param>
    /// <param name="towardsTip">Whether the stock lies on the side of the tip; elsewhere up the flank.</param>
    /// <param name="step">Step between lines along the surface, mm.</param>
    /// <param name="stock">Stock on the surface, mm.</param>
    /// <param name="form">Form of the surface across the lines.</param>
    /// <param name="surfaceRadius">Radius ρ of a curved surface, mm.</param>
    public SurfaceStrip(
        (double Z, double R) centre, double radius, double tilt, bool towardsTip, double step, double stock, SurfaceForm form, double surfaceRadius)
    {
        (centreZ, centreR, this.radius, this.stock, this.form, this.step) = (centre.Z, centre.R, radius, stock, form, step);
        double side = towardsTip ? -1 : 1, beta = double.DegreesToRadians(tilt), turned = 0,
            over = Ridge.ContactAngle(radius, stock, form, surfaceRadius);
        (sine, cosine) = Math.SinCos(beta);
        Over = over;
        double half = Math.Asin(Math.Min(1, step / (2 * radius)));
        if (form == SurfaceForm.Flat) (beforeX, beforeY) = (-side * step * cosine, -side * step * sine);
        else
        {
            // Domes and hollows turn the line before about their own centre.
            double sign = Ridge.Sign(form), path = surfaceRadius + (sign * radius), angle = step / surfaceRadius,
                back = path * (1 - Math.Cos(angle)), along = path * Math.Sin(angle);
            (beforeX, beforeY) = ((sign * back * sine) - (side * along * cosine), (-sign * back * cosine) - (side * along * sine));
            (rawX, rawY, rawRadius) = (sign * path * sine, -sign * path * cosine, surfaceRadius + (sign * stock));
            half = Math.Asin(Math.Min(1, path * Math.Sin(angle / 2) / radius)) - (sign * angle / 2);
            turned = sign * angle;
        }

        // Lines further apart than the stock is wide leave some of it.
        half = Math.Min(half, over);

        // A rounding at the tip ends where it runs along the axis; a barrel goes on beyond.
        double least = centreR > 0 ? 0 : Math.Asin(Math.Min(1, -centreR / radius)), most = centreR < 0 ? Math.PI - least : Math.PI / 2;
        From = Math.Clamp(beta - (towardsTip ? over : half), least, most);
        To = Math.Clamp(beta + (towardsTip ? half : over), Math.Min(most, From + 1e-6), most);
        (double s, double c) = Math.SinCos(beta + (side * (over + turned)));
        (cornerX, cornerY) = (beforeX + (radius * s), beforeY - (radius * c));
        Corner = Math.Acos(Math.Clamp(-cornerY / radius, -1, 1));
        if (form == SurfaceForm.Convex && !towardsTip) To = Math.Clamp(Corner, To, most);
        if (!(Corner > From && Corner < To)) Corner = (From + To) / 2;
    }

    /// <summary>Whether there is one.</summary>
    public bool Exists => radius > 0;

    /// <summary>Section removed, square to the line, A_e, mm².</summary>
    public double Section => RoundCut.Section(radius, step, stock);

    /// <summary>Angle θ_c of the rounding in the stock, radians.</summary>
    public double Over { get; }

    /// <summary>Angles from the tip between which the rounding is in the stock, radians.</summary>
    public double From { get; }

    /// <summary>See <see cref="From"/>.</summary>
    public double To { get; }

    // The angle at which the line before meets the surface of the stock; the middle where that lies elsewhere.
    private double Corner { get; }

    /// <summary>Cuts the edge in contact into slices, closer towards both ends, where its arc changes fastest.</summary>
    /// <param name="power">p of <see cref="EdgeSlice"/>.</param>
    /// <param name="slices">Receives the slices.</param>
    public int Slices(double power, ref EdgeSlices slices)
    {
        Span<double> ends = stackalloc double[2 * Half];
        for (int i = 0; i < ends.Length; i++) ends[i] = EndOf(i);
        return EdgeProfile.Along((centreZ, centreR), radius, From, To, ends, power, ref slices);
    }

    /// <summary>Angles φ between which a tooth is in the stock, from where its chip is nothing, radians, 0 to π.</summary>
    /// <param name="at">Radius of the edge there, mm.</param>
    /// <param name="z">Height above the tip, mm.</param>
    public (double Entry, double Exit) ArcAt(double at, double z)
    {
        double x = at - centreR, y = z - centreZ;
        (double low, double high) = RawAt(y);
        low = Math.Max(BeforeAt(y), low);
        if (low >= Math.Min(x, high)) return (0, 0);
        double r = Math.Max(at, 1e-9);
        return (high < x ? Math.Acos(Math.Max(-1, (centreR + high) / r)) : 0, Math.Acos(Math.Max(-1, (centreR + low) / r)));
    }

    /// <summary>Mean and largest chip for each mm of feed per tooth, and the longest arc with the radius where it is.</summary>
    public (double Mean, double Largest, double Arc, double ArcRadius) Chips()
    {
        double area = 0, largest = ChipAtCorner(), arc = 0, arcRadius = 0, from = From;
        for (int i = 0; i < 2 * Half; i++)
        {
            // The middle of a slice stands for it.
            double to = EndOf(i);
            (double s, double c) = Math.SinCos((from + to) / 2);
            double at = centreR + (radius * s);
            (double entry, double exit) = ArcAt(at, centreZ - (radius * c));
            largest = Math.Max(largest, s * (exit < Math.PI / 2 ? Math.Sin(exit) : entry > Math.PI / 2 ? Math.Sin(entry) : 1));
            if (exit > arc) (arc, arcRadius) = (exit, at);
            area += (to - from) * radius * (exit - entry) * at;
            from = to;
        }

        // Where a strip goes on past the end of the rounding, what is left of it stands for all.
        return (Math.Min(Section / area, largest), largest, arc, arcRadius);
    }

    // The angle at which a slice ends.
    private double EndOf(int slice)
    {
        double share = (slice + 1.0) / Half, left = 2 - share;
        return share <= 1 ? From + ((Corner - From) * share * share) : To - ((To - Corner) * left * left);
    }

    // Where the line before meets the surface of the stock the chip is thickest.
    private double ChipAtCorner()
    {
        double c = -cornerY / radius, at = centreR + (radius * Math.Sqrt(Math.Max(0, 1 - (c * c)))), across = (centreR + cornerX) / at;
        return Math.Abs(c) < 1 && Math.Abs(across) < 1 ? Math.Sqrt((1 - (c * c)) * (1 - (across * across))) : 0;
    }

    // How far the line before and the stock leave off at a height.
    private double BeforeAt(double y)
    {
        double up = y - beforeY, square = (radius * radius) - (up * up);
        return square >= -1e-9 * radius * radius ? beforeX + Math.Sqrt(Math.Max(0, square)) : double.NegativeInfinity;
    }

    // A dome falls away to both sides.
    private (double Low, double High) RawAt(double y)
    {
        const double none = double.NegativeInfinity;
        if (form == SurfaceForm.Flat) return (sine > 1e-9 ? ((y * cosine) + radius - stock) / sine : none, -none);
        double up = y - rawY, square = (rawRadius * rawRadius) - (up * up), half = Math.Sqrt(Math.Max(0, square));
        return form == SurfaceForm.Convex ? (rawX - half, rawX + half) : (square <= 0 ? none : rawX + half, -none);
    }
}

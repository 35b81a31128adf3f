namespace Incisura.Core.Milling;

/// <summary>
/// The part of a turn during which a tooth is in the work. Angles run from the direction square to the feed in which the chip
/// starts at nothing (conventional sense); the same arc serves climb milling, in which it is passed from the other end.
/// </summary>
public readonly record struct ArcOfEngagement
{
    /// <summary>Formula of the arc when the cutter works with its side.</summary>
    public static readonly Formula SideArc = new(
        "φ_e", "Arc of engagement", Quantity.Angle, "acos(1 - 2*a_e/D_e)*180/pi", "geometry of the side cut; ISO 3002-3");

    /// <summary>Formula of the arc when the cutter stands in the middle of the width.</summary>
    public static readonly Formula CentredArc = new(
        "φ_e", "Arc of engagement", Quantity.Angle, "2*asin(a_e/D_e)*180/pi", "geometry of the centred face cut; ISO 3002-3");

    /// <summary>Formula of the arc when the axis stands beside the middle of the width.</summary>
    public static readonly Formula OffsetArc = new(
        "φ_e",
        "Arc of engagement",
        Quantity.Angle,
        "(acos(max(-1, (2*e - a_e)/D_e)) - acos(min(1, (2*e + a_e)/D_e)))*180/pi",
        "geometry of the face cut with its axis beside the middle; ISO 3002-3");

    /// <summary>Formula of the arc in an inner bend whose stock runs even with it.</summary>
    public static readonly Formula InnerBendArc = new(
        "φ_b",
        "Arc in the bend",
        Quantity.Angle,
        "acos(max(-1, ((R_c - a_e)^2 - (R_c - r)^2 - r^2)/(2*(R_c - r)*r)))*180/pi",
        "law of cosines between the paths of axis, edge and stock, which share their centre");

    /// <summary>Formula of the arc round an outer bend whose stock runs even with it.</summary>
    public static readonly Formula OuterBendArc = new(
        "φ_b",
        "Arc in the bend",
        Quantity.Angle,
        "acos(max(-1, ((R_c + r)^2 + r^2 - (R_c + a_e)^2)/(2*(R_c + r)*r)))*180/pi",
        "law of cosines between the paths of axis, edge and stock, which share their centre");

    /// <summary>Formula of the arc in a corner as small as the cutter.</summary>
    public static readonly Formula SharpArc = new(
        "φ_b", "Arc in the corner", Quantity.Angle, "min(180, acos(1 - 2*a_e/D_e)*180/pi + 180 - θ)",
        "the arc of the wall before, and the turn from one wall to the next at one place");

    /// <summary>Formula of the arc of a plunge between the plunge before and the open side of its row.</summary>
    public static readonly Formula PlungeArc = new(
        "φ_e",
        "Arc of engagement",
        Quantity.Angle,
        "(acos(1 - 2*a_e/D_e) + min(acos(1 - 2*a_e/D_e), asin(s_t/D_e)))*180/pi",
        "rim between the plunge before and the open side of the row, on both sides of the point nearest the wall");

    private ArcOfEngagement(double entry, double exit, double cosEntry, double cosExit)
    {
        Entry = entry;
        Exit = exit;
        CosEntry = cosEntry;
        CosExit = cosExit;
        LargestSine = cosEntry >= 0 && cosExit <= 0
            ? 1
            : Math.Sqrt(1 - Math.Min(cosEntry * cosEntry, cosExit * cosExit));
    }

    /// <summary>Angle φ₁ at which the arc begins, radians, 0 to π; of a plunge −π/2 to 0, since it reaches to both sides of the wall.</summary>
    public double Entry { get; }

    /// <summary>Angle φ₂ at which the arc ends, radians, φ₁ to π.</summary>
    public double Exit { get; }

    /// <summary>cos φ₁.</summary>
    public double CosEntry { get; }

    /// <summary>cos φ₂.</summary>
    public double CosExit { get; }

    /// <summary>Largest sine over the arc, 0 to 1: the largest chip is f_z·sin κ times this.</summary>
    public double LargestSine { get; }

    /// <summary>Length of the arc φ_e, radians.</summary>
    public double Length => Exit - Entry;

    /// <summary>Mean sine over the arc: the mean chip is f_z·sin κ times this.</summary>
    public double MeanSine => (CosEntry - CosExit) / Length;

    /// <summary>Arc between two angles.</summary>
    /// <param name="entry">φ₁, radians, 0 to π.</param>
    /// <param name="exit">φ₂, radians, φ₁ to π.</param>
    public static ArcOfEngagement Between(double entry, double exit) => new(entry, exit, Math.Cos(entry), Math.Cos(exit));

    /// <summary>Side cut: φ₁ = 0, φ₂ = acos(1 − 2·a_e/D).</summary>
    /// <param name="diameter">Diameter in contact D_e, mm, above 0.</param>
    /// <param name="width">Width of cut a_e, mm, above 0 up to the diameter.</param>
    /// <param name="trace">Listens to the step.</param>
    public static ArcOfEngagement Side<TTrace>(double diameter, double width, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double cosExit = 1 - (2 * width / diameter);
        ArcOfEngagement arc = new(0, Math.Acos(cosExit), 1, cosExit);
        if (TTrace.Listens) trace.Take(SideArc, double.RadiansToDegrees(arc.Length), new("a_e", width), new("D_e", diameter));
        return arc;
    }

    /// <summary>Face cut with the cutter in the middle of the width: φ_e = 2·asin(a_e/D).</summary>
    /// <inheritdoc cref="Side"/>
    public static ArcOfEngagement Centred<TTrace>(double diameter, double width, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double sine = width / diameter, half = Math.Asin(sine);
        ArcOfEngagement arc = new((Math.PI / 2) - half, (Math.PI / 2) + half, sine, -sine);
        if (TTrace.Listens) trace.Take(CentredArc, double.RadiansToDegrees(arc.Length), new("a_e", width), new("D_e", diameter));
        return arc;
    }

    /// <summary>Face cut with the axis beside the middle of the width.</summary>
    /// <param name="diameter">Diameter in contact D_e, mm, above 0.</param>
    /// <param name="width">Width of cut a_e, mm, above 0.</param>
    /// <param name="offset">Distance e of the axis from the middle of the width, mm; positive away from where the arc begins.</param>
    /// <param name="trace">Listens to the step.</param>
    public static ArcOfEngagement Offset<TTrace>(double diameter, double width, double offset, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double cosEntry = Math.Clamp(((2 * offset) + width) / diameter, -1, 1), cosExit = Math.Clamp(((2 * offset) - width) / diameter, -1, 1);
        ArcOfEngagement arc = new(Math.Acos(cosEntry), Math.Acos(cosExit), cosEntry, cosExit);
        if (TTrace.Listens) trace.Take(OffsetArc, double.RadiansToDegrees(arc.Length), new("a_e", width), new("D_e", diameter), new("e", offset));
        return arc;
    }

    /// <summary>Plunge beside a wall: θ = acos(1 − 2·a_e/D) towards the open side, min(θ, asin(s_t/D)) towards the plunge before.</summary>
    /// <param name="diameter">Diameter D_e, mm, above 0.</param>
    /// <param name="width">Width of the row a_e, mm, above 0 up to the diameter.</param>
    /// <param name="step">Step s_t along the wall, mm, above 0 up to the diameter.</param>
    /// <param name="trace">Listens to the step.</param>
    public static ArcOfEngagement Plunge<TTrace>(double diameter, double width, double step, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double open = Math.Acos(1 - (2 * width / diameter)), before = Math.Min(open, Math.Asin(step / diameter));
        ArcOfEngagement arc = new(-before, open, Math.Cos(before), Math.Cos(open));
        if (TTrace.Listens) trace.Take(PlungeArc, double.RadiansToDegrees(arc.Length), new("a_e", width), new("D_e", diameter), new("s_t", step));
        return arc;
    }

    /// <summary>
    /// Bend of the wall, with stock of even width before it. An inner bend no larger than the cutter is a corner in which the cutter turns on the
    /// spot.
    /// </summary>
    /// <param name="diameter">Diameter in contact D_e, mm, above 0.</param>
    /// <param name="width">Width of cut a_e, mm, above 0 up to the diameter.</param>
    /// <param name="radius">Radius R_c of the wall, mm, above 0.</param>
    /// <param name="outer">Whether the wall bends round the outside of the work.</param>
    /// <param name="cornerAngle">Angle θ between the walls, degrees; it matters only where the cutter turns on the spot.</param>
    /// <param name="trace">Listens to the step.</param>
    public static ArcOfEngagement Bend<TTrace>(double diameter, double width, double radius, bool outer, double cornerAngle, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double r = diameter / 2, path = outer ? radius + r : radius - r;
        if (!outer && path < 1e-9 * r)
        {
            double turned = Math.Min(Math.PI, Math.Acos(Math.Max(-1, 1 - (2 * width / diameter))) + double.DegreesToRadians(180 - cornerAngle));
            if (TTrace.Listens) trace.Take(SharpArc, double.RadiansToDegrees(turned), new("a_e", width), new("D_e", diameter), new("θ", cornerAngle));
            return new(0, turned, 1, Math.Cos(turned));
        }

        double stock = outer ? radius + width : radius - width;
        double cosine = Math.Clamp(((stock * stock) - (path * path) - (r * r)) / (2 * path * r) * (outer ? -1 : 1), -1, 1);
        ArcOfEngagement arc = new(0, Math.Acos(cosine), 1, cosine);
        if (TTrace.Listens)
            trace.Take(outer ? OuterBendArc : InnerBendArc, double.RadiansToDegrees(arc.Length), new("R_c", radius), new("a_e", width), new("r", r));
        return arc;
    }

    /// <summary>Width of a cut that gives a wanted arc in an inner bend: the inverse of <see cref="Bend"/>.</summary>
    /// <param name="diameter">Diameter in contact D_e, mm, above 0.</param>
    /// <param name="arc">Wanted arc, radians, above 0 up to π.</param>
    /// <param name="radius">Radius R_c of the wall, mm, above half the diameter; infinite for a straight wall.</param>
    public static double WidthFor(double diameter, double arc, double radius)
    {
        double r = diameter / 2, path = radius - r;
        return double.IsInfinity(radius) ? r * (1 - Math.Cos(arc)) : radius - Math.Sqrt((path * path) + (r * r) + (2 * path * r * Math.Cos(arc)));
    }
}

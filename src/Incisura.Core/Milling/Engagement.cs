namespace Incisura.Core.Milling;

/// <summary>What the edges of the end face take, beside what the side takes, on a helix.</summary>
/// <param name="Section">Section A_s that cutter sweeps square to its path, side and face together, mm²; 0 where the face cuts nothing.</param>
/// <param name="Share">Share q_u of it that the face takes, 0 to 1.</param>
/// <param name="ChipRatio">Chip of the face for each mm of feed per tooth of the centre: the sine of the ramp angle.</param>
public readonly record struct FaceCut(double Section, double Share, double ChipRatio);

/// <summary>Which way the edge makes a finished wall.</summary>
public enum WallCut
{
    /// <summary>No wall is finished.</summary>
    None,

    /// <summary>It climbs.</summary>
    Climb,

    /// <summary>It climbs on the way there and cuts conventionally on the way back.</summary>
    BothWays,
}

/// <summary>How the teeth meet the work in one pass.</summary>
/// <param name="Diameter">Diameter in contact D_e, mm.</param>
/// <param name="Width">Width a_e of the section removed, mm.</param>
/// <param name="Depth">Depth a_p of the section removed, mm.</param>
/// <param name="EdgeAngle">Cutting edge angle κ whose sine is the mean along the edge, degrees.</param>
/// <param name="LargestEdgeAngle">Largest cutting edge angle along the edge, degrees.</param>
/// <param name="FeedFactor">Feed of the centre over feed at the rim; 1 on a straight path.</param>
/// <param name="Arc">Arc of engagement.</param>
public readonly record struct Engagement(
    double Diameter, double Width, double Depth, double EdgeAngle, double LargestEdgeAngle, double FeedFactor, ArcOfEngagement Arc)
{
    private static readonly Formula EvenWidth = new(
        "a_b", "Width of the same arc on a straight wall", Quantity.Length, "r*(1 - cos(φ_b*pi/180))",
        "the arc tells what the teeth take, and with the feed of the centre the section removed");

    /// <summary>
    /// Largest bite of all edges together where the chip is equally thick over the arc, as when the feed runs along the axis, mm; 0 where it is not.
    /// </summary>
    public double EvenBite { get; init; }

    /// <summary>Whether the chip is equally thick over the whole arc.</summary>
    public bool EvenChip => EvenBite > 0;

    /// <summary>Whether the edge in the work is that of the cutter's profile.</summary>
    public bool AlongEdge { get; init; }

    /// <summary>Height above the tip at which the edge in the work begins, mm.</summary>
    public double Above { get; init; }

    /// <summary>Height of the edge in the work, mm; 0 where that is the depth.</summary>
    public double Height { get; init; }

    /// <summary>Height above the tip at which the edge in the work ends, mm.</summary>
    public double Top => Above + (Height > 0 ? Height : Depth);

    /// <summary>Whether the stock ends in a plane beside the cutter, wherever the edge stands; elsewhere an edge of the same form left it.</summary>
    public bool Beside { get; init; }

    /// <summary>The strip of a surface that a rounding takes; none elsewhere.</summary>
    internal SurfaceStrip Strip { get; init; }

    /// <summary>Which way the edge makes a wall whose error is wanted.</summary>
    public WallCut Wall { get; init; }

    /// <summary>What the end face takes under the middle of a path so tight that the side does not reach it.</summary>
    public FaceCut Face { get; init; }

    /// <summary>Whether the width is that of the same arc on a straight wall, as in a bend or a hole.</summary>
    public bool InArc { get; init; }

    /// <summary>Mean bite of an edge whose chip is equally thick over the arc, mm: the section removed over the length of the arc.</summary>
    public double MeanBite => Width * Depth / (Diameter / 2 * Arc.Length);

    /// <summary>Engagement in an inner bend or a hole: the centre runs slower than the rim, and the section removed follows from the arc.</summary>
    /// <param name="contact">What is in contact.</param>
    /// <param name="width">Thickness a_e of the stock before the wall, mm.</param>
    /// <param name="depth">Depth a_p, mm.</param>
    /// <param name="radius">Radius of the wall, mm, above half the diameter in contact.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static Engagement InBend<TTrace>(in Contact contact, double width, double depth, double radius, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double r = contact.Diameter / 2, factor = CircularPath.CentreFactor(radius, r, false);
        ArcOfEngagement arc = ArcOfEngagement.Bend(contact.Diameter, width, radius, false, 90, ref trace);
        if (TTrace.Listens) trace.Take(CircularPath.InnerFactor, factor, new("R", radius), new("r", r));
        double even = r * (1 - arc.CosExit);
        if (TTrace.Listens) trace.Take(EvenWidth, even, new("r", r), new("φ_b", double.RadiansToDegrees(arc.Length)));
        return Of(contact, even, depth, arc) with { FeedFactor = factor, InArc = true };
    }

    /// <summary>Engagement of an edge in contact as far as a depth, on a straight path.</summary>
    /// <param name="contact">What is in contact.</param>
    /// <param name="width">Width a_e, mm.</param>
    /// <param name="depth">Depth a_p, mm.</param>
    /// <param name="arc">Arc of engagement.</param>
    public static Engagement Of(in Contact contact, double width, double depth, in ArcOfEngagement arc) =>
        new(contact.Diameter, width, depth, AngleOf(depth / contact.EdgeLength), AngleOf(contact.LargestEdgeSine), 1, arc)
        {
            AlongEdge = true,
        };

    /// <summary>Engagement of a rounding that takes a strip off a surface: the edge angles are those that give its chips on its longest arc.</summary>
    /// <param name="strip">The strip.</param>
    /// <param name="diameter">Diameter at which the speed is stated, mm.</param>
    /// <param name="width">Width of the section removed, mm.</param>
    /// <param name="depth">Depth of it, mm.</param>
    /// <param name="trace">Listens to the steps.</param>
    internal static Engagement Of<TTrace>(in SurfaceStrip strip, double diameter, double width, double depth, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        (double mean, double largest, double exit, double at) = strip.Chips();
        ArcOfEngagement arc = ArcOfEngagement.Between(0, exit);
        double κ = AngleOf(Math.Min(1, mean / arc.MeanSine));
        if (TTrace.Listens)
        {
            trace.Take(SurfaceStrip.ArcFormula, double.RadiansToDegrees(exit), new("w_q", at * (1 - arc.CosExit)), new("r_q", at));
            if (κ < 90)
                trace.Take(SurfaceStrip.EdgeAngleFormula, κ, new("q_h", mean), new("s_m", arc.MeanSine));
        }

        return new(diameter, width, depth, κ, AngleOf(Math.Min(1, largest / arc.LargestSine)), 1, arc) { Strip = strip };
    }

    /// <summary>Largest chip thickness for each mm of feed per tooth.</summary>
    public double LargestChipRatio => FeedFactor * MillingCut.SineOfEdge(LargestEdgeAngle) * (EvenChip ? 1 : Arc.LargestSine);

    /// <summary>Mean chip thickness for each mm of feed per tooth.</summary>
    public double MeanChipRatio => FeedFactor * MillingCut.SineOfEdge(EdgeAngle) * (EvenChip ? 1 : Arc.MeanSine);

    /// <summary>The angle of a sine, degrees, exact for 90°.</summary>
    internal static double AngleOf(double sine) => sine > 1 - 1e-12 ? 90 : double.RadiansToDegrees(Math.Asin(sine));
}

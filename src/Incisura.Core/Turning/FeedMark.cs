using Incisura.Core.Geometry;

namespace Incisura.Core.Turning;

/// <summary>The marks that the feed leaves on a turned surface: corner beside corner, and beyond the corner the edges beside it.</summary>
public static class FeedMark
{
    private const double WipedShare = 0.5;

    /// <summary>Peak to valley of flat marks f²/(8·r), µm.</summary>
    /// <param name="feed">Feed of a turn f, mm, above 0.</param>
    /// <param name="cornerRadius">r_ε, mm, above 0.</param>
    public static double Flat(double feed, double cornerRadius) => 1000 * feed * feed / (8 * cornerRadius);

    /// <summary>Feed of a turn that leaves flat marks of a height, mm: the inverse of <see cref="Flat"/>.</summary>
    /// <param name="height">R_t, µm, above 0.</param>
    /// <param name="cornerRadius">r_ε, mm, above 0.</param>
    public static double FeedFor(double height, double cornerRadius) => Math.Sqrt(8 * cornerRadius * height / 1000);

    /// <summary>
    /// Peak to valley of the insert's own form, µm, whatever the feed: where the trailing edge, or both edges, make part of the mark (Boothroyd and
    /// Knight, Fundamentals of Machining).
    /// </summary>
    /// <param name="feed">Feed of a turn f, mm, above 0.</param>
    /// <param name="cornerRadius">r_ε, mm, at least 0.</param>
    /// <param name="edgeAngle">κ_r, degrees, above 0; from 90 on the leading side is upright.</param>
    /// <param name="trailingAngle">κ_r′ of the edge that trails, degrees, above 0 below 90.</param>
    public static double Exact(double feed, double cornerRadius, double edgeAngle, double trailingAngle)
    {
        double leading = double.DegreesToRadians(Math.Min(90, edgeAngle)), trailing = double.DegreesToRadians(trailingAngle), r = cornerRadius,
            half = feed / 2;
        if (half <= r * Math.Sin(leading) && half <= r * Math.Sin(trailing)) return 1000 * RoundCut.Ridge(r, feed);
        if (Mixed(feed, r, trailing, leading) is { } behind) return 1000 * behind;
        if (Mixed(feed, r, leading, trailing) is { } before) return 1000 * before;

        // Both edges: lines that touch the corner meet over the feed.
        double left = r * Math.Tan(trailing / 2), right = r * Math.Tan(leading / 2);
        return 1000 * (feed - left - right) / (Slope(trailing) + Slope(leading));
    }

    /// <summary>Largest feed of a turn whose marks are no higher than wanted, mm: the inverse of <see cref="Exact"/>.</summary>
    /// <param name="height">R_t wanted, µm, above 0.</param>
    /// <param name="cornerRadius">r_ε, mm, at least 0.</param>
    /// <param name="edgeAngle">κ_r, degrees, above 0; from 90 on the leading side is upright.</param>
    /// <param name="trailingAngle">κ_r′ of the edge that trails, degrees, above 0 below 90.</param>
    public static double ExactFeedFor(double height, double cornerRadius, double edgeAngle, double trailingAngle)
    {
        double high = Math.Min(height / 1000, cornerRadius), corner = 2 * Math.Sqrt((2 * cornerRadius * high) - (high * high));
        if (corner > 0 && Exact(corner, cornerRadius, edgeAngle, trailingAngle) is var got && Math.Abs(got - height) <= 1e-9 * height) return corner;

        // Higher marks are those of the edges: they grow with the feed, and no corner of its own makes more of it.
        double low = 0, most = Math.Max(corner, 1e-6);
        while (Exact(most, cornerRadius, edgeAngle, trailingAngle) < height && most < 100) most *= 2;
        for (int i = 0; i < 60; i++)
        {
            double middle = (low + most) / 2;
            if (Exact(middle, cornerRadius, edgeAngle, trailingAngle) <= height) low = middle;
            else most = middle;
        }

        return low;
    }

    /// <summary>
    /// Peak to valley, µm, with a wiper edge beside the corner: the marks lie over the part of the feed that it leaves, and half of those without it
    /// are told at least, since no edge lies flat to the last micrometre (shop practice).
    /// </summary>
    /// <param name="feed">Feed of a turn f, mm, above 0.</param>
    /// <param name="cornerRadius">r_ε, mm, at least 0.</param>
    /// <param name="edgeAngle">κ_r, degrees.</param>
    /// <param name="trailingAngle">κ_r′ of the edge that trails, degrees.</param>
    /// <param name="wiper">Length of the wiper edge b_s, mm; 0 for none.</param>
    public static double Wiped(double feed, double cornerRadius, double edgeAngle, double trailingAngle, double wiper)
    {
        double plain = Exact(feed, cornerRadius, edgeAngle, trailingAngle);
        if (!(wiper > 0)) return plain;
        return Math.Max(feed > wiper ? Exact(feed - wiper, cornerRadius, edgeAngle, trailingAngle) : 0, WipedShare * plain);
    }

    /// <summary>Largest feed of a turn whose marks are no higher than wanted, mm: the inverse of <see cref="Wiped"/>.</summary>
    /// <param name="height">R_t wanted, µm, above 0.</param>
    /// <param name="cornerRadius">r_ε, mm, at least 0.</param>
    /// <param name="edgeAngle">κ_r, degrees.</param>
    /// <param name="trailingAngle">κ_r′ of the edge that trails, degrees.</param>
    /// <param name="wiper">Length of the wiper edge b_s, mm; 0 for none.</param>
    public static double WipedFeedFor(double height, double cornerRadius, double edgeAngle, double trailingAngle, double wiper)
    {
        double plain = ExactFeedFor(height, cornerRadius, edgeAngle, trailingAngle);
        return wiper > 0 ? Math.Min(plain + wiper, ExactFeedFor(height / WipedShare, cornerRadius, edgeAngle, trailingAngle)) : plain;
    }

    // A straight edge on one side, the corner on the other; null where they do not meet on these parts.
    private static double? Mixed(double feed, double r, double straight, double round)
    {
        (double s, double c) = Math.SinCos(straight);
        double root = (2 * r * feed * s * s * s) - (feed * feed * s * s * s * s);
        if (root < 0) return null;
        double height = (r * (1 - c)) + (feed * c * s) - Math.Sqrt(root);
        return height >= (r * (1 - c)) - 1e-12 && height <= (r * (1 - Math.Cos(round))) + 1e-12 ? height : null;
    }

    // Way along the feed for each mm of height.
    private static double Slope(double angle) => 1 / Math.Tan(angle);
}

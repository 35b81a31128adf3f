using Incisura.Core.Geometry;

namespace Incisura.Core.Turning;

/// <summary>
/// Forces of a turning edge with its rounded corner: at each place the chip lies between the edge and where it stood a turn before, and pushes square
/// to the edge there.
/// </summary>
/// <param name="Section">Section of the chip A, mm².</param>
/// <param name="EdgeLength">Length of the edge in the work b, mm.</param>
/// <param name="LargestChip">Largest chip thickness, mm.</param>
/// <param name="Cutting">Cutting force F_c, N.</param>
/// <param name="Feed">Feed force F_f along the feed, N.</param>
/// <param name="Passive">Passive force F_p, square to the feed and away from the work, N; below 0 where the tool is drawn in.</param>
public readonly record struct CornerLoad(double Section, double EdgeLength, double LargestChip, double Cutting, double Feed, double Passive)
{
    // Gauss's rule of four points on each half of the corner.
    private static readonly double[] Places = [-0.8611363115940526, -0.3399810435848563, 0.3399810435848563, 0.8611363115940526];
    private static readonly double[] Weights = [0.34785484513745385, 0.6521451548625461, 0.6521451548625461, 0.34785484513745385];

    /// <summary>Mean chip thickness h_m = A/b, mm.</summary>
    public double MeanChip => Section / EdgeLength;

    /// <summary>Works the forces out.</summary>
    /// <param name="feed">Feed of a turn f, mm, above 0.</param>
    /// <param name="depth">Depth of cut a_p, mm, above 0.</param>
    /// <param name="edgeAngle">κ_r, degrees, above 0 up to 118.</param>
    /// <param name="cornerRadius">r_ε, mm, at least 0.</param>
    /// <param name="specificForce11">k_c1.1, corrected, MPa.</param>
    /// <param name="chipExponent">m_c.</param>
    /// <param name="radialRatio">k_r: force square to the edge over the cutting force.</param>
    /// <remarks>Klocke, Manufacturing Processes 1; the chip of a round corner by the law of cosines between two turns.</remarks>
    public static CornerLoad Of(
        double feed, double depth, double edgeAngle, double cornerRadius, double specificForce11, double chipExponent, double radialRatio)
    {
        double κ = double.DegreesToRadians(edgeAngle), r = cornerRadius;
        (double sine, double cosine) = Math.SinCos(κ);
        double rises = r * (1 - cosine);
        Sums sums = new(specificForce11, 1 - chipExponent);
        if (r > 0)
        {
            // The corner is in the work from where it met its own place a turn before, as far as the depth or the straight edge.
            double from = -Math.Asin(Math.Min(1, feed / (2 * r))), to = depth < rises ? Math.Acos(1 - (depth / r)) : κ, middle = (from + to) / 2;
            sums.Corner(from, middle, r, feed);
            sums.Corner(middle, to, r, feed);
        }

        if (depth > rises) sums.Take(feed * sine, (depth - rises) / sine, sine, cosine);
        return new(RoundCut.Section(r, feed, depth), sums.Length, sums.Largest, sums.Cutting, radialRatio * sums.Along, radialRatio * sums.Across);
    }

    private struct Sums(double force, double power)
    {
        public double Length, Largest, Cutting, Along, Across;

        public void Take(double chip, double length, double sine, double cosine)
        {
            if (!(chip > 0)) return;
            double push = force * Math.Pow(chip, power) * length;
            Length += length;
            Largest = Math.Max(Largest, chip);
            Cutting += push;
            Along += push * sine;
            Across += push * cosine;
        }

        // Where its tangent leans θ against the feed, the chip is what the circle lies beyond itself, moved by the feed.
        public void Corner(double from, double to, double r, double feed)
        {
            double half = (to - from) / 2;
            for (int i = 0; i < Places.Length; i++)
            {
                (double sine, double cosine) = Math.SinCos(from + half + (half * Places[i]));
                double across = feed * cosine, chip = r + (feed * sine) - Math.Sqrt(Math.Max(0, (r * r) - (across * across)));
                Take(Math.Min(chip, feed), half * Weights[i] * r, sine, cosine);
            }
        }
    }
}

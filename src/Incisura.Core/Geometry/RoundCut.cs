namespace Incisura.Core.Geometry;

/// <summary>What a round edge takes beside where it stood before.</summary>
public static class RoundCut
{
    /// <summary>Height of the ridge that stays between two places of a round edge, mm.</summary>
    /// <param name="radius">Radius r, mm, above 0.</param>
    /// <param name="step">Way between the places, mm, above 0.</param>
    /// <returns>Not a number where they do not meet.</returns>
    public static double Ridge(double radius, double step)
    {
        double half = step / 2;
        return half * half / (radius + Math.Sqrt((radius * radius) - (half * half)));
    }

    /// <summary>Section between two places of a round edge, mm²: the step by the depth, less the ridge that stays between them.</summary>
    /// <param name="radius">Radius r, mm, at least 0.</param>
    /// <param name="step">Way between the places, mm, above 0.</param>
    /// <param name="depth">Depth from the lowest point of the edge to the surface of the work, mm, above 0.</param>
    public static double Section(double radius, double step, double depth)
    {
        if (!(radius > 0)) return step * depth;
        double ridge = Math.Min(Ridge(radius, Math.Min(step, 2 * radius)), depth);
        return (step * (depth - ridge)) + Segment(radius, ridge);
    }

    // Of a circle, up to a height above its lowest point.
    private static double Segment(double r, double height) =>
        (r * r * Math.Acos(1 - (height / r))) - ((r - height) * Math.Sqrt(((2 * r) - height) * height));
}

namespace Incisura.Core.Geometry;

/// <summary>A cylinder, a cone or a rounding of a stacked profile, from its front towards the machine.</summary>
/// <param name="Length">Length along the axis, mm, above 0 up to 500.</param>
/// <param name="LowerDiameter">Diameter at its front end, mm, 0 to 500.</param>
/// <param name="UpperDiameter">Diameter at its back end, mm, 0 to 500.</param>
/// <param name="ArcRadius">Radius of the rounding, mm: above 0 where it stands out, below 0 where it is hollow, 0 for a straight side.</param>
/// <param name="Cuts">Whether it cuts; only free profiles of cutters do.</param>
public readonly record struct StackSegment(double Length, double LowerDiameter, double UpperDiameter, double ArcRadius = 0, bool Cuts = false);

/// <summary>Stacks of segments as profiles.</summary>
public static class StackedProfile
{
    /// <summary>Most segments a stack may have.</summary>
    public const int Most = 60;

    /// <summary>Length of a stack, mm.</summary>
    public static double Length(IReadOnlyList<StackSegment> segments) => segments.Sum(s => s.Length);

    /// <summary>Draws a stack from a Z on; steps between segments belong to the one behind.</summary>
    /// <param name="segments">From the front to the back.</param>
    /// <param name="part">Part it belongs to.</param>
    /// <param name="from">Z of its front, mm.</param>
    public static Profile Draw(IReadOnlyList<StackSegment> segments, ProfilePart part, double from = 0)
    {
        Outline outline = new(from, 0);
        foreach (StackSegment s in segments)
        {
            ProfilePart own = s.Cuts ? ProfilePart.Cutting : part;
            outline.Line(own, outline.Z, s.LowerDiameter / 2);
            double z = outline.Z + s.Length;
            if (s.ArcRadius == 0) outline.Line(own, z, s.UpperDiameter / 2);
            else outline.Round(own, z, s.UpperDiameter / 2, s.ArcRadius);
        }

        return outline.Revolved();
    }

    /// <summary>Checks a stack.</summary>
    /// <param name="check">Takes the faults.</param>
    /// <param name="segments">The stack.</param>
    /// <param name="leastDiameter">Least diameter of a segment, mm.</param>
    public static InputCheck Stacked(this InputCheck check, IReadOnlyList<StackSegment> segments, double leastDiameter)
    {
        check.Holds(segments.Count is >= 1 and <= Most, "segments", segments.Count, $"The profile needs 1 to {Most} segments.");
        for (int i = 0; i < segments.Count && i < Most; i++)
        {
            StackSegment s = segments[i];
            check.Within($"segments[{i}].length", $"The length of segment {i + 1}", s.Length, 0.001, 500, Quantity.Length)
                .Within(
                    $"segments[{i}].lowerDiameter", $"The front diameter of segment {i + 1}", s.LowerDiameter, leastDiameter, 500, Quantity.Length)
                .Within($"segments[{i}].upperDiameter", $"The back diameter of segment {i + 1}", s.UpperDiameter, leastDiameter, 500, Quantity.Length)
                .Within($"segments[{i}].arcRadius", $"The rounding of segment {i + 1}", s.ArcRadius, -2000, 2000, Quantity.Length);
            double half = double.Hypot(s.Length, (s.UpperDiameter - s.LowerDiameter) / 2) / 2;
            check.Holds(
                s.ArcRadius == 0 || !(Math.Abs(s.ArcRadius) < half), $"segments[{i}].arcRadius", s.ArcRadius,
                $"The rounding of segment {i + 1} is too small to span it; give at least {half:0.###} mm, or 0 for a straight side.");
            if (s.ArcRadius == 0 || !(Math.Abs(s.ArcRadius) >= half) || !(s.Length > 0)) continue;

            ProfileBox box = Draw([s], ProfilePart.Shank).Elements[^1].Box;
            check.Holds(
                box.LeastZ >= -1e-9 && box.MostZ <= s.Length + 1e-9 && box.LeastR >= -1e-9, $"segments[{i}].arcRadius", s.ArcRadius,
                $"The rounding of segment {i + 1} bulges past its own ends or the axis; give a larger radius, or divide "
                    + "the segment where the rounding turns.");
        }

        return check;
    }
}

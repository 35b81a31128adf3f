using Incisura.Core.Turning;

namespace Incisura.Exchange.Dxf;

/// <summary>The outline of turned work taken from a drawing, or why it cannot be.</summary>
/// <param name="Steps">From the free end; empty where it cannot be taken.</param>
/// <param name="Findings">What was found, in words.</param>
public sealed record DxfOutlineTaken(IReadOnlyList<OutlineStep> Steps, IReadOnlyList<string> Findings);

/// <summary>Takes the outline of turned work from one half of it, drawn about the axis.</summary>
public static class DxfOutline
{
    /// <summary>Takes an outline.</summary>
    /// <param name="drawing">The drawing, its axis along X.</param>
    /// <param name="millimetresPerUnit">Unit of the drawing; 0 takes the file's own.</param>
    /// <param name="freeEndLeft">Whether the free end of the work lies on the left, or else on the right.</param>
    public static DxfOutlineTaken Take(DxfDrawing drawing, double millimetresPerUnit, bool freeEndLeft)
    {
        DxfTaken taken = DxfProfile.Take(drawing, new(millimetresPerUnit, Upright: false, []), 0, TurnedOutline.Most);
        IEnumerable<OutlineStep> steps = taken.Segments.Select(s => Step(s.Length, s.LowerDiameter, s.UpperDiameter, s.ArcRadius));
        return new(
            [.. freeEndLeft ? steps : taken.Segments.Reverse().Select(s => Step(s.Length, s.UpperDiameter, s.LowerDiameter, s.ArcRadius))],
            taken.Findings);
    }

    private static OutlineStep Step(double length, double free, double other, double arc) =>
        new(free, length) { To = other == free ? null : other, Arc = arc == 0 ? null : arc };
}

using Incisura.Core.Holders;

namespace Incisura.Core.Cutters;

/// <summary>Which part of an assembly a piece of its profile belongs to.</summary>
public enum ProfilePart
{
    /// <summary>The cutting part with its flutes.</summary>
    Flutes,

    /// <summary>The neck behind the flutes.</summary>
    Neck,

    /// <summary>The shank.</summary>
    Shank,

    /// <summary>The holder.</summary>
    Holder,
}

/// <summary>A cylinder or cone of the revolved profile, stacked from the tip towards the machine.</summary>
/// <param name="Part">Part it belongs to.</param>
/// <param name="Length">Length along the axis, mm.</param>
/// <param name="LowerDiameter">Diameter at the end nearer the tip, mm.</param>
/// <param name="UpperDiameter">Diameter at the end nearer the machine, mm.</param>
public readonly record struct ProfileSegment(ProfilePart Part, double Length, double LowerDiameter, double UpperDiameter);

/// <summary>The one profile that silhouettes, drawings and the stiffness of an assembly are made from.</summary>
public static class Profile
{
    /// <summary>The whole cutter from its tip to the end of its shank.</summary>
    public static IReadOnlyList<ProfileSegment> Of(Cutter cutter) => Cut(cutter, cutter.OverallLength);

    /// <summary>The cutter as far as it stands out of the holder, then the holder up to its gauge line.</summary>
    /// <param name="cutter">The cutter.</param>
    /// <param name="holder">The holder.</param>
    /// <param name="projection">Length of the cutter outside the holder, mm.</param>
    public static IReadOnlyList<ProfileSegment> Of(Cutter cutter, Holder holder, double projection) =>
    [
        .. Cut(cutter, projection),
        .. holder.Segments.Select(s => new ProfileSegment(ProfilePart.Holder, s.Length, s.LowerDiameter, s.UpperDiameter)),
    ];

    private static List<ProfileSegment> Cut(Cutter cutter, double length)
    {
        List<ProfileSegment> segments = [];
        double from = 0;
        void Add(ProfilePart part, double to, double diameter)
        {
            double end = Math.Min(to, length);
            if (end <= from) return;
            segments.Add(new(part, end - from, diameter, diameter));
            from = end;
        }

        Add(ProfilePart.Flutes, cutter.FluteLength, cutter.CuttingDiameter);
        Add(ProfilePart.Neck, cutter.UsableLength, cutter.NeckDiameter);
        Add(ProfilePart.Shank, length, cutter.ShankDiameter);
        return segments;
    }
}

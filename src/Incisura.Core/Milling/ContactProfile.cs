using Incisura.Core.Geometry;

namespace Incisura.Core.Milling;

/// <summary>What of a cutting edge is in contact as far as a depth.</summary>
/// <param name="Diameter">Largest cutting diameter D_e up to the depth, mm.</param>
/// <param name="EdgeLength">Length b of the edge in contact, mm, without what lies flat on the end face.</param>
/// <param name="LargestEdgeSine">Largest sin κ along it, above 0 up to 1.</param>
public readonly record struct Contact(double Diameter, double EdgeLength, double LargestEdgeSine);

/// <summary>
/// The cutting part of a profile, prepared so that diameter in contact and cutting edge angle at any depth cost a few operations. Along an
/// edge the chip is f_z·sin κ thick and sin κ·ds is the depth it gains, so the mean of sin κ over an edge of length b that reaches
/// the depth a_p is a_p/b, whatever its form.
/// </summary>
public sealed class ContactProfile
{
    private readonly Piece[] pieces;

    /// <summary>Prepares the cutting part of a profile.</summary>
    public ContactProfile(Profile profile)
    {
        List<Piece> list = [];
        double widest = 0, length = 0;
        foreach (ProfileElement e in profile.Elements.Where(e => e.Part == ProfilePart.Cutting))
        {
            widest = Math.Max(widest, e.FromR);
            if (e.ToZ > e.FromZ) list.Add(new(e, widest, length));
            length += list.Count > 0 && e.ToZ > e.FromZ ? list[^1].LengthTo(e.ToZ) : 0;
            widest = Math.Max(widest, e.ToR);
        }

        pieces = [.. list];
        Length = pieces.Length == 0 ? 0 : pieces[^1].ToZ;
    }

    /// <summary>Length of the cutting part along the axis, mm.</summary>
    public double Length { get; }

    /// <summary>Contact as far as a depth from the tip; beyond the cutting part it stays what it is there.</summary>
    /// <param name="depth">Depth a_p, mm, above 0.</param>
    public Contact At(double depth)
    {
        double widest = 0, sine = 1e-3, length = 0;
        foreach (ref readonly Piece p in pieces.AsSpan())
        {
            if (p.FromZ >= depth) break;
            double z = Math.Min(depth, p.ToZ);
            widest = Math.Max(p.WidestBefore, p.WidestTo(z));
            sine = Math.Max(sine, p.LargestSineTo(z));
            length = p.LengthBefore + p.LengthTo(z);
        }

        return new(2 * widest, Math.Max(length, depth), sine);
    }

    // One line or arc that gains depth.
    private readonly struct Piece
    {
        private readonly double fromR, slope, sine, centreZ, centreR, radius;
        private readonly bool arc, outward;

        public Piece(ProfileElement e, double widestBefore, double lengthBefore)
        {
            (FromZ, ToZ, fromR, WidestBefore, LengthBefore) = (e.FromZ, e.ToZ, e.FromR, widestBefore, lengthBefore);
            arc = e.Bulge != 0;
            if (arc)
            {
                (centreZ, centreR) = e.Centre;
                radius = e.Radius;
                outward = e.Bulge < 0;
            }
            else
            {
                slope = (e.ToR - e.FromR) / (e.ToZ - e.FromZ);
                sine = 1 / Math.Sqrt(1 + (slope * slope));
            }
        }

        public double FromZ { get; }

        public double ToZ { get; }

        public double WidestBefore { get; }

        public double LengthBefore { get; }

        public double WidestTo(double z) =>
            !arc
                ? Math.Max(fromR, fromR + (slope * (z - FromZ)))
                : outward && z > centreZ && FromZ < centreZ
                ? centreR + radius
                : Math.Max(fromR, At(z));

        // sin κ of an arc is the share of the radius that points across: 1 where the tangent runs along the axis.
        public double LargestSineTo(double z) =>
            !arc ? sine : FromZ <= centreZ && z >= centreZ ? 1 : Math.Max(Across(FromZ), Across(z));

        public double LengthTo(double z) =>
            arc
                ? radius * Math.Abs(Math.Asin(Math.Clamp((z - centreZ) / radius, -1, 1)) - Math.Asin(Math.Clamp((FromZ - centreZ) / radius, -1, 1)))
                : (z - FromZ) / sine;

        private double Across(double z) => Math.Sqrt(Math.Max(0, (radius * radius) - ((z - centreZ) * (z - centreZ)))) / radius;

        private double At(double z) => centreR + ((outward ? radius : -radius) * Across(z));
    }
}

using System.Runtime.CompilerServices;
using Incisura.Core.Geometry;

namespace Incisura.Core.Milling;

/// <summary>
/// What a stretch of an edge adds up to. Where its chip is f·sin φ·sin κ thick and a force follows the p-th power of the chip, sin^p κ stands for the
/// form of the edge.
/// </summary>
internal struct EdgeSlice
{
    /// <summary>Heights of its ends and its middle above the tip, mm.</summary>
    public double FromZ, ToZ, Z;

    /// <summary>Radius r of the edge at its ends and in its middle, mm.</summary>
    public double FromRadius, ToRadius, Radius;

    /// <summary>Whether it runs along the axis.</summary>
    public bool Straight;

    /// <summary>∫ sin^p κ db, mm.</summary>
    public double Tangential;

    /// <summary>∫ sin^(p+1) κ db, mm.</summary>
    public double Radial;

    /// <summary>∫ sin^p κ·cos κ db, mm.</summary>
    public double Axial;

    /// <summary>∫ r·sin^p κ db, mm².</summary>
    public double Turning;

    /// <summary>∫ db, mm.</summary>
    public double Length;

    /// <summary>∫ sin κ db, mm: the depth it gains.</summary>
    public double Upright;

    /// <summary>∫ cos κ db, mm.</summary>
    public double Level;

    /// <summary>∫ r db, mm².</summary>
    public double Lever;
}

/// <summary>Room for the slices of an edge in the work, so that nothing is allocated.</summary>
[InlineArray(Most)]
internal struct EdgeSlices
{
    /// <summary>Most slices an edge in the work is cut into.</summary>
    public const int Most = 10;

    private EdgeSlice first;
}

/// <summary>
/// The edge of a cutter along its profile: down to any depth it is a few slices (the general cutter of Engin and Altintas 2001). A straight side is
/// one slice whatever its length.
/// </summary>
internal sealed class EdgeProfile
{
    private const int SlicesOfArc = 5, SlicesOfLine = 3;

    private readonly Piece[] pieces;
    private readonly double power;

    /// <summary>Takes the cutting part of a profile.</summary>
    /// <param name="profile">The profile.</param>
    /// <param name="power">p, 0 to 1.</param>
    public EdgeProfile(Profile profile, double power)
    {
        this.power = power;
        pieces =
        [
            .. profile.Elements.Where(e => e.Part == ProfilePart.Cutting && e.ToZ - e.FromZ > Outline.Nothing).Select(e => new Piece(e)),
        ];
        Straight = pieces.All(p => p.Slices == 1);
    }

    /// <summary>Whether the edge runs along the axis throughout.</summary>
    public bool Straight { get; }

    /// <summary>Cuts the edge between two heights into slices.</summary>
    /// <param name="from">Lower one, mm above the tip, at least 0.</param>
    /// <param name="to">Upper one, mm, above it.</param>
    /// <param name="wedge">Whether the stock is nothing at the lower one and grows from there.</param>
    /// <param name="slices">Receives the slices.</param>
    /// <returns>How many there are.</returns>
    public int Between(double from, double to, bool wedge, ref EdgeSlices slices)
    {
        int count = 0;
        for (int p = 0; p < pieces.Length && pieces[p].Element.FromZ < to; p++)
        {
            // Beyond the cutting part the last piece goes on as it ends; the last slices there is room for take what is left.
            ref readonly Piece piece = ref pieces[p];
            if (piece.Element.ToZ <= from && p < pieces.Length - 1) continue;
            bool ends = p == pieces.Length - 1 || pieces[p + 1].Element.FromZ >= to;
            double first = from <= piece.Element.FromZ ? 0 : piece.ShareAt(from),
                share = piece.ShareAt(p == pieces.Length - 1 ? to : Math.Min(to, piece.Element.ToZ));
            int parts = Math.Min(wedge ? SlicesOfArc : piece.Slices, EdgeSlices.Most - count - (ends ? 0 : 1));
            double before = first;
            (double Z, double R, double) end = piece.At(first);
            for (int i = 1; i <= parts; i++)
            {
                // An arc of engagement grows with the root of a wedge.
                double spaced = (double)i / parts, next = first + ((share - first) * (wedge ? spaced * spaced : piece.Spaced(spaced)));
                piece.Sum(before, next, power, ref end, out slices[count++]);
                before = next;
            }
        }

        return count;
    }

    /// <summary>Cuts a rounding into slices.</summary>
    /// <param name="centre">Its centre: height above the tip and distance from the axis, mm.</param>
    /// <param name="radius">Its radius, mm.</param>
    /// <param name="from">Angle from the direction of the tip at which it begins, radians.</param>
    /// <param name="to">Angle at which it ends.</param>
    /// <param name="ends">Angles at which its slices end, rising to the last.</param>
    /// <param name="power">p.</param>
    /// <param name="slices">Receives the slices.</param>
    /// <returns>How many there are.</returns>
    public static int Along(
        (double Z, double R) centre, double radius, double from, double to, ReadOnlySpan<double> ends, double power, ref EdgeSlices slices)
    {
        Piece piece = new(centre, radius, Math.PI - from, from - to);
        double before = 0;
        (double Z, double R, double) end = piece.At(0);
        for (int i = 0; i < ends.Length; i++)
        {
            double next = (ends[i] - from) / (to - from);
            piece.Sum(before, next, power, ref end, out slices[i]);
            before = next;
        }

        return ends.Length;
    }

    // One line or arc that gains depth, gone along by its share.
    private readonly struct Piece
    {
        private readonly double centreZ, centreR, radius, start, angle;

        public Piece(ProfileElement e)
        {
            Element = e;
            if (e.Bulge != 0)
            {
                (centreZ, centreR) = e.Centre;
                (radius, angle, start) = (e.Radius, 4 * Math.Atan(e.Bulge), Math.Atan2(e.FromR - centreR, e.FromZ - centreZ));
                Slices = SlicesOfArc;
            }
            else
            {
                radius = e.Chord;
                Slices = e.FromR == e.ToR ? 1 : SlicesOfLine;
            }
        }

        public Piece((double Z, double R) centre, double radius, double start, double angle)
        {
            (centreZ, centreR) = centre;
            (this.radius, this.start, this.angle, Slices) = (radius, start, angle, SlicesOfArc);
        }

        public ProfileElement Element { get; }

        public int Slices { get; }

        private bool IsArc => Slices == SlicesOfArc;

        public double ShareAt(double z) => !IsArc
            ? (z - Element.FromZ) / (Element.ToZ - Element.FromZ)
            : z >= Element.ToZ ? 1 : Math.Abs(Math.Acos(Math.Clamp((z - centreZ) / radius, -1, 1)) - Math.Abs(start)) / Math.Abs(angle);

        // Towards the axis an arc of engagement changes fastest, so slices of a rounding are shorter there.
        public double Spaced(double share) => IsArc ? share * Math.Sqrt(share) : share;

        // Gauss's rule of two points; the end of one slice is the beginning of the next.
        public void Sum(double from, double to, double power, ref (double Z, double R, double) end, out EdgeSlice slice)
        {
            slice = default;
            (slice.FromZ, slice.FromRadius, _) = end;
            end = At(to);
            (slice.ToZ, slice.ToRadius, _) = end;
            (slice.Z, slice.Radius, _) = At((from + to) / 2);
            slice.Straight = Slices == 1;
            if (slice.Straight)
            {
                slice.Tangential = slice.Radial = slice.Length = slice.Upright = slice.ToZ - slice.FromZ;
                slice.Turning = slice.Lever = slice.Radius * slice.Length;
                return;
            }

            slice.Upright = slice.ToZ - slice.FromZ;
            const double off = 0.28867513459481287;
            double db = (to - from) * radius * (IsArc ? Math.Abs(angle) : 1) / 2;
            for (int i = -1; i <= 1; i += 2)
            {
                (_, double r, double sine) = At(((from + to) / 2) + (i * off * (to - from)));
                double bears = Math.Pow(sine, power) * db, cosine = Math.Sqrt(Math.Max(0, 1 - (sine * sine)));
                slice.Tangential += bears;
                slice.Radial += bears * sine;
                slice.Axial += bears * cosine;
                slice.Turning += bears * r;
                slice.Length += db;
                slice.Level += cosine * db;
                slice.Lever += r * db;
            }
        }

        public (double Z, double R, double Sine) At(double share)
        {
            ProfileElement e = Element;
            if (!IsArc) return (e.FromZ + ((e.ToZ - e.FromZ) * share), e.FromR + ((e.ToR - e.FromR) * share), (e.ToZ - e.FromZ) / radius);
            (double sine, double cosine) = Math.SinCos(start + (angle * share));
            return (centreZ + (radius * cosine), centreR + (radius * sine), Math.Abs(sine));
        }
    }
}

using Incisura.Core.Geometry;

namespace Incisura.Core.Turning;

/// <summary>
/// How a finished outline runs, drawn up once: lines and arcs over Z from the free end, none of which turns back across the axis, and what a tool
/// along it has to know.
/// </summary>
internal sealed class TurnedContour
{
    // A cone or an arc bends as slices of its thinner end, at most so many.
    private const int MostSlices = 4;
    private const double Coarse = 0.05, Near = 1e-9, Touch = 1e-3, Shallow = 0.01;

    private readonly Piece[] pieces;
    private readonly double side;

    private TurnedContour(Piece[] pieces, bool inside)
    {
        this.pieces = pieces;
        side = inside ? 1 : -1;
        Levels = LevelsOf(pieces, inside);
        Slices = [.. Sliced()];
        if (pieces.Length == 0) return;
        Least = 2 * pieces.Min(p => Math.Min(p.Element.FromR, p.Element.ToR));
        Most = 2 * pieces.Max(p => Math.Max(p.Element.FromR, p.Element.ToR));
        Length = pieces[^1].Element.ToZ;
        SteepestFall = Math.Max(0, pieces.Max(p => -Rise(p)));
        SteepestRise = Math.Max(0, pieces.Max(Rise));
        double[] hollow = [.. pieces.Where(p => IsHollow(p)).Select(p => p.Element.Radius)];
        LeastHollow = hollow.Length > 0 ? hollow.Min() : double.NaN;
        for (int i = 1; i < pieces.Length; i++)
            SharpCorners |= Turns(pieces[i - 1], pieces[i]);
        Walls = OutlineWall.Few(Rising());
    }

    /// <summary>The contour of work with one diameter.</summary>
    public static TurnedContour None { get; } = new([], inside: false);

    /// <summary>Its lines and arcs.</summary>
    public IEnumerable<ProfileElement> Elements => pieces.Select(p => p.Element);

    /// <summary>How many lines and arcs it has.</summary>
    public int Parts => pieces.Length;

    /// <summary>Smallest diameter, mm.</summary>
    public double Least { get; }

    /// <summary>Largest diameter, mm.</summary>
    public double Most { get; }

    /// <summary>Length along the axis, mm.</summary>
    public double Length { get; }

    /// <summary>Steepest angle at which it falls back towards the chuck, degrees; 0 where it never does.</summary>
    public double SteepestFall { get; }

    /// <summary>Steepest angle at which it rises towards the chuck, degrees: 90 at a shoulder.</summary>
    public double SteepestRise { get; }

    /// <summary>Least radius of a hollow arc, mm; NaN where there is none.</summary>
    public double LeastHollow { get; }

    /// <summary>Whether an inner corner has no radius of its own.</summary>
    public bool SharpCorners { get; }

    /// <summary>Its sides that rise against the tool.</summary>
    public IReadOnlyList<OutlineWall> Walls { get; } = [];

    /// <summary>Diameters passes end at, from the blank inwards, or from the bore outwards, mm.</summary>
    public IReadOnlyList<double> Levels { get; }

    /// <summary>The finished work as steps from the chuck outwards, for its bend; inside the diameter is that of the bore.</summary>
    public IReadOnlyList<WorkStep> Slices { get; }

    /// <summary>Draws a contour up.</summary>
    /// <param name="steps">Steps as checked.</param>
    /// <param name="inside">Whether it is a bore.</param>
    public static TurnedContour Of(IReadOnlyList<OutlineStep> steps, bool inside)
    {
        double side = inside ? 1 : -1, z = 0;
        List<Piece> pieces = [];
        for (int i = 0; i < steps.Count; i++)
        {
            OutlineStep s = steps[i];
            double edge = s.Edge, foot = s.Fillet ?? 0, r = s.Diameter / 2, end = z + s.Length;
            Outline line = new(z, i == 0 ? r + (side * edge) : pieces[^1].Element.ToR);
            line.Line(ProfilePart.Body, z, r + (side * edge));
            if (edge > 0 && s.Rounding > 0) line.Round(ProfilePart.Body, z + edge, r, -side * edge);
            else if (edge > 0) line.Line(ProfilePart.Body, z + edge, r);
            if (s.Arc is { } arc and not 0) line.Round(ProfilePart.Body, end, s.End / 2, arc);
            else line.Line(ProfilePart.Body, end - foot, s.End / 2);
            if (foot > 0) line.Round(ProfilePart.Body, end, r - (side * foot), side * foot);
            foreach (ProfileElement e in line.Flat().Elements.SelectMany(Monotone)) pieces.Add(new(e, i));
            z = end;
        }

        return new([.. pieces], inside);
    }

    /// <summary>Length along the axis over which a pass cuts, and in how many separate stretches; at least one is gone over.</summary>
    /// <param name="tip">Diameter of the tip, mm.</param>
    /// <param name="left">What is left on diameters, on a side, mm.</param>
    /// <param name="faces">What is left on faces, mm.</param>
    /// <param name="even">Even stock along the outline of a forging, beyond which is air, mm; 0 where all is stock.</param>
    /// <param name="room">Room to work in, for twice as many stretches as <see cref="Parts"/>.</param>
    public (double Length, int Stretches) Under(double tip, double left, double faces, double even, Span<Stretch> room)
    {
        Span<Stretch> cut = room[..Stretches(tip / 2, left, faces, room)], air = room[pieces.Length..];
        air = air[..(even > 0 ? Stretches(tip / 2, even, even, air) : 0)];
        double sum = 0;
        int stretches = 0, next = 0;
        foreach ((double from, double to) in cut)
        {
            double at = from;
            while (next < air.Length && air[next].From < to)
            {
                (double begins, double ends) = air[next++];
                if (begins > at + Touch) Take(begins - at);
                at = Math.Max(at, ends);
            }

            if (to > at + Touch) Take(to - at);
        }

        return (sum, Math.Max(1, stretches));

        void Take(double length)
        {
            sum += length;
            stretches++;
        }
    }

    // Where along Z the contour with an allowance lies deeper than a radius: sides that rise and fall are moved by what is left on faces.
    private int Stretches(double radius, double left, double faces, Span<Stretch> found)
    {
        double r = radius + (side * left);
        int count = 0;
        foreach (Piece p in pieces)
        {
            (double from, double to) = Deeper(p.Element, r);
            if (!(to > from + Touch)) continue;
            if (count > 0 && from <= found[count - 1].To + Near) found[count - 1].To = to;
            else found[count++] = new(from, to);
        }

        int kept = 0;
        foreach ((double from, double to) in found[..count])
        {
            double begins = from > Near ? from + faces : from, ends = to < Length - Near ? to - faces : to;
            if (ends > begins + Touch) found[kept++] = new(begins, ends);
        }

        return kept;
    }

    /// <summary>Walks along the contour at a surface speed.</summary>
    /// <param name="speed">The surface speed.</param>
    /// <param name="feed">Feed of a turn f, mm.</param>
    /// <param name="clear">Clear way before it, mm.</param>
    /// <param name="sink">Takes the stretches.</param>
    /// <returns>Length of the way, the clear way left out, mm.</returns>
    public double Walk<TSink>(in SurfaceSpeed speed, double feed, double clear, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double way = 0;
        foreach (Piece p in pieces)
        {
            ProfileElement e = p.Element;
            double length = p.Length, time = e.Bulge == 0
                ? speed.Along(2 * e.FromR, 2 * e.ToR, length, feed)
                : speed.Round(e.Centre.R, e.Radius, p.FromAngle, p.ToAngle, feed);
            way += length;
            if (clear > 0)
            {
                time += clear / (feed * speed.SpeedAt(2 * e.FromR));
                length += clear;
                clear = 0;
            }

            WayKind kind = e.Bulge != 0 ? Kinds.TurnedWay.Round : e.FromZ == e.ToZ ? Kinds.TurnedWay.Face : Kinds.TurnedWay.Along;
            double at = kind == Kinds.TurnedWay.Along ? e.FromR : Math.Max(e.FromR, e.ToR);

            // A shoulder belongs to the diameter the tool comes from.
            sink.Take(new(kind, length, length / time)
            {
                Number = kind == Kinds.TurnedWay.Face ? Math.Max(1, p.Step) : p.Step + 1,
                Speed = speed.SpeedAt(2 * at),
            });
        }

        return way;
    }

    // Where along Z a piece lies deeper in the work than a radius; nothing of a shoulder.
    private (double From, double To) Deeper(in ProfileElement e, double r)
    {
        if (e.ToZ - e.FromZ <= Near) return default;
        bool from = side * (e.FromR - r) >= -Near, to = side * (e.ToR - r) >= -Near;
        if (from == to) return from ? (e.FromZ, e.ToZ) : default;
        double at = Crossing(e, r);
        return from ? (e.FromZ, at) : (at, e.ToZ);
    }

    private static double Crossing(in ProfileElement e, double r)
    {
        if (e.Bulge == 0) return e.FromZ + ((e.ToZ - e.FromZ) * (r - e.FromR) / (e.ToR - e.FromR));
        (double cz, double cr) = e.Centre;
        double radius = e.Radius, along = Math.Sqrt(Math.Max(0, (radius * radius) - ((r - cr) * (r - cr))));

        // An arc that nowhere turns back lies on one side of its centre.
        return Math.Clamp((e.FromZ + e.ToZ) / 2 > cz ? cz + along : cz - along, e.FromZ, e.ToZ);
    }

    // An arc that passes its top or bottom is two.
    private static IEnumerable<ProfileElement> Monotone(ProfileElement e)
    {
        if (e.Bulge == 0) return [e];
        (double z, _) = e.Centre;
        if (!(z > e.FromZ + Near && z < e.ToZ - Near)) return [e];
        ProfileBox box = e.Box;
        bool top = box.MostR > Math.Max(e.FromR, e.ToR) + Near, bottom = box.LeastR < Math.Min(e.FromR, e.ToR) - Near;
        if (!top && !bottom) return [e];
        return [e.Until(z), e.Reverse().Until(z).Reverse()];
    }

    private static double[] LevelsOf(Piece[] pieces, bool inside)
    {
        if (pieces.Length == 0) return [];
        IEnumerable<double> all = pieces.Where(p => p.Element.Bulge == 0 && p.Element.FromR == p.Element.ToR).Select(p => 2 * p.Element.FromR)
            .Append(2 * pieces.Select(p => inside ? Math.Max(p.Element.FromR, p.Element.ToR) : Math.Min(p.Element.FromR, p.Element.ToR))
                .Aggregate(inside ? Math.Max : Math.Min));
        return [.. (inside ? all.Order() : all.OrderDescending()).Distinct()];
    }

    // Angle towards the work's outside at its steepest, degrees: above 0 where it rises against the tool, below 0 where it falls back.
    private double Rise(Piece p)
    {
        double from = EndAngle(p, end: false), to = EndAngle(p, end: true);
        return double.RadiansToDegrees(from + to >= 0 ? Math.Max(from, to) : Math.Min(from, to));
    }

    private IEnumerable<OutlineWall> Rising()
    {
        for (int i = 0; i < pieces.Length; i++)
        {
            double begins = EndAngle(pieces[i], end: false), rise = Math.Max(begins, EndAngle(pieces[i], end: true)), hollow = 0,
                from = i == 0 ? begins : Math.Min(begins, EndAngle(pieces[i - 1], end: true));
            if (rise <= Shallow) continue;
            if (IsHollow(pieces[i])) hollow = pieces[i].Element.Radius;
            else if (i > 0 && IsHollow(pieces[i - 1]) && from >= begins - Shallow)
                (hollow, from) = (pieces[i - 1].Element.Radius, Math.Min(from, EndAngle(pieces[i - 1], end: false)));
            yield return new(from, rise, pieces[i].Length, hollow);
        }
    }

    private bool IsHollow(in Piece p) => p.Element.Bulge * side < 0;

    // Whether the contour turns out of its way towards the tool: an inner corner.
    private bool Turns(Piece before, Piece after) => EndAngle(after, end: false) > EndAngle(before, end: true) + Shallow;

    // Direction of a piece at one of its ends, above 0 where it rises against the tool, rad.
    private double EndAngle(Piece p, bool end)
    {
        ProfileElement e = p.Element;
        double half = 2 * Math.Atan(e.Bulge) * -side;
        return Math.Atan2(-side * (e.ToR - e.FromR), e.ToZ - e.FromZ) + (end ? half : -half);
    }

    private IEnumerable<WorkStep> Sliced()
    {
        for (int i = pieces.Length - 1; i >= 0; i--)
        {
            ProfileElement e = pieces[i].Element;
            double length = e.ToZ - e.FromZ, change = Math.Abs(e.ToR - e.FromR) / Math.Max(e.FromR, e.ToR);
            if (length <= Near) continue;
            int slices = Math.Clamp((int)Math.Ceiling(change / Coarse), 1, MostSlices);
            for (int k = slices; k > 0; k--)
            {
                double a = e.At(e.FromZ + (length * (k - 1) / slices)), b = e.At(e.FromZ + (length * k / slices));
                yield return new(length / slices, 2 * (side > 0 ? Math.Max(a, b) : Math.Min(a, b)));
            }
        }
    }

    /// <summary>A stretch along the axis, mm from the free end.</summary>
    /// <param name="From">Where it begins.</param>
    /// <param name="To">Where it ends.</param>
    internal record struct Stretch(double From, double To);

    // A line or arc with the step it belongs to; the angles of an arc about its centre, from the axis' direction.
    private readonly struct Piece
    {
        public Piece(ProfileElement element, int step)
        {
            (Element, Step) = (element, step);
            Length = element.Chord;
            if (element.Bulge == 0) return;
            (double cz, double cr) = element.Centre;
            FromAngle = Math.Atan2(element.FromR - cr, element.FromZ - cz);
            ToAngle = FromAngle + (4 * Math.Atan(element.Bulge));
            Length = element.Radius * Math.Abs(ToAngle - FromAngle);
        }

        public ProfileElement Element { get; }

        public int Step { get; }

        public double Length { get; }

        public double FromAngle { get; }

        public double ToAngle { get; }
    }
}

using System.Runtime.CompilerServices;

namespace Incisura.Core.Milling;

/// <content>The arc of each slice, and what of the slice is in it.</content>
internal partial struct EdgeLoad
{
    // An edge whose form the operation itself sees to: one slice of the mean cutting edge angle.
    private void TakeWhole(in Engagement e)
    {
        double sine = MillingCut.SineOfEdge(e.EdgeAngle), length = e.EvenChip ? e.MeanBite : e.Depth / sine,
            bears = Math.Pow(sine, integrals.Power) * length;
        double cosine = Math.Sqrt(1 - (sine * sine));
        count = 1;
        slices[0] = new()
        {
            FromZ = e.Above,
            ToZ = e.Top,
            Radius = radius,
            FromRadius = radius,
            ToRadius = radius,
            Straight = true,
            Tangential = bears,
            Radial = bears * sine,
            Axial = bears * cosine,
            Turning = bears * radius,
            Length = length,
            Upright = e.Depth,
            Level = length * cosine,
            Lever = length * radius,
        };
    }

    // The arc of a slice, at its lower end and how it grows to its upper one. The surface before was left by an edge of the same form, so that the
    // width is the same at every height; where the arc begins beside it the side of the stock is plane.
    private void TakeSide(int i, in Engagement e, ref (double Height, double Entry, double Exit) below)
    {
        ArcOfEngagement arc = e.Arc;
        double from = edge.LagPerDepth * slices[i].FromZ, to = edge.LagPerDepth * slices[i].ToZ, r = slices[i].Radius;
        bool point = even || to - from < PointLag, same = Math.Abs(r - radius) < 1e-9 * radius && slices[i].Straight;
        double middle = even ? 0 : (from + to) / 2;
        Side side = new()
        {
            Entry = arc.Entry,
            Exit = arc.Exit,
            Point = point,
            Even = true,
            FromLag = point ? middle : from,
            Lag = point ? 0 : to - from,
            PerLag = point ? 0 : 1 / (to - from),
            Whole = point ? 0 : Math.Floor((to - from) * perPitch),
            Tangential = force * slices[i].Tangential,
            Radial = edge.RadialRatio * force * slices[i].Radial,
        };
        (side.LeastEntry, side.LargestExit) = (arc.Entry, arc.Exit);
        if (!same)
        {
            // The arc at its lower end is that at the upper end of the slice below, where they meet.
            if (below.Height != slices[i].FromZ) below = ArcAt(slices[i].FromRadius, slices[i].FromZ, e);
            (_, side.Entry, side.Exit) = below;
            below = ArcAt(slices[i].ToRadius, slices[i].ToZ, e);
            (_, double entry, double exit) = below;

            // Beyond the axis an arc widens steeply from where it begins: the slice has that of its upper end throughout, which is never below.
            if (entry > Math.PI / 2) side.Entry = entry;
            if (e.Strip.Exists || e.Beside)
            {
                // Where the arc is bowed, the line touches it in the middle, so that the load is never told too low.
                double bow = Math.Max(0, ArcAt(slices[i].Radius, slices[i].Z, e).Exit - ((side.Exit + exit) / 2));
                (side.Exit, exit) = (Math.Min(Math.PI, side.Exit + bow), Math.Min(Math.PI, exit + bow));
            }

            (side.EntryGrows, side.ExitGrows, side.Even) = (entry - side.Entry, exit - side.Exit, false);
            (side.LeastEntry, side.LargestExit) = (Math.Min(side.Entry, entry), Math.Max(side.Exit, exit));
        }

        if (!point && (side.Even || side.Whole > ManyPitches))
            ((side.EntryC, side.EntryS), (side.ExitC, side.ExitS)) = (integrals.Across(side.Entry), integrals.Across(side.Exit));
        sides[i] = side;
    }

    private readonly (double Height, double Entry, double Exit) ArcAt(double at, double z, in Engagement e)
    {
        if (e.Strip.Exists)
        {
            (double begins, double ends) = e.Strip.ArcAt(at, z);
            return (z, begins, ends);
        }

        ArcOfEngagement arc = e.Arc;
        double r = Math.Max(at, 1e-9);
        double entry = arc.CosEntry >= 1 ? 1 : Math.Clamp(arc.CosEntry * radius / r, -1, 1);
        double exit = Math.Max(-1, e.Beside ? Math.Min(1, radius * arc.CosExit / r) : ((radius * arc.CosExit) - radius + r) / r);
        return (z, arc.CosEntry >= 1 ? arc.Entry : Math.Acos(entry), Math.Acos(Math.Min(exit, entry)));
    }

    // The sums of chip and edge over what of a slice is in the arc, along and square to the direction in which the chip is nothing.
    private readonly record struct Span(double Cosine, double Sine, double EdgeCosine, double EdgeSine)
    {
        public static Span operator +(in Span a, in Span b) =>
            new(a.Cosine + b.Cosine, a.Sine + b.Sine, a.EdgeCosine + b.EdgeCosine, a.EdgeSine + b.EdgeSine);
    }

    private struct Moves
    {
        public double Along, Across, MomentAlong, MomentAcross;
    }

    // What of a slice is in the arc: the angles of its ends there, how high its lower end lies and how much of its height it is.
    private readonly record struct Cut(double From, double To, double Low, double Share);

    private struct Side
    {
        public double Entry, Exit, EntryGrows, ExitGrows, LeastEntry, LargestExit, FromLag, Lag, PerLag;
        public double Whole, EntryC, EntryS, ExitC, ExitS, Tangential, Radial;
        public bool Point, Even;

        public readonly double ToLag => FromLag + Lag;

        public readonly double MeanEntry => Entry + (EntryGrows / 2);

        public readonly double MeanExit => Exit + (ExitGrows / 2);

        // Along the height w of the slice, 0 to 1, the angle runs evenly from one end to the other, and so, nearly, do the ends of the arc.
        public readonly bool Meets(double front, bool climb, out Cut cut)
        {
            cut = default;
            if (Even)
            {
                if (Point)
                {
                    cut = new(front, front, 0, 1);
                    return front <= Exit + AtEdge;
                }

                double to = Math.Min(front, Exit), from = Math.Max(front - Lag, Entry);
                if (to <= from) return false;
                cut = new(from, to, (climb ? from - front + Lag : front - to) * PerLag, (to - from) * PerLag);
                return true;
            }

            double start = climb ? front - Lag : front, turns = climb ? Lag : -Lag, least = 0, most = 1;
            double exits = ExitGrows - turns, enters = turns - EntryGrows, untilExit = Exit + AtEdge - start, fromEntry = start - Entry + AtEdge;
            if ((untilExit < 0 && untilExit + exits < 0) || (fromEntry < 0 && fromEntry + enters < 0)) return false;
            Clip(untilExit, exits, ref least, ref most);
            Clip(fromEntry, enters, ref least, ref most);
            if (most <= least) return false;
            double a = start + (turns * least), b = start + (turns * most);
            cut = new(Math.Max(0, Math.Min(a, b)), Math.Min(Math.PI, Math.Max(a, b)), least, most - least);
            return true;
        }

        // Where a + b·w is at least 0, which it is at one end or at both.
        private static void Clip(double a, double b, ref double least, ref double most)
        {
            if (a >= 0 && a + b >= 0) return;
            double at = -a / b;
            if (b > 0) least = Math.Max(least, at);
            else most = Math.Min(most, at);
        }
    }

    [InlineArray(EdgeSlices.Most)]
    private struct Sides
    {
        private Side first;
    }
}

using Incisura.Core.Holders;

namespace Incisura.Core.Milling;

/// <summary>The forces of all teeth together at one moment of a turn, N.</summary>
/// <param name="Along">Along the feed.</param>
/// <param name="Across">Square to it, positive towards the wall.</param>
internal readonly record struct SideForce(double Along, double Across)
{
    /// <summary>The resultant across the axis, squared.</summary>
    public double Squared => (Along * Along) + (Across * Across);
}

/// <summary>
/// The load of all teeth at any moment of a turn, from the edge in slices: at each height its own radius, arc, chip and lag behind the tip. On a slice
/// that lags the forces are summed in closed form between its tail and its front (<see cref="SineIntegrals"/>); Altintas, Manufacturing Automation,
/// and Engin and Altintas 2001 for the general cutter.
/// </summary>
internal struct EdgeLoad
{
    // A slice that lags by less is taken at one angle.
    private const double PointLag = 2e-3, AtEdge = 1e-9, ManyPitches = 16, NoChip = 3.0;
    private const int Closings = 3, MostMoments = 48, WallHeights = 5;
    private const double WidestStep = 0.15;

    private EdgeSlices slices;
    private int count;
    private bool even;
    private double pitch, perPitch, force, factor, cosEntry, cosExit, radius;
    private CuttingEdge edge;
    private SineIntegrals integrals;
    private Sides sides;

    /// <summary>Largest height of the edge in the work, mm.</summary>
    public double Top { get; private set; }

    /// <summary>Draws a load up.</summary>
    /// <param name="edge">The edge.</param>
    /// <param name="e">How the teeth meet the work.</param>
    /// <param name="feed">Feed per tooth f_z of the centre, mm.</param>
    /// <param name="specificForce11">k_c1.1, corrected, MPa.</param>
    /// <param name="runOut">Factor K_e for the run-out, at least 1.</param>
    /// <param name="load">Receives the load.</param>
    public static void Of(CuttingEdge edge, in Engagement e, double feed, double specificForce11, double runOut, out EdgeLoad load)
    {
        load = default;
        (load.edge, load.integrals, load.even) = (edge, edge.Integrals, e.EvenChip);
        (load.pitch, load.perPitch) = (2 * Math.PI / edge.Teeth, edge.Teeth / (2 * Math.PI));
        load.factor = specificForce11 * Math.Pow(feed, edge.Integrals.Power);
        load.force = runOut * load.factor;
        (load.cosEntry, load.cosExit, load.radius) = (e.Arc.CosEntry, e.Arc.CosExit, e.Diameter / 2);
        if (e.AlongEdge && edge.Sliced) load.count = edge.Form.Until(e.Depth, ref load.slices);
        else load.TakeWhole(e);
        for (int i = 0; i < load.count; i++) load.TakeSide(i, e.Arc);
        load.Top = load.slices[load.count - 1].ToZ;
    }

    /// <summary>Largest resultant across the axis over a turn, N.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="e">How the teeth meet the work.</param>
    /// <param name="x">The inputs.</param>
    public static double LargestResultant(MillingSetup setup, in Engagement e, in Inputs x)
    {
        Of(setup, e, x, out EdgeLoad load);
        return Math.Sqrt(load.At(load.WorstMoment(), climb: false).Squared);
    }

    /// <summary>Draws the load of an engagement up, at the inputs' feed, wear and run-out.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="e">How the teeth meet the work.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="load">Receives the load.</param>
    public static void Of(MillingSetup setup, in Engagement e, in Inputs x, out EdgeLoad load)
    {
        double feed = x[Input.FeedPerTooth] * e.FeedFactor,
            runOut = e.EvenChip ? 1 : RunOut.Factor(setup.RunOut.Share(feed, e.Arc), setup.ChipExponent);
        Of(setup.Edge, e, feed, setup.SpecificForce11 * Common.Wear(x), runOut, out load);
    }

    /// <summary>Section of the work that the edge sweeps square to its path, A_s, mm².</summary>
    public readonly double Section
    {
        get
        {
            double sum = 0;
            for (int i = 0; i < count; i++)
                sum += slices[i].Radius * (Math.Cos(sides[i].MeanEntry) - Math.Cos(sides[i].MeanExit)) * slices[i].Upright;
            return sum;
        }
    }

    /// <summary>Mean torque over a turn without run-out, N·m.</summary>
    public readonly double MeanTorque
    {
        get
        {
            double sum = 0;
            for (int i = 0; i < count; i++)
            {
                ref readonly Side side = ref sides[i];
                sum += (factor * slices[i].Turning * (integrals.Along(side.MeanExit) - integrals.Along(side.MeanEntry)))
                    + (edge.Force * slices[i].Lever * (side.MeanExit - side.MeanEntry));
            }

            return sum / pitch / 1000;
        }
    }

    /// <summary>The moment of a turn at which the resultant across the axis is largest, as the angle of a tip, radians.</summary>
    /// <remarks>
    /// It lies where a front leaves the arc or a tail enters it, at any of the slices, or at a crest between; crests are looked for at even steps
    /// over a pitch and closed in on.
    /// </remarks>
    public readonly double WorstMoment()
    {
        double best = 0, largest = -1;
        for (int i = 0; i < count; i++)
        {
            // Where an arc ends as its chip does, nothing breaks off.
            if (sides[i].Exit < NoChip) Try(sides[i].Exit + sides[i].FromLag, ref best, ref largest);
            if (!sides[i].Even) Try(sides[i].Exit + sides[i].ExitGrows + sides[i].ToLag, ref best, ref largest);
            if (sides[i].Entry > 0) Try(sides[i].Entry + sides[i].ToLag, ref best, ref largest);
        }

        // A short arc is looked at in shorter steps.
        double widest = Math.Min(WidestStep, (sides[count - 1].Exit - sides[count - 1].Entry) / 3);
        int moments = Math.Clamp((int)Math.Ceiling(pitch / widest), 8, MostMoments), at = 0;
        double step = pitch / moments;
        Span<double> heights = stackalloc double[MostMoments];
        for (int i = 0; i < moments; i++)
        {
            heights[i] = At(i * step, climb: false).Squared;
            if (heights[i] > heights[at]) at = i;
        }

        // To the higher side, or to the top of the parabola through three moments, ever closer.
        double crest = at * step, height = heights[at], before = heights[(at + moments - 1) % moments], after = heights[(at + 1) % moments];
        for (int i = 0; i < Closings; i++)
        {
            if (i > 0)
            {
                step /= 3;
                (before, after) = (At(crest - step, climb: false).Squared, At(crest + step, climb: false).Squared);
            }

            if (before > height || after > height)
                (crest, height) = before > after ? (crest - step, before) : (crest + step, after);
            else if (before - (2 * height) + after is var bend and < 0) Try(crest + (step * (before - after) / (2 * bend)), ref crest, ref height);
        }

        return height > largest ? crest : best;
    }

    /// <summary>The forces at a moment.</summary>
    /// <param name="tip">Angle of one tooth at the tip, radians.</param>
    /// <param name="climb">Whether the cutter climbs.</param>
    public readonly SideForce At(double tip, bool climb)
    {
        double along = 0, across = 0, sense = climb ? 1 : -1;
        bool edges = edge.Force != 0 || edge.Radial != 0;
        for (int i = 0; i < count; i++)
        {
            ref readonly Side side = ref sides[i];
            Span of = default;
            double front = Foremost(side, tip, climb, side.Lag);
            if (side.Even && !side.Point && !edges)
            {
                // Whole pitches of a long lag stand over the arc from end to end whatever the moment.
                double over = side.Lag - (side.Whole * pitch);
                double c = side.Whole * (side.ExitC - side.EntryC), s = side.Whole * (side.ExitS - side.EntryS);
                if (climb) front = Foremost(side, tip, climb, over);
                for (; front > side.Entry; front -= pitch)
                {
                    double tail = front - over;
                    if (tail >= side.Exit) continue;
                    (double c2, double s2) = front >= side.Exit ? (side.ExitC, side.ExitS) : integrals.Across(front);
                    (double c1, double s1) = tail <= side.Entry ? (side.EntryC, side.EntryS) : integrals.Across(tail);
                    c += c2 - c1;
                    s += s2 - s1;
                }

                of = new(c * side.PerLag, s * side.PerLag, 0, 0);
            }
            else
                for (; front > side.LeastEntry - AtEdge; front -= pitch)
                    if (side.Meets(front, climb, out Cut cut)) of += Summed(side, cut);
            Turn(i, of, sense, ref along, ref across);
        }

        return new(along, across);
    }

    /// <summary>Tangential force of all teeth, radial and axial ones with it, and turning moment at a moment.</summary>
    /// <param name="tip">Angle of one tooth at the tip, radians.</param>
    /// <param name="climb">Whether the cutter climbs.</param>
    /// <param name="axialRatio">Axial over tangential force for the helix.</param>
    public readonly (double Tangential, double Radial, double Axial, double Torque) Around(double tip, bool climb, double axialRatio)
    {
        double tangential = 0, radial = 0, axial = 0, torque = 0;
        for (int i = 0; i < count; i++)
        {
            ref readonly Side side = ref sides[i];
            double chip = 0, edges = 0;
            if (side.Whole > ManyPitches)
            {
                chip = (integrals.Along(side.Exit) - integrals.Along(side.Entry)) / pitch;
                edges = (side.Exit - side.Entry) / pitch;
            }
            else for (double front = Foremost(side, tip, climb, side.Lag); front > side.LeastEntry - AtEdge; front -= pitch)
            {
                if (!side.Meets(front, climb, out Cut cut)) continue;
                chip += side.Point ? ChipAt(Math.Sin(cut.From)) * cut.Share : (integrals.Along(cut.To) - integrals.Along(cut.From)) / side.Lag;
                edges += cut.Share;
            }

            ref readonly EdgeSlice sum = ref slices[i];
            double t = (force * sum.Tangential * chip) + (edge.Force * sum.Length * edges);
            tangential += t;
            radial += (edge.RadialRatio * force * sum.Radial * chip) + (edge.Radial * slices[i].Upright * edges);
            axial += (edge.RadialRatio * force * sum.Axial * chip) + (edge.Radial * sum.Level * edges) - (axialRatio * t)
                - (Math.Sign(axialRatio) * edge.Axial * sum.Length * edges);
            torque += ((force * sum.Turning * chip) + (edge.Force * sum.Lever * edges)) / 1000;
        }

        return (tangential, radial, axial, torque);
    }

    /// <summary>
    /// What a place of the assembly does under the forces at a moment, µm: every stretch of an edge in cut pushes where it is, its force spread
    /// evenly over it.
    /// </summary>
    /// <param name="beam">The assembly.</param>
    /// <param name="at">Distance of the place from the tip, mm.</param>
    /// <param name="tip">Angle of one tooth at the tip, radians.</param>
    /// <param name="climb">Whether the cutter climbs.</param>
    /// <returns>The way along the feed and square to it, and the moment of the forces about the tip, N·mm, as a vector of the same two.</returns>
    public readonly (SideForce Way, SideForce Moment) Moved(TipCompliance beam, double at, double tip, bool climb)
    {
        Moves sums = default;
        for (int i = 0; i < count; i++)
        {
            ref readonly Side side = ref sides[i];
            if (side.Whole > ManyPitches)
            {
                // So many edges in cut push evenly over the whole height.
                (double sin1, double cos1) = Math.SinCos(side.Entry);
                (double sin2, double cos2) = Math.SinCos(side.Exit);
                Span spread = new(
                    (side.ExitC - side.EntryC) / pitch, (side.ExitS - side.EntryS) / pitch, (sin2 - sin1) / pitch, (cos1 - cos2) / pitch);
                Push(i, slices[i].FromZ, slices[i].ToZ, spread, climb, beam, at, ref sums);
                continue;
            }

            double height = slices[i].ToZ - slices[i].FromZ;
            for (double front = Foremost(side, tip, climb, side.Lag); front > side.LeastEntry - AtEdge; front -= pitch)
            {
                if (!side.Meets(front, climb, out Cut cut)) continue;
                double low = slices[i].FromZ + (cut.Low * height);
                Push(i, low, low + (cut.Share * height), Summed(side, cut), climb, beam, at, ref sums);
            }
        }

        return (new(sums.Along, sums.Across), new(sums.MomentAlong, sums.MomentAcross));
    }

    // What one stretch of the edge pushes, spread evenly between two heights (Simpson's rule over the compliance).
    private readonly void Push(int i, double low, double high, in Span of, bool climb, TipCompliance beam, double at, ref Moves sums)
    {
        double middle = (low + high) / 2, gives = (beam.At(at, low) + (4 * beam.At(at, middle)) + beam.At(at, high)) / 6, along = 0, across = 0;
        Turn(i, of, climb ? 1 : -1, ref along, ref across);
        sums.Along += along * gives;
        sums.Across += across * gives;
        sums.MomentAlong += along * middle;
        sums.MomentAcross += across * middle;
    }

    /// <summary>
    /// Where the wall ends up: each height of it is made at the moment an edge passes it there, under the forces of that moment (Budak and Altintas,
    /// peripheral milling).
    /// </summary>
    /// <param name="beam">The assembly.</param>
    /// <param name="from">Height from which the edge makes the wall, mm.</param>
    /// <param name="climb">Whether the cutter climbs.</param>
    /// <returns>Least and largest error over the depth, µm, positive where the edge comes too deep.</returns>
    public readonly (double Least, double Most) WallError(TipCompliance beam, double from, bool climb)
    {
        double least = double.PositiveInfinity, most = double.NegativeInfinity;
        for (int k = 0; k < WallHeights; k++)
        {
            double z = from + ((Top - from) * k / (WallHeights - 1)), passes = climb ? -edge.LagPerDepth * z : edge.LagPerDepth * z;
            double error = Moved(beam, z, passes, climb).Way.Across;
            (least, most) = (Math.Min(least, error), Math.Max(most, error));
        }

        return (least, most);
    }

    private readonly void Try(double tip, ref double best, ref double largest)
    {
        double here = At(tip, climb: false).Squared;
        if (here > largest) (best, largest) = (tip, here);
    }

    // Forces of a slice from its sums; climbing turns the tangential force round.
    private readonly void Turn(int i, in Span of, double sense, ref double along, ref double across)
    {
        ref readonly Side side = ref sides[i];
        along += (sense * side.Tangential * of.Cosine) - (side.Radial * of.Sine);
        across -= (sense * side.Tangential * of.Sine) + (side.Radial * of.Cosine);
        if (edge.Force == 0 && edge.Radial == 0) return;
        double te = edge.Force * slices[i].Length, re = edge.Radial * slices[i].Upright;
        along += (sense * te * of.EdgeCosine) - (re * of.EdgeSine);
        across -= (sense * te * of.EdgeSine) + (re * of.EdgeCosine);
    }

    private readonly double ChipAt(double sine) => even ? 1 : Math.Pow(Math.Max(0, sine), integrals.Power);

    // What one tooth adds: at one angle, or the mean between its ends within the arc.
    private readonly Span Summed(in Side side, in Cut cut)
    {
        bool edges = edge.Force != 0 || edge.Radial != 0;
        if (side.Point)
        {
            (double sine, double cosine) = Math.SinCos(cut.From);
            double chip = ChipAt(sine) * cut.Share;
            return new(chip * cosine, chip * sine, edges ? cosine * cut.Share : 0, edges ? sine * cut.Share : 0);
        }

        (double from, double to) = (cut.From, cut.To);
        (double c1, double s1) = from == side.Entry ? (side.EntryC, side.EntryS) : integrals.Across(from);
        (double c2, double s2) = to == side.Exit ? (side.ExitC, side.ExitS) : integrals.Across(to);
        double each = side.PerLag;
        if (!edges) return new((c2 - c1) * each, (s2 - s1) * each, 0, 0);
        (double sin1, double cos1) = Math.SinCos(from);
        (double sin2, double cos2) = Math.SinCos(to);
        return new((c2 - c1) * each, (s2 - s1) * each, (sin2 - sin1) * each, (cos1 - cos2) * each);
    }

    // The foremost angle of the first tooth that can be in the arc. Seen from where the chip starts at nothing, what is above the tip lies behind it,
    // and before it where the cutter climbs.
    private readonly double Foremost(in Side side, double tip, bool climb, double lag)
    {
        double front = climb ? tip + side.FromLag + lag : tip - side.FromLag;
        return front + (Math.Floor((side.LargestExit + lag + AtEdge - front) * perPitch) * pitch);
    }

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
            ToZ = e.Above + (e.Height > 0 ? e.Height : e.Depth),
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

    // The arc of a slice, at its lower end and how it grows to its upper one. The surface before was left by an edge of the same form, so that the width
    // is the same at every height; where the arc begins beside it the side of the stock is plane.
    private void TakeSide(int i, in ArcOfEngagement arc)
    {
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
            (side.Entry, side.Exit) = ArcAt(slices[i].FromRadius, arc);
            (double entry, double exit) = ArcAt(slices[i].ToRadius, arc);
            (side.EntryGrows, side.ExitGrows, side.Even) = (entry - side.Entry, exit - side.Exit, false);
            (side.LeastEntry, side.LargestExit) = (Math.Min(side.Entry, entry), Math.Max(side.Exit, exit));
        }

        if (!point) ((side.EntryC, side.EntryS), (side.ExitC, side.ExitS)) = (integrals.Across(side.Entry), integrals.Across(side.Exit));
        sides[i] = side;
    }

    private readonly (double Entry, double Exit) ArcAt(double r, in ArcOfEngagement arc)
    {
        r = Math.Max(r, 1e-9);
        double entry = cosEntry >= 1 ? 1 : Math.Clamp(cosEntry * radius / r, -1, 1), exit = Math.Max(-1, ((radius * cosExit) - radius + r) / r);
        return (cosEntry >= 1 ? arc.Entry : Math.Acos(entry), Math.Acos(Math.Min(exit, entry)));
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
            Clip(Exit + AtEdge - start, ExitGrows - turns, ref least, ref most);
            Clip(start - Entry + AtEdge, turns - EntryGrows, ref least, ref most);
            if (most <= least) return false;
            double a = start + (turns * least), b = start + (turns * most);
            cut = new(Math.Max(0, Math.Min(a, b)), Math.Min(Math.PI, Math.Max(a, b)), least, most - least);
            return true;
        }

        // Where a + b·w is at least 0.
        private static void Clip(double a, double b, ref double least, ref double most)
        {
            if (b == 0)
            {
                if (a < 0) most = least;
                return;
            }

            double at = -a / b;
            if (b > 0) least = Math.Max(least, at);
            else most = Math.Min(most, at);
        }
    }

    [System.Runtime.CompilerServices.InlineArray(EdgeSlices.Most)]
    private struct Sides
    {
        private Side first;
    }
}

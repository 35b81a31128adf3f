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
/// The load of all teeth at any moment of a turn, from the edge in slices: at each height its own radius, arc, chip and lag behind the tip. On a
/// slice that lags the forces are summed in closed form between its tail and its front (<see cref="SineIntegrals"/>); Altintas, Manufacturing
/// Automation,
/// and Engin and Altintas 2001 for the general cutter.
/// </summary>
internal partial struct EdgeLoad
{
    // A slice that lags by less is taken at one angle.
    private const double PointLag = 2e-3, AtEdge = 1e-9, ManyPitches = 16, NoChip = 3.0;
    private const int Closings = 3, MostMoments = 48, WallHeights = 5;
    private const double WidestStep = 0.15;

    private EdgeSlices slices;
    private int count;
    private bool even;
    private double pitch, perPitch, force, factor, radius, longest;
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
        load.radius = e.Diameter / 2;
        load.longest = e.Strip.Exists ? e.Arc.Length : 0;
        if (e.Strip.Exists) load.count = e.Strip.Slices(edge.Integrals.Power, ref load.slices);
        else if (e.AlongEdge && edge.Sliced) load.count = edge.Form.Between(e.Above, e.Top, e.Beside, ref load.slices);
        else load.TakeWhole(e);
        (double, double, double) below = (double.NaN, 0, 0);
        for (int i = 0; i < load.count; i++) load.TakeSide(i, e, ref below);
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

    /// <summary>Section of the work that the edge sweeps square to its path, A_e, mm².</summary>
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
            if (sides[i].Entry > 0) Try(sides[i].Entry + sides[i].EntryGrows + sides[i].ToLag, ref best, ref largest);
        }

        // A short arc is looked at in shorter steps.
        ref readonly Side last = ref sides[count - 1];
        (double arc, double start, double range) = longest > 0
            ? (longest, sides[0].FromLag, Math.Min(pitch, longest + last.ToLag - sides[0].FromLag))
            : (last.Exit - last.Entry, 0, pitch);
        int moments = Math.Clamp((int)Math.Ceiling(range / Math.Min(WidestStep, arc / 3)), 8, MostMoments), at = 0;
        double step = range / moments;
        Span<double> heights = stackalloc double[MostMoments];
        for (int i = 0; i < moments; i++)
        {
            heights[i] = At(start + (i * step), climb: false).Squared;
            if (heights[i] > heights[at]) at = i;
        }

        // To the higher side, or to the top of the parabola through three moments, ever closer.
        double crest = start + (at * step), height = heights[at], before = heights[(at + moments - 1) % moments], after = heights[(at + 1) % moments];
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
        for (int i = 0; i < count; i++)
        {
            ref readonly Side side = ref sides[i];
            double front = Foremost(side, tip, climb, side.Lag);
            if (edge.HasEdgeForce || side.Point)
            {
                Span of = default;
                for (; front > side.LeastEntry - AtEdge; front -= pitch)
                    if (side.Meets(front, climb, out Cut cut)) of += Summed(side, cut);
                Turn(i, of, sense, ref along, ref across);
                continue;
            }

            double c = 0, s = 0;
            if (side.Even)
            {
                // Whole pitches of a long lag stand over the arc from end to end whatever the moment.
                double over = side.Lag - (side.Whole * pitch);
                c = side.Whole * (side.ExitC - side.EntryC);
                s = side.Whole * (side.ExitS - side.EntryS);
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
            }
            else
                for (; front > side.LeastEntry - AtEdge; front -= pitch)
                {
                    if (!side.Meets(front, climb, out Cut cut)) continue;
                    (double c1, double s1) = integrals.Across(cut.From);
                    (double c2, double s2) = integrals.Across(cut.To);
                    c += c2 - c1;
                    s += s2 - s1;
                }

            Turn(i, new(c * side.PerLag, s * side.PerLag, 0, 0), sense, ref along, ref across);
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
        if (!edge.HasEdgeForce) return;
        double te = edge.Force * slices[i].Length, re = edge.Radial * slices[i].Upright;
        along += (sense * te * of.EdgeCosine) - (re * of.EdgeSine);
        across -= (sense * te * of.EdgeSine) + (re * of.EdgeCosine);
    }

    private readonly double ChipAt(double sine) => even ? 1 : Math.Pow(Math.Max(0, sine), integrals.Power);

    // What one tooth adds: at one angle, or the mean between its ends within the arc.
    private readonly Span Summed(in Side side, in Cut cut)
    {
        bool edges = edge.HasEdgeForce;
        if (side.Point)
        {
            (double sine, double cosine) = Math.SinCos(cut.From);
            double chip = ChipAt(sine) * cut.Share;
            return new(chip * cosine, chip * sine, edges ? cosine * cut.Share : 0, edges ? sine * cut.Share : 0);
        }

        (double from, double to) = (cut.From, cut.To);
        (double c1, double s1) = side.Even && from == side.Entry ? (side.EntryC, side.EntryS) : integrals.Across(from);
        (double c2, double s2) = side.Even && to == side.Exit ? (side.ExitC, side.ExitS) : integrals.Across(to);
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
}

namespace Incisura.Core.Milling;

/// <summary>What a load does over one revolution.</summary>
/// <param name="Peak">Largest amount, N, with its sign.</param>
/// <param name="Mean">Mean over the revolution, N.</param>
/// <param name="Ripple">Largest less least value, over the amount of the mean; 0 for an even load.</param>
public readonly record struct LoadCourse(double Peak, double Mean, double Ripple);

/// <summary>The forces of all teeth together over one revolution, and what the tip does under them.</summary>
public sealed record RevolutionLoad
{
    /// <summary>Slices along the depth where the lag of the helix asks for no more.</summary>
    public const int Slices = 20;

    private const int LeastAngles = 360, MostAngles = 3600, AnglesInArc = 24, SlicesInArc = 60, MostSlices = 600;

    /// <summary>Angle between two values, degrees.</summary>
    public required double Step { get; init; }

    /// <summary>Sum of the tangential forces over the angle, N.</summary>
    public required IReadOnlyList<double> Tangential { get; init; }

    /// <summary>Sum of the radial forces, N.</summary>
    public required IReadOnlyList<double> Radial { get; init; }

    /// <summary>Axial force, N; positive towards the spindle.</summary>
    public required IReadOnlyList<double> Axial { get; init; }

    /// <summary>Resultant across the axis, N.</summary>
    public required IReadOnlyList<double> Resultant { get; init; }

    /// <summary>Deflection of the tip along the feed, µm.</summary>
    public required IReadOnlyList<double> TipAlong { get; init; }

    /// <summary>Deflection of the tip square to the feed, µm; positive towards the wall.</summary>
    public required IReadOnlyList<double> TipAcross { get; init; }

    /// <summary>Course of the tangential force.</summary>
    public required LoadCourse OfTangential { get; init; }

    /// <summary>Course of the radial force.</summary>
    public required LoadCourse OfRadial { get; init; }

    /// <summary>Course of the axial force.</summary>
    public required LoadCourse OfAxial { get; init; }

    /// <summary>Course of the resultant.</summary>
    public required LoadCourse OfResultant { get; init; }

    /// <summary>Mean cutting power over the revolution, kW.</summary>
    public required double MeanPower { get; init; }

    /// <summary>Cutting power of the side from the mean chip, kW, for comparison.</summary>
    public required double MeanChipPower { get; init; }

    /// <summary>Largest deflection of the tip, µm.</summary>
    public required double LargestDeflection { get; init; }

    /// <summary>Deflection of the tip towards the wall when an edge makes the wall, µm: what is left or cut too deep.</summary>
    public required double WallError { get; init; }

    /// <summary>
    /// The forces of one tooth at every angle, summed over all teeth: a mechanistic model with the helix (Altintas, Manufacturing Automation).
    /// </summary>
    /// <param name="edge">The edge and how it meets the work.</param>
    /// <param name="slices">Slices along the depth.</param>
    /// <param name="tangential">Receives the sum of the tangential forces, N; its length is a multiple of the number of teeth.</param>
    /// <param name="radial">Receives the sum of the radial forces, N.</param>
    /// <param name="axial">Receives the axial force, N, positive towards the spindle.</param>
    /// <param name="along">Receives the force along the feed, N.</param>
    /// <param name="across">Receives the force square to the feed, N, positive towards the wall.</param>
    public static void Solve(
        in HelicalEdge edge, int slices, Span<double> tangential, Span<double> radial, Span<double> axial, Span<double> along, Span<double> across)
    {
        int angles = tangential.Length, inPitch = angles / edge.Teeth;
        if (angles == 0 || inPitch * edge.Teeth != angles)
            throw new ArgumentException("The angles must be a multiple of the teeth.", nameof(tangential));
        tangential.Clear();
        along.Clear();
        across.Clear();
        double step = 2 * Math.PI / angles, turn = edge.Climb ? -step : step;
        (double sinStep, double cosStep) = Math.SinCos(turn);
        double radialShare = edge.RadialRatio * edge.EdgeSine, axialShare = (edge.RadialRatio * edge.EdgeCosine) - edge.AxialRatio,
            sense = edge.Climb ? 1 : -1;
        double slice = edge.ForceAtFull / slices, exponent = edge.ForceExponent;
        for (int k = 0; k < slices; k++)
        {
            // The edge enters where it first meets the arc in its sense of turning, later the higher it is.
            double lag = edge.Lag * (k + 0.5) / slices, enters = edge.Climb ? edge.Arc.Exit : edge.Arc.Entry;
            double begin = lag / step;
            int first = (int)Math.Ceiling(begin), last = (int)Math.Ceiling(begin + (edge.Arc.Length / step));
            (double sine, double cosine) = Math.SinCos(enters + ((first - begin) * turn));
            for (int i = first; i < last; i++)
            {
                double t = exponent == 0 ? slice : sine > 0 ? slice * Math.Pow(sine, exponent) : 0;
                int at = i % inPitch;
                tangential[at] += t;
                along[at] += t * ((sense * cosine) - (radialShare * sine));
                across[at] -= t * ((sense * sine) + (radialShare * cosine));
                (sine, cosine) = ((sine * cosStep) + (cosine * sinStep), (cosine * cosStep) - (sine * sinStep));
            }
        }

        for (int i = 0; i < angles; i++)
        {
            int at = i % inPitch;
            tangential[i] = tangential[at];
            along[i] = along[at];
            across[i] = across[at];
            radial[i] = tangential[i] * radialShare;
            axial[i] = tangential[i] * axialShare;
        }
    }

    /// <summary>The load of a pass over one revolution.</summary>
    internal static RevolutionLoad Of(MillingSetup setup, in MillingResult result, in Inputs x)
    {
        HelicalEdge edge = HelicalEdge.Of(setup, result, x);
        int angles = (int)Math.Clamp(Math.Ceiling(2 * Math.PI * AnglesInArc / edge.Arc.Length), LeastAngles, MostAngles);
        angles = (angles + edge.Teeth - 1) / edge.Teeth * edge.Teeth;
        double[] tangential = new double[angles], radial = new double[angles], axial = new double[angles], along = new double[angles],
            across = new double[angles];
        int slices = (int)Math.Clamp(Math.Ceiling(edge.Lag / edge.Arc.Length * SlicesInArc), Slices, MostSlices);
        Solve(edge, slices, tangential, radial, axial, along, across);

        double compliance = setup.Tip.Deflection(1, result.Engagement.Depth / 2);
        double[] resultant = [.. along.Zip(across, double.Hypot)];
        double[] tipAcross = [.. across.Select(f => f * compliance)];
        double meanPower = tangential.Average() * CuttingSetup.CuttingSpeedFor(result.Load.SpindleSpeed, result.Engagement.Diameter) / 60_000;
        return new()
        {
            Step = 360.0 / angles,
            Tangential = tangential,
            Radial = radial,
            Axial = axial,
            Resultant = resultant,
            TipAlong = [.. along.Select(f => f * compliance)],
            TipAcross = tipAcross,
            OfTangential = CourseOf(tangential),
            OfRadial = CourseOf(radial),
            OfAxial = CourseOf(axial),
            OfResultant = CourseOf(resultant),
            MeanPower = meanPower,
            MeanChipPower = result.Load.Power - result.Load.FacePower,
            LargestDeflection = resultant.Max() * compliance,
            WallError = tipAcross[WallMoment(edge, angles)],
        };
    }

    // The moment at which the lowest point of an edge passes the wall.
    private static int WallMoment(in HelicalEdge edge, int angles) =>
        edge.Climb ? (int)Math.Round(edge.Arc.Length / (2 * Math.PI) * angles) % angles : 0;

    private static LoadCourse CourseOf(double[] values)
    {
        double mean = values.Average(), largest = values.Max(), least = values.Min();
        return new(Math.Abs(least) > largest ? least : largest, mean, mean == 0 ? 0 : (largest - least) / Math.Abs(mean));
    }
}

/// <summary>An edge on a helix and how it meets the work: what the load over a revolution is worked out from.</summary>
/// <param name="Teeth">Number of teeth z.</param>
/// <param name="Arc">Arc of engagement.</param>
/// <param name="Lag">Lag ψ of the edge over the depth, radians.</param>
/// <param name="ForceAtFull">Tangential force of the whole edge where the sine is 1, N: k_c1.1·b·(f_z·sin κ)^(1 − m_c).</param>
/// <param name="ForceExponent">1 − m_c; 0 where the chip is equally thick over the arc.</param>
/// <param name="RadialRatio">k_r.</param>
/// <param name="AxialRatio">Axial over tangential force of an edge on a helix; negative for a left-hand one.</param>
/// <param name="EdgeSine">sin κ.</param>
/// <param name="EdgeCosine">cos κ.</param>
/// <param name="Climb">Whether the cutter climbs.</param>
public readonly record struct HelicalEdge(
    int Teeth, ArcOfEngagement Arc, double Lag, double ForceAtFull, double ForceExponent, double RadialRatio, double AxialRatio, double EdgeSine,
    double EdgeCosine, bool Climb)
{
    /// <summary>The edge of a pass.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="result">The pass, worked out.</param>
    /// <param name="x">Its inputs.</param>
    public static HelicalEdge Of(MillingSetup setup, in MillingResult result, in Inputs x)
    {
        Engagement e = result.Engagement;
        double sine = MillingCut.SineOfEdge(e.EdgeAngle), feed = x[Input.FeedPerTooth] * e.FeedFactor, exponent = 1 - setup.ChipExponent;
        double edge = e.EvenChip ? e.MeanBite : e.Depth / sine;
        double force = setup.SpecificForce11 * Common.Wear(x) * edge * Math.Pow(feed * sine, exponent);
        return new(
            setup.Teeth, e.Arc, e.EvenChip ? 0 : setup.LagPerDepth * e.Depth, force, e.EvenChip ? 0 : exponent, setup.RadialRatio,
            AxialShare(setup.HelixAngle, setup.RadialRatio), sine, Math.Sqrt(1 - (sine * sine)), Climb: true);
    }

    /// <summary>
    /// Axial over tangential force of an oblique edge whose chip flows off at the angle of the helix (Stabler), with the friction
    /// angle that the radial ratio stands for: tan λ·(cos β − sin β)/(cos β + tan²λ·sin β), β = atan k_r, for no rake (Altintas).
    /// </summary>
    /// <param name="helixAngle">λ, degrees; negative for a left-hand helix.</param>
    /// <param name="radialRatio">k_r.</param>
    public static double AxialShare(double helixAngle, double radialRatio)
    {
        double tan = Math.Tan(double.DegreesToRadians(helixAngle));
        (double sine, double cosine) = Math.SinCos(Math.Atan(radialRatio));
        return tan * (cosine - sine) / (cosine + (tan * tan * sine));
    }
}

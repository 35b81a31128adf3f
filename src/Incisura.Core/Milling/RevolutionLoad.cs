namespace Incisura.Core.Milling;

/// <summary>What a load does over one revolution.</summary>
/// <param name="Peak">Largest amount, N, with its sign.</param>
/// <param name="Mean">Mean over the revolution, N.</param>
/// <param name="Ripple">Largest less least value, over the amount of the mean; 0 for an even load.</param>
public readonly record struct LoadCourse(double Peak, double Mean, double Ripple);

/// <summary>The forces of all teeth together over one revolution, and what the tip does under them.</summary>
public sealed record RevolutionLoad
{
    private const int LeastAngles = 360, MostAngles = 3600, AnglesInArc = 24;

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

    /// <summary>Mean torque over the revolution, N·m.</summary>
    public required double MeanTorque { get; init; }

    /// <summary>Mean cutting power over the revolution, kW.</summary>
    public required double MeanPower { get; init; }

    /// <summary>Cutting power of the side from the mean chip, kW, for comparison.</summary>
    public required double MeanChipPower { get; init; }

    /// <summary>Largest deflection of the tip, µm.</summary>
    public required double LargestDeflection { get; init; }

    /// <summary>Deflection of the tip towards the wall when an edge makes the wall, µm: what is left or cut too deep.</summary>
    public required double WallError { get; init; }

    /// <summary>The load of a pass over one revolution, from the same edge as its largest side force.</summary>
    internal static RevolutionLoad Of(MillingSetup setup, in MillingResult result, in Inputs x)
    {
        Engagement e = result.Engagement;
        EdgeLoad.Of(setup, e, x, out EdgeLoad edge);
        int angles = (int)Math.Clamp(Math.Ceiling(2 * Math.PI * AnglesInArc / e.Arc.Length), LeastAngles, MostAngles);
        angles = (angles + setup.Teeth - 1) / setup.Teeth * setup.Teeth;
        double[] tangential = new double[angles], radial = new double[angles], axial = new double[angles], along = new double[angles],
            across = new double[angles], tipAlong = new double[angles], tipAcross = new double[angles];
        double axialRatio = AxialShare(setup.HelixAngle, setup.RadialRatio), torque = 0;
        int inPitch = angles / setup.Teeth;
        for (int i = 0; i < angles; i++)
        {
            if (i >= inPitch)
            {
                int at = i - inPitch;
                (tangential[i], radial[i], axial[i], along[i], across[i]) = (tangential[at], radial[at], axial[at], along[at], across[at]);
                (tipAlong[i], tipAcross[i]) = (tipAlong[at], tipAcross[at]);
                continue;
            }

            // The cutter climbs, and turns towards where the chip starts at nothing; the first angle is where a tip meets the arc.
            double tip = e.Arc.Exit - (i * 2 * Math.PI / angles);
            (tangential[i], radial[i], axial[i], double turning) = edge.Around(tip, climb: true, axialRatio);
            (along[i], across[i]) = edge.At(tip, climb: true);
            (tipAlong[i], tipAcross[i]) = edge.Moved(setup.Tip, 0, tip, climb: true).Way;
            torque += turning / inPitch;
        }

        double[] resultant = [.. along.Zip(across, double.Hypot)];
        return new()
        {
            Step = 360.0 / angles,
            Tangential = tangential,
            Radial = radial,
            Axial = axial,
            Resultant = resultant,
            TipAlong = tipAlong,
            TipAcross = tipAcross,
            OfTangential = CourseOf(tangential),
            OfRadial = CourseOf(radial),
            OfAxial = CourseOf(axial),
            OfResultant = CourseOf(resultant),
            MeanTorque = torque,
            MeanPower = torque * result.Load.SpindleSpeed * Math.PI / 30000,
            MeanChipPower = result.Load.Power - result.Load.FacePower,
            LargestDeflection = tipAlong.Zip(tipAcross, double.Hypot).Max(),
            WallError = tipAcross[WallMoment(e.Arc, angles)],
        };
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

    // The moment at which the lowest point of an edge passes the wall.
    private static int WallMoment(in ArcOfEngagement arc, int angles) => (int)Math.Round(arc.Length / (2 * Math.PI) * angles) % angles;

    private static LoadCourse CourseOf(double[] values)
    {
        double mean = values.Average(), largest = values.Max(), least = values.Min();
        return new(Math.Abs(least) > largest ? least : largest, mean, mean == 0 ? 0 : (largest - least) / Math.Abs(mean));
    }
}

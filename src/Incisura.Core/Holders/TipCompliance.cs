using Incisura.Core.Cutters;
using Incisura.Core.Geometry;

namespace Incisura.Core.Holders;

/// <summary>A cylinder of a stepped cantilever.</summary>
/// <param name="Length">Length, mm, above 0.</param>
/// <param name="Diameter">Bending diameter, mm, above 0.</param>
/// <param name="YoungsModulus">Modulus E, MPa, above 0.</param>
public readonly record struct BeamSegment(double Length, double Diameter, double YoungsModulus);

/// <summary>
/// How far the tip gives way to a side force: a stepped cantilever (Euler-Bernoulli) from the tip to the gauge line, on a seat that
/// tilts. For a force at the distance a from the tip, within the first segment, C(a) = K₀ − K₁·a + 1000·a³/(6·E·I), in µm/N.
/// </summary>
public readonly record struct TipCompliance
{
    /// <summary>
    /// Share of the cutting diameter that stands for the fluted part in bending: the equivalent diameter of an end mill by its compliance, Kops and
    /// Vo, CIRP Annals 39/1 (1990), 0.8 for the usual four flutes. Drills and bodies of face mills, for which nothing better is known here, take it
    /// too.
    /// </summary>
    public const double FluteShare = 0.8;

    /// <summary>Modulus of cemented carbide, MPa.</summary>
    public const double Carbide = 600_000;

    /// <summary>Modulus of high-speed steel, MPa.</summary>
    public const double HighSpeedSteel = 220_000;

    /// <summary>Modulus of the holder's steel, MPa.</summary>
    public const double Steel = 210_000;

    /// <summary>Deflection of the tip under the peak force in the middle of the depth of cut.</summary>
    public static readonly Formula DeflectionFormula = new(
        "δ",
        "Deflection at the tip",
        Quantity.Deviation,
        "F*(K_0 - K_1*min(a_p, 2*l_1)/2 + 1000*(min(a_p, 2*l_1)/2)^3/(6*EI_1))",
        "stepped cantilever, Euler-Bernoulli, with the tilt of the seat; force in the middle of a_p, within the first segment of length l_1");

    private const int SlicesPerCone = 8;

    /// <summary>K₀: deflection of the tip per force at the tip, µm/N.</summary>
    public double AtTip { get; private init; }

    /// <summary>K₁: fall of the compliance per distance of the force from the tip, µm/(N·mm).</summary>
    public double Fall { get; private init; }

    /// <summary>E·I of the segment at the tip, N·mm².</summary>
    public double FirstStiffness { get; private init; }

    /// <summary>Length of the segment at the tip, mm.</summary>
    public double FirstLength { get; private init; }

    /// <summary>Whether the compliance is a number: a beam with a part of no thickness has none.</summary>
    public bool Known => double.IsFinite(AtTip) && double.IsFinite(Fall) && FirstStiffness > 0;

    /// <summary>Compliance of a beam given from the tip to the clamp.</summary>
    /// <param name="segments">At least one segment.</param>
    /// <param name="seatCompliance">Tilt of the seat, µrad per N·m; 0 for a rigid one.</param>
    /// <exception cref="ArgumentException">No segment was given.</exception>
    public static TipCompliance Of(ReadOnlySpan<BeamSegment> segments, double seatCompliance = 0)
    {
        if (segments.IsEmpty) throw new ArgumentException("A beam needs at least one segment.", nameof(segments));
        double x = 0, atTip = 0, fall = 0;
        foreach (BeamSegment s in segments)
        {
            double stiffness = Stiffness(s), end = x + s.Length;
            atTip += ((end * end * end) - (x * x * x)) / (3 * stiffness);
            fall += ((end * end) - (x * x)) / (2 * stiffness);
            x = end;
        }

        // 1 µrad/(N·m) is 1e-9 rad/(N·mm).
        double seat = seatCompliance * 1e-9;
        return new()
        {
            AtTip = 1000 * (atTip + (x * x * seat)),
            Fall = 1000 * (fall + (x * seat)),
            FirstStiffness = Stiffness(segments[0]),
            FirstLength = segments[0].Length,
        };
    }

    /// <summary>Compliance of an assembly from its profile.</summary>
    /// <param name="profile">Revolved profile from the tip to the gauge line.</param>
    /// <param name="cutter">The cutter; the shank of a solid one is of its cutting material, a body with inserts of steel.</param>
    /// <param name="seatCompliance">Tilt of the holder's seat, µrad per N·m.</param>
    public static TipCompliance Of(Profile profile, Cutter cutter, double seatCompliance)
    {
        double cutterModulus = cutter.Described.Inserts ? Steel : cutter.Material == CuttingMaterial.Carbide ? Carbide : HighSpeedSteel;
        List<BeamSegment> beam = [];
        foreach (ProfileElement e in profile.Elements)
        {
            double length = e.ToZ - e.FromZ;
            if (length <= Outline.Nothing) continue;
            double modulus = e.Part is ProfilePart.Holder or ProfilePart.Extension ? Steel : cutterModulus;
            double share = e.Part is ProfilePart.Cutting or ProfilePart.Body ? FluteShare : 1;
            int slices = e.FromR == e.ToR && e.Bulge == 0 ? 1 : SlicesPerCone;
            for (int i = 0; i < slices; i++)
                beam.Add(new(length / slices, 2 * e.At(e.FromZ + (length * (i + 0.5) / slices)) * share, modulus));
        }

        return Of([.. beam], seatCompliance);
    }

    /// <summary>Deflection of the tip, µm, under a force at a distance from the tip.</summary>
    /// <param name="force">Side force, N.</param>
    /// <param name="fromTip">Distance of the force from the tip, mm, 0 up to the first segment; beyond it the end of the segment is taken, which errs
    /// on the safe side.</param>
    public double Deflection(double force, double fromTip)
    {
        double a = Math.Min(fromTip, FirstLength);
        return force * (AtTip - (Fall * a) + (1000 * a * a * a / (6 * FirstStiffness)));
    }

    private static double Stiffness(BeamSegment s) => s.YoungsModulus * Math.PI * s.Diameter * s.Diameter * s.Diameter * s.Diameter / 64;
}

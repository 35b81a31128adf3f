using System.Runtime.InteropServices;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;

namespace Incisura.Core.Holders;

/// <summary>A cylinder of a stepped cantilever.</summary>
/// <param name="Length">Length, mm, above 0.</param>
/// <param name="Diameter">Bending diameter, mm, above 0.</param>
/// <param name="YoungsModulus">Modulus E, MPa, above 0.</param>
public readonly record struct BeamSegment(double Length, double Diameter, double YoungsModulus);

/// <summary>
/// How far an assembly gives way to side forces: a stepped cantilever (Euler-Bernoulli) from the tip to the gauge line, on a seat that tilts.
/// With I_k(u) = ∫ s^k/EI ds from u to the gauge line, a force at the distance a from the tip moves the place at the distance z by
/// C(z, a) = I₂(u) − (z + a)·I₁(u) + z·a·I₀(u), u the larger of the two, and by what the seat tilts.
/// </summary>
public sealed class TipCompliance
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

    private const int SlicesOfCurve = 24;

    // The ends of the slices from the tip on, what stands behind each of them, and the stiffness within.
    private readonly double[] ends, stiffness;
    private readonly (double I0, double I1, double I2)[] behind;
    private readonly double seat;

    private TipCompliance(ReadOnlySpan<(double End, double Stiffness)> slices, double seatCompliance)
    {
        // 1 µrad/(N·m) is 1e-9 rad/(N·mm).
        seat = seatCompliance * 1e-9;
        ends = new double[slices.Length];
        stiffness = new double[slices.Length];
        behind = new (double, double, double)[slices.Length];
        (double I0, double I1, double I2) sum = default;
        for (int i = slices.Length - 1; i >= 0; i--)
        {
            (ends[i], stiffness[i]) = slices[i];
            behind[i] = sum;
            sum = Added(sum, i == 0 ? 0 : slices[i - 1].End, ends[i], stiffness[i]);
        }

        AtTip = At(0, 0);
        Known = double.IsFinite(AtTip) && stiffness.All(s => s > 0);
    }

    /// <summary>C(0, 0): deflection of the tip per force at the tip, µm/N.</summary>
    public double AtTip { get; }

    /// <summary>Length from the tip to the gauge line, mm.</summary>
    public double Length => ends[^1];

    /// <summary>Whether the compliance is a number: a beam with a part of no thickness has none.</summary>
    public bool Known { get; }

    /// <summary>Compliance of a beam given from the tip to the clamp.</summary>
    /// <param name="segments">At least one segment.</param>
    /// <param name="seatCompliance">Tilt of the seat, µrad per N·m; 0 for a rigid one.</param>
    /// <exception cref="ArgumentException">No segment was given.</exception>
    public static TipCompliance Of(ReadOnlySpan<BeamSegment> segments, double seatCompliance = 0)
    {
        if (segments.IsEmpty) throw new ArgumentException("A beam needs at least one segment.", nameof(segments));
        List<(double, double)> slices = [];
        double end = 0;
        foreach (BeamSegment s in segments) slices.Add((end += s.Length, Stiffness(s.Diameter, s.YoungsModulus)));
        return new(CollectionsMarshal.AsSpan(slices), seatCompliance);
    }

    /// <summary>Compliance of an assembly from its profile.</summary>
    /// <param name="profile">Revolved profile from the tip to the gauge line.</param>
    /// <param name="cutter">The cutter; the shank of a solid one is of its cutting material, a body with inserts of steel.</param>
    /// <param name="seatCompliance">Tilt of the holder's seat, µrad per N·m.</param>
    public static TipCompliance Of(Profile profile, Cutter cutter, double seatCompliance)
    {
        double cutterModulus = cutter.Described.Inserts ? Steel : cutter.Material == CuttingMaterial.Carbide ? Carbide : HighSpeedSteel;
        List<(double, double)> slices = [];
        foreach (ProfileElement e in profile.Elements)
        {
            double length = e.ToZ - e.FromZ;
            if (length <= Outline.Nothing) continue;
            double modulus = e.Part is ProfilePart.Holder or ProfilePart.Extension ? Steel : cutterModulus;
            double share = e.Part is ProfilePart.Cutting or ProfilePart.Body ? FluteShare : 1;
            int count = e.FromR == e.ToR && e.Bulge == 0 ? 1 : SlicesOfCurve;
            for (int i = 0; i < count; i++)
            {
                double from = e.FromZ + (length * i / count), to = e.FromZ + (length * (i + 1) / count);
                slices.Add((to, count == 1 ? Stiffness(2 * e.FromR * share, modulus) : MeanStiffness(e, from, to, share, modulus)));
            }
        }

        return new(CollectionsMarshal.AsSpan(slices), seatCompliance);
    }

    /// <summary>
    /// Compliance of a turning tool: its shank as a beam of one section, of steel or as a bar is made, as stiff as one of its diameter or of the
    /// rectangle H × B against the cutting force.
    /// </summary>
    /// <param name="cutter">The turning tool.</param>
    /// <param name="projection">Length outside its holder, mm.</param>
    /// <param name="seatCompliance">Tilt of the holder's seat, µrad per N·m.</param>
    public static TipCompliance OfShank(Cutter cutter, double projection, double seatCompliance)
    {
        double height = cutter.ShankSize, width = cutter[Dimension.BladeWidth] is var blade && blade > 0 ? blade : cutter[Dimension.ShankWidth],
            diameter = cutter.Described.Shank == ShankForm.Cylindrical
                ? height
                : Math.Pow(64 / Math.PI * width * height * height * height / 12, 0.25);
        return Of([new(projection, diameter, Cutters.Kinds.TurningTools.Modulus(cutter))], seatCompliance);
    }

    /// <summary>Deflection at one place per force at another, µm/N.</summary>
    /// <param name="at">Distance z of the place looked at from the tip, mm, 0 up to the gauge line.</param>
    /// <param name="force">Distance a of the force from the tip, mm, 0 up to the gauge line.</param>
    public double At(double at, double force)
    {
        double from = Math.Min(Math.Max(at, force), Length);
        int slice = 0;
        while (slice < ends.Length - 1 && from >= ends[slice]) slice++;
        (double i0, double i1, double i2) = Added(behind[slice], from, ends[slice], stiffness[slice]);
        return 1000 * (i2 - ((at + force) * i1) + (at * force * i0) + (seat * (Length - at) * (Length - force)));
    }

    /// <summary>Deflection of the tip, µm, under a force at a distance from the tip.</summary>
    /// <param name="force">Side force, N.</param>
    /// <param name="fromTip">Distance of the force from the tip, mm, 0 up to the gauge line.</param>
    public double Deflection(double force, double fromTip) => force * At(0, fromTip);

    // What a slice adds to the integrals behind it.
    private static (double I0, double I1, double I2) Added((double I0, double I1, double I2) sum, double from, double to, double stiffness) =>
        (sum.I0 + ((to - from) / stiffness), sum.I1 + (((to * to) - (from * from)) / (2 * stiffness)),
            sum.I2 + (((to * to * to) - (from * from * from)) / (3 * stiffness)));

    // The stiffness whose inverse is the mean of the inverses over a slice (Gauss's rule of three points).
    private static double MeanStiffness(ProfileElement e, double from, double to, double share, double modulus)
    {
        double middle = (from + to) / 2, half = (to - from) / 2, off = half * Math.Sqrt(0.6);
        double At(double z) => Stiffness(2 * e.At(z) * share, modulus);
        return 18 / ((5 / At(middle - off)) + (8 / At(middle)) + (5 / At(middle + off)));
    }

    private static double Stiffness(double diameter, double modulus) => modulus * Math.PI * diameter * diameter * diameter * diameter / 64;
}

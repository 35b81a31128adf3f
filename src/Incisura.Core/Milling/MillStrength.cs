using Incisura.Core.Cutters;
using Incisura.Core.Geometry;

namespace Incisura.Core.Milling;

/// <summary>A round section of a cutter that has to stand a bending moment.</summary>
/// <param name="At">Distance from the tip, mm.</param>
/// <param name="Diameter">Diameter that bears, mm.</param>
/// <param name="Notch">Notch factor β_k, at least 1.</param>
public readonly record struct BearingSection(double At, double Diameter, double Notch);

/// <summary>Stress at a section.</summary>
/// <param name="Bending">σ_b, MPa, nominal.</param>
/// <param name="Torsion">τ_t, MPa, nominal.</param>
public readonly record struct SectionStress(double Bending, double Torsion)
{
    /// <summary>Equivalent stress √(σ² + 3τ²) by von Mises, MPa.</summary>
    public double Equivalent => Math.Sqrt((Bending * Bending) + (3 * Torsion * Torsion));

    /// <summary>Stress of a round section: σ = 32·F·l/(π·d³), τ = 16·M/(π·d³).</summary>
    /// <param name="force">Side force F, N.</param>
    /// <param name="arm">Lever arm l, mm, at least 0.</param>
    /// <param name="torque">Torque M, N·m.</param>
    /// <param name="diameter">d, mm, above 0.</param>
    public static SectionStress Of(double force, double arm, double torque, double diameter)
    {
        double modulus = Math.PI * diameter * diameter * diameter / 32;
        return new(force * arm / modulus, torque * 1000 / (2 * modulus));
    }
}

/// <summary>
/// What a milling cutter stands in bending and torsion: the sections where a moment meets a thinner or notched body — the run-out of the flutes,
/// steps of neck and shank, the nose of the holder — against the fatigue strength of its material at the passing of its teeth.
/// </summary>
public sealed class MillStrength
{
    /// <summary>Safety against fatigue; shop practice where no test of the very cutter is known.</summary>
    public const double Safety = 1.5;

    /// <summary>Notch factor where flutes run out, and at a step: a shallow, rounded shoulder (Peterson, Stress Concentration Factors).</summary>
    public const double FluteNotch = 1.4, StepNotch = 1.2;

    /// <summary>Bending stress.</summary>
    public static readonly Formula BendingFormula = new(
        "σ_b", "Bending at the weakest section", Quantity.Stress, "β_k*32*F*(l_q - a_F)/(pi*d_q^3)",
        "round section of d_q at l_q from the tip, with its notch factor; Budak, strength of end mills");

    /// <summary>Torsion.</summary>
    public static readonly Formula TorsionFormula = new(
        "τ_t", "Torsion at the weakest section", Quantity.Stress, "16*1000*M_x/(pi*d_q^3)", "round section");

    /// <summary>Equivalent stress.</summary>
    public static readonly Formula EquivalentFormula = new(
        "σ_v", "Stress in the cutter", Quantity.Stress, "sqrt(σ_b^2 + 3*τ_t^2)", "von Mises");

    /// <summary>Allowed stress.</summary>
    public static readonly Formula AllowedFormula = new(
        "σ_z", "Stress allowed", Quantity.Stress, "σ_D/S_D", "fatigue strength of the cutting material, with its safety");

    private readonly BearingSection[] sections;

    private MillStrength(BearingSection[] sections, double fatigue) => (this.sections, Fatigue) = (sections, fatigue);

    /// <summary>Fatigue strength σ_D for pulsating bending, MPa.</summary>
    public double Fatigue { get; }

    /// <summary>Stress allowed σ_D/S_D, MPa.</summary>
    public double Allowed => Fatigue / Safety;

    /// <summary>The sections that are looked at, from the tip on.</summary>
    public IReadOnlyList<BearingSection> Sections => sections;

    /// <summary>
    /// Core of the fluted part over its diameter, by the number of flutes: usual webs of solid end mills, from two flutes with deep gullets to many
    /// with shallow ones. Shop practice; Kops and Vo 1990 name 0.8 for the stiffness of four, whose lands bend with the core but are notched.
    /// </summary>
    /// <param name="teeth">Number of teeth.</param>
    public static double CoreShare(int teeth) => teeth switch { <= 2 => 0.6, 3 => 0.65, 4 => 0.7, 5 => 0.75, _ => 0.8 };

    /// <summary>
    /// Fatigue strength of a cutting material for pulsating bending, MPa: about a third of the bending strength of fine-grained cemented carbide
    /// (3 500 MPa, ISO 3327; Schleinkofer et al. 1996), of high-speed steel (2 800 and, by powder, 3 600 MPa), and of heat-treated steel for bodies.
    /// </summary>
    /// <param name="cutter">The cutter.</param>
    public static double FatigueOf(Cutter cutter) => cutter.Described.Inserts
        ? 450
        : cutter.Material switch { CuttingMaterial.PowderSteel => 1100, CuttingMaterial.HighSpeedSteel => 900, _ => 1150 };

    /// <summary>The sections of a cutter in its assembly.</summary>
    /// <param name="whole">Profile of the assembly, from the tip.</param>
    /// <param name="cutter">The cutter.</param>
    public static MillStrength Of(Profile whole, Cutter cutter)
    {
        List<BearingSection> list = [];
        double core = cutter.Described.Inserts ? 1 : CoreShare(cutter.Teeth);
        List<ProfileElement> own =
        [
            .. whole.Elements.Where(e => e.ToZ - e.FromZ > Outline.Nothing)
                .TakeWhile(e => e.Part is not (ProfilePart.Holder or ProfilePart.Extension)),
        ];
        for (int i = 0; i < own.Count; i++)
        {
            ProfileElement e = own[i];
            bool fluted = e.Part is ProfilePart.Cutting or ProfilePart.Body, last = i == own.Count - 1;
            bool flutesEnd = fluted && (last || own[i + 1].Part is not (ProfilePart.Cutting or ProfilePart.Body));
            double diameter = 2 * e.ToR * (fluted ? core : 1);
            if (flutesEnd) list.Add(new(e.ToZ, diameter, FluteNotch));
            else if (last) list.Add(new(e.ToZ, diameter, 1));
            else if (!fluted && own[i + 1].FromR > e.ToR + Outline.Nothing) list.Add(new(e.ToZ, diameter, StepNotch));
            else if (!fluted && own[i + 1].FromR >= e.ToR - Outline.Nothing && e.FromR < e.ToR) list.Add(new(e.FromZ, 2 * e.FromR, StepNotch));
        }

        return new([.. list], FatigueOf(cutter));
    }

    /// <summary>The section with the largest equivalent stress, its notch counted.</summary>
    /// <param name="force">Side force F, N.</param>
    /// <param name="at">Distance a_F of the force from the tip, mm.</param>
    /// <param name="torque">Torque, N·m.</param>
    /// <param name="stress">Receives its stress, the bending with the notch factor.</param>
    /// <returns>The section; of no diameter where the cutter has none.</returns>
    public BearingSection Weakest(double force, double at, double torque, out SectionStress stress)
    {
        BearingSection weakest = default;
        stress = default;
        double largest = -1;
        foreach (ref readonly BearingSection s in sections.AsSpan())
        {
            SectionStress here = SectionStress.Of(force, Math.Max(0, s.At - at), torque, s.Diameter);
            here = here with { Bending = s.Notch * here.Bending };
            if (here.Equivalent <= largest) continue;
            (weakest, stress, largest) = (s, here, here.Equivalent);
        }

        return weakest;
    }
}

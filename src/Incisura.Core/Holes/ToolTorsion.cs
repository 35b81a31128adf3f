using Incisura.Core.Cutters;

namespace Incisura.Core.Holes;

/// <summary>What the core of a drill or tap stands in torsion.</summary>
/// <param name="Core">Diameter d_k of the solid core that bears the torque, mm.</param>
/// <param name="Shear">Shear strength τ, MPa.</param>
public readonly record struct ToolTorsion(double Core, double Shear)
{
    /// <summary>Solid core of a fluted tool over its diameter; it agrees with the least breaking torques that standards for taps ask for.</summary>
    public const double FlutedCore = 0.64;

    /// <summary>The same for a forming tap, which has oil grooves only.</summary>
    public const double GroovedCore = 0.85;

    /// <summary>
    /// Share of the breaking torque that may be used, so that a worn edge or a packed flute does not break the tool: a safety of 2.
    /// </summary>
    public const double Share = 0.5;

    private static readonly Formula BreakingFormula = new(
        "M_B", "Torque that breaks the tool", Quantity.Torque, "τ*pi*d_k^3/16/1000", "torsion of the core");

    /// <summary>The core of a cutter.</summary>
    /// <param name="cutter">The cutter.</param>
    /// <param name="diameter">Diameter the core is taken of, mm: of a tap its minor one.</param>
    /// <param name="share">Core over that diameter.</param>
    public static ToolTorsion Of(Cutter cutter, double diameter, double share = FlutedCore)
    {
        double neck = cutter[Dimension.NeckDiameter], core = share * diameter;
        double shear = cutter.Described.Inserts
            ? 500
            : cutter.Material switch { CuttingMaterial.PowderSteel => 1000, CuttingMaterial.HighSpeedSteel => 900, _ => 700 };
        return new(neck > 0 ? Math.Min(core, neck) : core, shear);
    }

    /// <summary>Torque that breaks the tool, N·m.</summary>
    /// <param name="trace">Listens to the step.</param>
    public double Breaking<TTrace>(ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double torque = Shear * Math.PI * Core * Core * Core / 16 / 1000;
        if (TTrace.Listens) trace.Take(BreakingFormula, torque, new("τ", Shear), new("d_k", Core));
        return torque;
    }
}

using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;

namespace Incisura.Core.Holes;

/// <summary>What a tap brings: its thread, its lead, and what its core stands.</summary>
public sealed class TapGeometry
{
    // Solid core of a fluted tap over the minor diameter, and of a forming tap, which has oil grooves only; they agree with the
    // least breaking torques that standards for taps ask for.
    private const double FlutedCore = 0.64, FormingCore = 0.85;

    // Shear strength of high-speed steel, powder steel and carbide, MPa.
    private const double SteelShear = 900, PowderShear = 1000, CarbideShear = 700;

    /// <summary>The geometry of a tap; the cutter is taken as checked.</summary>
    public TapGeometry(Cutter cutter)
    {
        Diameter = cutter[Dimension.ThreadDiameter];
        Pitch = cutter[Dimension.Pitch];
        LeadLength = Taps.LeadLength(cutter);
        Forming = cutter.Family == CutterFamily.FormingTap;
        ChipsAhead = !Forming && cutter.Picked("flutes") is "point" or "straight";
        Flutes = Forming ? "" : cutter.Picked("flutes");
        Left = cutter.Hand == Hand.Left;
        double neck = cutter[Dimension.NeckDiameter], core = (Forming ? FormingCore : FlutedCore) * (Diameter - (1.0825 * Pitch));
        CoreDiameter = neck > 0 ? Math.Min(core, neck) : core;
        Shear = cutter.Material switch { CuttingMaterial.PowderSteel => PowderShear, CuttingMaterial.Carbide => CarbideShear, _ => SteelShear };
    }

    /// <summary>D, mm.</summary>
    public double Diameter { get; }

    /// <summary>P, mm.</summary>
    public double Pitch { get; }

    /// <summary>l_a, mm.</summary>
    public double LeadLength { get; }

    /// <summary>Whether it forms the thread instead of cutting it.</summary>
    public bool Forming { get; }

    /// <summary>Whether chips go ahead of the tap or stay in its straight flutes.</summary>
    public bool ChipsAhead { get; }

    /// <summary>Form of the flutes; empty for a forming tap.</summary>
    public string Flutes { get; }

    /// <summary>Whether it cuts a left-hand thread.</summary>
    public bool Left { get; }

    /// <summary>Diameter of the core that bears the torque, mm.</summary>
    public double CoreDiameter { get; }

    /// <summary>Shear strength of the tap, MPa.</summary>
    public double Shear { get; }
}

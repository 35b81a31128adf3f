using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Milling;

/// <summary>All that stays the same while the choices of a side cut change, drawn together once.</summary>
public sealed class SideMillingSetup
{
    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    public SideMillingSetup(BuiltAssembly built, WorkMaterial material, Machine machine)
    {
        Cutter cutter = built.Cutter;
        Diameter = cutter.CuttingDiameter;
        Teeth = cutter.Teeth;
        HelixAngle = cutter.HelixAngle;
        LagPerDepth = ChipSection.Lag(1, cutter.HelixAngle, cutter.CuttingDiameter);
        FluteLength = cutter.FluteLength;
        LargestDepth = cutter.LargestDepth;
        LargestWidth = cutter[Dimension.LargestWidthRatio] * cutter.CuttingDiameter;
        LeastChip = cutter[Dimension.LeastChip] is var h && h > 0 ? h : 0;
        LargestChip = cutter[Dimension.LargestChip];
        SpecificForce11 = material.SpecificCuttingForce;
        ChipExponent = material.ChipExponent;
        RadialRatio = material.RadialRatio;
        Curve = new(machine.Curve);
        LeastSpeed = machine.LeastSpeed;
        LargestSpeed = Math.Min(machine.LargestSpeed, built.LargestSpeed);
        LargestFeed = machine.LargestFeed;
        RapidFeed = machine.RapidFeed;
        Efficiency = machine.Efficiency;
        Tip = TipCompliance.Of(built.Profile(), cutter, built.Holder.SeatCompliance);
        Grip = built.Joints[0].Grip;
        LeastGrip = built.Joints[0].In.LeastGrip;
        Reach = cutter.ShankSize > cutter.CuttingDiameter ? Math.Min(cutter.UsableLength, built.Definition.Projection) : built.Definition.Projection;
    }

    /// <summary>Diameter in contact D_e, mm: the cutting diameter for a square corner at any depth.</summary>
    public double Diameter { get; }

    /// <summary>Number of teeth z.</summary>
    public int Teeth { get; }

    /// <summary>Lead angle κ, degrees; 90 for the side of a square end mill.</summary>
    public double LeadAngle { get; } = 90;

    /// <summary>Helix angle λ, degrees.</summary>
    public double HelixAngle { get; }

    /// <summary>Lag of the helical edge per depth, radians per mm.</summary>
    public double LagPerDepth { get; }

    /// <summary>Flute length LCF, mm.</summary>
    public double FluteLength { get; }

    /// <summary>Largest depth of cut APMX, mm.</summary>
    public double LargestDepth { get; }

    /// <summary>Largest width of cut, mm.</summary>
    public double LargestWidth { get; }

    /// <summary>Least chip thickness, mm.</summary>
    public double LeastChip { get; }

    /// <summary>Largest chip thickness, mm.</summary>
    public double LargestChip { get; }

    /// <summary>k_c1.1, MPa.</summary>
    public double SpecificForce11 { get; }

    /// <summary>m_c.</summary>
    public double ChipExponent { get; }

    /// <summary>Ratio k_r of radial to tangential force.</summary>
    public double RadialRatio { get; }

    /// <summary>Power and torque of the machine over speed.</summary>
    public SpindleCurve Curve { get; }

    /// <summary>Lowest spindle speed, rev/min.</summary>
    public double LeastSpeed { get; }

    /// <summary>Highest spindle speed of machine, holder and cutter, rev/min.</summary>
    public double LargestSpeed { get; }

    /// <summary>Largest axis feed, mm/min.</summary>
    public double LargestFeed { get; }

    /// <summary>Rapid traverse, mm/min.</summary>
    public double RapidFeed { get; }

    /// <summary>Efficiency η of the machine.</summary>
    public double Efficiency { get; }

    /// <summary>Compliance of the assembly at its tip.</summary>
    public TipCompliance Tip { get; }

    /// <summary>Length of shank gripped, mm.</summary>
    public double Grip { get; }

    /// <summary>Least length the holder must grip, mm.</summary>
    public double LeastGrip { get; }

    /// <summary>Depth the assembly reaches beside a wall before shank or holder touch, mm.</summary>
    public double Reach { get; }
}

using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Wear;

namespace Incisura.Core.Calculation;

/// <summary>
/// What every operation needs of an assembly, a work material and a machine, drawn together once; it stays the same while choices change.
/// </summary>
public abstract class CuttingSetup
{
    private static readonly Formula Force11Formula = new(
        "k_c11", "Specific force at 1 mm, corrected", Quantity.Stress, "k_m*K_γ*K_w",
        "material, with the rake and the wear of the edge where they are known");
    private static readonly Formula MotorPowerFormula = new("P_mot", "Motor power", Quantity.Power, "P_c/η", "efficiency of the machine");

    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    /// <param name="built">The assembly.</param>
    /// <param name="material">The work material.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="row">Row of the speed chart proposals start from; null where there is none.</param>
    /// <param name="practice">What the shop goes by where no standard says.</param>
    /// <param name="spindle">The spindle that turns; null for that of the tools.</param>
    protected CuttingSetup(
        BuiltAssembly built, WorkMaterial material, Machine machine, SpeedRow? row, ShopPractice practice, MainSpindle? spindle = null)
    {
        Practice = practice;
        Row = row;
        Cutter = built.Cutter;
        Whole = built.Profile();
        MaterialForce11 = material.SpecificCuttingForce;
        RakeFactor = Cutter[Dimension.Rake] is var rake && double.IsFinite(rake) && rake != 0 ? 1 - (RakePerDegree * (rake - ReferenceRake)) : 1;
        SpecificForce11 = MaterialForce11 * RakeFactor;
        ChipExponent = material.ChipExponent;
        RadialRatio = material.RadialRatio;
        Curve = new(spindle?.Curve ?? machine.Curve);
        LeastSpeed = spindle?.LeastSpeed ?? machine.LeastSpeed;
        LargestSpeed = spindle?.LargestSpeed ?? machine.LargestSpeed;
        LargestFeed = machine.LargestFeed;
        RapidFeed = machine.RapidFeed;
        Efficiency = machine.Efficiency;
        Tip = Cutter.Described.Use == CutterUse.Turning
            ? TipCompliance.OfShank(Cutter, built.Definition.Projection, built.Holder.SeatCompliance)
            : TipCompliance.Of(Whole, Cutter, built.Holder.SeatCompliance);
        Grip = built.Joints[0].Flush ? double.NaN : built.Joints[0].Grip;
        LeastGrip = built.Joints[0].In.LeastGrip;
        Projection = built.Definition.Projection;
        Reach = Projection;
    }

    /// <summary>
    /// Rake the force coefficients of materials are stated for, degrees, and the fall of the force for each degree more (Kienzle &amp; Victor 1952).
    /// </summary>
    public const double ReferenceRake = 6, RakePerDegree = 0.015;

    /// <summary>What the choice has beyond numbers and picks; it stays while those change.</summary>
    public IReadOnlyList<Extra> Extras { get; private set; } = [];

    /// <summary>The cutter.</summary>
    public Cutter Cutter { get; }

    /// <summary>Row of the speed chart proposals start from; null where there is none.</summary>
    public SpeedRow? Row { get; }

    /// <summary>What the shop goes by where no standard says.</summary>
    public ShopPractice Practice { get; }

    /// <summary>How the life of an edge follows the cutting speed, through the row's own point; not known without a row.</summary>
    public TaylorLife Taylor => Row?.Taylor ?? default;

    /// <summary>Profile of the whole assembly, from the tip to the gauge line.</summary>
    public Geometry.Profile Whole { get; }

    /// <summary>k_c1.1 of the material, MPa.</summary>
    public double MaterialForce11 { get; }

    /// <summary>Factor K_γ for the rake of the cutter; 1 where it is not known.</summary>
    public double RakeFactor { get; }

    /// <summary>k_c1.1 for the rake of the cutter, MPa.</summary>
    public double SpecificForce11 { get; }

    /// <summary>m_c.</summary>
    public double ChipExponent { get; }

    /// <summary>Ratio k_r of radial to tangential force.</summary>
    public double RadialRatio { get; }

    /// <summary>Power and torque of the machine over speed.</summary>
    public SpindleCurve Curve { get; }

    /// <summary>Lowest spindle speed, rev/min.</summary>
    public double LeastSpeed { get; }

    /// <summary>Highest spindle speed of the machine and of what turns with its spindle, rev/min.</summary>
    public double LargestSpeed { get; protected init; }

    /// <summary>Largest axis feed, mm/min.</summary>
    public double LargestFeed { get; }

    /// <summary>Rapid traverse, mm/min.</summary>
    public double RapidFeed { get; }

    /// <summary>Efficiency η of the machine.</summary>
    public double Efficiency { get; }

    /// <summary>Compliance of the assembly at its tip.</summary>
    public TipCompliance Tip { get; }

    /// <summary>Length of shank gripped, mm; NaN where the cutter seats flush and nothing is gripped.</summary>
    public double Grip { get; }

    /// <summary>Least length the holder must grip, mm.</summary>
    public double LeastGrip { get; }

    /// <summary>Length outside the holder, mm.</summary>
    public double Projection { get; }

    /// <summary>Depth the assembly reaches beside a wall before shank or holder touch, mm.</summary>
    public double Reach { get; protected init; }

    /// <summary>An extra of a type; null where there is none.</summary>
    public TExtra? Extra<TExtra>()
        where TExtra : Extra => Extras.OfType<TExtra>().FirstOrDefault();

    /// <summary>Takes what the choice has beyond numbers and picks.</summary>
    /// <param name="extras">The extras, checked.</param>
    public virtual void Take(IReadOnlyList<Extra> extras) => Extras = [.. extras.Select(e => e.Prepared(this))];

    /// <summary>Refuses to go on where the assembly's stiffness or the life wanted cannot be worked out.</summary>
    /// <param name="lifeTyped">Whether a tool life was typed.</param>
    /// <param name="check">Takes the faults.</param>
    internal void Refuse(bool lifeTyped, InputCheck check)
    {
        Taylor.Refuse(lifeTyped, check);
        check.Holds(
            Tip.Known, "assembly", double.NaN,
            "How far this assembly bends cannot be worked out from its profile. Look at the profiles of its cutter, extensions and holder.");
    }

    /// <summary>Power at the motor P_mot = P_c/η, kW.</summary>
    /// <param name="cuttingPower">P_c at the edge, kW.</param>
    /// <param name="efficiency">η of the machine, above 0 up to 1.</param>
    public static double MotorPower(double cuttingPower, double efficiency) => cuttingPower / efficiency;

    /// <summary>Tells how the specific force at 1 mm was corrected.</summary>
    /// <param name="wear">K_w of the edge.</param>
    /// <param name="trace">Listens to the step.</param>
    internal void TellForce11<TTrace>(double wear, ref TTrace trace)
        where TTrace : struct, ITrace => trace.Take(
        Force11Formula, SpecificForce11 * wear, new("k_m", MaterialForce11), new("K_γ", RakeFactor), new("K_w", wear));

    /// <summary>Tells the power the motor gives.</summary>
    /// <param name="cuttingPower">P_c, kW.</param>
    /// <param name="trace">Listens to the step.</param>
    internal void TellMotorPower<TTrace>(double cuttingPower, ref TTrace trace)
        where TTrace : struct, ITrace =>
        trace.Take(MotorPowerFormula, MotorPower(cuttingPower, Efficiency), new("P_c", cuttingPower), new("η", Efficiency));

    /// <summary>Spindle speed n, rev/min, for a cutting speed at a diameter: 1000·v_c/(π·D), the definition of cutting speed; ISO 3002-3.</summary>
    /// <param name="cuttingSpeed">v_c, m/min.</param>
    /// <param name="diameter">D, mm, above 0.</param>
    public static double SpindleSpeedFor(double cuttingSpeed, double diameter) => 1000 * cuttingSpeed / (Math.PI * diameter);

    /// <summary>Cutting speed v_c, m/min, for a spindle speed at a diameter; the inverse of <see cref="SpindleSpeedFor"/>.</summary>
    /// <param name="spindleSpeed">n, rev/min.</param>
    /// <param name="diameter">D, mm, above 0.</param>
    public static double CuttingSpeedFor(double spindleSpeed, double diameter) => spindleSpeed * Math.PI * diameter / 1000;

    /// <summary>Cutting speed of the chart for the life wanted, m/min.</summary>
    internal double ChartedSpeed<TTrace>(in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace => Taylor.Proposed(x.IsTyped(Input.ToolLife) ? x[Input.ToolLife] : Taylor.Life, ref trace);

    /// <summary>What goes into every derivation.</summary>
    /// <param name="origins">What it stands on, in words.</param>
    /// <param name="wear">Factor for wear, as picked.</param>
    internal virtual IEnumerable<Given> Givens(Origins origins, double wear) =>
    [
        new("k_m", "Specific force at 1 mm", Quantity.Stress, MaterialForce11, origins.Material),
        new("m_c", "Chip exponent", Quantity.Ratio, ChipExponent, origins.Material),
        new("k_r", "Radial force ratio", Quantity.Ratio, RadialRatio, origins.Material),
        new("K_γ", "Factor for the rake", Quantity.Ratio, RakeFactor, RakeFactor == 1 ? "rake not known" : origins.Cutter),
        new("K_w", "Factor for wear", Quantity.Ratio, wear, "picked"),
        new("η", "Efficiency", Quantity.Ratio, Efficiency, origins.Machine),
        new("v_rapid", "Rapid traverse", Quantity.FeedRate, RapidFeed, origins.Machine),
        new("K_0", "Compliance at the tip", Quantity.Compliance, Tip.AtTip, origins.Assembly),
    ];

    /// <summary>Judges what the spindle and the axes can do.</summary>
    /// <param name="speed">n, rev/min.</param>
    /// <param name="motorPower">Power at the motor, kW.</param>
    /// <param name="torque">Torque at the spindle nose, N·m.</param>
    /// <param name="feedRate">v_f, mm/min.</param>
    /// <param name="limits">Receives the limits.</param>
    protected internal void JudgeDrive(double speed, double motorPower, double torque, double feedRate, ref LimitSet limits)
    {
        SpindlePoint gives = Curve.At(speed);
        limits.Add(Limits.HighestSpeed, speed, LargestSpeed);
        limits.Add(Limits.LowestSpeed, speed, LeastSpeed);
        limits.Add(Limits.PowerContinuous, motorPower, gives.Power);
        limits.Add(Limits.PowerShortTime, motorPower, gives.ShortPower);
        limits.Add(Limits.TorqueContinuous, torque, gives.Torque);
        limits.Add(Limits.TorqueShortTime, torque, gives.ShortTorque);
        limits.Add(Limits.AxisFeed, feedRate, LargestFeed);
    }
}

using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Milling;

/// <summary>All that stays the same while the choices of a milling operation change, drawn together once.</summary>
public sealed class MillingSetup : RotatingSetup
{
    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    /// <param name="built">The assembly.</param>
    /// <param name="material">The work material.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="row">Row of the speed chart proposals start from; null where there is none.</param>
    /// <param name="practice">What the shop goes by where no standard says.</param>
    public MillingSetup(BuiltAssembly built, WorkMaterial material, Machine machine, SpeedRow? row, ShopPractice practice)
        : base(built, material, machine, row, practice)
    {
        Cutter cutter = Cutter;
        Geometry.Profile profile = cutter.Profile();
        Contact = new(profile);
        Edge = new(cutter, material);
        (FittedFrom, FittedTo) = (material.FittedFrom, material.FittedTo);
        RunOut = new(built.RunOut / 2000, Teeth);
        Strength = MillStrength.Of(Whole, cutter);
        HoldingForce = built.HoldingForce > 0 ? built.HoldingForce : double.NaN;
        AxisThrust = machine.AxisThrust > 0 ? machine.AxisThrust : double.NaN;
        Barrel = cutter.Family == CutterFamily.BarrelMill ? BarrelArc.Of(profile, cutter[Dimension.ProfileRadius]) : null;
        Flat = profile.Elements is [{ FromZ: 0, ToZ: 0 } end, ..] ? end.ToR : 0;
        HelixAngle = cutter.HelixAngle;
        FluteLength = cutter.FluteLength > 0 ? cutter.FluteLength : Contact.Length;
        LargestDepth = cutter.LargestDepth > 0 ? cutter.LargestDepth : Contact.Length;
        DeadCentre = cutter[Dimension.DeadCentre] is var dead && dead > 0 ? dead : 0;
        LargestRamp = cutter[Dimension.LargestRamp] is var ramp && ramp > 0 ? ramp : double.NaN;
        CornerRadius = cutter.Family == CutterFamily.BallEndMill
            ? cutter.CuttingDiameter / 2
            : cutter[Dimension.CornerRadius] is var corner && corner > 0
            ? corner
            : 0;
        FluteSection = FluteShareOfSection * Math.PI / 4 * cutter.CuttingDiameter * cutter.CuttingDiameter / cutter.Teeth;
        LargestWidth = cutter[Dimension.LargestWidthRatio] * cutter.CuttingDiameter;
        LeastChip = cutter[Dimension.LeastChip] is var h && h > 0 ? h : 0;
        LargestChip = cutter[Dimension.LargestChip];
        InsertReach = cutter.Described.Inserts && cutter[Dimension.EdgeAngle] is > 0 and < 90 and var κ
            ? LargestDepth / Math.Tan(double.DegreesToRadians(κ))
            : double.NaN;
        if (row is not null)
        {
            NoTrace none = default;
            double width = Math.Min(row.WidthRatio, 1) * Diameter, depth = Math.Min(row.DepthRatio * Diameter, LargestDepth);
            Charted = Engagement.Of(ContactAt(depth), width, depth, ArcOfEngagement.Side(Diameter, width, ref none));
        }
    }

    /// <summary>
    /// Share of a solid end mill's section that its flutes leave free, over all flutes: what the equivalent diameter of 0.8 leaves, 1 − 0.8² = 0.36
    /// (<see cref="TipCompliance.FluteShare"/>), rounded. Shop practice for any other number of teeth.
    /// </summary>
    public const double FluteShareOfSection = 0.4;

    /// <summary>The cutting part of the profile.</summary>
    public ContactProfile Contact { get; }

    /// <summary>The edge against this material.</summary>
    internal CuttingEdge Edge { get; }

    /// <summary>Least chip the material's figures were fitted for, mm; 0 where it is not stated.</summary>
    public double FittedFrom { get; }

    /// <summary>Largest chip the material's figures were fitted for, mm; 0 where it is not stated.</summary>
    public double FittedTo { get; }

    /// <summary>How far the axis the cutter turns about lies beside its own.</summary>
    public RunOut RunOut { get; }

    /// <summary>What the cutter stands in bending and torsion.</summary>
    public MillStrength Strength { get; }

    /// <summary>Force along the axis at which the cutter slips out of its holder, N; NaN where it is not known.</summary>
    public double HoldingForce { get; }

    /// <summary>Largest thrust of the axis along the spindle, N; NaN where it is not known.</summary>
    public double AxisThrust { get; }

    /// <summary>Engagement the row's feeds are stated for: a side cut of its own width and depth.</summary>
    public Engagement Charted { get; }

    /// <summary>Diameter of the middle of the end face that does not cut, mm; 0 for a cutter that cuts to its centre.</summary>
    public double DeadCentre { get; }

    /// <summary>Largest ramp angle of the cutter, degrees; NaN where none is given.</summary>
    public double LargestRamp { get; }

    /// <summary>The large arc of a barrel; null for any other cutter.</summary>
    public BarrelArc? Barrel { get; }

    /// <summary>Half-width of the flat at the tip, mm; 0 where the rounding reaches the axis.</summary>
    public double Flat { get; }

    /// <summary>Whether the tip is a ball, or so nearly that its middle has no speed.</summary>
    public bool TipIsBall => Barrel is null && CornerRadius > 0 && Flat < 0.1 * CornerRadius;

    /// <summary>Corner radius r_ε, mm; 0 for a square corner.</summary>
    public double CornerRadius { get; }

    /// <summary>Section of one flute, mm², in which the chips of one turn find room.</summary>
    public double FluteSection { get; }

    /// <summary>Helix angle λ, degrees.</summary>
    public double HelixAngle { get; }

    /// <summary>Lag of the helical edge per depth, radians per mm.</summary>
    public double LagPerDepth => Edge.LagPerDepth;

    /// <summary>Flute length LCF, mm.</summary>
    public double FluteLength { get; }

    /// <summary>Largest depth of cut APMX, mm.</summary>
    public double LargestDepth { get; }

    /// <summary>Largest width of cut, mm.</summary>
    public double LargestWidth { get; }

    /// <summary>Least chip thickness, mm.</summary>
    public double LeastChip { get; }

    /// <summary>How far the inserts reach in from the rim, mm: what a plunge may take; NaN where that is not known.</summary>
    public double InsertReach { get; }

    /// <summary>Largest chip thickness, mm.</summary>
    public double LargestChip { get; }

    /// <summary>Contact as far as a depth. Speeds of a face mill are stated for its cutting diameter, whatever its flank widens to.</summary>
    /// <param name="depth">Depth a_p, mm, above 0.</param>
    public Contact ContactAt(double depth)
    {
        Contact contact = Contact.At(depth);
        return Cutter.Family == CutterFamily.FaceMill ? contact with { Diameter = Diameter } : contact;
    }

    /// <summary>Factor k_s on the charted depth for how steadily the work is held, above 0 up to 1.</summary>
    internal double SteadinessFor(in Inputs x) =>
        x.Picked(Choice.Steadiness) switch { 1 => Practice.FairShare, 2 => Practice.WeakShare, _ => 1 };
}

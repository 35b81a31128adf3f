using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Holes;

/// <summary>All that stays the same while the choices of a hole operation change, drawn together once.</summary>
public sealed class HoleSetup : RotatingSetup
{
    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    /// <param name="built">The assembly.</param>
    /// <param name="material">The work material.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="row">Row of the speed chart proposals start from; null where there is none.</param>
    /// <param name="practice">What the shop goes by where no standard says.</param>
    /// <param name="cycle">How the shop drills with this family in this group; null where nobody has said.</param>
    /// <param name="turning">What turns the work; null where the tool turns.</param>
    public HoleSetup(
        BuiltAssembly built, WorkMaterial material, Machine machine, SpeedRow? row, ShopPractice practice, DrillingCycleRow? cycle = null,
        WorkSpindle? turning = null)
        : base(built, material, machine, row, practice, turning)
    {
        Turning = turning;
        CycleCharted = cycle is not null;
        Cycles = cycle ?? DrillingCycleRow.Cautious;
        PointAngle = Cutter[Dimension.PointAngle] is var sigma && sigma > 0 ? sigma : 180;
        FluteLength = Cutter.FluteLength > 0 ? Cutter.FluteLength : Reach;
        SynchronousLimit = machine.SynchronousLimit;
        RunUp = machine.RunUpTime > 0 && turning is null ? machine.LargestSpeed / machine.RunUpTime : double.NaN;
        AxisThrust = machine.AxisThrust > 0 ? machine.AxisThrust : double.NaN;
        FeedStep = machine.FeedStep;
        TensileStrength = material.TensileStrength;
        Lips = Cutter.Family == CutterFamily.IndexableDrill ? Math.Max(1, Teeth / 2) : Teeth;
        ChiselEdge = Cutter[Dimension.ChiselEdge] is var chisel && chisel > 0 ? chisel : double.NaN;
        Slender = SlenderDrill.Of(Cutter);
        Torsion = ToolTorsion.Of(Cutter, Diameter);
        Tap = Cutter[Dimension.Pitch] > 0 ? new(Cutter) : null;
    }

    /// <summary>What turns the work, the hole on its axis; null where the tool turns.</summary>
    public WorkSpindle? Turning { get; }

    /// <summary>Holes that cross the bore; null for none.</summary>
    public CrossHoles? Crossing { get; private set; }

    /// <summary>Stages that were changed; null for none.</summary>
    public StageEdits? Edited { get; private set; }

    /// <inheritdoc/>
    public override void Take(IReadOnlyList<Extra> extras)
    {
        base.Take(extras);
        (Crossing, Edited) = (Extra<CrossHoles>(), Extra<StageEdits>());
    }

    /// <summary>From which depth over diameter which cycle applies, and the pecks.</summary>
    public DrillingCycleRow Cycles { get; }

    /// <summary>Whether the chart had a row of cycles; otherwise they are the cautious ones.</summary>
    public bool CycleCharted { get; }

    /// <summary>Point angle σ, degrees; 180 for a flat end.</summary>
    public double PointAngle { get; }

    /// <summary>Length of flute, mm.</summary>
    public double FluteLength { get; }

    /// <summary>Highest speed at which the machine taps in step, rev/min; 0 where it cannot.</summary>
    public double SynchronousLimit { get; }

    /// <summary>Rise of the spindle speed α, rev/min in a second; NaN where nobody has measured it.</summary>
    public double RunUp { get; }

    /// <summary>Largest thrust of the feed axis, N; NaN where it is not known.</summary>
    public double AxisThrust { get; }

    /// <summary>Step to which the control rounds a feed when tapping, mm/min; 0 where it taps by feed per revolution.</summary>
    public double FeedStep { get; }

    /// <summary>R_m of the work material, MPa.</summary>
    public double TensileStrength { get; }

    /// <summary>Lips that share the chip at each radius; the inserts of an indexable drill share the radius, and each cuts the whole chip.</summary>
    public int Lips { get; }

    /// <summary>Length of the chisel edge, mm; NaN where it is not known.</summary>
    public double ChiselEdge { get; }

    /// <summary>The cutter as a slender column.</summary>
    public SlenderDrill Slender { get; }

    /// <summary>What the core of a drill stands.</summary>
    public ToolTorsion Torsion { get; }

    /// <summary>
    /// Depth the assembly goes into a hole before shank or holder touch, mm. A shank as thick as the hole does not enter it: it would rub.
    /// </summary>
    /// <param name="hole">Diameter of the hole behind the cutting part, mm.</param>
    public double ReachInto(double hole) => Cutter.ShankSize >= hole - 1e-9 ? BeforeShank : Projection;

    /// <summary>The tap's own geometry; null for any other cutter.</summary>
    public TapGeometry? Tap { get; }
}

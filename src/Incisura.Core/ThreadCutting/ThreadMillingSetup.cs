using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Milling;
using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>How the profiles of a thread mill stand on it.</summary>
public enum MillProfiles
{
    /// <summary>Several, a pitch apart.</summary>
    Several,

    /// <summary>One, for several pitches.</summary>
    One,

    /// <summary>Several on a taper of 1 in 16.</summary>
    Taper,
}

/// <summary>All that stays the same while the choices of milling a thread change: the thread, and the cutter's profiles in its groove.</summary>
public sealed class ThreadMillingSetup : RotatingSetup
{
    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    /// <param name="built">The assembly.</param>
    /// <param name="material">The work material.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="row">Row of the speed chart proposals start from; null where there is none.</param>
    /// <param name="practice">What the shop goes by where no standard says.</param>
    /// <param name="inside">Whether the thread is inside.</param>
    public ThreadMillingSetup(
        BuiltAssembly built, WorkMaterial material, Machine machine, SpeedRow? row, ShopPractice practice, bool inside)
        : base(built, material, machine, row, practice)
    {
        Inside = inside;
        Profiles = Cutter.Picked("profiles") switch { "one" => MillProfiles.One, "taper" => MillProfiles.Taper, _ => MillProfiles.Several };
        LeastPitch = Cutter[Dimension.Pitch];
        LargestPitch = Cutter[Dimension.LargestPitch] is var most && most > LeastPitch && Profiles == MillProfiles.One ? most : LeastPitch;
        ProfileAngle = Cutter[Dimension.ProfileAngle];
        Count = Profiles == MillProfiles.One ? 1 : Math.Max(1, (int)((Cutter.FluteLength / LeastPitch) + 1e-9));
        ProfileHeight = Cutter[Dimension.NeckDiameter] is var neck && neck > 0 && neck < Diameter && Profiles == MillProfiles.One
            ? (Diameter - neck) / 2
            : Math.Min(TurningTools.ThreadHeightShare * LargestPitch, 0.3 * Diameter);
        LeastChip = Cutter[Dimension.LeastChip] is var least && least > 0 ? least : 0;
        LargestChip = Cutter[Dimension.LargestChip];
        LagPerDepth = 2 * Math.Tan(double.DegreesToRadians(Math.Abs(Cutter.HelixAngle))) / Diameter;
        RunOut = new(built.RunOut / 2000, Teeth);
        Strength = MillStrength.Of(Whole, Cutter);
        Take(Usual());
    }

    /// <summary>The thread.</summary>
    public WorkThread Thread { get; private set; } = null!;

    /// <summary>Whether the thread is the shop's own.</summary>
    public bool Own { get; private set; }

    /// <summary>Limits of size of the thread; null where none are known.</summary>
    public ThreadLimits? Limits { get; private set; }

    /// <summary>The profile in the groove.</summary>
    public GrooveProfile Groove { get; private set; }

    /// <summary>Whether the thread is inside.</summary>
    public bool Inside { get; }

    /// <summary>How its profiles stand on it.</summary>
    public MillProfiles Profiles { get; }

    /// <summary>Number of profiles along the axis.</summary>
    public int Count { get; }

    /// <summary>Least pitch it mills, mm.</summary>
    public double LeastPitch { get; }

    /// <summary>Largest pitch it mills, mm.</summary>
    public double LargestPitch { get; }

    /// <summary>Angle between its flanks, degrees.</summary>
    public double ProfileAngle { get; }

    /// <summary>
    /// Height its profiles can cut, mm: as far as they stand out of the neck; where none is stated, that of a threading insert for its largest
    /// pitch, and less than the body leaves.
    /// </summary>
    public double ProfileHeight { get; }

    /// <summary>Least chip thickness, mm.</summary>
    public double LeastChip { get; }

    /// <summary>Largest chip thickness, mm.</summary>
    public double LargestChip { get; }

    /// <summary>Lag of a tooth for each mm along the axis, radians.</summary>
    public double LagPerDepth { get; }

    /// <summary>How far the axis the cutter turns about lies beside its own.</summary>
    public RunOut RunOut { get; }

    /// <summary>What the cutter stands in bending and torsion.</summary>
    public MillStrength Strength { get; }

    /// <summary>Error of the flanks this cutter makes, µm; NaN for flanks that lean unequally, which no round profile makes without one.</summary>
    public double FlankError { get; private set; }

    /// <summary>Whether the cutter turns to the right.</summary>
    public bool TurnsRight => Cutter.Hand != Hand.Left;

    /// <summary>Depth the assembly goes into a hole before shank or holder touch, mm.</summary>
    /// <param name="hole">Diameter of the hole, mm.</param>
    public double ReachInto(double hole) => Inside && Cutter.ShankSize >= hole - 1e-9 ? BeforeShank : Projection;

    /// <inheritdoc/>
    public override void Take(IReadOnlyList<Extra> extras)
    {
        base.Take(extras);
        if (Extra<ThreadToCut>() is not { } chosen || chosen.Read() is not { } read) return;
        Own = chosen.Own is not null;
        Take(read);
    }

    private void Take(WorkThread thread)
    {
        Thread = thread;
        Limits = thread.LimitsOf(Inside);
        (double leading, double following) = thread.Slopes;
        double nose = Profiles == MillProfiles.One ? Math.Min(1, LeastPitch / thread.Thread.Pitch) : 1;
        Groove = new(leading, following, nose * thread.FloorWidth(Inside));
        FlankError = thread.Form.Symmetric
            ? Threads.FlankError.Of(Outer, Inner, thread.Thread.Lead, thread.Form.FlankAngle, Diameter, Inside)
            : double.NaN;
    }

    private double Outer => Inside ? Thread.Shape.InternalMajor : Thread.Shape.Major;

    private double Inner => Inside ? Thread.Shape.InternalMinor : Thread.Shape.Minor;

    /// <summary>Largest cutter inside this thread whose flank error stays within what is allowed, mm; NaN where none does, and outside.</summary>
    /// <param name="allowed">Error allowed, µm.</param>
    public double LargestCutter(double allowed) => Inside && Thread.Form.Symmetric
        ? Threads.FlankError.LargestCutter(Outer, Inner, Thread.Thread.Lead, Thread.Form.FlankAngle, allowed)
        : double.NaN;

    // A thread the cutter can mill, where none was chosen: the smallest of a standard with its pitch that leaves it room.
    private WorkThread Usual() => WorkThread.Of(
        ThreadTables.All.Select(l => l.Thread).Where(t => Math.Abs(FormDescription.Of(t.Form).FlankAngle - ProfileAngle) < 0.5)
            .Where(t => t.Pitch >= LeastPitch - 1e-3 && t.Pitch <= LargestPitch + 1e-3)
            .Where(t => FormDescription.Of(t.Form).Taper > 0 == (Profiles == MillProfiles.Taper))
            .FirstOrDefault(t => ThreadShape.Of(t).InternalMinor > 1.15 * Diameter)
            ?? new() { Form = ThreadForm.Metric, Diameter = Math.Round((1.4 * Diameter) + (1.2 * LeastPitch)), Pitch = LeastPitch });
}

using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>All that stays the same while the choices of turning a thread change: the thread, and the insert in its groove.</summary>
public sealed class ThreadTurningSetup : TurningSetup
{
    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    /// <param name="built">The assembly.</param>
    /// <param name="material">The work material.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="row">Row of the speed chart proposals start from; null where there is none.</param>
    /// <param name="practice">What the shop goes by where no standard says.</param>
    /// <param name="counter">Whether the counter spindle turns the work.</param>
    public ThreadTurningSetup(
        BuiltAssembly built, WorkMaterial material, Machine machine, SpeedRow? row, ShopPractice practice, bool counter = false)
        : base(built, material, machine, row, practice, counter)
    {
        (LeastPitch, LargestPitch) = (Cutter[Dimension.Pitch], Cutter[Dimension.LargestPitch]);
        ProfileAngle = Cutter[Dimension.ProfileAngle];
        Full = Cutter.Picked("profile") == "full";
        Teeth = Cutter.Teeth;
        ProfileHeight = TurningTools.ThreadHeightShare * LargestPitch;
        Take(Usual());
    }

    /// <summary>The thread.</summary>
    public WorkThread Thread { get; private set; } = null!;

    /// <summary>Whether the thread is the shop's own.</summary>
    public bool Own { get; private set; }

    /// <summary>Limits of size of the thread; null where none are known.</summary>
    public ThreadLimits? Limits { get; private set; }

    /// <summary>The insert in the groove.</summary>
    public GrooveProfile Groove { get; private set; }

    /// <summary>Least pitch of the insert, mm.</summary>
    public double LeastPitch { get; }

    /// <summary>Largest pitch of the insert, mm.</summary>
    public double LargestPitch { get; }

    /// <summary>Angle between the flanks of the insert, degrees.</summary>
    public double ProfileAngle { get; }

    /// <summary>Whether its profile is that of one pitch and cuts the crest too.</summary>
    public bool Full { get; }

    /// <summary>Profiles that cut one behind the other.</summary>
    public int Teeth { get; }

    /// <summary>Height the insert can cut, mm.</summary>
    public double ProfileHeight { get; }

    /// <summary>Side clearance of the flanks, degrees: that of the nose, seen square to a flank; NaN where it is not known.</summary>
    public double FlankClearance =>
        Cutter[Dimension.Clearance] is var clearance && clearance > 0
            ? double.RadiansToDegrees(Math.Atan(
                Math.Tan(double.DegreesToRadians(clearance)) * Math.Min(Groove.Leading, Groove.Following)))
            : double.NaN;

    /// <summary>Whether the hand of the tool is that of the thread, so that it is fed with its hand.</summary>
    public bool WithHand => Cutter.Hand == Hand.Neutral || (Cutter.Hand == Hand.Left) == Thread.Thread.LeftHand;

    /// <inheritdoc/>
    public override void Take(IReadOnlyList<Extra> extras)
    {
        base.Take(extras);
        if (Extra<ThreadToCut>() is { } chosen && chosen.Read() is { } read)
        {
            Own = chosen.Own is not null;
            Take(read);
        }
    }

    private void Take(WorkThread thread)
    {
        Thread = thread;
        Limits = thread.LimitsOf(Inside);
        (double leading, double following) = thread.Slopes;

        // An insert for several pitches has the nose of the least.
        double nose = Full ? 1 : Math.Min(1, LeastPitch / thread.Thread.Pitch);
        Groove = new(leading, following, nose * thread.FloorWidth(Inside));
    }

    // A thread the insert can cut, where none was chosen: the first of a standard with its pitch, which a bar can enter.
    private WorkThread Usual() => WorkThread.Of(
        ThreadTables.All.Select(l => l.Thread).Where(t => Math.Abs(FormDescription.Of(t.Form).FlankAngle - ProfileAngle) < 0.5)
            .Where(t => t.Pitch >= LeastPitch - 1e-9 && t.Pitch <= LargestPitch + 1e-9)
            .FirstOrDefault(t => t.Diameter >= 12 && (!Inside || ThreadShape.Of(t).InternalMinor > LeastBore))
            ?? new() { Form = ThreadForm.Metric, Diameter = Inside ? LeastBore + (2 * LargestPitch) : 20, Pitch = LargestPitch });
}

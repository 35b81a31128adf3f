using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Calculation;

/// <summary>A setup in which the main spindle turns the work and the cutter stands still.</summary>
public abstract class TurningSetup : CuttingSetup
{
    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    /// <param name="built">The assembly.</param>
    /// <param name="material">The work material.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="row">Row of the speed chart proposals start from; null where there is none.</param>
    /// <param name="practice">What the shop goes by where no standard says.</param>
    /// <param name="counter">Whether the counter spindle turns the work.</param>
    protected TurningSetup(
        BuiltAssembly built, WorkMaterial material, Machine machine, SpeedRow? row, ShopPractice practice, bool counter = false)
        : base(built, material, machine, row, practice, WorkSpindle.Of(machine, counter))
    {
        Turning = new(machine, counter);
        Tailstock = machine.Tailstock;
        if (Turning.ChuckSpeed < LargestSpeed) LargestSpeed = Turning.ChuckSpeed;
        AxisAcceleration = machine.AxisAcceleration > 0 ? machine.AxisAcceleration : double.NaN;
        WorkModulus = material.Stiffness();
        Inside = Cutter.Described.Shank == ShankForm.Cylindrical;
        LeastBore = Cutter[Dimension.LeastBore];
    }

    /// <summary>What turns and clamps the work.</summary>
    public WorkSpindle Turning { get; }

    /// <summary>Whether the machine has a centre; null where nobody has said.</summary>
    public bool? Tailstock { get; }

    /// <summary>Acceleration of the axes, mm/s²; NaN where nobody has measured it.</summary>
    public double AxisAcceleration { get; }

    /// <summary>Young's modulus of the work E, MPa.</summary>
    public double WorkModulus { get; }

    /// <summary>Whether the tool cuts inside: a bar.</summary>
    public bool Inside { get; }

    /// <summary>Least bore the tool goes into, mm; NaN where it does not.</summary>
    public double LeastBore { get; }

    /// <summary>Way in which an axis reaches a feed, or stops from it, at an even acceleration, mm: v²/(2·a).</summary>
    /// <param name="speed">n, rev/min.</param>
    /// <param name="lead">Way in a turn, mm.</param>
    /// <param name="acceleration">a, mm/s².</param>
    public static double RunUpWay(double speed, double lead, double acceleration)
    {
        double feed = speed * lead / 60;
        return feed * feed / (2 * acceleration);
    }
}

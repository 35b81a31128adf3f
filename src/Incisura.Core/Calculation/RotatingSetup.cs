using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Calculation;

/// <summary>
/// A setup whose cutter turns in the spindle, or stands on the axis of work that turns: its teeth cut on a diameter of its own, and where it turns it
/// does so no faster than its parts stand.
/// </summary>
public abstract class RotatingSetup : CuttingSetup
{
    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    /// <param name="built">The assembly.</param>
    /// <param name="material">The work material.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="row">Row of the speed chart proposals start from; null where there is none.</param>
    /// <param name="practice">What the shop goes by where no standard says.</param>
    /// <param name="turning">What turns the work; null where the cutter turns.</param>
    protected RotatingSetup(
        BuiltAssembly built, WorkMaterial material, Machine machine, SpeedRow? row, ShopPractice practice, WorkSpindle? turning = null)
        : base(built, material, machine, row, practice, turning?.Spindle)
    {
        Diameter = Cutter.CuttingDiameter;
        Teeth = Cutter.Teeth;
        LargestSpeed = turning?.Spindle is null ? Math.Min(machine.LargestSpeed, built.LargestSpeed)
            : Math.Min(LargestSpeed, turning.ChuckSpeed);
        double usable = Cutter.UsableLength > 0
            ? Cutter.UsableLength
            : Whole.Elements.TakeWhile(e => e.Part == Geometry.ProfilePart.Cutting).Select(e => e.ToZ).DefaultIfEmpty(Projection).Last();
        BeforeShank = Math.Min(usable, Projection);
        Reach = Cutter.ShankSize > Diameter ? BeforeShank : Projection;
    }

    /// <summary>Cutting diameter DC, mm.</summary>
    public double Diameter { get; }

    /// <summary>Number of teeth z.</summary>
    public int Teeth { get; }

    /// <summary>Length from the tip to where the shank begins, mm, at most <see cref="CuttingSetup.Projection"/>.</summary>
    protected double BeforeShank { get; }

    /// <inheritdoc/>
    internal override IEnumerable<Given> Givens(Origins origins, double wear) =>
        base.Givens(origins, wear).Prepend(new("z", "Teeth", Quantity.Count, Teeth, origins.Cutter));
}

using Incisura.Core.Cutters.Kinds;

namespace Incisura.Core.Cutters;

/// <summary>Every family of cutters, described.</summary>
public static class Families
{
    /// <summary>All, in the order of <see cref="CutterFamily"/>.</summary>
    public static IReadOnlyList<Family> All { get; } =
    [
        EndMills.Square, EndMills.CornerRadius, EndMills.Ball, EndMills.Taper, EndMills.HighFeed, EndMills.Face,
        FormMills.Slot, FormMills.Dovetail, FormMills.Chamfer, FormMills.CornerRounding, FormMills.Barrel, FormMills.Engraving, FormMills.Thread,
        HoleTools.Centre, HoleTools.Spot, HoleTools.Twist, HoleTools.Flat, HoleTools.Step, HoleTools.Indexable, HoleTools.Gun,
        HoleTools.Reamer, HoleTools.Counterbore, HoleTools.Countersink, HoleTools.Boring, HoleTools.FineBoring,
        Taps.Cutting, Taps.Forming, Taps.TaperPipe,
        TurningTools.Outside, TurningTools.Inside, TurningTools.Grooving, TurningTools.Parting, TurningTools.Threading,
        FormMills.Form,
        TurningTools.InsideThreading, TurningTools.InsideGrooving, TurningTools.FaceGrooving,
    ];

    /// <summary>The description of a family.</summary>
    public static Family Of(CutterFamily family) => All[(int)family];
}

using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Milling;
using Incisura.Core.Milling.Kinds;
using Incisura.Core.ThreadCutting;
using Incisura.Core.Turning;
using Incisura.Core.Turning.Kinds;

namespace Incisura.Core.Catalogue;

/// <summary>Every operation there is, and every kind of thing that travels with one.</summary>
public static class Operations
{
    /// <inheritdoc cref="Engine.Version"/>
    public const string EngineVersion = Engine.Version;

    /// <summary>All, in the order they are offered.</summary>
    public static IReadOnlyList<IOperation> All { get; } =
    [
        new MillingOperation<SideRough>(),
        new MillingOperation<SideFinish>(),
        new MillingOperation<FaceMilling>(),
        new MillingOperation<SlotMilling>(),
        new MillingOperation<PocketMilling>(),
        new MillingOperation<ConstantEngagement>(),
        new MillingOperation<RampMilling>(),
        new MillingOperation<HelicalEntry>(),
        new MillingOperation<HelicalBoring>(),
        new MillingOperation<PlungeMilling>(),
        new MillingOperation<CornerCleaning>(),
        new MillingOperation<SurfaceFinishing>(),
        new MillingOperation<ChamferMilling>(),
        new MillingOperation<Engraving>(),
        new HoleOperation<CentreDrilling>(),
        new HoleOperation<SpotDrilling>(),
        new HoleOperation<Drilling>(),
        new HoleOperation<StagedDrilling>(),
        new HoleOperation<Countersinking>(),
        new HoleOperation<Counterboring>(),
        new HoleOperation<Reaming>(),
        new HoleOperation<Boring<RoughBar>>(),
        new HoleOperation<Boring<FineBar>>(),
        new HoleOperation<Tapping>(),
        new TurningOperation<FaceTurning>(),
        new TurningOperation<RoughTurning>(),
        new TurningOperation<FinishTurning>(),
        new TurningOperation<Grooving>(),
        new TurningOperation<PartingOff>(),
        new ThreadTurningOperation(),
        new ThreadMillingOperation(),
    ];

    /// <summary>What a choice can have beyond numbers and picks.</summary>
    public static IReadOnlyList<Type> Extras { get; } =
        [typeof(CrossHoles), typeof(StageEdits), typeof(DrilledBefore), typeof(ThreadToCut), typeof(TurnedOutline)];

    /// <summary>What a result can have beyond figures.</summary>
    public static IReadOnlyList<Type> Attachments { get; } =
        [typeof(ToolWay), typeof(OpenWalls), typeof(CutThread), typeof(InfeedCourse), typeof(FinishedContour), typeof(GoesOn)];

    /// <summary>Whether the feed of an operation is the lead of a thread; null for one that does not exist.</summary>
    /// <param name="code">Code of the operation.</param>
    public static bool? FeedInStep(string code) => Find(code)?.Description.FeedInStep;

    /// <summary>The operation of a code, or null.</summary>
    public static IOperation? Find(string code) => All.FirstOrDefault(o => o.Description.Code == code);
}

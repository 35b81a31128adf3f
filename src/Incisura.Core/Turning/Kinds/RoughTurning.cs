using Incisura.Core.Cutters;

namespace Incisura.Core.Turning.Kinds;

/// <summary>Rough turning along the work, outside or inside by the tool: equal passes down to what is left for finishing.</summary>
public readonly struct RoughTurning : ITurningKind
{
    /// <inheritdoc/>
    public static OperationDescription Description { get; } = new(
        "turn-rough", "Rough turning", "turned", [CutterFamily.OutsideTurningTool, CutterFamily.InsideTurningTool],
        [
            TurningWords.Before, TurningWords.After, TurningWords.Length, TurningWords.Bore, TurningWords.Body, TurningWords.StandsOut,
            WorkSpindleWords.Gripped, WorkSpindleWords.GripLength, TurningWords.SteadyAt, TurningWords.CutShare,
            new(Input.EvenStock, "e_b", "Even stock of a forging, 0 for a bar", TurningWords.Work, Quantity.Length, 0, 100, 0),
            TurningWords.Depth, TurningWords.Left, TurningWords.FaceStock, TurningWords.Feed, TurningWords.Clamp,
            TurningWords.Deflection(150),
        ],
        TurningWords.Options, TurningWords.Large, TurningWords.Rows)
    {
        AtMachine = TurningWords.SetAtMachine(Output.Depth, Output.PassesDown, Input.StockLeft, Input.FaceStock),
        Extras = LongTurning.Extras,
    };

    /// <inheritdoc/>
    public static void Follow(TurnedSetup setup, ref Inputs x) =>
        LongTurning.Follow(setup, x[Input.DepthOfCut] + x[Input.StockLeft], largest: true, ref x);

    /// <inheritdoc/>
    public static bool Uses(TurnedSetup setup, in Inputs x, Input input) => LongTurning.Uses(setup, x, input);

    /// <inheritdoc/>
    public static void Refuse(TurnedSetup setup, in Inputs x, InputCheck check) =>
        LongTurning.Refuse(setup, x, x[Input.StockLeft], blank: true, check);

    /// <inheritdoc/>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace => LongTurning.Course(setup, x, x[Input.StockLeft], x[Input.DepthOfCut], ref trace);

    /// <inheritdoc/>
    public static HeldWork Held(TurnedSetup setup, in Inputs x) => LongTurning.Held(setup, x, x[Input.StockLeft]);

    /// <inheritdoc/>
    public static void Judge(TurnedSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits) => LongTurning.Judge(setup, x, ref limits);

    /// <inheritdoc/>
    public static void Notice(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings) => LongTurning.Notice(setup, r, findings);

    /// <inheritdoc/>
    public static void Follows(TurnedSetup setup, in Inputs x, Following after) => LongTurning.Follows(setup, x, x[Input.StockLeft], after);

    /// <inheritdoc/>
    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse course, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink => LongTurning.Walk(setup, x, x[Input.StockLeft], x[Input.DepthOfCut], speed, ref sink);
}

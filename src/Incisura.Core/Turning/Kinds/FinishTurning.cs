using Incisura.Core.Cutters;

namespace Incisura.Core.Turning.Kinds;

/// <summary>Finish turning along the work in one pass, outside or inside by the tool: the feed follows from the finish wanted.</summary>
public readonly struct FinishTurning : ITurningKind
{
    private const double UsualStock = 0.5;

    private static readonly Formula FeedFormula = new(
        "f", "Feed per revolution for the finish", Quantity.Chip, "min(f_chart, q_r)",
        "charted, and no more than q_r, the feed whose marks are R_w high");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = new(
        "turn-finish", "Finish turning", "turned", [CutterFamily.OutsideTurningTool, CutterFamily.InsideTurningTool],
        [
            TurningWords.Before, TurningWords.After, TurningWords.Length, TurningWords.Bore, TurningWords.Body, TurningWords.StandsOut,
            WorkSpindleWords.Gripped, WorkSpindleWords.GripLength, TurningWords.SteadyAt, TurningWords.CutShare,
            TurningWords.FaceStock with { Name = "Stock on faces", Group = TurningWords.Work }, TurningWords.Feed, TurningWords.Clamp,
            new(Input.FinishWanted, "R_w", "Peak to valley wanted", TurningWords.HeldTo, Quantity.Deviation, 0.05, 500, 10),
            TurningWords.Deflection(15),
        ],
        TurningWords.Options,
        [Output.ProgrammedSpeed, Output.FeedInUse, Output.PeakToValley, Output.Time],
        [.. TurningWords.Rows.Where(o => o != Output.PeakToValley), Output.Depth])
    {
        AtMachine = TurningWords.SetAtMachine(Output.Depth, Output.PassesDown, Input.FaceStock),
        ChartedAs = [RoughTurning.Description],
        Extras = LongTurning.Extras,
    };

    /// <inheritdoc/>
    public static void Follow(TurnedSetup setup, ref Inputs x) => LongTurning.Follow(setup, UsualStock, largest: false, ref x);

    /// <inheritdoc/>
    public static bool Uses(TurnedSetup setup, in Inputs x, Input input) => LongTurning.Uses(setup, x, input);

    /// <inheritdoc/>
    public static void Refuse(TurnedSetup setup, in Inputs x, InputCheck check) => LongTurning.Refuse(setup, x, 0, blank: false, check);

    /// <inheritdoc/>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace => LongTurning.Course(setup, x, 0, double.PositiveInfinity, ref trace);

    /// <inheritdoc/>
    public static HeldWork Held(TurnedSetup setup, in Inputs x) => LongTurning.Held(setup, x, 0);

    /// <inheritdoc/>
    public static double FeedFrom<TTrace>(TurnedSetup setup, double charted, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wanted = FeedMark.WipedFeedFor(
            x[Input.FinishWanted], setup.CornerRadius, setup.EdgeAngle, setup.MarkAngle(across: false), setup.Wiper),
            feed = Math.Min(charted, wanted);
        if (TTrace.Listens) trace.Take(FeedFormula, feed, new("f_chart", charted), new("q_r", wanted));
        return feed;
    }

    /// <inheritdoc/>
    public static void Judge(TurnedSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits)
    {
        LongTurning.Judge(setup, x, ref limits);
        limits.Add(TurningLimits.Finish, r[Output.PeakToValley], x[Input.FinishWanted]);
        if (setup.Contour is { LeastHollow: > 0 and var hollow }) limits.Add(TurningLimits.InnerCorner, setup.CornerRadius, hollow);
    }

    /// <inheritdoc/>
    public static void Notice(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        LongTurning.Notice(setup, r, findings);
        if (setup.Contour.SharpCorners)
            findings.Add(new(
                "corners-stay-round", Severity.Info,
                new("Inner corners without a radius of their own keep that of the tool, {0}.", new Measure(setup.CornerRadius, Quantity.Length)),
                ""));
    }

    /// <inheritdoc/>
    public static void Follows(TurnedSetup setup, in Inputs x, Following after) => LongTurning.Follows(setup, x, 0, after);

    /// <inheritdoc/>
    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse course, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink => LongTurning.WalkOutline(setup, x, speed, ref sink);
}

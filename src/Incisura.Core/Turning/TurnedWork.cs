using Incisura.Core.Charts;
using Incisura.Core.Holders;

namespace Incisura.Core.Turning;

/// <summary>A turning operation as the interface, the API and the exports use it.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public sealed class TurningOperation<TKind> : Operation<TurnedWork<TKind>, WorkResult>
    where TKind : struct, ITurningKind;

/// <summary>The world of turning: what the engine has to know of a turning operation.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public readonly struct TurnedWork<TKind> : IWork<WorkResult>
    where TKind : struct, ITurningKind
{
    private const double LeastShare = 0.1, LeastFeedShare = 0.2, Headroom = 1.15, BeyondChart = 1.6, DefaultDepth = 1;
    private const int MostPasses = 1000;

    private static readonly Formula ChartDepth = new(
        "a_pmost", "Depth proposed", Quantity.Length, "1*a_pchart", "speed chart of the shop");
    private static readonly Formula ChartFeed = new(
        "f", "Feed per revolution proposed", Quantity.Chip, "1*f_chart", "speed chart of the shop, for the edge");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = Common.Complete(TKind.Description) with
    {
        Free =
        [
            .. new[] { Input.DepthOfCut, Input.FeedPerRevolution, Input.CuttingSpeed }
                .Where(i => i == Input.CuttingSpeed || TKind.Description.Has(i)).Select(i => Codes.Of(i)),
        ],
        Own = [.. TKind.Description.Own, .. TurningWords.Own],
    };

    /// <inheritdoc/>
    public static IReadOnlyList<Lever> Levers { get; } =
    [
        new(
            Input.DepthOfCut, (_, in x) => LeastShare * x[Input.DepthOfCut], MostDepth,
            (s, in x) => Headroom * Math.Max(x[Input.DepthOfCut], BeyondChart * MostDepth(s, x)))
        { KeptFirst = true, TopIsChart = true, Totals = [Input.EndDiameter, Input.StockHeight] },
        new(
            Input.FeedPerRevolution, (_, in x) => LeastFeedShare * x[Input.FeedPerRevolution], MostFeed,
            (s, in x) => Headroom * Math.Max(x[Input.FeedPerRevolution], BeyondChart * MostFeed(s, x)))
        { IsFeed = true, TopIsChart = true },
    ];

    /// <inheritdoc/>
    public static CuttingSetup Draw(Situation situation, BuiltAssembly built, SpeedRow? row, IReadOnlyDictionary<string, string> options) =>
        new TurnedSetup(
            built, situation.Material.Value, situation.Machine.Value, row, situation.Chart.Value.Practice,
            WorkSpindleWords.IsCounter(options));

    /// <inheritdoc/>
    public static void Follow(CuttingSetup setup, ref Inputs x)
    {
        TurnedSetup own = Of(setup);
        x.Propose(Input.SpeedClamp, double.IsFinite(own.LargestSpeed) ? own.LargestSpeed : 1);
        TKind.Follow(own, ref x);
        x.Propose(Input.GrippedDiameter, x[Input.BodyDiameter]);
        x.Propose(Input.GripLength, WorkSpindle.UsualGrip(x[Input.GrippedDiameter]));
        x.Propose(Input.SteadyAt, Math.Round(x[Input.StandsOut] / 2));
    }

    /// <inheritdoc/>
    public static bool Uses(CuttingSetup setup, in Inputs x, Input input) =>
        input switch
        {
            Input.SteadyAt => x.Steady,
            Input.GripLength => x.OnlyJaws,
            _ => TKind.Uses(Of(setup), x, input),
        };

    /// <inheritdoc/>
    public static void Refuse(CuttingSetup setup, in Inputs x, InputCheck check)
    {
        TurnedSetup own = Of(setup);
        NoTrace none = default;
        TKind.Refuse(own, x, check);
        int passes = TKind.Course(own, x, ref none).Passes;
        check.Holds(
            passes <= MostPasses, TKind.Description.Has(Input.DepthOfCut) ? "depthOfCut" : "slotWidth", passes,
            $"That would be {passes} passes, and {MostPasses} are the most; take more depth in each, or a wider blade.")
            .Holds(
                !x.Steady || x[Input.SteadyAt] <= x[Input.StandsOut], "steadyAt", x[Input.SteadyAt],
                $"The work stands {x[Input.StandsOut]:0.##} mm out of the chuck; place the steady rest on it.")
            .Holds(
                x[Input.WorkBore] < Math.Min(x[Input.BodyDiameter], x[Input.GrippedDiameter]), "workBore", x[Input.WorkBore],
                $"A bore of Ø{x[Input.WorkBore]:0.##} mm leaves nothing of Ø{x[Input.BodyDiameter]:0.##} mm; give a smaller bore.");
    }

    /// <inheritdoc/>
    public static double SpeedDiameter(CuttingSetup setup, in Inputs x)
    {
        NoTrace none = default;
        TurnedCourse course = TKind.Course(Of(setup), x, ref none);
        return Math.Max(course.OuterAt(course.Most), 1e-6);
    }

    /// <inheritdoc/>
    public static double Charted<TTrace>(CuttingSetup setup, SpeedRow row, in Inputs x, Input lever, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        TurnedSetup own = Of(setup);
        if (lever == Input.DepthOfCut)
        {
            double depth = row.Depth ?? DefaultDepth;
            if (TTrace.Listens) trace.Take(ChartDepth, depth, new Term("a_pchart", depth));
            return depth;
        }

        double feed = row.FeedPerToothAt(own.Cutter.FeedSize);
        if (TTrace.Listens) trace.Take(ChartFeed, feed, new Term("f_chart", feed));
        return TKind.FeedFrom(own, feed, x, ref trace);
    }

    /// <inheritdoc/>
    public static LimitDefinition? Refeed(CuttingSetup setup, SpeedRow row, ref Inputs x)
    {
        NoTrace none = default;
        x[Input.FeedPerRevolution] = Charted(setup, row, x, Input.FeedPerRevolution, ref none);
        return null;
    }

    /// <inheritdoc/>
    public static void Solve<TTrace>(CuttingSetup setup, in Inputs x, out WorkResult result, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        TurnedSetup own = Of(setup);
        result = default;
        TurnedCourse course = TKind.Course(own, x, ref trace);
        double gripAt = CourseLoad.Solve(own, x, course, TKind.Held(own, x), ref result, ref trace);
        CourseLoad.Time<TKind, TTrace>(own, x, course, ref result, ref trace);
        TKind.Work(own, x, course, ref result, ref trace);
        if (own.Taylor.Known) result[Output.ToolLife] = own.Taylor.LifeAt(result[Output.SpeedInUse], ref trace);
        CourseLoad.Judge(own, x, course, gripAt, result, ref result.Judging);
        TKind.Judge(own, x, result, ref result.Judging);
    }

    /// <inheritdoc/>
    public static Sentence? Note(CuttingSetup setup, in Inputs x, Input input) => input switch
    {
        Input.FeedPerRevolution when Of(setup) is { Row: { Feeds.Count: > 0 } row } own => new(
            own.IsBlade ? "chart {0}, for a blade of {1}" : "chart {0}, for a corner of {1}",
            new(row.FeedPerToothAt(own.Cutter.FeedSize), Quantity.Chip), new Measure(own.Cutter.FeedSize, Quantity.Length)),
        Input.DepthOfCut when Of(setup).Row is { Depth: { } depth } => new("chart {0}", new Measure(depth, Quantity.Length)),
        Input.SpeedClamp when Of(setup) is { LargestSpeed: var most } => new("spindle and chuck {0}", new Measure(most, Quantity.SpindleSpeed)),
        _ => null,
    };

    /// <inheritdoc/>
    public static void Notice(CuttingSetup setup, in Inputs x, in WorkResult result, List<Finding> findings)
    {
        TurningFindings.Add(Of(setup), x, result, findings);
        TKind.Notice(Of(setup), x, result, findings);
    }

    /// <inheritdoc/>
    public static IReadOnlyList<LeftPart> Left(Leftover leftover, in Inputs x) => [];

    /// <inheritdoc/>
    public static string SymbolOf(FieldDescription field) => TurningWords.SymbolOf(field);

    /// <inheritdoc/>
    public static IReadOnlyList<Attachment> Attach(CuttingSetup setup, in Inputs x, in WorkResult result)
    {
        TurnedSetup own = Of(setup);
        NoTrace none = default;
        TurnedCourse course = TKind.Course(own, x, ref none);
        WayList list = new();
        TKind.Walk(own, x, course, CourseLoad.SpeedOf(course, x), ref list);
        Following next = new(x);
        TKind.Follows(own, x, next);
        return own.Outline is null ? [list.Way, next.All] : [list.Way, next.All, new FinishedContour([.. own.Contour.Elements])];
    }

    /// <inheritdoc/>
    public static IEnumerable<Given> Givens(CuttingSetup setup, in Inputs x, in WorkResult result, Origins origins)
    {
        TurnedSetup own = Of(setup);
        NoTrace none = default;
        TurnedCourse course = TKind.Course(own, x, ref none);
        List<Given> givens =
        [
            new("κ", "Cutting edge angle with the feed", Quantity.Angle, course.EdgeAngle, origins.Cutter),
            new("r_ε", "Corner radius", Quantity.Length, own.CornerRadius, origins.Cutter),
            new("k_o", "1 where the chip lies outside the tip", Quantity.Ratio, course.ChipOutside ? 1 : 0, "the operation"),
            new("k_b", "1 where a bar bends", Quantity.Ratio, own.Inside ? 1 : 0, origins.Cutter),
            new("c_0", "Clear way before and after", Quantity.Length, own.Practice.ClearWay, origins.Chart),
            new("E_w", "Young's modulus of the work", Quantity.Stress, own.WorkModulus, origins.Material),
            .. own.Turning.Givens(own.Practice, origins),
            new("n_max", "Highest speed of spindle and chuck", Quantity.SpindleSpeed, own.LargestSpeed, origins.Machine),
        ];
        if (own.IsBlade) givens.Add(new("CW", "Width of the blade's edge", Quantity.Length, own.Width, origins.Cutter));
        if (own.Row is { } row)
        {
            givens.Add(new("f_chart", "Charted feed", Quantity.Chip, row.FeedPerToothAt(own.Cutter.FeedSize), origins.Chart));
            givens.Add(new("a_pchart", "Charted depth", Quantity.Length, row.Depth ?? DefaultDepth, origins.Chart));
        }

        return givens;
    }

    private static double MostDepth(CuttingSetup setup, in Inputs x)
    {
        double typed = x[Input.DepthOfCut];
        if (setup.Row is not { } row) return typed;
        double charted = row.Depth ?? DefaultDepth;
        return x.IsTyped(Input.DepthOfCut) ? Math.Max(charted, typed) : charted;
    }

    private static double MostFeed(CuttingSetup setup, in Inputs x)
    {
        double typed = x[Input.FeedPerRevolution];
        if (setup.Row is not { } row) return typed;
        NoTrace none = default;
        double charted = Charted(setup, row, x, Input.FeedPerRevolution, ref none);
        return x.IsTyped(Input.FeedPerRevolution) ? Math.Max(charted, typed) : charted;
    }

    private static TurnedSetup Of(CuttingSetup setup) => (TurnedSetup)setup;
}

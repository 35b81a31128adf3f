using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Holders;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>A hole operation as the interface, the API and the exports use it.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public sealed class HoleOperation<TKind> : Operation<HoleMaking<TKind>, HoleSetup, HoleResult>
    where TKind : struct, IHoleKind;

/// <summary>How the hole was drilled before the drawing, the cutter, the material, the machine or the coolant changed.</summary>
/// <param name="Depth">Depth the hole had, mm; null where it did not change.</param>
/// <param name="Cycle">Cycle it was drilled in; null where nothing but the depth changed.</param>
public sealed record DrilledBefore(double? Depth = null, DrillingCycle? Cycle = null) : Extra
{
    /// <inheritdoc/>
    protected internal override string Words => "depth or cycle that could have been another before";

    /// <inheritdoc/>
    protected internal override void Check(OperationDescription operation, InputCheck check)
    {
        if (Depth is not { } before || !operation.Has(Input.Depth)) return;
        FieldDescription field = operation.Field(Input.Depth);
        check.Within("depthBefore", "The depth before the drawing changed", before, field.Least, field.Most, Quantity.Length);
    }
}

/// <summary>The world of holes: what the engine has to know of a hole operation.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public readonly struct HoleMaking<TKind> : IWork<HoleSetup, HoleResult>
    where TKind : struct, IHoleKind
{
    // Feed below this share of the charted one is no longer proposed.
    private const double LeastFeedShare = 0.2, Headroom = 1.15, BeyondChart = 1.6;

    private static readonly Formula ChartFeed = new(
        "f", "Feed per revolution proposed", Quantity.Chip, "z*f_zchart", "speed chart of the shop, for all lips");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = Common.Complete(TKind.Description) with
    {
        Free = TKind.Description.FeedInStep ? [] : [Codes.Of(Input.CuttingSpeed), Codes.Of(Input.FeedPerRevolution)],
        Own = [new(Output.Time, "T", "Time of a hole", Quantity.Time)],
        Extras =
        [
            .. TKind.Description.Extras,
            .. TKind.Description.Has(Input.FirstPeck) ? [Extra.CodeOf(typeof(DrilledBefore))] : Array.Empty<string>(),
        ],
    };

    /// <inheritdoc/>
    public static IReadOnlyList<Lever<HoleSetup>> Levers { get; } =
    [
        new(
            Input.FeedPerRevolution, (_, in x) => LeastFeedShare * x[Input.FeedPerRevolution], MostFeed,
            (s, in x) => Headroom * Math.Max(x[Input.FeedPerRevolution], BeyondChart * MostFeed(s, x)))
        { GivesWay = 2, IsFeed = true, TopIsChart = true },
    ];

    /// <inheritdoc/>
    public static HoleSetup Draw(Situation situation, BuiltAssembly built, SpeedRow? row, IReadOnlyDictionary<string, string> options) =>
        new(
            built, situation.Material.Value, situation.Machine.Value, row,
            situation.Chart.Value.FindCycle(
                situation.Cutter.Value.Family, situation.Material.Value.Group, options.GetValueOrDefault(Common.Coolant, "")));

    /// <inheritdoc/>
    public static void Follow(HoleSetup setup, ref Inputs x)
    {
        TKind.Follow(setup, ref x);
        x.Propose(Input.Retract, Math.Max(HoleWords.UsualRetract, x[Input.Approach]));
    }

    /// <inheritdoc/>
    public static bool Uses(HoleSetup setup, in Inputs x, Input input) => TKind.Uses(setup, x, input);

    /// <inheritdoc/>
    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check)
    {
        check.Holds(
            x[Input.Retract] >= x[Input.Approach], "retract", x[Input.Retract],
            $"The retract plane lies below the approach plane at {x[Input.Approach]:0.##} mm; raise it.");
        TKind.Refuse(setup, x, check);
    }

    /// <inheritdoc/>
    public static double SpeedDiameter(HoleSetup setup, in Inputs x)
    {
        NoTrace none = default;
        Solve(setup, x, out HoleResult result, ref none);
        return result[Output.OuterDiameter];
    }

    /// <inheritdoc/>
    public static double Charted<TTrace>(HoleSetup setup, SpeedRow row, in Inputs x, Input lever, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double tooth = row.FeedPerToothAt(setup.Diameter), feed = setup.Teeth * tooth;
        if (TTrace.Listens) trace.Take(ChartFeed, feed, new("z", setup.Teeth), new("f_zchart", tooth));
        return feed;
    }

    /// <inheritdoc/>
    public static void Solve<TTrace>(HoleSetup setup, in Inputs x, out HoleResult result, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        result = default;
        TKind.Work(setup, x, ref result, ref trace);
        if (setup.Taylor.Known) result[Output.ToolLife] = setup.Taylor.LifeAt(result[Output.SpeedInUse], ref trace);
        LimitSet limits = default;
        HoleWork.Judge(setup, x, result, TKind.Enters(setup, x), ref limits);
        TKind.Judge(setup, x, result, ref limits);
        result.Limits = limits;
    }

    /// <inheritdoc/>
    public static Sentence? Note(HoleSetup setup, in Inputs x, Input input) => input switch
    {
        Input.Depth => new("{0} × D", new Measure(x[Input.Depth] / setup.Diameter, Quantity.Ratio)),
        Input.FeedPerRevolution when setup.Row is { Feeds.Count: > 0 } row => new(
            "chart {0} × {1}", new(row.FeedPerToothAt(setup.Diameter), Quantity.Chip), new Measure(setup.Teeth, Quantity.Count)),
        _ => null,
    };

    /// <inheritdoc/>
    public static void Notice(HoleSetup setup, in Inputs x, in HoleResult result, List<Finding> findings)
    {
        if (x.Extra<DrilledBefore>() is { } before) CycleChoice.Crossed<TKind>(setup, x, result, before, findings);
        TKind.Notice(setup, x, result, findings);
    }

    /// <inheritdoc/>
    public static IReadOnlyList<LeftPart> Left(Leftover leftover, in Inputs x) =>
    [
        new(Input.HoleBefore, leftover.CutterDiameter, "a hole of Ø"),

        // A hole that goes through has no depth.
        new(Input.DepthOfHoleBefore, x.Through ? 0 : leftover.Height, "a depth of"),
    ];

    /// <inheritdoc/>
    public static IReadOnlyList<Attachment> Attach(HoleSetup setup, in Inputs x, in HoleResult result)
    {
        WayList list = new();
        TKind.Walk(setup, x, result, TKind.ReturnsAtFeed(setup), ref list);
        return x.Crossing is { } crossing ? [list.Way, new OpenWalls(crossing.Openings)] : [list.Way];
    }

    /// <inheritdoc/>
    public static IEnumerable<Given> Givens(HoleSetup setup, in Inputs x, in HoleResult r, Origins origins)
    {
        const string hole = "geometry of the hole";
        List<Given> givens =
        [
            new("D", "Cutting diameter", Quantity.Length, setup.Diameter, origins.Cutter),
            new("σ", "Point angle", Quantity.Angle, setup.PointAngle, origins.Cutter),
            new("v_fmax", "Largest feed of the axes", Quantity.FeedRate, setup.LargestFeed, origins.Machine),
            new(
                "n_max", "Highest speed of machine, holder and cutter", Quantity.SpindleSpeed, setup.LargestSpeed,
                $"{origins.Machine}; {origins.Assembly}"),
            new("l_p", "Length outside the holder", Quantity.Length, setup.Projection, origins.Assembly),
        ];
        if (r.Has(Output.OuterDiameter)) givens.Add(new("D_o", "Largest diameter cut", Quantity.Length, r[Output.OuterDiameter], hole));
        if (r.Has(Output.InnerDiameter)) givens.Add(new("D_i", "Least diameter cut", Quantity.Length, r[Output.InnerDiameter], hole));
        if (r.EdgeAngle > 0) givens.Add(new("κ", "Cutting edge angle of the edge", Quantity.Angle, r.EdgeAngle, origins.Cutter));
        if (double.IsFinite(setup.RunUp))
            givens.Add(new("α", "Run-up of the spindle, rev/min in a second", Quantity.SpindleSpeed, setup.RunUp, origins.Machine));
        if (setup.SynchronousLimit > 0)
            givens.Add(new("n_s", "Highest speed of tapping in step", Quantity.SpindleSpeed, setup.SynchronousLimit, origins.Machine));
        if (setup.Tap is { } tap) givens.Add(new("P", "Pitch", Quantity.Length, tap.Pitch, origins.Cutter));
        if (setup.Row is { Feeds.Count: > 0 } row)
            givens.Add(new("f_zchart", "Charted feed per tooth", Quantity.Chip, row.FeedPerToothAt(setup.Diameter), origins.Chart));
        return givens;
    }

    // Nothing but the chart says what the lips stand; what was typed stands where it is more, or where the chart says nothing.
    private static double MostFeed(HoleSetup setup, in Inputs x)
    {
        NoTrace none = default;
        double typed = x[Input.FeedPerRevolution];
        if (setup.Row is not { } row) return typed;
        double charted = Charted(setup, row, x, Input.FeedPerRevolution, ref none);
        return x.IsTyped(Input.FeedPerRevolution) ? Math.Max(charted, typed) : charted;
    }
}

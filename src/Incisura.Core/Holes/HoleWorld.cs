using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Threads;

namespace Incisura.Core.Holes;

/// <summary>A hole operation as the interface, the API and the exports use it.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public sealed class HoleOperation<TKind> : Operation<HoleMaking<TKind>, HoleResult>
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
public readonly struct HoleMaking<TKind> : IWork<HoleResult>
    where TKind : struct, IHoleKind
{
    // Feed below this share of the charted one is no longer proposed.
    private const double LeastFeedShare = 0.2, Headroom = 1.15, BeyondChart = 1.6, UsualWork = 3;

    private static readonly OperationDescription Whole = Common.Complete(TKind.Description);

    private static readonly Formula ChartFeed = new(
        "f", "Feed per revolution proposed", Quantity.Chip, "z*f_zchart", "speed chart of the shop, for all lips");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = Whole with
    {
        Free = TKind.Description.FeedInStep ? [] : [Codes.Of(Input.CuttingSpeed), Codes.Of(Input.FeedPerRevolution)],
        Fields = [.. Whole.Fields, WorkSpindleWords.Gripped],
        Options = [.. Whole.Options, HoleWords.TurnsOption],
        Rows = [.. TKind.Description.Rows, Output.GripNeeded, Output.GripLeft],
        Own = [.. TKind.Description.Own, new(Output.Time, "T", "Time of a hole", Quantity.Time)],
        Extras =
        [
            .. TKind.Description.Extras,
            .. TKind.Description.Has(Input.FirstPeck) ? [Extra.CodeOf(typeof(DrilledBefore))] : Array.Empty<string>(),
        ],
    };

    /// <inheritdoc/>
    public static IReadOnlyList<Lever> Levers { get; } =
    [
        new(
            Input.FeedPerRevolution, (_, in x) => LeastFeedShare * x[Input.FeedPerRevolution], MostFeed,
            (s, in x) => Headroom * Math.Max(x[Input.FeedPerRevolution], BeyondChart * MostFeed(s, x)))
        { IsFeed = true, TopIsChart = true },
    ];

    /// <inheritdoc/>
    public static CuttingSetup Draw(Situation situation, BuiltAssembly built, SpeedRow? row, IReadOnlyDictionary<string, string> options) =>
        new HoleSetup(
            built, situation.Material.Value, situation.Machine.Value, row, situation.Chart.Value.Practice,
            situation.Chart.Value.FindCycle(
                situation.Cutter.Value.Family, situation.Material.Value.Group, options.GetValueOrDefault(Common.Coolant, "")),
            options.GetValueOrDefault(Codes.Of(Choice.Spindle)) is ("main" or "counter") and var turns
                ? new(situation.Machine.Value, turns == "counter") : null);

    /// <inheritdoc/>
    public static double MostOf(FieldDescription field, Cutter cutter) => TKind.MostOf(field, cutter);

    /// <inheritdoc/>
    public static void Follow(CuttingSetup setup, ref Inputs x)
    {
        HoleSetup own = Of(setup);
        TKind.Follow(own, ref x);
        x.Propose(Input.GrippedDiameter, Math.Ceiling(UsualWork * own.Diameter));
        x.Propose(Input.Retract, Math.Max(HoleWords.UsualRetract, x[Input.Approach]));
    }

    /// <inheritdoc/>
    public static bool Uses(CuttingSetup setup, in Inputs x, Input input) =>
        input == Input.GrippedDiameter ? Of(setup).Turning is not null : TKind.Uses(Of(setup), x, input);

    /// <inheritdoc/>
    public static void Refuse(CuttingSetup setup, in Inputs x, InputCheck check)
    {
        HoleSetup own = Of(setup);
        check.Holds(
            x[Input.Retract] >= x[Input.Approach], "retract", x[Input.Retract],
            $"The retract plane lies below the approach plane at {x[Input.Approach]:0.##} mm; raise it.");
        TKind.Refuse(own, x, check);
    }

    /// <inheritdoc/>
    public static double SpeedDiameter(CuttingSetup setup, in Inputs x)
    {
        HoleSetup own = Of(setup);
        NoTrace none = default;
        Solve(own, x, out HoleResult result, ref none);
        return result[Output.OuterDiameter];
    }

    /// <inheritdoc/>
    public static double Charted<TTrace>(CuttingSetup setup, SpeedRow row, in Inputs x, Input lever, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleSetup own = Of(setup);
        double tooth = row.FeedPerToothAt(own.Diameter), feed = own.Teeth * tooth;
        if (TTrace.Listens) trace.Take(ChartFeed, feed, new("z", own.Teeth), new("f_zchart", tooth));
        return feed;
    }

    /// <inheritdoc/>
    public static LimitDefinition? Refeed(CuttingSetup setup, SpeedRow row, ref Inputs x)
    {
        NoTrace none = default;
        x[Input.FeedPerRevolution] = Charted(setup, row, x, Input.FeedPerRevolution, ref none);
        return null;
    }

    /// <inheritdoc/>
    public static void Solve<TTrace>(CuttingSetup setup, in Inputs x, out HoleResult result, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleSetup own = Of(setup);
        result = default;
        TKind.Work(own, x, ref result, ref trace);
        if (own.Taylor.Known) result[Output.ToolLife] = own.Taylor.LifeAt(result[Output.SpeedInUse], ref trace);
        own.Turning?.Hold(
            result[Output.Torque], result[Output.Thrust], x[Input.GrippedDiameter], result[Output.SpindleSpeed], own.Practice, ref result, ref trace);
        result.Judging.LoadsAt = TKind.WorstAt(result);
        HoleWork.Judge(own, x, result, TKind.Enters(own, x), ref result.Judging);
        TKind.Judge(own, x, result, ref result.Judging);
    }

    /// <inheritdoc/>
    public static Sentence? Note(CuttingSetup setup, in Inputs x, Input input) => input switch
    {
        Input.Depth => new("{0} × D", new Measure(x[Input.Depth] / Of(setup).Diameter, Quantity.Ratio)),
        Input.FeedPerRevolution when Of(setup).Row is { Feeds.Count: > 0 } row => new(
            "chart {0} × {1}", new(row.FeedPerToothAt(Of(setup).Diameter), Quantity.Chip), new Measure(Of(setup).Teeth, Quantity.Count)),
        _ => null,
    };

    /// <inheritdoc/>
    public static void Notice(CuttingSetup setup, in Inputs x, in HoleResult result, List<Finding> findings)
    {
        HoleSetup own = Of(setup);
        if (own.Extra<DrilledBefore>() is { } before) CycleChoice.Crossed<TKind>(own, x, result, before, findings);
        own.Turning?.Notice(findings);
        TKind.Notice(own, x, result, findings);
    }

    /// <inheritdoc/>
    public static IReadOnlyList<LeftPart> Left(Leftover leftover, in Inputs x) =>
    [
        new(Input.HoleBefore, leftover.CutterDiameter, "a hole of Ø"),

        // A hole that goes through has no depth.
        new(Input.DepthOfHoleBefore, x.Through ? 0 : leftover.Height, "a depth of"),
    ];

    /// <inheritdoc/>
    public static IReadOnlyList<Attachment> Attach(CuttingSetup setup, in Inputs x, in HoleResult result)
    {
        HoleSetup own = Of(setup);
        WayList list = new();
        TKind.Walk(own, x, result, TKind.ReturnsAtFeed(own), ref list);
        List<Attachment> all = [list.Way];
        if (own.Crossing is { } crossing) all.Add(new OpenWalls(crossing.Openings));
        if (own.Tap is { } tap)
            all.Add(CutThread.Of(WorkThread.Of(tap.Thread with { Starts = (int)Math.Max(1, x[Input.Starts]) }), own: false,
                inside: true) with
            { Class = "" });
        return all;
    }

    /// <inheritdoc/>
    public static IEnumerable<Given> Givens(CuttingSetup setup, in Inputs x, in HoleResult r, Origins origins)
    {
        HoleSetup own = Of(setup);
        const string hole = "geometry of the hole";
        List<Given> givens =
        [
            new("D", "Cutting diameter", Quantity.Length, own.Diameter, origins.Cutter),
            new("σ", "Point angle", Quantity.Angle, own.PointAngle, origins.Cutter),
            new("v_fmax", "Largest feed of the axes", Quantity.FeedRate, own.LargestFeed, origins.Machine),
            new(
                "n_max", "Highest speed of machine, holder and cutter", Quantity.SpindleSpeed, own.LargestSpeed,
                own.Turning is null ? $"{origins.Machine}; {origins.Assembly}" : origins.Machine),
            new("z_l", "Lips that share the chip", Quantity.Count, own.Lips, origins.Cutter),
            new("l_p", "Length outside the holder", Quantity.Length, own.Projection, origins.Assembly),
        ];
        if (r.Has(Output.OuterDiameter)) givens.Add(new("D_a", "Largest diameter cut", Quantity.Length, r[Output.OuterDiameter], hole));
        if (r.Has(Output.InnerDiameter)) givens.Add(new("D_i", "Least diameter cut", Quantity.Length, r[Output.InnerDiameter], hole));
        if (r.EdgeAngle > 0) givens.Add(new("κ", "Cutting edge angle of the edge", Quantity.Angle, r.EdgeAngle, origins.Cutter));
        if (double.IsFinite(own.RunUp))
            givens.Add(new("α_n", "Run-up of the spindle, rev/min in a second", Quantity.SpindleSpeed, own.RunUp, origins.Machine));
        if (own.SynchronousLimit > 0)
            givens.Add(new("n_s", "Highest speed of tapping in step", Quantity.SpindleSpeed, own.SynchronousLimit, origins.Machine));
        if (own.Turning is { } turning) givens.AddRange(turning.Givens(own.Practice, origins));
        if (own.Tap is { } tap) givens.Add(new("P", "Pitch", Quantity.Length, tap.Pitch, origins.Cutter));
        if (own.Tap is { Taper: > 0 } pipe)
            givens.AddRange(
            [
                new("k_t", "Growth of the diameter along the axis", Quantity.Ratio, pipe.Taper, origins.Cutter),
                new("q_f", "Width of the root over the pitch", Quantity.Ratio, pipe.FloorShare, origins.Cutter),
                new("t_f", "Slope of the flanks", Quantity.Ratio, pipe.FlankSlope, origins.Cutter),
            ]);
        if (own.Row is { Feeds.Count: > 0 } row)
            givens.Add(new("f_zchart", "Charted feed per tooth", Quantity.Chip, row.FeedPerToothAt(own.Diameter), origins.Chart));
        return givens;
    }

    // Nothing but the chart says what the lips stand; what was typed stands where it is more, or where the chart says nothing.
    private static double MostFeed(CuttingSetup setup, in Inputs x)
    {
        HoleSetup own = Of(setup);
        NoTrace none = default;
        double typed = x[Input.FeedPerRevolution];
        if (own.Row is not { } row) return typed;
        double charted = Charted(own, row, x, Input.FeedPerRevolution, ref none);
        return x.IsTyped(Input.FeedPerRevolution) ? Math.Max(charted, typed) : charted;
    }

    // The engine knows no more of a setup than that it cuts; the one it was given is the one this world drew.
    private static HoleSetup Of(CuttingSetup setup) => (HoleSetup)setup;
}

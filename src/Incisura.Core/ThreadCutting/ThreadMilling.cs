using Incisura.Core.Charts;
using Incisura.Core.Holders;
using Incisura.Core.Holes;
using Incisura.Core.Milling;
using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>Milling a thread on a helix, inside and outside, parallel and taper, with one profile and with several.</summary>
public readonly struct ThreadMilling : IWork<WorkResult>
{
    // Share of the tolerance of the pitch diameter, or of the pitch where none is known, that flanks may be out; practice.
    private const double ShareOfTolerance = 0.1, ShareOfPitch = 0.01, LeastFeedShare = 0.2, Headroom = 1.15, Clear = 1.02;

    private static readonly Formula ChartFeed = new(
        "f_z", "Feed per tooth proposed", Quantity.Chip, "1*f_zchart", "speed chart of the shop, at the rim");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = Common.Complete(ThreadMillingWords.Description) with
    {
        Free = [Codes.Of(Input.CuttingSpeed), Codes.Of(Input.FeedPerTooth)],
    };

    /// <inheritdoc/>
    public static IReadOnlyList<Lever> Levers { get; } =
    [
        new(
            Input.FeedPerTooth, (_, in x) => LeastFeedShare * x[Input.FeedPerTooth], MostFeed,
            (s, in x) => Headroom * Math.Max(x[Input.FeedPerTooth], 2 * MostFeed(s, x)))
        { IsFeed = true, TopIsChart = true },
    ];

    /// <inheritdoc/>
    public static CuttingSetup Draw(Situation situation, BuiltAssembly built, SpeedRow? row, IReadOnlyDictionary<string, string> options) =>
        new ThreadMillingSetup(
            built, situation.Material.Value, situation.Machine.Value, row, situation.Chart.Value.Practice,
            options[Codes.Of(Choice.Side)] != "outside");

    /// <inheritdoc/>
    public static void Follow(CuttingSetup setup, ref Inputs x)
    {
        ThreadMillingSetup own = Of(setup);
        Thread t = own.Thread.Thread;
        (double least, double most) = CrestRange(own);
        x.Propose(Input.CrestDiameter, Math.Round((least + most) / 2, 3));
        double reached = Math.Max(t.Pitch, own.ReachInto(least) - t.Pitch);
        x.Propose(
            Input.Depth, Math.Floor(Math.Max(t.Pitch, Math.Min(reached, GaugePlane.Of(t) is { } g ? g.Gauge + (3 * t.Pitch) : 1.5 * t.Diameter))));
        x.Propose(Input.BottomClearance, t.Pitch);
        double below = x[Input.Depth] + ThreadMillingLoad.BelowThread(own) + x[Input.BottomClearance];
        x.Propose(Input.DepthOfHoleBefore, Math.Ceiling((2 * below) - 1e-9) / 2);
        double tolerance = own.Limits is { } l && double.IsFinite(l.Pitch.Most - l.Pitch.Least)
            ? ShareOfTolerance * (l.Pitch.Most - l.Pitch.Least)
            : ShareOfPitch * t.Pitch;
        x.Propose(Input.FlankErrorAllowed, Math.Max(1, Math.Round(1000 * tolerance)));
        ProposePasses(own, ref x);
    }

    /// <inheritdoc/>
    public static bool Uses(CuttingSetup setup, in Inputs x, Input input) => input switch
    {
        Input.BottomClearance or Input.DepthOfHoleBefore => Of(setup).Inside && !x.Through,
        Input.PathTolerance => Of(setup).Thread.Form.Taper > 0,
        _ => true,
    };

    /// <inheritdoc/>
    public static (double Least, double Most)? Permitted(CuttingSetup setup, in Inputs x, Input input) =>
        input == Input.CrestDiameter && Of(setup).Limits is not null ? CrestRange(Of(setup)) : null;

    /// <inheritdoc/>
    public static void Refuse(CuttingSetup setup, in Inputs x, InputCheck check)
    {
        ThreadMillingSetup own = Of(setup);
        Thread t = own.Thread.Thread;
        double crest = x[Input.CrestDiameter], angle = own.Thread.Form.FlankAngle, root = own.Thread.RootOf(own.Inside);
        bool taper = own.Thread.Form.Taper > 0;
        own.Thread.CheckSide(own.Inside, check);
        check.Holds(
            Math.Abs(own.ProfileAngle - angle) <= 0.5, "threadToCut", angle,
            $"{own.Thread.Text} has flanks of {angle:0.#}° and the cutter has {own.ProfileAngle:0.#}°; take a cutter of {angle:0.#}°.")
            .Holds(
                own.Thread.Form.Symmetric, "threadToCut", angle,
                $"{own.Thread.Text} has flanks that lean unequally, which is not worked out for milling; turn it.")
            .Holds(
                t.Pitch >= own.LeastPitch - 1e-3 && t.Pitch <= own.LargestPitch + 1e-3, "threadToCut", t.Pitch,
                own.LargestPitch > own.LeastPitch
                    ? $"The cutter mills pitches of {own.LeastPitch:0.###} to {own.LargestPitch:0.###} mm, and {own.Thread.Text} has "
                        + $"{t.Pitch:0.###} mm; take another cutter."
                    : $"The profiles of the cutter stand {own.LeastPitch:0.###} mm apart, and {own.Thread.Text} has a pitch of "
                        + $"{t.Pitch:0.###} mm; take a cutter of its pitch, or one with one profile.")
            .Holds(
                own.Profiles == MillProfiles.One || taper == (own.Profiles == MillProfiles.Taper), "threadToCut", own.Thread.Form.Taper,
                taper
                    ? $"{own.Thread.Text} is taper, and the profiles of the cutter stand on a cylinder; take one on a taper, or with one profile."
                    : $"{own.Thread.Text} is parallel, and the profiles of the cutter stand on a taper; take another cutter.")
            .Holds(
                !own.Inside || crest >= Clear * own.Diameter, "threadToCut", crest,
                $"A cutter of Ø{own.Diameter:0.###} mm does not go into a hole of Ø{crest:0.###} mm and round in it; take one below "
                    + $"Ø{crest / Clear:0.##} mm.")
            .Holds(
                own.Inside ? crest < root : crest > root, "crestDiameter", crest,
                own.Inside
                    ? $"A hole of Ø{crest:0.###} mm leaves no thread up to Ø{root:0.###} mm; give less."
                    : $"A diameter of {crest:0.###} mm leaves no thread down to Ø{root:0.###} mm; give more.")
            .Holds(
                x[Input.PassesToHeight] == Math.Floor(x[Input.PassesToHeight]), "passesToHeight", x[Input.PassesToHeight],
                $"There is a whole number of passes, not {x[Input.PassesToHeight]:0.###}; give 1, 2, 3 …");
        if (x.IsTyped(Input.CrestDiameter) && Permitted(setup, x, Input.CrestDiameter) is { } range)
            check.Holds(
                crest >= range.Least - 5e-4 && crest <= range.Most + 5e-4, "crestDiameter", crest,
                $"A diameter of {crest:0.####} mm is outside {own.Limits!.Class} of {own.Thread.Text}; give {range.Least:0.###} to "
                    + $"{range.Most:0.###} mm, or choose another class.");
    }

    /// <inheritdoc/>
    public static double SpeedDiameter(CuttingSetup setup, in Inputs x) => Of(setup).Diameter;

    /// <inheritdoc/>
    public static double Charted<TTrace>(CuttingSetup setup, SpeedRow row, in Inputs x, Input lever, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double feed = row.FeedPerToothAt(Of(setup).Diameter);
        if (TTrace.Listens) trace.Take(ChartFeed, feed, new Term("f_zchart", feed));
        return feed;
    }

    /// <inheritdoc/>
    public static LimitDefinition? Refeed(CuttingSetup setup, SpeedRow row, ref Inputs x)
    {
        NoTrace none = default;
        double charted = Charted(setup, row, x, Input.FeedPerTooth, ref none), held = Math.Min(charted, ThreadMillingLoad.LargestFeed(Of(setup), x));
        x[Input.FeedPerTooth] = held;
        return held < charted ? MillingLimits.LargestChip : null;
    }

    /// <inheritdoc/>
    public static void Solve<TTrace>(CuttingSetup setup, in Inputs x, out WorkResult result, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        ThreadMillingSetup own = Of(setup);
        result = default;
        ThreadMillingLoad.Speed(own, x, ref result, ref trace);
        ThreadMillingLoad.Load(own, x, ref result, ref trace);
        ThreadMillingLoad.Time(own, x, ref result, ref trace);
        if (own.Taylor.Known) result[Output.ToolLife] = own.Taylor.LifeAt(x[Input.CuttingSpeed], ref trace);
        ThreadMillingLoad.Judge(own, x, result, ref result.Judging);
    }

    /// <inheritdoc/>
    public static Sentence? Note(CuttingSetup setup, in Inputs x, Input input) => input switch
    {
        Input.CrestDiameter when Of(setup).Limits is { } limits => new($"for {limits.Class}"),
        Input.FeedPerTooth when setup.Row is { } row => new("chart {0}", new Measure(row.FeedPerToothAt(Of(setup).Diameter), Quantity.Chip)),
        _ => null,
    };

    /// <inheritdoc/>
    public static void Notice(CuttingSetup setup, in Inputs x, in WorkResult result, List<Finding> findings) =>
        ThreadMillingFindings.Add(Of(setup), x, result, findings);

    /// <inheritdoc/>
    public static IReadOnlyList<LeftPart> Left(Leftover leftover, in Inputs x) => [];

    /// <inheritdoc/>
    public static IReadOnlyList<Attachment> Attach(CuttingSetup setup, in Inputs x, in WorkResult result)
    {
        ThreadMillingSetup own = Of(setup);
        WayList list = new();
        ThreadMillingLoad.Walk(own, x, result, ref list);
        return [list.Way, CutThread.Of(own.Thread, own.Own, own.Inside)];
    }

    /// <inheritdoc/>
    public static IEnumerable<Given> Givens(CuttingSetup setup, in Inputs x, in WorkResult result, Origins origins)
    {
        ThreadMillingSetup own = Of(setup);
        string thread = $"thread {own.Thread.Text}";
        return
        [
            new("P", "Pitch", Quantity.Length, own.Thread.Thread.Pitch, thread),
            new("i_g", "Starts", Quantity.Count, own.Thread.Thread.Starts, thread),
            new("d_g", "Diameter at the roots, of the standard", Quantity.Length, own.Thread.RootOf(own.Inside), thread),
            new("t_v", "Slope of the leading flank", Quantity.Ratio, own.Groove.Leading, thread),
            new("t_w", "Slope of the following flank", Quantity.Ratio, own.Groove.Following, thread),
            new("b_0", "Width of the nose of the profile", Quantity.Length, own.Groove.Floor, origins.Cutter),
            new("D", "Cutting diameter", Quantity.Length, own.Diameter, origins.Cutter),
            new("N_p", "Profiles along the axis", Quantity.Count, own.Count, origins.Cutter),
            new("h_s", "Lift between passes", Quantity.Length, own.Practice.Lift, origins.Chart),
            new("v_fmax", "Largest feed of the axes", Quantity.FeedRate, own.LargestFeed, origins.Machine),
            new("l_p", "Length outside the holder", Quantity.Length, own.Projection, origins.Assembly),
            .. own.RunOut.Offset > 0
                ? [new Given("e_r", "Offset of the axis, half of what a dial reads", Quantity.Chip, own.RunOut.Offset, origins.Assembly)]
                : Array.Empty<Given>(),
            .. own.Row is { } row
                ? [new Given("f_zchart", "Charted feed per tooth", Quantity.Chip, row.FeedPerToothAt(own.Diameter), origins.Chart)]
                : Array.Empty<Given>(),
        ];
    }

    // One, and more where the cutter would bend or break at the feed wanted, if that helps.
    private static void ProposePasses(ThreadMillingSetup own, ref Inputs x)
    {
        x.Propose(Input.PassesToHeight, 1);
        double feed = x.IsTyped(Input.FeedPerTooth) ? x[Input.FeedPerTooth] : own.Row?.FeedPerToothAt(own.Diameter) ?? double.NaN;
        if (x.IsTyped(Input.PassesToHeight) || double.IsNaN(feed)) return;
        for (int passes = 1; passes <= ThreadMillingWords.MostPasses; passes++)
        {
            x.Propose(Input.PassesToHeight, passes);
            if (ThreadMillingLoad.Stands(own, x, feed)) return;
        }

        x.Propose(Input.PassesToHeight, 1);
    }

    private static (double Least, double Most) CrestRange(ThreadMillingSetup own)
    {
        double basic = own.Thread.CrestOf(own.Inside);
        SizeLimits known = own.Limits is { } l ? own.Inside ? l.Minor : l.Major : new(basic, basic);
        return (double.IsNaN(known.Least) ? basic : known.Least, double.IsNaN(known.Most) ? basic : known.Most);
    }

    // Nothing but the chart says what the teeth stand; what was typed stands where it is more, or where the chart says nothing.
    private static double MostFeed(CuttingSetup setup, in Inputs x)
    {
        double typed = x[Input.FeedPerTooth];
        if (setup.Row is not { } row) return typed;
        double charted = row.FeedPerToothAt(Of(setup).Diameter);
        return x.IsTyped(Input.FeedPerTooth) ? Math.Max(charted, typed) : charted;
    }

    private static ThreadMillingSetup Of(CuttingSetup setup) => (ThreadMillingSetup)setup;
}

/// <summary>Milling of threads as the interface, the API and the exports use it.</summary>
public sealed class ThreadMillingOperation : Operation<ThreadMilling, WorkResult>;

using Incisura.Core.Charts;
using Incisura.Core.Holders;
using Incisura.Core.Holes;
using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>Turning a thread, outside and inside: the feed of a turn is the lead, and the speed is held by whatever binds first.</summary>
public readonly struct ThreadTurning : IWork<WorkResult>
{
    // Usual numbers of infeeds by the pitch in mm, as tables for inserts of one profile go: 6 for 1.5, 8 for 2, 10 for 3.
    private const double InfeedsAtLeast = 2.6, InfeedsPerPitch = 2.5, MoreInfeeds = 2.5, Fit = 5e-4, UsualWall = 1.6;

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = Common.Complete(ThreadTurningWords.Description);

    /// <inheritdoc/>
    public static IReadOnlyList<Lever> Levers => [];

    /// <inheritdoc/>
    public static CuttingSetup Draw(Situation situation, BuiltAssembly built, SpeedRow? row, IReadOnlyDictionary<string, string> options) =>
        new ThreadTurningSetup(
            built, situation.Material.Value, situation.Machine.Value, row, situation.Chart.Value.Practice, WorkSpindleWords.IsCounter(options));

    /// <inheritdoc/>
    public static void Follow(CuttingSetup setup, ref Inputs x)
    {
        ThreadTurningSetup own = Of(setup);
        double side = own.Inside ? -1 : 1, pitch = own.Thread.Thread.Pitch;
        bool both = x.IsTyped(Input.HeightToCut) && x.IsTyped(Input.RootDiameter);
        x.Propose(Input.CrestDiameter, both ? x[Input.RootDiameter] + (side * 2 * x[Input.HeightToCut]) : UsualCrest(own));
        double crest = x[Input.CrestDiameter], root = x.IsTyped(Input.RootDiameter) ? x[Input.RootDiameter] : Middle(RootRange(own));
        x.Propose(Input.HeightToCut, Math.Max(0.01, side * (crest - root) / 2));
        x.Propose(Input.RootDiameter, crest - (side * 2 * x[Input.HeightToCut]));
        x.Propose(Input.FirstInfeed, Math.Round(own.Practice.FirstInfeed * Math.Sqrt(pitch), 2));
        x.Propose(Input.Length, UsualLength(own.Thread));
        x.Propose(Input.BodyDiameter, Math.Max(crest, x[Input.RootDiameter]));
        x.Propose(Input.StandsOut, Math.Ceiling(x[Input.Length] + x[Input.BodyDiameter]));
        x.Propose(Input.GrippedDiameter, own.Inside ? Math.Ceiling(UsualWall * x[Input.BodyDiameter]) : x[Input.BodyDiameter]);
        x.Propose(Input.GripLength, WorkSpindle.UsualGrip(x[Input.GrippedDiameter]));
        ProposeInfeeds(own, pitch, ref x);
        double lead = Math.Round(2 * SignedLead(own, (crest + x[Input.RootDiameter]) / 2)) / 2;
        x.Propose(Input.ShimInclination, Math.Clamp(lead, -10, 10));

        // Room for the axis to get up to its feed and to stop; at least a pitch.
        double needed = TurningSetup.RunUpWay(ThreadTurningLoad.SpeedHeld(own, x, out _), own.Thread.Thread.Lead, own.AxisAcceleration);
        double room = Math.Max(double.IsNaN(needed) ? 0 : needed, own.Thread.Thread.Pitch);
        x.Propose(Input.RunIn, Math.Ceiling(2 * Math.Max(room, 2 * own.Thread.Thread.Pitch)) / 2);
        x.Propose(Input.RunOut, Math.Ceiling(10 * room) / 10);
    }

    /// <inheritdoc/>
    public static bool Uses(CuttingSetup setup, in Inputs x, Input input) =>
        input == Input.GripLength ? ThreadTurningLoad.IsLevered(Of(setup), x)
            : !Of(setup).Inside || input is not (Input.BodyDiameter or Input.StandsOut);

    /// <inheritdoc/>
    public static (double Least, double Most)? Permitted(CuttingSetup setup, in Inputs x, Input input)
    {
        ThreadTurningSetup own = Of(setup);
        if (own.Limits is null || input is not (Input.CrestDiameter or Input.HeightToCut or Input.RootDiameter)) return null;
        if (input == Input.CrestDiameter) return CrestRange(own);
        (double least, double most) = RootRange(own);
        if (input == Input.RootDiameter) return (least, most);
        double crest = x[Input.CrestDiameter];
        return own.Inside ? ((least - crest) / 2, (most - crest) / 2) : ((crest - most) / 2, (crest - least) / 2);
    }

    /// <inheritdoc/>
    public static void Refuse(CuttingSetup setup, in Inputs x, InputCheck check)
    {
        ThreadTurningSetup own = Of(setup);
        Thread t = own.Thread.Thread;
        RefuseTool(own, x, check);
        foreach ((Input input, string name) in (ReadOnlySpan<(Input, string)>)
            [(Input.CrestDiameter, "diameter at the crests"), (Input.RootDiameter, "diameter at the roots"), (Input.HeightToCut, "height")])
            if (x.IsTyped(input) && Permitted(setup, x, input) is { } range)
                check.Holds(
                    x[input] >= range.Least - Fit && x[input] <= range.Most + Fit, Codes.Of(input), x[input],
                    $"A {name} of {x[input]:0.####} mm is outside {own.Limits!.Class} of {own.Thread.Text}: with what is typed beside it, give "
                        + $"{range.Least:0.###} to {range.Most:0.###} mm, or choose another class.");
        double side = own.Inside ? -1 : 1, height = side * (x[Input.CrestDiameter] - x[Input.RootDiameter]) / 2;
        check.Holds(
            Math.Abs(height - x[Input.HeightToCut]) <= Fit, "heightToCut", x[Input.HeightToCut],
            $"From {x[Input.CrestDiameter]:0.###} to {x[Input.RootDiameter]:0.###} mm the height is {height:0.####} mm, and "
                + $"{x[Input.HeightToCut]:0.####} mm is typed; leave one of the three to follow the others.");
        foreach ((Input input, string what) in (ReadOnlySpan<(Input, string)>)
            [(Input.Infeeds, "infeeds"), (Input.SpringPasses, "passes without infeed")])
            check.Holds(
                x[input] == Math.Floor(x[input]), Codes.Of(input), x[input],
                $"There is a whole number of {what}, not {x[input]:0.###}; give 1, 2, 3 …");
        check.Holds(
            x[Input.FirstInfeed] >= x[Input.LeastInfeed], "firstInfeed", x[Input.FirstInfeed],
            $"The first infeed of at most {x[Input.FirstInfeed]:0.###} mm is below the least one of {x[Input.LeastInfeed]:0.###} "
                + $"mm; give more, or lower "
                + "the least one.")
            .Holds(
                own.Inside || x[Input.StandsOut] >= x[Input.Length] - Fit, "standsOut", x[Input.StandsOut],
                $"A thread of {x[Input.Length]:0.##} mm does not stand out of the chuck with {x[Input.StandsOut]:0.##} mm; let "
                    + $"the work stand out further.")
            .Holds(
                t.Pitch * 100_000 > x[Input.Length], "length", x[Input.Length], "The thread is too long for its pitch; give less.");
    }

    /// <inheritdoc/>
    public static double SpeedDiameter(CuttingSetup setup, in Inputs x) => ThreadTurningLoad.SpeedDiameter(Of(setup), x);

    /// <inheritdoc/>
    public static double Charted<TTrace>(CuttingSetup setup, SpeedRow row, in Inputs x, Input lever, ref TTrace trace)
        where TTrace : struct, ITrace => double.NaN;

    /// <inheritdoc/>
    public static LimitDefinition? Refeed(CuttingSetup setup, SpeedRow row, ref Inputs x) => null;

    /// <inheritdoc/>
    public static void Solve<TTrace>(CuttingSetup setup, in Inputs x, out WorkResult result, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        ThreadTurningSetup own = Of(setup);
        result = default;
        ThreadTurningLoad.Speed(own, x, ref result, ref trace);
        ThreadTurningLoad.Load(own, x, ref result, ref trace);
        ThreadTurningLoad.Lead(own, x, ref result, ref trace);
        ThreadTurningLoad.Time(own, x, ref result, ref trace);
        if (own.Taylor.Known) result[Output.ToolLife] = own.Taylor.LifeAt(result[Output.SpeedInUse], ref trace);
        own.Turning.Hold(
            result[Output.Torque], result[Output.PassiveForce], x[Input.GrippedDiameter], result[Output.SpindleSpeed], own.Practice, ref result,
            ref trace);
        if (ThreadTurningLoad.IsLevered(own, x))
            own.Turning.Lever(
                ThreadTurningLoad.Pull(x, result[Output.CuttingForce], result[Output.PassiveForce], ThreadTurningLoad.SpeedDiameter(own, x)), x, 1,
                own.Practice, ref result, ref trace);
        ThreadTurningLoad.Judge(own, x, result, ref result.Judging);
    }

    /// <inheritdoc/>
    public static Sentence? Note(CuttingSetup setup, in Inputs x, Input input)
    {
        ThreadTurningSetup own = Of(setup);
        return input is Input.CrestDiameter or Input.RootDiameter or Input.HeightToCut && own.Limits is { } limits
            ? new($"for {limits.Class}")
            : input == Input.ShimInclination && !own.WithHand
            ? new("fed against the hand of the tool")
            : null;
    }

    /// <inheritdoc/>
    public static void Notice(CuttingSetup setup, in Inputs x, in WorkResult result, List<Finding> findings) =>
        ThreadTurningFindings.Add(Of(setup), x, result, findings);

    /// <inheritdoc/>
    public static IReadOnlyList<LeftPart> Left(Leftover leftover, in Inputs x) => [];

    /// <inheritdoc/>
    public static IReadOnlyList<Attachment> Attach(CuttingSetup setup, in Inputs x, in WorkResult result)
    {
        ThreadTurningSetup own = Of(setup);
        WayList list = new();
        ThreadTurningLoad.Walk(own, x, result, ref list);
        List<Infeed> infeeds = [];
        InfeedWalk walk = new(own, x);
        double power = result[Output.SpeedInUse] / 60_000;
        for (double before = 0; walk.Next(out InfeedLoad load); before = load.Place.Depth)
            infeeds.Add(new(
                walk.Number, load.Place.Depth, load.Place.Depth - before, load.Place.Shift, load.Section, load.Chip, load.Force, load.Passive,
                load.Force * power, own.Groove.Outline(load.Place, walk.Earlier.Before, walk.Earlier.BeforeLast)));
        return
        [
            list.Way, CutThread.Of(own.Thread, own.Own, own.Inside),
            new InfeedCourse(infeeds, own.Thread.Thread.Pitch, x[Input.HeightToCut], TowardsChuck(own, x), x.Clockwise),
        ];
    }

    /// <inheritdoc/>
    public static IEnumerable<Given> Givens(CuttingSetup setup, in Inputs x, in WorkResult result, Origins origins)
    {
        ThreadTurningSetup own = Of(setup);
        string thread = $"thread {own.Thread.Text}";
        return
        [
            .. own.Turning.Givens(own.Practice, origins),
            new("P", "Pitch", Quantity.Length, own.Thread.Thread.Pitch, thread),
            new("i_g", "Starts", Quantity.Count, own.Thread.Thread.Starts, thread),
            new("t_v", "Slope of the leading flank", Quantity.Ratio, own.Groove.Leading, thread),
            new("t_w", "Slope of the following flank", Quantity.Ratio, own.Groove.Following, thread),
            new("b_0", "Width of the nose of the insert", Quantity.Length, own.Groove.Floor, own.Full ? thread : origins.Cutter),
            new("z", "Profiles of the insert", Quantity.Count, own.Teeth, origins.Cutter),
            new("v_fmax", "Largest feed of the axes", Quantity.FeedRate, own.LargestFeed, origins.Machine),
            new("n_max", "Highest speed of spindle and chuck", Quantity.SpindleSpeed, own.LargestSpeed, origins.Machine),
            new("k_L", "Growth of the diameter for each mm", Quantity.Ratio, Math.Max(0, own.Thread.Growth(own.Inside)), thread),
            new("s_h", "1 with the hand of the tool, −1 against it", Quantity.Ratio, own.WithHand ? 1 : -1, origins.Cutter),
            new("k_c0", "1 with a centre", Quantity.Ratio, x.Centre ? 1 : 0, "picked"),
            new("c_0", "Clear way before and after", Quantity.Length, own.Practice.ClearWay, origins.Chart),
            new("E_w", "Young's modulus of the work", Quantity.Stress, own.WorkModulus, origins.Material),
            .. double.IsNaN(own.AxisAcceleration)
                ? Array.Empty<Given>()
                : [new("a_x", "Acceleration of the axes", Quantity.Acceleration, own.AxisAcceleration, origins.Machine)],
        ];
    }

    /// <summary>Whether the tool is fed towards the chuck: a right-hand thread on work that turns counter-clockwise, seen from its free
    /// end.</summary>
    internal static bool TowardsChuck(ThreadTurningSetup own, in Inputs x) => own.Thread.Thread.LeftHand == x.Clockwise;

    /// <summary>Lead angle at a diameter, degrees; negative where the tool is fed against its hand, so that its shim leans the other way.</summary>
    internal static double SignedLead(ThreadTurningSetup own, double diameter) =>
        (own.WithHand ? 1 : -1) * ThreadShape.LeadAngle(own.Thread.Thread.Lead, diameter);

    // As many as are usual, and more where work or bar would bend too far or the spindle gives too little, if that helps.
    private static void ProposeInfeeds(ThreadTurningSetup own, double pitch, ref Inputs x)
    {
        double usual = Math.Max(1, Math.Ceiling(Math.Round(InfeedsAtLeast + (InfeedsPerPitch * pitch)) / own.Teeth)), count = usual;
        x.Propose(Input.Infeeds, count);
        if (x.IsTyped(Input.Infeeds) || ThreadTurningLoad.KeptBy(own, x) == ThreadTurningLoad.Kept.All) return;

        // What not even the most infeeds keep does not stand in the way of what can be kept.
        double most = Math.Max(usual, Math.Min(InfeedSchedule.Most, Math.Ceiling(MoreInfeeds * usual)));
        ThreadTurningLoad.Kept possible = ThreadTurningLoad.KeptBy(own, x.With(Input.Infeeds, most));
        while (count < most && (ThreadTurningLoad.KeptBy(own, x) & possible) != possible) x.Propose(Input.Infeeds, ++count);
    }

    private static void RefuseTool(ThreadTurningSetup own, in Inputs x, InputCheck check)
    {
        Thread t = own.Thread.Thread;
        double angle = own.Thread.Form.FlankAngle;
        own.Thread.CheckSide(own.Inside, check);
        check.Holds(
            Math.Abs(own.ProfileAngle - angle) <= 0.5, "threadToCut", angle,
            $"{own.Thread.Text} has flanks of {angle:0.#}° and the insert has {own.ProfileAngle:0.#}°; take an insert of {angle:0.#}°.")
            .Holds(
                t.Pitch >= own.LeastPitch - 1e-6 && t.Pitch <= own.LargestPitch + 1e-6, "threadToCut", t.Pitch,
                $"The insert cuts pitches of {own.LeastPitch:0.###} to {own.LargestPitch:0.###} mm, and {own.Thread.Text} has "
                    + $"{t.Pitch:0.###} mm; take another "
                    + "insert.")
            .Holds(
                !own.Inside || x[Input.CrestDiameter] >= own.LeastBore - Fit, "threadToCut", x[Input.CrestDiameter],
                $"The bar goes into bores from Ø{own.LeastBore:0.###} mm, and the bore before {own.Thread.Text} is "
                    + $"Ø{x[Input.CrestDiameter]:0.###} mm; take a "
                    + "thinner bar.");
    }

    private static double UsualCrest(ThreadTurningSetup own) => Math.Round(Middle(CrestRange(own)), 3);

    // Crest and root follow from the standard's limits; the root from those of the pitch diameter, since the nose of the insert sets the rest.
    private static (double Least, double Most) CrestRange(ThreadTurningSetup own)
    {
        double basic = own.Thread.CrestOf(own.Inside);
        return own.Limits is { } l ? Known(own.Inside ? l.Minor : l.Major, basic) : (basic, basic);
    }

    private static (double Least, double Most) RootRange(ThreadTurningSetup own)
    {
        double away = (own.Inside ? 1 : -1) * own.Thread.PitchToFloor(own.Groove.Floor),
            basic = own.Thread.Shape.Pitch + own.Thread.AtFace(own.Inside);
        (double least, double most) = own.Limits is { } l ? Known(l.Pitch, basic) : (basic, basic);
        return (least + away, most + away);
    }

    private static (double Least, double Most) Known(SizeLimits limits, double basic) =>
        (double.IsNaN(limits.Least) ? basic : limits.Least, double.IsNaN(limits.Most) ? basic : limits.Most);

    private static double Middle((double Least, double Most) range) => (range.Least + range.Most) / 2;

    // Engagement of a usual nut, or the effective length of a taper thread.
    private static double UsualLength(WorkThread t) => Math.Ceiling(
        GaugePlane.Of(t.Thread) is { } gauge ? double.IsNaN(gauge.Effective) ? gauge.Gauge + (5 * t.Thread.Pitch) : gauge.Effective
            : Math.Max(4 * t.Thread.Lead, Math.Min(1.5 * t.Thread.Diameter, 60)));

    private static ThreadTurningSetup Of(CuttingSetup setup) => (ThreadTurningSetup)setup;
}

/// <summary>Turning of threads as the interface, the API and the exports use it.</summary>
public sealed class ThreadTurningOperation : Operation<ThreadTurning, WorkResult>;

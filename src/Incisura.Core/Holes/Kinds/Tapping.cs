using Incisura.Core.Cutters;
using Incisura.Core.Threads;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>Tapping in step: the feed is pitch times starts, and the speed is held by whatever binds first.</summary>
internal readonly struct Tapping : IHoleKind
{
    /// <summary>
    /// Room of loose chips of a tap over that of the solid: short curls at the lower end of what broken chips take, 3 to 10 (Klocke, Manufacturing
    /// Processes 1), since the groove of a thread gives thin ones.
    /// </summary>
    private const double LooseChip = 3;

    /// <summary>Highest speed at which the machine taps in step with the feed, rev/min.</summary>
    public static readonly LimitDefinition SpeedInStep = new(
        "speedInStep", "Speed in step", Quantity.SpindleSpeed, Severity.Stop, "Lower the cutting speed, or take a machine that taps faster.");

    /// <summary>Highest speed the spindle reaches and leaves again within the depth of the thread, rev/min.</summary>
    public static readonly LimitDefinition SpeedReached = new(
        "speedReached", "Speed within the depth", Quantity.SpindleSpeed, Severity.Stop, "Lower the cutting speed, or raise the approach plane.");

    private static readonly WayKind In = new("in", "In, in step"), Out = new("out", "Reversed and out, in step");

    private static readonly Formula LeadFormula = new("f", "Feed per revolution", Quantity.Chip, "P*i_g", "pitch times starts: in step, always");
    private static readonly Formula WantedFormula = new(
        "n_1", "Speed wanted", Quantity.SpindleSpeed, "1000*v_c/(pi*D)", "definition of cutting speed; ISO 3002-3");
    private static readonly Formula AxisFormula = new(
        "n_2", "Speed by the axis feed", Quantity.SpindleSpeed, "v_fmax/f", "largest feed of the axis over the lead");
    private static readonly Formula ReachedFormula = new(
        "n_3", "Speed reached within the depth", Quantity.SpindleSpeed, "sqrt(60*α_n*(a + t_p)/f)",
        "spindle runs up and stops again in step, at an even rise of speed");
    private static readonly Formula MostFormula = new(
        "n_m", "Highest speed in step", Quantity.SpindleSpeed, "",
        "least of what spindle, machine in step, axis and depth allow, as far as they are known");
    private static readonly Formula HeldFormula = new(
        "n", "Spindle speed", Quantity.SpindleSpeed, "min(n_1, n_m)", "what is wanted, as far as it is allowed");
    private static readonly Formula FeedFormula = new("v_f", "Feed rate", Quantity.FeedRate, "n*f", "in step");
    private static readonly Formula UsedFormula = new(
        "v_u", "Cutting speed in use", Quantity.CuttingSpeed, "pi*D*n/1000", "definition of cutting speed; ISO 3002-3");
    private static readonly Formula ChipFormula = new(
        "h", "Chip thickness", Quantity.Chip, "h_t*f/(z*l_a)", "height of the thread shared by all teeth of the lead");
    private static readonly Formula ForceFormula = new("k_c", "Specific cutting force", Quantity.Stress, "k_c11*h^(-m_c)", "Kienzle and Victor 1952");
    private static readonly Formula SectionFormula = new(
        "A_g", "Section of the groove", Quantity.Section, "h_t*(P/8 + h_t*tan(pi/6))",
        "trapezium of the 60° thread from its crest flat; ISO 68-1");
    private static readonly Formula PipeSectionFormula = SectionFormula with
    {
        Expression = "h_t*(q_f*P + h_t*t_f)",
        Source = "trapezium of the pipe thread: its root q_f of the pitch wide, flanks of the slope t_f",
    };
    private static readonly Formula TaperChipFormula = new(
        "h", "Chip thickness", Quantity.Chip, "f*k_t/(2*z)", "what a taper tap grows in a turn, shared by its teeth; thinner than on its lead");
    private static readonly Formula TorqueFormula = new(
        "M", "Torque", Quantity.Torque, "k_M*k_c*A_g*i_g*(D + D_1)/4/1000",
        "specific force on the groove at its mean radius; forming by its ratio k_M to cutting");
    private static readonly Formula PowerFormula = new("P_c", "Cutting power", Quantity.Power, "M*pi*n/30000", "torque times angular speed");
    private static readonly Formula RoomFormula = new(
        "l_c", "Room for chips below", Quantity.Length, "k_l*A_g*i_g*pi*(D + d_0)/2*(t/f)/(pi*d_0^2/4)",
        "loose chips of the whole thread over the section of the hole");
    private static readonly Formula OutFormula = new(
        "n_r", "Spindle speed out", Quantity.SpindleSpeed, "min(q_r*n, n_m)", "speed in times the ratio wanted, held by the same limits");
    private static readonly Formula WayFormula = new(
        "l_u", "Way to run up and to stop", Quantity.Length, "n^2*f/(60*α_n)", "even rise and fall of the speed, in step");
    private static readonly Formula TimeFormula = new(
        "T", "Time of a hole", Quantity.Time, "(a + t_p)/v_f + (a + t_p)/v_r + (n + n_r)/(60*α_s) + 2*(r - a)/v_rapid",
        "in and out in step, each with its run-up and stop, and the way to and from the retract plane");
    private static readonly Formula DriftFormula = new(
        "Δ", "Drift by rounding of the feed", Quantity.Chip, "abs(v_round/n_round/f - 1)*(a + t_p)",
        "feed and speed as the control rounds them, over the whole way");

    public static OperationDescription Description { get; } = new(
        "tap",
        "Tapping in step",
        "tap",
        [CutterFamily.CuttingTap, CutterFamily.TaperPipeTap, CutterFamily.FormingTap],
        [
            Depth with { Name = "Depth of thread" },
            Breakthrough with { Default = double.NaN },
            new(Input.BottomClearance, "c_b", "Clear way to the bottom", "Deep", Quantity.Length, 0, 100),
            new(Input.ThreadHeight, "H_w", "Thread height wanted, %", "Before", Quantity.Ratio, 30, 100),
            Before,
            DepthBefore,
            new(Input.ReturnRatio, "q_r", "Speed out over speed in", "Fast", Quantity.Ratio, 0.2, 4, 1),
            new(Input.Starts, "i_g", "Starts", "Per turn", Quantity.Count, 1, 8, 1),
            Planes[0] with { Default = double.NaN },
            .. Planes[1..],
        ],
        [EndOption, TurningOption],
        [Output.SpindleSpeed, Output.FeedRate, Output.ProgrammedDepth, Output.Time],
        [
            Output.FeedInUse, Output.SpeedInUse, Output.ReturnSpeed, Output.ReturnFeed, Output.HeightGot,
            Output.MinorDiameter, Output.ProgrammedHeight, Output.Torque,
            Output.BreakingTorque, Output.Power, Output.Drift,
        ])
    {
        AtMachine = SetAtMachine(Output.ReturnSpeed, Output.ReturnFeed, Input.BottomClearance, Input.Breakthrough, Input.ReturnRatio),
        Takes = LeftoverKind.Hole,
        FeedInStep = true,
    };

    // A taper tap in a cylindrical hole cuts more than the full height at its gauge plane.
    public static double MostOf(FieldDescription field, Cutter cutter) =>
        field.Input == Input.ThreadHeight && cutter.Family == CutterFamily.TaperPipeTap ? 140 : field.Most;

    public static void Follow(HoleSetup setup, ref Inputs x)
    {
        TapGeometry tap = setup.Tap!;
        bool taper = tap.Taper > 0;
        x.Propose(Input.Depth, taper ? tap.GaugeLength - tap.LeadLength : 1.5 * tap.Diameter);
        x.Propose(Input.ThreadHeight, tap.UsualHeight);
        NoTrace none = default;
        x.Propose(Input.HoleBefore, tap.HoleFor(x[Input.ThreadHeight], ref none));
        x.Propose(Input.Breakthrough, taper ? 0 : tap.Pitch);
        x.Propose(Input.BottomClearance, tap.Pitch);
        x.Propose(Input.Approach, Math.Max(2, 3 * tap.Pitch));
        double needed = x[Input.Depth] + tap.LeadLength + x[Input.BottomClearance] + RoomOf(tap, x);
        x.Propose(Input.DepthOfHoleBefore, Math.Ceiling((2 * needed) - 1e-9) / 2);
    }

    public static double Enters(HoleSetup setup, in Inputs x) => x[Input.HoleBefore];

    public static bool Uses(HoleSetup setup, in Inputs x, Input input) => input switch
    {
        Input.Breakthrough => x.Through,
        Input.BottomClearance or Input.DepthOfHoleBefore => !x.Through,
        Input.ThreadHeight => !x.IsTyped(Input.HoleBefore),
        _ => true,
    };

    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check)
    {
        TapGeometry tap = setup.Tap!;
        NoTrace none = default;
        double least = tap.HoleFor(tap.MostHeight, ref none), most = tap.Diameter - (0.1 * tap.Pitch),
            hole = x[Input.HoleBefore];
        check.Holds(
            hole >= least - 1e-9, "holeBefore", hole,
            $"A hole of Ø{hole:0.###} mm is smaller than the full height of a thread {tap.Diameter:0.###} × {tap.Pitch:0.###} allows: the tap "
                + $"would jam. Give {least:0.##} to {most:0.##} mm, or take a smaller tap.")
            .Holds(
                hole <= most, "holeBefore", hole,
                $"A hole of Ø{hole:0.###} mm leaves no thread for {tap.Diameter:0.###} × {tap.Pitch:0.###}. Give {least:0.##} to "
                    + $"{most:0.##} mm, or take a larger tap.")
            .Holds(
                x.Turning == 0 || (x.Turning < 0) == tap.Left, "turning", x.Turning,
                tap.Left
                    ? "A left-hand tap does not cut with the spindle turning to the right; turn it to the left, or take a right-hand tap."
                    : "A right-hand tap does not cut with the spindle turning to the left; turn it to the right, or take a left-hand tap.")
            .Holds(
                x[Input.Starts] == Math.Floor(x[Input.Starts]), "starts", x[Input.Starts],
                $"A thread has a whole number of starts, not {x[Input.Starts]:0.###}; give 1, 2, 3 …");
    }

    public static void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        TapGeometry tap = setup.Tap!;
        double lead = tap.Pitch * x[Input.Starts], hole = x[Input.HoleBefore];
        HoleWork.Ratio(setup, x, ref r, ref trace);
        r[Output.Pitch] = tap.Pitch;
        r[Output.FeedInUse] = lead;
        r[Output.HoleForHeight] = tap.HoleFor(x[Input.ThreadHeight], ref trace);
        r[Output.HeightGot] = tap.HeightOf(hole, ref trace);
        r[Output.MinorDiameter] = tap.MinorFor(r[Output.HeightGot]);
        double height = (tap.Diameter - r[Output.MinorDiameter]) / 2, section = Section(tap, height), room = x.Through ? 0 : RoomOf(tap, x);
        r[Output.RoomForChips] = room;
        if (TTrace.Listens)
        {
            trace.Take(LeadFormula, lead, new("P", tap.Pitch), new("i_g", x[Input.Starts]));
            if (tap.FloorShare == 1.0 / 8) trace.Take(SectionFormula, section, new("h_t", height), new("P", tap.Pitch));
            else
                trace.Take(
                    PipeSectionFormula, section, new("h_t", height), new("q_f", tap.FloorShare), new("P", tap.Pitch), new("t_f", tap.FlankSlope));
            if (room > 0)
                trace.Take(
                    RoomFormula, room, new("k_l", LooseChip), new("A_g", section), new("i_g", x[Input.Starts]), new("D", tap.Diameter),
                    new("d_0", hole), new("t", x[Input.Depth]), new("f", lead));
        }

        ThreadedDepth.Of(x, tap.LeadLength, room, ref r, ref trace);
        Speed(setup, tap, x, lead, ref r, ref trace);
        Load(setup, tap, x, lead, height, section, ref r, ref trace);
        Time(setup, x, lead, ref r, ref trace);
    }

    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits)
    {
        double n = r[Output.SpindleSpeed];
        limits.Add(SpeedInStep, Math.Max(n, r[Output.ReturnSpeed]), setup.SynchronousLimit > 0 ? setup.SynchronousLimit : double.NaN);
        limits.Add(
            SpeedReached, n,
            InStep.SpeedWithin(x[Input.Approach] + r[Output.ProgrammedDepth], r[Output.FeedInUse], setup.RunUp));
        limits.Add(HoleLimits.ToolStrength, r[Output.Torque], ToolTorsion.Share * r[Output.BreakingTorque]);
        if (!x.Through) limits.Add(HoleLimits.HoleDepth, x[Input.DepthOfHoleBefore], r[Output.DepthNeeded]);
    }

    public static void Notice(HoleSetup setup, in Inputs x, in HoleResult r, List<Finding> findings)
    {
        TapGeometry tap = setup.Tap!;
        if (setup.SynchronousLimit <= 0)
            findings.Add(new(
                "cannot-tap", Severity.Stop, new("This machine does not tap in step with the feed."),
                "Take another machine, or enter its limit in Shop."));
        if (r.HeldBy is { } held)
            findings.Add(new(
                "held",
                Severity.Info,
                new(
                    $"{{0}} was held to {{1}} by: {held.Words}; feed, cutting speed and the way out follow.",
                    new(CuttingSetup.SpindleSpeedFor(x[Input.CuttingSpeed], tap.Diameter), Quantity.SpindleSpeed),
                    new Measure(r[Output.SpindleSpeed], Quantity.SpindleSpeed)),
                ""));
        Class(tap, r, findings);
        if (tap.Flutes == "point" && !x.Through)
            findings.Add(new(
                "chips-ahead", Severity.Caution,
                new(
                    "A spiral point drives the chips ahead into the blind hole; {0} of it is kept for them.",
                    new Measure(r[Output.RoomForChips], Quantity.Length)),
                "Take a tap with spiral flutes, or a forming tap."));
        if (tap.Flutes == "spiral" && x.Through)
            findings.Add(new(
                "chips-back", Severity.Info, new("Spiral flutes draw the chips back through a hole they could leave ahead."),
                "A tap with a spiral point is stiffer in a through hole."));
        if (r.Has(Output.Drift) && r[Output.Drift] > 0.1 * tap.Pitch)
            findings.Add(new(
                "drift", Severity.Caution,
                new(
                    "The control rounds feed and speed: over the depth the feed drifts {0} from the thread.",
                    new Measure(r[Output.Drift], Quantity.Chip)),
                "Choose a speed at which pitch times speed is a whole feed, or hold the tap in a chuck with length compensation."));
    }

    public static void Walk<TSink>(HoleSetup setup, in Inputs x, in HoleResult r, bool returnsAtFeed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double tip = r[Output.ProgrammedDepth], a = x[Input.Approach], up = x[Input.Retract], rapid = setup.RapidFeed,
            hand = setup.Tap!.Left ? -1 : 1, n = r[Output.SpindleSpeed], back = r[Output.ReturnSpeed];

        // A run-up that nobody has measured takes no time here; that it is missing is said by the limit that cannot be judged.
        double ramp = double.IsNaN(setup.RunUp) ? double.PositiveInfinity : 60 * setup.RunUp;
        sink.Take(Stretch.Along(WayKind.Approach, -up, -a, 0, rapid) with { Rapid = true });
        sink.Take(Stretch.Along(In, -a, tip, hand * n, r[Output.FeedRate]) with { Stand = n / ramp });
        sink.Take(Stretch.Along(Out, tip, -a, -hand * back, r[Output.ReturnFeed]) with { Stand = back / ramp });
        sink.Take(Stretch.Along(WayKind.Retract, -a, -up, 0, rapid) with { Rapid = true });
    }

    private static double Section(TapGeometry tap, double height) => height * ((tap.FloorShare * tap.Pitch) + (height * tap.FlankSlope));

    private static double RoomOf(TapGeometry tap, in Inputs x)
    {
        if (!tap.ChipsAhead) return 0;
        double hole = x[Input.HoleBefore], lead = tap.Pitch * x[Input.Starts];
        return LooseChip * Section(
            tap, (tap.Diameter - hole) / 2) * x[Input.Starts] * Math.PI * (tap.Diameter
                + hole) / 2 * (x[Input.Depth] / lead) / (Math.PI * hole * hole / 4);
    }

    private static void Speed<TTrace>(HoleSetup setup, TapGeometry tap, in Inputs x, double lead, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double way = x[Input.Approach] + r[Output.ProgrammedDepth], wanted = CuttingSetup.SpindleSpeedFor(x[Input.CuttingSpeed], tap.Diameter);
        double axis = setup.LargestFeed / lead, reached = InStep.SpeedWithin(way, lead, setup.RunUp), n = wanted;
        Hold(setup.LargestSpeed, Limits.HighestSpeed, ref r);
        if (setup.SynchronousLimit > 0) Hold(setup.SynchronousLimit, SpeedInStep, ref r);
        Hold(axis, Limits.AxisFeed, ref r);
        if (!double.IsNaN(reached)) Hold(reached, SpeedReached, ref r);
        double most = Math.Min(axis, double.IsNaN(reached) ? setup.LargestSpeed : Math.Min(setup.LargestSpeed, reached));
        if (setup.SynchronousLimit > 0) most = Math.Min(most, setup.SynchronousLimit);
        n = InStep.SpeedUpTo(n, lead);
        double back = InStep.SpeedUpTo(Math.Min(n * x[Input.ReturnRatio], most), lead);
        r[Output.OuterDiameter] = tap.Diameter;
        r[Output.SpindleSpeed] = n;
        r[Output.FeedRate] = n * lead;
        r[Output.ReturnSpeed] = back;
        r[Output.ReturnFeed] = back * lead;
        r[Output.SpeedInUse] = Math.PI * tap.Diameter * n / 1000;
        if (setup.FeedStep > 0)
        {
            double wholeSpeed = Math.Max(1, Math.Round(n)), wholeFeed = Math.Round(wholeSpeed * lead / setup.FeedStep) * setup.FeedStep;
            r[Output.Drift] = Math.Abs((wholeFeed / wholeSpeed / lead) - 1) * way;
            if (TTrace.Listens)
                trace.Take(
                    DriftFormula, r[Output.Drift], new("v_round", wholeFeed), new("n_round", wholeSpeed), new("f", lead),
                    new("a", x[Input.Approach]), new("t_p", r[Output.ProgrammedDepth]));
        }

        if (!TTrace.Listens) return;

        trace.Take(WantedFormula, wanted, new("v_c", x[Input.CuttingSpeed]), new("D", tap.Diameter));
        trace.Take(AxisFormula, axis, new("v_fmax", setup.LargestFeed), new("f", lead));
        if (!double.IsNaN(reached))
            trace.Take(
                ReachedFormula, reached, new("α_n", setup.RunUp), new("a", x[Input.Approach]), new("t_p", r[Output.ProgrammedDepth]),
                new("f", lead));
        List<Term> allow = [new("n_max", setup.LargestSpeed), new("n_2", axis)];
        if (setup.SynchronousLimit > 0) allow.Add(new("n_s", setup.SynchronousLimit));
        if (!double.IsNaN(reached)) allow.Add(new("n_3", reached));
        trace.Take(MostFormula with { Expression = $"min({string.Join(", ", allow.Select(t => t.Symbol))})" }, most, [.. allow]);
        trace.Take(HeldFormula, n, new("n_1", wanted), new("n_m", most));
        trace.Take(FeedFormula, n * lead, new("n", n), new("f", lead));
        trace.Take(UsedFormula, r[Output.SpeedInUse], new("D", tap.Diameter), new("n", n));
        trace.Take(OutFormula, back, new("q_r", x[Input.ReturnRatio]), new("n", n), new("n_m", most));

        void Hold(double at, LimitDefinition limit, ref HoleResult result)
        {
            if (n <= at) return;
            n = at;
            result.HeldBy = limit;
        }
    }

    private static void Load<TTrace>(
        HoleSetup setup, TapGeometry tap, in Inputs x, double lead, double height, double section, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        bool taper = tap.Taper > 0;
        double k11 = HoleWork.SpecificForce11(setup, x, ref trace),
            chip = taper ? lead * tap.Taper / (2 * setup.Teeth) : height * lead / (setup.Teeth * tap.LeadLength),
            force = k11 * Math.Pow(chip, -setup.ChipExponent);
        double ratio = tap.Forming ? setup.Practice.FormingTorque : 1, hole = r[Output.MinorDiameter], n = r[Output.SpindleSpeed];
        double torque = ratio * force * section * x[Input.Starts] * (tap.Diameter + hole) / 4 / 1000, power = torque * Math.PI * n / 30_000;
        r[Output.Chip] = chip;
        r[Output.SpecificForce] = force;
        r[Output.Torque] = torque;
        r[Output.BreakingTorque] = tap.Torsion.Breaking(ref trace);
        if (TTrace.Listens)
        {
            if (taper) trace.Take(TaperChipFormula, chip, new("f", lead), new("k_t", tap.Taper), new("z", setup.Teeth));
            else trace.Take(ChipFormula, chip, new("h_t", height), new("f", lead), new("z", setup.Teeth), new("l_a", tap.LeadLength));
            trace.Take(ForceFormula, force, new("k_c11", k11), new("h", chip), new("m_c", setup.ChipExponent));
            trace.Take(
                TorqueFormula, torque, new("k_M", ratio), new("k_c", force), new("A_g", section), new("i_g", x[Input.Starts]),
                new("D", tap.Diameter), new("D_1", hole));
            trace.Take(PowerFormula, power, new("M", torque), new("n", n));
        }

        HoleWork.Power(setup, power, ref r, ref trace);
    }

    private static void Time<TTrace>(HoleSetup setup, in Inputs x, double lead, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double a = x[Input.Approach], way = a + r[Output.ProgrammedDepth], n = r[Output.SpindleSpeed], back = r[Output.ReturnSpeed];

        WaySum sum = default;
        Walk(setup, x, r, false, ref sum);
        r[Output.Time] = sum.Time;
        if (!double.IsNaN(setup.RunUp)) r[Output.RunUpWay] = n * n * lead / (60 * setup.RunUp);
        if (!TTrace.Listens) return;

        if (!double.IsNaN(setup.RunUp)) trace.Take(WayFormula, r[Output.RunUpWay], new("n", n), new("f", lead), new("α_n", setup.RunUp));
        trace.Take(
            TimeFormula, r[Output.Time], new("a", a), new("t_p", r[Output.ProgrammedDepth]), new("v_f", r[Output.FeedRate]),
            new("v_r", r[Output.ReturnFeed]), new("n", n), new("n_r", back), new("α_s", double.IsNaN(setup.RunUp) ? 1e12 : setup.RunUp),
            new("r", x[Input.Retract]),
            new("v_rapid", setup.RapidFeed));
    }

    private static void Class(TapGeometry tap, in HoleResult r, List<Finding> findings)
    {
        double minor = r[Output.MinorDiameter];
        if (tap.Taper > 0)
        {
            findings.Add(new(
                "gauge-plane", Severity.Info,
                new(
                    "The gauge plane of the tap comes to the face with its tip {0} deep; a turn more or less moves it by {1}. The torque grows to "
                        + "the end.",
                    new(tap.GaugeLength, Quantity.Length), new Measure(tap.Pitch, Quantity.Length)),
                ""));
            return;
        }

        IReadOnlyList<MinorClass> classes = MinorLimits.Of(tap.Thread);
        if (classes.Count == 0)
        {
            findings.Add(new("no-class", Severity.Info, new("No standard gives limits for the minor diameter of this thread."), ""));
            return;
        }

        MinorClass? tightest = classes.Where(c => c.Holds(minor)).Select(c => (MinorClass?)c).FirstOrDefault();
        MinorClass usual = classes.FirstOrDefault(c => c.Name is "6H" or "2B" or "G", classes[0]);
        findings.Add(tightest is { } c
            ? new(
                "minor-class", Severity.Info,
                new(
                    $"The minor diameter {{0}} is inside {c.Name}, {{1}} to {{2}}.", new(minor, Quantity.Length), new(c.Least, Quantity.Length),
                    new Measure(c.Most, Quantity.Length)),
                "")
            : new(
                "minor-outside", Severity.Caution,
                new(
                    $"The minor diameter {{0}} is outside {usual.Name}, {{1}} to {{2}}{(classes.Count > 1 ? ", and every other class" : "")}.",
                    new(minor, Quantity.Length), new(usual.Least, Quantity.Length), new Measure(usual.Most, Quantity.Length)),
                minor < usual.Least ? "Take a larger drill." : "Take a smaller drill."));
    }
}

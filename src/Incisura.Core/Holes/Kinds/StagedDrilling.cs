using System.Globalization;
using Incisura.Core.Cutters;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>A deep hole in stages behind a pilot, slowed where other holes cross it.</summary>
internal readonly struct StagedDrilling : IHoleKind
{
    /// <summary>A pilot wider than this over the drill no longer guides it.</summary>
    public const double WidestPilot = 1.05;

    // Speed into the pilot, rev/min, where the free drill stands it.
    private const double UsualEntry = 200;

    private static readonly Formula FreeLengthFormula = new(
        "l_0", "Length without support", Quantity.Length, "l_p - t_s", "length outside the holder, less what the pilot guides");

    public static OperationDescription Description { get; } = new(
        "deep-hole",
        "Deep hole in stages",
        "deep",
        [CutterFamily.GunDrill, CutterFamily.TwistDrill],
        [
            Depth,
            Breakthrough,
            new(Input.ChipRoom, "k", "Flute left open above", "Deep", Quantity.Length, 0, 200),
            new(Input.PilotDiameter, "d_p", "Diameter of the pilot", "Pilot", Quantity.Length, 0.1, 100),
            new(Input.PilotDepth, "t_p0", "Depth of the pilot", "Pilot", Quantity.Length, 0.5, 500),
            new(Input.PilotClearance, "s_p", "Clear above its bottom", "Pilot", Quantity.Length, 0.1, 50, 1),
            new(Input.EntrySpeed, "n_e", "Speed in, reversed", "Pilot", Quantity.SpindleSpeed, 1, 2000),
            new(Input.EntryFeed, "v_e", "Feed rate in", "Pilot", Quantity.FeedRate, 1, 10_000, 500),
            Feed,
            new(Input.CoolantDelay, "τ_c", "Coolant comes after", "Stages", Quantity.Duration, 0, 60, 2),
            new(Input.StartShare, "q_s", "Feed at the start", "Stages", Quantity.Ratio, 0.05, 1, 0.5),
            new(Input.StartLength, "l_s", "Length of the start", "Stages", Quantity.Length, 0, 200),
            new(Input.SlowShare, "k_x", "Feed across a hole", "Stages", Quantity.Ratio, 0.05, 1, 0.5),
            new(Input.SlowMargin, "m_x", "Way before and after it", "Stages", Quantity.Length, 0, 50, 1),
            new(Input.BreakShare, "q_t", "Feed breaking through", "Stages", Quantity.Ratio, 0.05, 1, 0.5),
            new(Input.WithdrawFeed, "v_w", "Feed rate out", "Stages", Quantity.FeedRate, 10, 60_000, 4000),
            .. Planes,
        ],
        [EndOption, MeaningOption, Common.CoolantBy with { Default = "through" }],
        Large,
        [Output.DepthRatio, Output.ProgrammedHeight, Output.FreeLength, Output.WhirlSpeed, Output.FreeSpeed, .. LoadRows])
    {
        AtMachine = SetAtMachine(
            Input.PilotClearance, Input.EntrySpeed, Input.EntryFeed, Input.CoolantDelay, Input.StartShare, Input.StartLength,
            Input.SlowShare, Input.SlowMargin, Input.BreakShare, Input.WithdrawFeed, Input.Breakthrough),
        ChartedAs = [Drilling.Description],
        Leaves = LeftoverKind.Hole,
        Extras = [Extra.CodeOf(typeof(CrossHoles)), Extra.CodeOf(typeof(StageEdits))],
    };

    public static void Follow(HoleSetup setup, ref Inputs x)
    {
        double d = setup.Diameter;
        x.Propose(Input.Depth, Math.Min(12 * d, 0.8 * setup.Reach));
        x.Propose(Input.ChipRoom, d);
        x.Propose(Input.PilotDiameter, d + 0.02);
        x.Propose(Input.PilotDepth, Math.Min(1.5 * d, x[Input.Depth]));
        x.Propose(Input.StartLength, d);
        NoTrace none = default;
        x.Propose(Input.EntrySpeed, Math.Max(1, Math.Min(UsualEntry, Math.Floor(setup.Slender.FreeSpeed(setup.Projection, ref none)))));
    }

    public static bool Uses(HoleSetup setup, in Inputs x, Input input) => input switch
    {
        Input.Breakthrough or Input.BreakShare => x.Through,
        Input.SlowShare => setup.Crossing is not null,
        Input.SlowMargin => setup.Crossing is not null || x.Through,
        _ => true,
    };

    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check)
    {
        double d = setup.Diameter, pilot = x[Input.PilotDiameter];
        check.Holds(
            pilot >= d, "pilotDiameter", pilot,
            $"A pilot of Ø{pilot:0.###} mm is smaller than the drill of Ø{d:0.###} mm, which would not enter it; give "
                + $"{d:0.###} to {d * WidestPilot:0.###} mm.")
            .Holds(
                pilot <= d * WidestPilot, "pilotDiameter", pilot,
                $"A pilot of Ø{pilot:0.###} mm is too wide to guide a drill of Ø{d:0.###} mm; give {d:0.###} to {d * WidestPilot:0.###} mm.")
            .Holds(
                x[Input.PilotDepth] > x[Input.PilotClearance], "pilotDepth", x[Input.PilotDepth],
                $"A pilot of {x[Input.PilotDepth]:0.##} mm leaves no guidance above the clear way of "
                    + $"{x[Input.PilotClearance]:0.##} mm; deepen the pilot.")
            .Holds(
                x[Input.PilotDepth] <= x[Input.Depth], "pilotDepth", x[Input.PilotDepth],
                $"The pilot of {x[Input.PilotDepth]:0.##} mm is deeper than the hole of {x[Input.Depth]:0.##} mm; make it "
                    + "shallower, or drill the hole in one cycle.");
        if (setup.Crossing is { } crossing)
            for (int i = 0; i < crossing.Holes.Count; i++) crossing.Holes[i].Check(d, x[Input.Depth], i + 1, check);
        if (check.Faults.Count > 0) return;

        HoleResult r = HoleOperation<StagedDrilling>.Solve(setup, x);
        StageRules rules = new(setup, x, r, check);
        StagedPlan.Walk(setup, x, r, ref rules);
        foreach (StageEdit edit in setup.Edited?.Edits ?? [])
            check.Holds(
                rules.Known.Contains(edit.Stage), $"edits.{edit.Stage}", double.NaN,
                $"There is no stage “{edit.Stage}” to be changed any more; take the change back.");
    }

    public static void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleWork.Ratio(setup, x, ref r, ref trace);
        AxisDepth.OfDrill(setup.Diameter, setup.PointAngle, x, ref r, ref trace);
        HoleWork.Load(setup, x, setup.Diameter, 0, setup.PointAngle / 2, ref r, ref trace);
        r[Output.BreakingTorque] = setup.Torsion.Breaking(ref trace);
        r.Cycle = DrillingCycle.Staged;
        r[Output.Cycle] = (int)DrillingCycle.Staged;
        double guided = Math.Max(0, x[Input.PilotDepth] - x[Input.PilotClearance]), free = Math.Max(setup.Projection - guided, 1);
        if (TTrace.Listens) trace.Take(FreeLengthFormula, free, new("l_p", setup.Projection), new("t_s", guided));
        HoleWork.Slender(setup, free, ref r, ref trace);
        r[Output.FreeSpeed] = setup.Slender.FreeSpeed(setup.Projection, ref trace);
        StageTime time = default;
        StagedPlan.Walk(setup, x, r, ref time);
        if (TTrace.Listens)
            foreach (CrossHole hole in setup.Crossing?.Holes ?? []) hole.HalfLength(setup.Diameter, ref trace);
        r[Output.Time] = time.Total(ref trace);
    }

    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits)
    {
        limits.Add(Limits.FluteLength, r[Output.ProgrammedDepth] + x[Input.ChipRoom], setup.FluteLength);
        limits.Add(HoleLimits.ToolStrength, r[Output.Torque], ToolTorsion.Share * r[Output.BreakingTorque]);
        HoleWork.JudgeSlender(r, ref limits);
    }

    public static void Notice(HoleSetup setup, in Inputs x, in HoleResult r, List<Finding> findings)
    {
        if (r[Output.SpindleSpeed] > r[Output.FreeSpeed])
            findings.Add(new(
                "outside-slow", Severity.Info,
                new(
                    "Outside the bore the drill may turn at {0} at most; it drills at {1}.", new(r[Output.FreeSpeed], Quantity.SpindleSpeed),
                    new Measure(r[Output.SpindleSpeed], Quantity.SpindleSpeed)),
                ""));
        if (!CycleChoice.Above(r[Output.DepthRatio], setup.Cycles.Staged))
            findings.Add(new(
                "needs-no-stages", Severity.Info,
                new(
                    "{0} × D would not need stages: the shop drills in stages above {1} × D.",
                    new(Math.Round(r[Output.DepthRatio], 1), Quantity.Ratio), new Measure(setup.Cycles.Staged, Quantity.Ratio)),
                ""));
        if (!setup.Cutter.ThroughCoolant && setup.Cutter.Family == CutterFamily.GunDrill)
            findings.Add(new(
                "no-channel", Severity.Stop, new("This deep-hole drill has no channel for coolant: chips would stay in the bore."),
                "Take one with coolant through it, or mark it on the cutter's page."));
        if (setup.Crossing is not { } crossing) return;
        for (int i = 0; i < crossing.Holes.Count; i++)
            if (StagedPlan.Window(x, r, crossing.Openings[i]).From < x[Input.PilotDepth])
                findings.Add(new(
                    "cross-in-pilot", Severity.Caution,
                    new(
                        "The hole crossing at {0} opens the wall of the pilot, which no longer guides all round.",
                        new Measure(crossing.Holes[i].Distance, Quantity.Length)),
                    "Drill the crossing hole after this one, or deepen the pilot beyond it."));
    }

    public static void Walk<TSink>(HoleSetup setup, in Inputs x, in HoleResult r, bool returnsAtFeed, ref TSink sink)
        where TSink : struct, IWaySink => StagedPlan.Walk(setup, x, r, ref sink);

    // What a stage must never be, whoever changed it.
    private readonly struct StageRules(HoleSetup setup, Inputs x, HoleResult r, InputCheck check) : IWaySink
    {
        public HashSet<string> Known { get; } = [];

        public void Take(in Stretch stage)
        {
            string code = stage.Kind.CodeOf(stage.Number), name = stage.Kind.NameOf(stage.Number), at = $"edits.{code}";
            if (stage.Kind.Editable) Known.Add(code);
            if (!stage.Kind.Editable) return;
            bool changed = setup.Edited?.Edits.Any(e => e.Stage == code) == true;
            double free = Math.Min(r[Output.FreeSpeed], setup.LargestSpeed), guide = x[Input.PilotDepth] - x[Input.PilotClearance];
            bool outside = Math.Min(stage.From, stage.To) < 0, drills = stage.To > Math.Max(guide, stage.From);
            string Show(double v) => v.ToString("0", CultureInfo.InvariantCulture);
            if (outside)
                check.Holds(
                    Math.Abs(stage.Speed) <= free, stage.Kind == StagedPlan.Entry && !changed ? "entrySpeed" : at, stage.Speed,
                    $"{name}: at {Show(Math.Abs(stage.Speed))} rev/min outside the bore the drill would whirl; give at most "
                        + $"{Show(Math.Floor(free))} rev/min until the pilot guides it.");
            check.Holds(
                stage.FeedRate > 0 && (!changed || stage.FeedRate <= setup.LargestFeed), at, stage.FeedRate,
                $"{name}: the feed rate is {Show(stage.FeedRate)} mm/min; give more than 0 and at most {Show(setup.LargestFeed)} mm/min.");
            if (!drills) return;
            check.Holds(
                stage.Coolant, at, 0,
                $"{name}: without coolant at this depth the chips stay in the bore and the drill breaks; leave the coolant on until the drill stops.")
                .Holds(stage.Speed > 0, at, stage.Speed, $"{name}: the drill cuts only while it turns to the right; give a speed above 0.")
                .Holds(
                    !changed || stage.Speed <= Math.Min(r[Output.WhirlSpeed], setup.LargestSpeed), at, stage.Speed,
                    $"{name}: {Show(stage.Speed)} rev/min is more than drill and spindle stand; give at most "
                        + $"{Show(Math.Floor(Math.Min(r[Output.WhirlSpeed], setup.LargestSpeed)))} rev/min.")
                .Holds(
                    stage.FeedRate <= r[Output.FeedRate] * (1 + 1e-9), at, stage.FeedRate,
                    $"{name}: {Show(stage.FeedRate)} mm/min is more than the full feed of {Show(r[Output.FeedRate])} mm/min; give "
                        + "less, or raise the feed per revolution.");
        }
    }
}

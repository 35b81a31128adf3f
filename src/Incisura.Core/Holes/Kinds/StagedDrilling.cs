using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;
using static Incisura.Core.Calculation.ShopOptions;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>A deep hole in stages behind a pilot, slowed where other holes cross it.</summary>
public readonly struct StagedDrilling : IHoleKind
{
    /// <summary>A pilot wider than this over the drill no longer guides it.</summary>
    public const double WidestPilot = 1.05;

    // Speed into the pilot, rev/min, where the free drill stands it.
    private const double UsualEntry = 200;

    private static readonly Formula FreeLengthFormula = new(
        "l_0", "Length without support", Quantity.Length, "l_p - t_s", "length outside the holder, less what the pilot guides");

    /// <inheritdoc/>
    public static HoleDescription Description { get; } = new(
        "deep-hole",
        "Deep hole in stages",
        [CutterFamily.GunDrill, CutterFamily.TwistDrill],
        [
            Depth,
            Breakthrough,
            new(HoleInput.ChipRoom, "k", "Flute left open above", "Deep", Quantity.Length, 0, 200),
            new(HoleInput.PilotDiameter, "d_p", "Diameter of the pilot", "Pilot", Quantity.Length, 0.1, 100),
            new(HoleInput.PilotDepth, "t_p0", "Depth of the pilot", "Pilot", Quantity.Length, 0.5, 500),
            new(HoleInput.PilotClearance, "s_p", "Clear above its bottom", "Pilot", Quantity.Length, 0.1, 50, 1),
            new(HoleInput.EntrySpeed, "n_e", "Speed in, reversed", "Pilot", Quantity.SpindleSpeed, 1, 2000),
            new(HoleInput.EntryFeed, "v_e", "Feed rate in", "Pilot", Quantity.FeedRate, 1, 10_000, 500),
            Feed,
            CuttingSpeed,
            ToolLife,
            new(HoleInput.CoolantDelay, "τ_c", "Coolant comes after", "Stages", Quantity.Duration, 0, 60, 2),
            new(HoleInput.StartShare, "k_s", "Feed at the start", "Stages", Quantity.Ratio, 0.05, 1, 0.5),
            new(HoleInput.StartLength, "l_s", "Length of the start", "Stages", Quantity.Length, 0, 200),
            new(HoleInput.SlowShare, "k_x", "Feed across a hole", "Stages", Quantity.Ratio, 0.05, 1, 0.5),
            new(HoleInput.SlowMargin, "m_x", "Way before and after it", "Stages", Quantity.Length, 0, 50, 1),
            new(HoleInput.BreakShare, "k_b", "Feed breaking through", "Stages", Quantity.Ratio, 0.05, 1, 0.5),
            new(HoleInput.WithdrawFeed, "v_w", "Feed rate out", "Stages", Quantity.FeedRate, 10, 60_000, 4000),
            .. Planes,
        ],
        [EndOption, MeaningOption, EdgeWear, CoolantBy with { Default = "through" }],
        Large,
        [HoleFigure.DepthRatio, HoleFigure.ProgrammedHeight, HoleFigure.FreeLength, HoleFigure.WhirlSpeed, HoleFigure.FreeSpeed, .. LoadRows])
    { ChartedAs = ["drill"], Picture = "deep", InStages = true };

    /// <inheritdoc/>
    public static void Follow(HoleSetup setup, ref HoleInputs x)
    {
        double d = setup.Diameter;
        x.Propose(HoleInput.Depth, Math.Min(12 * d, 0.8 * setup.Reach));
        x.Propose(HoleInput.ChipRoom, d);
        x.Propose(HoleInput.PilotDiameter, d + 0.02);
        x.Propose(HoleInput.PilotDepth, Math.Min(1.5 * d, x[HoleInput.Depth]));
        x.Propose(HoleInput.StartLength, d);
        NoTrace none = default;
        x.Propose(HoleInput.EntrySpeed, Math.Max(1, Math.Min(UsualEntry, Math.Floor(setup.Slender.FreeSpeed(setup.Projection, ref none)))));
    }

    /// <inheritdoc/>
    public static bool Uses(HoleSetup setup, in HoleInputs x, HoleInput input) => input switch
    {
        HoleInput.Breakthrough or HoleInput.BreakShare => x.Through,
        HoleInput.SlowShare => x.CrossHoles.Length > 0,
        HoleInput.SlowMargin => x.CrossHoles.Length > 0 || x.Through,
        _ => true,
    };

    /// <inheritdoc/>
    public static void Refuse(HoleSetup setup, in HoleInputs x, InputCheck check)
    {
        double d = setup.Diameter, pilot = x[HoleInput.PilotDiameter];
        check.Holds(
            pilot >= d, "pilotDiameter", pilot,
            $"A pilot of Ø{pilot:0.###} mm is smaller than the drill of Ø{d:0.###} mm, which would not enter it; give "
                + $"{d:0.###} to {d * WidestPilot:0.###} mm.")
            .Holds(
                pilot <= d * WidestPilot, "pilotDiameter", pilot,
                $"A pilot of Ø{pilot:0.###} mm is too wide to guide a drill of Ø{d:0.###} mm; give {d:0.###} to {d * WidestPilot:0.###} mm.")
            .Holds(
                x[HoleInput.PilotDepth] > x[HoleInput.PilotClearance], "pilotDepth", x[HoleInput.PilotDepth],
                $"A pilot of {x[HoleInput.PilotDepth]:0.##} mm leaves no guidance above the clear way of "
                    + $"{x[HoleInput.PilotClearance]:0.##} mm; deepen the pilot.")
            .Holds(
                x[HoleInput.PilotDepth] <= x[HoleInput.Depth], "pilotDepth", x[HoleInput.PilotDepth],
                $"The pilot of {x[HoleInput.PilotDepth]:0.##} mm is deeper than the hole of {x[HoleInput.Depth]:0.##} mm; make it "
                    + "shallower, or drill the hole in one cycle.");
        for (int i = 0; i < x.CrossHoles.Length; i++) x.CrossHoles[i].Check(d, x[HoleInput.Depth], i + 1, check);
        if (check.Faults.Count > 0) return;

        HoleResult r = HoleSolver.Solve<StagedDrilling>(setup, x);
        StageRules rules = new(setup, x, r, check);
        StagedPlan.Walk(setup, x, r, ref rules);
        foreach (StageEdit edit in x.Edits)
            check.Holds(
                rules.Known.Contains(edit.Stage), $"edits.{edit.Stage}", double.NaN,
                $"There is no stage “{edit.Stage}” to be changed any more; take the change back.");
    }

    /// <inheritdoc/>
    public static void Work<TTrace>(HoleSetup setup, in HoleInputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleWork.Ratio(setup, x, ref r, ref trace);
        AxisDepth.OfDrill(setup.Diameter, setup.PointAngle, x, ref r, ref trace);
        HoleWork.Load(setup, x, setup.Diameter, 0, setup.PointAngle / 2, ref r, ref trace);
        r[HoleFigure.BreakingTorque] = setup.Torsion.Breaking(ref trace);
        r.Cycle = DrillingCycle.Staged;
        r[HoleFigure.Cycle] = (int)DrillingCycle.Staged;
        double guided = Math.Max(0, x[HoleInput.PilotDepth] - x[HoleInput.PilotClearance]), free = Math.Max(setup.Projection - guided, 1);
        r[HoleFigure.FreeLength] = free;
        if (TTrace.Listens) trace.Take(FreeLengthFormula, free, new("l_p", setup.Projection), new("t_s", guided));
        r[HoleFigure.WhirlSpeed] = setup.Slender.GuidedSpeed(free, ref trace);
        r[HoleFigure.FreeSpeed] = setup.Slender.FreeSpeed(setup.Projection, ref trace);
        r[HoleFigure.BucklingForce] = setup.Slender.BucklingForce(free, ref trace);
        StageTime time = default;
        StagedPlan.Walk(setup, x, r, ref time);
        if (TTrace.Listens)
            foreach (CrossHole hole in x.CrossHoles) hole.HalfLength(setup.Diameter, ref trace);
        r[HoleFigure.Time] = time.Total(ref trace);
    }

    /// <inheritdoc/>
    public static void Judge(HoleSetup setup, in HoleInputs x, in HoleResult r, ref LimitSet limits)
    {
        limits.Add(LimitKind.FluteLength, r[HoleFigure.ProgrammedDepth] + x[HoleInput.ChipRoom], setup.FluteLength);
        limits.Add(LimitKind.ToolStrength, r[HoleFigure.Torque], ToolTorsion.Share * r[HoleFigure.BreakingTorque]);
        limits.Add(LimitKind.Whirl, r[HoleFigure.SpindleSpeed], r[HoleFigure.WhirlSpeed]);
        limits.Add(LimitKind.Buckling, r[HoleFigure.Thrust], SlenderDrill.ForceShare * r[HoleFigure.BucklingForce]);
    }

    /// <inheritdoc/>
    public static void Notice(HoleSetup setup, in HoleInputs x, in HoleResult r, List<Finding> findings)
    {
        if (r[HoleFigure.SpindleSpeed] > r[HoleFigure.FreeSpeed])
            findings.Add(new(
                "outside-slow", Severity.Info,
                new(
                    "Outside the bore the drill may turn at {0} at most; it drills at {1}.", new(r[HoleFigure.FreeSpeed], Quantity.SpindleSpeed),
                    new Measure(r[HoleFigure.SpindleSpeed], Quantity.SpindleSpeed)),
                ""));
        if (!CycleChoice.Above(r[HoleFigure.DepthRatio], setup.Cycles.Staged))
            findings.Add(new(
                "needs-no-stages", Severity.Info,
                new(
                    "{0} × D would not need stages: the shop drills in stages above {1} × D.",
                    new(Math.Round(r[HoleFigure.DepthRatio], 1), Quantity.Ratio), new Measure(setup.Cycles.Staged, Quantity.Ratio)),
                ""));
        if (!setup.Cutter.ThroughCoolant && setup.Cutter.Family == CutterFamily.GunDrill)
            findings.Add(new(
                "no-channel", Severity.Stop, new("This deep-hole drill has no channel for coolant: chips would stay in the bore."),
                "Take one with coolant through it, or mark it on the cutter's page."));
        for (int i = 0; i < x.CrossHoles.Length; i++)
            if (StagedPlan.Window(x, r, x.Openings[i]).From < x[HoleInput.PilotDepth])
                findings.Add(new(
                    "cross-in-pilot", Severity.Caution,
                    new(
                        "The hole crossing at {0} opens the wall of the pilot, which no longer guides all round.",
                        new Measure(x.CrossHoles[i].Distance, Quantity.Length)),
                    "Drill the crossing hole after this one, or deepen the pilot beyond it."));
    }

    /// <inheritdoc/>
    public static IReadOnlyList<HoleStage> Stages(HoleSetup setup, in HoleInputs x, in HoleResult r)
    {
        StageList list = new();
        StagedPlan.Walk(setup, x, r, ref list);
        return list.Stages;
    }

    /// <inheritdoc/>
    public static IReadOnlyList<OpenWall> Openings(in HoleInputs x) => x.Openings;

    // What a stage must never be, whoever changed it.
    private readonly struct StageRules(HoleSetup setup, HoleInputs x, HoleResult r, InputCheck check) : IStageSink
    {
        public HashSet<string> Known { get; } = [];

        public void Take(in Stage stage)
        {
            string code = StagedPlan.CodeOf(stage.Part, stage.Number), name = StagedPlan.NameOf(stage.Part, stage.Number), at = $"edits.{code}";
            if (StagedPlan.Editable(stage.Part)) Known.Add(code);
            if (!StagedPlan.Editable(stage.Part)) return;
            bool changed = x.Edits.Any(e => e.Stage == code);
            double free = Math.Min(r[HoleFigure.FreeSpeed], setup.LargestSpeed), guide = x[HoleInput.PilotDepth] - x[HoleInput.PilotClearance];
            bool outside = Math.Min(stage.From, stage.To) < 0, drills = stage.To > Math.Max(guide, stage.From);
            string Show(double v) => v.ToString("0", CultureInfo.InvariantCulture);
            if (outside)
                check.Holds(
                    Math.Abs(stage.Speed) <= free, stage.Part == StagePart.Entry && !changed ? "entrySpeed" : at, stage.Speed,
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
                    !changed || stage.Speed <= Math.Min(r[HoleFigure.WhirlSpeed], setup.LargestSpeed), at, stage.Speed,
                    $"{name}: {Show(stage.Speed)} rev/min is more than drill and spindle stand; give at most "
                        + $"{Show(Math.Floor(Math.Min(r[HoleFigure.WhirlSpeed], setup.LargestSpeed)))} rev/min.")
                .Holds(
                    stage.FeedRate <= r[HoleFigure.FeedRate] * (1 + 1e-9), at, stage.FeedRate,
                    $"{name}: {Show(stage.FeedRate)} mm/min is more than the full feed of {Show(r[HoleFigure.FeedRate])} mm/min; give "
                        + "less, or raise the feed per revolution.");
        }
    }
}

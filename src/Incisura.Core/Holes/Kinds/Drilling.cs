using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>
/// Drilling into the solid or behind a smaller hole: plain, breaking the chip, or clearing the hole; with a step drill also the chamfer above.
/// </summary>
internal readonly struct Drilling : IHoleKind
{
    private static readonly Formula FreeLengthFormula = new(
        "l_0", "Length without support", Quantity.Length, "1*l_p", "length outside the holder: the hole guides no more than the point");

    public static OperationDescription Description { get; } = new(
        "drill",
        "Drilling",
        "hole",
        [CutterFamily.TwistDrill, CutterFamily.FlatDrill, CutterFamily.IndexableDrill, CutterFamily.StepDrill, CutterFamily.SpotDrill],
        [
            Depth,
            Breakthrough,
            Chamfer with { Name = "Chamfer by the step" },
            new(Input.ChipRoom, "k", "Flute left open above", "Deep", Quantity.Length, 0, 200),
            Dwell,
            Before with { Default = 0 },
            Feed,
            new(Input.FirstPeck, "q_1", "First peck", "Cycle", Quantity.Length, 0.01, 500),
            new(Input.PeckRatio, "k_q", "Each over the one before", "Cycle", Quantity.Ratio, 0.2, 1),
            new(Input.LeastPeck, "q_min", "Least peck", "Cycle", Quantity.Length, 0.01, 500),
            new(Input.ChipBreakLift, "l_k", "Lift that breaks the chip", "Cycle", Quantity.Length, 0.01, 20, 0.3),
            new(Input.PeckClearance, "l_h", "Clear above the bottom", "Cycle", Quantity.Length, 0.05, 20, 0.5),
            .. Planes,
        ],
        [EndOption, MeaningOption, CycleOption],
        Large,
        [Output.DepthRatio, Output.ProgrammedHeight, Output.Pecks, .. LoadRows, Output.RemovalRate])
    {
        AtMachine = SetAtMachine(
            Output.Pecks, Input.FirstPeck, Input.PeckRatio, Input.LeastPeck, Input.ChipBreakLift, Input.PeckClearance,
            Input.DwellTurns, Input.Breakthrough),
        Takes = LeftoverKind.Hole,
        Leaves = LeftoverKind.Hole,
    };

    public static void Follow(HoleSetup setup, ref Inputs x)
    {
        x.Propose(Input.ChipRoom, setup.Diameter);
        if (IsStep(setup))
        {
            // The step sits at a fixed length, so depth and chamfer are one choice: the one typed leads.
            double point = AxisDepth.PointLength(setup.Diameter, setup.PointAngle),
                beyond = x.Through ? point + x[Input.Breakthrough] : x.ToPoint ? 0 : point;
            double step = setup.Cutter[Dimension.StepLength], angle = setup.Cutter[Dimension.StepAngle],
                widest = setup.Cutter[Dimension.LargestDiameter];
            if (x.IsTyped(Input.Depth) && !x.IsTyped(Input.ChamferDiameter))
                x[Input.ChamferDiameter] = Math.Clamp(
                    setup.Diameter + (2 * (x[Input.Depth] + beyond - step) * Math.Tan(Parts.Half(angle))), setup.Diameter, widest);
            else x.Propose(Input.ChamferDiameter, setup.Diameter + (0.6 * (widest - setup.Diameter)));
            x.Propose(Input.Depth, AxisDepth.ForChamfer(x[Input.ChamferDiameter], setup.Diameter, angle, step) - beyond);
        }
        else
        {
            double room = setup.FluteLength - x[Input.ChipRoom] - AxisDepth
                .PointLength(setup.Diameter, setup.PointAngle) - (x.Through ? x[Input.Breakthrough] : 0);
            x.Propose(Input.Depth, Math.Min(2 * setup.Diameter, Math.Max(room, 0.5 * setup.Diameter)));
        }

        CycleChoice.FollowPecks(setup, ref x);
    }

    public static bool Uses(HoleSetup setup, in Inputs x, Input input)
    {
        DrillingCycle cycle = CycleOf(setup, x).Cycle;
        return input switch
        {
            Input.Breakthrough => x.Through,
            Input.ChamferDiameter => IsStep(setup),
            Input.FirstPeck or Input.PeckRatio or Input.LeastPeck => cycle != DrillingCycle.Plain,
            Input.ChipBreakLift => cycle == DrillingCycle.ChipBreaking,
            Input.PeckClearance => cycle == DrillingCycle.FullRetract,
            _ => true,
        };
    }

    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check)
    {
        check.Holds(
            x[Input.HoleBefore] < setup.Diameter, "holeBefore", x[Input.HoleBefore],
            $"The hole that is there, Ø{x[Input.HoleBefore]:0.###} mm, leaves nothing for a drill of Ø{setup.Diameter:0.###} mm; give a "
                + "smaller one, 0 for none, or take a larger drill.")
            .Holds(
                !x.ToPoint || x.Through || x[Input.Depth] >= AxisDepth.PointLength(setup.Diameter, setup.PointAngle), "depth", x[Input.Depth],
                $"A depth of {x[Input.Depth]:0.##} mm to the point is shorter than the point itself, "
                    + $"{AxisDepth.PointLength(setup.Diameter, setup.PointAngle):0.##} mm; go deeper, or spot the hole.")
            .Holds(
                x[Input.LeastPeck] <= x[Input.FirstPeck], "leastPeck", x[Input.LeastPeck],
                $"The least peck of {x[Input.LeastPeck]:0.###} mm is larger than the first, {x[Input.FirstPeck]:0.###} mm; make it smaller.");
        if (IsStep(setup))
            check.Within(
                "chamferDiameter", "The chamfer by the step", x[Input.ChamferDiameter], setup.Diameter, setup.Cutter[Dimension.LargestDiameter],
                Quantity.Length);
        if (CycleOf(setup, x).Cycle != DrillingCycle.Plain && x[Input.LeastPeck] > 0)
            check.Holds(
                HoleWay.ScheduleOf(x, x[Input.Depth]).Count <= PeckSchedule.Most, "leastPeck", x[Input.LeastPeck],
                $"These pecks would be more than {PeckSchedule.Most}; raise the least peck or the ratio.");
    }

    public static void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleWork.Ratio(setup, x, ref r, ref trace);
        AxisDepth.OfDrill(setup.Diameter, setup.PointAngle, x, ref r, ref trace);
        double outer = IsStep(setup) ? Math.Max(setup.Diameter, x[Input.ChamferDiameter]) : setup.Diameter;
        HoleWork.Load(setup, x, outer, x[Input.HoleBefore], setup.PointAngle / 2, ref r, ref trace);
        r[Output.BreakingTorque] = setup.Torsion.Breaking(ref trace);
        if (TTrace.Listens) trace.Take(FreeLengthFormula, setup.Projection, new Term("l_p", setup.Projection));
        HoleWork.Slender(setup, setup.Projection, ref r, ref trace);
        (r.Cycle, double from) = CycleOf(setup, x);
        NoTrace none = default;
        DrillingCycle cycle = r.Cycle;
        r.Cycle = DrillingCycle.Plain;
        HoleWork.Time(setup, x, false, ref r, ref none);
        r[Output.PlainTime] = r[Output.Time];
        r.Cycle = cycle;
        HoleWork.Time(setup, x, false, ref r, ref trace);
        r[Output.Cycle] = (int)cycle;
        r[Output.CycleFrom] = from;
    }

    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits)
    {
        limits.Add(Limits.FluteLength, r[Output.ProgrammedDepth] + x[Input.ChipRoom], setup.FluteLength);
        limits.Add(HoleLimits.ToolStrength, r[Output.Torque], ToolTorsion.Share * r[Output.BreakingTorque]);
        HoleWork.JudgeSlender(r, ref limits);
    }

    public static void Notice(HoleSetup setup, in Inputs x, in HoleResult r, List<Finding> findings)
    {
        CycleChoice.Notice(setup, x, r, findings);
        if (setup.Cutter.Family == CutterFamily.IndexableDrill && r.Cycle == DrillingCycle.FullRetract)
            findings.Add(new(
                "indexable-peck", Severity.Caution, new("An indexable drill that comes back onto its own core chips its middle insert."),
                "Drill plain with coolant through the drill, or take a solid drill."));
        if (x.Through && setup.Cutter.Family == CutterFamily.IndexableDrill)
            findings.Add(new(
                "slug", Severity.Caution, new("An indexable drill leaves a disc as it breaks through."), "Guard the place where the disc flies to."));
    }

    // A hole deeper than the shop drills plainly, and not in stages, is cleared at every peck.
    private static (DrillingCycle Cycle, double From) CycleOf(HoleSetup setup, in Inputs x)
    {
        (DrillingCycle cycle, double from) = CycleChoice.InOne(setup.Cycles, x[Input.Depth] / setup.Diameter);
        return (x.Cycle ?? cycle, from);
    }

    private static bool IsStep(HoleSetup setup) => setup.Cutter.Family == CutterFamily.StepDrill;
}

using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;
using Incisura.Core.Quantities;
using static Incisura.Core.Calculation.ShopOptions;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>
/// Drilling into the solid or behind a smaller hole: plain, breaking the chip, or clearing the hole; with a step drill also the chamfer above.
/// </summary>
public readonly struct Drilling : IHoleKind
{
    /// <inheritdoc/>
    public static HoleDescription Description { get; } = new(
        "drill",
        "Drilling",
        [CutterFamily.TwistDrill, CutterFamily.FlatDrill, CutterFamily.IndexableDrill, CutterFamily.StepDrill, CutterFamily.SpotDrill],
        [
            Depth,
            Breakthrough,
            Chamfer with { Name = "Chamfer by the step" },
            new(HoleInput.ChipRoom, "k", "Flute left open above", "Deep", Quantity.Length, 0, 200),
            Dwell,
            Before with { Default = 0 },
            Feed,
            CuttingSpeed,
            ToolLife,
            new(HoleInput.FirstPeck, "q_1", "First peck", "Cycle", Quantity.Length, 0.01, 500),
            new(HoleInput.PeckRatio, "k_q", "Each over the one before", "Cycle", Quantity.Ratio, 0.2, 1),
            new(HoleInput.LeastPeck, "q_min", "Least peck", "Cycle", Quantity.Length, 0.01, 500),
            new(HoleInput.ChipBreakLift, "s_b", "Lift that breaks the chip", "Cycle", Quantity.Length, 0.01, 20, 0.3),
            new(HoleInput.PeckClearance, "s", "Clear above the bottom", "Cycle", Quantity.Length, 0.05, 20, 0.5),
            .. Planes,
        ],
        [EndOption, MeaningOption, CycleOption, EdgeWear, CoolantBy],
        Large,
        [HoleFigure.DepthRatio, HoleFigure.ProgrammedHeight, HoleFigure.Pecks, .. LoadRows, HoleFigure.RemovalRate]);

    /// <inheritdoc/>
    public static void Follow(HoleSetup setup, ref HoleInputs x)
    {
        x.Propose(HoleInput.ChipRoom, setup.Diameter);
        if (IsStep(setup))
        {
            // The step sits at a fixed length, so depth and chamfer are one choice: the one typed leads.
            double point = AxisDepth.PointLength(setup.Diameter, setup.PointAngle),
                beyond = x.Through ? point + x[HoleInput.Breakthrough] : x.ToPoint ? 0 : point;
            double step = setup.Cutter[Dimension.StepLength], angle = setup.Cutter[Dimension.StepAngle],
                widest = setup.Cutter[Dimension.LargestDiameter];
            if (x.IsTyped(HoleInput.Depth) && !x.IsTyped(HoleInput.ChamferDiameter))
                x[HoleInput.ChamferDiameter] = Math.Clamp(
                    setup.Diameter + (2 * (x[HoleInput.Depth] + beyond - step) * Math.Tan(Parts.Half(angle))), setup.Diameter, widest);
            else x.Propose(HoleInput.ChamferDiameter, setup.Diameter + (0.6 * (widest - setup.Diameter)));
            x.Propose(HoleInput.Depth, AxisDepth.ForChamfer(x[HoleInput.ChamferDiameter], setup.Diameter, angle, step) - beyond);
        }
        else
        {
            double room = setup.FluteLength - x[HoleInput.ChipRoom] - AxisDepth
                .PointLength(setup.Diameter, setup.PointAngle) - (x.Through ? x[HoleInput.Breakthrough] : 0);
            x.Propose(HoleInput.Depth, Math.Min(2 * setup.Diameter, Math.Max(room, 0.5 * setup.Diameter)));
        }

        CycleChoice.FollowPecks(setup, ref x);
    }

    /// <inheritdoc/>
    public static bool Uses(HoleSetup setup, in HoleInputs x, HoleInput input)
    {
        DrillingCycle cycle = CycleOf(setup, x).Cycle;
        return input switch
        {
            HoleInput.Breakthrough => x.Through,
            HoleInput.ChamferDiameter => IsStep(setup),
            HoleInput.FirstPeck or HoleInput.PeckRatio or HoleInput.LeastPeck => cycle != DrillingCycle.Plain,
            HoleInput.ChipBreakLift => cycle == DrillingCycle.ChipBreaking,
            HoleInput.PeckClearance => cycle == DrillingCycle.FullRetract,
            _ => true,
        };
    }

    /// <inheritdoc/>
    public static void Refuse(HoleSetup setup, in HoleInputs x, InputCheck check)
    {
        check.Holds(
            x[HoleInput.HoleBefore] < setup.Diameter, "holeBefore", x[HoleInput.HoleBefore],
            $"The hole that is there, Ø{x[HoleInput.HoleBefore]:0.###} mm, leaves nothing for a drill of Ø{setup.Diameter:0.###} mm; give a "
                + "smaller one, 0 for none, or take a larger drill.")
            .Holds(
                !x.ToPoint || x.Through || x[HoleInput.Depth] >= AxisDepth.PointLength(setup.Diameter, setup.PointAngle), "depth", x[HoleInput.Depth],
                $"A depth of {x[HoleInput.Depth]:0.##} mm to the point is shorter than the point itself, "
                    + $"{AxisDepth.PointLength(setup.Diameter, setup.PointAngle):0.##} mm; go deeper, or spot the hole.")
            .Holds(
                x[HoleInput.LeastPeck] <= x[HoleInput.FirstPeck], "leastPeck", x[HoleInput.LeastPeck],
                $"The least peck of {x[HoleInput.LeastPeck]:0.###} mm is larger than the first, {x[HoleInput.FirstPeck]:0.###} mm; make it smaller.");
        if (IsStep(setup))
            check.Within(
                "chamferDiameter", "The chamfer by the step", x[HoleInput.ChamferDiameter], setup.Diameter, setup.Cutter[Dimension.LargestDiameter],
                Quantity.Length);
        if (CycleOf(setup, x).Cycle != DrillingCycle.Plain && x[HoleInput.LeastPeck] > 0)
            check.Holds(
                HoleWork.ScheduleOf(x, x[HoleInput.Depth]).Count <= PeckSchedule.Most, "leastPeck", x[HoleInput.LeastPeck],
                $"These pecks would be more than {PeckSchedule.Most}; raise the least peck or the ratio.");
    }

    /// <inheritdoc/>
    public static void Work<TTrace>(HoleSetup setup, in HoleInputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleWork.Ratio(setup, x, ref r, ref trace);
        AxisDepth.OfDrill(setup.Diameter, setup.PointAngle, x, ref r, ref trace);
        double outer = IsStep(setup) ? Math.Max(setup.Diameter, x[HoleInput.ChamferDiameter]) : setup.Diameter;
        HoleWork.Load(setup, x, outer, x[HoleInput.HoleBefore], setup.PointAngle / 2, ref r, ref trace);
        r[HoleFigure.BreakingTorque] = setup.Torsion.Breaking(ref trace);
        (r.Cycle, double from) = CycleOf(setup, x);
        NoTrace none = default;
        DrillingCycle cycle = r.Cycle;
        r.Cycle = DrillingCycle.Plain;
        HoleWork.Time(setup, x, false, ref r, ref none);
        r[HoleFigure.PlainTime] = r[HoleFigure.Time];
        r.Cycle = cycle;
        HoleWork.Time(setup, x, false, ref r, ref trace);
        r[HoleFigure.Cycle] = (int)cycle;
        r[HoleFigure.CycleFrom] = from;
    }

    /// <inheritdoc/>
    public static void Judge(HoleSetup setup, in HoleInputs x, in HoleResult r, ref LimitSet limits)
    {
        limits.Add(LimitKind.FluteLength, r[HoleFigure.ProgrammedDepth] + x[HoleInput.ChipRoom], setup.FluteLength);
        limits.Add(LimitKind.ToolStrength, r[HoleFigure.Torque], ToolTorsion.Share * r[HoleFigure.BreakingTorque]);
    }

    /// <inheritdoc/>
    public static void Notice(HoleSetup setup, in HoleInputs x, in HoleResult r, List<Finding> findings)
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
    private static (DrillingCycle Cycle, double From) CycleOf(HoleSetup setup, in HoleInputs x)
    {
        (DrillingCycle cycle, double from) = CycleChoice.InOne(setup.Cycles, x[HoleInput.Depth] / setup.Diameter);
        return (x.Cycle ?? cycle, from);
    }

    private static bool IsStep(HoleSetup setup) => setup.Cutter.Family == CutterFamily.StepDrill;
}

using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>Load, time and limits: what hole operations have in common.</summary>
internal static class HoleWork
{
    private static readonly Formula CorrectedForce = new(
        "k_c11", "Specific force at 1 mm, corrected", Quantity.Stress, "k_m*K_γ*K_w",
        "material, with the rake and the wear of the edge where they are known");
    private static readonly Formula MotorPowerFormula = new("P_mot", "Motor power", Quantity.Power, "P_c/η", "efficiency of the machine");
    private static readonly Formula RatioFormula = new("t/D", "Depth over diameter", Quantity.Ratio, "t/D", "definition");
    private static readonly Formula FeedWayFormula = new(
        "l_f", "Way at feed rate", Quantity.Length, "a + t_p + s_f",
        "from the approach plane to the bottom, and what is fed again above each peck or on the way out");
    private static readonly Formula RapidWayFormula = new(
        "l_r", "Way in rapid", Quantity.Length, "r - a + s_r", "from the retract plane to the approach plane, and every way back");
    private static readonly Formula TimeFormula = new(
        "T", "Time of a hole", Quantity.Time, "l_f/v_f + e/n + l_r/v_rapid", "ways over their speeds, and the turns at the bottom");

    /// <summary>k_c1.1 with the corrections for rake and wear, MPa.</summary>
    public static double SpecificForce11<TTrace>(HoleSetup setup, in HoleInputs x, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double k11 = setup.SpecificForce11 * x.Wear;
        if (TTrace.Listens) trace.Take(CorrectedForce, k11, new("k_m", setup.MaterialForce11), new("K_γ", setup.RakeFactor), new("K_w", x.Wear));
        return k11;
    }

    /// <summary>Works the load out between two diameters and writes the figures all operations share.</summary>
    public static void Load<TTrace>(
        HoleSetup setup, in HoleInputs x, double outer, double inner, double edgeAngle, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleCut cut = new(
            outer, inner, edgeAngle, setup.Teeth, x[HoleInput.CuttingSpeed], x[HoleInput.FeedPerRevolution], SpecificForce11(setup, x, ref trace),
            setup.ChipExponent);
        cut.Solve(out HoleLoad load, ref trace);
        r.EdgeAngle = edgeAngle;
        r[HoleFigure.OuterDiameter] = outer;
        r[HoleFigure.InnerDiameter] = inner;
        r[HoleFigure.SpindleSpeed] = load.SpindleSpeed;
        r[HoleFigure.FeedRate] = load.FeedRate;
        r[HoleFigure.FeedInUse] = x[HoleInput.FeedPerRevolution];
        r[HoleFigure.SpeedInUse] = x[HoleInput.CuttingSpeed];
        r[HoleFigure.Chip] = load.Chip;
        r[HoleFigure.SpecificForce] = load.SpecificForce;
        r[HoleFigure.RemovalRate] = load.RemovalRate;
        r[HoleFigure.Torque] = load.Torque;
        r[HoleFigure.Thrust] = load.Thrust;
        Power(setup, load.Power, ref r, ref trace);
    }

    /// <summary>Writes the power at the edge and at the motor.</summary>
    public static void Power<TTrace>(HoleSetup setup, double power, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[HoleFigure.Power] = power;
        double motor = CuttingSetup.MotorPower(power, setup.Efficiency);
        r[HoleFigure.MotorPower] = motor;
        if (TTrace.Listens) trace.Take(MotorPowerFormula, motor, new("P_c", power), new("η", setup.Efficiency));
    }

    /// <summary>Writes the depth over the diameter.</summary>
    public static void Ratio<TTrace>(HoleSetup setup, in HoleInputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[HoleFigure.DepthRatio] = x[HoleInput.Depth] / setup.Diameter;
        if (TTrace.Listens) trace.Take(RatioFormula, r[HoleFigure.DepthRatio], new("t", x[HoleInput.Depth]), new("D", setup.Diameter));
    }

    /// <summary>Works the time of a hole out, in the cycle the result names.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="returnsAtFeed">Whether the tool comes back at feed rate.</param>
    /// <param name="r">The result, with its cycle and programmed depth.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static void Time<TTrace>(HoleSetup setup, in HoleInputs x, bool returnsAtFeed, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double tip = r[HoleFigure.ProgrammedDepth], a = x[HoleInput.Approach], up = x[HoleInput.Retract];
        (double fed, double moved, int pecks) = Pecked(x, r.Cycle, tip, a);
        if (returnsAtFeed) fed += tip + a;
        double feedWay = a + tip + fed, back = returnsAtFeed ? up - a : tip + up, rapidWay = up - a + back + moved;
        double time = (feedWay / r[HoleFigure.FeedRate]) + (x[HoleInput.DwellTurns] / r[HoleFigure.SpindleSpeed]) + (rapidWay / setup.RapidFeed);
        r[HoleFigure.Time] = time;
        if (pecks > 1) r[HoleFigure.Pecks] = pecks;
        if (!TTrace.Listens) return;

        trace.Take(FeedWayFormula, feedWay, new("a", a), new("t_p", tip), new("s_f", fed));
        trace.Take(RapidWayFormula, rapidWay, new("r", up), new("a", a), new("s_r", back + moved));
        trace.Take(
            TimeFormula, time, new("l_f", feedWay), new("v_f", r[HoleFigure.FeedRate]), new("e", x[HoleInput.DwellTurns]),
            new("n", r[HoleFigure.SpindleSpeed]), new("l_r", rapidWay), new("v_rapid", setup.RapidFeed));
    }

    /// <summary>Judges the limits all hole operations share.</summary>
    /// <param name="setup">Cutter, holder, material and machine.</param>
    /// <param name="x">The inputs, complete.</param>
    /// <param name="r">What was worked out.</param>
    /// <param name="enters">Diameter of the hole that shank and neck have to enter, mm.</param>
    /// <param name="limits">Receives the limits.</param>
    public static void Judge(HoleSetup setup, in HoleInputs x, in HoleResult r, double enters, ref LimitSet limits)
    {
        setup.JudgeDrive(r[HoleFigure.SpindleSpeed], r[HoleFigure.MotorPower], r[HoleFigure.Torque], r[HoleFigure.FeedRate], ref limits);
        limits.Add(LimitKind.Thrust, r[HoleFigure.Thrust], setup.AxisThrust);
        if (!double.IsNaN(setup.Grip)) limits.Add(LimitKind.Grip, setup.Grip, setup.LeastGrip);
        limits.Add(LimitKind.Reach, r[HoleFigure.ProgrammedDepth], setup.ReachInto(enters));
        if (x.IsTyped(HoleInput.ToolLife)) limits.Add(LimitKind.ToolLife, r[HoleFigure.ToolLife], x[HoleInput.ToolLife]);
    }

    // What the pecks add: way fed again, way in rapid, and their number.
    private static (double Fed, double Moved, int Pecks) Pecked(in HoleInputs x, DrillingCycle cycle, double tip, double approach)
    {
        if (cycle is DrillingCycle.Plain or DrillingCycle.Staged) return (0, 0, 1);
        double fed = 0, moved = 0, clear = x[HoleInput.PeckClearance], lift = x[HoleInput.ChipBreakLift];
        int count = 0;
        foreach (double at in ScheduleOf(x, tip))
        {
            // More pecks than are taken are refused once everything is known; until then they are not walked to the end.
            if (++count > PeckSchedule.Most || at >= tip) break;
            if (cycle == DrillingCycle.ChipBreaking) moved += 2 * lift;
            else
            {
                moved += (2 * (at + approach)) - clear;
                fed += clear;
            }
        }

        return (fed, moved, count);
    }

    /// <summary>The pecks down to a depth of the tip.</summary>
    public static PeckSchedule ScheduleOf(in HoleInputs x, double tip) =>
        new(x[HoleInput.FirstPeck], x[HoleInput.PeckRatio], x[HoleInput.LeastPeck], tip);
}

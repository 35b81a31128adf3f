namespace Incisura.Core.Holes;

/// <summary>Limits of what hole tools and the feed axis stand.</summary>
public static class HoleLimits
{
    /// <summary>Thrust of the feed axis, N.</summary>
    public static readonly LimitDefinition Thrust = new(
        "thrust", "Thrust of the axis", Quantity.Force, Severity.Stop, "Lower the feed, or drill a pilot first.")
    { WithFeed = FeedShare.Load, Holds = [Input.FeedPerRevolution] };

    /// <summary>Torque the core of a drill or tap stands, with its margin, N·m.</summary>
    public static readonly LimitDefinition ToolStrength = new(
        "toolStrength", "Strength of the tool", Quantity.Torque, Severity.Stop,
        "Lower the feed of a drill; open the hole for a tap, take a fresh one, or mill the thread.")
    { WithFeed = FeedShare.Load, Holds = [Input.FeedPerRevolution] };

    /// <summary>Depth of the hole that a tap, a reamer or a bar needs, mm.</summary>
    public static readonly LimitDefinition HoleDepth = new(
        "holeDepth", "Depth of the hole", Quantity.Length, Severity.Stop, "Drill deeper, take a shorter lead, or thread less deep.")
    { IsLeast = true };
}

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
        "T", "Time of a hole", Quantity.Time, "l_f/v_f + n_d/n + l_r/v_rapid", "ways over their speeds, and the turns at the bottom");

    /// <summary>k_c1.1 with the corrections for rake and wear, MPa.</summary>
    public static double SpecificForce11<TTrace>(HoleSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wear = Common.Wear(x), k11 = setup.SpecificForce11 * wear;
        if (TTrace.Listens) trace.Take(CorrectedForce, k11, new("k_m", setup.MaterialForce11), new("K_γ", setup.RakeFactor), new("K_w", wear));
        return k11;
    }

    /// <summary>Works the load out between two diameters and writes the figures all operations share.</summary>
    public static void Load<TTrace>(
        HoleSetup setup, in Inputs x, double outer, double inner, double edgeAngle, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleCut cut = new(
            outer, inner, edgeAngle, setup.Teeth, x[Input.CuttingSpeed], x[Input.FeedPerRevolution], SpecificForce11(setup, x, ref trace),
            setup.ChipExponent);
        cut.Solve(out HoleLoad load, ref trace);
        r.EdgeAngle = edgeAngle;
        r[Output.OuterDiameter] = outer;
        r[Output.InnerDiameter] = inner;
        r[Output.SpindleSpeed] = load.SpindleSpeed;
        r[Output.FeedRate] = load.FeedRate;
        r[Output.FeedInUse] = x[Input.FeedPerRevolution];
        r[Output.SpeedInUse] = x[Input.CuttingSpeed];
        r[Output.Chip] = load.Chip;
        r[Output.SpecificForce] = load.SpecificForce;
        r[Output.RemovalRate] = load.RemovalRate;
        r[Output.Torque] = load.Torque;
        r[Output.Thrust] = load.Thrust;
        Power(setup, load.Power, ref r, ref trace);
    }

    /// <summary>Writes the power at the edge and at the motor.</summary>
    public static void Power<TTrace>(HoleSetup setup, double power, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[Output.Power] = power;
        double motor = CuttingSetup.MotorPower(power, setup.Efficiency);
        r[Output.MotorPower] = motor;
        if (TTrace.Listens) trace.Take(MotorPowerFormula, motor, new("P_c", power), new("η", setup.Efficiency));
    }

    /// <summary>Writes the depth over the diameter.</summary>
    public static void Ratio<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[Output.DepthRatio] = x[Input.Depth] / setup.Diameter;
        if (TTrace.Listens) trace.Take(RatioFormula, r[Output.DepthRatio], new("t", x[Input.Depth]), new("D", setup.Diameter));
    }

    /// <summary>Works the time of a hole out by walking its way, in the cycle the result names.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="returnsAtFeed">Whether the tool comes back at feed rate.</param>
    /// <param name="r">The result, with its cycle and programmed depth.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static void Time<TTrace>(HoleSetup setup, in Inputs x, bool returnsAtFeed, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        WaySum way = default;
        HoleWay.Walk(setup, x, r, returnsAtFeed, ref way);
        r[Output.Time] = way.Time;
        double tip = r[Output.ProgrammedDepth], a = x[Input.Approach], up = x[Input.Retract];
        if (way.Highest > 1) r[Output.Pecks] = way.Highest;
        if (!TTrace.Listens) return;

        trace.Take(FeedWayFormula, way.Fed, new("a", a), new("t_p", tip), new("s_f", way.Fed - a - tip));
        trace.Take(RapidWayFormula, way.Moved, new("r", up), new("a", a), new("s_r", way.Moved - (up - a)));
        trace.Take(
            TimeFormula, way.Time, new("l_f", way.Fed), new("v_f", r[Output.FeedRate]), new("n_d", x[Input.DwellTurns]),
            new("n", r[Output.SpindleSpeed]), new("l_r", way.Moved), new("v_rapid", setup.RapidFeed));
    }

    /// <summary>Judges the limits all hole operations share.</summary>
    /// <param name="setup">Cutter, holder, material and machine.</param>
    /// <param name="x">The inputs, complete.</param>
    /// <param name="r">What was worked out.</param>
    /// <param name="enters">Diameter of the hole that shank and neck have to enter, mm.</param>
    /// <param name="limits">Receives the limits.</param>
    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, double enters, ref LimitSet limits)
    {
        setup.JudgeDrive(r[Output.SpindleSpeed], r[Output.MotorPower], r[Output.Torque], r[Output.FeedRate], ref limits);
        limits.Add(HoleLimits.Thrust, r[Output.Thrust], setup.AxisThrust);
        if (!double.IsNaN(setup.Grip)) limits.Add(Limits.Grip, setup.Grip, setup.LeastGrip);
        limits.Add(Limits.Reach, r[Output.ProgrammedDepth], setup.ReachInto(enters));
        if (x.IsTyped(Input.ToolLife)) limits.Add(Limits.ToolLife, r[Output.ToolLife], x[Input.ToolLife]);
    }
}

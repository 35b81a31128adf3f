namespace Incisura.Core.Holes;

/// <summary>Limits of what hole tools and the feed axis stand.</summary>
public static class HoleLimits
{
    /// <summary>Torque the core of a drill or tap stands, with its margin, N·m.</summary>
    public static readonly LimitDefinition ToolStrength = new(
        "toolStrength", "Strength of the tool", Quantity.Torque, Severity.Stop,
        "Lower the feed of a drill; open the hole for a tap, take a fresh one, or mill the thread.")
    { WithFeed = FeedShare.Load, Holds = [Input.FeedPerRevolution] };

    /// <summary>Highest speed at which a slender drill does not whirl, rev/min.</summary>
    public static readonly LimitDefinition Whirl = new(
        "whirl", "Whirling of the drill", Quantity.SpindleSpeed, Severity.Stop,
        "Lower the speed, shorten the projection, or deepen the pilot.")
    { Holds = [Input.CuttingSpeed] };

    /// <summary>Thrust at which a slender drill buckles, with its margin, N.</summary>
    public static readonly LimitDefinition Buckling = new(
        "buckling", "Buckling of the drill", Quantity.Force, Severity.Stop,
        "Lower the feed, shorten the projection, or deepen the pilot.")
    { WithFeed = FeedShare.Load, Holds = [Input.FeedPerRevolution] };

    /// <summary>Depth of the hole that a tap, a reamer or a bar needs, mm.</summary>
    public static readonly LimitDefinition HoleDepth = new(
        "holeDepth", "Depth of the hole", Quantity.Length, Severity.Stop, "Drill deeper, take a shorter lead, or thread less deep.")
    { IsLeast = true };
}

/// <summary>Load, time and limits: what hole operations have in common.</summary>
internal static class HoleWork
{
    private static readonly Formula ChiselFormula = new(
        "F_q", "Thrust of the chisel edge", Quantity.Force, "F_l*2.2*(c_q/D_a)^0.8*(1 + c_q/D_a)^0.2/(1 - c_q/D_a)",
        "its share beside the lips by its length; Oxford and Shaw 1955, Shaw, Metal Cutting Principles");
    private static readonly Formula ThrustFormula = new("F_f", "Thrust", Quantity.Force, "F_l + F_q", "lips and chisel edge");
    private static readonly Formula LipsAloneFormula = ThrustFormula with
    {
        Expression = "1*F_l",
        Source = "lips alone: no chisel edge is stated with the cutter, or none is in the solid",
    };
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
        if (TTrace.Listens) setup.TellForce11(wear, ref trace);
        return k11;
    }

    /// <summary>Works the load out between two diameters and writes the figures all operations share.</summary>
    public static void Load<TTrace>(
        HoleSetup setup, in Inputs x, double outer, double inner, double edgeAngle, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleCut cut = new(
            outer, inner, edgeAngle, setup.Lips, x[Input.CuttingSpeed], x[Input.FeedPerRevolution], SpecificForce11(setup, x, ref trace),
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
        r[Output.Thrust] = load.Thrust + Chisel(setup, load, outer, inner, ref r, ref trace);
        Power(setup, load.Power, ref r, ref trace);
    }

    // Between the lips the chisel edge does not cut but presses: its share of the thrust by its length, where that is known and the middle is solid.
    private static double Chisel<TTrace>(HoleSetup setup, in HoleLoad load, double outer, double inner, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double ratio = setup.ChiselEdge / outer;
        if (!(ratio > 0) || inner >= setup.ChiselEdge)
        {
            if (TTrace.Listens) trace.Take(LipsAloneFormula, load.Thrust, new Term("F_l", load.Thrust));
            return 0;
        }

        double chisel = load.Thrust * 2.2 * Math.Pow(ratio, 0.8) * Math.Pow(1 + ratio, 0.2) / (1 - ratio);
        r[Output.ChiselThrust] = chisel;
        if (TTrace.Listens)
        {
            trace.Take(ChiselFormula, chisel, new("F_l", load.Thrust), new("c_q", setup.ChiselEdge), new("D_a", outer));
            trace.Take(ThrustFormula, load.Thrust + chisel, new("F_l", load.Thrust), new("F_q", chisel));
        }

        return chisel;
    }

    /// <summary>Works out where a drill that stands out this far whirls and buckles.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="free">Length without support, mm.</param>
    /// <param name="r">The result.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static void Slender<TTrace>(HoleSetup setup, double free, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[Output.FreeLength] = free;
        r[Output.WhirlSpeed] = setup.Slender.GuidedSpeed(free, ref trace);
        r[Output.BucklingForce] = setup.Slender.BucklingForce(free, ref trace);
    }

    /// <summary>Judges whirling and buckling of a drill.</summary>
    public static void JudgeSlender(in HoleResult r, ref LimitSet limits)
    {
        limits.Add(HoleLimits.Whirl, r[Output.SpindleSpeed], r[Output.WhirlSpeed]);
        limits.Add(HoleLimits.Buckling, r[Output.Thrust], SlenderDrill.ForceShare * r[Output.BucklingForce]);
    }

    /// <summary>Writes the power at the edge and at the motor.</summary>
    public static void Power<TTrace>(HoleSetup setup, double power, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[Output.Power] = power;
        double motor = CuttingSetup.MotorPower(power, setup.Efficiency);
        r[Output.MotorPower] = motor;
        if (TTrace.Listens) setup.TellMotorPower(power, ref trace);
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
        limits.Add(Limits.Thrust, r[Output.Thrust], setup.AxisThrust);
        if (setup.Turning is not null) WorkSpindle.Judge(r, ref limits);
        if (!double.IsNaN(setup.Grip)) limits.Add(Limits.Grip, setup.Grip, setup.LeastGrip);
        limits.Add(Limits.Reach, r[Output.ProgrammedDepth], setup.ReachInto(enters));
        if (x.IsTyped(Input.ToolLife)) limits.Add(Limits.ToolLife, r[Output.ToolLife], x[Input.ToolLife]);
    }
}

using Incisura.Core.Holes;
using Incisura.Core.Machines;
using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>Speed, infeeds with their loads, lead and time of turning a thread.</summary>
internal static class ThreadTurningLoad
{
    private static readonly WayKind Pass = new("infeed", "Infeed {0}"), Spring = new("spring", "Without infeed");

    private static readonly Formula LeadFormula = new("f", "Feed per revolution", Quantity.Chip, "P*i_g", "pitch times starts: in step, always");
    private static readonly Formula WantedFormula = new(
        "n_1", "Speed wanted", Quantity.SpindleSpeed, "1000*v_c/(pi*D_v)", "definition of cutting speed, at the largest diameter; ISO 3002-3");
    private static readonly Formula LargestFormula = new(
        "D_v", "Largest diameter cut", Quantity.Length, "max(d_k, d_r) + k_L*L", "of crests and roots, and what a taper adds outside");
    private static readonly Formula AxisFormula = new(
        "n_2", "Speed by the axis feed", Quantity.SpindleSpeed, "v_fmax/f", "largest feed of the axis over the lead");
    private static readonly Formula MostFormula = new(
        "n_m", "Highest speed in step", Quantity.SpindleSpeed, "min(n_max, n_2)", "what spindle, chuck and axis allow");
    private static readonly Formula HeldFormula = new(
        "n", "Spindle speed", Quantity.SpindleSpeed, "min(n_1, n_m)", "what is wanted, as far as it is allowed");
    private static readonly Formula FeedFormula = new("v_f", "Feed rate", Quantity.FeedRate, "n*f", "in step");
    private static readonly Formula UsedFormula = new(
        "v_u", "Cutting speed in use", Quantity.CuttingSpeed, "pi*D_v*n/1000", "definition of cutting speed; ISO 3002-3");
    private static readonly Formula RunUpFormula = new(
        "l_v", "Way to reach the feed", Quantity.Length, "(n*f/60)^2/(2*a_x)", "even acceleration of the axis to the feed of the thread");
    private static readonly Formula ChipFormula = new(
        "h", "Chip thickness", Quantity.Chip, "A_z/(b_z*z)", "section over the edges that cut, shared by the profiles of the insert");
    private static readonly Formula SpecificFormula = new(
        "k_c", "Specific cutting force", Quantity.Stress, "k_c11*h^(-m_c)", "Kienzle and Victor 1952");
    private static readonly Formula ForceFormula = new("F_c", "Cutting force", Quantity.Force, "k_c*A_z", "of the infeed that loads most");
    private static readonly Formula PassiveFormula = new(
        "F_p", "Passive force", Quantity.Force, "k_r*F_z*q_z",
        "largest of all infeeds: force square to the edges, its part along the height of the thread");
    private static readonly Formula LastFormula = new(
        "F_b", "Passive force at the last infeed", Quantity.Force, "k_r*F_e*q_e", "the same for the infeed that makes the size");
    private static readonly Formula PowerFormula = new("P_c", "Cutting power", Quantity.Power, "F_c*v_u/60000", "force times speed");
    private static readonly Formula TorqueFormula = new("M", "Torque", Quantity.Torque, "F_c*D_v/2000", "force on its radius");
    private static readonly Formula WorkBendFormula = new(
        "δ", "Bend at the last infeed", Quantity.Deviation,
            "1000*F_b*(l_k^3/3 - k_c0*l_k^4*(3*l_w - l_k)^2/(12*l_w^3))/(E_w*pi*d_b^4/64)",
        "round beam clamped in the chuck, k_c0 = 1 with a centre, at l_k from the chuck, where it bends most; its thinnest section; what the cutting "
            + "force bends along the flanks of the round does not change the size; Euler-Bernoulli");
    private static readonly Formula BarBendFormula = new(
        "δ", "Bend at the last infeed", Quantity.Deviation, "F_b*K_0", "compliance of the tool outside its holder; Euler-Bernoulli");
    private static readonly Formula AngleFormula = new(
        "ψ", "Lead angle", Quantity.Angle, "atan(f/(pi*(d_k + d_r)/2))*180/pi", "thread unrolled at its middle diameter");
    private static readonly Formula LeanFormula = new(
        "ψ_k", "Lean of the lead against the shim", Quantity.Angle, "abs(s_h*atan(f/(pi*min(d_k, d_r)))*180/pi - λ_s)",
        "where the lead is steepest; s_h is −1 where the tool is fed against its hand");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "i_g*((i_n + i_s)*((l_1 + L + l_2)/v_f + (l_1 + L + l_2 + 4*c_0)/v_rapid))",
        "every pass at the feed of the thread, out, back and in again in rapid; for each start");

    /// <summary>Largest diameter that is cut, mm; a taper grows outside.</summary>
    public static double SpeedDiameter(ThreadTurningSetup setup, in Inputs x) =>
        Math.Max(x[Input.CrestDiameter], x[Input.RootDiameter]) + (Math.Max(0, setup.Thread.Growth(setup.Inside)) * x[Input.Length]);

    /// <summary>The speed as far as spindle, chuck and axis allow, rev/min.</summary>
    public static double SpeedHeld(ThreadTurningSetup setup, in Inputs x, out LimitDefinition? by)
    {
        double n = CuttingSetup.SpindleSpeedFor(x[Input.CuttingSpeed], SpeedDiameter(setup, x)), lead = setup.Thread.Thread.Lead;
        by = null;
        if (n > setup.LargestSpeed)
            (n, by) = (setup.LargestSpeed, setup.LargestSpeed == setup.Turning.ChuckSpeed ? ThreadCutLimits.ChuckSpeed : Limits.HighestSpeed);
        if (n > setup.LargestFeed / lead) (n, by) = (setup.LargestFeed / lead, Limits.AxisFeed);
        return InStep.SpeedUpTo(n, lead);
    }

    /// <summary>Works the speed and the feed out.</summary>
    public static void Speed<TTrace>(ThreadTurningSetup setup, in Inputs x, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double lead = setup.Thread.Thread.Lead, widest = SpeedDiameter(setup, x), n = SpeedHeld(setup, x, out LimitDefinition? by);
        r.HeldBy = by;
        r[Output.OuterDiameter] = widest;
        r[Output.SpindleSpeed] = n;
        r[Output.FeedInUse] = lead;
        r[Output.FeedRate] = n * lead;
        r[Output.SpeedInUse] = CuttingSetup.CuttingSpeedFor(n, widest);
        bool known = !double.IsNaN(setup.AxisAcceleration);
        if (known) r[Output.AxisRunUp] = TurningSetup.RunUpWay(n, lead, setup.AxisAcceleration);
        if (!TTrace.Listens) return;

        double growth = Math.Max(0, setup.Thread.Growth(setup.Inside)), axis = setup.LargestFeed / lead;
        trace.Take(LeadFormula, lead, new("P", setup.Thread.Thread.Pitch), new("i_g", setup.Thread.Thread.Starts));
        trace.Take(
            LargestFormula, widest, new("d_k", x[Input.CrestDiameter]), new("d_r", x[Input.RootDiameter]), new("k_L", growth),
            new("L", x[Input.Length]));
        trace.Take(
            WantedFormula, CuttingSetup.SpindleSpeedFor(x[Input.CuttingSpeed], widest), new("v_c", x[Input.CuttingSpeed]), new("D_v", widest));
        trace.Take(AxisFormula, axis, new("v_fmax", setup.LargestFeed), new("f", lead));
        trace.Take(MostFormula, Math.Min(setup.LargestSpeed, axis), new("n_max", setup.LargestSpeed), new("n_2", axis));
        trace.Take(
            HeldFormula, n, new("n_1", CuttingSetup.SpindleSpeedFor(x[Input.CuttingSpeed], widest)), new("n_m", Math.Min(setup.LargestSpeed, axis)));
        trace.Take(FeedFormula, n * lead, new("n", n), new("f", lead));
        trace.Take(UsedFormula, r[Output.SpeedInUse], new("D_v", widest), new("n", n));
        if (known) trace.Take(RunUpFormula, r[Output.AxisRunUp], new("n", n), new("f", lead), new("a_x", setup.AxisAcceleration));
    }

    /// <summary>Walks the infeeds and works out what the heaviest of them takes.</summary>
    public static void Load<TTrace>(ThreadTurningSetup setup, in Inputs x, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        InfeedWalk walk = new(setup, x);
        InfeedLoad worst = default, pushed = default, last = default;
        double before = 0, section = 0, widest = r[Output.OuterDiameter];
        int heaviest = 0;
        while (walk.Next(out InfeedLoad load))
        {
            if (walk.Number == 1) r[Output.FirstInfeed] = load.Place.Depth;
            if (load.Force > worst.Force) (worst, heaviest) = (load, walk.Number);
            if (load.Passive > pushed.Passive) pushed = load;
            section = Math.Max(section, load.Section);
            (before, last) = (last.Place.Depth, load);
        }

        r[Output.LastInfeed] = last.Place.Depth - before;
        r[Output.Rounds] = walk.Number;
        r[Output.HeaviestInfeed] = heaviest;
        r[Output.ChipSection] = section;
        r[Output.Chip] = worst.Chip;
        r[Output.SpecificForce] = worst.SpecificForce;
        r[Output.CuttingForce] = worst.Force;
        r[Output.PassiveForce] = pushed.Passive;
        r[Output.Power] = worst.Force * r[Output.SpeedInUse] / 60_000;
        r[Output.MotorPower] = CuttingSetup.MotorPower(r[Output.Power], setup.Efficiency);
        r[Output.Torque] = worst.Force * widest / 2000;
        r[Output.HeightCut] = x[Input.HeightToCut];
        r[Output.RootDiameter] = x[Input.RootDiameter];
        if (TTrace.Listens) Explain(setup, x, r, worst, pushed, last, ref trace);
        r[Output.Deflection] = setup.Inside ? setup.Tip.Deflection(last.Passive, 0) : OfWork(setup, x, last.Passive, ref trace);
        if (TTrace.Listens && setup.Inside)
            trace.Take(BarBendFormula, r[Output.Deflection], new("F_b", last.Passive), new("K_0", setup.Tip.AtTip));
    }

    /// <summary>What the infeeds keep: the bend of work or bar, what the spindle gives, the grip of the jaws, and the work in them.</summary>
    [Flags]
    public enum Kept
    {
        /// <summary>Nothing.</summary>
        None = 0,

        /// <summary>The bend allowed.</summary>
        Bend = 1,

        /// <summary>Power and torque.</summary>
        Drive = 2,

        /// <summary>The grip against turning and slipping.</summary>
        Grip = 4,

        /// <summary>The work against being levered out.</summary>
        Lever = 8,

        /// <summary>All of it.</summary>
        All = Bend | Drive | Grip | Lever,
    }

    /// <summary>What the infeeds keep.</summary>
    public static Kept KeptBy(ThreadTurningSetup setup, in Inputs x)
    {
        InfeedWalk walk = new(setup, x);
        double passive = 0, force = 0, pushed = 0;
        while (walk.Next(out InfeedLoad load)) (passive, force, pushed) = (load.Passive, Math.Max(force, load.Force), Math.Max(pushed, load.Passive));
        NoTrace none = default;
        double bend = setup.Inside ? setup.Tip.Deflection(passive, 0) : OfWork(setup, x, passive, ref none), widest = SpeedDiameter(setup, x),
            n = SpeedHeld(setup, x, out _), torque = force * widest / 2000,
            power = CuttingSetup.MotorPower(force * CuttingSetup.CuttingSpeedFor(n, widest) / 60_000, setup.Efficiency);
        SpindlePoint gives = setup.Curve.At(n);
        return (bend > x[Input.DeflectionAllowed] ? Kept.None : Kept.Bend)
            | (power > gives.Power || torque > gives.Torque ? Kept.None : Kept.Drive)
            | (setup.Turning.Holds(torque, pushed, x[Input.GrippedDiameter], n, setup.Practice) ? Kept.Grip : Kept.None)
            | (!IsLevered(setup, x) || setup.Turning.HoldsLever(Pull(x, force, pushed, widest), x, n, setup.Practice) ? Kept.Lever : Kept.None);
    }

    /// <summary>Whether the work can be levered out of its jaws: nothing holds its end, and how far it stands out is known.</summary>
    public static bool IsLevered(ThreadTurningSetup setup, in Inputs x) => !setup.Inside && !x.Centre;

    /// <summary>What levers the work out of its jaws: the thread ends furthest out.</summary>
    public static LeverPull Pull(in Inputs x, double cutting, double passive, double widest) =>
        new(cutting, passive, passive, widest, x[Input.StandsOut]);

    /// <summary>Works out how steep the thread is, and how that lies to the shim.</summary>
    public static void Lead<TTrace>(ThreadTurningSetup setup, in Inputs x, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double crest = x[Input.CrestDiameter], root = x[Input.RootDiameter], lead = setup.Thread.Thread.Lead;
        r[Output.LeadAngle] = ThreadShape.LeadAngle(lead, (crest + root) / 2);
        r[Output.Lean] = Math.Abs(ThreadTurning.SignedLead(setup, Math.Min(crest, root)) - x[Input.ShimInclination]);
        if (!TTrace.Listens) return;
        trace.Take(AngleFormula, r[Output.LeadAngle], new("f", lead), new("d_k", crest), new("d_r", root));
        trace.Take(
            LeanFormula, r[Output.Lean], new("s_h", setup.WithHand ? 1 : -1), new("f", lead), new("d_k", crest), new("d_r", root),
            new("λ_s", x[Input.ShimInclination]));
    }

    /// <summary>Works the time out by walking the way.</summary>
    public static void Time<TTrace>(ThreadTurningSetup setup, in Inputs x, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        WaySum sum = default;
        Walk(setup, x, r, ref sum);
        r[Output.Time] = sum.Time;
        if (TTrace.Listens)
            trace.Take(
                TimeFormula, sum.Time, new("i_g", setup.Thread.Thread.Starts), new("i_n", r[Output.Rounds]), new("i_s", x[Input.SpringPasses]),
                new("l_1", x[Input.RunIn]), new("L", x[Input.Length]), new("l_2", x[Input.RunOut]), new("v_f", r[Output.FeedRate]),
                new("c_0", setup.Practice.ClearWay), new("v_rapid", setup.RapidFeed));
    }

    /// <summary>Walks the passes: through the thread in step, out, back and in again in rapid, for every start.</summary>
    public static void Walk<TSink>(ThreadTurningSetup setup, in Inputs x, in WorkResult r, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double through = x[Input.RunIn] + x[Input.Length] + x[Input.RunOut], n = r[Output.SpindleSpeed], feed = r[Output.FeedRate];
        int starts = setup.Thread.Thread.Starts, infeeds = (int)r[Output.Rounds];
        for (int i = 1; i <= infeeds; i++) sink.Take(new(Pass, through, feed) { Number = i, Count = starts, Speed = n });
        if (x[Input.SpringPasses] > 0) sink.Take(new(Spring, through, feed) { Count = starts * x[Input.SpringPasses], Speed = n });
        sink.Take(new(WayKind.Return, through + (4 * setup.Practice.ClearWay), setup.RapidFeed)
        {
            Count = starts * (infeeds + x[Input.SpringPasses]),
            Rapid = true,
            Speed = n,
        });
    }

    /// <summary>Judges every limit.</summary>
    public static void Judge(ThreadTurningSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits)
    {
        setup.JudgeDrive(r[Output.SpindleSpeed], r[Output.MotorPower], r[Output.Torque], r[Output.FeedRate], ref limits);
        limits.Add(ThreadCutLimits.ChuckSpeed, r[Output.SpindleSpeed], setup.Turning.ChuckSpeed);
        WorkSpindle.Judge(r, ref limits);
        setup.Turning.JudgeLever(r, r[Output.SpindleSpeed], ref limits);
        double needed = r.Has(Output.AxisRunUp) ? r[Output.AxisRunUp] : double.NaN;
        limits.Add(ThreadCutLimits.RunIn, x[Input.RunIn], needed);
        limits.Add(ThreadCutLimits.RunOut, x[Input.RunOut], needed);
        limits.Add(ThreadCutLimits.ProfileHeight, x[Input.HeightToCut], setup.ProfileHeight);
        limits.Add(ThreadCutLimits.FlankClearance, r[Output.Lean], setup.FlankClearance);
        limits.Add(ThreadCutLimits.Bend, r[Output.Deflection], x[Input.DeflectionAllowed]);
        if (!double.IsNaN(setup.Grip)) limits.Add(Limits.Grip, setup.Grip, setup.LeastGrip);
        if (setup.Inside) limits.Add(Limits.Reach, x[Input.Length] + x[Input.RunOut], setup.Projection);
        if (x.IsTyped(Input.ToolLife)) limits.Add(Limits.ToolLife, r[Output.ToolLife], x[Input.ToolLife]);
    }

    private static double OfWork<TTrace>(ThreadTurningSetup setup, in Inputs x, double force, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double length = x[Input.StandsOut], at = WorkBend.WorstPlace(length, x[Input.Length], x.Centre),
            thin = Math.Min(x[Input.BodyDiameter], x[Input.RootDiameter]),
            bend = WorkBend.At(force, thin, length, at, x.Centre, setup.WorkModulus);
        if (TTrace.Listens)
            trace.Take(
                WorkBendFormula, bend, new("F_b", force), new("l_k", at), new("k_c0", x.Centre ? 1 : 0), new("l_w", length),
                new("E_w", setup.WorkModulus), new("d_b", thin));
        return bend;
    }

    private static void Explain<TTrace>(ThreadTurningSetup setup, in Inputs x, in WorkResult r, in InfeedLoad worst, in InfeedLoad pushed,
        in InfeedLoad last,
        ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wear = Common.Wear(x), edge = setup.Groove.EdgeAt(x.Way, worst.Place.Depth);
        setup.TellForce11(wear, ref trace);
        trace.Take(ChipFormula, worst.Chip, new("A_z", worst.Section), new("b_z", edge), new("z", setup.Teeth));
        trace.Take(
            SpecificFormula, worst.SpecificForce, new("k_c11", setup.SpecificForce11 * wear), new("h", worst.Chip), new("m_c", setup.ChipExponent));
        trace.Take(ForceFormula, worst.Force, new("k_c", worst.SpecificForce), new("A_z", worst.Section));
        trace.Take(
            PassiveFormula, pushed.Passive, new("k_r", setup.RadialRatio), new("F_z", pushed.Force),
            new("q_z", setup.Groove.PassiveShare(x.Way, pushed.Place.Depth)));
        trace.Take(
            LastFormula, last.Passive, new("k_r", setup.RadialRatio), new("F_e", last.Force),
            new("q_e", setup.Groove.PassiveShare(x.Way, last.Place.Depth)));
        trace.Take(PowerFormula, r[Output.Power], new("F_c", worst.Force), new("v_u", r[Output.SpeedInUse]));
        setup.TellMotorPower(r[Output.Power], ref trace);
        trace.Take(TorqueFormula, r[Output.Torque], new("F_c", worst.Force), new("D_v", r[Output.OuterDiameter]));
    }
}

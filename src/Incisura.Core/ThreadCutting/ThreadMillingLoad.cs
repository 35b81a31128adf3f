using Incisura.Core.Holes;
using Incisura.Core.Milling;
using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>Speed, feeds, load and time of milling a thread.</summary>
internal static class ThreadMillingLoad
{
    private static readonly WayKind Entry = new("entry", "In on an arc"), Helix = new("helix", "Round on the helix"),
        Exit = new("exit", "Out on an arc");

    private static readonly Formula SpeedFormula = new(
        "n", "Spindle speed", Quantity.SpindleSpeed, "1000*v_c/(pi*D)", "definition of cutting speed; ISO 3002-3");
    private static readonly Formula RimFormula = new(
        "v_fr", "Feed at the rim", Quantity.FeedRate, "n*z*f_z", "definition of feed per tooth; ISO 3002-3");
    private static readonly Formula InsideFormula = new(
        "v_f", "Feed of the centre", Quantity.FeedRate, "v_fr*(d_g - D)/d_g", "rim and centre turn about one axis; the rim keeps its feed");
    private static readonly Formula OutsideFormula = InsideFormula with { Expression = "v_fr*(d_g + D)/d_g" };
    private static readonly Formula PathFormula = new("D_p", "Diameter of the path", Quantity.Length, "d_g - D", "the tips make the roots");
    private static readonly Formula OutsidePath = PathFormula with { Expression = "d_g + D" };
    private static readonly Formula HeightFormula = new(
        "h_c", "Height of the thread", Quantity.Length, "abs(d_g - d_k)/2", "from the crests to the roots, on a side");
    private static readonly Formula CentreFormula = new(
        "f_m", "Feed per tooth of the centre", Quantity.Chip, "f_z*v_f/v_fr", "feed at the rim over the path of the centre");
    private static readonly Formula ChipFormula = new(
        "h_max", "Largest chip thickness", Quantity.Chip, "f_m*s_θ + e_s", "at the nose, where a tooth enters; with what run-out makes it stand out");
    private static readonly Formula MeanFormula = new(
        "h_m", "Mean chip thickness", Quantity.Chip, "f_m*s_k*(1 - cos(θ_e))/θ_e", "of the flanks, square to them, over the arc θ_e in radians");
    private static readonly Formula ForceFormula = new(
        "F", "Largest side force", Quantity.Force, "K_e*F_1",
        "noses and flanks of all teeth of all profiles in the work as vectors, each at its own angle with the lag of the helix, at the worst moment; "
            + "Altintas, mechanistic milling forces");
    private static readonly Formula TorqueFormula = new(
        "M", "Torque", Quantity.Torque, "K_e*M_1", "mean over a turn, of all profiles in the work");
    private static readonly Formula PowerFormula = new("P_c", "Cutting power", Quantity.Power, "M*pi*n/30000", "torque times angular speed");
    private static readonly Formula DeflectionFormula = new(
        "δ", "Deflection at the tip", Quantity.Deviation, "F*C_F",
        "compliance of the tip for a force in the middle of the profiles in the work; stepped cantilever of the profile, Euler-Bernoulli");
    private static readonly Formula DepthFormula = new(
        "t_p", "Programmed depth", Quantity.Length, "t + P/2", "length of thread, and half a profile below it");
    private static readonly Formula AlongFormula = new(
        "i_a", "Passes along the axis", Quantity.Count, "", "each as long as the profiles stand");
    private static readonly Formula RoundsFormula = new("i_r", "Turns", Quantity.Ratio, "", "down the length of the thread, or one for all profiles");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "i_h*i_a*l_g/v_f + 2*i_a*i_h*(t_p + h_s)/v_rapid",
        "in on an arc, round and out at the feed of the centre, way l_g of one, and to its depth and back in rapid");
    private static readonly Formula LeadFormula = new(
        "ψ", "Lead angle", Quantity.Angle, "atan(P*i_g/(pi*(d_k + d_g)/2))*180/pi", "thread unrolled at its middle diameter");

    /// <summary>How far the cutter goes below the thread, mm: half a profile.</summary>
    public static double BelowThread(ThreadMillingSetup setup) => setup.Thread.Thread.Pitch / 2;

    /// <summary>Largest feed per tooth at the rim whose chip the edge stands, mm.</summary>
    public static double LargestFeed(ThreadMillingSetup setup, in Inputs x)
    {
        MilledGroove pass = PassOf(setup, x, 1, 1);
        double room = setup.LargestChip - setup.RunOut.Step;
        return pass.LargestChip > 0 ? Math.Max(1e-6, room / pass.LargestChip) : double.PositiveInfinity;
    }

    /// <summary>Whether the cutter stands a feed per tooth at the rim, and bends no further than is allowed.</summary>
    public static bool Stands(ThreadMillingSetup setup, in Inputs x, double feed)
    {
        double at = EngagedLength(setup, x) / 2;
        (double force, double torque, _) = Worst(setup, x, feed);
        setup.Strength.Weakest(force, at, torque, out SectionStress stress);
        return setup.Tip.Deflection(force, at) <= x[Input.DeflectionAllowed] && stress.Equivalent <= setup.Strength.Allowed;
    }

    /// <summary>Works the speed and both feeds out.</summary>
    public static void Speed<TTrace>(ThreadMillingSetup setup, in Inputs x, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double root = setup.Thread.RootOf(setup.Inside);
        (double n, double rim, double centre) = MillingFeeds.Of(
            x[Input.CuttingSpeed], x[Input.FeedPerTooth], setup.Teeth, setup.Diameter, root, setup.Inside);
        r[Output.SpindleSpeed] = n;
        r[Output.RimFeed] = rim;
        r[Output.FeedRate] = centre;
        r[Output.PathDiameter] = setup.Inside ? root - setup.Diameter : root + setup.Diameter;
        r[Output.RootDiameter] = root;
        r[Output.HeightCut] = Math.Abs(root - x[Input.CrestDiameter]) / 2;
        r[Output.LeadAngle] = ThreadShape.LeadAngle(setup.Thread.Thread.Lead, (root + x[Input.CrestDiameter]) / 2);
        if (!double.IsNaN(setup.FlankError)) r[Output.FlankError] = setup.FlankError;
        if (!TTrace.Listens) return;

        trace.Take(SpeedFormula, n, new("v_c", x[Input.CuttingSpeed]), new("D", setup.Diameter));
        trace.Take(RimFormula, rim, new("n", n), new("z", setup.Teeth), new("f_z", x[Input.FeedPerTooth]));
        trace.Take(
            setup.Inside ? InsideFormula : OutsideFormula, r[Output.FeedRate], new("v_fr", rim), new("d_g", root), new("D", setup.Diameter));
        trace.Take(setup.Inside ? PathFormula : OutsidePath, r[Output.PathDiameter], new("d_g", root), new("D", setup.Diameter));
        trace.Take(HeightFormula, r[Output.HeightCut], new("d_g", root), new("d_k", x[Input.CrestDiameter]));
        trace.Take(
            LeadFormula, r[Output.LeadAngle], new("P", setup.Thread.Thread.Pitch), new("i_g", setup.Thread.Thread.Starts),
            new("d_k", x[Input.CrestDiameter]), new("d_g", root));
    }

    /// <summary>Works out what the heaviest pass takes.</summary>
    public static void Load<TTrace>(ThreadMillingSetup setup, in Inputs x, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double k11 = setup.SpecificForce11 * Common.Wear(x), at = EngagedLength(setup, x) / 2, sine = Math.Sin(Math.Atan(setup.Groove.Leading));
        (double force, double turned, MilledGroove worst) = Worst(setup, x, x[Input.FeedPerTooth]);
        double chip = worst.LargestChip + setup.RunOut.Step, factor = RunOutFactor(setup, worst),
            power = turned * Math.PI * r[Output.SpindleSpeed] / 30_000;
        BearingSection weakest = setup.Strength.Weakest(force, at, turned, out SectionStress stress);
        r[Output.LargestChip] = chip;
        r[Output.MeanChip] = worst.MeanChip(sine);
        r[Output.PeakForce] = force;
        r[Output.Torque] = turned;
        r[Output.Power] = power;
        r[Output.MotorPower] = CuttingSetup.MotorPower(power, setup.Efficiency);
        r[Output.Deflection] = setup.Tip.Deflection(force, at);
        if (weakest.Diameter > 0) r[Output.ToolStress] = stress.Equivalent;
        if (!TTrace.Listens) return;

        double wear = Common.Wear(x);
        setup.TellForce11(wear, ref trace);
        trace.Take(CentreFormula, worst.Feed, new("f_z", x[Input.FeedPerTooth]), new("v_f", r[Output.FeedRate]), new("v_fr", r[Output.RimFeed]));
        trace.Take(ChipFormula, chip, new("f_m", worst.Feed), new("s_θ", worst.LargestChip / worst.Feed), new("e_s", setup.RunOut.Step));
        trace.Take(MeanFormula, r[Output.MeanChip], new("f_m", worst.Feed), new("s_k", sine), new("θ_e", worst.Arc));
        trace.Take(ForceFormula, force, new("K_e", factor), new("F_1", force / factor));
        trace.Take(TorqueFormula, turned, new("K_e", factor), new("M_1", turned / factor));
        trace.Take(PowerFormula, power, new("M", turned), new("n", r[Output.SpindleSpeed]));
        setup.TellMotorPower(power, ref trace);
        trace.Take(DeflectionFormula, r[Output.Deflection], new("F", force), new("C_F", setup.Tip.At(0, at)));
        if (!(weakest.Diameter > 0)) return;
        trace.Take(
            MillStrength.BendingFormula, stress.Bending, new("β_k", weakest.Notch), new("F", force), new("l_q", weakest.At),
            new("a_F", Math.Min(at, weakest.At)), new("d_q", weakest.Diameter));
        trace.Take(MillStrength.TorsionFormula, stress.Torsion, new("M_x", turned), new("d_q", weakest.Diameter));
        trace.Take(MillStrength.EquivalentFormula, stress.Equivalent, new("σ_b", stress.Bending), new("τ_t", stress.Torsion));
    }

    /// <summary>Works the depth, the turns and the time out.</summary>
    public static void Time<TTrace>(ThreadMillingSetup setup, in Inputs x, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double pitch = setup.Thread.Thread.Pitch, long1 = setup.Count * pitch, tip = x[Input.Depth] + BelowThread(setup);
        bool one = setup.Profiles == MillProfiles.One;
        r[Output.ProgrammedDepth] = tip;
        r[Output.PassesAlong] = one ? setup.Thread.Thread.Starts : Passes.Covering(x[Input.Depth], long1);
        r[Output.Rounds] = one ? (x[Input.Depth] / setup.Thread.Thread.Lead) + 1 : 1;
        WaySum sum = default;
        Walk(setup, x, r, ref sum);
        r[Output.Way] = sum.Fed;
        r[Output.Time] = sum.Time;
        if (!TTrace.Listens) return;

        double passes = x[Input.PassesToHeight] * r[Output.PassesAlong];
        trace.Take(DepthFormula, tip, new("t", x[Input.Depth]), new("P", pitch));
        trace.Take(
            one ? AlongFormula with { Expression = "1*i_g" } : AlongFormula with { Expression = "max(1, ceil(t/(N_p*P) - 1e-9))" },
            r[Output.PassesAlong],
            one ? [new("i_g", setup.Thread.Thread.Starts)] : [new("t", x[Input.Depth]), new("N_p", setup.Count), new("P", pitch)]);
        if (one)
            trace.Take(
                RoundsFormula with { Expression = "t/(P*i_g) + 1" }, r[Output.Rounds], new("t", x[Input.Depth]), new("P", pitch),
                new("i_g", setup.Thread.Thread.Starts));
        trace.Take(
            TimeFormula, sum.Time, new("i_h", x[Input.PassesToHeight]), new("i_a", r[Output.PassesAlong]), new("l_g", sum.Fed / passes),
            new("v_f", r[Output.FeedRate]), new("t_p", tip), new("h_s", setup.Practice.Lift), new("v_rapid", setup.RapidFeed));
    }

    /// <summary>Walks one pass after the other: down in rapid, in on an arc, round, out on an arc, up.</summary>
    public static void Walk<TSink>(ThreadMillingSetup setup, in Inputs x, in WorkResult r, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double passes = x[Input.PassesToHeight] * r[Output.PassesAlong], feed = r[Output.FeedRate], n = r[Output.SpindleSpeed],
            path = r[Output.PathDiameter], arc = ArcWay(setup, path);
        sink.Take(new(Entry, arc, feed) { Count = passes, Speed = n });
        sink.Take(new(Helix, r[Output.Rounds] * double.Hypot(Math.PI * path, setup.Thread.Thread.Lead), feed) { Count = passes, Speed = n });
        sink.Take(new(Exit, arc, feed) { Count = passes, Speed = n });
        sink.Take(new(WayKind.Lift, r[Output.ProgrammedDepth] + setup.Practice.Lift, setup.RapidFeed)
        {
            Count = 2 * passes,
            Rapid = true,
            Speed = n,
        });
    }

    /// <summary>Judges every limit.</summary>
    public static void Judge(ThreadMillingSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits)
    {
        setup.JudgeDrive(r[Output.SpindleSpeed], r[Output.MotorPower], r[Output.Torque], r[Output.FeedRate], ref limits);
        limits.Add(MillingLimits.LargestChip, r[Output.LargestChip], setup.LargestChip);
        limits.Add(MillingLimits.LeastChip, r[Output.MeanChip], setup.LeastChip);
        limits.Add(Limits.Deflection, r[Output.Deflection], x[Input.DeflectionAllowed]);
        if (r.Has(Output.ToolStress)) limits.Add(MillingLimits.Strength, r[Output.ToolStress], setup.Strength.Allowed);
        limits.Add(ThreadCutLimits.ProfileHeight, r[Output.HeightCut], setup.ProfileHeight);
        limits.Add(ThreadCutLimits.FlankError, r.Has(Output.FlankError) ? r[Output.FlankError] : double.NaN, x[Input.FlankErrorAllowed]);
        if (!double.IsNaN(setup.Grip)) limits.Add(Limits.Grip, setup.Grip, setup.LeastGrip);
        limits.Add(Limits.Reach, r[Output.ProgrammedDepth], setup.ReachInto(x[Input.CrestDiameter]));
        if (setup.Inside && !x.Through)
            limits.Add(Holes.HoleLimits.HoleDepth, x[Input.DepthOfHoleBefore], r[Output.ProgrammedDepth] + x[Input.BottomClearance]);
        if (x.IsTyped(Input.ToolLife)) limits.Add(Limits.ToolLife, r[Output.ToolLife], x[Input.ToolLife]);
    }

    /// <summary>Way of the arc in or out, mm: inside half a circle from the axis of the thread, outside a quarter as wide as the cutter.</summary>
    private static double ArcWay(ThreadMillingSetup setup, double path) => setup.Inside ? Math.PI * path / 4 : Math.PI * setup.Diameter / 4;

    // The pass that loads most: its largest force and the mean torque, with the run-out.
    private static (double Force, double Torque, MilledGroove Pass) Worst(ThreadMillingSetup setup, in Inputs x, double feed)
    {
        double k11 = setup.SpecificForce11 * Common.Wear(x), peak = 0, torque = 0, lag = setup.LagPerDepth * setup.Thread.Thread.Pitch;
        int profiles = EngagedProfiles(setup, x);
        MilledGroove worst = default;
        for (int i = 1; i <= (int)x[Input.PassesToHeight]; i++)
        {
            MilledGroove pass = PassOf(setup, x, i, feed);
            (double one, double turning) = pass.Load(setup.Teeth, profiles, lag, k11, setup.ChipExponent, setup.RadialRatio);
            if (one > peak) (peak, worst) = (one, pass);
            torque = Math.Max(torque, turning);
        }

        double factor = RunOutFactor(setup, worst);
        return (factor * peak, factor * torque, worst);
    }

    private static double RunOutFactor(ThreadMillingSetup setup, in MilledGroove pass) =>
        pass.LargestChip > 0 ? RunOut.Factor(setup.RunOut.Step / pass.LargestChip, setup.ChipExponent) : 1;

    // Profiles that are in the work at once.
    private static int EngagedProfiles(ThreadMillingSetup setup, in Inputs x) =>
        (int)Math.Min(setup.Count, Math.Ceiling(x[Input.Depth] / setup.Thread.Thread.Pitch));

    private static double EngagedLength(ThreadMillingSetup setup, in Inputs x) => EngagedProfiles(setup, x) * setup.Thread.Thread.Pitch;

    // One of the passes to the full height; each takes an equal section.
    private static MilledGroove PassOf(ThreadMillingSetup setup, in Inputs x, int number, double feed)
    {
        double blank = x[Input.CrestDiameter] / 2, root = setup.Thread.RootOf(setup.Inside) / 2, passes = x[Input.PassesToHeight];
        return new(
            setup.Groove, setup.Inside, blank + ((root - blank) * Math.Sqrt(number / passes)),
            blank + ((root - blank) * Math.Sqrt((number - 1) / passes)), blank, setup.Diameter / 2, feed);
    }
}

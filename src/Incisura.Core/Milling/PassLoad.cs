using Incisura.Core.Holders;

namespace Incisura.Core.Milling;

/// <summary>Limits of what an edge and its flutes stand in milling.</summary>
public static class MillingLimits
{
    /// <summary>Largest depth of cut of the cutter (APMX), mm.</summary>
    public static readonly LimitDefinition DepthOfCutter = new(
        "depthOfCutter", "Depth of the cutter", Quantity.Length, Severity.Stop, "Take more passes down, or a cutter with longer flutes.")
    { Bounds = [Input.DepthOfCut] };

    /// <summary>Largest width of cut the cutter is meant for, mm.</summary>
    public static readonly LimitDefinition WidthOfCutter = new(
        "widthOfCutter", "Width of the cutter", Quantity.Length, Severity.Caution,
        "Take more passes across, or a cutter meant for wider cuts.")
    { Bounds = [Input.WidthOfCut] };

    /// <summary>Largest chip thickness the edge stands, mm.</summary>
    public static readonly LimitDefinition LargestChip = new(
        "largestChip", "Largest chip", Quantity.Chip, Severity.Stop, "Lower the feed per tooth.")
    { WithFeed = FeedShare.Even, Bounds = [Input.WidthOfCut, Input.FeedPerTooth] };

    /// <summary>Least chip thickness, below which the edge rubs, mm.</summary>
    public static readonly LimitDefinition LeastChip = new(
        "leastChip", "Least chip", Quantity.Chip, Severity.Caution,
        "Raise the feed per tooth or the width, so that the edge cuts instead of rubbing.")
    { IsLeast = true };

    /// <summary>Room of one flute for the chip of one turn, grown to loose chips, against its section, mm².</summary>
    public static readonly LimitDefinition ChipRoom = new(
        "chipRoom", "Chip room", Quantity.Ratio, Severity.Caution, "Take less width or feed, or a cutter with fewer teeth.")
    { WithFeed = FeedShare.Even, Holds = [Input.DepthOfCut, Input.WidthOfCut, Input.FeedPerTooth] };

    /// <summary>Stress in the cutter at its weakest section, MPa.</summary>
    public static readonly LimitDefinition Strength = new(
        "cutterStrength", "Strength of the cutter", Quantity.Stress, Severity.Stop,
        "Take less depth, width or feed, a shorter projection, or a thicker cutter.")
    { WithFeed = FeedShare.Load, Holds = [Input.DepthOfCut, Input.WidthOfCut, Input.FeedPerTooth] };

    /// <summary>Force along the axis against what the holder grips, N.</summary>
    public static readonly LimitDefinition Holding = new(
        "holding", "Holding force", Quantity.Force, Severity.Stop, "Lower the feed, take a smaller step or angle, or a holder that grips harder.")
    { WithFeed = FeedShare.Load, Holds = [Input.WidthOfCut, Input.FeedPerTooth] };

    /// <summary>Width that the inserts of a plunging cutter reach over, mm.</summary>
    public static readonly LimitDefinition InsertReach = new(
        "insertReach", "Reach of the insert", Quantity.Length, Severity.Stop, "Take narrower rows, or a cutter meant for plunging.")
    { Bounds = [Input.WidthOfCut], Holds = [Input.WidthOfCut] };

    /// <summary>Error of a finished wall, µm: the bend where and when an edge makes it.</summary>
    public static readonly LimitDefinition WallError = new(
        "wallError", "Error of the wall", Quantity.Deviation, Severity.Caution,
        "Shorten the projection, take a thicker cutter, take less depth or width, or add a spring pass.")
    { WithFeed = FeedShare.Load, Holds = [Input.DepthOfCut, Input.WidthOfCut, Input.FeedPerTooth] };

    /// <summary>Difference of the error of a finished wall over the depth of a pass, µm.</summary>
    public static readonly LimitDefinition WallTilt = new(
        "wallTilt", "Tilt of the wall", Quantity.Deviation, Severity.Caution, WallError.Cure)
    { WithFeed = FeedShare.Load, Holds = WallError.Holds };

    /// <summary>Largest ramp angle of the cutter, degrees.</summary>
    public static readonly LimitDefinition RampAngle = new(
        "rampAngle", "Ramp angle", Quantity.Angle, Severity.Stop, "Take a smaller angle, or a cutter that may ramp steeper.");
}

/// <summary>Load, deflection and limits of one pass: what every milling operation has in common.</summary>
internal static class PassLoad
{
    /// <summary>
    /// Room of loose chips over that of the solid they were cut from: broken chips, as milling makes them, take 3 to 10 times it (chip volume ratio,
    /// Klocke, Manufacturing Processes 1).
    /// </summary>
    public const double LooseChip = 5;

    private static readonly Formula EdgeAngleFormula = new(
        "κ", "Mean cutting edge angle in contact", Quantity.Angle, "asin(min(1, a_p/b))*180/pi", "depth over length of the edge in contact");
    private static readonly Formula CentreFeedFormula = new(
        "f_z", "Feed per tooth of the centre", Quantity.Chip, "f_z*k_f", "feed at the rim over the path of the centre");
    private static readonly Formula EvenSectionFormula = new(
        "A", "Largest chip section", Quantity.Section, "f_z*b_s", "every tooth in the arc takes the whole feed over its bite");
    private static readonly Formula EvenForceFormula = new(
        "F", "Largest side force", Quantity.Force, "k_c*A*sqrt(1 + (k_r*sin(κ*pi/180))^2)",
        "tangential and radial force on the largest section, taken in one direction; errs on the safe side");
    private static readonly Formula ForceFormula = new(
        "F", "Largest side force", Quantity.Force, "k_c11*f_z^(1 - m_c)*Σ_F",
        "largest resultant across the axis over a turn: tangential and radial forces of all teeth as vectors, each at its own angle, height and "
            + "chip; Altintas, Manufacturing Automation");

    // With run-out, with the force of the end face, with both.
    private static readonly Formula[] ForceFormulas =
    [
        ForceFormula, ForceFormula with { Expression = "K_e*k_c11*f_z^(1 - m_c)*Σ_F" },
        ForceFormula with { Expression = "k_c11*f_z^(1 - m_c)*Σ_F + F_u" }, ForceFormula with { Expression = "K_e*k_c11*f_z^(1 - m_c)*Σ_F + F_u" },
    ];

    private static readonly Formula DeflectionFormula = new(
        "δ", "Deflection at the tip", Quantity.Deviation, "F*C_F",
        "compliance of the tip for a force spread as the edges in cut lie at that moment: stepped cantilever of the profile, Euler-Bernoulli, with "
            + "the tilt of the seat");
    /// <summary>Force along the axis of what the end face cuts.</summary>
    public static readonly Formula FaceThrust = new(
        "F_f", "Thrust", Quantity.Force, "k_r*F_u", "force square to the edges of the end face, which there lies along the axis");

    private static readonly Formula WallErrorFormula = new(
        "δ_w", "Error of the wall", Quantity.Deviation, "max(δ_i, δ_o)",
        "most that is left and most that is cut too deep over the depth: each height bends as the forces are at the moment an edge makes the wall "
            + "there; Budak and Altintas, peripheral milling");
    private static readonly Formula WallTiltFormula = new(
        "δ_k", "Tilt of the wall over the depth", Quantity.Deviation, "δ_m - δ_t", "largest less least error over the depth");

    /// <summary>Works out the load of a pass and writes the figures all operations share.</summary>
    public static void Solve<TTrace>(MillingSetup setup, in Inputs x, in Engagement e, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wear = Common.Wear(x), k11 = setup.SpecificForce11 * wear, feed = x[Input.FeedPerTooth] * e.FeedFactor;
        if (TTrace.Listens)
        {
            setup.TellForce11(wear, ref trace);
            if (e.EdgeAngle < 90 && !e.Strip.Exists)
                trace.Take(EdgeAngleFormula, e.EdgeAngle, new("a_p", e.Depth), new("b", e.Depth / MillingCut.SineOfEdge(e.EdgeAngle)));
            if (e.FeedFactor != 1) trace.Take(CentreFeedFormula, feed, new("f_z", x[Input.FeedPerTooth]), new("k_f", e.FeedFactor));
        }

        EdgeLoad edge = default;
        double share = e.EvenChip ? 0 : setup.RunOut.Share(feed, e.Arc), runOut = RunOut.Factor(share, setup.ChipExponent);
        if (!e.EvenChip) EdgeLoad.Of(setup.Edge, e, feed, k11, runOut, out edge);
        MillingCut cut = new(
            e.Diameter, setup.Teeth, e.EdgeAngle, x[Input.CuttingSpeed], feed, e.Depth, e.Width, k11, setup.ChipExponent)
        {
            LargestEdgeAngle = e.LargestEdgeAngle,
            EvenChip = e.EvenChip,
            InArc = e.InArc,
            Face = e.Face,
            Work = e.Strip.Exists ? WorkOf(e.Strip, edge) : setup.Edge.WorksInSlices(e) ? new(edge.Section, edge.MeanTorque) : default,
            RunOut = e.EvenChip ? default : setup.RunOut,
        };
        cut.Solve(e.Arc, out MillingLoad load, ref trace);

        Push push = e.EvenChip
            ? Even(setup, e, feed, load, ref trace)
            : InTurn(setup, e, edge, load, feed, k11, share, runOut, ref trace);
        if (e.Wall != WallCut.None) Wall(setup, edge, e.Wall, ref r, ref trace);
        double force = push.Force, deflection = push.Deflection;
        BearingSection weakest = setup.Strength.Weakest(force, push.At, push.Torque, out SectionStress stress);
        double motorPower = CuttingSetup.MotorPower(load.Power, setup.Efficiency);

        r.Engagement = e;
        r.Load = load;
        r[Output.SpindleSpeed] = load.SpindleSpeed;
        r[Output.FeedRate] = load.FeedRate;
        r[Output.RemovalRate] = load.RemovalRate;
        r[Output.Diameter] = e.Diameter;
        r[Output.Width] = e.Width;
        r[Output.Depth] = e.Depth;
        r[Output.Arc] = double.RadiansToDegrees(e.Arc.Length);
        r[Output.EntryAngle] = double.RadiansToDegrees(e.Arc.Entry);
        r[Output.ExitAngle] = double.RadiansToDegrees(e.Arc.Exit);
        r[Output.TeethInCut] = load.TeethInCut;
        r[Output.MeanChip] = load.MeanChip;
        r[Output.LargestChip] = load.LargestChip;
        r[Output.SpecificForce] = load.SpecificForce;
        r[Output.Power] = load.Power;
        r[Output.MotorPower] = motorPower;
        r[Output.Torque] = load.Torque;
        r[Output.PeakForce] = force;
        r[Output.Deflection] = deflection;
        if (setup.Taylor.Known) r[Output.ToolLife] = setup.Taylor.LifeAt(x[Input.CuttingSpeed], ref trace);
        if (weakest.Diameter > 0) r[Output.ToolStress] = stress.Equivalent;
        if (!TTrace.Listens) return;

        if (weakest.Diameter > 0)
        {
            trace.Take(
                MillStrength.BendingFormula, stress.Bending, new("β_k", weakest.Notch), new("F", force), new("l_q", weakest.At),
                new("a_F", Math.Min(push.At, weakest.At)), new("d_q", weakest.Diameter));
            trace.Take(MillStrength.TorsionFormula, stress.Torsion, new("M_x", push.Torque), new("d_q", weakest.Diameter));
            trace.Take(MillStrength.EquivalentFormula, stress.Equivalent, new("σ_b", stress.Bending), new("τ_t", stress.Torsion));
        }

        setup.TellMotorPower(load.Power, ref trace);
    }

    // The section of a strip is known; what of it lies past the end of the rounding takes as much as the rest.
    private static EdgeWork WorkOf(in SurfaceStrip strip, in EdgeLoad edge) =>
        new(strip.Section, edge.MeanTorque * Math.Max(1, strip.Section / edge.Section));

    // The largest side force of a turn, where it acts, and what turns the cutter then.
    private static Push InTurn<TTrace>(
        MillingSetup setup, in Engagement e, in EdgeLoad edge, in MillingLoad load, double feed, double k11, double share, double runOut,
        ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double worst = edge.WorstMoment();
        SideForce side = edge.At(worst, climb: false);
        (SideForce way, SideForce moment) = edge.Moved(setup.Tip, 0, worst, climb: false);
        double resultant = Math.Sqrt(side.Squared), force = resultant + load.FaceForce,
            at = resultant > 0 ? ((side.Along * moment.Along) + (side.Across * moment.Across)) / (resultant * force) : 0;
        double deflection = Math.Sqrt(way.Squared) + (load.FaceForce * setup.Tip.AtTip);
        double torque = edge.Around(worst, climb: false, 0).Torque + (load.FacePower * 30000 / (Math.PI * load.SpindleSpeed));
        if (!TTrace.Listens) return new(force, at, deflection, torque);

        double chip = runOut * k11 * Math.Pow(feed, 1 - setup.ChipExponent);
        List<Term> terms = [new("k_c11", k11), new("f_z", feed), new("m_c", setup.ChipExponent), new("Σ_F", resultant / chip)];
        if (share > 0)
        {
            trace.Take(
                RunOut.ShareFormula, share, new("e_r", setup.RunOut.Offset), new("z_r", setup.RunOut.TeethAtOnce(e.Arc)), new("z", setup.Teeth),
                new("f_z", feed), new("s_max", e.Arc.LargestSine));
            trace.Take(RunOut.FactorFormula, runOut, new("x_r", share), new("m_c", setup.ChipExponent));
            terms.Add(new("K_e", runOut));
        }

        if (load.FaceForce > 0) terms.Add(new("F_u", load.FaceForce));
        trace.Take(ForceFormulas[(share > 0 ? 1 : 0) + (load.FaceForce > 0 ? 2 : 0)], force, [.. terms]);
        trace.Take(DeflectionFormula, deflection, new("F", force), new("C_F", deflection / force));
        return new(force, at, deflection, torque);
    }

    private static Push Even<TTrace>(MillingSetup setup, in Engagement e, double feed, in MillingLoad load, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double section = feed * e.EvenBite, side = setup.RadialRatio * MillingCut.SineOfEdge(e.EdgeAngle),
            force = load.SpecificForce * section * Math.Sqrt(1 + (side * side)), deflection = setup.Tip.Deflection(force, 0);
        if (TTrace.Listens)
        {
            trace.Take(EvenSectionFormula, section, new("f_z", feed), new("b_s", e.EvenBite));
            trace.Take(
                EvenForceFormula, force, new("k_c", load.SpecificForce), new("A", section), new("k_r", setup.RadialRatio), new("κ", e.EdgeAngle));
            trace.Take(DeflectionFormula, deflection, new("F", force), new("C_F", setup.Tip.AtTip));
        }

        return new(force, 0, deflection, load.Torque);
    }

    // Where the wall ends up, and how it leans over the depth.
    private static void Wall<TTrace>(MillingSetup setup, in EdgeLoad edge, WallCut cut, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double from = Math.Min(setup.CornerRadius, edge.Top / 2);
        (double least, double most) = edge.WallError(setup.Tip, from, climb: true);
        if (cut == WallCut.BothWays)
        {
            (double least2, double most2) = edge.WallError(setup.Tip, from, climb: false);
            (least, most) = (Math.Min(least, least2), Math.Max(most, most2));
        }

        r[Output.WallError] = Math.Max(-least, most);
        r[Output.WallTilt] = most - least;
        if (!TTrace.Listens) return;
        trace.Take(WallErrorFormula, r[Output.WallError], new("δ_i", Math.Max(0, -least)), new("δ_o", Math.Max(0, most)));
        trace.Take(WallTiltFormula, r[Output.WallTilt], new("δ_t", least), new("δ_m", most));
    }

    // The largest side force F, N, its distance a_F from the tip, mm, the bend of the tip, µm, and the torque M_x at that moment, N·m.
    private readonly record struct Push(double Force, double At, double Deflection, double Torque);

    /// <summary>Judges the limits all operations share.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="r">The result so far.</param>
    /// <param name="axialDepth">How far the edge is in the work along the axis, mm.</param>
    /// <param name="radialWidth">How far it is in the work across, mm.</param>
    /// <param name="reach">How deep the tool goes into the work in all, mm.</param>
    /// <param name="limits">Receives the limits.</param>
    public static void Judge(
        MillingSetup setup, in Inputs x, in MillingResult r, double axialDepth, double radialWidth, double reach, ref LimitSet limits)
    {
        MillingLoad load = r.Load;
        setup.JudgeDrive(load.SpindleSpeed, r[Output.MotorPower], load.Torque, load.FeedRate, ref limits);
        limits.Add(Limits.FluteLength, axialDepth, setup.FluteLength);
        limits.Add(MillingLimits.DepthOfCutter, axialDepth, setup.LargestDepth);
        limits.Add(MillingLimits.WidthOfCutter, radialWidth, setup.LargestWidth);
        limits.Add(MillingLimits.LargestChip, load.LargestChip, setup.LargestChip);
        limits.Add(MillingLimits.LeastChip, load.MeanChip, setup.LeastChip);
        if (r.Has(Output.WallError))
        {
            limits.Add(MillingLimits.WallError, r[Output.WallError], x[Input.DeflectionAllowed]);
            limits.Add(MillingLimits.WallTilt, r[Output.WallTilt], x[Input.DeflectionAllowed]);
        }
        else limits.Add(Limits.Deflection, r[Output.Deflection], x[Input.DeflectionAllowed]);
        if (r.Has(Output.ToolStress)) limits.Add(MillingLimits.Strength, r[Output.ToolStress], setup.Strength.Allowed);
        if (!double.IsNaN(setup.Grip)) limits.Add(Limits.Grip, setup.Grip, setup.LeastGrip);
        limits.Add(Limits.Reach, reach, setup.Reach);
        if (x.IsTyped(Input.ToolLife)) limits.Add(Limits.ToolLife, r[Output.ToolLife], x[Input.ToolLife]);
    }

    /// <summary>Judges the force along the axis of what goes down.</summary>
    public static void JudgeThrust(MillingSetup setup, in MillingResult r, ref LimitSet limits)
    {
        limits.Add(Limits.Thrust, r[Output.Thrust], setup.AxisThrust);
        limits.Add(MillingLimits.Holding, r[Output.Thrust], setup.HoldingForce);
    }

    /// <summary>Judges the room of a flute for the loose chip of one turn.</summary>
    public static void JudgeChipRoom(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits) =>
        limits.Add(MillingLimits.ChipRoom, LooseChip * r.Engagement.Width * x[Input.FeedPerTooth] * r.Engagement.FeedFactor, setup.FluteSection);
}

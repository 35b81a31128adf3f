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

    private static readonly Formula CorrectedForce = new(
        "k_c11", "Specific force at 1 mm, corrected", Quantity.Stress, "k_m*K_γ*K_w",
        "material, with the rake and the wear of the edge where they are known");
    private static readonly Formula EdgeAngleFormula = new(
        "κ", "Mean cutting edge angle in contact", Quantity.Angle, "asin(min(1, a_p/b))*180/pi", "depth over length of the edge in contact");
    private static readonly Formula CentreFeedFormula = new(
        "f_z", "Feed per tooth of the centre", Quantity.Chip, "f_z*k_f", "feed at the rim over the path of the centre");
    private static readonly Formula LagFormula = new(
        "ψ", "Lag of the helix over the depth", Quantity.Angle, "2*a_p*tan(λ*pi/180)/DC*180/pi", "geometry of the helix; Altintas");
    private static readonly Formula SectionFormula = new(
        "A", "Largest chip section, mm²", Quantity.Ratio, "f_z*a_p*Σ",
        "sum Σ over the edges of the mean sine along each, at the worst moment of a turn; Altintas");
    private static readonly Formula EvenSectionFormula = new(
        "A", "Largest chip section, mm²", Quantity.Ratio, "f_z*b_s", "every tooth in the arc takes the whole feed over its bite");
    private static readonly Formula ForceFormula = new(
        "F", "Largest side force", Quantity.Force, "k_c*A*sqrt(1 + (k_r*sin(κ*pi/180))^2)",
        "tangential and radial force on the largest section, taken in one direction; errs on the safe side");
    private static readonly Formula WithFaceForceFormula = ForceFormula with { Expression = "k_c*A*sqrt(1 + (k_r*sin(κ*pi/180))^2) + F_u" };
    private static readonly Formula MotorPowerFormula = new("P_mot", "Motor power", Quantity.Power, "P_c/η", "efficiency of the machine");

    /// <summary>Works out the load of a pass and writes the figures all operations share.</summary>
    public static void Solve<TTrace>(MillingSetup setup, in Inputs x, in Engagement e, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wear = Common.Wear(x), k11 = setup.SpecificForce11 * wear, feed = x[Input.FeedPerTooth] * e.FeedFactor;
        if (TTrace.Listens)
        {
            trace.Take(CorrectedForce, k11, new("k_m", setup.MaterialForce11), new("K_γ", setup.RakeFactor), new("K_w", wear));
            if (e.EdgeAngle < 90)
                trace.Take(EdgeAngleFormula, e.EdgeAngle, new("a_p", e.Depth), new("b", e.Depth / MillingCut.SineOfEdge(e.EdgeAngle)));
            if (e.FeedFactor != 1) trace.Take(CentreFeedFormula, feed, new("f_z", x[Input.FeedPerTooth]), new("k_f", e.FeedFactor));
        }

        MillingCut cut = new(
            e.Diameter, setup.Teeth, e.EdgeAngle, x[Input.CuttingSpeed], feed, e.Depth, e.Width, k11, setup.ChipExponent)
        {
            LargestEdgeAngle =
                e.LargestEdgeAngle,
            EvenChip = e.EvenChip,
            InArc = e.InArc,
            Face = e.Face
        };
        cut.Solve(e.Arc, out MillingLoad load, ref trace);

        double lag = setup.LagPerDepth * e.Depth;
        double section = e.EvenChip ? feed * e.EvenBite : ChipSection.Largest(feed, e.Depth, setup.Teeth, lag, e.Arc);
        double side = setup.RadialRatio * MillingCut.SineOfEdge(e.EdgeAngle),
            force = (load.SpecificForce * section * Math.Sqrt(1 + (side * side))) + load.FaceForce;
        double deflection = setup.Tip.Deflection(force, e.Depth / 2);
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
        if (!TTrace.Listens) return;

        trace.Take(LagFormula, double.RadiansToDegrees(lag), new("a_p", e.Depth), new("λ", Math.Abs(setup.HelixAngle)), new("DC", setup.Diameter));
        if (e.EvenChip) trace.Take(EvenSectionFormula, section, new("f_z", feed), new("b_s", e.EvenBite));
        else trace.Take(SectionFormula, section, new("f_z", feed), new("a_p", e.Depth), new("Σ", section / (feed * e.Depth)));
        if (load.FaceForce > 0)
            trace.Take(
                WithFaceForceFormula, force, new("k_c", load.SpecificForce), new("A", section), new("k_r", setup.RadialRatio), new("κ", e.EdgeAngle),
                new("F_u", load.FaceForce));
        else trace.Take(ForceFormula, force, new("k_c", load.SpecificForce), new("A", section), new("k_r", setup.RadialRatio), new("κ", e.EdgeAngle));
        trace.Take(
            TipCompliance.DeflectionFormula,
            deflection,
            new("F", force),
            new("K_0", setup.Tip.AtTip),
            new("K_1", setup.Tip.Fall),
            new("a_p", e.Depth),
            new("l_1", setup.Tip.FirstLength),
            new("EI_1", setup.Tip.FirstStiffness));
        trace.Take(MotorPowerFormula, motorPower, new("P_c", load.Power), new("η", setup.Efficiency));
    }

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
        limits.Add(Limits.Deflection, r[Output.Deflection], x[Input.DeflectionAllowed]);
        if (!double.IsNaN(setup.Grip)) limits.Add(Limits.Grip, setup.Grip, setup.LeastGrip);
        limits.Add(Limits.Reach, reach, setup.Reach);
        if (x.IsTyped(Input.ToolLife)) limits.Add(Limits.ToolLife, r[Output.ToolLife], x[Input.ToolLife]);
    }

    /// <summary>Judges the room of a flute for the loose chip of one turn.</summary>
    public static void JudgeChipRoom(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits) =>
        limits.Add(MillingLimits.ChipRoom, LooseChip * r.Engagement.Width * x[Input.FeedPerTooth] * r.Engagement.FeedFactor, setup.FluteSection);
}

using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>What is chosen for a side cut.</summary>
public readonly record struct SideMillingChoices
{
    /// <summary>Cutting speed v_c, m/min.</summary>
    public required double CuttingSpeed { get; init; }

    /// <summary>Feed per tooth f_z, mm.</summary>
    public required double FeedPerTooth { get; init; }

    /// <summary>Most width of one pass, mm; the passes across are equal and none is wider.</summary>
    public required double MostWidth { get; init; }

    /// <summary>Most depth of one pass, mm; the passes down are equal and none is deeper.</summary>
    public required double MostDepth { get; init; }

    /// <summary>Stock W to remove across, mm.</summary>
    public required double StockWidth { get; init; }

    /// <summary>Height H of the wall, mm.</summary>
    public required double WallHeight { get; init; }

    /// <summary>Length L of the cut along the wall, mm.</summary>
    public double Length { get; init; }

    /// <summary>Deflection allowed at the tip, µm; NaN where none was set.</summary>
    public double DeflectionAllowed { get; init; }

    /// <summary>Whether passes go to and fro; otherwise the cutter returns in rapid and every pass cuts the same way.</summary>
    public bool BothWays { get; init; }
}

/// <summary>Everything a side cut yields, with its limits, held in one value so that nothing is allocated.</summary>
public struct SideMillingResult
{
    /// <summary>Passes across with the width a_e of each, mm.</summary>
    public Passes Across { get; internal set; }

    /// <summary>Passes down with the depth a_p of each, mm.</summary>
    public Passes Down { get; internal set; }

    /// <summary>Arc of engagement.</summary>
    public ArcOfEngagement Arc { get; internal set; }

    /// <summary>Speed, feed, chip, force, power and torque.</summary>
    public MillingLoad Load { get; internal set; }

    /// <summary>Largest section of chip in cut at any moment, mm².</summary>
    public double LargestSection { get; internal set; }

    /// <summary>Largest side force, N, from the largest section with its radial part.</summary>
    public double PeakForce { get; internal set; }

    /// <summary>Deflection of the tip under the largest side force, µm.</summary>
    public double Deflection { get; internal set; }

    /// <summary>Motor power P_mot, kW.</summary>
    public double MotorPower { get; internal set; }

    /// <summary>Way before and after the work in each pass, mm.</summary>
    public double Overrun { get; internal set; }

    /// <summary>Time for all passes, min.</summary>
    public double Time { get; internal set; }

    /// <summary>Every limit, judged.</summary>
    public LimitSet Limits { get; internal set; }
}

/// <summary>Milling with the side of the cutter along a wall.</summary>
public static class SideMilling
{
    /// <summary>Clear way left before and after each pass, mm.</summary>
    public const double Clearance = 2;

    private static readonly Formula LagFormula = new("ψ", "Lag of the helix over the depth", Quantity.Angle, "2*a_p*tan(λ*pi/180)/D_e*180/pi", "geometry of the helix; Altintas");
    private static readonly Formula SectionFormula = new("A", "Largest chip section, mm²", Quantity.Ratio, "f_z*a_p*Σ", "sum Σ over the edges of the mean sine along each, at the worst moment of a turn; Altintas");
    private static readonly Formula ForceFormula = new("F", "Largest side force", Quantity.Force, "k_c*A*sqrt(1 + k_r^2)", "tangential and radial force on the largest section, taken in one direction; errs on the safe side");
    private static readonly Formula MotorPowerFormula = new("P_mot", "Motor power", Quantity.Power, "P_c/η", "efficiency of the machine");
    private static readonly Formula OverrunFormula = new("e", "Way before and after the work", Quantity.Length, "sqrt(min(a_e, D_e/2)*(D_e - min(a_e, D_e/2))) + c", "geometry of entry and exit, with a clear way c");
    private static readonly Formula OneWayTimeFormula = new("T", "Time", Quantity.Time, "i_e*i_p*(L + 2*e)/v_f + (i_e*i_p - 1)*(L + 2*e)/v_rapid", "passes at feed rate, returns in rapid");
    private static readonly Formula BothWaysTimeFormula = new("T", "Time", Quantity.Time, "i_e*i_p*(L + 2*e)/v_f", "passes at feed rate, to and fro");

    /// <summary>Works out a side cut with every limit.</summary>
    /// <param name="setup">Cutter, holder, material and machine.</param>
    /// <param name="choices">What is chosen; taken as checked: all above 0, width up to the diameter.</param>
    /// <param name="result">The result.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static void Solve<TTrace>(SideMillingSetup setup, in SideMillingChoices choices, out SideMillingResult result, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        Passes across = Passes.Even(choices.StockWidth, Math.Min(choices.MostWidth, setup.Diameter));
        Passes down = Passes.Even(choices.WallHeight, choices.MostDepth);
        double width = across.Each, depth = down.Each, diameter = setup.Diameter;
        if (TTrace.Listens)
        {
            trace.Take(Passes.AcrossFormula, across.Count, new("W", choices.StockWidth), new("a_emost", Math.Min(choices.MostWidth, setup.Diameter)));
            trace.Take(Passes.WidthFormula, width, new("W", choices.StockWidth), new("i_e", across.Count));
            trace.Take(Passes.DownFormula, down.Count, new("H", choices.WallHeight), new("a_pmost", choices.MostDepth));
            trace.Take(Passes.DepthFormula, depth, new("H", choices.WallHeight), new("i_p", down.Count));
        }

        ArcOfEngagement arc = ArcOfEngagement.Side(diameter, width, ref trace);
        MillingCut cut = new(diameter, setup.Teeth, setup.LeadAngle, choices.CuttingSpeed, choices.FeedPerTooth, depth, width, setup.SpecificForce11, setup.ChipExponent);
        cut.Solve(arc, out MillingLoad load, ref trace);

        double lag = setup.LagPerDepth * depth;
        double section = ChipSection.Largest(choices.FeedPerTooth, depth, setup.Teeth, lag, arc);
        double force = load.SpecificForce * section * Math.Sqrt(1 + (setup.RadialRatio * setup.RadialRatio));
        double deflection = setup.Tip.Deflection(force, depth / 2);
        double motorPower = load.Power / setup.Efficiency;

        double side = Math.Min(width, diameter / 2);
        double overrun = Math.Sqrt(side * (diameter - side)) + Clearance;
        double way = choices.Length + (2 * overrun);
        double passes = (double)across.Count * down.Count;
        double time = passes * way / load.FeedRate;
        if (!choices.BothWays) time += (passes - 1) * way / setup.RapidFeed;

        result = new()
        {
            Across = across,
            Down = down,
            Arc = arc,
            Load = load,
            LargestSection = section,
            PeakForce = force,
            Deflection = deflection,
            MotorPower = motorPower,
            Overrun = overrun,
            Time = time,
            Limits = Judge(setup, choices, load, width, depth, motorPower, deflection),
        };
        if (!TTrace.Listens) return;

        trace.Take(LagFormula, double.RadiansToDegrees(lag), new("a_p", depth), new("λ", Math.Abs(setup.HelixAngle)), new("D_e", diameter));
        trace.Take(SectionFormula, section, new("f_z", choices.FeedPerTooth), new("a_p", depth), new("Σ", section / (choices.FeedPerTooth * depth)));
        trace.Take(ForceFormula, force, new("k_c", load.SpecificForce), new("A", section), new("k_r", setup.RadialRatio));
        trace.Take(
            TipCompliance.DeflectionFormula,
            deflection,
            new("F", force),
            new("K_0", setup.Tip.AtTip),
            new("K_1", setup.Tip.Fall),
            new("a_p", Math.Min(depth, 2 * setup.Tip.FirstLength)),
            new("EI_1", setup.Tip.FirstStiffness));
        trace.Take(MotorPowerFormula, motorPower, new("P_c", load.Power), new("η", setup.Efficiency));
        trace.Take(OverrunFormula, overrun, new("a_e", width), new("D_e", diameter), new("c", Clearance));
        trace.Take(
            choices.BothWays ? BothWaysTimeFormula : OneWayTimeFormula,
            time,
            new("i_e", across.Count),
            new("i_p", down.Count),
            new("L", choices.Length),
            new("e", overrun),
            new("v_f", load.FeedRate),
            new("v_rapid", setup.RapidFeed));
    }

    private static LimitSet Judge(
        SideMillingSetup setup, in SideMillingChoices choices, in MillingLoad load, double width, double depth, double motorPower, double deflection)
    {
        Machines.SpindlePoint gives = setup.Curve.At(load.SpindleSpeed);
        LimitSet limits = default;
        limits.Add(LimitKind.HighestSpeed, load.SpindleSpeed, setup.LargestSpeed);
        limits.Add(LimitKind.LowestSpeed, load.SpindleSpeed, setup.LeastSpeed);
        limits.Add(LimitKind.PowerContinuous, motorPower, gives.Power);
        limits.Add(LimitKind.PowerShortTime, motorPower, gives.ShortPower);
        limits.Add(LimitKind.TorqueContinuous, load.Torque, gives.Torque);
        limits.Add(LimitKind.TorqueShortTime, load.Torque, gives.ShortTorque);
        limits.Add(LimitKind.AxisFeed, load.FeedRate, setup.LargestFeed);
        limits.Add(LimitKind.FluteLength, depth, setup.FluteLength);
        limits.Add(LimitKind.DepthOfCutter, depth, setup.LargestDepth);
        limits.Add(LimitKind.WidthOfCutter, width, setup.LargestWidth);
        limits.Add(LimitKind.LargestChip, load.LargestChip, setup.LargestChip);
        limits.Add(LimitKind.LeastChip, load.MeanChip, setup.LeastChip);
        limits.Add(LimitKind.Deflection, deflection, choices.DeflectionAllowed);
        limits.Add(LimitKind.Grip, setup.Grip, setup.LeastGrip);
        limits.Add(LimitKind.Reach, choices.WallHeight, setup.Reach);
        return limits;
    }
}

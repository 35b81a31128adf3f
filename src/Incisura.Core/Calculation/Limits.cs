using static Incisura.Core.Calculation.Input;

namespace Incisura.Core.Calculation;

/// <summary>The limits that <see cref="CuttingSetup"/> judges for every operation: spindle, axes, grip, reach, bend and life.</summary>
public static class Limits
{
    private static readonly Input[] Loaded = [DepthOfCut, WidthOfCut, FeedPerTooth, FeedPerRevolution];

    /// <summary>Highest spindle speed of machine, holder and cutter, rev/min.</summary>
    public static readonly LimitDefinition HighestSpeed = new(
        "highestSpeed", "Highest speed", Quantity.SpindleSpeed, Severity.Stop,
        "Lower the cutting speed, or take a larger cutter or a faster machine.")
    { Bounds = [CuttingSpeed] };

    /// <summary>Lowest spindle speed of the machine, rev/min.</summary>
    public static readonly LimitDefinition LowestSpeed = new(
        "lowestSpeed", "Lowest speed", Quantity.SpindleSpeed, Severity.Stop, "Raise the cutting speed or take a smaller cutter.")
    { IsLeast = true };

    /// <summary>Continuous power of the machine at the speed used, kW.</summary>
    public static readonly LimitDefinition PowerContinuous = new(
        "powerContinuous", "Power, continuous", Quantity.Power, Severity.Caution,
        "Take less depth or width, or a machine with more power at this speed.")
    { WithFeed = FeedShare.Load, Holds = Loaded, Bounds = [CuttingSpeed] };

    /// <summary>Short-time power of the machine at the speed used, kW.</summary>
    public static readonly LimitDefinition PowerShortTime = new(
        "powerShortTime", "Power, short-time", Quantity.Power, Severity.Stop, PowerContinuous.Cure)
    { WithFeed = FeedShare.Load };

    /// <summary>Continuous torque of the spindle at the speed used, N·m.</summary>
    public static readonly LimitDefinition TorqueContinuous = new(
        "torqueContinuous", "Torque, continuous", Quantity.Torque, Severity.Caution,
        "Take less depth or width, or a smaller cutter that turns faster.")
    { WithFeed = FeedShare.Load, Holds = Loaded, Bounds = [CuttingSpeed] };

    /// <summary>Short-time torque of the spindle at the speed used, N·m.</summary>
    public static readonly LimitDefinition TorqueShortTime = new(
        "torqueShortTime", "Torque, short-time", Quantity.Torque, Severity.Stop, TorqueContinuous.Cure)
    { WithFeed = FeedShare.Load };

    /// <summary>Largest feed rate of the axes, mm/min.</summary>
    public static readonly LimitDefinition AxisFeed = new(
        "axisFeed", "Axis feed", Quantity.FeedRate, Severity.Stop, "Lower the cutting speed so that the chip stays, or take fewer teeth.")
    { WithFeed = FeedShare.Even, Bounds = [CuttingSpeed, FeedPerTooth, FeedPerRevolution] };

    /// <summary>Thrust of the feed axis, N.</summary>
    public static readonly LimitDefinition Thrust = new(
        "thrust", "Thrust of the axis", Quantity.Force, Severity.Stop,
        "Lower the feed; drill a pilot first, or take a smaller step or angle.")
    { WithFeed = FeedShare.Load, Holds = [WidthOfCut, FeedPerTooth, FeedPerRevolution] };

    /// <summary>Clamping force of the chuck at its speed, N.</summary>
    public static readonly LimitDefinition ChuckGrip = new(
        "chuckGrip", "Grip of the chuck", Quantity.Force, Severity.Stop,
        "Clamp harder or at a larger diameter, clamp the speed lower, take less depth or feed, or lighter jaws.")
    { WithFeed = FeedShare.Load, Holds = [DepthOfCut, FeedPerRevolution] };

    /// <summary>Clamping force of the chuck against levering the work out of its jaws, N.</summary>
    public static readonly LimitDefinition Leverage = new(
        "leverage", "Leverage on the jaws", Quantity.Force, Severity.Stop,
        "Support its end with a centre or a steady rest, let it stand out less, grip more of its length, clamp harder, or take less depth or feed.")
    { WithFeed = FeedShare.Load, Holds = [DepthOfCut, FeedPerRevolution] };

    /// <summary>Length of the flutes, which every pass must stay within, mm.</summary>
    public static readonly LimitDefinition FluteLength = new(
        "fluteLength", "Flute length", Quantity.Length, Severity.Stop, "Take more passes down, or a cutter with longer flutes.")
    { Bounds = [DepthOfCut, Depth] };

    /// <summary>Deflection allowed at the tip, µm.</summary>
    public static readonly LimitDefinition Deflection = new(
        "deflection", "Deflection at the tip", Quantity.Deviation, Severity.Caution,
        "Shorten the projection, take a thicker cutter, or take less depth or width.")
    { WithFeed = FeedShare.Load, Holds = Loaded };

    /// <summary>Least length of shank the holder must grip, mm.</summary>
    public static readonly LimitDefinition Grip = new(
        "grip", "Length gripped", Quantity.Length, Severity.Stop, "Push the cutter further into the holder, or take a longer cutter.")
    { IsLeast = true };

    /// <summary>Length outside the holder against the whole depth to be cut, mm.</summary>
    public static readonly LimitDefinition Reach = new(
        "reach", "Reach outside the holder", Quantity.Length, Severity.Stop,
        "Let the cutter stand out further, or take a longer one, or one with a thinner shank.")
    { Bounds = [Depth, WallHeight, StockHeight] };

    /// <summary>Tool life wanted, min.</summary>
    public static readonly LimitDefinition ToolLife = new(
        "toolLife", "Life of the edge", Quantity.Time, Severity.Caution, "Lower the cutting speed, or ask for less life.")
    { IsLeast = true, Bounds = [CuttingSpeed] };
}

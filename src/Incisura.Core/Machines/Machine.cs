namespace Incisura.Core.Machines;

/// <summary>A machine tool with what limits a cut on it.</summary>
public sealed record Machine
{
    /// <summary>The name the shop calls it by.</summary>
    public required string Name { get; init; }

    /// <summary>Kind in the trade's words, such as three-axis mill.</summary>
    public required string Kind { get; init; }

    /// <summary>Spindle interface, such as SK 40.</summary>
    public required string Interface { get; init; }

    /// <summary>Lowest spindle speed, rev/min.</summary>
    public double LeastSpeed { get; init; } = double.NaN;

    /// <summary>Highest spindle speed, rev/min.</summary>
    public double LargestSpeed { get; init; } = double.NaN;

    /// <summary>Largest feed rate of the axes when cutting, mm/min.</summary>
    public double LargestFeed { get; init; } = double.NaN;

    /// <summary>Rapid traverse, mm/min.</summary>
    public double RapidFeed { get; init; } = double.NaN;

    /// <summary>Efficiency η from motor to edge, above 0 up to 1.</summary>
    public double Efficiency { get; init; } = double.NaN;

    /// <summary>Highest speed at which the machine taps in step with the feed, rev/min; 0 where it cannot.</summary>
    public double SynchronousLimit { get; init; }

    /// <summary>Time to run the spindle up to its highest speed, s; 0 where nobody has measured it.</summary>
    public double RunUpTime { get; init; }

    /// <summary>Largest thrust of the axis along the spindle, N; 0 where it is not known.</summary>
    public double AxisThrust { get; init; }

    /// <summary>Least step of a feed in mm/min where the control taps by feed rate; 0 where it taps by feed per revolution.</summary>
    public double FeedStep { get; init; }

    /// <summary>Whether the machine brings coolant through the spindle; null where nobody has said.</summary>
    public bool? CoolantThrough { get; init; }

    /// <summary>Power and torque over speed, rising speeds; empty where nobody has measured them.</summary>
    public IReadOnlyList<SpindlePoint> Curve { get; init; } = [];

    /// <summary>The spindle that turns the work; null for a machine that only turns tools.</summary>
    public MainSpindle? Main { get; init; }

    /// <summary>The spindle that faces the main one and takes parts over from it; null where there is none.</summary>
    public MainSpindle? Counter { get; init; }

    /// <summary>Whether a centre can support the end of the work; null where nobody has said.</summary>
    public bool? Tailstock { get; init; }

    /// <summary>Acceleration of the axes at a feed that follows the spindle, mm/s²; 0 where nobody has measured it.</summary>
    public double AxisAcceleration { get; init; }

    /// <summary>Its turret or magazine.</summary>
    public ToolStore Store { get; init; } = new();

    /// <summary>Where the figures come from.</summary>
    public string Source { get; init; } = "";

    /// <summary>Checks every figure and that the curve rises in speed.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck()
            .Named("name", "The name", Name, 60)
            .Named("kind", "The kind of machine", Kind, 80)
            .Named("interface", "The spindle interface", Interface, 24)
            .Within("leastSpeed", "The lowest spindle speed", LeastSpeed, 1, 200000, Quantity.SpindleSpeed)
            .Within("largestSpeed", "The highest spindle speed", LargestSpeed, LeastSpeed > 1 ? LeastSpeed : 1, 200000, Quantity.SpindleSpeed)
            .Within("largestFeed", "The largest axis feed", LargestFeed, 1, 200000, Quantity.FeedRate)
            .Within("rapidFeed", "The rapid traverse", RapidFeed, 1, 300000, Quantity.FeedRate)
            .Within("efficiency", "The efficiency η", Efficiency, 0.2, 1, Quantity.Ratio)
            .Within("runUpTime", "The time to run up", RunUpTime, 0, 120, Quantity.Duration)
            .Within("axisThrust", "The largest thrust of the axis", AxisThrust, 0, 1_000_000, Quantity.Force)
            .Within("feedStep", "The least step of a feed", FeedStep, 0, 100, Quantity.FeedRate)
            .Within("synchronousLimit", "The synchronous tapping limit", SynchronousLimit, 0, 20000, Quantity.SpindleSpeed)
            .Named("source", "Where the figures come from", Source, 400);
        check.Within("axisAcceleration", "The acceleration of the axes", AxisAcceleration, 0, 50_000, Quantity.Acceleration);
        Store.Check(check);
        SpindlePoint.Check(Curve, "curve", check);
        Main?.Check("main", "the main spindle", check);
        Counter?.Check("counter", "the counter spindle", check);
        check.Holds(
            Counter is null || Main is not null, "counter", double.NaN, "A counter spindle faces a main one; enter the main spindle first.");
        return check;
    }
}

namespace Incisura.Core.Machines;

/// <summary>The spindle of a lathe, which turns the work in its chuck.</summary>
public sealed record MainSpindle
{
    /// <summary>Lowest speed, rev/min.</summary>
    public double LeastSpeed { get; init; } = double.NaN;

    /// <summary>Highest speed, rev/min.</summary>
    public double LargestSpeed { get; init; } = double.NaN;

    /// <summary>Highest speed of the chuck, rev/min; 0 where it is not below that of the spindle.</summary>
    public double ChuckSpeed { get; init; }

    /// <summary>Power and torque over speed, rising speeds; empty where nobody has measured them.</summary>
    public IReadOnlyList<SpindlePoint> Curve { get; init; } = [];

    internal void Check(InputCheck check)
    {
        check.Within("main.leastSpeed", "The lowest speed of the main spindle", LeastSpeed, 1, 20000, Quantity.SpindleSpeed)
            .Within(
                "main.largestSpeed", "The highest speed of the main spindle", LargestSpeed, LeastSpeed > 1 ? LeastSpeed : 1, 20000,
                Quantity.SpindleSpeed)
            .Within("main.chuckSpeed", "The highest speed of the chuck", ChuckSpeed, 0, 20000, Quantity.SpindleSpeed);
        SpindlePoint.Check(Curve, "main.curve", check);
    }
}

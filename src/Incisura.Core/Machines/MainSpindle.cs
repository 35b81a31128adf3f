namespace Incisura.Core.Machines;

/// <summary>A spindle of a lathe that turns the work in its chuck: the main one, or the one that faces it.</summary>
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

    /// <summary>What clamps the work; null where nobody has entered it.</summary>
    public Chuck? Chuck { get; init; }

    internal void Check(string at, string name, InputCheck check)
    {
        check.Within($"{at}.leastSpeed", $"The lowest speed of {name}", LeastSpeed, 1, 20000, Quantity.SpindleSpeed)
            .Within(
                $"{at}.largestSpeed", $"The highest speed of {name}", LargestSpeed, LeastSpeed > 1 ? LeastSpeed : 1, 20000,
                Quantity.SpindleSpeed)
            .Within($"{at}.chuckSpeed", $"The highest speed of the chuck of {name}", ChuckSpeed, 0, 20000, Quantity.SpindleSpeed);
        SpindlePoint.Check(Curve, $"{at}.curve", check);
        Chuck?.Check($"{at}.chuck", name, check);
    }
}

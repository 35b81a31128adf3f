using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holders;

/// <summary>A cylinder or cone of a holder's profile, stacked from its nose towards the machine.</summary>
/// <param name="Length">Length along the axis, mm, above 0 up to 500.</param>
/// <param name="LowerDiameter">Diameter at the end nearer the nose, mm, 1 to 400.</param>
/// <param name="UpperDiameter">Diameter at the end nearer the machine, mm, 1 to 400.</param>
public readonly record struct HolderSegment(double Length, double LowerDiameter, double UpperDiameter);

/// <summary>A holder: what it grips, how it looks outside the spindle, and how stiff its seat is.</summary>
public sealed record Holder
{
    /// <summary>The workshop's number for it, unique in the library.</summary>
    public required string Number { get; init; }

    /// <summary>Kind in the trade's words, such as collet holder or shrink holder.</summary>
    public required string Kind { get; init; }

    /// <summary>Machine-side interface, such as SK 40 or HSK-A 63.</summary>
    public required string Interface { get; init; }

    /// <summary>Least shank diameter it clamps, mm.</summary>
    public required double LeastClamping { get; init; }

    /// <summary>Largest shank diameter it clamps, mm.</summary>
    public required double LargestClamping { get; init; }

    /// <summary>Least length of shank that must be gripped, mm.</summary>
    public required double LeastGrip { get; init; }

    /// <summary>Depth of the bore that takes the shank, mm.</summary>
    public required double BoreDepth { get; init; }

    /// <summary>Greatest spindle speed, rev/min.</summary>
    public required double LargestSpeed { get; init; }

    /// <summary>Tilt of the seat per bending moment at the gauge line, µrad per N·m; own measurement or the interface's usual value.</summary>
    public required double SeatCompliance { get; init; }

    /// <summary>Profile outside the spindle, from the nose to the gauge line.</summary>
    public required IReadOnlyList<HolderSegment> Segments { get; init; }

    /// <summary>Remarks.</summary>
    public string Remarks { get; init; } = "";

    /// <summary>Length from the nose to the gauge line, mm.</summary>
    public double GaugeLength => Segments.Sum(s => s.Length);

    /// <summary>Checks every dimension and the relations between them.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck()
            .Named("number", "The number", Number, 24)
            .Named("kind", "The kind of holder", Kind, 60)
            .Named("interface", "The machine-side interface", Interface, 24)
            .Within("leastClamping", "The least clamping diameter", LeastClamping, 0.1, 100, Quantity.Length)
            .Within("largestClamping", "The largest clamping diameter", LargestClamping, Math.Max(0.1, LeastClamping), 100, Quantity.Length)
            .Within("boreDepth", "The depth of the bore", BoreDepth, 1, 300, Quantity.Length)
            .Within("leastGrip", "The least length gripped", LeastGrip, 0.5, BoreDepth > 0.5 ? BoreDepth : 300, Quantity.Length)
            .Within("largestSpeed", "The greatest spindle speed", LargestSpeed, 1, 200000, Quantity.SpindleSpeed)
            .Within("seatCompliance", "The compliance of the seat", SeatCompliance, 0, 100, Quantity.Ratio)
            .Holds(Segments.Count is >= 1 and <= 24, "segments", Segments.Count, "The profile needs 1 to 24 segments.");
        for (int i = 0; i < Segments.Count && i < 24; i++)
            check.Within($"segments[{i}].length", $"The length of segment {i + 1}", Segments[i].Length, 0.1, 500, Quantity.Length)
                .Within($"segments[{i}].lowerDiameter", $"The lower diameter of segment {i + 1}", Segments[i].LowerDiameter, 1, 400, Quantity.Length)
                .Within($"segments[{i}].upperDiameter", $"The upper diameter of segment {i + 1}", Segments[i].UpperDiameter, 1, 400, Quantity.Length);
        return check;
    }
}

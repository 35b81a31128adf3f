using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Materials;

namespace Incisura.Core.Starters;

/// <summary>Cutters and holders whose outer dimensions a standard fixes, so that nobody has to measure them to begin.</summary>
public static class StarterTools
{
    private const string Jobber = "Lengths of the jobber series of ISO 235, written down from memory, unverified; measure the drill",
        SideLock = "Outline of a side-lock holder of DIN 6359 on a steep taper 40 of ISO 7388-1, written down from memory, unverified; "
            + "speed, run-out and seat are usual values; read the holder";

    private const double HelixOfJobber = 30, PointOfJobber = 118;

    // Up to which diameter, length of the flutes, overall length; mm.
    private static readonly (double Most, double Flutes, double Overall)[] Lengths =
    [
        (1.06, 12, 34), (1.18, 14, 36), (1.32, 16, 38), (1.5, 18, 40), (1.7, 20, 43), (1.9, 22, 46), (2.12, 24, 49), (2.36, 27, 53), (2.65, 30, 57),
        (3, 33, 61), (3.35, 36, 65), (3.75, 39, 70), (4.25, 43, 75), (4.75, 47, 80), (5.3, 52, 86), (6, 57, 93), (6.7, 63, 101), (7.5, 69, 109),
        (8.5, 75, 117), (9.5, 81, 125), (10.6, 87, 133), (11.8, 94, 142), (13.2, 101, 151), (14, 108, 160), (15, 114, 169), (16, 120, 178),
        (17, 125, 184), (18, 130, 191), (19, 135, 198), (20, 140, 205),
    ];

    // Whole and half millimetres, and the holes before common threads.
    private static readonly double[] Sizes =
    [
        1, 1.5, 2, 2.5, 3, 3.3, 3.5, 4, 4.2, 4.5, 5, 5.5, 6, 6.5, 6.8, 7, 7.5, 8, 8.5, 9, 9.5, 10, 10.2, 10.5, 11, 11.5, 12, 12.5, 13, 14, 15, 15.5,
        16, 17, 17.5, 18, 19, 19.5, 20,
    ];

    // Bore, diameter of the body, from the nose to the gauge line; mm.
    private static readonly (double Bore, double Body, double Length)[] Bodies =
        [(6, 25, 50), (8, 28, 50), (10, 35, 50), (12, 42, 50), (16, 48, 63), (20, 52, 63), (25, 65, 100), (32, 72, 100)];

    /// <summary>Twist drills of high-speed steel.</summary>
    public static IReadOnlyList<Cutter> Drills { get; } = [.. Sizes.Select(DrillOf)];

    /// <summary>Holders.</summary>
    public static IReadOnlyList<Holder> Holders { get; } = [.. Bodies.Select(HolderOf)];

    private static Cutter DrillOf(double diameter)
    {
        (_, double flutes, double overall) = Lengths.First(l => diameter <= l.Most);
        return new()
        {
            Number = FormattableString.Invariant($"TD-{diameter:0.0}"),
            Family = CutterFamily.TwistDrill,
            Material = CuttingMaterial.HighSpeedSteel,
            Dimensions = new Dictionary<string, double>
            {
                [Dimension.CuttingDiameter.Symbol] = diameter,
                ["SIG"] = PointOfJobber,
                [Dimension.FluteLength.Symbol] = flutes,
                [Dimension.UsableLength.Symbol] = flutes,
                ["DMM"] = diameter,
                [Dimension.OverallLength.Symbol] = overall,
                [Dimension.Teeth.Symbol] = 2,
                [Dimension.HelixAngle.Symbol] = HelixOfJobber,
            },
            Groups = [MaterialGroup.P, MaterialGroup.M, MaterialGroup.K, MaterialGroup.N],
            Remarks = Jobber,
        };
    }

    // The flange of a steep taper 40 begins 3.2 mm before the gauge line and is Ø63.55.
    private static Holder HolderOf((double Bore, double Body, double Length) b)
    {
        const double flange = 63.55, thickness = 15.9, before = 3.2, gauge = 44.45;
        return new()
        {
            Number = FormattableString.Invariant($"SL-40-{b.Bore:0}"),
            Kind = "side-lock holder",
            Interface = "SK 40",
            LeastClamping = b.Bore,
            LargestClamping = b.Bore,
            LeastGrip = Math.Round(1.5 * b.Bore) + 10,
            BoreDepth = Math.Min(b.Length, 2 * b.Bore + 20),
            LargestSpeed = 8000,
            SeatCompliance = 0.9,
            RunOut = 10,
            Segments =
                [new(b.Length - thickness - before, b.Body, b.Body), new(thickness, flange, flange), new(before, gauge, gauge)],
            Remarks = SideLock,
        };
    }
}

using Incisura.Core.HoleGroups;

namespace Incisura.Core.Tests.Holes;

/// <summary>Draws holes as drawings ask for them: half at sizes that shops have tools for, half anywhere.</summary>
internal static class TargetDraw
{
    private static readonly (double Diameter, double Pitch)[] Threads =
    [
        (4, 0.7), (5, 0.8), (6, 1), (8, 1.25), (10, 1.5), (12, 1.75), (16, 2), (20, 2.5), (10, 1), (12, 1.5),
    ];

    public static HoleTarget Of(Random random)
    {
        TargetKind kind = (TargetKind)random.Next(4);
        double Tenth(double from, double to) => Math.Round(10 * (from + ((to - from) * random.NextDouble()))) / 10;
        double[] usual = kind switch
        {
            TargetKind.Tolerance => [6, 8, 10, 12, 16, 25, 32, 45],
            TargetKind.Counterbored => [6.6, 9, 11],
            _ => [2.5, 4.2, 5, 6.8, 8, 8.5, 10.2, 11, 12, 14, 20, 24, 32, 48],
        };
        (double thread, double pitch) = Threads[random.Next(Threads.Length)];
        double diameter = kind == TargetKind.Threaded ? thread : random.Next(2) == 0 ? usual[random.Next(usual.Length)] : Tenth(2, 40);
        double ratio = random.Next(3) == 0 ? 0.5 + (24.5 * random.NextDouble()) : 0.5 + (4 * random.NextDouble());
        double depth = Math.Max(0.5, Math.Round(10 * ratio * diameter) / 10);
        double seat = diameter switch { 6.6 => 11, 9 => 15, 11 => 18, _ => Tenth(diameter + 1, (1.8 * diameter) + 2) };
        return new()
        {
            Kind = kind,
            Diameter = diameter,
            Thread = kind == TargetKind.Threaded ? new(FormattableString.Invariant($"M{thread}×{pitch}{(random.Next(12) == 0 ? " LH" : "")}")) : null,
            Depth = depth,
            Through = random.Next(2) == 0,
            Tolerance = random.Next(3) > 0 ? "H7" : "banana",
            Chamfer = random.Next(3) == 0 ? 0 : 0.5,
            SeatDiameter = seat,
            SeatDepth = 0.6 * depth,
        };
    }
}

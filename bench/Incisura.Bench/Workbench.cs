using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Bench;

/// <summary>The situation that is measured: a Ø12 end mill in tempered steel.</summary>
internal static class Workbench
{
    public static Situation Situation { get; } = new()
    {
        Cutter = new(1, 1, new()
        {
            Number = "C-1",
            Dimensions = new Dictionary<string, double>
            {
                ["DC"] = 12,
                ["ZEFF"] = 4,
                ["APMX"] = 25.5,
                ["LCF"] = 26,
                ["LU"] = 26,
                ["DMM"] = 12,
                ["OAL"] = 83,
                ["FHA"] = 38,
                ["h_min"] = 0.0038,
                ["h_max"] = 0.09,
                ["a_e/DC"] = 1,
            },
            Groups = [MaterialGroup.P],
        }),
        Holder = new(1, 1, new()
        {
            Number = "H-1",
            Kind = "collet holder",
            Interface = "SK 40",
            LeastClamping = 2,
            LargestClamping = 16,
            LeastGrip = 28,
            BoreDepth = 60,
            LargestSpeed = 15000,
            SeatCompliance = 0.9,
            Segments = [new(12, 36, 42), new(26, 42, 42), new(10, 42, 50), new(22, 50, 50)],
        }),
        Assembly = new(1, 1, new() { Number = "A-1", CutterId = 1, HolderId = 1, Projection = 38 }),
        Material = new(1, 1, new()
        {
            Name = "42CrMo4",
            Group = MaterialGroup.P,
            SubGroup = "P3",
            SpecificCuttingForce = 1900,
            ChipExponent = 0.25,
            RadialRatio = 0.3,
        }),
        Machine = new(1, 1, new()
        {
            Name = "Mill",
            Kind = "three-axis mill",
            Interface = "SK 40",
            LeastSpeed = 50,
            LargestSpeed = 12000,
            LargestFeed = 15000,
            RapidFeed = 30000,
            Curve = [new(1500, 11, 15, 64, 88), new(3000, 11, 15, 32, 44), new(9000, 11, 15, 10.7, 14.6), new(12000, 8.25, 11.25, 6, 8.2)],
        }),
        Chart = new(1, 1, new()
        {
            Name = "Chart",
            Rows =
                [new()
                {
                    Family = CutterFamily.SquareEndMill, CuttingMaterial = CuttingMaterial.Carbide, SubGroup = "P3", Operation = "side-rough",
                    CuttingSpeed = 120, Feeds = [new(6, 0.027), new(12, 0.0558)], WidthRatio = 0.2, DepthRatio = 1.5, Life = 40, LifeExponent = 0.25,
                }],
        }),
    };

    /// <summary>The situation with a usual cutter of another family.</summary>
    public static Situation With(CutterFamily family)
    {
        if (family == CutterFamily.SquareEndMill) return Situation;
        Family described = Families.Of(family);
        Cutter cutter = new() { Number = "C-2", Family = family, Dimensions = described.Start, Groups = [MaterialGroup.P] };
        Holder holder = Situation.Holder.Value with
        {
            Takes = described.Shank,
            LeastClamping = 1,
            LargestClamping = 60,
            LeastGrip = described.Shank == ShankForm.Arbor ? 0 : 20,
        };
        double projection = described.Shank == ShankForm.Arbor ? cutter.OverallLength : Math.Max(cutter.LeastProjection, cutter.OverallLength - 30);
        return Situation with
        {
            Cutter = new(2, 1, cutter),
            Holder = new(2, 1, holder),
            Assembly = new(2, 1, Situation.Assembly.Value with { Projection = projection }),
        };
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Tests;

/// <summary>One plausible situation that tests vary.</summary>
internal static class Sample
{
    /// <summary>What the operations of one world are, such as all that mill.</summary>
    public static IEnumerable<OperationDescription> Of(Type world) =>
        Operations.All.Where(o => o.GetType() is { IsGenericType: true } t && t.GetGenericTypeDefinition() == world).Select(o => o.Description);

    public static Cutter Cutter { get; } = new()
    {
        Number = "C-1",
        Material = CuttingMaterial.Carbide,
        Dimensions = new Dictionary<string, double>
        {
            ["DC"] = 12,
            ["ZEFF"] = 4,
            ["APMX"] = 25,
            ["LCF"] = 26,
            ["LU"] = 26,
            ["DMM"] = 12,
            ["OAL"] = 83,
            ["FHA"] = 38,
            ["h_min"] = 0.004,
            ["h_max"] = 0.09,
            ["a_e/DC"] = 1,
        },
        Groups = [MaterialGroup.P],
    };

    public static Holder Holder { get; } = new()
    {
        Number = "H-1",
        Kind = "collet holder",
        Interface = "SK 40",
        LeastClamping = 3,
        LargestClamping = 16,
        LeastGrip = 32,
        BoreDepth = 50,
        LargestSpeed = 15000,
        SeatCompliance = 0.8,
        Segments = [new(20, 28, 28), new(30, 28, 40), new(20, 50, 50)],
    };

    public static BuiltAssembly Built => Situation.Built();

    public static Assembly Assembly { get; } = new() { Number = "A-1", CutterId = 1, HolderId = 1, Projection = 38 };

    public static WorkMaterial Material { get; } = new()
    {
        Name = "42CrMo4",
        Group = MaterialGroup.P,
        SubGroup = "P3",
        Hardness = 300,
        TensileStrength = 1000,
        SpecificCuttingForce = 1900,
        ChipExponent = 0.25,
        RadialRatio = 0.3,
        Source = "for tests",
    };

    public static Machine Machine { get; } = new()
    {
        Name = "Mill",
        Kind = "three-axis mill",
        Source = "for tests",
        Interface = "SK 40",
        LeastSpeed = 50,
        LargestSpeed = 12000,
        LargestFeed = 15000,
        RapidFeed = 30000,
        Efficiency = 0.85,
        Curve = [new(1500, 11, 15, 70, 95.5), new(8000, 11, 15, 13.1, 17.9), new(12000, 8, 11, 6.37, 8.75)],
    };

    public static SpeedChart Chart { get; } = new()
    {
        Name = "Chart",
        Rows =
        [
            new()
            {
                Family = CutterFamily.SquareEndMill, CuttingMaterial = CuttingMaterial.Carbide, SubGroup = "P3", Operation = "side-rough",
                CuttingSpeed = 120, Feeds = [new(4, 0.02), new(12, 0.06), new(20, 0.09)], WidthRatio = 0.25, DepthRatio = 1.5,
            },
            new()
            {
                Family = CutterFamily.SquareEndMill, CuttingMaterial = CuttingMaterial.Carbide, SubGroup = "P3", Operation = "side-finish",
                CuttingSpeed = 150, Feeds = [new(12, 0.05)], WidthRatio = 0.02, DepthRatio = 1.5,
            },
        ],
    };

    public static Situation Situation { get; } = new()
    {
        Material = new(1, 1, Material),
        Cutter = new(1, 1, Cutter),
        Holder = new(1, 1, Holder),
        Assembly = new(1, 1, Assembly),
        Machine = new(1, 1, Machine),
        Chart = new(1, 1, Chart),
    };

    public static Situation On(Machine machine) => Situation with { Machine = new(1, 1, machine) };

    /// <summary>A situation with a usual cutter of a family, and a row of the chart for an operation.</summary>
    public static Situation With(CutterFamily family, string operation, params (Dimension Dimension, double Value)[] dimensions)
    {
        Family described = Families.Of(family);
        Dictionary<string, double> values = new(described.Start);
        foreach ((Dimension dimension, double value) in dimensions) values[dimension.Symbol] = value;
        Cutter cutter = new() { Number = "C-2", Family = family, Dimensions = values, Groups = [MaterialGroup.P] };
        Holder holder = Holder with
        {
            Takes = described.Shank,
            LeastClamping = 0.1,
            LargestClamping = 200,
            LeastGrip = described.Shank == ShankForm.Arbor ? 0 : 20,
        };
        double projection = described.Shank == ShankForm.Arbor ? cutter.OverallLength : Math.Max(cutter.LeastProjection, cutter.OverallLength - 30);
        SpeedRow row = Chart.Rows[0] with { Family = family, Operation = operation, DepthRatio = 0.5 };
        return Situation with
        {
            Cutter = new(2, 1, cutter),
            Holder = new(2, 1, holder),
            Assembly = new(2, 1, Assembly with { Projection = projection }),
            Chart = new(1, 1, Chart with { Rows = [row] }),
        };
    }

    /// <summary>What a tapered end mill and a chamfer mill need that the family leaves open.</summary>
    public static (Dimension, double)[] LeftOpen(CutterFamily family, string operation) => family switch
    {
        CutterFamily.TaperedEndMill => [(Dimension.CornerRadius, 0.5)],
        CutterFamily.ChamferMill when operation == "engrave" => [(Dimension.CuttingDiameter, 0.2)],
        _ => [],
    };

    public static Choices Typed(params (string Code, double Value)[] numbers) =>
        new(numbers.ToDictionary(n => n.Code, n => n.Value), new Dictionary<string, string>());

    public static double Figure(this CalculationResult result, string code) => result.Figures.Single(f => f.Code == code).Value;

    public static JudgedLimit Limit(this CalculationResult result, string kind) => result.Limits.Single(l => l.Kind == kind);

    public static ToolWay Way(this CalculationResult result) => result.Attached<ToolWay>()!;

    public static FieldState Field(this CalculationResult result, string code) => result.Fields.Single(f => f.Code == code);
}

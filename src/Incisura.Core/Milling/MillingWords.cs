using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>Fields and options that many milling operations share, in the words people read.</summary>
internal static class MillingWords
{
    /// <summary>Codes of the options.</summary>
    public const string Chip = "chip", Ways = "ways", Steadiness = "steadiness", Bend = "bend", Surface = "surface";

    /// <summary>Figures every operation gives for pictures, comparison and records, shown or not.</summary>
    public static readonly MillingFigure[] Behind =
    [
        MillingFigure.Diameter, MillingFigure.Width, MillingFigure.Depth, MillingFigure.PassesAcross, MillingFigure.PassesDown, MillingFigure.Arc,
        MillingFigure.EntryAngle,
        MillingFigure.ExitAngle, MillingFigure.TeethInCut, MillingFigure.MeanChip, MillingFigure.LargestChip, MillingFigure.SpecificForce,
        MillingFigure.Power,
        MillingFigure.Torque, MillingFigure.PeakForce, MillingFigure.Deflection, MillingFigure.Overrun, MillingFigure.Way, MillingFigure.RemovalRate,
        MillingFigure.Time, MillingFigure.ToolLife,
    ];

    public static readonly MillingFigure[] Large =
    [
        MillingFigure.SpindleSpeed, MillingFigure.FeedRate, MillingFigure.RemovalRate, MillingFigure.Time,
    ];

    public static readonly MillingFigure[] LoadRows =
        [
            MillingFigure.MeanChip, MillingFigure.LargestChip, MillingFigure.SpecificForce, MillingFigure.Power, MillingFigure.Torque,
            MillingFigure.PeakForce, MillingFigure.TeethInCut, MillingFigure.ToolLife,
        ];

    public static readonly MillingField FeedPerTooth = new(MillingInput.FeedPerTooth, "f_z", "Feed per tooth", "Per tooth", Quantity.Chip, 0.0001, 5);
    public static readonly MillingField CuttingSpeed = new(
        MillingInput.CuttingSpeed, "v_c", "Cutting speed", "Fast", Quantity.CuttingSpeed, 0.5, 5000);
    public static readonly MillingField ToolLife = new(MillingInput.ToolLife, "T_L", "Tool life wanted", "Pace", Quantity.Time, 0.5, 1000);
    public static readonly MillingField Width = new(MillingInput.WidthOfCut, "a_e", "Width, at most", "Across", Quantity.Length, 0.001, 500);
    public static readonly MillingField Depth = new(MillingInput.DepthOfCut, "a_p", "Depth, at most", "Deep", Quantity.Length, 0.001, 500);
    public static readonly MillingField StockHeight = new(MillingInput.StockHeight, "H", "Depth to remove", "Deep", Quantity.Length, 0.001, 1000);

    public static MillingField Length(string name = "Length of cut", double start = 100) =>
        new(MillingInput.Length, "L", name, "Along", Quantity.Length, 0.1, 100_000, start);

    public static MillingField Deflection(double start) =>
        new(MillingInput.DeflectionAllowed, "δ", "Deflection allowed", "Held to", Quantity.Deviation, 0.1, 1000, start);

    public static OptionDescription ChipKept(string start) =>
        new(
            Chip, "Chip kept", [
                new("largest", "largest chip"), new("mean", "mean chip"), new("none", "feed as charted"),
            ], start)
        { Group = "Per tooth" };

    public static readonly OptionDescription PassWays = new(
        Ways, "Passes", [new("one-way", "one way, climb"), new("both-ways", "to and fro")], "one-way")
    { Group = "Along" };
    public static readonly OptionDescription WorkHeld = new(
        Steadiness, "Work held", [new("steady", "steadily"), new("fair", "fairly"), new("weak", "weakly")], "steady");
    /// <summary>Takes the picks over into the inputs.</summary>
    public static void Pick(IReadOnlyDictionary<string, string> options, ref MillingInputs x)
    {
        string Of(string code) => options.GetValueOrDefault(code, "");
        x.BothWays = Of(Ways) == "both-ways";
        x.OuterBend = Of(Bend) == "outer";
        x.ChipKept = Of(Chip) switch { "largest" => Milling.ChipKept.Largest, "mean" => Milling.ChipKept.Mean, _ => Milling.ChipKept.None };
        x.Surface = Of(Surface) switch { "concave" => SurfaceForm.Concave, "convex" => SurfaceForm.Convex, _ => SurfaceForm.Flat };
        x.Steadiness = Of(Steadiness) switch { "fair" => 0.75, "weak" => 0.5, _ => 1 };
        x.Wear = Of(ShopOptions.Edge) == "worn" ? ShopOptions.WornFactor : 1;
    }

    /// <summary>What a step before left stands in for what was not typed.</summary>
    public static void TakeLeftover(MillingDescription d, Leftover leftover, ref MillingInputs x)
    {
        foreach ((MillingInput input, double value, _) in Parts(leftover))
            if (d.Has(input) && !x.IsTyped(input) && (value > 0 || input == MillingInput.StockWidth)) x.Type(input, value);
    }

    /// <summary>What of it the operation could take, and what is used.</summary>
    public static IEnumerable<(string Words, double Left, double Used)> Left(MillingDescription d, Leftover leftover, MillingInputs x) =>
        Parts(leftover).Where(p => d.Has(p.Input)).Select(p => (p.Words, p.Value, x[p.Input]));

    private static (MillingInput Input, double Value, string Words)[] Parts(Leftover leftover) =>
    [
        (MillingInput.StockWidth, leftover.Across, "stock on the wall"), (MillingInput.WallHeight, leftover.Height, "a wall of"),
        (MillingInput.DiameterBefore, leftover.CutterDiameter, "roundings of a cutter of"), (MillingInput.Length, leftover.Length, "a length of"),
    ];
}

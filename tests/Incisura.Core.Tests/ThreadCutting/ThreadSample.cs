using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Machines;

namespace Incisura.Core.Tests.ThreadCutting;

/// <summary>Situations in which threads are turned and milled, which tests vary.</summary>
internal static class ThreadSample
{
    public static Machine Lathe { get; } = Sample.Machine with
    {
        Name = "Lathe",
        LargestFeed = 10_000,
        AxisAcceleration = 2500,
        Main = new()
        {
            LeastSpeed = 20,
            LargestSpeed = 4000,
            ChuckSpeed = 3500,
            Curve = [new(700, 22, 28, 300, 382), new(4000, 22, 28, 52.5, 66.8)],
            Chuck = new() { Force = 75_000, JawMass = 1.8, JawRadius = 70, LargestBar = 66 },
        },
    };

    /// <summary>An outside threading tool, or a threading bar, on a lathe.</summary>
    public static Situation Turned(bool inside = false, params (Dimension Dimension, double Value)[] dimensions)
    {
        CutterFamily family = inside ? CutterFamily.InsideThreadTurningTool : CutterFamily.ThreadTurningTool;
        Situation s = Sample.With(family, "thread-turning", [(Dimension.Clearance, 10), .. dimensions]);
        return s with { Machine = new(1, 1, Lathe), Chart = new(1, 1, s.Chart.Value with { Rows = [Row(s, 120, [])] }) };
    }

    /// <summary>A thread mill, with several profiles a pitch apart or with one.</summary>
    public static Situation Milled(string profiles = "several", params (Dimension Dimension, double Value)[] dimensions)
    {
        Situation s = Sample.With(CutterFamily.ThreadMill, "thread-milling", [(Dimension.LargestWidthRatio, 0.3), .. dimensions]);
        Cutter cutter = s.Cutter.Value with { Picks = new Dictionary<string, string> { ["profiles"] = profiles } };
        return s with
        {
            Cutter = new(2, 1, cutter),
            Chart = new(1, 1, s.Chart.Value with { Rows = [Row(s, 110, [new(3, 0.02), new(12, 0.06)])] }),
        };
    }

    public static Choices Thread(string text, params (string Code, double Value)[] numbers) =>
        Sample.Typed(numbers) with { Extras = [new ThreadToCut(text)] };

    public static CalculationResult Turn(Situation s, Choices choices) =>
        Operations.Find("thread-turning")!.Calculate(s, choices, explain: true);

    public static CalculationResult Mill(Situation s, Choices choices) =>
        Operations.Find("thread-milling")!.Calculate(s, choices, explain: true);

    public static InputFault Refused(Func<CalculationResult> act, string field) =>
        Assert.Throws<InputException>(() => _ = act()).Faults.First(f => f.Field == field);

    private static SpeedRow Row(Situation s, double speed, IReadOnlyList<FeedPoint> feeds) =>
        s.Chart.Value.Rows[0] with { CuttingSpeed = speed, Feeds = feeds };
}

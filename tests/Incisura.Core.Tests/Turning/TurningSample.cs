using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Machines;
using Incisura.Core.Tests.ThreadCutting;

namespace Incisura.Core.Tests.Turning;

/// <summary>Situations in which work is turned, which tests vary.</summary>
internal static class TurningSample
{
    /// <summary>A lathe with a chuck, a counter spindle and a centre.</summary>
    public static Machine Lathe { get; } = ThreadSample.Lathe with
    {
        Tailstock = true,
        Counter = new() { LeastSpeed = 20, LargestSpeed = 5000, Curve = [new(1500, 11, 15, 70, 95), new(5000, 11, 15, 21, 28.6)] },
    };

    /// <summary>A tool on it, with a chart's row for its edge.</summary>
    public static Situation With(
        string operation, CutterFamily family = CutterFamily.OutsideTurningTool, double speed = 200, double feed = 0.3, double depth = 2.5,
        params (Dimension Dimension, double Value)[] dimensions)
    {
        Situation s = Sample.With(family, operation, dimensions);
        return s with
        {
            Machine = new(1, 1, Lathe),
            Chart = new(
                1, 1,
                s.Chart.Value with
                {
                    Rows =
                    [
                        s.Chart.Value.Rows[0] with
                        {
                            Operation = operation, CuttingSpeed = speed, Depth = depth, Feeds = [new(s.Cutter.Value.FeedSize, feed)],
                            WidthRatio = 1, DepthRatio = 1,
                        },
                    ],
                }),
        };
    }

    public static Situation OnMachine(this Situation s, Func<Machine, Machine> change) =>
        s with { Machine = s.Machine with { Value = change(s.Machine.Value) } };

    public static CalculationResult Turn(
        string operation, Situation s, (string Code, double Value)[]? numbers = null, (string Code, string Pick)[]? picks = null) =>
        Operations.Find(operation)!.Calculate(s, Typed(numbers, picks), explain: true);

    public static Choices Typed((string Code, double Value)[]? numbers, (string Code, string Pick)[]? picks = null) => new(
        (numbers ?? []).ToDictionary(n => n.Code, n => n.Value), (picks ?? []).ToDictionary(p => p.Code, p => p.Pick));

    public static InputFault Refused(string operation, Situation s, params (string Code, double Value)[] numbers) =>
        Assert.Throws<InputException>(() => Turn(operation, s, numbers)).Faults[0];
}

using BenchmarkDotNet.Attributes;
using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Machines;
using Incisura.Core.Turning;
using Incisura.Core.Turning.Kinds;

namespace Incisura.Bench;

/// <summary>What one calculation of each turning operation costs, with its whole course.</summary>
[MemoryDiagnoser]
public class TurningBench
{
    // Cylinders, cones and arcs by turns, with feet and chamfers: a shaft of 200 steps.
    private static readonly TurnedOutline Stairs = new(
    [
        .. Enumerable.Range(0, TurnedOutline.Most).Select(i => (i % 3) switch
        {
            0 => new OutlineStep(20 + (0.4 * i), 2) { Chamfer = 0.1, Fillet = 0.05 },
            1 => new OutlineStep(20 + (0.4 * i), 2) { To = 20.2 + (0.4 * i) },
            _ => new OutlineStep(20 + (0.4 * i), 2) { To = 20.3 + (0.4 * i), Arc = 12 },
        }),
    ]);

    // A shoulder, a foot, a cone and a hollow arc.
    private static readonly TurnedOutline Journal = new(
        [new(20, 15) { Fillet = 2 }, new(30, 12), new(34, 10) { To = 40 }, new(40, 8) { To = 48, Arc = -20 }, new(60, 10)]);

    private readonly Dictionary<Type, (TurnedSetup Setup, Inputs Inputs)> prepared = [];
    private (TurnedSetup Setup, Inputs Inputs) outlined, sided;

    [GlobalSetup]
    public void Prepare()
    {
        PrepareOne<FaceTurning>(CutterFamily.OutsideTurningTool, 0);
        PrepareOne<RoughTurning>(CutterFamily.OutsideTurningTool, 2);
        PrepareOne<FinishTurning>(CutterFamily.OutsideTurningTool, 1);
        PrepareOne<Grooving>(CutterFamily.GroovingBlade, 0);
        PrepareOne<PartingOff>(CutterFamily.PartingBlade, 0);
        sided = Prepared<FinishTurning>(CutterFamily.OutsideTurningTool, 1, Journal);
        outlined = Prepared<RoughTurning>(CutterFamily.OutsideTurningTool, 1, Stairs);
    }

    [Benchmark] public double Face() => One<FaceTurning>();

    [Benchmark(Description = "rough with a steady rest")] public double Rough() => One<RoughTurning>();

    [Benchmark(Description = "finish with a centre")] public double Finish() => One<FinishTurning>();

    [Benchmark] public double Groove() => One<Grooving>();

    [Benchmark] public double PartOff() => One<PartingOff>();

    [Benchmark(Description = "finish an outline with four kinds of sides")] public double Sided() => Of<FinishTurning>(sided);

    [Benchmark(Description = "rough an outline of 200 steps, with all its passes")] public double Outlined() => Of<RoughTurning>(outlined);

    private void PrepareOne<TKind>(CutterFamily family, int support)
        where TKind : struct, ITurningKind => prepared[typeof(TKind)] = Prepared<TKind>(family, support);

    private static (TurnedSetup Setup, Inputs Inputs) Prepared<TKind>(CutterFamily family, int support, TurnedOutline? outline = null)
        where TKind : struct, ITurningKind
    {
        Situation at = Workbench.With(family);
        SpeedRow row = at.Chart.Value.Rows[0] with { CuttingSpeed = 180, Depth = 2, Feeds = [new(0.8, 0.25), new(3, 0.1)] };
        Machine lathe = at.Machine.Value with
        {
            Main = new()
            {
                LeastSpeed = 20,
                LargestSpeed = 4000,
                Curve = at.Machine.Value.Curve,
                Chuck = new() { Force = 75_000, JawMass = 1.8, JawRadius = 70 },
            },
        };
        TurnedSetup setup = new(at.Built(), at.Material.Value, lathe, row, ShopPractice.Usual, counter: false);
        Inputs wish = default;
        wish.Pick(Choice.Support, support);
        NoTrace none = default;
        if (outline is not null) setup.Take([outline]);
        return (setup, TurningOperation<TKind>.Propose(setup, wish, ref none).Inputs);
    }

    private double One<TKind>()
        where TKind : struct, ITurningKind => Of<TKind>(prepared[typeof(TKind)]);

    private static double Of<TKind>((TurnedSetup Setup, Inputs Inputs) prepared)
        where TKind : struct, ITurningKind
    {
        (TurnedSetup setup, Inputs inputs) = prepared;
        NoTrace none = default;
        TurnedWork<TKind>.Solve(setup, inputs, out WorkResult result, ref none);
        return result.Limits.LargestUse;
    }
}

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
    private readonly Dictionary<Type, (TurnedSetup Setup, Inputs Inputs)> prepared = [];

    [GlobalSetup]
    public void Prepare()
    {
        PrepareOne<FaceTurning>(CutterFamily.OutsideTurningTool, 0);
        PrepareOne<RoughTurning>(CutterFamily.OutsideTurningTool, 2);
        PrepareOne<FinishTurning>(CutterFamily.OutsideTurningTool, 1);
        PrepareOne<Grooving>(CutterFamily.GroovingBlade, 0);
        PrepareOne<PartingOff>(CutterFamily.PartingBlade, 0);
    }

    [Benchmark] public double Face() => One<FaceTurning>();

    [Benchmark(Description = "rough with a steady rest")] public double Rough() => One<RoughTurning>();

    [Benchmark(Description = "finish with a centre")] public double Finish() => One<FinishTurning>();

    [Benchmark] public double Groove() => One<Grooving>();

    [Benchmark] public double PartOff() => One<PartingOff>();

    private void PrepareOne<TKind>(CutterFamily family, int support)
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
        prepared[typeof(TKind)] = (setup, TurningOperation<TKind>.Propose(setup, wish, ref none).Inputs);
    }

    private double One<TKind>()
        where TKind : struct, ITurningKind
    {
        (TurnedSetup setup, Inputs inputs) = prepared[typeof(TKind)];
        NoTrace none = default;
        TurnedWork<TKind>.Solve(setup, inputs, out WorkResult result, ref none);
        return result.Limits.LargestUse;
    }
}

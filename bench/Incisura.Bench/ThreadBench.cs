using BenchmarkDotNet.Attributes;
using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Machines;
using Incisura.Core.ThreadCutting;
using Incisura.Core.Threads;

namespace Incisura.Bench;

/// <summary>What turning and milling a thread cost, and what is worked out beside them.</summary>
[MemoryDiagnoser]
public class ThreadBench
{
    private (CuttingSetup Setup, Inputs Inputs) turned, milled;

    [GlobalSetup]
    public void Prepare()
    {
        NoTrace none = default;
        Situation lathe = Workbench.With(CutterFamily.ThreadTurningTool), mill = Workbench.With(CutterFamily.ThreadMill);
        SpeedRow row = lathe.Chart.Value.Rows[0] with { CuttingSpeed = 120 };
        Machine turning = lathe.Machine.Value with
        {
            AxisAcceleration = 2500,
            Main = new() { LeastSpeed = 20, LargestSpeed = 4000, Curve = lathe.Machine.Value.Curve },
        };
        ThreadTurningSetup turn = new(lathe.Built(), lathe.Material.Value, turning, row, ShopPractice.Usual);
        ThreadMillingSetup round = new(mill.Built(), mill.Material.Value, mill.Machine.Value, row, ShopPractice.Usual, inside: true);
        turned = (turn, Operation<ThreadTurning, WorkResult>.Propose(turn, default, ref none).Inputs);
        milled = (round, Operation<ThreadMilling, WorkResult>.Propose(round, default, ref none).Inputs);
    }

    [Benchmark] public double Turn() => Operation<ThreadTurning, WorkResult>.Solve(turned.Setup, turned.Inputs)[Output.Time];

    [Benchmark] public double Mill() => Operation<ThreadMilling, WorkResult>.Solve(milled.Setup, milled.Inputs)[Output.Time];

    [Benchmark(Description = "flank error")] public double Flank() => FlankError.Of(20, 17.294, 2.5, 60, 14);

    [Benchmark(Description = "arcs of a taper within 1 µm")] public double Taper() => TaperPath.Of(8, 0.088, 1).Error;

    [Benchmark(Description = "search by what is typed")] public int Search() => ThreadSearch.Find("M10x1", 30).Count;
}

using BenchmarkDotNet.Attributes;
using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.HoleGroups;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;

namespace Incisura.Bench;

/// <summary>What one calculation of each hole operation costs, and what it takes to order many holes.</summary>
[MemoryDiagnoser]
public class HoleBench
{
    private const int Holes = 2000;
    private readonly Dictionary<Type, (HoleSetup Setup, Inputs Inputs)> prepared = [];
    private readonly Position[] scattered = new Position[Holes];

    [GlobalSetup]
    public void Prepare()
    {
        PrepareOne<CentreDrilling>(CutterFamily.CentreDrill);
        PrepareOne<SpotDrilling>(CutterFamily.SpotDrill);
        Inputs pecked = default;
        pecked.Type(Input.Depth, 40);
        PrepareOne<Drilling>(CutterFamily.TwistDrill, pecked);
        PrepareOne<StagedDrilling>(CutterFamily.GunDrill, default, new(40, 10), new(70, 12, 60));
        PrepareOne<Countersinking>(CutterFamily.Countersink);
        PrepareOne<Counterboring>(CutterFamily.Counterbore);
        PrepareOne<Reaming>(CutterFamily.Reamer);
        PrepareOne<Boring<RoughBar>>(CutterFamily.BoringTool);
        PrepareOne<Boring<FineBar>>(CutterFamily.FineBoringHead);
        PrepareOne<Tapping>(CutterFamily.CuttingTap);

        // Low-discrepancy, so that every run orders the same holes.
        for (int i = 0; i < Holes; i++) scattered[i] = new((i * 0.7548776662 % 1) * 800, (i * 0.5698402910 % 1) * 500);
    }

    [Benchmark] public double Centre() => One<CentreDrilling>();

    [Benchmark] public double Spot() => One<SpotDrilling>();

    [Benchmark(Description = "drill with nine pecks")] public double Drill() => One<Drilling>();

    [Benchmark(Description = "staged deep hole with two holes across")] public double Deep() => One<StagedDrilling>();

    [Benchmark] public double Countersink() => One<Countersinking>();

    [Benchmark] public double Counterbore() => One<Counterboring>();

    [Benchmark] public double Ream() => One<Reaming>();

    [Benchmark] public double Bore() => One<Boring<RoughBar>>();

    [Benchmark] public double FineBore() => One<Boring<FineBar>>();

    [Benchmark] public double Tap() => One<Tapping>();

    [Benchmark(Description = "2000 holes ordered, nearest next")] public double Nearest() => HoleRoute.Of(scattered, HoleOrder.NearestNext).Travel;

    [Benchmark(Description = "2000 holes ordered, row by row")] public double Rows() => HoleRoute.Of(scattered, HoleOrder.Rows).Travel;

    private void PrepareOne<TKind>(CutterFamily family, Inputs typed = default, params CrossHole[] crossing)
        where TKind : struct, IHoleKind
    {
        Situation at = Workbench.With(family);
        SpeedRow row = at.Chart.Value.Rows[0] with { Family = family };
        HoleSetup setup = new(
            at.Built(), at.Material.Value, at.Machine.Value with { SynchronousLimit = 2000, RunUpTime = 2.4, AxisThrust = 8000 }, row,
            at.Chart.Value.Practice);
        setup.Take([new CrossHoles(crossing)]);
        NoTrace none = default;
        prepared[typeof(TKind)] = (setup, HoleOperation<TKind>.Propose(setup, typed, ref none).Inputs);
    }

    private double One<TKind>()
        where TKind : struct, IHoleKind
    {
        (HoleSetup setup, Inputs inputs) = prepared[typeof(TKind)];
        NoTrace none = default;
        HoleMaking<TKind>.Solve(setup, inputs, out HoleResult result, ref none);
        return result.Limits.LargestUse;
    }
}

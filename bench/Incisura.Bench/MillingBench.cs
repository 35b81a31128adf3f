using BenchmarkDotNet.Attributes;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Milling;
using Incisura.Core.Milling.Kinds;

namespace Incisura.Bench;

/// <summary>What one calculation of each milling operation costs, and what is made of many of them.</summary>
[MemoryDiagnoser]
public class MillingBench
{
    private const int Size = 256;
    private readonly Situation situation = Workbench.Situation;
    private readonly float[] uses = new float[LimitSet.Most * Size * Size], rates = new float[Size * Size];
    private readonly Dictionary<Type, (MillingSetup Setup, Inputs Inputs)> prepared = [];
    private readonly IOperation rough = Operations.Find("side-rough")!;

    [GlobalSetup]
    public void Prepare()
    {
        PrepareOne<FaceMilling>(CutterFamily.FaceMill);
        PrepareOne<SideRough>(CutterFamily.SquareEndMill);
        PrepareOne<SideFinish>(CutterFamily.SquareEndMill);
        PrepareOne<SlotMilling>(CutterFamily.SquareEndMill);
        PrepareOne<PocketMilling>(CutterFamily.SquareEndMill);
        PrepareOne<ConstantEngagement>(CutterFamily.SquareEndMill);
        PrepareOne<RampMilling>(CutterFamily.SquareEndMill);
        PrepareOne<HelicalEntry>(CutterFamily.SquareEndMill);
        PrepareOne<HelicalBoring>(CutterFamily.SquareEndMill);
        PrepareOne<PlungeMilling>(CutterFamily.SquareEndMill);
        PrepareOne<CornerCleaning>(CutterFamily.SquareEndMill);
        PrepareOne<SurfaceFinishing>(CutterFamily.BallEndMill);
        PrepareOne<ChamferMilling>(CutterFamily.ChamferMill);
        PrepareOne<Engraving>(CutterFamily.EngravingPoint);
    }

    [Benchmark] public double Face() => One<FaceMilling>();

    [Benchmark] public double RoughSide() => One<SideRough>();

    [Benchmark] public double FinishSide() => One<SideFinish>();

    [Benchmark] public double Slot() => One<SlotMilling>();

    [Benchmark] public double Pocket() => One<PocketMilling>();

    [Benchmark] public double ConstantArc() => One<ConstantEngagement>();

    [Benchmark] public double Ramp() => One<RampMilling>();

    [Benchmark] public double HelixIn() => One<HelicalEntry>();

    [Benchmark] public double HelixBore() => One<HelicalBoring>();

    [Benchmark] public double Plunge() => One<PlungeMilling>();

    [Benchmark] public double Corner() => One<CornerCleaning>();

    [Benchmark] public double Surface() => One<SurfaceFinishing>();

    [Benchmark] public double Chamfer() => One<ChamferMilling>();

    [Benchmark] public double Engrave() => One<Engraving>();

    [Benchmark(Description = "load over a revolution, side cut")]
    public double Revolution() => TurnOf<SideRough>();

    [Benchmark(Description = "the same in the full slot")]
    public double RevolutionInSlot() => TurnOf<SlotMilling>();

    [Benchmark(Description = "window of 256 x 256 with all limits")]
    public float Window()
    {
        (MillingSetup setup, Inputs inputs) = prepared[typeof(SideRough)];
        MillingOperation<SideRough>.Evaluate(
            setup, inputs, (Input.WidthOfCut, 12), (Input.DepthOfCut, 26), Size, uses, rates, CancellationToken.None);
        return rates[^1];
    }

    [Benchmark(Description = "best point, with its proposal")]
    public bool Best() => rough.Best(situation, Choices.None, BestAim.Removal, CancellationToken.None).Found;

    [Benchmark(Description = "whole operation as the server answers it: proposal, ranges, figures, findings")]
    public int Operation() => rough.Calculate(situation, Choices.None, explain: false).Limits.Count;

    [Benchmark(Description = "the same with its derivation")]
    public int Explained() => rough.Calculate(situation, Choices.None, explain: true).Steps.Count;

    private void PrepareOne<TKind>(CutterFamily family)
        where TKind : struct, IMillingKind
    {
        Situation at = Workbench.With(family);
        MillingSetup setup = new(
            at.Built(), at.Material.Value, at.Machine.Value, at.Chart.Value.Rows[0] with { Family = family }, at.Chart.Value.Practice);
        NoTrace none = default;
        Inputs inputs = MillingOperation<TKind>.Propose(setup, default, ref none).Inputs;
        prepared[typeof(TKind)] = (setup, inputs);
    }

    private double One<TKind>()
        where TKind : struct, IMillingKind
    {
        (MillingSetup setup, Inputs inputs) = prepared[typeof(TKind)];
        NoTrace none = default;
        Milling<TKind>.Solve(setup, inputs, out MillingResult result, ref none);
        return result.Limits.LargestUse;
    }

    private double TurnOf<TKind>()
        where TKind : struct, IMillingKind
    {
        (MillingSetup setup, Inputs inputs) = prepared[typeof(TKind)];
        return RevolutionLoad.Of(setup, MillingOperation<TKind>.Solve(setup, inputs), inputs).OfResultant.Peak;
    }
}

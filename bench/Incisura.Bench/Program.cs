using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using Incisura.Bench;
using Incisura.Core.Calculation;
using Incisura.Core.Milling;

BenchmarkSwitcher.FromAssembly(typeof(SideMillingBench).Assembly)
    .Run(args, DefaultConfig.Instance.AddJob(Job.Default.WithWarmupCount(3).WithIterationCount(8)).WithArtifactsPath("artifacts/bench"));

namespace Incisura.Bench
{
    /// <summary>What one side-milling calculation costs, and a grid of them.</summary>
    [MemoryDiagnoser]
    public class SideMillingBench
    {
        private readonly Situation situation = Workbench.Situation;
        private readonly GridPoint[] points = new GridPoint[256 * 256];
        private SideMillingSetup setup = null!;
        private SideMillingChoices choices;

        [GlobalSetup]
        public void Prepare()
        {
            setup = new(situation.Built(), situation.Material.Value, situation.Machine.Value);
            choices = new() { CuttingSpeed = 120, FeedPerTooth = 0.056, MostWidth = 2.4, MostDepth = 15, StockWidth = 2.4, WallHeight = 30, Length = 480, DeflectionAllowed = 60 };
        }

        [Benchmark(Description = "one calculation with all limits, no derivation")]
        public double One()
        {
            NoTrace none = default;
            SideMilling.Solve(setup, choices, out SideMillingResult result, ref none);
            return result.Limits.LargestUse;
        }

        [Benchmark(Description = "one calculation with its derivation")]
        public int Explained()
        {
            DerivationTrace trace = new();
            SideMilling.Solve(setup, choices, out _, ref trace);
            return trace.Steps.Count;
        }

        [Benchmark(Description = "grid of 256 x 256 with all limits")]
        public float Grid()
        {
            OperatingGrid.Evaluate(setup, choices, 12, 26, 256, points);
            return points[^1].Use;
        }

        [Benchmark(Description = "whole operation as the server answers it: proposal, ranges, figures, findings")]
        public int Operation() => SideMillingOperation.Rough.Calculate(situation, Choices.None, explain: false).Limits.Count;
    }
}

using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using Incisura.Bench;

BenchmarkSwitcher.FromAssembly(typeof(MillingBench).Assembly)
    .Run(args, DefaultConfig.Instance.AddJob(Job.Default.WithWarmupCount(3).WithIterationCount(8)).WithArtifactsPath("artifacts/bench"));

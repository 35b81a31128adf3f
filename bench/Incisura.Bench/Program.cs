using System.Globalization;
using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using Incisura.Bench;

if (args is ["seed", var file, var count])
    Seed.Records(file, int.Parse(count, CultureInfo.InvariantCulture));
else
    BenchmarkSwitcher.FromAssembly(typeof(MillingBench).Assembly)
        .Run(args, DefaultConfig.Instance.AddJob(Job.Default.WithWarmupCount(3).WithIterationCount(8)).WithArtifactsPath("artifacts/bench"));

using BenchmarkDotNet.Attributes;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Library;
using Incisura.Core.Materials;

namespace Incisura.Bench;

/// <summary>What a question to a library of 50 000 cutters costs, and a profile and a reach check.</summary>
[MemoryDiagnoser]
public class LibraryBench
{
    private const int Count = 50_000;
    private readonly BuiltAssembly built = Workbench.Situation.Built();
    private Listing<ListedCutter> list = null!;

    [GlobalSetup]
    public void Prepare() => list = new([.. Enumerable.Range(0, Count).Select(Make)], CutterListing.Rules);

    [Benchmark(Description = "search 50 000 cutters: words and a size, with all counts")]
    public int Search() => list.Ask(new() { Text = "ball 6 long" }).Total;

    [Benchmark(Description = "the same with two filters and another order")]
    public int Filtered() =>
        list.Ask(
            new()
            {
                Text = "mill",
                Sort = "LU",
                Descending = true,
                Filters = new Dictionary<string, IReadOnlyList<string>> { ["group"] = ["K"], ["reach"] = ["long", "usual"] },
            }).Total;

    [Benchmark(Description = "profile of an assembly")]
    public int Profile() => built.Profile().Elements.Count;

    [Benchmark(Description = "reach check beside a leaning wall")]
    public double Reach() => ReachCheck.Solve(built, new Wall { Depth = 45, Draft = 1, Clearance = 0.2 }).Margin;

    private static ListedCutter Make(int i)
    {
        Family family = Families.All[i % Families.All.Count];
        double size = 2 + (i * 7 % 180 / 10.0);
        Dictionary<string, double> dimensions = new(family.Start) { [family.CalledBy] = size };
        return new(
            i,
            new()
            {
                Number = $"B-{i:000000}",
                Family = family.Code,
                Dimensions = dimensions,
                Coating = i % 2 == 0 ? "AlTiN" : "TiN",
                Groups = [(MaterialGroup)(i % 6)],
                Remarks = i % 4 == 0 ? "kept for the manifold" : "",
            },
            [], [], i % 9 == 0 ? 1 : 0);
    }
}

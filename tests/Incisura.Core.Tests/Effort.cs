using System.Globalization;

namespace Incisura.Core.Tests;

/// <summary>
/// How much of endless work a run does. Each property has a part that is the same at every run, and a random one that begins where the run says
/// (`INCISURA_SEED`, printed by tests/run.sh). `make soak` makes the random part as many times as long as `INCISURA_EFFORT` says.
/// </summary>
internal static class Effort
{
    /// <summary>How many times as long the random part is.</summary>
    public static int Times { get; } = Number("INCISURA_EFFORT") ?? 1;

    /// <summary>Where the random part begins, ≥ 0.</summary>
    public static int Seed { get; } = (Number("INCISURA_SEED") ?? Environment.TickCount) & 0x3fff_ffff;

    /// <summary>Seeds: some from <paramref name="from"/> on, and some of this run's own.</summary>
    public static IEnumerable<int> Seeds(int kept, int drawn, int from = 0) =>
        Enumerable.Range(from, kept).Concat(Enumerable.Range(Seed, drawn * Times));

    /// <summary>Of a long list one in so many, always the same, and as many of this run's own; all of it where there is much effort.</summary>
    public static IEnumerable<T> Some<T>(IReadOnlyList<T> all, int oneIn) =>
        all.Where((_, i) => i % oneIn == 0 || Times >= oneIn || i % oneIn == Seed % oneIn);

    private static int? Number(string name) =>
        Environment.GetEnvironmentVariable(name) is { Length: > 0 } text ? int.Parse(text, CultureInfo.InvariantCulture) : null;
}

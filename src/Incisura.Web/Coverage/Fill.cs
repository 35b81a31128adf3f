using System.Collections.Concurrent;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Records;

namespace Incisura.Web.Coverage;

/// <summary>A gap to be filled.</summary>
/// <param name="Operation">Code of the operation.</param>
/// <param name="MaterialId">Work material.</param>
/// <param name="CutterId">Cutter.</param>
/// <param name="MachineId">Machine.</param>
public sealed record Gap(string Operation, int MaterialId, int CutterId, int MachineId);

/// <summary>Gaps to be filled with drafts.</summary>
public sealed record FillRequest(IReadOnlyList<Gap> Gaps);

/// <summary>What became of one gap.</summary>
/// <param name="Gap">The gap.</param>
/// <param name="Record">Number of the draft; empty where none was made.</param>
/// <param name="WhyNot">Why none was made; empty where one was.</param>
/// <param name="Findings">Cautions and stops of the draft.</param>
public sealed record FilledGap(Gap Gap, string Record, string WhyNot, IReadOnlyList<Finding> Findings);

/// <summary>How far the filling is.</summary>
/// <param name="Id">Identity of the work.</param>
/// <param name="Total">How many gaps.</param>
/// <param name="Done">What became of those that were looked at, in their order.</param>
/// <param name="Running">Whether it goes on.</param>
public sealed record FillProgress(Guid Id, int Total, IReadOnlyList<FilledGap> Done, bool Running);

/// <summary>Works through gaps in the background, one draft after the other, until it is done or stopped.</summary>
public sealed class FillDesk(IServiceScopeFactory scopes, Desk desk, TimeProvider clock)
{
    private const string Name = "Filling gaps";

    private static readonly TimeSpan Kept = TimeSpan.FromHours(1);

    private readonly ConcurrentDictionary<Guid, Work> works = [];

    /// <summary>Begins.</summary>
    public FillProgress Start(IReadOnlyList<Gap> gaps, string by)
    {
        foreach ((Guid old, Work w) in works)
            if (clock.GetUtcNow() - w.Begun > Kept && works.TryRemove(old, out _)) w.Stop.Cancel();
        Work work = new(gaps, by, clock.GetUtcNow());
        works[work.Id] = work;
        desk.Begin(Name, () => RunAsync(work), _ => work.Running = false);
        return work.Progress;
    }

    /// <summary>How far a work of somebody is.</summary>
    public FillProgress Find(Guid id, string by) => Of(id, by).Progress;

    /// <summary>Stops it; what was made stays.</summary>
    public FillProgress Stop(Guid id, string by)
    {
        Work work = Of(id, by);
        work.Stop.Cancel();
        return work.Progress;
    }

    private Work Of(Guid id, string by) => works.TryGetValue(id, out Work? work) && work.By == by
        ? work
        : throw new MissingException("This work is not known any more; look at the drafts among the records.");

    private async Task RunAsync(Work work)
    {
        foreach (Gap gap in work.Gaps)
        {
            if (work.Stop.IsCancellationRequested) break;
            work.Done.Enqueue(await FillAsync(gap, work.By));
        }

        work.Running = false;
    }

    // A gap that cannot be filled is told, and the next one is looked at.
    private async Task<FilledGap> FillAsync(Gap gap, string by)
    {
        try
        {
            await using AsyncServiceScope scope = scopes.CreateAsyncScope();
            IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
            Shelf shelf = scope.ServiceProvider.GetRequiredService<Shelf>();
            ShelfView view = await shelf.ViewAsync(db);
            if (!view.Cutters.TryGetValue(gap.CutterId, out StoredCutter? cutter)) return No("The cutter is not there any more.");
            if (AssemblyFor(gap, view) is not { } assembly)
                return No($"{cutter.Name} is in no assembly that is in use; put one together in Library.");
            DraftRequest request = new(gap.Operation, gap.MaterialId, assembly.Id, gap.MachineId);
            (RecordRow record, CalculationResult result) = await RecordEndpoints.DraftAsync(request, by, db, shelf, clock, begin: false);
            return new(gap, record.Number, "", [.. result.Findings.Where(f => f.Severity > Severity.Info)]);
        }
        catch (Exception refused)
        {
            return No(desk.Told(Name, refused));
        }

        FilledGap No(string why) => new(gap, "", why, []);
    }

    // One that stands in the machine already, and of those the one that reaches out least.
    private static StoredAssembly? AssemblyFor(Gap gap, ShelfView view) => view.Assemblies.Values
        .Where(a => a.CutterId == gap.CutterId)
        .OrderByDescending(a => a.Definition.Places.Any(p => p.MachineId == gap.MachineId))
        .ThenBy(a => a.Definition.Projection).ThenBy(a => a.Name, StringComparer.Ordinal)
        .FirstOrDefault();

    private sealed class Work(IReadOnlyList<Gap> gaps, string by, DateTimeOffset begun)
    {
        public Guid Id { get; } = Guid.NewGuid();

        public IReadOnlyList<Gap> Gaps => gaps;

        public string By => by;

        public DateTimeOffset Begun => begun;

        public ConcurrentQueue<FilledGap> Done { get; } = [];

        public CancellationTokenSource Stop { get; } = new();

        public volatile bool Running = true;

        public FillProgress Progress => new(Id, gaps.Count, [.. Done], Running);
    }
}

/// <summary>Filling gaps of the coverage with drafts, each still to be reviewed.</summary>
public static class FillEndpoints
{
    private const int Most = 1000;

    public static void MapFill(this IEndpointRouteBuilder group)
    {
        group.MapPost("/fill", (FillRequest request, HttpContext context, FillDesk desk) =>
        {
            new InputCheck()
                .Holds(request.Gaps.Count is > 0 and <= Most, "gaps", request.Gaps.Count, $"Choose 1 to {Most} gaps.")
                .Holds(
                    request.Gaps.All(g => Operations.Find(g.Operation) is not null), "gaps", double.NaN,
                    "There is no such operation; choose gaps in the table.")
                .ThrowIfAny();
            return desk.Start(request.Gaps, context.User.Actor().Name);
        });
        group.MapGet("/fill/{id:guid}", (Guid id, HttpContext context, FillDesk desk) => desk.Find(id, context.User.Actor().Name));
        group.MapDelete("/fill/{id:guid}", (Guid id, HttpContext context, FillDesk desk) => desk.Stop(id, context.User.Actor().Name));
    }
}

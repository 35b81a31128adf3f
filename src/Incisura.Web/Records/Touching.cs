using System.Collections.Concurrent;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Library;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>A record that a change would move.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="State">Where that stands.</param>
/// <param name="Situation">What it is for.</param>
/// <param name="Broken">Whether its figures would break a limit, or could not be calculated any more.</param>
/// <param name="Breaks">What they would break; null for nothing.</param>
/// <param name="Refused">Why it could not be calculated; empty where it could.</param>
/// <param name="Foremost">The figure to tell first; null where none would move.</param>
/// <param name="Moved">How far it would move, over the larger of two values; 2 where it would break.</param>
/// <param name="Already">Whether it is stale as things are.</param>
public sealed record TouchedRecord(
    string Number, int Revision, RecordState State, SituationWords Situation, bool Broken, Sentence? Breaks, string Refused, FigureChange? Foremost,
    double Moved, bool Already);

/// <summary>What a change would do to the records that rest on a thing.</summary>
/// <param name="Rest">How many rest on it.</param>
/// <param name="Looked">How many of them were looked at in the time there is, what is in force first and what was changed last before the others.</param>
/// <param name="Moves">How many of them would move.</param>
/// <param name="Breaks">How many of those would break a limit.</param>
/// <param name="Records">Those that would move, what breaks and what moves most first; at most a hundred.</param>
public sealed record Touched(int Rest, int Looked, int Moves, int Breaks, IReadOnlyList<TouchedRecord> Records);

/// <summary>Says before something is saved which records it would touch, and how.</summary>
public static class Touching
{
    private const int Most = 100;

    // Whoever asks before saving waits so long, and no longer; the rest is told as stale once it is saved.
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(3.5);

    /// <summary>Maps what a change of cutters, holders and assemblies would touch.</summary>
    public static void MapTouching(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder library = api.MapGroup("/library");
        library.MapTouched("/cutters", LibraryEndpoints.Cutters);
        library.MapTouched("/holders", LibraryEndpoints.Holders);
        library.MapTouched("/assemblies", LibraryEndpoints.Assemblies);
    }

    /// <summary>Maps what a change of a stored thing would touch.</summary>
    public static void MapTouched<TStored, T>(this IEndpointRouteBuilder api, string path, StoredKind<TStored, T> kind)
        where TStored : Stored<T>
        where T : class => api.MapPost(
            path + "/{id:int}/touched", async (int id, T definition, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
    {
        ShelfView view = await shelf.ViewAsync(db);
        TStored now = await db.Set<TStored>().AsNoTracking().FirstOrDefaultAsync(s => s.Id == id, cancel)
            ?? throw StoredEndpoints.Missing(kind.Word, id);
        kind.Check(definition, view, id).ThrowIfAny();
        now.Take(definition, kind.Name(definition));
        now.Revision++;
        return await OfAsync(db, view, view.With([now]), cancel);
    }).WithTags(path.Trim('/')).Calculates().RequireAuthorization(Access.Engineers);

    private static async Task<Touched> OfAsync(IncisuraDb db, ShelfView view, ShelfView then, CancellationToken cancel)
    {
        var open = await db.RecordRevisions.AsNoTracking()
            .Where(RecordRevisionRow.Open)
            .OrderByDescending(v => v.IsInForce).ThenByDescending(v => v.ChangedAt)
            .Select(v => new { v.Id, v.ThreadId, Record = v.Record! })
            .ToListAsync(cancel);
        int[] rest = [.. open.Where(o => view.FootingsOf(o.Record, o.ThreadId) != then.FootingsOf(o.Record, o.ThreadId)).Select(o => o.Id)];
        ConcurrentBag<TouchedRecord> moves = [];
        int looked = 0;
        using CancellationTokenSource patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(Longest);
        try
        {
            await RecordBatches.EachAsync(
                db, rest,
                (row, situation) =>
                {
                    Choices choices = DefinitionFormat.Read<Choices>(row.Choices);
                    CalculationResult result = RecordParts.ResultOf(row);
                    Standing Of(ShelfView shelf) => RecordViews.StandingOf(row.Record!.Operation, situation, choices, result, shelf);
                    Standing after = Of(then);
                    Interlocked.Increment(ref looked);
                    if (!after.Stale) return;

                    // What moved before and would not move any further is not this change's doing.
                    Standing before = Of(view);
                    if (before.Stale && before.Broken == after.Broken && before.Refused == after.Refused
                        && before.Figures.SequenceEqual(after.Figures))
                        return;
                    moves.Add(
                        new(
                            row.Record!.Number, row.Number, row.State, DefinitionFormat.Read<SituationWords>(row.Words), after.Broken,
                            after.FirstBreak, after.Refused, after.Foremost, after.Move, before.Stale));
                },
                null, patience.Token);
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            // What was looked at is told, and how much that is.
        }

        return new(
            rest.Length, looked, moves.Count, moves.Count(m => m.Broken),
            [.. moves.OrderByDescending(m => m.Moved).ThenBy(m => m.Number, StringComparer.Ordinal).Take(Most)]);
    }
}

using System.Collections.Concurrent;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>Asks of many revisions in force at once whether they may be used: the core answers, for each as things stand.</summary>
public static class Gate
{
    /// <summary>What stands against publishing revisions, by the identity of each against which anything does.</summary>
    /// <param name="db">The database.</param>
    /// <param name="view">Library and shop as they stand.</param>
    /// <param name="among">Revisions that are asked about.</param>
    /// <param name="today">The day.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task<IReadOnlyDictionary<int, IReadOnlyList<Bar>>> BarsAsync(
        IncisuraDb db, ShelfView view, IQueryable<RecordRevisionRow> among, DateOnly today, CancellationToken cancel)
    {
        // Whatever was approved may be used while nothing moves; only what was found to have moved, or was not looked at since, is asked about.
        var all = await among.Select(v => new { v.Id, v.ThreadId, v.JudgedFor, v.Stands, Record = v.Record! }).ToListAsync(cancel);
        List<int> asked =
        [
            .. all.Where(v => v.Stands is Stands.Stale or Stands.Broken || v.JudgedFor != view.FootingsOf(v.Record, v.ThreadId)).Select(v => v.Id),
        ];
        ConcurrentDictionary<int, IReadOnlyList<Bar>> bars = [];
        IReadOnlySet<(int, int)> threads = await RecordRules.ApprovedThreadsAsync(db, cancel);
        await RecordBatches.EachAsync(
            db, asked,
            (row, then) =>
            {
                if (Usable.Bars(RecordRules.Facts(row.Record!, row, then, view, threads, today), Use.Publication) is { Count: > 0 } found)
                    bars[row.Id] = found;
            },
            after: null, cancel);
        return bars;
    }

    /// <summary>The limits of a revision as they are today.</summary>
    public static IReadOnlyList<JudgedLimit> LimitsToday(RecordRow record, RecordRevisionRow row, ShelfView view) =>
        Operations.Find(record.Operation) is { } known && view.SituationOf(record.MaterialId, record.AssemblyId, record.MachineId) is { } now
            ? Staleness.LimitsToday(known, RecordParts.ResultOf(row), now, view.WithThreads(DefinitionFormat.Read<Choices>(row.Choices)))
            : [];
}

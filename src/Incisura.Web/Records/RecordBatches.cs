using Incisura.Core.Calculation;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>Many revisions worked through a few at a time, two at once, so that other people's work goes on beside it.</summary>
internal static class RecordBatches
{
    private const int Size = 64, Workers = 2;

    /// <summary>Does something with each of some revisions and its situation; after each batch something with all of it.</summary>
    /// <param name="db">The database.</param>
    /// <param name="ids">Identities of the revisions.</param>
    /// <param name="each">Is called from two threads.</param>
    /// <param name="after">Is called for each batch.</param>
    /// <param name="cancel">Stops the work.</param>
    public static async Task EachAsync(
        IncisuraDb db, IReadOnlyList<int> ids, Action<RecordRevisionRow, Situation> each, Func<List<RecordRevisionRow>, Task>? after,
        CancellationToken cancel)
    {
        foreach (int[] batch in ids.Chunk(Size))
        {
            List<RecordRevisionRow> rows = await db.RecordRevisions.AsNoTracking().Include(v => v.Record).Where(v => batch.Contains(v.Id))
                .ToListAsync(cancel);
            IReadOnlyDictionary<int, Situation> situations = await RecordParts.SituationsAsync(db, rows, cancel);
            Parallel.ForEach(
                rows, new() { MaxDegreeOfParallelism = Workers, CancellationToken = cancel }, row => each(row, situations[row.Id]));
            if (after is not null) await after(rows);
        }
    }
}

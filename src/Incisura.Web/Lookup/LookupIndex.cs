using Incisura.Core.Library;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Incisura.Web.Editions;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Lookup;

/// <summary>A record of the newest edition, ready to be found.</summary>
/// <param name="Record">Its number.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="LeafId">Its published form.</param>
/// <param name="Words">Its situation in words.</param>
/// <param name="Text">All words it is found by, in small letters.</param>
public sealed record Findable(string Record, int Revision, int LeafId, SituationWords Words, string Text);

/// <summary>The newest edition, ready to be asked.</summary>
/// <param name="Number">Its number; 0 where nothing was published yet.</param>
/// <param name="PublishedAt">When.</param>
/// <param name="AsksReading">Whether its readers are asked to say that they have read it.</param>
/// <param name="Records">Its records by assembly and material.</param>
public sealed record NewestEdition(int Number, DateTimeOffset PublishedAt, bool AsksReading, IReadOnlyList<Findable> Records);

/// <summary>The newest edition in memory; it never changes, so it is read once.</summary>
public sealed class LookupIndex : IDisposable
{
    private readonly SemaphoreSlim one = new(1);
    private NewestEdition held = new(0, default, false, []);

    /// <summary>The newest edition.</summary>
    public async Task<NewestEdition> NewestAsync(IncisuraDb db, CancellationToken cancel)
    {
        int newest = await db.Editions.MaxAsync(e => (int?)e.Number, cancel) ?? 0;
        NewestEdition now = held;
        if (now.Number != newest)
        {
            await one.WaitAsync(cancel);
            try
            {
                if (held.Number != newest) held = await ReadAsync(db, newest, cancel);
                now = held;
            }
            finally
            {
                one.Release();
            }
        }

        return now;
    }

    public void Dispose() => one.Dispose();

    private static async Task<NewestEdition> ReadAsync(IncisuraDb db, int number, CancellationToken cancel)
    {
        EditionRow edition = await db.Editions.AsNoTracking().SingleAsync(e => e.Number == number, cancel);
        bool asks = await db.EditionFiles.Where(f => f.EditionNumber == number).Select(f => f.AsksReading).FirstOrDefaultAsync(cancel);
        List<LineNow> lines = await EditionReading.LinesAsync(db, number, words: false, cancel);
        List<Findable> records = new(lines.Count);
        foreach (LineNow[] batch in lines.Chunk(EditionReading.Most))
        {
            IReadOnlyDictionary<int, PublishedLeaf> leaves = await EditionReading.LeavesAsync(db, [.. batch.Select(l => l.LeafId)], cancel);
            records.AddRange(batch.Select(l => FindableOf(l, leaves[l.LeafId])));
        }

        return new(
            number, edition.PublishedAt, asks,
            [.. records.OrderBy(r => r.Words.Assembly, StringComparer.Ordinal).ThenBy(r => r.Words.Material, StringComparer.Ordinal)]);
    }

    private static Findable FindableOf(LineNow line, PublishedLeaf leaf)
    {
        (PublishedRecord p, SituationWords w, _) = leaf;
        string size = w.Diameter.ToString("0.###", System.Globalization.CultureInfo.InvariantCulture);
        string text = string.Join(
            ' ', p.Record, w.OperationName, p.Operation.Thread, w.Material, p.Material.Designations, w.Condition, w.Group,
            SearchWords.Of(w.Group), w.Assembly, p.Cutter.Number, p.Cutter.Family,
            $"Ø{size} {size}mm z{w.Teeth}", w.Holder, w.Machine, p.Assembly.StockPlace,
            string.Join(' ', p.Assembly.Places));
        return new(line.Record, line.Revision, line.LeafId, w, text.ToLowerInvariant());
    }
}

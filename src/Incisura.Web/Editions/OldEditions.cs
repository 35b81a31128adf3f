using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Editions;

/// <summary>Editions that were published before editions were files get one, without a signature; their entries and digests stay what they are.</summary>
public static class OldEditions
{
    /// <summary>Writes the files that are missing, each in a transaction of its own.</summary>
    public static async Task TakeOverAsync(IncisuraDb db, Publisher publisher, CancellationToken cancel)
    {
        List<int> due = await db.Editions.Where(e => !db.EditionFiles.Any(f => f.EditionNumber == e.Number)).OrderBy(e => e.Number)
            .Select(e => e.Number).ToListAsync(cancel);
        foreach (int number in due)
        {
            EditionRow edition = await db.Editions.AsNoTracking().Include(e => e.Entries).SingleAsync(e => e.Number == number, cancel);
            List<EditionEntryRow> entries = [.. edition.Entries.OrderBy(e => e.RecordNumber, StringComparer.Ordinal)];
            Dictionary<(string, int), (string ProposedBy, DateTimeOffset At)> approvals = await ApprovalsAsync(db, entries, cancel);
            IReadOnlyList<int> leaves = await EditionStore.KeepAsync(db, entries.ConvertAll(e => LeafOf(e, approvals)), cancel);
            EditionMark? before = await Publisher.MarkOfAsync(db, number - 1, cancel);
            (byte[] head, byte[] tail) = EditionFile.Around(
                publisher.Frame(number, edition.PublishedAt, edition.PublishedBy, edition.Note, before, history: null));
            var (sha256, _, size) = await EditionStore.DigestAsync(db, head, leaves, tail, cancel);
            EditionFileRow file = new() { EditionNumber = number, Head = head, Tail = tail, Sha256 = sha256, Size = size, Count = entries.Count };
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            await EditionStore.AddAsync(
                db, null, file, entries.Select((e, i) => new EditionLineRow
                {
                    EditionNumber = number,
                    RecordNumber = e.RecordNumber,
                    Revision = e.Revision,
                    LeafId = leaves[i],
                }));
            await transaction.CommitAsync(cancel);
            db.ChangeTracker.Clear();
        }
    }

    private static async Task<Dictionary<(string, int), (string ProposedBy, DateTimeOffset At)>> ApprovalsAsync(
        IncisuraDb db, List<EditionEntryRow> entries, CancellationToken cancel)
    {
        List<string> numbers = entries.ConvertAll(e => e.RecordNumber);
        var all = await db.RecordRevisions.AsNoTracking().Where(v => numbers.Contains(v.Record!.Number))
            .Select(v => new
            {
                Record = v.Record!.Number,
                v.Number,
                v.ProposedBy,
                At = v.Events.Where(e => e.Act == RecordAct.Approve).Max(e => (DateTimeOffset?)e.At),
            })
            .ToListAsync(cancel);
        return all.Where(v => v.At is not null).ToDictionary(v => (v.Record, v.Number), v => (v.ProposedBy, v.At!.Value));
    }

    private static Leaf LeafOf(EditionEntryRow e, Dictionary<(string, int), (string ProposedBy, DateTimeOffset At)> approvals)
    {
        Situation situation = DefinitionFormat.Read<Situation>(e.Situation);
        CalculationResult result = DefinitionFormat.Read<CalculationResult>(e.Result);
        (string by, DateTimeOffset at) = approvals.GetValueOrDefault((e.RecordNumber, e.Revision));
        Terms terms = e.Terms.Length == 0 ? Terms.None : DefinitionFormat.Read<Terms>(e.Terms);
        PublishedRecord published = Published.Of(
            new(e.RecordNumber, e.Revision, situation, result, terms, e.Note, by ?? "", e.ApprovedBy, at, []));
        return Leaf.Of(
            EditionFile.Write(published), 0, "", e.Assembly, DefinitionFormat.Write(SituationWords.Of(e.Operation, situation, result)));
    }
}

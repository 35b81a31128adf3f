using System.Collections.Concurrent;
using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Incisura.Web.Hosting;
using Incisura.Web.Mail;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace Incisura.Web.Editions;

/// <summary>What is to be published, by whom and when.</summary>
public sealed record PublishWish(
    string By, string Note, DateTimeOffset At, IReadOnlyDictionary<string, EditionTake> Takes, bool AsksReading)
{
    /// <summary>What is in force of some records only; null for all.</summary>
    public IReadOnlyCollection<string>? Only { get; init; }

    /// <summary>Why a record goes in although something stands against it, by its number.</summary>
    public IReadOnlyDictionary<string, string> Reasons { get; init; } = new Dictionary<string, string>();
}

/// <summary>
/// Puts an edition together outside any lock: each record's published form is kept as soon as it is written, the whole is hashed and signed,
/// and only its number, its file and its lines are written at the end as one, if nothing of it was decided otherwise meanwhile.
/// </summary>
public sealed class Publisher(SigningKeys keys, IConfiguration configuration, TimeProvider clock)
{
    private const int MostTries = 5;

    private string Workshop => configuration["Incisura:Workshop"] is { Length: > 0 } name ? name : "A workshop without a name";

    /// <summary>Publishes.</summary>
    /// <param name="db">The database.</param>
    /// <param name="view">Library and shop, for the places where assemblies stand.</param>
    /// <param name="wish">What.</param>
    /// <param name="told">Takes how many records were put together, of how many.</param>
    /// <param name="cancel">Stops it; then nothing is published.</param>
    /// <exception cref="RuleException">There is nothing new, or too much was decided meanwhile.</exception>
    public async Task<EditionFileRow> PublishAsync(
        IncisuraDb db, ShelfView view, PublishWish wish, Action<int, int>? told = null, CancellationToken cancel = default)
    {
        await keys.TellAsync(db, wish.By, cancel);
        for (int i = 0; i < MostTries; i++)
        {
            ChangeRow? seen = await db.Changes.AsNoTracking().OrderByDescending(c => c.Id).FirstOrDefaultAsync(cancel);
            int last = await db.Editions.MaxAsync(e => (int?)e.Number, cancel) ?? 0;
            List<EditionLineRow> before = await db.EditionLines.AsNoTracking().Where(l => l.EditionNumber == last).ToListAsync(cancel);
            List<Chosen> chosen = await ChooseAsync(db, view, wish, before, null, cancel);
            List<EditionLineRow> lines = await LinesAsync(db, view, last + 1, chosen, wish, told, cancel);
            if (SameAs(before, lines))
                throw new RuleException(
                    "nothing-new", "Nothing has been approved or withdrawn since the last edition, so there is nothing to publish.");
            EditionFileRow file = await SignedAsync(db, wish, last, seen, lines, cancel);
            EditionRow edition = new()
            {
                Number = file.EditionNumber,
                PublishedAt = wish.At,
                PublishedBy = wish.By,
                Note = wish.Note,
                Digest = file.Sha256,
            };
            if (await WriteAsync(db, view, edition, file, lines, chosen, wish, before, seen?.Id ?? 0, cancel)) return file;
        }

        throw new RuleException(
            "unsettled", "Records were approved or withdrawn all the time while this was put together; publish again in a minute.");
    }

    /// <summary>Units, workshop and all else an edition says before its records.</summary>
    public EditionFile Frame(int number, DateTimeOffset at, string by, string note, EditionMark? before, HistoryMark? history) =>
        new(EditionFile.Form, Workshop, number, Published.Moment(at), by, note, Published.UnitsStated, [])
        {
            Before = before,
            History = history,
        };

    /// <summary>An edition by its number and the SHA-256 of its bytes; null where there is none of that number.</summary>
    public static Task<EditionMark?> MarkOfAsync(IncisuraDb db, int number, CancellationToken cancel) => db.EditionFiles.AsNoTracking()
        .Where(f => f.EditionNumber == number).Select(f => new EditionMark(f.EditionNumber, f.Sha256)).FirstOrDefaultAsync(cancel);

    private static bool SameAs(List<EditionLineRow> before, List<EditionLineRow> lines) =>
        lines.Count == before.Count
            && lines.Zip(before.OrderBy(l => l.RecordNumber, StringComparer.Ordinal)).All(p =>
                p.First.RecordNumber == p.Second.RecordNumber && p.First.LeafId == p.Second.LeafId);

    private async Task<EditionFileRow> SignedAsync(
        IncisuraDb db, PublishWish wish, int last, ChangeRow? seen, List<EditionLineRow> lines, CancellationToken cancel)
    {
        int number = last + 1;
        EditionMark? before = await MarkOfAsync(db, last, cancel);
        (byte[] head, byte[] tail) = EditionFile.Around(
            Frame(number, wish.At, wish.By, wish.Note, before, seen is null ? null : new(seen.Id, seen.Hash)));
        var (sha256, hash, size) = await EditionStore.DigestAsync(db, head, lines.ConvertAll(l => l.LeafId), tail, cancel);
        (EditionKey key, byte[] signature) = keys.Sign(hash);
        return new()
        {
            EditionNumber = number,
            Head = head,
            Tail = tail,
            Sha256 = sha256,
            Size = size,
            Count = lines.Count,
            KeyId = key.Id,
            Signature = signature,
            AsksReading = wish.AsksReading,
        };
    }

    // All or nothing; nothing where a record was decided otherwise since it was chosen.
    private async Task<bool> WriteAsync(
        IncisuraDb db, ShelfView view, EditionRow edition, EditionFileRow file, List<EditionLineRow> lines, List<Chosen> chosen, PublishWish wish,
        List<EditionLineRow> before, long seen, CancellationToken cancel)
    {
        await using IDbContextTransaction? transaction =
            db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync(cancel) : null;
        HashSet<string> touched =
        [
            .. await db.Changes.AsNoTracking().Where(c => c.Id > seen && c.Kind == Chronicle.RecordKind).Select(c => c.Name).ToListAsync(cancel),
        ];
        if (touched.Count > 0)
        {
            List<Chosen> now = await ChooseAsync(db, view, wish, before, touched, cancel);
            if (!now.SequenceEqual(chosen.Where(c => touched.Contains(c.Record)))) return false;
        }

        await EditionStore.AddAsync(db, edition, file, lines);
        string[] readers = [.. await Person.NamesAsync(db, Role.Approver), .. await Person.NamesAsync(db, Role.Administrator)];
        db.AddRange(Letters.Published(file, wish.By, await Chronicle.HeadAsync(db, cancel), readers, wish.At));
        await db.SaveChangesAsync(cancel);
        if (transaction is not null) await transaction.CommitAsync(CancellationToken.None);
        db.ChangeTracker.Clear();
        return true;
    }

    private async Task<List<Chosen>> ChooseAsync(
        IncisuraDb db, ShelfView view, PublishWish wish, List<EditionLineRow> before, IReadOnlyCollection<string>? among, CancellationToken cancel)
    {
        DateOnly today = clock.DayOf(wish.At);
        IQueryable<RecordRevisionRow> all = InForce(db, today);
        if (among is not null) all = all.Where(v => among.Contains(v.Record!.Number));
        Dictionary<string, EditionLineRow> published = before.ToDictionary(l => l.RecordNumber);
        IReadOnlyDictionary<int, IReadOnlyList<Bar>> bars = await Gate.BarsAsync(db, view, all, today, cancel);
        List<Chosen> chosen = [];
        foreach (var v in await all.Select(v => new { v.Id, v.Number, Record = v.Record!.Number }).ToListAsync(cancel))
        {
            if (wish.Only?.Contains(v.Record) == false) continue;
            EditionTake take = wish.Takes.GetValueOrDefault(v.Record);
            EditionLineRow? was = published.GetValueOrDefault(v.Record);
            if (take == EditionTake.Nothing || (take == EditionTake.Before && was is null)) continue;
            if (take == EditionTake.Before)
            {
                chosen.Add(new(v.Record, was!.Revision, 0, was.LeafId));
                continue;
            }

            IReadOnlyList<Bar> against = Against(bars.GetValueOrDefault(v.Id) ?? [], isNew: was?.Revision != v.Number);
            bool reasoned = !string.IsNullOrWhiteSpace(wish.Reasons.GetValueOrDefault(v.Record));
            if (against.Any(b => !b.Yields || !reasoned)) continue;
            chosen.Add(new(v.Record, v.Number, v.Id, 0) { Against = against });
        }

        chosen.Sort((a, b) => string.CompareOrdinal(a.Record, b.Record));
        return chosen;
    }

    /// <summary>
    /// What stands against taking a revision into an edition. What the edition before has, and only moved since, stays as it was published: its
    /// readers are told.
    /// </summary>
    public static IReadOnlyList<Bar> Against(IReadOnlyList<Bar> bars, bool isNew) => isNew ? bars : [.. bars.Where(b => b.Code != Usable.Moved)];

    /// <summary>Revisions that the next edition takes: those in force whose time is not over, and which no report forbids to run.</summary>
    public static IQueryable<RecordRevisionRow> InForce(IncisuraDb db, DateOnly today) =>
        db.RecordRevisions.AsNoTracking().Where(v =>
            v.IsInForce && v.State == RecordState.Approved && (v.EndsOn == null || v.EndsOn >= today) && v.StoppedBy == "");

    private static async Task<List<EditionLineRow>> LinesAsync(
        IncisuraDb db, ShelfView view, int number, List<Chosen> chosen, PublishWish wish, Action<int, int>? told, CancellationToken cancel)
    {
        // What was published before and stands where it stood is taken as it is kept, unless somebody has said since why it holds.
        List<int> ids = [.. chosen.Where(c => c.RevisionId > 0).Select(c => c.RevisionId)];
        Dictionary<int, Chosen> overruled = chosen.Where(c => c.Against.Count > 0).ToDictionary(c => c.RevisionId);
        HashSet<int> anew =
        [
            .. overruled.Keys, .. await db.RecordRevisions.Where(v => v.IsInForce && v.KeptFor != "").Select(v => v.Id).ToListAsync(cancel),
        ];
        Dictionary<int, int> leaves = await KnownAsync(db, view, [.. ids.Where(id => !anew.Contains(id))], cancel);
        told?.Invoke(leaves.Count, ids.Count);
        ConcurrentDictionary<int, Leaf> made = [];
        List<int> due = ids.FindAll(id => !leaves.ContainsKey(id));
        Dictionary<int, (string By, DateTimeOffset At)> approvals = await ApprovalsAsync(db, due, cancel);
        await RecordBatches.EachAsync(
            db, due, (row, situation) => made[row.Id] = LeafOf(row, situation, approvals[row.Id], view, overruled.GetValueOrDefault(row.Id), wish),
            async rows =>
            {
                IReadOnlyList<int> kept = await EditionStore.KeepAsync(db, [.. rows.Select(r => made[r.Id])], cancel);
                for (int i = 0; i < kept.Count; i++) leaves[rows[i].Id] = kept[i];
                made.Clear();
                told?.Invoke(leaves.Count, ids.Count);
            },
            cancel);
        return chosen.ConvertAll(c => new EditionLineRow
        {
            EditionNumber = number,
            RecordNumber = c.Record,
            Revision = c.Revision,
            LeafId = c.RevisionId > 0 ? leaves[c.RevisionId] : c.LeafId,
        });
    }

    private static async Task<Dictionary<int, int>> KnownAsync(IncisuraDb db, ShelfView view, HashSet<int> revisions, CancellationToken cancel)
    {
        Dictionary<string, string> stands = view.Assemblies.Values.ToDictionary(a => a.Name, a => Text(PlacesOf(a, view)));
        Dictionary<int, int> known = [];
        await foreach (var leaf in db.EditionLeaves.AsNoTracking().Where(l => l.RevisionId > 0).OrderBy(l => l.Id)
            .Select(l => new { l.Id, l.RevisionId, l.Places, l.Assembly }).AsAsyncEnumerable().WithCancellation(cancel))
            if (revisions.Contains(leaf.RevisionId) && stands.GetValueOrDefault(leaf.Assembly, "") == leaf.Places) known[leaf.RevisionId] = leaf.Id;
        return known;
    }

    private static IReadOnlyList<PublishedPlace> PlacesOf(StoredAssembly assembly, ShelfView view) =>
    [
        .. assembly.Definition.Places.Select(p => new PublishedPlace(view.Machines[p.MachineId].Name, p.Place))
            .OrderBy(p => p.Machine, StringComparer.Ordinal).ThenBy(p => p.Place),
    ];

    private static string Text(IReadOnlyList<PublishedPlace> places) => string.Join(", ", places);

    private static async Task<Dictionary<int, (string By, DateTimeOffset At)>> ApprovalsAsync(
        IncisuraDb db, List<int> revisions, CancellationToken cancel) =>
        (await db.Set<RecordEventRow>().AsNoTracking().Where(e => e.Act == RecordAct.Approve && revisions.Contains(e.RevisionId))
            .OrderBy(e => e.Id)
            .Select(e => new { e.RevisionId, e.By, e.At }).ToListAsync(cancel))
        .GroupBy(e => e.RevisionId).ToDictionary(g => g.Key, g => (g.Last().By, g.Last().At));

    private static Leaf LeafOf(
        RecordRevisionRow row, Situation situation, (string By, DateTimeOffset At) approval, ShelfView view, Chosen? overruled, PublishWish wish)
    {
        SituationWords words = DefinitionFormat.Read<SituationWords>(row.Words);
        IReadOnlyList<PublishedPlace> places = view.Assemblies.TryGetValue(words.AssemblyId, out StoredAssembly? a) ? PlacesOf(a, view) : [];
        PublishedRecord published = Published.Of(new(
            row.Record!.Number, row.Number, situation, RecordParts.ResultOf(row),
            overruled is null ? row.ReadTerms() : Usable.Overrule(row.ReadTerms(), overruled.Against, wish.Reasons[overruled.Record], wish.By),
            row.Note, row.ProposedBy, approval.By, approval.At, places)
        {
            LimitsToday = overruled is null ? null : Gate.LimitsToday(row.Record, row, view),
        });
        return Leaf.Of(EditionFile.Write(published), row.Id, Text(places), words.Assembly, row.Words);
    }

    // A record as it is taken: the revision in force, or what the edition before has of it.
    private sealed record Chosen(string Record, int Revision, int RevisionId, int LeafId)
    {
        /// <summary>What stands against it, though it goes in.</summary>
        public IReadOnlyList<Bar> Against { get; init; } = [];

        public bool Equals(Chosen? other) => other is not null
            && (Record, Revision, RevisionId, LeafId) == (other.Record, other.Revision, other.RevisionId, other.LeafId)
            && Against.Select(b => b.Says.ToString()).SequenceEqual(other.Against.Select(b => b.Says.ToString()));

        public override int GetHashCode() => HashCode.Combine(Record, Revision, LeafId);
    }
}

using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Incisura.Core.Records;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Storage;

namespace Incisura.Data;

/// <summary>A change that is to be written into the history.</summary>
/// <param name="At">When.</param>
/// <param name="By">Sign-in name.</param>
/// <param name="Kind">Word for the kind of thing.</param>
/// <param name="ObjectId">Its identity within its kind; 0 where its name is its identity.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Act">What was done, as a code.</param>
public sealed record Change(DateTimeOffset At, string By, string Kind, int ObjectId, string Name, string Act)
{
    /// <summary>Absent approver in whose place it was done.</summary>
    public string InPlaceOf { get; init; } = "";

    /// <summary>Its revision.</summary>
    public int Number { get; init; }

    public string Reason { get; init; } = "";

    public IReadOnlyList<FieldDifference> Differences { get; init; } = [];

    /// <summary>SHA-256 of the whole content after the change.</summary>
    public string Content { get; init; } = "";
}

/// <summary>Something the history says differently from what lies in the database.</summary>
/// <param name="Entry">Number of the entry; 0 where one is missing.</param>
/// <param name="Says">What is wrong, in words.</param>
public sealed record ChronicleFault(long Entry, string Says);

/// <summary>What came of checking the history.</summary>
/// <param name="Entries">How many entries there are.</param>
/// <param name="Head">Hash of the last one; empty where there is none.</param>
/// <param name="Faults">What is wrong.</param>
public sealed record ChronicleCheck(long Entries, string Head, IReadOnlyList<ChronicleFault> Faults);

/// <summary>
/// The history of everything: each entry holds the hash of the one before, so that an entry which is altered, taken out or put in between is
/// found, and the hash of what the thing was afterwards, so that the thing itself is found altered too.
/// </summary>
public static partial class Chronicle
{
    /// <summary>Kind of entries about records.</summary>
    public const string RecordKind = "record", EditionKind = "edition", PersonKind = "person", AbsenceKind = "absence", ThreadKind = "thread",
        KeyKind = "key", DoorKind = "door";

    /// <summary>Acts that are no acts on records.</summary>
    public const string Added = "added", Changed = "changed", Published = "published", Commented = "commented",
        Made = "made", Read = "read", Reported = "reported", Decided = "decided", SignedIn = "signedIn",
        Refused = "refused", SignedOut = "signedOut", FactorMade = "factorMade", FactorRemoved = "factorRemoved",
        NewPassword = "newPassword", Invited = "invited", DataRemoved = "dataRemoved", TookAlong = "tookAlong",
        Together = "together", TookBack = "tookBackTogether";

    private const int Most = 200;

    /// <summary>What the tracked changes of library, shop, records and editions will be told as, once they are saved.</summary>
    internal static List<Func<Change>> Gather(ChangeTracker tracker)
    {
        List<Func<Change>> told = [];
        foreach (EntityEntry entry in tracker.Entries())
        {
            switch (entry.Entity)
            {
                case IStored stored when entry.State is EntityState.Added or EntityState.Modified:
                    string was = entry.State == EntityState.Added ? "" : stored.TextOf(entry.Property("Definition").OriginalValue!);
                    told.Add(() => Of(stored, was, stored.TextOf()));
                    break;
                case RecordEventRow happened when entry.State == EntityState.Added:
                    if (RevisionOf(tracker, happened) is not { } revision) break;
                    string before = revision.State == EntityState.Added ? "" : SaidBy(revision.OriginalValues);
                    told.Add(() => Of(revision.Entity, happened, before));
                    break;
                case CommentRow comment when entry.State == EntityState.Added:
                    told.Add(() => new(comment.At, comment.By, RecordKind, comment.RecordId, comment.RecordNumber, Commented)
                    {
                        Number = comment.Revision,
                        Reason = comment.Text,
                        Differences = comment.Figure.Length == 0 ? [] : [new("figure", null, JsonSerializer.Serialize(comment.Figure))],
                    });
                    break;
                case BatchRow batch when entry.State == EntityState.Added:
                    told.Add(() => new(batch.At, batch.By, batch.Kind, 0, batch.About, batch.TakesBack is null ? Together : TookBack)
                    {
                        Reason = batch.TakesBack is { } was ? $"{was.By}, {was.At:u}" : "",
                    });
                    break;
                case EditionRow edition when entry.State == EntityState.Added:
                    told.Add(() => Of(edition));
                    break;
                case EditionKeyRow key when entry.State == EntityState.Added:
                    told.Add(() => new(key.Since, key.By, KeyKind, 0, key.Id, Added));
                    break;
                case ReadingRow reading when entry.State == EntityState.Added:
                    told.Add(() => new(reading.At, reading.Person, EditionKind, reading.EditionNumber, $"edition {reading.EditionNumber}", Read));
                    break;
                case ThreadApprovalRow approval when entry.State is EntityState.Added or EntityState.Modified:
                    told.Add(() => new(approval.At, approval.By, ThreadKind, approval.ThreadId, approval.ThreadName, nameof(RecordAct.Approve))
                    {
                        Number = approval.Revision,
                    });
                    break;
            }
        }

        return told;
    }

    /// <summary>Begins the history of a file that was written before there was one.</summary>
    internal static async Task AdoptAsync(IncisuraDb db, CancellationToken cancel)
    {
        if (await db.Changes.AnyAsync(cancel)) return;
        List<Change> known = [];
        Dictionary<(string, int), (string Name, string Json)> last = [];
        Dictionary<(string, int), string> names = [];
        foreach (StoredText s in await db.AllStoredAsync(cancel)) names[(s.Kind, s.Id)] = s.Name;
        await foreach (Revision r in db.History.AsNoTracking().OrderBy(r => r.Number).AsAsyncEnumerable().WithCancellation(cancel))
        {
            (string Kind, int) thing = (r.Kind, r.ObjectId);
            string was = last.GetValueOrDefault(thing).Json ?? "";
            known.Add(StoredChange(r.At, r.By, r.Kind, r.ObjectId, names.GetValueOrDefault(thing, ""), r.Number, was, r.Json));
            last[thing] = ("", r.Json);
        }

        await foreach (RecordRow record in db.Records.AsNoTracking().Include(r => r.Revisions).ThenInclude(v => v.Events).AsSplitQuery()
            .OrderBy(r => r.Id).AsAsyncEnumerable().WithCancellation(cancel))
            foreach (RecordRevisionRow v in record.Revisions)
                foreach (RecordEventRow e in v.Events)
                    known.Add(new(e.At, e.By, RecordKind, record.Id, record.Number, e.Act.ToString())
                    {
                        Number = v.Number,
                        Reason = e.Reason,
                        Content = e == v.Events.MaxBy(x => x.Id) ? ContentOf(v) : "",
                    });
        foreach (EditionRow e in await db.Editions.AsNoTracking().ToListAsync(cancel))
            known.Add(Of(e));
        if (known.Count == 0) return;
        await using IDbContextTransaction transaction = await db.Database.BeginTransactionAsync(cancel);
        await AppendAsync(db, [.. known.OrderBy(c => c.At)], cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>
    /// Reads the whole history and everything it tells of, at one moment of the database whatever is written meanwhile, and says what does not
    /// fit together.
    /// </summary>
    /// <param name="db">The database.</param>
    /// <param name="hash">The hash of an entry that was noted elsewhere, which has to be among them; empty for none.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task<ChronicleCheck> CheckAsync(IncisuraDb db, string hash = "", CancellationToken cancel = default)
    {
        await db.Database.OpenConnectionAsync(cancel);
        await using SqliteTransaction moment = ((SqliteConnection)db.Database.GetDbConnection()).BeginTransaction(deferred: true);
        await using IDbContextTransaction? reading = await db.Database.UseTransactionAsync(moment, cancel);
        return await CheckNowAsync(db, hash, cancel);
    }

    private static async Task<ChronicleCheck> CheckNowAsync(IncisuraDb db, string hash, CancellationToken cancel)
    {
        List<ChronicleFault> faults = [];
        ChangeRow? before = null;
        Dictionary<(string, int, int), (long Entry, string Content)> told = [];
        Entries entries = new();
        bool noted = hash.Length == 0;
        await foreach (ChangeRow row in db.Changes.AsNoTracking().OrderBy(c => c.Id).AsAsyncEnumerable().WithCancellation(cancel))
        {
            if (row.Id != (before?.Id ?? 0) + 1) Add(row.Id, $"Entries between {before?.Id ?? 0} and {row.Id} are missing.");
            if (row.Hash != LinkOf(before?.Hash ?? "", row.Id, TellingOf(row)))
                Add(row.Id, $"Entry {row.Id}, about {row.Kind} {row.Name}, was altered, or one before it.");
            noted |= row.Hash.Equals(hash, StringComparison.OrdinalIgnoreCase);
            entries.Take(row);
            if (row.Content.Length > 0 && row.Kind != PersonKind) told[(row.Kind, row.ObjectId, row.Number)] = (row.Id, row.Content);
            before = row;
        }

        if (!noted) Add(0, "No entry has the hash that was noted: the history was written anew, or its end is missing.");
        HashSet<(string, int, int)> seen = [];
        HashSet<(string, int)> things = [];
        await foreach (Revision r in db.History.AsNoTracking().AsAsyncEnumerable().WithCancellation(cancel))
            Compare(r.Kind, r.ObjectId, r.Number, RecordParts.HashOf(r.Json), $"{r.Kind} {r.ObjectId} revision {r.Number}");
        foreach (StoredText s in await db.AllStoredAsync(cancel))
        {
            things.Add((s.Kind, s.Id));
            if (told.ContainsKey((s.Kind, s.Id, s.Revision + 1))) Add(0, $"{s.Kind} {s.Name} is an earlier revision than the history's last.");
            if (!seen.Contains((s.Kind, s.Id, s.Revision))) Add(0, $"{s.Kind} {s.Name} revision {s.Revision} is missing among the revisions kept.");
            Compare(s.Kind, s.Id, s.Revision, RecordParts.HashOf(s.Json), $"{s.Kind} {s.Name}");
        }

        foreach ((string kind, int id, _) in told.Keys.Where(k => k.Item1 is not (RecordKind or EditionKind) && !things.Contains((k.Item1, k.Item2)))
            .DistinctBy(k => (k.Item1, k.Item2)))
            Add(0, $"{kind} {id} is told, and is not there any more.");
        await foreach (RecordRevisionRow v in db.RecordRevisions.AsNoTracking().Include(v => v.Record).AsAsyncEnumerable().WithCancellation(cancel))
            Compare(RecordKind, v.RecordId, v.Number, ContentOf(v), $"{v.Record!.Number} revision {v.Number}");
        foreach (EditionRow e in await db.Editions.AsNoTracking().ToListAsync(cancel))
            Compare(EditionKind, e.Number, 0, e.Digest, $"Edition {e.Number}");
        await foreach (PartRow p in db.Parts.AsNoTracking().AsAsyncEnumerable().WithCancellation(cancel))
            if (RecordParts.HashOf(p.Json) != p.Hash) Add(0, $"A {p.Kind} that records rest on was altered ({p.Hash[..12]}).");
        foreach (string fault in await EditionStore.FaultsAsync(db, cancel)) Add(0, fault);
        foreach (((string kind, int id, int number), (long entry, _)) in told)
            if (!seen.Contains((kind, id, number))) Add(entry, $"Entry {entry} tells of {kind} {id} revision {number}, which is not there any more.");
        await HoldAsync(db, entries, says => Add(0, says), cancel);
        return new(before?.Id ?? 0, before?.Hash ?? "", faults);

        void Compare(string kind, int id, int number, string content, string words)
        {
            seen.Add((kind, id, number));
            if (!told.TryGetValue((kind, id, number), out var entry)) Add(0, $"{words} is told by no entry.");
            else if (entry.Content != content) Add(entry.Entry, $"{words} is not what entry {entry.Entry} wrote.");
        }

        void Add(long entry, string says)
        {
            if (faults.Count < Most) faults.Add(new(entry, says));
        }
    }

    private static Change Of(EditionRow e) =>
        new(e.PublishedAt, e.PublishedBy, EditionKind, e.Number, $"edition {e.Number}", Published) { Reason = e.Note, Content = e.Digest };

    /// <summary>What a change of library or shop is told as.</summary>
    internal static Change Of(IStored stored, string was, string now) => StoredChange(
        stored.ChangedAt, stored.ChangedBy, stored.Kind, stored.Id, stored.Name, stored.Revision, was, now);

    private static Change StoredChange(DateTimeOffset at, string by, string kind, int id, string name, int number, string was, string now) =>
        new(at, by, kind, id, name, was.Length == 0 ? Added : Changed)
        {
            Number = number,
            Differences = was.Length == 0 ? [] : Differences.Of(was, now),
            Content = RecordParts.HashOf(now),
        };

    private static EntityEntry<RecordRevisionRow>? RevisionOf(ChangeTracker tracker, RecordEventRow happened) =>
        tracker.Entries<RecordRevisionRow>().FirstOrDefault(r => r.Entity.Events.Contains(happened));

    private static Change Of(RecordRevisionRow row, RecordEventRow happened, string before) =>
        new(happened.At, happened.By, RecordKind, row.RecordId, row.Record?.Number ?? "", happened.Act.ToString())
        {
            InPlaceOf = happened.InPlaceOf,
            Number = row.Number,
            Reason = happened.Reason,
            Differences = before.Length == 0 ? [] : Differences.Of(before, Said(row.Choices, row.Note, row.Terms)),
            Content = ContentOf(row),
        };

    private static string SaidBy(PropertyValues values) => Said(
        (string)values[nameof(RecordRevisionRow.Choices)]!, (string)values[nameof(RecordRevisionRow.Note)]!,
        (string)values[nameof(RecordRevisionRow.Terms)]!);

    // What people chose and wrote; figures follow from it.
    private static string Said(string choices, string note, string terms)
    {
        Terms said = terms.Length == 0 ? Terms.None : DefinitionFormat.Read<Terms>(terms);
        JsonObject all = new()
        {
            ["chosen"] = JsonNode.Parse(choices),
            ["note"] = note,
            ["evidence"] = JsonNode.Parse(DefinitionFormat.Write(said.Evidence)),
            ["until"] = said.Until?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            ["pieces"] = said.Pieces,
            ["accepted"] = new JsonObject(said.Accepted.Select(a => KeyValuePair.Create(a.Text, (JsonNode?)a.Reason))),
        };
        return all.ToJsonString();
    }

    private static string ContentOf(RecordRevisionRow row) => RecordParts.HashOf(
        string.Join('\n', row.State, row.Choices, row.Footings, row.Result, row.Note, row.Terms));
}

using System.Data.Common;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace Incisura.Data;

/// <summary>A published record to be kept.</summary>
/// <param name="Hash">SHA-256 of its canonical JSON.</param>
/// <param name="Packed">Its canonical JSON, packed.</param>
/// <param name="RevisionId">The revision it was made of; 0 for none that is known.</param>
/// <param name="Places">Where its assembly stands.</param>
/// <param name="Assembly">Number of its assembly.</param>
/// <param name="Words">Its situation in words, JSON.</param>
public sealed record Leaf(string Hash, byte[] Packed, int RevisionId, string Places, string Assembly, string Words)
{
    /// <summary>A published record, packed.</summary>
    public static Leaf Of(byte[] json, int revisionId, string places, string assembly, string words) =>
        new(EditionStore.Sha256(json), Data.Packed.Pack(json), revisionId, places, assembly, words);
}

/// <summary>
/// The bytes of editions. Each published record is kept once for all editions it is the same in; an edition's file is what stands before the
/// records, the records parted by commas, and what stands after them, returned exactly as it was hashed and signed.
/// </summary>
public static class EditionStore
{
    private const int Batch = 256;

    private static readonly byte[] Comma = ","u8.ToArray();

    /// <summary>SHA-256 of bytes, in small hexadecimal letters.</summary>
    public static string Sha256(ReadOnlySpan<byte> bytes) => Convert.ToHexStringLower(SHA256.HashData(bytes));

    /// <summary>Identities of the leaves of some published records; those that are not kept yet are kept now.</summary>
    /// <param name="db">The database.</param>
    /// <param name="leaves">The records.</param>
    /// <param name="cancel">Stops it.</param>
    /// <returns>In the order they were given.</returns>
    public static async Task<IReadOnlyList<int>> KeepAsync(IncisuraDb db, IReadOnlyList<Leaf> leaves, CancellationToken cancel = default)
    {
        await using IDbContextTransaction? own = db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync(cancel) : null;
        await using (DbCommand insert = Command(
            db,
            """
            INSERT OR IGNORE INTO "EditionLeaves" ("Hash", "Json", "RevisionId", "Places", "Assembly", "Words")
            VALUES ($hash, $json, $revision, $places, $assembly, $words)
            """))
        {
            foreach (Leaf leaf in leaves)
            {
                Set(
                    insert, ("$hash", leaf.Hash), ("$json", leaf.Packed), ("$revision", leaf.RevisionId), ("$places", leaf.Places),
                    ("$assembly", leaf.Assembly), ("$words", leaf.Words));
                await insert.ExecuteNonQueryAsync(cancel);
            }
        }

        if (own is not null) await own.CommitAsync(cancel);
        List<string> hashes = [.. leaves.Select(l => l.Hash)];
        Dictionary<string, int> ids = await db.EditionLeaves.AsNoTracking().Where(l => hashes.Contains(l.Hash))
            .Select(l => new { l.Hash, l.Id }).ToDictionaryAsync(l => l.Hash, l => l.Id, cancel);
        return hashes.ConvertAll(h => ids[h]);
    }

    private static DbCommand Command(IncisuraDb db, string sql)
    {
        DbCommand command = db.Database.GetDbConnection().CreateCommand();
        command.Transaction = db.Database.CurrentTransaction?.GetDbTransaction()
            ?? throw new InvalidOperationException("An edition is written in a transaction.");
        command.CommandText = sql;
        return command;
    }

    private static void Set(DbCommand command, params ReadOnlySpan<(string Name, object Value)> parameters)
    {
        command.Parameters.Clear();
        foreach ((string name, object value) in parameters) command.Parameters.Add(new Microsoft.Data.Sqlite.SqliteParameter(name, value));
    }

    /// <summary>The canonical JSON of a leaf.</summary>
    public static byte[] JsonOf(EditionLeafRow leaf) => Packed.Unpack(leaf.Json);

    /// <summary>Gives the bytes of an edition piece by piece.</summary>
    /// <param name="db">The database.</param>
    /// <param name="head">Bytes before the records.</param>
    /// <param name="leafIds">The records, in their order.</param>
    /// <param name="tail">Bytes after the records.</param>
    /// <param name="take">Takes each piece.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task EachPieceAsync(
        IncisuraDb db, byte[] head, IReadOnlyList<int> leafIds, byte[] tail, Func<ReadOnlyMemory<byte>, ValueTask> take, CancellationToken cancel)
    {
        await take(head);
        bool first = true;
        foreach (int[] batch in leafIds.Chunk(Batch))
        {
            Dictionary<int, byte[]> packed = await db.EditionLeaves.AsNoTracking().Where(l => batch.Contains(l.Id))
                .Select(l => new { l.Id, l.Json }).ToDictionaryAsync(l => l.Id, l => l.Json, cancel);
            foreach (int id in batch)
            {
                if (!first) await take(Comma);
                first = false;
                await take(Packed.Unpack(packed[id]));
            }
        }

        await take(tail);
    }

    /// <summary>The leaves of an edition, in the order of its records.</summary>
    public static Task<List<int>> LeafIdsAsync(IncisuraDb db, int edition, CancellationToken cancel = default) => db.EditionLines.AsNoTracking()
        .Where(l => l.EditionNumber == edition).OrderBy(l => l.RecordNumber).Select(l => l.LeafId).ToListAsync(cancel);

    /// <summary>Writes the file of an edition.</summary>
    public static async Task WriteAsync(IncisuraDb db, EditionFileRow file, Stream to, CancellationToken cancel = default) =>
        await EachPieceAsync(
            db, file.Head, await LeafIdsAsync(db, file.EditionNumber, cancel), file.Tail, piece => to.WriteAsync(piece, cancel), cancel);

    /// <summary>SHA-256 and number of bytes of a file put together of these pieces.</summary>
    public static async Task<(string Sha256, byte[] Hash, long Size)> DigestAsync(
        IncisuraDb db, byte[] head, IReadOnlyList<int> leafIds, byte[] tail, CancellationToken cancel = default)
    {
        using IncrementalHash hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        long size = 0;
        await EachPieceAsync(
            db, head, leafIds, tail,
            piece =>
            {
                hash.AppendData(piece.Span);
                size += piece.Length;
                return ValueTask.CompletedTask;
            },
            cancel);
        byte[] bytes = hash.GetHashAndReset();
        return (Convert.ToHexStringLower(bytes), bytes, size);
    }

    /// <summary>Writes an edition with its file and its lines, within the caller's transaction.</summary>
    public static async Task AddAsync(IncisuraDb db, EditionRow? edition, EditionFileRow file, IEnumerable<EditionLineRow> lines)
    {
        if (edition is not null) db.Add(edition);
        db.Add(file);
        await db.SaveChangesAsync();

        // One statement, so that others wait for it no longer than they must.
        await using DbCommand insert = Command(
            db,
            """
            INSERT INTO "EditionLines" ("EditionNumber", "RecordNumber", "Revision", "LeafId")
            SELECT $edition, value ->> 0, value ->> 1, value ->> 2 FROM json_each($lines)
            """);
        Set(
            insert, ("$edition", file.EditionNumber),
            ("$lines", JsonSerializer.Serialize(lines.Select(l => new object[] { l.RecordNumber, l.Revision, l.LeafId }))));
        await insert.ExecuteNonQueryAsync();
    }

    /// <summary>What is wrong with the editions that are kept: bytes that are not those that were hashed.</summary>
    public static async Task<IReadOnlyList<string>> FaultsAsync(IncisuraDb db, CancellationToken cancel = default)
    {
        List<string> faults = [];
        foreach (EditionFileRow file in await db.EditionFiles.AsNoTracking().OrderBy(f => f.EditionNumber).ToListAsync(cancel))
        {
            try
            {
                var (sha256, _, _) = await DigestAsync(
                    db, file.Head, await LeafIdsAsync(db, file.EditionNumber, cancel), file.Tail, cancel);
                if (sha256 != file.Sha256) faults.Add($"The file of edition {file.EditionNumber} is not what was published.");
            }
            catch (Exception broken) when (broken is InvalidDataException or InvalidOperationException or KeyNotFoundException)
            {
                faults.Add($"The file of edition {file.EditionNumber} cannot be put together: {broken.Message}");
            }
        }

        await foreach (EditionRow old in db.Editions.AsNoTracking().Include(e => e.Entries).Where(e => e.Entries.Count > 0).AsAsyncEnumerable()
            .WithCancellation(cancel))
            if (EntriesDigest(old.Entries.OrderBy(e => e.RecordNumber, StringComparer.Ordinal)) != old.Digest)
                faults.Add($"The entries of edition {old.Number} are not what was published.");
        return faults;
    }

    /// <summary>Digest of entries as editions had it before they were files.</summary>
    private static string EntriesDigest(IEnumerable<EditionEntryRow> entries)
    {
        using IncrementalHash hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        foreach (EditionEntryRow e in entries)
            hash.AppendData(
                Encoding.UTF8.GetBytes(
                    string.Join('\n', e.RecordNumber, e.Revision, e.Note, e.ApprovedBy, e.Choices, e.Situation, e.Result, e.Terms)));
        return Convert.ToHexStringLower(hash.GetHashAndReset());
    }
}

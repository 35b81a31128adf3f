using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace Incisura.Data;

/// <summary>How entries are chained and written.</summary>
public static partial class Chronicle
{
    // Columns that do not depend on the entry before.
    private static readonly string[] Told =
        ["At", "By", "InPlaceOf", "Kind", "ObjectId", "Name", "Number", "Act", "Reason", "Changes", "Content", "Search"];

    private static readonly string ToldColumns = string.Join(", ", Told.Select(c => $"\"{c}\"")),
        ToldValues = string.Join(", ", Told.Select(c => "$" + c));

    /// <summary>Puts changes at the end, within the caller's transaction.</summary>
    public static async Task AppendAsync(IncisuraDb db, IReadOnlyCollection<Change> changes, CancellationToken cancel = default)
    {
        if (changes.Count == 0) return;
        (long id, string hash) = await LastAsync(db, cancel);
        await using SqliteCommand insert = Insert(
            db, $"INSERT INTO \"Changes\" (\"Id\", \"Hash\", {ToldColumns}) VALUES ($Id, $Hash, {ToldValues})", ["Id", "Hash", .. Told]);
        foreach (ChangeRow row in changes.Select(RowOf))
        {
            hash = LinkOf(hash, ++id, TellingOf(row));
            await RunAsync(insert, [id, hash, .. ValuesOf(row)], cancel);
        }
    }

    /// <summary>Writes down what many changes will be told as into the connection's own table `Told`, where nobody waits for it.</summary>
    /// <returns>What is chained of each, for <see cref="MoveInAsync"/>.</returns>
    internal static async Task<IReadOnlyList<string>> StageAsync(IncisuraDb db, IReadOnlyCollection<Change> changes, CancellationToken cancel)
    {
        await using SqliteCommand insert = Insert(db, $"INSERT INTO temp.\"Told\" ({ToldColumns}) VALUES ({ToldValues})", Told);
        List<string> tellings = new(changes.Count);
        foreach (ChangeRow row in changes.Select(RowOf))
        {
            cancel.ThrowIfCancellationRequested();
            await RunAsync(insert, ValuesOf(row), cancel);
            tellings.Add(TellingOf(row));
        }

        return tellings;
    }

    /// <summary>Chains what was staged to the entry that is the last one now, within the caller's transaction.</summary>
    internal static async Task MoveInAsync(IncisuraDb db, IReadOnlyCollection<string> tellings, CancellationToken cancel)
    {
        (long id, string hash) = await LastAsync(db, cancel);
        List<string> hashes = new(tellings.Count);
        foreach (string telling in tellings) hashes.Add(hash = LinkOf(hash, id + hashes.Count + 1, telling));
        await using SqliteCommand move = Insert(
            db,
            $"""
            INSERT INTO main."Changes" ("Id", "Hash", {ToldColumns})
            SELECT $Last + t.rowid, h.value, {ToldColumns} FROM json_each($Hashes) h JOIN temp."Told" t ON t.rowid = h.key + 1
            """,
            ["Last", "Hashes"]);
        await RunAsync(move, [id, JsonSerializer.Serialize(hashes)], cancel);
    }

    /// <summary>Makes the connection's own table for <see cref="StageAsync"/>, empty.</summary>
    internal static readonly string StageTable = $"DROP TABLE IF EXISTS temp.\"Told\"; CREATE TEMP TABLE \"Told\" ({ToldColumns})";

    private static async Task<(long Id, string Hash)> LastAsync(IncisuraDb db, CancellationToken cancel)
    {
        var last = await db.Changes.OrderByDescending(c => c.Id).Select(c => new { c.Id, c.Hash }).FirstOrDefaultAsync(cancel);
        return last is null ? (0, "") : (last.Id, last.Hash);
    }

    private static SqliteCommand Insert(IncisuraDb db, string sql, IEnumerable<string> names)
    {
        SqliteCommand command = ((SqliteConnection)db.Database.GetDbConnection()).CreateCommand();
        command.Transaction = (SqliteTransaction?)db.Database.CurrentTransaction?.GetDbTransaction()
            ?? throw new InvalidOperationException("History is written in the transaction of what it tells.");
        command.CommandText = sql;
        foreach (string name in names) command.Parameters.Add(new() { ParameterName = "$" + name });
        return command;
    }

    private static Task<int> RunAsync(SqliteCommand command, ReadOnlySpan<object> values, CancellationToken cancel)
    {
        for (int i = 0; i < values.Length; i++) command.Parameters[i].Value = values[i];
        return command.ExecuteNonQueryAsync(cancel);
    }

    private static ChangeRow RowOf(Change c) => new()
    {
        At = DateTimeOffset.FromUnixTimeMilliseconds(c.At.ToUnixTimeMilliseconds()),
        By = c.By,
        InPlaceOf = c.InPlaceOf,
        Kind = c.Kind,
        ObjectId = c.ObjectId,
        Name = c.Name,
        Number = c.Number,
        Act = c.Act,
        Reason = c.Reason,
        Changes = DefinitionFormat.Write(c.Differences),
        Content = c.Content,
        Hash = "",
        Search = string.Join(
            ' ', c.By, c.Kind, c.Name, c.Act, c.Reason, string.Join(' ', c.Differences.Select(d => $"{d.Field} {d.From} {d.To}")))
            .ToLowerInvariant(),
    };

    // In the order of the columns.
    private static object[] ValuesOf(ChangeRow c) =>
    [
        c.At.ToUnixTimeMilliseconds(), c.By, c.InPlaceOf, c.Kind, c.ObjectId, c.Name, c.Number, c.Act, c.Reason, c.Changes, c.Content, c.Search,
    ];

    // All that an entry says, but the words it is found by, as the end of a JSON list.
    private static string TellingOf(ChangeRow c) => JsonSerializer.Serialize(ValuesOf(c)[..^1])[1..];

    // The list begins with the entry before and with its own place.
    private static string LinkOf(string before, long id, string telling) =>
        RecordParts.HashOf(FormattableString.Invariant($"[{JsonSerializer.Serialize(before)},{id},{telling}"));
}

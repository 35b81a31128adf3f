using Incisura.Core.Records;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Data;

/// <summary>One of many things that are written together.</summary>
/// <param name="After">The thing as it will stand: its identity, its next revision, who and when.</param>
/// <param name="Was">Its definition until now, as it is written down; empty for a new one.</param>
public sealed record StagedThing(IStored After, string Was);

/// <summary>
/// Writes many things as one. Whatever takes long is done beside the tables, in a temporary one that belongs to the connection alone; then
/// one short transaction moves all of it in. Others save meanwhile, and a stop or a kill before the end leaves nothing behind.
/// </summary>
public static class Staging
{
    private const int Chunk = 1000;

    /// <summary>Keeps identities for new things, so that they can name each other before they are written. Those not used stay free.</summary>
    /// <returns>The first of them.</returns>
    public static async Task<int> ReserveAsync<TStored>(IncisuraDb db, int count, CancellationToken cancel)
        where TStored : class, IStored
    {
        string table = TableOf<TStored>(db);
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync(
            $"INSERT INTO sqlite_sequence (name, seq) SELECT {table}, 0 WHERE NOT EXISTS (SELECT 1 FROM sqlite_sequence WHERE name = {table})",
            cancel);
        int last = await db.Database.SqlQuery<int>($"SELECT seq AS Value FROM sqlite_sequence WHERE name = {table}").SingleAsync(cancel);
        await db.Database.ExecuteSqlAsync($"UPDATE sqlite_sequence SET seq = {last + count} WHERE name = {table}", cancel);
        await transaction.CommitAsync(cancel);
        return last + 1;
    }

    /// <summary>Writes things whose rows have no columns beside those of every stored thing.</summary>
    /// <param name="db">The database; its connection is kept open to the end.</param>
    /// <param name="things">What is written.</param>
    /// <param name="reached">Told how many have been made ready.</param>
    /// <param name="turn">Waits until nobody else changes library or shop; asked for the last step only.</param>
    /// <param name="cancel">Stops it; nothing is written then.</param>
    /// <exception cref="RuleException">One was changed since it was looked at, or a name is taken.</exception>
    public static async Task WriteAsync<TStored>(
        IncisuraDb db, IReadOnlyCollection<StagedThing> things, Action<int> reached, Func<CancellationToken, Task<IDisposable>> turn,
        CancellationToken cancel)
        where TStored : class, IStored
    {
        string table = TableOf<TStored>(db);
        await db.Database.OpenConnectionAsync(cancel);
        try
        {
            await SqlAsync(
                """
                DROP TABLE IF EXISTS temp."Staged";
                CREATE TEMP TABLE "Staged" (
                    "Id" INTEGER PRIMARY KEY, "Name" TEXT COLLATE NOCASE, "Revision" INTEGER, "ChangedBy" TEXT, "ChangedAt" INTEGER,
                    "Definition" TEXT)
                """);
            await SqlAsync(Chronicle.StageTable);
            List<string> tellings = new(things.Count);
            foreach (StagedThing[] chunk in things.Chunk(Chunk))
            {
                tellings.AddRange(await StageAsync(db, chunk, cancel));
                reached(tellings.Count);
            }

            using IDisposable mine = await turn(cancel);
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            await RefuseAsync(
                $"""
                SELECT t."ChangedBy" || ' changed ' || t."Name" || ' since the rows were looked at. Look at them again, then write.' AS "Value"
                FROM temp."Staged" s JOIN main."{table}" t ON t."Id" = s."Id" WHERE t."Revision" <> s."Revision" - 1
                """,
                "lost-race");
            await RefuseAsync(
                $"""
                SELECT 'There is a ' || t."Name" || ' already since the rows were looked at. Look at them again, then write.' AS "Value"
                FROM temp."Staged" s JOIN main."{table}" t ON t."Name" = s."Name" WHERE t."Id" <> s."Id"
                """,
                "lost-race");
            await SqlAsync(
                $"""
                INSERT INTO main."{table}" ("Id", "Name", "Revision", "ChangedBy", "ChangedAt", "Definition")
                SELECT "Id", "Name", "Revision", "ChangedBy", "ChangedAt", "Definition" FROM temp."Staged" WHERE "Revision" = 1 ORDER BY "Id";
                UPDATE main."{table}" AS t SET "Name" = s."Name", "Revision" = s."Revision", "ChangedBy" = s."ChangedBy",
                    "ChangedAt" = s."ChangedAt", "Definition" = s."Definition"
                FROM temp."Staged" s WHERE s."Id" = t."Id" AND s."Revision" > 1;
                """);
            await SqlAsync(
                """
                INSERT INTO main."Revisions" ("Kind", "ObjectId", "Number", "At", "By", "Json")
                SELECT @p0, "Id", "Revision", "ChangedAt", "ChangedBy", "Definition" FROM temp."Staged" ORDER BY "Id"
                """,
                things.First().After.Kind);
            await Chronicle.MoveInAsync(db, tellings, cancel);
            await transaction.CommitAsync(cancel);
        }
        finally
        {
            // The connection goes back to the pool, and somebody else gets it.
            await db.Database.ExecuteSqlRawAsync("""DROP TABLE IF EXISTS temp."Staged"; DROP TABLE IF EXISTS temp."Told" """, CancellationToken.None);
            await db.Database.CloseConnectionAsync();
        }

#pragma warning disable EF1002, EF1003 // The table's name comes from the model.
        Task SqlAsync(string sql, params object[] values) => db.Database.ExecuteSqlRawAsync(sql, values, cancel);

        async Task RefuseAsync(string sql, string code)
        {
            if (await db.Database.SqlQueryRaw<string>(sql + " LIMIT 1").ToListAsync(cancel) is [var found]) throw new RuleException(code, found);
        }
#pragma warning restore EF1002, EF1003
    }

    // Deferred, so that a write to the temporary table does not hold up those who write to the others.
    private static async Task<IReadOnlyList<string>> StageAsync(IncisuraDb db, StagedThing[] things, CancellationToken cancel)
    {
        SqliteConnection connection = (SqliteConnection)db.Database.GetDbConnection();
        await using SqliteTransaction transaction = connection.BeginTransaction(deferred: true);
        await using var shared = await db.Database.UseTransactionAsync(transaction, cancel);
        List<Change> told = new(things.Length);
        await using SqliteCommand insert = connection.CreateCommand();
        insert.Transaction = transaction;
        insert.CommandText = """INSERT INTO temp."Staged" VALUES ($id, $name, $revision, $by, $at, $definition)""";
        foreach (string name in (string[])["$id", "$name", "$revision", "$by", "$at", "$definition"])
            insert.Parameters.Add(new() { ParameterName = name });
        foreach ((IStored after, string was) in things)
        {
            cancel.ThrowIfCancellationRequested();
            string text = after.TextOf();
            object[] values = [after.Id, after.Name, after.Revision, after.ChangedBy, after.ChangedAt.ToUnixTimeMilliseconds(), text];
            for (int i = 0; i < values.Length; i++) insert.Parameters[i].Value = values[i];
            await insert.ExecuteNonQueryAsync(cancel);
            told.Add(Chronicle.Of(after, was, text));
        }

        IReadOnlyList<string> tellings = await Chronicle.StageAsync(db, told, cancel);
        await shared!.CommitAsync(cancel);
        return tellings;
    }

    private static string TableOf<TStored>(IncisuraDb db) => db.Model.FindEntityType(typeof(TStored))!.GetTableName()!;
}

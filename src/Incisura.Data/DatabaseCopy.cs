using Microsoft.Data.Sqlite;

namespace Incisura.Data;

/// <summary>Copies of a database that is being written to: whole, of one moment, checked, and there either completely or not at all.</summary>
public static class DatabaseCopy
{
    /// <summary>Copies a database to a file, in place of what is there.</summary>
    /// <param name="from">The database.</param>
    /// <param name="to">The copy.</param>
    /// <param name="cancel">Stops it before the copy takes its place.</param>
    /// <exception cref="SqliteException">The database cannot be read, or the copy not be written.</exception>
    /// <exception cref="InvalidDataException">What was copied is not sound.</exception>
    public static async Task MakeAsync(string from, string to, CancellationToken cancel = default)
    {
        string folder = Path.GetDirectoryName(Path.GetFullPath(to))!, part = to + ".part";
        if (!Directory.Exists(folder)) Directory.CreateDirectory(folder);
        try
        {
            Private(part);
            await using (SqliteConnection source = new($"Data Source={from};Mode=ReadOnly;Pooling=False"))
            await using (SqliteConnection copy = new($"Data Source={part};Pooling=False"))
            {
                await source.OpenAsync(cancel);
                await copy.OpenAsync(cancel);

                // In one go: a moment of the database, whatever is written to it meanwhile.
                source.BackupDatabase(copy);
                await RunAsync(copy, "PRAGMA journal_mode = DELETE", cancel);
            }

            cancel.ThrowIfCancellationRequested();
            if (await FaultAsync(part, cancel) is { } fault) throw new InvalidDataException($"The copy is not sound: {fault}");
            await using (FileStream written = new(part, FileMode.Open, FileAccess.ReadWrite)) written.Flush(flushToDisk: true);
            File.Move(part, to, overwrite: true);
        }
        finally
        {
            foreach (string end in (string[])["", "-journal", "-wal", "-shm"]) File.Delete(part + end);
        }
    }

    /// <summary>What is wrong with a file as a database; null where it is sound.</summary>
    public static async Task<string?> FaultAsync(string file, CancellationToken cancel = default)
    {
        try
        {
            await using SqliteConnection connection = new($"Data Source={file};Mode=ReadOnly;Pooling=False");
            await connection.OpenAsync(cancel);
            await using SqliteCommand check = connection.CreateCommand();
            check.CommandText = "PRAGMA quick_check(1)";
            string said = (string)(await check.ExecuteScalarAsync(cancel))!;
            return said == "ok" ? null : said;
        }
        catch (SqliteException broken)
        {
            return broken.Message;
        }
    }

    /// <summary>Makes a file that only its owner reads, where there is none yet; what a database writes beside it is as private.</summary>
    public static void Private(string file)
    {
        FileStreamOptions owner = new() { Mode = FileMode.OpenOrCreate, Access = FileAccess.ReadWrite };
        if (!OperatingSystem.IsWindows()) owner.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        using FileStream made = new(file, owner);
    }

    private static async Task RunAsync(SqliteConnection connection, string sql, CancellationToken cancel)
    {
        await using SqliteCommand command = connection.CreateCommand();
        command.CommandText = sql;
        await command.ExecuteNonQueryAsync(cancel);
    }
}

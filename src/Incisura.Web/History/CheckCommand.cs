using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.History;

/// <summary>`check [FILE]`: reads a database without changing it, and says whether all of it is what the history wrote.</summary>
public static class CheckCommand
{
    /// <summary>Word that calls it.</summary>
    public const string Word = "check";

    /// <summary>Checks a file.</summary>
    /// <returns>0 where everything is in order, 1 where something is wrong, 2 where the file cannot be read.</returns>
    /// <param name="file">The database.</param>
    /// <param name="says">Where to say it.</param>
    /// <param name="hash">The hash of an entry that was noted elsewhere; empty for none.</param>
    public static async Task<int> RunAsync(string file, TextWriter says, string hash = "")
    {
        if (!File.Exists(file))
        {
            await says.WriteLineAsync($"There is no file {file}.");
            return 2;
        }

        try
        {
            await using IncisuraDb db = new(new DbContextOptionsBuilder<IncisuraDb>().UseSqlite($"Data Source={file};Mode=ReadOnly").Options);
            List<string> faults = await db.Database.SqlQueryRaw<string>("SELECT integrity_check AS Value FROM pragma_integrity_check").ToListAsync();
            faults.Remove("ok");
            if ((await db.Database.GetPendingMigrationsAsync()).Any())
            {
                await says.WriteLineAsync($"{file} was written by an earlier version. Start this one on a copy of it first, and check that.");
                return 2;
            }

            ChronicleCheck check = await Chronicle.CheckAsync(db, hash);
            foreach (string fault in faults.Concat(check.Faults.Select(f => f.Says))) await says.WriteLineAsync(fault);
            if (faults.Count + check.Faults.Count > 0) return 1;
            await says.WriteLineAsync($"{check.Entries} entries, all in order. The last one is {check.Head}.");
            return 0;
        }
        catch (SqliteException broken)
        {
            await says.WriteLineAsync($"{file} cannot be read as a database of Incisura: {broken.Message}");
            return 2;
        }
    }
}

using Incisura.Core.Records;
using Incisura.Web.Find;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Lookup;

/// <summary>Keeps what was looked for and not found, so that the tooling engineer sees what is missing.</summary>
public static class Misses
{
    /// <summary>Notes a question that found nothing, where it names two things at least and all of its words are understood.</summary>
    public static async Task NoteAsync(string question, Actor by, IncisuraDb db, ShelfView view, DateTimeOffset now)
    {
        Asked asked = Asked.Of(question, view);
        string operation = asked.Operations is [var only] ? only.Code : "";
        int named = new[] { asked.CutterId, asked.MaterialId, asked.MachineId }.Count(id => id != 0) + (operation.Length > 0 ? 1 : 0);

        // A word that names nothing may be half a word that is still being typed.
        if (named < 2 || (asked.Rest > 0 && operation.Length == 0)) return;
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO "Misses" ("CutterId", "MaterialId", "MachineId", "Operation", "Times", "LastAt", "LastBy")
            VALUES ({asked.CutterId}, {asked.MaterialId}, {asked.MachineId}, {operation}, 1, {now.ToUnixTimeMilliseconds()}, {by.Name})
            ON CONFLICT ("CutterId", "MaterialId", "MachineId", "Operation")
            DO UPDATE SET "Times" = "Times" + 1, "LastAt" = excluded."LastAt", "LastBy" = excluded."LastBy"
            """);
    }
}

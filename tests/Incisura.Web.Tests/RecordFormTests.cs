using System.Text.Json.Nodes;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Records;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

/// <summary>How records are kept: what they rest on once for each content, their own part small, and older files taken apart.</summary>
public sealed class RecordFormTests(SharedWorkshop workshop)
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private async Task<T> WithAsync<T>(Func<IncisuraDb, Task<T>> ask)
    {
        using IServiceScope scope = workshop.Services.CreateScope();
        return await ask(scope.ServiceProvider.GetRequiredService<IncisuraDb>());
    }

    [Fact]
    public async Task Things_are_kept_once_and_a_records_own_part_is_a_few_kilobytes()
    {
        List<RecordRevisionRow> rows = await WithAsync(db => db.RecordRevisions.AsNoTracking().Include(r => r.Record).ToListAsync(Cancel));
        List<PartRow> parts = await WithAsync(db => db.Parts.AsNoTracking().ToListAsync(Cancel));
        Assert.All(parts, p => Assert.Equal(p.Hash, RecordPartsHash(p.Json)));
        Assert.All(parts, p => Assert.True(p.Json.Length < 6000, $"{p.Kind} of {p.Json.Length}"));
        Assert.All(rows, r => Assert.True(r.Choices.Length + r.Footings.Length + r.Words.Length + r.Derivation.Length < 12_000));

        // Every record names seven things or more, and they share most of them.
        Assert.True(parts.Count < 5 * rows.Count);
        Assert.Single(parts, p => p.Kind == "machine" && p.Json.Contains("Brindle", StringComparison.Ordinal));
    }

    private static string RecordPartsHash(string json) =>
        Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(json)));

    [Fact]
    public async Task What_was_put_together_again_comes_to_the_same_figures()
    {
        ShelfView view = await workshop.ShelfAsync();
        List<RecordRevisionRow> rows = await WithAsync(db => db.RecordRevisions.AsNoTracking().Include(r => r.Record).ToListAsync(Cancel));
        IReadOnlyDictionary<int, Situation> situations = await WithAsync(db => RecordParts.SituationsAsync(db, rows, Cancel));
        foreach (RecordRevisionRow row in rows)
        {
            IOperation operation = Operations.Find(row.Record!.Operation)!;
            Situation whole = view.SituationOf(row.Record.MaterialId, row.Record.AssemblyId, row.Record.MachineId)!;
            Choices choices = DefinitionFormat.Read<Choices>(row.Choices);
            CalculationResult kept = RecordParts.WholeResultOf(row), then = operation.Calculate(situations[row.Id], choices, explain: true, Cancel),
                now = operation.Calculate(whole, choices, explain: true, Cancel);
            Assert.Equal(now.Figures, then.Figures);
            Assert.Equal(now.Figures, kept.Figures);
            Assert.Equal(now.Givens, kept.Givens);
            Assert.Equal(now.Steps.Count, kept.Steps.Count);
            Assert.True(situations[row.Id].Chart.Value.Rows.Count <= 1);
            Assert.Equal(Standing.Firm, Staleness.Of(operation, situations[row.Id], choices, kept, whole, choices));
        }
    }

    [Fact]
    public async Task A_file_of_an_earlier_version_is_taken_apart_with_every_figure_as_it_was()
    {
        string folder = Directory.CreateTempSubdirectory("incisura-old-").FullName;
        DbContextOptions<IncisuraDb> options = new DbContextOptionsBuilder<IncisuraDb>()
            .UseSqlite($"Data Source={Path.Combine(folder, "old.db")};Foreign Keys=False;Pooling=False").Options;
        JsonObject stored = JsonNode.Parse(await File.ReadAllTextAsync(StoredFormTests.PathOf("engine-10.json"), Cancel))!.AsObject();
        string[] Of(string kind) => [.. stored[kind]!.AsArray().Select(n => n!.ToJsonString())];
        string[] situations = Of("Situation"), choices = Of("Choices"), results = Of("CalculationResult");
        await using (IncisuraDb old = new(options))
        {
            await old.GetService<IMigrator>().MigrateAsync("RecordThreads", Cancel);
            for (int i = 0; i < results.Length; i++)
            {
                string operation = DefinitionFormat.Read<CalculationResult>(results[i]).Operation, number = $"R-{i + 1:0000}";
                Situation s = DefinitionFormat.Read<Situation>(situations[i]);
                await old.Database.ExecuteSqlAsync(
                    $"""
                    INSERT INTO "Records" ("Id", "Number", "Operation", "MaterialId", "AssemblyId", "MachineId", "Thread")
                    VALUES ({i + 1}, {number}, {operation}, {s.Material.Id}, {s.Assembly.Id}, {s.Machine.Id}, {$"{i}"})
                    """,
                    Cancel);
                await old.Database.ExecuteSqlAsync(
                    $"""
                    INSERT INTO "RecordRevisions"
                        ("Id", "RecordId", "Number", "State", "Version", "Choices", "Situation", "Result", "Note", "ProposedBy")
                    VALUES ({i + 1}, {i + 1}, 1, 'Draft', 3, {choices[i]}, {situations[i]}, {results[i]}, 'kept', 'maren')
                    """,
                    Cancel);
                await old.Database.ExecuteSqlAsync(
                    $"""
                    INSERT INTO "RecordEvents" ("Id", "RevisionId", "At", "By", "Act", "Reason")
                    VALUES ({i + 1}, {i + 1}, 1750000000000, 'tobiah', 'SendBack', 'mend')
                    """,
                    Cancel);
            }
        }

        // A cutter written as the fifth engine did, and changed once.
        JsonObject early = JsonNode.Parse(await File.ReadAllTextAsync(StoredFormTests.PathOf("engine-5.json"), Cancel))!["Cutter"]![0]!.AsObject();
        string first = early.ToJsonString();
        early["remarks"] = "reground";
        string second = early.ToJsonString();
        await using (IncisuraDb old = new(options))
        {
            await old.Database.ExecuteSqlAsync(
                $"""
                INSERT INTO "Cutters" ("Id", "Name", "Revision", "ChangedBy", "ChangedAt", "Definition")
                VALUES (1, 'C-1', 2, 'ines', 1750000000000, {second})
                """,
                Cancel);
            foreach ((int number, string json) in new[] { (1, first), (2, second) })
                await old.Database.ExecuteSqlAsync(
                    $"""
                    INSERT INTO "Revisions" ("Kind", "ObjectId", "Number", "At", "By", "Json")
                    VALUES ('cutter', 1, {number}, {1740000000000 + number}, 'ines', {json})
                    """,
                    Cancel);
        }

        await using (IncisuraDb db = new(options))
        {
            await db.PrepareAsync(Cancel);
            List<RecordRevisionRow> rows = await db.RecordRevisions.Include(r => r.Record).OrderBy(r => r.Id).ToListAsync(Cancel);
            IReadOnlyDictionary<int, Situation> again = await RecordParts.SituationsAsync(db, rows, Cancel);
            Assert.Equal(results.Length, rows.Count);
            Assert.All(rows, (row, i) =>
            {
                CalculationResult was = DefinitionFormat.Read<CalculationResult>(results[i]);
                Assert.Equal(DefinitionFormat.Write(was), DefinitionFormat.Write(RecordParts.WholeResultOf(row)));
                Situation before = DefinitionFormat.Read<Situation>(situations[i]);
                Assert.Equal(before.Cutter.Number, again[row.Id].Cutter.Number);
                string asItWas = DefinitionFormat.Write(before.For(Operations.Find(was.Operation)!.Description));
                Assert.True(JsonNode.DeepEquals(JsonNode.Parse(asItWas), JsonNode.Parse(DefinitionFormat.Write(again[row.Id]))));
                Assert.Equal((3, "kept", true, true, true), (row.Version, row.Note, row.SentBack, row.IsNewest, row.IsCounted));
                Assert.Equal((was.Operation, before.Machine.Id), (row.Operation, row.MachineId));
                Assert.Equal(before.Cutter.Id, row.Record!.CutterId);
                Assert.Contains(before.Machine.Value.Name.ToLowerInvariant(), row.Search, StringComparison.Ordinal);
            });

            // Nothing of the old form is left, and a second start has nothing to do.
            const string left = "SELECT COUNT(*) AS Value FROM RecordRevisions WHERE Situation <> ''";
            Assert.Equal(0, await db.Database.SqlQueryRaw<int>(left).SingleAsync(Cancel));
            await db.PrepareAsync(Cancel);

            // Its history begins with what is known, and all of it is as it was written.
            ChronicleCheck check = await Chronicle.CheckAsync(db, cancel: Cancel);
            Assert.Empty(check.Faults);
            Assert.Equal(results.Length + 2, check.Entries);
            ChangeRow changed = await db.Changes.SingleAsync(c => c.Kind == "cutter" && c.Number == 2, Cancel);
            Assert.Equal(
                ("ines", "changed", "remarks"),
                (changed.By, changed.Act, Assert.Single(DefinitionFormat.Read<List<FieldDifference>>(changed.Changes)).Field));
        }

        Directory.Delete(folder, recursive: true);
    }
}

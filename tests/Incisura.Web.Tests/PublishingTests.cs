using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Incisura.Web.Editions;
using Incisura.Web.History;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

/// <summary>What an edition takes, what happens while it is put together, and what readers do with it.</summary>
public sealed class PublishingTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static string[] Records(Answer edition) =>
        [.. edition["entries"].EnumerateArray().Select(e => e.GetProperty("record").GetString()!)];

    private static async Task<Dictionary<string, string>> PendingAsync(Caller who) =>
        (await who.GetAsync("/editions/pending?take=500"))["entries"].EnumerateArray()
            .ToDictionary(p => p.GetProperty("record").GetString()!, p => p.GetProperty("change").GetString()!);

    // A new revision of what is in force, approved.
    private async Task<int> ReviseAsync(string number, double width)
    {
        Caller maren = await workshop.SignInAsync("maren"), ines = await workshop.SignInAsync("ines");
        Answer record = (await maren.GetAsync($"/records/{number}")).Expect(HttpStatusCode.OK);
        JsonElement last = record["revisions"][0];
        JsonObject numbers = JsonNode.Parse(last.GetProperty("numbers").GetRawText())!.AsObject();
        numbers["widthOfCut"] = width;
        record = (await maren.PostAsync(
            "/records",
            new
            {
                operation = record["operation"].GetString(),
                materialId = record["materialId"].GetInt32(),
                assemblyId = record["assemblyId"].GetInt32(),
                machineId = record["machineId"].GetInt32(),
                numbers,
                options = last.GetProperty("options"),
            })).Expect(HttpStatusCode.Created);
        record = (await maren.PostAsync($"/records/{number}/submit", new { }, Version(record))).Expect(HttpStatusCode.OK);
        record = (await ines.PostAsync($"/records/{number}/approve", new { }, Version(record))).Expect(HttpStatusCode.OK);
        return record["inForce"].GetInt32();
    }

    private static int Version(Answer record) => record["revisions"][0].GetProperty("version").GetInt32();

    [Fact]
    public async Task An_edition_takes_what_was_chosen_and_its_differences_from_the_last_say_what_moved()
    {
        Caller tobiah = await workshop.SignInAsync("tobiah"), jory = await workshop.SignInAsync("jory");
        int before = (await jory.GetAsync("/editions")).Json[0].GetProperty("number").GetInt32();
        int revision = await ReviseAsync("R-0001", 1.5);
        Dictionary<string, string> pending = await PendingAsync(tobiah);
        Assert.Equal(("changed", "same"), (pending["R-0001"], pending["R-0002"]));

        // The new revision waits, and two records are left out.
        int second = (await tobiah.PublishAsync(new
        {
            note = "Chosen",
            takes = new Dictionary<string, string> { ["R-0001"] = "before", ["R-0008"] = "nothing", ["R-0002"] = "nothing" },
        })).GetProperty("number").GetInt32();
        Answer edition = await jory.GetAsync($"/editions/{second}?take=500");
        Assert.DoesNotContain("R-0008", Records(edition));
        Assert.DoesNotContain("R-0002", Records(edition));
        JsonElement kept = edition["entries"].EnumerateArray().Single(e => e.GetProperty("record").GetString() == "R-0001");
        Assert.Equal((revision - 1, "superseded"), (
            kept.GetProperty("revision").GetInt32(), kept.GetProperty("since").GetProperty("what").GetString()));

        // What was left out is asked about again.
        pending = await PendingAsync(tobiah);
        Assert.Equal(("changed", "added", "added"), (pending["R-0001"], pending["R-0008"], pending["R-0002"]));
        int third = (await tobiah.PublishAsync(new { note = "All" })).GetProperty("number").GetInt32();
        Answer differences = (await jory.GetAsync($"/editions/{third}/differences?from={before}")).Expect(HttpStatusCode.OK);
        JsonElement moved = differences["entries"].EnumerateArray().Single(d => d.GetProperty("record").GetString() == "R-0001");
        JsonElement width = moved.GetProperty("figures").EnumerateArray().Single(f => f.GetProperty("code").GetString() == "widthOfCut");
        Assert.Equal((2.4, 1.5), (width.GetProperty("from").GetDouble(), width.GetProperty("to").GetDouble()));
        Assert.Contains(moved.GetProperty("limits").EnumerateArray(), l => l.GetProperty("kind").GetString() == "deflection");
        differences = (await jory.GetAsync($"/editions/{third}/differences?from={second}")).Expect(HttpStatusCode.OK);
        Assert.Equal("added", differences["entries"].EnumerateArray().Single(d => d.GetProperty("record").GetString() == "R-0008")
            .GetProperty("change").GetString());

        // Backwards what was new is gone, and nothing differs from itself.
        differences = (await jory.GetAsync($"/editions/{second}/differences?from={third}")).Expect(HttpStatusCode.OK);
        Assert.Contains(
            differences["entries"].EnumerateArray(),
            d => d.GetProperty("record").GetString() == "R-0008" && d.GetProperty("change").GetString() == "removed");
        Assert.Equal(0, (await jory.GetAsync($"/editions/{third}/differences?from={third}"))["total"].GetInt32());
        (await jory.GetAsync($"/editions/{third}/differences?from=99")).Expect(HttpStatusCode.NotFound);
        Assert.Equal("nothing-new", (await tobiah.PostAsync("/editions", new { note = "" })).Expect(HttpStatusCode.Conflict)["rule"].GetString());
    }

    [Fact]
    public async Task What_is_withdrawn_while_an_edition_is_put_together_is_not_in_it()
    {
        Caller ines = await workshop.SignInAsync("ines"), jory = await workshop.SignInAsync("jory");
        using IServiceScope scope = workshop.Services.CreateScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        bool withdrawn = false;
        EditionFileRow file = await scope.ServiceProvider.GetRequiredService<Publisher>().PublishAsync(
            db, await workshop.ShelfAsync(),
            new("ines", "Race", workshop.Clock.GetUtcNow(), new Dictionary<string, EditionTake> { ["R-0004"] = EditionTake.Nothing }, false),
            (done, total) =>
            {
                if (done < total || withdrawn) return;
                withdrawn = true;
                WithdrawAsync(ines).GetAwaiter().GetResult();
            },
            Cancel);
        Assert.True(withdrawn);
        Answer edition = await jory.GetAsync($"/editions/{file.EditionNumber}?take=500");
        Assert.DoesNotContain("R-0005", Records(edition));
        Assert.Equal(file.Count, Records(edition).Length);
        Assert.Equal("withdrawn", (await jory.GetAsync("/editions/1?q=R-0005"))["entries"][0].GetProperty("since").GetProperty("what").GetString());
        Assert.Equal(1, (await jory.GetAsync("/editions/1?since=withdrawn"))["total"].GetInt32());

        static async Task WithdrawAsync(Caller ines)
        {
            Answer record = await ines.GetAsync("/records/R-0005");
            (await ines.PostAsync("/records/R-0005/withdraw", new { text = "Meanwhile." }, Version(record))).Expect(HttpStatusCode.OK);
        }
    }

    [Fact]
    public async Task One_who_stops_it_publishes_nothing()
    {
        using IServiceScope scope = workshop.Services.CreateScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        int before = await db.Editions.CountAsync(Cancel), lines = await db.EditionLines.CountAsync(Cancel);
        using CancellationTokenSource stop = new();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(async () => await scope.ServiceProvider.GetRequiredService<Publisher>().PublishAsync(
            db, await workshop.ShelfAsync(),
            new("ines", "Stopped", workshop.Clock.GetUtcNow(), new Dictionary<string, EditionTake> { ["R-0007"] = EditionTake.Nothing }, false),
            (done, _) =>
            {
                if (done > 0) stop.Cancel();
            },
            stop.Token));
        Assert.Equal((before, lines), (await db.Editions.CountAsync(Cancel), await db.EditionLines.CountAsync(Cancel)));
    }

    [Fact]
    public async Task Readers_say_that_they_have_read_it_and_those_who_publish_see_who_has()
    {
        Caller jory = await workshop.SignInAsync("jory"), tobiah = await workshop.SignInAsync("tobiah");
        Assert.Equal(JsonValueKind.Null, (await jory.GetAsync("/editions/1"))["read"].ValueKind);
        (await jory.PostAsync("/editions/1/reading", new { })).Expect(HttpStatusCode.NoContent);
        (await jory.PostAsync("/editions/1/reading", new { })).Expect(HttpStatusCode.NoContent);
        Assert.Equal(JsonValueKind.String, (await jory.GetAsync("/editions/1"))["read"].ValueKind);
        Assert.Equal(
            ["jory"],
            (await tobiah.GetAsync("/editions/1/readers")).Json.EnumerateArray()
                .Where(r => r.GetProperty("readAt").ValueKind == JsonValueKind.String).Select(r => r.GetProperty("name").GetString()!));
        (await jory.GetAsync("/editions/1/readers")).Expect(HttpStatusCode.Forbidden);
        (await jory.PostAsync("/editions/99/reading", new { })).Expect(HttpStatusCode.NotFound);
        Assert.Single((await tobiah.GetAsync("/history?kind=edition"))["rows"].EnumerateArray(), r => r.GetProperty("act").GetString() == "read");
    }

    [Theory]
    [InlineData("UPDATE EditionLeaves SET Json = (SELECT Json FROM EditionLeaves WHERE Id = 2) WHERE Id = 1", "edition 1 is not what was published")]
    [InlineData("DELETE FROM EditionLines WHERE RecordNumber = 'R-0002'", "edition 1 is not what was published")]
    [InlineData("UPDATE EditionLeaves SET Json = x'00' WHERE Id = 1", "edition 1 is not what was published")]
    [InlineData("DELETE FROM EditionLeaves WHERE Id = 1", "edition 1 cannot be put together")]
    [InlineData("UPDATE EditionFiles SET Sha256 = 'a' WHERE EditionNumber = 1", "edition 1 is not what was published")]
    public async Task Whatever_is_altered_in_the_file_under_an_edition_is_found(string sql, string found)
    {
        await workshop.SignInAsync("maren");
        string copy = Path.Combine(Path.GetDirectoryName(workshop.Database)!, Guid.NewGuid().ToString("N") + ".db");
        using (SqliteConnection from = new($"Data Source={workshop.Database}"), to = new($"Data Source={copy};Pooling=False;Foreign Keys=False"))
        {
            from.Open();
            to.Open();
            from.BackupDatabase(to);
            foreach (string statement in new[]
                     {
                         "DROP TRIGGER EditionLeaves_no_update", "DROP TRIGGER EditionLeaves_no_delete", "DROP TRIGGER EditionLines_no_delete",
                         "DROP TRIGGER EditionFiles_no_update", sql,
                     })
            {
                using SqliteCommand command = to.CreateCommand();
                command.CommandText = statement;
                command.ExecuteNonQuery();
            }
        }

        StringWriter says = new();
        Assert.Equal(1, await CheckCommand.RunAsync(copy, says));
        Assert.Contains(found, says.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Editions_from_before_they_were_files_get_one_unsigned_and_keep_their_entries_and_digests()
    {
        string folder = Directory.CreateTempSubdirectory("incisura-old-").FullName;
        DbContextOptions<IncisuraDb> options = new DbContextOptionsBuilder<IncisuraDb>()
            .UseSqlite($"Data Source={Path.Combine(folder, "old.db")};Foreign Keys=False;Pooling=False").Options;
        JsonObject stored = JsonNode.Parse(await File.ReadAllTextAsync(StoredFormTests.PathOf("engine-10.json"), Cancel))!.AsObject();
        string[] Of(string kind) => [.. stored[kind]!.AsArray().Select(n => n!.ToJsonString())];
        (string[] situations, string[] choices, string[] results) = (Of("Situation"), Of("Choices"), Of("CalculationResult"));
        using System.Security.Cryptography.IncrementalHash hash =
            System.Security.Cryptography.IncrementalHash.CreateHash(System.Security.Cryptography.HashAlgorithmName.SHA256);
        for (int i = 0; i < results.Length; i++)
            hash.AppendData(
                System.Text.Encoding.UTF8.GetBytes($"R-{i + 1:0000}\n1\nkept\ntobiah\n{choices[i]}\n{situations[i]}\n{results[i]}\n"));
        string digest = Convert.ToHexStringLower(hash.GetHashAndReset());
        await using (IncisuraDb old = new(options))
        {
            await old.GetService<IMigrator>().MigrateAsync("Trust", Cancel);
            await old.Database.ExecuteSqlAsync(
                $"""
                INSERT INTO "Editions" ("Number", "PublishedAt", "PublishedBy", "Note", "Digest")
                VALUES (1, 1750000000000, 'tobiah', 'Old', {digest})
                """,
                Cancel);
            for (int i = 0; i < results.Length; i++)
            {
                (string operation, Situation s) =
                    (DefinitionFormat.Read<CalculationResult>(results[i]).Operation, DefinitionFormat.Read<Situation>(situations[i]));
                await old.Database.ExecuteSqlAsync(
                    $"""
                    INSERT INTO "EditionEntries" ("EditionNumber", "RecordNumber", "Revision", "Operation", "Assembly", "Material", "Machine",
                        "Note", "ApprovedBy", "Terms", "Choices", "Situation", "Result")
                    VALUES (1, {$"R-{i + 1:0000}"}, 1, {operation}, {s.Assembly.Value.Number}, {s.Material.Value.Name}, {s.Machine.Value.Name},
                        'kept', 'tobiah', '', {choices[i]}, {situations[i]}, {results[i]})
                    """,
                    Cancel);
            }
        }

        await using (IncisuraDb db = new(options))
        {
            await db.PrepareAsync(Cancel);
            Publisher publisher = new(new(folder, TimeProvider.System), new ConfigurationBuilder().Build(), TimeProvider.System);
            await OldEditions.TakeOverAsync(db, publisher, Cancel);
            await OldEditions.TakeOverAsync(db, publisher, Cancel);
            EditionFileRow file = await db.EditionFiles.SingleAsync(Cancel);
            Assert.Equal(("", 0, results.Length), (file.KeyId, file.Signature.Length, file.Count));
            using MemoryStream bytes = new();
            await EditionStore.WriteAsync(db, file, bytes, Cancel);
            EditionVerdict verdict = EditionVerdict.Of(bytes.ToArray(), null, []);
            Assert.Empty(verdict.Faults);
            Assert.Equal(file.Sha256, verdict.Sha256);
            Assert.All(verdict.Edition!.Records, (r, i) => Assert.Equal(
                DefinitionFormat.Read<CalculationResult>(results[i]).Figures.Select(f => (f.Code, f.Value)),
                r.Figures.Select(f => (f.Code, f.Value))));
            Assert.Equal(digest, (await db.Editions.SingleAsync(Cancel)).Digest);
            Assert.Empty(await EditionStore.FaultsAsync(db, Cancel));
            await db.Database.ExecuteSqlRawAsync(
                "DROP TRIGGER EditionEntries_no_update; UPDATE EditionEntries SET Note = 'other' WHERE RecordNumber = 'R-0001'", Cancel);
            Assert.Contains("entries of edition 1", Assert.Single(await EditionStore.FaultsAsync(db, Cancel)), StringComparison.Ordinal);
        }

        Directory.Delete(folder, recursive: true);
    }
}

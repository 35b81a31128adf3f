using System.Net;
using System.Security.Cryptography;
using System.Text.Json;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Incisura.Web.Editions;
using Incisura.Web.Upkeep;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

/// <summary>Editions laid out as static files: signed, whole, and with nothing in them that was not published.</summary>
public sealed class LayOutTests(Workshop workshop) : IClassFixture<Workshop>, IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("incisura-laid-").FullName;

    private async Task<LaidOutIndex> LayOutAsync(params (string Key, string? Value)[] settings)
    {
        await workshop.SignInAsync("tobiah");
        using StringWriter says = new();
        int? code = await Commands.RunAsync(
            ["lay-out", folder], workshop.Database, KeyFolders.Of(workshop.Database, null, null),
            new ConfigurationBuilder().AddInMemoryCollection(settings.ToDictionary(s => s.Key, s => s.Value)).Build(), says);
        Assert.True(code == 0, says.ToString());
        return EditionFile.Read<LaidOutIndex>(await BytesAsync("index.json"));
    }

    private Task<byte[]> BytesAsync(string name) => File.ReadAllBytesAsync(Path.Combine(folder, name), TestContext.Current.CancellationToken);

    [Fact]
    public async Task Every_edition_and_the_index_are_signed_and_a_stranger_can_check_them()
    {
        LaidOutIndex index = await LayOutAsync(("Incisura:Workshop", "Skerrymoor"));
        Assert.NotEmpty(index.Editions);
        foreach (LaidOutEdition e in index.Editions)
        {
            using StringWriter says = new();
            Assert.True(await VerifyCommand.RunAsync([Path.Combine(folder, e.File)], says) == 0, says.ToString());
            Assert.Contains(e.Sha256, says.ToString(), StringComparison.Ordinal);
        }

        byte[] signature = await BytesAsync("index.json.sig"), digest = SHA256.HashData(await BytesAsync("index.json"));
        Assert.Contains(Directory.GetFiles(folder, "*.pem"), file =>
        {
            using ECDsa key = ECDsa.Create();
            key.ImportFromPem(File.ReadAllText(file));
            return key.VerifyHash(digest, signature, DSASignatureFormat.Rfc3279DerSequence);
        });
        Assert.Equal("Skerrymoor", index.Workshop);
        Assert.True(File.Exists(Path.Combine(folder, "index.html")) && File.Exists(Path.Combine(folder, "page", "reader.js")));
    }

    [Fact]
    public async Task The_parts_are_the_newest_edition_and_nothing_that_was_not_published_is_in_any_file()
    {
        LaidOutIndex index = await LayOutAsync();
        List<string> records = [];
        foreach (LaidOutPart part in index.Parts)
        {
            byte[] bytes = await BytesAsync(part.File);
            Assert.Equal(part.Sha256, EditionStore.Sha256(bytes));
            LaidOutRecords read = EditionFile.Read<LaidOutRecords>(bytes);
            Assert.Equal(part.Records, read.Records.Count);
            Assert.All(read.Records, r => Assert.Equal(part.Machine, r.Machine.Name));
            records.AddRange(read.Records.Select(r => r.Record));
        }

        EditionFile whole = EditionFile.Read<EditionFile>(await BytesAsync(index.Editions[0].File));
        Assert.Equal(whole.Records.Select(r => r.Record), records.Order(StringComparer.Ordinal));

        using IServiceScope scope = workshop.Services.CreateScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        List<string> inside = await db.Records
            .Where(r => !db.RecordRevisions.Any(v => v.RecordId == r.Id && (v.State == RecordState.Approved || v.State == RecordState.Withdrawn)))
            .Select(r => r.Number)
            .ToListAsync(TestContext.Current.CancellationToken);
        Assert.NotEmpty(inside);
        string all = string.Concat(Directory.GetFiles(folder, "*.json").Select(File.ReadAllText));
        Assert.All(inside, number => Assert.DoesNotContain($"\"{number}\"", all, StringComparison.Ordinal));
        Assert.DoesNotContain("@", string.Concat(Directory.GetFiles(folder, "*.json").Select(File.ReadAllText)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_was_withdrawn_since_is_told_when_it_is_laid_out_again_and_editions_are_left_alone()
    {
        LaidOutIndex before = await LayOutAsync();
        string file = Path.Combine(folder, before.Editions[0].File);
        DateTime written = File.GetLastWriteTimeUtc(file);
        string number = EditionFile.Read<LaidOutRecords>(await BytesAsync(before.Parts[0].File)).Records[0].Record;
        Assert.DoesNotContain(before.Since, s => s.Record == number && s.What == "withdrawn");

        Caller tobiah = await workshop.SignInAsync("tobiah");
        Answer record = await tobiah.GetAsync($"/records/{number}");
        JsonElement inForce = record["revisions"].EnumerateArray().First(r => r.GetProperty("number").GetInt32() == record["inForce"].GetInt32());
        (await tobiah.PostAsync($"/records/{number}/withdraw", new { text = "an edge broke" }, inForce.GetProperty("version").GetInt32()))
            .Expect(HttpStatusCode.OK);
        LaidOutIndex after = await LayOutAsync();
        Assert.Contains(after.Since, s => s.Record == number && s.What == "withdrawn");
        Assert.Equal(written, File.GetLastWriteTimeUtc(file));
        Assert.Empty(Directory.GetFiles(folder, "*.new", SearchOption.AllDirectories));

        // One that was altered in its place is put right.
        await File.WriteAllTextAsync(file, "{}", TestContext.Current.CancellationToken);
        await LayOutAsync();
        Assert.Equal(before.Editions[0].Sha256, EditionStore.Sha256(await BytesAsync(before.Editions[0].File)));
    }

    [Theory]
    [InlineData(null, true)]
    [InlineData("false", false)]
    public async Task Readers_must_be_signed_in_unless_the_workshop_says_otherwise(string? setting, bool asked)
    {
        await LayOutAsync(("Incisura:LayOut:SignIn", setting));
        string nginx = System.Text.Encoding.UTF8.GetString(await BytesAsync("nginx.conf"));
        Assert.Equal(asked, nginx.Contains("auth_request", StringComparison.Ordinal));
        (await (await workshop.SignInAsync("jory")).GetAsync("/account/signed-in")).Expect(HttpStatusCode.NoContent);
        (await workshop.Stranger().GetAsync("/account/signed-in")).Expect(HttpStatusCode.Unauthorized);
    }

    [Fact]
    public async Task Without_a_database_nothing_is_made()
    {
        using StringWriter says = new();
        Assert.Equal(
            2, await Commands.RunAsync(
                ["lay-out", folder], Path.Combine(folder, "none.db"), KeyFolders.Of(folder, null, null), new ConfigurationManager(), says));
        Assert.Empty(Directory.GetFiles(folder));
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);
}

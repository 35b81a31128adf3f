using System.Net;
using System.Text.Json;
using Incisura.Exchange.Editions;
using Incisura.Web.History;

namespace Incisura.Web.Tests;

/// <summary>The server killed while it publishes: an edition is there whole or not at all, and whole where it was told to be there.</summary>
public sealed class KilledPublishingTests : IDisposable
{
    private static readonly int Kills = int.Parse(Environment.GetEnvironmentVariable("INCISURA_KILLS") ?? "1");

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-publishing-").FullName;
    private int told = 1;

    public KilledPublishingTests() => Filled.CopyTo(folder);

    private string Database => Path.Combine(folder, "incisura.db");

    [Fact]
    public async Task No_edition_is_ever_half_there()
    {
        Random random = new(7);
        for (int i = 0; i <= Kills; i++)
        {
            await using (ServerProcess server = await ServerProcess.StartAsync(Database))
            {
                Caller tobiah = await server.SignInAsync("tobiah");
                await WholeAsync(server, tobiah);
                if (i == Kills) break;
                Task publishing = PublishAsync(tobiah);
                await Task.Delay(random.Next(0, 400), TestContext.Current.CancellationToken);
                server.Kill();
                await publishing;
            }

            StringWriter says = new();
            int code = await CheckCommand.RunAsync(Database, says);
            Assert.True(code == 0, $"after kill {i + 1}: {says}");
        }
    }

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    // One edition after the other, each without another record, until the server is gone.
    private async Task PublishAsync(Caller tobiah)
    {
        try
        {
            for (int i = 0; ; i++)
            {
                Dictionary<string, string> takes = new() { [$"R-{1 + (i % 7):0000}"] = "nothing" };
                Answer progress = await tobiah.PostAsync("/editions", new { note = $"Number {i}", takes });
                if (progress.Status == HttpStatusCode.Accepted && progress["edition"].ValueKind == JsonValueKind.Object)
                    told = progress["edition"].GetProperty("number").GetInt32();
            }
        }
        catch (Exception gone) when (gone is HttpRequestException or IOException)
        {
            // Killed in the middle.
        }
    }

    private async Task WholeAsync(ServerProcess server, Caller tobiah)
    {
        JsonElement[] editions = [.. (await tobiah.GetAsync("/editions")).Json.EnumerateArray()];
        Assert.True(editions[0].GetProperty("number").GetInt32() >= told, $"edition {told} was told and is gone");
        using HttpClient http = new() { BaseAddress = new(server.Address) };
        (await http.PostAsync("/api/v1/session/demo/tobiah", null)).EnsureSuccessStatusCode();
        List<EditionKey> keys =
        [
            .. (await tobiah.GetAsync("/editions/keys")).Json.EnumerateArray().Select(k => EditionKey.Of(k.GetProperty("pem").GetString()!)),
        ];
        foreach (JsonElement edition in editions.Take(6))
        {
            string path = $"/api/v1/editions/{edition.GetProperty("number").GetInt32()}";
            EditionVerdict verdict = EditionVerdict.Of(
                await http.GetByteArrayAsync(path + "/file"), await http.GetByteArrayAsync(path + "/signature"), keys);
            Assert.Empty(verdict.Faults);
            Assert.Equal(edition.GetProperty("digest").GetString(), verdict.Sha256);
            Assert.Equal(edition.GetProperty("count").GetInt32(), verdict.Edition!.Records.Count);
        }
    }
}

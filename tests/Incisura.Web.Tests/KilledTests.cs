using System.Collections.Concurrent;
using System.Net;
using System.Text.Json.Nodes;
using Incisura.Web.History;

namespace Incisura.Web.Tests;

/// <summary>The server as a process of its own, killed in the middle of what it does.</summary>
public sealed class KilledTests : IDisposable
{
    private const int Writers = 4, Materials = 8;

    private static readonly int Kills = int.Parse(Environment.GetEnvironmentVariable("INCISURA_KILLS") ?? "6");

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-killed-").FullName;
    private readonly ConcurrentDictionary<string, string> drafts = [];
    private readonly ConcurrentDictionary<int, int> revisions = [];
    private int next, acknowledged;

    private string Database => Path.Combine(folder, "incisura.db");

    [Fact]
    public async Task Whatever_was_acknowledged_is_there_after_each_of_many_kills_and_all_is_as_the_history_wrote_it()
    {
        Random random = new(11);
        for (int i = 0; i <= Kills; i++)
        {
            await using (ServerProcess server = await ServerProcess.StartAsync(Database))
            {
                await ThereAsync(await server.SignInAsync("maren"));
                if (i == Kills) break;
                using CancellationTokenSource stop = new();
                Task[] writers = [.. Enumerable.Range(0, Writers).Select(w => Task.Run(() => WriteAsync(server, w, stop.Token)))];
                await WrittenAsync(acknowledged + random.Next(1, 8));
                await Task.Delay(random.Next(0, 120), TestContext.Current.CancellationToken);
                server.Kill();
                await stop.CancelAsync();
                await Task.WhenAll(writers);
            }

            StringWriter says = new();
            int code = await CheckCommand.RunAsync(Database, says);
            Assert.True(code == 0, $"after kill {i + 1}: {says}");
        }

        Assert.True(acknowledged >= Kills, $"only {acknowledged} writes were acknowledged");
    }

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    // However slow the machine: a kill comes in the middle of work, not before it.
    private async Task WrittenAsync(int count)
    {
        for (int i = 0; i < 3000 && Volatile.Read(ref acknowledged) < count; i++) await Task.Delay(10);
    }

    // Drafts, changes of cutters, and now and then of the chart, under which every record is judged anew; until the server is gone.
    private async Task WriteAsync(ServerProcess server, int writer, CancellationToken stop)
    {
        try
        {
            Caller maren = await server.SignInAsync("maren");
            for (int i = 0; !stop.IsCancellationRequested; i++)
            {
                int n = Interlocked.Increment(ref next);
                if (i % 3 == 0) await DraftAsync(maren, n);
                else if (writer == 0 && i % 3 == 1) await ReviseAsync(maren, "/shop/charts/1", 0, "practice", n);
                else await ReviseAsync(maren, $"/library/cutters/{1 + writer}", 1 + writer, "remarks", n);
            }
        }
        catch (Exception gone) when (gone is HttpRequestException or IOException or OperationCanceledException)
        {
            // Killed in the middle: what was not acknowledged may be there or not.
        }
    }

    private async Task DraftAsync(Caller maren, int n)
    {
        Answer made = await maren.PostAsync(
            "/records",
            new
            {
                operation = "side-rough",
                materialId = 1 + (n % Materials),
                assemblyId = 5 + (n / Materials % 4),
                machineId = 1,
                note = $"note {n}",
            });
        if (made.Status != HttpStatusCode.Created) return;
        drafts[made["number"].GetString()!] = $"note {n}";
        Interlocked.Increment(ref acknowledged);
    }

    private async Task ReviseAsync(Caller maren, string path, int cutter, string member, int n)
    {
        Answer sheet = await maren.GetAsync(path);
        JsonObject definition = JsonNode.Parse(sheet["definition"].GetRawText())!.AsObject();
        if (member == "practice") definition["rows"]![0]!["cuttingSpeed"] = 100 + (n % 50);
        else definition[member] = $"remark {n}";
        Answer saved = await maren.PutAsync(path, definition, sheet["revision"].GetInt32());
        if (saved.Status != HttpStatusCode.OK) return;
        Interlocked.Increment(ref acknowledged);
        if (cutter == 0) return;
        int revision = saved["revision"].GetInt32();
        revisions.AddOrUpdate(cutter, revision, (_, was) => Math.Max(was, revision));
    }

    private async Task ThereAsync(Caller maren)
    {
        foreach ((string number, string note) in drafts)
        {
            Answer record = (await maren.GetAsync($"/records/{number}")).Expect(HttpStatusCode.OK);
            Assert.Equal(note, record["revisions"][0].GetProperty("note").GetString());
        }

        foreach ((int cutter, int revision) in revisions)
            Assert.True((await maren.GetAsync($"/library/cutters/{cutter}"))["revision"].GetInt32() >= revision);
    }
}

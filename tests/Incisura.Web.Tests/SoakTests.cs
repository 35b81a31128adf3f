using System.Globalization;
using System.Net;
using System.Text.Json;
using Incisura.Web.History;
using Incisura.Web.Upkeep;
using Microsoft.Extensions.Configuration;

namespace Incisura.Web.Tests;

/// <summary>
/// A workshop at work: engineers, an approver, readers at machines and an administrator at once, with copies made while it is served and the
/// server killed now and then. Nothing that was acknowledged is lost, every copy is whole, and memory does not grow.
/// </summary>
public sealed class SoakTests : IDisposable
{
    // Seconds of each life before a kill, and of the last one, in which memory is watched.
    private static readonly double Minutes =
        double.Parse(Environment.GetEnvironmentVariable("INCISURA_SOAK") ?? "0.05", CultureInfo.InvariantCulture);
    private static readonly TimeSpan Life = TimeSpan.FromMinutes(Minutes / 10), Last = TimeSpan.FromMinutes(Minutes * 0.6);

    private const int MostGrowth = 2;

    private static readonly int Lives = Minutes >= 1 ? 4 : 1;

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-soak-").FullName;
    private readonly Promises promises = new();
    private int failures, done;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private string Database => Path.Combine(folder, "data", "incisura.db");

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_workshop_at_work_loses_nothing_through_kills_and_copies_and_its_memory_stays_flat()
    {
        Filled.CopyTo(Path.GetDirectoryName(Database)!);
        for (int life = 0; life < Lives; life++) await LiveAsync(Life, kill: true);
        await LiveAsync(Last, kill: false);
        StringWriter says = new();
        Assert.True(await CheckCommand.RunAsync(Database, says) == 0, says.ToString());
        Assert.Equal(0, failures);
        Assert.True(promises.Made >= Lives, $"only {promises.Made} writes in {done} requests");
        TestContext.Current.TestOutputHelper?.WriteLine($"{done} requests, {promises.Made} promises kept, {Lives} kills");
    }

    private async Task LiveAsync(TimeSpan time, bool kill)
    {
        await using ServerProcess server = await ServerProcess.StartAsync(Database);
        await promises.KeptAsync(await server.SignInAsync("maren"));
        int made = promises.Made;
        using CancellationTokenSource stop = new();
        Task[] work =
        [
            WorkAsync(server, "maren", Engineer, stop.Token), WorkAsync(server, "tobiah", Approver, stop.Token),
            WorkAsync(server, "jory", Reader, stop.Token), WorkAsync(server, "jory", Reader, stop.Token),
            WorkAsync(server, "adwin", Administrator, stop.Token),
        ];
        await Task.Delay(time / 3, Cancel);
        await CopyAsync();
        long before = server.Memory;
        await Task.Delay(time * 2 / 3, Cancel);

        // However slow the machine: a kill comes in the middle of work, not before it.
        for (int i = 0; i < 3000 && promises.Made == made; i++) await Task.Delay(10, Cancel);
        long after = server.Memory;
        if (kill) server.Kill();
        await stop.CancelAsync();
        await Task.WhenAll(work);

        // Only where it had the time to come to rest.
        if (!kill && Minutes >= 5) Assert.True(after <= before * MostGrowth, $"memory went from {before} to {after} MB");
        TestContext.Current.TestOutputHelper?.WriteLine($"{before} MB, then {after} MB");
    }

    // A copy made in the middle of all this is a whole workshop.
    private async Task CopyAsync()
    {
        string copy = Path.Combine(folder, $"copy-{Guid.NewGuid():N}.db");
        StringWriter says = new();
        KeyFolders keys = KeyFolders.Of(Database, null, null);
        Assert.True(await Commands.RunAsync(["backup", copy], Database, keys, new ConfigurationManager(), says) == 0, says.ToString());
        Assert.True(await CheckCommand.RunAsync(copy, says) == 0, says.ToString());
        File.Delete(copy);
    }

    private async Task WorkAsync(ServerProcess server, string name, Func<Caller, int, Task<Answer?>> act, CancellationToken stop)
    {
        try
        {
            Caller who = await server.SignInAsync(name);
            for (int i = 0; !stop.IsCancellationRequested; i++)
            {
                // A refusal is an answer; a failure is not.
                if (await act(who, i) is { Status: >= HttpStatusCode.InternalServerError } failed)
                {
                    TestContext.Current.TestOutputHelper?.WriteLine(failed.Json.ToString());
                    Interlocked.Increment(ref failures);
                }

                Interlocked.Increment(ref done);
            }
        }
        catch (Exception gone) when (gone is HttpRequestException or IOException or OperationCanceledException)
        {
            // Killed in the middle.
        }
    }

    private async Task<Answer?> Engineer(Caller maren, int i)
    {
        switch (i % 6)
        {
            case 0:
                string number = await promises.DraftAsync(maren);
                return number.Length > 0 ? await maren.PostAsync($"/records/{number}/submit", new { }, 0) : null;
            case 1:
                await promises.ReviseAsync(maren, "/library/cutters/2", 2, "remarks");
                return null;
            case 2:
                return await maren.PostAsync("/calculations/side-rough", new { materialId = 1 + (i % 8), assemblyId = 6, machineId = 1 });
            case 3:
                object window = new { materialId = 1, assemblyId = 6, machineId = 1 };
                return await maren.PostAsync("/calculations/side-rough/window?across=axialDepth&up=radialDepth&size=64", window);
            case 4:
                return await maren.GetAsync("/library/cutters?q=ball%206&take=100");
            default:
                return await maren.GetAsync("/records?take=50");
        }
    }

    private static async Task<Answer?> Approver(Caller tobiah, int i)
    {
        if (i % 20 == 19) return await tobiah.PostAsync("/editions", new { note = $"edition {i}" });
        Answer waiting = await tobiah.GetAsync("/records?state=inReview&take=1");
        if (waiting["rows"].GetArrayLength() == 0) return waiting;
        string path = $"/records/{waiting["rows"][0].GetProperty("number").GetString()}";
        JsonElement newest = (await tobiah.GetAsync(path))["revisions"].EnumerateArray().MaxBy(r => r.GetProperty("number").GetInt32());
        int version = newest.GetProperty("version").GetInt32();
        Answer approved = await tobiah.PostAsync($"{path}/approve", new { text = "" }, version);
        return approved.Status == HttpStatusCode.OK ? approved : await tobiah.PostAsync($"{path}/send-back", new { text = "again" }, version);
    }

    private static async Task<Answer?> Reader(Caller jory, int i) => (i % 4) switch
    {
        0 => await jory.GetAsync("/lookup?q=side"),
        1 => await jory.GetAsync("/editions/1?take=20"),
        2 => await jory.GetAsync("/library/cutters/20"),
        _ => await jory.GetAsync("/lookup/parts/1?take=50"),
    };

    private static async Task<Answer?> Administrator(Caller adwin, int i)
    {
        await Task.Delay(200, Cancel);
        return i % 2 == 0 ? await adwin.GetAsync("/people") : await adwin.GetAsync("/history?take=100");
    }
}

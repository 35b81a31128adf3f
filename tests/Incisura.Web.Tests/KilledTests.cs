using Incisura.Web.History;

namespace Incisura.Web.Tests;

/// <summary>The server as a process of its own, killed in the middle of what it does.</summary>
public sealed class KilledTests : IDisposable
{
    private const int Writers = 4;

    private static readonly int Kills = int.Parse(Environment.GetEnvironmentVariable("INCISURA_KILLS") ?? "2");

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-killed-").FullName;
    private readonly Promises promises = new();

    public KilledTests() => Filled.CopyTo(folder);

    private string Database => Path.Combine(folder, "incisura.db");

    [Fact]
    public async Task Whatever_was_acknowledged_is_there_after_each_of_many_kills_and_all_is_as_the_history_wrote_it()
    {
        Random random = new(11);
        for (int i = 0; i <= Kills; i++)
        {
            await using (ServerProcess server = await ServerProcess.StartAsync(Database))
            {
                await promises.KeptAsync(await server.SignInAsync("maren"));
                if (i == Kills) break;
                using CancellationTokenSource stop = new();
                Task[] writers = [.. Enumerable.Range(0, Writers).Select(w => Task.Run(() => WriteAsync(server, w, stop.Token)))];
                await WrittenAsync(promises.Made + random.Next(1, 8));
                await Task.Delay(random.Next(0, 120), TestContext.Current.CancellationToken);
                server.Kill();
                await stop.CancelAsync();
                await Task.WhenAll(writers);
            }

            StringWriter says = new();
            int code = await CheckCommand.RunAsync(Database, says);
            Assert.True(code == 0, $"after kill {i + 1}: {says}");
        }

        Assert.True(promises.Made >= Kills, $"only {promises.Made} writes were acknowledged");
    }

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    // However slow the machine: a kill comes in the middle of work, not before it.
    private async Task WrittenAsync(int count)
    {
        for (int i = 0; i < 3000 && promises.Made < count; i++) await Task.Delay(10);
    }

    // Drafts, changes of cutters, and now and then of the chart, under which every record is judged anew; until the server is gone.
    private async Task WriteAsync(ServerProcess server, int writer, CancellationToken stop)
    {
        try
        {
            Caller maren = await server.SignInAsync("maren");
            for (int i = 0; !stop.IsCancellationRequested; i++)
            {
                if (i % 3 == 0) await promises.DraftAsync(maren);
                else if (writer == 0 && i % 3 == 1) await promises.ReviseAsync(maren, "/shop/charts/1", 0, "practice");
                else await promises.ReviseAsync(maren, $"/library/cutters/{1 + writer}", 1 + writer, "remarks");
            }
        }
        catch (Exception gone) when (gone is HttpRequestException or IOException or OperationCanceledException)
        {
            // Killed in the middle: what was not acknowledged may be there or not.
        }
    }
}

using System.Collections.Concurrent;
using System.Net;
using System.Text;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>What a served workshop tells whoever keeps it: lines of the log, measurements, traces.</summary>
public sealed class TelemetryTests : IDisposable
{
    private const string Password = "a password of my own";

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-told-").FullName;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private string Database => Path.Combine(folder, "data", "incisura.db");

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private static async Task<T> UntilAsync<T>(Func<T?> found)
        where T : class
    {
        for (int i = 0; i < 300; i++)
        {
            if (found() is { } there) return there;
            await Task.Delay(100, Cancel);
        }

        throw new TimeoutException("It was not told.");
    }

    [Fact]
    public async Task A_line_of_the_log_says_who_asked_what_in_which_trace_and_holds_no_secret()
    {
        await using ServerProcess server = await ServerProcess.StartAsync(
            Database, ("Incisura__Demo", "false"), ("Incisura__Transport__PlainHttp", "true"), ("Incisura__FirstAdministrator__Password", Password),
            ("Incisura__AdministratorsWithoutSecondFactor", "true"), ("Serilog__MinimumLevel__Default", "Information"));
        using HttpClient http = new() { BaseAddress = new(server.Address) };
        Caller own = new(http);
        (await own.PostAsync("/session", new { name = "administrator", password = "something else entirely" })).Expect(HttpStatusCode.Unauthorized);
        (await own.PostAsync("/session", new { name = "administrator", password = Password })).Expect(HttpStatusCode.OK);
        Answer link = (await own.PostAsync("/people", new { name = "ida", fullName = "Ida Moss", role = "reader" })).Expect(HttpStatusCode.Created);
        Answer missing = await own.GetAsync("/people/nobody/data?q=not-for-the-log");
        string trace = missing["traceId"].GetString()!;

        string line = await UntilAsync(() => server.Said.FirstOrDefault(l => l.Contains("/people/nobody/data", StringComparison.Ordinal)));
        JsonElement told = JsonDocument.Parse(line).RootElement;
        Assert.Equal(
            ("administrator", "127.0.0.1", "GET", 404),
            (told.GetProperty("Person").GetString(), told.GetProperty("Client").GetString(), told.GetProperty("RequestMethod").GetString(),
                told.GetProperty("StatusCode").GetInt32()));
        Assert.Contains(told.GetProperty("@tr").GetString()!, trace, StringComparison.Ordinal);
        string all = string.Join('\n', server.Said);
        foreach (string secret in new[] { Password, "something else entirely", Caller.CodeOf(link), "not-for-the-log", "Ida Moss" })
            Assert.DoesNotContain(secret, all, StringComparison.Ordinal);
        Assert.All(server.Said.Where(l => l.Length > 0), l => JsonDocument.Parse(l));
        Assert.DoesNotContain("/health", all, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Measurements_and_traces_go_to_the_collector_the_settings_name()
    {
        using HttpListener collector = new();
        string address = $"http://127.0.0.1:{FreePort()}";
        collector.Prefixes.Add(address + "/");
        collector.Start();
        ConcurrentQueue<(string Path, string Body)> got = [];
        _ = Task.Run(
            async () =>
            {
                while (collector.IsListening)
                {
                    HttpListenerContext context = await collector.GetContextAsync();
                    using MemoryStream body = new();
                    await context.Request.InputStream.CopyToAsync(body);
                    got.Enqueue((context.Request.Url!.AbsolutePath, Encoding.Latin1.GetString(body.ToArray())));
                    context.Response.Close();
                }
            },
            Cancel);
        Filled.CopyTo(Path.GetDirectoryName(Database)!);
        await using ServerProcess server = await ServerProcess.StartAsync(
            Database, ("Incisura__Telemetry__Collector", address), ("Incisura__Telemetry__Traced", "1"), ("Incisura__Telemetry__EverySeconds", "1"));
        Caller maren = await server.SignInAsync("maren");
        (await maren.PostAsync("/calculations/slot", new { materialId = 1, assemblyId = 6, machineId = 1 })).Expect(HttpStatusCode.OK);

        await UntilAsync(() => Sent("/v1/metrics", "incisura.calculation.duration"));
        await UntilAsync(() => Sent("/v1/metrics", "http.server.request.duration"));
        string span = await UntilAsync(() => Sent("/v1/traces", "incisura.operation"));
        Assert.Contains("slot", span, StringComparison.Ordinal);
        collector.Stop();

        string? Sent(string path, string words) =>
            got.FirstOrDefault(g => g.Path == path && g.Body.Contains(words, StringComparison.Ordinal)).Body;
    }

    private static int FreePort()
    {
        using System.Net.Sockets.TcpListener probe = new(IPAddress.Loopback, 0);
        probe.Start();
        return ((IPEndPoint)probe.LocalEndpoint).Port;
    }
}

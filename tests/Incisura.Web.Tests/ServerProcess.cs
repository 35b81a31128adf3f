using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace Incisura.Web.Tests;

/// <summary>The server as a process of its own over a database, which can be killed like any process.</summary>
internal sealed class ServerProcess : IAsyncDisposable
{
    private readonly Process process;

    private ServerProcess(Process process, string address) => (this.process, Address) = (process, address);

    public string Address { get; }

    /// <summary>What it has written, line by line.</summary>
    public System.Collections.Concurrent.ConcurrentQueue<string> Said { get; } = [];

    /// <summary>Starts it with the demo workshop, and waits until it answers.</summary>
    /// <param name="database">Path of the database.</param>
    /// <param name="settings">Further settings.</param>
    public static Task<ServerProcess> StartAsync(string database, params IReadOnlyList<(string Name, string Value)> settings) =>
        StartAsync(database, "/health", settings);

    /// <summary>Starts it, and waits until a path answers.</summary>
    public static async Task<ServerProcess> StartAsync(
        string database, string ready, IReadOnlyList<(string Name, string Value)>? settings = null)
    {
        using Socket probe = new(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp);
        probe.Bind(new IPEndPoint(IPAddress.Loopback, 0));
        string address = $"http://127.0.0.1:{((IPEndPoint)probe.LocalEndPoint!).Port}";
        probe.Close();
        ProcessStartInfo start = new("dotnet", [Path.Combine(AppContext.BaseDirectory, "Incisura.Web.dll"), "--urls", address])
        {
            WorkingDirectory = Path.GetTempPath(),
            RedirectStandardOutput = true,
            Environment =
            {
                ["Incisura__Demo"] = "true",
                ["Incisura__Database"] = database,
                ["Incisura__DemoData"] = Path.Combine(AppContext.BaseDirectory, "demo"),
                ["Serilog__MinimumLevel__Default"] = "Fatal",
            },
        };
        foreach ((string name, string value) in settings ?? []) start.Environment[name] = value;
        ServerProcess server = new(Process.Start(start)!, address);
        server.process.OutputDataReceived += (_, line) => server.Said.Enqueue(line.Data ?? "");
        server.process.BeginOutputReadLine();
        try
        {
            await server.ReadyAsync(ready);
        }
        catch
        {
            await server.DisposeAsync();
            throw;
        }

        return server;
    }

    public async Task<Caller> SignInAsync(string name)
    {
        HttpClient http = new() { BaseAddress = new(Address) };
        (await http.PostAsync($"/api/v1/session/demo/{name}", null)).EnsureSuccessStatusCode();
        return new(http);
    }

    /// <summary>Memory it holds, MB.</summary>
    public long Memory
    {
        get
        {
            process.Refresh();
            return process.WorkingSet64 >> 20;
        }
    }

    public void Kill() => process.Kill(entireProcessTree: true);

    public async ValueTask DisposeAsync()
    {
        if (!process.HasExited) Kill();
        await process.WaitForExitAsync();
        process.Dispose();
    }

    private async Task ReadyAsync(string path)
    {
        using HttpClient http = new();
        for (int i = 0; i < 3000; i++)
        {
            Assert.False(process.HasExited, "the server ended by itself");
            try
            {
                if ((await http.GetAsync(Address + path)).IsSuccessStatusCode) return;
            }
            catch (HttpRequestException)
            {
                await Task.Delay(50);
            }
        }

        Assert.Fail("the server did not start");
    }
}

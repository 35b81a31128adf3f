using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text;

namespace Incisura.Web.Tests;

/// <summary>Many people at once, first without and then with one of them who asks for the heaviest things one after the other.</summary>
public sealed class CrowdTests : IDisposable
{
    // How much later the others' answers may come, of twenty the last; the short form only holds that all of them come.
    private const double MostLater = 1.5;

    private static readonly double Minutes =
        double.Parse(Environment.GetEnvironmentVariable("INCISURA_SOAK") ?? "0", CultureInfo.InvariantCulture);

    private static readonly bool Long = Minutes >= 1;

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-crowd-").FullName;

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Whoever_asks_for_the_heaviest_things_waits_for_themself_and_everybody_else_is_answered()
    {
        string database = Path.Combine(folder, "data", "incisura.db");
        Filled.CopyTo(Path.GetDirectoryName(database)!);
        await using ServerProcess server = await ServerProcess.StartAsync(database);
        Caller adwin = await server.SignInAsync("adwin");
        List<Caller> people = [];
        for (int i = 0; i < (Long ? 40 : 5); i++)
        {
            Caller person = new(new() { BaseAddress = new(server.Address) });
            string name = await adwin.InviteAsync($"person{i}", i % 2 == 0 ? "engineer" : "reader", "four green newts", person);
            (await person.PostAsync("/session", new { name, password = "four green newts" })).Expect(HttpStatusCode.OK);
            people.Add(person);
        }

        TimeSpan time = Long ? TimeSpan.FromMinutes(1.5) : TimeSpan.FromSeconds(2);
        double without = await LateAsync(people, time);
        using CancellationTokenSource stop = new();
        Task heavy = HeavyAsync(await server.SignInAsync("maren"), stop.Token);
        double with = await LateAsync(people, time);
        await stop.CancelAsync();
        await heavy;
        TestContext.Current.TestOutputHelper?.WriteLine($"{people.Count} people, p95 {without:0} ms, beside the heaviest requests {with:0} ms");
        if (Long) Assert.True(with <= MostLater * without, $"p95 went from {without:0} to {with:0} ms");
    }

    // Everybody looks, waits a moment, and looks again; of twenty answers the time of the last but one, ms.
    private static async Task<double> LateAsync(List<Caller> people, TimeSpan time)
    {
        ConcurrentBag<double> took = [];
        Stopwatch whole = Stopwatch.StartNew();
        await Task.WhenAll(people.Select(async (person, n) =>
        {
            Random random = new(n);
            for (int i = 0; whole.Elapsed < time; i++)
            {
                await Task.Delay(random.Next(Long ? 1500 : 100));
                Stopwatch one = Stopwatch.StartNew();
                (await AskAsync(person, isEngineer: n % 2 == 0, i)).Expect(HttpStatusCode.OK);
                took.Add(one.Elapsed.TotalMilliseconds);
            }
        }));
        List<double> sorted = [.. took.Order()];
        return sorted[(int)(0.95 * (sorted.Count - 1))];
    }

    private static Task<Answer> AskAsync(Caller person, bool isEngineer, int i) => (isEngineer, i % 4) switch
    {
        (true, 0) => person.PostAsync("/calculations/side-rough", new { materialId = 1 + (i % 8), assemblyId = 6, machineId = 1 }),
        (true, 1) => person.GetAsync("/library/cutters?q=ball%206&take=100"),
        (true, 2) => person.GetAsync("/records?take=50"),
        (_, 0) => person.GetAsync("/editions/1?take=20"),
        (_, 1) => person.GetAsync("/lookup/parts/1?take=50"),
        _ => person.GetAsync("/lookup?q=side"),
    };

    // Four at a time, though two are worked on: windows at their finest, an outline of many steps, a drawing of the most lines, a long table.
    private static Task HeavyAsync(Caller maren, CancellationToken stop) => Task.WhenAll(Enumerable.Range(0, 4).Select(async n =>
    {
        for (int i = n; !stop.IsCancellationRequested; i++)
        {
            Answer answer = (i % 4) switch
            {
                0 => await maren.PostAsync(
                    "/calculations/side-rough/window?across=axialDepth&up=radialDepth&size=512",
                    new { materialId = 1, assemblyId = 6, machineId = 1 }),
                1 => await maren.PostAsync("/calculations/turn-rough", Outline(60)),
                2 => await maren.PostAsync(
                    "/library/profiles/read",
                    new { text = Drawing(4900), millimetresPerUnit = 1, upright = false, leftOut = Array.Empty<int>(), cuttingUntil = 0 }),
                _ => await maren.SendAsync(HttpMethod.Post, "/library/cutters/imports?file=long.csv", Table(3_000)),
            };
            Assert.True(
                answer.Status < HttpStatusCode.InternalServerError || answer.Status == HttpStatusCode.ServiceUnavailable, answer.Json.ToString());
        }
    }));

    private static object Outline(int steps) => new
    {
        materialId = 1,
        assemblyId = 49,
        machineId = 3,
        numbers = new { startDiameter = 40 + (2 * steps), standsOut = 10.0 * steps + 20 },
        extras = new[]
        {
            new
            {
                kind = "turnedOutline",
                steps = Enumerable.Range(0, steps).Select(i => new { diameter = 20 + (2 * i), length = 10, chamfer = 0.3 }),
            },
        },
    };

    private static string Drawing(int lines)
    {
        StringBuilder text = new("0\nSECTION\n2\nENTITIES\n");
        for (int i = 0; i < lines; i++)
            text.Append(CultureInfo.InvariantCulture, $"0\nLINE\n8\n0\n10\n{i}\n20\n{5 + (i % 2)}\n11\n{i + 1}\n21\n{5 + ((i + 1) % 2)}\n");
        return text.Append("0\nENDSEC\n0\nEOF\n").ToString();
    }

    private static ByteArrayContent Table(int rows)
    {
        StringBuilder text = new("number;family;DC;LCF;OAL;DMM\n");
        for (int i = 0; i < rows; i++) text.Append(CultureInfo.InvariantCulture, $"Z-{i};square end mill;10;22;72;10\n");
        return new(Encoding.UTF8.GetBytes(text.ToString())) { Headers = { ContentType = new("application/octet-stream") } };
    }
}

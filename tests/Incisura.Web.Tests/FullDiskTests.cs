using System.Data.Common;
using System.Net;
using Incisura.Data;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

public sealed class FullDiskTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static object Draft(int material, int assembly) =>
        new
        {
            operation = "side-rough",
            materialId = material,
            assemblyId = assembly,
            machineId = 1,
            numbers = new { widthOfCut = 1.0 },
            note = new string('x', 2000),
        };

    [Fact]
    public async Task On_a_full_disk_every_write_is_refused_in_words_and_nothing_is_half_saved()
    {
        Disk disk = new();
        using WebApplicationFactory<Program> host = workshop.WithWebHostBuilder(
            b => b.ConfigureServices(s => s.ConfigureDbContext<IncisuraDb>(o => o.AddInterceptors(disk))));
        HttpClient http = host.CreateClient();
        (await http.PostAsync("/api/v1/session/demo/maren", null, TestContext.Current.CancellationToken)).EnsureSuccessStatusCode();
        Caller maren = new(http);
        async Task<int> CountAsync() => (await maren.GetAsync("/records"))["total"].GetInt32();

        int before = await CountAsync(), saved = 0;
        disk.Full = true;
        Answer? refused = null;
        foreach ((int material, int assembly) in from m in Enumerable.Range(1, 6) from a in Enumerable.Range(1, 12) select (m, a))
        {
            Answer answer = await maren.PostAsync("/records", Draft(material, assembly));
            if (answer.Status == HttpStatusCode.Created) saved++;
            else if (answer.Status is not (HttpStatusCode.Conflict or HttpStatusCode.UnprocessableEntity))
            {
                refused = answer;
                break;
            }
        }

        Assert.Contains("disk is full", refused!.Expect(HttpStatusCode.InsufficientStorage).Detail, StringComparison.Ordinal);
        Assert.Equal(before + saved, await CountAsync());

        disk.Full = false;
        (await maren.PostAsync(
            "/hole-groups",
            new
            {
                name = "After the disk",
                target = new { kind = "plain", diameter = 8, depth = 20 },
                materialId = 2,
                machineId = 1,
                pattern = new { form = "circle", diameter = 100, count = 6 },
                order = "nearestNext",
            })).Expect(HttpStatusCode.Created);
    }

    [Fact]
    public async Task On_a_full_disk_nothing_is_published_and_the_last_edition_stays_as_it_is()
    {
        Disk disk = new();
        using WebApplicationFactory<Program> host = workshop.WithWebHostBuilder(
            b => b.ConfigureServices(s => s.ConfigureDbContext<IncisuraDb>(o => o.AddInterceptors(disk))));
        HttpClient http = host.CreateClient();
        (await http.PostAsync("/api/v1/session/demo/tobiah", null, TestContext.Current.CancellationToken)).EnsureSuccessStatusCode();
        Caller tobiah = new(http);
        byte[] before = await http.GetByteArrayAsync("/api/v1/editions/1/file", TestContext.Current.CancellationToken);
        disk.Full = true;

        // Some editions still fit into the pages there are; each has another record less than the one before.
        Answer progress;
        int without = 0;
        do
            progress = (await tobiah.PostAsync("/editions", new { note = new string('x', 2000), takes = Without(++without) }))
                .Expect(HttpStatusCode.Accepted);
        while (progress["refused"].GetString() == "" && without < 200);
        Assert.Contains("disk is full", progress["refused"].GetString(), StringComparison.Ordinal);
        disk.Full = false;
        int last = (await tobiah.GetAsync("/editions")).Json[0].GetProperty("number").GetInt32();
        Assert.Equal(before, await http.GetByteArrayAsync("/api/v1/editions/1/file", TestContext.Current.CancellationToken));
        Assert.Equal(last + 1, (await tobiah.PublishAsync(new { takes = Without(without + 1) })).GetProperty("number").GetInt32());
    }

    [Fact]
    public async Task On_a_full_disk_people_come_in_and_read_and_what_was_to_be_told_of_it_is_told_later()
    {
        Disk disk = new();
        using WebApplicationFactory<Program> host = workshop.WithWebHostBuilder(
            b => b.ConfigureServices(s => s.ConfigureDbContext<IncisuraDb>(o => o.AddInterceptors(disk))));
        HttpClient http = host.CreateClient();
        Caller jory = new(http);
        disk.Full = true;

        // Until no page is left, somebody comes in again and again.
        for (int i = 0; i < 60; i++)
        {
            (await http.PostAsync("/api/v1/session/demo/jory", null, TestContext.Current.CancellationToken)).EnsureSuccessStatusCode();
            (await jory.GetAsync("/lookup?q=slot")).Expect(HttpStatusCode.OK);
        }

        disk.Full = false;
        HttpClient other = host.CreateClient();
        (await other.PostAsync("/api/v1/session/demo/adwin", null, TestContext.Current.CancellationToken)).EnsureSuccessStatusCode();
        Answer told = await new Caller(other).GetAsync("/history?kind=door&by=jory&take=100");
        Assert.Equal(60, told["total"].GetInt32());
        (await jory.GetAsync("/session")).Expect(HttpStatusCode.OK);
    }

    private static Dictionary<string, string> Without(int i) => new() { [$"R-{1 + (i % 7):0000}"] = "nothing" };

    /// <summary>A disk without room: the database may not grow by a single page.</summary>
    private sealed class Disk : DbConnectionInterceptor
    {
        public bool Full { get; set; }

        public override async Task ConnectionOpenedAsync(
            DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
        {
            await using DbCommand command = connection.CreateCommand();
            // Fewer pages than there are cannot be asked for: the database then keeps those it has.
            command.CommandText = $"PRAGMA max_page_count = {(Full ? 1 : 1_000_000)};";
            await command.ExecuteNonQueryAsync(cancellationToken);
        }
    }
}

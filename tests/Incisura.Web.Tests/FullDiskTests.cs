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

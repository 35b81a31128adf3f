using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

public sealed class AccessTests(Workshop workshop) : IClassFixture<Workshop>
{
    // What anybody may ask: who they are, how to sign in, and what the units are called.
    private static readonly string[] Open = ["/api/v1/quantities", "/api/v1/session"];

    [Fact]
    public async Task A_stranger_is_asked_to_sign_in_wherever_the_application_answers()
    {
        (string Method, string Path, string? Takes)[] all =
        [
            .. workshop.Services.GetRequiredService<EndpointDataSource>()
                .Endpoints.OfType<RouteEndpoint>()
                .Where(e => e.RoutePattern.RawText!.StartsWith("/api/v1/", StringComparison.Ordinal))
                .SelectMany(e => (e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? [])
                    .Select(m => (m, e.RoutePattern.RawText!, e.Metadata.GetMetadata<IAcceptsMetadata>()?.ContentTypes[0]))),
        ];
        Assert.True(all.Length > 60, $"only {all.Length} endpoints were found");
        Caller stranger = workshop.Stranger();
        List<string> open = [];
        foreach ((string method, string path, string? takes) in all.Where(a => !Open.Any(o => a.Path.StartsWith(o, StringComparison.Ordinal))))
        {
            string real = Regex.Replace(path["/api/v1".Length..], @"\{\w+:guid\}", Guid.Empty.ToString());
            real = Regex.Replace(real, @"\{[^}]*\}", "1");
            Answer answer = await stranger.SendAsync(new(method), real, takes is null ? null : new StringContent("{}", Encoding.UTF8, takes));
            if (answer.Status != HttpStatusCode.Unauthorized || !answer.Detail.Contains("Sign in", StringComparison.Ordinal))
                open.Add($"{method} {path} answers {answer.Status}");
        }

        Assert.True(open.Count == 0, string.Join("\n", open));
    }

    [Fact]
    public async Task A_reader_calls_no_engineers_endpoint()
    {
        Caller jory = await workshop.SignInAsync("jory");
        foreach (string path in new[] { "/records", "/records/R-0001", "/editions/pending", "/people" })
            (await jory.GetAsync(path)).Expect(HttpStatusCode.Forbidden);
        (await jory.PostAsync("/calculations/side-rough", new { materialId = 1, assemblyId = 6, machineId = 1 })).Expect(HttpStatusCode.Forbidden);
        (await jory.PostAsync("/library/cutters", new { })).Expect(HttpStatusCode.Forbidden);
        (await jory.PostAsync("/editions", new { note = "" })).Expect(HttpStatusCode.Forbidden);
        Answer refused = await jory.PostAsync("/records", new { });
        Assert.NotEmpty(refused.Expect(HttpStatusCode.Forbidden).Detail);
    }

    [Fact]
    public async Task An_administrator_keeps_people_and_decides_no_cutting_data()
    {
        Caller adwin = await workshop.SignInAsync("adwin");
        (await adwin.GetAsync("/records")).Expect(HttpStatusCode.Forbidden);
        (await adwin.PostAsync("/people", new { name = "noor", fullName = "", role = "engineer" })).Expect(HttpStatusCode.UnprocessableEntity);
        await adwin.InviteAsync("noor", "engineer", "a long first password", workshop.Stranger());
        Caller noor = workshop.Stranger();
        (await noor.PostAsync("/session", new { name = "noor", password = "wrong password here" })).Expect(HttpStatusCode.Unauthorized);
        Assert.Equal(
            "engineer",
            (await noor.PostAsync("/session", new { name = "noor", password = "a long first password" }))
                .Expect(HttpStatusCode.OK)["role"]
                .GetString());
        (await noor.GetAsync("/records")).Expect(HttpStatusCode.OK);
        Assert.Contains((await adwin.GetAsync("/people")).Json.EnumerateArray(), p => p.GetProperty("name").GetString() == "noor");
    }

    [Fact]
    public async Task Signing_out_ends_the_session()
    {
        Caller maren = await workshop.SignInAsync("maren");
        (await maren.SendAsync(HttpMethod.Delete, "/session", null)).Expect(HttpStatusCode.NoContent);
        (await maren.GetAsync("/library/cutters")).Expect(HttpStatusCode.Unauthorized);
    }

    [Theory]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    [InlineData("Origin", "https://elsewhere.example")]
    public async Task A_write_from_another_site_is_refused(string header, string value)
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer answer = await maren.SendAsync(
            HttpMethod.Post, "/calculations/side-rough", JsonContent.Create(new { materialId = 1, assemblyId = 6, machineId = 1 }), null,
            (header, value));
        answer.Expect(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task An_unknown_address_under_the_api_is_a_problem_and_not_a_page() =>
        (await workshop.Stranger().GetAsync("/whatever")).Expect(HttpStatusCode.NotFound);

    [Fact]
    public async Task The_file_keeps_foreign_keys_write_ahead_log_and_published_editions()
    {
        await workshop.SignInAsync("maren");
        await using SqliteConnection file = new(IncisuraDb.ConnectionTo(workshop.Database));
        await file.OpenAsync(TestContext.Current.CancellationToken);
        Assert.Equal("wal", await Scalar("PRAGMA journal_mode"));
        Assert.Equal(1L, await Scalar("PRAGMA foreign_keys"));
        foreach (string table in new[] { "EditionFiles", "EditionLines", "EditionLeaves", "EditionKeys" })
            await Assert.ThrowsAsync<SqliteException>(() => Scalar($"DELETE FROM {table}"));
        await Assert.ThrowsAsync<SqliteException>(() => Scalar("UPDATE EditionLines SET Revision = 9"));
        await Assert.ThrowsAsync<SqliteException>(() => Scalar("DELETE FROM Editions"));
        await Assert.ThrowsAsync<SqliteException>(() => Scalar("DELETE FROM Cutters WHERE Id IN (SELECT CutterId FROM Assemblies)"));

        async Task<object?> Scalar(string sql)
        {
            await using SqliteCommand command = file.CreateCommand();
            command.CommandText = sql;
            return await command.ExecuteScalarAsync(TestContext.Current.CancellationToken);
        }
    }

    [Fact]
    public void Arrows_between_the_rooms_point_down()
    {
        static string[] Reads(System.Reflection.Assembly a) => [.. a.GetReferencedAssemblies().Select(r => r.Name!)];
        string[] core = Reads(typeof(Core.Calculation.IOperation).Assembly), data = Reads(typeof(IncisuraDb).Assembly);
        Assert.DoesNotContain(
            core,
            n =>
                n.StartsWith("Incisura", StringComparison.Ordinal) || n.StartsWith("Microsoft", StringComparison.Ordinal)
                    || n.Contains("Json", StringComparison.Ordinal) || n.Contains("Http", StringComparison.Ordinal));
        Assert.Equal(
            ["Incisura.Core"], Reads(typeof(Exchange.Dxf.DxfReader).Assembly).Where(n => n.StartsWith("Incisura", StringComparison.Ordinal)));
        Assert.DoesNotContain("Incisura.Web", data);
        Assert.Contains("Incisura.Core", data);
    }
}

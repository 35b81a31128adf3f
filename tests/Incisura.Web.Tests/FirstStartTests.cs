using System.Net;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Incisura.Web.Tests;

/// <summary>A new workshop without the demo.</summary>
public sealed class FirstStartTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("incisura-first-").FullName;

    private WebApplicationFactory<Program> Host(string? password, string? name = null, bool demo = false) =>
        new WebApplicationFactory<Program>().WithWebHostBuilder(builder =>
    {
        builder.UseSetting("Incisura:Database", Path.Combine(folder, "incisura.db"));
        builder.Quiet();
        if (password is not null) builder.UseSetting("Incisura:FirstAdministrator:Password", password);
        if (name is not null) builder.UseSetting("Incisura:FirstAdministrator:Name", name);
        builder.UseSetting("Incisura:Demo", demo ? "true" : "false");
        builder.UseSetting("Incisura:DemoData", Path.Combine(AppContext.BaseDirectory, "demo"));
    });

    // A real workshop's cookie goes over TLS only.
    private static HttpClient Secure(WebApplicationFactory<Program> host) => host.CreateClient(new() { BaseAddress = new("https://localhost") });

    [Fact]
    public void Without_a_first_password_it_says_what_to_set_and_does_not_start()
    {
        using WebApplicationFactory<Program> host = Host(null);
        Exception refused = Assert.ThrowsAny<Exception>(() => Secure(host));
        Assert.Contains("Incisura__FirstAdministrator__Password", refused.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_first_administrator_adds_people_to_an_empty_workshop_and_a_second_start_keeps_them()
    {
        await using (WebApplicationFactory<Program> host = Host("a password of my own"))
        {
            Caller first = new(Secure(host));
            (await first.PostAsync("/session", new { name = "administrator", password = "a password of my own" })).Expect(HttpStatusCode.OK);
            Answer refused = (await first.GetAsync("/people")).Expect(HttpStatusCode.Forbidden);
            Assert.Contains("second factor", refused.Detail, StringComparison.Ordinal);
            Answer factor = (await first.PostAsync("/account/factor", new { password = "a password of my own" })).Expect(HttpStatusCode.OK);
            string code = new OtpNet.Totp(OtpNet.Base32Encoding.ToBytes(factor["secret"].GetString())).ComputeTotp();
            (await first.PostAsync("/account/factor/confirmation", new { code })).Expect(HttpStatusCode.OK);
            await first.InviteAsync("edda", "engineer", "two old boats sank", new(Secure(host)));
            Assert.Equal(HttpStatusCode.NotFound, (await first.PostAsync("/session/demo/maren", new { })).Status);
        }

        await using WebApplicationFactory<Program> again = Host(null);
        Caller edda = new(Secure(again));
        (await edda.PostAsync("/session", new { name = "edda", password = "two old boats sank" })).Expect(HttpStatusCode.OK);
        Assert.Equal(0, (await edda.GetAsync("/library/cutters"))["all"].GetInt32());
        Assert.Equal(0, (await edda.GetAsync("/lookup"))["edition"].GetInt32());
        Answer lacking = await edda.PostAsync("/calculations/side-rough", new { materialId = 1, assemblyId = 1, machineId = 1 });
        Assert.Contains("chart", lacking.Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
    }

    [Fact]
    public void A_first_password_in_a_file_that_is_not_there_is_said() => Assert.Contains(
        "cannot be read",
        Refused(Host(null).WithWebHostBuilder(b => b.UseSetting("Incisura:FirstAdministrator:PasswordFile", Path.Combine(folder, "first")))),
        StringComparison.Ordinal);

    [Fact]
    public async Task The_first_password_may_lie_in_a_file()
    {
        string file = Path.Combine(folder, "first");
        await File.WriteAllTextAsync(file, "a password of my own\n", TestContext.Current.CancellationToken);
        await using WebApplicationFactory<Program> host =
            Host(null).WithWebHostBuilder(b => b.UseSetting("Incisura:FirstAdministrator:PasswordFile", file));
        (await new Caller(Secure(host)).PostAsync("/session", new { name = "administrator", password = "a password of my own" }))
            .Expect(HttpStatusCode.OK);
    }

    private static string Refused(WebApplicationFactory<Program> host)
    {
        using (host)
            return Assert.IsType<StartException>(
                Assert.ThrowsAny<Exception>(() => Secure(host)) is StartException plain ? plain : null).Message;
    }

    [Theory]
    [InlineData("Ines Varga", "a password of my own", "no space")]
    [InlineData("ines", "short", "12 characters")]
    public void A_first_administrator_who_cannot_be_made_is_refused_in_a_sentence(string name, string password, string said) =>
        Assert.Contains(said, Refused(Host(password, name)), StringComparison.Ordinal);

    [Fact]
    public async Task A_real_workshop_is_never_opened_as_the_demo_and_an_older_demo_is_known()
    {
        await using (WebApplicationFactory<Program> host = Host("a password of my own", "ines"))
            (await new Caller(Secure(host)).GetAsync("/session/welcome")).Expect(HttpStatusCode.OK);
        Assert.Contains("real workshop", Refused(Host(null, demo: true)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_demo_made_before_demos_were_marked_is_known_by_its_people()
    {
        await using (WebApplicationFactory<Program> host = Host(null, demo: true))
            (await new Caller(Secure(host)).GetAsync("/session/welcome")).Expect(HttpStatusCode.OK);
        Sql("PRAGMA application_id = 0");
        await using WebApplicationFactory<Program> again = Host(null, demo: true);
        (await new Caller(Secure(again)).PostAsync("/session/demo/maren", new { })).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_lock_that_a_killed_start_left_behind_keeps_nobody_out()
    {
        await using (WebApplicationFactory<Program> host = Host("a password of my own"))
            (await new Caller(Secure(host)).GetAsync("/session/welcome")).Expect(HttpStatusCode.OK);
        Sql(
            "CREATE TABLE IF NOT EXISTS __EFMigrationsLock (Id INTEGER NOT NULL PRIMARY KEY, Timestamp TEXT NOT NULL); INSERT INTO "
                + "__EFMigrationsLock VALUES (1, '2026-11-26 04:00:00+00:00'); DELETE FROM __EFMigrationsHistory WHERE MigrationId "
                + "LIKE '%_Sessions' OR MigrationId LIKE '%_Factors'; DROP TABLE Sessions; DROP TABLE SecondFactors");
        await using WebApplicationFactory<Program> again = Host(null);
        (await new Caller(Secure(again)).PostAsync("/session", new { name = "administrator", password = "a password of my own" }))
            .Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Two_programs_never_run_on_one_file()
    {
        await using WebApplicationFactory<Program> host = Host("a password of my own");
        (await new Caller(Secure(host)).GetAsync("/session/welcome")).Expect(HttpStatusCode.OK);
        Assert.Contains("another Incisura", Refused(Host(null)), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_no_database_is_said_in_a_sentence()
    {
        File.WriteAllText(Path.Combine(folder, "incisura.db"), new string('x', 5000));
        Assert.Contains("cannot be opened", Refused(Host("a password of my own")), StringComparison.Ordinal);
    }

    private void Sql(string sql)
    {
        using Microsoft.Data.Sqlite.SqliteConnection connection = new($"Data Source={Path.Combine(folder, "incisura.db")};Pooling=False");
        connection.Open();
        using Microsoft.Data.Sqlite.SqliteCommand command = connection.CreateCommand();
#pragma warning disable CA2100 // The text is written above.
        command.CommandText = sql;
#pragma warning restore CA2100
        command.ExecuteNonQuery();
    }

    [Fact]
    public async Task Too_many_wrong_passwords_lock_the_door_for_a_while()
    {
        await using WebApplicationFactory<Program> host = Host("a password of my own");
        Caller caller = new(Secure(host));
        for (int i = 0; i < 8; i++)
            (await caller.PostAsync("/session", new { name = "administrator", password = "wrong" })).Expect(HttpStatusCode.Unauthorized);
        Answer locked = (await caller.PostAsync("/session", new { name = "administrator", password = "a password of my own" }))
            .Expect(HttpStatusCode.Unauthorized);
        Assert.Contains("five minutes", locked.Detail, StringComparison.Ordinal);
    }

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}

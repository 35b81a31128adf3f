using System.Net;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Incisura.Web.Tests;

/// <summary>A new workshop without the demo.</summary>
public sealed class FirstStartTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("incisura-first-").FullName;

    private WebApplicationFactory<Program> Host(string? password) => new WebApplicationFactory<Program>().WithWebHostBuilder(builder =>
    {
        builder.UseSetting("Incisura:Database", Path.Combine(folder, "incisura.db"));
        builder.UseSetting("Serilog:MinimumLevel:Default", "Fatal");
        if (password is not null) builder.UseSetting("Incisura:FirstAdministrator:Password", password);
    });

    [Fact]
    public void Without_a_first_password_it_says_what_to_set_and_does_not_start()
    {
        using WebApplicationFactory<Program> host = Host(null);
        Exception refused = Assert.ThrowsAny<Exception>(() => host.CreateClient());
        Assert.Contains("Incisura__FirstAdministrator__Password", refused.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_first_administrator_adds_people_to_an_empty_workshop_and_a_second_start_keeps_them()
    {
        await using (WebApplicationFactory<Program> host = Host("a password of my own"))
        {
            Caller first = new(host.CreateClient());
            (await first.PostAsync("/session", new { name = "administrator", password = "a password of my own" })).Expect(HttpStatusCode.OK);
            (await first.PostAsync("/people", new { name = "edda", fullName = "Edda Quill", role = "engineer", password = "another long password" })).Expect(HttpStatusCode.Created);
            Assert.Equal(HttpStatusCode.NotFound, (await first.PostAsync("/session/demo/maren", new { })).Status);
        }

        await using WebApplicationFactory<Program> again = Host(null);
        Caller edda = new(again.CreateClient());
        (await edda.PostAsync("/session", new { name = "edda", password = "another long password" })).Expect(HttpStatusCode.OK);
        Assert.Equal(0, (await edda.GetAsync("/library/cutters"))["all"].GetInt32());
        Assert.Equal(0, (await edda.GetAsync("/lookup"))["edition"].GetInt32());
        Answer refused = await edda.PostAsync("/calculations/side-rough", new { materialId = 1, assemblyId = 1, machineId = 1 });
        Assert.Contains("chart", refused.Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
    }

    [Fact]
    public async Task Too_many_wrong_passwords_lock_the_door_for_a_while()
    {
        await using WebApplicationFactory<Program> host = Host("a password of my own");
        Caller caller = new(host.CreateClient());
        for (int i = 0; i < 8; i++) (await caller.PostAsync("/session", new { name = "administrator", password = "wrong" })).Expect(HttpStatusCode.Unauthorized);
        Answer locked = (await caller.PostAsync("/session", new { name = "administrator", password = "a password of my own" })).Expect(HttpStatusCode.Unauthorized);
        Assert.Contains("five minutes", locked.Detail, StringComparison.Ordinal);
    }

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}

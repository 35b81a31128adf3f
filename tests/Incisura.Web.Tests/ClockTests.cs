using System.Net;
using System.Text.Json;
using Incisura.Web.Hosting;
using Incisura.Web.Upkeep;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Options;
using OtpNet;

namespace Incisura.Web.Tests;

/// <summary>Clocks that are put back, and workshops elsewhere than their server.</summary>
public sealed class ClockTests(Workshop workshop) : IClassFixture<Workshop>, IDisposable
{
    private const string Password = "two old boats sank";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose() => workshop.Clock.Ahead = TimeSpan.Zero;

    [Fact]
    public async Task After_the_clock_was_put_back_people_come_in_save_and_publish_as_before()
    {
        workshop.Clock.Ahead = TimeSpan.FromHours(3);
        await (await workshop.SignInAsync("adwin")).InviteAsync("runa", "engineer", Password, workshop.Stranger());
        Caller runa = workshop.Stranger(), tobiah = await workshop.SignInAsync("tobiah");
        (await runa.PostAsync("/session", new { name = "runa", password = Password })).Expect(HttpStatusCode.OK);
        Totp totp = new(Base32Encoding.ToBytes((await runa.PostAsync("/account/factor", new { password = Password }))["secret"].GetString()));
        (await runa.PostAsync("/account/factor/confirmation", new { code = Code() })).Expect(HttpStatusCode.OK);
        int id = (await runa.PostAsync("/library/cutters", LibraryTests.NewCutter("C-9401"))).Expect(HttpStatusCode.Created)["id"].GetInt32();

        workshop.Clock.Ahead = TimeSpan.Zero;

        // Who is signed in stays so, a code of now is taken, once, and what is saved comes after what was.
        (await runa.GetAsync("/library/cutters")).Expect(HttpStatusCode.OK);
        string code = Code();
        (await workshop.Stranger().PostAsync("/session", new { name = "runa", password = Password, code })).Expect(HttpStatusCode.OK);
        (await workshop.Stranger().PostAsync("/session", new { name = "runa", password = Password, code })).Expect(HttpStatusCode.Unauthorized);
        System.Text.Json.Nodes.JsonObject changed = LibraryTests.NewCutter("C-9401");
        changed["coating"] = "later";
        Assert.Equal(2, (await runa.PutAsync($"/library/cutters/{id}", changed, ifMatch: 1)).Expect(HttpStatusCode.OK)["revision"].GetInt32());
        JsonElement[] told = [.. (await runa.GetAsync("/history?text=C-9401"))["rows"].EnumerateArray()];
        Assert.Equal(["changed", "added"], told.Select(t => t.GetProperty("act").GetString()));
        Assert.Empty((await tobiah.GetAsync("/history/check"))["faults"].EnumerateArray());

        string Code() => totp.ComputeTotp(workshop.Clock.GetUtcNow().UtcDateTime);
    }

    [Fact]
    public async Task The_copy_just_made_is_kept_though_others_say_they_are_of_later()
    {
        string folder = Path.Combine(Path.GetDirectoryName(workshop.Database)!, "copies");
        Directory.CreateDirectory(folder);
        foreach (string day in new[] { "20990101", "20990102", "20990103" })
            await File.WriteAllTextAsync(Path.Combine(folder, $"incisura-{day}-000000.db"), "of a time to come", Cancel);
        (await workshop.SignInAsync("maren")).ToString();
        using DatabaseFile database = new(workshop.Database);
        using Copies copies = new(
            database, Options.Create(new CopyOptions { Folder = folder, Keep = 2 }), TimeProvider.System, NullLogger<Copies>.Instance);
        await copies.StartAsync(Cancel);
        for (int i = 0; i < 200 && Directory.GetFiles(folder, "incisura-*.db").Length != 2; i++) await Task.Delay(50, Cancel);
        await copies.StopAsync(Cancel);
        string[] left = [.. Directory.GetFiles(folder, "incisura-*.db").Order(StringComparer.Ordinal)];
        Assert.Equal(2, left.Length);
        Assert.Null(await DatabaseCopy.FaultAsync(left[0], Cancel));
        Assert.EndsWith("20990103-000000.db", left[1], StringComparison.Ordinal);
    }

    [Fact]
    public void The_workshops_day_is_the_one_where_it_stands()
    {
        DateTimeOffset at = new(2026, 11, 27, 11, 30, 0, TimeSpan.Zero);
        foreach ((string zone, int day) in new[] { ("Pacific/Kiritimati", 28), ("Europe/Dublin", 27), ("Pacific/Pago_Pago", 27), ("Asia/Tokyo", 27) })
        {
            using RealWorkshop one = new();
            using WebApplicationFactory<Program> host = one.Of(("Incisura:TimeZone", zone));
            Assert.Equal(day, host.Services.GetRequiredService<TimeProvider>().DayOf(at).Day);
        }

        using RealWorkshop real = new();
        using WebApplicationFactory<Program> nowhere = real.Of(("Incisura:TimeZone", "Moon/Tycho"));
        Exception refused = Assert.ThrowsAny<Exception>(() => nowhere.Services);
        Assert.Contains("no time zone", refused.ToString(), StringComparison.Ordinal);
    }
}

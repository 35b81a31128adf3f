using System.Net;
using System.Text.Json;
using OtpNet;

namespace Incisura.Web.Tests;

/// <summary>One's own account: where one is signed in, and the second factor.</summary>
public sealed class AccountTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const string Password = "two old boats sank";

    // Somebody new for each test, so that none waits for another's codes.
    private async Task<string> SomebodyAsync(string name)
    {
        return await (await workshop.SignInAsync("adwin")).InviteAsync(name, "engineer", Password, workshop.Stranger());
    }

    private static async Task<Answer> EnterAsync(Caller who, string name, string code = "") =>
        await who.PostAsync("/session", new { name, password = Password, code });

    private async Task<(Caller Caller, Totp Totp, string[] Codes)> WithFactorAsync(string name)
    {
        Caller own = workshop.Stranger();
        (await EnterAsync(own, await SomebodyAsync(name))).Expect(HttpStatusCode.OK);
        Answer begun = (await own.PostAsync("/account/factor", new { password = Password })).Expect(HttpStatusCode.OK);
        Assert.Contains($"secret={begun["secret"].GetString()}", begun["address"].GetString(), StringComparison.Ordinal);
        Assert.StartsWith("<svg", begun["picture"].GetString(), StringComparison.Ordinal);
        Totp totp = new(Base32Encoding.ToBytes(begun["secret"].GetString()));

        // Until a code was given it asks for nothing.
        Assert.False((await own.GetAsync("/account/factor"))["on"].GetBoolean());
        (await EnterAsync(workshop.Stranger(), name)).Expect(HttpStatusCode.OK);
        Answer wrong = (await own.PostAsync("/account/factor/confirmation", new { code = "000000" })).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["code"], wrong.FaultFields);
        Answer made = (await own.PostAsync("/account/factor/confirmation", new { code = At(totp, -1) })).Expect(HttpStatusCode.OK);
        return (own, totp, [.. made["codes"].EnumerateArray().Select(c => c.GetString()!)]);
    }

    private static string At(Totp totp, int steps) => totp.ComputeTotp(DateTime.UtcNow.AddSeconds(30 * steps));

    [Fact]
    public async Task With_a_second_factor_a_password_alone_lets_nobody_in_and_no_code_lets_in_twice()
    {
        (Caller own, Totp totp, string[] codes) = await WithFactorAsync("fenna");
        Assert.Single((await own.GetAsync("/account/sessions")).Json.EnumerateArray());
        Assert.Equal((true, 10), ((await own.GetAsync("/account/factor"))["on"].GetBoolean(), codes.Distinct().Count()));
        Answer asked = (await EnterAsync(workshop.Stranger(), "fenna")).Expect(HttpStatusCode.Unauthorized);
        Assert.Equal("code-needed", asked["rule"].GetString());
        (await EnterAsync(workshop.Stranger(), "fenna", "123456")).Expect(HttpStatusCode.Unauthorized);

        // The code that made it was used; the next one is taken once.
        string code = At(totp, 1);
        (await EnterAsync(workshop.Stranger(), "fenna", At(totp, -1))).Expect(HttpStatusCode.Unauthorized);
        (await EnterAsync(workshop.Stranger(), "fenna", code)).Expect(HttpStatusCode.OK);
        (await EnterAsync(workshop.Stranger(), "fenna", code)).Expect(HttpStatusCode.Unauthorized);
    }

    [Fact]
    public async Task A_lost_device_is_stood_in_for_by_its_codes_once_each_and_an_administrator_takes_it_away()
    {
        (Caller own, _, string[] codes) = await WithFactorAsync("gerrit");
        (await EnterAsync(workshop.Stranger(), "gerrit", codes[3].ToUpperInvariant())).Expect(HttpStatusCode.OK);
        (await EnterAsync(workshop.Stranger(), "gerrit", codes[3])).Expect(HttpStatusCode.Unauthorized);
        Assert.Equal(9, (await own.GetAsync("/account/factor"))["codesLeft"].GetInt32());

        Caller adwin = await workshop.SignInAsync("adwin");
        Assert.True(Of(await adwin.GetAsync("/people"), "gerrit").GetProperty("hasFactor").GetBoolean());
        (await own.SendAsync(HttpMethod.Delete, "/people/gerrit/factor", null)).Expect(HttpStatusCode.Forbidden);
        (await adwin.SendAsync(HttpMethod.Delete, "/people/gerrit/factor", null)).Expect(HttpStatusCode.NoContent);
        (await own.GetAsync("/account/factor")).Expect(HttpStatusCode.Unauthorized);
        (await EnterAsync(workshop.Stranger(), "gerrit")).Expect(HttpStatusCode.OK);
    }

    private static JsonElement Of(Answer people, string name) =>
        people.Json.EnumerateArray().Single(p => p.GetProperty("name").GetString() == name);

    [Fact]
    public async Task Whoever_only_finds_the_screen_open_changes_nothing_of_the_factor()
    {
        (Caller own, _, _) = await WithFactorAsync("hilke");
        Answer wrong = (await own.PostAsync("/account/factor/removal", new { password = "another" })).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["password"], wrong.FaultFields);
        Answer twice = (await own.PostAsync("/account/factor", new { password = Password })).Expect(HttpStatusCode.Conflict);
        Assert.Equal("factor-on", twice["rule"].GetString());
        (await own.PostAsync("/account/factor/removal", new { password = Password })).Expect(HttpStatusCode.NoContent);
        Assert.False((await own.GetAsync("/account/factor"))["on"].GetBoolean());
    }

    [Fact]
    public async Task Sessions_are_seen_with_their_browser_and_ended_at_once_and_nobody_ends_those_of_others()
    {
        string name = await SomebodyAsync("ilse");
        Caller desk = workshop.Stranger(), phone = workshop.Stranger();
        foreach (Caller one in new[] { desk, phone }) (await EnterAsync(one, name)).Expect(HttpStatusCode.OK);
        JsonElement[] all = [.. (await desk.GetAsync("/account/sessions")).Json.EnumerateArray()];
        Assert.Equal(2, all.Length);
        string own = Assert.Single(all, s => s.GetProperty("own").GetBoolean()).GetProperty("id").GetString()!;
        string other = Assert.Single(all, s => !s.GetProperty("own").GetBoolean()).GetProperty("id").GetString()!;
        Caller maren = await workshop.SignInAsync("maren");
        (await maren.SendAsync(HttpMethod.Delete, $"/account/sessions/{own}", null)).Expect(HttpStatusCode.NotFound);
        (await desk.SendAsync(HttpMethod.Delete, $"/account/sessions/{other}", null)).Expect(HttpStatusCode.NoContent);
        (await phone.GetAsync("/account/sessions")).Expect(HttpStatusCode.Unauthorized);
        (await EnterAsync(phone, name)).Expect(HttpStatusCode.OK);
        (await desk.SendAsync(HttpMethod.Delete, "/account/sessions", null)).Expect(HttpStatusCode.NoContent);
        (await phone.GetAsync("/account/sessions")).Expect(HttpStatusCode.Unauthorized);
        Assert.Single((await desk.GetAsync("/account/sessions")).Json.EnumerateArray());
    }

    [Fact]
    public async Task Who_came_in_and_who_was_refused_is_kept_for_administrators_only()
    {
        string name = await SomebodyAsync("jelle");
        Caller own = workshop.Stranger();
        (await own.PostAsync("/session", new { name, password = "wrong" })).Expect(HttpStatusCode.Unauthorized);
        (await EnterAsync(own, name)).Expect(HttpStatusCode.OK);
        (await own.SendAsync(HttpMethod.Delete, "/session", null)).Expect(HttpStatusCode.NoContent);
        Caller adwin = await workshop.SignInAsync("adwin");
        Answer history = await adwin.GetAsync("/history?kind=door&by=jelle");
        Assert.Equal(["signedOut", "signedIn", "refused"], history["rows"].EnumerateArray().Select(r => r.GetProperty("act").GetString()!));
        Caller maren = await workshop.SignInAsync("maren");
        Assert.Equal(0, (await maren.GetAsync("/history?kind=door"))["total"].GetInt32());
        Assert.DoesNotContain((await maren.GetAsync("/history"))["kinds"].EnumerateArray(), k => k.GetString() == "door");
        Assert.Empty((await adwin.GetAsync("/history/check"))["faults"].EnumerateArray());
    }
}

using System.Net;
using System.Text.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Incisura.Web.Tests;

/// <summary>Signing in through a provider of identity, which the demo's stands in for on loopback.</summary>
public sealed class ProviderTests(Workshop workshop) : IClassFixture<Workshop>, IDisposable
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private readonly HttpClient outside = new(new HttpClientHandler { AllowAutoRedirect = false, UseCookies = false });
    private WebApplicationFactory<Program>? host;

    private WebApplicationFactory<Program> Host => host ??= workshop.WithWebHostBuilder(b => b.UseSetting("Incisura:Provider:StandIn", "true"));

    public void Dispose()
    {
        outside.Dispose();
        host?.Dispose();
    }

    // As a browser does it: asks here, is sent to the provider, says there who it is, and is sent back.
    private async Task<(HttpClient Browser, string LeadsTo)> ComeAsync(string says, Func<string, string>? tamper = null)
    {
        HttpClient browser = Host.CreateClient(new() { AllowAutoRedirect = false, HandleCookies = true });
        HttpResponseMessage sent = await browser.GetAsync("/api/v1/session/provider", Cancel);
        Assert.Equal(HttpStatusCode.Redirect, sent.StatusCode);
        string there = sent.Headers.Location!.ToString();
        Assert.Contains("code_challenge_method=S256", there, StringComparison.Ordinal);
        HttpResponseMessage back = await outside.GetAsync($"{there}&{says}", Cancel);
        Assert.Equal(HttpStatusCode.Redirect, back.StatusCode);
        string here = new Uri(back.Headers.Location!.ToString()).PathAndQuery;
        HttpResponseMessage entered = await browser.GetAsync(tamper?.Invoke(here) ?? here, Cancel);
        Assert.Equal(HttpStatusCode.Redirect, entered.StatusCode);
        return (browser, entered.Headers.Location!.ToString());
    }

    [Fact]
    public async Task Somebody_an_administrator_added_comes_in_with_their_role_and_is_known_by_what_never_changes()
    {
        Assert.Equal("the workshop's account", (await new Caller(Host.CreateClient()).GetAsync("/session/welcome"))["provider"].GetString());
        (HttpClient browser, string leadsTo) = await ComeAsync("as=maren&sub=m-1");
        Assert.Equal("/", leadsTo);
        Caller maren = new(browser);
        Assert.Equal(
            ("maren", "engineer"), ((await maren.GetAsync("/session"))["name"].GetString(), (await maren.GetAsync("/session"))["role"].GetString()));
        Assert.Contains("provider", System.Text.Encoding.UTF8.GetString(await maren.BytesAsync("/account/data")), StringComparison.Ordinal);

        // Married and renamed over there, she is the same here; whoever gets her old name there is not.
        Assert.Equal("maren", (await new Caller((await ComeAsync("as=maren.holt&sub=m-1")).Browser).GetAsync("/session"))["name"].GetString());
        Assert.Equal("/?provider=unknown", (await ComeAsync("as=maren&sub=m-2")).LeadsTo);
    }

    [Fact]
    public async Task Nobody_comes_in_whom_the_workshop_does_not_know_or_has_closed_and_administrators_hear_of_it()
    {
        (HttpClient browser, string leadsTo) = await ComeAsync("as=stranger");
        Assert.Equal("/?provider=unknown", leadsTo);
        Assert.Equal(HttpStatusCode.NoContent, (await browser.GetAsync("/api/v1/session", Cancel)).StatusCode);
        Assert.Equal("/", (await ComeAsync("as=tobiah")).LeadsTo);
        Caller adwin = await AdwinAsync();
        (await adwin.PutAsync("/people/tobiah", new { fullName = "Tobiah", role = "approver", disabled = true })).Expect(HttpStatusCode.OK);
        Assert.Equal("/?provider=closed", (await ComeAsync("as=tobiah")).LeadsTo);
        JsonElement told = (await adwin.GetAsync("/history?kind=door&by=stranger"))["rows"][0];
        Assert.Equal(("refused", "the workshop's account"), (told.GetProperty("act").GetString(), told.GetProperty("name").GetString()));
    }

    [Fact]
    public async Task Who_has_a_second_factor_here_needs_one_there_too()
    {
        Caller ines = new((await ComeAsync("as=ines")).Browser);
        (await ines.PostAsync("/account/factor", new { password = "anything at all" })).Expect(HttpStatusCode.UnprocessableEntity);
        Caller adwin = await AdwinAsync();
        Caller own = new(Host.CreateClient());
        await adwin.InviteAsync("hedda", "reader", "two old boats sank", new(Host.CreateClient()));

        // Whoever has her name over there is not her before an administrator says so.
        Assert.Equal("/?provider=unknown", (await ComeAsync("as=hedda&sub=somebody-else")).LeadsTo);
        (await adwin.PutAsync("/people/hedda", new { fullName = "Hedda", role = "reader", disabled = false, byProvider = true }))
            .Expect(HttpStatusCode.OK);
        (await own.PostAsync("/session", new { name = "hedda", password = "two old boats sank" })).Expect(HttpStatusCode.OK);
        Answer begun = (await own.PostAsync("/account/factor", new { password = "two old boats sank" })).Expect(HttpStatusCode.OK);
        string code = new OtpNet.Totp(OtpNet.Base32Encoding.ToBytes(begun["secret"].GetString())).ComputeTotp();
        (await own.PostAsync("/account/factor/confirmation", new { code })).Expect(HttpStatusCode.OK);
        Assert.Equal("/?provider=factor", (await ComeAsync("as=hedda")).LeadsTo);
        Assert.Equal("/?provider=factor", (await ComeAsync("as=hedda&amr=pwd")).LeadsTo);
        Assert.Equal("/", (await ComeAsync("as=hedda&amr=pwd otp")).LeadsTo);
    }

    [Fact]
    public async Task No_name_over_there_makes_anybody_an_administrator_here_and_who_is_to_come_in_so_no_more_does_not()
    {
        foreach (string name in new[] { "adwin", "ADWIN", "Adwin" })
            Assert.Equal("/?provider=unknown", (await ComeAsync($"as={name}&sub=evil-{name}")).LeadsTo);
        Caller adwin = await AdwinAsync();
        Assert.Equal("/", (await ComeAsync("as=jory&sub=j-1")).LeadsTo);
        (await adwin.PutAsync("/people/jory", new { fullName = "Jory", role = "reader", disabled = false, byProvider = false }))
            .Expect(HttpStatusCode.OK);
        Assert.Equal("/?provider=unknown", (await ComeAsync("as=jory&sub=j-1")).LeadsTo);
    }

    private async Task<Caller> AdwinAsync()
    {
        HttpClient http = Host.CreateClient();
        (await http.PostAsync("/api/v1/session/demo/adwin", null, Cancel)).EnsureSuccessStatusCode();
        return new(http);
    }

    [Fact]
    public async Task What_was_tampered_with_on_the_way_lets_nobody_in()
    {
        (HttpClient browser, string leadsTo) = await ComeAsync("as=maren", here => here.Replace("state=", "state=x", StringComparison.Ordinal));
        Assert.Equal("/?provider=failed", leadsTo);
        Assert.Equal(HttpStatusCode.NoContent, (await browser.GetAsync("/api/v1/session", Cancel)).StatusCode);
        Assert.Equal("/?provider=failed", (await ComeAsync("as=maren", here => here.Replace("code=", "code=x", StringComparison.Ordinal))).LeadsTo);
    }

    [Fact]
    public async Task A_provider_that_is_silent_keeps_nobody_from_coming_in_by_password()
    {
        await using WebApplicationFactory<Program> alone = workshop.WithWebHostBuilder(
            b => b.UseSetting("Incisura:Provider:Authority", "http://127.0.0.1:9").UseSetting("Incisura:Provider:Name", "Moor accounts"));
        HttpClient browser = alone.CreateClient(new() { AllowAutoRedirect = false });
        Assert.Equal("Moor accounts", (await new Caller(browser).GetAsync("/session/welcome"))["provider"].GetString());
        Assert.Equal("/?provider=silent", (await browser.GetAsync("/api/v1/session/provider", Cancel)).Headers.Location!.ToString());
        (await new Caller(browser).PostAsync("/session/demo/maren", new { })).Expect(HttpStatusCode.OK);
    }
}

using System.Net;

namespace Incisura.Web.Tests;

/// <summary>People, their passwords and their sessions.</summary>
public sealed class PeopleTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const string Password = "four words in a row";

    private async Task<Caller> NewPersonAsync(string name, string role)
    {
        await (await workshop.SignInAsync("adwin")).InviteAsync(name, role, Password, workshop.Stranger());
        return await SignedInAsync(name, Password);
    }

    private async Task<Caller> SignedInAsync(string name, string password)
    {
        Caller caller = workshop.Stranger();
        (await caller.PostAsync("/session", new { name, password })).Expect(HttpStatusCode.OK);
        return caller;
    }

    [Fact]
    public async Task Signing_out_ends_the_session_on_the_server()
    {
        using HttpClient http = workshop.CreateClient(new() { HandleCookies = false });
        HttpResponseMessage signedIn = await http.PostAsync("/api/v1/session/demo/maren", null, TestContext.Current.CancellationToken);
        string cookie = signedIn.Headers.GetValues("Set-Cookie").Single().Split(';')[0];
        async Task<HttpStatusCode> Ask(HttpMethod method, string path)
        {
            using HttpRequestMessage request = new(method, path);
            request.Headers.Add("Cookie", cookie);
            return (await http.SendAsync(request, TestContext.Current.CancellationToken)).StatusCode;
        }

        Assert.Equal(HttpStatusCode.OK, await Ask(HttpMethod.Get, "/api/v1/records"));
        Assert.Equal(HttpStatusCode.NoContent, await Ask(HttpMethod.Delete, "/api/v1/session"));
        Assert.Equal(HttpStatusCode.Unauthorized, await Ask(HttpMethod.Get, "/api/v1/records"));
    }

    [Fact]
    public async Task Another_role_counts_at_once_wherever_somebody_is_signed_in()
    {
        Caller wick = await NewPersonAsync("wick", "engineer"), adwin = await workshop.SignInAsync("adwin");
        (await wick.GetAsync("/records")).Expect(HttpStatusCode.OK);
        (await adwin.PutAsync("/people/wick", new { fullName = "Wick Ansgar", role = "reader", disabled = false })).Expect(HttpStatusCode.OK);
        (await wick.GetAsync("/records")).Expect(HttpStatusCode.Unauthorized);
        (await (await SignedInAsync("wick", Password)).GetAsync("/records")).Expect(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task A_closed_account_is_out_at_once_and_comes_back_when_it_is_opened()
    {
        Caller orla = await NewPersonAsync("orla", "engineer"), adwin = await workshop.SignInAsync("adwin");
        (await adwin.PutAsync("/people/orla", new { fullName = "Orla", role = "engineer", disabled = true })).Expect(HttpStatusCode.OK);
        (await orla.GetAsync("/lookup")).Expect(HttpStatusCode.Unauthorized);
        Answer refused = (await workshop.Stranger().PostAsync("/session", new { name = "orla", password = Password }))
            .Expect(HttpStatusCode.Unauthorized);
        Assert.Contains("closed", refused.Detail, StringComparison.Ordinal);
        Assert.Equal(
            "refused", (await adwin.GetAsync("/history?kind=door&by=orla&take=1"))["rows"][0].GetProperty("act").GetString());
        Assert.DoesNotContain(
            "closed",
            (await workshop.Stranger().PostAsync("/session", new { name = "orla", password = "a wrong one, surely" }))
                .Expect(HttpStatusCode.Unauthorized).Detail,
            StringComparison.Ordinal);
        (await adwin.PutAsync("/people/orla", new { fullName = "Orla", role = "engineer", disabled = false })).Expect(HttpStatusCode.OK);
        await SignedInAsync("orla", Password);
    }

    [Fact]
    public async Task Anybody_changes_their_own_password_and_other_sessions_end()
    {
        Caller here = await NewPersonAsync("bram", "reader"), elsewhere = await SignedInAsync("bram", Password);
        Assert.Equal(
            ["current"],
            (await here.PutAsync("/account/password", new { current = "not this one", next = "another four words" }))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.Equal(
            ["password"],
            (await here.PutAsync("/account/password", new { current = Password, next = "short" }))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        (await here.PutAsync("/account/password", new { current = Password, next = "another four words" })).Expect(HttpStatusCode.NoContent);
        (await here.GetAsync("/lookup")).Expect(HttpStatusCode.OK);
        (await elsewhere.GetAsync("/lookup")).Expect(HttpStatusCode.Unauthorized);
        (await workshop.Stranger().PostAsync("/session", new { name = "bram", password = Password })).Expect(HttpStatusCode.Unauthorized);
        await SignedInAsync("bram", "another four words");
    }

    [Fact]
    public async Task Who_lost_a_password_gets_a_link_for_another_and_an_administrator_keeps_their_own_rights()
    {
        Caller tam = await NewPersonAsync("tam", "reader"), adwin = await workshop.SignInAsync("adwin");
        Answer old = (await adwin.PostAsync("/people/tam/link", new { })).Expect(HttpStatusCode.OK),
            link = (await adwin.PostAsync("/people/tam/link", new { })).Expect(HttpStatusCode.OK);
        Caller tamAgain = workshop.Stranger();

        // Until it is used nothing changes; then it is used up, and so are all before it.
        (await tam.GetAsync("/lookup")).Expect(HttpStatusCode.OK);
        foreach ((string name, string code, string password, string field) in new[]
        {
            ("tam", Caller.CodeOf(old), "a new one for tam", "code"), ("bram", Caller.CodeOf(link), "a new one for tam", "code"),
            ("nobody", Caller.CodeOf(link), "a new one for tam", "code"), ("tam", "x", "a new one for tam", "code"),
            ("tam", Caller.CodeOf(link), "short", "password"), ("tam", Caller.CodeOf(link), "tam tam tam tam", "password"),
        })
            Assert.Equal(
                [field],
                (await tamAgain.PostAsync("/session/joining", new { name, code, password })).Expect(HttpStatusCode.UnprocessableEntity)
                    .FaultFields.Distinct());
        await tamAgain.JoinAsync(link, "a new one for tam");
        (await tamAgain.PostAsync("/session/joining", new { name = "tam", code = Caller.CodeOf(link), password = "yet another one" }))
            .Expect(HttpStatusCode.UnprocessableEntity);
        (await tam.GetAsync("/lookup")).Expect(HttpStatusCode.Unauthorized);
        await SignedInAsync("tam", "a new one for tam");
        Assert.Equal(
            "own-account",
            (await adwin.PutAsync("/people/adwin", new { fullName = "Adwin", role = "administrator", disabled = true }))
                .Expect(HttpStatusCode.Conflict)["rule"]
                .GetString());
        Assert.Equal(
            "own-account",
            (await adwin.PutAsync("/people/adwin", new { fullName = "Adwin", role = "reader", disabled = false }))
                .Expect(HttpStatusCode.Conflict)["rule"]
                .GetString());
        (await adwin.PutAsync("/people/nobody", new { fullName = "N", role = "reader", disabled = false })).Expect(HttpStatusCode.NotFound);
        (await tam.PutAsync("/people/adwin", new { fullName = "N", role = "reader", disabled = false })).Expect(HttpStatusCode.Unauthorized);
    }

    [Theory]
    [InlineData("bob\n", "name")]
    [InlineData("bob smith", "name")]
    [InlineData("  ", "name")]
    [InlineData("..", "name")]
    [InlineData(".", "name")]
    [InlineData("-_@", "name")]
    public async Task A_name_that_would_be_odd_everywhere_is_refused_in_a_sentence(string name, string field) =>
        Assert.Equal(
            [field],
            (await (await workshop.SignInAsync("adwin")).PostAsync("/people", new { name, fullName = "Bob", role = "reader" }))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
}

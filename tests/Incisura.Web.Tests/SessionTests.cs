using System.Net;
using System.Net.Http.Json;

namespace Incisura.Web.Tests;

/// <summary>Taking over, fixing and replaying sessions: every key belongs to one person, once.</summary>
public sealed class SessionTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    // A browser whose cookie can be read and set, as with its tools.
    private sealed class Browser(HttpClient http)
    {
        public string Key { get; set; } = "";

        public async Task<HttpResponseMessage> SendAsync(HttpMethod method, string path, object? body = null)
        {
            using HttpRequestMessage request = new(method, "/api/v1" + path) { Content = body is null ? null : JsonContent.Create(body) };
            if (Key.Length > 0) request.Headers.Add("Cookie", Key);
            HttpResponseMessage answer = await http.SendAsync(request, Cancel);
            if (answer.Headers.TryGetValues("Set-Cookie", out IEnumerable<string>? set)
                && set.FirstOrDefault(c => c.StartsWith("incisura=", StringComparison.Ordinal)) is { } cookie)
                Key = cookie.Split(';')[0];
            return answer;
        }

        public async Task<Browser> ComeAsync(string name)
        {
            (await SendAsync(HttpMethod.Post, $"/session/demo/{name}")).EnsureSuccessStatusCode();
            return this;
        }

        public async Task<string> WhoAsync()
        {
            HttpResponseMessage answer = await SendAsync(HttpMethod.Get, "/session");
            return answer.StatusCode == HttpStatusCode.NoContent ? "" : (await Answer.Of(answer))["name"].GetString()!;
        }
    }

    private Browser Open(string key = "") => new(workshop.CreateClient(new() { HandleCookies = false })) { Key = key };

    [Fact]
    public async Task A_key_that_was_there_before_somebody_signed_in_is_never_theirs()
    {
        Browser shop = await Open().ComeAsync("jory");
        string fixedKey = shop.Key;
        await shop.ComeAsync("tobiah");
        Assert.NotEqual(fixedKey, shop.Key);
        Assert.Equal(("tobiah", ""), (await shop.WhoAsync(), await Open(fixedKey).WhoAsync()));
        Assert.Equal(HttpStatusCode.Unauthorized, (await Open(fixedKey).SendAsync(HttpMethod.Get, "/records")).StatusCode);

        // The same person again, too; and a key that somebody made up, or that has ended, is not taken over.
        string before = shop.Key;
        await shop.ComeAsync("tobiah");
        Assert.NotEqual(before, shop.Key);
        Assert.Equal("", await Open(before).WhoAsync());
        foreach (string made in new[] { "incisura=made-up", before, fixedKey })
        {
            Browser other = await Open(made).ComeAsync("maren");
            Assert.NotEqual(made, other.Key);
            Assert.Equal(("maren", ""), (await other.WhoAsync(), await Open(made).WhoAsync()));
        }
    }

    [Fact]
    public async Task Whoever_signs_in_over_another_is_in_a_session_of_their_own_which_ends_with_them_alone()
    {
        Browser shop = await Open().ComeAsync("jory");
        string overtaken = await OwnAsync(shop);
        await shop.ComeAsync("maren");
        Browser elsewhere = await Open().ComeAsync("jory");
        await OwnAsync(shop);
        Assert.DoesNotContain(
            overtaken,
            (await Answer.Of(await elsewhere.SendAsync(HttpMethod.Get, "/account/sessions"))).Json.EnumerateArray()
                .Select(s => s.GetProperty("id").GetString()));

        string stolen = shop.Key;
        await shop.SendAsync(HttpMethod.Delete, "/account/sessions");
        Assert.Equal("maren", await shop.WhoAsync());
        await (await Open().ComeAsync("maren")).SendAsync(HttpMethod.Delete, "/account/sessions");
        Assert.Equal("", await Open(stolen).WhoAsync());
        Assert.Equal("jory", await elsewhere.WhoAsync());
        await shop.SendAsync(HttpMethod.Delete, "/session");
        Assert.Equal("", await Open(stolen).WhoAsync());

        static async Task<string> OwnAsync(Browser browser) =>
            (await Answer.Of(await browser.SendAsync(HttpMethod.Get, "/account/sessions"))).Json.EnumerateArray()
                .Single(s => s.GetProperty("own").GetBoolean()).GetProperty("id").GetString()!;
    }

    [Fact]
    public async Task A_second_factor_begins_a_new_session_and_the_key_without_it_opens_nothing_any_more()
    {
        Caller adwin = await workshop.SignInAsync("adwin");
        await adwin.InviteAsync("hilde", "approver", "two old boats sank", new(workshop.CreateClient()));
        Browser hilde = Open();
        (await hilde.SendAsync(HttpMethod.Post, "/session", new { name = "hilde", password = "two old boats sank" })).EnsureSuccessStatusCode();
        string without = hilde.Key;
        Answer begun = await Answer.Of(await hilde.SendAsync(HttpMethod.Post, "/account/factor", new { password = "two old boats sank" }));
        string code = new OtpNet.Totp(OtpNet.Base32Encoding.ToBytes(begun["secret"].GetString())).ComputeTotp();
        (await hilde.SendAsync(HttpMethod.Post, "/account/factor/confirmation", new { code })).EnsureSuccessStatusCode();
        Assert.NotEqual(without, hilde.Key);
        Assert.Equal(("hilde", ""), (await hilde.WhoAsync(), await Open(without).WhoAsync()));

        // Another role, or a closed account, ends what is there.
        string withRole = hilde.Key;
        (await adwin.PutAsync("/people/hilde", new { fullName = "Hilde", role = "engineer", disabled = false })).Expect(HttpStatusCode.OK);
        Assert.Equal("", await Open(withRole).WhoAsync());
    }

    [Theory]
    [InlineData("tobiah", 29, 31, 12)]
    [InlineData("adwin", 29, 31, 12)]
    [InlineData("maren", 11 * 60, (12 * 60) + 1, 30 * 24)]
    [InlineData("jory", 11 * 60, (12 * 60) + 1, 30 * 24)]
    public async Task A_session_ends_idle_and_in_all_sooner_for_those_who_approve_or_keep_people(string name, int used, int idle, int wholeHours)
    {
        try
        {
            Browser left = await Open().ComeAsync(name), worked = await Open().ComeAsync(name);
            for (int minutes = used; minutes < wholeHours * 60; minutes += used)
            {
                workshop.Clock.Ahead = TimeSpan.FromMinutes(minutes);
                Assert.Equal(name, await worked.WhoAsync());
                if (minutes >= idle) Assert.Equal("", await left.WhoAsync());
            }

            workshop.Clock.Ahead = TimeSpan.FromHours(wholeHours) + TimeSpan.FromMinutes(1);
            Assert.Equal("", await worked.WhoAsync());
        }
        finally
        {
            workshop.Clock.Ahead = default;
        }
    }

    [Fact]
    public async Task A_browser_counts_from_when_it_gets_the_cookie_whatever_the_servers_clock_says()
    {
        HttpResponseMessage came = await Open().SendAsync(HttpMethod.Post, "/session/demo/jory");
        string cookie = came.Headers.GetValues("Set-Cookie").First(c => c.StartsWith("incisura=", StringComparison.Ordinal));
        Assert.Contains("max-age=2592000", cookie, StringComparison.OrdinalIgnoreCase);
    }
}

using System.Net;
using System.Text;

namespace Incisura.Web.Tests;

/// <summary>What goes over the network beside the answer: cookies, headers, and what a request lacks.</summary>
public sealed class TransportTests(RealWorkshop workshop) : IClassFixture<RealWorkshop>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task The_cookie_of_a_real_workshop_goes_over_TLS_to_this_host_only()
    {
        string cookie = RealWorkshop.Header(await RealWorkshop.SignInAsync(workshop.Client()), "Set-Cookie");
        Assert.StartsWith("__Host-incisura=", cookie, StringComparison.Ordinal);
        foreach (string part in new[] { "; path=/", "; secure", "; samesite=strict", "; httponly" })
            Assert.Contains(part, cookie, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain("domain=", cookie, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task Browsers_are_told_to_come_by_TLS_and_never_keep_what_the_workshop_answers()
    {
        HttpClient http = workshop.Client();
        foreach (string path in new[] { "/api/v1/session/welcome", "/api/v1/lookup", "/api/v1/nothing", "/api/v1/library/views" })
        {
            HttpResponseMessage answer = path.EndsWith("views", StringComparison.Ordinal)
                ? await http.PostAsync(path, new StringContent("{", Encoding.UTF8, "application/json"), Cancel)
                : await http.GetAsync(path, Cancel);
            Assert.Contains("max-age=31536000", RealWorkshop.Header(answer, "Strict-Transport-Security"), StringComparison.Ordinal);
            Assert.Equal("no-store", RealWorkshop.Header(answer, "Cache-Control"));
            Assert.Equal("nosniff", RealWorkshop.Header(answer, "X-Content-Type-Options"));
            Assert.Contains("default-src 'self'", RealWorkshop.Header(answer, "Content-Security-Policy"), StringComparison.Ordinal);
            Assert.Contains("geolocation=()", RealWorkshop.Header(answer, "Permissions-Policy"), StringComparison.Ordinal);
            Assert.Equal("same-origin", RealWorkshop.Header(answer, "Referrer-Policy"));
        }
    }

    [Fact]
    public async Task A_request_that_fails_in_the_middle_has_the_headers_too()
    {
        HttpClient http = workshop.Client();
        using StringContent wrong = new("{\"name\":7}", Encoding.UTF8, "application/json");
        HttpResponseMessage answer = await http.PostAsync("/api/v1/session", wrong, Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("frame-ancestors 'none'", RealWorkshop.Header(answer, "Content-Security-Policy"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("DELETE", "/api/v1/session/welcome", null, HttpStatusCode.MethodNotAllowed)]
    [InlineData("POST", "/api/v1/session", "text/plain", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("POST", "/api/v1/nothing", "application/json", HttpStatusCode.NotFound)]
    [InlineData("GET", "/api/v1/nothing", null, HttpStatusCode.NotFound)]
    [InlineData("GET", "/host/people/administrator/password", null, HttpStatusCode.MethodNotAllowed)]
    [InlineData("POST", "/host/people/administrator/password", "application/json", HttpStatusCode.NotFound)]
    [InlineData("GET", "/api/v1/../../appsettings.json", null, HttpStatusCode.NotFound)]
    public async Task What_cannot_be_asked_is_refused_by_what_it_lacks(string method, string path, string? content, HttpStatusCode expected)
    {
        using HttpRequestMessage request = new(new(method), path)
        {
            Content = content is null ? null : new StringContent("{\"password\":\"a\"}", Encoding.UTF8, content),
        };
        HttpResponseMessage answer = await workshop.Client().SendAsync(request, Cancel);
        Assert.Equal(expected, answer.StatusCode);
    }

    [Fact]
    public async Task The_description_of_the_API_is_for_those_who_are_signed_in()
    {
        HttpClient http = workshop.Client(cookies: true);
        Assert.Equal(HttpStatusCode.Unauthorized, (await http.GetAsync("/api/v1/openapi.json", Cancel)).StatusCode);
        (await RealWorkshop.SignInAsync(http)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.OK, (await http.GetAsync("/api/v1/openapi.json", Cancel)).StatusCode);
    }

    [Theory]
    [InlineData("password1234")]
    [InlineData("aaaaaaaaaaaa")]
    [InlineData("123456789012")]
    [InlineData("administrator")]
    [InlineData("Administrator-Incisura-1")]
    [InlineData("passwordpassword")]
    public async Task A_password_that_is_guessed_first_is_refused_with_the_cure(string password)
    {
        Caller own = new(workshop.Client(cookies: true));
        (await own.PostAsync("/session", new { name = "administrator", password = RealWorkshop.Password })).Expect(HttpStatusCode.OK);
        Answer refused = await own.PutAsync("/account/password", new { current = RealWorkshop.Password, next = password });
        refused.Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["password"], refused.FaultFields);
        Assert.Contains("words", refused.Detail, StringComparison.Ordinal);
    }
}

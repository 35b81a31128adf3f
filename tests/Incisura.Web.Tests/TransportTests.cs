using System.Net;
using System.Net.Http.Json;
using System.Text;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Incisura.Web.Tests;

/// <summary>What goes over the network beside the answer: cookies, headers, proxies' word, and how guessing is slowed down.</summary>
public sealed class TransportTests : IDisposable
{
    private const string Password = "a password of my own";

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-transport-").FullName;
    private readonly WebApplicationFactory<Program> host;

    public TransportTests() => host = Of();

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private WebApplicationFactory<Program> Of(params (string Name, string Value)[] settings) =>
        new WebApplicationFactory<Program>().WithWebHostBuilder(builder =>
    {
        builder.UseSetting("Incisura:Database", Path.Combine(folder, "incisura.db"));
        builder.UseSetting("Serilog:MinimumLevel:Default", "Fatal");
        builder.UseSetting("Incisura:FirstAdministrator:Password", Password);
        foreach ((string name, string value) in settings) builder.UseSetting(name, value);
    });

    private static HttpClient Client(WebApplicationFactory<Program> of, string address) =>
        of.CreateClient(new() { BaseAddress = new(address), HandleCookies = false });

    private static Task<HttpResponseMessage> SignInAsync(HttpClient http, string name = "administrator", string password = Password) =>
        http.PostAsJsonAsync("/api/v1/session", new { name, password }, Cancel);

    private static string Header(HttpResponseMessage answer, string name) =>
        string.Join(',', answer.Headers.TryGetValues(name, out IEnumerable<string>? values) ? values : []);

    [Fact]
    public async Task The_cookie_of_a_real_workshop_goes_over_TLS_to_this_host_only()
    {
        string cookie = Header(await SignInAsync(Client(host, "https://tools.example")), "Set-Cookie");
        Assert.StartsWith("__Host-incisura=", cookie, StringComparison.Ordinal);
        foreach (string part in new[] { "; path=/", "; secure", "; samesite=strict", "; httponly" })
            Assert.Contains(part, cookie, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain("domain=", cookie, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task Browsers_are_told_to_come_by_TLS_and_never_keep_what_the_workshop_answers()
    {
        HttpClient http = Client(host, "https://tools.example");
        foreach (string path in new[] { "/api/v1/session/welcome", "/api/v1/lookup", "/api/v1/nothing", "/api/v1/library/views" })
        {
            HttpResponseMessage answer = path.EndsWith("views", StringComparison.Ordinal)
                ? await http.PostAsync(path, new StringContent("{", Encoding.UTF8, "application/json"), Cancel)
                : await http.GetAsync(path, Cancel);
            Assert.Contains("max-age=31536000", Header(answer, "Strict-Transport-Security"), StringComparison.Ordinal);
            Assert.Equal("no-store", Header(answer, "Cache-Control"));
            Assert.Equal("nosniff", Header(answer, "X-Content-Type-Options"));
            Assert.Contains("default-src 'self'", Header(answer, "Content-Security-Policy"), StringComparison.Ordinal);
            Assert.Contains("geolocation=()", Header(answer, "Permissions-Policy"), StringComparison.Ordinal);
            Assert.Equal("same-origin", Header(answer, "Referrer-Policy"));
        }
    }

    [Fact]
    public async Task A_request_that_fails_in_the_middle_has_the_headers_too()
    {
        HttpClient http = Client(host, "https://tools.example");
        using StringContent wrong = new("{\"name\":7}", Encoding.UTF8, "application/json");
        HttpResponseMessage answer = await http.PostAsync("/api/v1/session", wrong, Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("frame-ancestors 'none'", Header(answer, "Content-Security-Policy"), StringComparison.Ordinal);
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
        HttpResponseMessage answer = await Client(host, "https://tools.example").SendAsync(request, Cancel);
        Assert.Equal(expected, answer.StatusCode);
    }

    [Fact]
    public async Task The_description_of_the_API_is_for_those_who_are_signed_in()
    {
        HttpClient http = host.CreateClient(new() { BaseAddress = new("https://tools.example") });
        Assert.Equal(HttpStatusCode.Unauthorized, (await http.GetAsync("/api/v1/openapi.json", Cancel)).StatusCode);
        (await SignInAsync(http)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.OK, (await http.GetAsync("/api/v1/openapi.json", Cancel)).StatusCode);
    }

    [Fact]
    public async Task Somebody_who_guesses_is_slowed_down_alike_for_names_that_are_there_and_that_are_not()
    {
        HttpClient http = Client(host, "https://tools.example");
        List<string> said = [];
        foreach (string name in new[] { "administrator", "Nobody at all" })
            for (int i = 0; i < 9; i++)
            {
                HttpResponseMessage answer = await SignInAsync(http, name, "wrong");
                Assert.Equal(HttpStatusCode.Unauthorized, answer.StatusCode);
                said.Add((await answer.Content.ReadFromJsonAsync<Microsoft.AspNetCore.Mvc.ProblemDetails>(Cancel))!.Detail!);
            }

        Assert.Equal(said[..9], said[9..]);
        Assert.Contains("five minutes", said[8], StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_proxy_that_is_named_tells_who_asks_and_by_which_scheme_and_one_that_is_not_tells_nothing()
    {
        await using WebApplicationFactory<Program> behind = Of(("Incisura:Transport:Proxies", "10.1.0.0/16, ::1"));
        HttpResponseMessage first = await Forwarded(behind, "10.1.2.3", "tools.example");
        Assert.Equal(HttpStatusCode.OK, first.StatusCode);
        Assert.Contains("__Host-", Header(first, "Set-Cookie"), StringComparison.Ordinal);

        // Guessing behind the same proxy is counted for each client by itself.
        for (int i = 0; i < 9; i++) await Forwarded(behind, "10.1.2.3", "tools.example", "203.0.113.7", "wrong");
        Assert.Equal(HttpStatusCode.Unauthorized, (await Forwarded(behind, "10.1.2.3", "tools.example", "203.0.113.7")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Forwarded(behind, "10.1.2.3", "tools.example", "203.0.113.8")).StatusCode);

        // Whoever is no proxy cannot take another address.
        for (int i = 0; i < 9; i++) await Forwarded(behind, "192.0.2.9", "tools.example", $"203.0.113.{20 + i}", "wrong");
        Assert.Equal(HttpStatusCode.Unauthorized, (await Forwarded(behind, "192.0.2.9", "tools.example", "203.0.113.99")).StatusCode);
    }

    private static async Task<HttpResponseMessage> Forwarded(
        WebApplicationFactory<Program> behind, string from, string named, string client = "203.0.113.5", string password = Password)
    {
        byte[] body = Encoding.UTF8.GetBytes($$"""{"name":"administrator","password":"{{password}}"}""");
        Microsoft.AspNetCore.Http.HttpContext answer = await behind.Server.SendAsync(
            context =>
            {
                context.Connection.RemoteIpAddress = IPAddress.Parse(from);
                context.Request.Method = "POST";
                context.Request.Path = "/api/v1/session";
                context.Request.Headers["X-Forwarded-For"] = client;
                context.Request.Headers["X-Forwarded-Proto"] = "https";
                context.Request.Headers["X-Forwarded-Host"] = named;
                context.Request.ContentType = "application/json";
                context.Request.ContentLength = body.Length;
                context.Request.Body = new MemoryStream(body);
                context.Features.Set<Microsoft.AspNetCore.Http.Features.IHttpRequestBodyDetectionFeature>(new WithBody());
            },
            Cancel);
        HttpResponseMessage read = new((HttpStatusCode)answer.Response.StatusCode);
        foreach (string? cookie in answer.Response.Headers.SetCookie) read.Headers.TryAddWithoutValidation("Set-Cookie", cookie);
        return read;
    }

    private sealed class WithBody : Microsoft.AspNetCore.Http.Features.IHttpRequestBodyDetectionFeature
    {
        public bool CanHaveBody => true;
    }

    [Theory]
    [InlineData("Incisura:Transport:Proxies", "10.0.0.300", "no address and no network")]
    [InlineData("Incisura:Transport:PublicAddress", "tools.example", "write https://")]
    [InlineData("Incisura:Copies:EverySeconds", "1", "between 5 and 86400")]
    public void A_setting_that_cannot_be_keeps_it_from_starting_and_is_named(string name, string value, string says)
    {
        using WebApplicationFactory<Program> wrong = Of((name, value));
        Assert.Contains(says, Assert.ThrowsAny<StartException>(() => wrong.CreateClient()).Message, StringComparison.Ordinal);
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
        Caller own = new(host.CreateClient(new() { BaseAddress = new("https://tools.example") }));
        (await own.PostAsync("/session", new { name = "administrator", password = Password })).Expect(HttpStatusCode.OK);
        Answer refused = await own.PutAsync("/session/password", new { current = Password, next = password });
        refused.Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["password"], refused.FaultFields);
        Assert.Contains("words", refused.Detail, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("two old boats sank")]
    [InlineData("vier alte Kähne sanken im März")]
    public async Task A_few_words_in_a_row_are_welcome(string password)
    {
        Caller own = new(host.CreateClient(new() { BaseAddress = new("https://tools.example") }));
        (await own.PostAsync("/session", new { name = "administrator", password = Password })).Expect(HttpStatusCode.OK);
        (await own.PutAsync("/session/password", new { current = Password, next = password })).Expect(HttpStatusCode.NoContent);
        (await own.PutAsync("/session/password", new { current = password, next = new string('x', 201) })).Expect(HttpStatusCode.UnprocessableEntity);
    }

    public void Dispose()
    {
        host.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}

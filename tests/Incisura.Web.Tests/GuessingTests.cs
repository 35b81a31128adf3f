using System.Net;
using System.Net.Http.Json;
using System.Text;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Incisura.Web.Tests;

/// <summary>How guessing is slowed down, whose word a proxy's is, and what is set; each with a workshop of its own.</summary>
public sealed class GuessingTests : IDisposable
{
    private readonly RealWorkshop workshop = new();

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Somebody_who_guesses_is_slowed_down_alike_for_names_that_are_there_and_that_are_not()
    {
        HttpClient http = workshop.Client();
        List<string> said = [];
        foreach (string name in new[] { "administrator", "Nobody at all" })
            for (int i = 0; i < 9; i++)
            {
                HttpResponseMessage answer = await RealWorkshop.SignInAsync(http, name, "wrong");
                Assert.Equal(HttpStatusCode.Unauthorized, answer.StatusCode);
                said.Add((await answer.Content.ReadFromJsonAsync<Microsoft.AspNetCore.Mvc.ProblemDetails>(Cancel))!.Detail!);
            }

        Assert.Equal(said[..9], said[9..]);
        Assert.Contains("five minutes", said[8], StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_proxy_that_is_named_tells_who_asks_and_by_which_scheme_and_one_that_is_not_tells_nothing()
    {
        await using WebApplicationFactory<Program> behind = workshop.Of(("Incisura:Transport:Proxies", "10.1.0.0/16, ::1"));
        HttpResponseMessage first = await Forwarded(behind, "10.1.2.3", "tools.example");
        Assert.Equal(HttpStatusCode.OK, first.StatusCode);
        Assert.Contains("__Host-", RealWorkshop.Header(first, "Set-Cookie"), StringComparison.Ordinal);

        // Guessing behind the same proxy is counted for each client by itself.
        for (int i = 0; i < 9; i++) await Forwarded(behind, "10.1.2.3", "tools.example", "203.0.113.7", "wrong");
        Assert.Equal(HttpStatusCode.Unauthorized, (await Forwarded(behind, "10.1.2.3", "tools.example", "203.0.113.7")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Forwarded(behind, "10.1.2.3", "tools.example", "203.0.113.8")).StatusCode);

        // Whoever is no proxy cannot take another address.
        for (int i = 0; i < 9; i++) await Forwarded(behind, "192.0.2.9", "tools.example", $"203.0.113.{20 + i}", "wrong");
        Assert.Equal(HttpStatusCode.Unauthorized, (await Forwarded(behind, "192.0.2.9", "tools.example", "203.0.113.99")).StatusCode);
    }

    private static async Task<HttpResponseMessage> Forwarded(
        WebApplicationFactory<Program> behind, string from, string named, string client = "203.0.113.5", string password = RealWorkshop.Password)
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
        using WebApplicationFactory<Program> wrong = workshop.Of((name, value));
        Assert.Contains(says, Assert.ThrowsAny<StartException>(() => wrong.CreateClient()).Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("two old boats sank")]
    [InlineData("vier alte Kähne sanken im März")]
    public async Task A_few_words_in_a_row_are_welcome(string password)
    {
        Caller own = new(workshop.Client(cookies: true));
        (await own.PostAsync("/session", new { name = "administrator", password = RealWorkshop.Password })).Expect(HttpStatusCode.OK);
        (await own.PutAsync("/account/password", new { current = RealWorkshop.Password, next = password })).Expect(HttpStatusCode.NoContent);
        (await own.PutAsync("/account/password", new { current = password, next = new string('x', 201) })).Expect(HttpStatusCode.UnprocessableEntity);
    }

    public void Dispose() => workshop.Dispose();
}

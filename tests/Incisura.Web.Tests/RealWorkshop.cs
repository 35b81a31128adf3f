using System.Net.Http.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Incisura.Web.Tests;

/// <summary>A real workshop, without the demo, with its first administrator.</summary>
public sealed class RealWorkshop : IDisposable
{
    public const string Password = "a password of my own";

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-real-").FullName;

    public RealWorkshop() => Host = Of();

    public WebApplicationFactory<Program> Host { get; }

    public WebApplicationFactory<Program> Of(params (string Name, string Value)[] settings) =>
        new WebApplicationFactory<Program>().WithWebHostBuilder(builder =>
    {
        builder.UseSetting("Incisura:Database", Path.Combine(folder, "incisura.db"));
        builder.Quiet();
        builder.UseSetting("Incisura:FirstAdministrator:Password", Password);
        foreach ((string name, string value) in settings) builder.UseSetting(name, value);
    });

    public HttpClient Client(bool cookies = false) =>
        Host.CreateClient(new() { BaseAddress = new("https://tools.example"), HandleCookies = cookies });

    public static Task<HttpResponseMessage> SignInAsync(HttpClient http, string name = "administrator", string password = Password) =>
        http.PostAsJsonAsync("/api/v1/session", new { name, password }, TestContext.Current.CancellationToken);

    public static string Header(HttpResponseMessage answer, string name) =>
        string.Join(',', answer.Headers.TryGetValues(name, out IEnumerable<string>? values) ? values : []);

    public void Dispose()
    {
        Host.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}

using System.Collections.Concurrent;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;

[assembly: AssemblyFixture(typeof(Incisura.Web.Tests.SharedWorkshop))]

namespace Incisura.Web.Tests;

/// <summary>The real host over a real SQLite file, a copy of the filled demo workshop, thrown away after the test class.</summary>
public class Workshop : WebApplicationFactory<Program>
{
    private readonly string folder = Directory.CreateTempSubdirectory("incisura-test-").FullName;

    public Workshop() => Filled.CopyTo(folder);

    /// <summary>The clock it goes by, which can be put ahead.</summary>
    public ShiftedClock Clock { get; } = new();

    public string Database => Path.Combine(folder, "incisura.db");

    public virtual async Task<Caller> SignInAsync(string name)
    {
        HttpClient http = CreateClient(new() { HandleCookies = true });
        HttpResponseMessage answer = await http.PostAsync($"/api/v1/session/demo/{name}", null);
        answer.EnsureSuccessStatusCode();
        return new(http);
    }

    /// <summary>The library and shop as they stand.</summary>
    public async Task<ShelfView> ShelfAsync()
    {
        using IServiceScope scope = Services.CreateScope();
        return await scope.ServiceProvider.GetRequiredService<Shelf>().ViewAsync(scope.ServiceProvider.GetRequiredService<IncisuraDb>());
    }

    /// <summary>What comes as a file.</summary>
    public async Task<byte[]> BytesAsync(string name, string path)
    {
        HttpClient http = CreateClient(new() { HandleCookies = true });
        (await http.PostAsync($"/api/v1/session/demo/{name}", null)).EnsureSuccessStatusCode();
        HttpResponseMessage answer = await http.GetAsync("/api/v1" + path);
        answer.EnsureSuccessStatusCode();
        return await answer.Content.ReadAsByteArrayAsync();
    }

    public Caller Stranger() => new(CreateClient());

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("Incisura:Demo", "true");
        builder.UseSetting("Incisura:Database", Database);
        builder.UseSetting("Incisura:DemoData", Path.Combine(AppContext.BaseDirectory, "demo"));
        builder.Quiet();
        builder.ConfigureServices(services => services.AddSingleton<TimeProvider>(Clock));
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        if (!disposing) return;
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}

/// <summary>The same, one for all classes that only read it; fails where one of them wrote.</summary>
public sealed class SharedWorkshop : Workshop, IAsyncLifetime
{
    private readonly ConcurrentDictionary<string, Task<Caller>> callers = [];
    private long before;

    public override Task<Caller> SignInAsync(string name) => callers.GetOrAdd(name, base.SignInAsync);

    public ValueTask InitializeAsync()
    {
        before = Written();
        return ValueTask.CompletedTask;
    }

    public override async ValueTask DisposeAsync()
    {
        Assert.Equal(before, Written());
        await base.DisposeAsync();
    }

    private long Written()
    {
        using Microsoft.Data.Sqlite.SqliteConnection connection = new($"Data Source={Database};Pooling=False");
        connection.Open();
        using Microsoft.Data.Sqlite.SqliteCommand command = connection.CreateCommand();
        command.CommandText = "SELECT count(*) FROM Changes WHERE Kind <> 'door'";
        return (long)command.ExecuteScalar()!;
    }
}

/// <summary>The system's clock, some time ahead.</summary>
public sealed class ShiftedClock : TimeProvider
{
    public TimeSpan Ahead { get; set; }

    public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + Ahead;
}

/// <summary>Somebody who calls the API, and reads answers as plain JSON as a foreign program would.</summary>
public sealed class Caller(HttpClient http)
{
    public async Task<Answer> GetAsync(string path) => await Answer.Of(await http.GetAsync("/api/v1" + path));

    /// <summary>What comes as bytes.</summary>
    public Task<byte[]> BytesAsync(string path) => http.GetByteArrayAsync("/api/v1" + path);

    public async Task<Answer> PostAsync(string path, object body, int? ifMatch = null) =>
        await SendAsync(HttpMethod.Post, path, JsonContent.Create(body), ifMatch);

    /// <summary>Publishes, and waits until the edition is there.</summary>
    public async Task<JsonElement> PublishAsync(object body)
    {
        Answer progress = (await PostAsync("/editions", body)).Expect(HttpStatusCode.Accepted);
        while (progress["running"].GetBoolean())
        {
            await Task.Delay(50);
            progress = await GetAsync("/editions/publishing");
        }

        Assert.Equal("", progress["refused"].GetString());
        return progress["edition"];
    }

    /// <summary>Adds somebody, who follows the link they get and gives a password.</summary>
    public async Task<string> InviteAsync(string name, string role, string password, Caller stranger)
    {
        Answer link = (await PostAsync("/people", new { name, fullName = "Somebody New", role })).Expect(HttpStatusCode.Created);
        await stranger.JoinAsync(link, password);
        return name;
    }

    /// <summary>Follows a link, and gives a password.</summary>
    public async Task JoinAsync(Answer link, string password)
    {
        object joined = new { name = link["name"].GetString(), code = CodeOf(link), password };
        (await PostAsync("/session/joining", joined)).Expect(HttpStatusCode.NoContent);
    }

    /// <summary>What opens the door in a link.</summary>
    public static string CodeOf(Answer link) => Uri.UnescapeDataString(link["link"].GetString()!.Split("&code=")[1]);

    public async Task<Answer> PutAsync(string path, object body, int? ifMatch = null) =>
        await SendAsync(HttpMethod.Put, path, JsonContent.Create(body), ifMatch);

    public async Task<Answer> SendAsync(
        HttpMethod method, string path, HttpContent? content, int? ifMatch = null, params (string Name, string Value)[] headers)
    {
        using HttpRequestMessage request = new(method, "/api/v1" + path) { Content = content };
        if (ifMatch is not null) request.Headers.TryAddWithoutValidation("If-Match", $"\"{ifMatch}\"");
        foreach ((string name, string value) in headers) request.Headers.TryAddWithoutValidation(name, value);
        return await Answer.Of(await http.SendAsync(request));
    }
}

/// <summary>A status and what came with it.</summary>
public sealed record Answer(HttpStatusCode Status, JsonElement Json)
{
    public JsonElement this[string name] => Json.GetProperty(name);

    public string Detail => Json.GetProperty("detail").GetString()!;

    public IEnumerable<string> FaultFields => Json.GetProperty("faults").EnumerateArray().Select(f => f.GetProperty("field").GetString()!);

    public static async Task<Answer> Of(HttpResponseMessage response)
    {
        string text = await response.Content.ReadAsStringAsync();
        bool json = response.Content.Headers.ContentType?.MediaType?.EndsWith("json", StringComparison.Ordinal) == true;
        return new(response.StatusCode, json ? JsonDocument.Parse(text).RootElement : default);
    }

    public Answer Expect(HttpStatusCode status)
    {
        Assert.True(Status == status, $"expected {status}, got {Status}: {(Json.ValueKind == JsonValueKind.Undefined ? "" : Json.ToString())}");
        return this;
    }
}

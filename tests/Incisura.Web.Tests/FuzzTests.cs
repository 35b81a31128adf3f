using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

/// <summary>Requests made from the API's own description, with ordinary and hostile values: whatever is sent, the server answers, and in words.</summary>
public sealed class FuzzTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const int Seed = 20261127;

    private static readonly int Requests = int.Parse(Environment.GetEnvironmentVariable("INCISURA_REQUESTS") ?? "500", CultureInfo.InvariantCulture);

    // Which would end the session that asks, and is tested by itself.
    private static readonly string[] LeftOut = ["/api/v1/session"];

    private static readonly string[] People = ["maren", "tobiah", "adwin", "jory"];

    [Fact]
    public async Task Whatever_is_sent_the_server_answers_it_and_nothing_fails_inside()
    {
        Random random = new(Seed);
        HttpClient[] people = [.. await Task.WhenAll(People.Select(HttpAsync))];
        using JsonDocument description = JsonDocument.Parse(
            await people[0].GetStringAsync("/api/v1/openapi.json", TestContext.Current.CancellationToken));
        (string Method, string Path, JsonElement Operation)[] all =
        [
            .. description.RootElement.GetProperty("paths").EnumerateObject()
                .Where(p => !LeftOut.Any(l => p.Name.StartsWith(l, StringComparison.Ordinal)))
                .SelectMany(p => p.Value.EnumerateObject().Select(o => (o.Name.ToUpperInvariant(), p.Name, o.Value))),
        ];
        Assert.True(all.Length > 100, $"only {all.Length} operations are described");
        Dictionary<HttpStatusCode, int> answers = [];
        List<string> failed = [];
        TimeSpan slowest = default;
        string slow = "";
        for (int i = 0; i < Requests; i++)
        {
            (string method, string path, JsonElement operation) = all[random.Next(all.Length)];
            FuzzedRequest made = new(description.RootElement, random);
            using HttpRequestMessage request = made.Of(method, path, operation);
            if (method == "PUT" && random.Next(4) > 0) await TakeAsStoredAsync(request, made, people[0]);
            string sent = $"{i}: {method} {request.RequestUri} {made.Body}";
            Stopwatch watch = Stopwatch.StartNew();
            HttpClient who = people[random.Next(3) == 0 ? random.Next(people.Length) : 0];
            using HttpResponseMessage answer = await who.SendAsync(request, TestContext.Current.CancellationToken);
            string text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            if (watch.Elapsed > slowest) (slowest, slow) = (watch.Elapsed, sent);
            answers[answer.StatusCode] = answers.GetValueOrDefault(answer.StatusCode) + 1;
            if ((int)answer.StatusCode >= 500) failed.Add($"{answer.StatusCode} {Cut(sent)}\n  {Cut(text)}");
            else if ((int)answer.StatusCode >= 400 && !SaysWhy(text)) failed.Add($"{answer.StatusCode} without a sentence: {Cut(sent)} {Cut(text)}");
        }

        string counts = string.Join(", ", answers.OrderBy(a => a.Key).Select(a => $"{(int)a.Key} {a.Value}"));
        TestContext.Current.SendDiagnosticMessage($"{Requests} requests: {counts}; slowest {slowest.TotalSeconds:0.0} s {Cut(slow)}");
        Assert.True(failed.Count == 0, $"{failed.Count} of {Requests} ({counts}):\n" + string.Join("\n", failed.Take(20)));

        // Only where it runs by itself for long: a few requests on a busy machine tell nothing of time.
        if (Requests >= 10_000) Assert.True(slowest < TimeSpan.FromSeconds(5), $"{slowest.TotalSeconds:0.0} s: {slow}");

        // Most of what is made can be read, and some of it is done: otherwise nothing behind the first check was tried.
        Assert.True(answers.GetValueOrDefault(HttpStatusCode.OK) > Requests / 10, counts);
        Assert.True(answers.GetValueOrDefault(HttpStatusCode.UnprocessableEntity) > Requests / 50, counts);
    }

    // What is stored, from its own revision, with one thing in it changed: so that what comes behind the form is reached.
    private static async Task TakeAsStoredAsync(HttpRequestMessage request, FuzzedRequest made, HttpClient reader)
    {
        using HttpResponseMessage sheet = await reader.GetAsync(request.RequestUri, TestContext.Current.CancellationToken);
        if (sheet.StatusCode != HttpStatusCode.OK || sheet.Content.Headers.ContentType?.MediaType != "application/json") return;
        JsonNode? stored = JsonNode.Parse(await sheet.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        if (stored is not JsonObject || stored["definition"] is not { } definition || stored["revision"] is not { } revision) return;
        request.Headers.Remove("If-Match");
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{revision}\"");
        request.Content = new StringContent(made.Changed(definition), Encoding.UTF8, "application/json");
    }

    private async Task<HttpClient> HttpAsync(string name)
    {
        HttpClient http = workshop.CreateClient();
        (await http.PostAsync($"/api/v1/session/demo/{name}", null)).EnsureSuccessStatusCode();
        return http;
    }

    private static bool SaysWhy(string text)
    {
        if (!text.StartsWith('{')) return false;
        using JsonDocument problem = JsonDocument.Parse(text);
        return problem.RootElement.TryGetProperty("detail", out JsonElement detail) && detail.GetString() is { Length: > 0 };
    }

    private static string Cut(string text) => text.Length > 400 ? text[..400] : text;
}

/// <summary>A request made from its description: mostly as it should be, with something wrong here and there.</summary>
internal sealed class FuzzedRequest(JsonElement document, Random random)
{
    private static readonly string[] Texts =
    [
        "A-1042", "C-0020", "R-0001", "side-rough", "42CrMo4", "", " ", "x", "a\0b", "line\nbreak\r\n", "=1+1", "'; DROP TABLE Cutters; --", "%_%",
        "../../etc/passwd",
        "<svg onload=alert(1)>", "\u202e\u0000\ud83d\ude00", "null", "NaN", "1e999", "2026-02-30", new('ü', 3000), "{0}{1}{", "\\", "\"",
    ];

    private static readonly string[] Numbers =
    [
        "0", "1", "2", "3", "6", "12.5", "0.1", "-1", "-0", "1e-300", "1e17", "1e308", "1e999", "-1e999", "2147483647", "2147483648",
        "9223372036854775808", "0.1e", "\"12\"", "\"NaN\"", "\"Infinity\"", "null", "[]", "true",
    ];

    // Half of them are as they should be in all but their content.
    private readonly int rarity = random.Next(2) == 0 ? 10_000 : 25;

    /// <summary>A stored definition with one value in it changed.</summary>
    public string Changed(JsonNode definition)
    {
        List<JsonNode> all = [.. Below(definition.DeepClone()).Where(n => n.Parent is not null)];
        if (all.Count == 0) return Body = definition.ToJsonString();
        JsonNode one = all[random.Next(all.Count)], root = one.Root;
        StringBuilder other = new();
        if (Odd(2)) Anything(other);
        else if (one.GetValueKind() == JsonValueKind.String) other.Append(JsonSerializer.Serialize(Texts[random.Next(Texts.Length)]));
        else other.Append(Numbers[random.Next(Numbers.Length)]);
        string mark = $"\"fuzz-{random.Next()}\"";
        one.ReplaceWith(JsonNode.Parse(mark));
        return Body = root.ToJsonString().Replace(mark, other.ToString(), StringComparison.Ordinal);
    }

    private static IEnumerable<JsonNode> Below(JsonNode node) => node switch
    {
        JsonObject o => [node, .. o.Where(m => m.Value is not null).SelectMany(m => Below(m.Value!))],
        JsonArray a => [node, .. a.Where(m => m is not null).SelectMany(m => Below(m!))],
        _ => [node],
    };

    /// <summary>What is sent in its body.</summary>
    public string Body { get; private set; } = "";

    /// <summary>The request.</summary>
    public HttpRequestMessage Of(string method, string path, JsonElement operation)
    {
        StringBuilder query = new();
        foreach (JsonElement parameter in operation.TryGetProperty("parameters", out JsonElement all) ? all.EnumerateArray() : [])
        {
            JsonElement known = Resolved(parameter);
            string name = known.GetProperty("name").GetString()!, stands = known.GetProperty("in").GetString()!;
            string text = Plain(known.TryGetProperty("schema", out JsonElement schema) ? schema : default);

            // What no server lets into a path is refused before it comes to this one.
            string step = Uri.EscapeDataString(text is { Length: > 0 and < 200 } && !text.Contains('\0', StringComparison.Ordinal) ? text : "1");
            if (stands == "path") path = path.Replace("{" + name + "}", step, StringComparison.Ordinal);
            else if (stands == "query" && random.Next(3) > 0)
                query.Append(query.Length == 0 ? '?' : '&').Append(name).Append('=').Append(Uri.EscapeDataString(text));
        }

        HttpRequestMessage request = new(new(method), path + query);
        if (random.Next(2) == 0) request.Headers.TryAddWithoutValidation("If-Match", random.Next(5) == 0 ? "x" : $"\"{random.Next(4)}\"");
        if (operation.TryGetProperty("requestBody", out JsonElement body))
        {
            JsonProperty content = Resolved(body).GetProperty("content").EnumerateObject().First();
            StringBuilder json = new();
            Write(content.Value.TryGetProperty("schema", out JsonElement schema) ? schema : default, json, 0);
            Body = json.ToString();
            if (Rarely()) Body = Body[..random.Next(Body.Length)];
            request.Content = new StringContent(Body, Encoding.UTF8, Rarely() ? "text/plain" : content.Name);
        }

        return request;
    }

    private bool Odd(int of) => random.Next(of) == 0;

    private bool Rarely() => random.Next(rarity) == 0;

    private JsonElement Resolved(JsonElement schema)
    {
        while (schema.ValueKind == JsonValueKind.Object && schema.TryGetProperty("$ref", out JsonElement to))
        {
            JsonElement at = document;
            foreach (string step in to.GetString()!.Split('/').Skip(1)) at = at.GetProperty(step.Replace("~1", "/", StringComparison.Ordinal));
            schema = at;
        }

        return schema;
    }

    private string Plain(JsonElement schema)
    {
        if (Odd(12)) return Texts[random.Next(Texts.Length)];
        StringBuilder json = new();
        Write(schema, json, 6);
        return json.ToString().Trim('"');
    }

    private void Write(JsonElement given, StringBuilder to, int depth)
    {
        JsonElement schema = Resolved(given);
        if (Rarely() || schema.ValueKind != JsonValueKind.Object)
        {
            Anything(to);
            return;
        }

        foreach (string choice in (string[])["oneOf", "anyOf"])
            if (schema.TryGetProperty(choice, out JsonElement choices))
            {
                Write(choices[random.Next(choices.GetArrayLength())], to, depth);
                return;
            }

        if (schema.TryGetProperty("enum", out JsonElement words) && words.GetArrayLength() > 0)
        {
            to.Append(words[random.Next(words.GetArrayLength())].GetRawText());
            return;
        }

        switch (TypeOf(schema))
        {
            case "object":
                WriteObject(schema, to, depth);
                break;
            case "array":
                int count = depth > 5 ? 0 : random.Next(4);
                to.Append('[');
                for (int i = 0; i < count; i++)
                {
                    if (i > 0) to.Append(',');
                    if (schema.TryGetProperty("items", out JsonElement items)) Write(items, to, depth + 1);
                    else Anything(to);
                }

                to.Append(']');
                break;
            case "string":
                to.Append(JsonSerializer.Serialize(TextOf(schema)));
                break;
            case "boolean":
                to.Append(Odd(2) ? "true" : "false");
                break;
            case "null":
                to.Append("null");
                break;
            case "integer":
                to.Append(Rarely() ? Numbers[random.Next(Numbers.Length)] : random.Next(1, 13).ToString(CultureInfo.InvariantCulture));
                break;
            case "number":
                to.Append(Rarely() ? Numbers[random.Next(Numbers.Length)] : (random.Next(1, 400) / 10.0).ToString(CultureInfo.InvariantCulture));
                break;
            default:
                Anything(to);
                break;
        }
    }

    private string TypeOf(JsonElement schema)
    {
        if (!schema.TryGetProperty("type", out JsonElement type)) return schema.TryGetProperty("properties", out _) ? "object" : "";
        if (type.ValueKind == JsonValueKind.String) return type.GetString()!;
        string[] types = [.. type.EnumerateArray().Select(t => t.GetString()!).Where(t => t != "string" || !schema.TryGetProperty("pattern", out _))];
        return types.Length == 0 ? "string" : types[random.Next(types.Length)];
    }

    private string TextOf(JsonElement schema)
    {
        string format = schema.TryGetProperty("format", out JsonElement f) ? f.GetString()! : "";
        return Rarely() ? Texts[random.Next(Texts.Length)] : format switch
        {
            "date-time" => DateTimeOffset.UtcNow.AddDays(random.Next(-30, 3)).ToString("O", CultureInfo.InvariantCulture),
            "date" => DateTime.UtcNow.AddDays(random.Next(-30, 300)).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            "uuid" => new Guid(random.Next(), 1, 2, new byte[8]).ToString(),
            "byte" => Convert.ToBase64String(new byte[random.Next(40)]),
            _ => Texts[random.Next(5)],
        };
    }

    private void WriteObject(JsonElement schema, StringBuilder to, int depth)
    {
        to.Append('{');
        bool first = true;
        HashSet<string> needed = schema.TryGetProperty("required", out JsonElement r) ? [.. r.EnumerateArray().Select(n => n.GetString()!)] : [];
        foreach (JsonProperty member in schema.TryGetProperty("properties", out JsonElement members) ? members.EnumerateObject() : [])
        {
            bool left = needed.Contains(member.Name) ? Rarely() : depth > 4 || Odd(2);
            if (left) continue;
            Name(member.Name);
            Write(member.Value, to, depth + 1);
        }

        if (schema.TryGetProperty("additionalProperties", out JsonElement more) && more.ValueKind == JsonValueKind.Object)
            foreach (string name in new[] { "depth", "length", Texts[random.Next(Texts.Length)] }.Take(random.Next(4)))
            {
                Name(name);
                Write(more, to, depth + 1);
            }

        if (Rarely())
        {
            Name("unknown");
            Anything(to);
        }

        to.Append('}');

        void Name(string name)
        {
            if (!first) to.Append(',');
            first = false;
            to.Append(JsonSerializer.Serialize(name)).Append(':');
        }
    }

    private void Anything(StringBuilder to) => to.Append(random.Next(6) switch
    {
        0 => "null",
        1 => JsonSerializer.Serialize(Texts[random.Next(Texts.Length)]),
        2 => "[null]",
        3 => "{}",
        4 => string.Concat(Enumerable.Repeat("[", 80)) + string.Concat(Enumerable.Repeat("]", 80)),
        _ => Numbers[random.Next(Numbers.Length)],
    });
}

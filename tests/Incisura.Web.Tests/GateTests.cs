using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

/// <summary>Every road to an approved or published figure, times every way in which it can have become untrue since.</summary>
public sealed class GateTests(Workshop workshop) : IClassFixture<Workshop>
{
    // Each way has a record of its own, so that nobody has had a hand in it before.
    private static readonly Queue<(string Operation, int Material)> Free = new(
        from operation in new[] { "side-rough", "slot", "side-finish", "pocket" }
        from material in Enumerable.Range(1, 12)
        select (operation, material));

    // A change of something the record rests on: where that lies, what becomes of it, and whether the figures then break a limit.
    public static TheoryData<string, string, string, double?, bool?> Ways => new()
    {
        { "cutter's largest depth", "/library/cutters/{cutter}", "dimensions.APMX", 0.2, true },
        { "cutter retired", "/library/cutters/{cutter}", "retired", null, true },
        { "holder retired", "/library/holders/{holder}", "retired", null, true },
        { "assembly retired", "/library/assemblies/6", "retired", null, true },
        { "projection of the assembly", "/library/assemblies/6", "projection", 1.08, null },
        { "top speed of the machine", "/shop/machines/1", "largestSpeed", 0.1, true },
        { "force of the material", "/shop/materials/{material}", "specificCuttingForce", 1.2, null },
        { "the chart's speed", "/shop/charts/1", "rows.cuttingSpeed", 0.9, false },
        { "what the shop goes by", "/shop/charts/1", "practice.clearWay", 1.5, false },
    };

    [Theory]
    [MemberData(nameof(Ways))]
    public async Task Nothing_that_became_untrue_is_approved_kept_or_published_but_with_a_reason_that_readers_see(
        string way, string path, string field, double? factor, bool? expected)
    {
        (Caller maren, Caller tobiah) = (await workshop.SignInAsync("maren"), await workshop.SignInAsync("tobiah"));
        Answer record = await InReviewAsync(maren);
        string number = record["number"].GetString()!, of = $"/records/{number}";
        path = Fill(path, record, await maren.GetAsync("/library/assemblies/6"));
        JsonElement before = await ChangeAsync(maren, path, field, factor);
        bool breaks = await BreaksAsync(maren, of, expected);
        try
        {
            Answer refused = await tobiah.PostAsync($"{of}/approve", new { }, Version(record));
            refused.Expect(HttpStatusCode.Conflict);
            string rule = refused["rule"].GetString()!;
            Assert.True(breaks ? rule is "broken" or "impossible" : rule == "moved", $"{way}: {refused.Detail}");
            Assert.Equal(breaks ? rule : "", WhyNot(await tobiah.GetAsync(of), "approve"));
            Answer reasoned = await tobiah.PostAsync($"{of}/approve", new { text = "It ran so yesterday." }, Version(record));
            if (!breaks)
            {
                reasoned.Expect(HttpStatusCode.OK);
                Assert.Contains("It ran so yesterday.", Newest(reasoned).GetProperty("terms").ToString(), StringComparison.Ordinal);
            }
            else
            {
                Assert.Equal(rule, reasoned.Expect(HttpStatusCode.Conflict)["rule"].GetString());

                // Worked out anew it is somebody else's to decide, and never that of whoever did it.
                Answer anew = (await tobiah.PostAsync($"{of}/rework", new { }, Version(record))).Expect(HttpStatusCode.OK);
                JsonElement next = Newest(anew);
                Assert.NotEqual("approved", next.GetProperty("state").GetString());
                Assert.Equal("own-proposal", next.GetProperty("state").GetString() == "inReview" ? WhyNot(anew, "approve") : "own-proposal");
            }
        }
        finally
        {
            await BackAsync(maren, path, before);
        }

        await ClearAsync(maren, tobiah, of);
    }

    [Theory]
    [MemberData(nameof(Ways))]
    public async Task Nothing_new_that_became_untrue_goes_into_an_edition_by_itself(
        string way, string path, string field, double? factor, bool? expected)
    {
        (Caller maren, Caller tobiah) = (await workshop.SignInAsync("maren"), await workshop.SignInAsync("tobiah"));
        Answer record = await InReviewAsync(maren);
        string number = record["number"].GetString()!, of = $"/records/{number}";
        path = Fill(path, record, await maren.GetAsync("/library/assemblies/6"));
        record = (await tobiah.PostAsync($"{of}/approve", new { }, Version(record))).Expect(HttpStatusCode.OK);
        JsonElement before = await ChangeAsync(maren, path, field, factor);
        bool breaks = await BreaksAsync(maren, of, expected);
        try
        {
            JsonElement pending = (await tobiah.GetAsync($"/editions/pending?q={number}"))["entries"][0];
            Assert.True(pending.GetProperty("against").GetArrayLength() > 0, way);
            Assert.Equal(!breaks || !Refused(pending), pending.GetProperty("yields").GetBoolean());
            await tobiah.PublishAsync(new { note = $"Without {way}, and something else is taken out.", takes = Without(Free.Count) });
            Assert.DoesNotContain(await PublishedAsync(tobiah), r => r.GetProperty("record").GetString() == number);

            if (pending.GetProperty("yields").GetBoolean())
            {
                await tobiah.PublishAsync(new { reasons = new Dictionary<string, string> { [number] = "The last bars are used up." } });
                JsonElement taken = (await PublishedAsync(tobiah)).Single(r => r.GetProperty("record").GetString() == number);
                Assert.Contains("The last bars are used up.", taken.GetProperty("accepted").ToString(), StringComparison.Ordinal);
                Assert.True(taken.TryGetProperty("limitsToday", out _));
                string csv = System.Text.Encoding.UTF8.GetString(await tobiah.BytesAsync($"/editions/{await LastAsync(tobiah)}/table.csv"));
                Assert.Contains("The last bars are used up.", csv, StringComparison.Ordinal);
                Answer found = await tobiah.GetAsync($"/lookup?q={number}");
                Assert.Contains("The last bars are used up.", found.Json.ToString(), StringComparison.Ordinal);
            }

            // Kept it is only where it breaks nothing, and then readers see why.
            Answer kept = await tobiah.PostAsync($"{of}/keep", new { text = "It still holds." }, Version(await tobiah.GetAsync(of)));
            kept.Expect(breaks ? HttpStatusCode.Conflict : HttpStatusCode.OK);
            if (!breaks)
            {
                Assert.Empty((await tobiah.GetAsync($"/editions/pending?q={number}"))["entries"][0].GetProperty("against").EnumerateArray());
                await tobiah.PublishAsync(new { note = "Kept.", takes = Without(Free.Count + 1) });
                Assert.Contains("It still holds.", (await PublishedAsync(tobiah)).Single(r => r.GetProperty("record").GetString() == number)
                    .GetProperty("accepted").ToString(), StringComparison.Ordinal);
            }
        }
        finally
        {
            await BackAsync(maren, path, before);
        }

        await ClearAsync(maren, tobiah, of);
    }

    [Fact]
    public async Task No_endpoint_whatever_it_is_called_approves_or_publishes_what_breaks_a_limit()
    {
        (Caller maren, Caller tobiah) = (await workshop.SignInAsync("maren"), await workshop.SignInAsync("tobiah"));
        Answer record = await InReviewAsync(maren);
        string number = record["number"].GetString()!, of = $"/records/{number}";
        int proposed = Newest(record).GetProperty("number").GetInt32();
        string path = Fill("/library/cutters/{cutter}", record, await maren.GetAsync("/library/assemblies/6"));
        JsonElement before = await ChangeAsync(maren, path, "dimensions.APMX", 0.2);
        try
        {
            // What gives the proposal up comes last: after it there is nothing to approve.
            string[] last = ["take-back", "send-back", "rework", "discard"];
            List<(HttpMethod Method, string Path)> all =
            [
                .. from e in workshop.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>()
                   let route = e.RoutePattern.RawText!
                   where route.Contains("/records", StringComparison.Ordinal) || route.Contains("/editions", StringComparison.Ordinal)
                   from method in e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? []
                   where method is "POST" or "PUT"
                   orderby last.Any(l => route.EndsWith(l, StringComparison.Ordinal)), route
                   select (new HttpMethod(method), route.Replace("/api/v1", "", StringComparison.Ordinal)
                       .Replace("{number}", number, StringComparison.Ordinal).Replace("{number:int}", "1", StringComparison.Ordinal)
                       .Replace("{id:int}", "1", StringComparison.Ordinal)),
            ];
            Assert.True(all.Count > 12, $"only {all.Count} endpoints");
            foreach ((HttpMethod method, string at) in all)
            {
                int version = Version(await tobiah.GetAsync(of));
                foreach (object body in new object[] { new { text = "because" }, new { }, new { note = "because" } })
                    await tobiah.SendAsync(method, at, System.Net.Http.Json.JsonContent.Create(body), version);
                Assert.DoesNotContain(
                    (await tobiah.GetAsync(of))["revisions"].EnumerateArray(),
                    r => r.GetProperty("number").GetInt32() >= proposed && r.GetProperty("state").GetString() == "approved");
                Assert.DoesNotContain(
                    await PublishedAsync(tobiah),
                    r => r.GetProperty("record").GetString() == number && r.GetProperty("revision").GetInt32() >= proposed);
            }
        }
        finally
        {
            await BackAsync(maren, path, before);
        }
    }

    private static bool Refused(JsonElement pending) => pending.GetProperty("against").ToString().Contains("calculated", StringComparison.Ordinal);

    // Something is taken out, so that there is something to publish.
    private static Dictionary<string, string> Without(int turn) => new() { [$"R-{1 + (turn % 3):0000}"] = "nothing" };

    private static async Task<int> LastAsync(Caller who) => (await who.GetAsync("/editions")).Json[0].GetProperty("number").GetInt32();

    private static async Task<List<JsonElement>> PublishedAsync(Caller who)
    {
        byte[] file = await who.BytesAsync($"/editions/{await LastAsync(who)}/file");
        return [.. JsonDocument.Parse(file).RootElement.GetProperty("records").EnumerateArray()];
    }

    private static string Fill(string path, Answer record, Answer assembly) => path
        .Replace("{material}", record["materialId"].ToString(), StringComparison.Ordinal)
        .Replace("{holder}", assembly["definition"].GetProperty("holderId").ToString(), StringComparison.Ordinal)
        .Replace("{cutter}", assembly["definition"].GetProperty("cutterId").ToString(), StringComparison.Ordinal);

    private static async Task<bool> BreaksAsync(Caller who, string of, bool? expected)
    {
        JsonElement standing = Newest(await who.GetAsync(of)).GetProperty("standing");
        Assert.True(standing.GetProperty("stale").GetBoolean());
        if (expected is { } sure) Assert.Equal(sure, standing.GetProperty("broken").GetBoolean());
        return standing.GetProperty("broken").GetBoolean();
    }

    private static async Task<Answer> InReviewAsync(Caller maren)
    {
        while (Free.TryDequeue(out (string Operation, int Material) next))
        {
            Answer made = await maren.PostAsync(
                "/records",
                new { operation = next.Operation, materialId = next.Material, assemblyId = 6, machineId = 1 });
            if (made.Status != HttpStatusCode.Created) continue;
            Dictionary<string, string> accepted = Newest(made).GetProperty("cautions").EnumerateArray()
                .ToDictionary(c => c.GetProperty("key").GetString()!, _ => "Known here.");
            Answer submitted = await maren.PostAsync($"/records/{made["number"].GetString()}/submit", new { accepted }, Version(made));
            if (submitted.Status == HttpStatusCode.OK) return submitted;
            await maren.PostAsync($"/records/{made["number"].GetString()}/discard", new { }, Version(made));
        }

        throw new InvalidOperationException("There are too few situations for all ways.");
    }

    // Nothing stays open, so that the next way begins as this one did.
    private static async Task ClearAsync(Caller maren, Caller tobiah, string of)
    {
        Answer record = await tobiah.GetAsync(of);
        string state = Newest(record).GetProperty("state").GetString()!;
        if (state == "inReview") record = await maren.PostAsync($"{of}/take-back", new { }, Version(record));
        if (record.Status != HttpStatusCode.OK) record = await tobiah.PostAsync($"{of}/take-back", new { }, Version(await tobiah.GetAsync(of)));
        record = await tobiah.GetAsync(of);
        if (Newest(record).GetProperty("state").GetString() == "draft") await maren.PostAsync($"{of}/discard", new { }, Version(record));
        record = await tobiah.GetAsync(of);
        if (record["inForce"].GetInt32() > 0)
            await tobiah.PostAsync($"{of}/withdraw", new { text = "Next." }, record["revisions"].EnumerateArray()
                .Single(r => r.GetProperty("number").GetInt32() == record["inForce"].GetInt32()).GetProperty("version").GetInt32());
    }

    private static async Task<JsonElement> ChangeAsync(Caller who, string path, string field, double? factor)
    {
        Answer now = await who.GetAsync(path);
        JsonNode changed = JsonNode.Parse(now["definition"].ToString())!;
        string[] way = field.Split('.');
        IEnumerable<JsonNode> at = [changed];
        foreach (string step in way[..^1]) at = at.SelectMany(n => n[step] is JsonArray all ? all.Select(e => e!) : [n[step]!]);
        foreach (JsonNode n in at.ToList()) n[way[^1]] = factor is { } f ? n[way[^1]]!.GetValue<double>() * f : true;
        if (field == "retired" && changed["places"] is not null) changed["places"] = new JsonArray();
        (await who.PutAsync(path, changed, now["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        return now["definition"];
    }

    private static async Task BackAsync(Caller who, string path, JsonElement definition) =>
        (await who.PutAsync(path, definition, (await who.GetAsync(path))["revision"].GetInt32())).Expect(HttpStatusCode.OK);

    private static JsonElement Newest(Answer record) => record["revisions"].EnumerateArray()
        .First(r => r.GetProperty("state").GetString() != "discarded" || record["revisions"].GetArrayLength() == 1);

    private static int Version(Answer record) => Newest(record).GetProperty("version").GetInt32();

    private static string WhyNot(Answer record, string act) => Newest(record).GetProperty("can").EnumerateArray()
        .First(c => c.GetProperty("act").GetString() == act).GetProperty("rule").GetString()!;
}

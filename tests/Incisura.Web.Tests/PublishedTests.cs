using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

/// <summary>What a reader is told of published figures once something has happened to them.</summary>
public sealed class PublishedTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static JsonElement Newest(Answer record) => record["revisions"][0];

    private static int Version(JsonElement revision) => revision.GetProperty("version").GetInt32();

    private async Task<JsonElement> LookUpAsync(string record)
    {
        Caller jory = await workshop.SignInAsync("jory");
        return (await jory.GetAsync("/lookup"))
            .Expect(HttpStatusCode.OK)["entries"]
            .EnumerateArray()
            .Single(e => e.GetProperty("record").GetString() == record);
    }

    private async Task<JsonElement> InEditionAsync(int edition, string record)
    {
        Caller jory = await workshop.SignInAsync("jory");
        return (await jory.GetAsync($"/editions/{edition}"))
            .Expect(HttpStatusCode.OK)["entries"]
            .EnumerateArray()
            .Single(e => e.GetProperty("record").GetString() == record);
    }

    private static string What(JsonElement entry) => entry.GetProperty("since").GetProperty("what").GetString()!;

    private static object Same(Answer record, string? note = null) => new
    {
        operation = record["operation"].GetString(),
        materialId = record["materialId"].GetInt32(),
        assemblyId = record["assemblyId"].GetInt32(),
        machineId = record["machineId"].GetInt32(),
        numbers = Newest(record).GetProperty("numbers"),
        options = Newest(record).GetProperty("options"),
        note,
    };

    [Fact]
    public async Task What_is_in_force_is_withdrawn_whatever_is_open_and_readers_know_at_once()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        Answer first = (await maren.GetAsync("/records/R-0001")).Expect(HttpStatusCode.OK);
        Answer second = (await maren.PostAsync("/records", Same(first))).Expect(HttpStatusCode.Created);
        Assert.Equal(Newest(first).GetProperty("note").GetString(), Newest(second).GetProperty("note").GetString());

        // The version named is that of the revision in force; the open draft does not stand in its way.
        JsonElement inForce = second["revisions"][1];
        (await tobiah.PostAsync("/records/R-0001/withdraw", new { text = "Dangerous." }, Version(inForce))).Expect(HttpStatusCode.OK);
        Assert.Equal("withdrawn", What(await LookUpAsync("R-0001")));
        Assert.Equal("withdrawn", What(await InEditionAsync(1, "R-0001")));
        Assert.Contains(
            "do not use", (await LookUpAsync("R-0001")).GetProperty("warning").GetProperty("template").GetString(), StringComparison.Ordinal);

        // A newer revision that is approved and withdrawn in its turn leaves nothing in force either.
        Answer draft = (await maren.GetAsync("/records/R-0001")).Expect(HttpStatusCode.OK);
        Answer submitted = (await maren.PostAsync("/records/R-0001/submit", new { }, Version(Newest(draft)))).Expect(HttpStatusCode.OK);
        Answer approved = (await ines.PostAsync("/records/R-0001/approve", new { }, Version(Newest(submitted)))).Expect(HttpStatusCode.OK);
        Assert.Equal("superseded", What(await LookUpAsync("R-0001")));
        (await ines.PostAsync("/records/R-0001/withdraw", new { text = "This one too." }, Version(Newest(approved)))).Expect(HttpStatusCode.OK);
        Assert.Equal("withdrawn", What(await LookUpAsync("R-0001")));
    }

    [Fact]
    public async Task A_draft_can_be_given_up_and_stays_out_of_the_way()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object cut = new { operation = "slot", materialId = 6, assemblyId = 6, machineId = 1, numbers = new { }, options = new { }, note = "A try" };
        Answer draft = (await maren.PostAsync("/records", cut)).Expect(HttpStatusCode.Created);
        string number = draft["number"].GetString()!;
        Answer gone = (await maren.PostAsync($"/records/{number}/discard", new { }, Version(Newest(draft)))).Expect(HttpStatusCode.OK);
        Assert.Equal("discarded", Newest(gone).GetProperty("state").GetString());
        Assert.DoesNotContain((await maren.GetAsync("/records"))["rows"].EnumerateArray(), r => r.GetProperty("number").GetString() == number);
        Answer discarded = await maren.GetAsync("/records?state=discarded");
        Assert.Contains(discarded["rows"].EnumerateArray(), r => r.GetProperty("number").GetString() == number);
        Answer again = (await maren.PostAsync("/records", cut)).Expect(HttpStatusCode.Created);
        Assert.Equal((number, 2), (again["number"].GetString(), Newest(again).GetProperty("number").GetInt32()));
    }

    [Theory]
    [InlineData("approved")]
    [InlineData("inReview")]
    [InlineData("InReview")]
    public async Task States_are_filtered_by_the_words_of_the_wire(string state)
    {
        Caller maren = await workshop.SignInAsync("maren");
        Assert.All(
            (await maren.GetAsync($"/records?state={state}")).Expect(HttpStatusCode.OK)["rows"].EnumerateArray(),
            r => Assert.Equal(state, r.GetProperty("state").GetString(), ignoreCase: true));
        Assert.Equal(["state"], (await maren.GetAsync("/records?state=fine")).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
    }

    [Fact]
    public async Task A_slower_machine_is_told_with_the_limit_that_the_published_figures_break()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer machine = await maren.GetAsync("/shop/machines/2");
        JsonObject tansy = JsonNode.Parse(machine["definition"].GetRawText())!.AsObject();
        string record = (await maren.GetAsync("/editions/1"))["entries"].EnumerateArray()
            .First(
                e =>
                    What(e) == "holds" && e.GetProperty("situation").GetProperty("machineId").GetInt32() == 2
                        && e.GetProperty("figures")[0].GetProperty("value").GetDouble() > 1500)
            .GetProperty("record")
            .GetString()!;
        Assert.Equal("holds", What(await LookUpAsync(record)));
        tansy["largestSpeed"] = 1200;
        tansy["curve"] = new JsonArray();
        (await maren.PutAsync("/shop/machines/2", tansy, machine["revision"].GetInt32())).Expect(HttpStatusCode.OK);

        JsonElement entry = await LookUpAsync(record);
        Assert.Equal("broken", What(entry));
        Assert.Contains("Do not run", entry.GetProperty("warning").GetProperty("template").GetString(), StringComparison.Ordinal);
        Assert.Contains("machine Tansy", entry.GetProperty("since").GetProperty("by").EnumerateArray().Select(b => b.GetString()));
        Assert.True(entry.GetProperty("since").GetProperty("breaks").GetArrayLength() > 0);
        JsonElement summary = (await maren.GetAsync("/records"))["rows"].EnumerateArray().Single(r => r.GetProperty("number").GetString() == record);
        Assert.True(summary.GetProperty("broken").GetBoolean());
        (await maren.PutAsync("/shop/machines/2", machine["definition"], machine["revision"].GetInt32() + 1)).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_cutter_that_the_record_cannot_be_calculated_with_any_more_is_said()
    {
        Caller maren = await workshop.SignInAsync("maren");
        // Not one of the cutter that the other tests of this workshop make records with.
        JsonElement record = (await maren.GetAsync("/records"))["rows"].EnumerateArray().First(r =>
            r.GetProperty("situation").GetProperty("operation").GetString() is "slot" or "side-finish"
                && r.GetProperty("situation").GetProperty("assemblyId").GetInt32() != 6);
        string number = record.GetProperty("number").GetString()!;
        int assembly = record.GetProperty("situation").GetProperty("assemblyId").GetInt32();
        int cutter = (await maren.GetAsync($"/library/assemblies/{assembly}"))["definition"].GetProperty("cutterId").GetInt32();
        Answer sheet = await maren.GetAsync($"/library/cutters/{cutter}");
        JsonObject small = JsonNode.Parse(sheet["definition"].GetRawText())!.AsObject();
        small["dimensions"]!["DC"] = 2;
        (await maren.PutAsync($"/library/cutters/{cutter}", small, sheet["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        JsonElement standing = Newest(await maren.GetAsync($"/records/{number}")).GetProperty("standing");
        Assert.True(standing.GetProperty("stale").GetBoolean());
        Assert.True(standing.GetProperty("refused").GetString()!.Length > 0 || standing.GetProperty("figures").GetArrayLength() > 0);
        Assert.True(standing.GetProperty("breaks").GetArrayLength() > 0);
    }

    [Fact]
    public async Task An_edition_tells_that_a_newer_one_exists_and_when_it_was_looked_at()
    {
        Caller tobiah = await workshop.SignInAsync("tobiah"), jory = await workshop.SignInAsync("jory");
        Answer before = (await jory.GetAsync("/editions/1")).Expect(HttpStatusCode.OK);

        // Whatever the other tests of this workshop left: a withdrawal alone is something to publish.
        string record = before["entries"].EnumerateArray().First(e => What(e) == "holds").GetProperty("record").GetString()!;
        Answer inForce = (await tobiah.GetAsync($"/records/{record}")).Expect(HttpStatusCode.OK);
        int version = Version(inForce["revisions"].EnumerateArray().First(r => r.GetProperty("state").GetString() == "approved"));
        (await tobiah.PostAsync($"/records/{record}/withdraw", new { text = "Its chatter." }, version)).Expect(HttpStatusCode.OK);
        await tobiah.PublishAsync(new { note = "Next" });
        Answer after = (await jory.GetAsync("/editions/1")).Expect(HttpStatusCode.OK);
        Assert.True(after["newest"].GetInt32() > before["summary"].GetProperty("number").GetInt32());
        Assert.Equal(before["summary"].GetProperty("digest").GetString(), after["summary"].GetProperty("digest").GetString());
        Assert.True(DateTimeOffset.UtcNow - after["lookedAt"].GetDateTimeOffset() < TimeSpan.FromMinutes(5));
    }

    [Fact]
    public async Task A_list_and_each_of_its_lines_have_one_word_for_what_became_of_a_figure()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), jory = await workshop.SignInAsync("jory");
        string[] held =
        [
            .. (await jory.GetAsync("/editions/1?since=holds"))["entries"].EnumerateArray().Select(e => e.GetProperty("record").GetString()!).Take(3),
        ];
        foreach (string record in held.Skip(1))
        {
            object report = new { key = Guid.NewGuid(), record, revision = 1, edition = 1, ranAt = DateTimeOffset.UtcNow, outcome = "doNotRun" };
            (await jory.PostAsync("/reports", report)).Expect(HttpStatusCode.OK);
        }

        // One is only superseded, one is stopped and superseded, one only stopped.
        foreach (string record in held.Take(2))
        {
            Answer draft = (await maren.PostAsync("/records", Same(await maren.GetAsync($"/records/{record}")))).Expect(HttpStatusCode.Created);
            Answer submitted = (await maren.PostAsync($"/records/{record}/submit", new { }, Version(Newest(draft)))).Expect(HttpStatusCode.OK);
            (await tobiah.PostAsync($"/records/{record}/approve", new { text = "Seen." }, Version(Newest(submitted)))).Expect(HttpStatusCode.OK);
        }

        Answer machine = await maren.GetAsync("/shop/machines/2");
        JsonObject tansy = JsonNode.Parse(machine["definition"].GetRawText())!.AsObject();
        tansy["largestSpeed"] = 1100;
        tansy["curve"] = new JsonArray();
        Answer slowed = (await maren.PutAsync("/shop/machines/2", tansy, machine["revision"].GetInt32())).Expect(HttpStatusCode.OK);

        Answer all = await jory.GetAsync("/editions/1?take=500");
        Assert.Equal(["superseded", "stopped", "stopped"], held.Select(r => What(all["entries"].EnumerateArray().Single(e => Record(e) == r))));
        Assert.Equal(
            all["entries"].EnumerateArray().GroupBy(What).ToDictionary(g => g.Key, g => g.Count()),
            all["counts"].EnumerateObject().ToDictionary(c => c.Name, c => c.Value.GetInt32()));
        foreach (JsonProperty word in all["counts"].EnumerateObject())
            Assert.All((await jory.GetAsync($"/editions/1?since={word.Name}"))["entries"].EnumerateArray(), e => Assert.Equal(word.Name, What(e)));
        Assert.Contains("broken", all["entries"].EnumerateArray().Select(What));
        (await maren.PutAsync("/shop/machines/2", machine["definition"], slowed["revision"].GetInt32())).Expect(HttpStatusCode.OK);

        static string Record(JsonElement entry) => entry.GetProperty("record").GetString()!;
    }
}

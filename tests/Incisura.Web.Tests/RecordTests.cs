using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

public sealed class RecordTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static object Draft(int material, int assembly, int machine, double width = 1.5, string note = "trial") =>
        new
        {
            operation = "side-rough",
            materialId = material,
            assemblyId = assembly,
            machineId = machine,
            numbers = new { widthOfCut = width },
            note,
        };

    private static (string Number, int Version) Of(Answer record) =>
        (record["number"].GetString()!, record["revisions"][0].GetProperty("version").GetInt32());

    private static string State(Answer record) => record["revisions"][0].GetProperty("state").GetString()!;

    [Fact]
    public async Task From_a_draft_to_a_published_figure()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), jory = await workshop.SignInAsync("jory");
        Answer record = (await maren.PostAsync("/records", Draft(2, 5, 1))).Expect(HttpStatusCode.Created);
        (string number, int version) = Of(record);
        Assert.Equal("draft", State(record));
        Assert.DoesNotContain(number, (await jory.GetAsync("/lookup")).Json.ToString(), StringComparison.Ordinal);

        record = (await maren.PostAsync($"/records/{number}/submit", new { }, version)).Expect(HttpStatusCode.OK);
        Assert.Equal(
            "role",
            (await maren.PostAsync($"/records/{number}/approve", new { }, Of(record).Version)).Expect(HttpStatusCode.Forbidden)["rule"].GetString());
        Answer noReason = await tobiah.PostAsync($"/records/{number}/send-back", new { text = "" }, Of(record).Version);
        Assert.Equal("reason", noReason.Expect(HttpStatusCode.Conflict)["rule"].GetString());
        record = (await tobiah.PostAsync($"/records/{number}/send-back", new { text = "Say who tried it." }, Of(record).Version))
            .Expect(HttpStatusCode.OK);
        Assert.Equal("draft", State(record));

        record = (await maren.PutAsync(
            $"/records/{number}", new { numbers = new { widthOfCut = 1.2 }, note = "Tried by Jory on two parts." },
            Of(record).Version)).Expect(HttpStatusCode.OK);
        record = (await maren.PostAsync($"/records/{number}/submit", new { }, Of(record).Version)).Expect(HttpStatusCode.OK);
        record = (await tobiah.PostAsync($"/records/{number}/approve", new { }, Of(record).Version)).Expect(HttpStatusCode.OK);
        Assert.Equal("approved", State(record));
        Assert.DoesNotContain(number, (await jory.GetAsync("/lookup")).Json.ToString(), StringComparison.Ordinal);

        JsonElement edition = await tobiah.PublishAsync(new { note = "With the new cut" });
        JsonElement entry = (await jory.GetAsync("/lookup?q=A-1010 S355"))["entries"]
            .EnumerateArray()
            .Single(e => e.GetProperty("record").GetString() == number);
        Assert.Equal(
            1.2,
            entry.GetProperty("figures").EnumerateArray().Single(f => f.GetProperty("code").GetString() == "width").GetProperty("value").GetDouble(),
            9);
        Assert.Equal(64, edition.GetProperty("digest").GetString()!.Length);
        Assert.Equal("nothing-new", (await tobiah.PostAsync("/editions", new { note = "" })).Expect(HttpStatusCode.Conflict)["rule"].GetString());

        record = (await tobiah.PostAsync($"/records/{number}/withdraw", new { text = "Broke two cutters." }, Of(record).Version))
            .Expect(HttpStatusCode.OK);
        entry = (await jory.GetAsync("/lookup?q=A-1010 S355"))["entries"].EnumerateArray().Single(e => e.GetProperty("record").GetString() == number);
        Assert.Equal("withdrawn", entry.GetProperty("since").GetProperty("what").GetString());
    }

    [Fact]
    public async Task An_approver_never_decides_on_what_they_worked_on()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        Answer record = (await maren.PostAsync("/records", Draft(2, 6, 1))).Expect(HttpStatusCode.Created);
        string number = Of(record).Number;
        record = (await tobiah.PutAsync($"/records/{number}", new { numbers = new { widthOfCut = 2 }, note = "mine now" }, Of(record).Version))
            .Expect(HttpStatusCode.OK);
        record = (await maren.PostAsync($"/records/{number}/submit", new { }, Of(record).Version)).Expect(HttpStatusCode.OK);
        Assert.Equal(
            "own-proposal",
            (await tobiah.PostAsync($"/records/{number}/approve", new { }, Of(record).Version)).Expect(HttpStatusCode.Forbidden)["rule"].GetString());
        (await ines.PostAsync($"/records/{number}/approve", new { }, Of(record).Version)).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task One_situation_has_one_open_revision_and_a_lost_race_shows_the_current_one()
    {
        Caller maren = await workshop.SignInAsync("maren"), ines = await workshop.SignInAsync("ines");
        Answer record = (await maren.PostAsync("/records", Draft(2, 8, 1))).Expect(HttpStatusCode.Created);
        Answer second = (await ines.PostAsync("/records", Draft(2, 8, 1))).Expect(HttpStatusCode.Conflict);
        Assert.Contains(Of(record).Number, second.Detail, StringComparison.Ordinal);
        (await ines.PutAsync($"/records/{Of(record).Number}", new { note = "by Ines" }, Of(record).Version)).Expect(HttpStatusCode.OK);
        Answer lost = (await maren.PutAsync($"/records/{Of(record).Number}", new { note = "by Maren" }, Of(record).Version))
            .Expect(HttpStatusCode.PreconditionFailed);
        Assert.Equal("by Ines", lost["current"].GetProperty("revisions")[0].GetProperty("note").GetString());
    }

    [Fact]
    public async Task Drafts_made_at_once_get_numbers_of_their_own()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer[] records = await Task.WhenAll(
            Enumerable.Range(1, 6).Select(assembly => maren.PostAsync("/records", Draft(3, assembly, 1, width: 0.3))));
        Assert.All(records, r => r.Expect(HttpStatusCode.Created));
        Assert.Equal(6, records.Select(r => Of(r).Number).Distinct().Count());
    }

    [Fact]
    public async Task What_must_not_be_run_cannot_be_proposed()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer record = (await maren.PostAsync(
            "/records", new
            {
                operation = "side-rough",
                materialId = 1,
                assemblyId = 8,
                machineId = 1,
                numbers = new { feedPerTooth = 1.0 },
            })).Expect(HttpStatusCode.Created);
        Answer refused = (await maren.PostAsync($"/records/{Of(record).Number}/submit", new { }, Of(record).Version)).Expect(HttpStatusCode.Conflict);
        Assert.Equal("stop-finding", refused["rule"].GetString());
    }

    [Fact]
    public async Task A_revised_chart_makes_records_stale_and_changes_none_of_them()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer before = (await maren.GetAsync("/records/R-0003")).Expect(HttpStatusCode.OK);
        Answer chart = await maren.GetAsync("/shop/charts/1");
        var definition = System.Text.Json.Nodes.JsonNode.Parse(chart["definition"].GetRawText())!;
        foreach (var row in definition["rows"]!.AsArray()) row!["cuttingSpeed"] = (double)row["cuttingSpeed"]! * 0.9;
        (await maren.PutAsync("/shop/charts/1", definition, chart["revision"].GetInt32())).Expect(HttpStatusCode.OK);

        JsonElement after = (await maren.GetAsync("/records/R-0003"))["revisions"][0];
        Assert.Equal(before["revisions"][0].GetProperty("result").GetRawText(), after.GetProperty("result").GetRawText());
        Assert.Equal("chart", after.GetProperty("standing").GetProperty("moved")[0].GetProperty("footing").GetProperty("kind").GetString());
        JsonElement speed = after.GetProperty("standing")
            .GetProperty("figures")
            .EnumerateArray()
            .Single(c => c.GetProperty("code").GetString() == "spindleSpeed");
        Assert.Equal(0.9, speed.GetProperty("to").GetDouble() / speed.GetProperty("from").GetDouble(), 9);
    }
}

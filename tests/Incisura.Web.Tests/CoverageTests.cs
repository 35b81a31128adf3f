using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>What there is and what is missing, and that the counts are those of the lists behind them.</summary>
public sealed class CoverageTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static readonly string[] States = ["approved", "stale", "inReview", "draft", "withdrawn"];

    private static int Of(JsonElement count, string state) => count.GetProperty(state).GetInt32();

    private static JsonElement? Cell(Answer answer, string row, string column) => answer["cells"].EnumerateArray()
        .Where(c => c.GetProperty("row").GetString() == row && c.GetProperty("column").GetString() == column)
        .Select(c => (JsonElement?)c.GetProperty("count")).FirstOrDefault();

    private static async Task<FillState> FillAsync(Caller by, params object[] gaps)
    {
        Answer begun = (await by.PostAsync("/coverage/fill", new { gaps })).Expect(HttpStatusCode.OK);
        string id = begun["id"].GetString()!;
        while (true)
        {
            Answer now = (await by.GetAsync($"/coverage/fill/{id}")).Expect(HttpStatusCode.OK);
            if (!now["running"].GetBoolean()) return new(id, [.. now["done"].EnumerateArray()]);
            await Task.Delay(20);
        }
    }

    [Fact]
    public async Task Every_count_is_the_number_of_records_in_the_list_behind_it_and_each_counts_once()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");

        // One stale, one withdrawn, one with a draft beside what is in force.
        JsonElement[] approved = [.. (await maren.GetAsync("/records?state=approved&take=500"))["rows"].EnumerateArray()];
        string gone = approved[0].GetProperty("number").GetString()!;
        (await tobiah.PostAsync($"/records/{gone}/withdraw", new { text = "chatters" }, approved[0].GetProperty("version").GetInt32()))
            .Expect(HttpStatusCode.OK);
        string renewed = approved[1].GetProperty("number").GetString()!;
        (await maren.PostAsync($"/records/{renewed}/renew", new { }, approved[1].GetProperty("version").GetInt32())).Expect(HttpStatusCode.OK);
        Answer machine = await maren.GetAsync("/shop/machines/1");
        Dictionary<string, object?> definition = JsonSerializer.Deserialize<Dictionary<string, object?>>(machine["definition"].GetRawText())!;
        definition["largestSpeed"] = 3000;
        (await maren.PutAsync("/shop/machines/1", definition, machine["revision"].GetInt32())).Expect(HttpStatusCode.OK);

        int cutter = await CutterAsync(maren, "A-1042");
        int all = (await maren.GetAsync("/records?counts=any&take=1"))["total"].GetInt32();
        foreach ((string query, string row, string column, string list) in new[]
                 {
                     ("view=machines", "machine", "operation", ""),
                     ("view=operation&operation=side-rough", "cutter", "material", "&operation=side-rough"),
                     ("view=operation&operation=side-rough&machine=1", "cutter", "material", "&operation=side-rough&machine=1"),
                     ($"view=cutter&cutter={cutter}", "material", "operation", $"&cutter={cutter}"),
                 })
        {
            Answer answer = (await maren.GetAsync($"/coverage?{query}")).Expect(HttpStatusCode.OK);
            Assert.NotEmpty(answer["cells"].EnumerateArray());
            foreach (string state in States)
            {
                int behind = (await maren.GetAsync($"/records?counts={state}&take=1{list}"))["total"].GetInt32();
                Assert.Equal(behind, Of(answer["total"], state));
                Assert.Equal(behind, answer["cells"].EnumerateArray().Sum(c => Of(c.GetProperty("count"), state)));
            }

            foreach (JsonElement cell in answer["cells"].EnumerateArray())
            {
                string path = $"/records?counts=any&take=500{list}&{row}={cell.GetProperty("row")}&{column}={cell.GetProperty("column")}";
                Assert.Equal((await maren.GetAsync(path))["total"].GetInt32(), States.Sum(s => Of(cell.GetProperty("count"), s)));
            }

            if (list.Length == 0) Assert.Equal(all, States.Sum(s => Of(answer["total"], s)));
        }

        JsonElement total = (await maren.GetAsync("/coverage?view=machines"))["total"];
        Assert.Equal(1, Of(total, "withdrawn"));
        Assert.NotEqual(0, Of(total, "stale"));
    }

    [Fact]
    public async Task Gaps_become_drafts_with_their_findings_and_what_cannot_be_filled_says_why()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        int cutter = await CutterAsync(maren, "A-1044"), slotting = await CutterAsync(maren, "A-1010");
        FillState filled = await FillAsync(
            maren, new { operation = "side-rough", materialId = 6, cutterId = cutter, machineId = 2 },
            new { operation = "slot", materialId = 6, cutterId = cutter, machineId = 2 },
            new { operation = "slot", materialId = 6, cutterId = slotting, machineId = 2 },
            new { operation = "side-rough", materialId = 6, cutterId = 999, machineId = 2 });
        string number = filled.Done[0].GetProperty("record").GetString()!;
        Assert.StartsWith("R-", number, StringComparison.Ordinal);
        Assert.Contains("full 12 mm", filled.Done[1].GetProperty("whyNot").GetString(), StringComparison.Ordinal);
        Assert.Equal("The cutter is not there any more.", filled.Done[3].GetProperty("whyNot").GetString());
        Answer draft = (await tobiah.GetAsync($"/records/{number}")).Expect(HttpStatusCode.OK);
        JsonElement made = draft["revisions"][0];
        Assert.Equal(("draft", "maren"), (made.GetProperty("state").GetString(), made.GetProperty("proposedBy").GetString()));
        JsonElement cell = Cell(await maren.GetAsync($"/coverage?view=cutter&cutter={cutter}&machine=2"), "6", "side-rough")!.Value;
        Assert.Equal(1, Of(cell, "draft"));

        // The same gap again is refused by the draft that is there; another's work is nobody else's.
        FillState again = await FillAsync(maren, new { operation = "side-rough", materialId = 6, cutterId = cutter, machineId = 2 });
        Assert.Contains(number, again.Done[0].GetProperty("whyNot").GetString(), StringComparison.Ordinal);
        (await tobiah.GetAsync($"/coverage/fill/{again.Id}")).Expect(HttpStatusCode.NotFound);
        (await maren.PostAsync("/coverage/fill", new { gaps = Array.Empty<object>() })).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task Filling_stops_when_it_is_told_to()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int cutter = await CutterAsync(maren, "A-1042");
        object[] gaps =
            [.. Enumerable.Range(0, 400).Select(i => new { operation = "side-rough", materialId = 1 + (i % 8), cutterId = cutter, machineId = 3 })];
        Answer begun = (await maren.PostAsync("/coverage/fill", new { gaps })).Expect(HttpStatusCode.OK);
        string path = $"/coverage/fill/{begun["id"].GetString()}";
        (await maren.SendAsync(HttpMethod.Delete, path, null)).Expect(HttpStatusCode.OK);
        Answer now;
        do now = await maren.GetAsync(path);
        while (now["running"].GetBoolean());
        Assert.InRange(now["done"].GetArrayLength(), 0, 399);
        Assert.Equal(400, now["total"].GetInt32());
    }

    [Fact]
    public async Task What_was_looked_for_and_not_found_is_counted_and_half_a_word_is_not()
    {
        Caller maren = await workshop.SignInAsync("maren"), jory = await workshop.SignInAsync("jory");
        int cutter = await CutterAsync(maren, "A-1042");
        foreach (string q in new[] { "A-1042 PEEK ramp", "A-1042 PEEK ramp", "A-1042 PEEK ram", "A-1042 PEE", "PEEK", "A-1042 xyz PEEK" })
            Assert.Empty((await jory.GetAsync($"/lookup?q={Uri.EscapeDataString(q)}"))["entries"].EnumerateArray());
        Answer answer = await maren.GetAsync($"/coverage?view=cutter&cutter={cutter}");
        JsonElement[] asked = [.. answer["cells"].EnumerateArray().Where(c => Of(c.GetProperty("count"), "lookedFor") > 0)];
        JsonElement one = Assert.Single(asked);
        Assert.Equal("8", one.GetProperty("row").GetString());
        Assert.InRange(Of(one.GetProperty("count"), "lookedFor"), 2, 3);
    }

    [Fact]
    public async Task The_search_answers_what_there_is_for_a_material_and_an_operation_and_a_cutter_shows_what_it_may_do()
    {
        Caller maren = await workshop.SignInAsync("maren"), jory = await workshop.SignInAsync("jory");
        JsonElement found = (await maren.GetAsync("/find?q=" + Uri.EscapeDataString("S355 rough side"))).Json.EnumerateArray().First();
        Assert.Equal(("figures", "Rough side milling, S355"), (found.GetProperty("kind").GetString(), found.GetProperty("name").GetString()));
        Assert.Matches(@"^\d+ approved of \d+$", found.GetProperty("about").GetString());
        string[] parts = found.GetProperty("path").GetString()!.Split('?');
        Assert.Equal(
            found.GetProperty("about").GetString()!.Split(' ')[^1],
            (await maren.GetAsync($"/records?take=1&{parts[1]}"))["total"].GetInt32().ToString());
        JsonElement none = (await maren.GetAsync("/find?q=" + Uri.EscapeDataString("PEEK ramping"))).Json.EnumerateArray().First();
        Assert.StartsWith("/records/coverage?view=operation", none.GetProperty("path").GetString(), StringComparison.Ordinal);
        Assert.DoesNotContain(
            (await jory.GetAsync("/find?q=" + Uri.EscapeDataString("S355 rough side"))).Json.EnumerateArray(),
            f => f.GetProperty("kind").GetString() == "figures");

        int cutter = await CutterAsync(maren, "A-1042");
        JsonElement[] may = [.. (await maren.GetAsync($"/coverage/cutters/{cutter}")).Expect(HttpStatusCode.OK).Json.EnumerateArray()];
        Assert.NotEmpty(may);
        Assert.All(may, m => Assert.Contains(m.GetProperty("figures").EnumerateArray(), f => f.GetProperty("code").GetString() == "spindleSpeed"));
        (await jory.GetAsync($"/coverage/cutters/{cutter}")).Expect(HttpStatusCode.Forbidden);
    }

    private static async Task<int> CutterAsync(Caller by, string assembly) =>
        (await by.GetAsync($"/library/assemblies?text={assembly}"))["rows"].EnumerateArray()
            .Single(r => r.GetProperty("sheet").GetProperty("definition").GetProperty("number").GetString() == assembly)
            .GetProperty("sheet").GetProperty("definition").GetProperty("cutterId").GetInt32();

    private sealed record FillState(string Id, JsonElement[] Done);
}

using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

public sealed class LibraryListTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static JsonElement[] Rows(Answer list) => [.. list["rows"].EnumerateArray()];

    private static string Number(JsonElement row) => row.GetProperty("sheet").GetProperty("definition").GetProperty("number").GetString()!;

    [Fact]
    public async Task The_demo_has_a_whole_tool_room_over_all_families()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer cutters = await maren.GetAsync("/library/cutters?take=0");
        Assert.True(cutters["all"].GetInt32() >= 120);
        Assert.Equal((await maren.GetAsync("/library/families")).Json.GetArrayLength(), cutters["counts"].GetProperty("family").GetArrayLength());
        Assert.True((await maren.GetAsync("/library/holders?take=0"))["all"].GetInt32() >= 25);
        Assert.True((await maren.GetAsync("/library/assemblies?take=0"))["all"].GetInt32() >= 40);
    }

    [Fact]
    public async Task A_list_is_searched_filtered_sorted_and_paged_by_its_address()
    {
        Caller jory = await workshop.SignInAsync("jory");
        Answer list = await jory.GetAsync("/library/cutters?q=ball long&group=P&sort=size&descending=true&take=2");
        Assert.Equal(2, Rows(list).Length);
        Assert.True(list["total"].GetInt32() > 2);
        double[] sizes =
            [.. Rows(list).Select(r => r.GetProperty("sheet").GetProperty("definition").GetProperty("dimensions").GetProperty("DC").GetDouble())];
        Assert.True(sizes[0] >= sizes[1]);
        Assert.NotEmpty(Rows(list)[0].GetProperty("sheet").GetProperty("looks").GetProperty("profile").GetProperty("elements").EnumerateArray());
        Assert.Equal(list["total"].GetInt32(), (await jory.GetAsync("/library/cutters/ids?q=ball long&group=P")).Json.GetArrayLength());
    }

    [Fact]
    public async Task Retired_cutters_are_left_out_unless_asked_for()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Assert.Empty(Rows(await maren.GetAsync("/library/cutters?q=C-0060")));
        JsonElement retired = Assert.Single(Rows(await maren.GetAsync("/library/cutters?q=C-0060&state=retired")));
        int by = retired.GetProperty("sheet").GetProperty("definition").GetProperty("replacedById").GetInt32();
        Assert.Equal("C-0062", (await maren.GetAsync($"/library/cutters/{by}"))["definition"].GetProperty("number").GetString());
        Assert.Equal(["C-0060"], (await maren.GetAsync($"/library/cutters/{by}/uses"))["replaces"].EnumerateArray().Select(r => r.GetString()!));
    }

    [Fact]
    public async Task Assemblies_that_fit_a_situation_stand_first()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonElement[] rows = Rows(await maren.GetAsync("/library/assemblies?materialId=1&machineId=2&operation=side-rough&take=500"));
        bool[] fits =
            [.. rows.Select(r => r.GetProperty("sheet").GetProperty("looks").GetProperty("built")).Select(
                b =>
                    b.GetProperty("holder").GetProperty("interface").GetString() == "HSK-A 63"
                        && b.GetProperty("cutter").GetProperty("family").GetString() == "squareEndMill")];
        Assert.True(fits[0]);
        Assert.False(fits[^1]);
        Assert.True(rows[0].GetProperty("approved").GetInt32() >= rows[1].GetProperty("approved").GetInt32());
    }

    [Fact]
    public async Task A_cutter_added_by_one_person_is_found_by_the_next_question()
    {
        Caller maren = await workshop.SignInAsync("maren");
        (await maren.PostAsync("/library/cutters", LibraryTests.NewCutter("C-7301"))).Expect(HttpStatusCode.Created);
        Assert.Single(Rows(await maren.GetAsync("/library/cutters?q=C-7301")));
        Assert.Contains((await maren.GetAsync("/find?q=C-7301")).Json.EnumerateArray(), f => f.GetProperty("name").GetString() == "C-7301");
    }

    [Fact]
    public async Task Many_change_together_after_a_preview_and_one_undo_takes_it_back()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int[] ids = [.. (await maren.GetAsync("/library/cutters/ids?family=barrelMill")).Json.EnumerateArray().Select(i => i.GetInt32())];
        Answer preview = (await maren.PostAsync("/library/cutters/many/preview", new { ids, changes = new { coating = "AlCrN" } }))
            .Expect(HttpStatusCode.OK);
        Assert.All(
            preview.Json.EnumerateArray(),
            r => Assert.Equal("coating", Assert.Single(r.GetProperty("changes").EnumerateArray().ToArray()).GetProperty("field").GetString()));
        object[] seen =
            [.. preview.Json.EnumerateArray().Select(
                r => new { id = r.GetProperty("id").GetInt32(), revision = r.GetProperty("revision").GetInt32() })];
        Answer batch = (await maren.PostAsync("/library/cutters/many", new { seen, changes = new { coating = "AlCrN" } })).Expect(HttpStatusCode.OK);
        Assert.Equal(ids.Length, batch["count"].GetInt32());
        Assert.Equal("AlCrN", (await maren.GetAsync($"/library/cutters/{ids[0]}"))["definition"].GetProperty("coating").GetString());

        (await maren.PostAsync("/library/cutters/many", new { seen, changes = new { coating = "late" } })).Expect(HttpStatusCode.PreconditionFailed);
        string undo = $"/library/cutters/many/{batch["id"].GetInt32()}/undo";
        (await maren.PostAsync(undo, new { })).Expect(HttpStatusCode.OK);
        Answer after = await maren.GetAsync($"/library/cutters/{ids[0]}");
        Assert.Equal(("AlTiN", 3), (after["definition"].GetProperty("coating").GetString(), after["revision"].GetInt32()));
        (await maren.PostAsync(undo, new { })).Expect(HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_change_that_one_of_many_cannot_take_changes_none()
    {
        Caller maren = await workshop.SignInAsync("maren");
        var seen = new[] { new { id = 1, revision = 1 }, new { id = 2, revision = 1 } };
        Answer preview = await maren.PostAsync(
            "/library/cutters/many/preview", new { ids = new[] { 1, 2 }, changes = new Dictionary<string, double> { ["dimensions.APMX"] = 9 } });
        Assert.Single(preview.Json.EnumerateArray(), r => r.GetProperty("faults").GetArrayLength() > 0);
        (await maren.PostAsync("/library/cutters/many", new { seen, changes = new Dictionary<string, double> { ["dimensions.APMX"] = 9 } }))
            .Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(1, (await maren.GetAsync("/library/cutters/2"))["revision"].GetInt32());
        (await maren.PostAsync("/library/cutters/many/preview", new { ids = new[] { 1 }, changes = new { number = "X" } }))
            .Expect(HttpStatusCode.UnprocessableEntity);
        (await maren.PostAsync("/library/cutters/many/preview", new { ids = new[] { 1 }, changes = new { material = 7 } }))
            .Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_retired_cutter_gives_its_place_to_another_where_that_one_fits()
    {
        Caller maren = await workshop.SignInAsync("maren");
        async Task<int> Add(string number, double shank)
        {
            JsonObject cutter = LibraryTests.NewCutter(number);
            cutter["dimensions"]!["DMM"] = shank;
            return (await maren.PostAsync("/library/cutters", cutter)).Expect(HttpStatusCode.Created)["id"].GetInt32();
        }

        int old = await Add("C-7401", 12), fits = await Add("C-7402", 12), thick = await Add("C-7403", 20);
        int assembly = (await maren.PostAsync("/library/assemblies", new { number = "A-7401", cutterId = old, holderId = 1, projection = 38 }))
            .Expect(HttpStatusCode.Created)["id"]
            .GetInt32();
        Assert.NotEmpty((await maren.GetAsync($"/library/cutters/{old}/replacing/{thick}")).Json[0].GetProperty("faults").EnumerateArray());
        Assert.Empty((await maren.GetAsync($"/library/cutters/{old}/replacing/{fits}")).Json[0].GetProperty("faults").EnumerateArray());

        var seen = new[] { new { id = assembly, revision = 1 } };
        (await maren.PostAsync($"/library/cutters/{old}/retire", new { replacementId = thick, assemblies = seen }, ifMatch: 1))
            .Expect(HttpStatusCode.UnprocessableEntity);
        Assert.False((await maren.GetAsync($"/library/cutters/{old}"))["definition"].GetProperty("retired").GetBoolean());
        Answer retired = (await maren.PostAsync($"/library/cutters/{old}/retire", new { replacementId = fits, assemblies = seen }, ifMatch: 1))
            .Expect(HttpStatusCode.OK);
        Assert.True(retired["definition"].GetProperty("retired").GetBoolean());
        Assert.Equal(fits, (await maren.GetAsync($"/library/assemblies/{assembly}"))["definition"].GetProperty("cutterId").GetInt32());
    }

    [Fact]
    public async Task A_person_keeps_views_that_nobody_else_sees()
    {
        Caller maren = await workshop.SignInAsync("maren"), jory = await workshop.SignInAsync("jory");
        Answer kept = (await maren.PostAsync("/library/views", new { list = "cutters", name = "Long balls", query = "q=ball+long" }))
            .Expect(HttpStatusCode.OK);
        (await maren.PostAsync("/library/views", new { list = "cutters", name = "Long balls", query = "q=ball+6" })).Expect(HttpStatusCode.OK);
        Assert.Equal(
            "q=ball+6", Assert.Single((await maren.GetAsync("/library/views")).Json.EnumerateArray().ToArray()).GetProperty("query").GetString());
        Assert.Equal(0, (await jory.GetAsync("/library/views")).Json.GetArrayLength());
        string path = $"/library/views/{kept["id"].GetInt32()}";
        (await jory.SendAsync(HttpMethod.Delete, path, null)).Expect(HttpStatusCode.NotFound);
        (await maren.SendAsync(HttpMethod.Delete, path, null)).Expect(HttpStatusCode.NoContent);
        (await maren.PostAsync("/library/views", new { list = "cutters", name = " ", query = "" })).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task Fifty_views_are_kept_however_many_ask_at_once_and_one_of_them_can_still_be_changed()
    {
        Caller tobiah = await workshop.SignInAsync("tobiah");
        Answer[] asked = await Task.WhenAll(
            Enumerable.Range(0, 60).Select(i => tobiah.PostAsync("/library/views", new { list = "cutters", name = $"view {i}", query = "q=1" })));
        Assert.Equal(50, asked.Count(a => a.Status == HttpStatusCode.OK));
        JsonElement[] kept = [.. (await tobiah.GetAsync("/library/views")).Json.EnumerateArray()];
        Assert.Equal(50, kept.Length);
        string name = kept[0].GetProperty("name").GetString()!;
        (await tobiah.PostAsync("/library/views", new { list = "cutters", name, query = "q=2" })).Expect(HttpStatusCode.OK);
        (await tobiah.PostAsync("/library/views", new { list = "cutters", name = "more", query = "" })).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task Likely_duplicates_are_listed()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonObject twin = JsonNode.Parse((await maren.GetAsync("/library/cutters/10"))["definition"].GetRawText())!.AsObject();
        twin["number"] = "C-7501";
        twin["coating"] = "other";
        (await maren.PostAsync("/library/cutters", twin)).Expect(HttpStatusCode.Created);
        JsonElement group = (await maren.GetAsync("/library/cutters/duplicates")).Json
            .EnumerateArray()
            .Single(
                g => g.GetProperty("cutters").EnumerateArray().Any(c => c.GetProperty("definition").GetProperty("number").GetString() == "C-7501"));
        Assert.Equal(["coating"], group.GetProperty("differing").EnumerateArray().Select(d => d.GetString()!));
    }

    [Fact]
    public async Task Two_assemblies_cannot_stand_in_one_place_even_when_both_are_put_there_at_once()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object At(string number, int place) =>
            new { number, cutterId = 10, holderId = 1, projection = 38, places = new[] { new { machineId = 1, place } } };
        Answer taken = (await maren.PostAsync("/library/assemblies", At("A-7601", 5))).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["places[0].place"], taken.FaultFields);
        Answer[] answers = await Task.WhenAll(Enumerable.Range(0, 4).Select(i => maren.PostAsync("/library/assemblies", At($"A-761{i}", 28))));
        Assert.Single(answers, a => a.Status == HttpStatusCode.Created);
        Assert.All(
            answers.Where(a => a.Status != HttpStatusCode.Created),
            a => Assert.True(a.Status is HttpStatusCode.UnprocessableEntity or HttpStatusCode.Conflict, a.Status.ToString()));
        (await maren.PostAsync(
            "/library/assemblies",
            new
            {
                number = "A-7602",
                cutterId = 10,
                holderId = 1,
                projection = 38,
                places = new[] { new { machineId = 4, place = 1 } },
            })).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task The_reach_of_an_assembly_is_told_with_what_would_clear()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object Ask(double projection, double depth) =>
            new { assembly = new { number = "", cutterId = 11, holderId = 3, projection }, wall = new { depth, clearance = 0 } };
        Answer touches = (await maren.PostAsync("/library/assemblies/reach", Ask(40, 44))).Expect(HttpStatusCode.OK);
        Assert.Equal("holder", touches["touches"][0].GetProperty("part").GetString());
        double least = touches["leastProjection"].GetDouble();
        Assert.Empty((await maren.PostAsync("/library/assemblies/reach", Ask(least, 44)))["touches"].EnumerateArray());
        (await maren.PostAsync("/library/assemblies/reach", Ask(40, -3))).Expect(HttpStatusCode.UnprocessableEntity);
        JsonElement turning = Rows(await maren.GetAsync("/library/assemblies?q=A-3001"))[0].GetProperty("sheet").GetProperty("definition");
        Assert.Equal(
            ["cutterId"],
            (await maren.PostAsync("/library/assemblies/reach", new { assembly = turning, wall = new { depth = 5 } }))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
    }
}

using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

public sealed class LibraryRulesTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static JsonObject NewHolder(string number) => JsonNode.Parse($$"""
        {"number":"{{number}}","kind":"collet holder","interface":"SK 40","leastClamping":2,"largestClamping":16,"leastGrip":28,
         "boreDepth":60,"largestSpeed":15000,"seatCompliance":0.9,
         "segments":[{"length":40,"lowerDiameter":42,"upperDiameter":42},{"length":30,"lowerDiameter":50,"upperDiameter":50}]}
        """)!.AsObject();

    [Theory]
    [InlineData("/library/cutters")]
    [InlineData("/library/holders")]
    [InlineData("/library/assemblies")]
    [InlineData("/library/cutters/many/preview")]
    [InlineData("/library/cutters/many")]
    [InlineData("/library/holders/many/1/undo")]
    [InlineData("/library/cutters/1/retire")]
    [InlineData("/library/profiles/read")]
    public async Task A_reader_writes_nothing_into_the_library(string path)
    {
        Caller jory = await workshop.SignInAsync("jory");
        (await jory.PostAsync(path, new { })).Expect(HttpStatusCode.Forbidden);
        (await workshop.Stranger().PostAsync(path, new { })).Expect(HttpStatusCode.Unauthorized);
    }

    [Theory]
    [InlineData("/library/cutters?take=1")]
    [InlineData("/library/families")]
    [InlineData("/library/cutters/10/uses")]
    [InlineData("/library/assemblies/6")]
    [InlineData("/library/views")]
    public async Task A_reader_reads_all_of_it_and_a_stranger_nothing(string path)
    {
        (await (await workshop.SignInAsync("jory")).GetAsync(path)).Expect(HttpStatusCode.OK);
        (await workshop.Stranger().GetAsync(path)).Expect(HttpStatusCode.Unauthorized);
    }

    [Fact]
    public async Task A_reader_sees_no_records_among_the_uses()
    {
        Caller maren = await workshop.SignInAsync("maren"), jory = await workshop.SignInAsync("jory");
        Assert.NotEmpty((await maren.GetAsync("/library/assemblies/6/uses"))["records"].EnumerateArray());
        Assert.Empty((await jory.GetAsync("/library/assemblies/6/uses"))["records"].EnumerateArray());
        Assert.NotEmpty((await jory.GetAsync("/library/assemblies/6/uses"))["editions"].EnumerateArray());
    }

    [Fact]
    public async Task What_has_no_number_yet_is_drawn_but_not_saved()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer preview = await maren.PostAsync("/library/cutters/preview", LibraryTests.NewCutter(""));
        Assert.Equal("number", Assert.Single(preview["faults"].EnumerateArray().ToArray()).GetProperty("field").GetString());
        Assert.NotEmpty(preview["looks"].GetProperty("profile").GetProperty("elements").EnumerateArray());
        (await maren.PostAsync("/library/cutters", LibraryTests.NewCutter(""))).Expect(HttpStatusCode.UnprocessableEntity);
        JsonObject broken = LibraryTests.NewCutter("");
        broken["dimensions"]!["LCF"] = 900;
        Assert.Empty(
            (await maren.PostAsync("/library/cutters/preview", broken))["looks"].GetProperty("profile").GetProperty("elements").EnumerateArray());
    }

    [Fact]
    public async Task The_preview_tells_the_ranges_that_follow_other_dimensions_and_asks_about_slips()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonObject cutter = LibraryTests.NewCutter("C-6001");
        cutter["dimensions"]!["DC"] = 0.5;
        cutter["dimensions"]!["DMM"] = 12.7;
        JsonElement looks = (await maren.PostAsync("/library/cutters/preview", cutter))["looks"];
        Assert.Equal(12.7, looks.GetProperty("doubts")[0].GetProperty("meant").GetDouble(), 9);
        JsonElement flutes = looks.GetProperty("ranges").EnumerateArray().Single(r => r.GetProperty("field").GetString() == "dimensions.LCF");
        Assert.Equal(26, flutes.GetProperty("most").GetDouble());
    }

    [Fact]
    public async Task A_changed_cutter_tells_which_assembly_it_no_longer_fits()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int cutter = (await maren.PostAsync("/library/cutters", LibraryTests.NewCutter("C-6101"))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        int assembly = (await maren.PostAsync("/library/assemblies", new { number = "A-6101", cutterId = cutter, holderId = 1, projection = 38 }))
            .Expect(HttpStatusCode.Created)["id"]
            .GetInt32();
        Assert.Equal("", (await maren.GetAsync($"/library/cutters/{cutter}/uses"))["assemblies"][0].GetProperty("fault").GetString());
        JsonObject thick = LibraryTests.NewCutter("C-6101");
        thick["dimensions"]!["DMM"] = 20;
        (await maren.PutAsync($"/library/cutters/{cutter}", thick, ifMatch: 1)).Expect(HttpStatusCode.OK);
        Assert.Contains(
            "clamps 2 to 16 mm", (await maren.GetAsync($"/library/cutters/{cutter}/uses"))["assemblies"][0].GetProperty("fault").GetString(),
            StringComparison.Ordinal);
        (await maren.GetAsync($"/library/assemblies/{assembly}")).Expect(HttpStatusCode.OK);
        (await maren.PutAsync(
            $"/library/assemblies/{assembly}", new { number = "A-6101", cutterId = cutter, holderId = 1, projection = 38, stockPlace = "shelf" },
            ifMatch: 1)).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task An_assembly_with_an_extension_comes_to_the_sum_of_its_parts()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonElement sheet = (await maren.GetAsync("/library/assemblies?q=A-2105"))["rows"][0].GetProperty("sheet");
        JsonElement built = sheet.GetProperty("looks").GetProperty("built");
        double projection = sheet.GetProperty("definition").GetProperty("projection").GetDouble(),
            extension = sheet.GetProperty("definition").GetProperty("extensions")[0].GetProperty("projection").GetDouble();
        double holder = built.GetProperty("holder").GetProperty("segments").EnumerateArray().Sum(s => s.GetProperty("length").GetDouble());
        Assert.Equal(projection + extension + holder, built.GetProperty("gaugeLength").GetDouble(), 9);
        Assert.Equal(
            sheet.GetProperty("looks").GetProperty("profile").GetProperty("length").GetDouble(), built.GetProperty("gaugeLength").GetDouble(), 9);
        Assert.Equal(2, built.GetProperty("joints").GetArrayLength());
    }

    [Fact]
    public async Task A_calculation_rests_on_the_extensions_too()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonObject sleeve = NewHolder("S-6201");
        (
            sleeve["role"], sleeve["backSize"], sleeve["backLength"], sleeve["leastClamping"], sleeve["largestClamping"]) = ("extension", 16, 100, 12,
            12);
        sleeve["segments"] = JsonNode.Parse("""[{"length":20,"lowerDiameter":18,"upperDiameter":18}]""");
        int extension = (await maren.PostAsync("/library/holders", sleeve)).Expect(HttpStatusCode.Created)["id"].GetInt32();
        int assembly = (await maren.PostAsync(
            "/library/assemblies",
            new
            {
                number = "A-6201",
                cutterId = 10,
                holderId = 1,
                projection = 38,
                extensions = new[] { new { holderId = extension, projection = 70 } },
            }))
            .Expect(HttpStatusCode.Created)["id"]
            .GetInt32();
        async Task<double> Deflection(int id) =>
            (await maren.PostAsync(
                "/calculations/side-rough", new { materialId = 1, assemblyId = id, machineId = 1, numbers = new { widthOfCut = 1, depthOfCut = 5 } }))
                .Expect(HttpStatusCode.OK)["figures"]
                .EnumerateArray()
                .Single(f => f.GetProperty("code").GetString() == "deflection")
                .GetProperty("value")
                .GetDouble();
        Assert.True(await Deflection(assembly) > 2 * await Deflection(6));

        Answer draft = (await maren.PostAsync(
            "/records",
            new
            {
                operation = "side-rough",
                materialId = 1,
                assemblyId = assembly,
                machineId = 1,
                numbers = new { widthOfCut = 1, depthOfCut = 5 },
                options = new { },
                note = "",
            })).Expect(HttpStatusCode.Created);
        sleeve["remarks"] = "worn";
        (await maren.PutAsync($"/library/holders/{extension}", sleeve, ifMatch: 1)).Expect(HttpStatusCode.OK);
        Answer record = await maren.GetAsync($"/records/{draft["number"].GetString()}");
        Assert.Contains(
            record["revisions"][0].GetProperty("standing").GetProperty("moved").EnumerateArray(),
            m => m.GetProperty("footing").GetProperty("name").GetString() == "S-6201");
    }

    [Fact]
    public async Task Holders_and_assemblies_change_in_many_as_cutters_do()
    {
        Caller maren = await workshop.SignInAsync("maren");
        foreach ((string list, string field, object value) in new (string, string, object)[]
        {
            ("holders", "balanceClass", 1.5), ("assemblies", "stockPlace", "Tool room"),
        })
        {
            int[] ids = [.. (await maren.GetAsync($"/library/{list}/ids")).Json.EnumerateArray().Take(3).Select(i => i.GetInt32())];
            Dictionary<string, object> changes = new() { [field] = value };
            Answer preview = (await maren.PostAsync($"/library/{list}/many/preview", new { ids, changes })).Expect(HttpStatusCode.OK);
            object[] seen =
                [.. preview.Json.EnumerateArray().Select(
                    r => new { id = r.GetProperty("id").GetInt32(), revision = r.GetProperty("revision").GetInt32() })];
            JsonElement before = (await maren.GetAsync($"/library/{list}/{ids[0]}"))["definition"].GetProperty(field).Clone();
            Answer batch = (await maren.PostAsync($"/library/{list}/many", new { seen, changes })).Expect(HttpStatusCode.OK);
            Assert.Equal(value.ToString(), (await maren.GetAsync($"/library/{list}/{ids[0]}"))["definition"].GetProperty(field).ToString());
            (await maren.PostAsync($"/library/{list}/many/{batch["id"].GetInt32()}/undo", new { })).Expect(HttpStatusCode.OK);
            Assert.Equal(before.ToString(), (await maren.GetAsync($"/library/{list}/{ids[0]}"))["definition"].GetProperty(field).ToString());
            Assert.Equal(3, (await maren.GetAsync($"/library/{list}/{ids[0]}/revisions")).Json.GetArrayLength());
        }
    }

    [Fact]
    public async Task Taking_a_change_back_is_refused_when_somebody_changed_one_of_them_since()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int id = (await maren.PostAsync("/library/holders", NewHolder("H-6301"))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        Answer batch = (await maren.PostAsync(
            "/library/holders/many", new { seen = new[] { new { id, revision = 1 } }, changes = new { remarks = "all" } })).Expect(HttpStatusCode.OK);
        JsonObject later = NewHolder("H-6301");
        later["remarks"] = "later";
        (await maren.PutAsync($"/library/holders/{id}", later, ifMatch: 2)).Expect(HttpStatusCode.OK);
        (await maren.PostAsync($"/library/holders/many/{batch["id"].GetInt32()}/undo", new { })).Expect(HttpStatusCode.PreconditionFailed);
        Assert.Equal("later", (await maren.GetAsync($"/library/holders/{id}"))["definition"].GetProperty("remarks").GetString());
    }

    [Fact]
    public async Task A_place_is_free_again_when_its_assembly_is_taken_out()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object At(string number, params object[] places) => new { number, cutterId = 10, holderId = 1, projection = 38, places };
        int id = (await maren.PostAsync("/library/assemblies", At("A-6401", new { machineId = 1, place = 30 })))
            .Expect(HttpStatusCode.Created)["id"]
            .GetInt32();
        (await maren.PostAsync("/library/assemblies", At("A-6402", new { machineId = 1, place = 30 }))).Expect(HttpStatusCode.UnprocessableEntity);
        (await maren.PutAsync($"/library/assemblies/{id}", At("A-6401"), ifMatch: 1)).Expect(HttpStatusCode.OK);
        (await maren.PostAsync("/library/assemblies", At("A-6402", new { machineId = 1, place = 30 }))).Expect(HttpStatusCode.Created);
        (await maren.PostAsync("/library/assemblies", At("A-6403", new { machineId = 1, place = 31 }))).Expect(HttpStatusCode.UnprocessableEntity);
        (await maren.PostAsync("/library/assemblies", At("A-6404", new { machineId = 99, place = 1 }))).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_machine_keeps_its_turret_or_magazine()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonObject machine = JsonNode.Parse((await maren.GetAsync("/shop/machines/4"))["definition"].GetRawText())!.AsObject();
        machine["store"] = JsonNode.Parse("""{"kind":"turret","places":0}""");
        Assert.Equal(
            ["store.places"], (await maren.PutAsync("/shop/machines/4", machine, ifMatch: 1)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        machine["store"] = JsonNode.Parse("""{"kind":"turret","places":6,"largestDiameter":60,"largestAlone":50}""");
        Assert.Equal(["store.largestAlone"], (await maren.PutAsync("/shop/machines/4", machine, ifMatch: 1)).FaultFields);
    }

    [Fact]
    public async Task A_cutter_cannot_replace_itself_nor_be_replaced_while_in_use()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int id = (await maren.PostAsync("/library/cutters", LibraryTests.NewCutter("C-6501"))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        JsonObject cutter = LibraryTests.NewCutter("C-6501");
        cutter["replacedById"] = 10;
        Assert.Equal(["replacedById"], (await maren.PutAsync($"/library/cutters/{id}", cutter, ifMatch: 1)).FaultFields);
        (cutter["retired"], cutter["replacedById"]) = (true, id);
        Assert.Equal(["replacedById"], (await maren.PutAsync($"/library/cutters/{id}", cutter, ifMatch: 1)).FaultFields);
        cutter["replacedById"] = 99999;
        Assert.Equal(["replacedById"], (await maren.PutAsync($"/library/cutters/{id}", cutter, ifMatch: 1)).FaultFields);
    }
}

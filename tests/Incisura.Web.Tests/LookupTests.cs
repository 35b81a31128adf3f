using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

/// <summary>What an operator finds, by which words, and what is shown where nothing fits or what fits does not hold.</summary>
public sealed class LookupTests(Workshop workshop) : IClassFixture<Workshop>
{
    private async Task<Answer> AskAsync(string question) =>
        (await (await workshop.SignInAsync("jory")).GetAsync("/lookup?q=" + Uri.EscapeDataString(question))).Expect(HttpStatusCode.OK);

    private static string[] Records(Answer answer) =>
        [.. answer["entries"].EnumerateArray().Select(e => e.GetProperty("record").GetString()!)];

    [Theory]
    [InlineData("1.7225 rough", "R-0001")]
    [InlineData("4140 finish", "R-0002")]
    [InlineData("GGG-50", "R-0004")]
    [InlineData("Ø12 42CrMo4 rough", "R-0001")]
    [InlineData("z4 Brindle 5", "R-0001")]
    [InlineData("cabinet drawer 4 rough 42", "R-0001")]
    [InlineData("C-0020", "R-0001")]
    [InlineData("r-0007 old peg", "R-0007")]
    public async Task A_record_is_found_by_every_name_that_its_material_cutter_size_and_place_have(string question, string record) =>
        Assert.Contains(record, Records(await AskAsync(question)));

    [Fact]
    public async Task The_card_says_coolant_direction_place_and_the_stock_and_height_it_holds_for()
    {
        JsonElement entry = (await AskAsync("R-0001"))["entries"][0];
        string[] picked = [.. entry.GetProperty("picked").EnumerateArray().Select(p => p.GetProperty("code").GetString()!)];
        Assert.Equal("coolant", picked[0]);
        Assert.Contains("ways", picked);
        Assert.Equal(["Brindle 5"], entry.GetProperty("places").EnumerateArray().Select(p => p.GetString()!));
        Dictionary<string, double> holds = entry.GetProperty("holdsFor").EnumerateArray()
            .ToDictionary(f => f.GetProperty("code").GetString()!, f => f.GetProperty("value").GetDouble());
        Assert.Equal((2.4, 30.0), (holds["stockWidth"], holds["wallHeight"]));
        Assert.Empty(entry.GetProperty("meanwhile").EnumerateArray());
    }

    [Fact]
    public async Task Where_nothing_fits_the_nearest_is_shown_with_what_is_different()
    {
        Answer answer = await AskAsync("A-1042 1.4410");
        Assert.Equal(0, answer["total"].GetInt32());
        JsonElement[] near = [.. answer["nearest"].EnumerateArray()];
        Assert.InRange(near.Length, 1, 3);
        Assert.All(near, n => Assert.NotEmpty(n.GetProperty("differs").EnumerateArray()));
        Assert.All(near, n => Assert.Equal("holds", n.GetProperty("entry").GetProperty("since").GetProperty("what").GetString()));

        // The same material with another cutter of the size is nearer than another group of material.
        Assert.Equal("R-0006", near[0].GetProperty("entry").GetProperty("record").GetString());
        Assert.Equal(["with A-2012, another cutter"], near[0].GetProperty("differs").EnumerateArray().Select(d => d.GetString()!));
        Assert.All(near, n => Assert.Equal("M", n.GetProperty("entry").GetProperty("group").GetString()));
        Assert.Empty((await AskAsync("zzz"))["nearest"].EnumerateArray());
        Assert.Empty((await AskAsync("A-1042"))["nearest"].EnumerateArray());
    }

    [Fact]
    public async Task What_does_not_hold_is_shown_with_what_does_for_the_same_operation_material_and_machine()
    {
        Caller maren = await workshop.SignInAsync("maren"), ines = await workshop.SignInAsync("ines"), tobiah = await workshop.SignInAsync("tobiah");

        // A second record for S355 on Brindle, with another cutter than R-0003.
        Answer record = (await maren.PostAsync(
            "/records", new { operation = "side-rough", materialId = 2, assemblyId = 7, machineId = 1, numbers = new { }, options = new { } }))
            .Expect(HttpStatusCode.Created);
        string number = record["number"].GetString()!;
        record = (await maren.PostAsync($"/records/{number}/submit", new { }, Version(record))).Expect(HttpStatusCode.OK);
        Dictionary<string, string> reasons = record["revisions"][0].GetProperty("cautions").EnumerateArray()
            .ToDictionary(c => c.GetProperty("key").GetString()!, _ => "Tried.");
        (await ines.PostAsync($"/records/{number}/approve", new { accepted = reasons }, Version(record))).Expect(HttpStatusCode.OK);
        await tobiah.PublishAsync(new { note = "Two for S355" });
        Answer withdrawn = await tobiah.GetAsync("/records/R-0003");
        (await tobiah.PostAsync("/records/R-0003/withdraw", new { text = "It chattered." }, Version(withdrawn))).Expect(HttpStatusCode.OK);
        JsonElement entry = (await AskAsync("R-0003"))["entries"][0];
        Assert.Equal("withdrawn", entry.GetProperty("since").GetProperty("what").GetString());
        Assert.Equal([number], entry.GetProperty("meanwhile").EnumerateArray().Select(m => m.GetProperty("record").GetString()!));

        static int Version(Answer of) => of["revisions"][0].GetProperty("version").GetInt32();
    }

    [Fact]
    public async Task Other_designations_of_a_material_are_kept_with_it_and_refused_where_too_long()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer sheet = await maren.GetAsync("/shop/materials/8");
        JsonObject peek = JsonNode.Parse(sheet["definition"].GetRawText())!.AsObject();
        peek["designations"] = new string('x', 201);
        Assert.Equal(
            ["designations"],
            (await maren.PutAsync("/shop/materials/8", peek, sheet["revision"].GetInt32())).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        peek["designations"] = "polyetheretherketone, VX 12";
        (await maren.PutAsync("/shop/materials/8", peek, sheet["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        Assert.Contains(
            (await maren.GetAsync("/find?q=polyether")).Json.EnumerateArray(), f => f.GetProperty("path").GetString() == "/shop/materials/8");
    }

    [Fact]
    public async Task A_machines_part_is_all_that_the_edition_has_for_it_page_by_page_and_nothing_else()
    {
        Caller jory = await workshop.SignInAsync("jory");
        JsonElement[] parts = [.. (await jory.GetAsync("/lookup/parts")).Expect(HttpStatusCode.OK).Json.EnumerateArray()];
        Assert.Equal((await AskAsync(""))["total"].GetInt32(), parts.Sum(p => p.GetProperty("count").GetInt32()));
        foreach (JsonElement of in parts)
        {
            string machine = of.GetProperty("machine").GetString()!;
            List<JsonElement> kept = [];
            int total;
            do
            {
                Answer page = (await jory.GetAsync($"/lookup/parts/{of.GetProperty("machineId").GetInt32()}?skip={kept.Count}&take=2"))
                    .Expect(HttpStatusCode.OK);
                total = page["total"].GetInt32();
                kept.AddRange(page["entries"].EnumerateArray());
            }
            while (kept.Count < total);
            Assert.Equal(of.GetProperty("count").GetInt32(), kept.DistinctBy(k => k.GetProperty("entry").GetProperty("record").GetString()).Count());
            foreach (JsonElement one in kept)
            {
                Assert.Equal(machine, one.GetProperty("entry").GetProperty("situation").GetProperty("machine").GetString());
                string record = one.GetProperty("entry").GetProperty("record").GetString()!;

                // The same card as with a network, found by the same words.
                Assert.Equal((await AskAsync(record))["entries"][0].GetRawText(), one.GetProperty("entry").GetRawText());
                Assert.Contains(record.ToLowerInvariant(), one.GetProperty("text").GetString(), StringComparison.Ordinal);
            }
        }

        Assert.Equal(0, (await jory.GetAsync("/lookup/parts/999"))["total"].GetInt32());
        (await jory.GetAsync("/lookup/parts/1?take=201")).Expect(HttpStatusCode.UnprocessableEntity);
        (await workshop.Stranger().GetAsync("/lookup/parts/1")).Expect(HttpStatusCode.Unauthorized);
    }

    [Fact]
    public async Task Whoever_is_asked_to_read_an_edition_is_told_where_figures_are_looked_up_until_it_is_said()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), jory = await workshop.SignInAsync("jory");
        Assert.False((await AskAsync("R-0001"))["asksReading"].GetBoolean());
        Answer record = await tobiah.GetAsync("/records/R-0005");
        (await tobiah.PostAsync("/records/R-0005/withdraw", new { text = "Worn." }, record["revisions"][0].GetProperty("version").GetInt32()))
            .Expect(HttpStatusCode.OK);
        await tobiah.PublishAsync(new { note = "Read this", asksReading = true });
        Answer asked = await AskAsync("R-0001");
        Assert.True(asked["asksReading"].GetBoolean());
        (await jory.PostAsync($"/editions/{asked["edition"].GetInt32()}/reading", new { })).Expect(HttpStatusCode.NoContent);
        Assert.False((await AskAsync("R-0001"))["asksReading"].GetBoolean());
        Assert.True((await maren.GetAsync("/lookup?q=R-0001"))["asksReading"].GetBoolean());
    }
}

using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

public sealed class ShopAndEditionTests(Workshop workshop) : IClassFixture<Workshop>
{
    [Fact]
    public async Task A_second_speed_chart_that_nobody_would_read_is_refused()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer refused = (await maren.PostAsync("/shop/charts", new { name = "Another", rows = Array.Empty<object>() }))
            .Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Contains("add rows to it instead", refused.Detail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_machine_gets_its_curve_and_calculations_judge_by_it()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object about = new { materialId = 4, assemblyId = 20, machineId = 3 };
        Answer before = (await maren.PostAsync("/calculations/side-rough", about)).Expect(HttpStatusCode.OK);
        Assert.Contains(before["findings"].EnumerateArray(), f => f.GetProperty("code").GetString() == "not-judged");

        Answer machine = await maren.GetAsync("/shop/machines/3");
        JsonNode definition = JsonNode.Parse(machine["definition"].GetRawText())!;
        definition["curve"] = JsonNode.Parse(
            """
            [{"speed":1000,"power":4,"shortPower":5,"torque":35,"shortTorque":44},
             {"speed":4000,"power":4,"shortPower":5,"torque":8.8,"shortTorque":11}]
            """);
        (await maren.PutAsync("/shop/machines/3", definition, machine["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        Answer after = (await maren.PostAsync("/calculations/side-rough", about)).Expect(HttpStatusCode.OK);
        Assert.DoesNotContain(after["findings"].EnumerateArray(), f => f.GetProperty("code").GetString() == "not-judged");
    }

    [Theory]
    [InlineData("machines", "leastSpeed", "largestFeed", "efficiency")]
    [InlineData("materials", "hardness", "specificCuttingForce", "chipExponent")]
    public async Task A_number_that_was_left_out_is_asked_for_by_name(string kind, params string[] fields)
    {
        Caller maren = await workshop.SignInAsync("maren");
        object unfinished = kind == "machines"
            ? new { name = "Unfinished", kind = "mill", @interface = "SK 40" }
            : new { name = "Unfinished", group = "P", subGroup = "P1" };
        Answer refused = (await maren.PostAsync($"/shop/{kind}", unfinished)).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.All(fields, f => Assert.Contains(f, refused.FaultFields));
        Assert.DoesNotContain("API", refused["faults"][0].GetProperty("sentence").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_curve_with_less_short_time_than_continuous_power_is_refused_by_place()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonNode definition = JsonNode.Parse((await maren.GetAsync("/shop/machines/1"))["definition"].GetRawText())!;
        definition["curve"]![0]!["shortPower"] = 1;
        Answer refused = (await maren.PutAsync("/shop/machines/1", definition, 1)).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Contains("curve[0].shortPower", refused.FaultFields);
    }

    [Fact]
    public async Task A_row_missing_from_the_chart_is_asked_for_and_can_be_added()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object about = new { materialId = 7, assemblyId = 17, machineId = 4 };
        Answer refused = (await maren.PostAsync("/calculations/side-rough", about)).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Contains("cuttingSpeed", refused.FaultFields);
        Answer chart = await maren.GetAsync("/shop/charts/1");
        JsonNode definition = JsonNode.Parse(chart["definition"].GetRawText())!;
        definition["rows"]!.AsArray().Add(JsonNode.Parse("""
            {"family":"squareEndMill","cuttingMaterial":"highSpeedSteel","subGroup":"S2","operation":"side-rough","cuttingSpeed":9,
            "feeds":[{"diameter":12,"feedPerTooth":0.03}],"widthRatio":0.1,"depthRatio":0.8,"source":"tried once"}
            """));
        (await maren.PutAsync("/shop/charts/1", definition, chart["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        (await maren.PostAsync("/calculations/side-rough", about)).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task What_the_shop_goes_by_is_told_refused_out_of_range_and_used_at_once()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object about = new { materialId = 1, assemblyId = 1, machineId = 1 };
        JsonElement[] told = [.. (await maren.GetAsync("/shop/practices")).Json.EnumerateArray()];
        JsonElement shared = told.Single(t => t.GetProperty("code").GetString() == "clearWay");
        Answer chart = await maren.GetAsync("/shop/charts/1");
        JsonNode definition = JsonNode.Parse(chart["definition"].GetRawText())!;
        int revision = chart["revision"].GetInt32();
        JsonObject practice = definition["practice"]?.AsObject() ?? [];
        definition["practice"] = practice;
        practice["clearWay"] = shared.GetProperty("most").GetDouble() + 1;
        Answer refused = (await maren.PutAsync("/shop/charts/1", definition, revision)).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Contains("practice.clearWay", refused.FaultFields);
        practice["clearWay"] = 10;
        double before = await WayAsync();
        (await maren.PutAsync("/shop/charts/1", definition, revision)).Expect(HttpStatusCode.OK);
        double after = await WayAsync();
        Assert.True(after > before, $"the way stayed {after} mm though 10 mm stand clear before and after each pass");

        async Task<double> WayAsync() => (await maren.PostAsync("/calculations/side-rough", about)).Expect(HttpStatusCode.OK)["figures"]
            .EnumerateArray().Single(f => f.GetProperty("code").GetString() == "way").GetProperty("value").GetDouble();
    }

    [Fact]
    public async Task A_published_edition_holds_everything_it_rests_on_and_its_digest()
    {
        Caller jory = await workshop.SignInAsync("jory");
        Answer edition = (await jory.GetAsync("/editions/1")).Expect(HttpStatusCode.OK);
        Assert.Equal(7, edition["entries"].GetArrayLength());
        Assert.All(edition["entries"].EnumerateArray(), e => Assert.NotEmpty(e.GetProperty("figures").EnumerateArray()));
        Assert.Matches("^[0-9a-f]{64}$", edition["summary"].GetProperty("digest").GetString());
        (await jory.GetAsync("/editions/99")).Expect(HttpStatusCode.NotFound);
        Assert.Single((await jory.GetAsync("/editions")).Json.EnumerateArray());
    }

    [Fact]
    public async Task What_the_next_edition_would_bring_is_told_before_it_is_published()
    {
        Caller tobiah = await workshop.SignInAsync("tobiah");
        var pending = (await tobiah.GetAsync("/editions/pending"))["entries"]
            .EnumerateArray()
            .ToDictionary(p => p.GetProperty("record").GetString()!, p => p.GetProperty("change").GetString());
        Assert.Equal("added", pending["R-0008"]);
        Assert.Equal("same", pending["R-0001"]);
        Assert.False(pending.ContainsKey("R-0011"));
    }

    [Theory]
    [InlineData("A-1042", 1)]
    [InlineData("a-1042 42crmo4", 1)]
    [InlineData("A-1042 S355", 0)]
    [InlineData("brindle", 4)]
    [InlineData("%", 0)]
    [InlineData("' OR 1=1 --", 0)]
    public async Task Lookup_takes_words_in_any_order_and_nothing_else(string question, int count)
    {
        Caller jory = await workshop.SignInAsync("jory");
        Answer answer = (await jory.GetAsync("/lookup?q=" + Uri.EscapeDataString(question))).Expect(HttpStatusCode.OK);
        Assert.Equal(count, answer["entries"].GetArrayLength());
    }

    [Fact]
    public async Task The_description_of_the_api_is_served()
    {
        HttpClient http = workshop.CreateClient();
        string document = await http.GetStringAsync("/api/v1/openapi.json", TestContext.Current.CancellationToken);
        Assert.Contains("/api/v1/calculations/{operation}", document, StringComparison.Ordinal);
    }
}

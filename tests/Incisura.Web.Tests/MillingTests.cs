using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>Window, best point, load over a turn, methods, leftovers and comparison, over the wire.</summary>
public sealed class MillingTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static object Request(object? numbers = null, object? leftover = null) =>
        new { materialId = 1, assemblyId = 6, machineId = 1, numbers, leftover };

    [Fact]
    public async Task The_window_answers_with_every_point_and_every_line()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer window = (await maren.PostAsync("/calculations/side-rough/window?across=widthOfCut&up=depthOfCut&size=64", Request()))
            .Expect(HttpStatusCode.OK);
        Assert.Equal(64 * 64, window["use"].GetBytesFromBase64().Length);
        Assert.Equal(64 * 64, window["tightest"].GetBytesFromBase64().Length);
        Assert.NotEmpty(window["lines"].EnumerateArray());
        Assert.True(window["bestRemovalRate"].GetDouble() > 0);
        Answer refused = (await maren.PostAsync("/calculations/side-rough/window?across=length&up=depthOfCut", Request()))
            .Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["across"], refused.FaultFields);
    }

    [Fact]
    public async Task The_best_point_is_inside_all_limits_when_it_is_calculated()
    {
        Caller maren = await workshop.SignInAsync("maren");
        foreach (string aim in (string[])["removal", "time"])
        {
            Answer best = (await maren.PostAsync($"/calculations/side-rough/best?aim={aim}", Request())).Expect(HttpStatusCode.OK);
            Assert.True(best["found"].GetBoolean());
            Dictionary<string, double> numbers = best["values"]
                .EnumerateArray()
                .ToDictionary(v => v.GetProperty("code").GetString()!, v => v.GetProperty("value").GetDouble());
            Answer at = (await maren.PostAsync("/calculations/side-rough", Request(numbers))).Expect(HttpStatusCode.OK);
            Assert.DoesNotContain(
                at["limits"].EnumerateArray(), l => l.GetProperty("use") is { ValueKind: JsonValueKind.Number } use && use.GetDouble() > 1 + 1e-9);
        }

        Answer refused = (await maren.PostAsync("/calculations/side-rough/best?aim=beauty", Request())).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["aim"], refused.FaultFields);
    }

    [Fact]
    public async Task The_load_over_a_turn_has_every_course()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer load = (await maren.PostAsync("/calculations/side-rough/revolution", Request())).Expect(HttpStatusCode.OK);
        int angles = load["tangential"].GetArrayLength();
        Assert.True(angles >= 360);
        Assert.All((string[])["radial", "axial", "resultant", "tipAlong", "tipAcross"], c => Assert.Equal(angles, load[c].GetArrayLength()));
    }

    [Fact]
    public async Task A_method_is_applied_anywhere_and_what_does_not_fit_is_listed()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer made = (await maren.PostAsync("/shop/methods", new
        {
            name = "Deep and far from the wall",
            operation = "side-rough",
            choices = new object[]
            {
                new { field = "widthOfCut", basis = "ofDiameter", amount = 0.1 }, new { field = "stockLeft", basis = "value", amount = 0.2 },
                new { field = "cornerRadius", basis = "value", amount = 2 },
            },
            options = new { coolant = "air" },
        })).Expect(HttpStatusCode.Created);
        int id = made["id"].GetInt32();
        Answer applied = (await maren.PostAsync($"/calculations/side-rough/methods/{id}", Request())).Expect(HttpStatusCode.OK);
        Assert.Equal(1.2, applied["choices"].GetProperty("numbers").GetProperty("widthOfCut").GetDouble(), 9);
        Assert.Equal("air", applied["choices"].GetProperty("options").GetProperty("coolant").GetString());
        Assert.Equal(["cornerRadius"], applied["notApplied"].EnumerateArray().Select(n => n.GetProperty("field").GetString()!).Distinct());

        Answer elsewhere = (await maren.PostAsync($"/calculations/slot/methods/{id}", Request())).Expect(HttpStatusCode.OK);
        Assert.Equal(
            ["cornerRadius", "stockLeft", "widthOfCut"],
            elsewhere["notApplied"].EnumerateArray().Select(n => n.GetProperty("field").GetString()!).Order());
    }

    [Fact]
    public async Task Changing_a_method_leaves_the_record_that_used_it_as_it_was()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object Method(double amount) =>
            new
            {
                name = "For one record",
                operation = "plunge",
                choices = new object[] { new { field = "sideStep", basis = "value", amount } },
                options = new { },
            };
        Answer method = (await maren.PostAsync("/shop/methods", Method(4))).Expect(HttpStatusCode.Created);
        int id = method["id"].GetInt32();
        JsonElement choices = (await maren.PostAsync($"/calculations/plunge/methods/{id}", Request())).Expect(HttpStatusCode.OK)["choices"];
        Answer record = (await maren.PostAsync(
            "/records",
            new
            {
                operation = "plunge",
                materialId = 1,
                assemblyId = 6,
                machineId = 1,
                numbers = choices.GetProperty("numbers"),
                options = choices.GetProperty("options"),
                method = choices.GetProperty("method").GetString(),
                note = "",
            })).Expect(HttpStatusCode.Created);
        string figures = record["revisions"][0].GetProperty("result").GetProperty("figures").GetRawText();
        (await maren.PutAsync($"/shop/methods/{id}", Method(5), 1)).Expect(HttpStatusCode.OK);
        Answer again = (await maren.GetAsync($"/records/{record["number"].GetString()}")).Expect(HttpStatusCode.OK);
        Assert.Equal(figures, again["revisions"][0].GetProperty("result").GetProperty("figures").GetRawText());
        Assert.Equal("For one record, revision 1", again["revisions"][0].GetProperty("method").GetString());
        Assert.Empty(again["revisions"][0].GetProperty("standing").GetProperty("moved").EnumerateArray());
    }

    [Theory]
    [InlineData("""{"name":"x","operation":"side-rough","choices":[],"options":{}}""", "choices")]
    [InlineData("""{"name":"x","operation":"knitting","choices":[{"field":"a","basis":"value","amount":1}]}""", "operation")]
    [InlineData("""{"name":"x","operation":"side-rough","choices":[{"field":"widthOfCut","basis":"value","amount":-1}]}""", "choices[0].amount")]
    [InlineData("""{"name":"x","operation":"side-rough","choices":[{"field":"cuttingSpeed","basis":"ofDiameter","amount":1}]}""", "choices[0].basis")]
    [InlineData("""{"name":"","operation":"side-rough","choices":[{"field":"widthOfCut","basis":"value","amount":1}]}""", "name")]
    public async Task A_method_that_makes_no_sense_is_refused_by_field(string body, string field)
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer refused = (await maren.SendAsync(
            HttpMethod.Post, "/shop/methods",
            new StringContent(body, System.Text.Encoding.UTF8, "application/json"))).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal([field], refused.FaultFields);
    }

    [Fact]
    public async Task A_finisher_takes_what_the_rougher_leaves_and_says_when_that_has_changed()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object Rough(double left) =>
            new
            {
                operation = "side-rough",
                materialId = 5,
                assemblyId = 6,
                machineId = 1,
                numbers = new { stockWidth = 3, stockLeft = left, wallHeight = 12 },
                options = new { },
                note = "",
            };
        Answer rough = (await maren.PostAsync("/records", Rough(0.3))).Expect(HttpStatusCode.Created);
        string number = rough["number"].GetString()!;
        JsonElement leftover = (await maren.GetAsync($"/records/{number}/leftover")).Expect(HttpStatusCode.OK).Json;
        Assert.Equal(0.3, leftover.GetProperty("across").GetDouble());
        object taken = new { record = number, revision = 1 };

        Answer finish = (await maren.PostAsync("/calculations/side-finish", Request(leftover: taken))).Expect(HttpStatusCode.OK);
        Assert.Equal(
            0.3, finish["fields"].EnumerateArray().Single(f => f.GetProperty("code").GetString() == "stockWidth").GetProperty("value").GetDouble());
        Assert.DoesNotContain(finish["findings"].EnumerateArray(), f => f.GetProperty("code").GetString() == "leftover-changed");

        // What is typed stands, and is said; a revision that never was, or an operation on no wall, is refused.
        Answer typed = (await maren.PostAsync("/calculations/side-finish", Request(new { stockWidth = 1.7 }, taken))).Expect(HttpStatusCode.OK);
        JsonElement instead = typed["findings"].EnumerateArray().Single(f => f.GetProperty("code").GetString() == "leftover-typed");
        Assert.Equal(
            [0.3, 1.7], instead.GetProperty("text").GetProperty("measures").EnumerateArray().Select(m => m.GetProperty("value").GetDouble()).Take(2));
        Assert.Equal(
            ["leftover.revision"],
            (await maren.PostAsync("/calculations/side-finish", Request(leftover: new { record = number, revision = 77 })))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.Equal(
            ["leftover.record"],
            (await maren.PostAsync("/calculations/side-finish", Request(leftover: new { record = "R-9999", revision = 1 })))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.Contains(
            "leftover",
            (await maren.PostAsync(
                "/calculations/surface-finish", new { materialId = 5, assemblyId = 10, machineId = 1, leftover = taken })).FaultFields);
        Answer record = (await maren.PostAsync(
            "/records", new
            {
                operation = "side-finish",
                materialId = 5,
                assemblyId = 6,
                machineId = 1,
                leftover = taken,
                note = "",
            })).Expect(HttpStatusCode.Created);

        int version = rough["revisions"][0].GetProperty("version").GetInt32();
        (await maren.PutAsync(
            $"/records/{number}", new { numbers = new { stockWidth = 3, stockLeft = 0.5, wallHeight = 12 }, options = new { }, note = "" },
            version)).Expect(HttpStatusCode.OK);
        Answer after = (await maren.PostAsync("/calculations/side-finish", Request(leftover: taken))).Expect(HttpStatusCode.OK);
        Assert.Equal(
            0.5, after["fields"].EnumerateArray().Single(f => f.GetProperty("code").GetString() == "stockWidth").GetProperty("value").GetDouble());
        Answer kept = (await maren.GetAsync($"/records/{record["number"].GetString()}")).Expect(HttpStatusCode.OK);
        Assert.Contains(
            "0.5 mm instead of 0.3 mm", kept["revisions"][0].GetProperty("leftover").GetProperty("changed").GetString(), StringComparison.Ordinal);
        (await maren.GetAsync("/records/R-9999/leftover")).Expect(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Nothing_left_to_cut_is_said()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer clean = (await maren.PostAsync(
            "/records",
            new
            {
                operation = "side-rough",
                materialId = 2,
                assemblyId = 6,
                machineId = 1,
                numbers = new { stockWidth = 3, stockLeft = 0, wallHeight = 12 },
                note = "",
            })).Expect(HttpStatusCode.Created);
        Answer refused = (await maren.PostAsync(
            "/calculations/side-finish", Request(
                leftover: new { record = clean["number"].GetString(), revision = 1 }))).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Contains("Nothing is left to cut", refused.Detail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Alternatives_are_compared_and_one_that_cannot_be_is_told_apart()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object[] alternatives =
        [
            new { name = "wide", operation = "side-rough", request = Request(new { widthOfCut = 3 }) },
            new { name = "=bad", operation = "side-rough", request = Request(new { widthOfCut = 300 }) },
        ];
        Answer compared = (await maren.PostAsync("/comparisons", alternatives)).Expect(HttpStatusCode.OK);
        Assert.NotEqual(JsonValueKind.Null, compared.Json[0].GetProperty("result").ValueKind);
        Assert.NotEmpty(compared.Json[1].GetProperty("faults").EnumerateArray());
        (await maren.PostAsync("/comparisons/export.csv", alternatives)).Expect(HttpStatusCode.OK);
        (await maren.PostAsync("/comparisons/export.xlsx", alternatives)).Expect(HttpStatusCode.OK);
        (await maren.PostAsync("/comparisons/export.doc", alternatives)).Expect(HttpStatusCode.NotFound);
        (await maren.PostAsync("/comparisons", Enumerable.Repeat(alternatives[0], 9))).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task Only_alternatives_that_keep_their_limits_and_do_the_same_work_can_be_better()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object Of(string name, object numbers) => new { name, operation = "side-rough", request = Request(numbers) };
        object[] alternatives =
        [
            Of("a", new { length = 100, stockWidth = 3, wallHeight = 14 }),
            Of("a", new { length = 100, stockWidth = 3, wallHeight = 14, widthOfCut = 1 }),
            Of("", new { length = 50, stockWidth = 3, wallHeight = 14 }),
            Of("unit", new { length = 100, feedPerTooth = 0.5, widthOfCut = 6, depthOfCut = 20 }),
        ];
        JsonElement[] compared = [.. (await maren.PostAsync("/comparisons", alternatives)).Expect(HttpStatusCode.OK).Json.EnumerateArray()];
        Assert.Equal([true, true, true, false], compared.Select(c => c.GetProperty("keeps").GetBoolean()));
        Assert.Equal(compared[0].GetProperty("work").GetString(), compared[1].GetProperty("work").GetString());
        Assert.NotEqual(compared[0].GetProperty("work").GetString(), compared[2].GetProperty("work").GetString());
        string table = System.Text.Encoding.UTF8.GetString(await ExportAsync(alternatives));
        Assert.StartsWith("figure,unit,a,a (2),alternative 3,unit (2)", table.TrimStart('\uFEFF').Replace(';', ','), StringComparison.Ordinal);
        Assert.Contains("Stops and cautions", table, StringComparison.Ordinal);
        Assert.Contains("Tightest limit", table, StringComparison.Ordinal);
    }

    private async Task<byte[]> ExportAsync(object[] alternatives)
    {
        HttpClient http = workshop.CreateClient();
        (await http.PostAsync("/api/v1/session/demo/maren", null)).EnsureSuccessStatusCode();
        HttpResponseMessage answer = await http.PostAsync("/api/v1/comparisons/export.csv", System.Net.Http.Json.JsonContent.Create(alternatives));
        answer.EnsureSuccessStatusCode();
        return await answer.Content.ReadAsByteArrayAsync();
    }

    [Theory]
    [InlineData("/calculations/side-rough/window?across=widthOfCut&up=depthOfCut")]
    [InlineData("/calculations/side-rough/best")]
    [InlineData("/calculations/side-rough/revolution")]
    [InlineData("/comparisons")]
    [InlineData("/shop/methods")]
    public async Task A_reader_may_not_work_here(string path)
    {
        Caller jory = await workshop.SignInAsync("jory");
        (await jory.PostAsync(
            path,
            path == "/comparisons"
                ? new object[] { new { name = "a", operation = "side-rough", request = Request() } }
                : path == "/shop/methods"
                ? new { name = "x", operation = "side-rough" }
                : Request())).Expect(HttpStatusCode.Forbidden);
    }
}

using System.Net;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Incisura.Web.Tests;

/// <summary>From an empty workshop to its first published figure, by what it brings itself.</summary>
public sealed class FirstDayTests : IDisposable
{
    private readonly RealWorkshop workshop = new();
    private readonly WebApplicationFactory<Program> host;

    public FirstDayTests() => host = workshop.Of(("Incisura:AdministratorsWithoutSecondFactor", "true"), ("Incisura:Transport:PlainHttp", "true"));

    private static readonly object Machine = new
    {
        name = "First mill",
        kind = "three-axis mill",
        @interface = "SK 40",
        leastSpeed = 40,
        largestSpeed = 8000,
        largestFeed = 8000,
        rapidFeed = 20000,
        efficiency = 0.8,
        curve = new[] { new { speed = 1500, power = 9, shortPower = 11, torque = 57.3, shortTorque = 70 } },
        store = new { kind = "magazine", places = 20 },
        source = "plate of the machine",
    };

    private static readonly object Cutter = new
    {
        number = "C-0001",
        family = "squareEndMill",
        material = "carbide",
        dimensions = new Dictionary<string, double>
        {
            ["DC"] = 12,
            ["ZEFF"] = 4,
            ["APMX"] = 24,
            ["LCF"] = 26,
            ["LU"] = 26,
            ["DN"] = 11.5,
            ["DMM"] = 12,
            ["OAL"] = 83,
            ["FHA"] = 38,
            ["h_min"] = 0.005,
            ["h_max"] = 0.09,
            ["a_e/DC"] = 1,
        },
        groups = new[] { "P" },
    };

    private static readonly string[] Start = ["material C45", "holder SL-40-12", "row SquareEndMill Carbide P side-rough", "cutter TD-8.5"];

    private async Task<Caller> SignInAsync(string name)
    {
        Caller caller = new(host.CreateClient(new() { BaseAddress = new("https://tools.example"), HandleCookies = true }));
        (await caller.PostAsync("/session", new { name, password = RealWorkshop.Password })).Expect(HttpStatusCode.OK);
        return caller;
    }

    private Caller Stranger() => new(host.CreateClient(new() { BaseAddress = new("https://tools.example") }));

    private static async Task<int> AddAsync(Caller who, string path, object definition) =>
        (await who.PostAsync(path, definition)).Expect(HttpStatusCode.Created)["id"].GetInt32();

    [Fact]
    public async Task An_empty_workshop_gets_to_a_published_figure_that_says_it_was_not_tried_here()
    {
        Caller administrator = await SignInAsync("administrator");
        JsonElement empty = (await administrator.GetAsync("/first-day")).Expect(HttpStatusCode.OK).Json;
        Assert.Equal((1, false), (empty.GetProperty("people").GetInt32(), empty.GetProperty("decides").GetBoolean()));
        Assert.All(
            empty.EnumerateObject().Where(p => p.Value.ValueKind == JsonValueKind.Number && p.Name != "people"),
            p => Assert.Equal(0, p.Value.GetInt32()));
        foreach ((string name, string role) in new[] { ("wick", "engineer"), ("orla", "approver"), ("pim", "reader") })
            await administrator.InviteAsync(name, role, RealWorkshop.Password, Stranger());

        Caller wick = await SignInAsync("wick"), orla = await SignInAsync("orla");
        int machine = await AddAsync(wick, "/shop/machines", Machine), cutter = await AddAsync(wick, "/library/cutters", Cutter);
        JsonElement taken = (await wick.PostAsync("/shop/starters", new { codes = Start })).Expect(HttpStatusCode.OK).Json;
        Assert.Equal((4, 0), (taken.GetProperty("added").GetInt32(), taken.GetProperty("there").GetInt32()));
        int holder = (await wick.GetAsync("/library/holders?text=SL-40-12"))["rows"][0].GetProperty("sheet").GetProperty("id").GetInt32();
        int assembly = await AddAsync(
            wick, "/library/assemblies", new { number = "A-0001", cutterId = cutter, holderId = holder, projection = 40 });

        object draft = new { operation = "side-rough", materialId = 1, assemblyId = assembly, machineId = machine, note = "the first one" };
        Answer record = (await wick.PostAsync("/records", draft)).Expect(HttpStatusCode.Created);
        string path = $"/records/{record["number"].GetString()}";
        record = (await wick.PostAsync($"{path}/submit", new { }, Version(record))).Expect(HttpStatusCode.OK);
        Answer refused = (await orla.PostAsync($"{path}/approve", new { }, Version(record))).Expect(HttpStatusCode.Conflict);
        Assert.Equal("open-caution", refused["rule"].GetString());
        Dictionary<string, string> accepted = record["revisions"][0].GetProperty("cautions").EnumerateArray()
            .ToDictionary(c => c.GetProperty("key").GetString()!, _ => "begun with care");
        Assert.Equal(2, accepted.Keys.Count(k => k.StartsWith("Starting values, not tried here", StringComparison.Ordinal)));
        (await orla.PostAsync($"{path}/approve", new { accepted }, Version(record))).Expect(HttpStatusCode.OK);
        Assert.False((await wick.GetAsync("/first-day"))["done"].GetBoolean());
        await orla.PublishAsync(new { note = "our first" });
        Assert.True((await wick.GetAsync("/first-day"))["done"].GetBoolean());

        JsonElement entry = (await (await SignInAsync("pim")).GetAsync("/lookup?q=C45")).Expect(HttpStatusCode.OK)["entries"][0];
        Assert.Contains(
            entry.GetProperty("cautions").EnumerateArray(),
            c => c.GetProperty("key").GetString()!.StartsWith("Starting values, not tried here: speed", StringComparison.Ordinal));
    }

    private static int Version(Answer record) => record["revisions"][0].GetProperty("version").GetInt32();

    [Fact]
    public async Task What_is_there_stays_as_it_is_and_what_does_not_exist_is_refused()
    {
        await (await SignInAsync("administrator")).InviteAsync("wick", "engineer", RealWorkshop.Password, Stranger());
        Caller wick = await SignInAsync("wick");
        (await wick.PostAsync("/shop/starters", new { codes = Start })).Expect(HttpStatusCode.OK);
        JsonElement sheet = (await wick.GetAsync("/shop/materials/1")).Json;
        Dictionary<string, JsonElement> own = sheet.GetProperty("definition").EnumerateObject().ToDictionary(p => p.Name, p => p.Value.Clone());
        own["specificCuttingForce"] = JsonDocument.Parse("1999").RootElement;
        (await wick.PutAsync("/shop/materials/1", own, 1)).Expect(HttpStatusCode.OK);

        JsonElement again = (await wick.PostAsync("/shop/starters", new { codes = Start.Append("material C60") })).Expect(HttpStatusCode.OK).Json;
        Assert.Equal((1, 4), (again.GetProperty("added").GetInt32(), again.GetProperty("there").GetInt32()));
        Assert.Equal(1999, (await wick.GetAsync("/shop/materials/1"))["definition"].GetProperty("specificCuttingForce").GetDouble());
        Assert.Equal(1, (await wick.GetAsync("/shop/charts")).Json.GetArrayLength());
        JsonElement view = (await wick.GetAsync("/shop/starters")).Json;
        Assert.Equal(
            ["C45", "C60"],
            view.GetProperty("materials").EnumerateArray().Where(m => m.GetProperty("there").GetBoolean())
                .Select(m => m.GetProperty("definition").GetProperty("name").GetString()!));
        Answer none = (await wick.PostAsync("/shop/starters", new { codes = new[] { "material Unobtainium" } }))
            .Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Contains("Unobtainium", none["faults"][0].GetProperty("sentence").GetString(), StringComparison.Ordinal);
    }

    public void Dispose()
    {
        host.Dispose();
        workshop.Dispose();
    }
}

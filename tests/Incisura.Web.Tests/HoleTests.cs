using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>Hole operations, drills for a tap, hole groups and changed depths, over the wire.</summary>
public sealed class HoleTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static async Task<int> IdAsync(Caller caller, string assembly) =>
        (await caller.GetAsync($"/library/assemblies?q={assembly}&take=1"))
            .Expect(HttpStatusCode.OK)["rows"][0]
            .GetProperty("sheet")
            .GetProperty("id")
            .GetInt32();

    [Fact]
    public async Task A_tap_on_an_old_machine_is_held_and_its_feed_follows()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer r = (await maren.PostAsync(
            "/calculations/tap",
            new
            {
                materialId = 2,
                assemblyId = await IdAsync(maren, "A-1208"),
                machineId = 4,
                numbers = new { cuttingSpeed = 40 },
            })).Expect(HttpStatusCode.OK);
        double Figure(string code) =>
            r["figures"].EnumerateArray().Single(f => f.GetProperty("code").GetString() == code).GetProperty("value").GetDouble();
        Assert.Equal(800, Figure("spindleSpeed"), 6);
        Assert.Equal(1.5, Figure("feedRate") / Figure("spindleSpeed"));
        Assert.Contains(r["findings"].EnumerateArray(), f => f.GetProperty("code").GetString() == "held");
    }

    [Fact]
    public async Task Drills_of_the_library_are_offered_nearest_first()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer drills = (await maren.PostAsync(
            "/calculations/tap/drills",
            new
            {
                materialId = 1,
                assemblyId = await IdAsync(maren, "A-1208"),
                machineId = 1,
                numbers = new { holeBefore = 1 },
            })).Expect(HttpStatusCode.OK);
        JsonElement first = drills.Json[0];
        Assert.Equal(8.5, first.GetProperty("diameter").GetDouble());
        Assert.NotEmpty(first.GetProperty("class").GetString()!);
        Assert.Contains("A-1305", first.GetProperty("assemblies").EnumerateArray().Select(a => a.GetString()));
    }

    [Fact]
    public async Task Cross_holes_and_changed_stages_are_kept_with_the_record()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object body = new
        {
            operation = "deep-hole",
            materialId = 2,
            assemblyId = await IdAsync(maren, "A-1308"),
            machineId = 1,
            note = "manifold",
            numbers = new { depth = 150 },
            options = new { end = "through" },
            extras = new object[]
            {
                new { kind = "crossHoles", holes = new[] { new { distance = 50, diameter = 10, angle = 90, offset = 0 } } },
                new { kind = "stageEdits", edits = new[] { new { stage = "withdraw", feedRate = 2000 } } },
            },
        };
        Answer made = (await maren.PostAsync("/records", body)).Expect(HttpStatusCode.Created);
        JsonElement revision = made["revisions"][0];
        Assert.Equal(50, revision.GetProperty("extras")[0].GetProperty("holes")[0].GetProperty("distance").GetDouble());
        Assert.Equal(2000, revision.GetProperty("extras")[1].GetProperty("edits")[0].GetProperty("feedRate").GetDouble());
        Assert.Contains(
            revision.GetProperty("result").GetProperty("attachments")[0].GetProperty("parts").EnumerateArray(),
            s => s.GetProperty("code").GetString() == "cross-1");
        Answer refused = (await maren.PostAsync(
            "/calculations/deep-hole",
            new
            {
                materialId = 2,
                assemblyId = await IdAsync(maren, "A-1308"),
                machineId = 1,
                numbers = new { depth = 40 },
                extras = new[]
                {
                    new { kind = "crossHoles", holes = new[] { new { distance = 80, diameter = 10, angle = 90, offset = 0 } } },
                },
            })).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["crossHoles[0].distance"], refused.FaultFields);
    }

    [Fact]
    public async Task A_draft_whose_depth_crosses_a_threshold_says_so_by_itself()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int assembly = await IdAsync(maren, "A-1323");
        Answer made = (await maren.PostAsync(
            "/records", new
            {
                operation = "drill",
                materialId = 2,
                assemblyId = assembly,
                machineId = 1,
                numbers = new { depth = 20 },
            })).Expect(HttpStatusCode.Created);
        string number = made["number"].GetString()!;
        Answer changed = (await maren.PutAsync(
            $"/records/{number}", new { numbers = new { depth = 60 } },
            made["revisions"][0].GetProperty("version").GetInt32())).Expect(HttpStatusCode.OK);
        JsonElement revision = changed["revisions"][0];
        Assert.Equal(20, revision.GetProperty("extras")[0].GetProperty("depth").GetDouble());
        Assert.Contains(
            revision.GetProperty("result").GetProperty("findings").EnumerateArray(), f => f.GetProperty("code").GetString() == "cycle-crossed");
    }

    [Fact]
    public async Task A_group_is_solved_kept_and_protected_from_lost_races()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object Group(double depth, int count) => new
        {
            name = "Cover bolts",
            materialId = 1,
            machineId = 1,
            target = new { kind = "threaded", thread = new { text = "M10" }, depth, chamfer = 0.5 },
            pattern = new { form = "circle", diameter = 200, count },
            order = "nearestNext",
        };
        Answer solved = (await maren.PostAsync("/hole-groups/solve", Group(18, 8))).Expect(HttpStatusCode.OK);
        Assert.Equal("works", solved["verdict"].GetString());
        Assert.Equal(["drill", "countersink", "tap"], solved["steps"].EnumerateArray().Select(s => s.GetProperty("operation").GetString()));
        Answer kept = (await maren.PostAsync("/hole-groups", Group(18, 8))).Expect(HttpStatusCode.Created);
        int id = kept["id"].GetInt32();
        Assert.Equal(
            JsonValueKind.Null,
            (await maren.PostAsync($"/hole-groups/solve?kept={id}", Group(19, 8))).Expect(HttpStatusCode.OK)["otherwise"].ValueKind);
        (await maren.PutAsync($"/hole-groups/{id}", Group(20, 8), 1)).Expect(HttpStatusCode.OK);
        (await maren.PutAsync($"/hole-groups/{id}", Group(22, 8), 1)).Expect(HttpStatusCode.PreconditionFailed);
        Assert.Equal(
            ["pattern.count"], (await maren.PostAsync("/hole-groups/solve", Group(18, 0))).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Caller jory = await workshop.SignInAsync("jory");
        (await jory.PostAsync("/hole-groups/solve", Group(18, 8))).Expect(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task Picks_left_from_another_hole_fall_and_a_deeper_hole_is_said_to_be_drilled_otherwise()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object Plain(double diameter, double depth, object picked) =>
            new
            {
                name = "x",
                materialId = 1,
                machineId = 1,
                target = new { kind = "plain", diameter, depth, chamfer = 0 },
                pattern = new { form = "circle", diameter = 100, count = 6 },
                picked,
            };
        int drill = await IdAsync(maren, "A-1305");
        Answer fallen = (await maren.PostAsync("/hole-groups/solve", Plain(12, 20, new { drill }))).Expect(HttpStatusCode.OK);
        JsonElement pick = Assert.Single(fallen["fallen"].EnumerateArray());
        Assert.Equal(drill, pick.GetProperty("assemblyId").GetInt32());
        Assert.DoesNotContain(
            fallen["steps"].EnumerateArray(),
            s => s.GetProperty("tool").ValueKind == JsonValueKind.Object && s.GetProperty("tool").GetProperty("assemblyId").GetInt32() == drill);
        Assert.Equal(
            ["picked"],
            (await maren.PostAsync("/hole-groups/solve", Plain(12, 20, new { whittle = 1 }))).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);

        int id = (await maren.PostAsync("/hole-groups", Plain(8.5, 20, new { }))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        Answer deeper = (await maren.PostAsync($"/hole-groups/solve?kept={id}", Plain(8.5, 70, new { }))).Expect(HttpStatusCode.OK);
        Assert.Contains("Tell the programmer", deeper["otherwise"].GetProperty("template").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_reamer_takes_the_hole_that_a_drilling_record_leaves()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer drill = (await maren.PostAsync(
            "/records",
            new
            {
                operation = "drill",
                materialId = 1,
                assemblyId = await IdAsync(maren, "A-1305"),
                machineId = 1,
                numbers = new { depth = 26 },
                note = "",
            })).Expect(HttpStatusCode.Created);
        string number = drill["number"].GetString()!;
        object taken = new { record = number, revision = drill["revisions"][0].GetProperty("number").GetInt32() };
        Answer tap = (await maren.PostAsync(
            "/calculations/tap",
            new
            {
                materialId = 1,
                assemblyId = await IdAsync(maren, "A-1208"),
                machineId = 1,
                numbers = new { depth = 18 },
                leftover = taken,
            })).Expect(HttpStatusCode.OK);
        double Field(string code) =>
            tap["fields"].EnumerateArray().Single(f => f.GetProperty("code").GetString() == code).GetProperty("value").GetDouble();
        Assert.Equal((8.5, 26), (Field("holeBefore"), Field("depthOfHoleBefore")));
        Assert.Contains(tap["findings"].EnumerateArray(), f => f.GetProperty("code").GetString() == "leftover");
        Assert.Contains(
            "leftover",
            (await maren.PostAsync("/calculations/side-finish", new { materialId = 1, assemblyId = 6, machineId = 1, leftover = taken }))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Answer other = (await maren.PostAsync(
            "/calculations/tap", new
            {
                materialId = 2,
                assemblyId = await IdAsync(maren, "A-1208"),
                machineId = 1,
                leftover = taken,
            })).Expect(HttpStatusCode.OK);
        Assert.Contains(other["findings"].EnumerateArray(), f => f.GetProperty("code").GetString() == "leftover-doubt");
    }

    [Fact]
    public async Task Another_coolant_that_changes_the_cycle_is_said()
    {
        Caller maren = await workshop.SignInAsync("maren");
        async Task<bool> SaidAsync(string coolant) =>
            (await maren.PostAsync(
                "/calculations/drill",
                new
                {
                    materialId = 1,
                    assemblyId = await IdAsync(maren, "A-1305"),
                    machineId = 1,
                    numbers = new { depth = 45 },
                    options = new { coolant },
                    extras = new[] { new { kind = "drilledBefore", cycle = "fullRetract" } },
                }))
                .Expect(HttpStatusCode.OK)["findings"]
                .EnumerateArray()
                .Any(f => f.GetProperty("code").GetString() == "cycle-crossed");
        Assert.False(await SaidAsync("flood"));
        Assert.True(await SaidAsync("through"));
    }

    private static Task<Answer> SendFileAsync(Caller caller, string text) =>
        caller.SendAsync(
            HttpMethod.Post, "/hole-groups/positions",
            new ByteArrayContent(Encoding.UTF8.GetBytes(text)) { Headers = { ContentType = new MediaTypeHeaderValue("application/octet-stream") } });

    [Fact]
    public async Task Positions_come_from_a_table_and_bad_files_are_refused()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer found = (await SendFileAsync(maren, "x;y;d\n1;2;8\n3;4;9\n")).Expect(HttpStatusCode.OK);
        Assert.Equal(2, found["holes"].GetArrayLength());
        (await SendFileAsync(maren, "nothing here")).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_method_for_drilling_is_measured_by_the_drill()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer made = (await maren.PostAsync("/shop/methods", new
        {
            name = "Three deep, through the drill",
            operation = "drill",
            choices = new object[]
            {
                new { field = "depth", basis = "ofDiameter", amount = 3 }, new { field = "holeBefore", basis = "ofDiameter", amount = 1.2 },
            },
            options = new { coolant = "through" },
        })).Expect(HttpStatusCode.Created);
        Answer applied = (await maren.PostAsync(
            $"/calculations/drill/methods/{made["id"].GetInt32()}", new
            {
                materialId = 2,
                assemblyId = await IdAsync(maren, "A-1305"),
                machineId = 1,
            })).Expect(HttpStatusCode.OK);
        Assert.Equal(25.5, applied["choices"].GetProperty("numbers").GetProperty("depth").GetDouble(), 9);
        Assert.Equal("through", applied["choices"].GetProperty("options").GetProperty("coolant").GetString());
        Assert.Equal("holeBefore", applied["notApplied"][0].GetProperty("field").GetString());
    }

    [Fact]
    public async Task A_published_hole_is_looked_up_with_its_depth_and_its_stages()
    {
        Caller tobiah = await workshop.SignInAsync("tobiah");
        await tobiah.PublishAsync(new { note = "with holes" });
        Caller jory = await workshop.SignInAsync("jory");
        JsonElement entry = (await jory.GetAsync("/lookup?q=A-1305")).Expect(HttpStatusCode.OK)["entries"][0];
        Assert.Contains(entry.GetProperty("figures").EnumerateArray(), f => f.GetProperty("code").GetString() == "programmedDepth");
        Assert.Equal("approach", entry.GetProperty("way")[0].GetProperty("code").GetString());
    }

    [Fact]
    public async Task The_load_over_a_turn_is_not_offered_and_the_window_of_a_tap_is_refused()
    {
        Caller maren = await workshop.SignInAsync("maren");
        object body = new { materialId = 2, assemblyId = await IdAsync(maren, "A-1208"), machineId = 1 };
        (await maren.PostAsync("/calculations/tap/revolution", body)).Expect(HttpStatusCode.NotFound);
        Assert.Equal(
            ["across", "up"],
            (await maren.PostAsync("/calculations/tap/window?across=cuttingSpeed&up=depth", body))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields
                .Union(["up"]));
        object drill = new { materialId = 2, assemblyId = await IdAsync(maren, "A-1305"), machineId = 1 };
        Answer best = (await maren.PostAsync("/calculations/drill/best?aim=time", drill)).Expect(HttpStatusCode.OK);
        Assert.True(best["found"].GetBoolean());
        Assert.Equal(
            64,
            (await maren.PostAsync("/calculations/drill/window?across=cuttingSpeed&up=feedPerRevolution&size=8", drill))
                .Expect(HttpStatusCode.OK)["use"]
                .GetBytesFromBase64().Length);
    }
}

using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

/// <summary>What stands in the places of a machine stays possible, whichever door a change comes through.</summary>
public sealed class PlacesTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const int Brindle = 1;
    private static int made;

    private static object[] At(params int[] places) => [.. places.Select(p => new { machineId = Brindle, place = p })];

    private static object Standing(Answer assembly, params int[] places)
    {
        JsonElement d = assembly["definition"];
        return new
        {
            number = d.GetProperty("number").GetString(),
            cutterId = d.GetProperty("cutterId").GetInt32(),
            holderId = d.GetProperty("holderId").GetInt32(),
            projection = 38,
            places = At(places),
        };
    }

    // An assembly with a holder of 88 mm: wider than a place of the magazine.
    private static async Task<Answer> WideAsync(Caller maren, params int[] places)
    {
        string name = $"W-{8000 + Interlocked.Increment(ref made)}";
        int cutter = (await maren.PostAsync("/library/cutters", LibraryTests.NewCutter(name))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        JsonNode holder = JsonNode.Parse($$"""
            {"number":"{{name}}","kind":"collet holder","interface":"SK 40","leastClamping":2,"largestClamping":16,"leastGrip":28,
             "boreDepth":60,"largestSpeed":15000,"seatCompliance":0.9,
             "segments":[{"length":40,"lowerDiameter":42,"upperDiameter":42},{"length":30,"lowerDiameter":88,"upperDiameter":88}]}
            """)!;
        int holderId = (await maren.PostAsync("/library/holders", holder)).Expect(HttpStatusCode.Created)["id"].GetInt32();
        return (await maren.PostAsync(
            "/library/assemblies", new
            {
                number = name,
                cutterId = cutter,
                holderId,
                projection = 38,
                places = At(places),
            })).Expect(HttpStatusCode.Created);
    }

    private static Task<Answer> PutAsync(Caller maren, Answer assembly, params int[] places) =>
        maren.PutAsync($"/library/assemblies/{assembly["id"].GetInt32()}", Standing(assembly, places), ifMatch: assembly["revision"].GetInt32());

    [Fact]
    public async Task Of_two_wide_tools_put_side_by_side_at_the_same_moment_one_is_refused()
    {
        Caller maren = await workshop.SignInAsync("maren");
        (Answer left, Answer right) = (await WideAsync(maren), await WideAsync(maren));
        for (int i = 0; i < 8; i++)
        {
            Answer[] put = await Task.WhenAll(PutAsync(maren, left, 27), PutAsync(maren, right, 28));
            Assert.Equal([HttpStatusCode.OK, HttpStatusCode.UnprocessableEntity], put.Select(p => p.Status).Order());
            (left, right) = (await Out(left, put[0]), await Out(right, put[1]));
        }

        async Task<Answer> Out(Answer before, Answer after) =>
            after.Status == HttpStatusCode.OK ? (await PutAsync(maren, after)).Expect(HttpStatusCode.OK) : before;
    }

    [Fact]
    public async Task Taking_a_change_back_is_judged_by_what_stands_there_now()
    {
        Caller maren = await workshop.SignInAsync("maren");
        (Answer left, Answer right) = (await WideAsync(maren, 23), await WideAsync(maren));
        int batch = (await maren.PostAsync(
            "/library/assemblies/many", new { seen = new[] { new { id = left["id"].GetInt32(), revision = 1 } }, changes = new { places = At() } }))
            .Expect(HttpStatusCode.OK)["id"]
            .GetInt32();
        right = (await PutAsync(maren, right, 24)).Expect(HttpStatusCode.OK);
        Answer refused = (await maren.PostAsync($"/library/assemblies/many/{batch}/undo", new { })).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["places[0].place"], refused.FaultFields);
        (await PutAsync(maren, right)).Expect(HttpStatusCode.OK);
        (await maren.PostAsync($"/library/assemblies/many/{batch}/undo", new { })).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Two_assemblies_given_one_place_at_once_are_refused_in_the_preview_already()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int[] ids = [(await WideAsync(maren))["id"].GetInt32(), (await WideAsync(maren))["id"].GetInt32()];
        Answer preview = (await maren.PostAsync("/library/assemblies/many/preview", new { ids, changes = new { places = At(20) } }))
            .Expect(HttpStatusCode.OK);
        Assert.All(
            preview.Json.EnumerateArray(),
            row => Assert.Contains("stands in place 20", row.GetProperty("faults")[0].GetProperty("sentence").GetString(), StringComparison.Ordinal));
        Answer refused = await maren.PostAsync(
            "/library/assemblies/many", new { seen = ids.Select(id => new { id, revision = 1 }), changes = new { places = At(20) } });
        Assert.Equal(["places[0].place"], refused.Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.All(ids, id => Assert.Equal(1, maren.GetAsync($"/library/assemblies/{id}").Result["revision"].GetInt32()));
    }

    [Theory]
    [InlineData("store.places", 2)]
    [InlineData("store.largestAlone", 85)]
    [InlineData("store.kind", "byHand")]
    [InlineData("interface", "HSK-A 63")]
    public async Task A_machine_keeps_what_stands_in_it(string field, object value)
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer wide = await WideAsync(maren, 26), machine = await maren.GetAsync($"/shop/machines/{Brindle}");
        JsonObject changed = JsonNode.Parse(machine["definition"].GetRawText())!.AsObject();
        JsonObject at = field.StartsWith("store.", StringComparison.Ordinal) ? changed["store"]!.AsObject() : changed;
        at[field.Split('.')[^1]] = JsonSerializer.SerializeToNode(value);
        if (field == "store.kind") changed["store"] = new JsonObject { ["kind"] = "byHand", ["places"] = 0 };
        if (field == "store.largestAlone") at["largestDiameter"] = 0;
        Answer refused = (await maren.PutAsync($"/shop/machines/{Brindle}", changed, ifMatch: machine["revision"].GetInt32()))
            .Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal([field.Split('.')[0]], refused.FaultFields);
        Assert.Contains($"{wide["definition"].GetProperty("number").GetString()} in place 26", refused.Json.GetRawText(), StringComparison.Ordinal);
        (await PutAsync(maren, wide)).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task What_is_retired_is_not_chosen_anew_but_may_stay_where_it_was()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer stands = await WideAsync(maren), other = await WideAsync(maren);
        int old = stands["definition"].GetProperty("cutterId").GetInt32(), next = other["definition"].GetProperty("cutterId").GetInt32();
        (await maren.PostAsync($"/library/cutters/{old}/retire", new { replacementId = next, assemblies = Array.Empty<object>() }, ifMatch: 1))
            .Expect(HttpStatusCode.OK);

        stands = (await PutAsync(maren, stands, 12)).Expect(HttpStatusCode.OK);
        var anew = new { number = "W-9999", cutterId = old, holderId = stands["definition"].GetProperty("holderId").GetInt32(), projection = 38 };
        Assert.Equal(["cutterId"], (await maren.PostAsync("/library/assemblies", anew)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Answer circle = await maren.PostAsync(
            $"/library/cutters/{next}/retire", new { replacementId = old, assemblies = Array.Empty<object>() }, ifMatch: 1);
        Assert.Equal(["replacedById"], circle.Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Answer batch = await maren.PostAsync(
            "/library/assemblies/many", new
            {
                seen = new[] { new { id = stands["id"].GetInt32(), revision = 2 } },
                changes = new { retired = true },
            });
        Assert.Equal(["places"], batch.Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        (await PutAsync(maren, stands)).Expect(HttpStatusCode.OK);
    }
}

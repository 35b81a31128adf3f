using System.Globalization;
using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

/// <summary>
/// Random work on the library over the wire, beside a model that does the same in a few lines: after it both hold the same things.
/// INCISURA_ACTIONS says how many actions (make soak).
/// </summary>
public sealed class LibraryModelTests(Workshop workshop) : IClassFixture<Workshop>
{
    private sealed class Held(JsonObject definition)
    {
        public JsonObject Definition { get; set; } = definition;

        public int Revision { get; set; } = 1;

        public bool Retired => Definition["retired"]?.GetValue<bool>() == true;
    }

    private readonly Dictionary<int, Held> cutters = [], assemblies = [];
    private readonly List<(int Batch, Dictionary<int, string> Before)> batches = [];
    private readonly Random random = new(42);
    private int made;

    private static JsonObject Copy(JsonObject o) => JsonNode.Parse(o.ToJsonString())!.AsObject();

    private T One<T>(IReadOnlyCollection<T> of) => of.ElementAt(random.Next(of.Count));

    [Fact]
    public async Task Whatever_is_done_the_library_holds_what_a_plain_model_of_it_holds()
    {
        int actions = int.Parse(Environment.GetEnvironmentVariable("INCISURA_ACTIONS") ?? "400", CultureInfo.InvariantCulture);
        Caller maren = await workshop.SignInAsync("maren");
        for (int i = 0; i < 6; i++) await AddCutter(maren);
        Func<Caller, Task>[] acts =
        [
            AddCutter, ChangeCutter, ChangeCutter, BreakCutter, LateChange, ChangeMany, TakeBack, AddAssembly, AddAssembly, MoveAssembly,
            MoveAssembly, Retire,
        ];
        for (int i = 0; i < actions; i++)
        {
            await One(acts)(maren);
            if (i % 100 == 99) await Same(maren);
        }

        await Same(maren);
        Assert.True(cutters.Count > 10 && assemblies.Count > 10);
    }

    private async Task AddCutter(Caller maren)
    {
        JsonObject c = LibraryTests.NewCutter($"X-{++made}");
        c["dimensions"]!["DC"] = 4 + random.Next(9);
        int id = (await maren.PostAsync("/library/cutters", c)).Expect(HttpStatusCode.Created)["id"].GetInt32();
        cutters.Add(id, new(c));
    }

    private async Task ChangeCutter(Caller maren)
    {
        (int id, Held held) = One(cutters);
        JsonObject after = Copy(held.Definition);
        after["remarks"] = $"change {random.Next(1000)}";
        (await maren.PutAsync($"/library/cutters/{id}", after, held.Revision)).Expect(HttpStatusCode.OK);
        (held.Definition, held.Revision) = (after, held.Revision + 1);
    }

    private async Task BreakCutter(Caller maren)
    {
        (int id, Held held) = One(cutters);
        JsonObject after = Copy(held.Definition);
        (string symbol, double value) = One<(string, double)>([("LCF", 0), ("DMM", 0.3), ("OAL", 26), ("ZEFF", 2.5), ("DN", 90), ("APMX", 60)]);
        after["dimensions"]![symbol] = value;
        (await maren.PutAsync($"/library/cutters/{id}", after, held.Revision)).Expect(HttpStatusCode.UnprocessableEntity);
    }

    private async Task LateChange(Caller maren)
    {
        (int id, Held held) = One(cutters);
        (await maren.PutAsync($"/library/cutters/{id}", Copy(held.Definition), held.Revision - 1)).Expect(HttpStatusCode.PreconditionFailed);
    }

    private async Task ChangeMany(Caller maren)
    {
        int[] ids = [.. cutters.Keys.Where(_ => random.Next(3) == 0)];
        if (ids.Length == 0) return;
        string coating = One<string>(["TiN", "DLC", "AlTiN"]);
        object seen = ids.Select(id => new { id, revision = cutters[id].Revision });
        Answer batch = (await maren.PostAsync("/library/cutters/many", new { seen, changes = new { coating } })).Expect(HttpStatusCode.OK);
        batches.Add((batch["id"].GetInt32(), ids.ToDictionary(id => id, id => cutters[id].Definition.ToJsonString())));
        foreach (int id in ids)
        {
            cutters[id].Definition = Copy(cutters[id].Definition);
            cutters[id].Definition["coating"] = coating;
            cutters[id].Revision++;
        }

        Assert.Equal(
            ["ids"],
            (await maren.PostAsync("/library/cutters/many/preview", new { ids = ids.Append(999_999), changes = new { coating } }))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
    }

    // The last change of many is taken back where nothing it changed was changed since; otherwise that is said, and nothing moves.
    private async Task TakeBack(Caller maren)
    {
        if (batches.Count == 0) return;
        (int batch, Dictionary<int, string> before) = batches[^1];
        batches.RemoveAt(batches.Count - 1);
        Answer undone = await maren.PostAsync($"/library/cutters/many/{batch}/undo", new { });
        if (undone.Status is HttpStatusCode.PreconditionFailed) return;
        undone.Expect(HttpStatusCode.OK);
        foreach ((int id, string json) in before)
        {
            cutters[id].Definition = JsonNode.Parse(json)!.AsObject();
            cutters[id].Revision++;
        }
    }

    private bool Free(int place, int except) => assemblies.All(a => a.Key == except || !PlacesOf(a.Value).Contains(place));

    private static IEnumerable<int> PlacesOf(Held held) => held.Definition["places"]?.AsArray().Select(p => p!["place"]!.GetValue<int>()) ?? [];

    private async Task AddAssembly(Caller maren)
    {
        (int cutter, Held held) = One(cutters);
        JsonObject a = new() { ["number"] = $"XA-{++made}", ["cutterId"] = cutter, ["holderId"] = 1, ["projection"] = 38 + random.Next(6) };
        Answer answer = await maren.PostAsync("/library/assemblies", a);
        if (held.Retired)
        {
            answer.Expect(HttpStatusCode.UnprocessableEntity);
            return;
        }

        assemblies.Add(answer.Expect(HttpStatusCode.Created)["id"].GetInt32(), new(a));
    }

    // Old Peg has no places; Brindle's 30 hold the demo's tools and these.
    private async Task MoveAssembly(Caller maren)
    {
        if (assemblies.Count == 0) return;
        (int id, Held held) = One(assemblies);
        int place = 20 + random.Next(14);
        JsonObject after = Copy(held.Definition);
        after["places"] = new JsonArray(new JsonObject { ["machineId"] = 1, ["place"] = place });
        Answer answer = await maren.PutAsync($"/library/assemblies/{id}", after, held.Revision);
        if (place > 30 || !Free(place, id)) answer.Expect(HttpStatusCode.UnprocessableEntity);
        if (answer.Status != HttpStatusCode.OK)
        {
            // The demo's own tools stand there too.
            answer.Expect(HttpStatusCode.UnprocessableEntity);
            return;
        }

        (held.Definition, held.Revision) = (after, held.Revision + 1);
    }

    private async Task Retire(Caller maren)
    {
        if (random.Next(4) > 0) return;
        (int id, Held held) = One(cutters);
        (int by, Held other) = One(cutters);
        int[] inIt = [.. assemblies.Where(a => a.Value.Definition["cutterId"]!.GetValue<int>() == id).Select(a => a.Key)];
        object body = new { replacementId = by, assemblies = inIt.Select(a => new { id = a, revision = assemblies[a].Revision }) };
        Answer answer = await maren.PostAsync($"/library/cutters/{id}/retire", body, held.Revision);
        if (id == by || other.Retired)
        {
            Assert.NotEqual(HttpStatusCode.OK, answer.Status);
            Assert.True((int)answer.Status < 500);
            return;
        }

        answer.Expect(HttpStatusCode.OK);
        held.Definition = Copy(held.Definition);
        (held.Definition["retired"], held.Definition["replacedById"]) = (true, by);
        held.Revision++;
        foreach (int a in inIt)
        {
            assemblies[a].Definition = Copy(assemblies[a].Definition);
            assemblies[a].Definition["cutterId"] = by;
            assemblies[a].Revision++;
        }
    }

    private async Task Same(Caller maren)
    {
        foreach ((string path, Dictionary<int, Held> all) in ((string, Dictionary<int, Held>)[])[("cutters", cutters), ("assemblies", assemblies)])
            foreach ((int id, Held held) in all)
            {
                Answer sheet = (await maren.GetAsync($"/library/{path}/{id}")).Expect(HttpStatusCode.OK);
                Assert.Equal(held.Revision, sheet["revision"].GetInt32());
                foreach ((string field, JsonNode? value) in held.Definition)
                    Assert.True(
                        JsonNode.DeepEquals(JsonNode.Parse(sheet["definition"].GetProperty(field).GetRawText()), value) || field == "places",
                        $"{path} {id} {field}: {sheet["definition"].GetProperty(field)} for {value}");
                Assert.Equal(
                    PlacesOf(held),
                    sheet["definition"]
                        .GetProperty("places" is var p && path == "assemblies" ? p : "groups")
                        .EnumerateArray()
                        .Where(e => e.ValueKind == JsonValueKind.Object)
                        .Select(e => e.GetProperty("place").GetInt32()));
            }

        foreach (int id in cutters.Keys)
        {
            int[] uses =
                [
                    .. (await maren.GetAsync($"/library/cutters/{id}/uses"))
                    .Expect(HttpStatusCode.OK)["assemblies"]
                    .EnumerateArray()
                    .Select(a => a.GetProperty("id").GetInt32())
                    .Order()];
            Assert.Equal(assemblies.Where(a => a.Value.Definition["cutterId"]!.GetValue<int>() == id).Select(a => a.Key).Order(), uses);
        }

        Answer list = (await maren.GetAsync("/library/cutters?q=X-&state=inUse&take=1")).Expect(HttpStatusCode.OK);
        Assert.Equal(cutters.Values.Count(c => !c.Retired), list["total"].GetInt32());
    }
}

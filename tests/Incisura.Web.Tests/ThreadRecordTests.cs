using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>Threads that are turned and milled: calculated, compared, and kept in records.</summary>
public sealed class ThreadRecordTests(Workshop workshop) : IClassFixture<Workshop>
{
    private async Task<object> RequestAsync(
        string assembly, string machine, string thread, int ownId = 0, string? operation = null, object? numbers = null)
    {
        ShelfView view = await workshop.ShelfAsync();
        return new
        {
            operation = operation ?? "",
            materialId = view.Materials.Values.Single(m => m.Name == "42CrMo4").Id,
            assemblyId = view.Assemblies.Values.Single(a => a.Name == assembly).Id,
            machineId = view.Machines.Values.Single(m => m.Name == machine).Id,
            numbers = numbers ?? new { },
            options = new { },
            extras = new[] { new { kind = "threadToCut", text = thread, ownId } },
        };
    }

    private async Task<Dictionary<string, object>> CalculatedAsync(string assembly, string machine, string thread, int ownId = 0)
    {
        Dictionary<string, object> all = JsonSerializer.Deserialize<Dictionary<string, object>>(
            JsonSerializer.Serialize(await RequestAsync(assembly, machine, thread, ownId)))!;
        all.Remove("operation");
        return all;
    }

    private static string NumberOf(Answer record) => record["number"].GetString()!;

    private static int VersionOf(Answer record) => record["revisions"][0].GetProperty("version").GetInt32();

    [Fact]
    public async Task A_thread_is_turned_as_it_is_named_and_one_the_insert_cannot_cut_is_refused_at_its_box()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer turned = (await maren.PostAsync("/calculations/thread-turning", await CalculatedAsync("A-3005", "Morrow", "1/2-13 UNC-2A")))
            .Expect(HttpStatusCode.OK);
        JsonElement cut = turned["attachments"].EnumerateArray().Single(a => a.GetProperty("kind").GetString() == "cutThread");
        Assert.Equal("2A", cut.GetProperty("class").GetString());
        Assert.Contains(turned["attachments"].EnumerateArray(), a => a.GetProperty("kind").GetString() == "infeedCourse");
        foreach (string thread in new[] { "M8×1", "bolt", "Tr20×4", "M10×9" })
            Assert.Equal(
                ["threadToCut"],
                (await maren.PostAsync("/calculations/thread-turning", await CalculatedAsync("A-3005", "Morrow", thread)))
                    .Expect(HttpStatusCode.UnprocessableEntity).FaultFields.Distinct());
        Answer gone = await maren.PostAsync("/calculations/thread-turning", await CalculatedAsync("A-3005", "Morrow", "x", 9999));
        Assert.Contains("no such thread", gone.Expect(HttpStatusCode.UnprocessableEntity).Detail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Each_thread_has_a_record_of_its_own_and_a_draft_stays_with_its_thread()
    {
        Caller maren = await workshop.SignInAsync("maren");
        async Task<Answer> KeptAsync(string thread) =>
            await maren.PostAsync("/records", await RequestAsync("A-3005", "Morrow", thread, operation: "thread-turning"));
        Answer first = (await KeptAsync("M16×2-6g")).Expect(HttpStatusCode.Created), second = (await KeptAsync("M20×2.5-6g")).Expect(
            HttpStatusCode.Created);
        Assert.NotEqual(NumberOf(first), NumberOf(second));
        (await KeptAsync("M16×2-6g")).Expect(HttpStatusCode.Conflict);
        Assert.Equal(
            "Thread turning M16×2-6g", first["revisions"][0].GetProperty("situation").GetProperty("operationName").GetString());
        object other = new { numbers = new { }, extras = new[] { new { kind = "threadToCut", text = "M24×3" } } };
        Assert.Equal(
            "other-thread", (await maren.PutAsync($"/records/{NumberOf(first)}", other, VersionOf(first))).Expect(HttpStatusCode.Conflict)["rule"]
                .GetString());
    }

    [Fact]
    public async Task A_record_on_an_own_thread_waits_for_its_approval_and_goes_stale_with_it()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        object Own(double pitch) => new
        {
            name = "Worn 24",
            parent = "M24×2",
            diameter = 24.4,
            pitch,
            reason = "worn housings",
        };
        int id = (await maren.PostAsync("/shop/threads", Own(2))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        Answer record = (await maren.PostAsync(
            "/records", await RequestAsync("A-3005", "Morrow", "Worn 24", id, "thread-turning",
                new { standsOut = 40 }))).Expect(HttpStatusCode.Created);
        string path = $"/records/{NumberOf(record)}";
        record = (await maren.PostAsync($"{path}/submit", new { }, VersionOf(record))).Expect(HttpStatusCode.OK);
        Answer refused = await tobiah.PostAsync($"{path}/approve", new { }, VersionOf(record));
        Assert.Equal("thread-not-approved", refused.Expect(HttpStatusCode.Conflict)["rule"].GetString());
        (await tobiah.PostAsync($"/shop/threads/{id}/approval", new { }, ifMatch: 1)).Expect(HttpStatusCode.OK);
        Dictionary<string, string> accepted = record["revisions"][0].GetProperty("cautions").EnumerateArray()
            .ToDictionary(c => c.GetProperty("key").GetString()!, _ => "Nose measured on the projector.");
        (await tobiah.PostAsync($"{path}/approve", new { accepted }, VersionOf(record))).Expect(HttpStatusCode.OK);

        (await maren.PutAsync($"/shop/threads/{id}", Own(2.2), ifMatch: 1)).Expect(HttpStatusCode.OK);
        JsonElement standing = (await maren.GetAsync(path)).Expect(HttpStatusCode.OK)["revisions"][0].GetProperty("standing");
        Assert.Contains(standing.GetProperty("moved").EnumerateArray(), m => m.GetProperty("footing").GetProperty("kind").GetString() == "thread");
        Assert.NotEqual(0, standing.GetProperty("figures").GetArrayLength());
    }

    [Fact]
    public async Task Every_way_the_shop_has_to_make_a_thread_stands_beside_the_others()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Dictionary<string, object> request = await CalculatedAsync("A-1331", "Brindle", "M24×3-6H");
        request["numbers"] = new { depth = 20 };
        JsonElement[] ways =
        [
            .. (await maren.PostAsync("/calculations/thread-milling/ways", request)).Expect(HttpStatusCode.OK).Json.EnumerateArray(),
        ];
        Assert.Equal(["thread-milling", "thread-turning"], ways.Select(w => w.GetProperty("operation").GetString()).Distinct().Order());
        Assert.Contains(ways, w => w.GetProperty("assembly").GetString() == "A-3008" && w.GetProperty("machine").GetString() == "Morrow");
        bool[] keeps = [.. ways.Select(w => w.GetProperty("keeps").GetBoolean())];
        Assert.Equal(keeps.OrderByDescending(k => k), keeps);
        Assert.All(ways, w => Assert.True(w.GetProperty("time").GetDouble() > 0));

        // Each is asked for as it stands there, and comes to the same.
        foreach (JsonElement way in ways.Take(4))
        {
            Answer again = (await maren.PostAsync($"/calculations/{way.GetProperty("operation").GetString()}", way.GetProperty("request")))
                .Expect(HttpStatusCode.OK);
            Assert.Equal(
                way.GetProperty("time").GetDouble(),
                again["figures"].EnumerateArray().First(f => f.GetProperty("code").GetString() == "time").GetProperty("value").GetDouble(), 12);
        }

        // Pinned as they are, all of them do the same work: a blind hole or a thread on the turning centre.
        object[] pinned =
        [
            .. ways.DistinctBy(w => w.GetProperty("operation").GetString())
                .Select(w => new { name = "", operation = w.GetProperty("operation").GetString(), request = w.GetProperty("request") }),
        ];
        Assert.Equal(2, pinned.Length);
        Answer compared = (await maren.PostAsync("/comparisons", pinned)).Expect(HttpStatusCode.OK);
        Assert.Single(compared.Json.EnumerateArray().Select(c => c.GetProperty("work").GetString()).Distinct());

        (await maren.PostAsync("/calculations/drill/ways", new { materialId = 1, assemblyId = 1, machineId = 1 })).Expect(
            HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task Tapped_milled_and_turned_threads_of_one_size_and_length_do_the_same_work()
    {
        Caller maren = await workshop.SignInAsync("maren");
        async Task<object> PinnedAsync(string name, string operation, string assembly, string machine, string thread, object numbers)
        {
            ShelfView view = await workshop.ShelfAsync();
            int Id<T>(IEnumerable<T> all, string wanted)
                where T : IStored => all.Single(s => s.Name == wanted).Id;
            object request = operation == "tap"
                ? new
                {
                    materialId = Id(view.Materials.Values, "42CrMo4"),
                    assemblyId = Id(view.Assemblies.Values, assembly),
                    machineId = Id(view.Machines.Values, machine),
                    numbers,
                }
                : new
                {
                    materialId = Id(view.Materials.Values, "42CrMo4"),
                    assemblyId = Id(view.Assemblies.Values, assembly),
                    machineId = Id(view.Machines.Values, machine),
                    numbers,
                    extras = new[] { new { kind = "threadToCut", text = thread, ownId = 0 } },
                };
            return new { name, operation, request };
        }

        object[] pinned =
        [
            await PinnedAsync("tapped", "tap", "A-1315", "Brindle", "", new { depth = 20 }),
            await PinnedAsync("milled", "thread-milling", "A-1331", "Brindle", "M24×3-6H", new { depth = 20 }),
            await PinnedAsync("turned", "thread-turning", "A-3008", "Morrow", "M24×3-6H", new { length = 20 }),
            await PinnedAsync("longer", "thread-milling", "A-1331", "Brindle", "M24×3", new { depth = 25 }),
        ];
        Answer compared = (await maren.PostAsync("/comparisons", pinned)).Expect(HttpStatusCode.OK);
        string[] work = [.. compared.Json.EnumerateArray().Select(c => c.GetProperty("work").GetString()!)];
        Assert.Equal(work[1], work[2]);
        Assert.NotEqual(work[0], work[1]);
        Assert.NotEqual(work[1], work[3]);
        Assert.Contains("M12×1.75 inside 20", work[0], StringComparison.Ordinal);
    }
}

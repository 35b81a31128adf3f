using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

/// <summary>Nobody decides on figures they had a hand in, by whatever detour.</summary>
public sealed class FourEyesTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static object Wish(int material, double length, double speed = 100) => new
    {
        operation = "side-rough",
        materialId = material,
        assemblyId = 9,
        machineId = 1,
        numbers = new { length, cuttingSpeed = speed },
    };

    private static object Change(double length, double speed = 100) => new { numbers = new { length, cuttingSpeed = speed } };

    private static JsonElement Newest(Answer record) => record["revisions"].EnumerateArray()
        .First(r => r.GetProperty("state").GetString() != "discarded");

    private static int Version(Answer record) => (record["revisions"].EnumerateArray()
        .Where(r => r.GetProperty("state").GetString() != "discarded").Select(r => (JsonElement?)r).FirstOrDefault()
            ?? record["revisions"][0]).GetProperty("version").GetInt32();

    private static Dictionary<string, string> Accepted(Answer record) => Newest(record).GetProperty("cautions").EnumerateArray()
        .ToDictionary(c => c.GetProperty("key").GetString()!, _ => "Known here.");

    [Fact]
    public async Task Somebody_elses_length_of_path_makes_ones_own_figures_no_others()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        Answer own = (await tobiah.PostAsync("/records", Wish(1, 320))).Expect(HttpStatusCode.Created);
        string of = $"/records/{own["number"].GetString()}";
        (await tobiah.PostAsync($"{of}/discard", new { }, Version(own))).Expect(HttpStatusCode.OK);

        // The same, by somebody else; then with another length; then with figures a hair apart.
        foreach ((double length, double speed) in new[] { (320.0, 100.0), (326.4, 100.0), (320.0, 100.3) })
        {
            Answer record = (await maren.PostAsync("/records", Wish(1, length, speed))).Expect(HttpStatusCode.Created);
            record = (await maren.PostAsync($"{of}/submit", new { accepted = Accepted(record) }, Version(record))).Expect(HttpStatusCode.OK);
            Assert.Equal("own-proposal", (await tobiah.PostAsync($"{of}/approve", new { }, Version(record)))["rule"].GetString());
            record = (await maren.PostAsync($"{of}/take-back", new { }, Version(record))).Expect(HttpStatusCode.OK);
            (await maren.PostAsync($"{of}/discard", new { }, Version(record))).Expect(HttpStatusCode.OK);
        }

        // Once somebody without a hand in it has approved, only what sets the same at the machine counts from before.
        Answer next = (await maren.PostAsync("/records", Wish(1, 320))).Expect(HttpStatusCode.Created);
        next = (await maren.PostAsync($"{of}/submit", new { accepted = Accepted(next) }, Version(next))).Expect(HttpStatusCode.OK);
        (await ines.PostAsync($"{of}/approve", new { }, Version(next))).Expect(HttpStatusCode.OK);
        foreach ((double length, double speed, bool may) in new[] { (400.0, 100.0, false), (400.0, 80.0, true) })
        {
            Answer later = (await maren.PostAsync("/records", Wish(1, length, speed))).Expect(HttpStatusCode.Created);
            later = (await maren.PostAsync($"{of}/submit", new { accepted = Accepted(later) }, Version(later))).Expect(HttpStatusCode.OK);
            Answer decided = await tobiah.PostAsync($"{of}/approve", new { }, Version(later));
            Assert.Equal(may, decided.Status == HttpStatusCode.OK);
            if (may) break;
            later = (await maren.PostAsync($"{of}/take-back", new { }, Version(later))).Expect(HttpStatusCode.OK);
            (await maren.PostAsync($"{of}/discard", new { }, Version(later))).Expect(HttpStatusCode.OK);
        }
    }

    [Fact]
    public async Task Whoever_changed_a_thread_since_its_approval_does_not_approve_it_whoever_changed_it_last()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        JsonNode worn = JsonNode.Parse((await maren.GetAsync("/threads/start?text=M24")).Json.ToString())!;
        (worn["name"], worn["reason"], worn["diameter"]) = ("Worn 24", "Old boats.", 24.2);
        Answer thread = (await maren.PostAsync("/shop/threads", worn)).Expect(HttpStatusCode.Created);
        string of = $"/shop/threads/{thread["id"].GetInt32()}";
        async Task<Answer> SaveAsync(Caller who, string field, JsonNode value)
        {
            Answer now = await who.GetAsync(of);
            JsonNode definition = JsonNode.Parse(now["definition"].ToString())!;
            definition[field] = value;
            return (await who.PutAsync(of, definition, now["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        }

        await SaveAsync(tobiah, "diameter", 24.3);
        thread = await SaveAsync(maren, "reason", "Old boats..");
        int revision = thread["revision"].GetInt32();
        Assert.Equal(
            "own-proposal", (await tobiah.PostAsync($"{of}/approval", new { }, revision)).Expect(HttpStatusCode.Forbidden)["rule"].GetString());
        (await ines.PostAsync($"{of}/approval", new { }, revision)).Expect(HttpStatusCode.OK);

        // From there on it counts anew.
        thread = await SaveAsync(maren, "reason", "Old boats.");
        (await tobiah.PostAsync($"{of}/approval", new { }, thread["revision"].GetInt32())).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Tried_at_the_machine_is_not_what_other_figures_were()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer record = (await maren.PostAsync("/records", Wish(2, 300))).Expect(HttpStatusCode.Created);
        string of = $"/records/{record["number"].GetString()}";
        object terms = new { evidence = new { kind = "triedAtMachine", source = "Job 7" }, until = (string?)null, pieces = (int?)null };
        record = (await maren.PostAsync($"{of}/submit", new { accepted = Accepted(record), terms }, Version(record))).Expect(HttpStatusCode.OK);
        record = (await maren.PostAsync($"{of}/take-back", new { }, Version(record))).Expect(HttpStatusCode.OK);
        string Kind(Answer of) => Newest(of).GetProperty("terms").GetProperty("evidence").GetProperty("kind").GetString()!;
        record = (await maren.PutAsync(of, Change(350), Version(record))).Expect(HttpStatusCode.OK);
        Assert.Equal("triedAtMachine", Kind(record));
        record = (await maren.PutAsync(of, Change(350, 110), Version(record))).Expect(HttpStatusCode.OK);
        Assert.Equal("computed", Kind(record));
    }
}

using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>What comes back from the machines: kept once, summed up, and what must not be run is said to readers at once.</summary>
public sealed class ReportTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static Dictionary<string, object?> Report(string record, string outcome, Guid? key = null, object? more = null)
    {
        Dictionary<string, object?> report = new()
        {
            ["key"] = key ?? Guid.NewGuid(),
            ["record"] = record,
            ["revision"] = 1,
            ["edition"] = 1,
            ["ranAt"] = DateTimeOffset.UtcNow,
            ["outcome"] = outcome,
        };
        foreach (System.Reflection.PropertyInfo p in more?.GetType().GetProperties() ?? []) report[p.Name] = p.GetValue(more);
        return report;
    }

    private async Task<JsonElement> LookUpAsync(string record) =>
        (await (await workshop.SignInAsync("jory")).GetAsync($"/lookup?q={record}")).Expect(HttpStatusCode.OK)["entries"][0];

    private static async Task<int> WaitingAsync(Caller who) =>
        int.Parse((await who.GetAsync("/records/waiting")).Json.GetRawText(), System.Globalization.CultureInfo.InvariantCulture);

    private static string What(JsonElement entry) => entry.GetProperty("since").GetProperty("what").GetString()!;

    [Fact]
    public async Task A_report_that_is_sent_twice_is_kept_once_and_many_are_summed_up_with_their_spread()
    {
        Caller jory = await workshop.SignInAsync("jory"), maren = await workshop.SignInAsync("maren");
        Guid key = Guid.NewGuid();
        for (int i = 0; i < 3; i++)
            (await jory.PostAsync("/reports", Report("R-0001", "asGiven", key, new { lifeMinutes = 38, pieces = 4 }))).Expect(HttpStatusCode.OK);
        foreach ((double feed, double life) in new[] { (85.0, 51.0), (90, 44) })
            (await jory.PostAsync("/reports", Report("R-0001", "withChanges", null, new { feedOverride = feed, lifeMinutes = life, chatter = true })))
                .Expect(HttpStatusCode.OK);
        Answer reports = (await maren.GetAsync("/records/R-0001/reports")).Expect(HttpStatusCode.OK);
        Assert.Equal(3, reports["reports"].GetArrayLength());
        JsonElement sum = Assert.Single(reports["summaries"].EnumerateArray());
        Assert.Equal((1, 2, 0, 2), (Of("asGiven"), Of("withChanges"), Of("doNotRun"), Of("chattered")));
        JsonElement life2 = sum.GetProperty("lifeMinutes");
        Assert.Equal(
            (3, 38.0, 44.0, 51.0),
            (life2.GetProperty("count").GetInt32(), Figure("least"), Figure("middle"), Figure("most")));
        Assert.Equal(JsonValueKind.Null, sum.GetProperty("load").ValueKind);

        // Pieces count once too, and nothing of this keeps anybody from running it.
        Assert.Equal(4, (await maren.GetAsync("/records/R-0001"))["revisions"][0].GetProperty("made").GetInt32());
        Assert.Equal("holds", What(await LookUpAsync("R-0001")));
        (await jory.GetAsync("/records/R-0001/reports")).Expect(HttpStatusCode.Forbidden);

        int Of(string member) => sum.GetProperty(member).GetInt32();
        double Figure(string member) => life2.GetProperty(member).GetDouble();
    }

    [Fact]
    public async Task Do_not_run_is_told_to_readers_at_once_and_until_an_approver_decides_who_had_no_hand_in_it()
    {
        Caller jory = await workshop.SignInAsync("jory"), maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        (int Maren, int Tobiah) before = (await WaitingAsync(maren), await WaitingAsync(tobiah));
        Answer first = (await jory.PostAsync("/reports", Report("R-0004", "doNotRun", null, new { broke = true, note = "Two edges {0} went." })))
            .Expect(HttpStatusCode.OK);
        (await jory.PostAsync("/reports", Report("R-0004", "doNotRun"))).Expect(HttpStatusCode.OK);
        JsonElement entry = await LookUpAsync("R-0004");
        Assert.Equal("stopped", What(entry));
        Assert.Contains("something broke, Two edges", entry.GetProperty("warning").GetProperty("template").GetString(), StringComparison.Ordinal);
        Assert.Equal(
            "stopped", What((await jory.GetAsync("/editions/1?q=R-0004"))["entries"][0]));
        Assert.Equal(1, (await jory.GetAsync("/editions/1?since=stopped"))["total"].GetInt32());

        // It waits for everybody who may decide, is in the number in the bar, and has a count of its own in coverage.
        Assert.Equal(1, await WaitingAsync(maren) - before.Maren);
        Assert.Equal(1, await WaitingAsync(tobiah) - before.Tobiah);
        Assert.Contains(
            (await maren.GetAsync("/records?waits=true&take=500"))["rows"].EnumerateArray(), r => r.GetProperty("number").GetString() == "R-0004");
        Assert.Equal(1, (await maren.GetAsync("/coverage"))["total"].GetProperty("stopped").GetInt32());
        Assert.Equal(1, (await maren.GetAsync("/records?counts=stopped"))["total"].GetInt32());

        // Engineers see it among the stale ones; it cannot be kept as it is, nor published again.
        Assert.Contains(
            (await maren.GetAsync("/records?stands=stale&take=500"))["rows"].EnumerateArray(), r => r.GetProperty("number").GetString() == "R-0004");
        JsonElement pending = (await tobiah.GetAsync("/editions/pending?q=R-0004"))["entries"][0];
        Assert.Equal("removed", pending.GetProperty("change").GetString());
        Answer record = await tobiah.GetAsync("/records/R-0004");
        (await tobiah.PostAsync(
            "/records/R-0004/keep", new { text = "Still good." }, record["revisions"][0].GetProperty("version").GetInt32()))
            .Expect(HttpStatusCode.Conflict);
        Assert.Contains(
            (await maren.GetAsync("/history?of=4&kind=record"))["rows"].EnumerateArray(), r => r.GetProperty("act").GetString() == "reported");

        // A change in the shop that is judged anew takes nothing away from it.
        Answer machine = await maren.GetAsync("/shop/machines/1");
        (await maren.PutAsync("/shop/machines/1", machine["definition"], machine["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        await maren.GetAsync("/records?take=1");
        Assert.Equal("stopped", What(await LookUpAsync("R-0004")));

        // Both have to be decided on, with a reason, once each.
        int[] ids = [.. (await maren.GetAsync("/records/R-0004/reports"))["reports"].EnumerateArray().Select(r => r.GetProperty("id").GetInt32())];
        string Path(int id) => $"/records/R-0004/reports/{id}/decision";
        (await jory.PostAsync(Path(ids[0]), new { text = "Run it." })).Expect(HttpStatusCode.Forbidden);
        Assert.Equal(["text"], (await maren.PostAsync(Path(ids[0]), new { text = " " })).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.Equal(
            "not-lifted", (await maren.PostAsync(Path(ids[0]), new { text = "Run it." })).Expect(HttpStatusCode.Conflict)["rule"].GetString());
        (await tobiah.PostAsync(Path(ids[0]), new { text = "The clamp was loose." })).Expect(HttpStatusCode.OK);
        Assert.Equal("stopped", What(await LookUpAsync("R-0004")));
        Assert.Equal("decided", (await tobiah.PostAsync(Path(ids[0]), new { text = "Again." })).Expect(HttpStatusCode.Conflict)["rule"].GetString());
        (await tobiah.PostAsync(Path(ids[1]), new { text = "The clamp was loose." })).Expect(HttpStatusCode.OK);
        Assert.Equal("holds", What(await LookUpAsync("R-0004")));
        Assert.Equal(before, (await WaitingAsync(maren), await WaitingAsync(tobiah)));
        Assert.Equal("The clamp was loose.", (await maren.GetAsync("/records/R-0004/reports"))["reports"][0].GetProperty("decision").GetString());
        Assert.Equal(first["id"].GetInt32(), ids[1]);
    }

    [Fact]
    public async Task Nobody_sends_more_reports_within_an_hour_than_can_be_looked_at_and_do_not_run_of_others_still_comes_through()
    {
        Caller adwin = await workshop.SignInAsync("adwin"), jory = await workshop.SignInAsync("jory");
        Caller hasty = new(workshop.CreateClient());
        await adwin.InviteAsync("hasty", "reader", "three red kites", hasty);
        (await hasty.PostAsync("/session", new { name = "hasty", password = "three red kites" })).Expect(HttpStatusCode.OK);
        List<HttpStatusCode> answers = [];
        for (int i = 0; i <= Incisura.Web.Reports.ReportEndpoints.MostAnHour; i++)
            answers.Add((await hasty.PostAsync("/reports", Report("R-0002", "asGiven"))).Status);
        Assert.Equal((HttpStatusCode.Conflict, 1), (answers[^1], answers.Count(a => a != HttpStatusCode.OK)));
        Answer stop = (await jory.PostAsync("/reports", Report("R-0002", "doNotRun"))).Expect(HttpStatusCode.OK);
        (await (await workshop.SignInAsync("tobiah")).PostAsync($"/records/R-0002/reports/{stop["id"].GetInt32()}/decision", new { text = "Seen." }))
            .Expect(HttpStatusCode.OK);
    }

    public static TheoryData<string, object> Wrong => new()
    {
        { "feedOverride", new { feedOverride = 0 } },
        { "speedOverride", new { speedOverride = 250 } },
        { "lifeMinutes", new { lifeMinutes = -1 } },
        { "pieces", new { pieces = 0 } },
        { "load", new { load = 400 } },
        { "key", new { key = Guid.Empty } },
        { "ranAt", new { ranAt = DateTimeOffset.UtcNow.AddDays(-90) } },
        { "finish", new { finish = new string('x', 201) } },
        { "note", new { note = new string('x', 2001) } },
        { "photo", new { photo = "bm90IGEgcGljdHVyZQ==" } },
        { "photo", new { photo = Convert.ToBase64String(new byte[(700 * 1024) + 1]) } },
    };

    [Theory]
    [MemberData(nameof(Wrong))]
    public async Task What_cannot_be_is_refused_by_name_and_nothing_is_kept(string field, object more)
    {
        Caller jory = await workshop.SignInAsync("jory"), maren = await workshop.SignInAsync("maren");
        Assert.Equal(
            [field],
            (await jory.PostAsync("/reports", Report("R-0007", "doNotRun", null, more))).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.Equal(0, (await maren.GetAsync("/records/R-0007/reports"))["reports"].GetArrayLength());
        Assert.Equal("holds", What(await LookUpAsync("R-0007")));
    }

    [Fact]
    public async Task Only_what_was_published_can_be_reported_on()
    {
        Caller jory = await workshop.SignInAsync("jory");
        (await jory.PostAsync("/reports", Report("R-0011", "asGiven"))).Expect(HttpStatusCode.NotFound);
        (await jory.PostAsync("/reports", Report("R-9999", "asGiven"))).Expect(HttpStatusCode.NotFound);
        (await workshop.Stranger().PostAsync("/reports", Report("R-0001", "asGiven"))).Expect(HttpStatusCode.Unauthorized);
    }
}

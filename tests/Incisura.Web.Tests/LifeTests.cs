using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>What stands beside a record's figures, who may do what to it, and who stands in for whom.</summary>
public sealed class LifeTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static JsonElement Newest(Answer record) => record["revisions"][0];

    private static int Version(Answer record) => Newest(record).GetProperty("version").GetInt32();

    private static string Path(Answer record) => $"/records/{record["number"].GetString()}";

    private static string WhyNot(Answer record, string act) => Newest(record).GetProperty("can").EnumerateArray()
        .Single(c => c.GetProperty("act").GetString() == act).GetProperty("rule").GetString()!;

    private static Dictionary<string, string> Reasons(Answer record, string reason) => Newest(record).GetProperty("cautions").EnumerateArray()
        .ToDictionary(c => c.GetProperty("key").GetString()!, _ => reason);

    // A chip thinner than the cutter is made for: two cautions.
    private static async Task<Answer> CautiousAsync(Caller by, int material, object? numbers = null) => (await by.PostAsync(
        "/records",
        new { operation = "side-rough", materialId = material, assemblyId = 8, machineId = 1, numbers = numbers ?? new { feedPerTooth = 0.01 } }))
        .Expect(HttpStatusCode.Created);

    private static async Task<Answer> PlainAsync(Caller by, int assembly, string operation = "slot") => (await by.PostAsync(
        "/records", new { operation, materialId = 2, assemblyId = assembly, machineId = 1 })).Expect(HttpStatusCode.Created);

    [Fact]
    public async Task A_caution_is_accepted_with_a_reason_that_is_published_and_ends_when_it_says_something_else()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), jory = await workshop.SignInAsync("jory");
        Answer record = await CautiousAsync(maren, 2);
        Assert.Equal(2, Newest(record).GetProperty("cautions").GetArrayLength());
        Dictionary<string, string> reasons = Reasons(record, "Finishing pass only, tried on R-17."), first = reasons.Take(1).ToDictionary();
        record = (await maren.PostAsync($"{Path(record)}/submit", new { accepted = first }, Version(record))).Expect(HttpStatusCode.OK);
        record = (await tobiah.GetAsync(Path(record))).Expect(HttpStatusCode.OK);
        Assert.Equal("open-caution", WhyNot(record, "approve"));
        Answer refused = await tobiah.PostAsync($"{Path(record)}/approve", new { }, Version(record));
        Assert.Equal("open-caution", refused.Expect(HttpStatusCode.Conflict)["rule"].GetString());
        Assert.Equal(
            "no-such-caution",
            (await tobiah.PostAsync(
                $"{Path(record)}/approve", new { accepted = new Dictionary<string, string> { ["All is well."] = "yes" } }, Version(record)))
                .Expect(HttpStatusCode.Conflict)["rule"].GetString());
        record = (await tobiah.PostAsync($"{Path(record)}/approve", new { accepted = reasons }, Version(record))).Expect(HttpStatusCode.OK);
        Assert.Equal(
            ["maren", "tobiah"],
            Newest(record).GetProperty("terms").GetProperty("accepted").EnumerateArray().Select(a => a.GetProperty("by").GetString()!).Order());
        await tobiah.PublishAsync(new { note = "with a reason" });
        JsonElement shown = (await jory.GetAsync($"/lookup?q={record["number"].GetString()}"))["entries"][0];
        Assert.Equal(
            "Finishing pass only, tried on R-17.", shown.GetProperty("terms").GetProperty("accepted")[0].GetProperty("reason").GetString());

        // The same words again keep the reason, other numbers in them do not.
        Answer next = await CautiousAsync(maren, 2);
        Assert.Equal(2, Newest(next).GetProperty("terms").GetProperty("accepted").GetArrayLength());
        next = (await maren.PutAsync(Path(next), new { numbers = new { feedPerTooth = 0.011 } }, Version(next))).Expect(HttpStatusCode.OK);
        Assert.All(
            Newest(next).GetProperty("cautions").EnumerateArray().Where(c => c.GetProperty("key").GetString()!.Contains("0.011")),
            c => Assert.Equal(JsonValueKind.Null, c.GetProperty("acceptance").ValueKind));
    }

    [Fact]
    public async Task An_approval_can_reach_to_a_day_and_some_pieces_and_is_shown_as_ended_after_it()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        Answer record = await PlainAsync(maren, 5);
        DateOnly today = DateOnly.FromDateTime(workshop.Clock.GetLocalNow().Date);
        object Terms(DateOnly until, int pieces, string source) => new
        {
            terms = new { evidence = new { kind = "triedAtMachine", source }, until, pieces },
        };
        foreach ((object wrong, string field) in new (object, string)[]
                 {
                     (Terms(today.AddDays(-1), 50, "job 7"), "until"), (Terms(today, 0, "job 7"), "pieces"), (Terms(today, 50, " "), "evidence"),
                 })
            Assert.Equal(
                [field],
                (await maren.PostAsync($"{Path(record)}/submit", wrong, Version(record))).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        record = (await maren.PostAsync($"{Path(record)}/submit", Terms(today, 50, "job 7, Tuesday"), Version(record))).Expect(HttpStatusCode.OK);
        record = (await tobiah.PostAsync($"{Path(record)}/approve", new { }, Version(record))).Expect(HttpStatusCode.OK);
        Assert.False(Newest(record).GetProperty("ended").GetBoolean());
        Assert.Equal(50, Newest(record).GetProperty("terms").GetProperty("pieces").GetInt32());
        int edition = (await tobiah.PublishAsync(new { })).GetProperty("number").GetInt32();

        workshop.Clock.Ahead = TimeSpan.FromDays(2);
        try
        {
            Caller later = await workshop.SignInAsync("tobiah");
            record = (await later.GetAsync(Path(record))).Expect(HttpStatusCode.OK);
            Assert.True(Newest(record).GetProperty("ended").GetBoolean());
            Assert.Equal("ended", WhyNot(record, "keep"));
            string number = record["number"].GetString()!;
            JsonElement row = (await later.GetAsync("/records?stands=stale&take=500"))["rows"].EnumerateArray()
                .Single(r => r.GetProperty("number").GetString() == number);
            Assert.True(row.GetProperty("ended").GetBoolean());
            JsonElement entry = (await later.GetAsync($"/editions/{edition}"))["entries"].EnumerateArray()
                .Single(e => e.GetProperty("record").GetString() == number);
            Assert.Equal("ended", entry.GetProperty("since").GetProperty("what").GetString());
            JsonElement pending = (await later.GetAsync("/editions/pending"))["entries"].EnumerateArray()
                .Single(p => p.GetProperty("record").GetString() == number);
            Assert.Equal("removed", pending.GetProperty("change").GetString());

            // A new revision begins without the day that is over.
            Answer renewed = (await later.PostAsync($"{Path(record)}/renew", new { }, Version(record))).Expect(HttpStatusCode.OK);
            Assert.Equal(JsonValueKind.Null, Newest(renewed).GetProperty("terms").GetProperty("until").ValueKind);
            Assert.Equal("job 7, Tuesday", Newest(renewed).GetProperty("terms").GetProperty("evidence").GetProperty("source").GetString());
        }
        finally
        {
            workshop.Clock.Ahead = default;
        }
    }

    [Fact]
    public async Task With_the_last_piece_it_was_approved_for_it_has_ended()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        Answer record = await PlainAsync(maren, 4, "side-rough");
        object terms = new { evidence = new { kind = "computed", source = "" }, until = (string?)null, pieces = 50 };
        record = (await maren.PostAsync($"{Path(record)}/submit", new { terms }, Version(record))).Expect(HttpStatusCode.OK);
        (await maren.PostAsync($"{Path(record)}/made", new { pieces = 1 }, Version(record))).Expect(HttpStatusCode.Conflict);
        record = (await tobiah.PostAsync($"{Path(record)}/approve", new { }, Version(record))).Expect(HttpStatusCode.OK);
        (await maren.PostAsync($"{Path(record)}/made", new { pieces = 0 }, Version(record))).Expect(HttpStatusCode.UnprocessableEntity);
        record = (await maren.PostAsync($"{Path(record)}/made", new { pieces = 49 }, Version(record))).Expect(HttpStatusCode.OK);
        Assert.Equal((49, false), (Newest(record).GetProperty("made").GetInt32(), Newest(record).GetProperty("ended").GetBoolean()));
        (await maren.PostAsync($"{Path(record)}/made", new { pieces = 1 }, Version(record) - 1)).Expect(HttpStatusCode.PreconditionFailed);
        record = (await maren.PostAsync($"{Path(record)}/made", new { pieces = 3 }, Version(record))).Expect(HttpStatusCode.OK);
        Assert.Equal((52, true), (Newest(record).GetProperty("made").GetInt32(), Newest(record).GetProperty("ended").GetBoolean()));
        string number = record["number"].GetString()!;
        Assert.Contains(
            (await maren.GetAsync("/records?stands=stale&take=500"))["rows"].EnumerateArray(), r => r.GetProperty("number").GetString() == number);
        JsonElement told = (await maren.GetAsync($"/history?text={number}&take=1"))["rows"][0];
        Assert.Equal(("made", "49"), (told.GetProperty("act").GetString(), told.GetProperty("changes")[0].GetProperty("from").GetString()));
        Assert.Empty((await maren.GetAsync("/history/check"))["faults"].EnumerateArray());
    }

    [Fact]
    public async Task The_server_says_what_may_be_done_and_does_just_that()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        Answer record = await PlainAsync(tobiah, 6);
        record = (await tobiah.PostAsync($"{Path(record)}/submit", new { }, Version(record))).Expect(HttpStatusCode.OK);
        Assert.Equal(("own-proposal", ""), (WhyNot(record, "approve"), WhyNot(record, "takeBack")));
        foreach ((Caller who, string rule) in new[] { (maren, "role"), (tobiah, "own-proposal"), (ines, "") })
        {
            Answer seen = await who.GetAsync(Path(record));
            Assert.Equal(rule, WhyNot(seen, "approve"));
            foreach ((string act, string path) in new[] { ("approve", "approve"), ("withdraw", "withdraw"), ("takeBack", "take-back") })
            {
                if (WhyNot(seen, act).Length == 0) continue;
                Answer refused = await who.PostAsync($"{Path(record)}/{path}", new { text = "because" }, Version(seen));
                Assert.Equal(WhyNot(seen, act), refused["rule"].GetString());
            }
        }
    }

    [Fact]
    public async Task A_deputy_decides_in_the_days_of_an_absence_and_only_then_and_not_on_their_own()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), jory = await workshop.SignInAsync("jory");
        DateOnly today = DateOnly.FromDateTime(workshop.Clock.GetLocalNow().Date);
        Caller ines = await workshop.SignInAsync("ines");
        Answer own = await PlainAsync(maren, 5, "side-rough"), other = await PlainAsync(ines, 6, "side-rough");
        Answer absent = await PlainAsync(tobiah, 7, "side-rough");
        own = (await maren.PostAsync($"{Path(own)}/submit", new { }, Version(own))).Expect(HttpStatusCode.OK);
        other = (await ines.PostAsync($"{Path(other)}/submit", new { }, Version(other))).Expect(HttpStatusCode.OK);
        absent = (await tobiah.PostAsync($"{Path(absent)}/submit", new { }, Version(absent))).Expect(HttpStatusCode.OK);
        (await maren.PostAsync($"{Path(other)}/approve", new { }, Version(other))).Expect(HttpStatusCode.Forbidden);
        (await jory.GetAsync("/absences")).Expect(HttpStatusCode.Forbidden);
        (await maren.PostAsync("/absences", new { deputy = "maren", from = today, until = today })).Expect(HttpStatusCode.Forbidden);
        Answer wrong = await tobiah.PostAsync("/absences", new { deputy = "jory", from = today, until = today.AddDays(-1) });
        Assert.Equal(["deputy", "until", "until"], wrong.Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Answer absence = (await tobiah.PostAsync("/absences", new { deputy = "maren", from = today, until = today })).Expect(HttpStatusCode.OK);
        (await tobiah.PostAsync("/absences", new { deputy = "maren", from = today, until = today })).Expect(HttpStatusCode.Conflict);

        // Not before she has agreed, and nobody agrees for her.
        string agreement = $"/absences/{absence["id"].GetInt32()}/agreement";
        Assert.Equal("engineer", (await maren.GetAsync("/session"))["role"].GetString());
        Assert.Equal("not-yours", (await tobiah.PostAsync(agreement, new { })).Expect(HttpStatusCode.Conflict)["rule"].GetString());
        (await maren.PostAsync(agreement, new { })).Expect(HttpStatusCode.NoContent);
        Answer session = await maren.GetAsync("/session");
        Assert.Equal(("approver", "tobiah"), (session["role"].GetString(), session["inPlaceOf"].GetString()));

        // A deputy names no deputy, and decides on nothing of their own.
        DateOnly later = today.AddDays(9);
        (await maren.PostAsync("/absences", new { deputy = "maren", from = later, until = later })).Expect(HttpStatusCode.Forbidden);
        Assert.Equal("own-proposal", (await maren.PostAsync($"{Path(own)}/approve", new { }, Version(own)))["rule"].GetString());
        Answer stoodIn = await maren.PostAsync($"{Path(absent)}/approve", new { }, Version(absent));
        Assert.Contains("You stand in for tobiah", stoodIn.Expect(HttpStatusCode.Forbidden).Detail, StringComparison.Ordinal);
        other = (await maren.PostAsync($"{Path(other)}/approve", new { }, Version(other))).Expect(HttpStatusCode.OK);
        JsonElement approved = Newest(other).GetProperty("events").EnumerateArray().Last();
        Assert.Equal(("maren", "tobiah"), (approved.GetProperty("by").GetString(), approved.GetProperty("inPlaceOf").GetString()));

        workshop.Clock.Ahead = TimeSpan.FromDays(1);
        try
        {
            Assert.Equal("engineer", (await (await workshop.SignInAsync("maren")).GetAsync("/session"))["role"].GetString());
        }
        finally
        {
            workshop.Clock.Ahead = default;
        }

        // The sessions of before ended in the meantime.
        (maren, tobiah) = (await workshop.SignInAsync("maren"), await workshop.SignInAsync("tobiah"));
        (await maren.SendAsync(HttpMethod.Delete, $"/absences/{absence["id"].GetInt32()}", null)).Expect(HttpStatusCode.Conflict);
        (await tobiah.SendAsync(HttpMethod.Delete, $"/absences/{absence["id"].GetInt32()}", null)).Expect(HttpStatusCode.NoContent);
        Assert.Equal("engineer", (await maren.GetAsync("/session"))["role"].GetString());
    }

    [Fact]
    public async Task A_comment_stands_at_its_figure_and_what_was_changed_under_a_revision_is_told_with_who_did_it()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        Answer record = await PlainAsync(maren, 9);
        Answer said = (await tobiah.PostAsync(
            $"{Path(record)}/comments", new { revision = 1, figure = "spindleSpeed", text = " Chatters here on Tansy. " })).Expect(HttpStatusCode.OK);
        JsonElement comment = Assert.Single(Newest(said).GetProperty("comments").EnumerateArray());
        Assert.Equal(
            ("spindleSpeed", "tobiah", "Chatters here on Tansy."),
            (comment.GetProperty("figure").GetString(), comment.GetProperty("by").GetString(), comment.GetProperty("text").GetString()));
        Assert.Equal(
            ["figure", "text"],
            (await tobiah.PostAsync($"{Path(record)}/comments", new { revision = 1, figure = "colour", text = "" }))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields.Order());
        (await tobiah.PostAsync($"{Path(record)}/comments", new { revision = 2, text = "?" })).Expect(HttpStatusCode.NotFound);

        record = (await maren.PostAsync($"{Path(record)}/submit", new { }, Version(said))).Expect(HttpStatusCode.OK);
        record = (await tobiah.PostAsync($"{Path(record)}/approve", new { }, Version(record))).Expect(HttpStatusCode.OK);
        Answer machine = await ines.GetAsync("/shop/machines/1");
        Dictionary<string, object?> definition = JsonSerializer.Deserialize<Dictionary<string, object?>>(machine["definition"].GetRawText())!;
        definition["remarks"] = "spindle bearings changed";
        (await ines.PutAsync("/shop/machines/1", definition, machine["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        Answer next = await PlainAsync(maren, 9);
        JsonElement under = Newest(next).GetProperty("changedUnder").EnumerateArray().Single(c => c.GetProperty("kind").GetString() == "machine");
        Assert.Equal(["ines"], under.GetProperty("by").EnumerateArray().Select(b => b.GetString()!));
    }
}

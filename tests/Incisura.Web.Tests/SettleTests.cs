using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using Incisura.Core.Records;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

/// <summary>What goes stale when something is revised, the list that finds it, and how it is settled.</summary>
public sealed class SettleTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static JsonElement[] Rows(Answer list) => [.. list["rows"].EnumerateArray()];

    private static string Number(JsonElement row) => row.GetProperty("number").GetString()!;

    private static async Task<JsonElement> RowAsync(Caller caller, string number, string query = "take=500") =>
        Rows(await caller.GetAsync($"/records?{query}")).Single(r => Number(r) == number);

    // Revises every row of the chart for an operation.
    private static async Task ReviseAsync(Caller maren, string operation, double factor)
    {
        Answer chart = await maren.GetAsync("/shop/charts/1");
        JsonObject d = JsonNode.Parse(chart["definition"].GetRawText())!.AsObject();
        foreach (JsonNode? row in d["rows"]!.AsArray().Where(r => (string)r!["operation"]! == operation))
            row!["cuttingSpeed"] = (double)row["cuttingSpeed"]! * factor;
        (await maren.PutAsync("/shop/charts/1", d, chart["revision"].GetInt32())).Expect(HttpStatusCode.OK);
    }

    private static async Task<Answer> ActAsync(Caller by, string number, string act, string text = "") =>
        await by.PostAsync($"/records/{number}/{act}", new { text }, (await RowAsync(by, number))!.GetProperty("version").GetInt32());

    [Fact]
    public async Task Only_what_reads_a_chart_row_goes_stale_and_says_how_far()
    {
        Caller maren = await workshop.SignInAsync("maren");
        string[] before = [.. Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number)];
        await ReviseAsync(maren, "side-finish", 0.8);
        Answer stale = await maren.GetAsync("/records?take=500&stands=stale&order=moved");
        JsonElement[] moved = [.. Rows(stale).Where(r => !before.Contains(Number(r)))];
        Assert.NotEmpty(moved);
        Assert.Equal(0, stale["judging"].GetInt32());
        Assert.Equal(Rows(stale).Length, stale["stale"].GetInt32());
        Assert.All(moved, r =>
        {
            Assert.Equal("side-finish", r.GetProperty("situation").GetProperty("operation").GetString());
            Assert.Equal(["chart Speed chart of the shop"], r.GetProperty("staleBy").EnumerateArray().Select(b => b.GetString()!));
            Assert.InRange(r.GetProperty("moved").GetDouble(), 0.15, 1);
            JsonElement most = r.GetProperty("foremost");
            Assert.NotEqual(most.GetProperty("from").GetDouble(), most.GetProperty("to").GetDouble());
        });
        double[] how = [.. Rows(stale).Select(r => r.GetProperty("moved").GetDouble())];
        Assert.Equal(how.OrderDescending(), how);

        // Back as it was, they hold again.
        await ReviseAsync(maren, "side-finish", 1 / 0.8);
        Assert.Equal(before.Order(), Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number).Order());
    }

    [Fact]
    public async Task A_move_inside_the_tolerance_is_none()
    {
        Caller maren = await workshop.SignInAsync("maren");
        string[] before = [.. Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number)];
        await ReviseAsync(maren, "slot", 1.004);
        Assert.Equal(before.Order(), Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number).Order());
        await ReviseAsync(maren, "slot", 1 / 1.004);
    }

    [Fact]
    public async Task The_list_is_filtered_sorted_and_cut_by_the_database()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer all = await maren.GetAsync("/records?take=500");
        int total = all["total"].GetInt32();
        Assert.Equal(total, Rows(all).Length);
        Assert.Equal(
            total, all["counts"].EnumerateObject().Where(c => c.Name != "discarded").Sum(c => c.Value.GetInt32()));

        // Pages follow each other without gap or repetition.
        List<string> paged = [];
        for (int skip = 0; skip < total; skip += 7)
            paged.AddRange(Rows(await maren.GetAsync($"/records?skip={skip}&take=7&order=number")).Select(Number));
        Assert.Equal(Rows(all).Select(Number).Order(StringComparer.Ordinal), paged);
        JsonElement first = Rows(all)[0].GetProperty("situation");
        string machine = first.GetProperty("machine").GetString()!;
        Answer some = await maren.GetAsync($"/records?take=500&text={machine.ToUpperInvariant()}%20{first.GetProperty("assembly").GetString()}");
        Assert.All(Rows(some), r => Assert.Equal(machine, r.GetProperty("situation").GetProperty("machine").GetString()));
        Assert.InRange(some["total"].GetInt32(), 1, total - 1);
        Answer by = await maren.GetAsync($"/records?take=500&machine={first.GetProperty("machineId").GetInt32()}&operation="
            + first.GetProperty("operation").GetString());
        Assert.InRange(by["total"].GetInt32(), 1, total - 1);
        Assert.Equal(0, (await maren.GetAsync("/records?text=%25%25%25"))["total"].GetInt32());
        double[] uses = [.. Rows(await maren.GetAsync("/records?take=500&order=limit")).Select(r => r.GetProperty("worstUse").GetDouble())];
        Assert.Equal(uses.OrderDescending(), uses);
        foreach (string bad in new[] { "take=0", "take=501", "skip=-1", "order=banana", "stands=banana" })
            Assert.Equal([bad.Split('=')[0]], (await maren.GetAsync("/records?" + bad)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
    }

    [Fact]
    public async Task Stale_records_are_kept_with_a_reason_proposed_anew_or_withdrawn()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        await ReviseAsync(maren, "side-rough", 0.9);
        string[] stale = [.. Rows(await maren.GetAsync("/records?take=500&stands=stale&state=approved&operation=side-rough&order=number"))
            .Where(r => !r.GetProperty("broken").GetBoolean()).Select(Number)];
        Assert.True(stale.Length >= 2);

        Assert.Equal("reason", (await ActAsync(tobiah, stale[0], "keep")).Expect(HttpStatusCode.Conflict)["rule"].GetString());
        Assert.Equal("role", (await ActAsync(maren, stale[0], "keep", "as before")).Expect(HttpStatusCode.Forbidden)["rule"].GetString());
        Answer kept = (await ActAsync(tobiah, stale[0], "keep", "Tried on both machines.")).Expect(HttpStatusCode.OK);
        Assert.True(kept["revisions"][0].GetProperty("kept").GetBoolean());
        Assert.DoesNotContain(stale[0], Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number));
        Assert.Equal("holds", (await RecordSinceAsync(maren, stale[0])).GetProperty("what").GetString());

        // Four press at once and one revision comes of it.
        int seen = (await RowAsync(maren, stale[1])).GetProperty("version").GetInt32();
        Answer[] pressed = await Task.WhenAll(
            Enumerable.Range(0, 4).Select(_ => maren.PostAsync($"/records/{stale[1]}/renew", new { }, seen)));
        Answer renewed = pressed.Single(p => p.Status == HttpStatusCode.OK);
        Assert.All(pressed.Where(p => p != renewed), p => Assert.Equal("open-revision", p.Expect(HttpStatusCode.Conflict)["rule"].GetString()));
        Assert.Equal(2, renewed["revisions"].GetArrayLength());
        JsonElement next = renewed["revisions"][0], last = renewed["revisions"][1];
        Assert.Equal("inReview", next.GetProperty("state").GetString());
        Assert.Equal(last.GetProperty("note").GetString(), next.GetProperty("note").GetString());
        Assert.NotEqual(0, next.GetProperty("againstApproved").GetArrayLength());
        Assert.False(next.GetProperty("standing").GetProperty("stale").GetBoolean());

        // While it waits, the one in force is still told as stale; a second one is not made.
        Assert.Contains(stale[1], Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number));
        int version = last.GetProperty("version").GetInt32();
        Answer twice = await maren.PostAsync($"/records/{stale[1]}/renew", new { }, version);
        Assert.Equal("open-revision", twice.Expect(HttpStatusCode.Conflict)["rule"].GetString());

        // What is kept is asked for again as soon as anything moves.
        await ReviseAsync(maren, "side-rough", 0.9);
        Assert.Contains(stale[0], Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number));
        await ReviseAsync(maren, "side-rough", 1 / 0.81);
        Assert.Equal("holds", (await ActAsync(tobiah, stale[0], "keep", "again")).Expect(HttpStatusCode.Conflict)["rule"].GetString());
    }

    private static async Task<JsonElement> RecordSinceAsync(Caller caller, string number) =>
        (await caller.GetAsync("/editions/1"))["entries"].EnumerateArray().Single(e => e.GetProperty("record").GetString() == number)
            .GetProperty("since");

    [Fact]
    public async Task What_breaks_a_limit_cannot_be_kept()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        Answer machine = await maren.GetAsync("/shop/machines/2");
        JsonObject tansy = JsonNode.Parse(machine["definition"].GetRawText())!.AsObject();
        (tansy["largestSpeed"], tansy["curve"]) = (600, new JsonArray());
        (await maren.PutAsync("/shop/machines/2", tansy, machine["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        JsonElement broken = Rows(await maren.GetAsync("/records?take=500&stands=stale&state=approved&machine=2"))[0];
        Assert.True(broken.GetProperty("broken").GetBoolean());
        Assert.Equal(2, broken.GetProperty("moved").GetDouble());
        Answer refused = (await ActAsync(tobiah, Number(broken), "keep", "It will do.")).Expect(HttpStatusCode.Conflict);
        Assert.Equal("broken", refused["rule"].GetString());
        (await ActAsync(tobiah, Number(broken), "withdraw", "Too fast for the machine.")).Expect(HttpStatusCode.OK);
        Assert.DoesNotContain(Number(broken), Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number));
    }

    [Fact]
    public async Task A_submission_is_taken_back_and_one_sent_back_says_what_became_of_it()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        Answer made = (await maren.PostAsync(
            "/records", new { operation = "side-rough", materialId = 2, assemblyId = 7, machineId = 1, numbers = new { widthOfCut = 1.4 } }))
            .Expect(HttpStatusCode.Created);
        string number = made["number"].GetString()!;
        (await ActAsync(maren, number, "submit")).Expect(HttpStatusCode.OK);
        Assert.Equal("not-yours", (await ActAsync(ines, number, "take-back")).Expect(HttpStatusCode.Conflict)["rule"].GetString());
        Answer back = (await ActAsync(maren, number, "take-back")).Expect(HttpStatusCode.OK);
        Assert.Equal("draft", back["revisions"][0].GetProperty("state").GetString());
        Assert.False((await RowAsync(maren, number)).GetProperty("sentBack").GetBoolean());

        (await ActAsync(maren, number, "submit")).Expect(HttpStatusCode.OK);
        (await ActAsync(tobiah, number, "send-back", "Less width.")).Expect(HttpStatusCode.OK);
        JsonElement row = await RowAsync(maren, number);
        Assert.True(row.GetProperty("sentBack").GetBoolean());
        Assert.Contains(number, Rows(await maren.GetAsync("/records?waits=true&take=500")).Select(Number));
        Assert.DoesNotContain(number, Rows(await ines.GetAsync("/records?waits=true&take=500")).Select(Number));
        Answer mended = (await maren.PutAsync(
            $"/records/{number}", new { numbers = new { widthOfCut = 0.8 } }, row.GetProperty("version").GetInt32())).Expect(HttpStatusCode.OK);
        Assert.True(mended["revisions"][0].GetProperty("sentBack").GetBoolean());
        Answer again = (await ActAsync(maren, number, "submit")).Expect(HttpStatusCode.OK);
        JsonElement revision = again["revisions"][0];
        Answer waiting = await ines.GetAsync("/records?waits=true&take=500");
        Assert.Contains(number, Rows(waiting).Select(Number));
        Assert.Equal(waiting["total"].GetInt32(), waiting["waiting"].GetInt32());
        Assert.DoesNotContain(number, Rows(await maren.GetAsync("/records?waits=true&take=500")).Select(Number));
        Assert.False(revision.GetProperty("sentBack").GetBoolean());
        JsonElement width = revision.GetProperty("sinceSentBack").EnumerateArray().Single(c => c.GetProperty("code").GetString() == "width");
        Assert.Equal((1.4, 0.8), (Math.Round(width.GetProperty("from").GetDouble(), 6), Math.Round(width.GetProperty("to").GetDouble(), 6)));
    }

    [Fact]
    public async Task Nobody_approves_a_copy_of_what_they_worked_on()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        object draft = new { operation = "side-rough", materialId = 2, assemblyId = 5, machineId = 1, numbers = new { widthOfCut = 1.1 } };
        Answer made = (await tobiah.PostAsync("/records", draft)).Expect(HttpStatusCode.Created);
        string number = made["number"].GetString()!;
        (await ActAsync(tobiah, number, "discard")).Expect(HttpStatusCode.OK);
        (await maren.PostAsync("/records", draft)).Expect(HttpStatusCode.Created);
        (await ActAsync(maren, number, "submit")).Expect(HttpStatusCode.OK);
        Assert.Equal("own-proposal", (await ActAsync(tobiah, number, "approve")).Expect(HttpStatusCode.Forbidden)["rule"].GetString());
        (await ActAsync(ines, number, "approve")).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task What_a_change_touches_is_said_before_it_is_saved_and_is_so_after_it()
    {
        Caller maren = await workshop.SignInAsync("maren");
        string[] before = [.. Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number)];
        Answer chart = await maren.GetAsync("/shop/charts/1");
        JsonObject d = JsonNode.Parse(chart["definition"].GetRawText())!.AsObject();
        foreach (JsonNode? row in d["rows"]!.AsArray().Where(r => (string)r!["operation"]! == "face"))
            row!["cuttingSpeed"] = (double)row["cuttingSpeed"]! * 0.7;
        Answer touched = (await maren.PostAsync("/shop/charts/1/touched", d)).Expect(HttpStatusCode.OK);
        Assert.True(touched["rest"].GetInt32() > touched["moves"].GetInt32());
        Assert.NotEqual(0, touched["moves"].GetInt32());
        Assert.All(
            touched["records"].EnumerateArray(),
            r => Assert.Equal("face", r.GetProperty("situation").GetProperty("operation").GetString()));
        Assert.Equal(before.Order(), Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number).Order());

        (await maren.PutAsync("/shop/charts/1", d, chart["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        string[] after = [.. Rows(await maren.GetAsync("/records?take=500&stands=stale")).Select(Number).Except(before)];
        Assert.Equal(after.Order(), touched["records"].EnumerateArray().Select(Number).Order());

        // What is stale already and moves no further is not told again; a remark on a cutter moves nothing.
        Assert.Equal(0, (await maren.PostAsync("/shop/charts/1/touched", d)).Expect(HttpStatusCode.OK)["moves"].GetInt32());
        Answer sheet = await maren.GetAsync("/library/cutters/1");
        JsonObject cutter = JsonNode.Parse(sheet["definition"].GetRawText())!.AsObject();
        cutter["remarks"] = "reground";
        Answer nothing = (await maren.PostAsync("/library/cutters/1/touched", cutter)).Expect(HttpStatusCode.OK);
        Assert.Equal(0, nothing["moves"].GetInt32());
        cutter["number"] = "";
        Answer refused = await maren.PostAsync("/library/cutters/1/touched", cutter);
        Assert.Contains("number", refused.Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        await ReviseAsync(maren, "face", 1 / 0.7);
    }

    [Fact]
    public async Task What_was_not_judged_when_the_server_stopped_is_judged_after_it()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer before = await maren.GetAsync("/records?take=500&order=number");
        using IServiceScope scope = workshop.Services.CreateScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        await db.RecordRevisions.ExecuteUpdateAsync(
            r => r.SetProperty(v => v.JudgedFor, "").SetProperty(v => v.Stands, Stands.Broken), TestContext.Current.CancellationToken);
        await ReviseAsync(maren, "ream", 1);
        Answer after = await maren.GetAsync("/records?take=500&order=number");
        Assert.Equal(before["rows"].GetRawText(), after["rows"].GetRawText());
        Assert.Equal(before["stale"].GetInt32(), after["stale"].GetInt32());
    }
}

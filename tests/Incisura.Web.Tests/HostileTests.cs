using System.Net;
using System.Text;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>Bodies that no page of ours would send.</summary>
public sealed class HostileTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const string Situation = "\"materialId\":4,\"assemblyId\":20,\"machineId\":2";

    private async Task<Answer> PostAsync(string path, string body, string type = "application/json", int? ifMatch = null)
    {
        Caller maren = await workshop.SignInAsync("maren");
        ByteArrayContent content = new(Encoding.UTF8.GetBytes(body));
        content.Headers.TryAddWithoutValidation("Content-Type", type);
        return await maren.SendAsync(HttpMethod.Post, path, content, ifMatch);
    }

    // A wall of 10^17 mm in what a step before is said to have left once kept a core busy for ever: what it left comes from its record.
    [Theory]
    [InlineData("")]
    [InlineData("/best")]
    [InlineData("/window?across=widthOfCut&up=depthOfCut")]
    [InlineData("/revolution")]
    public async Task What_a_client_says_was_left_is_never_calculated_with(string way)
    {
        string body =
            "{" + Situation
                + ",\"numbers\":{\"length\":190},\"options\":{},\"leftover\":{\"record\":\"R-0001\",\"revision\":1,"
                + "\"across\":0.3,\"height\":1e17,\"length\":50,\"cutterDiameter\":12}}";
        Answer answer = await PostAsync($"/calculations/side-finish{way}", body);
        Assert.True(answer.Status is HttpStatusCode.OK or HttpStatusCode.UnprocessableEntity or HttpStatusCode.BadRequest, $"{answer.Status}");
        Assert.DoesNotContain("1E+17", answer.Json.ToString(), StringComparison.OrdinalIgnoreCase);
    }

    [Theory]
    [InlineData("side-finish", "\"extras\":[{\"kind\":\"stageEdits\",\"edits\":[{\"stage\":\"full\"}]}]", "stageEdits")]
    [InlineData("side-finish", "\"extras\":[{\"kind\":\"crossHoles\",\"holes\":[{\"distance\":10,\"diameter\":5}]}]", "crossHoles")]
    [InlineData("side-finish", "\"extras\":[{\"kind\":\"drilledBefore\",\"depth\":30}]", "drilledBefore")]
    [InlineData(
        "slot", "\"leftover\":{\"record\":\"R-0001\",\"revision\":1,\"across\":0,\"height\":0,\"length\":0,\"cutterDiameter\":0}", "leftover")]
    [InlineData(
        "side-finish",
        "\"method\":\"xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx"
            + "xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx"
            + "xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx\"",
        "method")]
    public async Task What_an_operation_does_not_know_is_refused_and_never_kept(string operation, string part, string field)
    {
        string body = "{" + Situation + ",\"operation\":\"" + operation + "\"," + part + "}", alone = "{" + Situation + "," + part + "}";
        Assert.Contains(field, (await PostAsync($"/calculations/{operation}", alone)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.Contains(field, (await PostAsync("/records", body)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
    }

    [Theory]
    [InlineData("/calculations/side-finish", "{" + Situation + ",\"extras\":[null]}")]
    [InlineData("/calculations/deep-hole", "{" + Situation + ",\"extras\":[{\"kind\":\"stageEdits\",\"edits\":[null]}]}")]
    [InlineData("/calculations/deep-hole", "{" + Situation + ",\"extras\":[{\"kind\":\"stageEdits\"}]}")]
    [InlineData("/calculations/deep-hole", "{" + Situation + ",\"extras\":[{\"kind\":\"unheardOf\"}]}")]
    [InlineData("/calculations/side-finish", "{" + Situation + ",\"edits\":[{}]}")]
    [InlineData("/calculations/side-finish", "{" + Situation + ",\"crossHoles\":[{}]}")]
    [InlineData("/calculations/drill", "{" + Situation + ",\"leftover\":{}}")]
    [InlineData("/calculations/side-finish", "{}")]
    [InlineData("/library/views", "{}")]
    [InlineData("/library/labels", "{}")]
    [InlineData("/library/profiles/read", "{}")]
    [InlineData("/library/cutters/many", "{\"changes\":{}}")]
    [InlineData("/library/cutters/many/preview", "{\"ids\":[1]}")]
    [InlineData("/library/cutters/many", "{\"seen\":[null],\"changes\":{\"remarks\":\"m\"}}")]
    [InlineData("/library/cutters/5/retire", "{}")]
    [InlineData("/library/cutters/5/retire", "{\"replacementId\":6,\"assemblies\":[null]}")]
    [InlineData("/comparisons", "[{\"name\":\"a\",\"operation\":\"side-finish\"}]")]
    [InlineData("/comparisons", "[null]")]
    [InlineData("/shop/methods/preview", "{\"name\":\"x\",\"operation\":\"slot\",\"choices\":[null]}")]
    [InlineData("/shop/charts", "{\"name\":\"x\",\"rows\":[null]}")]
    [InlineData("/shop/charts", "{\"name\":\"x\",\"cycles\":[null]}")]
    [InlineData(
        "/library/assemblies/preview",
        "{\"number\":\"x\",\"cutterId\":1,\"holderId\":1,\"projection\":1e999,\"extensions\":[{\"holderId\":2,\"projection\":4}]}")]
    [InlineData(
        "/hole-groups",
        "{\"name\":\"x\",\"materialId\":1,\"machineId\":1,\"target\":{\"kind\":\"plain\",\"diameter\":8,\"depth\":10,"
            + "\"seatDepth\":1e999},\"pattern\":{\"form\":\"list\"}}")]
    public async Task What_lacks_a_member_or_holds_nothing_or_no_end_is_refused_by_name(string path, string body)
    {
        Answer answer = await PostAsync(path, body, ifMatch: 1);
        Assert.True((int)answer.Status is 400 or 422, $"{answer.Status}: {answer.Json}");
        Assert.False(string.IsNullOrEmpty(answer.Detail));
    }

    [Theory]
    [InlineData("application/json;charset=xyz")]
    [InlineData("application/json;charset=utf-7")]
    [InlineData("application/json;charset=utf-16")]
    [InlineData("application/json; charset=\"klingon\"")]
    public async Task A_writing_nobody_knows_is_refused_as_such(string type) =>
        (await PostAsync("/library/views", "{}", type)).Expect(HttpStatusCode.UnsupportedMediaType);

    [Fact]
    public async Task A_draft_that_was_refused_stays_readable_as_it_was()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonElement draft = (await maren.GetAsync("/records?state=draft"))["rows"]
            .EnumerateArray()
            .First(r => r.GetProperty("situation").GetProperty("operation").GetString() is "slot" or "side-rough" or "side-finish" or "face");
        string number = draft.GetProperty("number").GetString()!;
        Answer before = (await maren.GetAsync($"/records/{number}")).Expect(HttpStatusCode.OK);
        int version = before["revisions"][0].GetProperty("version").GetInt32();
        ByteArrayContent bad = new(Encoding.UTF8.GetBytes("{\"numbers\":{},\"options\":{},\"extras\":[{}]}"));
        bad.Headers.TryAddWithoutValidation("Content-Type", "application/json");
        (await maren.SendAsync(HttpMethod.Put, $"/records/{number}", bad, version)).Expect(HttpStatusCode.BadRequest);
        Assert.Equal(before.Json.GetRawText(), (await maren.GetAsync($"/records/{number}")).Expect(HttpStatusCode.OK).Json.GetRawText());
    }

    [Fact]
    public async Task Two_alternatives_of_one_name_are_written_as_a_workbook()
    {
        string one = "{\"name\":\"a\",\"operation\":\"side-finish\",\"request\":{" + Situation + "}}",
            unit = one.Replace("\"a\"", "\"unit\"", StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await PostAsync("/comparisons/export.xlsx", $"[{one},{one},{unit}]")).Status);
    }

    [Fact]
    public async Task Nothing_in_a_bulk_change_is_refused_by_the_name_of_its_field() =>
        Assert.Equal(
            ["coating"],
            (await PostAsync("/library/cutters/many/preview", "{\"ids\":[1],\"changes\":{\"coating\":null}}"))
                .Expect(HttpStatusCode.UnprocessableEntity).FaultFields);

    [Fact]
    public async Task Retiring_touches_only_assemblies_that_hold_the_cutter_and_names_each_once()
    {
        Answer assembly = await (await workshop.SignInAsync("maren")).GetAsync("/library/assemblies/6");
        int holds = assembly["definition"].GetProperty("cutterId").GetInt32(), revision = assembly["revision"].GetInt32();
        int other = holds == 5 ? 6 : 5;
        Assert.Equal(
            ["assemblies"],
            (await PostAsync(
                $"/library/cutters/{other}/retire", $$"""{"replacementId":{{holds}},"assemblies":[{"id":6,"revision":{{revision}}}]}""",
                ifMatch: 1)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.Equal(
            ["assemblies"],
            (await PostAsync(
                $"/library/cutters/{holds}/retire",
                $$"""{"replacementId":{{other}},"assemblies":[{"id":6,"revision":{{revision}}},{"id":6,"revision":{{revision}}}]}""",
                    ifMatch: 1)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        Assert.Equal(
            ["assemblies"],
            (await PostAsync(
                $"/library/cutters/{holds}/retire", $$"""{"replacementId":{{other}},"assemblies":[{"id":99999,"revision":1}]}""",
                ifMatch: 1)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
    }

    [Theory]
    [InlineData("refused", HttpStatusCode.OK)]
    [InlineData("Refused", HttpStatusCode.OK)]
    [InlineData("broken", HttpStatusCode.UnprocessableEntity)]
    public async Task Outcomes_of_an_import_are_filtered_by_the_words_of_the_wire(string outcome, HttpStatusCode status)
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer import = (await maren.SendAsync(
            HttpMethod.Post, "/library/cutters/imports?file=a.csv",
            new ByteArrayContent(Encoding.UTF8.GetBytes("number;DC\nX-1;12\nX-2;nonsense"))
            {
                Headers = { ContentType = new("application/octet-stream") }
            })).Expect(HttpStatusCode.OK);
        (await maren.GetAsync($"/library/cutters/imports/{import["id"].GetInt32()}?outcome={outcome}")).Expect(status);
    }

    [Fact]
    public async Task A_row_may_be_replaced_by_a_row_of_its_own_file()
    {
        Caller maren = await workshop.SignInAsync("maren");
        string csv =
            "number;DC;LCF;OAL;z;FHA;h_min;retired;replaced "
                + "by\nY-1;12;26;83;4;38;0.004;yes;Y-2\nY-2;12;26;83;4;38;0.004;no;\n"
                + "Y-3;10;22;72;4;38;0.004;yes;Y-4\nY-4;nonsense;22;72;4;38;0.004;no;";
        Answer import = (await maren.SendAsync(
            HttpMethod.Post, "/library/cutters/imports?file=a.csv",
            new ByteArrayContent(Encoding.UTF8.GetBytes(csv))
            {
                Headers = { ContentType = new("application/octet-stream") }
            })).Expect(HttpStatusCode.OK);
        string path = $"/library/cutters/imports/{import["id"].GetInt32()}";
        Answer looked = await UntilAsync(maren, path, "ready");
        Assert.True(
            looked["rows"]
                .EnumerateArray()
                .Select(r => r.GetProperty("outcome").GetString()!)
                .SequenceEqual(["added", "added", "refused", "refused"]),
            looked["rows"].ToString());
        (await maren.PostAsync($"{path}/apply", new { goodRowsOnly = true })).Expect(HttpStatusCode.OK);
        await UntilAsync(maren, path, "done");
        JsonElement rows = (await maren.GetAsync("/library/cutters?q=Y-1&state=retired"))["rows"];
        int old = rows.EnumerateArray()
            .Single(r => r.GetProperty("sheet").GetProperty("definition").GetProperty("number").GetString() == "Y-1")
            .GetProperty("sheet")
            .GetProperty("id")
            .GetInt32();
        int by = (await maren.GetAsync($"/library/cutters/{old}"))["definition"].GetProperty("replacedById").GetInt32();
        Assert.Equal("Y-2", (await maren.GetAsync($"/library/cutters/{by}"))["definition"].GetProperty("number").GetString());
    }

    private static async Task<Answer> UntilAsync(Caller caller, string path, string state)
    {
        for (int i = 0; i < 200; i++)
        {
            Answer now = (await caller.GetAsync(path)).Expect(HttpStatusCode.OK);
            if (now["state"].GetString() == state) return now;
            await Task.Delay(25, TestContext.Current.CancellationToken);
        }

        throw new TimeoutException($"{path} did not become {state}.");
    }
}

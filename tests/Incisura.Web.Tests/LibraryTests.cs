using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

public sealed class LibraryTests(Workshop workshop) : IClassFixture<Workshop>
{
    internal static JsonObject NewCutter(string number) => JsonNode.Parse($$"""
        {"number":"{{number}}","family":"squareEndMill","material":"carbide","coating":"AlTiN","groups":["P"],"remarks":"",
         "dimensions":{"DC":12,"ZEFF":4,"APMX":25,"LCF":26,"LU":26,"DMM":12,"OAL":83,"FHA":38,"h_min":0.004,"h_max":0.09,"a_e/DC":1} }
        """)!.AsObject();

    [Fact]
    public async Task A_cutter_is_added_put_in_a_holder_and_calculated_with()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer cutter = (await maren.PostAsync("/library/cutters", NewCutter("C-9001"))).Expect(HttpStatusCode.Created);
        Assert.Equal(1, cutter["revision"].GetInt32());
        Assert.NotEmpty(cutter["looks"].GetProperty("profile").GetProperty("elements").EnumerateArray());
        Answer assembly = (await maren.PostAsync(
            "/library/assemblies", new
            {
                number = "A-9001",
                cutterId = cutter["id"].GetInt32(),
                holderId = 1,
                projection = 38,
            })).Expect(HttpStatusCode.Created);
        Answer result = (await maren.PostAsync(
            "/calculations/side-rough?explain=true", new
            {
                materialId = 1,
                assemblyId = assembly["id"].GetInt32(),
                machineId = 1,
            })).Expect(HttpStatusCode.OK);
        Assert.Contains(result["givens"].EnumerateArray(), g => g.GetProperty("from").GetString() == "cutter C-9001, revision 1");
    }

    [Fact]
    public async Task Two_people_save_the_same_cutter_and_the_second_gets_both_versions()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        int id = (await maren.PostAsync("/library/cutters", NewCutter("C-9002"))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        JsonObject hers = NewCutter("C-9002"), his = NewCutter("C-9002");
        hers["remarks"] = "hers";
        his["remarks"] = "his";
        (await maren.PutAsync($"/library/cutters/{id}", hers, ifMatch: 1)).Expect(HttpStatusCode.OK);
        Answer lost = (await tobiah.PutAsync($"/library/cutters/{id}", his, ifMatch: 1)).Expect(HttpStatusCode.PreconditionFailed);
        Assert.Equal("hers", lost["current"].GetProperty("definition").GetProperty("remarks").GetString());
        Assert.Contains("maren", lost.Detail, StringComparison.Ordinal);
        (await tobiah.PutAsync($"/library/cutters/{id}", his, ifMatch: 2)).Expect(HttpStatusCode.OK);
        Answer history = await maren.GetAsync($"/library/cutters/{id}/revisions");
        Assert.Equal([3, 2, 1], history.Json.EnumerateArray().Select(r => r.GetProperty("revision").GetInt32()));
    }

    [Fact]
    public async Task Of_many_who_save_at_once_exactly_one_wins()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int id = (await maren.PostAsync("/library/cutters", NewCutter("C-9003"))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        Answer[] answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(i =>
        {
            JsonObject cutter = NewCutter("C-9003");
            cutter["remarks"] = $"writer {i}";
            return maren.PutAsync($"/library/cutters/{id}", cutter, ifMatch: 1);
        }));
        Assert.Single(answers, a => a.Status == HttpStatusCode.OK);
        Assert.All(answers.Where(a => a.Status != HttpStatusCode.OK), a => Assert.Equal(HttpStatusCode.PreconditionFailed, a.Status));
        Assert.Equal(2, (await maren.GetAsync($"/library/cutters/{id}"))["revision"].GetInt32());
    }

    [Fact]
    public async Task A_write_without_the_revision_it_was_made_from_is_refused()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Assert.Equal((HttpStatusCode)428, (await maren.PutAsync("/library/cutters/1", NewCutter("C-0011"))).Status);
    }

    [Fact]
    public async Task An_impossible_cutter_is_refused_with_fields_and_nothing_is_saved()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonObject cutter = NewCutter("C-9004");
        cutter["dimensions"]!["LCF"] = 500;
        cutter["dimensions"]!["ZEFF"] = 0;
        Answer refused = (await maren.PostAsync("/library/cutters", cutter)).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Superset(new HashSet<string> { "dimensions.LCF", "dimensions.ZEFF" }, refused.FaultFields.ToHashSet());
        Assert.Equal(0, (await maren.GetAsync("/library/cutters?q=C-9004"))["total"].GetInt32());
    }

    [Fact]
    public async Task A_number_is_taken_once_whatever_its_case()
    {
        Caller maren = await workshop.SignInAsync("maren");
        (await maren.PostAsync("/library/cutters", NewCutter("C-9005"))).Expect(HttpStatusCode.Created);
        Answer taken = (await maren.PostAsync("/library/cutters", NewCutter("c-9005"))).Expect(HttpStatusCode.Conflict);
        Assert.Contains("choose another", taken.Detail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_cutter_that_stands_out_further_than_the_grip_allows_is_refused_with_the_range()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer refused = (await maren.PostAsync("/library/assemblies", new { number = "A-9002", cutterId = 10, holderId = 1, projection = 70 }))
            .Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal(["projection"], refused.FaultFields);
    }

    [Theory]
    [InlineData("""{"number":"X","dimensions":{"DC":"twelve"}}""")]
    [InlineData("""{"number":"X","dimensions":{"DC":NaN}}""")]
    [InlineData("not json at all")]
    [InlineData("")]
    public async Task What_cannot_be_read_gets_problem_details(string body)
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer answer = await maren.SendAsync(HttpMethod.Post, "/library/cutters", new StringContent(body, Encoding.UTF8, "application/json"));
        answer.Expect(HttpStatusCode.BadRequest);
        Assert.NotEmpty(answer.Detail);
    }

    [Fact]
    public async Task The_preview_draws_and_finds_fault_without_saving()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer good = await maren.PostAsync("/library/cutters/preview", NewCutter("C-9006"));
        Assert.Empty(good["faults"].EnumerateArray());
        JsonObject bad = NewCutter("C-9006");
        bad["dimensions"]!["APMX"] = 90;
        Answer faulty = await maren.PostAsync("/library/cutters/preview", bad);
        Assert.Equal("dimensions.APMX", faulty["faults"][0].GetProperty("field").GetString());
        (await maren.GetAsync("/library/cutters/99999")).Expect(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_search_box_finds_over_all_places_but_shows_no_record_to_a_reader()
    {
        Caller maren = await workshop.SignInAsync("maren"), jory = await workshop.SignInAsync("jory");
        Assert.Contains(
            (await maren.GetAsync("/find?q=A-1042")).Json.EnumerateArray(),
            f => f.GetProperty("path").GetString()!.StartsWith("/library/assemblies/", StringComparison.Ordinal));
        Assert.NotEmpty((await maren.GetAsync("/find?q=R-0001")).Json.EnumerateArray());
        Assert.Empty((await jory.GetAsync("/find?q=R-0001")).Json.EnumerateArray());
    }
}

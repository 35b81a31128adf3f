using System.Net;
using System.Text;
using System.Text.Json;
using Incisura.Core.Charts;

namespace Incisura.Web.Tests;

/// <summary>The speed chart as a table, what rests on its rows, and rows made of what was tried.</summary>
public sealed class ChartTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static async Task<Answer> ReadAsync(Caller who, byte[] table, string query = "") =>
        await who.SendAsync(HttpMethod.Post, $"/shop/charts/read{query}", new ByteArrayContent(table)
        {
            Headers = { ContentType = new("application/octet-stream") },
        });

    [Theory]
    [InlineData("csv")]
    [InlineData("xlsx")]
    public async Task The_whole_chart_goes_out_as_a_table_and_comes_in_again(string format)
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer read = (await ReadAsync(maren, await maren.BytesAsync($"/shop/charts/1/table.{format}"))).Expect(HttpStatusCode.OK);
        SpeedChart chart = (await workshop.ShelfAsync()).Charts[1].Definition;
        Assert.Equal(chart.Rows.Count, read["rows"].GetArrayLength());
        SpeedChart back = chart with
        {
            Rows = [.. read["rows"].EnumerateArray().Select(r => DefinitionFormat.Read<SpeedRow>(r.GetProperty("row").GetRawText()))],
        };
        Assert.True(chart.SameAs(back));
    }

    [Fact]
    public async Task A_row_that_cannot_be_taken_says_why_at_its_column_and_readers_bring_nothing()
    {
        byte[] table = Encoding.UTF8.GetBytes(
            "Family;Cutting material;Work material;Operation;Speed;Width / D;Depth / D;Feed at 12\nsquare end mill;carbide;P1;side-rough;fast;0,2;1;0,05");
        Answer read = (await ReadAsync(await workshop.SignInAsync("maren"), table)).Expect(HttpStatusCode.OK);
        JsonElement fault = read["rows"][0].GetProperty("faults")[0];
        Assert.Equal("Speed", fault.GetProperty("column").GetString());
        Assert.Equal(JsonValueKind.Null, read["rows"][0].GetProperty("row").ValueKind);
        (await ReadAsync(await workshop.SignInAsync("jory"), table)).Expect(HttpStatusCode.Forbidden);
        (await ReadAsync(await workshop.SignInAsync("maren"), [0, 1, 2])).Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_row_tells_how_many_records_rest_on_it_and_how_often_they_ran()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonElement before = await RowAsync(maren);
        int open = (await maren.GetAsync("/records?operation=side-rough&material=1&take=500"))["rows"].EnumerateArray()
            .Count(r => r.GetProperty("state").GetString() is "approved" or "draft" or "inReview");
        Assert.InRange(before.GetProperty("records").GetInt32(), 1, open);
        object report = new
        {
            key = Guid.NewGuid(),
            record = "R-0001",
            revision = 1,
            edition = 1,
            ranAt = DateTimeOffset.UtcNow,
            outcome = "asGiven",
        };
        (await (await workshop.SignInAsync("jory")).PostAsync("/reports", report)).Expect(HttpStatusCode.OK);
        Assert.Equal(before.GetProperty("ran").GetInt32() + 1, (await RowAsync(maren)).GetProperty("ran").GetInt32());

        static async Task<JsonElement> RowAsync(Caller who) => (await who.GetAsync("/shop/charts/1/resting")).Json.EnumerateArray().Single(
            r => (r.GetProperty("family").GetString(), r.GetProperty("cuttingMaterial").GetString(), r.GetProperty("subGroup").GetString(),
                r.GetProperty("operation").GetString()) == ("squareEndMill", "carbide", "P3", "side-rough"));
    }

    [Fact]
    public async Task What_was_tried_becomes_a_row_and_what_nobody_tried_does_not()
    {
        Caller maren = await workshop.SignInAsync("maren");
        JsonElement row = (await maren.GetAsync("/shop/charts/rows/R-0001")).Expect(HttpStatusCode.OK)["row"];
        JsonElement result = (await maren.GetAsync("/records/R-0001"))["revisions"][0].GetProperty("result");
        double Field(string code) =>
            result.GetProperty("fields").EnumerateArray().First(f => f.GetProperty("code").GetString() == code).GetProperty("value").GetDouble();
        Assert.Equal(Field("cuttingSpeed"), row.GetProperty("cuttingSpeed").GetDouble());
        Assert.Equal(Field("widthOfCut") / 12, row.GetProperty("widthRatio").GetDouble(), 9);
        JsonElement feed = Assert.Single(row.GetProperty("feeds").EnumerateArray());
        Assert.Equal((12, Field("feedPerTooth")), (feed.GetProperty("diameter").GetDouble(), feed.GetProperty("feedPerTooth").GetDouble()));
        Assert.False(row.TryGetProperty("untried", out _));
        Assert.StartsWith("R-0001 revision 1", row.GetProperty("source").GetString(), StringComparison.Ordinal);

        string computed = (await maren.GetAsync("/records?state=draft"))["rows"][0].GetProperty("number").GetString()!;
        Answer refused = (await maren.GetAsync($"/shop/charts/rows/{computed}")).Expect(HttpStatusCode.Conflict);
        Assert.Equal("not-tried", refused["rule"].GetString());
        (await maren.GetAsync("/shop/charts/rows/R-9999")).Expect(HttpStatusCode.NotFound);
    }
}

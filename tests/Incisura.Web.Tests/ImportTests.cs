using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using Incisura.Web.Library;

namespace Incisura.Web.Tests;

public sealed class ImportTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const string Headings = "number;family;DC;z;LCF;OAL;DMM;h_max;groups\n";

    private static async Task<Answer> SendAsync(Caller caller, byte[] file, string name = "cutters.csv") =>
        await caller.SendAsync(
            HttpMethod.Post, $"/library/cutters/imports?file={name}",
            new ByteArrayContent(file) { Headers = { ContentType = new MediaTypeHeaderValue("application/octet-stream") } });

    private static Task<Answer> SendAsync(Caller caller, string text) => SendAsync(caller, Encoding.UTF8.GetBytes(text));

    private static async Task<Answer> WaitAsync(Caller caller, Answer job, string query = "")
    {
        for (int i = 0; i < 400; i++)
        {
            Answer now = (await caller.GetAsync($"/library/cutters/imports/{job["id"].GetInt32()}{query}")).Expect(HttpStatusCode.OK);
            if (now["state"].GetString() is not ("looking" or "writing")) return now;
            await Task.Delay(25);
        }

        throw new TimeoutException("The import does not end.");
    }

    private static int Count(Answer job, string outcome) => job["counts"].TryGetProperty(outcome, out JsonElement n) ? n.GetInt32() : 0;

    private static async Task<int> TotalAsync(Caller caller, string q) => (await caller.GetAsync($"/library/cutters?q={q}"))["total"].GetInt32();

    [Fact]
    public async Task Rows_are_looked_at_first_and_written_only_then()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer looked = await WaitAsync(
            maren,
            (await SendAsync(maren, Headings + "C-8101;ball end mill;6;2;10;57;6;0.05;PM\nC-0020;;;;;;;0.07;\nC-0021;;;;;;;;\n"))
                .Expect(HttpStatusCode.OK));
        Assert.Equal(("ready", 1, 1, 1), (looked["state"].GetString(), Count(looked, "added"), Count(looked, "changed"), Count(looked, "same")));
        Assert.Equal(
            "dimensions.h_max",
            looked["rows"]
                .EnumerateArray()
                .Single(r => r.GetProperty("outcome").GetString() == "changed")
                .GetProperty("changes")[0]
                .GetProperty("field")
                .GetString());
        Assert.Equal(0, await TotalAsync(maren, "C-8101"));
        (await maren.PostAsync($"/library/cutters/imports/{looked["id"].GetInt32()}/apply", new { goodRowsOnly = false })).Expect(HttpStatusCode.OK);
        Answer done = await WaitAsync(maren, looked);
        Assert.Equal(("done", "1 cutters added, 1 changed."), (done["state"].GetString(), done["said"].GetString()));
        Assert.Equal(1, await TotalAsync(maren, "C-8101"));
    }

    [Fact]
    public async Task A_refused_row_stops_everything_unless_the_good_rows_are_wanted()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer looked = await WaitAsync(
            maren,
            await SendAsync(
                maren,
                Headings
                    + "C-8201;;12;4;26;83;12;0.09;P\nC-8202;;500;4;26;83;12;0.09;P\n"
                    + "C-8201;;12;4;26;83;12;0.09;P\nC-8203;;0.5;4;26;83;12.7;0.09;P\n"));
        Assert.Equal((1, 2, 1), (Count(looked, "added"), Count(looked, "refused"), Count(looked, "asked")));
        JsonElement meant = looked["rows"].EnumerateArray().Single(r => r.GetProperty("number").GetString() == "C-8202").GetProperty("faults")[0];
        Assert.Equal(("DC", 12.7), (meant.GetProperty("column").GetString(), meant.GetProperty("meant").GetDouble()));
        string apply = $"/library/cutters/imports/{looked["id"].GetInt32()}/apply";
        (await maren.PostAsync(apply, new { goodRowsOnly = false })).Expect(HttpStatusCode.Conflict);
        Assert.Equal(0, await TotalAsync(maren, "C-8201"));
        (await maren.PostAsync(apply, new { goodRowsOnly = true })).Expect(HttpStatusCode.OK);
        await WaitAsync(maren, looked);
        Assert.Equal((1, 0), (await TotalAsync(maren, "C-8201"), await TotalAsync(maren, "C-8202")));
    }

    [Fact]
    public async Task Columns_and_units_can_be_chosen_otherwise()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer looked = await WaitAsync(maren, await SendAsync(maren, "number;what;wide;teeth;long;all\nC-8301;ball end mill;1/2;2;1;3.25\n"));
        Assert.Equal(1, Count(looked, "refused"));
        string[] fields = ["number", "family", "dimensions.DC", "dimensions.ZEFF", "dimensions.LCF", "dimensions.OAL"];
        string columns = $"/library/cutters/imports/{looked["id"].GetInt32()}/columns";
        (await maren.PutAsync(columns, new { inch = true, columns = fields.Select(field => new { field, inch = true }) })).Expect(HttpStatusCode.OK);
        Answer again = await WaitAsync(maren, looked);
        Assert.Equal(1, Count(again, "added"));
        (await maren.PutAsync(columns, new { inch = true, columns = fields.Select(_ => new { field = "number", inch = true }) }))
            .Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_cutter_changed_meanwhile_lets_nothing_be_written()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        int id = (await maren.PostAsync("/library/cutters", LibraryTests.NewCutter("C-8401"))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        Answer looked = await WaitAsync(maren, await SendAsync(maren, "number;coating\nC-8401;hers\n"));
        System.Text.Json.Nodes.JsonObject his = LibraryTests.NewCutter("C-8401");
        his["coating"] = "his";
        (await tobiah.PutAsync($"/library/cutters/{id}", his, ifMatch: 1)).Expect(HttpStatusCode.OK);
        await maren.PostAsync($"/library/cutters/imports/{looked["id"].GetInt32()}/apply", new { goodRowsOnly = false });
        Answer failed = await WaitAsync(maren, looked);
        Assert.Equal("failed", failed["state"].GetString());
        Assert.Contains("tobiah changed C-8401", failed["said"].GetString(), StringComparison.Ordinal);
        Assert.Equal("his", (await maren.GetAsync($"/library/cutters/{id}"))["definition"].GetProperty("coating").GetString());
    }

    [Fact]
    public async Task A_stopped_import_writes_nothing()
    {
        Caller maren = await workshop.SignInAsync("maren");
        StringBuilder many = new(Headings);
        for (int i = 0; i < 4000; i++) many.Append(System.Globalization.CultureInfo.InvariantCulture, $"Z-{i:00000};;12;4;26;83;12;0.09;P\n");
        Answer looked = await WaitAsync(maren, await SendAsync(maren, many.ToString()));
        await maren.PostAsync($"/library/cutters/imports/{looked["id"].GetInt32()}/apply", new { goodRowsOnly = false });
        await maren.SendAsync(HttpMethod.Delete, $"/library/cutters/imports/{looked["id"].GetInt32()}", null);
        Answer stopped = await WaitAsync(maren, looked);
        if (stopped["state"].GetString() == "cancelled") Assert.Equal(0, await TotalAsync(maren, "Z-0"));
        else Assert.Equal(4000, await TotalAsync(maren, "Z-0"));
    }

    [Fact]
    public async Task A_file_that_is_too_large_is_refused_before_it_is_read_and_what_is_no_table_with_a_sentence()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await SendAsync(maren, [0, 1, 2, 0])).Status);
        Assert.Contains("damaged", (await SendAsync(maren, [0x50, 0x4B, 3, 4, 9], "x.xlsx")).Detail, StringComparison.Ordinal);
        Assert.Equal(32 * 1024 * 1024, ImportEndpoints.LargestFile);
    }

    [Fact]
    public async Task Nobody_sees_another_persons_import_and_readers_have_none()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), jory = await workshop.SignInAsync("jory");
        Answer mine = await SendAsync(maren, "number\nC-1\n");
        (await tobiah.GetAsync($"/library/cutters/imports/{mine["id"].GetInt32()}")).Expect(HttpStatusCode.NotFound);
        (await SendAsync(jory, "number\nC-1\n")).Expect(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task What_is_exported_is_taken_back_as_it_is()
    {
        Caller maren = await workshop.SignInAsync("maren");
        foreach (string format in new[] { "csv", "xlsx" })
        {
            byte[] file = await workshop.BytesAsync("maren", $"/library/cutters/export.{format}?state=inUse|retired");
            Answer looked = await WaitAsync(maren, await SendAsync(maren, file, "back." + format));
            Assert.Equal((looked["total"].GetInt32(), 0, 0), (Count(looked, "same"), Count(looked, "refused"), Count(looked, "changed")));
            Assert.True(looked["total"].GetInt32() >= 179);
        }
    }

    [Theory]
    [InlineData("/library/cutters/export.json?family=barrelMill", "\"number\": \"C-0161\"")]
    [InlineData("/library/holders/export.csv", "H-401,holder,collet holder")]
    [InlineData("/library/assemblies/export.csv?machine=Brindle", "A-1042,C-0020")]
    [InlineData("/library/cutters/10/drawing.svg", "<svg")]
    [InlineData("/library/holders/1/drawing.dxf", "LINE")]
    [InlineData("/library/assemblies/6/drawing.svg", "gauge line")]
    public async Task Any_view_and_any_drawing_can_be_taken_out(string path, string holds) =>
        Assert.Contains(holds, Encoding.UTF8.GetString(await workshop.BytesAsync("jory", path)), StringComparison.Ordinal);

    [Fact]
    public async Task Labels_come_as_a_sheet_and_impossible_sheets_are_refused()
    {
        Caller maren = await workshop.SignInAsync("maren");
        (await maren.PostAsync("/library/labels", new { list = "assemblies", ids = new[] { 1, 2, 3 }, sheet = new { columns = 2, rows = 5 } }))
            .Expect(HttpStatusCode.OK);
        (await maren.PostAsync("/library/labels", new { list = "assemblies", ids = new[] { 1 }, sheet = new { columns = 20 } }))
            .Expect(HttpStatusCode.UnprocessableEntity);
        (await maren.PostAsync("/library/labels", new { list = "assemblies", ids = Array.Empty<int>(), sheet = new { } }))
            .Expect(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_profile_is_read_from_a_drawing_and_a_broken_one_is_refused()
    {
        Caller maren = await workshop.SignInAsync("maren");
        string text = Encoding.ASCII.GetString(await workshop.BytesAsync("maren", "/library/holders/1/drawing.dxf"));
        Answer taken = (await maren.PostAsync(
            "/library/profiles/read", new
            {
                text,
                millimetresPerUnit = 0,
                upright = false,
                leftOut = Array.Empty<int>(),
                cuttingUntil = 0,
            })).Expect(HttpStatusCode.OK);
        Assert.Equal(4, taken["segments"].GetArrayLength());
        Answer broken = (await maren.PostAsync(
            "/library/profiles/read",
            new
            {
                text = "no drawing",
                millimetresPerUnit = 0,
                upright = false,
                leftOut = Array.Empty<int>(),
                cuttingUntil = 0,
            })).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Contains("ASCII DXF", broken.Detail, StringComparison.Ordinal);
    }
}

using System.Net;
using System.Text;
using System.Text.Json;
using Incisura.Web.History;
using Microsoft.Data.Sqlite;

namespace Incisura.Web.Tests;

/// <summary>The history of everything, and that it cannot be altered unseen.</summary>
public sealed class HistoryTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static JsonElement[] Rows(Answer listing) => [.. listing["rows"].EnumerateArray()];

    private static JsonElement Field(JsonElement entry, string field) =>
        entry.GetProperty("changes").EnumerateArray().Single(c => c.GetProperty("field").GetString() == field);

    private string Copy()
    {
        string copy = System.IO.Path.Combine(System.IO.Path.GetDirectoryName(workshop.Database)!, Guid.NewGuid().ToString("N") + ".db");
        using SqliteConnection from = new($"Data Source={workshop.Database}"), to = new($"Data Source={copy};Pooling=False");
        from.Open();
        to.Open();
        from.BackupDatabase(to);
        return copy;
    }

    private static void Run(string file, params string[] statements)
    {
        using SqliteConnection connection = new($"Data Source={file};Pooling=False");
        connection.Open();
        foreach (string statement in statements)
        {
            using SqliteCommand command = connection.CreateCommand();
            command.CommandText = statement;
            command.ExecuteNonQuery();
        }
    }

    private static async Task<(int Code, string Says)> CheckAsync(string file)
    {
        StringWriter says = new();
        int code = await CheckCommand.RunAsync(file, says);
        return (code, says.ToString());
    }

    [Fact]
    public async Task What_is_saved_while_the_history_is_read_is_no_fault()
    {
        Caller maren = await workshop.SignInAsync("maren");
        using CancellationTokenSource stop = new();
        Task writes = Task.Run(
            async () =>
            {
                while (!stop.IsCancellationRequested)
                {
                    Answer holder = await maren.GetAsync("/library/holders/1");
                    (await maren.PutAsync("/library/holders/1", holder["definition"], holder["revision"].GetInt32())).Expect(HttpStatusCode.OK);
                }
            },
            TestContext.Current.CancellationToken);
        for (int i = 0; i < 5; i++) Assert.Empty((await maren.GetAsync("/history/check"))["faults"].EnumerateArray());
        await stop.CancelAsync();
        await writes;
    }

    [Fact]
    public async Task Every_kind_of_change_is_told_with_who_what_from_to_and_why()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        Caller adwin = await workshop.SignInAsync("adwin");
        Answer cutter = await maren.GetAsync("/library/cutters/2");
        Dictionary<string, object?> definition = JsonSerializer.Deserialize<Dictionary<string, object?>>(cutter["definition"].GetRawText())!;
        definition["remarks"] = "reground twice";
        (await maren.PutAsync("/library/cutters/2", definition, cutter["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        JsonElement changed = Rows(await maren.GetAsync("/history?text=reground&kind=cutter"))[0];
        Assert.Equal(
            ("maren", "changed", "\"reground twice\""),
            (changed.GetProperty("by").GetString(), changed.GetProperty("act").GetString(), Field(changed, "remarks").GetProperty("to").GetString()));
        Assert.Single(changed.GetProperty("changes").EnumerateArray());

        Answer chart = await maren.GetAsync("/shop/charts/1");
        Dictionary<string, JsonElement> rows = JsonSerializer.Deserialize<Dictionary<string, JsonElement>>(chart["definition"].GetRawText())!;
        string text = rows["rows"].GetRawText();
        double speed = rows["rows"][0].GetProperty("cuttingSpeed").GetDouble();
        int at = text.IndexOf("\"cuttingSpeed\":", StringComparison.Ordinal) + 15, end = text.IndexOf(',', at);
        rows["rows"] = JsonDocument.Parse(text[..at] + (speed + 3) + text[end..]).RootElement;
        (await maren.PutAsync("/shop/charts/1", rows, chart["revision"].GetInt32())).Expect(HttpStatusCode.OK);
        JsonElement one = Assert.Single(Rows(await maren.GetAsync("/history?kind=chart&of=1&take=1"))[0].GetProperty("changes").EnumerateArray());
        Assert.EndsWith("].cuttingSpeed", one.GetProperty("field").GetString(), StringComparison.Ordinal);
        Assert.Equal((speed + 3).ToString(), one.GetProperty("to").GetString());

        await adwin.InviteAsync("petra", "reader", "a quiet long night", workshop.Stranger());
        (await adwin.PutAsync("/people/petra", new { fullName = "Petra Lund", role = "engineer", disabled = false })).Expect(HttpStatusCode.OK);
        await workshop.Stranger().JoinAsync((await adwin.PostAsync("/people/petra/link", new { })).Expect(HttpStatusCode.OK), "another quiet night");
        JsonElement[] petra = Rows(await adwin.GetAsync("/history?kind=person&text=petra"));
        Assert.Equal(["newPassword", "invited", "changed", "newPassword", "added"], petra.Select(e => e.GetProperty("act").GetString()));
        Assert.Equal("\"Engineer\"", Field(petra[2], "role").GetProperty("to").GetString());
        string told = (await adwin.GetAsync("/history?kind=person")).Json.ToString();
        Assert.DoesNotContain("night", told, StringComparison.Ordinal);
        Assert.Equal("\"changed\"", Field(petra[2], "fullName").GetProperty("to").GetString());
        Assert.DoesNotContain("Lund", told, StringComparison.Ordinal);

        Answer record = (await maren.PostAsync("/records", new { operation = "slot", materialId = 1, assemblyId = 5, machineId = 1 }))
            .Expect(HttpStatusCode.Created);
        string path = $"/records/{record["number"].GetString()}";
        record = (await maren.PutAsync(path, new { numbers = new { feedPerTooth = 0.03 }, note = "slower" }, 0)).Expect(HttpStatusCode.OK);
        record = (await maren.PostAsync($"{path}/submit", new { }, 1)).Expect(HttpStatusCode.OK);
        (await tobiah.PostAsync($"{path}/send-back", new { text = "too slow by half" }, 2)).Expect(HttpStatusCode.OK);
        (await tobiah.PostAsync($"{path}/comments", new { revision = 1, text = "see me" })).Expect(HttpStatusCode.OK);
        JsonElement[] acts = Rows(await maren.GetAsync($"/history?kind=record&text={record["number"].GetString()}"));
        Assert.Equal(["commented", "sendBack", "submit", "edit", "edit"], acts.Select(e => e.GetProperty("act").GetString()));
        Assert.Equal("too slow by half", acts[1].GetProperty("reason").GetString());
        Assert.Equal("0.03", Field(acts[3], "chosen.numbers.feedPerTooth").GetProperty("to").GetString());
        Assert.Equal("\"slower\"", Field(acts[3], "note").GetProperty("to").GetString());

        DateOnly today = DateOnly.FromDateTime(workshop.Clock.GetLocalNow().Date);
        Answer days = await maren.GetAsync($"/history?from={today:yyyy-MM-dd}&until={today:yyyy-MM-dd}&take=500");
        Assert.Equal(0, Rows(days).Length - days["total"].GetInt32());
        Assert.Contains(Rows(days), e => e.GetProperty("name").GetString() == "petra");
        Assert.DoesNotContain(Rows(days), e => e.GetProperty("kind").GetString() == "edition");
        Assert.Empty((await maren.GetAsync("/history/check")).Expect(HttpStatusCode.OK)["faults"].EnumerateArray());
        string csv = Encoding.UTF8.GetString(await workshop.BytesAsync("maren", $"/history/export.csv?text={record["number"].GetString()}"));
        Assert.Contains("too slow by half", csv, StringComparison.Ordinal);
        Assert.Contains("chosen.numbers.feedPerTooth", csv, StringComparison.Ordinal);
        (await (await workshop.SignInAsync("jory")).GetAsync("/history")).Expect(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task An_altered_byte_a_missing_entry_and_a_thing_that_is_not_what_was_written_are_found()
    {
        Caller maren = await workshop.SignInAsync("maren");
        (await maren.PostAsync("/records", new { operation = "slot", materialId = 3, assemblyId = 6, machineId = 1 })).Expect(HttpStatusCode.Created);
        string whole = Copy();
        (int code, string says) = await CheckAsync(whole);
        Assert.True(code == 0, says);
        Assert.Contains("all in order", says, StringComparison.Ordinal);

        string open = "DROP TRIGGER \"Changes_UPDATE\"; DROP TRIGGER \"Changes_DELETE\"; DROP TRIGGER Revisions_no_update;";
        foreach ((string harm, string found) in new[]
                 {
                     (open + "UPDATE Changes SET Reason = 'another' WHERE Id = 40", "Entry 40"),
                     (open + "UPDATE Changes SET At = At + 1 WHERE Id = 41", "Entry 41"),
                     (open + "DELETE FROM Changes WHERE Id = 50", "Entries between 49 and 51"),
                     (open + "UPDATE Revisions SET Json = replace(Json, '1', '2') WHERE Kind = 'cutter' AND ObjectId = 3", "cutter 3 revision 1"),
                     ("UPDATE Cutters SET Definition = replace(Definition, '4', '5') WHERE Id = 4", "cutter"),
                     ("UPDATE RecordRevisions SET Result = replace(Result, '1', '2') WHERE RecordId = 2", "R-0002 revision 1"),
                     ("UPDATE RecordRevisions SET State = 'Approved' WHERE RecordId = 9", "R-0009 revision 1"),
                     ("UPDATE Parts SET Json = Json || ' ' WHERE Kind = 'machine'", "machine that records rest on"),
                     ("DELETE FROM RecordEvents WHERE RevisionId IN (SELECT Id FROM RecordRevisions WHERE RecordId = 20);"
                         + "DELETE FROM RecordRevisions WHERE RecordId = 20", "not there any more"),
                 })
        {
            string copy = Copy();
            Run(copy, harm);
            (code, says) = await CheckAsync(copy);
            Assert.True(code == 1, harm);
            Assert.Contains(found, says, StringComparison.OrdinalIgnoreCase);
        }

        string text = Copy();
        Assert.Throws<SqliteException>(() => Run(text, "UPDATE Changes SET Reason = 'another' WHERE Id = 40"));
        Assert.Throws<SqliteException>(() => Run(text, "DELETE FROM Revisions"));
        File.WriteAllText(text, "no database at all, but long enough to be looked at as one");
        Assert.Equal(2, (await CheckAsync(text)).Code);
        Assert.Equal(2, (await CheckAsync(text + ".gone")).Code);
    }
}

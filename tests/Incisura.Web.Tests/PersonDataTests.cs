using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>What is kept of people, and what administrators hear of.</summary>
public sealed class PersonDataTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const string Password = "two old boats sank";

    private static JsonElement[] Rows(Answer history) => [.. history["rows"].EnumerateArray()];

    private async Task<Caller> SomebodyAsync(string name)
    {
        await (await workshop.SignInAsync("adwin")).InviteAsync(name, "engineer", Password, workshop.Stranger());
        Caller own = workshop.Stranger();
        (await own.PostAsync("/session", new { name, password = Password })).Expect(HttpStatusCode.OK);
        return own;
    }

    [Fact]
    public async Task Anybody_takes_along_what_is_kept_of_them_and_no_secret_with_it()
    {
        Caller ilse = await SomebodyAsync("ilse");
        (await ilse.PutAsync("/session/address", new { address = "ilse@far.example" })).Expect(HttpStatusCode.OK);
        (await ilse.PostAsync("/library/cutters", LibraryTests.NewCutter("C-9301"))).Expect(HttpStatusCode.Created);
        using JsonDocument file = JsonDocument.Parse(await ilse.BytesAsync("/account/data"));
        JsonElement data = file.RootElement;
        Assert.Equal(("ilse", "Somebody New", "ilse@far.example"), (Text("name"), Text("fullName"), Text("address")));
        Assert.Contains(data.GetProperty("deeds").EnumerateArray(), d => d.GetProperty("name").GetString() == "C-9301");
        Assert.Contains(data.GetProperty("deeds").EnumerateArray(), d => d.GetProperty("act").GetString() == "signedIn");
        Assert.Single(data.GetProperty("devices").EnumerateArray());
        string all = data.ToString();
        foreach (string secret in new[] { "ash", "stamp", "ticket", "recovery" }) Assert.DoesNotContain($"\"{secret}", all, StringComparison.Ordinal);
        Assert.DoesNotContain("tobiah", all, StringComparison.Ordinal);

        string? Text(string name) => data.GetProperty(name).GetString();
    }

    [Fact]
    public async Task Who_somebody_was_is_removed_while_what_they_did_stays_true()
    {
        Caller otto = await SomebodyAsync("otto"), adwin = await workshop.SignInAsync("adwin"), maren = await workshop.SignInAsync("maren");
        (await otto.PutAsync("/session/address", new { address = "otto@home.example" })).Expect(HttpStatusCode.OK);
        (await otto.PostAsync("/library/cutters", LibraryTests.NewCutter("C-9302"))).Expect(HttpStatusCode.Created);
        Answer open = (await adwin.SendAsync(HttpMethod.Delete, "/people/otto", null)).Expect(HttpStatusCode.Conflict);
        Assert.Equal("open-account", open["rule"].GetString());
        (await adwin.PutAsync("/people/otto", new { fullName = "Otto Brandt", role = "engineer", disabled = true })).Expect(HttpStatusCode.OK);
        (await adwin.SendAsync(HttpMethod.Delete, "/people/otto", null)).Expect(HttpStatusCode.NoContent);

        Assert.Equal("otto", Rows(await maren.GetAsync("/history?kind=cutter&text=C-9302"))[0].GetProperty("by").GetString());
        Assert.Empty((await maren.GetAsync("/history/check"))["faults"].EnumerateArray());
        JsonElement left = (await adwin.GetAsync("/people")).Json.EnumerateArray().Single(p => p.GetProperty("name").GetString() == "otto");
        Assert.Equal(("", "removed"), (left.GetProperty("fullName").GetString(), left.GetProperty("stands").GetString()));

        // Nothing in the whole file tells who it was, and nobody gets the name again.
        foreach (string file in new[] { "", "-wal" })
        {
            await using FileStream stream = new(workshop.Database + file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite);
            using StreamReader reader = new(stream, System.Text.Encoding.Latin1);
            string all = await reader.ReadToEndAsync(TestContext.Current.CancellationToken);
            foreach (string told in new[] { "Brandt", "home.example" }) Assert.DoesNotContain(told, all, StringComparison.OrdinalIgnoreCase);
        }

        (await adwin.PutAsync("/people/otto", new { fullName = "Otto", role = "engineer", disabled = false })).Expect(HttpStatusCode.NotFound);
        (await adwin.PostAsync("/people/otto/link", new { })).Expect(HttpStatusCode.NotFound);
        (await adwin.PostAsync("/people", new { name = "otto", fullName = "Another", role = "reader" })).Expect(HttpStatusCode.UnprocessableEntity);
        (await workshop.Stranger().PostAsync("/session", new { name = "otto", password = Password })).Expect(HttpStatusCode.Unauthorized);
    }

    [Fact]
    public async Task Administrators_hear_who_took_what_along_and_nobody_else_does()
    {
        Caller maren = await workshop.SignInAsync("maren"), adwin = await workshop.SignInAsync("adwin");
        await maren.BytesAsync("/library/cutters/export.csv?q=ball%206");
        await maren.BytesAsync("/history/export.json?kind=chart");
        (await maren.GetAsync("/library/cutters/export.pdf")).Expect(HttpStatusCode.NotFound);
        JsonElement[] told = Rows(await adwin.GetAsync("/history?kind=door&by=maren&text=tookalong"));
        Assert.Equal(
            ["history/export.json?kind=chart", "library/cutters/export.csv?q=ball 6"], told.Select(t => t.GetProperty("name").GetString()).Take(2));
        Assert.Empty(Rows(await maren.GetAsync("/history?kind=door")));
        Assert.Empty(Rows(await maren.GetAsync("/history?text=tookalong")));
    }

    [Fact]
    public async Task What_was_changed_at_once_and_who_took_it_back_stands_in_the_history()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah");
        int id = (await maren.PostAsync("/library/cutters", LibraryTests.NewCutter("C-9303"))).Expect(HttpStatusCode.Created)["id"].GetInt32();
        object wish = new { seen = new[] { new { id, revision = 1 } }, changes = new { coating = "AlTiN" } };
        Answer batch = (await maren.PostAsync("/library/cutters/many", wish)).Expect(HttpStatusCode.OK);
        Answer back = (await tobiah.PostAsync($"/library/cutters/many/{batch["id"].GetInt32()}/undo", new { })).Expect(HttpStatusCode.OK);
        Assert.True(back["takesBack"].GetBoolean());
        JsonElement[] told = Rows(await maren.GetAsync("/history?kind=cutter&of=0"));
        Assert.Equal(
            [("tobiah", "tookBackTogether"), ("maren", "together")],
            told.Take(2).Select(t => (t.GetProperty("by").GetString(), t.GetProperty("act").GetString())));
        Assert.StartsWith("maren, ", told[0].GetProperty("reason").GetString(), StringComparison.Ordinal);
    }
}

using System.Net;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Incisura.Exchange.Editions;
using Incisura.Web.Editions;
using Microsoft.Extensions.DependencyInjection;
using NJsonSchema;

namespace Incisura.Web.Tests;

/// <summary>An edition as a file that a stranger can check, and what of it can be had beside.</summary>
public sealed class EditionFileTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private Task<byte[]> FileAsync(int edition) => workshop.BytesAsync("jory", $"/editions/{edition}/file");

    private async Task<List<EditionKey>> KeysAsync() =>
        [.. (await (await workshop.SignInAsync("jory")).GetAsync("/editions/keys")).Json.EnumerateArray().Select(
            k => EditionKey.Of(k.GetProperty("pem").GetString()!))];

    private async Task<JsonElement> SummaryAsync(int edition) =>
        (await (await workshop.SignInAsync("jory")).GetAsync($"/editions/{edition}"))["summary"];

    [Fact]
    public async Task The_bytes_are_canonical_signed_and_the_same_for_ever()
    {
        Caller tobiah = await workshop.SignInAsync("tobiah");
        byte[] bytes = await FileAsync(1);
        EditionVerdict verdict = EditionVerdict.Of(bytes, await workshop.BytesAsync("jory", "/editions/1/signature"), await KeysAsync());
        Assert.Empty(verdict.Faults);
        JsonElement summary = await SummaryAsync(1);
        Assert.Equal(summary.GetProperty("digest").GetString(), verdict.Sha256);
        Assert.Equal(summary.GetProperty("signedWith").GetString(), verdict.SignedWith!.Id);
        Assert.Equal(summary.GetProperty("size").GetInt64(), bytes.Length);
        Assert.Equal(7, verdict.Edition!.Records.Count);

        // What happens to a record afterwards changes nothing in what was published.
        Answer record = await tobiah.GetAsync("/records/R-0003");
        (await tobiah.PostAsync(
            "/records/R-0003/withdraw", new { text = "It chattered." }, record["revisions"][0].GetProperty("version").GetInt32()))
            .Expect(HttpStatusCode.OK);
        Assert.Equal(bytes, await FileAsync(1));
    }

    [Fact]
    public async Task Reading_and_writing_an_edition_is_the_identity_and_it_fits_the_published_schema()
    {
        byte[] bytes = await FileAsync(1);
        Assert.Equal(bytes, EditionFile.Write(EditionFile.Read<EditionFile>(bytes)));
        JsonSchema schema = await JsonSchema.FromJsonAsync(
            Encoding.UTF8.GetString(await workshop.BytesAsync("jory", "/editions/schema")), Cancel);
        Assert.Empty(schema.Validate(Encoding.UTF8.GetString(bytes)));

        // A null, a member that is unknown and one that is missing are no edition.
        foreach (Action<JsonObject> spoil in new Action<JsonObject>[]
                 {
                     e => e["before"] = null, e => e["more"] = 1, e => e.Remove("units"), e => e["records"]![0]!.AsObject().Remove("limits"),
                     e => e["records"]![0]!["figures"]![0]!["value"] = "much",
                 })
        {
            JsonObject spoilt = JsonNode.Parse(bytes)!.AsObject();
            spoil(spoilt);
            Assert.NotEmpty(schema.Validate(spoilt.ToJsonString()));
        }
    }

    [Fact]
    public async Task Each_record_says_all_that_is_needed_to_run_it()
    {
        EditionFile edition = EditionFile.Read<EditionFile>(await FileAsync(1));
        Assert.Equal("Skerrymoor Tidal Works", edition.Workshop);
        Assert.True(edition.History!.Entries > 0);
        Assert.All(edition.Records, r =>
        {
            Assert.NotEmpty(r.Cutter.Dimensions);
            Assert.NotEmpty(r.Limits);
            Assert.Contains(r.Settings, s => s.OfPart);
            Assert.Contains(r.Options, o => o.Code == "coolant");
            Assert.All(r.Figures.Select(f => f.Quantity).Concat(r.Settings.Select(s => s.Quantity)), q => Assert.Contains(q, edition.Units));
            Assert.Equal("tobiah", r.ApprovedBy);
            Assert.True(Published.Moment(r.ApprovedAt) <= Published.Moment(edition.PublishedAt));
        });
        PublishedRecord first = edition.Records.Single(r => r.Record == "R-0001");
        Assert.Equal((12, 12, "Brindle", 5), (
            first.Assembly.LengthRegister, first.Assembly.DiameterRegister, first.Assembly.Places[0].Machine, first.Assembly.Places[0].Place));
        Assert.Equal(12, first.Cutter.Dimensions["DC"]);
    }

    [Fact]
    public async Task Whoever_has_the_bytes_is_not_sent_them_again()
    {
        HttpClient http = workshop.CreateClient();
        await http.PostAsync("/api/v1/session/demo/jory", null, Cancel);
        foreach (string what in new[] { "file", "figures" })
        {
            HttpResponseMessage first = await http.GetAsync($"/api/v1/editions/1/{what}", Cancel);
            Assert.Contains("immutable", first.Headers.CacheControl!.ToString(), StringComparison.Ordinal);
            using HttpRequestMessage again = new(HttpMethod.Get, $"/api/v1/editions/1/{what}");
            again.Headers.IfNoneMatch.Add(first.Headers.ETag!);
            HttpResponseMessage second = await http.SendAsync(again, Cancel);
            Assert.Equal((HttpStatusCode.NotModified, 0), (second.StatusCode, (await second.Content.ReadAsByteArrayAsync(Cancel)).Length));
        }

        string digest = (await SummaryAsync(1)).GetProperty("digest").GetString()!;
        Assert.Equal($"\"{digest}\"", (await http.GetAsync("/api/v1/editions/1/file", Cancel)).Headers.ETag!.Tag);
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync("/api/v1/editions/77/file", Cancel)).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await workshop.CreateClient().GetAsync("/api/v1/editions/1/file", Cancel)).StatusCode);
    }

    [Fact]
    public async Task Figures_alone_and_tables_say_the_same_figures_as_the_file()
    {
        EditionFile edition = EditionFile.Read<EditionFile>(await FileAsync(1));
        FiguresFile figures = EditionFile.Read<FiguresFile>(await workshop.BytesAsync("jory", "/editions/1/figures"));
        Assert.Equal((await SummaryAsync(1)).GetProperty("digest").GetString(), figures.Edition.Sha256);
        var table = Exchange.Tables.TableFile.Read(await workshop.BytesAsync("jory", "/editions/1/table.csv"), Cancel);
        var book = Exchange.Tables.TableFile.Read(await workshop.BytesAsync("jory", "/editions/1/table.xlsx"), Cancel);
        int speed = table.Headings.ToList().IndexOf("Spindle speed [rev/min]");
        Assert.All(edition.Records, (r, i) =>
        {
            double n = r.Figures.Single(f => f.Code == "spindleSpeed").Value;
            Assert.Equal(n, figures.Records[i].Values["spindleSpeed"]);
            Assert.Equal(n, double.Parse(table.Rows[i].Cells[speed], System.Globalization.CultureInfo.InvariantCulture));
            Assert.Equal(n, double.Parse(book.Rows[i].Cells[speed], System.Globalization.CultureInfo.InvariantCulture), 9);
            Assert.Equal((r.Record, r.Record), (table.Rows[i].Cells[0], book.Rows[i].Cells[0]));
        });
    }

    [Fact]
    public async Task Cards_are_printed_for_those_records_that_are_named()
    {
        Caller jory = await workshop.SignInAsync("jory");
        foreach (string size in new[] { "a4", "a6" })
            Assert.Equal(
                "%PDF",
                Encoding.ASCII.GetString(
                    (await workshop.BytesAsync("jory", $"/editions/1/cards.pdf?size={size}&units=inch&records=R-0001,R-0005"))[..4]));
        Assert.True(
            (await workshop.BytesAsync("jory", "/editions/1/cards.pdf")).Length
                > (await workshop.BytesAsync("jory", "/editions/1/cards.pdf?records=R-0001")).Length);
        foreach ((string query, string field) in new[] { ("records=R-9999", "records"), ("size=a5", "size") })
            Assert.Equal(
                [field], (await jory.GetAsync($"/editions/1/cards.pdf?{query}")).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        (await jory.GetAsync("/editions/9/cards.pdf")).Expect(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_command_checks_a_file_without_a_server_and_finds_what_was_altered()
    {
        string folder = Directory.CreateTempSubdirectory("incisura-verify-").FullName, file = Path.Combine(folder, "edition-1.json");
        byte[] bytes = await FileAsync(1);
        await File.WriteAllBytesAsync(file, bytes, Cancel);
        Assert.Equal(1, await VerifyAsync("no signature", file));
        await File.WriteAllBytesAsync(file + ".sig", await workshop.BytesAsync("jory", "/editions/1/signature"), Cancel);
        Assert.Equal(1, await VerifyAsync("no public key", file));
        string key = Path.Combine(folder, "key.pem");
        await File.WriteAllTextAsync(key, (await KeysAsync())[^1].Pem, Cancel);
        Assert.Equal(0, await VerifyAsync("not a byte was altered", file));
        Assert.Equal(0, await VerifyAsync("not a byte was altered", file, "--signature", file + ".sig", "--key", key));

        byte[] altered = [.. bytes];
        int at = Encoding.UTF8.GetString(bytes).IndexOf("\"value\":3183", StringComparison.Ordinal) + 8;
        altered[at] = (byte)'4';
        await File.WriteAllBytesAsync(file, altered, Cancel);
        Assert.Equal(1, await VerifyAsync("altered", file));
        Assert.Equal(2, await VerifyAsync("Could not find", Path.Combine(folder, "other.json")));
        Assert.Equal(2, await VerifyAsync("Which file"));
        Assert.Equal(2, await VerifyAsync("needs a file", file, "--key"));
        await File.WriteAllTextAsync(key, "no key", Cancel);
        Assert.Equal(2, await VerifyAsync("", file));
        Directory.Delete(folder, recursive: true);
    }

    private static async Task<int> VerifyAsync(string says, params string[] words)
    {
        StringWriter said = new();
        int code = await VerifyCommand.RunAsync(words, said);
        Assert.Contains(says, said.ToString(), StringComparison.Ordinal);
        return code;
    }

    [Fact]
    public async Task A_new_key_signs_the_next_edition_and_the_old_one_still_checks_the_old()
    {
        Caller adwin = await workshop.SignInAsync("adwin"), tobiah = await workshop.SignInAsync("tobiah");
        (await tobiah.PostAsync("/editions/keys", new { })).Expect(HttpStatusCode.Forbidden);
        Answer renewed = (await adwin.PostAsync("/editions/keys", new { })).Expect(HttpStatusCode.OK);
        Assert.Equal([true, false], renewed.Json.EnumerateArray().Select(k => k.GetProperty("current").GetBoolean()));
        Assert.Equal([1], renewed.Json[1].GetProperty("editions").EnumerateArray().Select(e => e.GetInt32()));
        int next = (await tobiah.PublishAsync(new { note = "New key" })).GetProperty("number").GetInt32();
        List<EditionKey> keys = await KeysAsync();
        foreach ((int edition, EditionKey signer) in new[] { (1, keys[1]), (next, keys[0]) })
            Assert.Equal(
                signer,
                EditionVerdict.Of(await FileAsync(edition), await workshop.BytesAsync("jory", $"/editions/{edition}/signature"), keys).SignedWith);
        Assert.Equal(
            (await SummaryAsync(1)).GetProperty("digest").GetString(), EditionFile.Read<EditionFile>(await FileAsync(next)).Before!.Sha256);
        string file = Directory.GetFiles(
            Path.Combine(Path.GetDirectoryName(workshop.Database)!, "keys", "editions"), "edition-signing-key.pem").Single();
        if (!OperatingSystem.IsWindows()) Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(file));
        using ECDsa held = ECDsa.Create();
        held.ImportFromPem(await File.ReadAllTextAsync(file, Cancel));
        Assert.Equal(keys[0], EditionKey.Of(held));
        Assert.Contains(
            (await tobiah.GetAsync("/history?kind=key"))["rows"].EnumerateArray(), r => r.GetProperty("name").GetString() == keys[0].Id);
    }
}

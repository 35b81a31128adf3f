using System.Net;
using System.Text.Json;
using Incisura.Web.Mail;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

/// <summary>Mail about what waits and what was decided, over the real sender and the demo's mail server.</summary>
public sealed class MailTests(Workshop workshop) : IClassFixture<Workshop>
{
    private async Task<JsonElement[]> BoxAsync(Caller of)
    {
        await workshop.Services.GetRequiredService<Post>().SendAsync(CancellationToken.None);
        return [.. (await of.GetAsync("/session/demo/mailbox")).Expect(HttpStatusCode.OK).Json.EnumerateArray()];
    }

    private static bool Says(IEnumerable<JsonElement> mails, string words) =>
        mails.Any(m => m.GetProperty("text").GetString()!.Contains(words, StringComparison.Ordinal));

    [Fact]
    public async Task Who_is_waited_for_and_who_proposed_hear_of_it_and_nobody_of_what_they_did_themselves()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), ines = await workshop.SignInAsync("ines");
        Answer record = (await maren.PostAsync("/records", new { operation = "slot", materialId = 2, assemblyId = 5, machineId = 1 }))
            .Expect(HttpStatusCode.Created);
        string number = record["number"].GetString()!;
        record = (await maren.PostAsync($"/records/{number}/submit", new { }, 0)).Expect(HttpStatusCode.OK);
        foreach (Caller approver in new[] { tobiah, ines })
            Assert.True(Says(await BoxAsync(approver), $"{number} revision 1 waits for you, proposed by maren."));
        Assert.False(Says(await BoxAsync(maren), number));
        int waits = (await tobiah.GetAsync("/records/waiting")).Json.GetInt32();
        Assert.Equal((await tobiah.GetAsync("/records?waits=true&take=1"))["total"].GetInt32(), waits);

        record = (await tobiah.PostAsync($"/records/{number}/send-back", new { text = "half the feed" }, 1)).Expect(HttpStatusCode.OK);
        JsonElement mail = (await BoxAsync(maren)).First(m => m.GetProperty("text").GetString()!.Contains("sent back", StringComparison.Ordinal));
        Assert.Contains($"/records/{number}", mail.GetProperty("text").GetString(), StringComparison.Ordinal);
        Assert.Contains("half the feed", mail.GetProperty("text").GetString(), StringComparison.Ordinal);
        Assert.Equal(waits - 1, (await tobiah.GetAsync("/records/waiting")).Json.GetInt32());
        Assert.False(Says(await BoxAsync(tobiah), "sent back"));
    }

    [Fact]
    public async Task Who_proposed_a_record_hears_what_was_changed_at_a_machine_and_not_what_ran_as_given()
    {
        Caller jory = await workshop.SignInAsync("jory"), maren = await workshop.SignInAsync("maren");
        await ReportAsync(jory, "asGiven", chatter: false, note: "");
        Assert.False(Says(await BoxAsync(maren), "ran R-0002"));
        await ReportAsync(jory, "asGiven", chatter: true, note: "");
        Assert.True(Says(await BoxAsync(maren), "jory ran R-0002 revision 1 as given: it chattered."));
        await ReportAsync(jory, "withChanges", chatter: false, note: "Thin wall.");
        Assert.True(Says(await BoxAsync(maren), "jory ran R-0002 revision 1 with changes: feed at 85 %, Thin wall."));
    }

    private static async Task ReportAsync(Caller by, string outcome, bool chatter, string note)
    {
        object report = new
        {
            key = Guid.NewGuid(),
            record = "R-0002",
            revision = 1,
            edition = 1,
            ranAt = DateTimeOffset.UtcNow,
            outcome,
            chatter,
            note,
            feedOverride = outcome == "withChanges" ? 85 : (int?)null,
        };
        (await by.PostAsync("/reports", report)).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Somebody_says_where_mail_goes_or_wants_none_and_what_is_no_address_is_refused()
    {
        Caller ines = await workshop.SignInAsync("ines"), maren = await workshop.SignInAsync("maren");
        foreach (string wrong in new[] { "ines", "a@b\r\nBcc: x@y.example", "@", new string('x', 300) + "@y.example" })
            Assert.Equal(
                ["address"],
                (await ines.PutAsync("/session/address", new { address = wrong })).Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        (await ines.PutAsync("/session/address", new { address = "" })).Expect(HttpStatusCode.OK);
        (await maren.PostAsync("/records", new { operation = "slot", materialId = 3, assemblyId = 5, machineId = 1 })).Expect(HttpStatusCode.Created);
        string number = (await maren.GetAsync("/records?take=1"))["rows"][0].GetProperty("number").GetString()!;
        (await maren.PostAsync($"/records/{number}/submit", new { }, 0)).Expect(HttpStatusCode.OK);
        Assert.Empty(await BoxAsync(ines));
        IReadOnlyList<MailView> until = workshop.Services.GetRequiredService<DemoMailbox>().Of("ines@workshop.example");
        Assert.Single(until, m => m.Subject.Contains("mail goes elsewhere", StringComparison.Ordinal));
        Assert.DoesNotContain(until, m => m.Text.Contains(number, StringComparison.Ordinal));
        (await ines.PutAsync("/session/address", new { address = " ines@home.example " })).Expect(HttpStatusCode.OK);
        Assert.Contains("the mail address changed, by yourself", Assert.Single(await BoxAsync(ines)).ToString(), StringComparison.Ordinal);
        (await maren.PostAsync($"/records/{number}/take-back", new { }, 1)).Expect(HttpStatusCode.OK);
        (await maren.PostAsync($"/records/{number}/submit", new { }, 2)).Expect(HttpStatusCode.OK);
        Assert.Equal(2, (await BoxAsync(ines)).Length);
    }
}

using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>Listed threads and the shop's own, through the interface.</summary>
public sealed class ThreadTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static object Own(string name, double pitch, double diameter = 16, double? pitchDiameter = null) => new
    {
        name,
        parent = "M16×1.5",
        diameter,
        pitch,
        reason = "worn housings",
        pitchDiameter,
    };

    private static string Asked(string path, string text) => $"{path}?text={Uri.EscapeDataString(text)}";

    [Theory]
    [InlineData("M10x1", "M10×1")]
    [InlineData("1/2-13", "1/2-13 UNC")]
    [InlineData("3/4 NPT", "3/4-14 NPT")]
    [InlineData("Tr40x14 (P7) LH", "Tr40×14 (P7) LH")]
    public async Task What_is_typed_is_the_first_row_and_has_a_page(string typed, string text)
    {
        Caller reader = await workshop.SignInAsync("jory");
        Answer rows = (await reader.GetAsync(Asked("/threads", typed))).Expect(HttpStatusCode.OK);
        Assert.Equal(
            text,
            rows["rows"].EnumerateArray().First(r => r.GetProperty("own").ValueKind == JsonValueKind.Null).GetProperty("text").GetString());
        Answer view = (await reader.GetAsync(Asked("/threads/view", text))).Expect(HttpStatusCode.OK);
        Assert.True(view["sizes"].GetProperty("minor").GetDouble() < view["sizes"].GetProperty("pitch").GetDouble());
        Assert.True(view["external"].GetArrayLength() > 10);
    }

    [Fact]
    public async Task The_whole_list_is_shortened_and_says_so_and_a_form_narrows_it()
    {
        Caller reader = await workshop.SignInAsync("jory");
        Answer all = (await reader.GetAsync("/threads")).Expect(HttpStatusCode.OK);
        Assert.True(all["total"].GetInt32() > 500 && all["rows"].GetArrayLength() == 200);
        Answer forms = (await reader.GetAsync("/threads/forms")).Expect(HttpStatusCode.OK);
        Assert.Equal(12, forms.Json.GetArrayLength());
        Answer conduit = (await reader.GetAsync("/threads?form=conduit")).Expect(HttpStatusCode.OK);
        Assert.Equal(10, conduit["total"].GetInt32());
    }

    [Theory]
    [InlineData("bolt", HttpStatusCode.NotFound)]
    [InlineData("M10x9", HttpStatusCode.UnprocessableEntity)]
    [InlineData("M10x1.5-2A", HttpStatusCode.UnprocessableEntity)]
    [InlineData("M99999x1", HttpStatusCode.UnprocessableEntity)]
    public async Task What_is_no_thread_is_refused_in_words(string text, HttpStatusCode status) =>
        (await (await workshop.SignInAsync("jory")).GetAsync(Asked("/threads/view", text))).Expect(status);

    [Fact]
    public async Task A_wire_that_is_given_is_measured_with()
    {
        Caller reader = await workshop.SignInAsync("jory");
        Answer view = (await reader.GetAsync(Asked("/threads/view", "M10×1.5") + "&wire=0.9")).Expect(HttpStatusCode.OK);
        Assert.Equal(9.026 + 2.7 - (0.75 * Math.Sqrt(3)), view["wires"].GetProperty("over").GetDouble(), 6);
    }

    [Fact]
    public async Task An_own_thread_is_made_shown_with_its_differences_and_approved_by_somebody_else()
    {
        Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"), reader = await workshop.SignInAsync(
            "jory");
        object own = Own("Stud 16×1.6 A", 1.6);
        Answer look = (await maren.PostAsync("/threads/look", own)).Expect(HttpStatusCode.OK);
        Assert.Equal(["pitch"], look["differences"].EnumerateArray().Select(d => d.GetProperty("field").GetString()));
        Assert.Equal(16 - (0.75 * Math.Sqrt(3) / 2 * 1.6), look["sizes"].GetProperty("pitch").GetDouble(), 3);
        Answer made = (await maren.PostAsync("/shop/threads", own)).Expect(HttpStatusCode.Created);
        string path = $"/shop/threads/{made["id"].GetInt32()}";
        Assert.False((await reader.GetAsync($"{path}/standing")).Expect(HttpStatusCode.OK)["approved"].GetBoolean());
        (await maren.PostAsync($"{path}/approval", new { }, ifMatch: 1)).Expect(HttpStatusCode.Forbidden);
        Assert.True((await tobiah.PostAsync($"{path}/approval", new { }, ifMatch: 1)).Expect(HttpStatusCode.OK)["approved"].GetBoolean());
        Assert.Equal("tobiah", (await reader.GetAsync($"{path}/standing"))["by"].GetString());

        // A change takes the approval back, and a stale look cannot give it again.
        (await maren.PutAsync(path, Own("Stud 16×1.6 A", 1.7), ifMatch: 1)).Expect(HttpStatusCode.OK);
        Assert.False((await reader.GetAsync($"{path}/standing"))["approved"].GetBoolean());
        (await tobiah.PostAsync($"{path}/approval", new { }, ifMatch: 1)).Expect(HttpStatusCode.Conflict);
        (await tobiah.PostAsync($"{path}/approval", new { }, ifMatch: 2)).Expect(HttpStatusCode.OK);
        Answer rows = (await reader.GetAsync(Asked("/threads", "Stud 16"))).Expect(HttpStatusCode.OK);
        Assert.Equal("M16×1.5", rows["rows"][0].GetProperty("parent").GetString());
    }

    [Fact]
    public async Task Who_approved_may_not_approve_what_they_changed_themselves()
    {
        Caller tobiah = await workshop.SignInAsync("tobiah");
        Answer made = (await tobiah.PostAsync("/shop/threads", Own("Stud 16×1.6 B", 1.6))).Expect(HttpStatusCode.Created);
        Answer refused = await tobiah.PostAsync($"/shop/threads/{made["id"].GetInt32()}/approval", new { }, ifMatch: 1);
        Assert.Contains("another approver", refused.Expect(HttpStatusCode.Forbidden).Detail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_own_thread_that_cannot_be_is_refused_by_field()
    {
        Caller maren = await workshop.SignInAsync("maren");
        async Task<string[]> Refused(object own) =>
            [.. (await maren.PostAsync("/shop/threads", own)).Expect(HttpStatusCode.UnprocessableEntity).FaultFields];
        Assert.Equal(["diameter"], await Refused(Own("same", 1.5)));
        Assert.Equal(["pitch"], await Refused(Own("no core", 12)));
        Assert.Equal(["pitchDiameter"], await Refused(Own("inside out", 1.6, 16, 17.0)));
        Assert.Equal(["parent"], await Refused(new { name = "x", parent = "bolt", diameter = 16, pitch = 1.6, reason = "y" }));
        Assert.Equal(["reason"], await Refused(new { name = "x", parent = "M16×1.5", diameter = 16, pitch = 1.6 }));
        (await (await workshop.SignInAsync("jory")).PostAsync("/shop/threads", Own("reader", 1.6))).Expect(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task The_search_box_finds_threads_by_what_people_type()
    {
        Caller reader = await workshop.SignInAsync("jory");
        Answer found = (await reader.GetAsync("/find?q=" + Uri.EscapeDataString("G1/2"))).Expect(HttpStatusCode.OK);
        Assert.Contains(
            found.Json.EnumerateArray(),
            f => f.GetProperty("kind").GetString() == "thread" && f.GetProperty("name").GetString() == "G1/2");
    }
}

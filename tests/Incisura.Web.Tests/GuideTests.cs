using System.Net;
using System.Text.Json;
using System.Text.RegularExpressions;
using Incisura.Core.Catalogue;
using Incisura.Web.Guide;

namespace Incisura.Web.Tests;

/// <summary>The guide says what the screens say, and the screens say what the code means.</summary>
public sealed partial class GuideTests(SharedWorkshop workshop)
{
    private static readonly string Folder = Path.Combine(Repository.Root, "docs", "guide");

    private static readonly Lazy<string> Screens = new(() => string.Join(
        '\n', Directory.EnumerateFiles(Path.Combine(Repository.Root, "web", "src"), "*.ts*", SearchOption.AllDirectories)
            .Where(f => !f.Contains($"{Path.DirectorySeparatorChar}api{Path.DirectorySeparatorChar}", StringComparison.Ordinal))
            .Select(File.ReadAllText)));

    public static TheoryData<string> Pages => [.. Directory.GetFiles(Folder, "*.md").Select(f => Path.GetFileName(f)!).Order()];

    // A label stands alone between quotes or tags; within a longer text of the source it would prove nothing.
    private static bool IsOnAScreen(string label) => Regex.IsMatch(
        Screens.Value, $@"['""`>]\s*{Regex.Escape(label).Replace("\\ ", @"\s+", StringComparison.Ordinal)}\s*(\.\.\.|…)?\s*['""`<{{]");

    [Theory]
    [MemberData(nameof(Pages))]
    public void Every_label_it_quotes_stands_on_a_screen(string page)
    {
        IEnumerable<string> labels = Label().Matches(File.ReadAllText(Path.Combine(Folder, page)))
            .Select(m => Regex.Replace(m.Groups[1].Value, @"\s+", " "));
        string[] unknown = [.. labels.Distinct().Where(l => !IsOnAScreen(l))];
        Assert.True(unknown.Length == 0, $"{page} quotes what no screen says: {string.Join("; ", unknown)}");
    }

    [Fact]
    public void A_label_that_no_screen_has_is_found_out()
    {
        Assert.True(IsOnAScreen("Submit for review"));
        Assert.False(IsOnAScreen("Submit for rev"));
        Assert.False(IsOnAScreen("Hand it in at once"));
    }

    [Fact]
    public void It_has_ten_pages_with_a_title_and_every_picture_and_link_leads_somewhere()
    {
        GuideBook book = new(Folder);
        Assert.Equal(10, book.Pages.Count);
        Assert.All(book.Pages, p => Assert.NotEmpty(p.Title));
        foreach (Match m in book.Pages.SelectMany(p => Target().Matches(p.Html)))
        {
            string to = m.Groups[1].Value;
            Assert.True(
                to.StartsWith("/guide/", StringComparison.Ordinal)
                    ? book.Pages.Any(p => p.Slug == to["/guide/".Length..])
                    : book.PictureOf(to["/api/v1/guide/pictures/".Length..]) is not null,
                $"{to} leads nowhere");
        }

        Assert.Null(book.PictureOf("../01-install.md"));
    }

    [Fact]
    public async Task It_is_read_in_the_application_and_found_by_the_box_on_top()
    {
        Caller jory = await workshop.SignInAsync("jory");
        JsonElement first = (await jory.GetAsync("/guide")).Expect(HttpStatusCode.OK).Json[0];
        Answer page = (await jory.GetAsync($"/guide/{first.GetProperty("slug").GetString()}")).Expect(HttpStatusCode.OK);
        Assert.Contains("<h1", page["html"].GetString(), StringComparison.Ordinal);
        Assert.DoesNotContain("<script", page["html"].GetString(), StringComparison.Ordinal);
        (await jory.GetAsync("/guide/no-such-page")).Expect(HttpStatusCode.NotFound);
        JsonElement found = (await jory.GetAsync("/find?q=spreadsheet")).Json[0];
        Assert.Equal(
            ("guide", "/guide/speed-chart#rows-from-a-spreadsheet"), (found.GetProperty("kind").GetString(), found.GetProperty("path").GetString()));
    }

    [Fact]
    public void Every_field_figure_and_limit_of_every_operation_says_what_it_means()
    {
        Meaning[] all =
        [
            .. Operations.All.Select(o => Meanings.OfOperation(o.Description.Code))
                .SelectMany(m => m.Fields.Concat(m.Figures).Concat(m.Limits)),
        ];
        Assert.True(all.Length > 500, $"only {all.Length} were walked");
        Assert.Empty(all.Where(m => m.Means.Length == 0).Select(m => m.Code).Distinct());
        Assert.All(Meanings.OfOperation("side-rough").Limits, l => Assert.NotEmpty(l.Cure));
    }

    [Theory]
    [InlineData("material", "specificCuttingForce", "k_c1.1 at 1 mm chip thickness and width, MPa, 50 to 6000 (Kienzle & Victor 1952)")]
    [InlineData("machine", "efficiency", "above 0 up to 1")]
    [InlineData("holder", "seatCompliance", "µrad per N·m")]
    [InlineData("chart", "widthRatio", "a_e/D")]
    [InlineData("cutter", "LCF", "mm")]
    public void A_thing_says_what_its_fields_mean_in_the_words_of_the_code(string kind, string code, string words) =>
        Assert.Contains(words, Meanings.OfKind(kind).Single(m => m.Code == code).Means, StringComparison.Ordinal);

    [GeneratedRegex(@"\*\*([^*]+)\*\*")]
    private static partial Regex Label();

    [GeneratedRegex("(?:src|href)=\"(/[^\"]*)\"")]
    private static partial Regex Target();
}

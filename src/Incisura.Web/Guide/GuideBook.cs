using System.Text.RegularExpressions;
using Markdig;
using Markdig.Renderers.Html;
using Markdig.Syntax;
using Markdig.Syntax.Inlines;

namespace Incisura.Web.Guide;

/// <summary>A page of the guide in the list of them.</summary>
public sealed record GuideTitle(string Slug, string Title);

/// <summary>A page of the guide.</summary>
/// <param name="Slug">What it is asked for by.</param>
/// <param name="Title">Its title.</param>
/// <param name="Html">Its text, made of what ships with the program and of nothing else.</param>
public sealed record GuideText(string Slug, string Title, string Html);

/// <summary>A part of a page that has some words.</summary>
/// <param name="Heading">Its heading.</param>
/// <param name="Page">Title of its page.</param>
/// <param name="Path">Where it is read.</param>
public sealed record GuidePart(string Heading, string Page, string Path);

/// <summary>The guide that ships with the program: pages in Markdown, read once.</summary>
public sealed partial class GuideBook
{
    private static readonly MarkdownPipeline Pipeline = new MarkdownPipelineBuilder().UsePipeTables().UseAutoIdentifiers().DisableHtml().Build();

    private readonly List<GuideText> pages = [];
    private readonly List<(GuidePart Part, string Text)> parts = [];

    /// <summary>Reads a folder.</summary>
    /// <param name="folder">Folder of pages, 01-name.md in their order; one that is not there is an empty guide.</param>
    public GuideBook(string folder)
    {
        Folder = folder;
        string[] files = Directory.Exists(folder) ? Directory.GetFiles(folder, "*.md") : [];
        foreach (string file in files.Order(StringComparer.Ordinal))
            Add(SlugOf(Path.GetFileNameWithoutExtension(file)), File.ReadAllText(file));
    }

    /// <summary>Where it was read from.</summary>
    public string Folder { get; }

    /// <summary>Its pages in their order.</summary>
    public IReadOnlyList<GuideText> Pages => pages;

    /// <summary>Parts that have all of some words, those with the words in their heading first.</summary>
    public IEnumerable<GuidePart> Find(IReadOnlyCollection<string> words) => parts
        .Where(p => words.All(w => p.Text.Contains(w, StringComparison.OrdinalIgnoreCase)))
        .OrderByDescending(p => words.Count(w => p.Part.Heading.Contains(w, StringComparison.OrdinalIgnoreCase)))
        .Select(p => p.Part);

    /// <summary>A picture; null where there is none of this name.</summary>
    public string? PictureOf(string name) =>
        PictureName().IsMatch(name) && Path.Combine(Folder, "pictures", name) is var file && File.Exists(file) ? file : null;

    private static string SlugOf(string file) => Order().Replace(file, "");

    private void Add(string slug, string text)
    {
        MarkdownDocument page = Markdown.Parse(text, Pipeline);
        foreach (LinkInline link in page.Descendants<LinkInline>())
            link.Url = link.IsImage
                ? $"/api/v1/guide/{link.Url}"
                : link.Url is { } url && url.EndsWith(".md", StringComparison.Ordinal) ? $"/guide/{SlugOf(url[..^3])}" : link.Url;
        string title = "";
        GuidePart? part = null;
        List<string> words = [];
        foreach (Block block in page)
        {
            string said = text[block.Span.Start..Math.Min(text.Length, block.Span.End + 1)];
            if (block is HeadingBlock heading)
            {
                Close();
                string called = said.TrimStart('#', ' ').Replace("*", "", StringComparison.Ordinal);
                if (title.Length == 0) title = called;
                part = new(called, title, heading.Level == 1 ? $"/guide/{slug}" : $"/guide/{slug}#{heading.GetAttributes().Id}");
            }

            words.Add(said);
        }

        Close();
        pages.Add(new(slug, title, page.ToHtml(Pipeline)));

        void Close()
        {
            if (part is not null) parts.Add((part, string.Join(' ', words)));
            words.Clear();
        }
    }

    [GeneratedRegex(@"^\d+-")]
    private static partial Regex Order();

    [GeneratedRegex(@"^[a-z0-9-]+\.png$")]
    private static partial Regex PictureName();
}

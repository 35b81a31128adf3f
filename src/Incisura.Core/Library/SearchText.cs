using System.Globalization;
using System.Text.RegularExpressions;
using Incisura.Core.Quantities;

namespace Incisura.Core.Library;

/// <summary>What one thing of a list can be found by.</summary>
public sealed record SearchFacts
{
    /// <summary>Every word about it, in lower case.</summary>
    public required string Text { get; init; }

    /// <summary>The sizes people call it by, mm.</summary>
    public IReadOnlyList<double> Sizes { get; init; } = [];

    /// <summary>Corner radius, mm; not a number where it has none.</summary>
    public double Radius { get; init; } = double.NaN;

    /// <summary>Number of teeth; 0 where it has none.</summary>
    public int Teeth { get; init; }

    /// <summary>Usable length over diameter; not a number where it has none.</summary>
    public double Slenderness { get; init; } = double.NaN;
}

/// <summary>
/// What somebody typed to find a thing: sizes with or without Ø and unit (Ø12, 12mm, 1/2"), teeth (z4), a corner radius (r0.5), long or
/// short, and words. A bare number may be a size or part of a number; a word with one wrong letter is taken for the nearest known one.
/// </summary>
public sealed partial class SearchText
{
    /// <summary>Usable length over diameter from which people call a tool long.</summary>
    public const double LongFrom = 4;

    /// <summary>Usable length over diameter up to which people call a tool short.</summary>
    public const double ShortUntil = 2;

    private const int MostTerms = 12;
    private readonly List<Func<SearchFacts, bool>> terms = [];

    private SearchText()
    {
    }

    /// <summary>Words that were taken for others, as typed and as taken.</summary>
    public IReadOnlyList<(string Typed, string Taken)> Mended => mended;

    private readonly List<(string Typed, string Taken)> mended = [];

    /// <summary>Reads what was typed.</summary>
    /// <param name="text">The text; at most twelve terms count.</param>
    /// <param name="vocabulary">Known words in lower case, to mend slips with.</param>
    public static SearchText Read(string text, IReadOnlyCollection<string> vocabulary)
    {
        SearchText query = new();
        string plain = text.Trim().ToLowerInvariant().Replace('⌀', 'ø').Replace('″', '"').Replace("ø ", "ø", StringComparison.Ordinal);
        plain = Mixed().Replace(plain, "$1+$2");
        foreach (string term in plain.Split((char[])[' ', '\t', ';'], StringSplitOptions.RemoveEmptyEntries).Take(MostTerms))
            query.terms.Add(query.TermOf(term.Trim(','), vocabulary));
        return query;
    }

    /// <summary>Whether a thing has everything that was typed.</summary>
    public bool Finds(SearchFacts facts)
    {
        foreach (Func<SearchFacts, bool> term in terms)
            if (!term(facts)) return false;
        return true;
    }

    private Func<SearchFacts, bool> TermOf(string term, IReadOnlyCollection<string> vocabulary)
    {
        if (term is "long") return f => f.Slenderness >= LongFrom || f.Text.Contains("long", StringComparison.Ordinal);
        if (term is "short" or "stub") return f => f.Slenderness <= ShortUntil;
        if (Teeth().Match(term) is { Success: true } z) return f => f.Teeth == int.Parse(z.Groups[1].ValueSpan, CultureInfo.InvariantCulture);
        if (Corner().Match(term) is { Success: true } r && LengthText.TryRead(r.Groups[1].Value, out double radius)) return f => Same(f.Radius, radius);
        if (Thread().Match(term) is { Success: true } m)
        {
            string designation = term.Replace('×', 'x').Replace(',', '.');
            return f => f.Text.Contains(designation, StringComparison.Ordinal);
        }

        bool marked = term.StartsWith('ø') || term.StartsWith('d') && term.Length > 1 && char.IsAsciiDigit(term[1]);
        if (LengthText.TryRead(marked ? term[1..] : term, out double size))
        {
            bool bare = !marked && double.TryParse(term, NumberStyles.Float, CultureInfo.InvariantCulture, out _);
            return f =>
            {
                foreach (double s in f.Sizes)
                    if (Same(s, size)) return true;
                return bare && f.Text.Contains(term, StringComparison.Ordinal);
            };
        }

        string word = Mend(term, vocabulary);
        if (word != term) mended.Add((term, word));
        return f => f.Text.Contains(word, StringComparison.Ordinal);
    }

    // A word that stands in no known one but is one slip away from one is taken for that.
    private static string Mend(string term, IReadOnlyCollection<string> vocabulary) =>
        term.Length < 4 || !term.All(char.IsLetter) || vocabulary.Any(w => w.Contains(term, StringComparison.Ordinal))
            ? term
            : vocabulary.FirstOrDefault(w => OneSlip(w, term)) ?? term;

    private static bool OneSlip(string a, string b)
    {
        if (Math.Abs(a.Length - b.Length) > 1) return false;
        int start = 0, end = 0, most = Math.Min(a.Length, b.Length);
        while (start < most && a[start] == b[start]) start++;
        while (end < most - start && a[^(end + 1)] == b[^(end + 1)]) end++;
        (int restA, int restB) = (a.Length - start - end, b.Length - start - end);
        return (restA <= 1 && restB <= 1) || (restA == 2 && restB == 2 && a[start] == b[start + 1] && a[start + 1] == b[start]);
    }

    private static bool Same(double a, double b) => Math.Abs(a - b) <= 0.006 + (b * 0.0004);

    [GeneratedRegex(@"^z(\d{1,2})$")]
    private static partial Regex Teeth();

    [GeneratedRegex(@"^r(\d+([.,/]\d+)?(mm|in|"")?)$")]
    private static partial Regex Corner();

    [GeneratedRegex(@"^m\d+([.,]\d+)?([x×]\d+([.,]\d+)?)?$")]
    private static partial Regex Thread();

    [GeneratedRegex(@"(\d+)[ -](\d+/\d+)")]
    private static partial Regex Mixed();
}

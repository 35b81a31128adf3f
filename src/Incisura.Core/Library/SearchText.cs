using System.Globalization;
using System.Text.RegularExpressions;

namespace Incisura.Core.Library;

/// <summary>
/// What somebody typed to find a thing: sizes with or without Ø and unit (Ø12, 12 mm, 1/2"), ranges of them (10-12, >= 20), teeth (z4,
/// 4 flutes), a corner radius (r0.5), a thread (M10x1.5), a reach (long, 5xD), numbers with or without dash, words in English and German,
/// and any of them denied (-ball, not ball). A bare number is a size where something has it, and digits of a number otherwise; a word is
/// taken as it stands, else as the beginning of one, else with one slip mended, else wherever it is written.
/// </summary>
public sealed partial class SearchText
{
    /// <summary>Usable length over diameter from which people call a tool long.</summary>
    public const double LongFrom = 4;

    /// <summary>Usable length over diameter up to which people call a tool short.</summary>
    public const double ShortUntil = 2;

    private const int MostTerms = 12;
    private static readonly HashSet<string> Filler =
    [
        "mit", "with", "for", "fuer", "the", "a", "and", "und", "in", "dia", "diameter", "durchmesser", "tool", "tools", "werkzeug",
    ];

    // Numbers are compared before words: they are quicker, and leave less.
    private readonly List<Func<SearchFacts, bool>> terms = [], words = [];
    private readonly IReadOnlyList<SearchFacts> all;
    private readonly IReadOnlyCollection<string> vocabulary;
    private readonly List<(string Typed, string Taken)> mended = [];

    private SearchText(IReadOnlyList<SearchFacts> all, IReadOnlyCollection<string> vocabulary) => (this.all, this.vocabulary) = (all, vocabulary);

    /// <summary>Words that were taken for others, as typed and as taken.</summary>
    public IReadOnlyList<(string Typed, string Taken)> Mended => mended;

    /// <summary>Every word that things of a list are found by.</summary>
    public static HashSet<string> VocabularyOf(IEnumerable<SearchFacts> facts) => [.. facts.SelectMany(f => f.Words)];

    /// <summary>Reads what was typed.</summary>
    /// <param name="text">The text; at most twelve terms count.</param>
    /// <param name="all">What the things of the list are found by: it decides what a number or a word means.</param>
    /// <param name="vocabulary">Every word among them.</param>
    public static SearchText Read(string text, IReadOnlyList<SearchFacts> all, IReadOnlyCollection<string> vocabulary)
    {
        SearchText query = new(all, vocabulary);
        bool denied = false;
        foreach (string token in Tokens(text).Take(MostTerms))
        {
            if (token is "not" or "nicht" or "ohne" or "without" or "kein" or "no" or "-")
            {
                denied = true;
                continue;
            }

            bool minus = token.Length > 1 && token[0] == '-' && !char.IsAsciiDigit(token[1]) && token[1] != '.';
            if (query.TermOf(minus ? token[1..] : token) is not { } term) continue;
            bool not = denied || minus;
            (char.IsAsciiLetter(token[^1]) ? query.words : query.terms).Add(not ? f => !term(f) : term);
            denied = false;
        }

        return query;
    }

    /// <summary>Whether a thing has everything that was typed.</summary>
    public bool Finds(SearchFacts facts)
    {
        foreach (Func<SearchFacts, bool> term in terms)
            if (!term(facts)) return false;
        foreach (Func<SearchFacts, bool> term in words)
            if (!term(facts)) return false;
        return true;
    }

    // What belongs together is written together before blanks divide the rest.
    private static string[] Tokens(string text)
    {
        string plain = SearchWords.Join(
            SearchWords.Letters(text.Trim())
                .Replace('⌀', 'ø')
                .Replace('″', '"')
                .Replace('–', '-')
                .Replace('×', 'x')
                .Replace("≥", ">=", StringComparison.Ordinal)
                .Replace("≤", "<=", StringComparison.Ordinal));
        plain = Hyphened().Replace(plain, " ");
        plain = Mixed().Replace(plain, "$1+$2");
        plain = Marked().Replace(plain, "ø");
        plain = Unit().Replace(plain, "$1$2");
        plain = Between().Replace(plain, "$1..$3");
        plain = Compared().Replace(plain, "$1$2");
        plain = Counted().Replace(plain, "z$1 ");
        plain = TeethApart().Replace(plain, "z$1");
        plain = CornerApart().Replace(plain, "r$1");
        plain = TimesDiameter().Replace(plain, "$1xd ");
        plain = Reaching().Replace(plain, "long");
        plain = ThreadApart().Replace(plain, "$1x$2");
        return plain.Split((char[])[' ', '\t', ';'], StringSplitOptions.RemoveEmptyEntries);
    }

    private Func<SearchFacts, bool>? TermOf(string typed)
    {
        string term = typed.Trim(',', '.', '(', ')');
        if (term.Length == 0 || Filler.Contains(term)) return null;
        if (term is "long" or "lang" or "lange" or "langer") return f => f.Slenderness >= LongFrom || f.Words.Contains("long");
        if (term is "short" or "stub" or "kurz" or "kurzer") return f => f.Slenderness <= ShortUntil;
        if (term is "left" or "links" or "linke" or "lh") return f => f.Words.Contains("left");
        if (Teeth().Match(term) is { Success: true } z) return f => f.Teeth == int.Parse(z.Groups[1].ValueSpan, CultureInfo.InvariantCulture);
        if (Depth().Match(term) is { Success: true } x && Number(x.Groups[1].Value) is { } times) return f => f.Slenderness >= times * 0.99;
        if (Corner().Match(term) is { Success: true } r && LengthText.TryRead(r.Groups[1].Value, out double radius))
            return f => Same(f.Radius, radius);
        if (Thread().Match(term) is { Success: true } m)
            return ThreadOf(Number(m.Groups[1].Value)!.Value, m.Groups[3].Success ? Number(m.Groups[3].Value) : null);
        return RangeOf(term) ?? SizeOf(term) ?? NumberOf(term) ?? WordOf(term);
    }

    private static Func<SearchFacts, bool> ThreadOf(double diameter, double? pitch) =>
        f => f.Pitch > 0 && HasSize(f, diameter - Near(diameter), diameter + Near(diameter)) && (pitch is not { } p || Math.Abs(f.Pitch - p) < 1e-6);

    private static Func<SearchFacts, bool>? RangeOf(string term)
    {
        if (Range().Match(term) is { Success: true } range)
        {
            // A unit behind the second number holds for both.
            string unit = Trailing().Match(range.Groups[2].Value).Value, first = range.Groups[1].Value;
            if (!LengthText.TryRead(
                Trailing().Match(first).Length > 0
                    ? first
                    : first + unit, out double from) || !LengthText.TryRead(range.Groups[2].Value, out double to))
                return null;
            return f => HasSize(f, Math.Min(from, to) - Edge, Math.Max(from, to) + Edge);
        }

        if (Bound().Match(term) is not { Success: true } bound || !LengthText.TryRead(bound.Groups[2].Value, out double size)) return null;
        return bound.Groups[1].Value switch
        {
            ">" => f => HasSize(f, size + Edge, double.PositiveInfinity),
            "<" => f => HasSize(f, double.NegativeInfinity, size - Edge),
            ">=" => f => HasSize(f, size - Edge, double.PositiveInfinity),
            _ => f => HasSize(f, double.NegativeInfinity, size + Edge),
        };
    }

    private Func<SearchFacts, bool>? SizeOf(string term)
    {
        bool marked = term.StartsWith('ø') || (term.StartsWith('d') && DiameterMark().IsMatch(term));
        if (!LengthText.TryRead(marked ? term[1..] : term, out double size)) return null;
        bool bare = !marked && Number(term) is not null;
        bool Has(SearchFacts f) => HasSize(f, size - Near(size), size + Near(size));
        return !bare || all.Any(Has) ? Has : f => f.Numbers.Any(n => n.Contains(term, StringComparison.OrdinalIgnoreCase));
    }

    // Letters and digits are a number of the workshop, whatever dash and zeros stand between; unfinished, its beginning.
    private Func<SearchFacts, bool>? NumberOf(string term)
    {
        if (!char.IsAsciiLetter(term[0]) || !(term.Any(char.IsAsciiDigit) || term.Contains('-', StringComparison.Ordinal))) return null;
        string bare = Bare(term);
        bool Is(SearchFacts f) => f.Numbers.Any(n => Bare(n) == bare);
        if (all.Any(Is)) return Is;
        bool Begins(SearchFacts f) => f.Numbers.Any(n => n.StartsWith(term, StringComparison.OrdinalIgnoreCase));
        return all.Any(Begins) ? Begins : null;
    }

    private Func<SearchFacts, bool> WordOf(string term)
    {
        string word = SearchWords.Plain(term).Trim();
        string singular = word.Length > 3 && word.EndsWith('s') ? word[..^1] : word;
        HashSet<string> taken = vocabulary.Contains(word)
            ? [word]
            : vocabulary.Contains(singular)
            ? [singular]
            : [.. word.Length >= 2 ? vocabulary.Where(w => w.StartsWith(word, StringComparison.Ordinal)) : []];
        if (
            taken.Count == 0 && word.Length >= 4 && word.All(char.IsLetter)
                && vocabulary.Where(w => OneSlip(w, word) || OneSlip(w, singular)).ToArray() is { Length: > 0 } near)
        {
            taken = [.. near];
            mended.Add((term, near[0]));
        }

        if (taken.Count == 0)
            return f => f.Text.Contains(word, StringComparison.Ordinal) || f.Numbers.Any(n => n.Contains(term, StringComparison.OrdinalIgnoreCase));
        string[] any = [.. taken];
        return f =>
        {
            foreach (string w in f.Words)
                foreach (string t in any)
                    if (string.Equals(w, t, StringComparison.Ordinal)) return true;
            return false;
        };
    }

    private static bool OneSlip(string a, string b)
    {
        if (Math.Abs(a.Length - b.Length) > 1) return false;
        int start = 0, end = 0, most = Math.Min(a.Length, b.Length);
        while (start < most && a[start] == b[start]) start++;
        while (end < most - start && a[^(end + 1)] == b[^(end + 1)]) end++;
        (int restA, int restB) = (a.Length - start - end, b.Length - start - end);
        return (restA <= 1 && restB <= 1) || (restA == 2 && restB == 2 && a[start] == b[start + 1] && a[start + 1] == b[start]);
    }

    // The ends of a range belong to it whatever the last bit.
    private const double Edge = 1e-6;

    private static double Near(double size) => 0.006 + (size * 0.0004);

    private static bool Same(double a, double b) => Math.Abs(a - b) <= Near(b);

    private static bool HasSize(SearchFacts facts, double least, double most)
    {
        for (int i = 0; i < facts.Sizes.Count; i++)
            if (facts.Sizes[i] >= least && facts.Sizes[i] <= most) return true;
        return false;
    }

    private static double? Number(string text) =>
        double.TryParse(text.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out double value) ? value : null;

    // A number without what people leave out: dashes, blanks, and zeros in front of its digits.
    private static string Bare(string number) =>
        LeadingZeros().Replace(number.ToLowerInvariant().Replace("-", "", StringComparison.Ordinal).Replace(" ", "", StringComparison.Ordinal), "$1");

    [GeneratedRegex(@"^z=?(\d{1,3})$")]
    private static partial Regex Teeth();

    [GeneratedRegex(@"\b(\d{1,3})[ -]?(?:flutes?|fl|teeth|tooth|z|zaehne|schneiden|schneider|schneidig)\b")]
    private static partial Regex Counted();

    [GeneratedRegex(@"\bz ?=? ?(\d{1,3})\b")]
    private static partial Regex TeethApart();

    [GeneratedRegex(@"^r(\d*([.,/]?\d+)(mm|in|"")?)$")]
    private static partial Regex Corner();

    [GeneratedRegex(@"\b(?:radius|r) ?=? ?(?=[\d.,])(\d*[.,]?\d+)")]
    private static partial Regex CornerApart();

    [GeneratedRegex(@"^m(\d+([.,]\d+)?)(?:[x]((?:\d*[.,])?\d+))?$")]
    private static partial Regex Thread();

    [GeneratedRegex(@"\b(m\d+(?:[.,]\d+)?) ?x ?(\d+(?:[.,]\d+)?)")]
    private static partial Regex ThreadApart();

    [GeneratedRegex(@"(?<=[a-z]{2})-(?=[a-z]{2})")]
    private static partial Regex Hyphened();

    [GeneratedRegex(@"(\d+)[ -](\d+/\d+)")]
    private static partial Regex Mixed();

    [GeneratedRegex(@"(?:ø|\b(?:dia|diameter|durchmesser)\b\.?) ?=? ?(?=[\d.])")]
    private static partial Regex Marked();

    [GeneratedRegex(@"(\d) +(mm|in|inch|zoll|cm|"")(?![a-z])")]
    private static partial Regex Unit();

    [GeneratedRegex(
        @"(?<![\d/.,a-z-])((?:\d*[.,])?\d+(?:/\d+)?(?:mm|in|"")?) ?(-|\.\.\.?|to|bis) ?((?:\d*[.,])?\d+(?:/\d+)?(?:mm|in|"")?)(?![\d/-])")]
    private static partial Regex Between();

    [GeneratedRegex(@"([<>]=?) +(?=[\d.])()")]
    private static partial Regex Compared();

    [GeneratedRegex(@"^ø?(.+?)\.\.(.+)$")]
    private static partial Regex Range();

    [GeneratedRegex(@"(mm|in|"")$")]
    private static partial Regex Trailing();

    [GeneratedRegex(@"^([<>]=?)ø?(.+)$")]
    private static partial Regex Bound();

    [GeneratedRegex(@"\b(\d{1,2}(?:[.,]\d)?) ?x ?d\b")]
    private static partial Regex TimesDiameter();

    [GeneratedRegex(@"^(\d{1,2}(?:[.,]\d)?)xd$")]
    private static partial Regex Depth();

    [GeneratedRegex(@"\b(?:extra |x)?long(?: reach)?\b|\blange? reichweite\b")]
    private static partial Regex Reaching();

    // d12 is a diameter, d0012 and d-12 are numbers.
    [GeneratedRegex(@"^d(0?[.,]|[1-9])")]
    private static partial Regex DiameterMark();

    [GeneratedRegex(@"^([a-z]+)0+(?=\d)")]
    private static partial Regex LeadingZeros();
}

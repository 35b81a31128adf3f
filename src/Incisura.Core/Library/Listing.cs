namespace Incisura.Core.Library;

/// <summary>Something a list can be narrowed by.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Values">The values a thing has; none, one or several.</param>
public sealed record Facet<T>(string Code, Func<T, IEnumerable<string>> Values);

/// <summary>How a kind of thing is searched, narrowed and sorted.</summary>
/// <param name="Number">Number people call it by; lists are sorted by it unless something else is asked for.</param>
/// <param name="Facts">What it is found by.</param>
/// <param name="Facets">What it is narrowed by.</param>
/// <param name="Key">Sort key for a column: a number or a text; null for an unknown column.</param>
public sealed record ListingRules<T>(
    Func<T, string> Number, Func<T, SearchFacts> Facts, IReadOnlyList<Facet<T>> Facets, Func<T, string, IComparable?> Key);

/// <summary>What is asked of a list.</summary>
public sealed record ListQuery
{
    /// <summary>What was typed.</summary>
    public string Text { get; init; } = "";

    /// <summary>Values wanted by facet; one of them is enough.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> Filters { get; init; } = new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>Least size, mm.</summary>
    public double LeastSize { get; init; } = double.NegativeInfinity;

    /// <summary>Largest size, mm.</summary>
    public double LargestSize { get; init; } = double.PositiveInfinity;

    /// <summary>Column to sort by; empty for the number.</summary>
    public string Sort { get; init; } = "";

    /// <summary>Whether the sort runs downwards.</summary>
    public bool Descending { get; init; }

    /// <summary>Rows to leave out at the start.</summary>
    public int Skip { get; init; }

    /// <summary>Most rows wanted.</summary>
    public int Take { get; init; } = 100;
}

/// <summary>How many things have a value, with all other filters kept.</summary>
public sealed record FacetCount(string Value, int Count);

/// <summary>The answer of a list.</summary>
/// <param name="Rows">The rows asked for.</param>
/// <param name="Total">How many fit.</param>
/// <param name="All">How many there are.</param>
/// <param name="Counts">Counts by facet and value.</param>
/// <param name="Mended">Words that were taken for others.</param>
public sealed record ListAnswer<T>(
    IReadOnlyList<T> Rows, int Total, int All, IReadOnlyDictionary<string, IReadOnlyList<FacetCount>> Counts, IReadOnlyList<string> Mended);

/// <summary>
/// A list held in memory for fast search: what each thing is found by is worked out once, values of facets are numbered, and orders are
/// kept, so that a question is one pass.
/// </summary>
public sealed class Listing<T>
    where T : class
{
    private readonly ListingRules<T> rules;
    private readonly IReadOnlyList<T> things;
    private readonly SearchFacts[] facts;
    private readonly string[] numbers;
    private readonly HashSet<string> vocabulary;

    // By facet: its values in the order they were met, the place of each there, and the places of the values of each thing.
    private readonly List<string>[] values;
    private readonly Dictionary<string, int>[] placeOf;
    private readonly int[][][] held;
    private readonly Dictionary<string, int[]> orders = [];
    private readonly Lock gate = new();

    /// <summary>Prepares a list.</summary>
    /// <param name="things">The things.</param>
    /// <param name="rules">How they are searched.</param>
    /// <param name="before">An earlier list; what was worked out for the very same things is taken over.</param>
    public Listing(IReadOnlyList<T> things, ListingRules<T> rules, Listing<T>? before = null)
    {
        (this.rules, this.things) = (rules, things);
        Dictionary<T, int> worked = new(ReferenceEqualityComparer.Instance);
        for (int i = 0; before is not null && i < before.things.Count; i++) worked[before.things[i]] = i;
        facts = new SearchFacts[things.Count];
        numbers = new string[things.Count];
        for (int i = 0; i < things.Count; i++)
            (facts[i], numbers[i]) = worked.TryGetValue(things[i], out int at)
                ? (before!.facts[at], before.numbers[at])
                : (rules.Facts(things[i]), Natural(rules.Number(things[i])));
        vocabulary = SearchText.VocabularyOf(facts);
        values = [.. rules.Facets.Select(_ => new List<string>())];
        placeOf = [.. rules.Facets.Select(_ => new Dictionary<string, int>(StringComparer.Ordinal))];
        held =
            [.. rules.Facets.Select(
                (facet, f) => things.Select(t => facet.Values(t).Distinct(StringComparer.Ordinal).Select(v => PlaceOf(f, v)).ToArray()).ToArray())];

        int PlaceOf(int f, string value)
        {
            if (placeOf[f].TryGetValue(value, out int place)) return place;
            values[f].Add(value);
            return placeOf[f][value] = values[f].Count - 1;
        }
    }

    /// <summary>Answers a question.</summary>
    /// <param name="query">What is asked.</param>
    /// <param name="rank">Things of a higher rank stand before all others; null where the order alone counts.</param>
    public ListAnswer<T> Ask(ListQuery query, Func<T, int>? rank = null)
    {
        SearchText text = SearchText.Read(query.Text, facts, vocabulary);
        int facetCount = rules.Facets.Count;
        HashSet<int>?[] wanted =
            [.. rules.Facets.Select((facet, f) => query.Filters.TryGetValue(facet.Code, out IReadOnlyList<string>? chosen) && chosen.Count > 0
            ? chosen.Select(v => placeOf[f].GetValueOrDefault(v, -1)).ToHashSet()
            : null)];

        int[][] counts = [.. values.Select(v => new int[v.Count])];
        List<int> rows = [];
        int[] order = Order(query.Sort);
        for (int k = 0; k < order.Length; k++)
        {
            int i = order[query.Descending ? order.Length - 1 - k : k];
            int failed = -1, fails = 0;
            for (int f = 0; f < facetCount && fails < 2; f++)
                if (wanted[f] is { } places && !Array.Exists(held[f][i], places.Contains)) (failed, fails) = (f, fails + 1);
            if (fails > 1 || !WithinSize(facts[i], query) || !text.Finds(facts[i])) continue;
            for (int f = 0; f < facetCount; f++)
                if (fails == 0 || failed == f)
                    foreach (int place in held[f][i]) counts[f][place]++;
            if (fails == 0) rows.Add(i);
        }

        IEnumerable<int> sorted = rank is null ? rows : rows.OrderByDescending(i => rank(things[i]));
        return new(
            [.. sorted.Skip(query.Skip).Take(query.Take).Select(i => things[i])],
            rows.Count,
            things.Count,
            Enumerable.Range(0, facetCount).ToDictionary(
                f => rules.Facets[f].Code,
                f =>
                    (IReadOnlyList<FacetCount>)[
                        .. values[f]
                        .Select((v, place) => new FacetCount(v, counts[f][place]))
                        .Where(c => c.Count > 0)
                        .OrderByDescending(c => c.Count)
                        .ThenBy(c => c.Value, StringComparer.Ordinal)]),
            [.. text.Mended.Select(m => $"“{m.Typed}” was taken for “{m.Taken}”")]);
    }

    private static bool WithinSize(SearchFacts facts, ListQuery query)
    {
        if (double.IsNegativeInfinity(query.LeastSize) && double.IsPositiveInfinity(query.LargestSize)) return true;
        foreach (double size in facts.Sizes)
            if (size >= query.LeastSize - 1e-9 && size <= query.LargestSize + 1e-9) return true;
        return false;
    }

    private int[] Order(string column)
    {
        lock (gate)
        {
            if (orders.TryGetValue(column, out int[]? kept)) return kept;
            int[] order = [.. Enumerable.Range(0, things.Count)];
            IComparable?[] keys = column.Length == 0 ? [] : [.. things.Select(t => rules.Key(t, column))];
            Array.Sort(order, (a, b) =>
            {
                int byKey = keys.Length == 0 ? 0 : Comparer<IComparable?>.Default.Compare(keys[a], keys[b]);
                return byKey != 0 ? byKey : string.CompareOrdinal(numbers[a], numbers[b]);
            });
            return orders[column] = order;
        }
    }

    // Runs of digits are padded, so that C-9 stands before C-10.
    private static string Natural(string number) =>
        System.Text.RegularExpressions.Regex.Replace(number.ToUpperInvariant(), @"\d+", m => m.Value.PadLeft(10, '0'));
}

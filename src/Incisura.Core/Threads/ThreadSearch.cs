namespace Incisura.Core.Threads;

/// <summary>Finds a thread by what people type.</summary>
public static class ThreadSearch
{
    private static readonly (ListedThread Listed, string Key, string Words)[] Keys =
    [
        .. ThreadTables.All.Select(l => (
            l, KeyOf(l.Thread.ToString()), $"{FormDescription.Of(l.Thread.Form).Name} {FormDescription.Of(l.Thread.Form).Standard} {l.Series}")),
    ];

    /// <summary>The threads a text may mean, the likeliest first: the one it names, then listed ones that begin with it, then those it is part of.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="most">How many at most.</param>
    public static IReadOnlyList<Thread> Find(string text, int most)
    {
        List<Thread> found = [];
        if (ThreadText.Read(text) is { } named && named.Check().Faults.Count == 0) found.Add(named);
        string key = KeyOf(text);
        if (key.Length == 0) return found;
        string[] words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        foreach (ListedThread l in Keys.Select(k => (k.Listed, Rank: RankOf(k.Key, k.Words, key, words))).Where(k => k.Rank < 4)
            .OrderBy(k => k.Rank).Select(k => k.Listed))
        {
            if (found.Count >= most) break;
            if (!found.Exists(f => ThreadTables.Same(f, l.Thread))) found.Add(l.Thread);
        }

        return found;
    }

    private static int RankOf(string key, string about, string typed, string[] words)
    {
        if (key == typed) return 0;
        if (key.StartsWith(typed, StringComparison.Ordinal)) return 1;
        if (key.Contains(typed, StringComparison.Ordinal)) return 2;
        return words.All(w => key.Contains(KeyOf(w), StringComparison.Ordinal) || about.Contains(w, StringComparison.OrdinalIgnoreCase)) ? 3 : 4;
    }

    // Without what people leave out or write otherwise.
    private static string KeyOf(string text) => string.Concat(
        text.ToUpperInvariant().Replace(',', '.').Replace('×', 'X').Replace('*', 'X').Where(c => !char.IsWhiteSpace(c) && c is not ('-' or '"')));
}

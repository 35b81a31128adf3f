using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Incisura.Web.Hosting;

namespace Incisura.Web.Editions;

/// <summary>How two editions differ, record by record.</summary>
public static class EditionComparison
{
    /// <summary>A page of the differences between two editions.</summary>
    public static async Task<EditionDifferences> OfAsync(
        IncisuraDb db, EditionSummary from, EditionSummary to, EditionQuery query, CancellationToken cancel)
    {
        bool words = !string.IsNullOrWhiteSpace(query.Q);
        Dictionary<string, LineNow> one = (await EditionReading.LinesAsync(db, from.Number, words, cancel)).ToDictionary(l => l.Record);
        Dictionary<string, LineNow> other = (await EditionReading.LinesAsync(db, to.Number, words, cancel)).ToDictionary(l => l.Record);
        List<(LineNow? From, LineNow? To, EditionChange Change)> all =
        [
            .. one.Keys.Union(other.Keys).Order(StringComparer.Ordinal).Select(record =>
            {
                (LineNow? a, LineNow? b) = (one.GetValueOrDefault(record), other.GetValueOrDefault(record));
                return (a, b, a is null ? EditionChange.Added : b is null ? EditionChange.Removed
                    : a.LeafId == b.LeafId ? EditionChange.Same : EditionChange.Changed);
            }),
        ];
        var found = all.FindAll(d => d.Change != EditionChange.Same && EditionReading.Fits((d.To ?? d.From)!, query.Q));
        var page = found.Skip(query.Skip).Take(query.Take).ToList();
        IReadOnlyDictionary<int, PublishedLeaf> leaves = await EditionReading.LeavesAsync(
            db, [.. page.SelectMany(d => new[] { d.From?.LeafId, d.To?.LeafId }).OfType<int>().Distinct()], cancel);
        return new(
            from, to, all.GroupBy(d => d.Change).ToDictionary(g => Wire.WordOf(g.Key), g => g.Count()), found.Count,
            page.ConvertAll(d => Of(d.From, d.To, d.Change, leaves)));
    }

    private static EditionDifference Of(LineNow? from, LineNow? to, EditionChange change, IReadOnlyDictionary<int, PublishedLeaf> leaves)
    {
        LineNow shown = (to ?? from)!;
        SituationWords words = leaves[shown.LeafId].Words;
        if (from is null || to is null) return new(shown.Record, from?.Revision ?? 0, to?.Revision ?? 0, change, words, [], [], [], []);
        (PublishedRecord a, PublishedRecord b) = (leaves[from.LeafId].Record, leaves[to.LeafId].Record);
        return new(
            shown.Record, from.Revision, to.Revision, change, words, Staleness.Changes(Values(a), Values(b)),
            Staleness.LimitChanges(a.Limits(), b.Limits()), Staleness.FindingChanges(a.Findings(), b.Findings()), [.. Others(a, b)]);
    }

    // What was set and what is shown of what came out; the rest follows from them.
    private static IReadOnlyList<Figure> Values(PublishedRecord p) =>
        [.. p.Settings.Select(s => s.AsFigure()).Concat(p.Figures().Where(f => f.Rank != FigureRank.Behind)).DistinctBy(f => f.Code)];

    private static IEnumerable<string> Others(PublishedRecord a, PublishedRecord b)
    {
        foreach (PublishedOption option in b.Options)
            if (a.Options.FirstOrDefault(o => o.Code == option.Code) is { } was && was.Picked != option.Picked)
                yield return $"{option.Name}: {was.Words} before, {option.Words} now";
        if (a.Note != b.Note) yield return b.Note.Length == 0 ? "The note is gone." : $"The note is now: {b.Note}";
        if (a.Until != b.Until) yield return b.Until is null ? "It holds without an end." : $"It holds until {b.Until}.";
        if (a.Pieces != b.Pieces) yield return b.Pieces is null ? "It holds for any number of pieces." : $"It holds for {b.Pieces} pieces.";
        if (!a.Accepted.SequenceEqual(b.Accepted)) yield return "Cautions were accepted otherwise.";
        if (a.Evidence != b.Evidence) yield return "It rests on other evidence.";
        if (a.Assembly.LengthRegister != b.Assembly.LengthRegister || a.Assembly.DiameterRegister != b.Assembly.DiameterRegister)
            yield return $"Registers: {Registers(a.Assembly)} before, {Registers(b.Assembly)} now";
        if (!a.Assembly.Places.SequenceEqual(b.Assembly.Places) || a.Assembly.StockPlace != b.Assembly.StockPlace)
            yield return $"The assembly is elsewhere: {Places(b.Assembly)}.";
        if (!a.Cutter.Dimensions.OrderBy(d => d.Key).SequenceEqual(b.Cutter.Dimensions.OrderBy(d => d.Key)) || a.Cutter.Number != b.Cutter.Number)
            yield return "The cutter has other dimensions.";
        if (a.ApprovedBy != b.ApprovedBy) yield return $"Approved by {b.ApprovedBy}, {a.ApprovedBy} before.";
    }

    private static string Registers(PublishedAssembly a) => $"length {a.LengthRegister ?? 0}, diameter {a.DiameterRegister ?? 0}";

    private static string Places(PublishedAssembly a) =>
        string.Join(", ", a.Places.Select(p => p.ToString()).Append(a.StockPlace).Where(t => t.Length > 0)) is { Length: > 0 } places
            ? places
            : "in no place";
}

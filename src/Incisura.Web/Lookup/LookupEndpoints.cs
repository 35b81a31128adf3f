using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Materials;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Incisura.Web.Editions;
using Incisura.Web.Hosting;
using Incisura.Web.Records;

namespace Incisura.Web.Lookup;

/// <summary>The newest edition, as far as it answers a question. Nothing that was not published is in it.</summary>
/// <param name="Edition">Number of the edition; 0 where none was published yet.</param>
/// <param name="PublishedAt">When.</param>
/// <param name="Entries">Approved figures, by shop number.</param>
public sealed record LookupAnswer(int Edition, DateTimeOffset? PublishedAt, IReadOnlyList<LookupEntry> Entries);

/// <summary>Approved figures for one situation, as an operator needs them.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Situation">What they are for.</param>
/// <param name="Group">ISO 513 group of the material.</param>
/// <param name="LengthRegister">Length offset register; 0 for none.</param>
/// <param name="DiameterRegister">Diameter offset register; 0 for none.</param>
/// <param name="StockPlace">Where the assembly is kept.</param>
/// <param name="Figures">The figures.</param>
/// <param name="Way">What the tool does along its axis; empty where it does not move along it alone.</param>
/// <param name="Directions">Which way spindle and tool go, where that is a matter of the thread; null otherwise.</param>
/// <param name="Warning">The one warning that matters, or null.</param>
/// <param name="Since">What became of it since it was published.</param>
/// <param name="Note">The proposer's note.</param>
/// <param name="ApprovedBy">Who approved it.</param>
/// <param name="Terms">Accepted cautions, evidence, and how far the approval reaches.</param>
/// <param name="Cautions">Its cautions, each with why it may stand.</param>
public sealed record LookupEntry(
    string Record,
    int Revision,
    SituationWords Situation,
    MaterialGroup Group,
    int LengthRegister,
    int DiameterRegister,
    string StockPlace,
    IReadOnlyList<Figure> Figures,
    IReadOnlyList<WayPart> Way,
    Sentence? Directions,
    Sentence? Warning,
    SinceThen Since,
    string Note,
    string ApprovedBy,
    Terms Terms,
    IReadOnlyList<CautionView> Cautions);

/// <summary>The reader's fast page.</summary>
public static class LookupEndpoints
{
    private const int Most = 60;

    // What was chosen and has to be set at the machine, beside the figures.
    private static readonly HashSet<string> Shown =
    [
        "feedPerTooth", "cuttingSpeed", "holeBefore", "depthOfHoleBefore", "crestDiameter", "infeeds", "springPasses", "runIn", "runOut",
        "shimInclination", "passesToHeight",
    ];

    public static void MapLookup(this IEndpointRouteBuilder api) => api.MapGet(
        "/lookup", async (
            string? q, HttpContext context, IncisuraDb db, Shelf shelf, LookupIndex index, TimeProvider clock, CancellationToken cancel) =>
    {
        (int edition, DateTimeOffset publishedAt, IReadOnlyList<Findable> records) = await index.NewestAsync(db, cancel);
        if (edition == 0) return new LookupAnswer(0, null, []);
        string[] words = (q ?? "").ToLowerInvariant().Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        List<Findable> found = [.. records.Where(r => words.All(w => r.Text.Contains(w, StringComparison.Ordinal))).Take(Most)];
        ShelfView view = await shelf.ViewAsync(db);
        if (found.Count == 0 && q is not null) await Misses.NoteAsync(q, context.User.Actor(), db, view, clock.GetUtcNow());
        IReadOnlyDictionary<string, SinceThen> since =
            await Publication.SinceAsync(found.ConvertAll(f => new Entry(f.Record, f.Revision)), db, view, clock.Today());
        IReadOnlyDictionary<int, PublishedLeaf> leaves = await EditionReading.LeavesAsync(db, found.ConvertAll(f => f.LeafId), cancel);
        return new LookupAnswer(edition, publishedAt, found.ConvertAll(f => EntryOf(leaves[f.LeafId], since[f.Record])));
    }).WithTags("lookup");

    private static LookupEntry EntryOf(PublishedLeaf leaf, SinceThen since)
    {
        PublishedRecord p = leaf.Record;
        IReadOnlyList<Finding> findings = p.Findings();
        return new(
            p.Record,
            p.Revision,
            leaf.Words,
            leaf.Words.Group,
            p.Assembly.LengthRegister ?? 0,
            p.Assembly.DiameterRegister ?? 0,
            p.Assembly.StockPlace,
            [.. p.Figures(), .. p.Settings.Where(s => s.Value > 0 && Shown.Contains(s.Code)).Select(s => s.AsFigure())],
            p.Stages.All(s => s.Length == 0 || s.From is not null) ? p.Stages() : [],
            findings.FirstOrDefault(f => f.Code == "directions")?.Text,
            since.Warning ?? findings.FirstOrDefault(f => f.Severity >= Severity.Caution)?.Text,
            since,
            p.Note,
            p.ApprovedBy,
            p.Terms(),
            RecordViews.CautionsOf(findings, p.Terms()));
    }
}

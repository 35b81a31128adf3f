using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Core.Materials;
using Incisura.Core.Records;
using Incisura.Web.Editions;
using Incisura.Web.Hosting;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;

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
        "/lookup", async (string? q, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
    {
        EditionRow? edition = await db.Editions.AsNoTracking().OrderByDescending(e => e.Number).FirstOrDefaultAsync();
        if (edition is null) return new LookupAnswer(0, null, []);
        IQueryable<EditionEntryRow> entries = db.EditionEntries.AsNoTracking().Where(e => e.EditionNumber == edition.Number);
        foreach ((string pattern, string word) in Wire.Patterns(q).Select(p => (p, p.Trim('%'))))
        {
            List<string> operations =
            [
                .. Operations.All.Select(o => o.Description).Where(o => o.Name.Contains(word, StringComparison.OrdinalIgnoreCase))
                .Select(o => o.Code),
            ];
            entries = entries.Where(
                e =>
                    operations.Contains(e.Operation) || EF.Functions.Like(e.Assembly, pattern, "\\") || EF.Functions.Like(e.Material, pattern, "\\")
                        || EF.Functions.Like(e.Machine, pattern, "\\") || EF.Functions.Like(e.RecordNumber, pattern, "\\"));
        }

        List<EditionEntryRow> found = await entries.OrderBy(e => e.Assembly).ThenBy(e => e.Material).Take(Most).ToListAsync();
        ShelfView view = await shelf.ViewAsync(db);
        if (found.Count == 0 && q is not null) await Misses.NoteAsync(q, context.User.Actor(), db, view, clock.GetUtcNow());
        IReadOnlyDictionary<string, SinceThen> since = await Publication.SinceAsync(found, db, view, clock.Today());
        return new LookupAnswer(edition.Number, edition.PublishedAt, found.ConvertAll(e => EntryOf(e, since[e.RecordNumber])));
    }).WithTags("lookup");

    private static LookupEntry EntryOf(EditionEntryRow e, SinceThen since)
    {
        Situation situation = DefinitionFormat.Read<Situation>(e.Situation);
        CalculationResult result = DefinitionFormat.Read<CalculationResult>(e.Result);
        Sentence? warning = since.Warning ?? result.Findings.FirstOrDefault(f => f.Severity >= Severity.Caution)?.Text;
        List<Figure> figures = [.. result.Figures];
        figures.AddRange(
            result.Fields.Where(f => f.Used && f.Value > 0 && Shown.Contains(f.Code))
                .Select(f => FieldAsFigure(result.Operation, f)));
        return new(
            e.RecordNumber,
            e.Revision,
            SituationWords.Of(e.Operation, situation, result),
            situation.Material.Value.Group,
            situation.Assembly.Value.LengthRegister,
            situation.Assembly.Value.DiameterRegister,
            situation.Assembly.Value.StockPlace,
            figures,
            situation.Cutter.Value.Described.Use == CutterUse.Holes ? result.Attached<ToolWay>()?.Parts ?? [] : [],
            result.Findings.FirstOrDefault(f => f.Code == "directions")?.Text,
            warning,
            since,
            e.Note,
            e.ApprovedBy,
            EditionEndpoints.TermsOf(e),
            RecordViews.CautionsOf(result, EditionEndpoints.TermsOf(e)));
    }

    private static Figure FieldAsFigure(string operation, FieldState state)
    {
        FieldDescription field = Operations.Find(operation)!.Description.Fields.Single(f => f.Code == state.Code);
        return new(field.Code, field.Symbol, field.Name, field.Quantity, state.Value);
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>Rows of records as their readers see them.</summary>
public static class RecordViews
{
    /// <summary>How a revision stands today.</summary>
    public static Standing StandingOf(string operation, Situation then, Choices choices, CalculationResult result, ShelfView view) =>
        Operations.Find(operation) is { } known && view.SituationOf(then.Material.Id, then.Assembly.Id, then.Machine.Id) is { } now
            ? Staleness.Of(known, then, choices, result, now, view.WithThreads(choices))
            : Standing.Firm with { Refused = "Its operation, its material, its assembly or its machine is no longer there." };

    /// <summary>What made a revision stale, in words; empty where it holds.</summary>
    public static IReadOnlyList<string> StaleBy(Standing standing) =>
        standing.Stale ? standing.Movers : [];

    /// <summary>What stood against the figures and was overruled, and cautions among findings, each with why it may stand.</summary>
    public static IReadOnlyList<CautionView> CautionsOf(IReadOnlyList<Finding> findings, Terms terms) =>
    [
        .. Usable.Overruled(terms).Select(a => new CautionView(a.Text, new(a.Code, Severity.Caution, new(a.Text), ""), a)),
        .. findings.Where(f => f.Severity == Severity.Caution).Select(f => new CautionView(f.Text.ToString(), f, terms.Of(f))),
    ];

    /// <summary>A revision in a list, from what was drawn out of it.</summary>
    public static RecordSummary SummaryOf(RecordRow record, RecordRevisionRow row, DateOnly today)
    {
        Standing standing = row.Standing.Length == 0 ? Standing.Firm : DefinitionFormat.Read<Standing>(row.Standing);
        return new(
            record.Number,
            row.Number,
            row.State,
            row.SentBack,
            row.Version,
            DefinitionFormat.Read<SituationWords>(row.Words),
            row.ProposedBy,
            row.ChangedAt,
            StaleBy(standing),
            row.Stands == Stands.Broken,
            standing.FirstBreak,
            standing.Refused,
            standing.Foremost,
            row.Moved,
            row.WorstLimit,
            row.WorstUse,
            row.Note,
            row.EndsOn,
            row.State == RecordState.Approved && row.EndsOn < today);
    }

    /// <summary>A record with all its revisions, and what whoever asks may do to each.</summary>
    public static async Task<RecordView> ViewOfAsync(RecordRow record, ShelfView view, IncisuraDb db, HttpContext context)
    {
        Dictionary<string, Leftover?> parents = [];
        foreach (RecordRevisionRow row in record.Revisions)
            if (DefinitionFormat.Read<Choices>(row.Choices).Leftover is { } taken && !parents.ContainsKey(taken.Record))
                parents[taken.Record] = await Calculate.LeftoverEndpoints.NowAsync(taken.Record, record.MaterialId, db);
        Reading reading = new(
            record, view, db, context.User.Actor(), context.RequestServices.GetRequiredService<TimeProvider>().Today(), parents,
            await RecordParts.SituationsAsync(db, record.Revisions),
            await db.Comments.AsNoTracking().Where(c => c.RecordId == record.Id).OrderBy(c => c.Id).ToListAsync());
        List<RecordRevisionView> revisions = [];
        foreach (RecordRevisionRow row in record.Revisions.OrderByDescending(r => r.Number)) revisions.Add(await RevisionViewOfAsync(row, reading));
        return new(
            record.Number, record.Operation, record.MaterialId, record.AssemblyId, record.MachineId, revisions, record.InForce()?.Number ?? 0,
            RecordEndpoints.OpenRefusal(record)?.Message ?? "");
    }

    private static async Task<RecordRevisionView> RevisionViewOfAsync(RecordRevisionRow row, Reading of)
    {
        Choices choices = DefinitionFormat.Read<Choices>(row.Choices);
        CalculationResult result = RecordParts.WholeResultOf(row);
        Situation then = of.Situations[row.Id];
        CalculationResult? sentBack = row.ResultSentBack.Length == 0 ? null : DefinitionFormat.Read<CalculationResult>(row.ResultSentBack);
        RecordRevisionRow? before = of.Record.Revisions.Where(r => r.Number < row.Number && r.State == RecordState.Approved).MaxBy(r => r.Number);
        CalculationResult? approved = before is null ? null : RecordParts.ResultOf(before);
        RevisionFacts facts = await RecordRules.FactsAsync(of.Record, row, then, of.View, of.Db, of.Today);
        bool newest = row == of.Record.Newest();
        return new(
            row.Number,
            row.State,
            row.SentBack,
            row.Version,
            SituationWords.Of(of.Record.Operation, then, result),
            choices.Numbers,
            choices.Options,
            choices.Leftover is { } taken ? taken.Against(of.Parents.GetValueOrDefault(taken.Record)) : null,
            choices.Method,
            choices.Extras,
            result,
            then,
            row.Note,
            row.ProposedBy,
            [.. row.Events.OrderBy(e => e.Id).Select(e => new RecordEventView(e.At, e.By, e.InPlaceOf, e.Act, e.Reason))],
            approved is null ? [] : Staleness.Changes(approved.Figures, result.Figures),
            approved is null ? [] : Staleness.LimitChanges(approved.Limits, result.Limits),
            approved is null ? [] : Staleness.FindingChanges(approved.Findings, result.Findings),
            before?.Number ?? 0,
            sentBack is null ? null : Staleness.Changes(sentBack.Figures, result.Figures),
            sentBack is null || Operations.Find(of.Record.Operation) is not { } known
                ? []
                : Staleness.ChoiceChanges(known.Description, sentBack, result),
            before is not null && before.Note != row.Note ? before.Note : null,
            facts.Standing,
            facts.Kept,
            facts.Terms,
            facts.Ended,
            row.Made,
            CautionsOf(result.Findings, facts.Terms),

            // What is neither worked on nor in force is looked at only.
            newest || row.IsInForce ? RecordLife.Verdicts(facts, of.Actor) : [],
            newest && before is not null ? await RecordRules.ChangedUnderAsync(before, of.Situations[before.Id], row, then, of.Db) : [],
            [.. of.Comments.Where(c => c.Revision == row.Number).Select(c => new CommentView(c.Figure, c.At, c.By, c.Text))]);
    }

    // A record, and all that is looked at beside it.
    private sealed record Reading(
        RecordRow Record, ShelfView View, IncisuraDb Db, Actor Actor, DateOnly Today, IReadOnlyDictionary<string, Leftover?> Parents,
        IReadOnlyDictionary<int, Situation> Situations, IReadOnlyList<CommentRow> Comments);
}

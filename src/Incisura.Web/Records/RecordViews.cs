using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Records;

namespace Incisura.Web.Records;

/// <summary>Rows of records as their readers see them.</summary>
public static class RecordViews
{
    /// <summary>The revision that counts: the newest one that was ever approved, unless it was withdrawn.</summary>
    public static RecordRevisionRow? InForce(RecordRow record) =>
        RecordLife.InForce(record.Revisions.Select(r => (r.Number, r.State))) is var number and > 0
            ? record.Revisions.First(r => r.Number == number)
            : null;

    /// <summary>The revision people work on: the newest one that was not discarded.</summary>
    public static RecordRevisionRow Newest(RecordRow record) =>
        record.Revisions.Where(r => r.State != RecordState.Discarded).MaxBy(r => r.Number) ?? record.Revisions.MaxBy(r => r.Number)!;

    /// <summary>How a revision stands today; firm where its situation is no longer there, or nothing moved.</summary>
    public static Standing StandingOf(string operation, string situation, string choices, string result, ShelfView view)
    {
        Situation then = DefinitionFormat.Read<Situation>(situation);
        return StandingOf(operation, then, DefinitionFormat.Read<Choices>(choices), DefinitionFormat.Read<CalculationResult>(result), view);
    }

    private static Standing StandingOf(string operation, Situation then, Choices choices, CalculationResult result, ShelfView view) =>
        Operations.Find(operation) is { } known && view.SituationOf(then.Material.Id, then.Assembly.Id, then.Machine.Id) is { } now
            ? Staleness.Of(known, then, choices, result, now, view.WithThreads(choices))
            : Standing.Firm;

    /// <summary>What made a revision stale, in words; empty where it holds.</summary>
    public static IReadOnlyList<string> StaleBy(Standing standing) =>
        standing.Stale
            ? [.. standing.Moved.Select(m => m.Footing.Kind == Staleness.Engine ? "the calculation itself" : $"{m.Footing.Kind} {m.Footing.Name}")]
            : [];

    /// <summary>A situation in words, with the thread that is cut.</summary>
    public static SituationWords WordsOf(string operation, Situation s, CalculationResult result) => new(
        operation,
        (Operations.Find(operation)?.Description.Name ?? operation) + (result.Attached<CutThread>() is { } thread ? $" {thread.Text}" : ""),
        s.Material.Id,
        s.Material.Value.Name,
        s.Material.Value.Condition,
        s.Material.Value.Hardness,
        s.Material.Value.Group,
        s.Assembly.Id,
        s.Assembly.Value.Number,
        s.Cutter.Value.CalledSize,
        s.Cutter.Value.Teeth,
        s.Cutter.Value.Described.Use == CutterUse.Turning,
        s.Assembly.Value.Projection,
        s.Holder.Value.Kind,
        s.Machine.Id,
        s.Machine.Value.Name);

    public static RecordSummary SummaryOf(RecordRow record, RecordRevisionRow revision, ShelfView view)
    {
        Situation then = DefinitionFormat.Read<Situation>(revision.Situation);
        CalculationResult result = DefinitionFormat.Read<CalculationResult>(revision.Result);
        Standing standing = revision.State is RecordState.Withdrawn or RecordState.Discarded
            ? Standing.Firm
            : StandingOf(record.Operation, then, DefinitionFormat.Read<Choices>(revision.Choices), result, view);
        return new(
            record.Number,
            revision.Number,
            revision.State,
            WordsOf(record.Operation, then, result),
            revision.ProposedBy,
            revision.Events.Max(e => e.At),
            StaleBy(standing),
            standing.Refused.Length > 0 || standing.Breaks.Count > 0,
            InForce(record) is not null,
            revision.Note);
    }

    public static async Task<RecordView> ViewOfAsync(RecordRow record, ShelfView view, IncisuraDb db)
    {
        Dictionary<string, Leftover?> parents = [];
        foreach (RecordRevisionRow row in record.Revisions)
            if (DefinitionFormat.Read<Choices>(row.Choices).Leftover is { } taken && !parents.ContainsKey(taken.Record))
                parents[taken.Record] = await Calculate.LeftoverEndpoints.NowAsync(taken.Record, record.MaterialId, db);
        return ViewOf(record, view, parents);
    }

    private static RecordView ViewOf(RecordRow record, ShelfView view, Dictionary<string, Leftover?> parents) => new(
        record.Number,
        record.Operation,
        record.MaterialId,
        record.AssemblyId,
        record.MachineId,
        [.. record.Revisions.OrderByDescending(r => r.Number).Select(r => RevisionViewOf(record, r, view, parents))]);

    private static RecordRevisionView RevisionViewOf(RecordRow record, RecordRevisionRow row, ShelfView view, Dictionary<string, Leftover?> parents)
    {
        Situation then = DefinitionFormat.Read<Situation>(row.Situation);
        Choices choices = DefinitionFormat.Read<Choices>(row.Choices);
        CalculationResult result = DefinitionFormat.Read<CalculationResult>(row.Result);
        RecordRevisionRow? before = record.Revisions.Where(r => r.Number < row.Number && r.State == RecordState.Approved).MaxBy(r => r.Number);
        CalculationResult? approved = before is null ? null : DefinitionFormat.Read<CalculationResult>(before.Result);
        Standing standing = row.State == RecordState.Discarded ? Standing.Firm : StandingOf(record.Operation, then, choices, result, view);
        return new(
            row.Number,
            row.State,
            row.Version,
            WordsOf(record.Operation, then, result),
            choices.Numbers,
            choices.Options,
            choices.Leftover is { } taken ? taken.Against(parents.GetValueOrDefault(taken.Record)) : null,
            choices.Method,
            choices.Extras,
            result,
            then,
            row.Note,
            row.ProposedBy,
            [.. row.Events.OrderBy(e => e.Id).Select(e => new RecordEventView(e.At, e.By, e.Act, e.Reason))],
            approved is null ? [] : Staleness.Changes(approved.Figures, result.Figures),
            approved is null ? [] : Staleness.LimitChanges(approved.Limits, result.Limits),
            approved is null ? [] : Staleness.FindingChanges(approved.Findings, result.Findings),
            before?.Number ?? 0,
            before is not null && before.Note != row.Note ? before.Note : null,
            standing);
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Records;

namespace Incisura.Web.Records;

/// <summary>Rows of records as their readers see them.</summary>
public static class RecordViews
{
    /// <summary>The revision that counts: the newest one that was ever approved, unless it was withdrawn.</summary>
    public static RecordRevisionRow? InForce(RecordRow record) =>
        record.Revisions.Where(r => r.State is RecordState.Approved or RecordState.Withdrawn).MaxBy(r => r.Number) is { State: RecordState.Approved } approved ? approved : null;

    public static SituationWords WordsOf(string operation, Situation s) => new(
        operation,
        Operations.Find(operation)?.Description.Name ?? operation,
        s.Material.Id,
        s.Material.Value.Name,
        s.Material.Value.Condition,
        s.Material.Value.Hardness,
        s.Material.Value.Group,
        s.Assembly.Id,
        s.Assembly.Value.Number,
        s.Cutter.Value.CuttingDiameter,
        s.Cutter.Value.Teeth,
        s.Assembly.Value.Projection,
        s.Holder.Value.Kind,
        s.Machine.Id,
        s.Machine.Value.Name);

    public static RecordSummary SummaryOf(RecordRow record, RecordRevisionRow revision, ShelfView view)
    {
        Situation then = DefinitionFormat.Read<Situation>(revision.Situation);
        return new(
            record.Number,
            revision.Number,
            revision.State,
            WordsOf(record.Operation, then),
            revision.ProposedBy,
            revision.Events.Max(e => e.At),
            revision.State == RecordState.Withdrawn ? [] : [.. MovedSince(record, then, view).Select(m => $"{m.Footing.Kind} {m.Footing.Name}")],
            InForce(record) is not null,
            revision.Note);
    }

    public static async Task<RecordView> ViewOfAsync(RecordRow record, ShelfView view, IncisuraDb db)
    {
        Dictionary<string, Leftover?> parents = [];
        foreach (RecordRevisionRow row in record.Revisions)
            if (DefinitionFormat.Read<Choices>(row.Choices).Leftover is { } taken && !parents.ContainsKey(taken.Record)) parents[taken.Record] = await Calculate.LeftoverEndpoints.NowAsync(taken.Record, db);
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
        IReadOnlyList<MovedFooting> moved = MovedSince(record, then, view);
        return new(
            row.Number,
            row.State,
            row.Version,
            WordsOf(record.Operation, then),
            choices.Numbers,
            choices.Options,
            choices.Leftover is { } taken ? taken.Against(parents.GetValueOrDefault(taken.Record)) : null,
            choices.Method,
            choices.CrossHoles,
            choices.Edits,
            choices.DepthBefore,
            result,
            then,
            row.Note,
            row.ProposedBy,
            [.. row.Events.OrderBy(e => e.Id).Select(e => new RecordEventView(e.At, e.By, e.Act, e.Reason))],
            before is null ? [] : Staleness.Changes(DefinitionFormat.Read<CalculationResult>(before.Result).Figures, result.Figures),
            before?.Number ?? 0,
            moved,
            moved.Count == 0 ? [] : Today(record, choices, result, view));
    }

    private static IReadOnlyList<MovedFooting> MovedSince(RecordRow record, Situation then, ShelfView view) =>
        view.SituationOf(record.MaterialId, record.AssemblyId, record.MachineId) is { } now
            ? Staleness.Moved(Staleness.FootingsOf(then), Staleness.FootingsOf(now))
            : [];

    private static IReadOnlyList<FigureChange> Today(RecordRow record, Choices choices, CalculationResult then, ShelfView view)
    {
        try
        {
            Situation now = view.SituationOf(record.MaterialId, record.AssemblyId, record.MachineId)!;
            return Staleness.Changes(then.Figures, Operations.Find(record.Operation)!.Calculate(now, choices, explain: false).Figures);
        }
        catch (InputException)
        {
            // What was chosen can no longer be calculated; the moved footings tell why.
            return [];
        }
    }
}

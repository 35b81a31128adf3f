using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>What the rules of a record's life have to know, gathered from the database and from who calls.</summary>
public static class RecordRules
{
    /// <summary>The facts about a revision.</summary>
    /// <param name="record">The record, with all its revisions.</param>
    /// <param name="row">The revision.</param>
    /// <param name="result">What came out of it.</param>
    /// <param name="db">The database.</param>
    /// <param name="today">The day.</param>
    public static async Task<RevisionFacts> FactsAsync(
        RecordRow record, RecordRevisionRow row, CalculationResult result, IncisuraDb db, DateOnly today) =>
        new(row.State, ContributorsOf(record, row, result))
        {
            Findings = result.Findings,
            Terms = row.ReadTerms(),
            Today = today,
            Ended = row.State == RecordState.Approved && row.EndsOn < today,
            UnapprovedThread = await UnapprovedThreadAsync(row, db),
        };

    // Who wrote or submitted it, and who wrote the same figures before: a copy does not make them somebody else's.
    private static List<string> ContributorsOf(RecordRow record, RecordRevisionRow revision, CalculationResult result) =>
    [
        .. record.Revisions
            .Where(r => r == revision || Staleness.Changes(RecordParts.ResultOf(r).Figures, result.Figures).Count == 0)
            .SelectMany(r => r.Events).Where(e => e.Act is RecordAct.Edit or RecordAct.Submit).Select(e => e.By).Distinct(),
    ];

    // What a shop made itself is approved before anything that rests on it.
    private static async Task<string> UnapprovedThreadAsync(RecordRevisionRow revision, IncisuraDb db)
    {
        if (DefinitionFormat.Read<Choices>(revision.Choices).Extras.OfType<ThreadToCut>().FirstOrDefault()?.Own is not { } own) return "";
        return await db.ThreadApprovals.AsNoTracking().AnyAsync(a => a.ThreadId == own.Id && a.Revision == own.Number)
            ? ""
            : $"{own.Value.Name} is the shop's own thread, and its revision {own.Number} has not been approved. "
                + "Approve it on its page in Shop first.";
    }

    /// <summary>Who revised what it rests on since the revision that was approved before.</summary>
    public static async Task<IReadOnlyList<ChangedUnder>> ChangedUnderAsync(
        RecordRevisionRow before, Situation then, RecordRevisionRow row, Situation now, IncisuraDb db)
    {
        IReadOnlyList<MovedFooting> moved = Staleness.Moved(FootingsOf(then, before), FootingsOf(now, row));
        List<ChangedUnder> changed = [];
        foreach (MovedFooting m in moved)
        {
            List<string> by = await db.History.AsNoTracking()
                .Where(r => r.Kind == m.Footing.Kind && r.ObjectId == m.Footing.Id && r.Number > m.Footing.Revision && r.Number <= m.Now)
                .Select(r => r.By).Distinct().ToListAsync();
            changed.Add(new(m.Footing.Kind, m.Footing.Id, m.Footing.Name, m.Footing.Revision, m.Now, by));
        }

        return changed;

        static IReadOnlyList<Footing> FootingsOf(Situation s, RecordRevisionRow r) =>
            Staleness.FootingsOf(s, DefinitionFormat.Read<Choices>(r.Choices), RecordParts.ResultOf(r).EngineVersion);
    }

    /// <summary>Takes over what an act says about the terms of a revision.</summary>
    public static void Take(this RecordRevisionRow row, ActRequest request, Actor by, DateOnly today)
    {
        if (request.Accepted is null && request.Terms is null) return;
        CalculationResult result = RecordParts.ResultOf(row);
        Terms terms = row.ReadTerms();
        if (request.Accepted is { } reasons) terms = terms.Accepting(reasons, result.Findings, by.Name);
        if (request.Terms is { } given)
        {
            terms = terms with
            {
                Evidence = given.Evidence with { Source = given.Evidence.Source.Trim() },
                Until = given.Until,
                Pieces = given.Pieces,
            };
            terms.Check(today).ThrowIfAny();
        }

        row.Take(terms);
    }
}

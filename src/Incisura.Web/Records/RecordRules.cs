using System.Collections.Frozen;
using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>What the rules of a record's life have to know, gathered from the database and from who calls.</summary>
public static class RecordRules
{
    /// <summary>The facts about a revision, as things stand, with who had a hand in it.</summary>
    /// <param name="record">The record, with all its revisions.</param>
    /// <param name="row">The revision.</param>
    /// <param name="then">The situation it was made for.</param>
    /// <param name="view">Library and shop as they stand.</param>
    /// <param name="db">The database.</param>
    /// <param name="today">The day.</param>
    public static async Task<RevisionFacts> FactsAsync(
        RecordRow record, RecordRevisionRow row, Situation then, ShelfView view, IncisuraDb db, DateOnly today)
    {
        IReadOnlySet<(int, int)> threads = row.ThreadId > 0 ? await ApprovedThreadsAsync(db) : FrozenSet<(int, int)>.Empty;
        return Facts(record, row, then, view, threads, today) with { Contributors = ContributorsOf(record, row) };
    }

    /// <summary>The shop's own threads that are approved, by identity and revision.</summary>
    public static async Task<IReadOnlySet<(int Thread, int Revision)>> ApprovedThreadsAsync(IncisuraDb db, CancellationToken cancel = default) =>
        (await db.ThreadApprovals.AsNoTracking().ToListAsync(cancel)).Select(a => (a.ThreadId, a.Revision)).ToHashSet();

    /// <summary>The facts about a revision, as things stand; who had a hand in it is left out.</summary>
    /// <param name="record">The record.</param>
    /// <param name="row">The revision.</param>
    /// <param name="then">The situation it was made for.</param>
    /// <param name="view">Library and shop as they stand.</param>
    /// <param name="approvedThreads">The shop's own threads that are approved, by identity and revision.</param>
    /// <param name="today">The day.</param>
    public static RevisionFacts Facts(
        RecordRow record, RecordRevisionRow row, Situation then, ShelfView view, IReadOnlySet<(int, int)> approvedThreads, DateOnly today)
    {
        (Choices choices, CalculationResult result) = (DefinitionFormat.Read<Choices>(row.Choices), RecordParts.ResultOf(row));
        Standing standing = row.State == RecordState.Discarded
            ? Standing.Firm
            : row.With(RecordViews.StandingOf(record.Operation, then, choices, result, view));
        return new(row.State, [], standing)
        {
            Findings = result.Findings,
            Terms = row.ReadTerms(),
            Kept = !standing.Broken && row.KeptFor.Length > 0 && row.KeptFor == view.FootingsOf(record, row.ThreadId),
            Today = today,
            Ended = row.State == RecordState.Approved && row.EndsOn < today,
            UnapprovedThread = choices.Extras.OfType<ThreadToCut>().FirstOrDefault()?.Own is { } own
                && !approvedThreads.Contains((own.Id, own.Number))
                ? $"{own.Value.Name} is the shop's own thread, and its revision {own.Number} has not been approved. "
                    + "Approve it on its page in Shop first."
                : "",
        };
    }

    // Who wrote or submitted a revision since the last approval, and who ever wrote one that sets the same at the machine: neither a copy nor
    // another length of the path makes them somebody else's. Whoever was stood in for had a hand in it too.
    private static List<string> ContributorsOf(RecordRow record, RecordRevisionRow revision)
    {
        CalculationResult result = RecordParts.ResultOf(revision);
        int approved = record.Revisions.Where(r => r.Number < revision.Number && r.Events.Any(e => e.Act == RecordAct.Approve))
            .Select(r => r.Number).DefaultIfEmpty().Max();
        return
        [
            .. record.Revisions
                .Where(r => r.Number <= revision.Number)
                .Where(r => r.Number > approved || Usable.SameAtMachine(RecordParts.ResultOf(r), result))
                .SelectMany(r => r.Events).Where(e => e.Act is RecordAct.Edit or RecordAct.Submit)
                .SelectMany(e => new[] { e.By, e.InPlaceOf }).Where(name => name.Length > 0).Distinct(),
        ];
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

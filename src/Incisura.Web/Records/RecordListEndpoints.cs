using System.Linq.Expressions;
using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>The list of records: filtered, sorted and cut into pages by the database, from what was drawn out of each.</summary>
public static class RecordListEndpoints
{
    private const int Most = 500;

    public static void MapRecordList(this IEndpointRouteBuilder api) => api.MapGet(
        "/records", async (
            [AsParameters] RecordQuery query, HttpContext context, IncisuraDb db, StandingJudge judge, TimeProvider clock,
            CancellationToken cancel) =>
        {
            DateOnly today = clock.Today();
            new InputCheck()
                .Within("take", "The number of records to give", query.Take, 1, Most, Quantity.Count)
                .Within("skip", "The number of records to leave out", query.Skip, 0, int.MaxValue, Quantity.Count)
                .ThrowIfAny();
            RecordState? state = Wire.Optional<RecordState>(query.State, "state");
            Stands? stands = Wire.Optional<Stands>(query.Stands, "stands");
            await judge.SettleAsync(db, cancel);
            IQueryable<RecordRevisionRow> found = Filtered(db.RecordRevisions.AsNoTracking(), query);
            IQueryable<RecordRevisionRow> waiting = found.Where(WaitsFor(context.User.Actor(), db));
            IQueryable<RecordRevisionRow> from = query.Waits ? waiting : found;
            IQueryable<RecordRevisionRow> all = (state, stands) switch
            {
                _ when Wire.Optional<CountedAs>(query.Counts, "counts") is { } counted => Counted(from, counted, today),
                (null, null) when query.Waits => waiting,

                // One that is in force is stale whatever is open beside it.
                ({ } of, { } one) => from.Where(RecordRevisionRow.Open).Where(v => v.State == of).Where(Standing(one, today)),
                (null, { } one) => from.Where(RecordRevisionRow.Open).Where(Standing(one, today)),
                ({ } of, null) => from.Where(v => v.IsNewest && v.State == of),
                _ => from.Where(v => v.IsNewest && v.State != RecordState.Discarded),
            };

            // One walk through the index counts everything.
            var states = await found.GroupBy(v => v.State)
                .Select(g => new
                {
                    g.Key,
                    Newest = g.Count(v => v.IsNewest),
                    Stale = g.Count(v => (v.IsInForce || v.IsNewest)
                        && (v.Stands == Stands.Stale || v.Stands == Stands.Broken || (v.IsInForce && v.EndsOn < today))),
                })
                .ToListAsync(cancel);
            Dictionary<string, int> counts = states.Where(g => g.Newest > 0).ToDictionary(g => Wire.WordOf(g.Key), g => g.Newest);
            int stale = states.Where(g => g.Key is not (RecordState.Withdrawn or RecordState.Discarded)).Sum(g => g.Stale);
            RecordOrder order = Wire.Optional<RecordOrder>(query.Order, "order") ?? RecordOrder.Changed;
            List<int> ids = await Sorted(all, order).Skip(query.Skip).Take(query.Take).Select(v => v.Id).ToListAsync(cancel);
            Dictionary<int, RecordRevisionRow> page = await db.RecordRevisions.AsNoTracking().Where(v => ids.Contains(v.Id))
                .Select(v => new RecordRevisionRow
                {
                    Id = v.Id,
                    Number = v.Number,
                    State = v.State,
                    SentBack = v.SentBack,
                    Version = v.Version,
                    Words = v.Words,
                    ProposedBy = v.ProposedBy,
                    ChangedAt = v.ChangedAt,
                    Stands = v.Stands,
                    Standing = v.Standing,
                    Moved = v.Moved,
                    WorstLimit = v.WorstLimit,
                    WorstUse = v.WorstUse,
                    Note = v.Note,
                    EndsOn = v.EndsOn,
                    Record = v.Record,
                })
                .ToDictionaryAsync(v => v.Id, cancel);
            return new RecordListing(
                await all.CountAsync(cancel), counts, stale, await waiting.CountAsync(cancel), judge.Waiting,
                ids.ConvertAll(id => RecordViews.SummaryOf(page[id].Record!, page[id], today)));
        }).WithTags("records").RequireAuthorization(Access.Engineers);

    /// <summary>How many records wait for whoever asks, for the mark in the bar.</summary>
    public static void MapWaiting(this IEndpointRouteBuilder api) => api.MapGet(
        "/records/waiting", async (HttpContext context, IncisuraDb db, CancellationToken cancel) =>
            await db.RecordRevisions.AsNoTracking().CountAsync(WaitsFor(context.User.Actor(), db), cancel))
        .WithTags("records").RequireAuthorization(Access.Engineers);

    // A decision waits for an approver who did not propose it, what a machine reported as not to be run for everybody who may decide on it;
    // for who proposed it: what was sent back, what was said about it since it last moved, what breaks a limit now, and what a machine told.
    private static Expression<Func<RecordRevisionRow, bool>> WaitsFor(Actor actor, IncisuraDb db)
    {
        string name = actor.Name;
        bool decides = actor.Role == Role.Approver;
        IQueryable<FloorReportRow> told = db.FloorReports.Where(FloorReportRow.Open);
        return v => (v.IsInForce && v.StoppedBy != "")
            || (v.IsInForce && v.ProposedBy == name
                && (v.Stands == Stands.Broken || told.Any(r => r.RecordId == v.RecordId && r.Revision == v.Number)))
            || (v.IsNewest && v.ProposedBy == name && (v.State == RecordState.Draft || v.State == RecordState.InReview)
                && db.Comments.Any(c => c.RecordId == v.RecordId && c.Revision == v.Number && c.By != name && c.At > v.ChangedAt))
            || (v.IsNewest
                && ((decides && v.State == RecordState.InReview && v.ProposedBy != name)
                    || (v.SentBack && v.State == RecordState.Draft && v.ProposedBy == name)));
    }

    // The same as the counts of coverage, so that a number there and the list behind it agree.
    private static IQueryable<RecordRevisionRow> Counted(IQueryable<RecordRevisionRow> all, CountedAs counted, DateOnly today)
    {
        IQueryable<RecordRevisionRow> rows = all.Where(RecordRevisionRow.Counted);
        Expression<Func<RecordRevisionRow, bool>> stale = Standing(Stands.Stale, today);
        return counted switch
        {
            CountedAs.Stopped => rows.Where(v => v.IsInForce && v.StoppedBy != ""),
            CountedAs.Stale => rows.Where(v => v.IsInForce && v.StoppedBy == "").Where(stale),
            CountedAs.Approved => rows.Where(v => v.IsInForce && v.Stands != Stands.Stale && v.Stands != Stands.Broken)
                .Where(v => v.EndsOn == null || v.EndsOn >= today),
            CountedAs.InReview => rows.Where(v => v.State == RecordState.InReview),
            CountedAs.Draft => rows.Where(v => v.State == RecordState.Draft),
            CountedAs.Withdrawn => rows.Where(v => v.State == RecordState.Withdrawn),
            _ => rows,
        };
    }

    // Stale takes the broken ones too, and those whose time is over.
    private static Expression<Func<RecordRevisionRow, bool>> Standing(Stands stands, DateOnly today) => stands == Stands.Stale
        ? v => v.Stands == Stands.Stale || v.Stands == Stands.Broken || (v.IsInForce && v.EndsOn < today)
        : v => v.Stands == stands;

    private static IQueryable<RecordRevisionRow> Filtered(IQueryable<RecordRevisionRow> all, RecordQuery q)
    {
        foreach (string pattern in Wire.Patterns(q.Text))
            all = all.Where(v => EF.Functions.Like(v.Search, pattern, "\\") || EF.Functions.Like(v.Note, pattern, "\\"));
        if (q.Material is { } material) all = all.Where(v => v.MaterialId == material);
        if (q.Machine is { } machine) all = all.Where(v => v.MachineId == machine);
        if (q.Cutter is { } cutter) all = all.Where(v => v.CutterId == cutter);
        if (q.Operation is { Length: > 0 } operation) all = all.Where(v => v.Operation == operation);
        if (q.By is { Length: > 0 } by) all = all.Where(v => v.ProposedBy == by);
        if (q.Limit is { Length: > 0 } limit) all = all.Where(v => v.WorstLimit == limit);
        return all;
    }

    private static IQueryable<RecordRevisionRow> Sorted(IQueryable<RecordRevisionRow> all, RecordOrder order) => order switch
    {
        RecordOrder.Number => all.OrderBy(v => v.RecordId),
        RecordOrder.Moved => all.OrderByDescending(v => v.Moved).ThenBy(v => v.RecordId),
        RecordOrder.Limit => all.OrderByDescending(v => v.WorstUse).ThenBy(v => v.RecordId),
        _ => all.OrderByDescending(v => v.ChangedAt).ThenByDescending(v => v.Id),
    };
}

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

    // A change of the shelf is judged in the meantime; what takes longer is told as still being judged.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(1);

    public static void MapRecordList(this IEndpointRouteBuilder api) => api.MapGet(
        "/records", async ([AsParameters] RecordQuery query, IncisuraDb db, StandingJudge judge, CancellationToken cancel) =>
        {
            new InputCheck()
                .Within("take", "The number of records to give", query.Take, 1, Most, Quantity.Count)
                .Within("skip", "The number of records to leave out", query.Skip, 0, int.MaxValue, Quantity.Count)
                .ThrowIfAny();
            RecordState? state = Wire.Optional<RecordState>(query.State, "state");
            Stands? stands = Wire.Optional<Stands>(query.Stands, "stands");
            await judge.SettleAsync(db, Patience, cancel);
            IQueryable<RecordRevisionRow> found = Filtered(db.RecordRevisions.AsNoTracking(), query);
            IQueryable<RecordRevisionRow> all = found.Where(v => v.IsNewest);
            Dictionary<string, int> counts = await all.GroupBy(v => v.State).Select(g => new { g.Key, Count = g.Count() })
                .ToDictionaryAsync(g => Wire.WordOf(g.Key), g => g.Count, cancel);

            // One that is in force is stale whatever is open beside it.
            IQueryable<RecordRevisionRow> judged = found.Where(v => v.IsInForce || (v.IsNewest && v.State != RecordState.Withdrawn));
            int stale = await judged.CountAsync(
                v => v.State != RecordState.Discarded && (v.Stands == Stands.Stale || v.Stands == Stands.Broken), cancel);
            if (stands is not null) all = judged;
            all = state is { } wanted ? all.Where(v => v.State == wanted) : all.Where(v => v.State != RecordState.Discarded);
            all = stands switch
            {
                null => all,
                Stands.Stale => all.Where(v => v.Stands == Stands.Stale || v.Stands == Stands.Broken),
                { } one => all.Where(v => v.Stands == one),
            };
            RecordOrder order = Wire.Optional<RecordOrder>(query.Order, "order") ?? RecordOrder.Changed;
            List<RecordRevisionRow> page = await Sorted(all, order).Skip(query.Skip).Take(query.Take)
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
                    Record = v.Record,
                })
                .ToListAsync(cancel);
            return new RecordListing(
                await all.CountAsync(cancel), counts, stale, judge.Waiting, page.ConvertAll(v => RecordViews.SummaryOf(v.Record!, v)));
        }).WithTags("records").RequireAuthorization(Access.Engineers);

    private static IQueryable<RecordRevisionRow> Filtered(IQueryable<RecordRevisionRow> all, RecordQuery q)
    {
        foreach (string pattern in Wire.Patterns(q.Text))
            all = all.Where(v => EF.Functions.Like(v.Search, pattern, "\\") || EF.Functions.Like(v.Note, pattern, "\\"));
        if (q.Material is { } material) all = all.Where(v => v.Record!.MaterialId == material);
        if (q.Machine is { } machine) all = all.Where(v => v.Record!.MachineId == machine);
        if (q.Cutter is { } cutter) all = all.Where(v => v.Record!.CutterId == cutter);
        if (q.Operation is { Length: > 0 } operation) all = all.Where(v => v.Record!.Operation == operation);
        if (q.By is { Length: > 0 } by) all = all.Where(v => v.ProposedBy == by);
        if (q.Limit is { Length: > 0 } limit) all = all.Where(v => v.WorstLimit == limit);
        return all;
    }

    private static IQueryable<RecordRevisionRow> Sorted(IQueryable<RecordRevisionRow> all, RecordOrder order) => order switch
    {
        RecordOrder.Number => all.OrderBy(v => v.Record!.Number),
        RecordOrder.Moved => all.OrderByDescending(v => v.Moved).ThenBy(v => v.Record!.Number),
        RecordOrder.Limit => all.OrderByDescending(v => v.WorstUse).ThenBy(v => v.Record!.Number),
        _ => all.OrderByDescending(v => v.ChangedAt).ThenByDescending(v => v.Id),
    };
}

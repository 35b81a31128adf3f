using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Editions;

/// <summary>Publishing, and reading what was published.</summary>
public static class EditionEndpoints
{
    public static void MapEditions(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/editions").WithTags("editions");
        group.MapGet("/", async (IncisuraDb db) => await EditionReading.SummariesAsync(db));
        group.MapGet("/{number:int}", async (
            int number, [AsParameters] EditionQuery query, HttpContext context, IncisuraDb db, Shelf shelf, StandingJudge judge, TimeProvider clock,
            CancellationToken cancel) =>
        {
            await judge.SettleAsync(db, cancel);
            return await EditionReading.PageAsync(
                db, await shelf.ViewAsync(db), await EditionReading.SummaryAsync(db, number), query.Checked(), context.User.Actor().Name,
                clock);
        });
        group.MapGet("/{number:int}/differences", async (
            int number, int from, [AsParameters] EditionQuery query, IncisuraDb db, CancellationToken cancel) =>
            await EditionComparison.OfAsync(
                db, await EditionReading.SummaryAsync(db, from), await EditionReading.SummaryAsync(db, number), query.Checked(), cancel));
        group.MapPublishing();
        group.MapReadings();
        group.MapEditionFiles();
    }

    private static void MapPublishing(this RouteGroupBuilder group)
    {
        group.MapGet("/pending", async (
            [AsParameters] EditionQuery query, string? change, IncisuraDb db, Shelf shelf, TimeProvider clock, CancellationToken cancel) =>
            await PendingAsync(
                db, await shelf.ViewAsync(db), query.Checked(), Wire.Optional<EditionChange>(change, "change"), clock.Today(), cancel))
            .RequireAuthorization(Access.Engineers);

        group.MapPost("/", async (
            PublishRequest request, HttpContext context, PublishDesk desk, TimeProvider clock) =>
        {
            if (request.Note?.Length > RecordLife.LongestText)
                throw new RuleException("note", $"The note has {request.Note.Length} characters; {RecordLife.LongestText} is the most.");
            PublishWish wish = new(
                context.User.Actor().Name, request.Note?.Trim() ?? "", clock.GetUtcNow(), request.Takes ?? new Dictionary<string, EditionTake>(),
                request.AsksReading)
            {
                Reasons = request.Reasons ?? new Dictionary<string, string>(),
            };
            if (wish.Reasons.FirstOrDefault(r => r.Value.Length > RecordLife.LongestText) is { Key: { } lengthy })
                throw new RuleException("reason", $"The reason for {lengthy} is too long; {RecordLife.LongestText} characters are the most.");
            return TypedResults.Accepted("/api/v1/editions/publishing", await desk.StartAsync(wish));
        }).RequireAuthorization(Access.Approvers);

        group.MapGet("/publishing", (PublishDesk desk) =>
            desk.Progress ?? throw new MissingException("Nothing was published since the server was started."))
            .RequireAuthorization(Access.Engineers);
        group.MapDelete("/publishing", (PublishDesk desk) =>
            desk.Stop() ?? throw new MissingException("Nothing is being published."))
            .RequireAuthorization(Access.Approvers);
    }

    private static void MapReadings(this RouteGroupBuilder group)
    {
        group.MapPost("/{number:int}/reading", async (int number, HttpContext context, IncisuraDb db, TimeProvider clock) =>
        {
            await EditionReading.SummaryAsync(db, number);
            string person = context.User.Actor().Name;
            if (!await db.Readings.AnyAsync(r => r.EditionNumber == number && r.Person == person))
            {
                db.Add(new ReadingRow { EditionNumber = number, Person = person, At = clock.GetUtcNow() });
                await db.SaveChangesAsync();
            }

            return TypedResults.NoContent();
        });
        group.MapGet("/{number:int}/readers", async (int number, IncisuraDb db) =>
        {
            await EditionReading.SummaryAsync(db, number);
            Dictionary<string, DateTimeOffset> read = await db.Readings.AsNoTracking().Where(r => r.EditionNumber == number)
                .ToDictionaryAsync(r => r.Person, r => r.At);
            var people = await db.Users.AsNoTracking().OrderBy(p => p.UserName).Select(p => new { p.UserName, p.FullName }).ToListAsync();
            return people.ConvertAll(p => new ReaderView(p.UserName!, p.FullName, read.TryGetValue(p.UserName!, out DateTimeOffset at) ? at : null));
        }).RequireAuthorization(Access.Engineers);
    }

    // What changes comes first, and of what stays what does not hold.
    private static async Task<PendingView> PendingAsync(
        IncisuraDb db, ShelfView view, EditionQuery query, EditionChange? change, DateOnly today, CancellationToken cancel)
    {
        int last = await db.Editions.MaxAsync(e => (int?)e.Number, cancel) ?? 0;
        List<LineNow> published = await EditionReading.LinesAsync(db, last, words: true, cancel);
        Dictionary<string, int> before = published.ToDictionary(l => l.Record, l => l.Revision);
        List<Pending> all = await Publisher.InForce(db, today)
            .Select(v => new Pending(v.Id, v.Record!.Number, v.Number, 0, v.Words, v.Standing)).ToListAsync(cancel);
        IReadOnlyDictionary<int, IReadOnlyList<Bar>> bars = await Gate.BarsAsync(db, view, Publisher.InForce(db, today), today, cancel);
        HashSet<string> inForce = [.. all.Select(p => p.Record)];
        all =
        [
            .. all.Select(p => p with { Before = before.GetValueOrDefault(p.Record) })
                .Select(p => p with { Bars = Publisher.Against(bars.GetValueOrDefault(p.Id) ?? [], p.Change != EditionChange.Same) }),
            .. published.Where(l => !inForce.Contains(l.Record)).Select(l => new Pending(0, l.Record, 0, l.Revision, l.Words, "")),
        ];
        List<Pending> found =
        [
            .. all.Where(p => (change is null || p.Change == change) && EditionReading.Fits(p.Record, p.Words, query.Q))
                .OrderByDescending(p => p.Bars.Count > 0).ThenBy(p => p.Change == EditionChange.Same).ThenByDescending(p => p.Standing.Length > 0)
                .ThenBy(p => p.Record, StringComparer.Ordinal),
        ];
        return new(
            all.GroupBy(p => p.Change).ToDictionary(g => Wire.WordOf(g.Key), g => g.Count()), all.Count(p => p.Bars.Count > 0), found.Count,
            [.. found.Skip(query.Skip).Take(query.Take).Select(p => p.View)]);
    }

    // A record as it would be in the next edition, and as it is in the last one.
    private sealed record Pending(int Id, string Record, int Revision, int Before, string Words, string Standing)
    {
        public IReadOnlyList<Bar> Bars { get; init; } = [];

        public EditionChange Change => Revision == 0 ? EditionChange.Removed
            : Before == 0 ? EditionChange.Added
            : Before == Revision ? EditionChange.Same : EditionChange.Changed;

        public PendingEntry View => new(
            Record, Revision, Before, Change, DefinitionFormat.Read<SituationWords>(Words),
            Standing.Length == 0 ? [] : RecordViews.StaleBy(DefinitionFormat.Read<Standing>(Standing)),
            [.. Bars.Select(b => b.Says)], Bars.All(b => b.Yields));
    }
}

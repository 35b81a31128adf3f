using System.Security.Claims;
using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using Incisura.Core.Records;
using Incisura.Web.Accounts;
using Incisura.Web.Hosting;
using Incisura.Web.Library;
using Incisura.Web.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.History;

/// <summary>What is asked of the history.</summary>
/// <param name="Text">Words that all have to be found in an entry: names, reasons, fields and values too.</param>
/// <param name="Kind">Word for the kind of thing.</param>
/// <param name="Of">Identity of the thing within its kind.</param>
/// <param name="By">Sign-in name of who did it.</param>
/// <param name="From">First day.</param>
/// <param name="Until">Last day.</param>
/// <param name="Skip">How many to leave out, the newest first.</param>
/// <param name="Take">How many to give, 1 to 500.</param>
public sealed record HistoryQuery(
    [FromQuery(Name = "text")] string? Text = null,
    [FromQuery(Name = "kind")] string? Kind = null,
    [FromQuery(Name = "of")] int? Of = null,
    [FromQuery(Name = "by")] string? By = null,
    [FromQuery(Name = "from")] DateOnly? From = null,
    [FromQuery(Name = "until")] DateOnly? Until = null,
    [FromQuery(Name = "skip")] int Skip = 0,
    [FromQuery(Name = "take")] int Take = 100);

/// <summary>One change, as its readers see it.</summary>
/// <param name="Entry">Its place in the history.</param>
/// <param name="At">When.</param>
/// <param name="By">Who.</param>
/// <param name="InPlaceOf">Absent approver in whose place; empty for nobody.</param>
/// <param name="Kind">Kind of thing.</param>
/// <param name="Of">Identity within its kind.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Revision">Its revision after the change; 0 for none.</param>
/// <param name="Act">What was done, as a code.</param>
/// <param name="Reason">Why, or what was said.</param>
/// <param name="Changes">What differs.</param>
/// <param name="Hash">Hash of the entry and of all before it.</param>
public sealed record HistoryEntry(
    long Entry, DateTimeOffset At, string By, string InPlaceOf, string Kind, int Of, string Name, int Revision, string Act, string Reason,
    IReadOnlyList<FieldDifference> Changes, string Hash);

/// <summary>A page of the history, newest first.</summary>
/// <param name="Total">How many entries there are.</param>
/// <param name="Kinds">Kinds of things it tells of.</param>
/// <param name="People">Who did anything.</param>
/// <param name="Rows">The page.</param>
public sealed record HistoryListing(int Total, IReadOnlyList<string> Kinds, IReadOnlyList<string> People, IReadOnlyList<HistoryEntry> Rows);

/// <summary>The history of everything: searched, taken along as a file, and checked.</summary>
public static class HistoryEndpoints
{
    private const int Most = 500, MostInFile = 100_000;

    public static void MapHistory(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/history").WithTags("history")
            .RequireAuthorization(p => p.RequireRole(nameof(Role.Engineer), nameof(Role.Approver), nameof(Role.Administrator)));

        group.MapGet("/", async (
            [AsParameters] HistoryQuery query, HttpContext context, IncisuraDb db, TimeProvider clock, CancellationToken cancel) =>
        {
            new InputCheck()
                .Within("take", "The number of entries to give", query.Take, 1, Most, Quantity.Count)
                .Within("skip", "The number of entries to leave out", query.Skip, 0, int.MaxValue, Quantity.Count)
                .ThrowIfAny();
            IQueryable<ChangeRow> found = Filtered(Seen(db, context.User), query, clock);
            return new HistoryListing(
                await found.CountAsync(cancel),
                await Seen(db, context.User).Select(c => c.Kind).Distinct().OrderBy(k => k).ToListAsync(cancel),
                await Seen(db, context.User).Select(c => c.By).Distinct().OrderBy(k => k).ToListAsync(cancel),
                [.. (await found.Skip(query.Skip).Take(query.Take).ToListAsync(cancel)).Select(EntryOf)]);
        });

        group.MapGet("/export.{format}", async (
            string format, [AsParameters] HistoryQuery query, HttpContext context, IncisuraDb db, TimeProvider clock, CancellationToken cancel) =>
        {
            IQueryable<ChangeRow> found = Filtered(Seen(db, context.User), query, clock);
            int count = await found.CountAsync(cancel);
            new InputCheck()
                .Holds(
                    count <= MostInFile, "from", count,
                    $"These are {count} entries, and a file holds {MostInFile}. Choose a shorter time, or look for something.")
                .ThrowIfAny();
            List<HistoryEntry> entries = (await found.ToListAsync(cancel)).ConvertAll(EntryOf);
            if (format == "json") return TableAnswer.Send("history", format, entries, [], _ => []);
            List<(HistoryEntry Entry, FieldDifference? Field)> lines =
                [.. entries.SelectMany(e => e.Changes.Count == 0 ? [(e, null)] : e.Changes.Select(c => (e, (FieldDifference?)c)))];
            return TableAnswer.Send(
                "history", format, lines,
                ["entry", "when", "who", "in place of", "kind", "name", "revision", "act", "field", "from", "to", "why", "hash"],
                l =>
                [
                    (double)l.Entry.Entry, l.Entry.At.ToString("u"), l.Entry.By, l.Entry.InPlaceOf, l.Entry.Kind, l.Entry.Name,
                    (double)l.Entry.Revision, l.Entry.Act, l.Field?.Field, l.Field?.From, l.Field?.To, l.Entry.Reason, l.Entry.Hash,
                ]);
        }).Produces<byte[]>().TellsWhoTakesIt().TakesTurns();

        group.MapGet("/check", (IncisuraDb db, CancellationToken cancel) => Chronicle.CheckAsync(db, cancel: cancel));
    }

    // Who came in when is for those who keep people.
    private static IQueryable<ChangeRow> Seen(IncisuraDb db, ClaimsPrincipal who) => who.Actor().Role == Role.Administrator
        ? db.Changes.AsNoTracking()
        : db.Changes.AsNoTracking().Where(c => c.Kind != Chronicle.DoorKind);

    private static IQueryable<ChangeRow> Filtered(IQueryable<ChangeRow> all, HistoryQuery q, TimeProvider clock)
    {
        foreach (string pattern in Wire.Patterns(q.Text?.ToLowerInvariant())) all = all.Where(c => EF.Functions.Like(c.Search, pattern, "\\"));
        if (q.Kind is { Length: > 0 } kind) all = all.Where(c => c.Kind == kind);
        if (q.Of is { } of) all = all.Where(c => c.ObjectId == of);
        if (q.By is { Length: > 0 } by) all = all.Where(c => c.By == by);
        if (q.From is { } from && StartOf(from) is var first) all = all.Where(c => c.At >= first);
        if (q.Until is { } until && until < DateOnly.MaxValue && StartOf(until.AddDays(1)) is var after) all = all.Where(c => c.At < after);
        return all.OrderByDescending(c => c.Id);

        DateTimeOffset StartOf(DateOnly day)
        {
            DateTime midnight = day.ToDateTime(TimeOnly.MinValue);
            return new(midnight, clock.LocalTimeZone.GetUtcOffset(midnight));
        }
    }

    private static HistoryEntry EntryOf(ChangeRow c) => new(
        c.Id, c.At, c.By, c.InPlaceOf, c.Kind, c.ObjectId, c.Name, c.Number, Wire.Small(c.Act), c.Reason,
        DefinitionFormat.Read<List<FieldDifference>>(c.Changes), c.Hash);
}

using System.Security.Cryptography;
using System.Text;
using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Editions;

/// <summary>What an edition says about itself.</summary>
public sealed record EditionSummary(int Number, DateTimeOffset PublishedAt, string PublishedBy, string Note, string Digest, int Count);

/// <summary>One record in an edition.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Situation">What it is for.</param>
/// <param name="Note">The proposer's note.</param>
/// <param name="ApprovedBy">Who approved it.</param>
/// <param name="Result">What came out.</param>
/// <param name="Since">What became of it since.</param>
/// <param name="Terms">Accepted cautions, evidence, and how far the approval reaches.</param>
/// <param name="Cautions">Its cautions, each with why it may stand.</param>
public sealed record EditionEntryView(
    string Record, int Revision, SituationWords Situation, string Note, string ApprovedBy, CalculationResult Result, SinceThen Since,
    Terms Terms, IReadOnlyList<CautionView> Cautions);

/// <summary>A whole edition.</summary>
/// <param name="Summary">What it says about itself.</param>
/// <param name="Newest">Number of the newest edition there is.</param>
/// <param name="LookedAt">When it was compared with how things stand.</param>
/// <param name="Entries">Its records.</param>
public sealed record EditionView(EditionSummary Summary, int Newest, DateTimeOffset LookedAt, IReadOnlyList<EditionEntryView> Entries);

/// <summary>How a record would differ between the last edition and the next.</summary>
public enum EditionChange
{
    Same,
    Added,
    Changed,
    Removed,
}

/// <summary>One record of the next edition, or one that it would no longer have.</summary>
public sealed record PendingEntry(
    string Record, int Revision, int PublishedRevision, EditionChange Change, SituationWords Situation, IReadOnlyList<string> StaleBy);

/// <summary>Why an edition is published.</summary>
public sealed record PublishRequest(string? Note = null);

/// <summary>Publishing, and reading what was published.</summary>
public static class EditionEndpoints
{
    public static void MapEditions(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/editions").WithTags("editions");

        group.MapGet("/", async (IncisuraDb db) => await db.Editions.AsNoTracking().OrderByDescending(e => e.Number)
            .Select(e => new EditionSummary(e.Number, e.PublishedAt, e.PublishedBy, e.Note, e.Digest, e.Entries.Count)).ToListAsync());

        group.MapGet("/{number:int}", async (int number, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            EditionRow edition = await db.Editions.AsNoTracking().Include(e => e.Entries).FirstOrDefaultAsync(e => e.Number == number)
                ?? throw new MissingException($"There is no edition {number}; go back to the list and choose one.");
            ShelfView view = await shelf.ViewAsync(db);
            IReadOnlyDictionary<string, SinceThen> since = await Publication.SinceAsync(edition.Entries, db, view, clock.Today());
            int newest = await db.Editions.MaxAsync(e => e.Number);
            return new EditionView(
                SummaryOf(edition), newest, clock.GetUtcNow(),
                [.. edition.Entries.OrderBy(e => e.RecordNumber, StringComparer.Ordinal).Select(e => EntryViewOf(e, since[e.RecordNumber]))]);
        });

        group.MapGet("/pending", async (IncisuraDb db, TimeProvider clock) => await PendingAsync(db, clock.Today()))
            .RequireAuthorization(Access.Engineers);

        group.MapPost("/", async (PublishRequest request, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            if (request.Note?.Length > RecordLife.LongestText)
                throw new RuleException("note", $"The note has {request.Note.Length} characters; {RecordLife.LongestText} is the most.");
            await using var transaction = await db.Database.BeginTransactionAsync();
            if ((await PendingAsync(db, clock.Today())).All(p => p.Change == EditionChange.Same))
                throw new RuleException(
                    "nothing-new", "Nothing has been approved or withdrawn since the last edition, so there is nothing to publish.");
            int number = (await db.Editions.MaxAsync(e => (int?)e.Number) ?? 0) + 1;
            EditionRow edition = await ComposeAsync(
                db, number, await RecordEndpoints.Whole(db).AsNoTracking().ToListAsync(), context.User.Actor().Name, request.Note?.Trim() ?? "",
                clock.GetUtcNow());
            db.Add(edition);
            await db.SaveChangesAsync();
            await transaction.CommitAsync();
            return TypedResults.Created($"/api/v1/editions/{number}", SummaryOf(edition));
        }).RequireAuthorization(Access.Approvers);
    }

    /// <summary>An edition of every record in force that has not ended.</summary>
    public static async Task<EditionRow> ComposeAsync(
        IncisuraDb db, int number, IEnumerable<RecordRow> records, string by, string note, DateTimeOffset at)
    {
        DateOnly today = DateOnly.FromDateTime(at.LocalDateTime);
        List<(RecordRow Record, RecordRevisionRow Revision)> inForce =
            [
                .. records.OrderBy(r => r.Number, StringComparer.Ordinal).Select(r => (r, Published(r, today)!))
                .Where(r => r.Item2 is not null),
            ];
        IReadOnlyDictionary<int, Situation> situations = await RecordParts.SituationsAsync(db, [.. inForce.Select(r => r.Revision)]);
        List<EditionEntryRow> entries = [.. inForce.Select(r => EntryOf(number, r.Record, r.Revision, situations[r.Revision.Id]))];
        return new() { Number = number, PublishedAt = at, PublishedBy = by, Note = note, Digest = DigestOf(entries), Entries = entries };
    }

    /// <summary>Digest over everything an edition publishes.</summary>
    public static string DigestOf(IEnumerable<EditionEntryRow> entries)
    {
        using IncrementalHash hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        foreach (EditionEntryRow e in entries)
            hash.AppendData(
                Encoding.UTF8.GetBytes(
                    string.Join('\n', e.RecordNumber, e.Revision, e.Note, e.ApprovedBy, e.Choices, e.Situation, e.Result, e.Terms)));
        return Convert.ToHexStringLower(hash.GetHashAndReset());
    }

    /// <summary>What stands beside the figures of an entry.</summary>
    public static Terms TermsOf(EditionEntryRow e) => e.Terms.Length == 0 ? Terms.None : DefinitionFormat.Read<Terms>(e.Terms);

    private static RecordRevisionRow? Published(RecordRow record, DateOnly today) =>
        record.InForce() is { } row && !(row.EndsOn < today) ? row : null;

    private static EditionSummary SummaryOf(EditionRow e) => new(e.Number, e.PublishedAt, e.PublishedBy, e.Note, e.Digest, e.Entries.Count);

    private static EditionEntryView EntryViewOf(EditionEntryRow e, SinceThen since)
    {
        CalculationResult result = DefinitionFormat.Read<CalculationResult>(e.Result);
        return new(
            e.RecordNumber, e.Revision, SituationWords.Of(e.Operation, DefinitionFormat.Read<Situation>(e.Situation), result), e.Note, e.ApprovedBy,
            result, since, TermsOf(e), RecordViews.CautionsOf(result, TermsOf(e)));
    }

    private static EditionEntryRow EntryOf(int edition, RecordRow record, RecordRevisionRow revision, Situation situation)
    {
        SituationWords words = DefinitionFormat.Read<SituationWords>(revision.Words);
        return new()
        {
            EditionNumber = edition,
            RecordNumber = record.Number,
            Revision = revision.Number,
            Operation = record.Operation,
            Assembly = words.Assembly,
            Material = words.Material,
            Machine = words.Machine,
            Note = revision.Note,
            ApprovedBy = revision.Events.Last(e => e.Act == RecordAct.Approve).By,
            Terms = revision.Terms,
            Choices = revision.Choices,
            Situation = DefinitionFormat.Write(situation),
            Result = DefinitionFormat.Write(RecordParts.WholeResultOf(revision)),
        };
    }

    private static async Task<List<PendingEntry>> PendingAsync(IncisuraDb db, DateOnly today)
    {
        int last = await db.Editions.MaxAsync(e => (int?)e.Number) ?? 0;
        Dictionary<string, int> published = await db.EditionEntries.AsNoTracking()
            .Where(e => e.EditionNumber == last)
            .ToDictionaryAsync(e => e.RecordNumber, e => e.Revision);
        List<PendingEntry> pending = [];
        foreach (RecordRow record in await RecordEndpoints.Whole(db).AsNoTracking().OrderBy(r => r.Number).ToListAsync())
        {
            RecordRevisionRow? inForce = Published(record, today);
            int before = published.GetValueOrDefault(record.Number);
            if (inForce is null && before == 0) continue;
            RecordSummary summary = RecordViews.SummaryOf(record, inForce ?? record.Revisions.First(r => r.Number == before), today);
            EditionChange change = inForce is null
                ? EditionChange.Removed
                : before == 0
                ? EditionChange.Added
                : before == inForce.Number
                ? EditionChange.Same
                : EditionChange.Changed;
            pending.Add(new(record.Number, inForce?.Number ?? 0, before, change, summary.Situation, summary.StaleBy));
        }

        return pending;
    }
}

using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Incisura.Web.Hosting;
using Incisura.Web.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Editions;

/// <summary>A record in an edition, with how it stands as it was judged last.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="LeafId">Its published form.</param>
/// <param name="Words">Its situation in words, JSON; empty where they were not asked for.</param>
/// <param name="EndsOn">Last day on which it holds; null for no end.</param>
/// <param name="Stands">How it stands; null where the record is not here.</param>
/// <param name="Stopped">Whether a report from a machine forbids to run it; null where the record is not here.</param>
/// <param name="InForce">Revision in force; null for none.</param>
public sealed record LineNow(string Record, int Revision, int LeafId, string Words, DateOnly? EndsOn, string? Stands, bool? Stopped, int? InForce)
{
    /// <summary>What became of it, as it was judged last.</summary>
    public Since What(DateOnly today) => Publication.WordOf(
        Revision, InForce ?? 0, Stopped == true, EndsOn < today, Enum.TryParse(Stands, out Stands stands) ? stands : Data.Stands.Firm);
}

/// <summary>A published record, with its words that lead to the things as they are here.</summary>
public sealed record PublishedLeaf(PublishedRecord Record, SituationWords Words, int RevisionId);

/// <summary>Reading what was published.</summary>
public static class EditionReading
{
    /// <summary>Most records on one page.</summary>
    public const int Most = 500;

    /// <summary>What an edition says about itself.</summary>
    public static EditionSummary SummaryOf(EditionFileRow f, DateTimeOffset at, string by, string note) =>
        new(f.EditionNumber, at, by, note, f.Sha256, f.Count, f.Size, f.KeyId, f.AsksReading);

    /// <summary>All editions, newest first.</summary>
    public static async Task<List<EditionSummary>> SummariesAsync(IncisuraDb db, int only = 0)
    {
        var rows = await db.EditionFiles.AsNoTracking().Where(f => only == 0 || f.EditionNumber == only)
            .Join(db.Editions.AsNoTracking(), f => f.EditionNumber, e => e.Number, (f, e) => new
            {
                Edition = e,
                f.Sha256,
                f.Count,
                f.Size,
                f.KeyId,
                f.AsksReading,
            })
            .OrderByDescending(x => x.Edition.Number).ToListAsync();
        return rows.ConvertAll(x => new EditionSummary(
            x.Edition.Number, x.Edition.PublishedAt, x.Edition.PublishedBy, x.Edition.Note, x.Sha256, x.Count, x.Size, x.KeyId, x.AsksReading));
    }

    /// <summary>What an edition says about itself.</summary>
    /// <exception cref="MissingException">There is none of that number.</exception>
    public static async Task<EditionSummary> SummaryAsync(IncisuraDb db, int number) =>
        number > 0 && await SummariesAsync(db, number) is [var summary]
            ? summary
            : throw new MissingException($"There is no edition {number}; go back to the list and choose one.");

    /// <summary>The records of an edition in the order of their numbers, with how they stand.</summary>
    /// <param name="db">The database.</param>
    /// <param name="number">Number of the edition.</param>
    /// <param name="words">Whether their words are asked for.</param>
    /// <param name="cancel">Stops it.</param>
    public static Task<List<LineNow>> LinesAsync(IncisuraDb db, int number, bool words, CancellationToken cancel = default) =>
        db.Database.SqlQuery<LineNow>(
            $"""
            SELECT l."RecordNumber" AS "Record", l."Revision", l."LeafId", COALESCE(p."Words", '') AS "Words", v."EndsOn", v."Stands", v."StoppedBy" <> '' AS "Stopped",
                f."Number" AS "InForce"
            FROM "EditionLines" AS l
            LEFT JOIN "EditionLeaves" AS p ON p."Id" = CASE WHEN {words} THEN l."LeafId" END
            LEFT JOIN "Records" AS r ON r."Number" = l."RecordNumber"
            LEFT JOIN "RecordRevisions" AS v ON v."RecordId" = r."Id" AND v."Number" = l."Revision"
            LEFT JOIN "RecordRevisions" AS f ON f."RecordId" = r."Id" AND f."IsInForce"
            WHERE l."EditionNumber" = {number}
            ORDER BY l."RecordNumber"
            """).ToListAsync(cancel);

    /// <summary>The published form of some leaves.</summary>
    public static async Task<IReadOnlyDictionary<int, PublishedLeaf>> LeavesAsync(
        IncisuraDb db, IReadOnlyCollection<int> ids, CancellationToken cancel = default) =>
        await db.EditionLeaves.AsNoTracking().Where(l => ids.Contains(l.Id)).ToDictionaryAsync(
            l => l.Id,
            l => new PublishedLeaf(
                EditionFile.Read<PublishedRecord>(EditionStore.JsonOf(l)), DefinitionFormat.Read<SituationWords>(l.Words),
                l.RevisionId),
            cancel);

    /// <summary>A page of an edition.</summary>
    public static async Task<EditionView> PageAsync(
        IncisuraDb db, ShelfView view, EditionSummary summary, EditionQuery query, string person, TimeProvider clock)
    {
        DateTimeOffset now = clock.GetUtcNow();
        DateOnly today = clock.DayOf(now);
        List<LineNow> all = await LinesAsync(db, summary.Number, words: !string.IsNullOrWhiteSpace(query.Q));
        Since? since = Wire.Optional<Since>(query.Since, "since");
        List<LineNow> found = [.. all.Where(l => (since is null || l.What(today) == since) && Fits(l, query.Q))];
        List<LineNow> page = [.. found.Skip(query.Skip).Take(query.Take)];
        IReadOnlyDictionary<int, PublishedLeaf> leaves = await LeavesAsync(db, page.ConvertAll(l => l.LeafId));
        IReadOnlyDictionary<string, SinceThen> became =
            await Publication.SinceAsync(page.ConvertAll(l => new Entry(l.Record, l.Revision)), db, view, today);
        DateTimeOffset? read = await db.Readings.AsNoTracking().Where(r => r.EditionNumber == summary.Number && r.Person == person)
            .Select(r => (DateTimeOffset?)r.At).FirstOrDefaultAsync();
        return new(
            summary, await db.Editions.MaxAsync(e => e.Number), now,
            all.GroupBy(l => l.What(today)).ToDictionary(g => Wire.WordOf(g.Key), g => g.Count()), found.Count, read,
            page.ConvertAll(l => EntryOf(leaves[l.LeafId].Record, leaves[l.LeafId].Words, became[l.Record])));
    }

    private static EditionEntryView EntryOf(PublishedRecord p, SituationWords words, SinceThen since) => new(
        p.Record, p.Revision, words, p.Note, p.ApprovedBy, p.Figures(), since, p.Terms(),
        RecordViews.CautionsOf(p.Findings(), p.Terms()));

    /// <summary>Whether all words of a question stand in a line.</summary>
    public static bool Fits(LineNow line, string? question) => Fits(line.Record, line.Words, question);

    /// <summary>Whether all words of a question stand in a record's number or its situation in words, JSON.</summary>
    public static bool Fits(string record, string words, string? question) =>
        (question ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries).All(
            w => record.Contains(w, StringComparison.OrdinalIgnoreCase) || words.Contains(w, StringComparison.OrdinalIgnoreCase));
}

/// <summary>What is asked for of an edition.</summary>
/// <param name="Q">Words.</param>
/// <param name="Since">What became of it.</param>
/// <param name="Skip">How many to leave out.</param>
/// <param name="Take">How many to give.</param>
public sealed record EditionQuery(
    [FromQuery(Name = "q")] string? Q = null, [FromQuery(Name = "since")] string? Since = null, [FromQuery(Name = "skip")] int Skip = 0,
    [FromQuery(Name = "take")] int Take = 100)
{
    /// <summary>Refuses pages that are none.</summary>
    public EditionQuery Checked()
    {
        new InputCheck()
            .Within("take", "The number of records to give", Take, 1, EditionReading.Most, Quantity.Count)
            .Within("skip", "The number of records to leave out", Skip, 0, int.MaxValue, Quantity.Count)
            .ThrowIfAny();
        return this;
    }
}

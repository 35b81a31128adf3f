using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Geometry;
using Incisura.Exchange.Editions;
using Incisura.Exchange.Paper;
using Incisura.Web.Hosting;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Editions;

/// <summary>Records of an edition as data cards on paper.</summary>
public static class CardEndpoints
{
    private const int Most = 200;

    public static void MapEditionCards(this RouteGroupBuilder group) => group.MapGet("/{number:int}/cards.pdf", async (
        int number, string? size, string? records, string? units, HttpRequest request, IncisuraDb db, Shelf shelf, TimeProvider clock,
        CancellationToken cancel) =>
    {
        EditionSummary summary = await EditionReading.SummaryAsync(db, number);
        CardPaper paper = Wire.Optional<CardPaper>(size, "size") ?? CardPaper.A4;
        string[] asked = (records ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        List<LineNow> lines = await EditionReading.LinesAsync(db, number, words: false, cancel);
        if (asked.Length > 0) lines = lines.FindAll(l => asked.Contains(l.Record));
        new InputCheck()
            .Holds(
                lines.Count is > 0 and <= Most, "records", lines.Count,
                $"{lines.Count} cards are too many or none at all; name 1 to {Most} records of this edition, as records=R-0001,R-0002.")
            .ThrowIfAny();
        IReadOnlyDictionary<string, SinceThen> since = await Publication.SinceAsync(
            lines.ConvertAll(l => new Entry(l.Record, l.Revision)), db, await shelf.ViewAsync(db), clock.Today());
        IReadOnlyDictionary<int, PublishedLeaf> leaves = await EditionReading.LeavesAsync(db, lines.ConvertAll(l => l.LeafId), cancel);
        IReadOnlyDictionary<int, Profile> outlines = await OutlinesAsync(db, [.. leaves.Values.Select(l => l.RevisionId)], cancel);
        DataCards cards = new(
            paper, units == "inch", $"edition {number} of {clock.DayOf(summary.PublishedAt):yyyy-MM-dd}, SHA-256 {summary.Digest[..16]}…",
            clock.GetLocalNow().ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture));
        return TypedResults.File(
            cards.Draw(lines.Select(l => new DataCard(
                leaves[l.LeafId].Record, since[l.Record].Warning?.ToString() ?? "",
                outlines.GetValueOrDefault(leaves[l.LeafId].RevisionId, Profile.None),
                $"{Transport.AddressOf(request)}/lookup?q={l.Record}&record={l.Record}"))),
            "application/pdf", $"edition-{number}-cards.pdf");
    }).Produces<byte[]>().TakesTurns();

    private static async Task<IReadOnlyDictionary<int, Profile>> OutlinesAsync(IncisuraDb db, List<int> revisions, CancellationToken cancel)
    {
        List<RecordRevisionRow> rows = await db.RecordRevisions.AsNoTracking().Where(v => revisions.Contains(v.Id)).ToListAsync(cancel);
        IReadOnlyDictionary<int, Situation> situations = await RecordParts.SituationsAsync(db, rows, cancel);
        return situations.ToDictionary(s => s.Key, s => s.Value.Built().Profile());
    }
}

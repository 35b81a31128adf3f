using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Mail;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Reports;

/// <summary>What comes back from the machines.</summary>
public static class ReportEndpoints
{
    private const int LongestFinish = 200;

    /// <summary>Most reports of one person within an hour.</summary>
    public const int MostAnHour = 60;

    public static void MapReports(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("").WithTags("reports");
        group.MapPost("/reports", async (
            FloorReportRequest report, HttpContext context, IncisuraDb db, StandingJudge judge, TimeProvider clock) =>
        {
            DateTimeOffset now = clock.GetUtcNow();
            byte[]? photo = report.Photo is { Length: > 0 and <= Photos.MostBytes } sentPhoto
                ? await Photos.OfAsync(sentPhoto, context.RequestAborted)
                : null;
            Check(report, photo, now).ThrowIfAny();
            await using var transaction = await db.Database.BeginTransactionAsync();
            if (await db.FloorReports.AsNoTracking().FirstOrDefaultAsync(r => r.Key == report.Key) is { } sent) return ViewOf(sent);
            if (!await db.EditionLines.AnyAsync(
                l => l.EditionNumber == report.Edition && l.RecordNumber == report.Record && l.Revision == report.Revision))
                throw new MissingException(
                    $"Edition {report.Edition} has no revision {report.Revision} of {report.Record}; look it up again and report on what is shown.");
            string by = context.User.Actor().Name;
            DateTimeOffset since = now.AddHours(-1);
            if (await db.FloorReports.CountAsync(r => r.By == by && r.At > since) >= MostAnHour)
                throw new RuleException(
                    "too-many",
                    $"{MostAnHour} reports within an hour is the most one person may send; send this one later, or tell the tooling engineer.");
            RecordRow record = await db.Records.Include(r => r.Revisions).SingleAsync(r => r.Number == report.Record);
            RecordRevisionRow revision = record.Revisions.Single(v => v.Number == report.Revision);
            FloorReportRow row = RowOf(report, photo, record.Id, by, now);
            db.Add(row);
            if (report.Pieces is { } pieces)
            {
                revision.Count(pieces, clock.Today());
                revision.Version++;
            }

            if (report.Outcome == ReportOutcome.DoNotRun)
            {
                // The first one is what readers are told; the others stand beside it on the record.
                Stop(revision, revision.StoppedBy is { Length: > 0 } before ? before : Said(row, clock));
                Letters.TellStopped(db, record, revision, row, await Person.NamesAsync(db, Role.Approver));
            }
            else if (report.Outcome == ReportOutcome.WithChanges || report.Chatter || report.Broke)
            {
                Letters.TellReported(db, record, revision, row);
            }

            await db.SaveChangesAsync();
            await TellAsync(
                db, row, Chronicle.Reported, row.By, now, row.Note, new FieldDifference("outcome", null, $"\"{Wire.WordOf(row.Outcome)}\""));
            await transaction.CommitAsync();
            judge.Wake();
            return ViewOf(row);
        }).TakesTurns();

        group.MapGet("/records/{number}/reports", async (string number, IncisuraDb db) =>
        {
            List<FloorReportRow> all =
                await db.FloorReports.AsNoTracking().Where(r => r.RecordNumber == number).OrderByDescending(r => r.Id).ToListAsync();
            return new ReportsView(
                [.. all.GroupBy(r => r.Revision).OrderByDescending(g => g.Key).Select(g => SummaryOf(g.Key, [.. g]))], all.ConvertAll(ViewOf));
        }).RequireAuthorization(Access.Engineers);

        group.MapGet("/records/{number}/reports/{id:int}/photo", async (string number, int id, IncisuraDb db) =>
        {
            byte[] jpeg = await db.ReportPhotos.Where(p => p.ReportId == id && db.FloorReports.Any(r => r.Id == id && r.RecordNumber == number))
                .Select(p => p.Jpeg).FirstOrDefaultAsync()
                ?? throw new MissingException($"There is no photo with that report on {number}.");
            return TypedResults.File(jpeg, "image/jpeg");
        }).RequireAuthorization(Access.Engineers);

        group.MapPost("/records/{number}/reports/{id:int}/decision", async (
            string number, int id, ReportDecision decision, HttpContext context, IncisuraDb db, Shelf shelf, StandingJudge judge,
            TimeProvider clock) =>
        {
            string text = decision.Text.Trim();
            new InputCheck()
                .Holds(
                    text.Length is > 0 and <= RecordLife.LongestText, "text", text.Length,
                    $"Say what was decided and why, in at most {RecordLife.LongestText} characters; the operators rely on it.")
                .ThrowIfAny();
            await using var transaction = await db.Database.BeginTransactionAsync();
            FloorReportRow row = await db.FloorReports.FirstOrDefaultAsync(r => r.Id == id && r.RecordNumber == number)
                ?? throw new MissingException($"There is no such report on {number}.");
            if (!row.IsOpen) throw new RuleException("decided", "Nothing is to be decided on this report any more; load the page again.");
            RecordRow record = await RecordEndpoints.FindAsync(db, number);
            RecordRevisionRow revision = record.Revisions.Single(v => v.Number == row.Revision);
            bool lifts = await MayLiftAsync(record, revision, context.User.Actor(), db, await shelf.ViewAsync(db), clock.Today());
            if (!lifts && row.Outcome == ReportOutcome.DoNotRun && revision == record.InForce())
                throw new RuleException(
                    "not-lifted",
                    "Only an approver who had no hand in these figures lets them be run again; ask one, or make a new revision with other figures.");
            (row.SettledAt, row.SettledBy, row.Decision) = (clock.GetUtcNow(), context.User.Actor().Name, text);
            await db.SaveChangesAsync();

            // Where other figures are in force, or none, these stay stopped whoever says so.
            if (lifts && row.Outcome == ReportOutcome.DoNotRun)
            {
                FloorReportRow? other = await db.FloorReports.Where(r => r.RecordId == row.RecordId && r.Revision == row.Revision)
                    .Where(r => r.Outcome == ReportOutcome.DoNotRun && r.SettledAt == null).OrderBy(r => r.Id).FirstOrDefaultAsync();
                Stop(revision, other is null ? "" : Said(other, clock));
                await db.SaveChangesAsync();
            }

            await TellAsync(db, row, Chronicle.Decided, row.SettledBy, row.SettledAt.Value, text);
            await transaction.CommitAsync();
            judge.Wake();
            return ViewOf(row);
        }).RequireAuthorization(Access.Engineers);
    }

    private static InputCheck Check(FloorReportRequest r, byte[]? photo, DateTimeOffset now)
    {
        InputCheck check = new InputCheck()
            .Holds(r.Key != Guid.Empty, "key", double.NaN, "A report needs a key of its own, so that it is kept once.")
            .Holds(Enum.IsDefined(r.Outcome), "outcome", double.NaN, "Say how it did: as given, with changes, or do not run.")
            .Holds(
                r.RanAt > now.AddDays(-60) && r.RanAt < now.AddHours(1), "ranAt", double.NaN,
                "A report is for a run of the last 60 days; check the clock of this device.")
            .Holds(
                r.Finish.Length <= LongestFinish, "finish", r.Finish.Length,
                $"The finish has {r.Finish.Length} characters; {LongestFinish} is the most.")
            .Holds(
                r.Note.Length <= RecordLife.LongestText, "note", r.Note.Length,
                $"The note has {r.Note.Length} characters; {RecordLife.LongestText} is the most.")
            .Holds(
                r.Photo is not { Length: > Photos.MostBytes }, "photo", (r.Photo?.Length ?? 0) / 1024.0,
                $"The photo has {r.Photo?.Length / 1024} kB; {Photos.MostBytes / 1024} kB is the most. Take it smaller, or send the report without.")
            .Holds(
                r.Photo is null or { Length: > Photos.MostBytes } || photo is not null, "photo", double.NaN,
                "This is no picture that can be read; send a photo as JPEG, PNG or WebP, or the report without.");
        Within("speedOverride", "The spindle override", r.SpeedOverride, 1, 200, Quantity.Ratio);
        Within("feedOverride", "The feed override", r.FeedOverride, 1, 200, Quantity.Ratio);
        Within("lifeMinutes", "The life of an edge", r.LifeMinutes, 0, 100_000, Quantity.Time);
        Within("lifePieces", "The life of an edge in pieces", r.LifePieces, 0, Terms.MostPieces, Quantity.Count);
        Within("load", "The load", r.Load, 0, 300, Quantity.Ratio);
        Within("pieces", "The number of pieces", r.Pieces, 1, Terms.MostPieces, Quantity.Count);
        return check;

        void Within(string field, string name, double? value, double least, double most, Quantity quantity)
        {
            if (value is { } given) check.Within(field, name, given, least, most, quantity);
        }
    }

    // Judged anew with what the shop has now; until then nobody runs it.
    private static void Stop(RecordRevisionRow revision, string by)
    {
        (revision.StoppedBy, revision.JudgedFor) = (by, "");
        Standing standing = revision.With(Standing.Firm);
        (revision.Stands, revision.Standing, revision.Moved) =
            standing.Broken ? (Stands.Broken, DefinitionFormat.Write(standing), standing.Move) : (Stands.Firm, "", 0);
        revision.Version++;
    }

    private static string Said(FloorReportRow r, TimeProvider clock)
    {
        string[] what = [r.Chatter ? "it chatters" : "", r.Broke ? "something broke" : "", r.Note.Trim().TrimEnd('.')];
        string said = string.Join(", ", what.Where(w => w.Length > 0));
        return $"{r.By} reported from the machine on {clock.DayOf(r.RanAt):yyyy-MM-dd}: do not run{(said.Length > 0 ? ", " + said : "")}.";
    }

    // Whether somebody's decision lets figures be run again.
    private static async Task<bool> MayLiftAsync(
        RecordRow record, RecordRevisionRow revision, Actor by, IncisuraDb db, ShelfView view, DateOnly today) =>
        by.Role == Role.Approver && !RecordLife.IsOwn(
            (await RecordRules.FactsAsync(record, revision, await RecordParts.SituationAsync(db, revision), view, db, today)).Contributors, by);

    private static Task TellAsync(
        IncisuraDb db, FloorReportRow r, string act, string by, DateTimeOffset at, string reason, params FieldDifference[] differences) =>
        Chronicle.AppendAsync(
            db,
            [
                new(at, by, Chronicle.RecordKind, r.RecordId, r.RecordNumber, act)
                {
                    Number = r.Revision,
                    Reason = reason,
                    Differences = differences,
                },
            ]);

    private static FloorReportRow RowOf(FloorReportRequest r, byte[]? photo, int record, string by, DateTimeOffset now) => new()
    {
        Key = r.Key,
        RecordId = record,
        RecordNumber = r.Record,
        Revision = r.Revision,
        EditionNumber = r.Edition,
        RanAt = r.RanAt,
        At = now,
        By = by,
        Outcome = r.Outcome,
        SpeedOverride = r.SpeedOverride,
        FeedOverride = r.FeedOverride,
        LifeMinutes = r.LifeMinutes,
        LifePieces = r.LifePieces,
        Load = r.Load,
        Pieces = r.Pieces,
        Finish = r.Finish.Trim(),
        Chatter = r.Chatter,
        Broke = r.Broke,
        Note = r.Note.Trim(),
        Photo = photo is null ? null : new() { Jpeg = photo },
        HasPhoto = photo is not null,
    };

    private static FloorReportView ViewOf(FloorReportRow r) => new(
        r.Id, r.By, r.At,
        new(
            r.Key, r.RecordNumber, r.Revision, r.EditionNumber, r.RanAt, r.Outcome, r.SpeedOverride, r.FeedOverride, r.LifeMinutes, r.LifePieces,
            r.Load, r.Pieces, r.Finish, r.Chatter, r.Broke, r.Note),
        r.HasPhoto, r.IsOpen, r.SettledBy, r.SettledAt, r.Decision);

    private static ReportSummary SummaryOf(int revision, List<FloorReportRow> all)
    {
        return new(
            revision, Count(ReportOutcome.AsGiven), Count(ReportOutcome.WithChanges), Count(ReportOutcome.DoNotRun), all.Count(r => r.Chatter),
            all.Count(r => r.Broke), ReportSpread.Of(all.Select(r => r.SpeedOverride)), ReportSpread.Of(all.Select(r => r.FeedOverride)),
            ReportSpread.Of(all.Select(r => r.LifeMinutes)), ReportSpread.Of(all.Select(r => (double?)r.LifePieces)),
            ReportSpread.Of(all.Select(r => r.Load)));

        int Count(ReportOutcome outcome) => all.Count(r => r.Outcome == outcome);
    }
}

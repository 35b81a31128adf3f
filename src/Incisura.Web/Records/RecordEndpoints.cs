using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Core.Records;
using Incisura.Web.Calculate;
using Incisura.Web.Hosting;
using Incisura.Web.Mail;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>Drafts, review, and the life of a record.</summary>
public static class RecordEndpoints
{
    public static void MapRecords(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/records").WithTags("records").RequireAuthorization(Access.Engineers);

        group.MapGet(
            "/{number}",
            async (string number, HttpContext context, IncisuraDb db, Shelf shelf) =>
                await RecordViews.ViewOfAsync(await FindAsync(db, number), await shelf.ViewAsync(db), db, context));

        group.MapPost("/", async (DraftRequest request, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            (RecordRow record, _) = await DraftAsync(request, context.User.Actor().Name, db, shelf, clock);
            return TypedResults.Created(
                $"/api/v1/records/{record.Number}", await RecordViews.ViewOfAsync(record, await shelf.ViewAsync(db), db, context));
        });

        group.MapPut("/{number}", async (string number, DraftChange change, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            (RecordRow record, RecordRevisionRow revision) = await OpenAsync(number, r => r.Newest(), context, db, shelf);
            await ActAsync(record, revision, RecordAct.Edit, context, null, clock, db, await shelf.ViewAsync(db));
            DraftRequest request = new(
                record.Operation, record.MaterialId, record.AssemblyId, record.MachineId, change.Numbers, change.Options, change.Note,
                change.Leftover, change.Method)
            {
                Extras = ExtrasOf(change, record, revision),
            };
            (Situation situation, Choices choices, CalculationResult result, ShelfView view) = await CalculateAsync(request, db, shelf);
            if (ThreadOf(record.Operation, result) != record.Thread)
                throw new RuleException(
                    "other-thread",
                        $"{number} is about {record.Thread}. Keep another thread as a draft of its own, or choose {record.Thread} again.");
            await TakeAsync(record, revision, situation, choices, result, db, view);
            revision.Note = CheckedNote(change.Note ?? revision.Note);
            revision.ProposedBy = context.User.Actor().Name;
            await db.SaveChangesAsync();
            return await RecordViews.ViewOfAsync(record, await shelf.ViewAsync(db), db, context);
        });

        MapAct("submit", RecordAct.Submit);
        MapAct("approve", RecordAct.Approve);
        MapAct("send-back", RecordAct.SendBack);
        MapAct("take-back", RecordAct.TakeBack);
        MapAct("withdraw", RecordAct.Withdraw);
        MapAct("discard", RecordAct.Discard);

        void MapAct(string path, RecordAct act) =>
            group.MapPost($"/{{number}}/{path}", async (
                string number, ActRequest request, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            // What is in force can be taken out of use whatever else is open.
            Func<RecordRow, RecordRevisionRow> which = act == RecordAct.Withdraw
                ? r => r.InForce() ?? r.Newest()
                : r => r.Newest();
            (RecordRow record, RecordRevisionRow revision) = await OpenAsync(number, which, context, db, shelf);
            if (act is RecordAct.Submit or RecordAct.Approve) revision.Take(request, context.User.Actor(), clock.Today());
            await ActAsync(record, revision, act, context, request.Text, clock, db, await shelf.ViewAsync(db));
            await db.SaveChangesAsync();
            if (act is RecordAct.Approve or RecordAct.Withdraw) await shelf.RecountAsync(db);
            return await RecordViews.ViewOfAsync(record, await shelf.ViewAsync(db), db, context);
        });
    }

    /// <summary>Keeps a draft for a situation, as the next revision of its record or the first one of a new record.</summary>
    /// <param name="request">Situation and choices.</param>
    /// <param name="by">In whose name.</param>
    /// <param name="db">The database.</param>
    /// <param name="shelf">Library and shop.</param>
    /// <param name="clock">The clock.</param>
    /// <param name="begin">Whether a new revision may be begun beside one that is in force.</param>
    internal static async Task<(RecordRow Record, CalculationResult Result)> DraftAsync(
        DraftRequest request, string by, IncisuraDb db, Shelf shelf, TimeProvider clock, bool begin = true)
    {
        (Situation situation, Choices choices, CalculationResult result, ShelfView view) = await CalculateAsync(request, db, shelf);

        string thread = ThreadOf(request.Operation, result);

        // The transaction takes the write lock first, so that no two drafts get the same number.
        await using var transaction = await db.Database.BeginTransactionAsync();
        RecordRow? record = await Whole(db).FirstOrDefaultAsync(r =>
            r.Operation == request.Operation && r.MaterialId == request.MaterialId && r.AssemblyId == request.AssemblyId
                && r.MachineId == request.MachineId && r.Thread == thread);
        if (record is not null && OpenRefusal(record) is { } open) throw open;
        if (record?.InForce() is { } inForce && !begin)
            throw new RuleException("in-force", $"{record.Number} revision {inForce.Number} is approved for this already.");
        if (record is null)
        {
            int next = (await db.Records.MaxAsync(r => (int?)r.Id) ?? 0) + 1;
            record = new()
            {
                Number = string.Create(CultureInfo.InvariantCulture, $"R-{next:0000}"),
                Operation = request.Operation,
                MaterialId = request.MaterialId,
                AssemblyId = request.AssemblyId,
                MachineId = request.MachineId,
                Thread = thread,
            };
            db.Add(record);
        }

        string note = CheckedNote(request.Note ?? (record.Revisions.Count == 0 ? null : record.Newest().Note));
        RecordRevisionRow draft = NewDraft(record, note, "", by, clock);
        await TakeAsync(record, draft, situation, choices, result, db, view);
        await db.SaveChangesAsync();
        await transaction.CommitAsync();
        return (record, result);
    }

    /// <summary>All records with revisions and events.</summary>
    public static IQueryable<RecordRow> Whole(IncisuraDb db) => db.Records.Include(r => r.Revisions).ThenInclude(v => v.Events).AsSplitQuery();

    internal static async Task<RecordRow> FindAsync(IncisuraDb db, string number) =>
        await Whole(db).FirstOrDefaultAsync(r => r.Number == number)
            ?? throw new MissingException($"There is no record {number}; go back to the list and choose one.");

    // A revision of a record, if the caller has seen its latest version.
    internal static async Task<(RecordRow Record, RecordRevisionRow Revision)> OpenAsync(
        string number, Func<RecordRow, RecordRevisionRow> which, HttpContext context, IncisuraDb db, Shelf shelf)
    {
        int version = Tags.Required(context);
        RecordRow record = await FindAsync(db, number);
        RecordRevisionRow revision = which(record);
        if (revision.Version != version)
            throw new LostRaceException(
                $"{revision.Events.MaxBy(e => e.Id)!.By} changed {number} while you worked. Yours was not saved; look at "
                    + "both and repeat what you want to keep.",
                await RecordViews.ViewOfAsync(record, await shelf.ViewAsync(db), db, context));
        return (record, revision);
    }

    // Why no new revision can be begun; null where one can.
    internal static RuleException? OpenRefusal(RecordRow record) =>
        record.Revisions.FirstOrDefault(r => r.State is RecordState.Draft or RecordState.InReview) is { } open
            ? new RuleException(
                "open-revision",
                $"{record.Number} revision {open.Number} for this situation is {RecordLife.Words(open.State)} already, by "
                    + $"{open.ProposedBy}. Open it and work on there.")
            : null;

    // The next revision of a record, in the name of whoever calls; what it says is still to be taken.
    internal static RecordRevisionRow NewDraft(RecordRow record, string note, string reason, string by, TimeProvider clock)
    {
        RecordRevisionRow draft = new()
        {
            Number = record.Revisions.Count == 0 ? 1 : record.Revisions.Max(r => r.Number) + 1,
            State = RecordState.Draft,
            Note = note,
            ProposedBy = by,
            ChangedAt = clock.GetUtcNow(),
            Events = { new() { At = clock.GetUtcNow(), By = by, Act = RecordAct.Edit, Reason = reason } },
        };
        if (record.Revisions.Count > 0) draft.Take(record.Newest().ReadTerms() with { Until = null });
        record.Revisions.Add(draft);
        record.Draw();
        return draft;
    }

    // What a revision says, what it rests on, and with which view of the shelf it was worked out: what was saved since is not judged yet.
    internal static async Task TakeAsync(
        RecordRow record, RecordRevisionRow revision, Situation situation, Choices choices, CalculationResult result, IncisuraDb db, ShelfView view)
    {
        RecordRevisionRow? before = revision.Result.Length > 0
            ? revision
            : record.Revisions.Where(r => r.Result.Length > 0).MaxBy(r => r.Number);
        CalculationResult? earlier = before is null ? null : RecordParts.ResultOf(before);
        await RecordParts.KeepAsync(db, record, revision, situation, choices, result);
        revision.Take(revision.ReadTerms().Carried(result, earlier));
        (revision.Stands, revision.Standing, revision.Moved) = (Stands.Firm, "", 0);
        revision.JudgedFor = view.FootingsOf(record, revision.ThreadId);
    }

    internal static async Task ActAsync(
        RecordRow record, RecordRevisionRow revision, RecordAct act, HttpContext context, string? reason, TimeProvider clock, IncisuraDb db,
        ShelfView view)
    {
        Actor actor = context.User.Actor();
        RevisionFacts facts = await RecordRules.FactsAsync(
            record, revision, await RecordParts.SituationAsync(db, revision), view, db, clock.Today());
        revision.State = RecordLife.After(facts, act, actor, reason);
        if (act is RecordAct.Approve or RecordAct.Keep)
            revision.Take(Usable.Overrule(
                facts.Terms, Usable.Bars(facts, act == RecordAct.Keep ? Use.Keeping : Use.Approval), reason ?? "", actor.Name));
        revision.Events.Add(
            new() { At = clock.GetUtcNow(), By = actor.Name, InPlaceOf = actor.InPlaceOf, Act = act, Reason = reason?.Trim() ?? "" });
        revision.ChangedAt = clock.GetUtcNow();
        revision.SentBack = act == RecordAct.SendBack || (revision.SentBack && act == RecordAct.Edit);
        if (act == RecordAct.SendBack) revision.ResultSentBack = revision.Result;
        revision.Version++;
        record.Draw();
        await Letters.TellAsync(db, record, revision, act, actor, facts.Contributors, reason?.Trim() ?? "", clock);
    }

    private static async Task<(Situation Situation, Choices Choices, CalculationResult Result, ShelfView View)> CalculateAsync(
        DraftRequest request, IncisuraDb db, Shelf shelf)
    {
        IOperation operation = CalculateEndpoints.OperationOf(request.Operation);
        ShelfView view = await shelf.ViewAsync(db);
        Situation situation = CalculateEndpoints.SituationOf(request, view);
        Choices choices = await CalculateEndpoints.ChoicesOf(request, db, shelf);
        CalculationResult result =
            Telemetry.Calculated(operation.Description.Code, () => operation.Calculate(situation, choices, explain: true));
        return (situation, choices, result, view);
    }

    // The thread a record is about: of an operation that cuts one which is chosen. A tap has its own.
    private static string ThreadOf(string operation, CalculationResult result) =>
        Takes(operation, typeof(ThreadToCut)) ? result.Attached<CutThread>()?.Text ?? "" : "";

    // How the hole was drilled before goes with a revision until somebody says otherwise.
    private static List<Extra> ExtrasOf(DraftChange change, RecordRow record, RecordRevisionRow revision)
    {
        List<Extra> extras = [.. change.Extras ?? []];
        DrilledBefore? given = extras.OfType<DrilledBefore>().FirstOrDefault();
        if (given?.Depth is not null || !Takes(record.Operation, typeof(DrilledBefore))) return extras;
        if (EarlierDepth(record, revision, change.Numbers) is not { } depth) return extras;
        return [.. extras.Where(e => e is not DrilledBefore), new DrilledBefore(depth, given?.Cycle)];
    }

    private static bool Takes(string operation, Type extra) =>
        CalculateEndpoints.OperationOf(operation).Description.Extras.Contains(Extra.CodeOf(extra));

    // The depth the drawing had before: that of the revision approved last, or else what this draft said until now.
    private static double? EarlierDepth(RecordRow record, RecordRevisionRow revision, Dictionary<string, double>? numbers)
    {
        if (numbers is null || !numbers.TryGetValue("depth", out double depth)) return null;
        RecordRevisionRow before = record.InForce() ?? revision;
        double? earlier = DefinitionFormat.Read<Choices>(before.Choices).Numbers.TryGetValue("depth", out double was) ? was : null;
        return before == revision && earlier == depth
            ? DefinitionFormat.Read<Choices>(revision.Choices).Extras.OfType<DrilledBefore>().FirstOrDefault()?.Depth
            : earlier == depth
            ? null
            : earlier;
    }

    private static string CheckedNote(string? note)
    {
        string text = note?.Trim() ?? "";
        new InputCheck()
            .Holds(
                text.Length <= RecordLife.LongestText, "note", text.Length,
                $"The note has {text.Length} characters; {RecordLife.LongestText} is the most.")
            .ThrowIfAny();
        return text;
    }
}

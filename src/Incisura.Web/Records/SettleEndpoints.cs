using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using Incisura.Core.Records;
using Incisura.Web.Calculate;
using Incisura.Web.Hosting;

namespace Incisura.Web.Records;

/// <summary>What is done with a record in force that something moved under: a new revision as it would come out today, or kept with a reason.</summary>
public static class SettleEndpoints
{
    public static void MapSettling(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/records").WithTags("records").RequireAuthorization(Access.Engineers);

        group.MapPost("/{number}/keep", async (
            string number, ActRequest request, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            (RecordRow record, RecordRevisionRow row) = await RecordEndpoints.OpenAsync(number, InForce, context, db, shelf);
            ShelfView view = await shelf.ViewAsync(db);
            await RecordEndpoints.ActAsync(record, row, RecordAct.Keep, context, request.Text, clock, db, view);
            row.KeptFor = row.JudgedFor = view.FootingsOf(record, row.ThreadId);
            (row.Stands, row.Standing, row.Moved) = (Stands.Holds, "", 0);
            await db.SaveChangesAsync();
            return await RecordViews.ViewOfAsync(record, view, db, context);
        });

        group.MapPost("/{number}/made", async (
            string number, PiecesMade made, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            new InputCheck()
                .Within("pieces", "The number of pieces", made.Pieces, 1, Terms.MostPieces, Quantity.Count)
                .ThrowIfAny();
            await using var transaction = await db.Database.BeginTransactionAsync();
            (RecordRow record, RecordRevisionRow row) = await RecordEndpoints.OpenAsync(number, InForce, context, db, shelf);
            row.Count(made.Pieces, clock.Today());
            row.Version++;
            await db.SaveChangesAsync();
            Change told = new(clock.GetUtcNow(), context.User.Actor().Name, Chronicle.RecordKind, record.Id, record.Number, Chronicle.Made)
            {
                Number = row.Number,
                Differences = [new("made", $"{row.Made - made.Pieces}", $"{row.Made}")],
            };
            await Chronicle.AppendAsync(db, [told]);
            await transaction.CommitAsync();
            return await RecordViews.ViewOfAsync(record, await shelf.ViewAsync(db), db, context);
        });

        group.MapPost("/{number}/renew", async (
            string number, ActRequest request, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            // The transaction takes the write lock first, so that two at once do not both make a revision.
            await using var transaction = await db.Database.BeginTransactionAsync();
            (RecordRow record, RecordRevisionRow row) = await RecordEndpoints.OpenAsync(number, InForce, context, db, shelf);
            ShelfView view = await shelf.ViewAsync(db);
            await AnewAsync(record, row, request.Text?.Trim() ?? "", context, db, view, clock);
            await transaction.CommitAsync();
            return await RecordViews.ViewOfAsync(record, view, db, context);
        });

        // What waits and cannot be approved any more gives way; whoever works it out anew had a hand in it, and somebody else decides.
        group.MapPost("/{number}/rework", async (
            string number, ActRequest request, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            await using var transaction = await db.Database.BeginTransactionAsync();
            (RecordRow record, RecordRevisionRow row) = await RecordEndpoints.OpenAsync(number, r => r.Newest(), context, db, shelf);
            ShelfView view = await shelf.ViewAsync(db);
            string reason = request.Text is { Length: > 0 } said ? said : "Worked out anew.";
            await RecordEndpoints.ActAsync(record, row, RecordAct.SendBack, context, reason, clock, db, view);
            await RecordEndpoints.ActAsync(record, row, RecordAct.Discard, context, null, clock, db, view);
            await AnewAsync(record, row, "", context, db, view, clock);
            await transaction.CommitAsync();
            return await RecordViews.ViewOfAsync(record, view, db, context);
        });
    }

    // The next revision, with the choices of another as they come out today, handed in unless it must not be run.
    private static async Task AnewAsync(
        RecordRow record, RecordRevisionRow row, string reason, HttpContext context, IncisuraDb db, ShelfView view, TimeProvider clock)
    {
        if (RecordEndpoints.OpenRefusal(record) is { } open) throw open;
        Situation situation = view.SituationOf(record.MaterialId, record.AssemblyId, record.MachineId)!;
        Choices choices = view.WithThreads(DefinitionFormat.Read<Choices>(row.Choices));
        CalculationResult result = CalculateEndpoints.OperationOf(record.Operation).Calculate(situation, choices, explain: true);
        RecordRevisionRow next = RecordEndpoints.NewDraft(record, row.Note, reason, context.User.Actor().Name, clock);
        await RecordEndpoints.TakeAsync(record, next, situation, choices, result, db, view);
        if (result.Findings.All(f => f.Severity != Severity.Stop))
            await RecordEndpoints.ActAsync(record, next, RecordAct.Submit, context, null, clock, db, view);
        await db.SaveChangesAsync();
    }

    private static RecordRevisionRow InForce(RecordRow record) => record.InForce() ?? throw new RuleException(
        "state", $"No revision of {record.Number} is in force, so there is nothing to settle.");
}

using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Mail;

namespace Incisura.Web.Records;

/// <summary>What people have to say about a revision and its figures.</summary>
public static class CommentEndpoints
{
    public static void MapComments(this IEndpointRouteBuilder api) => api.MapPost("/records/{number}/comments", async (
        string number, NewComment comment, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
    {
        RecordRow record = await RecordEndpoints.FindAsync(db, number);
        RecordRevisionRow row = record.Revisions.Find(r => r.Number == comment.Revision)
            ?? throw new MissingException($"{number} has no revision {comment.Revision}.");
        string text = comment.Text.Trim();
        CalculationResult result = RecordParts.ResultOf(row);
        new InputCheck()
            .Holds(
                text.Length is > 0 and <= RecordLife.LongestText, "text", text.Length,
                $"Say something of at most {RecordLife.LongestText} characters.")
            .Holds(
                comment.Figure.Length == 0 || result.Figures.Any(f => f.Code == comment.Figure), "figure", double.NaN,
                "This revision has no such figure; choose one that it shows.")
            .ThrowIfAny();
        db.Add(new CommentRow
        {
            RecordId = record.Id,
            RecordNumber = record.Number,
            Revision = row.Number,
            Figure = comment.Figure,
            At = clock.GetUtcNow(),
            By = context.User.Actor().Name,
            Text = text,
        });
        db.AddRange(Letters.Commented(record, row, context.User.Actor().Name, text, clock.GetUtcNow()));
        await db.SaveChangesAsync();
        return await RecordViews.ViewOfAsync(record, await shelf.ViewAsync(db), db, context);
    }).WithTags("records").RequireAuthorization(Access.Engineers);
}

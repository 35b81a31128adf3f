using Incisura.Web.Hosting;

namespace Incisura.Web.Accounts;

/// <summary>What is told to administrators of who comes in and what is taken along: entries of the history that nobody else reads.</summary>
public static class Door
{
    private const int LongestName = 60, LongestThing = 200, MostWaiting = 10_000;

    /// <summary>Writes an entry, with where it came from.</summary>
    /// <param name="db">The database.</param>
    /// <param name="who">Sign-in name, or what was given for one.</param>
    /// <param name="act">What was done, as a code.</param>
    /// <param name="what">What it was done to; empty for the door itself.</param>
    /// <param name="context">The request.</param>
    /// <param name="clock">The clock.</param>
    public static async Task TellAsync(IncisuraDb db, string who, string act, string what, HttpContext context, TimeProvider clock)
    {
        Waiting waiting = context.RequestServices.GetRequiredService<Waiting>();
        if (waiting.Count < MostWaiting)
            waiting.Enqueue(new(clock.GetUtcNow(), Cut(who, LongestName), Chronicle.DoorKind, 0, Cut(what, LongestThing), act)
            {
                Reason = context.Connection.RemoteIpAddress?.ToString() ?? "",
            });
        List<Change> taken = [];
        while (waiting.TryDequeue(out Change? next)) taken.Add(next);
        try
        {
            await using var transaction = await db.Database.BeginTransactionAsync();
            await Chronicle.AppendAsync(db, taken);
            await transaction.CommitAsync();
        }
        catch (Exception full) when (ProblemHandler.IsFullDisk(full))
        {
            // A full disk keeps nobody from reading; the entries are written with the next one that fits.
            db.ChangeTracker.Clear();
            foreach (Change entry in taken) waiting.Enqueue(entry);
        }
    }

    /// <summary>Entries that a full disk did not take yet.</summary>
    public sealed class Waiting : System.Collections.Concurrent.ConcurrentQueue<Change>;

    /// <summary>Tells administrators who takes a whole list or file along, and with which filters.</summary>
    public static RouteHandlerBuilder TellsWhoTakesIt(this RouteHandlerBuilder builder) => builder.AddEndpointFilter(async (call, next) =>
    {
        object? answer = await next(call);
        HttpContext context = call.HttpContext;
        if (answer is not IFileHttpResult) return answer;
        string what = $"{context.Request.Path.Value?.Replace("/api/v1/", "", StringComparison.Ordinal)}{context.Request.QueryString}";
        await TellAsync(
            context.RequestServices.GetRequiredService<IncisuraDb>(), context.User.Actor().Name, Chronicle.TookAlong, Uri.UnescapeDataString(what),
            context, context.RequestServices.GetRequiredService<TimeProvider>());
        return answer;
    });

    private static string Cut(string text, int longest) => text[..Math.Min(text.Length, longest)];
}

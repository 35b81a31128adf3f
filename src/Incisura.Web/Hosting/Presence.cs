using System.Collections.Concurrent;
using Incisura.Core.Checks;

namespace Incisura.Web.Hosting;

/// <summary>Says that somebody has a page open.</summary>
/// <param name="Page">Path of the page.</param>
/// <param name="Editing">Whether something was typed there that is not saved.</param>
public sealed record AmHere(string Page, bool Editing);

/// <summary>Somebody else who has the same page open.</summary>
/// <param name="Name">Sign-in name.</param>
/// <param name="Editing">Whether they typed something that is not saved.</param>
public sealed record AlsoHere(string Name, bool Editing);

/// <summary>Who has which page open just now. Nothing of it is kept.</summary>
public sealed class Presence(TimeProvider clock)
{
    private const int MostPages = 5000;

    /// <summary>Somebody who has not said so again for this long has gone.</summary>
    private static readonly TimeSpan Gone = TimeSpan.FromSeconds(25);

    private readonly ConcurrentDictionary<(string Page, string Name), (DateTimeOffset At, bool Editing)> here = [];

    /// <summary>Notes somebody, and tells who else is there.</summary>
    public IReadOnlyList<AlsoHere> Note(string name, AmHere said)
    {
        DateTimeOffset now = clock.GetUtcNow();
        foreach (((string Page, string Name) key, (DateTimeOffset at, _)) in here)
            if (now - at > Gone) here.TryRemove(key, out _);
        if (here.Count < MostPages) here[(said.Page, name)] = (now, said.Editing);
        return
        [
            .. here.Where(h => h.Key.Page == said.Page && h.Key.Name != name).Select(h => new AlsoHere(h.Key.Name, h.Value.Editing))
                .OrderBy(h => h.Name, StringComparer.Ordinal),
        ];
    }

    /// <summary>Somebody leaves a page.</summary>
    public void Leave(string name, string page) => here.TryRemove((page, name), out _);
}

/// <summary>Presence of others on a page.</summary>
public static class PresenceEndpoints
{
    private const int LongestPage = 200;

    public static void MapPresence(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/presence").WithTags("presence").RequireAuthorization(Access.Engineers);
        group.MapPost("/", (AmHere said, HttpContext context, Presence presence) =>
        {
            new InputCheck()
                .Holds(said.Page.Length is > 0 and <= LongestPage, "page", said.Page.Length, "Say which page it is.")
                .ThrowIfAny();
            return presence.Note(context.User.Actor().Name, said);
        });
        group.MapDelete("/", (string page, HttpContext context, Presence presence) =>
        {
            presence.Leave(context.User.Actor().Name, page);
            return TypedResults.NoContent();
        });
    }
}

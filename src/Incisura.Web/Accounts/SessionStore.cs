using System.Collections.Concurrent;
using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Accounts;

/// <summary>How long a session lasts.</summary>
/// <param name="Idle">Without being used.</param>
/// <param name="Whole">In all, however much it is used.</param>
public sealed record SessionLimits(TimeSpan Idle, TimeSpan Whole)
{
    /// <summary>The longest there is.</summary>
    public static SessionLimits Usual { get; } = new(TimeSpan.FromHours(12), TimeSpan.FromDays(30));

    /// <summary>Of those who approve, or keep people.</summary>
    public static SessionLimits Tight { get; } = new(TimeSpan.FromMinutes(30), TimeSpan.FromHours(12));

    /// <summary>Those of a person.</summary>
    public static SessionLimits Of(ClaimsPrincipal person) =>
        person.IsInRole(nameof(Role.Approver)) || person.IsInRole(nameof(Role.Administrator)) ? Tight : Usual;
}

/// <summary>
/// Keeps who is signed in on the server: the cookie holds only a key, so that a session ends at once when it is ended here. What a full disk does
/// not take is kept in memory until it does.
/// </summary>
public sealed class SessionStore(IServiceScopeFactory scopes, IHttpContextAccessor accessor, TimeProvider clock) : ITicketStore
{
    // Where a ticket says which session it belongs to.
    private const string OwnKey = "incisura.session";

    private const int LongestDevice = 200;

    // Of every host of this process: keys are never the same twice.
    private static readonly ConcurrentDictionary<string, SessionRow> Unwritten = [];

    /// <summary>
    /// Signs somebody in, in the only way there is: with a key nobody has had before. The session of whoever was signed in in this browser ends.
    /// </summary>
    /// <param name="context">The request.</param>
    /// <param name="person">Who comes in.</param>
    /// <param name="withFactor">Whether a second factor was given.</param>
    public async Task BeginAsync(HttpContext context, Person person, bool withFactor)
    {
        if (OwnKeyOf(context) is { } before) await EndAsync(before);
        ClaimsPrincipal principal = await context.RequestServices.GetRequiredService<SignInManager<Person>>().CreateUserPrincipalAsync(person);
        if (withFactor) ((ClaimsIdentity)principal.Identity!).AddClaim(FactorRule.Given);

        // The handler of this request has read the key until now and would give it away again; one that reads anew finds none.
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        DateTimeOffset now = clock.GetUtcNow();
        await scope.ServiceProvider.GetRequiredService<IAuthenticationService>().SignInAsync(
            context, IdentityConstants.ApplicationScheme, principal,
            new() { IsPersistent = true, IssuedUtc = now, ExpiresUtc = now + SessionLimits.Of(principal).Whole });
    }

    public async Task<string> StoreAsync(AuthenticationTicket ticket)
    {
        string key = Convert.ToBase64String(RandomNumberGenerator.GetBytes(32));
        DateTimeOffset now = clock.GetUtcNow();
        SessionRow row = new()
        {
            Key = HashOf(key),
            PersonId = PersonOf(ticket),
            Ticket = TicketSerializer.Default.Serialize(ticket),
            Device = DeviceOf(accessor.HttpContext),
            Since = now,
            Until = now + SessionLimits.Of(ticket.Principal).Idle,
        };
        try
        {
            await using AsyncServiceScope scope = scopes.CreateAsyncScope();
            IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
            await db.Sessions.Where(s => s.Until < now).ExecuteDeleteAsync();
            db.Add(row);
            await db.SaveChangesAsync();
        }
        catch (Exception full) when (ProblemHandler.IsFullDisk(full))
        {
            Unwritten[row.Key] = row;
        }

        return key;
    }

    /// <summary>Writes a ticket anew into its own session; never that of another person.</summary>
    public async Task RenewAsync(string key, AuthenticationTicket ticket)
    {
        (string hash, string person) = (HashOf(key), PersonOf(ticket));
        byte[] content = TicketSerializer.Default.Serialize(ticket);
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<IncisuraDb>().Sessions.Where(s => s.Key == hash && s.PersonId == person)
            .ExecuteUpdateAsync(s => s.SetProperty(r => r.Ticket, content));
    }

    public async Task<AuthenticationTicket?> RetrieveAsync(string key)
    {
        string hash = HashOf(key);
        DateTimeOffset now = clock.GetUtcNow();
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        SessionRow? row = await db.Sessions.AsNoTracking().FirstOrDefaultAsync(s => s.Key == hash) ?? await WrittenAsync(db, hash);
        if (row is null || row.Until <= now || TicketSerializer.Default.Deserialize(row.Ticket) is not { } found) return null;
        SessionLimits limits = SessionLimits.Of(found.Principal);
        DateTimeOffset last = row.Since + limits.Whole, until = now + limits.Idle;
        if (last <= now) return null;
        await UseAsync(db, row, until < last ? until : last, limits.Idle / 30);
        found.Properties.SetString(OwnKey, hash);
        return found;
    }

    public Task RemoveAsync(string key) => EndAsync(HashOf(key));

    /// <summary>Ends every session of a person.</summary>
    public static Task EndAllAsync(IncisuraDb db, string personId) => EndAsync(db, personId, but: null);

    /// <summary>Ends every session of a person but the one that asks.</summary>
    public static Task EndOthersAsync(IncisuraDb db, string personId, HttpContext context) => EndAsync(db, personId, OwnKeyOf(context));

    /// <summary>The session that asks; null for none.</summary>
    public static string? OwnKeyOf(HttpContext context) =>
        context.Features.Get<IAuthenticateResultFeature>()?.AuthenticateResult?.Properties?.GetString(OwnKey);

    private static Task<int> EndAsync(IncisuraDb db, string personId, string? but)
    {
        foreach (SessionRow row in Unwritten.Values.Where(s => s.PersonId == personId && s.Key != but)) Unwritten.TryRemove(row.Key, out _);
        return db.Sessions.Where(s => s.PersonId == personId && s.Key != but).ExecuteDeleteAsync();
    }

    private async Task EndAsync(string hash)
    {
        Unwritten.TryRemove(hash, out _);
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<IncisuraDb>().Sessions.Where(s => s.Key == hash).ExecuteDeleteAsync();
    }

    // What the disk did not take is written as soon as it does.
    private static async Task<SessionRow?> WrittenAsync(IncisuraDb db, string hash)
    {
        if (!Unwritten.TryGetValue(hash, out SessionRow? row)) return null;
        try
        {
            db.Add(row);
            await db.SaveChangesAsync();
            Unwritten.TryRemove(hash, out _);
        }
        catch (Exception full) when (ProblemHandler.IsFullDisk(full))
        {
            // It stays where it is.
        }

        return row;
    }

    // That it was used is written now and then only; what is not written costs whoever uses it a sign-in at the most.
    private static async Task UseAsync(IncisuraDb db, SessionRow row, DateTimeOffset until, TimeSpan atMost)
    {
        if (until - row.Until <= atMost) return;
        try
        {
            await db.Sessions.Where(s => s.Key == row.Key).ExecuteUpdateAsync(s => s.SetProperty(r => r.Until, until));
        }
        catch (Exception full) when (ProblemHandler.IsFullDisk(full))
        {
            row.Until = until;
        }
    }

    private static string DeviceOf(HttpContext? context) =>
        context?.Request.Headers.UserAgent.ToString() is { Length: > 0 } named ? named[..Math.Min(named.Length, LongestDevice)] : "";

    private static string PersonOf(AuthenticationTicket ticket) => ticket.Principal.FindFirstValue(ClaimTypes.NameIdentifier) ?? "";

    private static string HashOf(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.ASCII.GetBytes(key)));
}

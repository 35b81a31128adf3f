using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Accounts;

/// <summary>Keeps who is signed in on the server: the cookie holds only a key, so that a session ends at once when it is ended here.</summary>
public sealed class SessionStore(IServiceScopeFactory scopes, IHttpContextAccessor accessor, TimeProvider clock) : ITicketStore
{
    // Where a ticket says which session it belongs to.
    private const string OwnKey = "incisura.session";

    private const int LongestDevice = 200;

    public async Task<string> StoreAsync(AuthenticationTicket ticket)
    {
        string key = Convert.ToBase64String(RandomNumberGenerator.GetBytes(32));
        DateTimeOffset now = clock.GetUtcNow();
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        await db.Sessions.Where(s => s.Until < now).ExecuteDeleteAsync();
        db.Add(
            new SessionRow
            {
                Key = HashOf(key),
                PersonId = PersonOf(ticket),
                Ticket = TicketSerializer.Default.Serialize(ticket),
                Device = DeviceOf(accessor.HttpContext),
                Since = now,
                Until = UntilOf(ticket),
            });
        await db.SaveChangesAsync();
        return key;
    }

    public async Task RenewAsync(string key, AuthenticationTicket ticket)
    {
        string hash = HashOf(key);
        byte[] content = TicketSerializer.Default.Serialize(ticket);
        DateTimeOffset until = UntilOf(ticket);
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<IncisuraDb>().Sessions.Where(s => s.Key == hash)
            .ExecuteUpdateAsync(s => s.SetProperty(r => r.Ticket, content).SetProperty(r => r.Until, until));
    }

    public async Task<AuthenticationTicket?> RetrieveAsync(string key)
    {
        string hash = HashOf(key);
        DateTimeOffset now = clock.GetUtcNow();
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        byte[]? ticket = await scope.ServiceProvider
            .GetRequiredService<IncisuraDb>().Sessions
            .AsNoTracking()
            .Where(s => s.Key == hash && s.Until > now)
            .Select(s => s.Ticket)
            .FirstOrDefaultAsync();
        if (ticket is null || TicketSerializer.Default.Deserialize(ticket) is not { } found) return null;
        found.Properties.SetString(OwnKey, hash);
        return found;
    }

    public async Task RemoveAsync(string key)
    {
        string hash = HashOf(key);
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<IncisuraDb>().Sessions.Where(s => s.Key == hash).ExecuteDeleteAsync();
    }

    /// <summary>Ends every session of a person.</summary>
    public static Task EndAllAsync(IncisuraDb db, string personId) => db.Sessions.Where(s => s.PersonId == personId).ExecuteDeleteAsync();

    /// <summary>Ends every session of a person but the one that asks.</summary>
    public static Task EndOthersAsync(IncisuraDb db, string personId, HttpContext context)
    {
        string? own = OwnKeyOf(context);
        return db.Sessions.Where(s => s.PersonId == personId && s.Key != own).ExecuteDeleteAsync();
    }

    /// <summary>The session that asks; null for none.</summary>
    public static string? OwnKeyOf(HttpContext context) =>
        context.Features.Get<IAuthenticateResultFeature>()?.AuthenticateResult?.Properties?.GetString(OwnKey);

    private static string DeviceOf(HttpContext? context) =>
        context?.Request.Headers.UserAgent.ToString() is { Length: > 0 } named ? named[..Math.Min(named.Length, LongestDevice)] : "";

    private DateTimeOffset UntilOf(AuthenticationTicket ticket) => ticket.Properties.ExpiresUtc ?? clock.GetUtcNow().AddHours(12);

    private static string PersonOf(AuthenticationTicket ticket) => ticket.Principal.FindFirstValue(ClaimTypes.NameIdentifier) ?? "";

    private static string HashOf(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.ASCII.GetBytes(key)));
}

using System.Threading.RateLimiting;

namespace Incisura.Web.Accounts;

/// <summary>
/// Slows down whoever guesses passwords: a few wrong ones from one client for one name, and that client waits, whether the name exists or not.
/// The person themself goes on signing in from where they are.
/// </summary>
public sealed class SignInGuard : IDisposable
{
    /// <summary>What is said to whoever has to wait.</summary>
    public const string TooMany = "Too many wrong passwords from here; wait five minutes and try again.";

    private const int Tries = 8;

    private readonly PartitionedRateLimiter<(string Name, string Client)> limiter =
        PartitionedRateLimiter.Create<(string Name, string Client), (string, string)>(of => RateLimitPartition.GetFixedWindowLimiter(of, _ => new()
        {
            PermitLimit = Tries,
            Window = TimeSpan.FromMinutes(5),
        }));

    /// <summary>Whether this client may try this name now.</summary>
    public bool MayTry(string name, HttpContext context)
    {
        using RateLimitLease lease = limiter.AttemptAcquire(Of(name, context), permitCount: 0);
        return lease.IsAcquired;
    }

    /// <summary>Notes a wrong one.</summary>
    public void Wrong(string name, HttpContext context)
    {
        using RateLimitLease lease = limiter.AttemptAcquire(Of(name, context));
    }

    /// <inheritdoc/>
    public void Dispose() => limiter.Dispose();

    private static (string Name, string Client) Of(string name, HttpContext context) =>
        (name.Trim().ToUpperInvariant(), context.Connection.RemoteIpAddress?.ToString() ?? "");
}

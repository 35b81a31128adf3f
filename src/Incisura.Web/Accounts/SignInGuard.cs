using System.Threading.RateLimiting;

namespace Incisura.Web.Accounts;

/// <summary>
/// Slows down whoever guesses passwords: a few wrong ones from one client for one name, and that client waits, whether the name exists or not.
/// The person themself goes on signing in from where they are, and so does everybody else behind the same router. Passwords are compared one at
/// a time for a client, so that no number of guesses at once gets one further, nor takes the server from the others.
/// </summary>
public sealed class SignInGuard : IDisposable
{
    /// <summary>What is said to whoever has to wait.</summary>
    public const string TooMany = "Too many wrong passwords from here; wait five minutes and try again.";

    private const int Tries = 8, MostWaiting = 50;

    private readonly PartitionedRateLimiter<(string Name, string Client)> limiter =
        PartitionedRateLimiter.Create<(string Name, string Client), (string, string)>(of => RateLimitPartition.GetFixedWindowLimiter(of, _ => new()
        {
            PermitLimit = Tries,
            Window = TimeSpan.FromMinutes(5),
        }));

    private readonly PartitionedRateLimiter<string> turns =
        PartitionedRateLimiter.Create<string, string>(client => RateLimitPartition.GetConcurrencyLimiter(client, _ => new()
        {
            PermitLimit = 1,
            QueueLimit = MostWaiting,
            QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
        }));

    /// <summary>Waits for the client's turn to have a password compared; dispose what comes back.</summary>
    /// <exception cref="Core.Records.RuleException">Too many wait already.</exception>
    public async Task<IDisposable> TurnAsync(HttpContext context)
    {
        RateLimitLease lease = await turns.AcquireAsync(ClientOf(context), cancellationToken: context.RequestAborted);
        if (lease.IsAcquired) return lease;
        lease.Dispose();
        throw new Core.Records.RuleException("too-many-at-once", "Too many people sign in from here at this moment; try again in a few seconds.");
    }

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
    public void Dispose()
    {
        limiter.Dispose();
        turns.Dispose();
    }

    private static (string Name, string Client) Of(string name, HttpContext context) => (name.Trim().ToUpperInvariant(), ClientOf(context));

    private static string ClientOf(HttpContext context) => context.Connection.RemoteIpAddress?.ToString() ?? "";
}

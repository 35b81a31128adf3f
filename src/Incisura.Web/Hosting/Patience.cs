using System.Threading.RateLimiting;
using Microsoft.AspNetCore.Http.Timeouts;

namespace Incisura.Web.Hosting;

/// <summary>How long a calculation may take, how much somebody may ask for at once, and which writings of texts can be read.</summary>
public static class Patience
{
    /// <summary>The policy of everything that calculates.</summary>
    public const string Calculations = "calculations";

    /// <summary>Longest time a calculation may take.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromSeconds(5);

    /// <summary>The policy of everything that costs more than a look.</summary>
    public const string Turns = "turns";

    // So that whoever asks for much waits for themself, and others get their answers beside it.
    private const int AtOnce = 2, Waiting = 40;

    /// <summary>Takes turns: of what one person asks, a few are worked on and some wait; more are refused.</summary>
    public static TBuilder TakesTurns<TBuilder>(this TBuilder builder)
        where TBuilder : IEndpointConventionBuilder => builder.RequireRateLimiting(Turns);

    /// <summary>Takes turns, and is stopped when it takes too long.</summary>
    public static TBuilder Calculates<TBuilder>(this TBuilder builder)
        where TBuilder : IEndpointConventionBuilder
    {
        builder.WithRequestTimeout(Calculations);
        builder.AddEndpointFilter(WholeOrNotAtAllAsync);
        return builder.TakesTurns();
    }

    // An answer that is begun is written to its end: what came too late is refused before its first byte, and nothing stops it after that.
    private static async ValueTask<object?> WholeOrNotAtAllAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        object? answer = await next(context);
        if (context.HttpContext.Features.Get<IHttpRequestTimeoutFeature>() is not { } timeout) return answer;
        timeout.RequestTimeoutToken.ThrowIfCancellationRequested();
        timeout.DisableTimeout();
        return answer;
    }

    /// <summary>Who shares a turn: a person, wherever they are signed in.</summary>
    public static RateLimitPartition<string> TurnOf(HttpContext context) => RateLimitPartition.GetConcurrencyLimiter(
        context.User.Identity?.Name ?? "",
        _ => new() { PermitLimit = AtOnce, QueueLimit = Waiting, QueueProcessingOrder = QueueProcessingOrder.OldestFirst });

    public static IServiceCollection AddPatience(this IServiceCollection services) =>
        services.AddRequestTimeouts(o => o.AddPolicy(Calculations, new RequestTimeoutPolicy
        {
            Timeout = Longest,
            TimeoutStatusCode = StatusCodes.Status503ServiceUnavailable,
            WriteTimeoutResponse = context => Results.Problem(
                $"This was not done within {Longest.TotalSeconds:0} s and was stopped; nothing was saved. Ask for less at once.",
                statusCode: StatusCodes.Status503ServiceUnavailable, title: "Took too long").ExecuteAsync(context),
        }));

    /// <summary>Refuses texts in a writing nobody knows before anything tries to read them.</summary>
    public static IApplicationBuilder UseKnownCharsets(this IApplicationBuilder app) => app.Use(async (context, next) =>
    {
        string? charset = context.Request.GetTypedHeaders().ContentType?.Charset.Value;
        if (!string.IsNullOrEmpty(charset) && !IsKnown(charset.Trim('"')))
        {
            await Results.Problem(
                "The text of the request is in a writing that cannot be read; send it as UTF-8.",
                statusCode: StatusCodes.Status415UnsupportedMediaType, title: "Not readable").ExecuteAsync(context);
            return;
        }

        await next(context);
    });

    // JSON is UTF-8 (RFC 8259), and every text here is.
    private static bool IsKnown(string charset) => charset.Equals("utf-8", StringComparison.OrdinalIgnoreCase);
}

using System.Net;
using Microsoft.AspNetCore.Diagnostics.HealthChecks;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using Microsoft.Extensions.Options;

namespace Incisura.Web.Upkeep;

/// <summary>How one part of the server is.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Status">How it is.</param>
/// <param name="Says">What to know of it.</param>
/// <param name="At">When what it says was so, where that is not now.</param>
public sealed record PartHealth(string Name, HealthStatus Status, string Says, DateTimeOffset? At);

/// <summary>How the server is.</summary>
public sealed record HealthView(HealthStatus Status, IReadOnlyList<PartHealth> Parts);

/// <summary>Whether the server lives, and whether it can be worked with.</summary>
public static class Health
{
    /// <summary>Mark of what has to be well to be worked with.</summary>
    internal const string Ready = "ready";

    public static IServiceCollection AddHealth(this IServiceCollection services)
    {
        services.AddSingleton<SoundnessWatch>();
        services.AddHealthChecks()
            .AddCheck<DatabaseAnswers>("database", tags: [Ready])
            .AddCheck<RoomOnDisk>("disk", tags: [Ready])
            .AddCheck<DatabaseSound>("soundness", tags: [Ready])
            .AddCheck<CopiesMade>("copies", tags: [Ready]);
        return services;
    }

    /// <summary>Maps `/health/live`, and `/health` and `/health/ready` for whether it can be worked with.</summary>
    public static void MapHealth(this WebApplication app)
    {
        app.MapHealthChecks("/health/live", Options(_ => false));
        app.MapHealthChecks("/health", Options(c => c.Tags.Contains(Ready)));
        app.MapHealthChecks("/health/ready", Options(c => c.Tags.Contains(Ready)));
    }

    private static HealthCheckOptions Options(Func<HealthCheckRegistration, bool> of) => new()
    {
        Predicate = of,
        ResponseWriter = (context, report) => context.Response.WriteAsJsonAsync(ViewOf(report, IsHere(context))),
    };

    /// <summary>How the server is, with what to know of each part or without.</summary>
    internal static HealthView ViewOf(HealthReport report, bool told) => new(
        report.Status,
        [
            .. report.Entries.Select(e => new PartHealth(
                e.Key, e.Value.Status, told ? e.Value.Description ?? e.Value.Exception?.Message ?? "" : "",
                e.Value.Data.TryGetValue(AtKey, out object? at) ? (DateTimeOffset)at : null)),
        ]);

    private const string AtKey = "at";

    private static HealthCheckResult Well(string says, DateTimeOffset at) =>
        HealthCheckResult.Healthy(says, new Dictionary<string, object> { [AtKey] = at });

    // What to know of each part names files and counts: for the machine itself; an administrator has a page.
    private static bool IsHere(HttpContext context) => context.Connection.RemoteIpAddress is not { } from || IPAddress.IsLoopback(from);

    // Readers of a broken file would get errors all over; this says it in one place.
    private sealed class DatabaseAnswers(IServiceScopeFactory scopes) : IHealthCheck
    {
        public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
        {
            await using AsyncServiceScope scope = scopes.CreateAsyncScope();
            IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
            int people = await db.Users.CountAsync(cancellationToken);
            int cutters = await db.Cutters.CountAsync(cancellationToken);
            return HealthCheckResult.Healthy($"It answers: {people} people, {cutters} cutters.");
        }
    }

    private sealed class RoomOnDisk(DatabaseFile database) : IHealthCheck
    {
        private const long Little = 1L << 30, TooLittle = 64L << 20;

        public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
        {
            long free = new DriveInfo(Path.GetDirectoryName(database.Path)!).AvailableFreeSpace;
            string says = $"{free >> 20} MB are free where the database is.";
            return Task.FromResult(free switch
            {
                < TooLittle => HealthCheckResult.Unhealthy(says + " Make room: nothing can be saved any more."),
                < Little => HealthCheckResult.Degraded(says + " Make room soon."),
                _ => HealthCheckResult.Healthy(says),
            });
        }
    }

    private sealed class DatabaseSound(SoundnessWatch watch) : IHealthCheck
    {
        public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default) =>
            Task.FromResult(watch switch
            {
                { At: null } => HealthCheckResult.Healthy("Not looked at yet since the start."),
                { Fault: { } fault } => HealthCheckResult.Unhealthy($"The file of the database is broken: {fault} Restore a copy."),
                { At: { } at } => Well("The file was looked through and is sound.", at),
            });
    }

    private sealed class CopiesMade(Copies copies, IOptions<CopyOptions> options) : IHealthCheck
    {
        public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default) =>
            Task.FromResult(copies switch
            {
                { Fault.Length: > 0 } => HealthCheckResult.Degraded($"The last copy of the database was not made: {copies.Fault}"),
                { SecondAt: { } at } => Well("The second place was brought up to date.", at),
                _ when options.Value is { Folder.Length: 0, Second.Length: 0 } => HealthCheckResult.Healthy("None is ever made."),
                _ => HealthCheckResult.Healthy("No copy has failed since the start."),
            });
    }
}

/// <summary>Looks through the file of the database after the start, and once a day.</summary>
public sealed class SoundnessWatch(DatabaseFile database, TimeProvider clock) : BackgroundService
{
    /// <summary>When it was last looked at; null for not yet.</summary>
    public DateTimeOffset? At { get; private set; }

    /// <summary>What is wrong; null where nothing is.</summary>
    public string? Fault { get; private set; }

    /// <summary>Looks now.</summary>
    public async Task LookAsync(CancellationToken cancel)
    {
        Fault = await Task.Run(() => DatabaseCopy.FaultAsync(database.Path, cancel), cancel);
        At = clock.GetUtcNow();
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        try
        {
            while (true)
            {
                await LookAsync(stoppingToken);
                await Task.Delay(TimeSpan.FromDays(1), clock, stoppingToken);
            }
        }
        catch (OperationCanceledException)
        {
            // The server stops.
        }
    }
}

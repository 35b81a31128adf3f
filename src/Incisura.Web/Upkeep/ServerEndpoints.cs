using System.Reflection;
using Incisura.Web.Hosting;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using Microsoft.Extensions.Options;

namespace Incisura.Web.Upkeep;

/// <summary>A dated copy of the database.</summary>
/// <param name="Name">Name of its file.</param>
/// <param name="At">When it was made.</param>
/// <param name="Bytes">How long it is.</param>
public sealed record CopyView(string Name, DateTimeOffset At, long Bytes);

/// <summary>How the server is, as an administrator sees it.</summary>
/// <param name="Health">Whether it can be worked with, part by part.</param>
/// <param name="Version">Which Incisura it is.</param>
/// <param name="Since">When it was started.</param>
/// <param name="TimeZone">Time zone the workshop works by.</param>
/// <param name="DatabaseBytes">How long the database is, with what has not been written into its file yet.</param>
/// <param name="CopiesEveryHours">How often a dated copy is made; 0 for never.</param>
/// <param name="SecondEverySeconds">How often the second place is brought up to date; 0 for never.</param>
/// <param name="Copies">Dated copies, newest first.</param>
public sealed record ServerView(
    HealthView Health, string Version, DateTimeOffset Since, string TimeZone, long DatabaseBytes, double CopiesEveryHours,
    double SecondEverySeconds, IReadOnlyList<CopyView> Copies);

/// <summary>The server as its administrator sees it.</summary>
public static class ServerEndpoints
{
    private const int Most = 20;

    public static void MapServer(this IEndpointRouteBuilder api)
    {
        DateTimeOffset since = api.ServiceProvider.GetRequiredService<TimeProvider>().GetUtcNow();
        api.MapGet("/server", async (
            HealthCheckService health, DatabaseFile database, IOptions<CopyOptions> options, TimeProvider clock, CancellationToken cancel) =>
        {
            CopyOptions copies = options.Value;
            HealthReport report = await health.CheckHealthAsync(c => c.Tags.Contains(Upkeep.Health.Ready), cancel);
            return new ServerView(
                Upkeep.Health.ViewOf(report, told: true),
                typeof(Program).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()?.InformationalVersion ?? "",
                since,
                clock.LocalTimeZone.Id,
                ((string[])["", "-wal"]).Sum(end => new FileInfo(database.Path + end) is { Exists: true } file ? file.Length : 0),
                copies.Folder.Length > 0 ? copies.EveryHours : 0,
                copies.Second.Length > 0 ? copies.EverySeconds : 0,
                [
                    .. Copies.Made(copies.Folder).Reverse().Take(Most)
                        .Select(c => new CopyView(Path.GetFileName(c.File), c.At, new FileInfo(c.File).Length)),
                ]);
        }).WithTags("server").RequireAuthorization(Access.Administrators);
    }
}

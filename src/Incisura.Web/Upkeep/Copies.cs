using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Options;

namespace Incisura.Web.Upkeep;

/// <summary>Makes dated copies of the database and keeps a second place up to date, as the settings ask.</summary>
public sealed partial class Copies(DatabaseFile database, IOptions<CopyOptions> options, TimeProvider clock, ILogger<Copies> log) : BackgroundService
{
    private const string Stamp = "yyyyMMdd-HHmmss", Prefix = "incisura-", Ending = ".db", HeadEnding = ".head";

    /// <summary>When the second place was last up to date; null for never since the start.</summary>
    public DateTimeOffset? SecondAt { get; private set; }

    /// <summary>What kept the last copy from being made; empty where none did.</summary>
    public string Fault { get; private set; } = "";

    protected override Task ExecuteAsync(CancellationToken stoppingToken)
    {
        CopyOptions o = options.Value;
        return Task.WhenAll(
            o.Folder.Length > 0 ? EachAsync(TimeSpan.FromHours(o.EveryHours), LastOf(o.Folder), DatedAsync, stoppingToken) : Task.CompletedTask,
            EachAsync(TimeSpan.FromHours(1), null, HeadAsync, stoppingToken),
            o.Second.Length > 0 ? EachAsync(TimeSpan.FromSeconds(o.EverySeconds), null, SecondAsync, stoppingToken) : Task.CompletedTask);
    }

    private async Task EachAsync(TimeSpan every, DateTimeOffset? last, Func<CancellationToken, Task> copy, CancellationToken cancel)
    {
        // A server that is started often makes no more copies, and one that was off makes the one that is due.
        if (last is { } at && at + every - clock.GetUtcNow() is { Ticks: > 0 } rest && rest <= every) await WaitAsync(rest, cancel);
        while (!cancel.IsCancellationRequested)
        {
            try
            {
                await copy(cancel);
                Fault = "";
            }
            catch (Exception failed) when (failed is SqliteException or IOException or UnauthorizedAccessException or InvalidDataException)
            {
                Fault = failed.Message;
                Failed(failed);
            }
            catch (OperationCanceledException) when (cancel.IsCancellationRequested)
            {
                return;
            }

            await WaitAsync(every, cancel);
        }
    }

    private async Task WaitAsync(TimeSpan time, CancellationToken cancel) =>
        await Task.Delay(time, clock, cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);

    private async Task DatedAsync(CancellationToken cancel)
    {
        CopyOptions o = options.Value;
        string name = Prefix + clock.GetUtcNow().ToString(Stamp, CultureInfo.InvariantCulture) + Ending;
        string made = Path.Combine(o.Folder, name);
        HeadOfHistory head = await HeadNowAsync(cancel);
        await Task.Run(() => DatabaseCopy.MakeAsync(database.Path, made, cancel), cancel);
        await File.WriteAllTextAsync(made + HeadEnding, $"{head.Entries} entries at least, among them {head.Hash}\n", cancel);
        // The one just made is the newest, whatever the clock said when the others were.
        foreach ((string old, _) in Made(o.Folder).Where(f => f.File != made).SkipLast(o.Keep - 1).ToList())
        {
            File.Delete(old);
            File.Delete(old + HeadEnding);
        }
    }

    // Noted where whoever alters the database does not write, so that `check` can hold the history against it.
    private async Task HeadAsync(CancellationToken cancel)
    {
        HeadOfHistory head = await HeadNowAsync(cancel);
        LogHead(head.Entries, head.Hash);
    }

    private async Task<HeadOfHistory> HeadNowAsync(CancellationToken cancel)
    {
        await using IncisuraDb db = IncisuraDb.At(database.Path);
        return await Chronicle.HeadAsync(db, cancel);
    }

    [LoggerMessage(Level = LogLevel.Information, Message = "The history has {Entries} entries; the last one is {Hash}")]
    private partial void LogHead(long entries, string hash);

    private async Task SecondAsync(CancellationToken cancel)
    {
        DateTimeOffset at = clock.GetUtcNow();
        await Task.Run(() => DatabaseCopy.MakeAsync(database.Path, options.Value.Second, cancel), cancel);
        SecondAt = at;
    }

    /// <summary>Dated copies in a folder, oldest first.</summary>
    public static IEnumerable<(string File, DateTimeOffset At)> Made(string folder) => Directory.Exists(folder)
        ? Directory.GetFiles(folder, Prefix + "*" + Ending).Select(f => (f, At(f))).Where(f => f.Item2 is not null)
            .Select(f => (f.f, f.Item2!.Value)).OrderBy(f => f.f, StringComparer.Ordinal)
        : [];

    private static DateTimeOffset? LastOf(string folder) => Made(folder).LastOrDefault() is { File: not null } last ? last.At : null;

    private static DateTimeOffset? At(string file)
    {
        string stamp = Path.GetFileNameWithoutExtension(file)[Prefix.Length..];
        return DateTimeOffset.TryParseExact(stamp, Stamp, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out DateTimeOffset at)
            ? at
            : null;
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "A copy of the database was not made")]
    private partial void Failed(Exception exception);
}

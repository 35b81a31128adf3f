using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Web.Mail;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Records;

/// <summary>
/// Works out in the background how records stand when something they rest on was revised. What was judged is kept with each record, so that a
/// restart goes on where the last run ended.
/// </summary>
public sealed partial class StandingJudge(IServiceScopeFactory scopes, Shelf shelf, TimeProvider clock, ILogger<StandingJudge> log)
    : BackgroundService
{
    private readonly SemaphoreSlim woken = new(1);
    private readonly Lock gate = new();
    private TaskCompletionSource pass = new(TaskCreationOptions.RunContinuationsAsynchronously);
    private ShelfView? judged;
    private int waiting;

    /// <summary>How many records are still to be judged.</summary>
    public int Waiting => Volatile.Read(ref waiting);

    // A change of the shelf is judged in the meantime; what takes longer is told as still being judged.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(1);

    /// <summary>Waits until all records are judged by the shelf as it stands, or a second is over.</summary>
    /// <param name="db">The database.</param>
    /// <param name="cancel">Ends the waiting.</param>
    public async Task SettleAsync(IncisuraDb db, CancellationToken cancel)
    {
        ShelfView now = await shelf.ViewAsync(db);
        using CancellationTokenSource until = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        until.CancelAfter(Patience);
        while (!until.IsCancellationRequested)
        {
            Task next;
            lock (gate)
            {
                if (ReferenceEquals(judged, now)) return;
                next = pass.Task;
            }

            Wake();
            await Task.WhenAny(next, Task.Delay(Timeout.Infinite, until.Token));
            now = await shelf.ViewAsync(db);
        }
    }

    /// <summary>Says that something was saved.</summary>
    public void Wake()
    {
        if (woken.CurrentCount == 0) woken.Release();
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        shelf.Changed += Wake;
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await woken.WaitAsync(TimeSpan.FromMinutes(1), stoppingToken);
                await JudgeAllAsync(stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                break;
            }
            catch (Exception failed)
            {
                Failed(failed);
                await Task.Delay(TimeSpan.FromSeconds(5), stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
        }

        shelf.Changed -= Wake;
    }

    private async Task JudgeAllAsync(CancellationToken cancel)
    {
        using IServiceScope scope = scopes.CreateScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        ShelfView view = await shelf.ViewAsync(db);
        var open = await db.RecordRevisions.AsNoTracking()
            .Where(RecordRevisionRow.Open)
            .Select(v => new { v.Id, v.ThreadId, v.JudgedFor, Record = v.Record! })
            .ToListAsync(cancel);
        List<int> due = [.. open.Where(o => o.JudgedFor != view.FootingsOf(o.Record, o.ThreadId)).Select(o => o.Id)];
        Volatile.Write(ref waiting, due.Count);
        await RecordBatches.EachAsync(
            db, due, (row, situation) => Judge(row, situation, view),
            async rows =>
            {
                await KeepAsync(rows, db, cancel);
                Interlocked.Add(ref waiting, -rows.Count);
            },
            cancel);
        lock (gate)
        {
            judged = view;
            pass.SetResult();
            pass = new(TaskCreationOptions.RunContinuationsAsynchronously);
        }
    }

    // A revision that somebody changed meanwhile was judged as it was saved.
    private async Task KeepAsync(List<RecordRevisionRow> rows, IncisuraDb db, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await TellBrokenAsync(rows, db, cancel);
        foreach (RecordRevisionRow row in rows)
            await db.RecordRevisions.Where(v => v.Id == row.Id && v.Version == row.Version).ExecuteUpdateAsync(
                v => v.SetProperty(r => r.Stands, row.Stands).SetProperty(r => r.Standing, row.Standing).SetProperty(r => r.Moved, row.Moved)
                    .SetProperty(r => r.JudgedFor, row.JudgedFor),
                cancel);
        await transaction.CommitAsync(cancel);
    }

    // Whoever proposed what is in force hears once that it breaks a limit now.
    private async Task TellBrokenAsync(List<RecordRevisionRow> rows, IncisuraDb db, CancellationToken cancel)
    {
        List<int> broken = [.. rows.Where(r => r.Stands == Stands.Broken).Select(r => r.Id)];
        if (broken.Count == 0) return;
        List<int> anew = await db.RecordRevisions.Where(v => broken.Contains(v.Id) && v.IsInForce && v.Stands != Stands.Broken)
            .Select(v => v.Id).ToListAsync(cancel);
        foreach (RecordRevisionRow row in rows.Where(r => anew.Contains(r.Id)))
        {
            Standing standing = DefinitionFormat.Read<Standing>(row.Standing);
            db.Add(Letters.Broken(row.Record!, row, standing.FirstBreak?.ToString() ?? standing.Refused, clock.GetUtcNow()));
        }

        await db.SaveChangesAsync(cancel);
    }

    private void Judge(RecordRevisionRow row, Situation then, ShelfView view)
    {
        Standing standing;
        try
        {
            standing = row.With(RecordViews.StandingOf(
                row.Record!.Operation, then, DefinitionFormat.Read<Choices>(row.Choices), RecordParts.ResultOf(row), view));
        }
        catch (Exception failed) when (failed is not OperationCanceledException)
        {
            // One that cannot be judged is no reason to leave the others; nobody runs it before somebody has looked.
            Failed(failed);
            standing = Standing.Firm with { Refused = "The calculation failed; tell whoever keeps the server." };
        }

        row.JudgedFor = view.FootingsOf(row.Record!, row.ThreadId);
        bool kept = row.KeptFor == row.JudgedFor;
        row.Stands = standing.Broken ? Stands.Broken
            : standing.Stale && !kept ? Stands.Stale
            : standing.Moved.Count > 0 ? Stands.Holds : Stands.Firm;
        row.Standing = row.Stands is Stands.Stale or Stands.Broken ? DefinitionFormat.Write(standing) : "";
        row.Moved = row.Standing.Length > 0 ? standing.Move : 0;
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "Judging how records stand failed")]
    private partial void Failed(Exception failed);
}

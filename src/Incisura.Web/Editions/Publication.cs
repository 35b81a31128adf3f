using System.Collections.Concurrent;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Data;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Editions;

/// <summary>What became of a published figure since.</summary>
public enum Since
{
    /// <summary>It holds.</summary>
    Holds,

    /// <summary>A newer revision was approved and waits for the next edition.</summary>
    Superseded,

    /// <summary>What it rests on was revised, and a figure, a limit or a finding would differ.</summary>
    Stale,

    /// <summary>Its figures break a limit now, or can no longer be calculated.</summary>
    Broken,

    /// <summary>Somebody at a machine says that it must not be run, and nobody has decided on that yet.</summary>
    Stopped,

    /// <summary>The day until which it was approved is over.</summary>
    Ended,

    /// <summary>It was taken out of use.</summary>
    Withdrawn,
}

/// <summary>What became of an entry of an edition since it was published.</summary>
/// <param name="What">The gravest of all.</param>
/// <param name="Warning">What a reader has to know, or null.</param>
/// <param name="By">What was revised; empty for nothing.</param>
/// <param name="Figures">Figures that would differ today.</param>
/// <param name="Breaks">What its figures break now.</param>
public sealed record SinceThen(
    Since What, Sentence? Warning, IReadOnlyList<string> By, IReadOnlyList<FigureChange> Figures, IReadOnlyList<Finding> Breaks);

/// <summary>A record in an edition, by its number and revision.</summary>
public sealed record Entry(string Record, int Revision);

/// <summary>How what was published stands to how things are now.</summary>
public static class Publication
{
    /// <summary>What became of each entry, by the number of its record.</summary>
    public static async Task<IReadOnlyDictionary<string, SinceThen>> SinceAsync(
        IReadOnlyCollection<Entry> entries, IncisuraDb db, ShelfView view, DateOnly today)
    {
        if (entries.Count == 0) return new Dictionary<string, SinceThen>();
        List<string> numbers = [.. entries.Select(e => e.Record)];
        var lives = await db.Records.AsNoTracking()
            .Where(r => numbers.Contains(r.Number))
            .Select(r => new
            {
                Record = r,
                Revisions = r.Revisions.Select(v => new { v.Id, v.Number, v.State, v.ThreadId, v.JudgedFor, v.Standing, v.EndsOn }).ToList(),
            })
            .ToListAsync();
        var byNumber = lives.ToDictionary(r => r.Record.Number);

        // What was judged by the shelf as it stands is not calculated again.
        var judged = entries.ToDictionary(e => e.Record, e => byNumber.GetValueOrDefault(e.Record)?.Revisions.Find(v => v.Number == e.Revision));
        List<int> due =
        [
            .. judged.Where(j => j.Value is { } v && v.JudgedFor != view.FootingsOf(byNumber[j.Key].Record, v.ThreadId)).Select(j => j.Value!.Id),
        ];
        IReadOnlyDictionary<int, Standing> now = await JudgedNowAsync(due, db, view);
        return entries.ToDictionary(e => e.Record, e => judged[e.Record] is { } v
            ? Of(
                e.Revision, v.State, v.EndsOn < today, RecordLife.InForce(byNumber[e.Record].Revisions.Select(r => (r.Number, r.State))),
                now.GetValueOrDefault(v.Id) ?? (v.Standing.Length == 0 ? Standing.Firm : DefinitionFormat.Read<Standing>(v.Standing)))
            : Of(e.Revision, RecordState.Withdrawn, false, 0, Standing.Firm));
    }

    private static async Task<IReadOnlyDictionary<int, Standing>> JudgedNowAsync(List<int> ids, IncisuraDb db, ShelfView view)
    {
        ConcurrentDictionary<int, Standing> now = [];
        await RecordBatches.EachAsync(
            db, ids,
            (row, then) => now[row.Id] = row.With(RecordViews.StandingOf(
                row.Operation, then, DefinitionFormat.Read<Choices>(row.Choices), RecordParts.ResultOf(row), view)),
            after: null, CancellationToken.None);
        return now;
    }

    /// <summary>The gravest of all that became of a published revision: one word, wherever it is told.</summary>
    /// <param name="revision">What was published.</param>
    /// <param name="inForce">The revision in force; 0 for none.</param>
    /// <param name="stopped">Whether somebody at a machine forbids to run it.</param>
    /// <param name="ended">Whether the day until which it was approved is over.</param>
    /// <param name="stands">How it stands.</param>
    public static Since WordOf(int revision, int inForce, bool stopped, bool ended, Stands stands) =>
        inForce == 0 ? Since.Withdrawn
        : stopped ? Since.Stopped
        : inForce != revision ? Since.Superseded
        : ended ? Since.Ended
        : stands switch
        {
            Stands.Broken => Since.Broken,
            Stands.Stale => Since.Stale,
            _ => Since.Holds,
        };

    // The same answer as everywhere: what stands against reading these figures, the gravest first.
    private static SinceThen Of(int revision, RecordState state, bool ended, int inForce, Standing standing)
    {
        RevisionFacts facts = new(state, [], standing) { Ended = ended && inForce == revision };
        IReadOnlyList<Bar> bars = Usable.Bars(facts, Use.Reading);
        Since what = WordOf(
            revision, inForce, bars is [{ Code: Usable.Stopped }, ..], facts.Ended,
            standing.Broken ? Stands.Broken : standing.Stale ? Stands.Stale : Stands.Holds);
        IReadOnlyList<string> by = RecordViews.StaleBy(standing);
        return what switch
        {
            Since.Withdrawn => new(what, new("Withdrawn since this edition: do not use these figures, ask the tooling engineer."), [], [], []),
            Since.Superseded => new(what, Superseded(inForce, bars, by), by, standing.Figures, standing.Breaks),
            Since.Holds => new(what, null, [], [], []),
            Since.Ended => new(what, Told(bars[0], by), by, [], []),
            _ => new(what, Told(bars[0], by), by, standing.Figures, standing.Breaks),
        };
    }

    // What was approved since takes its place; what else is wrong with it is told too, because somebody may still run it.
    private static Sentence Superseded(int inForce, IReadOnlyList<Bar> bars, IReadOnlyList<string> by)
    {
        Sentence newer = new($"Revision {inForce} has been approved since; ask for it before running these figures.");
        return bars is [var first, ..] ? newer.Then(Spaced(Told(first, by))) : newer;
    }

    private static Sentence Told(Bar bar, IReadOnlyList<string> by) => bar.Code switch
    {
        Usable.Stopped => bar.Says.Then(new(" Wait for the tooling engineer's decision.")),
        Usable.Ended =>
            new("Approved for a time or a number of pieces that is over: do not run these figures any more, ask the tooling engineer."),
        Usable.Impossible =>
            new($"Revised since: {string.Join(", ", by)}. This can no longer be calculated. Do not run it before the tooling engineer has looked."),
        Usable.Moved => new Sentence("Stale. ").Then(bar.Says),
        _ => new Sentence(
            $"Stale, and breaks a limit now. Revised since: {string.Join(", ", by)}. Do not run these figures "
                + "before the tooling engineer has looked.").Then(Spaced(bar.Says)),
    };

    private static Sentence Spaced(Sentence sentence) => sentence with { Template = " " + sentence.Template };
}

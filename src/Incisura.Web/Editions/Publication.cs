using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
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

/// <summary>How what was published stands to how things are now.</summary>
public static class Publication
{
    /// <summary>What became of each entry, by the number of its record.</summary>
    public static async Task<IReadOnlyDictionary<string, SinceThen>> SinceAsync(
        IReadOnlyCollection<EditionEntryRow> entries, IncisuraDb db, ShelfView view, DateOnly today)
    {
        List<string> numbers = [.. entries.Select(e => e.RecordNumber)];
        var lives = await db.Records.AsNoTracking()
            .Where(r => numbers.Contains(r.Number))
            .Select(r => new
            {
                Record = r,
                Revisions = r.Revisions.Select(v => new { v.Number, v.State, v.ThreadId, v.JudgedFor, v.Stands, v.Standing, v.EndsOn }).ToList(),
            })
            .ToListAsync();
        var byNumber = lives.ToDictionary(r => r.Record.Number);
        return entries.ToDictionary(e => e.RecordNumber, e =>
        {
            if (!byNumber.TryGetValue(e.RecordNumber, out var life)) return Of(e, false, 0, Standing.Firm);
            var judged = life.Revisions.Find(v => v.Number == e.Revision);

            // What was judged by the shelf as it stands is not calculated again.
            Standing standing = judged is not null && judged.JudgedFor == view.FootingsOf(life.Record, judged.ThreadId)
                ? judged.Standing.Length == 0 ? Standing.Firm : DefinitionFormat.Read<Standing>(judged.Standing)
                : RecordViews.StandingOf(e.Operation, e.Situation, e.Choices, e.Result, view);
            return Of(e, judged?.EndsOn < today, RecordLife.InForce(life.Revisions.Select(v => (v.Number, v.State))), standing);
        });
    }

    private static SinceThen Of(EditionEntryRow entry, bool ended, int inForce, Standing standing)
    {
        if (inForce == 0)
            return new(Since.Withdrawn, new("Withdrawn since this edition: do not use these figures, ask the tooling engineer."), [], [], []);
        IReadOnlyList<string> by = RecordViews.StaleBy(standing);
        if (ended && inForce == entry.Revision)
            return new(
                Since.Ended,
                new("Approved for a time or a number of pieces that is over: do not run these figures any more, ask the tooling engineer."),
                by, [], []);
        if (standing.Breaks.Count > 0)
            return new(
                Since.Broken,
                new Sentence(
                    $"Stale, and breaks a limit now. Revised since: {string.Join(", ", by)}. Do not run these figures "
                        + "before the tooling engineer has looked.").Then(Spaced(standing.Breaks[0].Text)),
                by, standing.Figures, standing.Breaks);
        if (standing.Refused.Length > 0)
            return new(
                Since.Broken,
                new(
                    $"Revised since: {string.Join(", ", by)}. This can no longer be calculated. Do not run it "
                        + "before the tooling engineer has looked."),
                by, [], []);
        if (standing.Stale)
            return new(Since.Stale, Moved(standing, by), by, standing.Figures, []);
        return inForce == entry.Revision
            ? new(Since.Holds, null, [], [], [])
            : new(Since.Superseded, new($"Revision {inForce} has been approved since; ask for it before running these figures."), [], [], []);
    }

    private static Sentence Moved(Standing standing, IReadOnlyList<string> by)
    {
        Sentence said = new($"Stale: revised since: {string.Join(", ", by)}.");
        return standing.Figures.FirstOrDefault(f => f.From is not null && f.To is not null) is { } figure
            ? said.Then(new(
                $" {figure.Name} would be {{0}} instead of {{1}}.", new(figure.To!.Value, figure.Quantity),
                new Measure(figure.From!.Value, figure.Quantity)))
            : said.Then(new(" No figure differs; how near they come to a limit does."));
    }

    private static Sentence Spaced(Sentence sentence) => sentence with { Template = " " + sentence.Template };
}

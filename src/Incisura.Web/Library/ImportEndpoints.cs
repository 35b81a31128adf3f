using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Exchange.Tables;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Library;

/// <summary>A column of the file and the field it is taken for; an empty field leaves it out.</summary>
public sealed record ImportColumn(string Heading, string Field, bool Inch, IReadOnlyList<string> Examples);

/// <summary>A field a column can be taken for.</summary>
public sealed record ImportField(string Code, string Name);

/// <summary>A fault or a question about one cell.</summary>
public sealed record ImportFault(string Column, string Sentence, double? Meant);

/// <summary>A row and what becomes of it.</summary>
public sealed record ImportRow(
    int Line, string Number, string Words, RowOutcome Outcome, IReadOnlyList<FieldChange> Changes, IReadOnlyList<ImportFault> Faults);

/// <summary>An import as its owner sees it.</summary>
public sealed record ImportView(
    int Id, string File, ImportState State, bool Inch, int Reached, int Total, IReadOnlyDictionary<string, int> Counts,
    IReadOnlyList<ImportColumn> Columns, IReadOnlyList<string> Hints, IReadOnlyList<ImportRow> Rows, string Said);

/// <summary>What the columns are to be taken for.</summary>
public sealed record ImportColumns(bool Inch, IReadOnlyList<ImportColumnChoice> Columns);

/// <summary>One column's field and unit.</summary>
public sealed record ImportColumnChoice(string Field, bool Inch);

/// <summary>Whether refused rows are left out; otherwise one of them stops everything.</summary>
public sealed record ImportApply(bool GoodRowsOnly);

/// <summary>Cutters from CSV and XLSX: match columns, look at every row, then write all or the good rows in one transaction.</summary>
public static class ImportEndpoints
{
    /// <summary>Largest file that is taken, bytes.</summary>
    public const long LargestFile = 32 * 1024 * 1024;

    private const int RowsShown = 200;
    private const int LongestExample = 60;

    public static void MapImports(this IEndpointRouteBuilder library)
    {
        RouteGroupBuilder group = library.MapGroup("/cutters/imports").WithTags("imports").RequireAuthorization(Access.Engineers);

        group.MapGet("/fields", () => CutterColumns.All.Select(f => new ImportField(f.Code, f.Name)));

        // The size is refused by the server before anything is read; the browser refuses it before anything is sent.
        group.MapPost("/", async (string file, bool? inch, HttpContext context, ImportDesk desk, IncisuraDb db, Shelf shelf) =>
        {
            using MemoryStream content = new();
            await context.Request.Body.CopyToAsync(content, context.RequestAborted);

            // One table is opened at a time, so that a few of them at once do not take all of the machine.
            await desk.Opening.WaitAsync(context.RequestAborted);
            Table table;
            try
            {
                table = TableFile.Read(content.ToArray(), context.RequestAborted);
            }
            finally
            {
                desk.Opening.Release();
            }

            ImportJob job = desk.Open(context.User.Actor().Name, file, table);
            job.Look(CutterColumns.Match(table.Headings, inch ?? false), inch ?? false, await shelf.ViewAsync(db));
            return ViewOf(job, null, 0, await shelf.ViewAsync(db));
        }).WithMetadata(new RequestSizeLimitAttribute(LargestFile)).Accepts<byte[]>("application/octet-stream");

        group.MapGet("/{id:int}", async (int id, string? outcome, int? skip, HttpContext context, ImportDesk desk, IncisuraDb db, Shelf shelf) =>
            ViewOf(desk.Find(id, context.User.Actor().Name), Wire.Optional<RowOutcome>(outcome, "outcome"), skip ?? 0, await shelf.ViewAsync(db)));

        group.MapPut("/{id:int}/columns", async (int id, ImportColumns wish, HttpContext context, ImportDesk desk, IncisuraDb db, Shelf shelf) =>
        {
            ImportJob job = desk.Find(id, context.User.Actor().Name);
            HashSet<string> known = [.. CutterColumns.All.Select(f => f.Code), ""];
            List<string> chosen = [.. wish.Columns.Select(c => c.Field).Where(f => f.Length > 0)];
            new Core.Checks.InputCheck()
                .Holds(
                    wish.Columns.Count == job.Table.Headings.Count, "columns", wish.Columns.Count,
                    $"The file has {job.Table.Headings.Count} columns; say of each what it is.")
                .Holds(
                    chosen.All(known.Contains), "columns", double.NaN, "A column is taken for a field that does not exist; choose one from the list.")
                .Holds(
                    chosen.Distinct().Count() == chosen.Count, "columns", double.NaN,
                    "Two columns are taken for the same field; leave one of them out.")
                .ThrowIfAny();
            job.Look([.. wish.Columns.Select(c => new ColumnMeaning(c.Field, c.Inch))], wish.Inch, await shelf.ViewAsync(db));
            return ViewOf(job, null, 0, await shelf.ViewAsync(db));
        });

        group.MapPost("/{id:int}/apply", async (
            int id, ImportApply wish, HttpContext context, ImportDesk desk, IServiceScopeFactory scopes, IncisuraDb db, Shelf shelf) =>
        {
            ImportJob job = desk.Find(id, context.User.Actor().Name);
            string by = context.User.Actor().Name;
            job.Write((rows, reached, cancel) => WriteAsync(rows, by, reached, scopes, cancel), wish.GoodRowsOnly);
            return ViewOf(job, null, 0, await shelf.ViewAsync(db));
        });

        group.MapDelete("/{id:int}", async (int id, HttpContext context, ImportDesk desk, IncisuraDb db, Shelf shelf) =>
        {
            ImportJob job = desk.Find(id, context.User.Actor().Name);
            job.Cancel();
            return ViewOf(job, null, 0, await shelf.ViewAsync(db));
        });
    }

    private static async Task<string> WriteAsync(
        IReadOnlyList<LookedRow> rows, string by, Action<int> reached, IServiceScopeFactory scopes, CancellationToken cancel)
    {
        if (rows.Count == 0) return "No row is new or different; nothing was written.";
        RefuseCircles(rows);
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        Shelf shelf = scope.ServiceProvider.GetRequiredService<Shelf>();
        DateTimeOffset now = scope.ServiceProvider.GetRequiredService<TimeProvider>().GetUtcNow();
        int added = rows.Count(r => r.ExistingId == 0), next = await Staging.ReserveAsync<StoredCutter>(db, added, cancel);
        List<StoredCutter> cutters = [.. rows.Select(r => new StoredCutter
        {
            Id = r.ExistingId == 0 ? next++ : r.ExistingId,
            Name = r.Cutter.Number.Trim(),
            Revision = r.ExistingRevision + 1,
            ChangedBy = by,
            ChangedAt = now,
            Definition = r.Cutter,
        })];
        Dictionary<string, int> byNumber = cutters.ToDictionary(c => c.Name, c => c.Id, StringComparer.OrdinalIgnoreCase);
        IReadOnlyDictionary<int, StoredCutter> before = (await shelf.ViewAsync(db)).Cutters;
        await Staging.WriteAsync<StoredCutter>(
            db,
            [.. cutters.Zip(rows, (cutter, row) =>
            {
                if (row.ReplacedBy.Length > 0) cutter.Definition = row.Cutter with { ReplacedById = byNumber[row.ReplacedBy] };
                return new StagedThing(cutter, row.ExistingId == 0 ? "" : before[row.ExistingId].TextOf());
            })],
            reached, shelf.WritingAsync, cancel);
        shelf.Put(cutters);
        return $"{added} cutters added, {rows.Count - added} changed.";
    }

    // Replacements lead to a cutter that is in use, never back to where they began.
    private static void RefuseCircles(IReadOnlyList<LookedRow> rows)
    {
        Dictionary<string, string> leads = rows.Where(r => r.ReplacedBy.Length > 0)
            .ToDictionary(r => r.Cutter.Number.Trim(), r => r.ReplacedBy, StringComparer.OrdinalIgnoreCase);
        HashSet<string> sound = new(StringComparer.OrdinalIgnoreCase);
        foreach (string first in leads.Keys)
        {
            List<string> way = [];
            for (string at = first; leads.ContainsKey(at) && sound.Add(at); at = leads[at]) way.Add(at);
            if (way.Count > 0 && leads[way[^1]] is var last && way.Contains(last, StringComparer.OrdinalIgnoreCase))
                throw new Core.Records.RuleException(
                    "circle", $"{way[^1]} and {last} would replace each other; leave one of the replacements out.");
        }
    }

    private static ImportView ViewOf(ImportJob job, RowOutcome? outcome, int skip, ShelfView view)
    {
        IReadOnlyList<LookedRow> rows = job.Rows;
        return new(
            job.Id,
            job.File,
            job.State,
            job.Inch,
            job.Reached,
            job.Table.Rows.Count,
            rows.GroupBy(r => r.Outcome).ToDictionary(g => Wire.WordOf(g.Key), g => g.Count()),
            [.. job.Table.Headings.Select(
                (h, i) =>
                    new ImportColumn(
                        h, job.Meanings[i].Code, job.Meanings[i].Inch,
                        [.. job.Table.Rows.Select(r => r.Cells[i]).Where(c => c.Length > 0).Take(3).Select(Example)]))],
            HintsOf(job),
            [
                .. rows.Where(r => outcome is null || r.Outcome == outcome).Skip(skip).Take(RowsShown).Select(r => new ImportRow(
                    r.Line,
                    r.Cutter.Number,
                    r.Outcome == RowOutcome.Refused ? r.Cutter.Described.Name : Core.Library.CutterListing.WordsOf(r.Cutter),
                    r.Outcome,
                    r.ExistingId != 0 && r.Outcome != RowOutcome.Refused && view.Cutters.TryGetValue(r.ExistingId, out StoredCutter? before)
                        ? ManyEndpoints.Differences<Cutter>(before.Definition, r.Cutter)
                        : [],
                    [.. r.Faults.Select(
                        f =>
                            new ImportFault(
                                f.Column >= 0 ? job.Table.Headings[f.Column] : "", f.Sentence, double.IsFinite(f.Meant) ? f.Meant : null))])),
            ],
            job.Said);
    }

    private static string Example(string cell) => cell.Length > LongestExample ? cell[..LongestExample] + "…" : cell;

    private static List<string> HintsOf(ImportJob job)
    {
        List<string> hints = [];
        if (job.Meanings.All(m => m.Code != "number")) hints.Add("No column is taken for the number; every row needs one. Choose it.");
        List<string> left = [.. job.Table.Headings.Where((h, i) => job.Meanings[i].Code.Length == 0 && h.Length > 0)];
        if (left.Count > 0) hints.Add($"Left out: {string.Join(", ", left)}.");
        int meant = job.Rows.Count(r => r.Faults.Any(f => double.IsFinite(f.Meant)));
        if (!job.Inch && meant > 1) hints.Add($"{meant} rows look as if their lengths were in inches. Take lengths as inches?");
        return hints;
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Library;
using Incisura.Core.Quantities;
using Incisura.Core.Records;
using Incisura.Web.Calculate;
using Incisura.Web.Hosting;
using Incisura.Web.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Coverage;

/// <summary>What stands against what.</summary>
public enum CoverageView
{
    /// <summary>Work materials against operations, for a cutter.</summary>
    Cutter,

    /// <summary>Cutters against work materials, for an operation.</summary>
    Operation,

    /// <summary>Machines against operations.</summary>
    Machines,
}

/// <summary>Which coverage is asked for.</summary>
/// <param name="View">cutter, operation or machines.</param>
/// <param name="Cutter">The cutter, for its view.</param>
/// <param name="Operation">The operation, for its view.</param>
/// <param name="Machine">Only records of this machine; none for all.</param>
/// <param name="Material">Only records of this work material; none for all.</param>
/// <param name="Text">Words that cutters in the rows are found by.</param>
/// <param name="Skip">How many rows to leave out.</param>
/// <param name="Take">How many rows to give, 1 to 1000.</param>
public sealed record CoverageQuery(
    [FromQuery(Name = "view")] string? View = null,
    [FromQuery(Name = "cutter")] int? Cutter = null,
    [FromQuery(Name = "operation")] string? Operation = null,
    [FromQuery(Name = "machine")] int? Machine = null,
    [FromQuery(Name = "material")] int? Material = null,
    [FromQuery(Name = "text")] string? Text = null,
    [FromQuery(Name = "skip")] int Skip = 0,
    [FromQuery(Name = "take")] int Take = 500);

/// <summary>A row or a column: a cutter, a work material, an operation or a machine.</summary>
/// <param name="Key">Its identity, or the code of an operation.</param>
/// <param name="Name">What people call it.</param>
/// <param name="About">What it is, in a few words.</param>
public sealed record CoverageLine(string Key, string Name, string About);

/// <summary>How many records stand how; each record counts once.</summary>
/// <param name="Approved">In force, and holding.</param>
/// <param name="Stopped">In force, and not to be run as a machine reported, until somebody decides.</param>
/// <param name="Stale">In force, and stale, broken or ended.</param>
/// <param name="InReview">Proposed, with nothing in force.</param>
/// <param name="Draft">Begun, with nothing in force.</param>
/// <param name="Withdrawn">Taken out of use, with nothing after it.</param>
/// <param name="LookedFor">How often somebody looked for it at a machine and found nothing.</param>
public sealed record CoverageCount(int Approved, int Stopped, int Stale, int InReview, int Draft, int Withdrawn, int LookedFor)
{
    /// <summary>Nothing at all.</summary>
    public static CoverageCount None { get; } = new(0, 0, 0, 0, 0, 0, 0);

    /// <summary>Both together.</summary>
    public static CoverageCount operator +(CoverageCount a, CoverageCount b) => new(
        a.Approved + b.Approved, a.Stopped + b.Stopped, a.Stale + b.Stale, a.InReview + b.InReview, a.Draft + b.Draft, a.Withdrawn + b.Withdrawn,
        a.LookedFor + b.LookedFor);
}

/// <summary>A cell that is not empty.</summary>
/// <param name="Row">Key of its row.</param>
/// <param name="Column">Key of its column.</param>
/// <param name="Count">What it holds.</param>
public sealed record CoverageCell(string Row, string Column, CoverageCount Count);

/// <summary>What there is and what is missing.</summary>
/// <param name="Rows">The rows asked for.</param>
/// <param name="TotalRows">How many rows there are.</param>
/// <param name="Columns">All columns.</param>
/// <param name="Cells">Cells of these rows that are not empty.</param>
/// <param name="Total">All cells of these rows together.</param>
public sealed record CoverageAnswer(
    IReadOnlyList<CoverageLine> Rows, int TotalRows, IReadOnlyList<CoverageLine> Columns, IReadOnlyList<CoverageCell> Cells, CoverageCount Total);

/// <summary>A cutter's approved figures, for its page.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="Situation">What they are for.</param>
/// <param name="Stale">Whether they are stale, broken or ended.</param>
/// <param name="Figures">The large figures.</param>
public sealed record ApprovedFigures(string Record, SituationWords Situation, bool Stale, IReadOnlyList<Figure> Figures);

/// <summary>What there is approved, and what is missing.</summary>
public static class CoverageEndpoints
{
    private const int MostRows = 1000, MostFigures = 300;

    public static void MapCoverage(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/coverage").WithTags("coverage").RequireAuthorization(Access.Engineers);
        group.MapGet("/", AskAsync);
        group.MapGet("/cutters/{id:int}", async (int id, IncisuraDb db, TimeProvider clock) =>
        {
            DateOnly today = clock.Today();
            var rows = await db.RecordRevisions.AsNoTracking().Where(v => v.IsInForce && v.CutterId == id)
                .OrderBy(v => v.MaterialId).ThenBy(v => v.Operation).Take(MostFigures)
                .Select(v => new { v.Record!.Number, v.Words, v.Result, v.Stands, v.EndsOn }).ToListAsync();
            return rows.ConvertAll(v => new ApprovedFigures(
                v.Number, DefinitionFormat.Read<SituationWords>(v.Words), v.Stands is Stands.Stale or Stands.Broken || v.EndsOn < today,
                [.. DefinitionFormat.Read<CalculationResult>(v.Result).Figures.Where(f => f.Rank == FigureRank.Large)]));
        });
        group.MapFill();
    }

    private static async Task<CoverageAnswer> AskAsync(
        [AsParameters] CoverageQuery query, IncisuraDb db, Shelf shelf, StandingJudge judge, TimeProvider clock, CancellationToken cancel)
    {
        new InputCheck()
            .Within("take", "The number of rows to give", query.Take, 1, MostRows, Quantity.Count)
            .Within("skip", "The number of rows to leave out", query.Skip, 0, int.MaxValue, Quantity.Count)
            .ThrowIfAny();
        CoverageView of = Wire.Optional<CoverageView>(query.View, "view") ?? CoverageView.Machines;
        await judge.SettleAsync(db, cancel);
        ShelfView view = await shelf.ViewAsync(db);
        IReadOnlyList<Tally> tallies = [.. await RecordsAsync(query, of, db, clock.Today(), cancel), .. await MissesAsync(query, of, db, cancel)];
        Dictionary<(string Row, string Column), CoverageCount> cells = tallies
            .GroupBy(t => (RowOf(t, of), ColumnOf(t, of)))
            .ToDictionary(g => g.Key, g => g.Aggregate(CoverageCount.None, (sum, t) => sum + t.Count));
        HashSet<string> filled = [.. cells.Keys.Select(k => k.Row)];
        IReadOnlyList<CoverageLine> rows = RowsOf(query, of, view, filled);
        IReadOnlyList<CoverageLine> columns = ColumnsOf(query, of, view, [.. cells.Keys.Select(k => k.Column)]);
        CoverageLine[] page = [.. rows.Skip(query.Skip).Take(query.Take)];
        HashSet<string> shown = [.. page.Select(r => r.Key)], known = [.. columns.Select(c => c.Key)];
        CoverageCell[] given = [
            .. cells.Where(c => shown.Contains(c.Key.Row) && known.Contains(c.Key.Column))
                .Select(c => new CoverageCell(c.Key.Row, c.Key.Column, c.Value))];
        return new(page, rows.Count, columns, given, given.Aggregate(CoverageCount.None, (sum, c) => sum + c.Count));
    }

    // One row for each pair of row and column, and each way to stand: the database counts.
    private static async Task<List<Tally>> RecordsAsync(
        CoverageQuery q, CoverageView of, IncisuraDb db, DateOnly today, CancellationToken cancel)
    {
        IQueryable<RecordRevisionRow> all = db.RecordRevisions.AsNoTracking().Where(RecordRevisionRow.Counted);
        if (of == CoverageView.Cutter) all = all.Where(v => v.CutterId == q.Cutter);
        if (of == CoverageView.Operation) all = all.Where(v => v.Operation == q.Operation);
        if (q.Machine is { } machine) all = all.Where(v => v.MachineId == machine);
        if (q.Material is { } material) all = all.Where(v => v.MaterialId == material);
        bool cutters = of == CoverageView.Operation, materials = of != CoverageView.Machines, machines = of == CoverageView.Machines;
        var rows = await all
            .Select(v => new
            {
                Operation = cutters ? "" : v.Operation,
                Material = materials ? v.MaterialId : 0,
                Cutter = cutters ? v.CutterId : 0,
                Machine = machines ? v.MachineId : 0,
                v.State,
                Stopped = v.IsInForce && v.StoppedBy != "",
                Stale = v.IsInForce && (v.Stands == Stands.Stale || v.Stands == Stands.Broken || v.EndsOn < today),
            })
            .GroupBy(v => v)
            .Select(g => new { g.Key, Count = g.Count() })
            .ToListAsync(cancel);
        return rows.ConvertAll(r => new Tally(r.Key.Operation, r.Key.Material, r.Key.Cutter, r.Key.Machine, r.Key.State switch
        {
            RecordState.Approved when r.Key.Stopped => CoverageCount.None with { Stopped = r.Count },
            RecordState.Approved when r.Key.Stale => CoverageCount.None with { Stale = r.Count },
            RecordState.Approved => CoverageCount.None with { Approved = r.Count },
            RecordState.InReview => CoverageCount.None with { InReview = r.Count },
            RecordState.Draft => CoverageCount.None with { Draft = r.Count },
            _ => CoverageCount.None with { Withdrawn = r.Count },
        }));
    }

    private static async Task<List<Tally>> MissesAsync(CoverageQuery q, CoverageView of, IncisuraDb db, CancellationToken cancel)
    {
        IQueryable<MissRow> all = db.Misses.AsNoTracking();
        if (of == CoverageView.Cutter) all = all.Where(m => m.CutterId == q.Cutter && m.MaterialId != 0 && m.Operation != "");
        if (of == CoverageView.Operation) all = all.Where(m => m.Operation == q.Operation && m.MaterialId != 0 && m.CutterId != 0);
        if (of == CoverageView.Machines) all = all.Where(m => m.MachineId != 0 && m.Operation != "");
        if (q.Machine is { } machine) all = all.Where(m => m.MachineId == machine || m.MachineId == 0);
        if (q.Material is { } material) all = all.Where(m => m.MaterialId == material);
        return (await all.ToListAsync(cancel)).ConvertAll(
            m => new Tally(m.Operation, m.MaterialId, m.CutterId, m.MachineId, CoverageCount.None with { LookedFor = m.Times }));
    }

    private static string RowOf(Tally t, CoverageView of) => Key(of switch
    {
        CoverageView.Cutter => t.Material,
        CoverageView.Operation => t.Cutter,
        _ => t.Machine,
    });

    private static string ColumnOf(Tally t, CoverageView of) => of == CoverageView.Operation ? Key(t.Material) : t.Operation;

    private static IReadOnlyList<CoverageLine> RowsOf(CoverageQuery q, CoverageView of, ShelfView view, HashSet<string> filled) => of switch
    {
        CoverageView.Cutter => [.. Materials(view).Where(m => q.Material is null || m.Key == Key(q.Material.Value))],
        CoverageView.Operation => Cutters(q, view, filled),
        _ =>
        [
            .. view.Machines.Values.Where(m => q.Machine is null || m.Id == q.Machine).OrderBy(m => m.Name, StringComparer.OrdinalIgnoreCase)
                .Select(m => new CoverageLine(Key(m.Id), m.Name, m.Definition.Kind)),
        ],
    };

    // What has a record stands first; the others follow as long as they are in use and can do it.
    private static IReadOnlyList<CoverageLine> Cutters(CoverageQuery q, ShelfView view, HashSet<string> filled)
    {
        OperationDescription operation = CalculateEndpoints.OperationOf(q.Operation ?? "").Description;
        ListQuery asked = new() { Text = q.Text ?? "", Take = int.MaxValue };
        return
        [
            .. view.Listings.Cutters.Ask(asked).Rows
                .Where(c => filled.Contains(Key(c.Id)) || (operation.Families.Contains(c.Cutter.Family) && !c.Cutter.Retired))
                .OrderByDescending(c => filled.Contains(Key(c.Id))).ThenBy(c => c.Cutter.Number, StringComparer.OrdinalIgnoreCase)
                .Select(c => new CoverageLine(Key(c.Id), c.Cutter.Number, CutterListing.WordsOf(c.Cutter))),
        ];
    }

    private static IReadOnlyList<CoverageLine> ColumnsOf(CoverageQuery q, CoverageView of, ShelfView view, HashSet<string> filled)
    {
        if (of == CoverageView.Operation) return Materials(view);
        IEnumerable<OperationDescription> all = Operations.All.Select(o => o.Description);
        if (of == CoverageView.Cutter && view.Cutters.TryGetValue(q.Cutter ?? 0, out StoredCutter? cutter))
            all = all.Where(o => o.Families.Contains(cutter.Definition.Family) || filled.Contains(o.Code));
        else if (of == CoverageView.Cutter) throw new MissingException("There is no such cutter; choose one.");
        return [.. all.Select(o => new CoverageLine(o.Code, o.Name, ""))];
    }

    private static IReadOnlyList<CoverageLine> Materials(ShelfView view) =>
    [
        .. view.Materials.Values.OrderBy(m => m.Definition.Group).ThenBy(m => m.Name, StringComparer.OrdinalIgnoreCase)
            .Select(m => new CoverageLine(Key(m.Id), m.Name, m.Definition.Group.ToString())),
    ];

    private static string Key(int id) => id.ToString(System.Globalization.CultureInfo.InvariantCulture);

    private sealed record Tally(string Operation, int Material, int Cutter, int Machine, CoverageCount Count);
}

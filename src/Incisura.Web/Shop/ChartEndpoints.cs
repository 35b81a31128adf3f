using System.Text.Json.Serialization;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Materials;
using Incisura.Core.Records;
using Incisura.Exchange.Tables;
using Incisura.Web.Hosting;
using Incisura.Web.Library;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Shop;

/// <summary>A fault of one cell, by the heading of its column; an empty one where the whole row is meant.</summary>
public sealed record ChartFault(string Column, string Sentence);

/// <summary>A row of a table as it would stand in the chart.</summary>
/// <param name="Line">Line of the table.</param>
/// <param name="Row">The row; null where it cannot be taken.</param>
/// <param name="Faults">Why not.</param>
public sealed record ChartRowRead(int Line, SpeedRow? Row, IReadOnlyList<ChartFault> Faults);

/// <summary>What a table holds; nothing of it is kept before the chart is saved.</summary>
/// <param name="Rows">Its rows.</param>
/// <param name="LeftOut">Columns nobody knows.</param>
/// <param name="Missing">Columns it would need.</param>
public sealed record ChartRead(IReadOnlyList<ChartRowRead> Rows, IReadOnlyList<string> LeftOut, IReadOnlyList<string> Missing);

/// <summary>What rests on a row of the chart.</summary>
/// <param name="Family">Family of cutter.</param>
/// <param name="CuttingMaterial">Cutting material.</param>
/// <param name="SubGroup">Sub-group or group of work material.</param>
/// <param name="Operation">Code of the operation.</param>
/// <param name="Records">Records that are worked on or in force whose situation reads the row.</param>
/// <param name="Ran">Reports from machines that one of them ran as given.</param>
public sealed record RowUse(
    CutterFamily Family, CuttingMaterial CuttingMaterial, string SubGroup, string Operation, int Records, int Ran);

/// <summary>A row made of figures that were run, and the record it is of.</summary>
public sealed record RowOfRecord(string Record, SpeedRow Row);

/// <summary>A speed chart as a table, what rests on its rows, and rows made of what was tried.</summary>
public static class ChartEndpoints
{
    private const int MostRows = 5000;

    public static void MapCharts(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/shop/charts").WithTags("charts");
        group.MapGet("/{id:int}/table.{format}", async (int id, string format, IncisuraDb db, Shelf shelf) =>
        {
            IReadOnlyList<SpeedRow> rows = (await FindAsync(id, db, shelf)).Rows;
            IReadOnlyList<double> diameters = ChartRows.DiametersOf(rows);
            return TableAnswer.Send("speed-chart", format, rows, ChartRows.Headings(diameters), r => ChartRows.Write(r, diameters));
        }).Produces<byte[]>().TakesTurns();
        group.MapPost("/read", async (bool? inch, string? source, HttpContext context) =>
        {
            using MemoryStream content = new();
            await context.Request.Body.CopyToAsync(content, context.RequestAborted);
            Table table = TableFile.Read(content.ToArray(), context.RequestAborted);
            if (table.Rows.Count > MostRows) throw new TableException($"The table has {table.Rows.Count} rows; {MostRows} is the most for a chart.");
            ReadChart read = ChartRows.Read(table, inch ?? false, source ?? "a table");
            return new ChartRead(
                [
                    .. read.Rows.Select(r => new ChartRowRead(
                        r.Line, r.Row, [.. r.Faults.Select(f => new ChartFault(f.Column < 0 ? "" : table.Headings[f.Column], f.Sentence))])),
                ],
                read.LeftOut, read.Missing);
        }).Accepts<byte[]>("application/octet-stream").TakesTurns().RequireAuthorization(Access.Engineers);
        group.MapGet("/{id:int}/resting", RestingAsync);
        group.MapGet("/rows/{record}", RowOfAsync).RequireAuthorization(Access.Engineers);
    }

    private static async Task<SpeedChart> FindAsync(int id, IncisuraDb db, Shelf shelf) =>
        (await shelf.ViewAsync(db)).Charts.GetValueOrDefault(id)?.Definition ?? throw StoredEndpoints.Missing("speed chart", id);

    private static async Task<IReadOnlyList<RowUse>> RestingAsync(int id, IncisuraDb db, Shelf shelf, CancellationToken cancel)
    {
        ShelfView view = await shelf.ViewAsync(db);
        SpeedChart chart = await FindAsync(id, db, shelf);
        var open = await db.RecordRevisions.AsNoTracking().Where(RecordRevisionRow.Open)
            .GroupBy(v => new { v.Operation, v.CutterId, v.MaterialId })
            .Select(g => new { g.Key, Records = g.Select(v => v.RecordId).Distinct().Count() })
            .ToListAsync(cancel);
        var ran = await db.FloorReports.AsNoTracking().Where(r => r.Outcome == ReportOutcome.AsGiven)
            .Join(db.Records, r => r.RecordId, r => r.Id, (_, r) => new { r.Operation, r.CutterId, r.MaterialId })
            .GroupBy(r => r)
            .Select(g => new { g.Key, Count = g.Count() })
            .ToDictionaryAsync(r => r.Key, r => r.Count, cancel);
        Dictionary<SpeedRow, (int Records, int Ran)> uses = new(ReferenceEqualityComparer.Instance);
        foreach (var o in open)
        {
            if (RowFor(o.Key.Operation, o.Key.CutterId, o.Key.MaterialId) is not { } row) continue;
            (int records, int reports) = uses.GetValueOrDefault(row);
            uses[row] = (records + o.Records, reports + ran.GetValueOrDefault(new { o.Key.Operation, o.Key.CutterId, o.Key.MaterialId }));
        }

        return
        [
            .. from row in chart.Rows
               where uses.ContainsKey(row)
               select new RowUse(row.Family, row.CuttingMaterial, row.SubGroup, row.Operation, uses[row].Records, uses[row].Ran),
        ];

        SpeedRow? RowFor(string operation, int cutterId, int materialId) =>
            Operations.Find(operation)?.Description is { } d
                && view.Cutters.GetValueOrDefault(cutterId)?.Definition is { } cutter
                && view.Materials.GetValueOrDefault(materialId)?.Definition is { } material
                ? d.RowIn(chart, cutter, material)
                : null;
    }

    // Of a record that somebody ran: a report says so, or its evidence does.
    private static async Task<RowOfRecord> RowOfAsync(string record, IncisuraDb db, Shelf shelf, CancellationToken cancel)
    {
        RecordRow row = await db.Records.AsNoTracking().Include(r => r.Revisions).FirstOrDefaultAsync(r => r.Number == record, cancel)
            ?? throw new MissingException($"There is no record {record}.");
        RecordRevisionRow revision = row.InForce() ?? row.Newest();
        int ran = await db.FloorReports.CountAsync(
            r => r.RecordId == row.Id && r.Revision == revision.Number && r.Outcome == ReportOutcome.AsGiven, cancel);
        if (ran == 0 && revision.ReadTerms().Evidence.Kind == EvidenceKind.Computed)
            throw new RuleException(
                "not-tried",
                $"Nobody has said that {record} ran as given: report it from the machine, or give what it was tried on as its evidence.");
        Situation situation = await RecordParts.SituationAsync(db, revision);
        CalculationResult result = RecordParts.ResultOf(revision);
        SpeedChart? chart = (await shelf.ViewAsync(db)).Charts.Values.FirstOrDefault()?.Definition;
        SpeedRow? there = chart?.Find(
            situation.Cutter.Value.Family, situation.Cutter.Value.Material, situation.Material.Value.SubGroup, result.Operation);
        string source = $"{record} revision {revision.Number}"
            + (ran > 0 ? $", ran as given {(ran == 1 ? "once" : $"{ran} times")}" : $", {revision.ReadTerms().Evidence.Source}");
        return new(record, TriedRow.Of(situation, result, there, source));
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Calculate;

/// <summary>What the step of a record leaves for the step after it.</summary>
public static class LeftoverEndpoints
{
    public static void MapLeftovers(this IEndpointRouteBuilder api) =>
        api.MapGet("/records/{number}/leftover", async (string number, IncisuraDb db) =>
            await NowAsync(number, 0, db)
                ?? throw new MissingException(
                    $"There is no record {number} that leaves anything; "
                        + "choose one that leaves stock or a hole.")).WithTags("records").RequireAuthorization(Access.Engineers);

    /// <summary>What a record's newest revision leaves; null where there is no such record, or nothing it could leave.</summary>
    /// <param name="number">Number of the record.</param>
    /// <param name="materialId">Work material of the step after it; 0 where it does not matter.</param>
    /// <param name="db">The database.</param>
    public static async Task<Leftover?> NowAsync(string number, int materialId, IncisuraDb db) =>
        await RowAsync(number, db) is { } record && record.Revisions.Count > 0 && await LeftAsync(record, record.Newest(), db) is { } left
            ? left with { Doubt = DoubtOf(record, materialId) }
            : null;

    /// <summary>What a revision of a record left, and what has changed there since.</summary>
    /// <exception cref="InputException">That revision does not exist, or leaves nothing.</exception>
    public static async Task<Leftover> OfAsync(TakenLeftover taken, int materialId, IncisuraDb db)
    {
        RecordRow? record = await RowAsync(taken.Record, db);
        RecordRevisionRow? revision = record?.Revisions.FirstOrDefault(r => r.Number == taken.Revision);
        Leftover? left = revision is null ? null : await LeftAsync(record!, revision, db);
        new InputCheck()
            .Holds(record is not null, "leftover.record", double.NaN, $"There is no record {taken.Record}; choose the step before from the list.")
            .Holds(
                record is null || revision is not null, "leftover.revision", taken.Revision,
                $"{taken.Record} has no revision {taken.Revision}; take the leftover anew.")
            .Holds(
                revision is null || left is not null, "leftover.record", double.NaN,
                $"{taken.Record} leaves nothing for a step after it; choose a record that leaves stock or a hole.")
            .ThrowIfAny();
        return left!.Against(await NowAsync(taken.Record, materialId, db));
    }

    private static Task<RecordRow?> RowAsync(string number, IncisuraDb db) =>
        db.Records.AsNoTracking().Include(r => r.Revisions.Where(v => v.State != RecordState.Discarded)).FirstOrDefaultAsync(r => r.Number == number);

    private static async Task<Leftover?> LeftAsync(RecordRow record, RecordRevisionRow revision, IncisuraDb db)
    {
        CalculationResult result = RecordParts.ResultOf(revision);
        double Field(string code) => result.Fields.FirstOrDefault(f => f.Code == code)?.Value ?? 0;
        double cutter = (await RecordParts.SituationAsync(db, revision)).Cutter.Value.CuttingDiameter;
        Leftover Of(double across, double height, double length, double diameter, LeftoverKind kind) =>
            new(
                $"{record.Number}, revision "
                    + $"{revision.Number}{(revision.State == RecordState.Approved ? "" : $" ({RecordLife.Words(revision.State)})")}",
                record.Number, revision.Number, across, height, length, diameter)
            { Kind = kind };
        OperationDescription? d = Operations.Find(record.Operation)?.Description;
        if (d?.Leaves == LeftoverKind.Wall && result.Figures.FirstOrDefault(f => f.Code == "stockLeft") is { } left)
            return Of(left.Value, Math.Max(Field("wallHeight"), Field("stockHeight")), Field("length"), cutter, LeftoverKind.Wall);
        if (d?.Leaves != LeftoverKind.Hole) return null;
        double hole = d.LeavesBy is { } by ? Field(d.Field(by).Code) : cutter;
        if (hole <= 0) return null;
        bool through = DefinitionFormat.Read<Choices>(revision.Choices).Options.GetValueOrDefault("end") == "through";
        return Of(0, through ? 0 : Math.Max(Field("depth"), Field("stockHeight")), 0, hole, LeftoverKind.Hole);
    }

    private static string DoubtOf(RecordRow record, int materialId)
    {
        List<string> doubts = [];
        RecordRevisionRow newest = record.Newest();
        if (newest.State == RecordState.Withdrawn) doubts.Add($"{record.Number} is withdrawn.");
        if (materialId != 0 && record.MaterialId != materialId)
            doubts.Add($"{record.Number} is for another work material, {DefinitionFormat.Read<SituationWords>(newest.Words).Material}.");
        return string.Join(' ', doubts);
    }
}

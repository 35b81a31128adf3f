using Incisura.Core.Calculation;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Calculate;

/// <summary>What the step of a record leaves for the step after it.</summary>
public static class LeftoverEndpoints
{
    public static void MapLeftovers(this IEndpointRouteBuilder api) =>
        api.MapGet("/records/{number}/leftover", async (string number, IncisuraDb db) =>
            await NowAsync(number, db) ?? throw new MissingException($"There is no record {number} that leaves anything; choose a roughing record.")).WithTags("records").RequireAuthorization(Access.Engineers);

    /// <summary>What a record's newest revision leaves; null where there is no such record, or nothing it could leave.</summary>
    public static async Task<Leftover?> NowAsync(string number, IncisuraDb db)
    {
        RecordRevisionRow? newest = await db.Records.AsNoTracking().Where(r => r.Number == number).SelectMany(r => r.Revisions).Where(r => r.State != Core.Records.RecordState.Discarded).OrderByDescending(r => r.Number).FirstOrDefaultAsync();
        if (newest is null) return null;
        CalculationResult result = DefinitionFormat.Read<CalculationResult>(newest.Result);
        Figure? left = result.Figures.FirstOrDefault(f => f.Code == "stockLeft");
        if (left is null) return null;
        Situation situation = DefinitionFormat.Read<Situation>(newest.Situation);
        double Field(string code) => result.Fields.FirstOrDefault(f => f.Code == code)?.Value ?? 0;
        return new($"{number}, revision {newest.Number},", number, newest.Number, left.Value, Math.Max(Field("wallHeight"), Field("stockHeight")), Field("length"), situation.Cutter.Value.CuttingDiameter);
    }
}

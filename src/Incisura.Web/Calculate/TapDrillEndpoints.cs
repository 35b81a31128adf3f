using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Web.Hosting;

namespace Incisura.Web.Calculate;

/// <summary>A drill of the library before a tap.</summary>
/// <param name="CutterId">Identity of the drill.</param>
/// <param name="Number">Its number.</param>
/// <param name="Family">Its family in words.</param>
/// <param name="Diameter">Diameter, mm.</param>
/// <param name="Height">Thread height it gives over the full one, %.</param>
/// <param name="Minor">Minor diameter it gives, mm.</param>
/// <param name="Class">Tightest class that holds it; empty for none.</param>
/// <param name="Assemblies">Numbers of the assemblies it stands in.</param>
public sealed record ShelfDrill(
    int CutterId, string Number, string Family, double Diameter, double Height, double Minor, string Class, IReadOnlyList<string> Assemblies);

/// <summary>Drills on the shelf for a thread.</summary>
public static class TapDrillEndpoints
{
    private const int Most = 12;

    public static void MapTapDrills(this IEndpointRouteBuilder api) =>
        api.MapPost("/calculations/tap/drills", async (CalculationRequest request, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            Situation situation = CalculateEndpoints.SituationOf(request, view);
            double wanted = CalculateEndpoints.OperationOf("tap").Calculate(situation, new(Untyped(request), request.Options ?? []), explain: false)
                .Figures.First(f => f.Code == "holeForHeight").Value;
            TapGeometry tap = new(situation.Cutter.Value);
            return view.Cutters.Values
                .Where(c => !c.Definition.Retired && TapDrill.Families.Contains(c.Definition.Family))
                .Select(c => (Stored: c, Drill: TapDrill.Of(tap, c.Definition.CuttingDiameter)))
                .Where(c => c.Drill is not null)
                .OrderBy(c => Math.Abs(c.Stored.Definition.CuttingDiameter - wanted))
                .Take(Most)
                .Select(c => new ShelfDrill(
                    c.Stored.Id, c.Stored.Name, c.Stored.Definition.Described.Name, c.Drill!.Value.Diameter, c.Drill.Value.Height,
                    c.Drill.Value.Minor, c.Drill.Value.Class,
                    [.. view.Assemblies.Values.Where(a => a.Definition.CutterId == c.Stored.Id).Select(a => a.Name)]))
                .ToList();
        }).WithTags("calculate").Calculates().RequireAuthorization(Access.Engineers);

    // The hole wanted does not depend on the hole that is there, which may be the very thing that is refused.
    private static Dictionary<string, double> Untyped(CalculationRequest request) =>
        (request.Numbers ?? []).Where(n => n.Key is "threadHeight" or "cuttingSpeed").ToDictionary();
}

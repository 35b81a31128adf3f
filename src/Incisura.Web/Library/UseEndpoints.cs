using System.Security.Claims;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Library;

/// <summary>An assembly that something is part of, and what no longer fits in it since its parts were changed; empty where all fits.</summary>
public sealed record UsedInAssembly(int Id, string Number, string StockPlace, IReadOnlyList<string> Machines, bool Retired, string Fault);

/// <summary>Where a cutter, holder or assembly is used.</summary>
/// <param name="Assemblies">Assemblies it is part of.</param>
/// <param name="Records">Records that rest on it; empty for readers.</param>
/// <param name="Editions">Editions it was published in.</param>
/// <param name="Replaces">Numbers of the cutters it replaces.</param>
public sealed record Uses(
    IReadOnlyList<UsedInAssembly> Assemblies, IReadOnlyList<string> Records, IReadOnlyList<int> Editions, IReadOnlyList<string> Replaces);

/// <summary>Where things of the library are used.</summary>
public static class UseEndpoints
{
    public static void MapUses(this IEndpointRouteBuilder library)
    {
        library.MapGet(
            "/cutters/{id:int}/uses",
            (int id, ClaimsPrincipal user, IncisuraDb db, Shelf shelf) => UsesAsync(db, shelf, user, a => a.CutterId == id, id)).WithTags("cutters");
        library.MapGet("/holders/{id:int}/uses", (int id, ClaimsPrincipal user, IncisuraDb db, Shelf shelf) =>
            UsesAsync(db, shelf, user, a => a.HolderId == id || a.Definition.Extensions.Any(e => e.HolderId == id), 0)).WithTags("holders");
        library.MapGet(
            "/assemblies/{id:int}/uses", (int id, ClaimsPrincipal user, IncisuraDb db, Shelf shelf) =>
                UsesAsync(db, shelf, user, a => a.Id == id, 0)).WithTags("assemblies");
    }

    private static async Task<Uses> UsesAsync(IncisuraDb db, Shelf shelf, ClaimsPrincipal user, Func<StoredAssembly, bool> part, int cutterId)
    {
        ShelfView view = await shelf.ViewAsync(db);
        List<StoredAssembly> assemblies = [.. view.Assemblies.Values.Where(part).OrderBy(a => a.Name, StringComparer.OrdinalIgnoreCase)];
        List<int> ids = assemblies.ConvertAll(a => a.Id);
        List<string> names = assemblies.ConvertAll(a => a.Name);
        return new(
            [.. assemblies.Select(
                a =>
                    new UsedInAssembly(
                        a.Id, a.Name, a.Definition.StockPlace, [.. a.Definition.Places.Select(p => $"{view.Machines[p.MachineId].Name} {p.Place}")],
                        a.Definition.Retired, view.Build(a.Definition)!.Check().Faults is [var first, ..] ? first.Sentence : ""))],
            user.SeesDrafts()
                ? await db.Records.AsNoTracking().Where(r => ids.Contains(r.AssemblyId)).OrderBy(r => r.Number).Select(r => r.Number).ToListAsync()
                : [],
            await db.EditionLeaves.AsNoTracking()
                .Where(l => names.Contains(l.Assembly))
                .Join(db.EditionLines.AsNoTracking(), l => l.Id, l => l.LeafId, (_, l) => l.EditionNumber)
                .Distinct()
                .OrderBy(n => n)
                .ToListAsync(),
            [.. view.Cutters.Values.Where(c => cutterId != 0 && c.Definition.ReplacedById == cutterId).Select(c => c.Name)]);
    }
}

using System.Globalization;
using System.Security.Claims;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Find;

/// <summary>Something found, with the page it is on.</summary>
public sealed record Found(string Kind, string Name, string About, string Path);

/// <summary>The search box: one question over all places the person may see.</summary>
public static class FindEndpoints
{
    private const int MostOfAKind = 6;

    public static void MapFind(this IEndpointRouteBuilder api) => api.MapGet("/find", async (string q, ClaimsPrincipal user, IncisuraDb db, Shelf shelf) =>
    {
        string[] words = q.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (words.Length == 0) return [];
        ShelfView view = await shelf.ViewAsync(db);
        string Mm(double value) => value.ToString("0.###", CultureInfo.InvariantCulture);
        bool engineer = user.SeesDrafts();

        IEnumerable<Found> cutters = view.Cutters.Values.Select(c => new Found("cutter", c.Name, $"Ø{Mm(c.Definition.CuttingDiameter)} z{c.Definition.Teeth} square end mill", $"/library/cutters/{c.Id}"));
        IEnumerable<Found> holders = view.Holders.Values.Select(h => new Found("holder", h.Name, $"{h.Definition.Kind}, {h.Definition.Interface}", $"/library/holders/{h.Id}"));
        IEnumerable<Found> assemblies = view.Assemblies.Values.Select(a =>
            new Found("assembly", a.Name, $"Ø{Mm(view.Cutters[a.CutterId].Definition.CuttingDiameter)}, {Mm(a.Definition.Projection)} out of {view.Holders[a.HolderId].Definition.Kind}", $"/library/assemblies/{a.Id}"));
        IEnumerable<Found> materials = view.Materials.Values.Select(m => new Found("material", m.Name, $"{m.Definition.Group} {m.Definition.Condition}", "/shop/materials"));
        IEnumerable<Found> machines = view.Machines.Values.Select(m => new Found("machine", m.Name, m.Definition.Kind, "/shop/machines"));
        IEnumerable<Found> records = engineer
            ? (await db.Records.AsNoTracking().OrderByDescending(r => r.Id).Select(r => r.Number).ToListAsync()).Select(n => new Found("record", n, "record", $"/records/{n}"))
            : [];
        return new[] { assemblies, cutters, holders, materials, machines, records }
            .SelectMany(kind => kind.Where(f => words.All(w => $"{f.Kind} {f.Name} {f.About}".Contains(w, StringComparison.OrdinalIgnoreCase))).Take(MostOfAKind))
            .ToList();
    }).WithTags("find");
}

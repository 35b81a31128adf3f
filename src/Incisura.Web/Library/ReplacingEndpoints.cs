using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Web.Hosting;

namespace Incisura.Web.Library;

/// <summary>What becomes of an assembly when its cutter is replaced.</summary>
public sealed record ReplacedAssembly(int Id, string Number, int Revision, IReadOnlyList<Fault> Faults);

/// <summary>Which cutter takes the place of a retired one, and in which assemblies; no replacement retires it alone.</summary>
public sealed record RetireRequest(int ReplacementId, IReadOnlyList<ManySeen> Assemblies);

/// <summary>Retiring a cutter and putting another into its assemblies.</summary>
public static class ReplacingEndpoints
{
    public static void MapReplacing(this IEndpointRouteBuilder library)
    {
        RouteGroupBuilder group = library.MapGroup("/cutters").WithTags("cutters").RequireAuthorization(Access.Engineers);

        group.MapGet("/{id:int}/replacing/{replacement:int}", async (int id, int replacement, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            CutterOf(view, id);
            CutterOf(view, replacement);
            return view.Assemblies.Values.Where(a => a.CutterId == id).OrderBy(a => a.Name, StringComparer.OrdinalIgnoreCase)
                .Select(
                    a =>
                        new ReplacedAssembly(
                            a.Id, a.Name, a.Revision,
                            [.. LibraryEndpoints.Assemblies.Check(With(a.Definition, replacement, view), view, a.Id).Faults.Select(Fault.Of)]))
                .ToList();
        });

        group.MapPost("/{id:int}/retire", async (
            int id, RetireRequest request, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            int revision = Tags.Required(context);
            ShelfView view = await shelf.ViewAsync(db);
            CutterOf(view, id);
            InputCheck check = new();
            foreach (IGrouping<int, ManySeen> seen in request.Assemblies.GroupBy(a => a.Id))
                check.Holds(seen.Count() == 1, "assemblies", seen.Key, $"Assembly {seen.Key} is named {seen.Count()} times; name it once.")
                    .Holds(
                        view.Assemblies.GetValueOrDefault(seen.Key)?.CutterId == id, "assemblies", seen.Key,
                        "Assembly "
                            + (view.Assemblies.GetValueOrDefault(seen.Key)?.Name ?? $"{seen.Key}")
                            + " does not hold this cutter; leave it out.");
            check.ThrowIfAny();
            await using var transaction = await db.Database.BeginTransactionAsync();
            await ManyEndpoints.BatchAsync(
                LibraryEndpoints.Cutters, db, shelf, context, clock, "retired", new Dictionary<int, int> { [id] = revision }, c =>
            {
                Cutter after = c.Definition with { Retired = true, ReplacedById = request.ReplacementId };
                LibraryEndpoints.Cutters.Check(after, view, id).ThrowIfAny();
                return after;
            });
            if (request.Assemblies.Count > 0)
                await ManyEndpoints.BatchAsync(
                    LibraryEndpoints.Assemblies, db, shelf, context, clock, "cutter replaced",
                    request.Assemblies.ToDictionary(a => a.Id, a => a.Revision), a =>
                {
                    Assembly after = With(a.Definition, request.ReplacementId, view);
                    LibraryEndpoints.Assemblies.Check(after, view, a.Id).ThrowIfAny();
                    return after;
                });
            await transaction.CommitAsync();
            shelf.Put([.. db.ChangeTracker.Entries<IStored>().Select(e => e.Entity)]);
            return LibraryEndpoints.Cutters.SheetOf((await shelf.ViewAsync(db)).Cutters[id], await shelf.ViewAsync(db));
        }).AddEndpointFilter<OneWriter>();
    }

    // Another cutter keeps the projection where it can, and otherwise takes the nearest one its joint allows.
    private static Assembly With(Assembly assembly, int cutterId, ShelfView view)
    {
        Assembly changed = assembly with { CutterId = cutterId };
        return view.Build(changed) is { } built && built.Joints[0].Most >= built.Joints[0].Least
            ? changed with { Projection = Math.Clamp(assembly.Projection, built.Joints[0].Least, built.Joints[0].Most) }
            : changed;
    }

    private static StoredCutter CutterOf(ShelfView view, int id) => view.Cutters.GetValueOrDefault(id) ?? throw StoredEndpoints.Missing("cutter", id);
}

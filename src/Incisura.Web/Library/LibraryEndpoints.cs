using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Web.Hosting;

namespace Incisura.Web.Library;

/// <summary>What one part of an assembly is held by, and how far it may stand out.</summary>
public sealed record JointView(string Field, string Held, string Holder, double Least, double Most, double Grip, bool Flush);

/// <summary>An assembly put together: its parts and what they come to.</summary>
public sealed record BuiltView(
    Cutter Cutter, Holder Holder, IReadOnlyList<Holder> Extensions, double GaugeLength, double ToolLength, double Mass, double LargestSpeed,
    IReadOnlyList<JointView> Joints);

/// <summary>An assembly beside a wall.</summary>
public sealed record ReachRequest(Assembly Assembly, Wall Wall);

/// <summary>Whether it touches.</summary>
public sealed record ReachView(IReadOnlyList<Touch> Touches, double Margin, double? LeastProjection, double Deepest, Sentence Sentence);

/// <summary>Cutters, holders and assemblies.</summary>
public static class LibraryEndpoints
{
    public static StoredKind<StoredCutter, Cutter> Cutters { get; } = new(
        "cutter", c => c.Number, CheckCutter, LookOf, () => new() { Definition = null! });

    public static StoredKind<StoredHolder, Holder> Holders { get; } = new(
        "holder", h => h.Number, (h, _, _) => h.Check(), (h, _, sound) => sound ? new(h.Profile()) : Looks.None, () => new() { Definition = null! });

    public static StoredKind<StoredAssembly, Assembly> Assemblies { get; } = new(
        "assembly", a => a.Number, CheckAssembly, LookOf, () => new() { Definition = null! });

    public static void MapLibrary(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder library = api.MapGroup("/library");
        library.MapGet("/families", () => Families.All).WithTags("cutters");
        library.MapStored("/cutters", Cutters);
        library.MapStored("/holders", Holders);
        library.MapStored("/assemblies", Assemblies);
        library.MapPost("/assemblies/reach", async (ReachRequest request, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            request.Wall.Check().ThrowIfAny();
            CheckAssembly(request.Assembly with { Number = request.Assembly.Number is { Length: > 0 } n ? n : "-", Places = [] }, view, 0)
                .ThrowIfAny();
            BuiltAssembly built = view.Build(request.Assembly)!;
            new InputCheck()
                .Holds(
                    ReachCheck.Applies(built), "cutterId", double.NaN,
                    "Reach beside a wall is worked out for tools that turn and for blades; this is another turning tool.")
                .ThrowIfAny();
            ReachResult r = ReachCheck.Solve(built, request.Wall);
            return new ReachView(r.Touches, r.Margin, double.IsFinite(r.LeastProjection) ? r.LeastProjection : null, r.Deepest, r.Sentence);
        }).WithTags("assemblies");
        library.MapLists();
        library.MapMany("/cutters", Cutters, v => v.Cutters);
        library.MapMany("/holders", Holders, v => v.Holders);
        library.MapMany("/assemblies", Assemblies, v => v.Assemblies);
        library.MapReplacing();
        library.MapUses();
        library.MapSavedViews();
        library.MapImports();
        library.MapExports();
        library.MapDrawings();
    }

    // What is chosen anew must be in use; what was chosen while it was may stay.
    private static InputCheck CheckCutter(Cutter c, ShelfView view, int id) => c.Check()
        .Holds(
            c.ReplacedById == 0 || view.Cutters.ContainsKey(c.ReplacedById), "replacedById", c.ReplacedById,
            "The cutter that replaces it does not exist; choose one from the library.")
        .Holds(c.ReplacedById == 0 || c.ReplacedById != id, "replacedById", c.ReplacedById, "A cutter cannot replace itself; choose another.")
        .Holds(
            view.Cutters.GetValueOrDefault(id)?.Definition.ReplacedById == c.ReplacedById
                || view.Cutters.GetValueOrDefault(c.ReplacedById)?.Definition.Retired != true,
            "replacedById",
            c.ReplacedById,
            $"{view.Cutters.GetValueOrDefault(c.ReplacedById)?.Name} is retired itself; choose a cutter that is in use.");

    private static Looks LookOf(Cutter c, ShelfView view, bool sound) => new(
        sound ? c.Profile() : Profile.None,
        Doubts: sound ? [.. c.Doubts().Select(Fault.Of)] : [],
        Ranges: Enum.IsDefined(c.Family)
            ? [
                .. c.Described.Dimensions.Select(d => (d.Dimension.Symbol, Range: d.RangeIn(c.Dimensions)))
                .Select(r => new FieldRange("dimensions." + r.Symbol, r.Range.Least, r.Range.Most))]
            : [],
        Thread: sound ? c.TapThread?.ToString() : null);

    private static Looks LookOf(Assembly a, ShelfView view, bool sound)
    {
        if (view.Build(a) is not { } built) return Looks.None;
        BuiltView parts = new(
            built.Cutter,
            built.Holder,
            built.Extensions,
            built.GaugeLength,
            built.ToolLength,
            built.Mass,
            built.LargestSpeed,
            [.. built.Joints.Select(j => new JointView(j.Field, j.Held, j.In.Number, j.Least, j.Most, j.Grip, j.Flush))]);
        return new(sound ? built.Profile() : Profile.None, parts, Thread: sound ? built.Cutter.TapThread?.ToString() : null);
    }

    private static InputCheck CheckAssembly(Assembly a, ShelfView view, int id)
    {
        InputCheck check = new InputCheck()
            .Holds(view.Cutters.ContainsKey(a.CutterId), "cutterId", a.CutterId, "The cutter does not exist; choose one from the library.")
            .Holds(view.Holders.ContainsKey(a.HolderId), "holderId", a.HolderId, "The holder does not exist; choose one from the library.");
        for (int i = 0; i < a.Extensions.Count; i++)
            check.Holds(
                view.Holders.ContainsKey(a.Extensions[i].HolderId), $"extensions[{i}].holderId", a.Extensions[i].HolderId,
                "The extension does not exist; choose one from the library.");
        if (view.Build(a) is not { } built) return check;
        check = built.Check();
        Assembly? before = view.Assemblies.GetValueOrDefault(id)?.Definition;
        InUse("cutterId", before?.CutterId == a.CutterId, built.Cutter.Number, built.Cutter.Retired);
        InUse("holderId", before?.HolderId == a.HolderId, built.Holder.Number, built.Holder.Retired);
        for (int i = 0; i < built.Extensions.Count; i++)
            InUse(
                $"extensions[{i}].holderId", before?.Extensions.Any(e => e.HolderId == a.Extensions[i].HolderId) == true, built.Extensions[i].Number,
                built.Extensions[i].Retired);
        check.Holds(
            !a.Retired || a.Places.Count == 0, "places", a.Places.Count, "A retired assembly stands in no machine; take it out of its places.");
        if (check.Faults.Count > 0) return check;

        StoredTool tool = built.Stored;
        for (int i = 0; i < a.Places.Count; i++)
        {
            AssemblyPlace p = a.Places[i];
            string field = $"places[{i}].place";
            check.Holds(
                a.Places.Take(i).All(q => q.MachineId != p.MachineId), field, p.Place,
                "An assembly stands in one place of a machine; take the other one out.");
            if (view.Machines.TryGetValue(p.MachineId, out StoredMachine? machine))
                machine.Definition.Store.CheckPlace(check, field, machine.Definition, p.Place, tool, OthersAt(p.MachineId, view, id));
            else check.Holds(false, field, p.MachineId, "The machine does not exist; choose one from the shop.");
        }

        return check;

        void InUse(string field, bool before, string number, bool retired) =>
            check.Holds(before || !retired, field, double.NaN, $"{number} is retired; choose one that is in use.");
    }

    /// <summary>What stands in the places of a machine, but for one assembly.</summary>
    internal static Dictionary<int, StoredTool> OthersAt(int machineId, ShelfView view, int except) => (
        from other in view.Assemblies.Values
        where other.Id != except
        from place in other.Definition.Places
        where place.MachineId == machineId
        select (place.Place, Tool: view.Build(other.Definition)!.Stored)).DistinctBy(p => p.Place).ToDictionary(p => p.Place, p => p.Tool);
}

using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;

namespace Incisura.Web.Library;

/// <summary>Cutters, holders and assemblies.</summary>
public static class LibraryEndpoints
{
    public static StoredKind<StoredCutter, Cutter> Cutters { get; } = new("cutter", c => c.Number, (c, _) => c.Check(), (c, _) => Profile.Of(c));

    public static StoredKind<StoredHolder, Holder> Holders { get; } = new(
        "holder",
        h => h.Number,
        (h, _) => h.Check(),
        (h, _) => [.. h.Segments.Select(s => new ProfileSegment(ProfilePart.Holder, s.Length, s.LowerDiameter, s.UpperDiameter))]);

    public static StoredKind<StoredAssembly, Assembly> Assemblies { get; } = new("assembly", a => a.Number, CheckAssembly, ProfileOf);

    public static void MapLibrary(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder library = api.MapGroup("/library");
        library.MapStored("/cutters", Cutters, () => new StoredCutter { Definition = null! });
        library.MapStored("/holders", Holders, () => new StoredHolder { Definition = null! });
        library.MapStored("/assemblies", Assemblies, () => new StoredAssembly { Definition = null! });
    }

    private static InputCheck CheckAssembly(Assembly a, ShelfView view)
    {
        InputCheck check = new InputCheck()
            .Holds(view.Cutters.ContainsKey(a.CutterId), "cutterId", a.CutterId, "The cutter does not exist; choose one from the library.")
            .Holds(view.Holders.ContainsKey(a.HolderId), "holderId", a.HolderId, "The holder does not exist; choose one from the library.");
        return check.Faults.Count > 0 ? check : a.Check(view.Cutters[a.CutterId].Definition, view.Holders[a.HolderId].Definition);
    }

    private static IReadOnlyList<ProfileSegment> ProfileOf(Assembly a, ShelfView view) =>
        view.Cutters.TryGetValue(a.CutterId, out StoredCutter? cutter) && view.Holders.TryGetValue(a.HolderId, out StoredHolder? holder)
            ? Profile.Of(cutter.Definition, holder.Definition, a.Projection)
            : [];
}

using Incisura.Core.Charts;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Methods;
using Incisura.Web.Library;

namespace Incisura.Web.Shop;

/// <summary>Work materials, machines, speed charts and methods.</summary>
public static class ShopEndpoints
{
    public static StoredKind<StoredMaterial, WorkMaterial> Materials { get; } = new("work material", m => m.Name, (m, _, _) => m.Check(), (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static StoredKind<StoredMachine, Machine> Machines { get; } = new("machine", m => m.Name, (m, _, _) => m.Check(), (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static StoredKind<StoredChart, SpeedChart> Charts { get; } = new("speed chart", c => c.Name, (c, _, _) => c.Check(), (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static StoredKind<StoredMethod, Method> Methods { get; } = new("method", m => m.Name, (m, _, _) => m.Check(), (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static void MapShop(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder shop = api.MapGroup("/shop");
        shop.MapStored("/materials", Materials);
        shop.MapStored("/machines", Machines);
        shop.MapStored("/charts", Charts);
        shop.MapAll("/materials", Materials, view => view.Materials);
        shop.MapAll("/machines", Machines, view => view.Machines);
        shop.MapStored("/methods", Methods);
        shop.MapAll("/methods", Methods, view => view.Methods);
        shop.MapAll("/charts", Charts, view => view.Charts);
    }

    // The shop's lists are short and always read whole.
    private static void MapAll<TStored, T>(this IEndpointRouteBuilder shop, string path, StoredKind<TStored, T> kind, Func<ShelfView, IReadOnlyDictionary<int, TStored>> all)
        where TStored : Stored<T>
        where T : class => shop.MapGet(path, async (IncisuraDb db, Shelf shelf) =>
    {
        ShelfView view = await shelf.ViewAsync(db);
        return all(view).Values.OrderBy(s => s.Name, StringComparer.OrdinalIgnoreCase).Select(s => kind.SheetOf(s, view)).ToList();
    }).WithTags(path.Trim('/'));
}

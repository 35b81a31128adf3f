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
}

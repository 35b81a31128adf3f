using Incisura.Core.Charts;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Web.Library;

namespace Incisura.Web.Shop;

/// <summary>Work materials, machines and speed charts.</summary>
public static class ShopEndpoints
{
    public static StoredKind<StoredMaterial, WorkMaterial> Materials { get; } = new("work material", m => m.Name, (m, _) => m.Check(), (_, _) => []);

    public static StoredKind<StoredMachine, Machine> Machines { get; } = new("machine", m => m.Name, (m, _) => m.Check(), (_, _) => []);

    public static StoredKind<StoredChart, SpeedChart> Charts { get; } = new("speed chart", c => c.Name, (c, _) => c.Check(), (_, _) => []);

    public static void MapShop(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder shop = api.MapGroup("/shop");
        shop.MapStored("/materials", Materials, () => new StoredMaterial { Definition = null! });
        shop.MapStored("/machines", Machines, () => new StoredMachine { Definition = null! });
        shop.MapStored("/charts", Charts, () => new StoredChart { Definition = null! });
    }
}

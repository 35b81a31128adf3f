using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Methods;
using Incisura.Core.Quantities;
using Incisura.Web.Hosting;
using Incisura.Web.Library;
using Incisura.Web.Records;

namespace Incisura.Web.Shop;

/// <summary>Work materials, machines, speed charts and methods.</summary>
public static class ShopEndpoints
{
    public static StoredKind<StoredMaterial, WorkMaterial> Materials { get; } = new(
        "work material", m => m.Name, (m, _, _) => m.Check(), (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static StoredKind<StoredMachine, Machine> Machines { get; } = new(
        "machine", m => m.Name, CheckMachine, (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static StoredKind<StoredChart, SpeedChart> Charts { get; } = new(
        "speed chart", c => c.Name, CheckChart, (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static StoredKind<StoredMethod, Method> Methods { get; } = new(
        "method", m => m.Name, (m, _, _) => m.Check(), (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static void MapShop(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder shop = api.MapGroup("/shop");
        shop.MapStored("/materials", Materials);
        shop.MapTouched("/materials", Materials);
        shop.MapStored("/machines", Machines);
        shop.MapTouched("/machines", Machines);
        shop.MapPost("/machines/plate", (SpindlePlate plate) =>
        {
            plate.Check().ThrowIfAny();
            return plate.Curve();
        }).WithTags("machines").RequireAuthorization(Access.Engineers);
        shop.MapStored("/charts", Charts);
        shop.MapTouched("/charts", Charts);
        shop.MapAll("/materials", Materials, view => view.Materials);
        shop.MapAll("/machines", Machines, view => view.Machines);
        shop.MapStored("/methods", Methods);
        shop.MapAll("/methods", Methods, view => view.Methods);
        shop.MapAll("/charts", Charts, view => view.Charts);
        shop.MapGet(
            "/practices", () => ShopPractice.All.Select(d => new PracticeView(d.Code, d.Name, d.Quantity, d.Least, d.Most, d.Of(ShopPractice.Usual))))
            .WithTags("shop");
    }

    // Proposals start from one chart, so that nobody has to ask which.
    private static InputCheck CheckChart(SpeedChart c, ShelfView view, int id) => c.Check(Operations.FeedInStep)
        .Holds(
            id != 0 || view.Charts.Count == 0, "name", double.NaN,
            view.Charts.Count == 0 ? "" : $"The shop works from one speed chart, {view.Charts.Values.First().Name}; add rows to it instead.");

    // Another tool store or interface must still take what stands in the machine.
    private static InputCheck CheckMachine(Machine m, ShelfView view, int id)
    {
        InputCheck check = m.Check();
        if (
            check.Faults.Count > 0 || view.Machines.GetValueOrDefault(id)?.Definition is not { } before
                || (before.Store == m.Store && before.Interface == m.Interface))
            return check;
        Dictionary<int, StoredTool> standing = LibraryEndpoints.OthersAt(id, view, 0);
        List<(string Tool, string Why)> homeless = [];
        foreach ((int place, StoredTool tool) in standing.OrderBy(s => s.Key))
        {
            InputCheck here = new();
            m.Store.CheckPlace(here, "store", m, place, tool, standing.Where(s => s.Key != place).ToDictionary());
            if (here.Faults.Count > 0) homeless.Add(($"{tool.Number} in place {place}", here.Faults[0].Sentence));
        }

        return check.Holds(
            homeless.Count == 0,
            before.Interface == m.Interface ? "store" : "interface",
            homeless.Count,
            homeless.Count == 0
                ? ""
                : $"What stands in {m.Name} would not fit any more; take it out first: "
                    + $"{string.Join(", ", homeless.Select(h => h.Tool))}. {homeless[0].Why}");
    }
}

/// <summary>One number of the shop's practice, as the page of the chart asks for it.</summary>
/// <param name="Code">Its name in the chart.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Least">Least value.</param>
/// <param name="Most">Largest value.</param>
/// <param name="Usual">What it is where the chart says nothing.</param>
public sealed record PracticeView(string Code, string Name, Quantity Quantity, double Least, double Most, double Usual);

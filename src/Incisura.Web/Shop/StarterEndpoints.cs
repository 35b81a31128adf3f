using System.Text.Json.Serialization;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Materials;
using Incisura.Core.Starters;
using Incisura.Core.Threads;
using Incisura.Web.Hosting;
using Incisura.Web.Library;

namespace Incisura.Web.Shop;

/// <summary>Something a workshop can begin with.</summary>
/// <param name="Code">What it is taken over by.</param>
/// <param name="There">Whether the workshop has it, or something under its name.</param>
/// <param name="Definition">The thing, with its source.</param>
public sealed record StarterOf<T>(string Code, bool There, T Definition)
    where T : notnull;

/// <summary>All a workshop can begin with.</summary>
/// <param name="Materials">Work materials.</param>
/// <param name="Rows">Rows of the speed chart.</param>
/// <param name="Drills">Twist drills.</param>
/// <param name="Holders">Holders.</param>
/// <param name="Threads">How many threads of standards are there without being taken over.</param>
public sealed record StarterView(
    IReadOnlyList<StarterOf<WorkMaterial>> Materials, IReadOnlyList<StarterOf<SpeedRow>> Rows, IReadOnlyList<StarterOf<Cutter>> Drills,
    IReadOnlyList<StarterOf<Holder>> Holders, int Threads);

/// <summary>What is to be taken over, by codes.</summary>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record StarterWish(IReadOnlyList<string> Codes);

/// <summary>What was taken over.</summary>
/// <param name="Added">How many.</param>
/// <param name="There">How many were there already and stayed as they are.</param>
public sealed record StarterTaken(int Added, int There);

/// <summary>Data to begin with, taken over piece by piece; nothing that is there is changed.</summary>
public static class StarterEndpoints
{
    private const string NewChart = "Speed chart of the shop";

    public static void MapStarters(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/shop/starters").WithTags("starters").RequireAuthorization(Access.Engineers);
        group.MapGet("/", async (IncisuraDb db, Shelf shelf) => ViewOf(await shelf.ViewAsync(db)));
        group.MapPost("/", TakeAsync).AddEndpointFilter<OneWriter>();
    }

    private static StarterView ViewOf(ShelfView view)
    {
        HashSet<string> materials = Names(view.Materials.Values.Select(m => m.Name)), cutters = Names(view.Cutters.Values.Select(c => c.Name)),
            holders = Names(view.Holders.Values.Select(h => h.Name));
        SpeedChart? chart = view.Charts.Values.FirstOrDefault()?.Definition;
        return new(
            [.. StarterMaterials.All.Select(m => new StarterOf<WorkMaterial>($"material {m.Name}", materials.Contains(m.Name), m))],
            [.. StarterRows.All.Select(r => new StarterOf<SpeedRow>(CodeOf(r), IsIn(chart, r), r))],
            [.. StarterTools.Drills.Select(c => new StarterOf<Cutter>($"cutter {c.Number}", cutters.Contains(c.Number), c))],
            [.. StarterTools.Holders.Select(h => new StarterOf<Holder>($"holder {h.Number}", holders.Contains(h.Number), h))],
            ThreadTables.All.Count);

        static HashSet<string> Names(IEnumerable<string> names) => new(names, StringComparer.OrdinalIgnoreCase);
    }

    private static async Task<StarterTaken> TakeAsync(StarterWish wish, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock)
    {
        StarterView view = ViewOf(await shelf.ViewAsync(db));
        HashSet<string> wanted = [.. wish.Codes], unknown = [.. wanted];
        List<WorkMaterial> materials = Wanted(view.Materials);
        List<SpeedRow> rows = Wanted(view.Rows);
        List<Cutter> drills = Wanted(view.Drills);
        List<Holder> holders = Wanted(view.Holders);
        new InputCheck()
            .Holds(wanted.Count > 0, "codes", 0, "Choose something to take over.")
            .Holds(unknown.Count == 0, "codes", unknown.Count, $"There is nothing called “{unknown.FirstOrDefault()}” to take over.")
            .ThrowIfAny();
        List<IStored> added = [];
        foreach (WorkMaterial m in materials) Add(new StoredMaterial { Definition = m }, m, m.Name);
        foreach (Cutter c in drills) Add(new StoredCutter { Definition = c }, c, c.Number);
        foreach (Holder h in holders) Add(new StoredHolder { Definition = h }, h, h.Number);
        if (rows.Count > 0)
        {
            StoredChart? chart = db.Charts.OrderBy(c => c.Id).FirstOrDefault();
            if (chart is null)
            {
                SpeedChart begun = new() { Name = NewChart, Rows = rows };
                Add(new StoredChart { Definition = begun }, begun, NewChart);
            }
            else
            {
                StoredEndpoints.Write(chart, chart.Definition with { Rows = [.. chart.Definition.Rows, .. rows] }, chart.Name, context, clock);
                added.Add(chart);
            }
        }

        await db.SaveChangesAsync();
        shelf.Put(added);
        int count = materials.Count + rows.Count + drills.Count + holders.Count;
        return new(count, wanted.Count - count);

        List<T> Wanted<T>(IReadOnlyList<StarterOf<T>> of)
            where T : notnull
        {
            List<StarterOf<T>> chosen = [.. of.Where(o => wanted.Contains(o.Code))];
            unknown.ExceptWith(chosen.Select(c => c.Code));
            return [.. chosen.Where(c => !c.There).Select(c => c.Definition)];
        }

        void Add<T>(Stored<T> stored, T definition, string name)
            where T : class
        {
            StoredEndpoints.Write(stored, definition, name, context, clock);
            db.Add(stored);
            added.Add(stored);
        }
    }

    private static string CodeOf(SpeedRow r) => $"row {r.Family} {r.CuttingMaterial} {r.SubGroup} {r.Operation}";

    private static bool IsIn(SpeedChart? chart, SpeedRow r) => chart?.Find(r.Family, r.CuttingMaterial, r.SubGroup, r.Operation) is not null;
}

using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Library;
using Incisura.Web.Hosting;
using Microsoft.Extensions.Primitives;

namespace Incisura.Web.Library;

/// <summary>One page of a list with counts.</summary>
/// <param name="Rows">The rows asked for.</param>
/// <param name="Total">How many fit.</param>
/// <param name="All">How many there are, retired ones too.</param>
/// <param name="Counts">How many have each value, by facet, with the other filters kept.</param>
/// <param name="Mended">Words that were taken for others.</param>
public sealed record ListPage<TRow>(
    IReadOnlyList<TRow> Rows, int Total, int All, IReadOnlyDictionary<string, IReadOnlyList<FacetCount>> Counts, IReadOnlyList<string> Mended);

/// <summary>A row of a list: the sheet, and what rests on it.</summary>
public sealed record ListRow<T>(Sheet<T> Sheet, IReadOnlyList<string> Assemblies, IReadOnlyList<string> Machines, int Approved)
    where T : notnull;

/// <summary>Lists of cutters, holders and assemblies: search that forgives, filters with counts, any column's order.</summary>
public static class ListEndpoints
{
    private const int MostRows = 500, MostIds = 5000;

    public static void MapLists(this IEndpointRouteBuilder library)
    {
        library.MapGet("/cutters", async (HttpRequest request, [AsParameters] ListWish wish, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            return PageOf(view.Listings.Cutters.Ask(wish.Query(request)), r => RowOf(r, view));
        }).WithTags("cutters");

        library.MapGet("/holders", async (HttpRequest request, [AsParameters] ListWish wish, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            return PageOf(
                view.Listings.Holders.Ask(wish.Query(request)),
                r => new ListRow<Holder>(LibraryEndpoints.Holders.SheetOf(view.Holders[r.Id], view), r.Assemblies, [], 0));
        }).WithTags("holders");

        library.MapGet("/assemblies", async (
            HttpRequest request, [AsParameters] ListWish wish, [AsParameters] Fitting fitting, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            return PageOf(
                view.Listings.Assemblies.Ask(wish.Query(request), fitting.In(view)),
                r => new ListRow<Assembly>(LibraryEndpoints.Assemblies.SheetOf(view.Assemblies[r.Id], view), [], r.Machines, r.Approved));
        }).WithTags("assemblies");

        // Rows chosen by a filter, for what is done to many of them.
        library.MapGet("/{list}/ids", async (string list, HttpRequest request, [AsParameters] ListWish wish, IncisuraDb db, Shelf shelf) =>
        {
            Listings lists = (await shelf.ViewAsync(db)).Listings;
            ListQuery query = wish.Query(request) with { Skip = 0, Take = MostIds };
            return list switch
            {
                "cutters" => lists.Cutters.Ask(query).Rows.Select(r => r.Id),
                "holders" => lists.Holders.Ask(query).Rows.Select(r => r.Id),
                "assemblies" => lists.Assemblies.Ask(query).Rows.Select(r => r.Id),
                _ => throw new Hosting.MissingException($"There is no list {list}."),
            };
        }).WithTags("lists");

        library.MapGet("/cutters/duplicates", async (IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            return Duplicates.Of(view.Cutters.Values.Select(c => (c.Id, c.Definition)))
                .Take(MostRows)
                .Select(d => new DuplicateGroup([.. d.Ids.Select(id => LibraryEndpoints.Cutters.SheetOf(view.Cutters[id], view))], d.Differing));
        }).WithTags("cutters").RequireAuthorization(Access.Engineers).TakesTurns();
    }

    private static ListRow<Cutter> RowOf(ListedCutter r, ShelfView view) => new(Lean(view.Cutters[r.Id]), r.Assemblies, r.Machines, r.Approved);

    // A row shows the silhouette; ranges and questions are for the cutter's own page.
    private static Sheet<Cutter> Lean(StoredCutter c) => new(c.Id, c.Revision, c.ChangedBy, c.ChangedAt, c.Definition, new(c.Definition.Profile()));

    private static ListPage<TRow> PageOf<TListed, TRow>(ListAnswer<TListed> answer, Func<TListed, TRow> row) =>
        new([.. answer.Rows.Select(row)], answer.Total, answer.All, answer.Counts, answer.Mended);
}

/// <summary>Cutters that are probably the same one.</summary>
public sealed record DuplicateGroup(IReadOnlyList<Sheet<Cutter>> Cutters, IReadOnlyList<string> Differing);

/// <summary>What a list is asked for; other parameters of the address are filters by facet, several values separated by bars.</summary>
public sealed record ListWish(string? Q, string? Sort, bool? Descending, double? LeastSize, double? LargestSize, int? Skip, int? Take)
{
    private static readonly HashSet<string> Own = new(typeof(ListWish).GetProperties().Select(p => p.Name), StringComparer.OrdinalIgnoreCase);

    public ListQuery Query(HttpRequest request)
    {
        Dictionary<string, IReadOnlyList<string>> filters = [];
        foreach ((string key, StringValues value) in request.Query)
            if (!Own.Contains(key)) filters[key] = [.. value.SelectMany(v => (v ?? "").Split('|', StringSplitOptions.RemoveEmptyEntries))];
        filters.TryAdd("state", ["inUse"]);
        return new()
        {
            Text = Q ?? "",
            Filters = filters,
            Sort = Sort ?? "",
            Descending = Descending ?? false,
            LeastSize = LeastSize ?? double.NegativeInfinity,
            LargestSize = LargestSize ?? double.PositiveInfinity,
            Skip = Math.Max(0, Skip ?? 0),
            Take = Math.Clamp(Take ?? 100, 0, 500),
        };
    }
}

/// <summary>A situation whose assemblies stand first in a list, those with approved data before the others.</summary>
public sealed record Fitting(int? MaterialId, int? MachineId, string? Operation)
{
    public Func<ListedAssembly, int>? In(ShelfView view)
    {
        if (MaterialId is null && MachineId is null && Operation is null) return null;
        StoredMaterial? material = view.Materials.GetValueOrDefault(MaterialId ?? 0);
        StoredMachine? machine = view.Machines.GetValueOrDefault(MachineId ?? 0);
        IReadOnlyList<CutterFamily>? families = Core.Catalogue.Operations.Find(Operation ?? "")?.Description.Families;
        return a => (material is null || a.Built.Cutter.Groups.Contains(material.Definition.Group))
            && (machine is null || a.Built.Holder.Interface == machine.Definition.Interface)
            && (families is null || families.Contains(a.Built.Cutter.Family))
                ? a.Approved > 0 ? 2 : 1
                : 0;
    }
}

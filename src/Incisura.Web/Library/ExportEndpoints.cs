using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Library;
using Incisura.Exchange.Paper;
using Incisura.Exchange.Tables;
using Incisura.Web.Accounts;
using Incisura.Web.Hosting;

namespace Incisura.Web.Library;

/// <summary>Labels for some things, on a sheet of this size.</summary>
public sealed record LabelRequest(string List, IReadOnlyList<int> Ids, LabelSheet Sheet);

/// <summary>Any view of a list as CSV, XLSX or JSON, with the symbols of ISO 13399; and labels.</summary>
public static class ExportEndpoints
{
    private const int MostLabels = 2000;

    public static void MapExports(this IEndpointRouteBuilder library)
    {
        library.MapGet("/cutters/export.{format}", async (
            string format, HttpRequest request, [AsParameters] ListWish wish, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            List<Cutter> cutters = [.. view.Listings.Cutters.Ask(Whole(wish, request)).Rows.Select(r => r.Cutter)];
            IReadOnlyList<string> columns = CutterRows.ColumnsFor(cutters);
            return TableAnswer.Send(
                "cutters", format, cutters, [.. columns.Select(CutterColumns.Heading)], c =>
                    CutterRows.Write(c, columns, id => view.Cutters[id].Name));
        }).WithTags("cutters").Produces<byte[]>().TellsWhoTakesIt().TakesTurns();

        library.MapGet("/holders/export.{format}", async (
            string format, HttpRequest request, [AsParameters] ListWish wish, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            List<Holder> holders = [.. view.Listings.Holders.Ask(Whole(wish, request)).Rows.Select(r => r.Holder)];
            return TableAnswer.Send(
                "holders", format, holders,
                [
                    "number", "role", "kind", "interface", "takes", "least clamping [mm]", "largest clamping [mm]",
                    "least grip [mm]", "bore depth [mm]", "gauge length [mm]", "largest speed [rev/min]", "balance class G",
                    "mass [kg]", "through coolant", "remarks",
                ],
                h =>
                [
                    h.Number, Word(h.Role), h.Kind, h.Interface, Word(h.Takes), h.LeastClamping, h.LargestClamping, h.LeastGrip, h.BoreDepth,
                    h.GaugeLength, h.LargestSpeed, h.BalanceClass, h.Mass, h.ThroughCoolant ? "yes" : "no", h.Remarks,
                ]);
        }).WithTags("holders").Produces<byte[]>().TellsWhoTakesIt().TakesTurns();

        library.MapGet("/assemblies/export.{format}", async (
            string format, HttpRequest request, [AsParameters] ListWish wish, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            List<ListedAssembly> assemblies = [.. view.Listings.Assemblies.Ask(Whole(wish, request)).Rows];
            return TableAnswer.Send(
                "assemblies", format, assemblies,
                [
                    "number", "cutter", "words", "holder", "extensions", "projection [mm]", "gauge length [mm]", "mass [kg]",
                    "length register", "diameter register", "kept in", "stands in",
                ],
                a =>
            [
                a.Built.Definition.Number, a.Built.Cutter.Number, CutterListing.WordsOf(a.Built.Cutter), a.Built.Holder.Number,
                string.Join(" + ", a.Built.Extensions.Select(e => e.Number)), a.Built.Definition.Projection,
                a.Built.GaugeLength, Math.Round(a.Built.Mass, 3), (double)a.Built.Definition.LengthRegister,
                (double)a.Built.Definition.DiameterRegister, a.Built.Definition.StockPlace,
                string.Join(", ", a.Built.Definition.Places.Select(p => $"{view.Machines[p.MachineId].Name} {p.Place}")),
            ], a => a.Built.Definition);
        }).WithTags("assemblies").Produces<byte[]>().TellsWhoTakesIt().TakesTurns();

        library.MapPost("/labels", async (LabelRequest wish, HttpRequest request, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            wish.Sheet.Check()
                .Holds(wish.Ids.Count is > 0 and <= MostLabels, "ids", wish.Ids.Count, $"Choose 1 to {MostLabels} rows for labels.")
                .ThrowIfAny();
            string origin = Transport.AddressOf(request);
            return TypedResults.File(
                wish.Sheet.Draw([.. wish.Ids.Select(id => LabelOf(wish.List, id, view, origin)).OfType<Label>()]), "application/pdf", "labels.pdf");
        }).WithTags("labels").Produces<byte[]>().TakesTurns();
    }

    private static Label? LabelOf(string list, int id, ShelfView view, string origin) => list switch
    {
        "cutters" when view.Cutters.TryGetValue(id, out StoredCutter? c) =>
            new(c.Name, [CutterListing.WordsOf(c.Definition), c.Definition.Coating], $"{origin}/library/cutters/{id}"),
        "holders" when view.Holders.TryGetValue(id, out StoredHolder? h) =>
            new(h.Name, [h.Definition.Kind, h.Definition.Interface], $"{origin}/library/holders/{id}"),
        "assemblies" when view.Assemblies.TryGetValue(id, out StoredAssembly? a) && view.Build(a.Definition) is { } built =>
            new(
                a.Name,
                [
                    CutterListing.WordsOf(built.Cutter),
                    FormattableString.Invariant($"{a.Definition.Projection:0.#} out, {built.GaugeLength:0.#} to gauge line"), a.Definition.StockPlace,
                ],
                $"{origin}/lookup?q={Uri.EscapeDataString(a.Name)}"),
        _ => null,
    };

    private static ListQuery Whole(ListWish wish, HttpRequest request)
    {
        ListQuery query = wish.Query(request);
        return query with { Skip = 0, Take = int.MaxValue, Filters = query.Filters.Where(f => f.Key != "format").ToDictionary() };
    }

    private static string Word<TEnum>(TEnum value)
        where TEnum : struct, Enum => value.ToString().ToLowerInvariant();
}

using Incisura.Core.Calculation;
using Incisura.Core.Quantities;
using Incisura.Exchange.Tables;
using Incisura.Web.Hosting;
using Incisura.Web.Library;

namespace Incisura.Web.Calculate;

/// <summary>One pinned alternative.</summary>
/// <param name="Name">What the user calls it.</param>
/// <param name="Operation">Code of the operation.</param>
/// <param name="Request">Its situation and choices.</param>
public sealed record Alternative(string Name, string Operation, CalculationRequest Request);

/// <summary>An alternative, worked out; or why it could not be.</summary>
public sealed record ComparedAlternative(string Name, string Operation, CalculationResult? Result, IReadOnlyList<Fault> Faults);

/// <summary>Pinned alternatives beside each other, on the screen or as a table.</summary>
public static class ComparisonEndpoints
{
    /// <summary>Alternatives that can be compared at once.</summary>
    public const int Most = 8;

    public static void MapComparisons(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/comparisons").WithTags("calculate").RequireAuthorization(Access.Engineers);
        group.WithRequestTimeout(Patience.Calculations);
        group.MapPost("/", async (IReadOnlyList<Alternative> alternatives, IncisuraDb db, Shelf shelf, CancellationToken cancel) => await CompareAsync(alternatives, db, shelf, cancel));
        group.MapPost("/export.{format}", async (string format, IReadOnlyList<Alternative> alternatives, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
        {
            IReadOnlyList<ComparedAlternative> compared = await CompareAsync(alternatives, db, shelf, cancel);
            List<string> headings = ["figure", "unit", .. compared.Select(c => c.Name)];
            List<IReadOnlyList<object?>> rows = [.. FiguresOf(compared).Select(f => RowOf(f, compared))];
            return format switch
            {
                "csv" => TypedResults.File(TableFile.WriteCsv(headings, rows), "text/csv", "comparison.csv"),
                "xlsx" => TypedResults.File(TableFile.WriteWorkbook(headings, rows), ExportEndpoints.Workbook, "comparison.xlsx"),
                _ => throw new MissingException($"A comparison cannot be written as {format}; choose csv or xlsx."),
            };
        }).Produces<byte[]>();
    }

    private static async Task<IReadOnlyList<ComparedAlternative>> CompareAsync(IReadOnlyList<Alternative> alternatives, IncisuraDb db, Shelf shelf, CancellationToken cancel)
    {
        new InputCheck()
            .Holds(alternatives.Count is > 0 and <= Most, "alternatives", alternatives.Count, $"1 to {Most} alternatives can be compared; unpin some.")
            .Holds(alternatives.All(a => a is not null), "alternatives", double.NaN, "An alternative is empty; leave it out.")
            .ThrowIfAny();
        ShelfView view = await shelf.ViewAsync(db);
        List<ComparedAlternative> compared = [];
        foreach (Alternative a in alternatives)
        {
            try
            {
                compared.Add(new(a.Name, a.Operation, CalculateEndpoints.OperationOf(a.Operation).Calculate(CalculateEndpoints.SituationOf(a.Request, view), await CalculateEndpoints.ChoicesOf(a.Request, db), explain: false, cancel), []));
            }
            catch (InputException refused)
            {
                compared.Add(new(a.Name, a.Operation, null, [.. refused.Faults.Select(Fault.Of)]));
            }
        }

        return compared;
    }

    // Every figure that any alternative has, in the order they first appear.
    private static IEnumerable<Figure> FiguresOf(IReadOnlyList<ComparedAlternative> compared) => compared.SelectMany(c => c.Result?.Figures ?? []).DistinctBy(f => f.Code);

    private static List<object?> RowOf(Figure figure, IReadOnlyList<ComparedAlternative> compared) =>
        [figure.Name, Units.Of(figure.Quantity).Metric.Unit, .. compared.Select(c => (object?)c.Result?.Figures.FirstOrDefault(f => f.Code == figure.Code)?.Value)];
}

using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
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
/// <param name="Name">What the user calls it.</param>
/// <param name="Operation">Code of the operation.</param>
/// <param name="Result">What it comes to; null where it was refused.</param>
/// <param name="Faults">Why it was refused.</param>
/// <param name="Work">What of the part it makes: alternatives with the same words do the same work.</param>
/// <param name="Keeps">Whether it keeps every limit and may be run.</param>
public sealed record ComparedAlternative(
    string Name, string Operation, CalculationResult? Result, IReadOnlyList<Fault> Faults, string Work = "", bool Keeps = false);

/// <summary>Pinned alternatives beside each other, on the screen or as a table.</summary>
public static class ComparisonEndpoints
{
    /// <summary>Alternatives that can be compared at once.</summary>
    public const int Most = 8;

    public static void MapComparisons(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/comparisons").WithTags("calculate").RequireAuthorization(Access.Engineers);
        group.Calculates();
        group.MapPost(
            "/",
            async (IReadOnlyList<Alternative> alternatives, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
                await CompareAsync(alternatives, db, shelf, cancel));
        group.MapPost("/export.{format}", async (
            string format, IReadOnlyList<Alternative> alternatives, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
        {
            IReadOnlyList<ComparedAlternative> compared = await CompareAsync(alternatives, db, shelf, cancel);
            List<string> headings = HeadingsOf(compared);
            List<IReadOnlyList<object?>> rows =
            [
                .. FiguresOf(compared).Select(f => RowOf(f, compared)),
                WordsOf(
                    "Tightest limit", compared,
                    r =>
                        r.Limits.FirstOrDefault(l => l.Use is not null) is { } l
                            ? string.Create(CultureInfo.InvariantCulture, $"{l.Name}: {100 * l.Use:0} %")
                            : "none judged"),
                WordsOf(
                    "Stops and cautions", compared,
                    r => string.Join(" ", r.Findings.Where(f => f.Severity != Severity.Info).Select(f => $"{f.Severity}: {f.Text}"))),
                ["Refused", "", .. compared.Select(c => (object?)string.Join(" ", c.Faults.Select(f => f.Sentence)))],
            ];
            return format switch
            {
                "csv" => TypedResults.File(TableFile.WriteCsv(headings, rows), "text/csv", "comparison.csv"),
                "xlsx" => TypedResults.File(TableFile.WriteWorkbook(headings, rows), TableAnswer.Workbook, "comparison.xlsx"),
                _ => throw new MissingException($"A comparison cannot be written as {format}; choose csv or xlsx."),
            };
        }).Produces<byte[]>();
    }

    private static async Task<IReadOnlyList<ComparedAlternative>> CompareAsync(
        IReadOnlyList<Alternative> alternatives, IncisuraDb db, Shelf shelf, CancellationToken cancel)
    {
        new InputCheck()
            .Holds(
                alternatives.Count is > 0 and <= Most, "alternatives", alternatives.Count, $"1 to {Most} alternatives can be compared; unpin some.")
            .Holds(alternatives.All(a => a is not null), "alternatives", double.NaN, "An alternative is empty; leave it out.")
            .ThrowIfAny();
        ShelfView view = await shelf.ViewAsync(db);
        List<ComparedAlternative> compared = [];
        foreach (Alternative a in alternatives)
        {
            try
            {
                IOperation operation = CalculateEndpoints.OperationOf(a.Operation);
                Choices choices = await CalculateEndpoints.ChoicesOf(a.Request, db, shelf);
                CalculationResult result = operation.Calculate(CalculateEndpoints.SituationOf(a.Request, view), choices, explain: false, cancel);
                compared.Add(new(a.Name, a.Operation, result, [], WorkOf(a, operation.Description, result, choices), Keeps(result)));
            }
            catch (InputException refused)
            {
                compared.Add(new(a.Name, a.Operation, null, [.. refused.Faults.Select(Fault.Of)]));
            }
        }

        return compared;
    }

    /// <summary>Whether a result keeps every limit and nothing stops it, so that it may be run.</summary>
    internal static bool Keeps(CalculationResult result) =>
        result.Findings.All(f => f.Severity != Severity.Stop) && result.Limits.All(l => !(l.Use > 1 + LimitDefinition.Tolerance));

    // The part, in what the operation asks of it: the same work material, end and values make the same work, whatever makes it.
    private static string WorkOf(Alternative a, OperationDescription d, CalculationResult result, Choices choices)
    {
        IEnumerable<string> part = result.Fields.Where(f => f.Used && d.Fields.First(x => x.Code == f.Code).Role == FieldRole.Part)
            .OrderBy(f => f.Code, StringComparer.Ordinal)
            .Select(f => string.Create(CultureInfo.InvariantCulture, $"{f.Code}={f.Value:G9}"));
        string begin = a.Request.MaterialId.ToString(CultureInfo.InvariantCulture);

        // One thread of one length is the same work, whether it is tapped, milled or turned; only holes tell their end.
        if (result.Attached<CutThread>() is { } thread)
            part =
            [
                thread.Plain, thread.Inside ? "inside" : "outside",
                .. result.Fields.Where(f => f.Code is "depth" or "length").Select(f => string.Create(CultureInfo.InvariantCulture, $"{f.Value:G9}")),
            ];
        else if (choices.Options.TryGetValue("end", out string? end)) begin += " " + end;
        return string.Join(' ', [begin, .. part]);
    }

    // Every column of a table has a name of its own.
    private static List<string> HeadingsOf(IReadOnlyList<ComparedAlternative> compared)
    {
        List<string> headings = ["figure", "unit"];
        for (int i = 0; i < compared.Count; i++)
        {
            string name = string.IsNullOrWhiteSpace(compared[i].Name) ? $"alternative {i + 1}" : compared[i].Name.Trim(), tried = name;
            for (int n = 2; headings.Contains(tried, StringComparer.OrdinalIgnoreCase); n++) tried = $"{name} ({n})";
            headings.Add(tried);
        }

        return headings;
    }

    private static List<object?> WordsOf(string name, IReadOnlyList<ComparedAlternative> compared, Func<CalculationResult, string> words) =>
        [name, "", .. compared.Select(c => (object?)(c.Result is { } result ? words(result) : ""))];

    // Every figure that any alternative has, in the order they first appear.
    private static IEnumerable<Figure> FiguresOf(IReadOnlyList<ComparedAlternative> compared) =>
        compared.SelectMany(c => c.Result?.Figures ?? []).DistinctBy(f => f.Code);

    private static List<object?> RowOf(Figure figure, IReadOnlyList<ComparedAlternative> compared) =>
        [
            figure.Name, Units.Of(figure.Quantity).Metric.Unit,
            .. compared.Select(c => (object?)c.Result?.Figures.FirstOrDefault(f => f.Code == figure.Code)?.Value),
        ];
}

using System.Text.Json;
using Incisura.Exchange.Tables;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Incisura.Web.Hosting;

/// <summary>A list as a file: CSV, a workbook, or JSON.</summary>
public static class TableAnswer
{
    /// <summary>Content type of a workbook.</summary>
    public const string Workbook = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    private static readonly JsonSerializerOptions Readable = new(DefinitionFormat.Options) { WriteIndented = true };

    /// <summary>Answers with a list.</summary>
    /// <param name="name">Name of the file, without its ending.</param>
    /// <param name="format">csv, xlsx or json.</param>
    /// <param name="things">What is listed.</param>
    /// <param name="headings">Headings of the columns.</param>
    /// <param name="row">The cells of one.</param>
    /// <param name="whole">What stands for one in JSON; the thing itself where nothing else does.</param>
    /// <exception cref="MissingException">There is no such format.</exception>
    public static FileContentHttpResult Send<T>(
        string name, string format, IReadOnlyList<T> things, IReadOnlyList<string> headings, Func<T, IReadOnlyList<object?>> row,
        Func<T, object>? whole = null) => format switch
        {
            "csv" => TypedResults.File(TableFile.WriteCsv(headings, things.Select(row)), "text/csv", name + ".csv"),
            "xlsx" => TypedResults.File(TableFile.WriteWorkbook(headings, things.Select(row)), Workbook, name + ".xlsx"),
            "json" =>
                TypedResults.File(
                    JsonSerializer.SerializeToUtf8Bytes(things.Select(t => whole is null ? t! : whole(t)), Readable), "application/json", name
                        + ".json"),
            _ => throw new MissingException($"There is no export as {format}; choose csv, xlsx or json."),
        };
}

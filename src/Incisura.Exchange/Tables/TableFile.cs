using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Xml;
using CsvHelper;
using CsvHelper.Configuration;
using MiniExcelLibs;

namespace Incisura.Exchange.Tables;

/// <summary>A table that cannot be read, with the reason and the cure for a person.</summary>
public sealed class TableException(string message) : Exception(message);

/// <summary>A table as text: its headings and rows.</summary>
/// <param name="Headings">Headings of the columns.</param>
/// <param name="Rows">Rows with the line they stand on, cells in the order of the headings; short rows are filled up.</param>
public sealed record Table(IReadOnlyList<string> Headings, IReadOnlyList<(int Line, string[] Cells)> Rows)
{
    /// <summary>Whether a comma can only stand before decimals, since something else parts the columns.</summary>
    public bool DecimalComma { get; init; }
}

/// <summary>Tables as CSV and as workbooks.</summary>
public static class TableFile
{
    /// <summary>Most rows of one table.</summary>
    public const int MostRows = 100_000;

    private static readonly string[] Separators = [";", "\t", ",", "|"];

    /// <summary>Most columns of one table.</summary>
    public const int MostColumns = 200;

    /// <summary>Longest text of one cell, characters.</summary>
    public const int LongestCell = 4000;

    /// <summary>Most bytes a workbook may inflate to.</summary>
    public const long MostInflated = 256L * 1024 * 1024;

    /// <summary>Reads CSV with any usual separator and encoding, or a workbook's first sheet, told apart by content.</summary>
    /// <param name="content">The file.</param>
    /// <param name="cancel">Stops the reading.</param>
    /// <exception cref="TableException">It is no table, or too large.</exception>
    public static Table Read(byte[] content, CancellationToken cancel = default)
    {
        if (content.Length == 0) throw new TableException("The file is empty; choose another.");
        Table table = content is [0x50, 0x4B, ..] ? ReadWorkbook(content, cancel) : ReadCsv(content, cancel);
        if (table.Headings.All(string.IsNullOrWhiteSpace))
            throw new TableException("The first row has no headings; give each column a heading such as number or DC.");
        return table;
    }

    /// <summary>Writes CSV with a byte-order mark, so that spreadsheets read it as UTF-8.</summary>
    public static byte[] WriteCsv(IReadOnlyList<string> headings, IEnumerable<IReadOnlyList<object?>> rows)
    {
        using MemoryStream stream = new();
        using (StreamWriter writer = new(stream, new UTF8Encoding(encoderShouldEmitUTF8Identifier: true)))
        using (CsvWriter csv = new(writer, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n", ShouldQuote = Quoted }))
            foreach (IEnumerable<object?> row in rows.Prepend(headings))
            {
                foreach (object? cell in row)
                    csv.WriteField(
                        cell switch { double d => d.ToString("R", CultureInfo.InvariantCulture), null => "", _ => Harmless.Write(cell.ToString()!) });
                csv.NextRecord();
            }

        return stream.ToArray();
    }

    /// <summary>Writes a workbook with one sheet; texts are texts, never formulas.</summary>
    public static byte[] WriteWorkbook(IReadOnlyList<string> headings, IEnumerable<IReadOnlyList<object?>> rows)
    {
        // Headings are a row like the others, so that two of one name do not get in each other's way.
        using MemoryStream stream = new();
        IEnumerable<object?[]> all = rows.Select(row => row.ToArray()).Prepend([.. headings]);
        stream.SaveAs(
            all.Select(row => row.Select((cell, i) => (i, cell)).ToDictionary(c => c.i.ToString(CultureInfo.InvariantCulture), c => c.cell)),
            printHeader: false);
        return stream.ToArray();
    }

    // A field whose text has a line break anywhere is quoted whatever the break is made of.
    private static bool Quoted(ShouldQuoteArgs field) =>
        ConfigurationFunctions.ShouldQuote(field) || field.Field is { } text && text.AsSpan().ContainsAny('\r', '\n');

    private static Table ReadCsv(byte[] content, CancellationToken cancel)
    {
        string text = Decode(content);
        if (text.Contains('\0', StringComparison.Ordinal))
            throw new TableException("The file is neither CSV nor a workbook; save it as CSV or XLSX and try again.");
        CsvConfiguration configuration = new(CultureInfo.InvariantCulture)
        {
            Delimiter = Separator(text),
            BadDataFound = null,
            MissingFieldFound = null,
            HasHeaderRecord = false,
            IgnoreBlankLines = true,
        };
        using CsvParser parser = new(new StringReader(text), configuration);
        return Collect(Lines(), Harmless.Read, cancel) with { DecimalComma = configuration.Delimiter != "," };

        IEnumerable<(int, string[])> Lines()
        {
            while (parser.Read()) yield return (parser.RawRow, parser.Record!);
        }
    }

    private static Table ReadWorkbook(byte[] content, CancellationToken cancel)
    {
        try
        {
            using MemoryStream stream = new(content);
            CheckInflated(stream);
            CheckFarCells(stream, cancel);
            return Collect(
                stream.Query(useHeaderRow: false, excelType: ExcelType.XLSX)
                    .Select((row, i) => (i + 1, ((IDictionary<string, object?>)row).Values.Select(CellText).ToArray())),
                text => text, cancel);
        }
        catch (Exception e) when (e is not (TableException or OperationCanceledException))
        {
            throw new TableException("The workbook cannot be opened; it may be damaged or protected. Save it again as XLSX, or as CSV.");
        }
    }

    // What a workbook says of its sizes is not believed: every part is inflated and counted before anything is read.
    private static void CheckInflated(MemoryStream stream)
    {
        long inflated = 0;
        byte[] buffer = new byte[81920];
        using (ZipArchive archive = new(stream, ZipArchiveMode.Read, leaveOpen: true))
            foreach (ZipArchiveEntry entry in archive.Entries)
            {
                using Stream part = entry.Open();
                while (part.Read(buffer) is var read and > 0)
                    if ((inflated += read) > MostInflated)
                        throw new TableException(
                            $"The workbook grows to more than {MostInflated >> 20} MB when it is opened; save the sheet alone, or as CSV.");
            }

        stream.Position = 0;
    }

    // A cell far out costs the library seconds before its first row can be had, so that every sheet is looked over first.
    private static void CheckFarCells(MemoryStream stream, CancellationToken cancel)
    {
        using (ZipArchive archive = new(stream, ZipArchiveMode.Read, leaveOpen: true))
            foreach (ZipArchiveEntry sheet in archive.Entries.Where(e => e.FullName.StartsWith("xl/worksheets/", StringComparison.OrdinalIgnoreCase)))
            {
                using XmlReader cells = XmlReader.Create(sheet.Open(), new() { CloseInput = true });
                while (cells.Read())
                {
                    if (cells is not { NodeType: XmlNodeType.Element, LocalName: "c" } || cells.GetAttribute("r") is not { } at) continue;
                    cancel.ThrowIfCancellationRequested();
                    int column = 0;
                    foreach (char letter in at.TakeWhile(char.IsAsciiLetter).Take(4)) column = (26 * column) + (letter & 0x1F);
                    if (column > MostColumns)
                        throw new TableException(
                            $"The table has {column} columns, to cell {at}; {MostColumns} is the most. Save the sheet alone, or as CSV.");
                }
            }

        stream.Position = 0;
    }

    private static Table Collect(IEnumerable<(int Line, string[] Cells)> lines, Func<string, string> read, CancellationToken cancel)
    {
        string[]? headings = null;
        List<(int, string[])> rows = [];
        int blank = 0;
        foreach ((int line, string[] cells) in lines)
        {
            cancel.ThrowIfCancellationRequested();
            if (Array.Find(cells, c => c.Length > LongestCell) is { } longest)
                throw new TableException($"A cell of row {line} has {longest.Length} characters; {LongestCell} is the most.");
            if (headings is null)
            {
                if (cells.Length > MostColumns) throw new TableException($"The table has {cells.Length} columns; {MostColumns} is the most.");
                headings = [.. cells.Select(c => c.Trim())];
                continue;
            }

            if (cells.All(string.IsNullOrWhiteSpace))
            {
                if (++blank > MostRows)
                    throw new TableException($"The table has more than {MostRows} empty rows; delete them, or save the filled rows alone.");
                continue;
            }

            if (cells.Length > MostColumns) throw new TableException($"Row {line} has {cells.Length} columns; {MostColumns} is the most.");
            if (rows.Count == MostRows) throw new TableException($"The table has more than {MostRows} rows; split it into smaller files.");
            string[] filled = new string[headings.Length];
            for (int i = 0; i < filled.Length; i++) filled[i] = i < cells.Length ? read(cells[i].Trim()) : "";
            rows.Add((line, filled));
        }

        return new(headings ?? throw new TableException("The file holds no rows; choose another."), rows);
    }

    private static string CellText(object? cell) => cell switch
    {
        null => "",
        double d => d.ToString("R", CultureInfo.InvariantCulture),
        bool b => b ? "yes" : "no",
        IFormattable f => f.ToString(null, CultureInfo.InvariantCulture),
        _ => cell.ToString() ?? "",
    };

    // Byte-order marks tell the encoding; without one it is UTF-8, or Windows-1252 where that would not be UTF-8.
    private static string Decode(byte[] content)
    {
        try
        {
            using StreamReader reader = new(
                new MemoryStream(content), new UTF8Encoding(false, throwOnInvalidBytes: true), detectEncodingFromByteOrderMarks: true);
            return reader.ReadToEnd();
        }
        catch (DecoderFallbackException)
        {
            return CodePagesEncodingProvider.Instance.GetEncoding(1252)!.GetString(content);
        }
    }

    // The separator that splits the first lines into the most columns, the same number in each.
    private static string Separator(string text)
    {
        string[] lines = [.. text.Split('\n').Where(l => l.Trim().Length > 0).Take(20)];
        return Separators
            .Select(s => (Separator: s, Columns: lines.Select(l => Count(l, s[0])).ToArray()))
            .OrderByDescending(c => c.Columns.Length > 0 && c.Columns[0] > 0 ? c.Columns.Count(n => n == c.Columns[0]) * 1000 + c.Columns[0] : 0)
            .First().Separator;
    }

    private static int Count(string line, char separator)
    {
        int count = 0;
        bool quoted = false;
        foreach (char c in line)
        {
            if (c == '"') quoted = !quoted;
            else if (c == separator && !quoted) count++;
        }

        return count;
    }
}

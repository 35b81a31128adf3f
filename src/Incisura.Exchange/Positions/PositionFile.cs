using System.Globalization;
using System.Text;
using Incisura.Core.Quantities;
using Incisura.Exchange.Dxf;
using Incisura.Exchange.Tables;

namespace Incisura.Exchange.Positions;

/// <summary>A hole found in a file.</summary>
/// <param name="X">x, mm.</param>
/// <param name="Y">y, mm.</param>
/// <param name="Diameter">Diameter, mm; 0 where the file does not say.</param>
public readonly record struct FoundHole(double X, double Y, double Diameter);

/// <summary>Positions found in a file.</summary>
/// <param name="Holes">The holes in the order of the file.</param>
/// <param name="Notes">What a person should know: units taken, lines passed over.</param>
public sealed record FoundHoles(IReadOnlyList<FoundHole> Holes, IReadOnlyList<string> Notes);

/// <summary>Reads hole positions from a table with columns x and y, or from the circles of a DXF drawing.</summary>
public static class PositionFile
{
    /// <summary>Most holes taken from one file.</summary>
    public const int Most = 5000;

    /// <summary>Reads a file, told apart by content.</summary>
    /// <exception cref="TableException">It is no such table.</exception>
    /// <exception cref="DxfException">It is no such drawing.</exception>
    public static FoundHoles Read(byte[] content)
    {
        string start = Encoding.ASCII.GetString(content, 0, Math.Min(content.Length, 4096));
        return start.Contains("SECTION", StringComparison.Ordinal) ? ReadDxf(Encoding.UTF8.GetString(content)) : ReadTable(content);
    }

    private static FoundHoles ReadDxf(string text)
    {
        DxfDrawing drawing = DxfReader.Read(text);
        if (drawing.Circles.Count == 0)
            throw new DxfException("The drawing has no circle, so no hole was found; choose a drawing whose holes are circles.");
        if (drawing.Circles.Count > Most)
            throw new DxfException($"The drawing has {drawing.Circles.Count} circles; {Most} is the most. Save fewer of them.");
        double unit = drawing.MillimetresPerUnit > 0 ? drawing.MillimetresPerUnit : 1;
        List<string> notes = [];
        if (drawing.MillimetresPerUnit == 0) notes.Add("The drawing does not say its units; millimetres were taken.");
        else if (unit != 1) notes.Add($"The drawing's unit is {unit.ToString("0.###", CultureInfo.InvariantCulture)} mm; positions were converted.");
        return new([.. drawing.Circles.Select(c => new FoundHole(c.X * unit, c.Y * unit, 2 * c.Radius * unit))], notes);
    }

    private static FoundHoles ReadTable(byte[] content)
    {
        Table table = TableFile.Read(content);
        List<string> notes = [];
        (int x, int y, int d) = (
            Column(table, "x"), Column(table, "y"), Math.Max(Column(table, "d"), Math.Max(Column(table, "diameter"), Column(table, "ø"))));
        IEnumerable<(int Line, string[] Cells)> rows = table.Rows;

        // A table of numbers alone has no headings: its first columns are x, y and a diameter.
        if (x < 0 && y < 0 && table.Headings.Count > 1 && table.Headings.Take(2).All(h => Read(h, 1, table.DecimalComma).Found))
        {
            (x, y, d) = (0, 1, table.Headings.Count > 2 ? 2 : -1);
            rows = rows.Prepend((1, [.. table.Headings]));
        }

        if (x < 0 || y < 0)
            throw new TableException("The table has no columns x and y; name the two columns so, and a third d if there are diameters.");
        double Unit(int column) => HeadingUnit.Of(table.Headings[column]).MillimetresPerUnit ?? 1;
        (double unitX, double unitY, double unitD) = (Unit(x), Unit(y), d >= 0 && d < table.Headings.Count ? Unit(d) : 1);
        if (unitX != 1 || unitY != 1) notes.Add("Positions are in inch; they were converted.");
        List<FoundHole> holes = [];
        List<int> passed = [];
        foreach ((int line, string[] cells) in rows)
        {
            LengthReading px = Read(cells[x], unitX, table.DecimalComma), py = Read(cells[y], unitY, table.DecimalComma);
            if (px.Doubtful || py.Doubtful)
            {
                (string cell, LengthReading reading) = px.Doubtful ? (cells[x], px) : (cells[y], py);
                throw new TableException(
                    $"“{cell}” on line {line} can be {reading.Mm:0.####} mm or {reading.Other:0.####} mm; write it with a point, or with its unit.");
            }

            if (px.Found && py.Found)
                holes.Add(new(
                    px.Mm, py.Mm,
                    d >= 0 && d < cells.Length && Read(cells[d], unitD, table.DecimalComma) is { Found: true } pd && pd.Mm > 0 ? pd.Mm : 0));
            else passed.Add(line);
            if (holes.Count > Most) throw new TableException($"The table has more than {Most} positions; split it.");
        }

        if (holes.Count == 0) throw new TableException("No row of the table holds two numbers; check the columns x and y.");
        if (passed.Count > 0) notes.Add($"{passed.Count} rows without two numbers were passed over, the first on line {passed[0]}.");
        return new(holes, notes);
    }

    // A heading counts by its first word, so that x, X and x (in) are the same column.
    private static int Column(Table table, string name)
    {
        for (int i = 0; i < table.Headings.Count; i++)
            if (string.Equals(table.Headings[i].Trim().Split(' ', '(', '[', '/')[0], name, StringComparison.OrdinalIgnoreCase)) return i;
        return -1;
    }

    private static LengthReading Read(string cell, double perUnit, bool decimalComma) =>
        LengthText.Read(cell, perUnit, decimalComma) is { Found: true } reading && Math.Abs(reading.Mm) < 1e6 ? reading : LengthReading.None;
}

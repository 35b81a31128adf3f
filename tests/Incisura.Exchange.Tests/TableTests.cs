using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using CsCheck;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Materials;
using Incisura.Exchange.Paper;
using Incisura.Exchange.Svg;
using Incisura.Exchange.Tables;

namespace Incisura.Exchange.Tests;

public class TableTests
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        NumberHandling = JsonNumberHandling.AllowNamedFloatingPointLiterals,
        Converters = { new JsonStringEnumConverter<MaterialGroup>(), new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    private static readonly List<Cutter> Demo = JsonSerializer.Deserialize<List<Cutter>>(
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "cutters.json")), Json)!;

    private static Table Csv(string text, Encoding? encoding = null) => TableFile.Read((encoding ?? Encoding.UTF8).GetBytes(text));

    private static (Cutter Cutter, IReadOnlyList<CellFault> Faults) Row(string headings, string row, bool inch = false, Cutter? before = null)
    {
        Table table = Csv(headings + "\n" + row);
        return CutterRows.Read(table.Rows[0].Cells, CutterColumns.Match(table.Headings, inch), n => n == before?.Number ? before : null, _ => 7);
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Exporting_the_demo_and_importing_it_gives_the_same_cutters(bool workbook)
    {
        IReadOnlyList<string> columns = CutterRows.ColumnsFor(Demo);
        string NumberOf(int id) => Demo[id - 1].Number;
        string[] headings = [.. columns.Select(CutterColumns.Heading)];
        IEnumerable<IReadOnlyList<object?>> rows = Demo.Select(c => CutterRows.Write(c, columns, NumberOf));
        Table table = TableFile.Read(workbook ? TableFile.WriteWorkbook(headings, rows) : TableFile.WriteCsv(headings, rows));
        IReadOnlyList<ColumnMeaning> meanings = CutterColumns.Match(table.Headings, inch: false);
        Assert.Equal(columns, meanings.Select(m => m.Code));
        foreach (((_, string[] cells), Cutter demo) in table.Rows.Zip(Demo))
        {
            (Cutter read, IReadOnlyList<CellFault> faults) = CutterRows.Read(cells, meanings, _ => null, n => Demo.FindIndex(c => c.Number == n) + 1);
            Assert.Empty(faults);
            Assert.Equal(JsonSerializer.Serialize(Sorted(demo), Json), JsonSerializer.Serialize(Sorted(read), Json));
        }
    }

    [Theory]
    [InlineData("XFD1048576")]
    [InlineData("GS2")]
    public void A_cell_far_out_is_named_before_the_workbook_is_opened(string at)
    {
        using MemoryStream file = new();
        file.Write(TableFile.WriteWorkbook(["number", "DC"], [["C-1", 6.5]]));
        using (ZipArchive archive = new(file, ZipArchiveMode.Update, leaveOpen: true))
        {
            ZipArchiveEntry sheet = archive.Entries.Single(e => e.FullName == "xl/worksheets/sheet1.xml");
            string name = sheet.FullName, text;
            using (StreamReader read = new(sheet.Open())) text = read.ReadToEnd();
            sheet.Delete();
            int end = text.IndexOf("</x:sheetData>", StringComparison.Ordinal);
            using StreamWriter written = new(archive.CreateEntry(name).Open());
            written.Write(text.Insert(end, $"<x:row r=\"2\"><x:c r=\"{at}\" t=\"str\"><x:v>1</x:v></x:c></x:row>"));
        }

        Assert.Contains($"to cell {at}", Assert.Throws<TableException>(() => TableFile.Read(file.ToArray())).Message, StringComparison.Ordinal);
    }

    private static Cutter Sorted(Cutter c) =>
        c with
        {
            Dimensions = new SortedDictionary<string, double>(c.Dimensions.ToDictionary()),
            Picks = new SortedDictionary<string, string>(c.Picks.ToDictionary()),
        };

    [Fact]
    public void Any_text_comes_back_as_it_was() => Gen.String[Gen.Char["=+-@'\"a;,Ø\t "], 0, 8].Sample(text =>
    {
        string trimmed = text.Trim();
        return Harmless.Read(Harmless.Write(trimmed)) == trimmed && !Harmless.LooksLikeFormula(Harmless.Write(trimmed));
    });

    [Theory]
    [InlineData("number;DC;LCF\nC-1;6,5;10")]
    [InlineData("number,DC,LCF\nC-1,6.5,10")]
    [InlineData("number\tDC\tLCF\nC-1\t6,5\t10")]
    [InlineData("number|DC|LCF\r\n\r\nC-1|6.5|10\r\n")]
    [InlineData("\"number\";\"DC\";\"LCF\"\n\"C-1\";\"6,5\";\"10\"")]
    public void Separators_decimal_commas_and_blank_lines_are_understood(string text)
    {
        Table table = Csv(text);
        (Cutter cutter, _) = CutterRows.Read(table.Rows[0].Cells, CutterColumns.Match(table.Headings, false), _ => null, _ => 0);
        Assert.Equal(("C-1", 6.5, 10d), (cutter.Number, cutter.CuttingDiameter, cutter.FluteLength));
    }

    [Fact]
    public void Byte_order_marks_and_older_encodings_are_read()
    {
        Assert.Equal("Ø", Csv("Ø\n1", new UTF8Encoding(true)).Headings[0].TrimStart('\uFEFF'));
        Assert.Equal("Ø", Csv("Ø;z\n1;2", Encoding.Latin1).Headings[0]);
        Assert.Equal("Ø", TableFile.Read([.. Encoding.Unicode.GetPreamble(), .. Encoding.Unicode.GetBytes("Ø\n1")]).Headings[0]);
        Assert.Equal("dimensions.DC", CutterColumns.Match(["Ø"], false)[0].Code);
    }

    [Theory]
    [InlineData("Diameter (in)", "1/2", 12.7)]
    [InlineData("DC [mm]", "1/2\"", 12.7)]
    [InlineData("dia", "0.5in", 12.7)]
    [InlineData("DC", "12mm", 12)]
    [InlineData("Tool diameter", "1 1/4\"", 31.75)]
    public void A_column_is_matched_by_meaning_and_unit(string heading, string cell, double mm) =>
        Assert.Equal(mm, Row($"no;{heading}", $"C-1;{cell}").Cutter.CuttingDiameter, 9);

    [Fact]
    public void Lengths_are_inches_where_the_person_says_so_but_not_where_the_heading_does()
    {
        (Cutter cutter, _) = Row("no;dia;oal [mm]", "C-1;0.5;83", inch: true);
        Assert.Equal((12.7, 83d), (cutter.CuttingDiameter, cutter.OverallLength));
    }

    [Theory]
    [InlineData("number;family;DC", "C-1;wobble mill;12", 1, "no known family")]
    [InlineData("number;DC", "C-1;twelve", 1, "is no length")]
    [InlineData("number;DC", "C-1;500", 1, "0.5 in")]
    [InlineData("number;DC;z", "C-1;12;many", 2, "is no number")]
    [InlineData("number;may cut", "C-1;PX", 1, "letters of P, M, K")]
    [InlineData("number;made of", "C-1;cheese", 1, "no known cutting material")]
    [InlineData("number;hand", "C-1;both", 1, "write right, left or neutral")]
    [InlineData("number;through coolant", "C-1;perhaps", 1, "neither yes nor no")]
    [InlineData("number;DC", ";12", 0, "number is missing")]
    public void A_cell_that_cannot_be_taken_is_named_with_its_column(string headings, string row, int column, string said) =>
        Assert.Contains(Row(headings, row).Faults, f => f.Column == column && f.Sentence.Contains(said, StringComparison.OrdinalIgnoreCase));

    [Fact]
    public void Blank_cells_leave_what_stands_and_others_change_it()
    {
        Cutter before = Demo.First(c => c.Number == "C-0020");
        (Cutter after, IReadOnlyList<CellFault> faults) = Row("number;coating;OAL;remarks", "C-0020;TiAlN;;", before: before);
        Assert.Empty(faults);
        Assert.Equal("TiAlN", after.Coating);
        Assert.Equal((before.OverallLength, before.Remarks), (after.OverallLength, after.Remarks));
    }

    [Fact]
    public void Formulas_are_text_on_the_way_in_and_harmless_on_the_way_out()
    {
        Assert.Equal("=1+1", Row("number;remarks", "C-1;=1+1").Cutter.Remarks);
        string csv = Encoding.UTF8.GetString(TableFile.WriteCsv(["remarks", "angle"], [["=cmd|'/c calc'!A1", -30.0]]));
        Assert.Contains("'=cmd", csv, StringComparison.Ordinal);
        Assert.Contains(",-30", csv, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("\n\n")]
    [InlineData(";;\n1;2;3")]
    public void A_table_without_headings_is_refused(string text) => Assert.Throws<TableException>(() => Csv(text));

    [Fact]
    public void What_is_no_table_is_refused()
    {
        Assert.Throws<TableException>(() => TableFile.Read([0x50, 0x4B, 3, 4, 5, 6]));
        Assert.Throws<TableException>(() => TableFile.Read([0, 1, 2, 3, 0, 0]));
        Assert.Throws<TableException>(() => Csv(string.Join(';', Enumerable.Range(0, 300)) + "\n1"));
    }

    [Fact]
    public void Labels_fill_sheets_of_any_size_and_too_small_ones_are_refused()
    {
        LabelSheet sheet = new() { Columns = 2, Rows = 2, Used = 3 };
        byte[] pdf = sheet.Draw(
            [.. Enumerable.Range(1, 6).Select(i => new Label($"A-{i}", ["Ø12 z4 square end mill", "Cabinet 1"], $"http://host/lookup?q=A-{i}"))]);
        Assert.StartsWith("%PDF", Encoding.Latin1.GetString(pdf[..8]), StringComparison.Ordinal);
        Assert.Equal(3, Encoding.Latin1.GetString(pdf).Split("/Type/Page").Length - Encoding.Latin1.GetString(pdf).Split("/Type/Pages").Length);
        Assert.Empty(sheet.Check().Faults);
        Assert.Contains((sheet with { Columns = 20 }).Check().Faults, f => f.Field == "columns");
        Assert.Contains((sheet with { Used = 9 }).Check().Faults, f => f.Field == "used");
    }

    // Every piece drawn is made of points of the profile that follow one another: nothing joins what does not touch.
    [Fact]
    public void A_part_that_comes_twice_is_drawn_in_two_pieces() => Assert.All(Demo.Where(c => c.Profile().Shape != ProfileShape.Flat), c =>
    {
        Profile profile = c.Profile();
        int pieces = 1 + profile.Elements.Zip(profile.Elements.Skip(1))
            .Count(p => p.First.Part != p.Second.Part || p.First.ToZ != p.Second.FromZ || p.First.ToR != p.Second.FromR);
        string svg = SvgDrawing.Write(profile, c.Number, []);
        Assert.Equal(pieces, svg.Split("<path fill=\"#F").Length - 1 + svg.Split("<path fill=\"#E").Length - 1);
    });

    [Fact]
    public void Every_demo_cutter_is_drawn_as_svg_at_full_size() => Assert.All(Demo, c =>
    {
        string svg = SvgDrawing.Write(c.Profile(), c.Number + " <&>", [new("OAL", c.OverallLength)]);
        Assert.DoesNotContain("NaN", svg, StringComparison.Ordinal);
        Assert.Contains("&lt;&amp;&gt;", svg, StringComparison.Ordinal);
        System.Xml.Linq.XDocument.Parse(svg);
    });
}

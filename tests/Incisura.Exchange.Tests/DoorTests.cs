using System.Globalization;
using System.IO.Compression;
using System.Text;
using Incisura.Core.Cutters;
using Incisura.Exchange.Dxf;
using Incisura.Exchange.Positions;
using Incisura.Exchange.Tables;

namespace Incisura.Exchange.Tests;

/// <summary>Values that could slip through a door as something else.</summary>
public sealed class DoorTests
{
    private static (Cutter Cutter, IReadOnlyList<CellFault> Faults) Row(string headings, string row)
    {
        Table table = TableFile.Read(Encoding.UTF8.GetBytes(headings + "\n" + row));
        return CutterRows.Read(table.Rows[0].Cells, CutterColumns.Match(table.Headings, false), _ => null, _ => 0, table.DecimalComma);
    }

    [Theory]
    [InlineData("number,DC", "C-1,1/2", 12.7)]
    [InlineData("number,DC [mm]", "C-1,1/2", 12.7)]
    [InlineData("number,OAL", "C-1,\"1,250\"", 1250)]
    public void A_length_with_two_readings_is_asked_about(string headings, string row, double meant)
    {
        CellFault fault = Assert.Single(Row(headings, row).Faults, f => f.Column == 1);
        Assert.Equal(meant, fault.Meant, 9);
        Assert.Contains("can be", fault.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_semicolon_table_has_decimal_commas_and_a_true_minus_is_a_minus()
    {
        Assert.Equal(12, Row("number;DC", "C-1;12,000").Cutter.CuttingDiameter);
        Assert.Equal(-30, Row("number;FHA", "C-1;\u221230").Cutter.HelixAngle);
    }

    [Theory]
    [InlineData("DC in mm", "12", 12.0)]
    [InlineData("DC in", "0.5", 12.7)]
    [InlineData("DC (inches)", "0.5", 12.7)]
    [InlineData("DC main", "12", null)]
    public void A_heading_names_its_unit_by_its_last_word(string heading, string cell, double? mm)
    {
        ColumnMeaning meaning = CutterColumns.Match([heading], false)[0];
        Assert.Equal(mm is null ? "" : "dimensions.DC", meaning.Code);
        if (mm is { } expected) Assert.Equal(expected, Row($"number,{heading}", $"C-1,{cell}").Cutter.CuttingDiameter, 9);
    }

    [Theory]
    [InlineData("lead angle")]
    [InlineData("Approach angle [°]")]
    [InlineData("PSIR")]
    public void Lead_and_approach_angle_are_the_complement_of_the_cutting_edge_angle(string heading) =>
        Assert.Equal(30, Row($"number,family,{heading}", "C-1,face mill,60").Cutter[Dimension.EdgeAngle], 9);

    [Fact]
    public void Two_columns_that_contradict_each_other_are_named()
    {
        Assert.Equal(45, Row("number,family,KAPR,lead angle", "C-1,face mill,45,45").Cutter[Dimension.EdgeAngle], 9);
        Assert.Contains(
            Row("number,family,KAPR,lead angle", "C-1,face mill,60,60").Faults, f => f.Sentence.Contains("ψ_r is 60", StringComparison.Ordinal));
        Assert.Equal(4, Row("number,ZEFP", "C-1,4").Cutter.Teeth);
        Assert.Contains(Row("number,ZEFF,ZEFP", "C-1,2,4").Faults, f => f.Sentence.Contains("ZEFP is 4", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("x in mm,y in mm", 12, 7)]
    [InlineData("X main,Y main", 12, 7)]
    [InlineData("X Min,Y Min", 12, 7)]
    [InlineData("x [in],y [in]", 304.8, 177.8)]
    [InlineData("x in,y in", 304.8, 177.8)]
    [InlineData("x in,y mm", 304.8, 7)]
    public void Positions_are_inches_only_where_the_heading_says_so(string headings, double x, double y) =>
        Assert.Equal([new(x, y, 0)], PositionFile.Read(Encoding.UTF8.GetBytes(headings + "\n12,7\n")).Holes);

    [Fact]
    public void A_position_with_two_readings_is_asked_about() =>
        Assert.Contains(
            "line 2", Assert.Throws<TableException>(() => PositionFile.Read(Encoding.UTF8.GetBytes("x,y\n\"1,250\",7\n"))).Message,
            StringComparison.Ordinal);

    [Theory]
    [InlineData("\n=1")]
    [InlineData("\r=1")]
    [InlineData("two\nlines")]
    [InlineData("=1")]
    [InlineData("'=1")]
    [InlineData("\"quoted\", and parted;")]
    public void Any_text_stays_in_its_cell_on_the_way_out_and_in(string text)
    {
        byte[] csv = TableFile.WriteCsv(["number", "remarks"], [["C-1", text], ["C-2", "next"]]);
        Table back = TableFile.Read(csv);
        Assert.Equal(2, back.Rows.Count);
        Assert.Equal(text.Trim(), back.Rows[0].Cells[1].Trim());
        Table workbook = TableFile.Read(TableFile.WriteWorkbook(["number", "remarks"], [["C-1", text], ["C-2", "next"]]));
        Assert.Equal(text.Trim(), workbook.Rows[0].Cells[1].Replace("\r", "\n", StringComparison.Ordinal).Trim(), ignoreLineEndingDifferences: true);
    }

    [Fact]
    public void A_workbook_holds_texts_as_texts_and_no_formula()
    {
        using ZipArchive archive = new(new MemoryStream(TableFile.WriteWorkbook(["a"], [["=1+1"]])));
        string sheet = new StreamReader(archive.Entries.Single(e => e.FullName.EndsWith("sheet1.xml", StringComparison.Ordinal)).Open()).ReadToEnd();
        Assert.DoesNotContain("<f>", sheet, StringComparison.Ordinal);
        Assert.DoesNotContain(":f>", sheet, StringComparison.Ordinal);
        Assert.DoesNotContain("'=1", sheet, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("a", "a")]
    [InlineData("", "")]
    [InlineData("unit", "figure")]
    public void Two_headings_of_one_name_do_not_get_in_each_others_way(string first, string second)
    {
        Table back = TableFile.Read(TableFile.WriteWorkbook(["figure", first, second], [["n", 1.5, 2.5]]));
        Assert.Equal(["n", "1.5", "2.5"], back.Rows[0].Cells);
    }

    [Fact]
    public void Windows_1252_is_read_as_what_it_is() => Assert.Equal("€–Ø", TableFile.Read([0x80, 0x96, 0xD8, (byte)'\n', (byte)'1']).Headings[0]);

    [Fact]
    public void A_workbook_that_inflates_beyond_measure_is_refused_before_it_is_read()
    {
        using MemoryStream stream = new();
        using (ZipArchive archive = new(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            using Stream sheet = archive.CreateEntry("xl/worksheets/sheet1.xml", CompressionLevel.SmallestSize).Open();
            byte[] block = new byte[1 << 20];
            for (int i = 0; i < 257; i++) sheet.Write(block);
        }

        Assert.True(stream.Length < 1_000_000);
        Assert.Contains(
            "MB when it is opened", Assert.Throws<TableException>(() => TableFile.Read(stream.ToArray())).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_cell_of_a_megabyte_a_row_too_wide_and_empty_rows_without_end_are_refused()
    {
        Assert.Contains(
            "characters", Assert.Throws<TableException>(() => TableFile.Read(Encoding.UTF8.GetBytes("a;b\n" + new string('x', 1 << 20)))).Message,
            StringComparison.Ordinal);
        Assert.Contains(
            "columns", Assert.Throws<TableException>(() => TableFile.Read(Encoding.UTF8.GetBytes("a;b\n" + new string(';', 300) + "x"))).Message,
            StringComparison.Ordinal);
        Assert.Contains(
            "empty rows",
            Assert.Throws<TableException>(
                () => TableFile.Read(Encoding.UTF8.GetBytes("a;b\n" + string.Concat(Enumerable.Repeat(";\n", TableFile.MostRows + 2))))).Message,
            StringComparison.Ordinal);
    }

    private static string Entity(string kind, params (int Code, object Value)[] pairs) =>
        string.Concat(
            pairs.Prepend((8, "0")).Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.Item1}\n{p.Item2}\n")).Prepend($"0\n{kind}\n"));

    private static string Line(double x1, double y1, double x2, double y2) => Entity("LINE", (10, x1), (20, y1), (11, x2), (21, y2));

    private static DxfTaken Take(string entities, params int[] leftOut) =>
        DxfProfile.Take(DxfReader.Read($"0\nSECTION\n2\nENTITIES\n{entities}0\nENDSEC\n0\nEOF\n"), new(1, false, leftOut), 0);

    private static readonly string Whole = Line(0, 0, 0, 6) + Line(0, 6, 40, 6) + Line(40, 6, 80, 8);

    [Fact]
    public void A_line_drawn_twice_is_one_line()
    {
        Assert.Equal(80, Take(Whole + Line(0, 6, 40, 6)).Segments.Sum(s => s.Length), 6);
        Assert.Equal(80, Take(Whole + Line(40, 6, 0, 6)).Segments.Sum(s => s.Length), 6);
    }

    [Fact]
    public void A_gap_is_named_rather_than_taken_for_the_end()
    {
        string gap = Line(0, 0, 0, 6) + Line(0, 6, 40, 6) + Line(40.02, 6, 80, 8);
        DxfTaken taken = Take(gap);
        Assert.Empty(taken.Segments);
        Assert.Contains(taken.Findings, f => f.Contains("0.02 mm away", StringComparison.Ordinal));
        Assert.NotEmpty(Take(gap, taken.Chains.ToList().FindIndex(c => !c.Used)).Segments);
    }

    [Theory]
    [InlineData("SPLINE")]
    [InlineData("ELLIPSE")]
    [InlineData("INSERT")]
    public void A_curve_or_block_that_cannot_be_read_is_not_passed_over(string kind)
    {
        DxfTaken taken = Take(Whole + Entity(kind, (10, 1), (20, 1)));
        Assert.Empty(taken.Segments);
        Assert.Contains(taken.Findings, f => f.Contains(kind, StringComparison.Ordinal));
        Assert.NotEmpty(Take(Whole + Entity("TEXT", (1, "Ø12"))).Segments);
    }

    [Fact]
    public void A_mirrored_entity_lies_where_it_is_seen_and_a_leaning_one_is_refused()
    {
        DxfDrawing drawing = DxfReader.Read(
            "0\nSECTION\n2\nENTITIES\n" + Entity("CIRCLE", (10, 30), (20, 4), (40, 2), (230, -1)) + "0\nENDSEC\n0\nEOF\n");
        Assert.Equal((-30d, 4d), (drawing.Circles[0].X, drawing.Circles[0].Y));
        Assert.All(drawing.Pieces, p => Assert.InRange(p.FromX, -32, -28));
        Assert.Empty(Take(Whole + Entity("ARC", (10, 0), (20, 0), (40, 2), (50, 0), (51, 90), (210, 1), (230, 0))).Segments);
    }

    [Fact]
    public void Paper_and_layers_that_are_off_or_frozen_are_not_read()
    {
        string layers = "0\nSECTION\n2\nTABLES\n0\nTABLE\n2\nLAYER\n" + Entity(
            "LAYER", (2, "off"), (62, -7)) + Entity("LAYER", (2, "cold"), (70, 1)) + "0\nENDTAB\n0\nENDSEC\n";
        string hidden = Entity("LINE", (8, "off"), (10, 100), (20, 5), (11, 400), (21, 5)).Replace("8\n0\n", "", StringComparison.Ordinal);
        string cold = hidden.Replace("off", "cold", StringComparison.Ordinal),
            paper = Entity("LINE", (67, 1), (10, 100), (20, 5), (11, 400), (21, 5));
        DxfDrawing drawing = DxfReader.Read(layers + "0\nSECTION\n2\nENTITIES\n" + Whole + hidden + cold + paper + "0\nENDSEC\n0\nEOF\n");
        Assert.Equal(3, drawing.Pieces.Count);
    }
}

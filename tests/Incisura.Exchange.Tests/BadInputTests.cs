using System.Globalization;
using System.Text;
using CsCheck;
using Incisura.Core.Geometry;
using Incisura.Exchange.Dxf;
using Incisura.Exchange.Paper;
using Incisura.Exchange.Svg;
using Incisura.Exchange.Tables;

namespace Incisura.Exchange.Tests;

public class BadInputTests
{
    private static Gen<T> One<T>(params T[] of) => Gen.Int[0, of.Length - 1].Select(i => of[i]);

    [Fact]
    public void Any_bytes_are_a_table_or_refused_with_a_sentence() => Gen.Byte.Array[0, 400].Sample(bytes =>
    {
        try
        {
            return TableFile.Read(bytes).Headings.Count > 0;
        }
        catch (TableException e)
        {
            return e.Message.EndsWith('.');
        }
    });

    [Fact]
    public void Any_lines_are_a_drawing_or_refused_with_a_sentence()
    {
        Gen<string> word = One(
            "0", "2", "8", "10", "20", "11", "21", "40", "42", "50", "51", "70", "SECTION", "ENTITIES", "ENDSEC", "LINE", "ARC", "CIRCLE",
            "LWPOLYLINE", "POLYLINE", "VERTEX", "SEQEND", "TEXT", "1e300", "-5", "0.5", "nan", "");
        word.Array[0, 60].Sample(words =>
        {
            try
            {
                return DxfProfile.Take(
                    DxfReader.Read("0\nSECTION\n2\nENTITIES\n" + string.Join('\n', words) + "\n"), new(0, false, []), 0).Findings is not null;
            }
            catch (DxfException e)
            {
                return e.Message.EndsWith('.');
            }
        });
    }

    [Fact]
    public void Any_row_is_a_cutter_or_has_faults()
    {
        Gen<string> cell = Gen.OneOf(One("C-1", "12", "6,5", "1/2\"", "-3", "1e999", "=1+1", "ball end mill", "PMK", "yes", ""), Gen.String[0, 12]);
        string[] headings = ["number", "family", "DC", "z", "LCF", "OAL", "shank", "groups", "through coolant", "segments", "pick form", "regrinds"];
        IReadOnlyList<ColumnMeaning> meanings = CutterColumns.Match(headings, false);
        Assert.All(meanings, m => Assert.NotEmpty(m.Code));
        cell.Array[headings.Length].Sample(cells =>
        {
            (Core.Cutters.Cutter cutter, IReadOnlyList<CellFault> faults) = CutterRows
                .Read([.. cells.Select(c => c.Trim())], meanings, _ => null, _ => 0);
            return faults.Count > 0 || cutter.Check().Faults.Count == 0;
        });
    }

    [Fact]
    public void A_field_is_given_to_one_column_only_and_unknown_headings_are_left_out()
    {
        IReadOnlyList<ColumnMeaning> meanings = CutterColumns.Match(["DC", "Diameter", "Colour", "d (in)"], false);
        Assert.Equal(["dimensions.DC", "", "", ""], meanings.Select(m => m.Code));
        Assert.True(CutterColumns.Match(["Cut dia [in]"], false)[0].Inch);
        Assert.False(CutterColumns.Match(["Cut dia [mm]"], true)[0].Inch);
    }

    [Fact]
    public void Every_field_has_its_own_heading_that_is_understood_again()
    {
        string[] headings = [.. CutterColumns.All.Select(f => CutterColumns.Heading(f.Code))];
        Assert.Equal(headings.Length, headings.Distinct(StringComparer.OrdinalIgnoreCase).Count());
        Assert.Equal(CutterColumns.All.Select(f => f.Code), CutterColumns.Match(headings, false).Select(m => m.Code));
    }

    [Theory]
    [InlineData("through coolant", "perhaps")]
    [InlineData("retired", "soon")]
    [InlineData("regrinds", "two")]
    [InlineData("replaced by", "C-99")]
    [InlineData("segments", "1 2")]
    [InlineData("pick form", "square")]
    public void Words_that_cannot_be_taken_are_named(string heading, string cell)
    {
        Table table = TableFile.Read(Encoding.UTF8.GetBytes($"number;family;{heading}\nC-1;barrel mill;{cell}\n"));
        Assert.Contains(
            CutterRows.Read(table.Rows[0].Cells, CutterColumns.Match(table.Headings, false), _ => null, _ => 0).Faults, f => f.Column == 2);
    }

    [Fact]
    public void Entities_that_are_no_lines_are_told_and_left_out()
    {
        DxfTaken taken = DxfProfile.Take(
            DxfReader.Read("0\nSECTION\n2\nENTITIES\n0\nTEXT\n1\nhello\n0\nLINE\n10\n0\n20\n6\n11\n30\n21\n6\n0\nENDSEC\n"), new(1, false, []), 0);
        Assert.Contains(taken.Findings, f => f.StartsWith("1 TEXT", StringComparison.Ordinal));
        Assert.Equal(new StackSegment(30, 12, 12), Assert.Single(taken.Segments));
    }

    [Fact]
    public void A_drawing_below_the_axis_is_turned_up_and_one_from_the_right_is_turned_round()
    {
        DxfTaken taken = DxfProfile.Take(
            DxfReader.Read(
                "0\nSECTION\n2\nENTITIES\n0\nLINE\n10\n50\n20\n-10\n11\n20\n21\n-10\n0\nLINE\n10\n20\n20\n-10\n11\n0\n21\n-6\n0\nENDSEC\n"),
            new(1, false, []), 0);
        Assert.Equal([new(20, 12, 20), new(30, 20, 20)], taken.Segments);
    }

    [Fact]
    public void Gaps_of_a_few_micrometres_are_closed_and_wider_ones_are_not()
    {
        static int Count(double gap) =>
            DxfProfile.Take(
                DxfReader.Read(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"0\nSECTION\n2\nENTITIES\n0\nLINE\n10\n0\n20\n6\n11\n20\n21\n6\n0\n"
                            + $"LINE\n10\n{20 + gap}\n20\n6\n11\n50\n21\n8\n0\nENDSEC\n")),
                new(1, false, []), 0).Segments.Count;
        Assert.Equal(2, Count(0.005));
        Assert.Equal(0, Count(0.5)); // what lies behind a gap is asked about, never cut off
    }

    [Fact]
    public void A_round_drawn_outwards_is_convex_in_svg_too()
    {
        Profile ball = StackedProfile.Draw([new(10, 0, 20, 10), new(20, 20, 20)], ProfilePart.Cutting);
        string svg = SvgDrawing.Write(ball, "ball", []);
        Assert.Contains("M0 -0A10 10 0 0 1 10 -10", svg, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(10, 1, 1)]
    [InlineData(24, 8, 2)]
    [InlineData(1, 1, 1)]
    public void Labels_take_as_many_pages_as_they_need(int labels, int perPage, int rows)
    {
        LabelSheet sheet = new() { PageWidth = 100, PageHeight = 150, Columns = perPage / rows, Rows = rows, SideMargin = 2, TopMargin = 2 };
        if (sheet.Check().Faults.Count > 0) return;
        string pdf = Encoding.Latin1.GetString(
            sheet.Draw(
                [.. Enumerable.Range(0, labels).Select(
                    i => new Label($"A very long shop number {i}", ["with long words below it that do not fit"], "x"))]));
        Assert.Equal((labels + perPage - 1) / perPage, pdf.Split("/Type/Page").Length - pdf.Split("/Type/Pages").Length);
    }
}

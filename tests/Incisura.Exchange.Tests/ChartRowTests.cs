using System.Text;
using CsCheck;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Starters;
using Incisura.Exchange.Tables;

namespace Incisura.Exchange.Tests;

/// <summary>Rows of a speed chart as a table, out and in.</summary>
public sealed class ChartRowTests
{
    private const string Head = "Family\tCutting material\tWork material\tOperation\tSpeed\tWidth / D\tDepth / D\tFeed at Ø12";

    private static ReadChart Read(string table, bool inch = false) => ChartRows.Read(TableFile.Read(Encoding.UTF8.GetBytes(table)), inch, "pasted");

    private static SpeedRow One(string table, bool inch = false)
    {
        ReadChartRow row = Assert.Single(Read(table, inch).Rows);
        Assert.True(row.Row is not null, string.Join(" ", row.Faults.Select(f => f.Sentence)));
        return row.Row;
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void What_is_written_is_read_again_to_the_last_digit(bool workbook)
    {
        IReadOnlyList<double> diameters = ChartRows.DiametersOf(StarterRows.All);
        IReadOnlyList<string> headings = ChartRows.Headings(diameters);
        var cells = StarterRows.All.Select(r => ChartRows.Write(r, diameters));
        byte[] file = workbook ? TableFile.WriteWorkbook(headings, cells) : TableFile.WriteCsv(headings, cells);
        ReadChart read = ChartRows.Read(TableFile.Read(file), false, "");
        Assert.Empty(read.LeftOut);
        Assert.All(read.Rows, r => Assert.Empty(r.Faults));
        SpeedChart before = new() { Name = "chart", Rows = StarterRows.All };
        Assert.True(before.SameAs(before with { Rows = [.. read.Rows.Select(r => r.Row!)] }));
    }

    [Fact]
    public void A_table_as_people_keep_it_is_understood()
    {
        SpeedRow row = One(
            "tool;tool material;ISO;operation;vc;ae/D;ap/D;fz 6;fz 12;remarks\nSquare end mill;HM;P2;Rough side milling;120,5;0,25;1;0,03;0,06;x");
        Assert.Equal((CutterFamily.SquareEndMill, CuttingMaterial.Carbide, "P2", "side-rough"),
            (row.Family, row.CuttingMaterial, row.SubGroup, row.Operation));
        Assert.Equal((120.5, 0.25, 1.0), (row.CuttingSpeed, row.WidthRatio, row.DepthRatio));
        Assert.Equal([new FeedPoint(6, 0.03), new FeedPoint(12, 0.06)], row.Feeds);
        Assert.Equal(("pasted", true), (row.Source, row.Untried));
    }

    [Fact]
    public void Units_are_those_of_the_headings_or_else_of_whoever_brings_it()
    {
        string[] cells = ["square end mill", "carbide", "P", "side-rough", "400", "0.25", "1", "0.002"];
        string head = "Family\tCutting material\tWork material\tOperation\tSpeed{0}\tWidth / D\tDepth / D\tFeed at Ø1/2{1}";
        string Table(string speed, string feed) => string.Format(System.Globalization.CultureInfo.InvariantCulture, head, speed, feed) + "\n"
            + string.Join('\t', cells);
        SpeedRow named = One(Table(" [ft/min]", " [in]")), said = One(Table("", ""), inch: true), sfm = One(Table(" SFM", " [in]"));
        Assert.All([named, said, sfm], r =>
        {
            Assert.Equal(121.92, r.CuttingSpeed, 9);
            Assert.Equal(12.7, r.Feeds[0].Diameter, 9);
            Assert.Equal(0.0508, r.Feeds[0].FeedPerTooth, 9);
        });
        Assert.Equal(400, One(Table(" [m/min]", " [in]"), inch: true).CuttingSpeed);
    }

    [Theory]
    [InlineData("end mil\tcarbide\tP\tside-rough\t120\t0.25\t1\t0.05", 0, "no known family of cutter")]
    [InlineData("square end mill\twood\tP\tside-rough\t120\t0.25\t1\t0.05", 1, "no known cutting material")]
    [InlineData("square end mill\tcarbide\tP\tsawing\t120\t0.25\t1\t0.05", 3, "no known operation")]
    [InlineData("square end mill\tcarbide\tP\tside-rough\tfast\t0.25\t1\t0.05", 4, "no number")]
    [InlineData("square end mill\tcarbide\tP\tside-rough\t9000\t0.25\t1\t0.05", 4, "3000")]
    [InlineData("square end mill\tcarbide\tP\tside-rough\t120\t25\t1\t0.05", 5, "width ratio")]
    [InlineData("square end mill\tcarbide\tP\tside-rough\t120\t0.25\t1\t", -1, "1 to 20 feeds")]
    [InlineData("square end mill\tcarbide\tP\tdrill\t120\t0.25\t1\t0.05", 3, "is not done with a")]
    [InlineData("square end mill\tcarbide\tP\tside-rough\t\t0.25\t1\t0.05", 4, "cutting speed")]
    public void What_cannot_be_taken_is_refused_in_words_at_its_cell(string cells, int column, string words)
    {
        ReadChartRow row = Assert.Single(Read($"{Head}\n{cells}").Rows);
        Assert.Null(row.Row);
        Assert.Contains(row.Faults, f => f.Column == column && f.Sentence.Contains(words, StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public void A_table_without_what_is_needed_says_what_is_missing()
    {
        ReadChart read = Read("Family\tSpeed\tColour\nsquare end mill\t120\tblue");
        Assert.Equal(["cutting material", "work material", "operation"], read.Missing);
        Assert.Equal(["Colour"], read.LeftOut);
        Assert.Empty(read.Rows);
    }

    [Fact]
    public void No_table_of_any_text_brings_it_down() =>
        Gen.Select(Gen.String[Gen.Char["abØ1.,/\t-\"é "], 0, 60], Gen.Bool).Sample(
            (text, inch) => Read($"{Head}\n{text}\tx", inch).Rows.Count <= 2 || text.Contains('"', StringComparison.Ordinal), iter: 2000);
}

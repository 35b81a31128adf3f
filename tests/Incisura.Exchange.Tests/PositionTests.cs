using System.Text;
using Incisura.Exchange.Dxf;
using Incisura.Exchange.Positions;
using Incisura.Exchange.Tables;

namespace Incisura.Exchange.Tests;

public sealed class PositionTests
{
    private static FoundHoles Read(string text) => PositionFile.Read(Encoding.UTF8.GetBytes(text));

    [Theory]
    [InlineData("x;y;d\n10;20;8,5\n-3,5;4;10\n")]
    [InlineData("X,Y,Diameter\n10,20,8.5\n-3.5,4,10\n")]
    [InlineData("10\t20\t8.5\n-3.5\t4\t10\n")]
    public void A_table_gives_positions_with_or_without_headings(string text) => Assert.Equal([new(10, 20, 8.5), new(-3.5, 4, 10)], Read(text).Holes);

    [Fact]
    public void Inches_are_converted_and_rows_without_numbers_are_named()
    {
        FoundHoles found = Read("x (in);y (in)\n1;2\nfirst;row\n");
        Assert.Equal([new(25.4, 50.8, 0)], found.Holes);
        Assert.Contains("converted", found.Notes[0], StringComparison.Ordinal);
        Assert.Contains("line 3", found.Notes[1], StringComparison.Ordinal);
    }

    [Fact]
    public void Circles_of_a_drawing_are_holes_with_their_diameters()
    {
        FoundHoles found = Read(
            "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n1\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nCIRCLE\n"
                + "8\nholes\n10\n1\n20\n2\n40\n0.25\n0\nLINE\n8\n0\n10\n0\n20\n0\n11\n1\n21\n1\n0\nENDSEC\n0\nEOF\n");
        Assert.Equal([new(25.4, 50.8, 12.7)], found.Holes);
    }

    [Fact]
    public void What_holds_no_position_is_refused_with_the_cure()
    {
        Assert.Contains("columns x and y", Assert.Throws<TableException>(() => Read("a;b\n1;2\n")).Message, StringComparison.Ordinal);
        Assert.Contains(
            "no circle", Assert.Throws<DxfException>(() => Read("0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0\nEOF\n")).Message, StringComparison.Ordinal);
        Assert.Contains("empty", Assert.Throws<TableException>(() => PositionFile.Read([])).Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("0.1")]
    [InlineData("12\n7\n")]
    [InlineData("x\n12\n")]
    public void One_column_is_no_table_of_positions(string text) =>
        Assert.Contains("columns x and y", Assert.Throws<TableException>(() => Read(text)).Message, StringComparison.Ordinal);
}

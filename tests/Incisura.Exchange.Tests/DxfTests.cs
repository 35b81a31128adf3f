using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Materials;
using Incisura.Exchange.Dxf;

namespace Incisura.Exchange.Tests;

public class DxfTests
{
    private static readonly DxfWish AsDrawn = new(0, false, []);

    private static string Dxf(string entities, int units = 4) =>
        $"0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n{units}\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n{entities}0\nENDSEC\n0\nEOF\n";

    private static string Line(double x1, double y1, double x2, double y2) =>
        FormattableString.Invariant($"0\nLINE\n8\n0\n10\n{x1}\n20\n{y1}\n11\n{x2}\n21\n{y2}\n");

    private static DxfTaken Take(string text, DxfWish? wish = null, double cutting = 0) =>
        DxfProfile.Take(DxfReader.Read(text), wish ?? AsDrawn, cutting);

    // A holder's half: nose of 28, a cone to 40, a step to 50, back at 70.
    private static readonly string Half = Line(0, 0, 0, 14) + Line(0, 14, 20, 14) + Line(
        20, 14, 50, 20) + Line(50, 20, 50, 25) + Line(50, 25, 70, 25) + Line(70, 25, 70, 0);

    [Fact]
    public void A_half_profile_becomes_segments()
    {
        DxfTaken taken = Take(Dxf(Half));
        Assert.Equal([new(20, 28, 28), new(30, 28, 40), new(20, 50, 50)], taken.Segments);
        Assert.Empty(taken.Findings);
    }

    [Fact]
    public void Order_and_direction_of_the_lines_do_not_matter_and_the_axis_may_close_them()
    {
        string mixed = Line(
            50, 25, 50, 20) + Line(70, 0, 0, 0) + Line(50, 25, 70, 25) + Line(0, 14, 0, 0) + Line(50, 20, 20, 14) + Line(20, 14, 0, 14) + Line(70, 0,
            70, 25);
        Assert.Equal([new(20, 28, 28), new(30, 28, 40), new(20, 50, 50)], Take(Dxf(mixed)).Segments);
    }

    [Fact]
    public void Inches_are_taken_from_the_file_and_a_missing_unit_is_said()
    {
        Assert.Equal(25.4, Take(Dxf(Line(0, 0.5, 1, 0.5), units: 1)).Segments[0].Length);
        Assert.Contains(Take(Dxf(Line(0, 5, 10, 5), units: 0)).Findings, f => f.Contains("does not say its unit", StringComparison.Ordinal));
        Assert.Contains(Take(Dxf(Line(0, 0.5, 2, 0.5))).Findings, f => f.Contains("choose inches", StringComparison.Ordinal));
    }

    [Fact]
    public void An_upright_profile_lies_down_and_arcs_stay_arcs()
    {
        // Ball of 10 on a shank of 20 length, drawn tip down on the Y axis.
        string ball = "0\nARC\n8\n0\n10\n0\n20\n10\n40\n10\n50\n270\n51\n360\n" + Line(10, 10, 10, 30) + Line(10, 30, 0, 30);
        DxfTaken taken = Take(Dxf(ball), AsDrawn with { Upright = true }, cutting: 10);
        Assert.Equal([new(10, 0, 20, 10, true), new(20, 20, 20)], taken.Segments);
    }

    [Fact]
    public void A_stray_line_is_shown_and_can_be_left_out()
    {
        DxfTaken taken = Take(Dxf(Half + Line(100, 5, 300, 5)));
        Assert.Equal(2, taken.Chains.Count);
        Assert.True(taken.Chains[0].Used);
        Assert.Equal(200, taken.Chains[0].Length);
        DxfTaken without = Take(Dxf(Half + Line(100, 5, 300, 5)), AsDrawn with { LeftOut = [0] });
        Assert.Equal(3, without.Segments.Count);
        Assert.Contains(without.Findings, f => f.Contains("left out", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("crosses itself")]
    [InlineData("crosses the axis")]
    [InlineData("back along the axis")]
    [InlineData("closed and does not touch")]
    public void What_cannot_be_a_profile_is_told(string said)
    {
        string drawing = said switch
        {
            "crosses itself" => Line(0, 5, 20, 15) + Line(20, 15, 20, 5) + Line(20, 5, 0, 15),
            "crosses the axis" => Line(0, -5, 20, 15),
            "back along the axis" => Line(0, 10, 20, 10) + Line(20, 10, 10, 12) + Line(10, 12, 40, 15),
            _ => Line(0, 5, 20, 5) + Line(20, 5, 20, 10) + Line(20, 10, 0, 10) + Line(0, 10, 0, 5),
        };
        DxfTaken taken = Take(Dxf(drawing));
        Assert.Empty(taken.Segments);
        Assert.Contains(taken.Findings, f => f.Contains(said, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("")]
    [InlineData("hello\nworld\n")]
    [InlineData("0\nSECTION\n2\nENTITIES\n0\nLINE\n10\nabc\n0\nENDSEC\n")]
    [InlineData("0\nSECTION\n2\nENTITIES\n0\nLINE\n10\n1\n0\nENDSEC\n")]
    [InlineData("0\nSECTION\n2\nENTITIES\n0\nARC\n10\n1\n20\n1\n40\n-3\n50\n0\n51\n90\n0\nENDSEC\n")]
    [InlineData("0\nSECTION\n2\nENTITIES\n0")]
    public void A_broken_drawing_is_refused_with_a_sentence(string text) =>
        Assert.EndsWith(".", Assert.Throws<DxfException>(() => Take(text)).Message, StringComparison.Ordinal);

    [Fact]
    public void Polylines_with_bulges_are_read()
    {
        string polyline = "0\nLWPOLYLINE\n8\n0\n90\n3\n70\n0\n10\n0\n20\n0\n42\n-0.41421356237309503\n10\n5\n20\n5\n42\n0\n10\n25\n20\n5\n";
        Assert.Equal([new(5, 0, 10, 5), new(20, 10, 10)], Take(Dxf(polyline)).Segments);
    }

    public static TheoryData<CutterFamily> Revolved() =>
        [.. Families.All.Where(f => f.Use != CutterUse.Turning && !f.FreeProfile && f.Code is not CutterFamily.ThreadMill).Select(f => f.Code)];

    [Theory]
    [MemberData(nameof(Revolved))]
    public void Writing_a_profile_and_reading_it_gives_the_same_outline(CutterFamily family)
    {
        Profile profile = new Cutter { Number = "C", Family = family, Dimensions = Families.Of(family).Start, Groups = [MaterialGroup.P] }.Profile();
        DxfTaken taken = Take(DxfWriter.Write(profile));
        Assert.NotEmpty(taken.Segments);
        Profile back = StackedProfile.Draw(taken.Segments, ProfilePart.Shank);
        Assert.Equal(profile.Length, back.Length, 4);
        Assert.Equal(profile.Volume(_ => true), back.Volume(_ => true), profile.Volume(_ => true) * 1e-4);
    }

    [Fact]
    public void A_drawing_of_thousands_is_joined_as_one_of_ten_and_one_of_more_or_without_end_is_refused_in_words()
    {
        // Drawn from the middle outwards, in any order and either way.
        Random random = new(5);
        string[] lines =
        [
            .. Enumerable.Range(0, 4000).Select(i => random.Next(2) == 0
                ? Line(i * 0.1, 5 + (i % 2), (i + 1) * 0.1, 5 + ((i + 1) % 2))
                : Line((i + 1) * 0.1, 5 + ((i + 1) % 2), i * 0.1, 5 + (i % 2))).OrderBy(_ => random.Next()),
        ];
        DxfTaken taken = Take(Dxf(string.Concat(lines)));
        Assert.Equal(4000, Assert.Single(taken.Chains).Pieces.Count);
        Assert.Contains("4000 pieces", Assert.Single(taken.Findings), StringComparison.Ordinal);
        string more = string.Concat(Enumerable.Range(0, 5001).Select(i => Line(i, 0, i, 1)));
        Assert.Contains("5001 lines and arcs", Assert.Single(Take(Dxf(more)).Findings), StringComparison.Ordinal);
        Assert.Contains("100 m", Assert.Single(Take(Dxf(Line(0, 0, 1e308, 1))).Findings), StringComparison.Ordinal);
        Assert.Contains("100 m", Assert.Single(Take(Dxf(Line(0, 0, 10, 1)), new(1e308, false, [])).Findings), StringComparison.Ordinal);
    }
}

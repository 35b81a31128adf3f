using CsCheck;
using Incisura.Core.Quantities;

namespace Incisura.Core.Tests.Quantities;

public sealed class LengthTextTests
{
    [Theory]
    [InlineData("12", 12)]
    [InlineData("12,5", 12.5)]
    [InlineData("0,375", 0.375)]
    [InlineData("12.000", 12)]
    [InlineData(".375in", 9.525)]
    [InlineData("1/2\"", 12.7)]
    [InlineData("1/2″", 12.7)]
    [InlineData("1/2''", 12.7)]
    [InlineData("1 1/2 in", 38.1)]
    [InlineData("1-1/2 in", 38.1)]
    [InlineData("½ in", 12.7)]
    [InlineData("1½\"", 38.1)]
    [InlineData("\u22124", -4)]
    [InlineData("–4.5 mm", -4.5)]
    [InlineData("-1/4 in", -6.35)]
    [InlineData("3 cm", 30)]
    [InlineData("250 µm", 0.25)]
    [InlineData("250 μm", 0.25)]
    [InlineData("40 thou", 1.016)]
    [InlineData("1.2E+02", 120)]
    [InlineData("12\u00A0mm", 12)]
    public void A_length_is_read_as_it_is_written(string text, double mm)
    {
        LengthReading reading = LengthText.Read(text, 1);
        Assert.True(reading.Found);
        Assert.Equal(mm, reading.Mm, 12);
        Assert.False(reading.Doubtful);
    }

    [Theory]
    [InlineData("12,000", 12, 12_000)]
    [InlineData("1,250", 1.25, 1250)]
    [InlineData("1/2", 0.5, 12.7)]
    [InlineData("1 1/2", 1.5, 38.1)]
    [InlineData("½", 0.5, 12.7)]
    public void What_can_be_read_in_two_ways_says_so(string text, double mm, double other)
    {
        LengthReading reading = LengthText.Read(text, 1);
        Assert.Equal((mm, other), (reading.Mm, reading.Other));
        Assert.True(reading.Doubtful);
    }

    [Fact]
    public void A_table_parted_by_semicolons_and_an_inch_column_leave_no_doubt()
    {
        Assert.False(LengthText.Read("12,000", 1, decimalComma: true).Doubtful);
        Assert.False(LengthText.Read("1/2", 25.4).Doubtful);
        Assert.True(LengthText.TryRead("1/2", out double searched));
        Assert.Equal(12.7, searched);
    }

    [Theory]
    [InlineData("")]
    [InlineData("mm")]
    [InlineData("1/0")]
    [InlineData("12 bananas")]
    [InlineData("1,2,3")]
    [InlineData("-")]
    [InlineData("\u2212")]
    public void What_is_no_length_is_not_taken_for_one(string text) => Assert.False(LengthText.TryRead(text, out _));

    // Whatever stands in a cell is read or it is not; nothing breaks.
    [Fact]
    public void No_text_of_the_characters_of_lengths_breaks_the_reader() =>
        Gen.String[Gen.Char["0123456789.,/-\u2212+ eE½\"″minchµ"], 0, 12].Sample(text =>
    {
        LengthReading reading = LengthText.Read(text, 1);
        return !reading.Found || double.IsFinite(reading.Mm);
    });
}

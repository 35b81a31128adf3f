using CsCheck;
using Incisura.Core.Holes;

namespace Incisura.Core.Tests.Holes;

/// <summary>Limits of size against values of ISO 286-2, µm from the nominal size.</summary>
public sealed class ToleranceTests
{
    [Theory]
    [InlineData("H7", 2, 0, 10)]
    [InlineData("H7", 10, 0, 15)]
    [InlineData("H7", 10.001, 0, 18)]
    [InlineData("H6", 25, 0, 13)]
    [InlineData("H8", 40, 0, 39)]
    [InlineData("H11", 100, 0, 220)]
    [InlineData("H13", 450, 0, 970)]
    [InlineData("JS6", 30, -6.5, 6.5)]
    [InlineData("G7", 20, 7, 28)]
    [InlineData("F8", 100, 36, 90)]
    [InlineData("E8", 200, 100, 172)]
    [InlineData("D10", 12, 50, 120)]
    [InlineData("K7", 25, -15, 6)]
    [InlineData("K8", 16, -19, 8)]
    [InlineData("K6", 2, -6, 0)]
    [InlineData("M7", 16, -18, 0)]
    [InlineData("M8", 16, -25, 2)]
    [InlineData("N7", 14, -23, -5)]
    [InlineData("N9", 50, -62, 0)]
    [InlineData("P7", 14, -29, -11)]
    [InlineData("P7", 10, -24, -9)]
    [InlineData("P9", 14, -61, -18)]
    [InlineData("h7", 10, 0, 15)]
    [InlineData(" H 7 ", 10, 0, 15)]
    public void A_class_of_the_standard_is_read(string words, double nominal, double lower, double upper)
    {
        HoleTolerance read = HoleTolerance.Read(words, nominal)!.Value;
        Assert.Equal(lower, (read.Least - nominal) * 1000, 6);
        Assert.Equal(upper, (read.Most - nominal) * 1000, 6);
        Assert.Equal((read.Least + read.Most) / 2, read.Middle, 12);
        Assert.True(read.Holds(read.Least) && read.Holds(read.Most) && !read.Holds(read.Most + 0.0001));
    }

    [Theory]
    [InlineData("±0.02", -20, 20)]
    [InlineData("± 0,02", -20, 20)]
    [InlineData("+/-0.1", -100, 100)]
    [InlineData("+0.05/+0.03", 30, 50)]
    [InlineData("0/-0.05", -50, 0)]
    [InlineData("+0.021 0", 0, 21)]
    [InlineData("−0.01/+0.02", -10, 20)]
    public void Deviations_are_read(string words, double lower, double upper)
    {
        HoleTolerance read = HoleTolerance.Read(words, 10)!.Value;
        Assert.Equal((lower, upper), (Math.Round((read.Least - 10) * 1000, 6), Math.Round((read.Most - 10) * 1000, 6)));
    }

    [Theory]
    [InlineData("banana", 10)]
    [InlineData("", 10)]
    [InlineData("H3", 10)]
    [InlineData("H14", 10)]
    [InlineData("H7", 600)]
    [InlineData("M6", 300)]
    [InlineData("K9", 20)]
    [InlineData("ZC7", 10)]
    [InlineData("±50", 10)]
    [InlineData("0/0", 10)]
    [InlineData("H7/g6", 10)]
    public void What_is_not_certain_is_not_read(string words, double nominal) => Assert.Null(HoleTolerance.Read(words, nominal));

    [Fact]
    public void Limits_are_as_wide_as_their_grade_and_in_order_whatever_the_letter() =>
        Gen.Select(Gen.Int[0, 9], Gen.Int[5, 13], Gen.Double[0.5, 500]).Sample((letter, grade, nominal) =>
        {
            string[] letters = ["D", "E", "F", "G", "H", "JS", "K", "M", "N", "P"];
            HoleTolerance? read = HoleTolerance.Read($"{letters[letter]}{grade}", nominal), zero = HoleTolerance.Read($"H{grade}", nominal);
            return read is not { } r || (r.Least < r.Most && Math.Abs(r.Most - r.Least - (zero!.Value.Most - zero.Value.Least)) < 1e-9);
        });

    [Fact]
    public void Nothing_that_is_typed_breaks_the_reading() =>
        Gen.Select(Gen.String[0, 24], Gen.Double[0.1, 900])
            .Sample((words, nominal) => HoleTolerance.Read(words, nominal) is not { } r || r.Least < r.Most);
}

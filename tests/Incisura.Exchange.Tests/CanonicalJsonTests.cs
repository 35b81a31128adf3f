using System.Text;
using System.Text.Json;
using CsCheck;
using Incisura.Exchange.Editions;

namespace Incisura.Exchange.Tests;

/// <summary>RFC 8785 by its own examples, and by what must hold of every text.</summary>
public sealed class CanonicalJsonTests
{
    private static string Canonical(string json) => Encoding.UTF8.GetString(CanonicalJson.Write(Encoding.UTF8.GetBytes(json)));

    // Appendix B of the RFC: the bits of a double and how it is written.
    [Theory]
    [InlineData(0x0000000000000000, "0")]
    [InlineData(unchecked((long)0x8000000000000000), "0")]
    [InlineData(0x0000000000000001, "5e-324")]
    [InlineData(unchecked((long)0x8000000000000001), "-5e-324")]
    [InlineData(0x7fefffffffffffff, "1.7976931348623157e+308")]
    [InlineData(unchecked((long)0xffefffffffffffff), "-1.7976931348623157e+308")]
    [InlineData(0x4340000000000000, "9007199254740992")]
    [InlineData(unchecked((long)0xc340000000000000), "-9007199254740992")]
    [InlineData(0x4430000000000000, "295147905179352830000")]
    [InlineData(0x44b52d02c7e14af5, "9.999999999999997e+22")]
    [InlineData(0x44b52d02c7e14af6, "1e+23")]
    [InlineData(0x44b52d02c7e14af7, "1.0000000000000001e+23")]
    [InlineData(0x444b1ae4d6e2ef4e, "999999999999999700000")]
    [InlineData(0x444b1ae4d6e2ef4f, "999999999999999900000")]
    [InlineData(0x444b1ae4d6e2ef50, "1e+21")]
    [InlineData(0x3eb0c6f7a0b5ed8c, "9.999999999999997e-7")]
    [InlineData(0x3eb0c6f7a0b5ed8d, "0.000001")]
    [InlineData(0x41b3de4355555553, "333333333.3333332")]
    [InlineData(0x41b3de4355555554, "333333333.33333325")]
    [InlineData(0x41b3de4355555555, "333333333.3333333")]
    [InlineData(0x41b3de4355555556, "333333333.3333334")]
    [InlineData(0x41b3de4355555557, "333333333.33333343")]
    [InlineData(unchecked((long)0xbecbf647612f3696), "-0.0000033333333333333333")]
    [InlineData(0x43143ff3c1cb0959, "1424953923781206.2")]
    public void Numbers_are_written_as_the_standard_lists_them(long bits, string written) =>
        Assert.Equal(written, CanonicalJson.Number(BitConverter.Int64BitsToDouble(bits)));

    [Fact]
    public void The_example_of_the_standard_comes_out_as_it_prints_it() => Assert.Equal(
        """{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\u000f\nA'B\"\\\\\"/"}""",
        Canonical(
            """
            {
              "numbers": [333333333.33333329, 1E30, 4.50, 2e-3, 0.000000000000000000000000001],
              "string": "\u20ac$\u000F\u000aA'\u0042\u0022\u005c\\\"\/",
              "literals": [null, true, false]
            }
            """));

    [Fact]
    public void Members_are_ordered_by_the_units_of_utf_16_and_not_by_their_code_points() => Assert.Equal(
        "{\"\\r\":1,\"1\":2,\"\u0080\":3,\"ö\":4,\"€\":5,\"\U0001f600\":6,\"\ufb33\":7}",
        Canonical("""{"\u20ac":5,"\r":1,"\ufb33":7,"1":2,"\ud83d\ude00":6,"\u0080":3,"\u00f6":4}"""));

    [Theory]
    [InlineData("""{"a":1,"a":2}""")]
    [InlineData("""{"a":"\ud800"}""")]
    [InlineData("""{"a":1e999}""")]
    [InlineData("""{"a":01}""")]
    [InlineData("""{"a":1,}""")]
    [InlineData("")]
    public void What_has_no_canonical_form_is_refused(string json) => Assert.ThrowsAny<JsonException>(() => Canonical(json));

    [Fact]
    public void Every_number_is_read_back_to_the_bit_and_every_text_to_the_letter()
    {
        Gen.Double.Where(double.IsFinite).Sample(value => double.Parse(
            CanonicalJson.Number(value), System.Globalization.CultureInfo.InvariantCulture) == value);
        Gen.String.Where(s => !s.Any(char.IsSurrogate)).Sample(text =>
        {
            string written = Canonical(JsonSerializer.Serialize(new Dictionary<string, string> { [text] = text }));
            KeyValuePair<string, string> read = JsonSerializer.Deserialize<Dictionary<string, string>>(written)!.Single();
            return (read.Key, read.Value) == (text, text) && Canonical(written) == written;
        });
    }
}

using System.Globalization;
using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Quantities;

namespace Incisura.Core.Tests.Quantities;

public class UnitTests
{
    [Fact]
    public void The_table_is_in_the_order_of_the_quantities() => Assert.All(Enum.GetValues<Quantity>(), q => Assert.Equal(q, Units.Of(q).Quantity));

    [Theory]
    [InlineData(Quantity.Length, 25.4, 1)]
    [InlineData(Quantity.CuttingSpeed, 0.3048, 1)]
    [InlineData(Quantity.RemovalRate, 16.387064, 1)]
    [InlineData(Quantity.Power, 0.74569987158227, 1)]
    [InlineData(Quantity.Torque, 1.3558179483, 1)]
    [InlineData(Quantity.Stress, 6.894757293, 1)]
    public void Inch_units_are_exact_by_definition(Quantity quantity, double metric, double inch) =>
        Assert.Equal(inch, Units.Of(quantity).ToInch(metric), 9);

    [Fact]
    public void To_inch_and_back_stays_within_one_last_digit() => Gen.Double[1e-6, 1e6].Sample(v =>
    {
        QuantityUnits length = Units.Of(Quantity.Length);
        return Math.Abs(length.FromInch(length.ToInch(v)) - v) <= Math.BitIncrement(v) - v;
    });

    [Fact]
    public void A_sentence_shows_its_numbers_with_units() =>
        Assert.Equal(
            "From 12.35 mm to 0.5 kW.", new Sentence("From {0} to {1}.", new(12.346, Quantity.Length), new Measure(0.5, Quantity.Power)).ToString());

    [Fact]
    public void A_value_held_to_a_limit_is_rounded_down_to_what_can_be_dialled_in() => Gen.Double[1e-4, 1e5].Sample(v =>
    {
        double down = ShopRounding.Down(v);
        double Digits(string count) => double.Parse(down.ToString(count, CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
        return down <= v && down >= v * 0.99 && Digits("G3") == Digits("G12");
    });
}

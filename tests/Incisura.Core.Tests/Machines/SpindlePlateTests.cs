using CsCheck;
using Incisura.Core.Machines;

namespace Incisura.Core.Tests.Machines;

/// <summary>The curve a machine's plate makes.</summary>
public sealed class SpindlePlateTests
{
    [Fact]
    public void Eleven_kilowatts_and_seventy_newton_metres_turn_over_at_1500()
    {
        SpindlePoint corner = Assert.Single(new SpindlePlate(11, 15, 70, 70 * 15 / 11.0).Curve());
        Assert.Equal(1500.6, corner.Speed, 1);
        Assert.Equal((11, 15), (corner.Power, corner.ShortPower));
    }

    [Fact]
    public void Torque_is_held_below_and_power_above_and_neither_is_ever_more_than_the_plate_says() =>
        Gen.Select(Gen.Double[0.5, 60], Gen.Double[1, 2], Gen.Double[2, 900], Gen.Double[1, 2], Gen.Double[20, 20_000]).Sample((p, ps, m, ms, n) =>
        {
            SpindlePlate plate = new(p, p * ps, m, m * ms);
            SpindlePoint at = new SpindleCurve(plate.Curve()).At(n);
            double most = Math.Min(p, m * n * Math.PI / 30_000), mostShort = Math.Min(p * ps, m * ms * n * Math.PI / 30_000);
            Assert.InRange(at.Power, most * (1 - 0.021), most * (1 + 1e-9));
            Assert.InRange(at.ShortPower, mostShort * (1 - 0.021), mostShort * (1 + 1e-9));
            Assert.Equal(at.Power, at.Torque * n * Math.PI / 30_000, at.Power * 2e-3);
        });

    [Theory]
    [InlineData(0, 15, 70, 90, "power")]
    [InlineData(11, 10, 70, 90, "shortPower")]
    [InlineData(11, 15, -1, 90, "torque")]
    [InlineData(11, 15, 70, 60, "shortTorque")]
    public void What_no_plate_says_is_refused(double power, double shortPower, double torque, double shortTorque, string field) =>
        Assert.Contains(new SpindlePlate(power, shortPower, torque, shortTorque).Check().Faults, f => f.Field == field);
}

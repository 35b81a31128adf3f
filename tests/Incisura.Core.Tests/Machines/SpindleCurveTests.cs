using CsCheck;
using Incisura.Core.Machines;

namespace Incisura.Core.Tests.Machines;

public sealed class SpindleCurveTests
{
    // 70 N·m up to 1500 rev/min, and the 11 kW that are then reached up to 8000.
    private static readonly SpindleCurve Drive = new([new(1500, 11, 15, 70, 95.5), new(8000, 11, 15, 13.13, 17.9), new(12000, 8, 11, 6.37, 8.75)]);

    [Theory]
    [InlineData(750, 5.5, 70)] // half the speed, half the power, the same torque
    [InlineData(1500, 11, 70)]
    [InlineData(3000, 11, 35)] // twice the speed at the same power, half the torque
    [InlineData(10000, 9.5, 9.07)] // half way between 11 and 8 kW
    [InlineData(24000, 8, 3.185)] // the last power stays
    public void Power_and_torque_follow_the_regions_of_a_drive(double speed, double power, double torque)
    {
        SpindlePoint at = Drive.At(speed);
        Assert.Equal(power, at.Power, 6);
        Assert.Equal(torque, at.Torque, 0.005 * torque);
    }

    [Fact]
    public void Power_is_torque_times_speed_everywhere_if_it_is_at_the_points() =>
        Gen.Select(
            Gen.Double[100, 3000], Gen.Double[1.1, 4], Gen.Double[1.1, 4], Gen.Double[1, 40], Gen.Double[0.2, 1],
            Gen.Double[20, 20000]).Sample((first, second, third, power, share, speed) =>
        {
            SpindlePoint Of(double n, double p) => new(n, p, 1.3 * p, p * 30000 / (Math.PI * n), 1.3 * p * 30000 / (Math.PI * n));
            SpindlePoint at = new SpindleCurve([Of(first, power), Of(first * second, power), Of(first * second * third, power * share)]).At(speed);
            return Math.Abs(at.Torque - (at.Power * 30000 / (Math.PI * speed))) <= 1e-9 * at.Torque
                && Math.Abs(at.ShortTorque - (1.3 * at.Torque)) <= 1e-9 * at.ShortTorque;
        });

    [Fact]
    public void Nothing_jumps_at_the_points() =>
        Assert.All((double[])[1500, 8000, 12000], n =>
        {
            Assert.Equal(Drive.At(n * (1 - 1e-9)).Power, Drive.At(n * (1 + 1e-9)).Power, 6);
            Assert.Equal(Drive.At(n * (1 - 1e-9)).Torque, Drive.At(n * (1 + 1e-9)).Torque, 6);
        });

    [Fact]
    public void A_machine_of_which_nothing_is_known_gives_no_number()
    {
        Assert.False(new SpindleCurve([]).Known);
        Assert.True(double.IsNaN(new SpindleCurve([]).At(1000).Power));
    }
}

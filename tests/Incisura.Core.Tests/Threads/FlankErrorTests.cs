using CsCheck;
using Incisura.Core.Threads;

namespace Incisura.Core.Tests.Threads;

public class FlankErrorTests
{
    // Independent of the product: every turn in small steps.
    private static double Stepped(double major, double minor, double pitch, double angle, double cutter)
    {
        double e = (major - cutter) / 2, tan = Math.Tan(angle * Math.PI / 360), largest = 0;
        for (int k = 0; k <= 100; k++)
        {
            double r = (minor / 2) + ((major - minor) / 2 * k / 100);
            for (int i = 0; i <= 6000; i++)
            {
                double turn = Math.PI * i / 6000, q = Math.Sqrt((r * r) + (e * e) - (2 * r * e * Math.Cos(turn)));
                if (q <= cutter / 2) largest = Math.Max(largest, (pitch * turn / (2 * Math.PI)) - (q * tan) + ((r - e) * tan));
            }
        }

        return largest * 1000;
    }

    private static readonly Gen<(double Major, double Minor, double Pitch, double Angle, double Share)> Threads =
        from major in Gen.Double[4, 80]
        from pitch in Gen.Double[0.03, 0.16]
        from angle in Gen.OneOf(Gen.Const(60.0), Gen.Const(55.0), Gen.Const(30.0))
        from share in Gen.Double[0.3, 0.98]
        select (major, major * (1 - (1.1 * pitch)), major * pitch, angle, share);

    [Fact]
    public void It_is_the_largest_over_a_turn_in_small_steps() => Threads.Sample(
        t =>
        {
            double cutter = t.Minor * t.Share, got = FlankError.Of(t.Major, t.Minor, t.Pitch, t.Angle, cutter),
                stepped = Stepped(t.Major, t.Minor, t.Pitch, t.Angle, cutter);
            Assert.InRange(got, (stepped * 0.997) - 0.01, (stepped * 1.01) + 0.1);
        },
        iter: 60, seed: "0000000000000");

    [Fact]
    public void It_goes_to_nothing_as_the_cutter_shrinks_and_never_falls_as_it_grows() => Threads.Sample(
        t =>
        {
            double before = 0;
            for (double share = 0.02; share < 0.99; share += 0.03)
            {
                double now = FlankError.Of(t.Major, t.Minor, t.Pitch, t.Angle, t.Minor * share);
                Assert.True(now >= before * (1 - 1e-9), $"{share}: {now} after {before}");
                before = now;
            }

            Assert.True(FlankError.Of(t.Major, t.Minor, t.Pitch, t.Angle, 1e-3 * t.Minor) < 0.02 * before + 1e-6);
        },
        iter: 200, seed: "0000000000000");

    [Fact]
    public void The_largest_cutter_is_inside_and_a_little_more_is_not() => Threads.Sample(
        t =>
        {
            double largest = FlankError.LargestCutter(t.Major, t.Minor, t.Pitch, t.Angle, 10);
            if (double.IsNaN(largest))
            {
                Assert.True(FlankError.Of(t.Major, t.Minor, t.Pitch, t.Angle, t.Major - t.Minor) > 10 || t.Major - t.Minor >= t.Minor);
                return;
            }

            Assert.True(FlankError.Of(t.Major, t.Minor, t.Pitch, t.Angle, largest) <= 10);
            if (largest < t.Minor) Assert.True(FlankError.Of(t.Major, t.Minor, t.Pitch, t.Angle, largest + 1e-5) > 10);
        },
        iter: 200, seed: "0000000000000");
}

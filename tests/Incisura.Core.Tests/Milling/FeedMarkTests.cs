using CsCheck;
using Incisura.Core.Derivations;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

public class FeedMarkTests
{
    // The surface that teeth of unequal radius leave: at each place along the feed the deepest of their arcs.
    private static double Left(double radius, double feed, double offset, int teeth, double phase)
    {
        double least = double.PositiveInfinity, most = double.NegativeInfinity;
        for (int i = 0; i < 600; i++)
        {
            double x = teeth * feed * i / 600, deepest = double.PositiveInfinity;
            for (int k = -2 * teeth; k <= 3 * teeth; k++)
            {
                double out1 = offset * Math.Cos((2 * Math.PI * k / teeth) + phase), away = x - (k * feed);
                deepest = Math.Min(deepest, (away * away / (2 * radius)) - out1);
            }

            (least, most) = (Math.Min(least, deepest), Math.Max(most, deepest));
        }

        return 1000 * (most - least);
    }

    [Fact]
    public void Marks_of_teeth_that_run_out_are_never_deeper_than_said() => Gen.Select(
        Gen.Double[1, 40], Gen.Double[0.01, 0.6], Gen.Double[0, 0.03], Gen.Int[1, 8], Gen.Double[0, 6.28]).Sample(
        (radius, feed, offset, teeth, phase) =>
        {
            MillingResult result = default;
            NoTrace none = default;
            FeedMarks.Solve(radius, feed, new RunOut(offset, teeth), ref result, ref none);
            double said = result[Core.Calculation.Output.PeakToValley], left = Left(radius, feed, offset, teeth, phase);
            Assert.True(left <= said * (1 + 1e-9), $"{left} above {said}");
            if (offset == 0) Assert.True(said <= left * 1.06);
        },
        iter: 600, seed: "0000000000000");

    [Fact]
    public void Without_run_out_they_are_those_of_one_tooth_after_another()
    {
        MillingResult result = default;
        NoTrace none = default;
        FeedMarks.Solve(6, 0.08, new RunOut(0, 4), ref result, ref none);
        Assert.Equal(1000 * 0.08 * 0.08 / 48, result[Core.Calculation.Output.PeakToValley], 12);
    }
}

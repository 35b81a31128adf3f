using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Threads;

namespace Incisura.Core.Tests.ThreadCutting;

/// <summary>The path round a taper thread as arcs, and how work bends beside its chuck.</summary>
public sealed class TaperPathTests
{
    [Fact]
    public void Arcs_stay_inside_the_tolerance_all_the_way_round() =>
        Gen.Select(Gen.Double[1, 60], Gen.Double[0.02, 3], Gen.Double[0.2, 20]).Sample(c =>
    {
        (double radius, double growth, double tolerance) = c;
        TaperPath path = TaperPath.Of(radius, growth, tolerance);
        Assert.InRange(path.PerTurn, 4, 360);
        if (path.PerTurn < 360) Assert.True(path.Error <= tolerance);

        // Arc by arc over a whole turn: each through its own beginning, middle and end, none further off than told.
        double turn = 2 * Math.PI / path.PerTurn;
        for (int arc = 0; arc < path.PerTurn; arc++)
        {
            double from = radius + (growth * arc / path.PerTurn);
            ((double X, double Y) centre, double around) = TaperPath.ArcOf(from, growth, turn);
            for (int i = 0; i <= 200; i++)
            {
                (double x, double y) = TaperPath.PointAt(from, growth, turn * i / 200);
                Assert.True(1000 * Math.Abs(double.Hypot(x - centre.X, y - centre.Y) - around) <= (path.Error * 1.02) + 1e-6);
            }
        }
    });

    [Fact]
    public void A_parallel_thread_needs_no_arcs() => Assert.Equal(0, TaperPath.Of(10, 0, 1).PerTurn);

    [Fact]
    public void A_centre_stiffens_and_the_worst_place_is_the_worst() => Gen.Select(
        Gen.Double[10, 400], Gen.Double[0.05, 1], Gen.Bool).Sample(c =>
    {
        (double length, double share, bool centre) = c;
        double worst = WorkBend.WorstPlace(length, share * length, centre), bend = WorkBend.At(100, 20, length, worst, centre, 205_000);
        for (int i = 0; i <= 100; i++)
        {
            double at = length - (share * length * i / 100);
            Assert.True(WorkBend.At(100, 20, length, at, centre, 205_000) <= bend * (1 + 1e-9) + 1e-9);
            Assert.True(WorkBend.At(100, 20, length, at, true, 205_000) <= WorkBend.At(100, 20, length, at, false, 205_000) + 1e-12);
        }
    });
}

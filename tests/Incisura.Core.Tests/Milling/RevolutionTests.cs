using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

public class RevolutionTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!;

    private static HelicalEdge Edge(double width, double lag, double ratio = 0.3, double axial = 0.2, bool climb = true, int teeth = 4)
    {
        NoTrace none = default;
        return new(teeth, ArcOfEngagement.Side(12, width, ref none), lag, 1000, 0.75, ratio, axial, 1, 0, climb);
    }

    private static (double[] T, double[] R, double[] A, double[] Along, double[] Across) Solve(HelicalEdge edge, int angles, int slices = 20)
    {
        double[] t = new double[angles], r = new double[angles], a = new double[angles], x = new double[angles], y = new double[angles];
        RevolutionLoad.Solve(edge, slices, t, r, a, x, y);
        return (t, r, a, x, y);
    }

    [Fact]
    public void The_sum_is_what_every_tooth_gives_slice_by_slice()
    {
        HelicalEdge edge = Edge(5, 0.8, climb: false);
        (double[] t, _, _, double[] x, double[] y) = Solve(edge, 360);
        for (int i = 0; i < 360; i += 7)
        {
            double sum = 0, along = 0, across = 0;
            for (int tooth = 0; tooth < 4; tooth++)
                for (int k = 0; k < 20; k++)
                {
                    double turned = (2 * Math.PI * i / 360) + (tooth * Math.PI / 2) - (0.8 * (k + 0.5) / 20),
                        at = turned - (2 * Math.PI * Math.Floor(turned / (2 * Math.PI)));
                    if (at >= edge.Arc.Exit) continue;
                    double force = 50 * Math.Pow(Math.Sin(at), 0.75);
                    sum += force;
                    along += force * (-Math.Cos(at) - (0.3 * Math.Sin(at)));
                    across += force * (Math.Sin(at) - (0.3 * Math.Cos(at)));
                }

            Assert.Equal(sum, t[i], 1e-6 * 1000);
            Assert.Equal(along, x[i], 1e-6 * 1000);
            Assert.Equal(across, y[i], 1e-6 * 1000);
        }
    }

    [Fact]
    public void The_axial_resultant_changes_sign_with_the_hand_of_the_helix()
    {
        Situation Handed(double helix) => Sample.Situation with { Cutter = new(1, 1, Sample.Cutter.With(Dimension.HelixAngle, helix)) };
        RevolutionLoad right = ((ILoadOverTurn)Rough).Revolution(Handed(38), Choices.None),
            left = ((ILoadOverTurn)Rough).Revolution(Handed(-38), Choices.None),
                straight = ((ILoadOverTurn)Rough).Revolution(Handed(0), Choices.None);
        Assert.True(right.OfAxial.Mean < 0, "a right-hand helix draws the cutter out of its holder");
        Assert.Equal(-right.OfAxial.Mean, left.OfAxial.Mean, 1e-9 * Math.Abs(left.OfAxial.Mean));
        Assert.Equal(0, straight.OfAxial.Mean, 9);
    }

    [Fact]
    public void Climbing_pushes_the_tip_from_the_wall_and_the_other_way_draws_it_in()
    {
        double climb = Solve(Edge(1, 0.3), 360).Across.Sum(), conventional = Solve(Edge(1, 0.3, climb: false), 360).Across.Sum();
        Assert.True(climb < 0);
        Assert.True(conventional > climb);
    }

    [Fact]
    public void Both_ways_of_cutting_have_the_same_tangential_course_backwards() => Gen.Select(Gen.Double[1, 12], Gen.Double[0.2, 3]).Sample(c =>
    {
        double[] climb = Solve(Edge(c.Item1, c.Item2), 1440).T, other = Solve(Edge(c.Item1, c.Item2, climb: false), 1440).T;
        return Math.Abs(climb.Average() - other.Average()) <= 0.02 * climb.Average() && Math.Abs(climb.Max() - other.Max()) <= 0.05 * climb.Max() + 1;
    });

    [Fact]
    public void The_load_repeats_with_every_tooth_and_a_lag_of_a_pitch_makes_it_even()
    {
        double[] t = Solve(Edge(3, 0.4), 360).T;
        Assert.Equal(t[..90], t[90..180]);
        double[] even = Solve(Edge(3, Math.PI / 2), 360, 90).T;
        Assert.True((even.Max() - even.Min()) / even.Average() < 0.05);
    }

    [Fact]
    public void Angles_that_do_not_share_out_among_the_teeth_are_refused() =>
        Assert.Throws<ArgumentException>(() => Solve(Edge(3, 0.4, teeth: 7), 360));

    [Fact]
    public void The_peak_does_not_pass_the_force_that_limits_are_judged_by()
    {
        foreach (double width in (double[])[0.3, 1, 3, 6, 12])
        {
            Choices typed = Sample.Typed(("widthOfCut", width), ("feedPerTooth", 0.05), ("depthOfCut", 10));
            double judged = Rough.Calculate(Sample.Situation, typed, explain: false).Figure("peakForce");
            Assert.InRange(((ILoadOverTurn)Rough).Revolution(Sample.Situation, typed).OfResultant.Peak, 0.5 * judged, 1.03 * judged);
        }
    }
}

public class BestPointTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!;

    [Fact]
    public void It_names_what_binds_and_the_spindle_of_the_machine_matters()
    {
        BestPoint best = Rough.Best(Sample.Situation, Choices.None, BestAim.Removal, CancellationToken.None);
        Assert.True(best.Found);
        Assert.NotEmpty(best.Binding);
        BestPoint weak = Rough.Best(
            Sample.On(Sample.Machine with { Curve = [new(1000, 1, 1.2, 9.5, 11.5), new(12000, 1, 1.2, 0.8, 1)] }), Choices.None, BestAim.Removal,
            CancellationToken.None);
        Assert.True(weak.RemovalRate < best.RemovalRate);
        Assert.Contains(weak.Binding, k => k is "powerContinuous" or "torqueContinuous");
    }

    [Fact]
    public void Least_time_counts_whole_passes()
    {
        Choices stock = Sample.Typed(("stockWidth", 10), ("wallHeight", 30), ("length", 200));
        BestPoint best = Rough.Best(Sample.Situation, stock, BestAim.Time, CancellationToken.None);
        Assert.True(best.Found);
        Choices taken = Sample.Typed([("length", 200), .. best.Values.Select(v => (v.Code, v.Value))]);
        Assert.Equal(10, best.Values.Single(v => v.Code == "stockWidth").Value);
        Assert.Equal(30, best.Values.Single(v => v.Code == "wallHeight").Value);
        CalculationResult at = Rough.Calculate(Sample.Situation, taken, explain: false);
        Assert.Equal(best.Time, at.Figure("time"), 1e-9);
        Assert.True(at.Figure("time") <= Rough.Calculate(Sample.Situation, stock, explain: false).Figure("time") * (1 + 1e-9));
        Assert.DoesNotContain(at.Limits, l => l.Use > 1 + 1e-9);
    }

    [Fact]
    public void Two_limits_that_contradict_each_other_are_named()
    {
        // A least chip that bends the tip further than is allowed.
        Situation blunt = Sample.Situation with { Cutter = new(1, 1, Sample.Cutter.With(Dimension.LeastChip, 0.03)) };
        BestPoint best = Rough.Best(blunt, Sample.Typed(("deflectionAllowed", 0.2)), BestAim.Removal, CancellationToken.None);
        Assert.False(best.Found);
        Assert.Contains("contradict", best.Reason, StringComparison.Ordinal);
        Assert.Contains("deflection", best.Reason, StringComparison.Ordinal);
        Assert.Contains("least chip", best.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void One_limit_that_nothing_keeps_is_named_alone()
    {
        BestPoint best = Rough.Best(Sample.Situation, Sample.Typed(("wallHeight", 45)), BestAim.Removal, CancellationToken.None);
        Assert.False(best.Found);
        Assert.Contains("reach outside the holder", best.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void It_can_be_stopped() =>
        Assert.Throws<OperationCanceledException>(
            () => Rough.Best(Sample.Situation, Choices.None, BestAim.Removal, new CancellationToken(canceled: true)));
}

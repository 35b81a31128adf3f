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
    public void The_load_repeats_with_every_tooth_and_climbing_pushes_the_tip_from_the_wall()
    {
        RevolutionLoad load = ((ILoadOverTurn)Rough).Revolution(Sample.Situation, Choices.None);
        int inPitch = load.Tangential.Count / Sample.Cutter.Teeth;
        Assert.Equal(load.Tangential.Take(inPitch), load.Tangential.Skip(inPitch).Take(inPitch));
        Assert.True(load.TipAcross.Average() < 0);
    }

    [Fact]
    public void The_peak_does_not_pass_the_force_that_limits_are_judged_by()
    {
        foreach (double width in (double[])[0.3, 1, 3, 6, 12])
        {
            Choices typed = Sample.Typed(("widthOfCut", width), ("feedPerTooth", 0.05), ("depthOfCut", 10));
            double judged = Rough.Calculate(Sample.Situation, typed, explain: false).Figure("peakForce");
            Assert.InRange(((ILoadOverTurn)Rough).Revolution(Sample.Situation, typed).OfResultant.Peak, 0.98 * judged, 1.001 * judged);
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

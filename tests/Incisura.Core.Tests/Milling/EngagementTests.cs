using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Derivations;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

public class EngagementTests
{
    private static ArcOfEngagement Side(double diameter, double width)
    {
        NoTrace none = default;
        return ArcOfEngagement.Side(diameter, width, ref none);
    }

    private static ArcOfEngagement Centred(double diameter, double width)
    {
        NoTrace none = default;
        return ArcOfEngagement.Centred(diameter, width, ref none);
    }

    private static MillingLoad Solve(in MillingCut cut, in ArcOfEngagement arc)
    {
        NoTrace none = default;
        cut.Solve(arc, out MillingLoad load, ref none);
        return load;
    }

    [Theory]
    [InlineData(12, 3, 60)]
    [InlineData(12, 6, 90)]
    [InlineData(12, 12, 180)]
    public void The_arc_of_a_side_cut(double diameter, double width, double degrees) =>
        Assert.Equal(degrees, double.RadiansToDegrees(Side(diameter, width).Length), 9);

    [Theory]
    [InlineData(50, 25, 60)]
    [InlineData(50, 50, 180)]
    public void The_arc_of_a_centred_cut(double diameter, double width, double degrees) =>
        Assert.Equal(degrees, double.RadiansToDegrees(Centred(diameter, width).Length), 9);

    [Fact]
    public void A_slot_is_the_same_from_either_view()
    {
        Assert.Equal(Side(10, 10).Length, Centred(10, 10).Length, 12);
        Assert.Equal(Side(10, 10).MeanSine, Centred(10, 10).MeanSine, 12);
    }

    [Fact]
    public void The_largest_sine_is_that_of_the_thickest_place_of_the_arc() => Gen.Double[0.01, 20].Sample(width =>
    {
        ArcOfEngagement arc = Side(20, width);
        double searched = Enumerable.Range(0, 2001).Max(i => Math.Sin(arc.Entry + (arc.Length * i / 2000)));
        return Math.Abs(searched - arc.LargestSine) < 1e-6 && arc.MeanSine <= arc.LargestSine + 1e-12;
    });

    [Fact]
    public void A_lead_angle_thins_the_chip_and_keeps_speed_and_feed()
    {
        ArcOfEngagement arc = Centred(50, 40);
        MillingLoad straight = Solve(new(50, 5, 90, 220, 0.15, 2, 40, 2100, 0.26), arc),
            slanted = Solve(new(50, 5, 45, 220, 0.15, 2, 40, 2100, 0.26), arc);
        Assert.Equal(straight.MeanChip * Math.Sin(Math.PI / 4), slanted.MeanChip, 12);
        Assert.Equal(straight.FeedRate, slanted.FeedRate);
        Assert.True(slanted.Power > straight.Power);
    }

    [Fact]
    public void Speed_and_feed_are_their_own_inverse() => Gen.Select(Gen.Double[1, 500], Gen.Double[1, 100]).Sample(c =>
        Math.Abs(CuttingSetup.CuttingSpeedFor(CuttingSetup.SpindleSpeedFor(c.Item1, c.Item2), c.Item2) - c.Item1) <= 1e-12 * c.Item1);

    [Fact]
    public void In_inches_and_in_millimetres_the_same_cut_has_the_same_power() =>
        Gen.Select(Gen.Double[0.1, 1], Gen.Double[0.01, 0.1], Gen.Double[0.05, 1]).Sample(c =>
    {
        (double diameterInch, double widthInch, double depthInch) = c;
        MillingLoad metric = Solve(
            new(diameterInch * 25.4, 4, 90, 120, 0.05, depthInch * 25.4, widthInch * 25.4, 1800, 0.25), Side(diameterInch * 25.4, widthInch * 25.4));

        // The arc is a ratio, so inches give it without conversion.
        return Math.Abs(Side(diameterInch, widthInch).Length - Side(diameterInch * 25.4, widthInch * 25.4).Length) < 1e-12 && metric.Power > 0;
    });

    [Fact]
    public void Twice_the_teeth_cut_twice_as_much_at_the_same_chip()
    {
        MillingLoad four = Solve(new(12, 4, 90, 120, 0.05, 10, 3, 1800, 0.25), Side(12, 3)),
            eight = Solve(new(12, 8, 90, 120, 0.05, 10, 3, 1800, 0.25), Side(12, 3));
        Assert.Equal(2 * four.RemovalRate, eight.RemovalRate, 12);
        Assert.Equal(four.MeanChip, eight.MeanChip);
        Assert.Equal(2 * four.TeethInCut, eight.TeethInCut, 12);
    }

    [Fact]
    public void Thinning_keeps_the_chip_it_says_and_stops_at_its_largest_factor()
    {
        Engagement stated = Of(3), thin = Of(1), hair = Of(0.01);
        Engagement Of(double width) => new(12, width, 5, 90, 90, 1, Side(12, width));
        Assert.Equal(stated.LargestChipRatio, ChipThinning.Factor(ChipKept.Largest, stated, thin, 3) * thin.LargestChipRatio, 12);
        Assert.Equal(stated.MeanChipRatio, ChipThinning.Factor(ChipKept.Mean, stated, thin, 3) * thin.MeanChipRatio, 12);
        Assert.Equal(1, ChipThinning.Factor(ChipKept.None, stated, thin, 3));
        Assert.Equal(3, ChipThinning.Factor(ChipKept.Largest, stated, hair, 3));
        Assert.True(ChipThinning.Factor(ChipKept.Largest, thin, stated, 3) < 1);
    }

    [Fact]
    public void A_straight_edge_in_a_quarter_arc_peaks_as_it_leaves()
    {
        ArcOfEngagement arc = Side(12, 6);
        Assert.Equal(0.1 * 5 * 1, ChipSection.Largest(0.1, 5, 1, 0, arc), 5);
    }

    [Fact]
    public void Edges_that_lag_by_whole_pitches_load_the_cutter_evenly()
    {
        // With a lag of exactly one pitch the section is the mean at every moment.
        ArcOfEngagement arc = Side(12, 3);
        double pitch = 2 * Math.PI / 4;
        double mean = 0.1 * 8 * 4 * arc.Length / (2 * Math.PI) * arc.MeanSine;
        Assert.Equal(mean, ChipSection.Largest(0.1, 8, 4, pitch, arc), 9);
    }
}

using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Tests.Holes;
using Incisura.Core.ThreadCutting;
using Incisura.Core.Threads;
using static Incisura.Core.Tests.ThreadCutting.ThreadSample;

namespace Incisura.Core.Tests.ThreadCutting;

/// <summary>Milling threads, inside and outside, with one profile and with several.</summary>
public sealed class ThreadMillingTests
{
    private static readonly (Dimension, double)[] Fine =
        [(Dimension.CuttingDiameter, 8), (Dimension.Pitch, 1.5), (Dimension.FluteLength, 21), (Dimension.UsableLength, 21)];

    private static Situation One => Milled(
        "one", (Dimension.CuttingDiameter, 12), (Dimension.Pitch, 1), (Dimension.LargestPitch, 3), (Dimension.FluteLength, 3),
        (Dimension.UsableLength, 40), (Dimension.NeckDiameter, 8), (Dimension.ShankDiameter, 12), (Dimension.OverallLength, 84));

    [Fact]
    public void Teeth_take_in_a_turn_what_lies_between_blank_and_wall() => Gen.Select(
        Gen.Double[0.02, 0.9], Gen.Double[0.3, 3], Gen.Double[3, 40], Gen.Bool).Sample(c =>
    {
        (double ratio, double height, double wall, bool inside) = c;
        double blank = inside ? wall - (height * wall / 20) : wall + (height * wall / 20), cutter = inside ? ratio * blank : ratio * wall;
        if (cutter < 0.2) return;
        MilledGroove pass = new(new(0.5, 0.5, 0.1), inside, wall, blank, blank, cutter, 0.05);

        // A layer of the ring as thick as the centre moves on: ∫ f·sin θ·r dθ over the arc, wherever the tooth begins.
        double centre = inside ? wall - cutter : wall + cutter, ring = Math.Abs((wall * wall) - (blank * blank)) / 2 * pass.Feed / centre;
        if (pass.Arc < Math.PI - 1e-9) Assert.Equal(ring, pass.Feed * cutter * (1 - Math.Cos(pass.Arc)), 1e-9 + (1e-6 * ring));
        Assert.Equal(0.05 * centre / wall, pass.Feed, 12);
    });

    [Fact]
    public void The_torque_is_the_specific_force_on_the_volume_where_it_does_not_depend_on_the_chip() => Gen.Select(
        Gen.Double[0.3, 0.85], Gen.Double[0.02, 0.15], Gen.Int[1, 8]).Sample(c =>
    {
        (double ratio, double high, int teeth) = c;
        const double wall = 10, floor = 0.3;
        const int rings = 2000;
        double blank = wall * (1 - high), cutter = ratio * blank, deep = wall - blank, volume = 0;
        GrooveProfile groove = new(Math.Tan(Math.PI / 6), Math.Tan(Math.PI / 6), floor);
        MilledGroove pass = new(groove, true, wall, blank, blank, cutter, 0.05);
        (double peak, double torque) = pass.Load(teeth, 1, 0, 2000, 0, 0.3);

        // Ring by ring of the groove, as far round as the centre goes on with one tooth; the work of z teeth is k_c times that.
        for (int i = 0; i < rings; i++)
        {
            double r = blank + (deep * (i + 0.5) / rings), wide = floor + (2 * groove.Leading * (wall - r));
            volume += wide * r * deep / rings * pass.Feed / (wall - cutter);
        }

        Assert.Equal(2000 * volume * teeth / 1000 / (2 * Math.PI), torque, 0.005 * torque);
        Assert.True(peak > 0);
    });

    [Fact]
    public void The_peak_is_that_of_a_dense_walk_over_the_turn_within_one_per_cent() => Gen.Select(
        Gen.Double[0.3, 0.85], Gen.Double[0.02, 0.15], Gen.Int[1, 16], Gen.Bool).Sample(c =>
    {
        (double ratio, double high, int teeth, bool inside) = c;
        const double wall = 10, floor = 0.25, k = 2000, m = 0.25, radial = 0.35;
        double blank = inside ? wall * (1 - high) : wall * (1 + high), cutter = ratio * Math.Min(blank, wall), tan = Math.Tan(Math.PI / 6),
            centre = inside ? wall - cutter : wall + cutter, dense = 0;
        MilledGroove pass = new(new(tan, tan, floor), inside, wall, blank, blank, cutter, 0.05);
        for (int i = 1; i <= 4000; i++)
        {
            double along = 0, across = 0;
            for (double at = pass.Arc * i / 4000; at > 0; at -= 2 * Math.PI / teeth)
            {
                // How far the tooth lies in the blank, from where its line crosses the blank's circle.
                double root = Math.Sqrt(Math.Max(0, (blank * blank) - Math.Pow(centre * Math.Sin(at), 2)));
                double deep = Math.Max(0, cutter - Math.Abs(root - (centre * Math.Cos(at))));
                double nose = k * Math.Pow(pass.Feed * Math.Sin(at), 1 - m) * floor,
                    flank = 2 * k * Math.Pow(pass.Feed * Math.Sin(at) / 2, 1 - m) * deep / Math.Cos(Math.PI / 6);
                (double cut, double push) = (nose + flank, radial * (nose + (flank / 2)));
                along += (cut * Math.Cos(at)) + (push * Math.Sin(at));
                across += (cut * Math.Sin(at)) - (push * Math.Cos(at));
            }

            dense = Math.Max(dense, double.Hypot(along, across));
        }

        Assert.InRange(pass.Load(teeth, 1, 0, k, m, radial).Peak, 0.99 * dense, 1.0005 * dense);
    });

    [Fact]
    public void Profiles_that_lag_share_the_turn_and_their_torque_adds_up() => Gen.Select(
        Gen.Double[0.3, 0.85], Gen.Int[1, 12], Gen.Int[1, 6], Gen.Double[0, 0.3]).Sample(c =>
    {
        (double ratio, int profiles, int teeth, double lag) = c;
        MilledGroove pass = new(new(0.58, 0.58, 0.2), true, 10, 9, 9, ratio * 9, 0.05);
        (double one, double torque) = pass.Load(teeth, 1, 0, 2000, 0.25, 0.3);
        (double all, double turning) = pass.Load(teeth, profiles, lag, 2000, 0.25, 0.3);
        Assert.InRange(all, one * 0.999, profiles * one * 1.001);
        Assert.Equal(profiles * torque, turning, 1e-9 * turning);
        Assert.Equal(profiles * one, pass.Load(teeth, profiles, 0, 2000, 0.25, 0.3).Peak, 1e-9 * profiles * one);
    });

    [Theory]
    [InlineData(10, 10, 12)]
    [InlineData(10, 10, 5)]
    [InlineData(4, 3, 6)]
    public void A_pass_that_takes_nothing_or_cannot_be_is_worked_out_at_once(double wall, double before, double cutter) =>
        Assert.Equal((0, 0), new MilledGroove(new(0.58, 0.58, 0.2), true, wall, before, before, cutter, 0.05).Load(4, 12, 0.1, 2000, 0.25, 0.3));

    [Fact]
    public void Rim_and_centre_have_their_own_feeds_inside_and_outside()
    {
        CalculationResult inside = Mill(Milled("several", Fine), Thread("M14x1.5-6H")),
            outside = Mill(Milled("several", Fine), Thread("M14x1.5-6g").Picked("side", "outside"));
        Assert.Equal(inside.Figure("rimFeed") * (14 - 8) / 14, inside.Figure("feedRate"), 9);
        Assert.Equal(6, inside.Figure("pathDiameter"), 9);
        double root = ThreadShape.Of(ThreadText.Read("M14x1.5")!).Minor;
        Assert.Equal(outside.Figure("rimFeed") * (root + 8) / root, outside.Figure("feedRate"), 6);
        Assert.InRange(inside.Field("crestDiameter").Value, 12.376, 12.676);
        Assert.InRange(outside.Field("crestDiameter").Value, 13.732, 13.968);
    }

    [Fact]
    public void Several_profiles_go_round_once_and_one_goes_down_the_length()
    {
        CalculationResult several = Mill(Milled("several", Fine), Thread("M14x1.5", ("depth", 18))),
            one = Mill(One, Thread("M20x2.5", ("depth", 25)));
        Assert.Equal(1, several.Figure("rounds"), 12);
        Assert.Equal(1, several.Figure("passesAlong"), 12);
        Assert.Equal(11, one.Figure("rounds"), 9);
        Assert.Equal(2, Mill(Milled("several", Fine), Thread("M14x1.5", ("depth", 30))).Figure("passesAlong"), 12);

        // Half a circle from the axis to the wall, the helix, and out again.
        double path = one.Figure("pathDiameter"), way = (2 * Math.PI * path / 4) + (11 * double.Hypot(Math.PI * path, 2.5));
        Assert.Equal(way, one.Figure("way"), 6);
        Assert.True(several.Figure("peakForce") > 2 * Mill(One, Thread("M14x1.5", ("depth", 18))).Figure("peakForce"));
    }

    [Theory]
    [InlineData("M20x2.5", "inside", "climb", "counter-clockwise", "up")]
    [InlineData("M20x2.5", "inside", "conventional", "clockwise", "down")]
    [InlineData("M20x2.5 LH", "inside", "climb", "counter-clockwise", "down")]
    [InlineData("M20x2.5", "outside", "climb", "clockwise", "down")]
    [InlineData("M20x2.5 LH", "outside", "climb", "clockwise", "up")]
    public void Climb_side_and_hand_give_the_way_round_and_up_or_down(string thread, string side, string cut, string round, string way)
    {
        string told = Mill(One, Thread(thread).Picked("side", side).Picked("climb", cut)).Findings.Single(f => f.Code == "directions").Text.Template;
        Assert.Contains($"goes {round},", told, StringComparison.Ordinal);
        Assert.Contains($"and {way},", told, StringComparison.Ordinal);
    }

    [Fact]
    public void The_flank_error_is_judged_and_the_largest_cutter_named()
    {
        Situation large = Milled("one", (Dimension.CuttingDiameter, 14), (Dimension.Pitch, 1), (Dimension.LargestPitch, 3));
        CalculationResult r = Mill(large, Thread("M20x2.5-6H"));
        Assert.Equal(32.1057, r.Figure("flankError"), 0.02);

        // A tenth of the tolerance of the pitch diameter, 224 µm.
        Assert.Equal(22, r.Field("flankErrorAllowed").Value, 9);
        Assert.True(r.Limits.Single(l => l.Kind == "flankError").Use > 1);
        double largest = r.Findings.Single(f => f.Code == "largest-cutter").Text.Measures[0].Value;
        Assert.Equal(22, FlankError.Of(20, 17.294, 2.5, 60, largest), 0.05);
        Assert.True(FlankError.Of(20, 16.933, 2.5, 60, 14, inside: false) < r.Figure("flankError"));
    }

    [Fact]
    public void The_flank_error_vanishes_with_the_cutter_and_grows_with_it() => Gen.Select(
        Gen.Double[6, 60], Gen.Double[0.02, 0.12], Gen.Bool).Sample(c =>
    {
        (double major, double share, bool inside) = c;
        double pitch = share * major, minor = major - (1.0825 * pitch);
        Assert.True(FlankError.Of(major, minor, pitch, 60, 1e-3 * minor, inside) < 0.5 * pitch);
        double last = 0;
        for (double part = 0.35; part < 0.96; part += 0.1)
        {
            double error = FlankError.Of(major, minor, pitch, 60, part * minor, inside);
            Assert.True(!inside || error >= last - 1e-9);
            last = error;
        }
    });

    [Fact]
    public void Further_passes_halve_the_torque_and_at_last_the_peak_gives_way_too()
    {
        CalculationResult one = Mill(One, Thread("M20x2.5", ("feedPerTooth", 0.04))),
            two = Mill(One, Thread("M20x2.5", ("feedPerTooth", 0.04), ("passesToHeight", 2)));
        Assert.InRange(two.Figure("torque") / one.Figure("torque"), 0.4, 0.62);
        Assert.True(two.Figure("peakForce") <= one.Figure("peakForce") * 1.01);
        CalculationResult six = Mill(One, Thread("M20x2.5", ("feedPerTooth", 0.04), ("passesToHeight", 6)));
        Assert.True(six.Figure("peakForce") < 0.9 * one.Figure("peakForce"));
        Assert.Equal(2 * one.Way().Parts.Where(p => !p.Rapid).Sum(p => p.Count * p.Length), two.Figure("way"), 6);
    }

    [Fact]
    public void A_taper_thread_takes_a_taper_cutter_and_tells_the_arcs()
    {
        Situation taper = Milled(
            "taper", (Dimension.CuttingDiameter, 9.8), (Dimension.Pitch, 25.4 / 18), (Dimension.FluteLength, 17), (Dimension.UsableLength, 17));
        CalculationResult r = Mill(taper, Thread("3/8-18 NPT"));
        Assert.Contains(r.Findings, f => f.Code == "taper-arcs");
        Assert.Equal("threadToCut", Refused(() => Mill(taper, Thread("M24x1.5")), "threadToCut").Field);
        Assert.Contains("taper", Refused(() => Mill(Milled("several", [.. Fine, (Dimension.Pitch, 25.4 / 14)]), Thread("1/2-14 NPT")),
            "threadToCut").Sentence,
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("M8x1.5", "does not go into")]
    [InlineData("M20x2", "apart")]
    [InlineData("Tr20x1.5", "30")]
    public void What_the_cutter_cannot_mill_is_named_with_the_cure(string thread, string words) =>
        Assert.Contains(words, Refused(() => Mill(Milled("several", Fine), Thread(thread)), "threadToCut").Sentence, StringComparison.Ordinal);

    [Fact]
    public void A_hole_too_shallow_for_the_cutter_is_a_stop()
    {
        CalculationResult r = Mill(Milled("several", Fine), Thread("M14x1.5", ("depth", 18), ("depthOfHoleBefore", 18.2)));
        Assert.True(r.Limits.Single(l => l.Kind == "holeDepth") is { Use: > 1, Severity: Severity.Stop });
        Assert.DoesNotContain(
            Mill(Milled("several", Fine), Thread("M14x1.5", ("depth", 18)).Picked("end", "through")).Limits, l => l.Kind == "holeDepth");
    }

    [Fact]
    public void The_feed_gives_way_to_the_limits_of_a_slender_cutter()
    {
        double free = Mill(One, Thread("M24x3", ("deflectionAllowed", 900))).Figure("deflection");
        CalculationResult r = Mill(One, Thread("M24x3", ("deflectionAllowed", 0.7 * free)));
        Assert.True(r.Limits.Single(l => l.Kind == "deflection").Use <= 1 + 1e-9);
        Assert.Equal(Origin.Held, r.Field("feedPerTooth").Origin);
    }
}

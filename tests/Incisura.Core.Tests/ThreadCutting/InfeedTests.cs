using CsCheck;
using Incisura.Core.Threads;

namespace Incisura.Core.Tests.ThreadCutting;

/// <summary>Infeeds of a thread, and the chips they take.</summary>
public sealed class InfeedTests
{
    private static readonly Gen<InfeedSchedule> Schedules = Gen.Select(
        Gen.Enum<InfeedLaw>(), Gen.Double[0.1, 6], Gen.Int[1, 40], Gen.Double[0.05, 1], Gen.Double[0, 0.2],
        (law, height, count, first, least) => new InfeedSchedule(law, height, count, first * height, Math.Min(least, first) * height));

    [Fact]
    public void Infeeds_sum_to_the_height_and_never_grow_from_the_first_that_no_limit_holds() => Schedules.Sample(s =>
    {
        double[] depths = [.. s.Depths()], infeeds = [.. depths.Select((d, i) => d - (i == 0 ? 0 : depths[i - 1]))];
        Assert.Equal(s.Height, depths[^1], 12);
        Assert.True(infeeds[0] <= s.First + 1e-12);
        Assert.All(infeeds, p => Assert.True(p > 0));
        int from = infeeds[0] >= s.First - 1e-12 ? 1 : 0;
        for (int i = from + 1; i < infeeds.Length; i++)
            Assert.True(infeeds[i] <= infeeds[i - 1] + 1e-9, $"{s}: {infeeds[i - 1]} then {infeeds[i]}");
        Assert.All(infeeds.Skip(1).SkipLast(1), p => Assert.True(p >= s.Least - 1e-9));
    });

    [Fact]
    public void Equal_sections_follow_from_the_law_of_the_root() =>
        Assert.Equal([0.5, Math.Sqrt(0.5), Math.Sqrt(0.75), 1], new InfeedSchedule(InfeedLaw.ConstantSection, 1, 4).Depths());

    [Theory]
    [InlineData(InfeedWay.Radial)]
    [InlineData(InfeedWay.Flank)]
    [InlineData(InfeedWay.ModifiedFlank)]
    [InlineData(InfeedWay.Alternating)]
    public void Chips_add_up_to_the_groove_and_their_outlines_enclose_them(InfeedWay way) => Gen.Select(
        Schedules, Gen.Double[0.02, 1], Gen.Double[0.2, 1], Gen.Double[0, 0.4],
        (s, leading, share, floor) => (s, new GrooveProfile(leading, leading * share, floor * s.Height))).Sample(c =>
    {
        (InfeedSchedule schedule, GrooveProfile groove) = c;
        double sum = 0;
        (double Shift, double Depth) before = default, beforeLast = default;
        int number = 0;
        foreach (double depth in schedule.Depths())
        {
            (double Shift, double Depth) now = (groove.Shift(way, depth, schedule.Height, ++number), depth);
            double section = groove.Chip(now, before, beforeLast), drawn = AreaOf(groove.Outline(now, before, beforeLast));
            Assert.True(section >= -1e-9, $"{way} {schedule} {groove}: chip {number} is {section}");
            Assert.Equal(section, drawn, 1e-6 * Math.Max(1, groove.Section(schedule.Height)));
            sum += section;
            (beforeLast, before) = (before, now);
        }

        Assert.Equal(groove.Section(schedule.Height), sum, 1e-9 * Math.Max(1, sum));
    });

    [Fact]
    public void Along_a_flank_only_one_cuts_and_pushes_less_into_the_work()
    {
        GrooveProfile groove = new(Math.Tan(Math.PI / 6), Math.Tan(Math.PI / 6), 0.2);
        Assert.Equal(0.2 + (2 / Math.Cos(Math.PI / 6)), groove.EdgeAt(InfeedWay.Radial, 1), 12);
        Assert.Equal(0.2 + (1 / Math.Cos(Math.PI / 6)), groove.EdgeAt(InfeedWay.Flank, 1), 12);
        Assert.Equal(1, groove.PassiveShare(InfeedWay.Radial, 1e-9), 6);
        Assert.Equal(0, groove.Shift(InfeedWay.Flank, 2, 2, 5), 12);
        Assert.True(groove.Shift(InfeedWay.Flank, 1, 2, 1) < groove.Shift(InfeedWay.ModifiedFlank, 1, 2, 1));
        Assert.True(groove.Shift(InfeedWay.Alternating, 1, 2, 1) < 0 && groove.Shift(InfeedWay.Alternating, 1, 2, 2) > 0);
    }

    private static double AreaOf(IReadOnlyList<ProfilePoint> outline)
    {
        double twice = 0;
        for (int i = 0; i < outline.Count; i++)
        {
            ProfilePoint a = outline[i], b = outline[(i + 1) % outline.Count];
            twice += (a.Z * b.R) - (b.Z * a.R);
        }

        return Math.Abs(twice) / 2;
    }
}

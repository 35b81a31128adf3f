using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>A shoulder that the blade cuts back itself before it parts off.</summary>
public class PartingReliefTests
{
    private static readonly (string, double) Stiff = ("deflectionAllowed", 2000), Speed = ("cuttingSpeed", 110), Feed = ("feedPerRevolution", 0.1);

    private static readonly (string, double)[] Beside = [("startDiameter", 40), ("shoulderDiameter", 90), ("shoulderGap", 1), Speed, Feed, Stiff];

    [Fact]
    public void A_relief_by_hand()
    {
        // The shank of 8 mm behind a blade of 3 mm wants 2.5 mm, 1 mm is there: 1.5 mm in one plunge from Ø90 down to where the shank stays outside.
        Situation s = With("part-off", CutterFamily.PartingBlade, 110, 0.1);
        CalculationResult stands = Turn("part-off", s, Beside), relieved = Turn("part-off", s, Beside, [("shoulder", "relieved")]);
        double reach = s.Cutter.Value[Dimension.Reach], to = 2 * reach;
        Assert.Contains(stands.Findings, f => f.Code == "rough-further" && f.Cure.Contains("cut it back first", StringComparison.Ordinal));
        Assert.DoesNotContain(relieved.Findings, f => f.Code == "rough-further");
        Assert.Equal([1.5, to], relieved.Findings.First(f => f.Code == "relieved-first").Text.Measures.Select(v => Math.Round(v.Value, 9)));
        Assert.InRange(relieved.Limit("shoulderGap").Use!.Value, 0.999, 1.001);

        double clear = 2, way = ((90 - to) / 2) + clear, plunge = new SurfaceSpeed(110, 3500).Across(90 + (2 * clear), to, 0.1);
        Assert.Equal(
            plunge + ((way + (2 * clear)) / Sample.Machine.RapidFeed), relieved.Figure("time") - stands.Figure("time"), 9);

        // The lever of the shoulder is the longest: torque, grip and speed are judged there.
        Assert.Equal(90.0 / 40, relieved.Figure("torque") / stands.Figure("torque"), 9);
    }

    [Fact]
    public void A_blade_that_gets_past_cuts_nothing_back() => Gen.Select(Gen.Double[41, 120], Gen.Double[0, 6]).Sample(
        (shoulder, gap) =>
        {
            Situation s = With("part-off", CutterFamily.PartingBlade, 110, 0.1);
            (string, double)[] typed = [("startDiameter", 40), ("shoulderDiameter", shoulder), ("shoulderGap", gap), Speed, Feed, Stiff];
            CalculationResult stands = Turn("part-off", s, typed), relieved = Turn("part-off", s, typed, [("shoulder", "relieved")]);
            bool needed = stands.Figure("gapNeeded") > gap;
            Assert.Equal(needed, relieved.Way().Parts.Any(p => p.Code == "relief"));
            Assert.Equal(needed, stands.Findings.Any(f => f.Code == "rough-further"));
            if (!needed) Assert.Equal(stands.Figure("time"), relieved.Figure("time"));
            Assert.DoesNotContain(relieved.Findings, f => f.Code == "rough-further");
        },
        iter: 60, seed: "0000000000000");

    [Fact]
    public void A_relief_stays_out_of_the_chuck()
    {
        Situation s = With("part-off", CutterFamily.PartingBlade, 110, 0.1);
        (string, double)[] near = [.. Beside, ("length", 30), ("standsOut", 34.5)];
        Assert.NotEmpty(Turn("part-off", s, near).Findings);
        Assert.Equal(
            "standsOut",
            Assert.Throws<InputException>(() => Turn("part-off", s, near, [("shoulder", "relieved")])).Faults[0].Field);
    }
}

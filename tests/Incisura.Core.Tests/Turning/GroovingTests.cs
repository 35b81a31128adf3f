using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>Grooves in bores and faces, and the pass along walls and bottom: by hand, and what they refuse.</summary>
public class GroovingTests
{
    private const CutterFamily Outside = CutterFamily.GroovingBlade, Bar = CutterFamily.InsideGroovingTool, Face = CutterFamily.FaceGroovingBlade;
    private const double Clear = 2;

    private static readonly (string, double)[] Typed = [("feedPerRevolution", 0.1), ("deflectionAllowed", 2000)];

    [Fact]
    public void A_groove_in_a_bore_by_hand()
    {
        CalculationResult r = Turn(
            "turn-groove", With("turn-groove", Bar, speed: 120), [("startDiameter", 40), ("depth", 2.5), ("slotWidth", 7), ("length", 25), .. Typed]);

        // 7 mm by a blade of 3: one in full and two beside it, from Ø40 outwards to Ø45.
        Assert.Equal(3, r.Figure("passesDown"));
        Assert.Equal(45, r.Figure("innerDiameter"), 9);
        Assert.Equal(120_000 / (Math.PI * 45), r.Figure("spindleSpeed"), 6);
        Assert.Equal(120_000 / (Math.PI * 40), r.Figure("topSpeed"), 6);
        SurfaceSpeed speed = new(120, 3500);
        Assert.Equal(3 * speed.Across(40 - (2 * Clear), 45, 0.1), Fed(r), 9);
        Assert.Equal(25 + 7, r.Limit("reach").Used, 9);
        Assert.Equal(2.5, r.Limit("bladeReach").Used, 9);
        Assert.Equal(40, r.Limit("leastBore").Used);
        Assert.Equal(4, r.Limit("overhang").Allowed);
        Assert.False(r.Field("workBore").Used);
    }

    [Fact]
    public void A_groove_in_a_face_by_hand()
    {
        CalculationResult r = Turn(
            "turn-groove", With("turn-groove", Face, speed: 120),
            [("startDiameter", 60), ("depth", 6), ("slotWidth", 10), ("bodyDiameter", 90), .. Typed]);

        // 10 mm by a blade of 4: its inner corner goes from Ø52 to Ø40, and the chip's outside never runs faster than was asked.
        Assert.Equal(3, r.Figure("passesDown"));
        double programmed = 120 * 40 / 48.0;
        Assert.Equal(programmed, r.Figure("programmedSpeed"), 9);
        Assert.Equal(120, r.Figure("speedInUse"), 9);
        double time = 0;
        foreach (double tip in (double[])[52, 46, 40]) time += (6 + Clear) / (0.1 * 1000 * programmed / (Math.PI * tip));
        Assert.Equal(time, Fed(r), 9);
        Assert.Equal(60, r.Figure("outerDiameter"), 9);
        Assert.DoesNotContain(r.Figures, f => f.Code == "innerDiameter");
        Assert.Equal(6, r.Limit("bladeReach").Used);
        Assert.True(r.Limit("leastFaceGroove").Use <= 1 && r.Limit("largestFaceGroove").Use <= 1);
        Assert.Equal(0, r.Figure("workBend"), 12);
        Assert.False(r.Field("length").Used);
    }

    [Theory]
    [InlineData(39, "leastFaceGroove")]
    [InlineData(71, "largestFaceGroove")]
    public void A_blade_goes_into_a_face_only_where_it_is_curved_as_the_groove(double outer, string limit)
    {
        CalculationResult r = Turn("turn-groove", With("turn-groove", Face), [("startDiameter", outer), ("bodyDiameter", 120), .. Typed]);
        JudgedLimit judged = r.Limit(limit);
        Assert.True(judged.Use > 1);
        Assert.Equal(Severity.Stop, judged.Severity);
    }

    [Fact]
    public void Walls_and_bottom_are_gone_over_once() => Gen.Select(
        Gen.OneOf(Gen.Const(Outside), Gen.Const(Bar), Gen.Const(Face)), Gen.Double[1, 3], Gen.Double[1, 4]).Sample(
        (family, times, depth) =>
        {
            Situation s = With("turn-groove", family, speed: 100);
            double blade = s.Cutter.Value[Dimension.CuttingWidth], wide = times * blade;
            (string, double)[] numbers =
                [("startDiameter", 55), ("depth", depth), ("slotWidth", wide), ("bodyDiameter", 90), ("length", 10), ("standsOut", 60), .. Typed];
            CalculationResult plunged = Turn("turn-groove", s, numbers),
                finished = Turn("turn-groove", s, numbers, [("walls", "finished")]);
            SurfaceSpeed speed = new(plunged.Figure("programmedSpeed"), 3500);
            double more, side = family == Bar ? 1 : -1, bottom = 55 + (2 * side * depth);
            if (family == Face)
            {
                double outer = 55 - (2 * blade), inner = 55 - (2 * wide);
                more = ((depth + Clear) / (0.1 * speed.SpeedAt(outer))) + ((depth + Clear) / (0.1 * speed.SpeedAt(inner)))
                    + (times > 1 ? speed.Across(outer, inner, 0.1) : 0);
            }
            else more = (2 * speed.Across(55 - (2 * side * Clear), bottom, 0.1)) + ((wide - blade) / (0.1 * speed.SpeedAt(bottom)));
            Assert.Equal(more, Fed(finished) - Fed(plunged), 1e-9);
            Assert.DoesNotContain(finished.Findings, f => f.Code == "groove-as-plunged");
            foreach (string figure in (string[])["cuttingForce", "power", "workBend"])
                Assert.Equal(plunged.Figure(figure), finished.Figure(figure));
        },
        iter: 60, seed: "0000000000000");

    [Fact]
    public void Grooves_that_cannot_be_are_refused_where_it_lies()
    {
        Assert.Equal("depth", Refused("turn-groove", With("turn-groove", Bar), ("startDiameter", 40), ("bodyDiameter", 44), ("depth", 2)).Field);
        Assert.Equal("slotWidth", Refused("turn-groove", With("turn-groove", Face), ("startDiameter", 50), ("slotWidth", 25)).Field);
        Assert.Equal("startDiameter", Refused("turn-groove", With("turn-groove", Face), ("startDiameter", 50), ("bodyDiameter", 40)).Field);
        Assert.Equal("depth", Refused("turn-groove", With("turn-groove", Face), ("depth", 12), ("standsOut", 10)).Field);
        Assert.Equal("slotWidth", Refused("turn-groove", With("turn-groove", Bar), ("slotWidth", 2)).Field);
    }

    private static double Fed(CalculationResult r) => r.Way().Parts.Where(p => !p.Rapid).Sum(p => p.Time);
}

using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>Blanks with even stock along the finished outline, and what is left on faces.</summary>
public class ForgingTests
{
    private static readonly (string, double) Stiff = ("deflectionAllowed", 2000);

    [Fact]
    public void A_forging_by_hand()
    {
        // 3 mm all along Ø40 and Ø60: from Ø66 to Ø61 2.5 mm on a side over 20 mm and the 3 mm of the shoulder; from Ø61 to Ø46 only the shoulder, of
        // which 0.2 mm are left; from Ø46 to Ø41 the first 30 mm, less what is left.
        CalculationResult r = Rough([new(40, 30), new(60, 20)], ("evenStock", 3), ("stockLeft", 0.5), ("faceStock", 0.2), ("depthOfCut", 2.5));
        Assert.Equal(66, r.Field("startDiameter").Value, 9);
        Assert.False(r.Field("startDiameter").Used);
        Assert.Equal(5, r.Figure("passesDown"));
        Assert.Equal([25, 4.8, 4.8, 4.8, 31.8], r.Way().Parts.Where(p => !p.Rapid).Select(p => Math.Round(p.Length, 6)));

        CalculationResult bar = Rough(
            [new(40, 30), new(60, 20)], ("startDiameter", 66), ("stockLeft", 0.5), ("faceStock", 0.2), ("depthOfCut", 2.5));
        Assert.True(bar.Figure("time") > r.Figure("time"));
        Assert.True(bar.Field("startDiameter").Used);
    }

    [Fact]
    public void What_is_taken_off_a_forging_is_its_stock() => Gen.Select(
        Gen.Double[15, 40], Gen.Select(Gen.Double[8, 30], Gen.Double[6, 15]).Array[1, 5], Gen.Double[1, 3], Gen.Double[0, 0.5], Gen.Double[0, 0.5],
        Gen.Bool).Sample(
        (first, more, even, left, faces, inside) =>
        {
            double side = inside ? 1 : -1, d = inside ? 200 - first : first;
            List<OutlineStep> steps = [];
            foreach ((double length, double rise) in more)
            {
                steps.Add(new(d, length));
                d -= 2 * side * rise;
            }

            CalculationResult r = Rough(
                [.. steps], inside, ("evenStock", even), ("stockLeft", left), ("faceStock", faces), ("depthOfCut", 2), ("cuttingSpeed", 20),
                ("bodyDiameter", 400), ("standsOut", 400));

            // Ring by ring: passes lie between one diameter of the tip and the next.
            double taken = 0, at = r.Field("startDiameter").Value;
            foreach (WayPart pass in r.Way().Parts.Where(p => !p.Rapid))
            {
                double tip = 1000 * r.Figure("programmedSpeed") / (Math.PI * pass.Speed);
                taken += Math.PI / 4 * Math.Abs((at * at) - (tip * tip)) * (pass.Length - 2);
                at = tip;
            }

            // Even stock on every diameter, and on every face between what is left below and the stock above.
            double stock = 0;
            for (int i = 0; i < steps.Count; i++)
            {
                double own = steps[i].Diameter, below = own - (2 * side * left), above = own - (2 * side * even);
                stock += Ring(below, above) * (steps[i].Length - (i == steps.Count - 1 ? 0 : faces) + (i == 0 ? 0 : even));
                if (i + 1 < steps.Count) stock += Ring(above, steps[i + 1].Diameter - (2 * side * left)) * (even - faces);
            }

            Assert.Equal(1, taken / stock, 1e-6);
            static double Ring(double a, double b) => Math.PI / 4 * Math.Abs((a * a) - (b * b));
        },
        iter: 20 * Effort.Times, seed: "0000000000000");

    [Fact]
    public void A_forging_without_stock_to_take_or_whose_bore_is_closed_is_refused()
    {
        OutlineStep[] steps = [new(40, 30), new(60, 20)];
        Assert.Equal("evenStock", Refused(steps, false, ("evenStock", 0.4), ("stockLeft", 0.5)));
        Assert.Equal("evenStock", Refused([new(60, 30), new(40, 20)], true, ("evenStock", 25), ("stockLeft", 0.5)));
        CalculationResult plain = Operations.Find("turn-rough")!.Calculate(With("turn-rough"), Typed([]), explain: false);
        Assert.False(plain.Field("evenStock").Used || plain.Field("faceStock").Used);

        static string Refused(OutlineStep[] steps, bool inside, params (string, double)[] numbers) =>
            Assert.Throws<InputException>(() => Rough(steps, inside, numbers)).Faults[0].Field;
    }

    [Fact]
    public void Faces_keep_what_is_left_on_them_and_falling_sides_too()
    {
        // A neck of Ø30 between two collars: both its sides keep 0.4 mm.
        OutlineStep[] necked = [new(50, 20), new(50, 10) { To = 30 }, new(30, 20), new(50, 20)];
        CalculationResult without = Rough(necked, ("startDiameter", 52), ("stockLeft", 0), ("faceStock", 0), ("depthOfCut", 1)),
            with = Rough(necked, ("startDiameter", 52), ("stockLeft", 0), ("faceStock", 0.4), ("depthOfCut", 1));
        double[] all = Passes(without), kept = Passes(with);
        Assert.Equal(all.Length, kept.Length);
        Assert.Equal(all[0], kept[0], 9);
        for (int i = 1; i < all.Length; i++) Assert.Equal(0.8, all[i] - kept[i], 6);

        static double[] Passes(CalculationResult r) => [.. r.Way().Parts.Where(p => !p.Rapid).Select(p => p.Length)];
    }

    private static CalculationResult Rough(OutlineStep[] steps, params (string, double)[] numbers) => Rough(steps, false, numbers);

    private static CalculationResult Rough(OutlineStep[] steps, bool inside, params (string, double)[] numbers) =>
        Operations.Find("turn-rough")!.Calculate(
            With("turn-rough", inside ? CutterFamily.InsideTurningTool : CutterFamily.OutsideTurningTool),
            Typed([.. numbers, Stiff]) with { Extras = [new TurnedOutline(steps)] }, explain: true);
}

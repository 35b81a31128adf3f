using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>Outlines with cones, arcs, chamfers, roundings and feet: by hand, against fine paths, and what they refuse.</summary>
public class TurnedContourTests
{
    private const CutterFamily Bar = CutterFamily.InsideTurningTool;

    private static readonly (string, double) Stiff = ("deflectionAllowed", 2000);

    // A journal with every kind of edge, a cone and an arc, from the free end.
    private static readonly OutlineStep[] Journal =
    [
        new(20, 15) { Chamfer = 1.5, Fillet = 2 },
        new(30, 12) { Rounding = 2 },
        new(30, 10) { To = 36 },
        new(36, 8) { To = 48, Arc = -20 },
        new(48, 5),
    ];

    // Steps that rise towards the chuck outside, with whatever edge they have room for.
    private static readonly Gen<OutlineStep[]> Rising = Gen.Select(
        Gen.Double[5, 40], Gen.Select(Gen.Double[1, 30], Gen.Double[2, 20], Gen.Int[0, 3], Gen.Double[0.05, 0.45]).Array[1, 6]).Select((first, all) =>
    {
        double d = first;
        List<OutlineStep> steps = [];
        foreach ((double length, double rise, int kind, double share) in all)
        {
            double edge = 2 * share;
            steps.Add(kind switch
            {
                0 => new(d, length) { Chamfer = edge },
                1 => new(d, length) { Rounding = edge },
                2 => new(d, length) { To = d + rise },
                _ => new(d, length) { To = d + rise, Arc = 3 * double.Hypot(length, rise) * (share > 0.2 ? 1 : -1) },
            });
            d = steps[^1].To ?? d;
            d += rise;
        }

        return steps.ToArray();
    });

    [Fact]
    public void A_journal_by_hand()
    {
        CalculationResult r = Outlined("turn-finish", With("turn-finish", feed: 0.1), Journal, ("startDiameter", 21), Stiff);
        IReadOnlyList<ProfileElement> contour = r.Attached<FinishedContour>()!.Pieces;

        // Chamfer, Ø20, foot, shoulder, rounding, Ø30, cone, arc and Ø48.
        Assert.Equal(9, contour.Count);
        Assert.Equal([8.5, 10, 10, 12, 13, 15, 15, 18, 24], contour.Select(e => Math.Round(e.FromR, 9)));
        Assert.Equal([0, 1.5, 13, 15, 15, 17, 27, 37, 45], contour.Select(e => Math.Round(e.FromZ, 9)));
        Assert.Equal(50, contour[^1].ToZ, 9);
        Assert.Equal([2, 2, 20], contour.Where(e => e.Bulge != 0).Select(e => Math.Round(e.Radius, 9)));
        Assert.Equal([true, false, true], contour.Where(e => e.Bulge != 0).Select(e => e.Bulge > 0));

        // Nothing of it but the cone leads into the arc without a radius.
        Assert.Contains(r.Findings, f => f.Code == "corners-stay-round");
        Assert.Equal(2, r.Limit("innerCorner").Allowed);
        Assert.DoesNotContain(r.Limits, l => l.Kind == "trailingEdge");
    }

    [Fact]
    public void The_time_along_an_outline_is_that_of_a_fine_path() => Gen.Select(
        Rising, Gen.Double[40, 400], Gen.Double[300, 3500], Gen.Bool).Sample(
        (steps, cutting, clamp, inside) =>
        {
            OutlineStep[] own = inside ? Turned(steps) : steps;
            double start = own[0].Diameter + (inside ? -1 : 1);
            CalculationResult r = Outlined(
                "turn-finish", With("turn-finish", inside ? Bar : CutterFamily.OutsideTurningTool, feed: 0.1), own,
                ("startDiameter", start), ("cuttingSpeed", cutting), ("speedClamp", clamp), ("feedPerRevolution", 0.1), ("bodyDiameter", 900),
                ("standsOut", 400), Stiff);
            IReadOnlyList<ProfileElement> contour = r.Attached<FinishedContour>()!.Pieces;
            SurfaceSpeed speed = new(r.Figure("programmedSpeed"), clamp);
            double at = 2 * contour[0].FromR, time = 2 / (0.1 * speed.SpeedAt(at)), way = 0;
            foreach (ProfileElement e in contour)
            {
                (double z, double radius) = (e.FromZ, e.FromR);
                foreach ((double z2, double r2) in Fine(e))
                {
                    double piece = double.Hypot(z2 - z, r2 - radius);
                    (way, time) = (way + piece, time + (piece / (0.1 * speed.SpeedAt(radius + r2))));
                    (z, radius) = (z2, r2);
                }
            }

            Assert.Equal(1, (time + ((way + 6) / Sample.Machine.RapidFeed)) / r.Figure("time"), 1e-4);
        },
        iter: 80, seed: "0000000000000");

    [Fact]
    public void Roughing_takes_off_all_between_the_blank_and_the_outline_and_no_more() => Gen.Select(Rising, Gen.Double[0, 0.5]).Sample(
        (steps, left) =>
        {
            double blank = steps.Max(s => Math.Max(s.Diameter, s.To ?? 0)) + 10;
            CalculationResult r = Outlined(
                "turn-rough", With("turn-rough"), steps, ("startDiameter", blank), ("stockLeft", left), ("depthOfCut", 0.1), ("standsOut", 400),
                ("cuttingSpeed", 20),
                Stiff);
            IReadOnlyList<ProfileElement> contour = r.Attached<FinishedContour>()!.Pieces;

            // Each pass takes a ring off; how deep it lies follows from the order of the passes.
            double taken = 0, at = blank;
            WayPart[] passes = [.. r.Way().Parts.Where(p => !p.Rapid)];
            foreach (WayPart pass in passes)
            {
                double tip = TipOf(pass, r);
                taken += Math.PI / 4 * ((at * at) - (tip * tip)) * (pass.Length - 2);
                at = tip;
            }

            double length = contour[^1].ToZ, finished = 0;
            const int slices = 4000;
            for (int i = 0; i < slices; i++)
            {
                double z = length * (i + 0.5) / slices, d = 2 * (contour.First(e => e.ToZ > z && e.FromZ <= z).At(z) + left);
                finished += Math.PI / 4 * d * d * length / slices;
            }

            double all = (Math.PI / 4 * blank * blank * length) - finished;

            // A pass stops where the outline begins, so stairs of one depth stay on cones and arcs.
            Assert.InRange(taken / all, 0.95, 1 + 1e-3);
        },
        iter: 30, seed: "0000000000000");

    [Fact]
    public void A_bore_is_its_outline_turned_inside_out() => Rising.Sample(
        steps =>
        {
            OutlineStep[] bore = Turned(steps);
            double most = steps.Max(s => Math.Max(s.Diameter, s.To ?? 0)) + 10;
            CalculationResult outside = Outlined(
                "turn-rough", With("turn-rough"), steps, ("startDiameter", most), ("stockLeft", 0), ("depthOfCut", 1), ("standsOut", 400), Stiff),
                inside = Outlined(
                    "turn-rough", With("turn-rough", Bar), bore, ("startDiameter", Mirror - most), ("stockLeft", 0), ("depthOfCut", 1),
                    ("bodyDiameter", 900), ("standsOut", 400), Stiff);
            Assert.Equal(outside.Figure("passesDown"), inside.Figure("passesDown"));
            Assert.Equal(outside.Figure("depth"), inside.Figure("depth"), 9);
            Assert.Equal(Lengths(outside), Lengths(inside));
            Assert.Equal(outside.Findings.Any(f => f.Code == "main-edge-gouges"), inside.Findings.Any(f => f.Code == "main-edge-gouges"));

            static IEnumerable<double> Lengths(CalculationResult r) => r.Way().Parts.Where(p => !p.Rapid).Select(p => Math.Round(p.Length, 6));
        },
        iter: 60, seed: "0000000000000");

    [Fact]
    public void A_waist_is_followed_as_steep_as_the_trailing_edge_lets_it()
    {
        // From Ø30 down to Ø24 over 10 mm and up again: it falls by 16.7°.
        OutlineStep[] waist = [new(30, 20), new(30, 10) { To = 24 }, new(24, 8), new(24, 10) { To = 30 }, new(30, 10)];
        CalculationResult slim = Outlined("turn-rough", Insert("V", 93), waist, ("startDiameter", 32), ("stockLeft", 0), ("depthOfCut", 1), Stiff),
            wide = Outlined("turn-rough", Insert("C", 95), waist, ("startDiameter", 32), ("stockLeft", 0), ("depthOfCut", 1), Stiff);
        double falls = double.RadiansToDegrees(Math.Atan(3 / 10.0));
        Assert.Equal(falls, slim.Limit("trailingEdge").Used, 9);
        Assert.Equal(180 - 93 - 35, slim.Limit("trailingEdge").Allowed ?? 0, 9);
        Assert.True(slim.Limit("trailingEdge").Use < 1);
        Assert.Equal(180 - 95 - 80, wide.Limit("trailingEdge").Allowed ?? 0, 9);
        Assert.True(wide.Limit("trailingEdge").Use > 1);

        // To Ø30 along all of it, then three passes in the waist, each shorter by as much of both cones.
        Assert.Equal(4, slim.Figure("passesDown"));
        Assert.Equal([58, 21.333333, 14.666667, 8], slim.Way().Parts.Where(p => !p.Rapid).Select(p => Math.Round(p.Length - 2, 6)));
    }

    [Fact]
    public void A_main_edge_below_a_right_angle_gouges_a_square_shoulder()
    {
        CalculationResult r = Outlined(
            "turn-finish", Insert("S", 75), [new(20, 10), new(30, 10)], ("startDiameter", 21), Stiff);
        Assert.Equal(Severity.Stop, Assert.Single(r.Findings, f => f.Code == "main-edge-gouges").Severity);
        CalculationResult cone = Outlined(
            "turn-finish", Insert("S", 75), [new(20, 10), new(20, 5) { To = 40 }, new(40, 10)], ("startDiameter", 21), Stiff);
        Assert.DoesNotContain(cone.Findings, f => f.Code == "main-edge-gouges");
    }

    [Fact]
    public void The_corner_of_the_tool_fits_the_least_hollow()
    {
        Situation coarse = With("turn-finish", dimensions: [(Dimension.CornerRadius, 1.6)]);
        CalculationResult tight = Outlined("turn-finish", coarse, [new(20, 10) { Fillet = 1 }, new(30, 10)], ("startDiameter", 21), Stiff),
            easy = Outlined("turn-finish", coarse, [new(20, 10) { Fillet = 2 }, new(30, 10)], ("startDiameter", 21), Stiff);
        Assert.Equal((1.6, 1), (tight.Limit("innerCorner").Used, tight.Limit("innerCorner").Allowed));
        Assert.True(easy.Limit("innerCorner").Use < 1);
        Assert.DoesNotContain(easy.Findings, f => f.Code == "corners-stay-round");
    }

    [Fact]
    public void A_cone_bends_no_less_than_its_thickest_and_no_more_than_its_thinnest_bar()
    {
        OutlineStep[] cone = [new(20, 100) { To = 30 }];
        double Bend(OutlineStep[] steps) => Outlined(
            "turn-finish", With("turn-finish"), steps, ("startDiameter", steps[0].Diameter + 1), ("feedPerRevolution", 0.1), ("bodyDiameter", 31),
            ("standsOut", 100), Stiff).Figure("workBend");
        Assert.InRange(Bend(cone), Bend([new(30, 100)]), Bend([new(20, 100)]));

        // A cone that thins towards the free end bends less than half of what its thin bar does.
        Assert.True(Bend(cone) < 0.5 * Bend([new(20, 100)]));
    }

    [Theory]
    [InlineData("turnedOutline[0].chamfer", 30, 20.0, null, 16.0, null, null)]
    [InlineData("turnedOutline[0].rounding", 30, 20.0, null, 1.0, 1.0, null)]
    [InlineData("turnedOutline[0].chamfer", 30, 20.0, 24.0, 1.0, null, null)]
    [InlineData("turnedOutline[0].arc", 30, 20.0, 34.0, null, null, 5.0)]
    [InlineData("turnedOutline[0].arc", 30, 2.0, 70.0, null, null, 20.5)]
    [InlineData("turnedOutline[0].to", 30, 20.0, 0.0, null, null, null)]
    public void What_a_step_cannot_be_is_refused_where_it_stands(
        string field, double diameter, double length, double? to, double? chamfer, double? rounding, double? arc)
    {
        InputFault fault = Refuse([new(diameter, length) { To = to, Chamfer = chamfer, Rounding = rounding, Arc = arc }]);
        Assert.Equal(field, fault.Field);
    }

    [Fact]
    public void Edges_and_feet_fit_their_shoulders_and_nothing_falls_back_square()
    {
        Assert.Equal("turnedOutline[1].chamfer", Refuse([new(20, 10), new(24, 10) { Chamfer = 2.5 }]).Field);
        Assert.Equal("turnedOutline[1].rounding", Refuse([new(20, 10) { Fillet = 1 }, new(24, 10) { Rounding = 1.5 }]).Field);
        Assert.Equal("turnedOutline[0].fillet", Refuse([new(20, 10) { Fillet = 3 }, new(24, 10)]).Field);
        InputFault back = Refuse([new(30, 10) { To = 36 }, new(30, 10)]);
        Assert.Equal("turnedOutline[1].diameter", back.Field);
        Assert.Contains("along a cone", back.Sentence, StringComparison.Ordinal);
    }

    private const double Mirror = 700;

    private static InputFault Refuse(OutlineStep[] steps) => Assert.Throws<InputException>(
        () => Outlined("turn-rough", With("turn-rough"), steps, ("startDiameter", 80))).Faults[0];

    private static Situation Insert(string shape, double angle) => With("turn-rough", dimensions: [(Dimension.EdgeAngle, angle)])
        is var s && shape.Length > 0 ? s with
        {
            Cutter = s.Cutter with
            {
                Value = s.Cutter.Value with
                {
                    Picks = new Dictionary<string, string>(s.Cutter.Value.Picks) { ["insert"] = shape },
                },
            },
        } : s;

    // What outside lies at d inside lies at a large bore less d: bores shrink where shafts grow.
    private static OutlineStep[] Turned(OutlineStep[] steps) =>
        [.. steps.Select(s => s with { Diameter = Mirror - s.Diameter, To = s.To is { } to ? Mirror - to : null, Arc = -s.Arc })];

    private static CalculationResult Outlined(string operation, Situation s, OutlineStep[] steps, params (string, double)[] numbers) =>
        Operations.Find(operation)!.Calculate(s, Typed(numbers) with { Extras = [new TurnedOutline(steps)] }, explain: true);

    // A pass runs with constant surface speed, so its spindle speed tells where the tip is, unless it is clamped.
    private static double TipOf(WayPart pass, CalculationResult r) => 1000 * r.Figure("programmedSpeed") / (Math.PI * pass.Speed);

    private static IEnumerable<(double Z, double R)> Fine(ProfileElement e)
    {
        if (e.Bulge != 0) return e.Points(1e-6);
        return Enumerable.Range(1, 400).Select(i => (e.FromZ + ((e.ToZ - e.FromZ) * i / 400), e.FromR + ((e.ToR - e.FromR) * i / 400)));
    }
}

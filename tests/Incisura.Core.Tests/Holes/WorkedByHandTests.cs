using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Holes;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

/// <summary>Each hole operation once, worked by hand beside it, on a machine that moves at 30 m/min in rapid.</summary>
public sealed class WorkedByHandTests
{
    private const double Rapid = 30000;

    private static double Tan(double degrees) => Math.Tan(degrees * Math.PI / 180);

    private static double Dim(Situation s, Dimension dimension) => s.Cutter.Value[dimension];

    [Fact]
    public void A_plain_hole_is_its_way_at_feed_and_in_rapid()
    {
        Situation s = With(CutterFamily.TwistDrill, "drill");
        double d = Dim(s, Dimension.CuttingDiameter), point = d / 2 / Tan(Dim(s, Dimension.PointAngle) / 2), n = 1000 * 60 / (Math.PI * d),
            feed = n * 0.12, tip = 15 + point;
        CalculationResult r = Calculate(
            "drill", s, ("depth", 15), ("cuttingSpeed", 60), ("feedPerRevolution", 0.12), ("approach", 3), ("retract", 20), ("dwellTurns", 4));
        Assert.Equal(tip, r.Figure("programmedDepth"), 12);
        Assert.Equal(((3 + tip) / feed) + (4 / n) + ((20 - 3 + tip + 20) / Rapid), r.Figure("time"), 12);
        Assert.Equal(r.Figure("time"), r.Way().Parts.Sum(t => t.Time), 12);
    }

    [Fact]
    public void Clearing_the_hole_costs_every_way_out_and_back()
    {
        Situation s = With(
            CutterFamily.FlatDrill, "drill", (Dimension.CuttingDiameter, 10), (Dimension.FluteLength, 60), (Dimension.UsableLength, 60),
            (Dimension.OverallLength, 110));
        Choices choices = Sample.Typed(
            ("depth", 30), ("cuttingSpeed", 60), ("feedPerRevolution", 0.1), ("firstPeck", 10), ("peckRatio", 1), ("leastPeck", 10),
            ("peckClearance", 0.5), ("approach", 2), ("retract", 10)).Picked("cycle", "full-retract");
        CalculationResult r = Operations.Find("drill")!.Calculate(s, choices, false);
        double feed = 1000 * 60 / (Math.PI * 10) * 0.1;
        // Three pecks of 10 mm; out from 10 and from 20 mm to 2 mm above, and back to half a millimetre over the bottom.
        double fed = 2 + 30 + (2 * 0.5), moved = 10 - 2 + (12 + 11.5) + (22 + 21.5) + 40;
        Assert.Equal(3, r.Figure("pecks"));
        Assert.Equal((fed / feed) + (moved / Rapid), r.Figure("time"), 12);
        Assert.Equal(r.Figure("time"), r.Way().Parts.Sum(t => t.Time), 12);
    }

    [Theory]
    [InlineData(10, 0)]
    [InlineData(8, 0.6)]
    public void A_spot_is_as_deep_as_its_chamfer_and_the_web_make_it(double chamfer, double flat)
    {
        Situation s = With(CutterFamily.SpotDrill, "spot", (Dimension.CuttingDiameter, 12));
        CalculationResult r = Calculate("spot", s, ("chamferDiameter", chamfer), ("webFlat", flat), ("surface", 40));
        double depth = (chamfer - flat) / 2 / Tan(Dim(s, Dimension.PointAngle) / 2);
        Assert.Equal(depth, r.Figure("programmedDepth"), 12);
        Assert.Equal(40 - depth, r.Figure("programmedHeight"), 12);
    }

    [Fact]
    public void What_is_drilled_after_a_spot_may_leave_no_chamfer()
    {
        Situation s = With(CutterFamily.SpotDrill, "spot", (Dimension.CuttingDiameter, 12));
        Assert.Contains(
            Calculate("spot", s, ("chamferDiameter", 9), ("holeBefore", 8)).Findings,
            f => f.Code == "chamfer-left" && Math.Abs(f.Text.Measures[1].Value - 0.5) < 1e-12);
        Assert.Contains(Calculate("spot", s, ("chamferDiameter", 8), ("holeBefore", 8.5)).Findings, f => f.Code == "chamfer-lost");
    }

    [Fact]
    public void A_countersink_cuts_only_what_lies_between_hole_and_chamfer()
    {
        Situation s = With(CutterFamily.Countersink, "countersink");
        double hole = 0.6 * s.Cutter.Value.CuttingDiameter, chamfer = hole + 2, half = Dim(s, Dimension.PointAngle) / 2,
            n = 1000 * 80 / (Math.PI * chamfer);
        CalculationResult r = Calculate(
            "countersink", s, ("holeBefore", hole), ("chamferDiameter", chamfer), ("cuttingSpeed", 80), ("feedPerRevolution", 0.1));
        Assert.Equal(1 / Math.Sin(half * Math.PI / 180), r.Figure("edgeLength"), 9);
        Assert.Equal(n, r.Figure("spindleSpeed"), 9);
        Assert.Equal(Math.PI / 4 * ((chamfer * chamfer) - (hole * hole)) * n * 0.1 / 1000, r.Figure("removalRate"), 9);
    }

    [Fact]
    public void Bored_marks_are_those_of_the_feed_of_one_edge()
    {
        Situation s = With(CutterFamily.FineBoringHead, "fine-bore");
        double corner = Dim(s, Dimension.CornerRadius), bore = Calculate("fine-bore", s).Field("boreDiameter").Value;
        CalculationResult r = Calculate(
            "fine-bore", s, ("boreDiameter", bore), ("holeBefore", bore - 0.4), ("feedPerRevolution", 0.06), ("cuttingSpeed", 100));
        Assert.Equal(0.2, r.Figure("stock"), 9);
        Assert.Equal(1000 * 0.06 * 0.06 / (8 * corner), r.Figure("peakToValley"), 9);
        double force = r.Figure("specificForce") * 0.2 * 0.06;
        Assert.Equal(
            r.Figure("deflection") * 2,
            Calculate("fine-bore", s, ("boreDiameter", bore), ("holeBefore", bore - 0.8), ("feedPerRevolution", 0.06), ("cuttingSpeed", 100))
                .Figure("deflection"),
            9);
        Assert.Equal(force * bore / 2 / 1000, r.Figure("torque"), 0.02 * r.Figure("torque"));
    }

    [Fact]
    public void A_reamer_comes_back_at_feed_rate_and_wants_its_stock()
    {
        Situation s = With(CutterFamily.Reamer, "ream");
        double d = Dim(s, Dimension.CuttingDiameter);
        CalculationResult r = Calculate(
            "ream", s, ("depth", 20), ("holeBefore", d - 0.2), ("depthOfHoleBefore", 40), ("cuttingSpeed", 20), ("feedPerRevolution", 0.3),
            ("approach", 2), ("retract", 10));
        double feed = 1000 * 20 / (Math.PI * d) * 0.3, tip = r.Figure("programmedDepth");
        Assert.Equal(0.1, r.Figure("stock"), 9);
        Assert.Equal((2 * (2 + tip) / feed) + (2 * (10 - 2) / Rapid), r.Figure("time"), 9);
        Assert.DoesNotContain(r.Findings, f => f.Code == "ream-stock");
        Assert.Contains(
            Calculate("ream", s, ("holeBefore", d - 0.02)).Findings,
            f => f.Code == "ream-stock" && f.Text.Template.Contains("rubs", StringComparison.Ordinal));
        Assert.Contains(
            Calculate("ream", s, ("holeBefore", d - 1.5)).Findings,
            f => f.Code == "ream-stock" && f.Text.Template.Contains("crowded", StringComparison.Ordinal));
    }

    [Fact]
    public void A_counterbore_needs_room_for_its_pilot()
    {
        Situation s = With(CutterFamily.Counterbore, "counterbore");
        double length = Dim(s, Dimension.PilotLength), pilot = Dim(s, Dimension.PilotDiameter);
        CalculationResult r = Calculate("counterbore", s, ("depth", 5), ("holeBefore", pilot), ("depthOfHoleBefore", 5 + (length / 2)));
        JudgedLimit room = r.Limits.Single(l => l.Kind == HoleLimits.HoleDepth.Code);
        Assert.Equal(5 + length, room.Allowed!.Value, 9);
        Assert.True(room.Use > 1);
        Assert.Equal(["holeBefore"], Refused(() => Calculate("counterbore", s, ("holeBefore", pilot - 1))).Select(f => f.Field));
    }

    [Fact]
    public void A_slender_drill_buckles_and_whirls_by_euler_and_by_its_first_frequency()
    {
        NoTrace none = default;
        SlenderDrill drill = new(6.4, 600_000, 14.5); // the cylinder of an 8 mm drill in carbide
        double inertia = Math.PI * Math.Pow(6.4, 4) / 64;
        Assert.Equal(Math.PI * Math.PI * 600_000 * inertia / Math.Pow(0.7 * 200, 2), drill.BucklingForce(200, ref none), 6);
        double mass = 14.5e-6 * Math.PI * 6.4 * 6.4 / 4; // kg for each mm
        double first = 1.8751 * 1.8751 / (2 * Math.PI) * Math.Sqrt(600_000 * 1000 * inertia / (mass * Math.Pow(200, 4)));
        Assert.Equal(0.75 * 60 * first, drill.FreeSpeed(200, ref none), 0.001 * drill.FreeSpeed(200, ref none));
    }

    [Fact]
    public void The_thrust_of_a_drill_is_half_its_cutting_force()
    {
        Situation s = With(CutterFamily.TwistDrill, "drill");
        double d = Dim(s, Dimension.CuttingDiameter), half = Dim(s, Dimension.PointAngle) / 2 * Math.PI / 180, chip = 0.2 / 2 * Math.Sin(half),
            k = 1900 * Math.Pow(chip, -0.25);
        CalculationResult r = Calculate("drill", s, ("cuttingSpeed", 60), ("feedPerRevolution", 0.2));
        Assert.Equal(chip, r.Figure("chip"), 12);
        Assert.Equal(0.5 * k * d / 2 * 0.2 * Math.Sin(half), r.Figure("thrust"), 6);
        Assert.Equal(k * 0.2 * d * d / 8 / 1000, r.Figure("torque"), 9);
    }
}

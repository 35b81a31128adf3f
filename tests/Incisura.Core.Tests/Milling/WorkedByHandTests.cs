using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

/// <summary>Each operation once, worked by hand beside it: a cutter of 12 mm with four teeth at 120 m/min and 0.05 mm a tooth.</summary>
public sealed class WorkedByHandTests
{
    private const double Rapid = 30000, Speed = 1000 * 120 / (Math.PI * 12), Feed = Speed * 4 * 0.05, Lifts = 2 * 25 / Rapid;

    private static CalculationResult Work(string operation, params (string Code, double Value)[] numbers) =>
        Work(operation, Sample.Situation, numbers);

    private static CalculationResult Work(string operation, Situation situation, params (string Code, double Value)[] numbers) =>
        Operations.Find(operation)!.Calculate(situation, Sample.Typed([("cuttingSpeed", 120), ("feedPerTooth", 0.05), .. numbers]), explain: false);

    [Fact]
    public void A_slot_wider_than_the_cutter_takes_one_pass_in_the_full_and_equal_ones_along_the_walls()
    {
        CalculationResult r = Work("slot", ("slotWidth", 20), ("stockHeight", 8), ("depthOfCut", 3), ("length", 80));
        Assert.Equal(3, r.Figure("passesAcross")); // 1 + 8 mm in passes of at most 6 mm
        Assert.Equal(3, r.Figure("passesDown"));
        Assert.Equal(180, r.Figure("arc"), 9);
        double way = 80 + (2 * (6 + 2));
        Assert.Equal((9 * way / Feed) + (8 * way / Rapid) + (3 * Lifts), r.Figure("time"), 12);
    }

    [Fact]
    public void A_face_is_divided_evenly_and_an_axis_beside_the_middle_turns_the_arc()
    {
        CalculationResult r = Work(
            "face", ("stockWidth", 30), ("widthOfCut", 12), ("offset", 1), ("stockHeight", 1), ("depthOfCut", 1), ("length", 100));
        Assert.Equal(3, r.Figure("passesAcross"));
        Assert.Equal(10, r.Figure("width"), 12);
        // The work reaches from 4 mm on one side of the axis to 6 mm on the other.
        Assert.Equal(180 - double.RadiansToDegrees(Math.Acos(4.0 / 6)), r.Figure("arc"), 9);
        CalculationResult middle = Work(
            "face", ("stockWidth", 30), ("widthOfCut", 12), ("offset", 0), ("stockHeight", 1), ("depthOfCut", 1), ("length", 100));
        Assert.Equal(2 * double.RadiansToDegrees(Math.Asin(10.0 / 12)), middle.Figure("arc"), 9);
        Assert.Equal(3 * (100 + 16), middle.Figure("way"), 9);
    }

    [Fact]
    public void A_ramp_goes_down_in_equal_shares_and_ends_level()
    {
        CalculationResult r = Work("ramp", ("rampAngle", 2), ("stockHeight", 5), ("depthOfCut", 10), ("length", 60));
        double angle = Math.Atan(5.0 / 3 / 60), way = (3 * 60 / Math.Cos(angle)) + 60; // 60·tan 2° is 2.1 mm, so three ramps
        Assert.Equal(3, r.Figure("passesDown"));
        Assert.Equal(double.RadiansToDegrees(angle), r.Figure("tilt"), 9);
        Assert.Equal(Feed * Math.Sin(angle), r.Figure("feedDown"), 9);
        Assert.Equal((way / Feed) + Lifts, r.Figure("time"), 12);
    }

    [Fact]
    public void A_helix_keeps_the_feed_at_the_rim()
    {
        CalculationResult r = Work("helical-entry", ("holeDiameter", 20), ("rampAngle", 2), ("stockHeight", 10));
        double pitch = Math.PI * 8 * Math.Tan(2 * Math.PI / 180), rounds = (10 / pitch) + 1, feed = Feed * 8 / 20,
            way = rounds * Math.Sqrt(Math.Pow(Math.PI * 8, 2) + (pitch * pitch));
        Assert.Equal(8, r.Figure("pathDiameter"), 12);
        Assert.Equal(feed, r.Figure("feedRate"), 9);
        Assert.Equal(Feed, r.Figure("rimFeed"), 9);
        Assert.Equal(rounds, r.Figure("rounds"), 9);
        Assert.Equal((way / feed) + (2 * (10 + 25) / Rapid), r.Figure("time"), 9);
    }

    [Fact]
    public void A_hole_is_broken_through_by_the_corner_radius_deeper()
    {
        Situation round = Sample.With(CutterFamily.CornerRadiusEndMill, "side-rough", (Dimension.CornerRadius, 2));
        double Depth(Situation s, double past) =>
            Work("helical-bore", s, ("holeDiameter", 30), ("holeBefore", 24), ("stockHeight", 10), ("breakthrough", past)).Figure("programmedDepth");
        Assert.Equal(10, Depth(round, 0), 12);
        Assert.Equal(10 + 0.5 + 2, Depth(round, 0.5), 12);
    }

    [Fact]
    public void Plunges_stand_side_by_side_and_leave_ridges_between()
    {
        CalculationResult r = Work("plunge", ("stockWidth", 6), ("widthOfCut", 3), ("sideStep", 6), ("wallHeight", 20), ("length", 100));
        Assert.Equal(2 * 17, r.Figure("rounds"));
        Assert.Equal(6 - Math.Sqrt(36 - 9), r.Figure("ridge"), 12);
        Assert.Equal((34 * ((22 / Feed) + (22 / Rapid))) + Lifts, r.Figure("time"), 12);
    }

    [Fact]
    public void A_pocket_is_a_slot_and_the_loops_around_it()
    {
        CalculationResult r = Work(
            "pocket", ("pocketLength", 100), ("pocketWidth", 60), ("widthOfCut", 6), ("stockHeight", 4), ("depthOfCut", 4), ("cornerRadius", 9),
            ("rampAngle", 3));
        double way = 100 - 60; // along the middle, then four loops, each 6 mm further out on every side
        for (int loop = 1; loop <= 4; loop++) way += (2 * (40 + (2 * 6 * loop))) + (2 * 2 * 6 * loop) - ((8 - (2 * Math.PI)) * 3);
        Assert.Equal(4, r.Figure("rounds"));
        Assert.Equal(way + (4 / Math.Sin(3 * Math.PI / 180)), r.Figure("way"), 9);
        Assert.True(
            Work("pocket", ("pocketLength", 100), ("pocketWidth", 60), ("rampAngle", 1))
                .Figure("time") > Work("pocket", ("pocketLength", 100), ("pocketWidth", 60), ("rampAngle", 3))
                .Figure("time"));
    }

    [Fact]
    public void A_loop_moves_on_by_what_its_arc_allows()
    {
        CalculationResult r = Work(
            "constant-engagement", ("slotWidth", 24), ("arcWanted", 70), ("stockHeight", 10), ("depthOfCut", 10), ("length", 50));
        double step = r.Figure("loopStep"), path = 24 / 2.0, loop = 6;
        // Backwards from the step: law of cosines between the wall cut before and the cutter, whose axis runs on 6 mm.
        Assert.Equal(70, double.RadiansToDegrees(Math.Acos((Math.Pow(path - step, 2) - Math.Pow(path - 6, 2) - 36) / (2 * (path - 6) * 6))), 6);
        Assert.Equal(loop, r.Figure("loopRadius"), 12);
        Assert.Equal(Math.Ceiling(50 / step), r.Figure("rounds"));
        Assert.Equal(10 * step * 24 * r.Figure("feedRate") / (2 * Math.PI * loop) / 1000, r.Figure("removalRate"), 9);
    }

    [Fact]
    public void A_corner_keeps_what_the_round_cutter_before_could_not_reach()
    {
        CalculationResult r = Work(
            "corner-cleaning", ("cornerRadius", 8), ("diameterBefore", 25), ("widthOfCut", 1), ("wallHeight", 12), ("depthOfCut", 6));
        Assert.Equal((12.5 - 8) * (Math.Sqrt(2) - 1), r.Figure("leftover"), 9);
        Assert.Equal(2, r.Figure("passesAcross")); // 1.86 mm in passes of at most 1 mm
        Assert.Equal(12.5 + 8, r.Figure("cutterBetween"), 9);
    }

    [Fact]
    public void A_chamfer_is_measured_where_the_cone_is_widest_in_the_work()
    {
        Situation s = Sample.With(CutterFamily.ChamferMill, "chamfer");
        Cutter cutter = s.Cutter.Value;
        Cone cone = Cone.Of(cutter);
        double half = Math.Tan(cone.IncludedAngle / 2 * Math.PI / 180);
        CalculationResult r = Work("chamfer", s, ("leg", 1), ("tipBelow", 0.4));
        Assert.Equal((1 / half) + 0.4, r.Figure("tipDepth"), 9);
        Assert.Equal(cone.TipDiameter + (2 * ((1 / half) + 0.4) * half), r.Figure("diameter"), 9);
        Assert.Equal(1000 * 120 / (Math.PI * r.Figure("diameter")), r.Figure("spindleSpeed"), 6);
        Assert.Equal(120 * r.Figure("lowerDiameter") / r.Figure("diameter"), r.Figure("lowerSpeed"), 9);
    }

    [Fact]
    public void A_line_is_as_wide_as_its_depth_makes_it_and_the_other_way_round()
    {
        Situation s = Sample.With(CutterFamily.EngravingPoint, "engrave");
        double width = Work("engrave", s, ("engravingDepth", 0.3)).Figure("topWidth");
        Assert.Equal(0.3, Work("engrave", s, ("engravingWidth", width)).Figure("tipDepth"), 9);
    }

    [Theory]
    [InlineData(0.005)]
    [InlineData(0.02)]
    public void A_ball_leaves_the_ridge_that_its_steps_make(double ridge)
    {
        Situation s = Sample.With(CutterFamily.BallEndMill, "surface-finish", (Dimension.CuttingDiameter, 12), (Dimension.ShankDiameter, 12));
        CalculationResult r = Work("surface-finish", s, ("ridgeHeight", ridge), ("surfaceWidth", 40));
        double most = 2 * Math.Sqrt(36 - Math.Pow(6 - ridge, 2)), passes = Math.Ceiling(40 / most);
        Assert.Equal(passes, r.Figure("passesAcross"));
        Assert.True(r.Figure("ridge") <= ridge * (1 + 1e-9));
        Assert.Equal(40 / passes, r.Figure("step"), 6);
    }

    [Fact]
    public void Spring_passes_repeat_the_last_and_cost_their_time()
    {
        double Time(double springs) =>
            Work("side-finish", ("stockWidth", 0.3), ("widthOfCut", 0.3), ("wallHeight", 10), ("depthOfCut", 10), ("springPasses", springs))
                .Figure("time");
        Assert.True(Time(1) > Time(0) * 1.9);
        Assert.Equal(Time(2) - Time(1), Time(1) - Time(0), 12);
    }
}

using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>What an edge meets as it comes to a side of the outline that rises.</summary>
public class WallLoadTests
{
    private static readonly (string, double) Stiff = ("deflectionAllowed", 2000);

    // A shoulder of 10 mm between two diameters.
    private static readonly OutlineStep[] Shouldered = [new(40, 30), new(60, 20)];

    [Fact]
    public void The_edge_in_the_stock_is_that_of_points_along_it() => Gen.Select(
        Gen.Double[91, 107], Gen.Double[30, 90], Gen.Double[0.1, 1.2], Gen.Double[0.05, 1], Gen.Double[0, 1], Gen.Double[1, 30]).Sample(
        (angle, rise, r, side, face, height) =>
        {
            TurnedCourse course = new(false, angle, r, side, 1, 40, 40, true, 0, 0, face);
            double ρ = double.DegreesToRadians(rise), κ = double.DegreesToRadians(angle);
            WallLoad got = WallLoad.Of(new(0, ρ, height, 0), course, angle, 1e-4, 2000, 0.25, 0.4);

            // The corner touches the diameter below it and the side ahead of it; the edge goes on from the corner, leaning from the side by κ − ρ.
            double stock = (side * Math.Cos(ρ)) + (face * Math.Sin(ρ)), inside = 0;
            const double step = 1e-4;
            for (double θ = 0; θ < κ; θ += step / r)
            {
                bool below = r * (1 - Math.Cos(θ)) < side, ahead = r * (1 - Math.Cos(θ - ρ)) < stock;
                if (θ <= ρ || below || ahead) inside += step;
            }

            double corner = r * (1 - Math.Cos(κ - ρ)), straight = 0;
            for (double along = step / 2; corner + (along * Math.Sin(κ - ρ)) < stock && along < height; along += step) straight += step;
            Assert.Equal(straight, got.Straight, 2e-3);

            // What the diameter below alone would engage is never left out.
            Assert.True(got.Load.EdgeLength >= inside + straight - (0.01 * (inside + straight)) - 0.01, $"{got.Load.EdgeLength} {inside + straight}");
            Assert.True(
                got.Load.EdgeLength <= Math.Max(inside + straight, CornerLoad.Of(1e-4, side, angle, r, 2000, 0.25, 0.4).EdgeLength) + 0.02,
                $"{got.Load.EdgeLength} {inside + straight}");
        },
        iter: 60, seed: "0000000000000");

    [Fact]
    public void A_shoulder_by_hand()
    {
        // κ_r 95°: the edge leans by 5° from the shoulder. 0.5 mm on it less 0.003 mm of the corner, over sin 5°: 5.70 mm of straight edge.
        CalculationResult r = Finish(0.5, 95, Shouldered);
        double straight = (0.5 - (0.8 * (1 - Math.Cos(Math.PI / 36)))) / Math.Sin(Math.PI / 36);
        Assert.Equal(5.70, straight, 0.01);
        Assert.InRange(r.Figure("edgeLength") - straight, 0.8 * 95 * Math.PI / 180, (0.8 * 95 * Math.PI / 180) + 0.1);
        Assert.Equal(0.1 * Math.Sin(Math.PI / 36), r.Figure("thinChip"), 9);
        Assert.Equal(90, r.Figure("steepRise"), 9);

        // Along the axis it pushes most there, square to it along the diameter or there, and never less than the diameter alone.
        CalculationResult none = Finish(0, 95, [new(40, 50)]);
        Assert.True(r.Figure("thrust") > 4 * none.Figure("thrust"));
        Assert.True(Math.Abs(r.Figure("passiveForce")) >= Math.Abs(none.Figure("passiveForce")) - 1e-9);

        // It pushes along the axis with a chip as thick as the feed: many times what the diameter alone asks for.
        CalculationResult along = Finish(0.5, 95, [new(40, 50)]);
        Assert.InRange(r.Figure("cuttingForce") / along.Figure("cuttingForce"), 5, 20);
        Assert.DoesNotContain(along.Figures, f => f.Code is "thinChip" or "steepRise");
        Assert.False(along.Field("faceStock").Used);
    }

    [Fact]
    public void Less_on_the_face_and_an_edge_that_leans_more_cure_it()
    {
        CalculationResult much = Finish(1, 93, Shouldered), little = Finish(0.1, 93, Shouldered), leaning = Finish(1, 99, Shouldered);
        Assert.True(much.Limit("edgeLength").Use > 1);
        Assert.True(little.Limit("edgeLength").Use < 1 && little.Figure("cuttingForce") < much.Figure("cuttingForce") / 2);
        Assert.True(leaning.Figure("edgeLength") < 0.8 * much.Figure("edgeLength"));

        // A shoulder that is lower than the edge would reach up bounds it.
        CalculationResult low = Finish(1, 93, [new(40, 30), new(44, 20)]);
        Assert.True(low.Figure("edgeLength") < 4 && low.Figure("edgeLength") < much.Figure("edgeLength"));
        Assert.Contains(much.Findings, f => f.Code == "up-the-side");
    }

    [Fact]
    public void A_hollow_before_the_side_turns_the_feed_first()
    {
        double sharp = Finish(0.3, 95, Shouldered).Figure("cuttingForce"), small = Finish(0.3, 95, Footed(1)).Figure("cuttingForce"),
            large = Finish(0.3, 95, Footed(6)).Figure("cuttingForce");
        Assert.True(large < small && small < sharp, $"{large} {small} {sharp}");

        static OutlineStep[] Footed(double foot) => [new(40, 30) { Fillet = foot }, new(60, 20)];
    }

    [Fact]
    public void Alike_sides_are_taken_together_as_the_steepest_and_longest() => Gen.Select(
        Gen.Double[0.1, 1.5], Gen.Double[0.1, 1.5], Gen.Double[0.5, 20], Gen.Double[0, 3]).Select((a, b, l, h) =>
            new OutlineWall(Math.Min(a, b), Math.Max(a, b), l, h)).Array[1, 40].Sample(
        walls =>
        {
            OutlineWall[] few = OutlineWall.Few(walls);
            TurnedCourse course = new(false, 95, 0.8, 0.4, 1, 40, 40, true, 0, 0, 0.3);
            double Most(OutlineWall[] of) => of.Max(w => WallLoad.Of(w, course, 95, 0.2, 2000, 0.25, 0.4).Load.Cutting);
            return few.Length <= 3 && Most(few) >= Most(walls) * (1 - 1e-9);
        });

    [Fact]
    public void A_round_insert_goes_up_a_shoulder_with_its_arc()
    {
        Situation round = With("turn-finish", feed: 0.1, dimensions: [(Dimension.InscribedCircle, 10)]);
        round = round with
        {
            Cutter = round.Cutter with { Value = round.Cutter.Value with { Picks = new Dictionary<string, string> { ["insert"] = "R" } } },
        };
        CalculationResult r = Operations.Find("turn-finish")!.Calculate(
            round, Typed([("startDiameter", 41), ("faceStock", 0.3), ("feedPerRevolution", 0.1), ("bodyDiameter", 80), Stiff])
                with
            { Extras = [new TurnedOutline(Shouldered)] }, explain: true);

        // A quarter of the arc in the corner, and as far up as 0.3 mm of stock reach: acos(1 − 0.3/5).
        Assert.InRange(r.Figure("edgeLength") - (5 * ((Math.PI / 2) + Math.Acos(1 - (0.3 / 5)))), 0, 0.11);
        Assert.DoesNotContain(r.Findings, f => f.Code is "up-the-side" or "main-edge-gouges");
    }

    [Fact]
    public void A_bore_meets_its_shoulders_as_the_outside_does()
    {
        OutlineStep[] bore = [new(60, 30), new(40, 20)];
        CalculationResult inside = Operations.Find("turn-finish")!.Calculate(
            With("turn-finish", CutterFamily.InsideTurningTool, feed: 0.1, dimensions: [(Dimension.EdgeAngle, 95), (Dimension.CornerRadius, 0.8)]),
            Typed([("startDiameter", 59), ("faceStock", 0.5), ("feedPerRevolution", 0.1), ("bodyDiameter", 90), Stiff])
                with
            { Extras = [new TurnedOutline(bore)] }, explain: true),
            outside = Finish(0.5, 95, Shouldered);
        Assert.Equal(outside.Figure("edgeLength"), inside.Figure("edgeLength"), 9);
        Assert.Equal(outside.Figure("thinChip"), inside.Figure("thinChip"), 9);
    }

    private static CalculationResult Finish(double face, double angle, OutlineStep[] steps) => Operations.Find("turn-finish")!.Calculate(
        With("turn-finish", feed: 0.1, dimensions: [(Dimension.EdgeAngle, angle), (Dimension.CornerRadius, 0.8)]),
        Typed([("startDiameter", steps[0].Diameter + 1), ("faceStock", face), ("feedPerRevolution", 0.1), ("bodyDiameter", 80), Stiff])
            with
        { Extras = [new TurnedOutline(steps)] }, explain: true);
}

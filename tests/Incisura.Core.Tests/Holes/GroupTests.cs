using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Holes.Groups;
using Incisura.Core.Materials;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

public sealed class GroupTests
{
    private static readonly Gen<Position[]> Scattered = Gen.Select(Gen.Double[-200, 200], Gen.Double[-200, 200]).Select(p => new Position(p.Item1, p.Item2)).Array[1, 120];

    // A shelf with what a threaded M10 hole needs, and some that does not serve.
    private static IReadOnlyList<Situation> Shelf(params (CutterFamily Family, (Dimension, double)[] Dimensions)[] more)
    {
        (CutterFamily Family, (Dimension, double)[] Dimensions)[] tools =
        [
            (CutterFamily.SpotDrill, [(Dimension.CuttingDiameter, 16)]), (CutterFamily.SpotDrill, [(Dimension.CuttingDiameter, 6)]), (CutterFamily.TwistDrill, [(Dimension.CuttingDiameter, 8.5)]),
            (CutterFamily.TwistDrill, [(Dimension.CuttingDiameter, 8.2)]), (CutterFamily.CuttingTap, []), (CutterFamily.Countersink, []), .. more,
        ];
        List<Situation> shelf = [];
        foreach ((CutterFamily family, (Dimension, double)[] dimensions) in tools)
        {
            string operation = All.First(a => a.Family == family).Code;
            Situation s = With(family, operation, dimensions);
            int id = shelf.Count + 1;
            shelf.Add(s with { Assembly = new(id, 1, s.Assembly.Value with { Number = $"A-{id}" }) });
        }

        // One chart for all of them.
        return [.. shelf.Select(s => s with { Chart = new(1, 1, s.Chart.Value with { Rows = [.. shelf.SelectMany(o => o.Chart.Value.Rows).DistinctBy(r => (r.Family, r.Operation))], Cycles = [.. shelf.SelectMany(o => o.Chart.Value.Cycles).DistinctBy(c => c.Family)] }) })];
    }

    private static readonly HoleTarget Thread = new() { Kind = TargetKind.Threaded, Diameter = 10, Pitch = 1.5, Depth = 18, Chamfer = 0.5 };

    private static IReadOnlyList<ChainStep> Propose(HoleTarget target, IReadOnlyList<Situation> shelf) => HoleChain.Propose(target, shelf, new Dictionary<string, int>());

    [Fact]
    public void A_threaded_hole_is_spotted_drilled_and_tapped_with_what_the_library_has()
    {
        IReadOnlyList<ChainStep> chain = Propose(Thread, Shelf());
        Assert.Equal(["spot", "drill", "tap"], chain.Select(s => s.Operation));
        Assert.All(chain, s => Assert.True(s.Found, s.Reason.ToString()));
        Assert.Equal(16, chain[0].Situation!.Cutter.Value.CuttingDiameter);
        Assert.Equal(8.5, chain[1].Situation!.Cutter.Value.CuttingDiameter);
        Assert.Equal(8.5, chain[2].Choices.Numbers["holeBefore"]);

        // The drill goes as deep as the tap needs it to.
        Assert.True(chain[1].Choices.Numbers["depth"] >= chain[2].Result!.Figure("depthNeeded") - 1e-9);
        Assert.All(chain, s => Assert.DoesNotContain(s.Result!.Findings, f => f.Severity == Severity.Stop));
        Assert.Contains("77 % thread height", chain[1].Reason.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_missing_is_named_with_what_comes_nearest()
    {
        IReadOnlyList<ChainStep> chain = Propose(Thread with { Diameter = 12, Pitch = 1.75 }, Shelf());
        ChainStep tap = chain.Single(s => s.Operation == "tap");
        Assert.False(tap.Found);
        Assert.Contains("No tap for 12 mm × 1.75 mm", tap.Reason.ToString(), StringComparison.Ordinal);
        Assert.Contains("Ø10 mm", tap.Reason.ToString(), StringComparison.Ordinal);
        Assert.Contains("left-hand", Propose(Thread with { LeftHand = true }, Shelf()).Single(s => s.Operation == "tap").Reason.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_chamfer_no_spot_drill_reaches_is_countersunk()
    {
        IReadOnlyList<ChainStep> chain = Propose(Thread with { Chamfer = 4 }, Shelf());
        Assert.Equal(["spot", "drill", "countersink", "tap"], chain.Select(s => s.Operation));
    }

    [Fact]
    public void A_hole_to_a_tolerance_is_reamed_with_stock_left_or_fine_bored()
    {
        IReadOnlyList<Situation> shelf = Shelf((CutterFamily.Reamer, []), (CutterFamily.TwistDrill, [(Dimension.CuttingDiameter, 9.7)]), (CutterFamily.FineBoringHead, []), (CutterFamily.IndexableDrill, []));
        IReadOnlyList<ChainStep> reamed = Propose(new() { Kind = TargetKind.Tolerance, Diameter = 10, Depth = 15, Through = true }, shelf);
        Assert.Equal(["spot", "drill", "ream"], reamed.Select(s => s.Operation));
        Assert.Equal(9.7, reamed[1].Situation!.Cutter.Value.CuttingDiameter);
        IReadOnlyList<ChainStep> bored = Propose(new() { Kind = TargetKind.Tolerance, Diameter = 25, Depth = 30, Through = true, Chamfer = 0 }, shelf);
        Assert.Equal("fine-bore", bored[^1].Operation);
        Assert.Contains("No reamer of Ø25 mm", bored[^1].Reason.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_hole_too_deep_for_pecks_gets_a_pilot_and_a_deep_hole_drill_behind_it()
    {
        HoleTarget deep = new() { Kind = TargetKind.Plain, Diameter = 8, Depth = 150, Chamfer = 0.5 };
        IReadOnlyList<Situation> shelf = [.. Shelf((CutterFamily.GunDrill, []), (CutterFamily.FlatDrill, [(Dimension.CuttingDiameter, 8)]), (CutterFamily.Counterbore, [(Dimension.PilotDiameter, 7.9)])).Select(s => s.Changed(c => c with { ThroughCoolant = true }))];
        IReadOnlyList<ChainStep> chain = Propose(deep, shelf);
        Assert.Equal(["spot", "drill", "deep-hole"], chain.Select(s => s.Operation));
        Assert.All(chain, s => Assert.True(s.Found, s.Reason.ToString()));
        Assert.Equal(8, chain[2].Choices.Numbers["pilotDiameter"]);
        Assert.Equal(chain[1].Choices.Numbers["depth"], chain[2].Choices.Numbers["pilotDepth"]);
        Assert.Contains("in stages", chain[2].Reason.ToString(), StringComparison.Ordinal);
        Assert.Equal(["spot", "drill"], Propose(deep with { Depth = 20 }, shelf).Select(s => s.Operation));

        // What finishes such a hole is worked out in the hole that the deep-hole drill leaves.
        ChainStep seat = Propose(new() { Kind = TargetKind.Counterbored, Diameter = 8, Depth = 150, Through = true, SeatDiameter = 18, SeatDepth = 9, Chamfer = 0 }, shelf)[^1];
        Assert.Equal(8, seat.Choices.Numbers["holeBefore"]);
    }

    [Fact]
    public void A_counterbored_hole_ends_with_the_seat_and_a_cutter_picked_by_hand_goes_first()
    {
        IReadOnlyList<Situation> shelf = Shelf((CutterFamily.Counterbore, []), (CutterFamily.TwistDrill, [(Dimension.CuttingDiameter, 11)]));
        HoleTarget seat = new() { Kind = TargetKind.Counterbored, Diameter = 11, Depth = 25, Through = true, SeatDiameter = 18, SeatDepth = 8, Chamfer = 0 };
        Assert.Equal(["spot", "drill", "counterbore"], Propose(seat, shelf).Select(s => s.Operation));
        int other = shelf.First(s => s.Cutter.Value.CuttingDiameter == 8.2).Assembly.Id;
        ChainStep picked = HoleChain.Propose(Thread, shelf, new Dictionary<string, int> { ["drill"] = other }).Single(s => s.Operation == "drill");
        Assert.Equal(other, picked.Situation!.Assembly.Id);
        Assert.Equal("Picked by hand.", picked.Reason.ToString());
    }

    [Fact]
    public void Any_order_makes_every_hole_once_and_is_never_longer_than_as_given() =>
        Gen.Select(Scattered, Gen.Enum<HoleOrder>()).Sample((positions, order) =>
        {
            HoleRoute route = HoleRoute.Of(positions, order);
            return route.Order.Order().SequenceEqual(Enumerable.Range(0, positions.Length)) && route.Travel <= route.AsGiven + 1e-9;
        });

    [Fact]
    public void A_grid_is_made_to_and_fro()
    {
        HolePattern grid = new() { Form = PatternForm.Grid, Count = 4, Rows = 3, Step = 10, RowStep = 10 };
        HoleRoute route = HoleRoute.Of(grid.Positions(), HoleOrder.Rows);
        Assert.Equal(110, route.Travel, 9);
        Assert.Equal([0, 1, 2, 3, 7, 6, 5, 4, 8, 9, 10, 11], route.Order);
    }

    [Fact]
    public void Circle_arc_and_line_lie_where_they_should()
    {
        IReadOnlyList<Position> circle = new HolePattern { Form = PatternForm.Circle, Start = new(10, 5), Diameter = 100, Count = 4 }.Positions();
        Assert.Equal((60, 5), (Math.Round(circle[0].X, 9), Math.Round(circle[0].Y, 9)));
        Assert.Equal((10, 55), (Math.Round(circle[1].X, 9), Math.Round(circle[1].Y, 9)));
        IReadOnlyList<Position> arc = new HolePattern { Form = PatternForm.Arc, Diameter = 80, Count = 3, LastAngle = 90 }.Positions();
        Assert.Equal((0, 40), (Math.Round(arc[2].X, 9), Math.Round(arc[2].Y, 9)));
        IReadOnlyList<Position> line = new HolePattern { Form = PatternForm.Line, Count = 3, Step = 10, Angle = 90 }.Positions();
        Assert.Equal((0, 20), (Math.Round(line[2].X, 9), Math.Round(line[2].Y, 9)));
    }

    [Fact]
    public void A_change_of_the_group_changes_all_holes_at_once_and_the_time_adds_up()
    {
        HoleGroup group = new() { Name = "Bolts", MaterialId = 1, MachineId = 1, Target = Thread, Pattern = new() { Form = PatternForm.Circle, Count = 12, Diameter = 200 } };
        GroupResult twelve = group.Solve(Shelf(), 30_000), deeper = (group with { Target = Thread with { Depth = 20 } }).Solve(Shelf(), 30_000);
        Assert.True(twelve.Complete);
        Assert.Equal(12 * twelve.Steps.Sum(s => s.Time), twelve.Making, 9);
        Assert.Equal(twelve.Making + twelve.Travelling + twelve.Changing, twelve.Time, 9);
        Assert.True(deeper.Making > twelve.Making);
    }

    [Fact]
    public void A_group_without_positions_or_with_too_many_is_refused()
    {
        HoleGroup group = new() { Name = "", MaterialId = 1, MachineId = 1, Target = Thread with { Pitch = 0 }, Pattern = new() };
        Assert.Equal(["name", "target.pitch", "pattern.typed"], group.Check().Faults.Select(f => f.Field));
        Assert.Equal(["pattern.rows"], (group with { Name = "x", Target = Thread, Pattern = new() { Form = PatternForm.Grid, Count = 100, Rows = 100 } }).Check().Faults.Select(f => f.Field));
        Assert.Equal(["target.seatDiameter"], (group with { Name = "x", Target = new() { Kind = TargetKind.Counterbored, Diameter = 20, SeatDiameter = 15 }, Pattern = new() { Form = PatternForm.Line } }).Check().Faults.Select(f => f.Field));
    }
}

using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.HoleGroups;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

public sealed class GroupTests
{
    private static readonly Gen<Position[]> Scattered = Gen.Select(Gen.Double[-200, 200], Gen.Double[-200, 200])
        .Select(p => new Position(p.Item1, p.Item2)).Array[1, 120];

    private static readonly HoleTarget Thread = new() { Kind = TargetKind.Threaded, Thread = new("M10×1.5"), Depth = 18, Chamfer = 0.5 };

    [Fact]
    public void Any_order_makes_every_hole_once_and_is_never_longer_than_as_given() =>
        Gen.Select(Scattered, Gen.Enum<HoleOrder>()).Sample((positions, order) =>
        {
            HoleRoute route = HoleRoute.Of(positions, order);
            return route.Order.Order().SequenceEqual(Enumerable.Range(0, positions.Length)) && route.Travel <= route.AsGiven + 1e-9;
        });

    [Theory]
    [InlineData(0)]
    [InlineData(0.02)]
    [InlineData(10)]
    [InlineData(45)]
    [InlineData(-5)]
    [InlineData(90)]
    public void Rows_follow_the_angle_of_the_grid(double angle)
    {
        HolePattern grid = new() { Form = PatternForm.Grid, Count = 8, Rows = 6, Step = 20, RowStep = 25, Angle = angle };
        HoleRoute route = HoleRoute.Of(grid.Positions(), HoleOrder.Rows, grid.RowAngle());
        Assert.Equal((6 * 7 * 20) + (5 * 25), route.Travel, 6);
        Assert.False(route.Kept);
    }

    // The best way through a few holes from the first, by trying every order.
    private static double Best(Position[] p)
    {
        double best = double.PositiveInfinity;
        void Walk(int at, int seen, double way)
        {
            if (way >= best) return;
            if (seen == (1 << p.Length) - 1) best = way;
            for (int next = 0; next < p.Length; next++)
                if ((seen & (1 << next)) == 0) Walk(next, seen | (1 << next), way + p[at].To(p[next]));
        }

        Walk(0, 1, 0);
        return best;
    }

    [Fact]
    public void The_way_through_a_few_holes_is_nearly_the_best_there_is()
    {
        Random random = new(3);
        double sum = 0;
        const int Draws = 60;
        for (int i = 0; i < Draws; i++)
        {
            Position[] holes = [.. Enumerable.Range(0, 9).Select(_ => new Position(random.NextDouble() * 200, random.NextDouble() * 200))];
            double over = HoleRoute.Of(holes, HoleOrder.NearestNext).Travel / Best(holes);
            Assert.InRange(over, 1 - 1e-9, 1.15);
            sum += over;
        }

        Assert.InRange(sum / Draws, 1 - 1e-9, 1.01);
    }

    // The best tour through n even draws of a square tends to 0.7124·√(n·A) (Johnson and McGeoch 1996), a little more for few holes.
    [Fact]
    public void The_way_through_two_thousand_holes_is_within_a_twentieth_of_the_best()
    {
        Random random = new(5);
        Position[] holes = [.. Enumerable.Range(0, 2000).Select(_ => new Position(random.NextDouble() * 1000, random.NextDouble() * 1000))];
        double best = 0.7124 * Math.Sqrt(2000 * 1e6) * (1 + (0.33 / 2000));
        Assert.InRange(HoleRoute.Of(holes, HoleOrder.NearestNext).Travel / best, 0.9, 1.05);
    }

    [Fact]
    public void Holes_on_or_in_each_other_are_named_and_a_whole_arc_has_no_double()
    {
        HolePattern arc = new() { Form = PatternForm.Arc, Diameter = 80, Count = 5, Angle = 0, LastAngle = 360 };
        Assert.Null(HolePattern.Touching(arc.Positions(), 10));
        Assert.Equal(72, double.RadiansToDegrees(Math.Atan2(arc.Positions()[1].Y, arc.Positions()[1].X)), 9);
        Assert.Equal(
            (1, 3, 0), HolePattern.Touching([new(0, 0), new(20, 0), new(0, 0)], 8.5) is { } same ? (same.First, same.Second, same.Apart) : default);
        Assert.NotNull(HolePattern.Touching(new HolePattern { Form = PatternForm.Circle, Diameter = 10, Count = 12 }.Positions(), 8.5));
        Assert.Null(HolePattern.Touching([new(0, 0), new(8.5, 0)], 8.5));
    }

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
        HoleGroup group = new()
        {
            Name = "Bolts",
            MaterialId = 1,
            MachineId = 1,
            Target = Thread,
            Pattern = new() { Form = PatternForm.Circle, Count = 12, Diameter = 200 },
        };
        GroupResult twelve = group.Solve(Rack.ForThreads, Mill),
            deeper = (group with { Target = Thread with { Depth = 20 } }).Solve(Rack.ForThreads, Mill);
        Assert.NotEqual(ChainVerdict.Fails, twelve.Chain.Verdict);
        Assert.Equal(12 * twelve.Chain.Steps.Sum(s => s.Time), twelve.Making, 9);
        Assert.Equal(twelve.Making + twelve.Travelling + twelve.Changing, twelve.Time, 9);
        Assert.True(deeper.Making > twelve.Making);
    }

    [Fact]
    public void Rows_over_scattered_holes_are_told_how_much_longer_they_are()
    {
        Random random = new(9);
        HoleGroup group = new()
        {
            Name = "Scattered",
            MaterialId = 1,
            MachineId = 1,
            Target = Thread,
            Order = HoleOrder.Rows,
            Pattern = new()
            {
                Form = PatternForm.Typed,
                Typed = [.. Enumerable.Range(0, 60).Select(_ => new Position(random.NextDouble() * 400, random.NextDouble() * 400))],
            },
        };
        GroupResult rows = group.Solve(Rack.ForThreads, Mill), nearest = (group with { Order = HoleOrder.NearestNext }).Solve(Rack.ForThreads, Mill);
        Assert.Equal(nearest.Route.Travel, rows.Shortest, 9);
        Assert.True(rows.Route.Travel > 1.5 * rows.Shortest);
        Assert.Equal(nearest.Shortest, nearest.Route.Travel);
    }

    [Fact]
    public void A_group_without_positions_or_with_too_many_is_refused()
    {
        HoleGroup group = new() { Name = "", MaterialId = 1, MachineId = 1, Target = Thread with { Thread = new("M10×0") }, Pattern = new() };
        Assert.Equal(["name", "target.thread", "pattern.typed"], group.Check().Faults.Select(f => f.Field));
        Assert.Equal(
            ["pattern.rows"],
            (group with { Name = "x", Target = Thread, Pattern = new() { Form = PatternForm.Grid, Count = 100, Rows = 100 } })
                .Check().Faults
                .Select(f => f.Field));
        Assert.Equal(
            ["target.seatDiameter"],
            (group with
            {
                Name = "x",
                Target = new() { Kind = TargetKind.Counterbored, Diameter = 20, SeatDiameter = 15 },
                Pattern = new() { Form = PatternForm.Line },
            })
                .Check().Faults
                .Select(f => f.Field));
    }
}

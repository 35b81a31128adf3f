using CsCheck;
using Incisura.Core.Derivations;
using Incisura.Core.Turning;

namespace Incisura.Core.Tests.Turning;

public class CornerLoadTests
{
    private const double Force11 = 1700, Exponent = 0.25, Ratio = 0.4;

    private sealed record Case(double Feed, double Depth, double Angle, double Radius)
    {
        public CornerLoad Load => CornerLoad.Of(Feed, Depth, Angle, Radius, Force11, Exponent, Ratio);

        // How far the edge lies before the lowest point of the corner at a height above it, and where it stood a turn before.
        public double Leading(double y)
        {
            double κ = double.DegreesToRadians(Angle), top = Radius * (1 - Math.Cos(κ));
            return y < top
                ? Math.Sqrt((Radius * Radius) - Math.Pow(Radius - y, 2))
                : (Radius * Math.Sin(κ)) + ((y - top) / Math.Tan(κ));
        }
    }

    private static readonly Gen<Case> Cases =
        from radius in Gen.Double[0.1, 2]
        from feed in Gen.Double[0.05, 0.8]
        from depth in Gen.Double[0.05, 6]
        from angle in Gen.Double[30, 95]
        select new Case(Math.Min(feed, 0.7 * depth) * radius, depth * radius, angle, radius);

    // Independent of the product: strips of the section of the chip, by height.
    [Fact]
    public void The_section_is_what_lies_between_two_turns() => Cases.Sample(
        c =>
        {
            double sum = 0;
            const int strips = 20_000;
            for (int i = 0; i < strips; i++)
            {
                double y = c.Depth * (i + 0.5) / strips, r = c.Radius;
                double trailing = y < r ? -Math.Sqrt((r * r) - ((r - y) * (r - y))) : double.NegativeInfinity;
                sum += Math.Max(0, Math.Min(c.Feed, c.Leading(y) - Math.Max(trailing, c.Leading(y) - c.Feed))) * c.Depth / strips;
            }

            Assert.InRange(c.Load.Section / sum, 0.998, 1.002);
        },
        iter: 300, seed: "0000000000000");

    [Fact]
    public void The_forces_are_those_of_small_pieces_of_the_edge() => Cases.Sample(
        c =>
        {
            double κ = double.DegreesToRadians(c.Angle), r = c.Radius, cutting = 0, along = 0, across = 0, length = 0;
            double end = c.Depth < r * (1 - Math.Cos(κ)) ? Math.Acos(1 - (c.Depth / r)) : κ, start = -Math.Asin(c.Feed / (2 * r));
            void Take(double chip, double db, double θ)
            {
                double t = Force11 * Math.Pow(chip, 1 - Exponent) * db;
                (cutting, along, across, length) = (cutting + t, along + (Ratio * t * Math.Sin(θ)), across + (Ratio * t * Math.Cos(θ)), length + db);
            }

            const int pieces = 5000;
            for (int i = 0; i < pieces; i++)
            {
                // How far square to the edge the circle a turn before is met, by halving.
                double θ = start + ((end - start) * (i + 0.5) / pieces), low = 0, high = Math.Min(r, 2 * c.Feed);
                for (int k = 0; k < 50; k++)
                {
                    double h = (low + high) / 2, x = ((r - h) * Math.Sin(θ)) + c.Feed, y = (r - h) * Math.Cos(θ);
                    if (double.Hypot(x, y) > r) low = h;
                    else high = h;
                }

                Take(low, r * (end - start) / pieces, θ);
            }

            if (c.Depth > r * (1 - Math.Cos(κ))) Take(c.Feed * Math.Sin(κ), (c.Depth - (r * (1 - Math.Cos(κ)))) / Math.Sin(κ), κ);
            CornerLoad load = c.Load;
            Assert.InRange(load.Cutting / cutting, 0.995, 1.005);
            Assert.InRange(load.EdgeLength / length, 0.999, 1.001);
            Assert.True(Math.Abs(load.Feed - along) < 0.005 * cutting && Math.Abs(load.Passive - across) < 0.005 * cutting, $"{c}");
        },
        iter: 100, seed: "0000000000000");

    [Fact]
    public void A_sharp_corner_is_the_straight_edge_and_its_forces_turn_with_it() => Gen.Select(Gen.Double[20, 110], Gen.Double[0.5, 5]).Sample(
        (angle, depth) =>
        {
            NoTrace none = default;
            CornerLoad sharp = CornerLoad.Of(0.2, depth, angle, 0, Force11, Exponent, Ratio),
                tiny = CornerLoad.Of(0.2, depth, angle, 1e-9, Force11, Exponent, Ratio);
            double force = new TurningCut(60, 150, 0.2, depth, angle, 0, Force11, Exponent).Solve(ref none).Force;
            (double sine, double cosine) = Math.SinCos(double.DegreesToRadians(angle));
            return Math.Abs(sharp.Cutting - force) < 1e-9 * force && Math.Abs(sharp.Feed - (Ratio * force * sine)) < 1e-9 * force
                && Math.Abs(sharp.Passive - (Ratio * force * cosine)) < 1e-9 * force && Math.Abs(tiny.Cutting - force) < 1e-6 * force
                && Math.Abs(sharp.MeanChip - (0.2 * sine)) < 1e-12;
        });

    [Fact]
    public void A_rounder_corner_pushes_the_work_away_harder_and_thins_the_chip()
    {
        CornerLoad sharp = CornerLoad.Of(0.25, 1, 93, 0.4, Force11, Exponent, Ratio),
            round = CornerLoad.Of(0.25, 1, 93, 1.6, Force11, Exponent, Ratio);
        Assert.True(round.Passive > 1.5 * sharp.Passive && round.MeanChip < sharp.MeanChip && round.Cutting > sharp.Cutting);
        Assert.True(sharp.LargestChip <= 0.25 && sharp.LargestChip > 0.2);
    }

    [Fact]
    public void The_marks_are_those_of_the_insert_moved_by_the_feed() => Gen.Select(
        Gen.Double[0.05, 2], Gen.Double[0.05, 5], Gen.Double[10, 120], Gen.Double[3, 80]).Sample(
        (radius, share, leading, trailing) =>
        {
            // The form of the insert: the corner, with a straight edge on each side.
            double Height(double x, double angle)
            {
                double a = double.DegreesToRadians(Math.Min(90, angle)), until = radius * Math.Sin(a);
                return x <= until
                    ? radius - Math.Sqrt(Math.Max(0, (radius * radius) - (x * x)))
                    : a >= Math.PI / 2 ? double.PositiveInfinity : (radius * (1 - Math.Cos(a))) + ((x - until) * Math.Tan(a));
            }

            double feed = share * radius, low = 0, high = feed;
            for (int i = 0; i < 200; i++)
            {
                double x = (low + high) / 2;
                if (Height(x, trailing) < Height(feed - x, leading)) low = x;
                else high = x;
            }

            double expected = 1000 * Height(low, trailing), got = FeedMark.Exact(feed, radius, leading, trailing);
            Assert.True(Math.Abs(got - expected) <= 1e-6 * expected + 1e-9, $"r {radius} f {feed} κ {leading} κ' {trailing}: {got} {expected}");
        });

    [Fact]
    public void A_feed_for_a_finish_gives_it_back_and_the_flat_formula_is_near_while_the_corner_makes_the_mark() =>
        Gen.Select(Gen.Double[0.2, 100], Gen.Double[0.1, 3]).Sample((height, radius) =>
        {
            double feed = FeedMark.FeedFor(height, radius);
            bool near = feed > radius / 2 || Math.Abs((FeedMark.Exact(feed, radius, 95, 30) / height) - 1) < 0.03;
            return Math.Abs(FeedMark.Flat(feed, radius) - height) < 1e-9 * height && near;
        });
}

using CsCheck;
using Incisura.Core.Geometry;

namespace Incisura.Core.Tests.Library;

/// <summary>How far elements reach, and loops that cross themselves.</summary>
public sealed class ElementTests
{
    [Fact]
    public void A_box_holds_every_point_of_an_arc_and_is_reached_by_some() =>
        Gen.Select(
            Gen.Double[-20, 20], Gen.Double[-20, 20], Gen.Double[-20, 20], Gen.Double[-20, 20], Gen.Double[-2, 2]).Sample((z, r, toZ, toR, bulge) =>
        {
            if (Math.Abs(z - toZ) + Math.Abs(r - toR) < 0.1 || Math.Abs(bulge) < 0.01) return true;
            ProfileElement e = new(ProfilePart.Cutting, z, r, toZ, toR, bulge);
            (double Z, double R)[] points = [(z, r), .. e.Points(1e-5)];
            ProfileBox box = e.Box;
            const double Near = 2e-4;
            return points.All(p => p.Z >= box.LeastZ - 1e-9 && p.Z <= box.MostZ + 1e-9 && p.R >= box.LeastR - 1e-9 && p.R <= box.MostR + 1e-9)
                && Math.Abs(points.Min(p => p.Z) - box.LeastZ) < Near && Math.Abs(points.Max(p => p.Z) - box.MostZ) < Near
                && Math.Abs(points.Min(p => p.R) - box.LeastR) < Near && Math.Abs(points.Max(p => p.R) - box.MostR) < Near;
        });

    private static Profile Loop(params (double Z, double R)[] points) => new(
        ProfileShape.Flat,
        [.. points.Select(
            (p, i) => new ProfileElement(ProfilePart.Shank, p.Z, p.R, points[(i + 1) % points.Length].Z, points[(i + 1) % points.Length].R))]);

    [Fact]
    public void A_loop_that_crosses_itself_is_told_from_one_that_touches()
    {
        Assert.False(Loop((0, 0), (10, 0), (10, 10), (0, 10)).CrossesItself());
        Assert.True(Loop((0, 0), (10, 10), (10, 0), (0, 10)).CrossesItself());
        Assert.False(Loop((0, 0), (10, 0), (10, 10), (5, 0), (0, 10)).CrossesItself());
        Assert.True(Loop((0, 0), (10, 0), (10, 10), (5, -1), (0, 10)).CrossesItself());
        Assert.False((Loop((0, 0), (10, 10), (10, 0), (0, 10)) with { Shape = ProfileShape.Revolved }).CrossesItself());
    }

    [Fact]
    public void Two_loops_may_lie_over_each_other()
    {
        Profile one = Loop((0, 0), (10, 0), (10, 10), (0, 10)), other = Loop((5, 5), (15, 5), (15, 15), (5, 15));
        Assert.False((one with { Elements = [.. one.Elements, .. other.Elements] }).CrossesItself());
    }
}

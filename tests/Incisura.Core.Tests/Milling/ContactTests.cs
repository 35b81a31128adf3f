using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

public class ContactTests
{
    private static Cutter Start(CutterFamily family) => new() { Number = "C", Family = family, Dimensions = Families.Of(family).Start };

    [Theory]
    [InlineData(CutterFamily.SquareEndMill)]
    [InlineData(CutterFamily.BallEndMill)]
    [InlineData(CutterFamily.CornerRadiusEndMill)]
    [InlineData(CutterFamily.BarrelMill)]
    [InlineData(CutterFamily.TaperedEndMill)]
    [InlineData(CutterFamily.ChamferMill)]
    [InlineData(CutterFamily.FaceMill)]
    public void The_prepared_profile_says_the_same_as_the_profile_itself(CutterFamily family)
    {
        Cutter cutter = Start(family);
        ContactProfile contact = new(cutter.Profile());
        Gen.Double[0.01, 1].Sample(share =>
        {
            double depth = share * contact.Length;
            return Math.Abs(contact.At(depth).Diameter - cutter.Profile().CuttingDiameterAt(depth)) < 5e-3;
        });
    }

    [Fact]
    public void The_mean_lead_of_a_ball_is_depth_over_edge()
    {
        ContactProfile ball = new(Start(CutterFamily.BallEndMill).Profile());
        Contact at = ball.At(2);
        Assert.Equal(5 * Math.Acos(1 - (2.0 / 5)), at.EdgeLength, 9);
        Assert.Equal(Math.Sin(Math.Acos(1 - (2.0 / 5))), at.LargestEdgeSine, 9);
        Assert.Equal(90, Engagement.Of(ball.At(20), 1, 20, default).LargestEdgeAngle);
    }

    [Fact]
    public void A_ridge_gives_its_step_back_on_every_surface() =>
        Gen.Select(Gen.Double[0.5, 100], Gen.Double[0.0005, 0.2], Gen.Int[0, 2], Gen.Double[1.1, 50]).Sample(c =>
    {
        (double radius, double share, int form, double times) = c;
        double height = Math.Min(share * radius, radius / 4), surface = radius * times * 3;
        double step = Ridge.StepFor(radius, height, (SurfaceForm)form, surface);
        return Math.Abs(Ridge.HeightFor(radius, step, (SurfaceForm)form, surface) - height) <= 1e-6 * height;
    });

    [Fact]
    public void A_hollow_surface_allows_larger_steps_and_a_dome_smaller_ones()
    {
        double flat = Ridge.StepFor(5, 0.01), hollow = Ridge.StepFor(5, 0.01, SurfaceForm.Concave, 20),
            dome = Ridge.StepFor(5, 0.01, SurfaceForm.Convex, 20);
        Assert.True(hollow > flat && flat > dome);
        Assert.Equal(flat, Ridge.StepFor(5, 0.01, SurfaceForm.Convex, 1e7), 1e-6);
    }

    [Fact]
    public void An_arc_in_a_bend_gives_its_width_back_and_a_wide_bend_is_a_straight_wall() =>
        Gen.Select(Gen.Double[1, 50], Gen.Double[0.01, 0.9], Gen.Double[1.05, 20]).Sample(c =>
    {
        NoTrace none = default;
        double diameter = c.Item1, radius = diameter / 2 * c.Item3, width = Math.Min(c.Item2 * diameter / 2, 2 * (radius - (diameter / 2)) * 0.9);
        ArcOfEngagement arc = ArcOfEngagement.Bend(diameter, width, radius, false, 90, ref none);
        ArcOfEngagement straight = ArcOfEngagement.Side(diameter, width, ref none),
            outer = ArcOfEngagement.Bend(diameter, width, radius, true, 90, ref none);
        return Math.Abs(ArcOfEngagement.WidthFor(diameter, arc.Length, radius) - width) < 1e-6 * diameter
            && arc.Length >= straight.Length && outer.Length <= straight.Length
            && Math.Abs(ArcOfEngagement.Bend(diameter, width, 1e6 * diameter, false, 90, ref none).Length - straight.Length) < 1e-3;
    });

    [Fact]
    public void The_centre_of_an_offset_cut_is_the_centred_arc_and_its_edge_the_side_cut()
    {
        NoTrace none = default;
        Assert.Equal(ArcOfEngagement.Centred(50, 40, ref none).Length, ArcOfEngagement.Offset(50, 40, 0, ref none).Length, 12);
        Assert.Equal(ArcOfEngagement.Side(50, 40, ref none).Length, ArcOfEngagement.Offset(50, 40, 5, ref none).Length, 12);
    }

    [Fact]
    public void The_leftover_of_a_corner_is_what_is_between_its_two_roundings()
    {
        Assert.Equal(5 * (Math.Sqrt(2) - 1), InsideCorner.Leftover(10, 5, 90), 12);
        Assert.Equal(75 * (1 - (Math.PI / 4)), InsideCorner.Section(10, 5, 90), 12);
        Assert.Equal(0, InsideCorner.Leftover(7, 7, 60));
    }

    [Fact]
    public void A_barrel_leans_less_towards_its_widest_point_and_grows_with_it()
    {
        Cutter cutter = Start(CutterFamily.BarrelMill);
        BarrelArc arc = BarrelArc.Of(cutter.Profile(), cutter[Dimension.ProfileRadius])!;
        Assert.True(arc.IsFlank);
        Assert.True(Math.Abs(arc.LeanAt(0.9)) < Math.Abs(arc.LeanAt(0.1)));
        Assert.True(arc.DiameterAt(0.9) > arc.DiameterAt(0.1));
        Assert.Equal(cutter.Profile().CuttingDiameterAt(cutter.FluteLength), arc.DiameterAt(1), 2e-3);
    }

    [Fact]
    public void A_tilted_ball_works_at_a_larger_diameter_never_above_its_own() =>
        Gen.Select(Gen.Double[1, 50], Gen.Double[0.001, 0.5], Gen.Double[0, 90]).Sample(c =>
    {
        double over = Ridge.ContactAngle(c.Item1 / 2, c.Item2 * c.Item1), upright = Ridge.DiameterInContact(0, c.Item1 / 2, over, 0),
            tilted = Ridge.DiameterInContact(0, c.Item1 / 2, over, c.Item3);
        return tilted >= upright - 1e-9 && tilted <= c.Item1 * (1 + 1e-12);
    });

    [Fact]
    public void A_flat_end_goes_into_a_hollow_until_it_is_tilted()
    {
        IOperation finish = Operations.Find("surface-finish")!;
        Situation at = Sample.With(CutterFamily.CornerRadiusEndMill, "surface-finish");
        Cutter cutter = at.Built().Cutter;
        double flat = (cutter.CuttingDiameter / 2) - cutter[Dimension.CornerRadius],
            least = double.RadiansToDegrees(Math.Asin(flat / (60 - cutter[Dimension.CornerRadius])));
        bool Gouges(double tilt, string surface)
        {
            Choices choices = new(
                new Dictionary<string, double> { ["tilt"] = tilt, ["surfaceRadius"] = 60 }, new Dictionary<string, string> { ["surface"] = surface });
            return finish.Calculate(at, choices, explain: false).Findings.Any(f => f.Code == "end-gouges");
        }

        Assert.True(Gouges(0, "concave") && Gouges(least - 0.05, "concave"));
        Assert.False(Gouges(least + 0.05, "concave") || Gouges(0, "convex") || Gouges(0, "flat"));
    }

    [Fact]
    public void A_barrel_is_put_where_shank_and_holder_clear_if_such_a_place_is_on_its_arc()
    {
        IOperation finish = Operations.Find("surface-finish")!;
        Situation at = Sample.With(CutterFamily.BarrelMill, "surface-finish");
        int cleared = 0;
        foreach (double width in (ReadOnlySpan<double>)[1, 2, 4, 8, 12, 16, 24, 40])
        {
            Dictionary<string, double> numbers = new() { ["surfaceWidth"] = width };
            bool Touches(Dictionary<string, double> typed) =>
                finish.Calculate(at, new(typed, new Dictionary<string, string>()), explain: false).Findings.Any(f => f.Code == "holder-touches");
            bool any = Enumerable.Range(2, 9).Any(i => !Touches(new(numbers) { ["contactPlace"] = i / 20.0 }));
            Assert.True(!any || !Touches(numbers), $"{width}");
            if (any) cleared++;
        }

        Assert.True(cleared > 0);
    }

    [Fact]
    public void A_barrel_takes_far_wider_steps_than_a_ball_at_the_same_ridge()
    {
        IOperation finish = Operations.Find("surface-finish")!;
        CalculationResult ball = finish.Calculate(Sample.With(CutterFamily.BallEndMill, "surface-finish"), Choices.None, explain: false),
            barrel = finish.Calculate(Sample.With(CutterFamily.BarrelMill, "surface-finish"), Choices.None, explain: false);
        Assert.True(barrel.Figure("step") > 3 * ball.Figure("step"));
        Assert.True(barrel.Figure("passesAcross") < ball.Figure("passesAcross") / 3);
        Assert.True(ball.Figure("ridge") <= 0.005 * (1 + 1e-9) && barrel.Figure("ridge") <= 0.005 * (1 + 1e-9));
    }
}

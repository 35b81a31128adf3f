using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Library;

namespace Incisura.Core.Tests.Library;

public class FamilyTests
{
    private static readonly StackSegment[] FreeProfile = [new(2, 10, 20, 0, true), new(6, 20, 20, 0, true), new(30, 12, 12)];

    public static TheoryData<CutterFamily> AllFamilies() => [.. Enum.GetValues<CutterFamily>()];

    private static Cutter Start(CutterFamily family) => new()
    {
        Number = "C-1",
        Family = family,
        Dimensions = Families.Of(family).Start,
        Groups = [Materials.MaterialGroup.P],
        Segments = Families.Of(family).FreeProfile ? FreeProfile : [],
    };

    private static IEnumerable<Cutter> EveryForm(CutterFamily family)
    {
        Cutter start = Start(family);
        yield return start;

        // What a tap states of its thread holds for the sizes of that standard only.
        foreach (PickDescription pick in start.Described.Picks.Where(p => !p.Code.StartsWith("thread", StringComparison.Ordinal)))
            foreach (OptionPick p in pick.Picks)
                yield return (p.Code == "conical" ? start.With(Dimension.TaperAngle, 5) : p.Code == "lens" ? start.With(
                    Dimension.ProfileRadius, 20).With(Dimension.LargestDepth, 0.5) : p.Code == "past" ? start.With(Dimension.FluteLength,
                    9).With(Dimension.LargestDepth, 8).With(Dimension.UsableLength, 30).With(Dimension.NeckDiameter,
                    6) : p.Code == "V" && family == CutterFamily.InsideTurningTool ? start.With(Dimension.LeastBore,
                    40) : p.Code == "S" ? start.With(Dimension.EdgeAngle,
                    75) : start) with
                { Picks = new Dictionary<string, string> { [pick.Code] = p.Code } };
    }

    [Theory]
    [MemberData(nameof(AllFamilies))]
    public void A_new_cutter_of_each_family_is_sound_in_every_form(CutterFamily family)
    {
        Assert.Equal(family, Families.Of(family).Code);
        Assert.All(EveryForm(family), c => Assert.Empty(c.Check().Faults));
    }

    [Theory]
    [MemberData(nameof(AllFamilies))]
    public void Every_form_is_called_by_its_family_and_its_size(CutterFamily family) => Assert.All(
        EveryForm(family), cutter => Assert.Contains(cutter.Described.Name, CutterListing.WordsOf(cutter), StringComparison.Ordinal));

    [Theory]
    [MemberData(nameof(AllFamilies))]
    public void A_profile_is_one_unbroken_line_from_the_tip_to_the_back(CutterFamily family) => Assert.All(EveryForm(family), cutter =>
    {
        Profile profile = cutter.Profile();
        Assert.Contains(profile.Elements, e => e.Part == ProfilePart.Cutting);
        Assert.Equal(cutter.OverallLength, profile.Length, 9);
        Assert.All(profile.Elements, e => Assert.True(double.IsFinite(e.FromZ + e.FromR + e.ToZ + e.ToR + e.Bulge)));
        if (profile.Shape == ProfileShape.Flat)
        {
            Loops(profile);
            return;
        }

        Assert.Equal((0d, 0d), (profile.Elements[0].FromZ, profile.Elements[0].FromR));
        Assert.All(profile.Elements, e => Assert.True(e.FromR >= 0 && e.ToR >= -1e-9 && e.ToZ >= e.FromZ - 1e-9));
        foreach ((ProfileElement a, ProfileElement b) in profile.Elements.Zip(profile.Elements.Skip(1)))
        {
            Assert.Equal(a.ToZ, b.FromZ, 9);
            Assert.Equal(a.ToR, b.FromR, 9);
        }
    });

    private static void Loops(Profile profile)
    {
        ProfileElement first = profile.Elements[0], last = first;
        foreach (ProfileElement e in profile.Elements.Skip(1))
        {
            if (e.FromZ != last.ToZ || e.FromR != last.ToR)
            {
                Assert.Equal(first.FromZ, last.ToZ, 6);
                Assert.Equal(first.FromR, last.ToR, 6);
                first = e;
            }

            last = e;
        }

        Assert.Equal(first.FromZ, last.ToZ, 6);
    }

    [Theory]
    [MemberData(nameof(AllFamilies))]
    public void Each_dimension_is_refused_out_of_its_range_and_named(CutterFamily family)
    {
        Cutter start = Start(family);
        foreach (FamilyDimension d in start.Described.Dimensions)
        {
            InputFault fault = Assert.Single(
                start.With(d.Dimension, (d.Most * 10) + 7).Check().Faults, f => f.Field == $"dimensions.{d.Dimension.Symbol}");
            Assert.Contains(d.Dimension.Symbol, fault.Sentence, StringComparison.Ordinal);
            (double least, double most) = d.RangeIn(start.Dimensions);
            Assert.True(
                d.Start == 0 && d.Optional || (d.Start >= least && d.Start <= most),
                $"{family} {d.Dimension.Symbol} starts at {d.Start} outside {least} to {most}");
        }
    }

    [Theory]
    [InlineData(10, 0.5, 4.358898943540674)]
    [InlineData(10, 5, 10)]
    [InlineData(10, 8, 10)]
    public void A_ball_touches_at_the_diameter_of_its_depth(double diameter, double depth, double contact) =>
        Assert.Equal(contact, Start(CutterFamily.BallEndMill).With(Dimension.CuttingDiameter, diameter).Profile().CuttingDiameterAt(depth), 6);

    [Fact]
    public void A_corner_radius_touches_inside_the_diameter_until_it_ends()
    {
        Cutter cutter = Start(CutterFamily.CornerRadiusEndMill).With(Dimension.CuttingDiameter, 16).With(Dimension.CornerRadius, 2);
        Assert.Equal(14.64575131106459, cutter.Profile().CuttingDiameterAt(0.5), 6);
        Assert.Equal(16, cutter.Profile().CuttingDiameterAt(3), 9);
    }

    [Fact]
    public void A_chamfer_mill_touches_where_its_cone_is()
    {
        Cutter cutter = Start(CutterFamily.ChamferMill).With(Dimension.CuttingDiameter, 1);
        Assert.Equal(3.6, cutter.Profile().CuttingDiameterAt(1.3), 9);
    }

    [Fact]
    public void A_tip_radius_meets_the_barrel_without_a_kink() => Assert.All(EveryForm(CutterFamily.BarrelMill), cutter =>
    {
        List<ProfileElement> arcs = [.. cutter.Profile().Elements.Where(e => e.Bulge != 0)];
        Assert.Equal(2, arcs.Count);
        (double az, double ar) = arcs[0].Centre;
        (double bz, double br) = arcs[1].Centre;
        Assert.Equal(Math.Abs(arcs[0].Radius - arcs[1].Radius), double.Hypot(az - bz, ar - br), 6);
        Assert.Contains(cutter[Dimension.ProfileRadius], arcs.Select(a => Math.Round(a.Radius, 6)));
        Assert.Equal(cutter.CuttingDiameter, cutter.Profile().CuttingDiameterAt(cutter.FluteLength), 2);
    });

    [Theory]
    [InlineData(118, 10, 3.0043)]
    [InlineData(140, 8.5, 1.5468734956313603)]
    public void A_drill_has_the_point_of_its_angle(double angle, double diameter, double length)
    {
        Cutter drill = Start(CutterFamily.TwistDrill).With(Dimension.PointAngle, angle).With(Dimension.CuttingDiameter, diameter);
        Assert.Equal(length, drill.Profile().Elements[0].ToZ, 4);
    }

    [Fact]
    public void The_nose_of_a_turning_insert_touches_both_axes()
    {
        foreach (string shape in new[] { "C", "D", "V", "S", "T", "W", "R" })
        {
            Profile profile =
                (
                    Start(CutterFamily.OutsideTurningTool)
                        .With(Dimension.EdgeAngle, shape == "S" ? 75 : 95) with
                    {
                        Picks = new Dictionary<string, string> { ["insert"] = shape }
                    }).Profile();
            IEnumerable<(double Z, double R)> edge = profile.Elements.Where(e => e.Part == ProfilePart.Cutting).SelectMany(e => e.Points(0.001));
            Assert.Equal(0, edge.Min(p => p.Z), 2);
            Assert.True(
                Math.Abs(edge.Where(p => p.Z < (shape == "R" ? 7 : 0.82)).Min(p => p.R)) < 0.01,
                shape + " " + edge.Where(p => p.Z < (shape == "R" ? 7 : 0.82)).Min(p => p.R));
        }
    }

    [Fact]
    public void A_slip_of_units_is_asked_about()
    {
        InputFault refused = Assert.Single(Sample.Cutter.With(Dimension.CuttingDiameter, 500).Check().Faults, f => f.Field == "dimensions.DC");
        Assert.Equal(12.7, refused.Meant, 9);
        Assert.Contains("0.5 in", refused.Sentence, StringComparison.Ordinal);
        InputFault doubted = Assert.Single(Sample.Cutter.With(Dimension.CuttingDiameter, 0.5).With(Dimension.ShankDiameter, 12.7).Doubts());
        Assert.Equal(12.7, doubted.Meant, 9);
        Assert.Empty(Sample.Cutter.Doubts());
    }

    [Fact]
    public void Cutting_an_arc_short_leaves_it_on_its_circle() => Gen.Select(Gen.Double[0.5, 20], Gen.Double[0.05, 0.95]).Sample((radius, share) =>
    {
        ProfileElement arc = new(ProfilePart.Cutting, 0, 0, radius, radius, -Math.Tan(Math.PI / 8));
        ProfileElement part = arc.Until(radius * share);
        return Math.Abs(part.Radius - radius) < 1e-6
            && Math.Abs(part.ToR - Math.Sqrt((radius * radius) - (radius * radius * (1 - share) * (1 - share)))) < 1e-9;
    });

    [Fact]
    public void The_volume_of_cylinder_cone_and_ball_is_the_one_of_geometry()
    {
        Profile cone = StackedProfile.Draw([new(30, 10, 10), new(12, 10, 0)], ProfilePart.Shank);
        Assert.Equal(Math.PI * ((25 * 30) + (25 * 12 / 3.0)), cone.Volume(_ => true), 6);
        Profile half = StackedProfile.Draw([new(10, 0, 20, 10)], ProfilePart.Shank);
        Assert.Equal(2 * Math.PI * 1000 / 3, half.Volume(_ => true), 0);
    }
}

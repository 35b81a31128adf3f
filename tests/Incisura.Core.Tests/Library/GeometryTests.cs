using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Materials;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Library;

public class GeometryTests
{
    private static Cutter Start(CutterFamily family) => new()
    {
        Number = "C-1",
        Family = family,
        Dimensions = Families.Of(family).Start,
        Groups = [MaterialGroup.P],
    };

    public static TheoryData<CutterFamily, string, double, string> Impossible() => new()
    {
        { CutterFamily.BallEndMill, "DC", 160, "between" },
        { CutterFamily.CornerRadiusEndMill, "RE", 7, "between 0.01 and 6" },
        { CutterFamily.TaperedEndMill, "RE", 2.9, "past the axis" },
        { CutterFamily.HighFeedMill, "KAPR", 3, "past the axis" },
        { CutterFamily.FaceMill, "DCB", 45, "between 5 and 40" },
        { CutterFamily.SlotMill, "CW", 25, "between" },
        { CutterFamily.DovetailMill, "SIG", 30, "narrows below the neck" },
        { CutterFamily.ChamferMill, "SIG", 5, "between 10" },
        { CutterFamily.CornerRoundingMill, "PRFRAD", 12, "between" },
        { CutterFamily.BarrelMill, "RE", 4.99, "cannot meet" },
        { CutterFamily.EngravingPoint, "SIG", 5, "longer than the cutter" },
        { CutterFamily.ThreadMill, "LCF", 0.9, "shorter than one pitch" },
        { CutterFamily.CentreDrill, "LPIL", 49, "between" },
        { CutterFamily.TwistDrill, "LCF", 1, "shorter than the point" },
        { CutterFamily.StepDrill, "SDL", 0.6, "shorter than the point" },
        { CutterFamily.StepDrill, "SDL", 46.5, "longer than the flutes" },
        { CutterFamily.IndexableDrill, "LCF", 20, "between 24" },
        { CutterFamily.GunDrill, "BD", 9, "between" },
        { CutterFamily.Counterbore, "LPIL", 79, "longer than the tool" },
        { CutterFamily.Countersink, "SIG", 30, "between 40" },
        { CutterFamily.BoringTool, "DC", 55, "between 36 and 50" },
        { CutterFamily.CuttingTap, "TP", 5, "between" },
        { CutterFamily.FormingTap, "LCF", 3, "between 4.5" },
        { CutterFamily.OutsideTurningTool, "KAPR", 105, "trailing edge" },
        { CutterFamily.InsideTurningTool, "DMIN", 15, "between 20" },
        { CutterFamily.PartingBlade, "WB", 3.5, "between 0.3 and 3" },
        { CutterFamily.ThreadTurningTool, "TP", 4, "between 0.2 and 3" },
    };

    [Theory]
    [MemberData(nameof(Impossible))]
    public void Impossible_geometry_is_refused_with_what_is_wrong(CutterFamily family, string symbol, double value, string said)
    {
        IReadOnlyList<InputFault> faults = Start(family).With(Dimension.Find(symbol)!, value).Check().Faults;
        Assert.Contains(faults, f => f.Sentence.Contains(said, StringComparison.Ordinal));
    }

    [Fact]
    public void Whatever_passes_the_check_can_be_drawn() =>
        Gen.Select(Gen.Enum<CutterFamily>(), Gen.Double[0.5, 1.6].Array[12]).Sample((family, factors) =>
    {
        Cutter start = Start(family);
        int i = 0;
        Cutter varied = start.Described.Dimensions.Aggregate(
            start, (c, d) => d.Start == 0 ? c : c.With(d.Dimension, d.Start * factors[i++ % factors.Length]));
        if (varied.Check().Faults.Count > 0 || start.Described.FreeProfile) return true;
        Profile profile = varied.Profile();
        return profile.Elements.All(e => double.IsFinite(e.FromZ + e.FromR + e.ToZ + e.ToR + e.Bulge))
            && Math.Abs(profile.Length - varied.OverallLength) < 1e-9
            && profile.CuttingDiameterAt(double.MaxValue) > 0;
    });

    [Fact]
    public void The_diameter_in_contact_never_falls_with_the_depth() =>
        Gen.Select(Gen.Enum<CutterFamily>(), Gen.Double[0.01, 30], Gen.Double[0.01, 30]).Sample((family, a, b) =>
    {
        Cutter cutter = Start(family);
        // A flat insert turns back along the axis, so that it has no diameter in contact at a depth.
        return cutter.Described.FreeProfile || cutter.Profile().Shape == ProfileShape.Flat
            || cutter.Profile().CuttingDiameterAt(Math.Min(a, b)) <= cutter.Profile().CuttingDiameterAt(Math.Max(a, b)) + 1e-9;
    });

    [Fact]
    public void A_profile_cut_short_ends_there_and_loses_no_volume_before_it() => Gen.Double[1, 82].Sample(z =>
    {
        Profile whole = Sample.Cutter.Profile(), part = whole.Until(z);
        return Math.Abs(part.Length - z) < 1e-9 && Math.Abs(part.Volume(_ => true) - (Math.PI * 36 * z)) < 1e-6;
    });

    [Theory]
    [InlineData(10, 5, 5)]
    [InlineData(-10, 5, 5)]
    [InlineData(3, 5, 5)]
    public void A_rounding_has_its_radius_and_its_side(double radius, double length, double rise)
    {
        StackSegment segment = new(length, 10, 10 + (2 * rise), radius);
        double half = double.Hypot(length, rise) / 2;
        InputCheck check = new InputCheck().Stacked([segment], 1);
        if (Math.Abs(radius) < half)
        {
            Assert.Equal("segments[0].arcRadius", Assert.Single(check.Faults).Field);
            return;
        }

        ProfileElement arc = StackedProfile.Draw([segment], ProfilePart.Holder).Elements.Single(e => e.Bulge != 0);
        Assert.Equal(Math.Abs(radius), arc.Radius, 9);
        double straight = 5 + (rise / 2);
        Assert.True(radius > 0 ? arc.At(length / 2) > straight : arc.At(length / 2) < straight);
    }

    [Theory]
    [InlineData(0, 10, 10, "length")]
    [InlineData(10, 0.5, 10, "lowerDiameter")]
    [InlineData(10, 10, 600, "upperDiameter")]
    [InlineData(double.NaN, 10, 10, "length")]
    public void A_segment_out_of_its_range_is_named(double length, double lower, double upper, string field) =>
        Assert.Contains(new InputCheck().Stacked([new(length, lower, upper)], 1).Faults, f => f.Field == $"segments[0].{field}");

    [Fact]
    public void A_free_profile_needs_an_edge_and_is_held_by_its_end()
    {
        Cutter form = Start(CutterFamily.FormCutter) with { Segments = [new(4, 20, 20, 0, true), new(2, 20, 14, 0, true), new(50, 12, 12)] };
        Assert.Empty(form.Check().Faults);
        Assert.Equal((56d, 12d, 6d), (form.OverallLength, form.ShankSize, form.LeastProjection));
        Assert.Contains(
            (form with { Segments = [new(50, 12, 12)] }).Check().Faults,
            f => f.Sentence.Contains("No segment of the profile cuts", StringComparison.Ordinal));
        Assert.Contains((form with { Segments = [] }).Check().Faults, f => f.Field == "segments");
    }

    [Fact]
    public void A_longer_projection_and_an_extension_give_way_more()
    {
        double At(double projection, params AssemblyExtension[] extensions)
        {
            Holder slim = Sample.Holder with { Role = HolderRole.Extension, BackSize = 16, BackLength = 100, Segments = [new(10, 18, 18)] };
            BuiltAssembly built = new(
                Sample.Assembly with { Projection = projection, Extensions = extensions }, Sample.Cutter, Sample.Holder,
                [.. extensions.Select(_ => slim)]);
            return TipCompliance.Of(built.Profile(), built.Cutter, built.Holder.SeatCompliance).AtTip;
        }

        Assert.True(At(38) < At(48));
        Assert.True(At(38) < At(38, new AssemblyExtension(2, 60)));
        Assert.True(At(38, new AssemblyExtension(2, 60)) < At(38, new AssemblyExtension(2, 90)));
    }

    [Fact]
    public void A_body_with_inserts_bends_as_steel_and_a_solid_one_as_carbide()
    {
        Profile profile = Start(CutterFamily.HighFeedMill).Profile();
        double steel = TipCompliance.Of(profile, Start(CutterFamily.HighFeedMill), 0).AtTip,
            carbide = TipCompliance.Of(profile, Sample.Cutter, 0).AtTip;
        Assert.Equal(TipCompliance.Carbide / TipCompliance.Steel, steel / carbide, 9);
    }

    [Fact]
    public void The_mass_follows_from_the_profile_unless_the_holder_was_weighed()
    {
        double estimated = Sample.Built.Mass;
        double cutter = Math.PI * 36 * 83 * Assembly.CarbideDensity;
        Assert.Equal(cutter + Sample.Holder.EstimatedMass(), estimated, 9);
        BuiltAssembly weighed = new(Sample.Assembly, Sample.Cutter, Sample.Holder with { Mass = 1.5 }, []);
        Assert.Equal(cutter + 1.5, weighed.Mass, 9);
    }

    [Fact]
    public void The_greatest_speed_is_the_least_of_all_parts()
    {
        Assert.Equal(15000, Sample.Built.LargestSpeed);
        BuiltAssembly slow = new(Sample.Assembly, Sample.Cutter.With(Dimension.LargestSpeed, 9000), Sample.Holder, []);
        Assert.Equal(9000, slow.LargestSpeed);
    }

    [Fact]
    public void A_left_hand_turning_tool_is_the_right_hand_one_mirrored()
    {
        Cutter right = Start(CutterFamily.OutsideTurningTool), left = right with { Hand = Hand.Left };
        Assert.Equal(right.Profile().Elements.Max(e => e.ToR), -left.Profile().Elements.Min(e => e.ToR), 3);
        Assert.Equal(right.Profile().Length, left.Profile().Length);
    }

    [Theory]
    [InlineData("A", 7)]
    [InlineData("B", 4.5)]
    [InlineData("C", 2.5)]
    [InlineData("E", 1.75)]
    public void The_lead_of_a_tap_reaches_the_full_diameter_after_its_threads(string lead, double threads)
    {
        Cutter tap = Start(CutterFamily.CuttingTap) with { Picks = new Dictionary<string, string> { ["lead"] = lead } };
        double pitch = tap[Dimension.Pitch];
        Assert.True(tap.Profile().CuttingDiameterAt(((threads - 1) * pitch) + 0.01) < 10 - 0.05);
        Assert.Equal(10, tap.Profile().CuttingDiameterAt((threads + 1) * pitch), 6);
    }

    [Fact]
    public void A_taper_pipe_tap_grows_one_in_sixteen()
    {
        Cutter tap = Start(CutterFamily.TaperPipeTap);
        Profile profile = tap.Profile();
        double[] crests =
            [.. profile.Elements.Where(e => e.Part == ProfilePart.Cutting && e.ToR > e.FromR && e.ToZ > 6).Select(e => e.ToR - (e.ToZ / 32))];
        Assert.All(crests, c => Assert.Equal(crests[0], c, 9));
    }
}

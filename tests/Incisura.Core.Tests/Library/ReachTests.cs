using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Machines;

namespace Incisura.Core.Tests.Library;

public class ReachTests
{
    // Ø12 with flutes of 26 and a shank of 12 in a nose of 28: beside a straight wall the holder touches once it goes in.
    private static BuiltAssembly At(double projection, Cutter? cutter = null) =>
        new(Sample.Assembly with { Projection = projection }, cutter ?? Sample.Cutter, Sample.Holder, []);

    private static Cutter Necked => Sample.Cutter.With(Dimension.UsableLength, 40).With(Dimension.NeckDiameter, 11);

    [Fact]
    public void A_tool_clears_a_wall_lower_than_its_projection()
    {
        ReachResult result = ReachCheck.Solve(At(38), new() { Depth = 30 });
        Assert.Empty(result.Touches);
        Assert.Equal(0, result.Margin, 9);
        Assert.Equal(30, result.Deepest);
    }

    [Fact]
    public void The_holder_touches_where_it_enters_and_the_least_projection_clears()
    {
        ReachResult result = ReachCheck.Solve(At(38), new() { Depth = 45 });
        Touch touch = Assert.Single(result.Touches);
        Assert.Equal((ProfilePart.Holder, 38d, 45d), (touch.Part, touch.FromZ, touch.ToZ));
        Assert.Equal(8, touch.By, 9);
        Assert.Equal(45, result.LeastProjection, 9);
        Assert.Equal(38, result.Deepest, 1);
        Assert.Empty(ReachCheck.Solve(At(result.LeastProjection), new() { Depth = 45 }).Touches);
        Assert.Contains("clears from a projection", result.Sentence.Template, StringComparison.Ordinal);
    }

    [Fact]
    public void A_shank_without_air_is_cured_by_no_projection()
    {
        ReachResult result = ReachCheck.Solve(At(38), new() { Depth = 30, Clearance = 0.2 });
        Assert.Equal(ProfilePart.Shank, Assert.Single(result.Touches).Part);
        Assert.True(double.IsNaN(result.LeastProjection));
        Assert.Equal(26, result.Deepest, 1);
        Assert.Empty(ReachCheck.Solve(At(42, Necked), new() { Depth = 38, Clearance = 0.2 }).Touches);
    }

    [Fact]
    public void A_leaning_wall_lets_the_holder_in_where_there_is_room()
    {
        // The nose stands 8 mm wider than the cutter; at 20° the wall has given that way after 21.98 mm.
        ReachResult result = ReachCheck.Solve(At(38), new() { Depth = 45, Draft = 20 });
        Assert.Empty(result.Touches);
        Assert.Equal((38 * Math.Tan(20 * Math.PI / 180)) - 8, ReachCheck.Solve(At(38), new() { Depth = 39, Draft = 20 }).Margin + 0, 0);
    }

    [Fact]
    public void The_least_projection_is_the_least_one_for_any_wall() =>
        Gen.Select(Gen.Double[20, 51], Gen.Double[0, 30], Gen.Double[0, 1]).Sample((depth, draft, clearance) =>
    {
        Wall wall = new() { Depth = depth, Draft = draft, Clearance = clearance };
        ReachResult result = ReachCheck.Solve(At(38, Necked), wall);
        if (double.IsNaN(result.LeastProjection))
            return Enumerable.Range(330, 181).All(tenth => ReachCheck.Solve(At(tenth / 10.0, Necked), wall).Touches.Count > 0);
        bool clearsThere = ReachCheck.Solve(At(result.LeastProjection, Necked), wall).Touches.Count == 0 || result.LeastProjection > 51;
        bool touchesBefore = result.LeastProjection <= 33.001 || ReachCheck.Solve(At(result.LeastProjection - 0.05, Necked), wall).Touches.Count > 0;
        return clearsThere && touchesBefore;
    });

    // What is advised is asked again, beside plain, leaning and shouldered walls, with holders that widen, narrow and step.
    [Fact]
    public void What_is_advised_clears_by_the_check_itself() =>
        Gen.Select(
            Gen.Double[5, 48], Gen.Int[0, 3].Select(i => new[] { 0.0, 0.5, 3, 12 }[i]), Gen.Int[0, 2].Select(i => new[] { 0.0, 0.1, 1 }[i]),
            Gen.Double[0, 30], Gen.Double[0, 12], Gen.Double[20, 60]).Sample(
        c =>
        {
            (double depth, double draft, double clearance, double height, double away, double back) = c;
            Wall wall = new() { Depth = depth, Draft = draft, Clearance = clearance, ShoulderHeight = height, ShoulderDistance = away };
            BuiltAssembly Cone(double projection) =>
                new(
                    Sample.Assembly with { Projection = projection }, Necked,
                    Sample.Holder with { Segments = [new(25, 12.2, back), new(30, back, 24)] }, []);
            ReachResult result = ReachCheck.Solve(Cone(34), wall);
            return double.IsNaN(result.LeastProjection) || result.LeastProjection > 51
                || ReachCheck.Solve(Cone(result.LeastProjection), wall).Touches.Count == 0;
        },
        iter: 500);

    // A cutter that widens backwards makes a wall of its own draft along its whole edge; its shank must keep inside that wall, not inside one
    // that starts at the tip as wide as the cutter is at its widest.
    [Theory]
    [InlineData(1.5, 46, true)]
    [InlineData(3, 30, false)]
    public void The_wall_is_where_the_cutting_part_makes_it(double draft, double depth, bool touches)
    {
        Cutter tapered = new()
        {
            Number = "C-3",
            Family = CutterFamily.TaperedEndMill,
            Dimensions = new Dictionary<string, double>(Families.Of(CutterFamily.TaperedEndMill).Start)
            {
                ["DC"] = 4,
                ["TA"] = 1.5,
                ["LCF"] = 40,
                ["LU"] = 40,
                ["DMM"] = 8,
                ["OAL"] = 90,
            },
            Groups = [Materials.MaterialGroup.P],
        };
        ReachResult result = ReachCheck.Solve(At(48, tapered), new() { Depth = depth, Draft = draft });
        Assert.Equal(touches, result.Touches.Count > 0);
        if (!touches) return;
        double tan = Math.Tan(draft * Math.PI / 180),
            most = tapered.Profile().Elements
                .Where(e => e.Part == ProfilePart.Cutting)
                .Max(e => Math.Max(e.FromR - (e.FromZ * tan), e.ToR - (e.ToZ * tan)));
        double margin = tapered.Profile()
            .Until(48).Elements
            .Where(e => e.Part != ProfilePart.Cutting && e.FromZ <= depth)
            .Min(e => most + (Math.Min(e.FromZ, depth) * tan) - Math.Max(e.FromR, e.FromZ == e.ToZ ? e.ToR : e.FromR));
        Assert.Equal(-margin, result.Touches[0].By, 1);
    }

    [Fact]
    public void A_parting_blade_meets_the_shoulder_beside_it()
    {
        Cutter blade = new()
        {
            Number = "P-1",
            Family = CutterFamily.PartingBlade,
            Dimensions = Families.Of(CutterFamily.PartingBlade).Start,
            Groups = [Materials.MaterialGroup.P],
        };
        Holder block = Sample.Holder with
        {
            Takes = ShankForm.Blade,
            LeastClamping = 32,
            LargestClamping = 32,
            BoreDepth = 120,
            Segments = [new(30, 60, 60)],
        };
        BuiltAssembly built = new(Sample.Assembly with { Projection = 60 }, blade, block, []);
        Assert.Empty(built.Check().Faults);
        Assert.Empty(ReachCheck.Solve(built, new() { Depth = 25 }).Touches);

        // The blade is 8 mm wide behind its reach of 30: a shoulder of 10 above a cut of 25 stands against it unless it is 2.5 mm away.
        ReachResult near = ReachCheck.Solve(built, new() { Depth = 25, ShoulderHeight = 10, ShoulderDistance = 1 });
        Assert.Equal((ProfilePart.Shank, 30d, 35d), (near.Touches[0].Part, near.Touches[0].FromZ, near.Touches[0].ToZ));
        Assert.Equal(1.5, near.Touches[0].By, 6);
        Assert.Equal(20, near.Deepest, 1);
        Assert.Empty(ReachCheck.Solve(built, new() { Depth = 25, ShoulderHeight = 10, ShoulderDistance = 2.5 }).Touches);
    }

    [Fact]
    public void Extensions_stack_and_each_joint_is_checked()
    {
        Holder slim = new()
        {
            Number = "X-1",
            Role = HolderRole.Extension,
            Kind = "slim collet extension",
            BackForm = ShankForm.Cylindrical,
            BackSize = 16,
            BackLength = 60,
            Takes = ShankForm.Cylindrical,
            LeastClamping = 2,
            LargestClamping = 12,
            LeastGrip = 20,
            BoreDepth = 60,
            LargestSpeed = 12000,
            SeatCompliance = 0,
            Segments = [new(20, 18, 20), new(60, 16, 16)],
        };
        Assert.Empty(slim.Check().Faults);
        Assembly assembly = Sample.Assembly with { Projection = 38, Extensions = [new(2, 90)] };
        BuiltAssembly built = new(assembly, Sample.Cutter, Sample.Holder, [slim]);
        Assert.Empty(built.Check().Faults);
        Assert.Equal(38 + 90 + Sample.Holder.GaugeLength, built.GaugeLength);
        Assert.Equal(built.GaugeLength, built.Profile().Length, 9);
        Assert.Equal(12000, built.LargestSpeed);
        Assert.Contains(built.Profile().Elements, e => e.Part == ProfilePart.Extension);

        BuiltAssembly loose = new(assembly with { Extensions = [new(2, 130)] }, Sample.Cutter, Sample.Holder, [slim]);
        Assert.Equal("extensions[0].projection", Assert.Single(loose.Check().Faults).Field);
        BuiltAssembly thick = new(assembly, Sample.Cutter, Sample.Holder with { LargestClamping = 12 }, [slim]);
        Assert.Equal("holderId", Assert.Single(thick.Check().Faults).Field);
        BuiltAssembly wrong = new(assembly, Sample.Cutter, slim, [Sample.Holder]);
        Assert.Contains(wrong.Check().Faults, f => f.Field == "holderId" && f.Sentence.Contains("extension", StringComparison.Ordinal));
    }

    [Fact]
    public void A_form_of_shank_the_holder_does_not_take_is_named_and_a_face_mill_seats_flush()
    {
        Cutter face = Sample.Cutter with { Family = CutterFamily.FaceMill, Dimensions = Families.Of(CutterFamily.FaceMill).Start };
        Assert.Contains(
            new BuiltAssembly(Sample.Assembly, face, Sample.Holder, []).Check().Faults,
            f => f.Sentence.Contains("bore for an arbor", StringComparison.Ordinal));
        Holder arbor = Sample.Holder with { Takes = ShankForm.Arbor, LeastClamping = 22, LargestClamping = 22 };
        Assert.Empty(new BuiltAssembly(Sample.Assembly with { Projection = 40 }, face, arbor, []).Check().Faults);
        Assert.Equal("projection", Assert.Single(new BuiltAssembly(Sample.Assembly with { Projection = 30 }, face, arbor, []).Check().Faults).Field);
    }

    [Theory]
    [InlineData(1, 70, 1, "")]
    [InlineData(3, 70, 1, "stands in place 3")]
    [InlineData(2, 100, 1, "side by side")]
    [InlineData(4, 100, 1, "side by side")]
    [InlineData(9, 70, 1, "between 1 and 8")]
    [InlineData(6, 130, 1, "at most")]
    [InlineData(6, 70, 9, "weighs")]
    public void A_place_carries_one_tool_within_its_limits_and_those_of_its_neighbours(int place, double diameter, double mass, string said)
    {
        ToolStore store = new()
        {
            Kind = ToolStoreKind.Magazine,
            Places = 8,
            LargestDiameter = 80,
            LargestAlone = 125,
            LargestLength = 300,
            Heaviest = 8,
        };
        InputCheck check = new();
        store.CheckPlace(
            check, "places[0].place", Sample.Machine, place, new("A-1", "SK 40", diameter, 200, mass),
            new Dictionary<int, StoredTool> { [3] = new("A-2", "SK 40", 78, 200, 1) });
        if (said.Length == 0) Assert.Empty(check.Faults);
        else Assert.Contains(check.Faults, f => f.Sentence.Contains(said, StringComparison.Ordinal));
    }

    [Fact]
    public void The_first_and_the_last_place_are_neighbours() =>
        Assert.True(new ToolStore { Kind = ToolStoreKind.Turret, Places = 12 }.Neighbours(1, 12));
}

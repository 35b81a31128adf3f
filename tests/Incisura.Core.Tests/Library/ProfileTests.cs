using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Materials;

namespace Incisura.Core.Tests.Library;

/// <summary>Profiles of random cutters of every family: what passes the check is sound as geometry.</summary>
public sealed class ProfileTests
{
    public static TheoryData<CutterFamily> AllFamilies() => [.. Enum.GetValues<CutterFamily>()];

    private static Cutter Start(CutterFamily family) => new()
    {
        Number = "C-1",
        Family = family,
        Dimensions = Families.Of(family).Start,
        Groups = [MaterialGroup.P],
    };

    // Values anywhere in their ranges as the others leave them, most near what a new cutter starts from.
    private static Cutter Drawn(CutterFamily family, Random random)
    {
        Cutter c = Start(family);
        foreach (FamilyDimension d in c.Described.Dimensions.OrderBy(_ => random.Next()))
        {
            (double least, double most) = d.RangeIn(c.Dimensions);
            if (d.Start == 0 && random.Next(4) > 0) continue;
            double value = random.Next(3) == 0 ? least + ((most - least) * random.NextDouble()) : d.Start * (0.4 + (1.4 * random.NextDouble()));
            c = c.With(
                d.Dimension, d.Dimension == Dimension.Teeth ? Math.Max(1, Math.Round(value)) : random.Next(2) == 0 ? Math.Round(value, 1) : value);
        }

        c = c with
        {
            Hand = (Hand)random.Next(2),
            Picks = c.Described.Picks.ToDictionary(p => p.Code, p => p.Picks[random.Next(p.Picks.Count)].Code),
        };
        return c.Described.FreeProfile ? Free(c, random) : c;
    }

    private static Cutter Free(Cutter c, Random random)
    {
        double Draw(double from, double to) => from + ((to - from) * random.NextDouble());
        List<StackSegment> segments = [];
        for (int i = 0; i < 1 + random.Next(4); i++)
            segments.Add(new(Draw(0.5, 10), Draw(0, 30), Draw(2, 30), random.Next(2) == 0 ? 0 : Draw(-40, 40), random.Next(2) == 0));
        segments[0] = segments[0] with { Cuts = true };
        segments.Add(new(40, 12, 12));
        Cutter free = c with { Segments = segments };
        return free.With(Dimension.CuttingDiameter, Math.Round(free.Profile().CuttingDiameterAt(1000), 3));
    }

    [Theory]
    [MemberData(nameof(AllFamilies))]
    public void What_passes_the_check_is_sound_as_geometry(CutterFamily family)
    {
        int accepted = 0, most = 0;
        foreach ((int seed, int more) in new[] { ((int)family + 1, 30), (Effort.Seed, 10 * Effort.Times) })
        {
            most += more;
            Random random = new(seed);
            for (int i = 0; i < 2000 * more && accepted < most; i++)
            {
                Cutter c = Drawn(family, random);
                if (c.Check().Faults.Count > 0) continue;
                accepted++;
                IsSound(family, c);
            }
        }

        Assert.True(accepted == most, $"{family}: only {accepted}");
    }

    private static void IsSound(CutterFamily family, Cutter c)
    {
        Profile p = c.Profile();
        string told = $"{family} {string.Join(' ', c.Dimensions.Select(d => $"{d.Key}={d.Value}"))} {string.Join(' ', c.Picks.Values)}";
        Assert.All(p.Elements, e => Assert.True(double.IsFinite(e.FromZ + e.FromR + e.ToZ + e.ToR + e.Bulge), told));
        Assert.True(Math.Abs(p.Length - c.OverallLength) < 1e-9, $"{told}: {p.Length} of {c.OverallLength}");
        Assert.All(p.Elements, e => Assert.True(e.Box.MostZ <= c.OverallLength + 1e-6, told));
        if (p.Shape == ProfileShape.Flat)
        {
            Assert.False(p.CrossesItself(), told);
            Assert.True(
                Math.Abs(p.Elements.Where(e => e.Part == ProfilePart.Cutting).Min(e => e.Box.LeastZ)) < 1e-9,
                $"{told}: tip at {p.Elements.Min(e => e.Box.LeastZ)}");
            return;
        }

        Assert.All(
            p.Elements, e => Assert.True(e.ToZ >= e.FromZ - 1e-12 && e.Box.LeastZ >= e.FromZ - 1e-9 && e.Box.LeastR >= -1e-9, $"{told}: {e}"));
        foreach ((ProfileElement a, ProfileElement b) in p.Elements.Zip(p.Elements.Skip(1)))
            Assert.True(Math.Abs(a.ToZ - b.FromZ) < 1e-9 && Math.Abs(a.ToR - b.FromR) < 1e-9, told);

        // What is held is the shank, and nothing thicker or sharp goes into a holder.
        if (c.Described.Shank != ShankForm.Cylindrical || c.Described.Use == CutterUse.Turning) return;
        Assert.All(
            p.Elements.Where(e => e.ToZ > c.LeastProjection + 1e-9),
            e =>
                Assert.True(
                    Math.Max(e.FromZ < c.LeastProjection - 1e-9 ? e.At(c.LeastProjection) : e.ToR, e.ToR) <= (c.ShankSize / 2) + 1e-9
                        && e.Part is not ProfilePart.Cutting,
                    $"{told}: {e} behind {c.LeastProjection}"));
        Assert.True(c.ShankFrom < c.OverallLength && p.Elements[^1].ToR == c.ShankSize / 2, told);
    }

    [Theory]
    [InlineData(CutterFamily.SquareEndMill, "ZEFF", 2.5, "whole number")]
    [InlineData(CutterFamily.SquareEndMill, "DN", 200, "no part of this cutter")]
    [InlineData(CutterFamily.IndexableDrill, "DN", 150, "no part of this cutter")]
    [InlineData(CutterFamily.CuttingTap, "DN", 100, "no part of this cutter")]
    [InlineData(CutterFamily.CuttingTap, "TP", 4, "between")]
    [InlineData(CutterFamily.SquareEndMill, "OAL", 27, "are shank")]
    [InlineData(CutterFamily.SquareEndMill, "OAL", 26, "are shank")]
    [InlineData(CutterFamily.InsideTurningTool, "WF", 24, "do not enter")]
    [InlineData(CutterFamily.InsideTurningTool, "IC", 32, "")]
    [InlineData(CutterFamily.SlotMill, "DMM", 0.5, "does not carry")]
    [InlineData(CutterFamily.BarrelMill, "LCF", 0.07, "")]
    public void What_cannot_be_is_refused(CutterFamily family, string symbol, double value, string said)
    {
        Cutter c = Start(family).With(Dimension.Find(symbol)!, value);
        if (symbol == "LCF") c = c.With(Dimension.LargestDepth, 0.05);
        Assert.Contains(c.Check().Faults, f => f.Sentence.Contains(said, StringComparison.Ordinal));
    }

    [Fact]
    public void Forty_teeth_have_no_room_on_a_tenth_of_a_millimetre() =>
        Assert.Contains(
            Start(CutterFamily.SquareEndMill).With(Dimension.CuttingDiameter, 0.1).With(Dimension.Teeth, 40).Check().Faults,
            f => f.Field == "dimensions.ZEFF");

    public static TheoryData<string, CutterFamily, (string Symbol, double Value)[]> Real() => new()
    {
        { "ball on short flutes", CutterFamily.BallEndMill, [("LCF", 3), ("APMX", 3), ("LU", 20), ("DN", 9.5)] },
        { "chamfer mill with a reach", CutterFamily.ChamferMill, [("LU", 30), ("DN", 8)] },
        { "flat twist point", CutterFamily.TwistDrill, [("SIG", 180)] },
        { "long deep-hole drill", CutterFamily.GunDrill, [("OAL", 2000), ("LCF", 1900)] },
        {
            "tap on a thick shank", CutterFamily.CuttingTap,
            [("TDZ", 80), ("TP", 6), ("LCF", 60), ("LU", 120), ("DN", 62), ("DMM", 63), ("OAL", 260)]
        },
        { "thin saw", CutterFamily.SlotMill, [("DC", 63), ("CW", 0.1), ("ZEFF", 128), ("DN", 20)] },
        { "engraving point to a point", CutterFamily.EngravingPoint, [("DC", 0)] },
        { "stepped collar", CutterFamily.SquareEndMill, [("LU", 40), ("DN", 16)] },
    };

    [Theory]
    [MemberData(nameof(Real))]
    public void What_is_real_is_accepted(string name, CutterFamily family, (string Symbol, double Value)[] values)
    {
        Cutter c = values.Aggregate(Start(family), (x, v) => x.With(Dimension.Find(v.Symbol)!, v.Value));
        Assert.True(c.Check().Faults is [], $"{name}: {string.Join("; ", c.Check().Faults.Select(f => f.Sentence))}");
        Assert.True(c.Profile().CuttingDiameterAt(1000) > 0);
    }

    [Fact]
    public void A_ball_past_its_half_narrows_again_towards_its_neck()
    {
        Cutter ball = Start(CutterFamily.BallEndMill)
            .With(Dimension.FluteLength, 9)
            .With(Dimension.LargestDepth, 8)
            .With(Dimension.UsableLength, 40)
            .With(Dimension.NeckDiameter, 5) with
        { Picks = new Dictionary<string, string> { ["ball"] = "past" } };
        Assert.Empty(ball.Check().Faults);
        Assert.Equal(10, ball.Profile().CuttingDiameterAt(5), 2);
        Assert.Equal(10, ball.Profile().CuttingDiameterAt(9), 2);
        Assert.Equal(2 * Math.Sqrt(9 * 1), 2 * ball.Profile().Elements[0].ToR, 6);
    }

    [Fact]
    public void A_collar_behind_the_flutes_is_no_reach()
    {
        Cutter drill = Start(CutterFamily.IndexableDrill);
        Assert.Equal(drill.FluteLength, drill.UsableLength);
        Assert.Equal(drill[Dimension.UsableLength], drill.LeastProjection, 9);
    }

    [Theory]
    [InlineData(CutterFamily.ChamferMill)]
    [InlineData(CutterFamily.EngravingPoint)]
    [InlineData(CutterFamily.CentreDrill)]
    [InlineData(CutterFamily.Countersink)]
    [InlineData(CutterFamily.Counterbore)]
    public void Edges_pilots_and_bodies_stay_outside_a_holder(CutterFamily family)
    {
        Cutter c = Start(family);
        double end = c.Profile().Elements.Where(e => e.Part is ProfilePart.Cutting or ProfilePart.Body).Max(e => e.ToZ);
        Assert.True(c.LeastProjection >= end && end > 0);
        Holder holder = Sample.Holder with { Takes = ShankForm.Cylindrical, LeastClamping = 1, LargestClamping = 40, LeastGrip = 5, BoreDepth = 400 };
        Assert.Contains(new BuiltAssembly(Sample.Assembly with { Projection = end - 1 }, c, holder, []).Check().Faults, f => f.Field == "projection");
    }

    [Fact]
    public void Only_the_shank_is_gripped_and_not_the_neck_before_it()
    {
        Cutter necked = Sample.Cutter.With(Dimension.UsableLength, 60).With(Dimension.NeckDiameter, 10).With(Dimension.OverallLength, 84);
        Holder holder = Sample.Holder with { LeastGrip = 20, BoreDepth = 80 };
        Assert.Equal(24, new BuiltAssembly(Sample.Assembly with { Projection = 30 }, necked, holder, []).Joints[0].Grip, 9);
        Assert.Empty(new BuiltAssembly(Sample.Assembly with { Projection = 30 }, necked, holder, []).Check().Faults);
        Assert.Contains(
            new BuiltAssembly(Sample.Assembly with { Projection = 30 }, necked, holder with { LeastGrip = 28 }, []).Check().Faults,
            f => f.Sentence.Contains("grips at least 28", StringComparison.Ordinal));
    }

    [Fact]
    public void A_tap_of_any_length_reaches_its_full_diameter()
    {
        Random random = new(4);
        for (int i = 0; i < 300; i++)
        {
            Cutter tap = Start(CutterFamily.CuttingTap).With(Dimension.FluteLength, 5 + (20 * random.NextDouble()));
            Assert.Equal(10, tap.Profile().CuttingDiameterAt(1000), 9);
        }
    }

    [Fact]
    public void A_free_profile_cuts_the_diameter_it_is_called_by_and_ends_with_a_shank()
    {
        Cutter form = Start(CutterFamily.FormCutter) with { Segments = [new(6, 20, 20, 0, true), new(30, 12, 12)] };
        Assert.Empty(form.Check().Faults);
        Assert.Contains(form.With(Dimension.CuttingDiameter, 300).Check().Faults, f => f.Field == "dimensions.DC");
        Assert.NotEmpty((form with { Segments = [new(6, 20, 20, 0, true), new(30, 12, 0)] }).Check().Faults);
        Assert.Contains(
            (form with { Segments = [new(1, 20, 10, 5.2, true), new(6, 20, 20, 0, true), new(30, 12, 12)] }).Check().Faults,
            f => f.Field == "segments[0].arcRadius");
    }
}

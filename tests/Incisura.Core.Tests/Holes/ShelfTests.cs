using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.HoleGroups;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Tests.Holes;

/// <summary>What may be used for a hole, what guides a drill, and ways through many holes.</summary>
public sealed class ShelfTests
{
    private static readonly ToolStore Small = new()
    {
        Kind = ToolStoreKind.Magazine,
        Places = 10,
        LargestLength = 200,
        LargestDiameter = 60,
        LargestAlone = 80,
        Heaviest = 3,
    };
    private static readonly Machine Mill = HoleSample.Mill with { Store = Small };

    [Theory]
    [InlineData(50, 150, 2, "")]
    [InlineData(70, 150, 2, "")]
    [InlineData(90, 150, 2, "Ø90 mm")]
    [InlineData(50, 250, 2, "changes tools up to 200")]
    [InlineData(50, 150, 4, "carries 3 kg")]
    public void A_store_says_what_it_cannot_carry_in_any_place(double diameter, double length, double mass, string said)
    {
        string? why = Small.WhyNot(Mill, new("A-1", "SK 40", diameter, length, mass));
        Assert.Equal(said.Length == 0, why is null);
        Assert.Contains(said, why ?? "", StringComparison.Ordinal);
        Assert.Null((Small with { Kind = ToolStoreKind.ByHand }).WhyNot(Mill, new("A-1", "SK 40", diameter, length, mass)));
    }

    [Fact]
    public void A_change_by_hand_takes_longer_than_one_by_a_changer()
    {
        Assert.True(new ToolStore { Kind = ToolStoreKind.ByHand }.UsualChange() > 5 * Small.UsualChange());
        HoleGroup group = new()
        {
            Name = "x",
            MaterialId = 1,
            MachineId = 1,
            Target = new() { Diameter = 8.5, Depth = 20, Chamfer = 0 },
            Pattern = new() { Form = PatternForm.Circle, Count = 4 },
        };
        Assert.Equal(Small.UsualChange(), group.Solve(Rack.ForThreads, Mill).ChangeTime);
        Assert.Equal(2, (group with { ChangeTime = 2 }).Solve(Rack.ForThreads, Mill).ChangeTime);
    }

    [Fact]
    public void Each_reason_that_bars_a_tool_is_named()
    {
        Situation usual = Rack.Situations(Rack.Drill(8.5))[0];
        Assert.Null(ToolShelf.WhyNot(usual));
        Assert.Contains(
            "group K", ToolShelf.WhyNot(usual with { Material = new(1, 1, usual.Material.Value with { Group = MaterialGroup.K }) }),
            StringComparison.Ordinal);
        Assert.Contains(
            "takes HSK-A 63", ToolShelf.WhyNot(usual with { Machine = new(1, 1, Mill with { Interface = "HSK-A 63" }) }), StringComparison.Ordinal);
        Assert.Contains(
            "must lie between", ToolShelf.WhyNot(usual with { Assembly = new(1, 1, usual.Assembly.Value with { Projection = 2 }) }),
            StringComparison.Ordinal);
        Situation tall = usual with { Machine = new(7, 1, Mill with { Store = Small with { LargestLength = 20 } }) };
        Assert.Contains("changes tools up to 20", ToolShelf.WhyNot(tall), StringComparison.Ordinal);
        Assert.Null(ToolShelf.WhyNot(tall with { Assembly = new(1, 1, tall.Assembly.Value with { Places = [new(7, 3)] }) }));
        ToolShelf shelf = ToolShelf.Of([usual, tall]);
        Assert.Equal((1, 1), (shelf.Usable.Count, shelf.Barred.Count));
    }

    [Theory]
    [InlineData(CutterFamily.TwistDrill, CuttingMaterial.Carbide, 140, 3, false)]
    [InlineData(CutterFamily.TwistDrill, CuttingMaterial.Carbide, 140, 8, false)]
    [InlineData(CutterFamily.TwistDrill, CuttingMaterial.Carbide, 140, 9, true)]
    [InlineData(CutterFamily.TwistDrill, CuttingMaterial.Carbide, 118, 3, true)]
    [InlineData(CutterFamily.TwistDrill, CuttingMaterial.HighSpeedSteel, 118, 3, true)]
    [InlineData(CutterFamily.StepDrill, CuttingMaterial.HighSpeedSteel, 118, 3, true)]
    [InlineData(CutterFamily.FlatDrill, CuttingMaterial.HighSpeedSteel, 180, 3, false)]
    [InlineData(CutterFamily.IndexableDrill, CuttingMaterial.Carbide, 176, 3, false)]
    [InlineData(CutterFamily.SquareEndMill, CuttingMaterial.Carbide, 180, 3, false)]
    public void A_spot_is_wanted_by_what_it_guides(CutterFamily family, CuttingMaterial material, double angle, double ratio, bool wanted)
    {
        Cutter drill = new()
        {
            Number = "D",
            Family = family,
            Material = material,
            Dimensions = new Dictionary<string, double> { ["SIG"] = angle, ["DC"] = 10 },
        };
        Spotting rule = Spotting.Of(drill, ratio);
        Assert.Equal(wanted, rule.Wanted);
        Assert.Equal(wanted, rule.Why is null);
        Assert.Equal(wanted && material == CuttingMaterial.Carbide ? angle : 0, rule.LeastAngle);
    }

    [Fact]
    public void A_shortened_way_starts_where_it_started_and_is_the_same_every_time()
    {
        Random random = new(2);
        for (int i = 0; i < 20; i++)
        {
            Position[] holes =
                [.. Enumerable.Range(0, 5 + random.Next(80)).Select(
                    _ => new Position(Math.Round(random.NextDouble() * 20) * 10, Math.Round(random.NextDouble() * 20) * 10))];
            HoleRoute once = HoleRoute.Of(holes, HoleOrder.NearestNext), again = HoleRoute.Of(holes, HoleOrder.NearestNext);
            Assert.Equal(once.Order, again.Order);
            Assert.Equal(0, once.Order[0]);
            Assert.Equal(Enumerable.Range(0, holes.Length), once.Order.Order());
            Assert.Equal(once.Travel, once.Order.Zip(once.Order.Skip(1)).Sum(p => holes[p.First].To(holes[p.Second])), 9);
            Assert.True(once.Travel <= once.AsGiven + 1e-9);
        }
    }

    [Fact]
    public void A_row_of_a_whole_group_serves_where_a_sub_group_has_none_and_the_last_feed_is_not_passed()
    {
        Situation s = HoleSample.With(
            CutterFamily.TwistDrill, "drill", (Dimension.CuttingDiameter, 20), (Dimension.ShankDiameter, 20), (Dimension.FluteLength, 80),
            (Dimension.UsableLength, 80), (Dimension.OverallLength, 150));
        Situation grouped =
            s with
            {
                Chart = new(
                    1, 1, s.Chart.Value with { Rows = [s.Chart.Value.Rows[0] with { SubGroup = "P", Feeds = [new(5, 0.05), new(10, 0.1)] }] })
            };
        CalculationResult r = HoleSample.Calculate("drill", grouped);
        Assert.Equal(
            ["chart-ends", "charted-group"],
            r.Findings.Select(f => f.Code).Where(c => c is "charted-group" or "chart-ends").Order(StringComparer.Ordinal));
        Assert.True(r.Field("feedPerRevolution").Value <= 0.2 + 1e-12);
        Assert.DoesNotContain(HoleSample.Calculate("drill", s).Findings, f => f.Code is "charted-group" or "chart-ends");
    }
}

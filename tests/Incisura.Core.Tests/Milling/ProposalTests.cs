using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;

namespace Incisura.Core.Tests.Milling;

/// <summary>What is proposed, over situations drawn at random: cutters, projections, materials, machines.</summary>
public class ProposalTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!, Face = Operations.Find("face")!;

    private static Situation Drawn(int seed, string code, CutterFamily family) => RandomSituation.From(Sample.With(family, code), seed);

    public static TheoryData<string, CutterFamily> Milling()
    {
        TheoryData<string, CutterFamily> data = [];
        foreach (OperationDescription d in Sample.Of(typeof(Core.Milling.MillingOperation<>)))
            foreach (CutterFamily family in d.Families.Where(f => f != CutterFamily.FormCutter)) data.Add(d.Code, family);
        return data;
    }

    [Theory]
    [MemberData(nameof(Milling))]
    public void A_proposal_keeps_every_limit_or_says_which_stands_in_the_way_and_nothing_in_the_box_does(string code, CutterFamily family)
    {
        foreach (int seed in Effort.Seeds(9, 3)) RandomSituation.HoldProposal(Drawn(seed, code, family), code, $"{code} {family} {seed}");
    }

    [Fact]
    public void Roughing_takes_the_deepest_point_within_a_twentieth_of_the_most_that_a_fine_grid_finds()
    {
        foreach (int seed in Effort.Seeds(1, 1, from: 100))
        {
            Situation s = Drawn(seed, "side-rough", CutterFamily.SquareEndMill);
            CalculationResult r = Rough.Calculate(s, Choices.None, explain: false);
            if (r.Limits.Any(l => l.Use > 1 + 1e-6)) continue;
            SpeedRow row = s.Chart.Value.Rows[0];
            double width = Math.Min(row.WidthRatio, 1) * 12, depth = Math.Min(row.DepthRatio * 12, 25), most = 0, deepest = 0;
            List<(double Depth, double Rate)> kept = [];
            for (int j = 1; j <= 10; j++)
            {
                double charted = Rough.Calculate(
                    s, Sample.Typed(("depthOfCut", 0.5), ("widthOfCut", width * j / 10), ("deflectionAllowed", 1000)), explain: false)
                    .Field("feedPerTooth").Value;
                for (int i = 1; i <= 30; i++)
                    for (int k = 0; k < 8; k++)
                    {
                        double feed = charted * Math.Pow(0.8, k);
                        if (k > 0 && feed < 0.02) break;
                        CalculationResult at = Rough.Calculate(
                            s, Sample.Typed(("depthOfCut", depth * i / 30), ("widthOfCut", width * j / 10), ("feedPerTooth", feed)), explain: false);
                        if (at.Limits.Any(l => l.Use > 1)) continue;
                        kept.Add((depth * i / 30, at.Figure("removalRate")));
                        break;
                    }
            }

            if (kept.Count == 0) continue;
            most = kept.Max(p => p.Rate);
            deepest = kept.Where(p => p.Rate >= 0.985 * most).Max(p => p.Depth);
            Assert.True(r.Figure("removalRate") >= 0.93 * most, $"{seed}: {r.Figure("removalRate")} of {most}");
            double taken = r.Field("depthOfCut").Value;
            Assert.True(taken >= deepest - (depth / 15), $"{seed}: {taken} where {deepest} removes as much");
        }
    }

    [Fact]
    public void Facing_starts_beside_the_middle_with_most_of_the_cutter_and_little_depth()
    {
        foreach (CutterFamily family in Face.Description.Families)
        {
            CalculationResult r = Face.Calculate(Sample.With(family, "side-rough"), Choices.None, explain: false);
            double diameter = r.Figure("diameter"), largest = Sample.With(family, "face").Cutter.Value.CuttingDiameter;
            Assert.InRange(r.Field("widthOfCut").Value / largest, 0.6, 0.75);
            Assert.True(r.Field("depthOfCut").Value <= 0.5 * largest && diameter > 0);
            Assert.True(r.Figure("entryAngle") > 5, "the cutter stands beyond the side of the pass");
        }
    }

    [Fact]
    public void A_cutter_made_for_little_width_is_refused_in_a_slot()
    {
        Situation narrow = Sample.Situation with { Cutter = new(1, 1, Sample.Cutter.With(Dimension.LargestWidthRatio, 0.15)) };
        InputException refused = Assert.Throws<InputException>(() => Operations.Find("slot")!.Calculate(narrow, Choices.None, explain: false));
        Assert.Contains("constant engagement", Assert.Single(refused.Faults).Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void The_best_point_never_asks_for_more_chip_than_the_chart_unless_the_feed_was_typed()
    {
        double charted = Rough.Calculate(Sample.Situation, Sample.Typed(("depthOfCut", 1)), explain: false).Figure("largestChip");
        BestPoint best = Rough.Best(Sample.Situation, Choices.None, BestAim.Removal, CancellationToken.None);
        CalculationResult at = Rough.Calculate(Sample.Situation, Sample.Typed([.. best.Values.Select(v => (v.Code, v.Value))]), explain: false);
        Assert.True(at.Figure("largestChip") <= charted * (1 + 1e-9));
        Assert.True(at.Figure("toolStress") <= Allowed(at));
        BestPoint opened = Rough.Best(Sample.Situation, Sample.Typed(("feedPerTooth", 0.15)), BestAim.Removal, CancellationToken.None);
        Assert.True(opened.Found);
    }

    private static double Allowed(CalculationResult r) => r.Limits.Single(l => l.Kind == "cutterStrength").Allowed!.Value * (1 + 1e-9);

    [Fact]
    public void Run_out_thickens_the_largest_chip_and_the_force_and_none_changes_nothing()
    {
        CalculationResult At(double dial) => Rough.Calculate(
            Sample.Situation with { Holder = new(1, 1, Sample.Holder with { RunOut = dial }) },
            Sample.Typed(("depthOfCut", 3), ("widthOfCut", 1), ("feedPerTooth", 0.05)), explain: true);
        CalculationResult none = At(0), little = At(5), much = At(20);
        Assert.Equal(none.Figure("largestChip") + (2 * 0.010 * Math.Sin(Math.PI / 4)), much.Figure("largestChip"), 9);
        Assert.True(none.Figure("peakForce") < little.Figure("peakForce") && little.Figure("peakForce") < much.Figure("peakForce"));
        Assert.DoesNotContain(none.Steps, s => s.Formula.Symbol == "K_e");
        Assert.Contains(much.Steps, s => s.Formula.Symbol == "K_e");
    }

    [Fact]
    public void Edge_forces_add_to_power_and_force_where_the_material_states_them()
    {
        CalculationResult At(double edge) => Rough.Calculate(
            Sample.Situation with { Material = new(1, 1, Sample.Material with { EdgeForce = edge, EdgeForceRadial = edge }) },
            Sample.Typed(("depthOfCut", 3), ("widthOfCut", 1), ("feedPerTooth", 0.05)), explain: false);
        CalculationResult none = At(0), some = At(40);
        double edgePower = 40 * 3 * some.Figure("teethInCut") * some.Field("cuttingSpeed").Value / 60000;
        Assert.Equal(none.Figure("power") + edgePower, some.Figure("power"), 0.04 * none.Figure("power"));
        Assert.True(some.Figure("peakForce") > none.Figure("peakForce"));
    }

    [Fact]
    public void A_chip_outside_what_the_material_was_fitted_for_is_cautioned()
    {
        Situation fitted = Sample.Situation with { Material = new(1, 1, Sample.Material with { FittedFrom = 0.05, FittedTo = 0.5 }) };
        Assert.Contains(Rough.Calculate(fitted, Sample.Typed(("feedPerTooth", 0.02)), explain: false).Findings, f => f.Code == "chip-not-fitted");
    }

    [Fact]
    public void The_wall_is_limited_where_it_is_made_and_not_at_the_tip()
    {
        IOperation finish = Operations.Find("side-finish")!;
        CalculationResult r = finish.Calculate(Sample.Situation, Sample.Typed(("widthOfCut", 0.3), ("depthOfCut", 20)), explain: false);
        Assert.DoesNotContain(r.Limits, l => l.Kind == "deflection");
        Assert.InRange(r.Figure("wallError"), 0.1, r.Figure("deflection") * 1.02);
        Assert.True(r.Figure("wallTilt") <= 2 * r.Figure("wallError"));
        CalculationResult longer = finish.Calculate(
            Sample.Situation with { Assembly = new(1, 1, Sample.Assembly with { Projection = 48 }) },
            Sample.Typed(("widthOfCut", 0.3), ("depthOfCut", 20)), explain: false);
        Assert.True(longer.Figure("wallError") > r.Figure("wallError"));
    }
}

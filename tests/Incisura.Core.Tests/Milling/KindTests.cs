using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

/// <summary>What holds for every milling operation with every family of cutter it offers.</summary>
public class KindTests
{
    public static TheoryData<string, CutterFamily> All
    {
        get
        {
            TheoryData<string, CutterFamily> data = [];
            foreach (OperationDescription d in Sample.Of(typeof(MillingOperation<>)))
                foreach (CutterFamily family in d.Families)
                    if (family != CutterFamily.FormCutter) data.Add(d.Code, family);
            return data;
        }
    }

    private static (IOperation Operation, Situation Situation) Of(string code, CutterFamily family)
    {
        return (Operations.Find(code)!, Sample.With(family, code, Sample.LeftOpen(family, code)));
    }

    [Theory]
    [MemberData(nameof(All))]
    public void It_can_be_proposed_and_every_figure_is_finite(string code, CutterFamily family)
    {
        (IOperation operation, Situation situation) = Of(code, family);
        CalculationResult result = operation.Calculate(situation, Choices.None, explain: false);
        Assert.All(result.Figures, f => Assert.True(double.IsFinite(f.Value), $"{f.Code} is {f.Value}"));
        Assert.All(result.Fields, f => Assert.True(double.IsFinite(f.Value), $"{f.Code} is {f.Value}"));
        Assert.True(result.Figure("time") > 0 && result.Figure("spindleSpeed") > 0 && result.Figure("removalRate") > 0);
        Assert.Equal(result.Figures.Count, result.Figures.Select(f => f.Code).Distinct().Count());
    }

    [Theory]
    [MemberData(nameof(All))]
    public void Explaining_changes_no_bit_and_every_step_has_finite_terms(string code, CutterFamily family)
    {
        (IOperation operation, Situation situation) = Of(code, family);
        CalculationResult plain = operation.Calculate(situation, Choices.None, explain: false),
            explained = operation.Calculate(situation, Choices.None, explain: true);
        Assert.Equal(plain.Figures, explained.Figures);
        Assert.All(explained.Steps, s => Assert.All(s.Terms, t => Assert.True(double.IsFinite(t.Value), $"{s.Formula.Symbol}: {t.Symbol}")));
        Assert.Contains(explained.Steps, s => s.Formula.Symbol == "T");
    }

    [Theory]
    [MemberData(nameof(All))]
    public void What_is_proposed_stays_the_same_when_it_is_typed(string code, CutterFamily family)
    {
        (IOperation operation, Situation situation) = Of(code, family);
        CalculationResult proposed = operation.Calculate(situation, Choices.None, explain: false);
        string[] free = [.. operation.Description.Free];
        Choices typed = Sample.Typed([.. proposed.Fields.Where(f => free.Contains(f.Code)).Select(f => (f.Code, f.Value))]);
        CalculationResult again = operation.Calculate(situation, typed, explain: false);
        Assert.All(proposed.Figures.Where(f => f.Code != "rounds"), f => Assert.Equal(f.Value, again.Figure(f.Code), 1e-9 * Math.Abs(f.Value)));
    }

    [Theory]
    [MemberData(nameof(All))]
    public void The_mean_of_the_forces_over_a_turn_is_the_power_that_is_judged(string code, CutterFamily family)
    {
        (IOperation operation, Situation situation) = Of(code, family);
        RevolutionLoad load = ((ILoadOverTurn)operation).Revolution(situation, Choices.None);

        // On a helix a leaning edge counts as wide as its largest diameter, which errs on the safe side.
        Assert.InRange(load.MeanPower / load.MeanChipPower, family == CutterFamily.HighFeedMill ? 0.85 : 0.95, 1.05);
        Assert.True(load.OfResultant.Peak >= load.OfResultant.Mean * (1 - 1e-12) && load.LargestDeflection > 0);
    }

    [Theory]
    [MemberData(nameof(All))]
    public void The_best_point_is_inside_all_limits_and_no_sampled_point_inside_is_better(string code, CutterFamily family)
    {
        (IOperation operation, Situation situation) = Of(code, family);
        BestPoint best = operation.Best(situation, Choices.None, BestAim.Removal, CancellationToken.None);
        if (!best.Found)
        {
            Assert.NotEmpty(best.Reason);
            return;
        }

        CalculationResult at = operation.Calculate(situation, Sample.Typed([.. best.Values.Select(v => (v.Code, v.Value))]), explain: false);
        Assert.DoesNotContain(at.Limits, l => l.Use > 1 + 1e-9);
        Assert.Equal(best.RemovalRate, at.Figure("removalRate"), 1e-9 * best.RemovalRate);

        // Steps of the four values over their whole ranges; every one inside the limits may not be better by more than half a per cent.
        string[] free = [.. operation.Description.Free];
        double speed = best.Values.Single(v => v.Code == "cuttingSpeed").Value;
        foreach (int i in Effort.Seeds(22, 6))
        {
            (string, double)[] typed =
                [.. free.Select((code, k) => (code, best.Values.Single(v => v.Code == code).Value * Step(i, k, code == "cuttingSpeed" ? 1 : 4)))];
            typed =
            [
                .. best.Values.Where(v => !free.Contains(v.Code)).Select(v => (v.Code, v.Value)),
                .. typed.Select(t => t.Item1 == "cuttingSpeed" ? (t.Item1, Math.Min(t.Item2, Math.Max(speed, 120))) : t),
            ];
            // Nor may one that asks for more chip than the chart's own; thinner ones are made up for as far as the shop lets them.
            CalculationResult other;
            try
            {
                other = operation.Calculate(situation, Sample.Typed(typed), explain: false);
            }
            catch (InputException)
            {
                continue;
            }

            double charted = free.Contains("feedPerTooth")
                ? operation.Calculate(situation, Sample.Typed([.. typed.Where(t => t.Item1 != "feedPerTooth"), ("deflectionAllowed", 1000)]), false)
                    .Field("feedPerTooth").Value
                : double.PositiveInfinity;
            if (!other.Limits.Any(l => l.Use > 1) && !(other.Field("feedPerTooth").Value > charted))
                Assert.True(
                    other.Figure("removalRate") <= best.RemovalRate * 1.005,
                    $"{string.Join(", ", typed)}: {other.Figure("removalRate")} against {best.RemovalRate}");
        }

        // Low-discrepancy factors between 1/most and most.
        static double Step(int i, int axis, double most)
        {
            double share = ((i + 1.0) * (axis switch { 0 => 0.8567, 1 => 0.7339, 2 => 0.6287, _ => 0.5386 })) % 1;
            return most == 1 ? 0.4 + (0.6 * share) : Math.Pow(most, (2 * share) - 1);
        }
    }

    [Fact]
    public void Every_operation_has_its_own_code_and_names_only_fields_and_figures_once()
    {
        Assert.Equal(Operations.All.Count, Operations.All.Select(o => o.Description.Code).Distinct().Count());
        foreach (OperationDescription d in Operations.All.Select(o => o.Description))
        {
            Assert.Equal(d.Fields.Count, d.Fields.Select(f => f.Code).Distinct().Count());
            Assert.Subset(d.Fields.Select(f => f.Code).ToHashSet(), d.Free.ToHashSet());
            Assert.NotEmpty(d.Picture);
        }
    }

    public static TheoryData<string, CutterFamily, string, double> Bad { get; } = new()
    {
        { "side-rough", CutterFamily.SquareEndMill, "widthOfCut", 12.5 },
        { "side-rough", CutterFamily.SquareEndMill, "cornerRadius", 4 },
        { "side-finish", CutterFamily.SquareEndMill, "stockWidth", 0 },
        { "slot", CutterFamily.SquareEndMill, "slotWidth", 11 },
        { "pocket", CutterFamily.SquareEndMill, "cornerRadius", 5 },
        { "pocket", CutterFamily.SquareEndMill, "pocketWidth", 10 },
        { "constant-engagement", CutterFamily.SquareEndMill, "slotWidth", 12 },
        { "helical-entry", CutterFamily.SquareEndMill, "holeDiameter", 12 },
        { "helical-bore", CutterFamily.SquareEndMill, "holeDiameter", 8 },
        { "plunge", CutterFamily.SquareEndMill, "sideStep", 12 },
        { "corner-cleaning", CutterFamily.SquareEndMill, "cornerRadius", 5 },
        { "corner-cleaning", CutterFamily.SquareEndMill, "diameterBefore", 10 },
        { "surface-finish", CutterFamily.BallEndMill, "ridgeHeight", 6 },
        { "chamfer", CutterFamily.ChamferMill, "leg", 20 },
        { "engrave", CutterFamily.EngravingPoint, "engravingWidth", 0.1 },
        { "face", CutterFamily.FaceMill, "offset", 60 },
    };

    [Theory]
    [MemberData(nameof(Bad))]
    public void What_cannot_be_computed_with_names_its_field_and_a_cure(string code, CutterFamily family, string field, double value)
    {
        (IOperation operation, Situation situation) = Of(code, family);
        InputException refused = Assert.Throws<InputException>(() => operation.Calculate(situation, Sample.Typed((field, value)), explain: false));
        Assert.All(refused.Faults, f => Assert.Equal(field, f.Field));
        Assert.Matches("[0-9]", refused.Faults[0].Sentence);
    }

    [Fact]
    public void A_cutter_without_a_needed_dimension_is_named_with_its_range()
    {
        Situation lacking =
            Sample.Situation with
            {
                Cutter = new(1, 1, Sample.Cutter with { Dimensions = Sample.Cutter.Dimensions.Where(d => d.Key != "h_max").ToDictionary() })
            };
        InputException refused = Assert.Throws<InputException>(() => Operations.Find("side-rough")!.Calculate(lacking, Choices.None, explain: false));
        InputFault fault = refused.Faults[0];
        Assert.Equal("cutter.dimensions.h_max", fault.Field);
        Assert.Contains("page of cutter C-1", fault.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_cutter_of_another_family_is_refused_with_what_would_do()
    {
        InputException refused = Assert.Throws<InputException>(
            () => Operations.Find("chamfer")!.Calculate(Sample.Situation, Choices.None, explain: false));
        Assert.Contains("chamfer mill", refused.Faults[0].Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void Inches_and_millimetres_agree_to_the_last_bit_once_converted() => Gen.Double[0.001, 0.4].Sample(inches =>
    {
        double mm = Incisura.Core.Quantities.Units.Of(Incisura.Core.Quantities.Quantity.Length).FromInch(inches);
        IOperation rough = Operations.Find("side-rough")!;
        return rough.Calculate(Sample.Situation, Sample.Typed(("widthOfCut", mm)), explain: false).Figures
            .SequenceEqual(rough.Calculate(Sample.Situation, Sample.Typed(("widthOfCut", inches * 25.4)), explain: false).Figures);
    }, iter: 50);

    [Fact]
    public void Another_operations_row_serves_and_is_said()
    {
        CalculationResult slot = Operations.Find("slot")!.Calculate(Sample.Situation, Sample.Typed(("depthOfCut", 1)), explain: false);
        Assert.DoesNotContain(slot.Findings, f => f.Code == "charted-as");
        Assert.Equal("chart {0}, row for rough side milling", slot.Field("cuttingSpeed").Note!.Template);
        CalculationResult helix = Operations.Find("helical-entry")!.Calculate(Sample.Situation, Choices.None, explain: false);
        Assert.Contains(helix.Findings, f => f.Code == "charted-as");
    }
}

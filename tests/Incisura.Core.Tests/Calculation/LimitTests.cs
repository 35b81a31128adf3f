using System.Reflection;
using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;
using Incisura.Core.Turning;

namespace Incisura.Core.Tests.Calculation;

public class LimitTests
{
    [Fact]
    public void A_largest_and_a_least_limit_count_their_use_from_opposite_sides()
    {
        Assert.Equal(0.5, new Limit(Limits.AxisFeed, 500, 1000).Use);
        Assert.Equal(0.5, new Limit(Limits.Grip, 60, 30).Use);
        Assert.True(new Limit(Limits.Grip, 20, 30).Exceeded);
        Assert.True(new Limit(Limits.AxisFeed, 1001, 1000).Exceeded);
        Assert.False(new Limit(Limits.AxisFeed, 1000 * (1 + 1e-12), 1000).Exceeded);
    }

    [Fact]
    public void A_limit_without_data_is_neither_kept_nor_exceeded()
    {
        Limit unknown = new(Limits.PowerContinuous, 5, double.NaN);
        Assert.False(unknown.Judged);
        Assert.False(unknown.Exceeded);
        Assert.True(double.IsNaN(unknown.Use));
    }

    [Fact]
    public void The_set_knows_its_tightest_limit_and_passes_over_unknown_ones()
    {
        LimitSet set = default;
        set.Add(Limits.PowerContinuous, 5, double.NaN);
        set.Add(Limits.AxisFeed, 500, 1000);
        set.Add(Limits.FluteLength, 24, 26);
        Assert.Equal((Limits.FluteLength, 24d / 26), (set.Tightest, set.LargestUse));
        Assert.Equal(3, set.Count);
        Assert.False(set.Of(Limits.PowerContinuous).Judged);
        Assert.False(set.Of(Limits.Reach).Judged);
        Assert.Throws<ArgumentOutOfRangeException>(() => set[3]);
    }

    // Every limit of the core is a static field beside the code that judges it: none can be forgotten here.
    private static IEnumerable<LimitDefinition> Defined() => typeof(LimitDefinition).Assembly.GetTypes()
        .Where(t => !t.ContainsGenericParameters)
        .SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic))
        .Where(f => f.FieldType == typeof(LimitDefinition))
        .Select(f => (LimitDefinition)f.GetValue(null)!);

    [Fact]
    public void Every_limit_has_words_a_quantity_and_a_cure()
    {
        LimitDefinition[] all = [.. Defined()];
        Assert.True(all.Length >= 28);
        Assert.Equal(all.Length, all.Select(l => l.Code).Distinct().Count());
        Assert.Equal(all.Length, all.Select(l => l.Name).Distinct().Count());
        Assert.All(all, l =>
        {
            Assert.Matches("^[a-z][A-Za-z]+$", l.Code);
            Assert.NotEmpty(l.Name);
            Assert.EndsWith(".", l.Cure, StringComparison.Ordinal);
            Assert.True(Enum.IsDefined(l.Quantity) && l.Severity is Severity.Caution or Severity.Stop);
            Assert.True(l.WithFeed == FeedShare.None || !l.IsLeast, $"{l.Code}: less feed never cures a least value.");
        });
    }

    [Fact]
    public void Every_operation_has_room_for_its_limits_inputs_and_outputs()
    {
        HashSet<string> known = [.. Defined().Select(l => l.Code)];
        HashSet<string> judged = [];
        Assert.InRange(Enum.GetValues<Input>().Length, 1, Numbers<Input>.Most);
        Assert.InRange(Enum.GetValues<Output>().Length, 1, Numbers<Output>.Most);
        Assert.InRange(Enum.GetValues<Choice>().Length, 1, Inputs.MostChoices);
        foreach (IOperation operation in Operations.All)
            foreach (CutterFamily family in operation.Description.Families)
            {
                Situation s = GoldenTests.Usual(operation.Description.Code, family);
                s = s with
                {
                    Chart = new(
                        1, 1,
                        s.Chart.Value with { Rows = [.. s.Chart.Value.Rows.Select(r => r with { Life = 15, LifeExponent = 0.25 })] }),
                };
                CalculationResult proposed = operation.Calculate(s, Choices.None, explain: false);
                Dictionary<string, double> all = proposed.Fields.Where(f => f.Used).ToDictionary(f => f.Code, f => f.Value);
                if (operation.Description.Code == "part-off") (all["shoulderDiameter"], all["shoulderGap"], all["bodyDiameter"]) = (90, 1, 90);
                Choices choices = new(all, new Dictionary<string, string>());
                if (operation.Description.Code == "turn-finish" && family == CutterFamily.OutsideTurningTool)
                    choices = choices with
                    {
                        Extras = [new TurnedOutline([new(49, 10), new(49, 20) { To = 47 }, new(47, 5) { Fillet = 1 }, new(52, 5)])],
                    };
                CalculationResult typed = operation.Calculate(s, choices, explain: false);
                judged.UnionWith(typed.Limits.Select(l => l.Kind));
                Assert.InRange(typed.Limits.Count, 1, LimitSet.Most - 2);
            }

        Assert.Equal(known.Order(), judged.Order());
    }

    [Theory]
    [InlineData(double.NaN, "is missing")]
    [InlineData(double.NegativeInfinity, "is not a finite number")]
    [InlineData(12, "is 12 mm")]
    public void A_refused_number_is_named_with_its_range(double value, string words)
    {
        InputException refused = Assert.Throws<InputException>(
            () => new InputCheck().Within("width", "The width", value, 1, 10, Quantity.Length).ThrowIfAny());
        InputFault fault = Assert.Single(refused.Faults);
        Assert.Equal(("width", 1d, 10d), (fault.Field, fault.Least, fault.Most));
        Assert.Contains(words, fault.Sentence, StringComparison.Ordinal);
        Assert.Contains("between 1 and 10 mm", fault.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void All_faults_are_told_at_once()
    {
        InputCheck check = new InputCheck()
            .Named("name", "The name", "")
            .Within("a", "A", 0, 1, 2, Quantity.Ratio)
            .Holds(false, "b", 3, "B is wrong.")
            .Named("long", "It", new string('x', 200));
        Assert.Equal(["name", "a", "b", "long"], check.Faults.Select(f => f.Field));
    }

    [Theory]
    [InlineData(13.98034, 13.9)]
    [InlineData(0.05587, 0.0558)]
    [InlineData(1234, 1230)]
    [InlineData(2.4, 2.4)]
    [InlineData(100, 100)]
    public void Held_values_are_rounded_down_to_three_digits(double value, double rounded) => Assert.Equal(rounded, ShopRounding.Down(value), 12);

    [Fact]
    public void Rounding_down_never_raises_and_never_loses_a_per_cent() =>
        Gen.Double[1e-4, 1e5].Sample(v => ShopRounding.Down(v) <= v && ShopRounding.Down(v) >= v * 0.99);
}

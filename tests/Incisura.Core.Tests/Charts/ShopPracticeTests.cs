using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;

namespace Incisura.Core.Tests.Charts;

/// <summary>
/// What the shop goes by belongs to its chart: each number moves what it says, stays in its range, and is usual where none is said.
/// </summary>
public sealed class ShopPracticeTests
{
    public static TheoryData<string> Codes => [.. ShopPractice.All.Select(d => d.Code)];

    // Every operation as it stands with what is usual, worked out once for all numbers.
    private static readonly Lazy<(IOperation Operation, Situation Situation, Choices Choices, string[] Lines)[]> Usual = new(() =>
    [
        .. from o in Operations.All
           from s in GoldenTests.Situations(o, o.Description.Families[^1])
           select (o, s.Situation, s.Choices, GoldenTests.Lines(o, s.Situation, s.Choices).ToArray()),
    ]);

    private static ShopPractice With(string code, double value)
    {
        ShopPractice changed = new();
        typeof(ShopPractice).GetProperty(char.ToUpperInvariant(code[0]) + code[1..])!.SetValue(changed, value);
        return changed;
    }

    [Fact]
    public void Every_number_of_the_practice_is_described_once() => Assert.Equal(
        typeof(ShopPractice).GetProperties().Where(p => p.PropertyType == typeof(double)).Select(p => p.Name.ToUpperInvariant()).Order(),
        ShopPractice.All.Select(d => d.Code.ToUpperInvariant()).Order());

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_number_of_the_practice_moves_something_and_leaves_most(string code)
    {
        PracticeDescription described = ShopPractice.All.Single(d => d.Code == code);
        double usual = described.Of(ShopPractice.Usual);
        ShopPractice changed = With(code, described.Least + ((usual - described.Least) / 100));
        int moved = 0, same = 0;
        foreach ((IOperation operation, Situation s, Choices c, string[] lines) in Usual.Value)
        {
            Situation other = s with { Chart = s.Chart with { Value = s.Chart.Value with { Practice = changed } } };
            if (lines.SequenceEqual(GoldenTests.Lines(operation, other, c))) same++;
            else moved++;
        }

        Assert.InRange(moved, 1, same * 5);
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_number_outside_its_range_is_refused_by_name(string code)
    {
        PracticeDescription d = ShopPractice.All.Single(p => p.Code == code);
        Assert.InRange(d.Of(ShopPractice.Usual), d.Least, d.Most);
        foreach (double wrong in new[] { d.Most * 1.01, d.Least - 0.01, double.NaN, double.PositiveInfinity })
        {
            SpeedChart chart = Sample.Situation.Chart.Value with { Practice = With(code, wrong) };
            Assert.Contains(chart.Check(_ => false).Faults, f => f.Field == $"practice.{code}");
        }
    }

    [Fact]
    public void Work_held_weakly_takes_no_more_than_work_held_fairly()
    {
        SpeedChart chart = Sample.Situation.Chart.Value with { Practice = new() { FairShare = 0.4, WeakShare = 0.6 } };
        Assert.Contains("at most", chart.Check(_ => false).Faults.Single(f => f.Field == "practice.weakShare").Sentence, StringComparison.Ordinal);
    }
}

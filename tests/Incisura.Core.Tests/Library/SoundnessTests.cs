using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Library;

namespace Incisura.Core.Tests.Library;

/// <summary>Things that cannot be, and things that are one and the same.</summary>
public sealed class SoundnessTests
{
    private static Cutter Of(CutterFamily family, params (string Symbol, double Value)[] dimensions)
    {
        Dictionary<string, double> all = new(Families.Of(family).Start);
        foreach ((string symbol, double value) in dimensions) all[symbol] = value;
        return new() { Number = "C-9", Family = family, Dimensions = all, Groups = [Materials.MaterialGroup.P] };
    }

    [Theory]
    [InlineData(CutterFamily.IndexableDrill, "DC", "LU", "DC=60,LCF=60,LU=10,OAL=40")]
    [InlineData(CutterFamily.CuttingTap, "LCF", "LU", "TP=7.784,LCF=23.352,LU=20,OAL=20")]
    public void Ranges_that_leave_no_value_are_faults_that_name_both_dimensions(CutterFamily family, string one, string other, string values)
    {
        Cutter cutter = Of(
            family,
            [.. values.Split(',').Select(v => v.Split('=')).Select(
                v => (v[0], double.Parse(v[1], System.Globalization.CultureInfo.InvariantCulture)))]);
        string said = string.Join(" ", cutter.Check().Faults.Select(f => f.Sentence));
        Assert.Contains(one, said, StringComparison.Ordinal);
        Assert.Contains(other, said, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_family_starts_without_a_contradiction() =>
        Assert.All(
            Families.All, f => Assert.DoesNotContain(Of(f.Code).Check().Faults, x => x.Sentence.Contains("is possible", StringComparison.Ordinal)));

    [Fact]
    public void An_assembly_that_cannot_exist_calculates_nothing_and_says_why()
    {
        // The cutter was changed after it had been put into the holder: nothing of it is left outside.
        Situation broken = Sample.Situation with { Cutter = new(1, 2, Sample.Cutter.With(Dimension.OverallLength, 40)) };
        Assert.NotEmpty(broken.Built().Check().Faults);
        foreach (string operation in (ReadOnlySpan<string>)["side-rough", "slot", "face", "ramp"])
        {
            IOperation known = Operations.Find(operation)!;
            InputException refused = Assert.Throws<InputException>(() => known.Calculate(broken, Choices.None, explain: false));
            Assert.Contains(refused.Faults, f => f.Field == "assembly" && f.Sentence.Contains("cannot exist", StringComparison.Ordinal));
            Assert.Throws<InputException>(() => known.Best(broken, Choices.None, BestAim.Removal, CancellationToken.None));
        }
    }

    [Theory]
    [InlineData(12.249, 12.251, true)]
    [InlineData(12.42, 12.44, true)]
    [InlineData(12.0, 12.2, false)]
    public void Likely_duplicates_are_found_on_both_sides_of_any_rounding(double one, double other, bool found)
    {
        Cutter At(double d) => Sample.Cutter.With(Dimension.CuttingDiameter, d).With(Dimension.ShankDiameter, 14);
        Assert.Equal(found ? 1 : 0, Duplicates.Of([(1, At(one)), (2, At(other)), (3, At(20))]).Count);
    }

    [Fact]
    public void A_round_bar_weighs_what_a_round_bar_weighs()
    {
        Cutter bar = Of(CutterFamily.InsideTurningTool);
        Assert.Equal(ShankForm.Cylindrical, bar.Described.Shank);
        Holder holder = Sample.Holder with { LeastClamping = 1, LargestClamping = 200 };
        BuiltAssembly built = new(Sample.Assembly with { Projection = bar.OverallLength - 40 }, bar, holder, []);
        double density = bar.Material == CuttingMaterial.Carbide && !bar.Described.Inserts ? Assembly.CarbideDensity : Assembly.SteelDensity;
        Assert.Equal(Math.PI / 4 * bar.ShankSize * bar.ShankSize * bar.OverallLength * density, built.Mass - holder.EstimatedMass(), 1e-9);
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Methods;

namespace Incisura.Core.Tests.Milling;

public class MethodTests
{
    private static Method Make(params MethodChoice[] choices) => new()
    {
        Name = "M",
        Operation = "side-rough",
        Choices = choices,
        Options = new Dictionary<string, string> { ["chip"] = "mean" },
    };

    [Fact]
    public void Ratios_fit_cutters_of_any_size()
    {
        Method method = Make(new("widthOfCut", MethodBasis.OfDiameter, 0.1), new("depthOfCut", MethodBasis.OfFlutes, 0.5));
        IOperation rough = Operations.Find("side-rough")!;
        AppliedMethod small = method.Apply(rough, Sample.Situation, 1);
        Assert.Equal(1.2, small.Choices.Numbers["widthOfCut"], 12);
        Assert.Equal(13, small.Choices.Numbers["depthOfCut"], 12);
        Assert.Equal("mean", small.Choices.Options["chip"]);
        Assert.Equal("M, revision 1", small.Choices.Method);
        Assert.Empty(small.NotApplied);
        AppliedMethod large = method.Apply(
            rough, Sample.With(CutterFamily.SquareEndMill, "side-rough", (Dimension.CuttingDiameter, 20), (Dimension.ShankDiameter, 20)), 1);
        Assert.Equal(2, large.Choices.Numbers["widthOfCut"], 12);
    }

    [Fact]
    public void What_the_situation_refuses_is_listed_and_the_rest_stands()
    {
        Method method = Make(new("widthOfCut", MethodBasis.OfDiameter, 0.1), new("cornerRadius", MethodBasis.Value, 3));
        AppliedMethod applied = method.Apply(Operations.Find("side-rough")!, Sample.Situation, 1);
        Assert.True(applied.Choices.Numbers.ContainsKey("widthOfCut"));
        Assert.False(applied.Choices.Numbers.ContainsKey("cornerRadius"));
        Assert.All(applied.NotApplied, n => Assert.Equal("cornerRadius", n.Field));
        Assert.NotEmpty(applied.NotApplied);
    }

    [Fact]
    public void A_cutter_without_flutes_cannot_be_measured_by_them()
    {
        Method method = new() { Name = "M", Operation = "face", Choices = [new("depthOfCut", MethodBasis.OfFlutes, 0.5)] };
        AppliedMethod applied = method.Apply(Operations.Find("face")!, Sample.With(CutterFamily.FaceMill, "face"), 1);
        Assert.Equal("depthOfCut", Assert.Single(applied.NotApplied).Field);
    }

    [Fact]
    public void A_leftover_says_what_has_changed_and_nothing_else()
    {
        Leftover taken = new("R-1, revision 1,", "R-1", 1, 0.3, 20, 100, 12);
        Assert.Empty(taken.Against(taken with { Revision = 2 }).Changed);
        string changed = taken.Against(taken with { Revision = 2, Across = 0.5 }).Changed;
        Assert.Contains("0.5 mm instead of 0.3 mm", changed, StringComparison.Ordinal);
        Assert.DoesNotContain("wall", changed, StringComparison.Ordinal);
        Assert.Contains("leaves nothing any more", taken.Against(null).Changed, StringComparison.Ordinal);
    }
}

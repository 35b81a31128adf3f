using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;

namespace Incisura.Core.Tests.Milling;

/// <summary>What the operating window draws is what the calculation says at every place.</summary>
public sealed class WindowTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!;
    private static readonly CalculationResult Proposed = Rough.Calculate(Sample.Situation, Choices.None, explain: false);

    // The calculation with two values as the window has them, and all others as they are proposed without them.
    private static CalculationResult At(string across, double x, string up, double y)
    {
        Dictionary<string, double> typed = new() { [across] = x, [up] = y };
        foreach (string other in (string[])["cuttingSpeed", "depthOfCut", "widthOfCut"]) typed.TryAdd(other, Proposed.Field(other).Value);

        // The feed follows the width; a depth near nothing keeps loads from holding it back.
        if (!typed.ContainsKey("feedPerTooth"))
            typed["feedPerTooth"] = Rough
                .Calculate(
                    Sample.Situation, Sample.Typed(("widthOfCut", typed["widthOfCut"]), ("depthOfCut", 0.01), ("cuttingSpeed", 20)), explain: false)
                .Field("feedPerTooth").Value;
        return Rough.Calculate(Sample.Situation, new(typed, new Dictionary<string, string>()), explain: false);
    }

    [Theory]
    [InlineData("widthOfCut", "depthOfCut")]
    [InlineData("cuttingSpeed", "feedPerTooth")]
    [InlineData("widthOfCut", "cuttingSpeed")]
    [InlineData("feedPerTooth", "depthOfCut")]
    public void On_every_line_its_limit_is_just_used_up(string across, string up)
    {
        OperatingWindow window = Rough.Window(Sample.Situation, Choices.None, new(across, up, 96), TestContext.Current.CancellationToken);
        Assert.NotEmpty(window.Lines);
        foreach (WindowLine line in window.Lines)
            foreach (IReadOnlyList<double> piece in line.Lines)
                for (int p = 0; p + 1 < piece.Count; p += 22)
                {
                    double x = window.AcrossEnd * (piece[p] + 1) / window.Size, y = window.UpEnd * (piece[p + 1] + 1) / window.Size;
                    double use = At(across, x, up, y).Limits.Single(l => l.Kind == line.Kind).Use!.Value;
                    Assert.InRange(use, 0.93, 1.08);
                }
    }

    [Fact]
    public void The_best_sampled_point_is_inside_and_the_search_is_not_worse()
    {
        OperatingWindow window = Rough.Window(
            Sample.Situation, Choices.None, new("widthOfCut", "depthOfCut", 64), TestContext.Current.CancellationToken);
        int at = ((int)Math.Round(window.BestUp / window.UpEnd * 64) - 1) * 64 + (int)Math.Round(window.BestAcross / window.AcrossEnd * 64) - 1;
        Assert.True(window.Use[at] <= OperatingWindow.UseScale);
        double searched = Rough.Best(Sample.Situation, Choices.None, BestAim.Removal, TestContext.Current.CancellationToken).RemovalRate;
        Assert.True(
            searched >= window.BestRemovalRate * 0.995, $"{searched} against {window.BestRemovalRate} at {window.BestAcross}, {window.BestUp}");
    }

    [Theory]
    [InlineData("widthOfCut", "widthOfCut", 64, "up")]
    [InlineData("length", "depthOfCut", 64, "across")]
    [InlineData("widthOfCut", "depthOfCut", 4, "size")]
    public void A_window_that_cannot_be_drawn_is_refused_by_name(string across, string up, int size, string field)
    {
        InputException refused = Assert.Throws<InputException>(
            () => Rough.Window(Sample.Situation, Choices.None, new(across, up, size), TestContext.Current.CancellationToken));
        Assert.Equal(field, Assert.Single(refused.Faults).Field);
    }

    [Theory]
    [InlineData("widthOfCut", "depthOfCut")]
    [InlineData("cuttingSpeed", "feedPerTooth")]
    [InlineData("depthOfCut", "cuttingSpeed")]
    public void Every_point_is_shaded_by_its_tightest_limit(string across, string up)
    {
        const int size = 64;
        OperatingWindow window = Rough.Window(Sample.Situation, Choices.None, new(across, up, size), TestContext.Current.CancellationToken);
        for (int at = 5; at < size * size; at += 379)
        {
            JudgedLimit tightest = At(across, window.AcrossEnd * ((at % size) + 1) / size, up, window.UpEnd * ((at / size) + 1) / size).Limits
                .First(l => l.Use is not null && window.Kinds.Contains(l.Kind));
            if (Math.Abs(tightest.Use!.Value - 1) > 0.02) Assert.Equal(tightest.Use.Value > 1, window.Use[at] > OperatingWindow.UseScale);
            if (tightest.Use is > 0.02 and < 0.98) Assert.Equal(tightest.Use.Value, window.Use[at] / (double)OperatingWindow.UseScale, 0.02);
        }
    }

    [Fact]
    public void A_window_that_nobody_waits_for_any_more_stops()
    {
        using CancellationTokenSource gone = new();
        gone.Cancel();
        Assert.Throws<OperationCanceledException>(
            () => Rough.Window(Sample.Situation, Choices.None, new("widthOfCut", "depthOfCut", 256), gone.Token));
    }
}

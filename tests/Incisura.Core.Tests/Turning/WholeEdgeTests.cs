using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>An insert cuts no further than its edge reaches, and a request holds one outline.</summary>
public sealed class WholeEdgeTests
{
    [Fact]
    public void A_depth_beyond_the_whole_edge_is_a_stop_and_one_beyond_two_thirds_a_caution()
    {
        // What is in the work grows with the depth.
        Random random = new(38);
        int stops = 0;
        for (int i = 0; i < 200; i++)
        {
            double depth = 1 + (14 * random.NextDouble());
            (string, double)[] numbers =
                [("startDiameter", 80), ("endDiameter", 80 - (2 * depth)), ("length", 20), ("depthOfCut", depth), ("stockLeft", 0)];
            CalculationResult r = Turn("turn-rough", With("turn-rough"), numbers);
            JudgedLimit whole = r.Limit("wholeEdge"), allowed = r.Limit("edgeLength");
            Assert.Equal(r.Figure("edgeLength"), whole.Used, 9);
            Assert.True(whole.Allowed > allowed.Allowed);
            Assert.Equal(
                whole.Use > 1, r.Findings.Any(f => f.Severity == Severity.Stop && f.Cure.Contains("the shank rubs", StringComparison.Ordinal)));
            if (whole.Use > 1) stops++;
        }

        Assert.InRange(stops, 5, 195);
    }

    [Fact]
    public void A_second_outline_is_refused_and_not_dropped()
    {
        TurnedOutline outline = new([new(40, 30)]);
        Choices two = Typed(null) with { Extras = [outline, outline with { Steps = [new(30, 30)] }] };
        InputException refused = Assert.Throws<InputException>(
            () => Operations.Find("turn-rough")!.Calculate(With("turn-rough"), two, explain: false));
        Assert.Contains(refused.Faults, f => f.Field == "turnedOutline" && f.Sentence.Contains("only one", StringComparison.Ordinal));
    }
}

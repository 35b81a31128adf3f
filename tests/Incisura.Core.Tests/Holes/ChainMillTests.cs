using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.HoleGroups;

namespace Incisura.Core.Tests.Holes;

/// <summary>Threads in holes that no tap makes.</summary>
public sealed class ChainMillTests
{
    private static readonly HoleTarget Thread = new() { Kind = TargetKind.Threaded, Thread = new("M10×1.5"), Depth = 14, Chamfer = 0 };
    private static readonly RackTool Tap = new(CutterFamily.CuttingTap), Mill = Milling("several", 7.5, 1.5);

    private static RackTool Milling(string profiles, double diameter, double pitch, double largest = 0, double angle = 60) => new(
        CutterFamily.ThreadMill, (Dimension.CuttingDiameter, diameter), (Dimension.Pitch, pitch), (Dimension.LargestPitch, largest),
        (Dimension.ProfileAngle, angle), (Dimension.FluteLength, 18), (Dimension.UsableLength, 18), (Dimension.ShankDiameter, 8),
        (Dimension.OverallLength, 80), (Dimension.LargestChip, 0.1), (Dimension.LeastChip, 0.0005))
    { Change = c => c with { Picks = new Dictionary<string, string> { ["profiles"] = profiles } } };

    private static HoleChain Chain(HoleTarget target, params RackTool[] tools) =>
        HoleChain.Propose(target, Rack.Of(tools), new Dictionary<string, int>());

    private static ChainStep Last(HoleChain chain) => chain.Steps[^1];

    [Fact]
    public void A_tap_that_works_comes_before_a_mill() => Assert.Equal("tap", Last(Chain(Thread, Rack.Drill(8.5), Tap, Mill)).Operation);

    [Fact]
    public void Where_no_tap_fits_the_thread_is_milled_in_a_hole_of_its_minor_diameter()
    {
        HoleChain chain = Chain(Thread, Rack.Drill(8.5), Mill);
        ChainStep step = Last(chain);
        Assert.Equal("thread-milling", step.Operation);
        Assert.NotEqual(ChainVerdict.Fails, chain.Verdict);
        Assert.Equal("M10×1.5", step.Result!.Attached<CutThread>()!.Plain);
        Assert.Equal(8.5, step.Choices.Numbers["crestDiameter"]);
        Assert.Equal(chain.Steps[0].Choices.Numbers["depth"], step.Choices.Numbers["depthOfHoleBefore"]);
        Assert.Contains(chain.Notes, n => n.ToString().Contains("no tap fits", StringComparison.Ordinal));
    }

    [Fact]
    public void A_machine_that_cannot_turn_in_step_mills()
    {
        Situation[] still =
        [
            .. Rack.Situations(Rack.Drill(8.5), Tap, Mill)
                .Select(s => s with { Machine = new(1, 1, s.Machine.Value with { SynchronousLimit = 0 }) }),
        ];
        HoleChain chain = HoleChain.Propose(Thread, ToolShelf.Of(still), new Dictionary<string, int>());
        Assert.Equal("thread-milling", Last(chain).Operation);
        Assert.Contains(chain.Notes, n => n.ToString().Contains("does not tap in step", StringComparison.Ordinal));
    }

    [Fact]
    public void A_left_hand_thread_and_other_pitches_take_the_cutter_that_can()
    {
        HoleChain left = Chain(Thread with { Thread = new("M10×1.5 LH") }, Rack.Drill(8.5), Tap, Mill);
        Assert.True(Last(left).Result!.Attached<CutThread>()!.LeftHand);
        HoleTarget fine = Thread with { Thread = new("M10×1.25") };
        Assert.Equal("tap", Last(Chain(fine, Rack.Drill(8.8), Mill)).Operation);
        Assert.False(Last(Chain(fine, Rack.Drill(8.8), Mill)).Found);
        ChainStep one = Last(Chain(fine, Rack.Drill(8.8), Mill, Milling("one", 6, 0.75, 1.5)));
        Assert.Equal("thread-milling", one.Operation);
        Assert.Contains("turn by turn", one.Reason.ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("several", 8.4, 1.5, 60)] // no room to go round
    [InlineData("several", 7, 1.5, 55)] // other flanks
    [InlineData("taper", 7, 1.5, 60)]
    public void A_mill_that_cannot_make_it_is_not_proposed(string profiles, double diameter, double pitch, double angle) =>
        Assert.Equal("tap", Last(Chain(Thread, Rack.Drill(8.5), Milling(profiles, diameter, pitch, angle: angle))).Operation);
}

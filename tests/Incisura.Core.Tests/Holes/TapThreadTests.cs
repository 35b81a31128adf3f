using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.HoleGroups;
using Incisura.Core.Holes;
using Incisura.Core.Threads;

namespace Incisura.Core.Tests.Holes;

/// <summary>The thread a tap states, and chains for a thread of any form.</summary>
public sealed class TapThreadTests
{
    private static readonly RackTool Plain = Of("sizes", "none");

    private static RackTool Of(string form, string grade, double diameter = 10, double pitch = 1.5) => new(
        CutterFamily.CuttingTap, (Dimension.ThreadDiameter, diameter), (Dimension.Pitch, pitch), (Dimension.NeckDiameter, 0.7 * diameter),
        (Dimension.ShankDiameter, 0.75 * diameter))
    { Change = c => c with { Picks = new Dictionary<string, string> { ["threadForm"] = form, ["threadClass"] = grade } } };

    private static Cutter Cutter(RackTool tool) => Rack.Situations(tool)[0].Cutter.Value;

    private static HoleChain Chain(HoleTarget target, params RackTool[] tools) =>
        HoleChain.Propose(target, Rack.Of(tools), new Dictionary<string, int>());

    private static HoleGroup Group(HoleTarget target) => new() { Name = "a", MaterialId = 1, MachineId = 1, Target = target };

    private static HoleTarget Hole(string thread) => new() { Kind = TargetKind.Threaded, Thread = new(thread), Depth = 14, Chamfer = 0 };

    [Theory]
    [InlineData("sizes", 12.7, 1.954, "1/2-13 UNC")]
    [InlineData("M", 12.7, 1.954, "M12.7×1.954")]
    [InlineData("UN", 12.7, 1.954, "1/2-13 UNC")]
    [InlineData("G", 13.157, 1.337, "G1/4")]
    [InlineData("M", 13.157, 1.337, "M13.157×1.337")]
    public void A_tap_makes_the_form_it_states_and_else_the_thread_its_sizes_mean(string form, double diameter, double pitch, string thread) =>
        Assert.Equal(thread, new TapGeometry(Cutter(Of(form, "none", diameter, pitch))).Thread.ToString());

    [Theory]
    [InlineData("G", "none", "dimensions.TP", "ISO 228-1 lists no pipe thread")]
    [InlineData("sizes", "2B", "dimensions.TDZ", "M10×1.5 has no class 2B")]
    [InlineData("M", "3B", "dimensions.TDZ", "has no class 3B")]
    public void A_form_or_a_class_its_sizes_do_not_have_is_refused(string form, string grade, string field, string says)
    {
        InputFault fault = Assert.Single(Cutter(Of(form, grade)).Check().Faults);
        Assert.Equal(field, fault.Field);
        Assert.Contains(says, fault.Sentence, StringComparison.Ordinal);
        Assert.Empty(Cutter(Of("M", "6G")).Check().Faults);
    }

    [Fact]
    public void A_stated_class_alone_judges_the_minor_diameter()
    {
        IOperation tap = Operations.Find("tap")!;
        Finding Of(RackTool tool, double hole) => tap.Calculate(Rack.Situations(tool)[0], Sample.Typed(("holeBefore", hole)), explain: false)
            .Findings.Single(f => f.Code is "minor-class" or "minor-outside");

        // 8.66 is inside 6H, 8.376 to 8.676, and outside 5H, 8.376 to 8.612, and 4H.
        Assert.Contains("inside 6H", Of(Plain, 8.66).Text.Template, StringComparison.Ordinal);
        Assert.Equal("minor-class", Of(TapThreadTests.Of("M", "6H"), 8.66).Code);
        Finding outside = Of(TapThreadTests.Of("M", "5H"), 8.66);
        Assert.Equal("minor-outside", outside.Code);
        Assert.Contains("outside 5H", outside.Text.Template, StringComparison.Ordinal);
        Assert.DoesNotContain("every other class", outside.Text.Template, StringComparison.Ordinal);
        Assert.Contains("smaller drill", outside.Cure, StringComparison.Ordinal);
    }

    [Fact]
    public void A_chain_takes_a_tap_of_the_class_of_the_drawing_or_one_that_states_none()
    {
        RackTool drill = Rack.Drill(8.5);
        int Taken(string thread, params RackTool[] taps) => Chain(Hole(thread), [drill, .. taps]).Steps[^1].Situation?.Assembly.Id ?? 0;
        Assert.Equal(3, Taken("M10×1.5-6H", Of("M", "6G"), Of("M", "6H")));
        Assert.Equal(2, Taken("M10×1.5", Of("M", "6G"), Of("M", "6H")));
        Assert.Equal(2, Taken("M10×1.5-6H", Plain));
        Assert.Equal(0, Taken("M10×1.5-6H", Of("M", "6G")));
        Assert.Equal(0, Taken("M10×1.5 LH", Plain));
    }

    [Fact]
    public void A_drill_outside_the_class_of_the_drawing_does_not_open_the_hole()
    {
        // 8.7 is inside 7H, 8.376 to 8.751, and outside 6H.
        Assert.NotEqual(ChainVerdict.Fails, Chain(Hole("M10×1.5"), Rack.Drill(8.7), Plain).Verdict);
        HoleChain tight = Chain(Hole("M10×1.5-6H"), Rack.Drill(8.7), Plain);
        Assert.Equal(ChainVerdict.Fails, tight.Verdict);
        Assert.Contains(tight.Steps, s => s.Operation == "drill" && !s.Found);
    }

    [Fact]
    public void Inch_and_taper_threads_are_tapped_too()
    {
        HoleChain inch = Chain(Hole("1/2-13 UNC"), Rack.Drill(10.8), Of("sizes", "none", 12.7, 1.954));
        Assert.Equal("1/2-13 UNC", inch.Steps[^1].Result!.Attached<CutThread>()!.Plain);
        RackTool taper = new(
            CutterFamily.TaperPipeTap, (Dimension.ThreadDiameter, 17.145), (Dimension.Pitch, 1.411), (Dimension.FluteLength, 18),
            (Dimension.UsableLength, 36), (Dimension.NeckDiameter, 13), (Dimension.ShankDiameter, 13))
        { Change = c => c with { Picks = new Dictionary<string, string> { ["standard"] = "NPT" } } };
        TapGeometry tap = new(Cutter(taper));
        NoTrace none = default;
        double hole = Math.Round(tap.HoleFor(tap.UsualHeight, ref none), 1);
        HoleChain pipe = Chain(Hole("3/8-18 NPT") with { Depth = 10 }, Rack.Drill(hole), taper);
        Assert.Equal("tap", pipe.Steps[^1].Operation);
        Assert.True(pipe.Steps[^1].Found);
        Assert.Equal("3/8-18 NPT", pipe.Steps[^1].Result!.Attached<CutThread>()!.Plain);

        // Its dry-sealing sister has another crest, and another tap.
        Assert.False(Chain(Hole("3/8-18 NPTF") with { Depth = 10 }, Rack.Drill(hole), taper).Steps[^1].Found);
    }

    [Fact]
    public void A_shops_own_thread_is_made_by_what_has_its_very_sizes()
    {
        OwnThread own = OwnThread.From(ThreadText.Read("M10×1.5")!) with { Name = "Worn bore", Reason = "test", Pitch = 1.6 };
        HoleTarget target = Hole("Worn bore") with { Thread = new("Worn bore", 7) { Own = new(7, 1, own) } };
        Assert.DoesNotContain(Group(target).Check().Faults, f => f.Field.StartsWith("target", StringComparison.Ordinal));
        Assert.True(Chain(target, Rack.Drill(8.4), Of("M", "none", 10, 1.6)).Steps[^1].Found);
        HoleChain none = Chain(target, Rack.Drill(8.4), Plain);
        Assert.Contains("No tap for Worn bore", none.Steps[^1].Reason.ToString(), StringComparison.Ordinal);

        // A core of its own is no tap's.
        HoleTarget opened = target with { Thread = target.Thread! with { Own = new(7, 2, own with { InternalMinor = 8.6 }) } };
        Assert.False(Chain(opened, Rack.Drill(8.4), Of("M", "none", 10, 1.6)).Steps[^1].Found);
    }

    [Theory]
    [InlineData("", "missing")]
    [InlineData("banana", "names no thread")]
    [InlineData("M10×9", "leaves no core")]
    [InlineData("M10×1.5-6g", "class of the outside thread; a hole takes one of 6H, 5H")]
    [InlineData("G1/4{0}", "digit in braces")]
    public void A_hole_without_a_thread_it_can_have_is_refused_in_words(string thread, string says)
    {
        string Refusal(HoleTarget target) => Assert.Single(Group(target).Check().Faults, f => f.Field == "target.thread").Sentence;
        Assert.Contains(says, Refusal(Hole(thread)), StringComparison.Ordinal);
        Assert.Contains("no thread yet", Refusal(Hole(thread) with { Thread = null }), StringComparison.Ordinal);
    }
}

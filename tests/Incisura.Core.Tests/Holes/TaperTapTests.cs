using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Holes;
using Incisura.Core.Threads;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

/// <summary>Taps for pipe threads, parallel and taper.</summary>
public sealed class TaperTapTests
{
    private static readonly IOperation Tap = Operations.Find("tap")!;

    private static Situation Taper(string standard, double diameter, double pitch) => With(
        CutterFamily.TaperPipeTap, "tap", (Dimension.ThreadDiameter, diameter), (Dimension.Pitch, pitch), (Dimension.FluteLength, 19),
        (Dimension.UsableLength, 34), (Dimension.NeckDiameter, 9.5), (Dimension.ShankDiameter, 10))
        .Changed(c => c with { Picks = new Dictionary<string, string> { ["standard"] = standard } });

    [Theory]
    [InlineData("R", 13.157, 1.337, "R1/4")]
    [InlineData("NPT", 13.716, 1.411, "1/4-18 NPT")]
    public void A_taper_tap_means_its_pipe_and_goes_to_its_gauge_plane(string standard, double diameter, double pitch, string thread)
    {
        CalculationResult r = Tap.Calculate(Taper(standard, diameter, pitch), Choices.None, explain: true);
        Assert.Equal(thread, r.Attached<CutThread>()!.Text);
        Assert.Equal(0.65 * 19, r.Figure("programmedDepth"), 9);
        Assert.Contains(r.Findings, f => f.Code == "gauge-plane");

        // Between the core at the gauge plane and that at the small end: it fills up towards the tip.
        double core = diameter - (standard == "R" ? 2 * 0.640327 * pitch : 1.6 * pitch);
        Assert.InRange(r.Field("holeBefore").Value, core - (0.65 * 19 / 16), core);
        Assert.True(r.Figure("heightGot") > 100);
    }

    [Fact]
    public void Its_torque_is_the_force_on_the_groove_at_the_gauge_plane_with_the_thin_chip_of_the_taper()
    {
        Situation s = Taper("R", 13.157, 1.337);
        CalculationResult r = Tap.Calculate(s, Sample.Typed(("holeBefore", 11.2)), explain: false);
        double height = (13.157 - 11.2) / 2, chip = 1.337 / 16 / 2 / s.Cutter.Value.Teeth,
            section = height * ((1.337 / 6) + (height * Math.Tan(27.5 * Math.PI / 180)));
        Assert.Equal(chip, r.Figure("chip"), 12);
        double force = s.Material.Value.SpecificCuttingForce * Math.Pow(chip, -s.Material.Value.ChipExponent);
        Assert.Equal(force * section * (13.157 + 11.2) / 4 / 1000, r.Figure("torque"), 1e-6 * r.Figure("torque"));
    }

    [Fact]
    public void A_parallel_pipe_tap_has_the_height_and_the_limits_of_its_own_form()
    {
        Situation s = With(
            CutterFamily.CuttingTap, "tap", (Dimension.ThreadDiameter, 13.157), (Dimension.Pitch, 1.337), (Dimension.FluteLength, 16),
            (Dimension.UsableLength, 34), (Dimension.NeckDiameter, 9.5), (Dimension.ShankDiameter, 11));
        CalculationResult r = Tap.Calculate(s, Sample.Typed(("holeBefore", 11.8)), explain: true);
        Assert.Equal("G1/4", r.Attached<CutThread>()!.Plain);
        Assert.Equal(100 * (13.157 - 11.8) / (2 * 0.640327 * 1.337), r.Figure("heightGot"), 9);
        Assert.Contains("G, ", r.Findings.Single(f => f.Code == "minor-class").Text.Template, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(12, 1.75, "M12×1.75")]
    [InlineData(12.7, 1.954, "1/2-13 UNC")]
    [InlineData(20.955, 1.814, "G1/2")]
    [InlineData(11, 1.3, "M11×1.3")]
    public void Sizes_mean_the_listed_thread_they_are_of(double diameter, double pitch, string thread)
    {
        Assert.Equal(thread, ThreadTables.Meant(diameter, pitch).ToString());
        Assert.Equal($"{thread} LH", ThreadTables.Meant(diameter, pitch, leftHand: true).ToString());
    }

    [Fact]
    public void Every_form_of_hole_gives_back_the_height_it_was_made_for()
    {
        NoTrace none = default;
        foreach (ThreadForm form in new[] { ThreadForm.Metric, ThreadForm.PipeParallel, ThreadForm.PipeTaper60 })
        {
            double hole = ThreadHole.For(20, 1.8, 70, false, ref none, form);
            Assert.Equal(70, ThreadHole.HeightOf(20, 1.8, hole, false, ref none, form), 9);
            Assert.Equal(hole, ThreadHole.MinorFor(20, 1.8, 70, form), 9);
        }
    }
}

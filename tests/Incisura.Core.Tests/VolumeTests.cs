using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Tests.Holes;

namespace Incisura.Core.Tests;

/// <summary>The volume removed is the removal rate times the time in cut, whatever the operation.</summary>
public class VolumeTests
{
    [Theory]
    [InlineData("face", "stockWidth", "stockHeight")]
    [InlineData("side-rough", "stockWidth", "wallHeight")]
    [InlineData("side-finish", "stockWidth", "wallHeight")]
    [InlineData("slot", null, "stockHeight")]
    public void Of_straight_passes(string code, string? across, string down)
    {
        foreach (double wide in new[] { 2.2, 7.5, 31 })
            foreach (double high in new[] { 1.3, 12, 21 })
            {
                List<(string, double)> typed = [(down, high), ("length", 87), ("springPasses", 0)];
                if (across is not null) typed.Add((across, wide));
                IOperation operation = Core.Catalogue.Operations.Find(code)!;
                (string, double)[] asked = [.. typed.Where(t => operation.Description.Fields.Any(f => f.Code == t.Item1))];
                Situation s = Sample.With(operation.Description.Families[0], code);
                CalculationResult r = operation.Calculate(s, Sample.Typed(asked), explain: false);
                double left = r.Fields.FirstOrDefault(f => f.Code == "stockLeft")?.Value ?? 0,
                    width = across is null ? r.Figure("width") : wide - left, count = r.Figure("passesDown") * r.Figure("passesAcross"),
                    inCut = count * 87 / r.Figure("feedRate");
                if (code is "slot") inCut = r.Figure("passesDown") * 87 / r.Figure("feedRate");
                Assert.Equal(width * high * 87 / 1000, r.Figure("removalRate") * inCut, 1e-9 * width * high * 87 / 1000);
            }
    }

    [Theory]
    [InlineData("drill", CutterFamily.TwistDrill, 0)]
    [InlineData("drill", CutterFamily.TwistDrill, 4)]
    [InlineData("ream", CutterFamily.Reamer, 9.5)]
    [InlineData("bore", CutterFamily.BoringTool, 38)]
    public void Of_holes(string code, CutterFamily family, double before)
    {
        Situation s = HoleSample.With(family, code);
        double diameter = s.Cutter.Value.CuttingDiameter, hole = before == 0 ? 0 : Math.Min(before, diameter - 0.3);
        IOperation operation = Core.Catalogue.Operations.Find(code)!;
        CalculationResult r = operation.Calculate(s, Sample.Typed(("holeBefore", hole)), explain: false);
        double outer = r.Figure("outerDiameter");
        Assert.Equal(
            Math.PI / 4 * ((outer * outer) - (hole * hole)) * r.Figure("feedRate") / 1000, r.Figure("removalRate"), 1e-9 * r.Figure("removalRate"));
    }
}

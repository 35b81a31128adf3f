using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Materials;

namespace Incisura.Core.Records;

/// <summary>The row of a speed chart that figures make which were run here.</summary>
public static class TriedRow
{
    // Widths and depths that differ by less are those of the row.
    private const double SameRatio = 0.02;

    /// <summary>
    /// The row: speed, feed, width and depth as they were run, and the life that the row there is gives at that speed (Taylor 1907). Feeds at other diameters are kept of the row there is where it is for the same width and
    /// depth; otherwise they belong to another cut and are left out, and smaller diameters follow in proportion until somebody has tried them.
    /// </summary>
    /// <param name="situation">What was run.</param>
    /// <param name="result">The figures it was run with.</param>
    /// <param name="there">The row there is for just this; null for none.</param>
    /// <param name="source">Where it was run.</param>
    /// <exception cref="InputException">The operation has no speed, or nothing a row could be made of.</exception>
    public static SpeedRow Of(Situation situation, CalculationResult result, SpeedRow? there, string source)
    {
        (Cutter cutter, WorkMaterial material) = (situation.Cutter.Value, situation.Material.Value);
        bool inStep = Operations.FeedInStep(result.Operation) == true;
        double diameter = cutter.CuttingDiameter, speed = Used("cuttingSpeed"),
            feed = Used("feedPerTooth") is var tooth && double.IsFinite(tooth) ? tooth : Used("feedPerRevolution") / cutter.Teeth;
        new InputCheck()
            .Holds(
                double.IsFinite(speed) && (inStep || (double.IsFinite(feed) && double.IsFinite(diameter))), "operation", double.NaN,
                "These figures have no speed and feed of their own that a row of the chart could keep.")
            .ThrowIfAny();
        double width = Ratio("widthOfCut", "width"), depth = Ratio("depthOfCut", "depth");
        bool same = there is not null && Near(there.WidthRatio, width) && Near(there.DepthRatio, depth);
        IEnumerable<FeedPoint> others = same ? there!.Feeds.Where(f => !Near(f.Diameter, diameter)) : [];
        return new()
        {
            Family = cutter.Family,
            CuttingMaterial = cutter.Material,
            SubGroup = material.SubGroup,
            Operation = result.Operation,
            CuttingSpeed = speed,
            Feeds = inStep ? [] : [.. others.Append(new(diameter, feed)).OrderBy(f => f.Diameter)],
            WidthRatio = same ? there!.WidthRatio : width,
            DepthRatio = same ? there!.DepthRatio : depth,
            Life = there is null ? 0 : Math.Clamp(there.Taylor.LifeOrNone(speed), there.Life > 0 ? SpeedRow.LeastLife : 0, SpeedRow.MostLife),
            LifeExponent = there?.LifeExponent ?? 0,
            Source = source,
        };

        double Used(string code) => result.Fields.FirstOrDefault(f => f.Code == code && f.Used)?.Value ?? double.NaN;

        // What each pass took, which may be less than the most that was asked for.
        double Ratio(string most, string each) =>
            double.IsFinite(Used(most)) && diameter > 0 && result.Figures.FirstOrDefault(f => f.Code == each) is { Value: > 0 } of
                ? of.Value / diameter
                : 1;
    }

    private static bool Near(double a, double b) => Math.Abs(a - b) <= SameRatio * Math.Max(Math.Abs(a), Math.Abs(b));
}

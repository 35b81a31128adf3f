using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.HoleGroups;

namespace Incisura.Core.Tests.Holes;

/// <summary>A tool of a made-up rack.</summary>
internal sealed record RackTool(CutterFamily Family, params (Dimension Dimension, double Value)[] Dimensions)
{
    public Func<Cutter, Cutter> Change { get; init; } = c => c;

    public Func<Situation, Situation> Place { get; init; } = s => s;
}

/// <summary>Racks of tools for chains.</summary>
internal static class Rack
{
    public static RackTool Drill(
        double diameter, CuttingMaterial material = CuttingMaterial.Carbide, CutterFamily family = CutterFamily.TwistDrill, double flutes = 0) =>
        new(family, [.. Sizes(family, diameter, flutes > 0 ? flutes : 6 * diameter)]) { Change = c => c with { Material = material } };

    private static IEnumerable<(Dimension, double)> Sizes(CutterFamily family, double d, double flutes)
    {
        double shank = Math.Ceiling(d);
        yield return (Dimension.CuttingDiameter, d);
        yield return (Dimension.FluteLength, flutes);
        if (family != CutterFamily.SpotDrill) yield return (Dimension.UsableLength, flutes);
        yield return (Dimension.ShankDiameter, shank);
        yield return (Dimension.OverallLength, flutes + 45);
    }

    public static ToolShelf ForThreads { get; } = Of(
        new(CutterFamily.SpotDrill, (Dimension.CuttingDiameter, 16)), new(CutterFamily.SpotDrill, (Dimension.CuttingDiameter, 6)), Drill(8.5),
        Drill(8.2), new(CutterFamily.CuttingTap), new(CutterFamily.Countersink));

    /// <summary>
    /// The tools in one material on one machine, with one chart for all of them; the number of each is its place in the list, from 1.
    /// </summary>
    public static ToolShelf Of(params IReadOnlyList<RackTool> tools) => ToolShelf.Of(Situations(tools));

    public static IReadOnlyList<Situation> Situations(params IReadOnlyList<RackTool> tools)
    {
        List<Situation> rack = [];
        foreach (RackTool tool in tools)
        {
            string operation = HoleSample.All.FirstOrDefault(a => a.Family == tool.Family).Code
                ?? (tool.Family switch { CutterFamily.ChamferMill => "chamfer", CutterFamily.ThreadMill => "thread-milling", _ => "side-rough" });
            Situation s = tool.Place(HoleSample.With(tool.Family, operation, tool.Dimensions).Changed(tool.Change));
            int id = rack.Count + 1;
            double projection = Math.Max(s.Cutter.Value.LeastProjection, s.Cutter.Value.OverallLength - 30);
            rack.Add(s with { Assembly = new(id, 1, s.Assembly.Value with { Number = $"A-{id}", Projection = projection }) });
        }

        return
        [
            .. rack.Select(s => s with
            {
                Chart = new(1, 1, s.Chart.Value with
                {
                    Rows =
                        [.. rack.SelectMany(
                            o =>
                                o.Chart.Value.Rows.Select(r => r with { CuttingMaterial = o.Cutter.Value.Material })).DistinctBy(r =>
                                    (r.Family, r.CuttingMaterial, r.Operation))],
                    Cycles = [.. rack.SelectMany(o => o.Chart.Value.Cycles).DistinctBy(c => c.Family)],
                }),
            }),
        ];
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Charts;

namespace Incisura.Core.Milling;

/// <summary>Where a side cut may be run, over the width and depth of one pass.</summary>
internal static class SideMillingWindow
{
    private const int Columns = 96;
    private const double HeightOverFlutes = 1.15;

    private static readonly LimitKind[] Kinds =
    [
        LimitKind.Deflection, LimitKind.TorqueContinuous, LimitKind.PowerContinuous, LimitKind.FluteLength, LimitKind.DepthOfCutter,
        LimitKind.WidthOfCutter, LimitKind.LargestChip, LimitKind.LeastChip, LimitKind.AxisFeed,
    ];

    public static OperatingWindow Of(SideMillingSetup setup, SpeedRow? row, SideMillingWish wish)
    {
        NoTrace none = default;
        double most = setup.FluteLength * HeightOverFlutes, least = most * 1e-3;
        SideMillingWish start = row is null ? wish with { MostWidth = setup.Diameter / 10, MostDepth = least } : wish;
        SideMillingChoices choices = SideMillingProposal.Propose(setup, row, start, ref none).Choices;

        double[] widths = new double[Columns];
        double[][] depths = [.. Kinds.Select(_ => new double[Columns])];
        (double Width, double Depth, double Rate) best = default;
        for (int i = 0; i < Columns; i++)
        {
            double width = widths[i] = setup.Diameter * (i + 1) / Columns;
            double inside = most;
            for (int k = 0; k < Kinds.Length; k++)
            {
                LimitKind kind = Kinds[k];
                double depth = SideMillingProposal.LargestWithin(least, most, d => !(UseAt(width, d, kind) > 1));
                depths[k][i] = double.IsNaN(depth) ? 0 : depth;
                inside = Math.Min(inside, depths[k][i]);
            }

            double rate = inside > 0 ? RateAt(width, inside) : 0;
            if (rate > best.Rate) best = (width, inside, rate);
        }

        return new(
            widths,
            most,
            [.. Kinds.Select((kind, k) => new WindowLine(kind, LimitCatalogue.NameOf(kind), depths[k])).Where(l => l.Depths.Any(d => d < most))],
            best.Width,
            best.Depth,
            best.Rate);

        SideMillingResult At(double width, double depth)
        {
            NoTrace ignored = default;
            SideMilling.Solve(setup, SideMillingProposal.At(setup, row, wish, choices, width, depth), out SideMillingResult result, ref ignored);
            return result;
        }

        double UseAt(double width, double depth, LimitKind kind) => At(width, depth).Limits.Of(kind).Use;

        double RateAt(double width, double depth) => At(width, depth).Load.RemovalRate;
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>The fields of a side cut after it was worked out: value, origin, proposal, and the range that keeps the limits.</summary>
internal static class SideMillingFields
{
    private static readonly LimitKind[] DepthLimits = [LimitKind.FluteLength, LimitKind.DepthOfCutter, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Deflection];
    private static readonly LimitKind[] WidthLimits = [LimitKind.WidthOfCutter, LimitKind.LargestChip, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Deflection];
    private static readonly LimitKind[] FeedLimits = [LimitKind.LargestChip, LimitKind.AxisFeed, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Deflection];
    private static readonly LimitKind[] SpeedLimits = [LimitKind.HighestSpeed, LimitKind.AxisFeed, LimitKind.PowerContinuous, LimitKind.TorqueContinuous];

    public static IReadOnlyList<FieldState> StatesOf(SideMillingSetup setup, SpeedRow? row, in SideMillingWish wish, SideMillingProposal proposal)
    {
        SideMillingChoices at = proposal.Choices;
        bool widthFollows = wish.StockWidth is null, depthFollows = wish.WallHeight is null;
        double leastFeed = ChipThinning.FeedForMeanChip(setup.LeastChip, setup.LeadAngle, SideMillingProposal.ArcAt(setup, at));

        return
        [
            Plain(SideMillingOperation.StockWidth, at.StockWidth, wish.StockWidth is not null, at.MostWidth, null),
            Ranged(SideMillingOperation.WidthOfCut, "a_e", at.MostWidth, wish.MostWidth, Proposed(wish.MostWidth, at.MostWidth, wish with { MostWidth = null }, c => c.MostWidth), null, setup.Diameter, WidthLimits,
                v => at with { MostWidth = v, StockWidth = widthFollows ? v : at.StockWidth },
                new("{0} × D", new Measure(at.MostWidth / setup.Diameter, Quantity.Ratio))),
            Plain(SideMillingOperation.WallHeight, at.WallHeight, wish.WallHeight is not null, at.MostDepth, setup.Reach),
            Ranged(SideMillingOperation.DepthOfCut, "a_p", at.MostDepth, wish.MostDepth, Proposed(wish.MostDepth, at.MostDepth, wish with { MostDepth = null }, c => c.MostDepth), null, setup.FluteLength, DepthLimits,
                v => at with { MostDepth = v, WallHeight = depthFollows ? v : at.WallHeight },
                new("{0} × D", new Measure(at.MostDepth / setup.Diameter, Quantity.Ratio))),
            Ranged(SideMillingOperation.FeedPerTooth, "f_z", at.FeedPerTooth, wish.FeedPerTooth, Proposed(wish.FeedPerTooth, at.FeedPerTooth, wish with { FeedPerTooth = null }, c => c.FeedPerTooth), leastFeed, 5, FeedLimits,
                v => at with { FeedPerTooth = v },
                row is null ? null : new("chart {0} × {1}", new(row.FeedPerToothAt(setup.Diameter), Quantity.Chip), new Measure(SideMillingProposal.ThinningAt(setup, row, wish, at), Quantity.Ratio))),
            Ranged(SideMillingOperation.CuttingSpeed, "v_c", at.CuttingSpeed, wish.CuttingSpeed, Proposed(wish.CuttingSpeed, at.CuttingSpeed, wish with { CuttingSpeed = null }, c => c.CuttingSpeed),
                MillingCut.CuttingSpeedFor(setup.LeastSpeed, setup.Diameter), 5000, SpeedLimits,
                v => at with { CuttingSpeed = v },
                row is null ? null : new("chart {0}", new Measure(row.CuttingSpeed, Quantity.CuttingSpeed))),
            Plain(SideMillingOperation.Length, at.Length, wish.Length is not null, wish.DefaultLength, null),
            Plain(SideMillingOperation.DeflectionAllowed, at.DeflectionAllowed, wish.DeflectionAllowed is not null, wish.DefaultDeflection, null),
        ];

        FieldState Ranged(string code, string symbol, double value, double? typed, double? proposed, double? least, double hardMost, LimitKind[] kinds, Func<double, SideMillingChoices> with, Sentence? note)
        {
            double low = Math.Max(least ?? 0, 1e-4);
            double most = SideMillingProposal.LargestWithin(low, Math.Max(low, hardMost), v => Over(setup, with(v), kinds) is null);
            LimitKind? by = double.IsNaN(most) ? Over(setup, with(low), kinds) : Over(setup, with(most * (1 + 1e-6)), kinds);
            bool held = typed is null && proposal.Holds.Any(h => h.Symbol == symbol);
            return new(code, value, typed is not null ? Origin.Typed : held ? Origin.Held : Origin.Proposed, proposed, least, double.IsNaN(most) ? null : most, by, note);
        }

        // What would stand in a field if nothing were typed there.
        double? Proposed(double? typed, double value, in SideMillingWish without, Func<SideMillingChoices, double> of)
        {
            if (typed is null) return value;
            if (row is null) return null;
            NoTrace none = default;
            return of(SideMillingProposal.Propose(setup, row, without, ref none).Choices);
        }

        // A field without a range of its own follows another one, or has a default.
        FieldState Plain(string code, double value, bool typed, double? proposed, double? most) =>
            new(code, value, typed ? Origin.Typed : Origin.Default, proposed, null, most, most is null ? null : LimitKind.Reach, null);
    }

    private static LimitKind? Over(SideMillingSetup setup, in SideMillingChoices choices, LimitKind[] kinds)
    {
        NoTrace none = default;
        SideMilling.Solve(setup, choices, out SideMillingResult result, ref none);
        LimitKind? over = null;
        double use = 1;
        foreach (LimitKind kind in kinds)
        {
            double of = result.Limits.Of(kind).Use;
            if (!(of > use)) continue;
            over = kind;
            use = of;
        }

        return over;
    }
}

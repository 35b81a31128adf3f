using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>The fields of a milling operation after it was worked out: value, origin, proposal, and the range that keeps the limits.</summary>
internal static class MillingFields
{
    private static readonly Dictionary<MillingInput, LimitKind[]> Bounds = new()
    {
        [MillingInput.DepthOfCut] =
        [
            LimitKind.FluteLength, LimitKind.DepthOfCutter, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Deflection,
            LimitKind.ChipRoom,
        ],
        [MillingInput.WidthOfCut] =
        [
            LimitKind.WidthOfCutter, LimitKind.LargestChip, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Deflection,
            LimitKind.ChipRoom,
        ],
        [MillingInput.FeedPerTooth] =
        [
            LimitKind.LargestChip, LimitKind.AxisFeed, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Deflection,
            LimitKind.ChipRoom,
        ],
        [MillingInput.CuttingSpeed] =
        [
            LimitKind.HighestSpeed, LimitKind.AxisFeed, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.ToolLife,
        ],
    };

    public static IReadOnlyList<FieldState> StatesOf<TKind>(MillingCase given, MillingProposal proposal)
        where TKind : struct, IMillingKind
    {
        MillingSetup setup = given.Setup;
        MillingInputs x = proposal.Inputs;
        Engagement e = MillingSolver.Engage<TKind>(setup, x);
        return [.. TKind.Description.Fields.Select(StateOf)];

        FieldState StateOf(MillingField f) =>
            Bounds.TryGetValue(f.Input, out LimitKind[]? kinds) ? Ranged(f, kinds) : f.Input == MillingInput.ToolLife ? Paced(f) : Plain(f);

        // The life goes with the speed: whichever of the two is typed, the other follows.
        FieldState Paced(MillingField f)
        {
            bool typed = given.Wish.IsTyped(f.Input);
            return new(
                f.Code, x[f.Input], typed
                    ? Origin.Typed
                    : Origin.Proposed, Proposed(f, typed), null, null, null, Note(f), typed || setup.Taylor.Known);
        }

        FieldState Ranged(MillingField f, LimitKind[] kinds)
        {
            bool typed = given.Wish.IsTyped(f.Input);
            (double? least, double hardMost) = f.Input switch
            {
                MillingInput.WidthOfCut => ((double?)null, setup.Diameter),
                MillingInput.DepthOfCut => (null, setup.FluteLength),
                MillingInput.FeedPerTooth => (setup.LeastChip / e.MeanChipRatio, 5),
                _ => (MillingCut.CuttingSpeedFor(setup.LeastSpeed, e.Diameter), 5000),
            };
            MillingInputs fixedFeed = x.With(MillingInput.FeedPerTooth, x[MillingInput.FeedPerTooth]);
            double low = Math.Max(least ?? 0, 1e-4);
            double most = Search.LargestWithin(low, Math.Max(low, hardMost), v => Over(v) is null);
            LimitKind? by = double.IsNaN(most) ? Over(low) : Over(most * (1 + 1e-6));
            bool held = !typed && proposal.Holds.Any(h => h.Input == f.Input);
            return new(
                f.Code, x[f.Input], typed ? Origin.Typed : held ? Origin.Held : Origin.Proposed, Proposed(f, typed), least,
                double.IsNaN(most) ? null : most, by, Note(f));

            LimitKind? Over(double value)
            {
                LimitSet limits = MillingSolver.Solve<TKind>(setup, MillingProposal.At<TKind>(setup, fixedFeed, f.Input, value)).Limits;
                LimitKind? over = null;
                double use = 1;
                foreach (LimitKind kind in kinds)
                    if (limits.Of(kind).Use is var of && of > use) (over, use) = (kind, of);
                return over;
            }
        }

        Sentence? Note(MillingField f) => f.Input switch
        {
            MillingInput.WidthOfCut or MillingInput.DepthOfCut => new("{0} × D", new Measure(x[f.Input] / setup.Diameter, Quantity.Ratio)),
            MillingInput.FeedPerTooth when setup.Row is { } row => new(
                "chart {0} × {1}", new(row.FeedPerToothAt(setup.Diameter), Quantity.Chip),
                new Measure(MillingProposal.ChartedFeed<TKind>(setup, x) / row.FeedPerToothAt(setup.Diameter), Quantity.Ratio)),
            MillingInput.CuttingSpeed when setup.Row is { } row => new("chart {0}", new Measure(row.CuttingSpeed, Quantity.CuttingSpeed)),
            MillingInput.ToolLife when setup.Row is { } row => new("chart {0}", new Measure(row.Life, Quantity.Time)),
            _ => null,
        };

        // What would stand in a field if nothing were typed there.
        double? Proposed(MillingField f, bool typed)
        {
            if (!typed) return x[f.Input];
            if (setup.Row is null) return null;
            NoTrace none = default;
            return MillingProposal.Propose<TKind, NoTrace>(setup, given.Wish.Without(f.Input), ref none).Inputs[f.Input];
        }

        // A field without a range of its own follows another one, or has a default.
        FieldState Plain(MillingField f)
        {
            bool typed = given.Wish.IsTyped(f.Input);
            double value = x[f.Input];
            MillingInputs without = x.Without(f.Input);
            if (double.IsFinite(f.Default)) without.Propose(f.Input, f.Default);
            TKind.Follow(setup, ref without);
            double? most = f.Input is MillingInput.WallHeight or MillingInput.StockHeight ? setup.Reach : null;
            return new(
                f.Code, value, typed ? Origin.Typed : Origin.Default, without[f.Input], null, most, most is null ? null : LimitKind.Reach, null,
                TKind.Uses(setup, x, f.Input));
        }
    }
}

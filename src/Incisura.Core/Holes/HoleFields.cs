using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>The fields of a hole operation after it was worked out: value, origin, proposal, and the range that keeps the limits.</summary>
internal static class HoleFields
{
    private static readonly Dictionary<HoleInput, LimitKind[]> Bounds = new()
    {
        [HoleInput.CuttingSpeed] =
        [
            LimitKind.HighestSpeed, LimitKind.AxisFeed, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Whirl, LimitKind.ToolLife,
        ],
        [HoleInput.FeedPerRevolution] =
        [
            LimitKind.AxisFeed, LimitKind.PowerContinuous, LimitKind.TorqueContinuous, LimitKind.Thrust, LimitKind.ToolStrength, LimitKind.Buckling,
            LimitKind.Deflection,
        ],
        [HoleInput.Depth] = [LimitKind.FluteLength, LimitKind.Reach],
    };

    public static IReadOnlyList<FieldState> StatesOf<TKind>(HoleCase given, HoleProposal proposal)
        where TKind : struct, IHoleKind
    {
        HoleSetup setup = given.Setup;
        HoleInputs x = proposal.Inputs;
        return [.. TKind.Description.Fields.Select(StateOf)];

        FieldState StateOf(HoleField f)
        {
            bool typed = given.Wish.IsTyped(f.Input), held = !typed && proposal.Holds.Any(h => h.Input == f.Input);
            (double? most, LimitKind? by) = !TKind.Description.InStep || f.Input == HoleInput.Depth ? MostOf(f) : (null, null);
            bool charted = f.Input is HoleInput.CuttingSpeed or HoleInput.FeedPerRevolution or HoleInput.ToolLife;
            Origin origin = typed ? Origin.Typed : held ? Origin.Held : charted ? Origin.Proposed : Origin.Default;
            return new(
                f.Code, x[f.Input], origin, ProposedFor(f, typed, charted), null, most, by, NoteOf(f), HoleSolver.Uses<TKind>(setup, x, f.Input));
        }

        (double? Most, LimitKind? By) MostOf(HoleField f)
        {
            if (!Bounds.TryGetValue(f.Input, out LimitKind[]? kinds)) return (null, null);
            double least = Math.Max(f.Least, 1e-4),
                end = f.Input == HoleInput.Depth ? Math.Max(x[f.Input], setup.Reach) * 1.2 : Math.Max(x[f.Input] * 20, 1);
            LimitKind? Over(double value)
            {
                HoleInputs at = x;
                at[f.Input] = value;
                return HoleProposal.Over<TKind>(setup, at, kinds);
            }

            double most = Search.LargestWithin(least, end, v => Over(v) is null);
            return double.IsNaN(most) ? (null, Over(least)) : most >= end ? (null, null) : (most, Over(most * (1 + 1e-6)));
        }

        // What would stand in a field if nothing were typed there.
        double? ProposedFor(HoleField f, bool typed, bool charted)
        {
            if (!typed) return x[f.Input];
            if (charted && setup.Row is null) return null;
            NoTrace none = default;
            return HoleProposal.Propose<TKind, NoTrace>(setup, given.Wish.Without(f.Input), ref none).Inputs[f.Input];
        }

        Sentence? NoteOf(HoleField f) => f.Input switch
        {
            HoleInput.Depth => new("{0} × D", new Measure(x[HoleInput.Depth] / setup.Diameter, Quantity.Ratio)),
            HoleInput.CuttingSpeed when setup.Row is { } row => new("chart {0}", new Measure(row.CuttingSpeed, Quantity.CuttingSpeed)),
            HoleInput.ToolLife when setup.Row is { } row => new("chart {0}", new Measure(row.Life, Quantity.Time)),
            HoleInput.FeedPerRevolution when setup.Row is { Feeds.Count: > 0 } row =>
                new("chart {0} × {1}", new(row.FeedPerToothAt(setup.Diameter), Quantity.Chip), new Measure(setup.Teeth, Quantity.Count)),
            _ => null,
        };
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Quantities;
using Incisura.Core.Wear;

namespace Incisura.Core.Holes;

/// <summary>What goes into the derivation of a hole operation, each with where it came from.</summary>
internal static class HoleGivens
{
    public static IReadOnlyList<Given> Of<TKind>(Situation situation, HoleCase given, HoleProposal proposal)
        where TKind : struct, IHoleKind
    {
        HoleSetup setup = given.Setup;
        (string cutter, string material, string machine, _, string chart) = Origins.Of(situation, setup);
        List<Given> givens =
        [
            new("D", "Cutting diameter", Quantity.Length, setup.Diameter, cutter),
            new("z", "Lips", Quantity.Count, setup.Teeth, cutter),
            new("σ", "Point angle", Quantity.Angle, setup.PointAngle, cutter),
            new("k_m", "Specific force at 1 mm", Quantity.Stress, setup.MaterialForce11, material),
            new("m_c", "Chip exponent", Quantity.Ratio, setup.ChipExponent, material),
            new("K_γ", "Factor for the rake", Quantity.Ratio, setup.RakeFactor, setup.RakeFactor == 1 ? "rake not known" : cutter),
            new("K_w", "Factor for wear", Quantity.Ratio, given.Wish.Wear, "picked"),
            new("η", "Efficiency", Quantity.Ratio, setup.Efficiency, machine),
            new("v_rapid", "Rapid traverse", Quantity.FeedRate, setup.RapidFeed, machine),
        ];
        if (setup.Tap is { } tap) givens.Add(new("P", "Pitch", Quantity.Length, tap.Pitch, cutter));
        if (setup.Row is { } row)
        {
            givens.Add(new("v_cchart", "Charted cutting speed", Quantity.CuttingSpeed, row.CuttingSpeed, chart));
            if (setup.Taylor.Known) givens.AddRange(TaylorLife.Givens(row, chart));
            if (row.Feeds.Count > 0) givens.Add(new("f_zchart", "Charted feed per tooth", Quantity.Chip, row.FeedPerToothAt(setup.Diameter), chart));
        }

        foreach (HoleField f in TKind.Description.Fields)
        {
            double value = proposal.Inputs[f.Input];
            HoleHold? hold = proposal.Holds.LastOrDefault(h => h.Input == f.Input);
            string from = given.Wish.IsTyped(f.Input) ? "typed"
                : hold is not null ? $"proposed, then held by: {LimitCatalogue.NameOf(hold.Kind)}"
                : f.Input is HoleInput.CuttingSpeed or HoleInput.FeedPerRevolution ? "proposed"
                : double.IsFinite(f.Default) ? "default of the operation" : "follows the other fields";
            if ((f.Input == HoleInput.ToolLife ? setup.Taylor.Known : TKind.Uses(setup, proposal.Inputs, f.Input)) && from != "proposed") givens.Add(new(f.Symbol, f.Name, f.Quantity, value, from));
        }

        return givens;
    }
}

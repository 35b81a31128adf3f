using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Quantities;
using Incisura.Core.Wear;

namespace Incisura.Core.Milling;

/// <summary>What goes into the derivation of a milling operation, each with where it came from.</summary>
internal static class MillingGivens
{
    public static IReadOnlyList<Given> Of<TKind>(Situation situation, MillingCase given, MillingProposal proposal, in MillingResult result)
        where TKind : struct, IMillingKind
    {
        MillingSetup setup = given.Setup;
        Engagement e = result.Engagement;
        SpeedRow? row = setup.Row;
        (string cutter, string material, string machine, string assembly, string chart) = Origins.Of(situation, setup);
        List<Given> givens =
        [
            new("DC", "Cutting diameter", Quantity.Length, setup.Diameter, cutter),
            new("z", "Teeth", Quantity.Count, setup.Teeth, cutter),
            new("λ", "Helix angle", Quantity.Angle, setup.HelixAngle, cutter),
            new("LCF", "Flute length", Quantity.Length, setup.FluteLength, cutter),
            new("APMX", "Largest depth", Quantity.Length, setup.LargestDepth, cutter),
            new("k_m", "Specific force at 1 mm", Quantity.Stress, setup.MaterialForce11, material),
            new("m_c", "Chip exponent", Quantity.Ratio, setup.ChipExponent, material),
            new("k_r", "Radial force ratio", Quantity.Ratio, setup.RadialRatio, material),
            new("K_γ", "Factor for the rake", Quantity.Ratio, setup.RakeFactor, setup.RakeFactor == 1 ? "rake not known" : cutter),
            new("K_w", "Factor for wear", Quantity.Ratio, given.Wish.Wear, "picked"),
            new("η", "Efficiency", Quantity.Ratio, setup.Efficiency, machine),
            new("v_rapid", "Rapid traverse", Quantity.FeedRate, setup.RapidFeed, machine),
            new("a_e", "Width of a pass", Quantity.Length, e.InArc ? result.Across.Each : e.Width, "geometry of the cut"),
            new("a_p", "Depth of a pass", Quantity.Length, e.Depth, "geometry of the cut"),
            new("D_e", "Diameter in contact", Quantity.Length, e.Diameter, $"profile of {cutter}, at this depth"),
            new("κ", "Mean cutting edge angle in contact", Quantity.Angle, e.EdgeAngle, $"profile of {cutter}, at this depth"),
            new("κ_max", "Largest cutting edge angle in contact", Quantity.Angle, e.LargestEdgeAngle, $"profile of {cutter}, at this depth"),
            new("φ_1", "Arc begins at", Quantity.Angle, double.RadiansToDegrees(e.Arc.Entry), "geometry of the cut"),
            new("φ_2", "Arc ends at", Quantity.Angle, double.RadiansToDegrees(e.Arc.Exit), "geometry of the cut"),
            new("s_max", "Largest sine over the arc", Quantity.Ratio, e.EvenChip ? 1 : e.Arc.LargestSine, "geometry of the cut"),
            new("K_0", "Compliance at the tip", Quantity.Compliance, setup.Tip.AtTip, assembly),
            new("K_1", "Its fall with the distance from the tip", Quantity.Ratio, setup.Tip.Fall, assembly),
            new("l_1", "Length of the first segment", Quantity.Length, setup.Tip.FirstLength, assembly),
            new("EI_1", "Its stiffness, N·mm²", Quantity.Ratio, setup.Tip.FirstStiffness, assembly),
            new("a_elargest", "Largest width", Quantity.Length, setup.LargestWidth, cutter),
            new("k_s", "Share of the depth for the steadiness", Quantity.Ratio, given.Wish.Steadiness, "picked"),
            new("c_0", "Clear way before and after", Quantity.Length, PassTime.Clearance, "the same in every operation"),
            new("h_s", "Lift between levels", Quantity.Length, PassTime.Lift, "the same in every operation"),
        ];
        if (row is not null)
        {
            givens.Add(new("v_cchart", "Charted cutting speed", Quantity.CuttingSpeed, row.CuttingSpeed, chart));
            givens.Add(new("f_zchart", "Charted feed per tooth", Quantity.Chip, row.FeedPerToothAt(setup.Diameter), chart));
            givens.Add(new("q_e", "Charted width over diameter", Quantity.Ratio, row.WidthRatio, chart));
            givens.Add(new("q_p", "Charted depth over diameter", Quantity.Ratio, row.DepthRatio, chart));
            if (setup.Taylor.Known) givens.AddRange(TaylorLife.Givens(row, chart));
        }

        IReadOnlyList<MillingInput> free = MillingWindow.FreeOf<TKind>();
        foreach (MillingField f in TKind.Description.Fields)
        {
            if (f.Input == MillingInput.ToolLife && !setup.Taylor.Known) continue;
            double value = proposal.Inputs[f.Input];
            bool typed = given.Wish.IsTyped(f.Input);
            string symbol = SymbolOf(f), name = char.ToUpperInvariant(f.Name[0]) + f.Name[1..];
            if (typed) givens.Add(new(symbol, name, f.Quantity, value, "typed"));
            else if (!free.Contains(f.Input))
                givens.Add(new(
                    symbol, name, f.Quantity, value, double.IsFinite(f.Default) ? "default of the operation" : "follows the other fields"));
        }

        return givens;
    }

    /// <summary>Symbol of a field in the derivation: what a pass may take at most is told apart from what it takes.</summary>
    public static string SymbolOf(MillingField f) =>
        f.Input switch { MillingInput.WidthOfCut => "a_emost", MillingInput.DepthOfCut => "a_pmost", _ => f.Symbol };
}

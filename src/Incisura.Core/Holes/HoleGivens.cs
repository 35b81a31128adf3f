using Incisura.Core.Calculation;
using Incisura.Core.Quantities;
using Incisura.Core.Wear;

namespace Incisura.Core.Holes;

/// <summary>What goes into the derivation of a hole operation, each with where it came from.</summary>
internal static class HoleGivens
{
    public static IReadOnlyList<Given> Of<TKind>(Situation situation, HoleCase given, HoleProposal proposal, in HoleResult r)
        where TKind : struct, IHoleKind
    {
        HoleSetup setup = given.Setup;
        (string cutter, string material, string machine, string assembly, string chart) = Origins.Of(situation, setup);
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
            new("v_fmax", "Largest feed of the axes", Quantity.FeedRate, setup.LargestFeed, machine),
            new("n_max", "Highest speed of machine, holder and cutter", Quantity.SpindleSpeed, setup.LargestSpeed, $"{machine}; {assembly}"),
            new("l_p", "Length outside the holder", Quantity.Length, setup.Projection, assembly),
            new("k_r", "Radial force ratio", Quantity.Ratio, setup.RadialRatio, material),
            new("K_0", "Compliance at the tip", Quantity.Compliance, setup.Tip.AtTip, assembly),
        ];
        if (r.Has(HoleFigure.OuterDiameter))
            givens.Add(new("D_o", "Largest diameter cut", Quantity.Length, r[HoleFigure.OuterDiameter], "geometry of the hole"));
        if (r.Has(HoleFigure.InnerDiameter))
            givens.Add(new("D_i", "Least diameter cut", Quantity.Length, r[HoleFigure.InnerDiameter], "geometry of the hole"));
        if (r.EdgeAngle > 0) givens.Add(new("κ", "Cutting edge angle of the edge", Quantity.Angle, r.EdgeAngle, cutter));
        if (double.IsFinite(setup.RunUp))
            givens.Add(new("α", "Run-up of the spindle, rev/min in a second", Quantity.SpindleSpeed, setup.RunUp, machine));
        if (setup.SynchronousLimit > 0)
            givens.Add(new("n_s", "Highest speed of tapping in step", Quantity.SpindleSpeed, setup.SynchronousLimit, machine));
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
            string from = given.Wish.IsTyped(f.Input) ? "typed"
                : f.Input is HoleInput.CuttingSpeed or HoleInput.FeedPerRevolution ? "proposed"
                : double.IsFinite(f.Default) ? "default of the operation" : "follows the other fields";
            if (HoleSolver.Uses<TKind>(setup, proposal.Inputs, f.Input) && from != "proposed")
                givens.Add(new(f.Symbol, f.Name, f.Quantity, value, from));
        }

        return givens;
    }
}

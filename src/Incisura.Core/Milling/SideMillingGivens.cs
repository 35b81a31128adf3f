using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>What goes into the derivation of a side cut, each with where it came from.</summary>
internal static class SideMillingGivens
{
    public static IReadOnlyList<Given> Of(Situation situation, SideMillingSetup setup, SpeedRow? row, in SideMillingWish wish, SideMillingProposal proposal)
    {
        string cutter = $"cutter {situation.Cutter.Value.Number}, revision {situation.Cutter.Number}";
        string material = $"material {situation.Material.Value.Name}, revision {situation.Material.Number}";
        string machine = $"machine {situation.Machine.Value.Name}, revision {situation.Machine.Number}";
        string assembly = $"assembly {situation.Assembly.Value.Number}, revision {situation.Assembly.Number}, with holder {situation.Holder.Value.Number}, revision {situation.Holder.Number}";
        string chart = $"{situation.Chart.Value.Name}, revision {situation.Chart.Number}" + (row is { Source.Length: > 0 } ? $"; {row.Source}" : "");
        SideMillingChoices at = proposal.Choices;
        List<Given> givens =
        [
            new("D_e", "Diameter in contact", Quantity.Length, setup.Diameter, cutter),
            new("z", "Teeth", Quantity.Count, setup.Teeth, cutter),
            new("κ", "Lead angle", Quantity.Angle, setup.LeadAngle, "side of a square end mill"),
            new("λ", "Helix angle", Quantity.Angle, setup.HelixAngle, cutter),
            new("LCF", "Flute length", Quantity.Length, setup.FluteLength, cutter),
            new("APMX", "Largest depth", Quantity.Length, setup.LargestDepth, cutter),
            new("k_c11", "Specific force at 1 mm", Quantity.Stress, setup.SpecificForce11, material),
            new("m_c", "Chip exponent", Quantity.Ratio, setup.ChipExponent, material),
            new("k_r", "Radial force ratio", Quantity.Ratio, setup.RadialRatio, material),
            new("η", "Efficiency", Quantity.Ratio, setup.Efficiency, machine),
            new("v_rapid", "Rapid traverse", Quantity.FeedRate, setup.RapidFeed, machine),
            new("K_0", "Compliance at the tip", Quantity.Compliance, setup.Tip.AtTip, assembly),
        ];
        if (row is not null)
        {
            givens.Add(new("v_cchart", "Charted cutting speed", Quantity.CuttingSpeed, row.CuttingSpeed, chart));
            givens.Add(new("f_zchart", "Charted feed per tooth", Quantity.Chip, row.FeedPerToothAt(setup.Diameter), chart));
            givens.Add(new("q_e", "Charted width over diameter", Quantity.Ratio, row.WidthRatio, chart));
            givens.Add(new("q_p", "Charted depth over diameter", Quantity.Ratio, row.DepthRatio, chart));
        }

        AddChoice("v_c", "Cutting speed", Quantity.CuttingSpeed, at.CuttingSpeed, wish.CuttingSpeed is not null);
        AddChoice("f_z", "Feed per tooth", Quantity.Chip, at.FeedPerTooth, wish.FeedPerTooth is not null);
        AddChoice("a_emost", "Width, at most", Quantity.Length, at.MostWidth, wish.MostWidth is not null);
        AddChoice("a_pmost", "Depth, at most", Quantity.Length, at.MostDepth, wish.MostDepth is not null);
        givens.Add(new("W", "Stock on the wall", Quantity.Length, at.StockWidth, wish.StockWidth is null ? "one pass of the width" : "typed"));
        givens.Add(new("H", "Wall height", Quantity.Length, at.WallHeight, wish.WallHeight is null ? "one pass of the depth" : "typed"));
        givens.Add(new("L", "Length of cut", Quantity.Length, at.Length, wish.Length is null ? "default of the operation" : "typed"));
        return givens;

        void AddChoice(string symbol, string name, Quantity quantity, double value, bool typed)
        {
            Hold? hold = proposal.Holds.LastOrDefault(h => h.Symbol == symbol[..Math.Min(3, symbol.Length)]);
            if (typed) givens.Add(new(symbol, name, quantity, value, "typed"));
            else if (hold is not null) givens.Add(new(symbol, name, quantity, value, $"proposed, then held by: {LimitCatalogue.NameOf(hold.Kind)}"));
        }
    }
}

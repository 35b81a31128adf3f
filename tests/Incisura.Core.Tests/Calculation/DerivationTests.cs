using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Tests.Holes;

namespace Incisura.Core.Tests.Calculation;

/// <summary>A derivation can be followed by hand: one symbol means one thing, and every term comes from somewhere.</summary>
public sealed class DerivationTests
{
    // Shares, sums and lengths that the name or the source of their own step explains.
    private static readonly HashSet<string> ToldInTheStep =
    [
        "D_1", "E", "F", "R", "R_1", "R_c", "W", "b", "c_b", "d_b", "d_k", "d_t", "f_z", "h_t", "i", "i_p", "k_M", "k_b", "k_h", "k_p", "k_thin",
        "l_a",
        "l_c", "m", "n_d", "q", "r", "r_ε", "s_b", "s_f", "s_r", "t_0", "t_c", "t_e", "t_f", "t_r", "t_s", "t_w", "v_r", "w_f", "Σ", "α_s", "λ", "ρ",
        "σ", "τ", "Σ_F", "Σ_M", "C_F", "β_k", "l_q", "d_q", "a_F", "M_x", "w_m", "δ_i", "δ_o", "δ_t", "δ_m", "q_l", "q_v", "r_0", "u_a", "u_b",
        "A_z", "b_z", "q_z", "q_e", "F_z", "F_e", "l_k", "i_n", "s_θ", "e_s", "s_k", "θ_e", "K_e", "F_1", "M_1", "l_g", "q_h", "s_m", "w_q", "r_q",
        "q_c", "q_f", "q_p", "q_w", "q_t", "q_r", "q_m", "A", "F_q", "F_r", "D_h", "F_x",
        "n_k", "k_g", "w_s", "c_p", "B", "l_r", "i_o", "a_o", "D_o", "a_f", "D_q", "D_w",
    ];

    public static TheoryData<string, CutterFamily> All
    {
        get
        {
            TheoryData<string, CutterFamily> data = [];
            foreach (IOperation o in Operations.All)
                if (HoleSample.All.All(h => h.Code != o.Description.Code))
                    foreach (CutterFamily family in o.Description.Families.Where(f => f != CutterFamily.FormCutter))
                        data.Add(o.Description.Code, family);
            foreach ((string code, CutterFamily family) in HoleSample.All) data.Add(code, family);
            return data;
        }
    }

    private static CalculationResult Explained(string code, CutterFamily family)
    {
        bool hole = HoleSample.All.Any(h => h.Code == code);
        Situation s = hole ? HoleSample.With(family, code) : Sample.With(family, code);
        s = s with { Chart = new(1, 1, s.Chart.Value with { Rows = [s.Chart.Value.Rows[0] with { Life = 40, LifeExponent = 0.25 }] }) };
        return Operations.Find(code)!.Calculate(s, Choices.None, explain: true);
    }

    [Theory]
    [MemberData(nameof(All))]
    public void No_two_fields_share_a_symbol(string code, CutterFamily family)
    {
        Assert.Contains(family, Operations.Find(code)!.Description.Families);
        Assert.All(Operations.Find(code)!.Description.Fields.GroupBy(f => f.Symbol), g => Assert.Single(g));
    }

    [Theory]
    [MemberData(nameof(All))]
    public void A_term_has_the_value_that_was_given_or_worked_out_before(string code, CutterFamily family)
    {
        CalculationResult r = Explained(code, family);
        Dictionary<string, double> known = r.Givens.ToDictionary(g => g.Symbol, g => g.Value);
        ILookup<string, double> typed = Operations.Find(code)!.Description.Fields
            .Join(r.Fields, d => d.Code, f => f.Code, (d, f) => (d.Symbol, f.Value))
            .ToLookup(f => f.Symbol, f => f.Value);
        List<string> odd = [];
        foreach (DerivationStep step in r.Steps)
        {
            foreach (Term term in step.Terms)
                if (known.TryGetValue(term.Symbol, out double value)
                    ? Math.Abs(value - term.Value) > 1e-9 * Math.Max(1, Math.Abs(value))
                    : !typed[term.Symbol].Contains(term.Value) && !ToldInTheStep.Contains(term.Symbol))
                    odd.Add(
                        $"{step.Formula.Symbol}: {term.Symbol} is {term.Value}, and was {(known.ContainsKey(term.Symbol) ? value : "never told")}");
            known[step.Formula.Symbol] = step.Value;
        }

        Assert.True(odd.Count == 0, string.Join("\n", odd));
    }
}

using System.Text;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Derivations;
using Incisura.Core.Quantities;

namespace Incisura.Core.Tests;

/// <summary>
/// The symbols of all operations' fields, figures, formulas and given values, as docs/symbols.md lists them: one symbol means one thing
/// wherever it stands. `make golden` writes the page anew.
/// </summary>
public sealed class SymbolTests
{
    // What is asked for and what comes of it is one thing under one symbol.
    private static readonly Dictionary<string, string> Asked = new()
    {
        ["widthOfCut"] = "width",
        ["depthOfCut"] = "depth",
        ["feedPerRevolution"] = "feedInUse",
        ["engravingWidth"] = "topWidth",
        ["stock"] = "stockLeft",
        ["wallHeight"] = "stockHeight",
        ["speedInUse"] = "cuttingSpeed",
        ["feedPerToothInUse"] = "feedPerTooth",
    };

    private sealed record Meaning(string Symbol, string Code, string Name, Quantity Quantity, string Kind);

    private static Meaning[] Described { get; } =
    [
        .. Operations.All.SelectMany(o => o.Description.Fields)
            .Select(f => new Meaning(f.Symbol, f.Code, f.Name.Replace(", at most", "", StringComparison.Ordinal), f.Quantity, "field"))
            .Concat(Outputs.Shared.Concat(Operations.All.SelectMany(o => o.Description.Own))
                .Select(w => new Meaning(w.Symbol, w.Code, w.Name, w.Quantity, "figure")))
            .Distinct(),
    ];

    private static readonly Lazy<(Formula[] Formulas, Given[] Givens)> Derived = new(() =>
    {
        HashSet<Formula> formulas = [];
        HashSet<Given> givens = [];
        foreach (IOperation operation in Operations.All)
            foreach ((_, Situation situation, Choices choices) in operation.Description.Families
                .SelectMany(f => GoldenTests.Situations(operation, f)))
            {
                try
                {
                    CalculationResult r = operation.Calculate(situation, choices, explain: true);
                    formulas.UnionWith(r.Steps.Select(s => s.Formula));
                    givens.UnionWith(r.Givens.Select(g => g with { Value = 0, From = "" }));
                }
                catch (InputException)
                {
                    continue; // a situation that is refused derives nothing
                }
            }

        return ([.. formulas], [.. givens]);
    });

    [Fact]
    public void A_field_and_a_figure_share_a_symbol_only_where_one_asks_for_the_other()
    {
        Assert.All(Described, m => Assert.NotEmpty(m.Symbol));
        string[] several =
        [
            .. Described.GroupBy(m => m.Symbol)
                .Where(g => g.Select(m => Asked.GetValueOrDefault(m.Code, m.Code)).Distinct().Count() > 1)
                .Select(g => $"{g.Key}: {string.Join(", ", g.Select(m => m.Code).Distinct())}"),
        ];
        Assert.True(several.Length == 0, string.Join("\n", several));
    }

    [Fact]
    public void A_symbol_of_a_derivation_measures_what_it_measures_everywhere()
    {
        var all = Described.Select(m => (m.Symbol, m.Quantity, Where: m.Name))
            .Concat(Derived.Value.Formulas.Select(f => (f.Symbol, f.Quantity, Where: f.Name)))
            .Concat(Derived.Value.Givens.Select(g => (g.Symbol, g.Quantity, Where: g.Name)))
            .ToArray();
        Assert.True(all.Length > 400, $"only {all.Length} symbols were walked");
        string[] several =
        [
            .. all.GroupBy(m => m.Symbol)
                .Where(g => g.Select(m => m.Quantity).Distinct().Count() > 1)
                .Select(g => $"{g.Key}: {string.Join(", ", g.Select(m => $"{m.Where} [{m.Quantity}]").Distinct())}"),
        ];
        Assert.True(several.Length == 0, string.Join("\n", several));
    }

    [Fact]
    public void The_page_of_symbols_says_what_the_descriptions_and_derivations_say()
    {
        string path = Path.Combine(GoldenTests.Folder, "..", "..", "docs", "symbols.md");
        StringBuilder page = new();
        page.AppendLine("# Symbols").AppendLine();
        page.AppendLine("Written by `make golden` from what all operations describe and derive; a test compares. Units are the core's own.");
        page.AppendLine().AppendLine("| symbol | means | unit | where |").AppendLine("|---|---|---|---|");
        IEnumerable<string> lines = Described.Select(m => Line(m.Symbol, m.Name, m.Quantity, $"{m.Kind} `{m.Code}`"))
            .Concat(Derived.Value.Givens.Select(g => Line(g.Symbol, g.Name, g.Quantity, "given")))
            .Concat(Derived.Value.Formulas.Select(f => Line(f.Symbol, f.Name, f.Quantity, $"`{f.Expression}`; {f.Source}")));
        foreach (string line in lines.Distinct().Order(StringComparer.Ordinal)) page.AppendLine(line);
        if (Environment.GetEnvironmentVariable("INCISURA_GOLDEN") == "write") File.WriteAllText(path, page.ToString());
        else Assert.Equal(File.ReadAllText(path), page.ToString());
    }

    private static string Line(string symbol, string name, Quantity quantity, string where) =>
        $"| {symbol} | {name} | {Units.Of(quantity).Metric.Unit} | {where.Replace("|", "\\|", StringComparison.Ordinal)} |";
}

using System.Globalization;
using Incisura.Core.Catalogue;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;

namespace Incisura.Core.HoleGroups;

/// <summary>Calculations tried for a chain, each done once however often it is asked for.</summary>
/// <param name="cancel">Stops the work.</param>
internal sealed class ChainTrials(CancellationToken cancel)
{
    private readonly Dictionary<string, (CalculationResult? Result, string Refused)> tried = [];

    /// <summary>Works a step out; no result where it is refused.</summary>
    public (CalculationResult? Result, string Refused) Try(string operation, Situation s, Choices choices)
    {
        string key = string.Create(
            CultureInfo.InvariantCulture,
            $"{operation}|{s.Assembly.Id}|"
                + $"{string.Join('|', choices.Numbers.OrderBy(n => n.Key, StringComparer.Ordinal).Select(n => $"{n.Key}={n.Value:R}"))}|"
                + $"{string.Join('|', choices.Extras)}|"
                + $"{string.Join('|', choices.Options.OrderBy(o => o.Key, StringComparer.Ordinal))}");
        if (tried.TryGetValue(key, out (CalculationResult?, string) known)) return known;
        try
        {
            known = (Operations.Find(operation)!.Calculate(s, choices, explain: false, cancel), "");
        }
        catch (InputException refused)
        {
            known = (null, refused.Faults[0].Sentence);
        }

        return tried[key] = known;
    }
}

using System.Text.Json;

namespace Incisura.Cases;

/// <summary>What became of one case.</summary>
public enum CaseOutcome
{
    Passed,
    Differs,

    /// <summary>The reference has it and the core does not yet.</summary>
    NotYetCovered,

    /// <summary>No calculation answers to the id.</summary>
    Unknown,
}

/// <summary>One case run: its outcome, and every place where expected and got differ.</summary>
public sealed record CaseRun(string Id, CaseOutcome Outcome, IReadOnlyList<string> Differences);

/// <summary>Runs a file of worked cases against the core and compares within each case's relative tolerance.</summary>
public static class CaseRunner
{
    /// <summary>Runs every case of a file shaped like tests/reference/cutting-cases.json.</summary>
    /// <exception cref="JsonException">The file has another shape.</exception>
    public static IReadOnlyList<CaseRun> Run(string json)
    {
        using JsonDocument document = JsonDocument.Parse(json);
        if (document.RootElement.ValueKind != JsonValueKind.Object || !document.RootElement.TryGetProperty(
            "cases", out JsonElement cases) || cases.ValueKind != JsonValueKind.Array)
            throw new JsonException("The file has no list named cases.");
        return [.. cases.EnumerateArray().Select(RunOne)];
    }

    private static CaseRun RunOne(JsonElement item)
    {
        string id = item.GetProperty("id").GetString() ?? "";
        string? family = CaseFamilies.Covered.Keys.Concat(CaseFamilies.NotYetCovered)
            .Where(f => id.StartsWith(f + "-", StringComparison.Ordinal))
            .MaxBy(f => f.Length);
        if (family is null) return new(id, CaseOutcome.Unknown, ["no calculation answers to this id"]);
        if (!CaseFamilies.Covered.TryGetValue(family, out Func<CaseInputs, CaseFigures>? calculate)) return new(id, CaseOutcome.NotYetCovered, []);

        List<string> differences = [];
        try
        {
            CaseInputs inputs = new(item.GetProperty("inputs"));
            CaseFigures got = calculate(inputs);
            differences.AddRange(inputs.Unknown.Select(name => $"{name}: the calculation does not know this input"));
            double tolerance = item.GetProperty("relativeTolerance").GetDouble();
            int compared = 0;
            foreach ((string name, JsonElement expected) in Leaves("", item.GetProperty("expected")))
            {
                compared++;
                if (!got.TryGetValue(name, out double value)) differences.Add($"{name}: expected {expected}, got nothing");
                else if (!Agrees(expected, value, tolerance)) differences.Add($"{name}: expected {expected}, got {value:R}");
            }

            if (compared == 0) differences.Add("the case expects nothing");
        }
        catch (Exception e) when (e is ArgumentException or InvalidOperationException or KeyNotFoundException)
        {
            differences.Add(e.Message);
        }

        return new(id, differences.Count == 0 ? CaseOutcome.Passed : CaseOutcome.Differs, differences);
    }

    // What lies deeper is named by the way to it: ext6g.major.0.
    private static IEnumerable<(string Name, JsonElement Value)> Leaves(string name, JsonElement at)
    {
        string Below(string part) => name.Length == 0 ? part : $"{name}.{part}";
        return at.ValueKind switch
        {
            JsonValueKind.Object => at.EnumerateObject().SelectMany(p => Leaves(Below(p.Name), p.Value)),
            JsonValueKind.Array => at.EnumerateArray().SelectMany((v, i) => Leaves(Below($"{i}"), v)),
            _ => [(name, at)],
        };
    }

    private static bool Agrees(JsonElement expected, double got, double tolerance) =>
        expected.ValueKind is JsonValueKind.True or JsonValueKind.False
            ? got == (expected.GetBoolean() ? 1 : 0)
            : expected.ValueKind == JsonValueKind.Number && double.IsFinite(got)
                && Math.Abs(got - expected.GetDouble()) <= tolerance * Math.Max(Math.Abs(expected.GetDouble()), 1e-9);
}

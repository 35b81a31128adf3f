using System.Text.Json;
using System.Text.Json.Nodes;

namespace Incisura.Data;

/// <summary>Tells in which fields two states of a thing differ.</summary>
public static class Differences
{
    // What tells the elements of a list apart: rows of a chart, its drilling cycles, feeds by diameter, a curve by speed, places.
    private static readonly string[][] Keys =
    [
        ["family", "cuttingMaterial", "subGroup", "operation"], ["family", "group", "coolant"], ["diameter"], ["speed"], ["machineId", "place"],
        ["field"], ["code", "text"],
    ];

    /// <summary>The fields that differ, in the order of the later state, then those that are gone.</summary>
    /// <param name="before">Earlier state, JSON.</param>
    /// <param name="after">Later state, JSON.</param>
    public static IReadOnlyList<FieldDifference> Of(string before, string after)
    {
        Dictionary<string, string> was = Flat(before), now = Flat(after);
        return
        [
            .. from n in now
               let w = was.GetValueOrDefault(n.Key)
               where w != n.Value
               select new FieldDifference(n.Key, w, n.Value),
            .. from w in was
               where !now.ContainsKey(w.Key)
               select new FieldDifference(w.Key, w.Value, null),
        ];
    }

    private static Dictionary<string, string> Flat(string json)
    {
        Dictionary<string, string> flat = [];
        if (json.Length > 0) Walk(JsonNode.Parse(json), "", flat);
        return flat;
    }

    private static void Walk(JsonNode? node, string path, Dictionary<string, string> into)
    {
        switch (node)
        {
            case JsonObject o:
                foreach ((string name, JsonNode? value) in o) Walk(value, path.Length == 0 ? name : $"{path}.{name}", into);
                break;
            case JsonArray a when KeyOf(a) is { } key:
                foreach (JsonNode? element in a) Walk(element, $"{path}[{NameOf(element!.AsObject(), key)}]", into);
                break;
            default:
                into[path] = node?.ToJsonString() ?? "null";
                break;
        }
    }

    private static string[]? KeyOf(JsonArray list) => list.Count > 0 && list.All(e => e is JsonObject)
        ? Array.Find(
            Keys,
            key => list.All(e => key.All(k => e!.AsObject().ContainsKey(k)))
                && list.Select(e => NameOf(e!.AsObject(), key)).Distinct().Count() == list.Count)
        : null;

    private static string NameOf(JsonObject element, string[] key) => string.Join(
        ", ", key.Select(k => element[k] is { } v ? v.GetValueKind() == JsonValueKind.String ? v.GetValue<string>() : v.ToJsonString() : "null"));
}

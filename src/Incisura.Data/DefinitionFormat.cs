using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Materials;

namespace Incisura.Data;

/// <summary>How definitions and snapshots are written: plain JSON with names of enumerations, numbers to the last bit.</summary>
public static class DefinitionFormat
{
    // Of these only what was entered is written; what follows from it is worked out again.
    private static readonly HashSet<Type> Entered = [typeof(Cutter), typeof(Holder), typeof(ProfileElement)];

    public static JsonSerializerOptions Options { get; } = new(JsonSerializerDefaults.Web)
    {
        TypeInfoResolver = Resolver,
        NumberHandling = JsonNumberHandling.Strict,
        Converters =
        {
            new JsonStringEnumConverter<MaterialGroup>(namingPolicy: null, allowIntegerValues: false),
            new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false),
        },
    };

    /// <summary>How the members of types are found, for whoever else writes these types.</summary>
    public static DefaultJsonTypeInfoResolver Resolver => new()
    {
        Modifiers =
        {
            static type =>
            {
                if (!Entered.Contains(type.Type)) return;
                for (int i = type.Properties.Count - 1; i >= 0; i--)
                    if (type.Properties[i].Set is null) type.Properties.RemoveAt(i);
            },
        },
    };

    private static readonly JsonSerializerOptions Stored = new(Options) { Converters = { new CutterAsOnceWritten() } };

    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Options);

    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, Stored) ?? throw new JsonException("The stored text holds nothing.");

    // Before families were described, an end mill's dimensions stood beside its number under their plain names. Editions and
    // histories written then are never changed, so they are read as what they mean.
    private sealed class CutterAsOnceWritten : JsonConverter<Cutter>
    {
        private static readonly (string Then, Dimension Now)[] Names =
        [
            ("cuttingDiameter", Dimension.CuttingDiameter), ("teeth", Dimension.Teeth), ("largestDepth", Dimension.LargestDepth),
            ("fluteLength", Dimension.FluteLength),
            ("usableLength", Dimension.UsableLength), ("neckDiameter", Dimension.NeckDiameter), ("shankDiameter", Dimension.ShankDiameter),
            ("overallLength", Dimension.OverallLength),
            ("helixAngle", Dimension.HelixAngle), ("leastChip", Dimension.LeastChip), ("largestChip", Dimension.LargestChip),
            ("largestWidthRatio", Dimension.LargestWidthRatio),
            ("largestSpeed", Dimension.LargestSpeed),
        ];

        public override Cutter Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            JsonObject json = JsonNode.Parse(ref reader)!.AsObject();
            if (json.ContainsKey(Names[0].Then))
            {
                JsonObject dimensions = [];
                foreach ((string then, Dimension now) in Names)
                    if (json.Remove(then, out JsonNode? value) && value is not null) dimensions[now.Symbol] = value;
                json["dimensions"] = dimensions;
            }

            return json.Deserialize<Cutter>(Options)!;
        }

        public override void Write(Utf8JsonWriter writer, Cutter value, JsonSerializerOptions options) =>
            JsonSerializer.Serialize(writer, value, Options);
    }
}

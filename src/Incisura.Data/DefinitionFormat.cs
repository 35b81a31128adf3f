using System.Text.Json;
using System.Text.Json.Serialization;
using Incisura.Core.Materials;

namespace Incisura.Data;

/// <summary>How definitions and snapshots are written: plain JSON with names of enumerations, numbers to the last bit.</summary>
public static class DefinitionFormat
{
    public static JsonSerializerOptions Options { get; } = new(JsonSerializerDefaults.Web)
    {
        NumberHandling = JsonNumberHandling.Strict,
        Converters = { new JsonStringEnumConverter<MaterialGroup>(namingPolicy: null, allowIntegerValues: false), new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
    };

    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Options);

    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, Options) ?? throw new JsonException("The stored text holds nothing.");
}

using System.Text.Json.Nodes;
using System.Text.Json.Schema;

namespace Incisura.Exchange.Editions;

/// <summary>The JSON Schema of editions, drawn from the types that write them.</summary>
public static class EditionSchema
{
    /// <summary>The schema, JSON Schema 2020-12.</summary>
    public static JsonObject Of()
    {
        JsonSchemaExporterOptions options = new() { TreatNullObliviousAsNonNullable = true, TransformSchemaNode = Told };
        JsonObject schema = EditionFile.Options.GetJsonSchemaAsNode(typeof(EditionFile), options).AsObject();
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "title", "Edition of approved cutting data, " + EditionFile.Form);
        schema["properties"]!["schema"]!.AsObject()["const"] = EditionFile.Form;
        return schema;
    }

    // What may be absent is never null.
    private static JsonNode Told(JsonSchemaExporterContext context, JsonNode schema)
    {
        if (schema is JsonObject { } told && told["type"] is JsonArray types)
        {
            List<string> kept = [.. types.Select(t => (string)t!).Where(t => t != "null")];
            told["type"] = kept is [string one] ? one : new JsonArray([.. kept.Select(t => (JsonNode)t)]);
        }

        return schema;
    }
}

using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.HoleGroups;
using Incisura.Core.Holes;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Threads;
using Incisura.Core.Turning;

namespace Incisura.Data;

/// <summary>How definitions and snapshots are written: plain JSON with names of enumerations, numbers to the last bit.</summary>
public static class DefinitionFormat
{
    // Of these only what was entered is written; what follows from it is worked out again.
    private static readonly HashSet<Type> Entered = [typeof(Cutter), typeof(Holder), typeof(ProfileElement), typeof(Core.Threads.OwnThread)];

    // What only the engine needs of a description is not told to anybody, and what has a value of its own is always told.
    private static readonly Dictionary<Type, string[]> Untold = new()
    {
        [typeof(OperationDescription)] = ["large", "rows", "chartedAs", "depthFactor", "own", "leavesBy"],
        [typeof(FieldDescription)] = ["input", "default", "words"],
        [typeof(OptionDescription)] = ["choice"],
    };

    private static readonly Dictionary<Type, string[]> AlwaysTold = new()
    {
        [typeof(OperationDescription)] = ["free", "extras"],
        [typeof(FieldDescription)] = ["code"],
        [typeof(OptionDescription)] = ["code"],
        [typeof(CalculationResult)] = ["givens", "steps", "attachments"],
    };

    // A mark that came later is written where it is set: what never had it is written as it was.
    private static readonly Dictionary<Type, string[]> WrittenIfSet = new()
    {
        [typeof(WorkMaterial)] = ["untried"],
        [typeof(SpeedRow)] = ["untried", "depth"],
        [typeof(Machine)] = ["counter", "tailstock"],
        [typeof(MainSpindle)] = ["chuck"],
        [typeof(Holder)] = ["driven"],
        [typeof(ToolStore)] = ["drivenPlaces"],
        [typeof(JudgedLimit)] = ["atDiameter"],
        [typeof(OutlineStep)] = ["to", "arc", "chamfer", "rounding", "fillet"],
    };

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
                foreach (JsonPropertyInfo member in Named(type, Untold)) type.Properties.Remove(member);
                foreach (JsonPropertyInfo member in Named(type, AlwaysTold)) member.IsRequired = true;
                foreach (JsonPropertyInfo member in Named(type, WrittenIfSet))
                    member.ShouldSerialize = static (_, value) => value is not (null or false or 0);
            },
            static type => Open(type, typeof(Extra), Operations.Extras),
            static type => Open(type, typeof(Attachment), Operations.Attachments),
            static type =>
            {
                if (!Entered.Contains(type.Type)) return;
                for (int i = type.Properties.Count - 1; i >= 0; i--)
                    if (type.Properties[i].Set is null) type.Properties.RemoveAt(i);
            },
        },
    };

    private static readonly JsonSerializerOptions Stored = new(Options)
    {
        Converters =
        {
            new CutterAsOnceWritten(),
            new AsOnceWritten<Choices>(GatherExtras, "extras", "crossHoles", "edits", "depthBefore", "cycleBefore"),
            new AsOnceWritten<CalculationResult>(GatherAttachments, "attachments", "stages", "openings"),
            new AsOnceWritten<HoleTarget>(NameThread, null, "pitch", "leftHand"),
        },
    };

    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Options);

    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, Stored) ?? throw new JsonException("The stored text holds nothing.");

    // The members of a type that a table names, whatever the case they are written in.
    private static JsonPropertyInfo[] Named(JsonTypeInfo type, Dictionary<Type, string[]> table) =>
        table.TryGetValue(type.Type, out string[]? names)
            ? [.. type.Properties.Where(p => names.Contains(p.Name, StringComparer.OrdinalIgnoreCase))]
            : [];

    // Each kind of extra and attachment is told by the name of its type.
    private static void Open(JsonTypeInfo type, Type of, IReadOnlyList<Type> kinds)
    {
        if (type.Type != of) return;
        type.CreateObject = static () => throw new JsonException("Its kind is missing.");
        type.PolymorphismOptions = new() { TypeDiscriminatorPropertyName = "kind" };
        foreach (Type kind in kinds) type.PolymorphismOptions.DerivedTypes.Add(new(kind, Extra.CodeOf(kind)));
    }

    // Up to the sixth engine each had a member of its own.
    private static void GatherExtras(JsonObject json)
    {
        JsonArray extras = json["extras"] as JsonArray ?? [];
        if (Cut(json, "crossHoles") is JsonArray { Count: > 0 } holes) extras.Add(Kind(typeof(CrossHoles), ("holes", holes)));
        if (Cut(json, "edits") is JsonArray { Count: > 0 } edits) extras.Add(Kind(typeof(StageEdits), ("edits", edits)));
        JsonNode? depth = Cut(json, "depthBefore"), cycle = Cut(json, "cycleBefore");
        if (depth is not null || cycle is not null) extras.Add(Kind(typeof(DrilledBefore), ("depth", depth), ("cycle", cycle)));
        json["extras"] ??= extras;
    }

    private static void GatherAttachments(JsonObject json)
    {
        JsonArray attachments = json["attachments"] as JsonArray ?? [];
        if (Cut(json, "stages") is JsonArray { Count: > 0 } stages)
        {
            foreach (JsonObject stage in stages.OfType<JsonObject>())
            {
                stage["count"] = 1;
                stage["length"] = Math.Abs((double)stage["to"]! - (double)stage["from"]!);
            }

            attachments.Add(Kind(typeof(ToolWay), ("parts", stages)));
        }

        if (Cut(json, "openings") is JsonArray { Count: > 0 } walls) attachments.Add(Kind(typeof(OpenWalls), ("walls", walls)));
        json["attachments"] ??= attachments;
    }

    // Up to the tenth engine a threaded hole had a pitch and a hand, and its diameter was the thread's.
    private static void NameThread(JsonObject json)
    {
        JsonNode? pitch = Cut(json, "pitch"), left = Cut(json, "leftHand");
        if (pitch is null || json["thread"] is not null || (string?)json["kind"] != "threaded") return;
        Core.Threads.Thread thread = ThreadTables.Meant((double)json["diameter"]!, (double)pitch, left is not null && (bool)left);
        json["thread"] = new JsonObject { ["text"] = thread.ToString(), ["ownId"] = 0 };
    }

    private static JsonNode? Cut(JsonObject json, string member) => json.Remove(member, out JsonNode? value) ? value : null;

    private static JsonObject Kind(Type type, params ReadOnlySpan<(string Member, JsonNode? Value)> members)
    {
        JsonObject json = new() { ["kind"] = Extra.CodeOf(type) };
        foreach ((string member, JsonNode? value) in members) json[member] = value;
        return json;
    }

    // Reads what an earlier version wrote as what it means; what has the member that came since, and none of those of then, as it is.
    private sealed class AsOnceWritten<T>(Action<JsonObject> mend, string? since, params string[] then) : JsonConverter<T>
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            if (IsOfNow(reader)) return JsonSerializer.Deserialize<T>(ref reader, Options)!;
            JsonObject json = JsonNode.Parse(ref reader)!.AsObject();
            mend(json);
            return json.Deserialize<T>(Options)!;
        }

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => JsonSerializer.Serialize(writer, value, Options);

        // Looks at the names of the members alone, on a copy of the reader.
        private bool IsOfNow(Utf8JsonReader reader)
        {
            bool found = since is null;
            while (reader.Read() && reader.TokenType == JsonTokenType.PropertyName)
            {
                foreach (string name in then)
                    if (reader.ValueTextEquals(name)) return false;
                found |= since is not null && reader.ValueTextEquals(since);
                reader.Skip();
            }

            return found;
        }
    }

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

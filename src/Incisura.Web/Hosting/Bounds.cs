using System.Collections;
using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Microsoft.OpenApi;

namespace Incisura.Web.Hosting;

/// <summary>
/// How long texts and lists of a request may be, and within which ranges its numbers are: said in the API's description, and kept to.
/// A member that may be longer says so with <see cref="MaxLengthAttribute"/>; ranges are those that the core's own checks name.
/// </summary>
public static class Bounds
{
    /// <summary>Longest text, most elements of a list, and most entries of a map, where a member says nothing else.</summary>
    public const int LongestText = 5000, MostElements = 5000, MostEntries = 500;

    // Beyond every range there is.
    private static readonly double[] FarOff = [-1e99, 1e99];

    /// <summary>Refuses what is longer, before anything looks at it.</summary>
    /// <exception cref="JsonException">It is.</exception>
    public static Action<object?>? KeeperOf(JsonPropertyInfo property)
    {
        int? own = property.AttributeProvider is { } member ? OwnOf(member) : null;
        string path = "$." + property.Name;
        if (property.PropertyType == typeof(string)) return v => Keep((v as string)?.Length, own ?? LongestText);
        if (IsMap(property.PropertyType)) return v => Keep((v as ICollection)?.Count, own ?? MostEntries);
        return IsList(property.PropertyType) ? v => Keep((v as ICollection)?.Count, own ?? MostElements) : null;

        void Keep(int? length, int most)
        {
            if (length > most) throw new JsonException($"It is longer than {most}.", path, null, null);
        }
    }

    /// <summary>Says the bounds of a type's members.</summary>
    public static void Tell(OpenApiSchema schema, JsonTypeInfo type)
    {
        if (schema.Properties is not { } members) return;
        Dictionary<string, InputFault> ranges = RangesOf(type.Type);
        foreach (JsonPropertyInfo property in type.Properties)
        {
            if (!members.TryGetValue(property.Name, out IOpenApiSchema? found) || found is not OpenApiSchema one) continue;
            int? own = property.AttributeProvider is { } member ? OwnOf(member) : null;
            if (property.PropertyType == typeof(string)) one.MaxLength ??= one.Enum is null ? own ?? LongestText : null;
            if (ranges.TryGetValue(property.Name, out InputFault? range))
                (one.Minimum, one.Maximum) = (Written(range.Least), Written(range.Most));
        }
    }

    /// <summary>Says the bounds of lists and maps in what is sent; an answer may be longer.</summary>
    public static void Tell(OpenApiDocument document)
    {
        HashSet<string> seen = [];
        foreach (IOpenApiSchema? body in document.Paths.Values.SelectMany(p => p.Operations?.Values ?? Enumerable.Empty<OpenApiOperation>())
            .SelectMany(o => o.RequestBody?.Content?.Values ?? Enumerable.Empty<OpenApiMediaType>()).Select(m => m.Schema))
            Walk(body);

        void Walk(IOpenApiSchema? schema)
        {
            if (schema is null || (schema is OpenApiSchemaReference { Reference.Id: { } id } && !seen.Add(id))) return;
            if (schema is OpenApiSchema own)
            {
                if (own.Items is not null) own.MaxItems ??= MostElements;
                if (own.AdditionalProperties is not null) own.MaxProperties ??= MostEntries;
            }

            foreach (IOpenApiSchema inner in (schema.Properties?.Values ?? Enumerable.Empty<IOpenApiSchema>())
                .Concat(schema.OneOf ?? []).Concat(schema.AnyOf ?? []).Concat(schema.AllOf ?? []))
                Walk(inner);
            Walk(schema.Items);
            Walk(schema.AdditionalProperties);
        }
    }

    // What the type's own check says of numbers that are far off; a type without one has none.
    private static Dictionary<string, InputFault> RangesOf(Type type)
    {
        if (type.GetMethod("Check", Type.EmptyTypes) is not { } check || check.ReturnType != typeof(InputCheck) || type.IsValueType) return [];
        ILookup<string, InputFault> said = FarOff.SelectMany(far => ((InputCheck)check.Invoke(ProbeOf(type, far), null)!).Faults)
            .Where(f => double.IsFinite(f.Least) && double.IsFinite(f.Most) && f.Least < f.Most).ToLookup(f => f.Field);

        // One that follows other members is another one at the other end.
        return said.Where(f => f.Select(r => (r.Least, r.Most)).Distinct().Count() == 1).ToDictionary(f => f.Key, f => f.First());
    }

    // A thing with nothing in it but numbers that are far off.
    private static object ProbeOf(Type type, double far)
    {
        object probe = type.GetConstructor(Type.EmptyTypes) is not null
            ? Activator.CreateInstance(type)!
            : RuntimeHelpers.GetUninitializedObject(type);
        foreach (PropertyInfo p in type.GetProperties().Where(p => p.CanWrite))
            if (p.PropertyType == typeof(double) || p.PropertyType == typeof(double?)) p.SetValue(probe, far);
            else if (p.PropertyType == typeof(int) || p.PropertyType == typeof(int?)) p.SetValue(probe, far < 0 ? int.MinValue : int.MaxValue);
            else if (p.PropertyType == typeof(string)) p.SetValue(probe, "x");
            else if (p.GetValue(probe) is null && IsList(p.PropertyType) && p.PropertyType.GenericTypeArguments is [.., var element])
                p.SetValue(
                    probe,
                    IsMap(p.PropertyType)
                        ? Activator.CreateInstance(typeof(Dictionary<,>).MakeGenericType(p.PropertyType.GenericTypeArguments))
                        : Array.CreateInstance(element, 0));
        return probe;
    }

    private static string Written(double value) => value.ToString("R", System.Globalization.CultureInfo.InvariantCulture);

    private static int? OwnOf(ICustomAttributeProvider member) =>
        member.GetCustomAttributes(typeof(MaxLengthAttribute), inherit: true) is [MaxLengthAttribute longest, ..] ? longest.Length : null;

    private static bool IsMap(Type type) => typeof(IDictionary).IsAssignableFrom(type)
        || type.GetInterfaces().Append(type).Any(i => i.IsGenericType && i.GetGenericTypeDefinition() == typeof(IReadOnlyDictionary<,>));

    private static bool IsList(Type type) => type != typeof(byte[]) && typeof(IEnumerable).IsAssignableFrom(type);
}

using System.Collections;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace Incisura.Web.Hosting;

/// <summary>
/// What the reader of bodies does not refuse by itself: nothing in a list that may not be nothing, numbers without end, as 1e999
/// is read, and what is longer than the description says. They would only be met deep inside, or be kept and never be read again.
/// </summary>
public static class StrictBodies
{
    private static readonly NullabilityInfoContext Nullability = new();
    private static readonly Lock Gate = new();

    /// <summary>Adds the checks to the types that are read.</summary>
    public static void Check(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object) return;
        List<Action<object>> checks = [];
        foreach (JsonPropertyInfo property in type.Properties)
        {
            if (property.Get is not { } get) continue;
            string name = property.Name;
            if (Bounds.KeeperOf(property) is { } keep) checks.Add(o => keep(get(o)));
            Type of = Nullable.GetUnderlyingType(property.PropertyType) ?? property.PropertyType;
            if (of == typeof(double)) checks.Add(o => Finite(get(o), name));
            else if (typeof(IReadOnlyDictionary<string, double>).IsAssignableFrom(of))
                checks.Add(o => Finite((get(o) as IReadOnlyDictionary<string, double>)?.Values, name));
            else if (of != typeof(string) && typeof(IEnumerable).IsAssignableFrom(of) && !ElementsMayBeNull(property))
                checks.Add(o => NoNulls(get(o) as IEnumerable, name));
        }

        if (checks.Count == 0) return;
        Action<object>? before = type.OnDeserialized;
        type.OnDeserialized = o =>
        {
            before?.Invoke(o);
            foreach (Action<object> check in checks) check(o);
        };
    }

    // Only what says so may hold nothing; elements of value types cannot.
    private static bool ElementsMayBeNull(JsonPropertyInfo property)
    {
        if (property.AttributeProvider is not PropertyInfo member) return true;
        lock (Gate)
        {
            NullabilityInfo info = Nullability.Create(member);
            NullabilityInfo? element = info.ElementType ?? info.GenericTypeArguments.LastOrDefault();
            return element is null || element.Type.IsValueType || element.ReadState == NullabilityState.Nullable;
        }
    }

    private static void NoNulls(IEnumerable? elements, string name)
    {
        if (elements is null) return;
        IEnumerable values = elements is IDictionary dictionary ? dictionary.Values : elements;
        int i = 0;
        foreach (object? element in values)
        {
            if (element is null) throw new JsonException("An element is null.", $"$.{name}[{i}]", null, null);
            i++;
        }
    }

    // A number that was left out is no number yet; whoever checks the thing says in words that it is missing.
    private static void Finite(object? value, string name)
    {
        if (value is double number && double.IsInfinity(number)) throw new JsonException("A number has no end.", $"$.{name}", null, null);
    }

    private static void Finite(IEnumerable<double>? values, string name)
    {
        foreach (double value in values ?? []) Finite(value, name);
    }
}

using System.Buffers;
using System.Globalization;
using System.Text;
using System.Text.Json;

namespace Incisura.Exchange.Editions;

/// <summary>
/// JSON in its one canonical form, RFC 8785: members in the order of their names' UTF-16 units, no space, numbers as ECMAScript writes them,
/// strings with the fewest escapes. The same content has the same bytes wherever it is written.
/// </summary>
public static class CanonicalJson
{
    private static readonly JsonDocumentOptions Strict = new() { AllowDuplicateProperties = false };

    private static readonly SearchValues<char> Escaped =
        SearchValues.Create(string.Concat(Enumerable.Range(0, ' ').Select(i => (char)i).Append('"').Append('\\')));

    /// <summary>The canonical form of a JSON text.</summary>
    /// <param name="json">The text, UTF-8.</param>
    /// <exception cref="JsonException">It is no JSON, has a member twice, or a number that no double holds.</exception>
    public static byte[] Write(ReadOnlyMemory<byte> json)
    {
        using JsonDocument document = JsonDocument.Parse(json, Strict);
        StringBuilder text = new(json.Length);
        try
        {
            Write(document.RootElement, text);
        }
        catch (InvalidOperationException half)
        {
            throw new JsonException("A text has half a character.", half);
        }

        return Encoding.UTF8.GetBytes(text.ToString());
    }

    /// <summary>Whether bytes are the canonical form of what they say.</summary>
    /// <param name="json">The bytes.</param>
    /// <exception cref="JsonException">They are no JSON, or have no canonical form.</exception>
    public static bool IsCanonical(ReadOnlyMemory<byte> json) => json.Span.SequenceEqual(Write(json));

    /// <summary>A number as ECMAScript writes it (ECMA-262, Number::toString): the shortest digits that are read as the same double.</summary>
    /// <param name="value">The number.</param>
    /// <exception cref="JsonException">It is not finite.</exception>
    public static string Number(double value)
    {
        if (!double.IsFinite(value)) throw new JsonException("JSON has no number for what is not finite.");
        if (value == 0) return "0";
        string shortest = value.ToString("R", CultureInfo.InvariantCulture);
        if (!shortest.Contains('E', StringComparison.Ordinal)) return shortest;

        // The shortest digits come as 1.2345E-07; taken apart they are digits and the place of the point among them.
        string[] parts = shortest.TrimStart('-').Split('E');
        string[] halves = parts[0].Split('.');
        string digits = halves.Length > 1 ? halves[0] + halves[1] : halves[0];
        return (value < 0 ? "-" : "") + Laid(digits, halves[0].Length + int.Parse(parts[1], CultureInfo.InvariantCulture));
    }

    private static string Laid(string digits, int point) => point switch
    {
        > 21 or <= -6 => $"{digits[0]}{(digits.Length > 1 ? "." + digits[1..] : "")}e{(point > 0 ? "+" : "-")}{Math.Abs(point - 1)}",
        <= 0 => "0." + new string('0', -point) + digits,
        _ when digits.Length <= point => digits.PadRight(point, '0'),
        _ => digits.Insert(point, "."),
    };

    private static void Write(JsonElement element, StringBuilder text)
    {
        switch (element.ValueKind)
        {
            case JsonValueKind.Object:
                Listed('{', '}', element.EnumerateObject().Select(m => (m.Name, m.Value)).OrderBy(m => m.Name, StringComparer.Ordinal), text, Write);
                break;
            case JsonValueKind.Array:
                Listed('[', ']', element.EnumerateArray(), text, Write);
                break;
            case JsonValueKind.String:
                Write(element.GetString()!, text);
                break;
            case JsonValueKind.Number:
                text.Append(Number(element.GetDouble()));
                break;
            default:
                text.Append(element.GetRawText());
                break;
        }
    }

    private static void Listed<T>(char open, char close, IEnumerable<T> all, StringBuilder text, Action<T, StringBuilder> write)
    {
        text.Append(open);
        bool first = true;
        foreach (T one in all)
        {
            if (!first) text.Append(',');
            first = false;
            write(one, text);
        }

        text.Append(close);
    }

    private static void Write((string Name, JsonElement Value) member, StringBuilder text)
    {
        Write(member.Name, text);
        text.Append(':');
        Write(member.Value, text);
    }

    private static void Write(string value, StringBuilder text)
    {
        text.Append('"');
        if (value.AsSpan().IndexOfAny(Escaped) < 0) text.Append(value);
        else foreach (char c in value) Escape(c, text);
        text.Append('"');
    }

    private static void Escape(char c, StringBuilder text) => _ = c switch
    {
        '"' => text.Append("\\\""),
        '\\' => text.Append("\\\\"),
        '\b' => text.Append("\\b"),
        '\t' => text.Append("\\t"),
        '\n' => text.Append("\\n"),
        '\f' => text.Append("\\f"),
        '\r' => text.Append("\\r"),
        < ' ' => text.Append(CultureInfo.InvariantCulture, $"\\u{(int)c:x4}"),
        _ => text.Append(c),
    };
}

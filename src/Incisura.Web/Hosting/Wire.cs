using System.Text.Json;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;

namespace Incisura.Web.Hosting;

/// <summary>Words of enumerations in addresses, written as they are in bodies: inReview, refused.</summary>
public static class Wire
{
    /// <summary>The value a word stands for; null where none is given.</summary>
    /// <exception cref="InputException">The word stands for nothing.</exception>
    public static TEnum? Optional<TEnum>(string? word, string field)
        where TEnum : struct, Enum
    {
        if (string.IsNullOrEmpty(word)) return null;
        foreach (TEnum value in Enum.GetValues<TEnum>())
            if (string.Equals(WordOf(value), word, StringComparison.OrdinalIgnoreCase)) return value;
        new InputCheck()
            .Holds(
                false, field, double.NaN,
                $"There is no {field} “{(word.Length > 40 ? word[..40] : word)}”; choose one of "
                    + $"{string.Join(", ", Enum.GetValues<TEnum>().Select(WordOf))}.")
            .ThrowIfAny();
        return null;
    }

    /// <summary>Patterns for LIKE, with \ before what would be a wildcard: one for each word of a search, eight at the most.</summary>
    public static IReadOnlyList<string> Patterns(string? text) =>
    [
        .. (text ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(8)
            .Select(w => w.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("%", "\\%", StringComparison.Ordinal)
                .Replace("_", "\\_", StringComparison.Ordinal))
            .Select(w => $"%{w}%"),
    ];

    /// <summary>The word of a value.</summary>
    public static string WordOf<TEnum>(TEnum value)
        where TEnum : struct, Enum => Small(value.ToString());

    /// <summary>A name as it stands in a body.</summary>
    public static string Small(string name) => JsonNamingPolicy.CamelCase.ConvertName(name);
}

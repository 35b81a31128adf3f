namespace Incisura.Core.Calculation;

/// <summary>A proposed value that a limit held back.</summary>
/// <typeparam name="TInput">The enumeration of inputs.</typeparam>
/// <param name="Kind">The limit that bound.</param>
/// <param name="Input">The value held.</param>
/// <param name="From">The value before.</param>
/// <param name="To">The value held to.</param>
public sealed record Hold<TInput>(LimitKind Kind, TInput Input, double From, double To)
    where TInput : struct, Enum;

/// <summary>Tells what limits left of a proposal: as findings, and as steps of the derivation.</summary>
internal static class Holds
{
    /// <summary>A finding for every value that was held back.</summary>
    public static IEnumerable<Finding> Found<TInput>(this IEnumerable<Hold<TInput>> holds, IReadOnlyList<InputField<TInput>> fields)
        where TInput : struct, Enum => holds.Select(h => Found(h, fields.Of(h.Input)));

    /// <summary>The step in which limits leave only a share of what was proposed; none where they left it all.</summary>
    /// <param name="holds">Everything that was held back.</param>
    /// <param name="field">The field.</param>
    /// <param name="symbol">Its symbol in the derivation.</param>
    /// <param name="from">What was proposed.</param>
    /// <param name="to">What was left.</param>
    /// <param name="trace">Listens to the step.</param>
    public static void Explain<TInput, TTrace>(
        this IEnumerable<Hold<TInput>> holds, InputField<TInput> field, string symbol, double from, double to, ref TTrace trace)
        where TInput : struct, Enum
        where TTrace : struct, ITrace
    {
        if (to == from) return;
        string by = string.Join(
            ", ",
            holds.Where(h => h.Input.Equals(field.Input)).Select(h => h.Kind).Distinct().Select(k => LimitCatalogue.NameOf(k).ToLowerInvariant()));
        trace.Take(
            new(symbol, $"{field.Name}, held", field.Quantity, $"k_h*{symbol}", $"share that keeps every limit; held by: {by}"), to,
            new("k_h", to / from), new(symbol, from));
    }

    private static Finding Found<TInput>(Hold<TInput> hold, InputField<TInput> field)
        where TInput : struct, Enum => new(
            "held",
            Severity.Info,
            new(
                $"Proposed {field.Symbol} was held from {{0}} to {{1}} by: {LimitCatalogue.NameOf(hold.Kind).ToLowerInvariant()}.",
                new(hold.From, field.Quantity), new Measure(hold.To, field.Quantity)),
            "");

    /// <summary>The field of an input.</summary>
    public static InputField<TInput> Of<TInput>(this IReadOnlyList<InputField<TInput>> fields, TInput input)
        where TInput : struct, Enum => fields.First(f => f.Input.Equals(input));
}

using System.Globalization;
using System.Text.RegularExpressions;

namespace Incisura.Core.Checks;

/// <summary>A number inside a sentence, kept as a number so that the reader's units can be used.</summary>
public readonly record struct Measure(double Value, Quantity Quantity);

/// <summary>A sentence with numbers in it: a template with {0}, {1} … and its measures.</summary>
/// <param name="Template">The words, with {0}, {1} … where measures stand.</param>
/// <param name="Measures">The measures in order.</param>
public sealed partial record Sentence(string Template, params IReadOnlyList<Measure> Measures)
{
    /// <summary>The sentence in base units.</summary>
    public override string ToString() => Slot().Replace(Template, m =>
    {
        Measure measure = Measures[int.Parse(m.Groups[1].ValueSpan, CultureInfo.InvariantCulture)];
        ShownUnit unit = Units.Of(measure.Quantity).Metric;
        return $"{Math.Round(measure.Value, unit.Decimals).ToString(CultureInfo.InvariantCulture)} {unit.Unit}".TrimEnd();
    });

    /// <summary>The sentence with another one after it.</summary>
    public Sentence Then(Sentence next) => new(
        Template + Slot().Replace(next.Template, m => $"{{{int.Parse(m.Groups[1].ValueSpan, CultureInfo.InvariantCulture) + Measures.Count}}}"),
        [.. Measures, .. next.Measures]);

    /// <summary>Whether words have a place for a measure: such words cannot be named in a sentence.</summary>
    internal static bool HasSlot(string words) => Slot().IsMatch(words);

    [GeneratedRegex(@"\{(\d)\}")]
    private static partial Regex Slot();
}

/// <summary>How much something matters.</summary>
public enum Severity
{
    /// <summary>Good to know.</summary>
    Info,

    /// <summary>May be run with care.</summary>
    Caution,

    /// <summary>Must not be run.</summary>
    Stop,
}

/// <summary>Something the calculation noticed.</summary>
/// <param name="Code">Stable code, such as held-by-torque.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Text">What, with the numbers in it.</param>
/// <param name="Cure">What would cure it; empty when nothing needs curing.</param>
public sealed record Finding(string Code, Severity Severity, Sentence Text, string Cure);

using System.Globalization;

namespace Incisura.Core.Checks;

/// <summary>One value that cannot be taken: which, what was given, what is allowed, and a sentence with the cure.</summary>
/// <param name="Field">Path of the field, as the caller names it.</param>
/// <param name="Given">The value given; NaN where it was missing.</param>
/// <param name="Least">Least allowed value in base units; NaN where there is none.</param>
/// <param name="Most">Largest allowed value in base units; NaN where there is none.</param>
/// <param name="Sentence">What is wrong and what would cure it, for a person.</param>
public sealed record InputFault(string Field, double Given, double Least, double Most, string Sentence)
{
    /// <summary>The value in base units that was probably meant; NaN where there is no good guess.</summary>
    public double Meant { get; init; } = double.NaN;
}

/// <summary>Thrown at the door when a calculation or a stored object is given values out of their physical range.</summary>
public sealed class InputException(IReadOnlyList<InputFault> faults) : Exception(string.Join(" ", faults.Select(f => f.Sentence)))
{
    /// <summary>Every fault found, never empty.</summary>
    public IReadOnlyList<InputFault> Faults { get; } = faults;
}

/// <summary>Collects faults while an object is checked once at the door.</summary>
public sealed class InputCheck
{
    private readonly List<InputFault> faults = [];

    /// <summary>The faults found so far.</summary>
    public IReadOnlyList<InputFault> Faults => faults;

    /// <summary>Asks for a finite number within a closed range, in the quantity's base unit.</summary>
    public InputCheck Within(string field, string name, double value, double least, double most, Quantity quantity)
    {
        if (double.IsFinite(value) && value >= least && value <= most) return this;
        string unit = Units.Of(quantity).Metric.Unit is { Length: > 0 } u ? " " + u : "";
        string given = double.IsNaN(value) ? "is missing" : double.IsInfinity(value) ? "is not a finite number" : $"is {Show(value)}{unit}";
        double meant = quantity == Quantity.Length ? MeantLength(value, least, most) : double.NaN;
        string question = double.IsNaN(meant) ? "" : $" Was {Show(meant / Units.MillimetresPerInch)} in ({Show(meant)} mm) meant?";
        faults.Add(
            new(field, value, least, most, $"{name} {given}; it must lie between {Show(least)} and {Show(most)}{unit}.{question}") { Meant = meant });
        return this;
    }

    /// <summary>Asks for a text of at least one and at most <paramref name="longest"/> characters.</summary>
    public InputCheck Named(string field, string name, string? text, int longest = 120)
    {
        if (string.IsNullOrWhiteSpace(text)) Refuse(field, double.NaN, $"{name} is missing; give at least one character.");
        else if (text.Any(char.IsControl))
            Refuse(field, double.NaN, $"{name} has characters that cannot be seen, such as a line break; type it again without them.");
        else if (text.Length > longest) Refuse(field, text.Length, $"{name} has {text.Length} characters; {longest} is the most.");
        else if (Sentence.HasSlot(text)) Refuse(field, double.NaN, $"{name} has a digit in braces, which stands for a number; write it another way.");
        return this;
    }

    /// <summary>Adds a fault with its own sentence unless the condition holds.</summary>
    public InputCheck Holds(bool condition, string field, double given, string sentence)
    {
        if (!condition) Refuse(field, given, sentence);
        return this;
    }

    /// <summary>Throws when any fault was found.</summary>
    /// <exception cref="InputException">At least one value was refused.</exception>
    public void ThrowIfAny()
    {
        if (faults.Count > 0) throw new InputException(faults);
    }

    // Thousandths of an inch, or whole inches, taken for millimetres: only where the guess is a common fraction and fits.
    private static double MeantLength(double value, double least, double most)
    {
        if (!double.IsFinite(value) || value <= 0) return double.NaN;
        foreach (double inches in (ReadOnlySpan<double>)[value / 1000, value])
        {
            double mm = inches * Units.MillimetresPerInch, sixtyFourths = inches * 64;
            if (mm >= least && mm <= most && Math.Abs(sixtyFourths - Math.Round(sixtyFourths)) < 0.05) return mm;
        }

        return double.NaN;
    }

    private void Refuse(string field, double given, string sentence) => faults.Add(new(field, given, double.NaN, double.NaN, sentence));

    private static string Show(double value) => value.ToString("G6", CultureInfo.InvariantCulture);
}

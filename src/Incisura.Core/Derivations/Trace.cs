namespace Incisura.Core.Derivations;

/// <summary>
/// A formula of the trade, written beside the code that computes it. <see cref="Expression"/> is plain arithmetic over the
/// symbols of its terms, so that a derivation can be evaluated again by another program and compared.
/// </summary>
/// <param name="Symbol">Symbol of the result, such as v_f.</param>
/// <param name="Name">Name of the result in plain words.</param>
/// <param name="Quantity">What the result measures.</param>
/// <param name="Expression">Arithmetic over the symbols: + - * / ^, sqrt, sin, cos, tan, acos, asin, min, max, ceil, pi.</param>
/// <param name="Source">Standard or open literature it comes from.</param>
public sealed record Formula(string Symbol, string Name, Quantity Quantity, string Expression, string Source);

/// <summary>One symbol with its value, as it goes into a formula.</summary>
public readonly record struct Term(string Symbol, double Value);

/// <summary>
/// Listens to a calculation. The generic struct parameter lets the compiler remove every call when
/// <see cref="Listens"/> is false, so that explaining costs nothing when nobody asks.
/// </summary>
public interface ITrace
{
    /// <summary>Whether anybody listens; a constant of the type.</summary>
    static abstract bool Listens { get; }

    /// <summary>Takes one computed step.</summary>
    void Take(Formula formula, double value, params ReadOnlySpan<Term> terms);
}

/// <summary>The trace of a calculation that nobody asked to explain.</summary>
public readonly struct NoTrace : ITrace
{
    /// <inheritdoc/>
    public static bool Listens => false;

    /// <inheritdoc/>
    public void Take(Formula formula, double value, params ReadOnlySpan<Term> terms)
    {
    }
}

/// <summary>One step of a derivation: the formula, what went in, what came out.</summary>
public sealed record DerivationStep(Formula Formula, double Value, IReadOnlyList<Term> Terms);

/// <summary>Keeps every step in order; the same code that computes the figures writes it.</summary>
public readonly struct DerivationTrace() : ITrace
{
    private readonly List<DerivationStep> steps = [];

    /// <inheritdoc/>
    public static bool Listens => true;

    /// <summary>The steps so far, in the order they were computed.</summary>
    public IReadOnlyList<DerivationStep> Steps => steps;

    /// <inheritdoc/>
    public void Take(Formula formula, double value, params ReadOnlySpan<Term> terms) => steps.Add(new(formula, value, terms.ToArray()));
}

/// <summary>A value that went into the derivation from outside, with where it came from.</summary>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Value">Its value, base unit.</param>
/// <param name="From">Where it came from, in words.</param>
public sealed record Given(string Symbol, string Name, Quantity Quantity, double Value, string From);

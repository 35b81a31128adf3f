using System.Runtime.CompilerServices;
using Incisura.Core.Quantities;

namespace Incisura.Core.Calculation;

/// <summary>What a limit's excess means.</summary>
public enum Severity
{
    /// <summary>Good to know.</summary>
    Info,

    /// <summary>May be run with care.</summary>
    Caution,

    /// <summary>Must not be run.</summary>
    Stop,
}

/// <summary>How what is used of a limit follows the feed while all else stays.</summary>
public enum FeedShare
{
    /// <summary>It does not.</summary>
    None,

    /// <summary>In proportion.</summary>
    Even,

    /// <summary>As a load does: by the feed to the power 1 − m_c (Kienzle and Victor 1952).</summary>
    Load,
}

/// <summary>A limit, defined once beside the code that judges it.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Severity">What exceeding it means.</param>
/// <param name="Cure">What would cure an excess.</param>
public sealed record LimitDefinition(string Code, string Name, Quantity Quantity, Severity Severity, string Cure)
{
    /// <summary>Relative excess that counts as rounding, so that a figure held exactly to a limit is inside it.</summary>
    public const double Tolerance = 1e-9;

    /// <summary>Use that stands for everything beyond it, so that it can be written down.</summary>
    public const double LargestUse = 1e6;

    /// <summary>Use from which a limit counts as binding.</summary>
    public const double BindingUse = 0.998;

    /// <summary>Whether the allowed value is a least one rather than a largest one.</summary>
    public bool IsLeast { get; init; }

    /// <summary>How what is used follows the feed.</summary>
    public FeedShare WithFeed { get; init; }

    /// <summary>Inputs that give way to it when they are proposed.</summary>
    public IReadOnlyList<Input> Holds { get; init; } = [];

    /// <summary>Further inputs whose range it bounds.</summary>
    public IReadOnlyList<Input> Bounds { get; init; } = [];

    /// <summary>The name within a sentence.</summary>
    public string Words => Name.ToLowerInvariant();

    /// <summary>Whether an input gives way to it.</summary>
    internal bool HoldsBack(Input input) => Among(Holds, input);

    /// <summary>Whether it bounds the range of an input.</summary>
    internal bool Ranges(Input input) => Among(Holds, input) || Among(Bounds, input);

    private static bool Among(IReadOnlyList<Input> inputs, Input input)
    {
        for (int i = 0; i < inputs.Count; i++)
            if (inputs[i] == input) return true;
        return false;
    }
}

/// <summary>One limit, judged.</summary>
/// <param name="Definition">Which limit.</param>
/// <param name="Used">The value used, in the limit's base unit.</param>
/// <param name="Allowed">The value allowed; NaN when it cannot be judged for lack of data.</param>
/// <param name="At">Where along the cut it is worst, mm from its beginning; NaN where it is the same all the way.</param>
public readonly record struct Limit(LimitDefinition Definition, double Used, double Allowed, double At = double.NaN)
{
    /// <summary>Whether data were there to judge it. A limit without data is never silently passed.</summary>
    public bool Judged => !double.IsNaN(Allowed) && !double.IsNaN(Used);

    /// <summary>Use of the limit: 1 is at the limit, above 1 is over it. NaN when it could not be judged.</summary>
    public double Use => Definition.IsLeast ? Allowed / Used : Used / Allowed;

    /// <summary>Whether the limit is judged and exceeded; rounding in the last digits does not count.</summary>
    public bool Exceeded => Use > 1 + LimitDefinition.Tolerance;
}

/// <summary>Room for every limit of one calculation, inside the result, so that nothing is allocated.</summary>
public struct LimitSet
{
    /// <summary>Most limits of one calculation.</summary>
    public const int Most = 24;

    private Room room;

    /// <summary>How many limits were judged or could not be.</summary>
    public int Count { get; private set; }

    /// <summary>The limit at a place, 0 to <see cref="Count"/> − 1.</summary>
    public readonly Limit this[int index] => index < Count ? room[index] : throw new ArgumentOutOfRangeException(nameof(index));

    /// <summary>The largest use of any judged limit; 0 when none could be judged.</summary>
    public double LargestUse { get; private set; }

    /// <summary>The limit with the largest use; null when <see cref="LargestUse"/> is 0.</summary>
    public LimitDefinition? Tightest { get; private set; }

    /// <summary>Adds one limit.</summary>
    /// <param name="definition">Which.</param>
    /// <param name="used">The value used, in the limit's base unit.</param>
    /// <param name="allowed">The value allowed; NaN when it cannot be judged for lack of data.</param>
    /// <param name="at">Where along the cut it is worst, mm from its beginning; NaN where it is the same all the way.</param>
    public void Add(LimitDefinition definition, double used, double allowed, double at = double.NaN)
    {
        Limit limit = new(definition, used, allowed, at);
        room[Count++] = limit;
        double use = limit.Use;
        if (use > LargestUse) (LargestUse, Tightest) = (use, definition);
    }

    /// <summary>Every limit with its words, tightest first, those that could not be judged last.</summary>
    public readonly IReadOnlyList<JudgedLimit> Judged() =>
    [
        .. All().OrderByDescending(l => l.Judged ? l.Use : -1)
            .Select(l => new JudgedLimit(
                l.Definition.Code,
                l.Definition.Name,
                l.Definition.Quantity,
                l.Used,
                l.Judged ? l.Allowed : null,
                l.Judged ? Math.Min(l.Use, LimitDefinition.LargestUse) : null,
                l.Definition.IsLeast,
                l.Definition.Severity,
                double.IsNaN(l.At) ? null : l.At)),
    ];

    /// <summary>Every limit, in the order they were judged.</summary>
    public readonly IReadOnlyList<Limit> All()
    {
        Limit[] all = new Limit[Count];
        for (int i = 0; i < Count; i++) all[i] = room[i];
        return all;
    }

    /// <summary>One limit, or one that could not be judged when it was not looked at.</summary>
    public readonly Limit Of(LimitDefinition definition)
    {
        for (int i = 0; i < Count; i++)
            if (ReferenceEquals(room[i].Definition, definition)) return room[i];
        return new(definition, double.NaN, double.NaN);
    }

    [InlineArray(Most)]
    private struct Room
    {
        private Limit first;
    }
}

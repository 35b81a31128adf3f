using System.Runtime.CompilerServices;

namespace Incisura.Core.Calculation;

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
public sealed class LimitDefinition
{
    private static readonly Lock Registering = new();
    private static LimitDefinition[] known = [];

    private readonly bool[] holds = new bool[Numbers<Input>.Most], ranges = new bool[Numbers<Input>.Most];

    // A limit is judged in a hundredth of a microsecond: what it is stands in the result as a number, since a reference would have to be
    // tracked wherever a result is copied.
    internal int Place { get; }

    // Its place, and below 0 that of a least value.
    internal int Mark { get; private set; }

    /// <summary>Defines a limit.</summary>
    /// <param name="code">Stable code.</param>
    /// <param name="name">Plain words.</param>
    /// <param name="quantity">What it measures.</param>
    /// <param name="severity">What exceeding it means.</param>
    /// <param name="cure">What would cure an excess.</param>
    public LimitDefinition(string code, string name, Quantity quantity, Severity severity, string cure)
    {
        (Code, Name, Quantity, Severity, Cure) = (code, name, quantity, severity, cure);
        lock (Registering)
        {
            Mark = Place = known.Length;
            known = [.. known, this];
        }
    }

    /// <summary>Stable code.</summary>
    public string Code { get; }

    /// <summary>Plain words.</summary>
    public string Name { get; }

    /// <summary>What it measures.</summary>
    public Quantity Quantity { get; }

    /// <summary>What exceeding it means.</summary>
    public Severity Severity { get; }

    /// <summary>What would cure an excess.</summary>
    public string Cure { get; }

    /// <summary>Relative excess that counts as rounding, so that a figure held exactly to a limit is inside it.</summary>
    public const double Tolerance = 1e-9;

    /// <summary>Use that stands for everything beyond it, so that it can be written down.</summary>
    public const double LargestUse = 1e6;

    /// <summary>Use from which a limit counts as binding.</summary>
    public const double BindingUse = 0.998;

    /// <summary>Whether the allowed value is a least one rather than a largest one.</summary>
    public bool IsLeast
    {
        get => Mark < 0;
        init => Mark = value ? ~Place : Place;
    }

    /// <summary>How what is used follows the feed.</summary>
    public FeedShare WithFeed { get; init; }

    /// <summary>Inputs that give way to it when they are proposed.</summary>
    public IReadOnlyList<Input> Holds
    {
        get;
        init
        {
            field = value;
            foreach (Input input in value) holds[(int)input] = ranges[(int)input] = true;
        }
    } = [];

    /// <summary>Further inputs whose range it bounds.</summary>
    public IReadOnlyList<Input> Bounds
    {
        get;
        init
        {
            field = value;
            foreach (Input input in value) ranges[(int)input] = true;
        }
    } = [];

    /// <summary>The name within a sentence.</summary>
    public string Words => Name.ToLowerInvariant();

    /// <summary>The limit at a place.</summary>
    internal static LimitDefinition At(int place) => known[place];

    /// <summary>Whether an input gives way to it.</summary>
    internal bool HoldsBack(Input input) => holds[(int)input];

    /// <summary>Whether it bounds the range of an input.</summary>
    internal bool Ranges(Input input) => ranges[(int)input];
}

/// <summary>One limit, judged.</summary>
public readonly struct Limit
{
    // The place of the definition, below 0 for a least value: a limit stays three words long.
    private readonly int place;
    private readonly float at;

    /// <summary>Judges a limit.</summary>
    /// <param name="definition">Which limit.</param>
    /// <param name="used">The value used, in the limit's base unit.</param>
    /// <param name="allowed">The value allowed; NaN when it cannot be judged for lack of data.</param>
    /// <param name="at">Where along the cut it is worst, mm from its beginning, or a diameter below 0; NaN where it is the same all the way.</param>
    public Limit(LimitDefinition definition, double used, double allowed, double at = double.NaN) =>
        (place, Used, Allowed, this.at) = (definition.Mark, used, allowed, (float)at);

    /// <summary>Which limit.</summary>
    public LimitDefinition Definition => LimitDefinition.At(place < 0 ? ~place : place);

    /// <summary>The value used, in the limit's base unit.</summary>
    public double Used { get; }

    /// <summary>The value allowed; NaN when it cannot be judged for lack of data.</summary>
    public double Allowed { get; }

    /// <summary>Where along the cut it is worst, mm from its beginning; NaN where it is the same all the way.</summary>
    public double At => at >= 0 ? at : double.NaN;

    /// <summary>Diameter of turned work at which it is worst, mm; NaN where that is not told.</summary>
    public double AtDiameter => at < 0 ? -at : double.NaN;

    /// <summary>Whether data were there to judge it. A limit without data is never silently passed.</summary>
    public bool Judged => !double.IsNaN(Allowed) && !double.IsNaN(Used);

    /// <summary>Use of the limit: 1 is at the limit, above 1 is over it. NaN when it could not be judged.</summary>
    public double Use => place < 0 ? Allowed / Used : Used / Allowed;

    /// <summary>Whether the limit is judged and exceeded; rounding in the last digits does not count.</summary>
    public bool Exceeded => Use > 1 + LimitDefinition.Tolerance;

    /// <summary>Share of the feed that brings what is used down to what is allowed, where that follows a power of the feed.</summary>
    /// <param name="chipExponent">m_c.</param>
    internal double ShareOfFeed(double chipExponent) =>
        Math.Pow(Use, -1 / (Definition.WithFeed == FeedShare.Load ? 1 - chipExponent : 1));

    /// <summary>Whether it is the limit of a definition.</summary>
    internal bool Is(LimitDefinition definition) => (place < 0 ? ~place : place) == definition.Place;
}

/// <summary>Room for every limit of one calculation, inside the result, so that nothing is allocated.</summary>
public struct LimitSet
{
    /// <summary>Most limits of one calculation.</summary>
    public const int Most = 28;

    private Room room;

    /// <summary>Where along the cut loads are worst, mm from its beginning; 0 where they are the same all the way.</summary>
    public double LoadsAt { get; set; }

    /// <summary>How many limits were judged or could not be.</summary>
    public int Count { get; private set; }

    /// <summary>The limit at a place, 0 to <see cref="Count"/> − 1.</summary>
    public readonly Limit this[int index] => index < Count ? room[index] : throw new ArgumentOutOfRangeException(nameof(index));

    /// <summary>The largest use of any judged limit; 0 when none could be judged.</summary>
    public readonly double LargestUse
    {
        get
        {
            double largest = 0;
            for (int i = 0; i < Count; i++)
                if (room[i].Use is var use && use > largest) largest = use;
            return largest;
        }
    }

    /// <summary>The limit with the largest use; null when none could be judged.</summary>
    public readonly LimitDefinition? Tightest => All().Where(l => l.Judged).OrderByDescending(l => l.Use).Select(l => l.Definition).FirstOrDefault();

    /// <summary>Adds one limit.</summary>
    /// <param name="definition">Which.</param>
    /// <param name="used">The value used, in the limit's base unit.</param>
    /// <param name="allowed">The value allowed; NaN when it cannot be judged for lack of data.</param>
    public void Add(LimitDefinition definition, double used, double allowed) =>
        room[Count++] = new(definition, used, allowed, definition.WithFeed == FeedShare.Load && LoadsAt > 0 ? LoadsAt : double.NaN);

    /// <summary>Adds one limit of a course of diameters.</summary>
    /// <param name="definition">Which.</param>
    /// <param name="used">The value used, in the limit's base unit.</param>
    /// <param name="allowed">The value allowed; NaN when it cannot be judged for lack of data.</param>
    /// <param name="diameter">Diameter at which it is worst, mm, above 0.</param>
    public void AddAt(LimitDefinition definition, double used, double allowed, double diameter) =>
        room[Count++] = new(definition, used, allowed, -diameter);

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
                double.IsNaN(l.At) ? null : l.At,
                double.IsNaN(l.AtDiameter) ? null : l.AtDiameter)),
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
            if (room[i].Is(definition)) return room[i];
        return new(definition, double.NaN, double.NaN);
    }

    [InlineArray(Most)]
    private struct Room
    {
        private Limit first;
    }
}

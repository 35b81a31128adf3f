using System.Runtime.CompilerServices;
using Incisura.Core.Quantities;

namespace Incisura.Core.Calculation;

/// <summary>The limits a calculation can be judged against.</summary>
public enum LimitKind
{
    /// <summary>Highest spindle speed of machine, holder and cutter, rev/min.</summary>
    HighestSpeed,

    /// <summary>Lowest spindle speed of the machine, rev/min.</summary>
    LowestSpeed,

    /// <summary>Continuous power of the machine at the speed used, kW.</summary>
    PowerContinuous,

    /// <summary>Short-time power of the machine at the speed used, kW.</summary>
    PowerShortTime,

    /// <summary>Continuous torque of the spindle at the speed used, N·m.</summary>
    TorqueContinuous,

    /// <summary>Short-time torque of the spindle at the speed used, N·m.</summary>
    TorqueShortTime,

    /// <summary>Largest feed rate of the axes, mm/min.</summary>
    AxisFeed,

    /// <summary>Length of the flutes, which every pass must stay within, mm.</summary>
    FluteLength,

    /// <summary>Largest depth of cut of the cutter (APMX), mm.</summary>
    DepthOfCutter,

    /// <summary>Largest width of cut the cutter is meant for, mm.</summary>
    WidthOfCutter,

    /// <summary>Largest chip thickness the edge stands, mm.</summary>
    LargestChip,

    /// <summary>Least chip thickness, below which the edge rubs, mm.</summary>
    LeastChip,

    /// <summary>Deflection allowed at the tip, µm.</summary>
    Deflection,

    /// <summary>Least length of shank the holder must grip, mm.</summary>
    Grip,

    /// <summary>Length outside the holder against the whole depth to be cut, mm.</summary>
    Reach,

    /// <summary>Largest ramp angle of the cutter, degrees.</summary>
    RampAngle,

    /// <summary>Least hole the cutter can enter on a helix without riding on its dead centre, mm.</summary>
    LeastHole,

    /// <summary>Largest hole that is cleared to its middle on one helix, mm.</summary>
    LargestHole,

    /// <summary>Room of one flute for the chip of one turn, grown to loose chips, against its section.</summary>
    ChipRoom,

    /// <summary>Ridge height wanted, mm.</summary>
    Ridge,

    /// <summary>Thrust of the feed axis, N.</summary>
    Thrust,

    /// <summary>Highest speed at which the machine taps in step with the feed, rev/min.</summary>
    SpeedInStep,

    /// <summary>Highest speed the spindle reaches and leaves again within the depth of the thread, rev/min.</summary>
    SpeedReached,

    /// <summary>Torque the core of a drill or tap stands, with its margin, N·m.</summary>
    ToolStrength,

    /// <summary>Depth of the hole that a tap, a reamer or a bar needs, mm.</summary>
    HoleDepth,

    /// <summary>Highest speed at which a slender drill does not whirl, rev/min.</summary>
    Whirl,

    /// <summary>Thrust at which a slender drill buckles, with its margin, N.</summary>
    Buckling,

    /// <summary>Tool life wanted, min.</summary>
    ToolLife,
}

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

/// <summary>One limit, judged.</summary>
/// <param name="Kind">Which limit.</param>
/// <param name="Used">The value used, in the limit's base unit.</param>
/// <param name="Allowed">The value allowed; NaN when it cannot be judged for lack of data.</param>
public readonly record struct Limit(LimitKind Kind, double Used, double Allowed)
{
    /// <summary>Whether data were there to judge it. A limit without data is never silently passed.</summary>
    public bool Judged => !double.IsNaN(Allowed) && !double.IsNaN(Used);

    /// <summary>Use of the limit: 1 is at the limit, above 1 is over it. NaN when it could not be judged.</summary>
    public double Use => LimitCatalogue.IsLeast(Kind) ? Allowed / Used : Used / Allowed;

    /// <summary>Whether the limit is judged and exceeded; rounding in the last digits does not count.</summary>
    public bool Exceeded => Use > 1 + LimitCatalogue.Tolerance;
}

/// <summary>What is fixed about each limit: its words, its quantity, its direction and its severity.</summary>
public static class LimitCatalogue
{
    /// <summary>Relative excess that counts as rounding, so that a figure held exactly to a limit is inside it.</summary>
    public const double Tolerance = 1e-9;

    /// <summary>Use that stands for everything beyond it, so that it can be written down.</summary>
    public const double LargestUse = 1e6;

    /// <summary>Whether the limit is a least value rather than a largest one.</summary>
    public static bool IsLeast(LimitKind kind) =>
        kind is LimitKind.LowestSpeed or LimitKind.LeastChip or LimitKind.Grip or LimitKind.LeastHole or LimitKind.HoleDepth or LimitKind.ToolLife;

    /// <summary>The limit's name in plain words.</summary>
    public static string NameOf(LimitKind kind) => kind switch
    {
        LimitKind.HighestSpeed => "Highest speed",
        LimitKind.LowestSpeed => "Lowest speed",
        LimitKind.PowerContinuous => "Power, continuous",
        LimitKind.PowerShortTime => "Power, short-time",
        LimitKind.TorqueContinuous => "Torque, continuous",
        LimitKind.TorqueShortTime => "Torque, short-time",
        LimitKind.AxisFeed => "Axis feed",
        LimitKind.FluteLength => "Flute length",
        LimitKind.DepthOfCutter => "Depth of the cutter",
        LimitKind.WidthOfCutter => "Width of the cutter",
        LimitKind.LargestChip => "Largest chip",
        LimitKind.LeastChip => "Least chip",
        LimitKind.Deflection => "Deflection at the tip",
        LimitKind.Grip => "Length gripped",
        LimitKind.Reach => "Reach outside the holder",
        LimitKind.RampAngle => "Ramp angle",
        LimitKind.LeastHole => "Least hole",
        LimitKind.LargestHole => "Largest hole",
        LimitKind.ChipRoom => "Chip room",
        LimitKind.Ridge => "Ridge height",
        LimitKind.Thrust => "Thrust of the axis",
        LimitKind.SpeedInStep => "Speed in step",
        LimitKind.SpeedReached => "Speed within the depth",
        LimitKind.ToolStrength => "Strength of the tool",
        LimitKind.HoleDepth => "Depth of the hole",
        LimitKind.Whirl => "Whirling of the drill",
        LimitKind.Buckling => "Buckling of the drill",
        LimitKind.ToolLife => "Life of the edge",
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

    /// <summary>What the limit measures.</summary>
    public static Quantity QuantityOf(LimitKind kind) => kind switch
    {
        LimitKind.HighestSpeed or LimitKind.LowestSpeed or LimitKind.SpeedInStep or LimitKind.SpeedReached or LimitKind.Whirl =>
            Quantity.SpindleSpeed,
        LimitKind.PowerContinuous or LimitKind.PowerShortTime => Quantity.Power,
        LimitKind.TorqueContinuous or LimitKind.TorqueShortTime or LimitKind.ToolStrength => Quantity.Torque,
        LimitKind.Thrust or LimitKind.Buckling => Quantity.Force,
        LimitKind.AxisFeed => Quantity.FeedRate,
        LimitKind.LargestChip or LimitKind.LeastChip or LimitKind.Ridge => Quantity.Chip,
        LimitKind.RampAngle => Quantity.Angle,
        LimitKind.ChipRoom => Quantity.Ratio,
        LimitKind.Deflection => Quantity.Deviation,
        LimitKind.ToolLife => Quantity.Time,
        _ => Quantity.Length,
    };

    /// <summary>What exceeding the limit means: continuous ratings may be exceeded for a short time, a thin chip wears the edge early.</summary>
    public static Severity SeverityOf(LimitKind kind) => kind switch
    {
        LimitKind.PowerContinuous or LimitKind.TorqueContinuous or LimitKind.LeastChip or LimitKind.WidthOfCutter or LimitKind.Deflection
            or LimitKind.ChipRoom or LimitKind.Ridge or LimitKind.ToolLife => Severity.Caution,
        _ => Severity.Stop,
    };

    /// <summary>What would cure an exceeded limit.</summary>
    public static string CureOf(LimitKind kind) => kind switch
    {
        LimitKind.HighestSpeed => "Lower the cutting speed, or take a larger cutter or a faster machine.",
        LimitKind.LowestSpeed => "Raise the cutting speed or take a smaller cutter.",
        LimitKind.PowerContinuous or LimitKind.PowerShortTime => "Take less depth or width, or a machine with more power at this speed.",
        LimitKind.TorqueContinuous or LimitKind.TorqueShortTime => "Take less depth or width, or a smaller cutter that turns faster.",
        LimitKind.AxisFeed => "Lower the cutting speed so that the chip stays, or take fewer teeth.",
        LimitKind.FluteLength or LimitKind.DepthOfCutter => "Take more passes down, or a cutter with longer flutes.",
        LimitKind.WidthOfCutter => "Take more passes across, or a cutter meant for wider cuts.",
        LimitKind.LargestChip => "Lower the feed per tooth.",
        LimitKind.LeastChip => "Raise the feed per tooth or the width, so that the edge cuts instead of rubbing.",
        LimitKind.Deflection => "Shorten the projection, take a thicker cutter, or take less depth or width.",
        LimitKind.Grip => "Push the cutter further into the holder, or take a longer cutter.",
        LimitKind.RampAngle => "Take a smaller angle, or a cutter that may ramp steeper.",
        LimitKind.LeastHole => "Take a smaller cutter, or one that cuts to its centre.",
        LimitKind.LargestHole => "Take a larger cutter, or open the rest of the hole in further passes.",
        LimitKind.ChipRoom => "Take less width or feed, or a cutter with fewer teeth.",
        LimitKind.Ridge => "Take smaller steps, or a larger radius.",
        LimitKind.Reach => "Let the cutter stand out further, or take a longer one, or one with a thinner shank.",
        LimitKind.Thrust => "Lower the feed, or drill a pilot first.",
        LimitKind.SpeedInStep => "Lower the cutting speed, or take a machine that taps faster.",
        LimitKind.SpeedReached => "Lower the cutting speed, or raise the approach plane.",
        LimitKind.ToolStrength => "Lower the feed of a drill; open the hole for a tap, take a fresh one, or mill the thread.",
        LimitKind.HoleDepth => "Drill deeper, take a shorter lead, or thread less deep.",
        LimitKind.Whirl => "Lower the speed, shorten the projection, or deepen the pilot.",
        LimitKind.Buckling => "Lower the feed, shorten the projection, or deepen the pilot.",
        LimitKind.ToolLife => "Lower the cutting speed, or ask for less life.",
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };
}

/// <summary>Room for every limit of one calculation, inside the result, so that nothing is allocated.</summary>
public struct LimitSet
{
    private Room room;

    /// <summary>How many limits were judged or could not be.</summary>
    public int Count { get; private set; }

    /// <summary>The limit at a place, 0 to <see cref="Count"/> − 1.</summary>
    public readonly Limit this[int index] => index < Count ? room[index] : throw new ArgumentOutOfRangeException(nameof(index));

    /// <summary>The largest use of any judged limit; 0 when none could be judged.</summary>
    public double LargestUse { get; private set; }

    /// <summary>The limit with the largest use, meaningful when <see cref="LargestUse"/> is above 0.</summary>
    public LimitKind Tightest { get; private set; }

    /// <summary>Adds one limit.</summary>
    public void Add(LimitKind kind, double used, double allowed)
    {
        Limit limit = new(kind, used, allowed);
        room[Count++] = limit;
        double use = limit.Use;
        if (use > LargestUse)
        {
            LargestUse = use;
            Tightest = kind;
        }
    }

    /// <summary>Every limit with its words, tightest first, those that could not be judged last.</summary>
    public readonly IReadOnlyList<JudgedLimit> Judged()
    {
        LimitSet set = this;
        return
        [
            .. Enumerable.Range(0, Count)
                .Select(i => set[i])
                .OrderByDescending(l => l.Judged ? l.Use : -1)
                .Select(l => new JudgedLimit(
                    l.Kind,
                    LimitCatalogue.NameOf(l.Kind),
                    LimitCatalogue.QuantityOf(l.Kind),
                    l.Used,
                    l.Judged ? l.Allowed : null,
                    l.Judged ? Math.Min(l.Use, LimitCatalogue.LargestUse) : null,
                    LimitCatalogue.IsLeast(l.Kind),
                    LimitCatalogue.SeverityOf(l.Kind))),
        ];
    }

    /// <summary>The limit of one kind, or one that could not be judged when it was not looked at.</summary>
    public readonly Limit Of(LimitKind kind)
    {
        for (int i = 0; i < Count; i++)
            if (room[i].Kind == kind) return room[i];
        return new(kind, double.NaN, double.NaN);
    }

    [InlineArray(20)]
    private struct Room
    {
        private Limit first;
    }
}

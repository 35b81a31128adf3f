using System.Runtime.CompilerServices;

namespace Incisura.Core.Calculation;

/// <summary>A kind of stretch of the tool's way, with its words.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Name">Plain words; {0} stands for its number where there are several.</param>
/// <param name="Editable">Whether its speed, feed and coolant can be changed.</param>
public sealed record WayKind(string Code, string Name, bool Editable = false)
{
    /// <summary>From above to the plane the feed begins at.</summary>
    public static readonly WayKind Approach = new("approach", "To the approach plane");

    /// <summary>Up to the plane the tool is lifted to between holes.</summary>
    public static readonly WayKind Retract = new("retract", "To the retract plane");

    /// <summary>Cutting passes.</summary>
    public static readonly WayKind Pass = new("pass", "Passes at feed rate");

    /// <summary>Back to the beginning of the next pass.</summary>
    public static readonly WayKind Return = new("return", "Back in rapid");

    /// <summary>Up and down between levels.</summary>
    public static readonly WayKind Lift = new("lift", "Down and up in rapid");

    /// <summary>Code of a stretch with a number.</summary>
    public string CodeOf(int number) => number > 0 ? $"{Code}-{number}" : Code;

    /// <summary>Name of a stretch with a number.</summary>
    public string NameOf(int number) => string.Format(System.Globalization.CultureInfo.InvariantCulture, Name, number);
}

/// <summary>A stretch of the tool's way with one speed and one feed, or a stand; equal ones that follow each other are one.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Length">Length of one, mm; 0 while the tool stands.</param>
/// <param name="FeedRate">Feed rate, mm/min; 0 while the tool stands.</param>
public readonly record struct Stretch(WayKind Kind, double Length, double FeedRate)
{
    /// <summary>Number among stretches of its kind, from 1; 0 where there is only one.</summary>
    public int Number { get; init; }

    /// <summary>How many equal ones.</summary>
    public double Count { get; init; } = 1;

    /// <summary>Whether the tool moves in rapid.</summary>
    public bool Rapid { get; init; }

    /// <summary>Depth of the tip below the surface at its beginning, mm, negative above it; NaN where it does not run along the axis.</summary>
    public double From { get; init; } = double.NaN;

    /// <summary>Depth of the tip at its end, mm; NaN where it does not run along the axis.</summary>
    public double To { get; init; } = double.NaN;

    /// <summary>Spindle speed, rev/min; negative to the left.</summary>
    public double Speed { get; init; }

    /// <summary>Whether coolant is on.</summary>
    public bool Coolant { get; init; } = true;

    /// <summary>Time the tool stands, or takes beside its way, min.</summary>
    public double Stand { get; init; }

    /// <summary>Time, min.</summary>
    public double Time => (Length > 0 ? Count * Length / FeedRate : 0) + Stand;

    /// <summary>A stretch along the axis.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="from">Depth of the tip at its beginning, mm.</param>
    /// <param name="to">Depth of the tip at its end, mm.</param>
    /// <param name="speed">Spindle speed, rev/min; negative to the left.</param>
    /// <param name="feedRate">Feed rate, mm/min.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Stretch Along(WayKind kind, double from, double to, double speed, double feedRate) =>
        new(kind, Math.Abs(to - from), feedRate) { From = from, To = to, Speed = speed };
}

/// <summary>Receives the stretches of a plan, one after the other.</summary>
public interface IWaySink
{
    /// <summary>Takes a stretch.</summary>
    void Take(in Stretch stretch);
}

/// <summary>Sums what a walk over the plan comes to.</summary>
public struct WaySum : IWaySink
{
    /// <summary>Way at feed rate, mm.</summary>
    public double Fed { get; private set; }

    /// <summary>Way in rapid, mm.</summary>
    public double Moved { get; private set; }

    /// <summary>Highest number of any stretch, such as that of the last peck.</summary>
    public int Highest { get; private set; }

    /// <summary>Time, min.</summary>
    public double Time { get; private set; }

    /// <inheritdoc/>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Take(in Stretch stretch)
    {
        if (stretch.Rapid) Moved += stretch.Count * stretch.Length;
        else Fed += stretch.Count * stretch.Length;
        if (stretch.Number > Highest) Highest = stretch.Number;
        Time += stretch.Time;
    }
}

/// <summary>A stretch of the tool's way with its words.</summary>
/// <param name="Code">Stable code, such as full or cross-1.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Count">How many equal ones.</param>
/// <param name="Length">Length of one, mm.</param>
/// <param name="From">Depth of the tip below the surface at its beginning, mm; null where it does not run along the axis.</param>
/// <param name="To">Depth of the tip at its end, mm; null where it does not run along the axis.</param>
/// <param name="Speed">Spindle speed, rev/min; negative to the left.</param>
/// <param name="FeedRate">Feed rate, mm/min; 0 while the tool stands.</param>
/// <param name="Rapid">Whether it moves in rapid.</param>
/// <param name="Coolant">Whether coolant is on.</param>
/// <param name="Time">Time of all, min.</param>
/// <param name="Editable">Whether its speed, feed and coolant can be changed.</param>
public sealed record WayPart(
    string Code, string Name, double Count, double Length, double? From, double? To, double Speed, double FeedRate, bool Rapid, bool Coolant,
    double Time, bool Editable);

/// <summary>The way of the tool, stretch by stretch, from the same walk that gives its length and its time.</summary>
/// <param name="Parts">The stretches in order.</param>
public sealed record ToolWay(IReadOnlyList<WayPart> Parts) : Attachment;

/// <summary>Keeps the stretches with their words.</summary>
public readonly struct WayList() : IWaySink
{
    private readonly List<WayPart> parts = [];

    /// <summary>The way so far.</summary>
    public ToolWay Way => new(parts);

    /// <inheritdoc/>
    public void Take(in Stretch stretch)
    {
        Stretch s = stretch;
        parts.Add(new(
            s.Kind.CodeOf(s.Number), s.Kind.NameOf(s.Number), s.Count, s.Length, double.IsNaN(s.From) ? null : s.From,
            double.IsNaN(s.To) ? null : s.To, s.Speed, s.FeedRate, s.Rapid, s.Coolant, s.Time, s.Kind.Editable));
    }
}

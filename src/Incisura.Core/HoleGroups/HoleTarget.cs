using Incisura.Core.Calculation;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Threads;

namespace Incisura.Core.HoleGroups;

/// <summary>What a hole is to become.</summary>
public enum TargetKind
{
    /// <summary>A drilled hole.</summary>
    Plain,

    /// <summary>A hole to a tolerance: reamed or fine bored.</summary>
    Tolerance,

    /// <summary>A hole with a thread: tapped or milled.</summary>
    Threaded,

    /// <summary>A drilled hole with a flat seat around it.</summary>
    Counterbored,
}

/// <summary>A hole as the drawing of the part asks for it.</summary>
public sealed record HoleTarget
{
    /// <summary>What it is to become.</summary>
    public TargetKind Kind { get; init; }

    /// <summary>Diameter, mm; that of a threaded hole is its thread's.</summary>
    public double Diameter { get; init; } = 8.5;

    /// <summary>The thread of a threaded hole.</summary>
    public ThreadToCut? Thread { get; init; }

    /// <summary>Depth at full diameter or of full thread, mm; of a through hole the thickness of the work.</summary>
    public double Depth { get; init; } = 20;

    /// <summary>Whether it goes through.</summary>
    public bool Through { get; init; }

    /// <summary>Tolerance in the words of the drawing, such as H7.</summary>
    public string Tolerance { get; init; } = "H7";

    /// <summary>Chamfer on a side, mm; 0 for none.</summary>
    public double Chamfer { get; init; } = 0.5;

    /// <summary>Diameter of the seat, mm.</summary>
    public double SeatDiameter { get; init; } = 15;

    /// <summary>Depth of the seat, mm.</summary>
    public double SeatDepth { get; init; } = 9;

    /// <summary>The thread of a threaded hole with its dimensions; null for any other, and where none is named.</summary>
    internal WorkThread? Work => Kind == TargetKind.Threaded ? Thread?.Read() : null;

    /// <summary>Diameter it is called by, mm; of a thread its major one.</summary>
    public double Nominal() => Work?.Thread.Diameter ?? Diameter;

    /// <summary>Widest diameter at the surface, mm.</summary>
    public double Widest() => (Kind == TargetKind.Counterbored ? SeatDiameter : Nominal()) + (2 * Chamfer);

    internal void Check(InputCheck check)
    {
        check.Holds(Enum.IsDefined(Kind), "target.kind", double.NaN, "The kind of hole is unknown; choose one from the list.")
            .Within("target.diameter", "The diameter of the hole", Diameter, 0.3, 500, Quantity.Length)
            .Within("target.depth", "The depth", Depth, 0.1, 2000, Quantity.Length)
            .Within("target.chamfer", "The chamfer", Chamfer, 0, 20, Quantity.Length)
            .Holds(Tolerance.Length <= 24, "target.tolerance", Tolerance.Length, "The tolerance holds at most 24 characters.")
            .Holds(
                !Tolerance.AsSpan().ContainsAny("{}"), "target.tolerance", double.NaN,
                "A tolerance has no braces; write it as on the drawing, such as H7 or ±0.02.");
        if (Kind == TargetKind.Threaded) CheckThread(check);
        if (Kind == TargetKind.Counterbored)
            check.Within("target.seatDiameter", "The diameter of the seat", SeatDiameter, Diameter + 0.1, 500, Quantity.Length)
                .Within("target.seatDepth", "The depth of the seat", SeatDepth, 0.05, 2000, Quantity.Length)
                .Holds(
                    SeatDepth < Depth, "target.seatDepth", SeatDepth,
                    $"A seat {SeatDepth:0.###} mm deep leaves nothing of a hole {Depth:0.###} mm deep to be seated on; make it shallower.");
    }

    private void CheckThread(InputCheck check)
    {
        const string field = "target.thread";
        int before = check.Faults.Count;
        if (Thread is null) check.Holds(false, field, double.NaN, "The hole has no thread yet; choose one, such as M10.");
        else Thread.Check(field, check);
        if (check.Faults.Count > before || Work is not { } work) return;
        check.Within(field, "The diameter of the thread", work.Thread.Diameter, 0.5, 500, Quantity.Length)
            .Holds(
                work.Thread.Class.Length == 0 || ThreadLimits.Of(work.Thread, work.Thread.Class) is { Internal: true }, field, double.NaN,
                $"{work.Thread.Class} is a class of the outside thread; a hole takes one of "
                    + $"{string.Join(", ", ThreadLimits.ClassesOf(work.Thread).Where(c => ThreadLimits.Of(work.Thread, c)!.Internal))}.");
    }
}

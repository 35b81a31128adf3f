namespace Incisura.Core.Threads;

/// <summary>One way in which a shop's own thread differs from the one it was made from.</summary>
/// <param name="Field">Field, as in <see cref="OwnThread"/>.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Listed">Value of the listed thread, mm or a number.</param>
/// <param name="Own">Value of the own thread.</param>
public sealed record ThreadDifference(string Field, string Name, double Listed, double Own);

/// <summary>
/// A thread that the tables lack: made from a listed one, with what differs. It carries its parent and its differences wherever it is named, and nothing
/// that rests on it is published before somebody else has approved it.
/// </summary>
public sealed record OwnThread
{
    /// <summary>What the shop calls it.</summary>
    public required string Name { get; init; }

    /// <summary>The listed thread it was made from, as text.</summary>
    public required string Parent { get; init; }

    /// <summary>Major diameter, mm, 0.5 to 1000.</summary>
    public double Diameter { get; init; } = double.NaN;

    /// <summary>Pitch P, mm, 0.1 to 50.</summary>
    public double Pitch { get; init; } = double.NaN;

    /// <summary>Number of starts, 1 to 12.</summary>
    public int Starts { get; init; } = 1;

    /// <summary>Whether it is left-hand.</summary>
    public bool LeftHand { get; init; }

    /// <summary>Pitch diameter d_2, mm; null where its form gives it.</summary>
    public double? PitchDiameter { get; init; }

    /// <summary>Minor diameter of the external thread d_3, mm; null where its form gives it.</summary>
    public double? Minor { get; init; }

    /// <summary>Minor diameter of the internal thread D_1, mm; null where its form gives it.</summary>
    public double? InternalMinor { get; init; }

    /// <summary>What it is for, and why no listed thread does.</summary>
    public string Reason { get; init; } = "";

    /// <summary>An own thread that does not differ yet.</summary>
    /// <param name="listed">The thread it starts from.</param>
    public static OwnThread From(Thread listed) => new()
    {
        Name = "",
        Parent = (listed with { Class = "" }).ToString(),
        Diameter = listed.Diameter,
        Pitch = listed.Pitch,
        Starts = listed.Starts,
        LeftHand = listed.LeftHand,
    };

    /// <summary>The thread it was made from; null where the text names none.</summary>
    public Thread? ParentThread => ThreadText.Read(Parent);

    /// <summary>The thread itself; its form is its parent's.</summary>
    /// <exception cref="InvalidOperationException">Its parent is no thread; <see cref="Check"/> says so before.</exception>
    public Thread Thread => new()
    {
        Form = (ParentThread ?? throw new InvalidOperationException($"{Parent} is no thread.")).Form,
        Diameter = Diameter,
        Pitch = Pitch,
        Starts = Starts,
        LeftHand = LeftHand,
    };

    /// <summary>Its basic dimensions: those of its form, with what was set otherwise.</summary>
    public ThreadShape Shape
    {
        get
        {
            ThreadShape s = ThreadShape.Of(Thread);
            return s with { Pitch = PitchDiameter ?? s.Pitch, Minor = Minor ?? s.Minor, InternalMinor = InternalMinor ?? s.InternalMinor };
        }
    }

    /// <summary>In what it differs from its parent.</summary>
    public IReadOnlyList<ThreadDifference> Differences
    {
        get
        {
            if (ParentThread is not { } parent) return [];
            ThreadShape form = ThreadShape.Of(Thread), own = Shape;
            ThreadDifference[] all =
            [
                new("diameter", "Major diameter", parent.Diameter, Diameter), new("pitch", "Pitch", parent.Pitch, Pitch),
                new("starts", "Starts", parent.Starts, Starts), new("leftHand", "Left-hand", parent.LeftHand ? 1 : 0, LeftHand ? 1 : 0),
                new("pitchDiameter", "Pitch diameter", form.Pitch, own.Pitch), new("minor", "Minor diameter, external", form.Minor, own.Minor),
                new("internalMinor", "Minor diameter, internal", form.InternalMinor, own.InternalMinor),
            ];
            return [.. all.Where(d => Math.Abs(d.Listed - d.Own) > 1e-9)];
        }
    }

    /// <summary>Checks it: a name and a reason, a shape that can be made, and at least one difference from its parent.</summary>
    public InputCheck Check()
    {
        InputCheck check = CheckShape(new InputCheck().Named("name", "The name", Name).Named("reason", "What it is for", Reason, 400));
        return check.Faults.Count > 0 ? check : check.Holds(
            Differences.Count > 0, "diameter", Diameter,
            $"It does not differ from {Parent}; change what is different, or use the listed thread.");
    }

    /// <summary>Checks whether it can be drawn: a parent that is listed, a thread that can be made, and diameters in order.</summary>
    public InputCheck CheckShape() => CheckShape(new());

    private InputCheck CheckShape(InputCheck check)
    {
        if (ParentThread is not { } parent || ThreadTables.Find(parent) is null)
            return check.Holds(
                false, "parent", double.NaN, $"{(Parent.Length == 0 ? "Nothing" : Parent)} is no listed thread; start from one, such as M16×1.5.");
        foreach (InputFault fault in Thread.Check().Faults) check.Holds(false, fault.Field, fault.Given, fault.Sentence);
        if (check.Faults.Count > 0) return check;
        foreach ((string field, double? own) in new[] { ("pitchDiameter", PitchDiameter), ("minor", Minor), ("internalMinor", InternalMinor) })
            if (own is { } set) check.Within(field, "The diameter", set, 0.1, 1000, Quantity.Length);
        if (check.Faults.Count > 0) return check;
        ThreadShape s = Shape;
        return check
            .Holds(
                s.Pitch < Diameter && s.Pitch > 0, "pitchDiameter", s.Pitch,
                $"The pitch diameter lies below the major one of {Diameter:0.###} mm; give less, or leave it to the form.")
            .Holds(
                s.Minor < s.Pitch && s.Minor > 0.2 * Diameter, "minor", s.Minor,
                $"The minor diameter lies between a fifth of the major and the pitch diameter, {0.2 * Diameter:0.###} to {s.Pitch:0.###} mm.")
            .Holds(
                s.InternalMinor < s.Pitch && s.InternalMinor >= s.Minor - 1e-9, "internalMinor", s.InternalMinor,
                $"The internal minor diameter lies between the external one and the pitch diameter, {s.Minor:0.###} to {s.Pitch:0.###} mm.");
    }
}

using Incisura.Core.Quantities;

namespace Incisura.Core.Threads;

/// <summary>A thread: its form, size, pitch, starts, hand and class. Taps, inserts, holes and records speak of it.</summary>
public sealed record Thread
{
    /// <summary>Form.</summary>
    public required ThreadForm Form { get; init; }

    /// <summary>Basic major diameter D, mm, 0.5 to 1000; of a taper thread that in its gauge plane (ISO 7-1) or of the pipe (60°).</summary>
    public required double Diameter { get; init; }

    /// <summary>Pitch P, mm, 0.1 to 50: from one thread to the next, whatever the number of starts.</summary>
    public required double Pitch { get; init; }

    /// <summary>Number of starts i_g, 1 to 12.</summary>
    public int Starts { get; init; } = 1;

    /// <summary>Whether it is left-hand.</summary>
    public bool LeftHand { get; init; }

    /// <summary>Class, such as 6H, 6g or 2A; empty where none is said.</summary>
    public string Class { get; init; } = "";

    /// <summary>Way along the axis in a turn, mm.</summary>
    public double Lead => Pitch * Starts;

    /// <summary>Threads per inch.</summary>
    public double PerInch => Units.MillimetresPerInch / Pitch;

    /// <summary>What it is called.</summary>
    public override string ToString() => ThreadText.Of(this);

    /// <summary>Checks every number against its range and against the others.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck()
            .Within("diameter", "The major diameter", Diameter, 0.5, 1000, Quantity.Length)
            .Within("pitch", "The pitch", Pitch, 0.1, 50, Quantity.Length)
            .Within("starts", "The number of starts", Starts, 1, 12, Quantity.Count);
        if (check.Faults.Count > 0) return check;
        double most = ThreadShape.LargestPitch(this);
        check.Holds(
            Pitch <= most, "pitch", Pitch,
            $"A pitch of {Pitch:0.####} mm leaves no core in Ø{Diameter:0.###} mm; give at most {most:0.###} mm, or a larger diameter.");
        return Class.Length == 0 ? check : check.Holds(
            ThreadLimits.Of(this, Class) is not null, "class", double.NaN,
            ThreadLimits.ClassesOf(this) is { Count: > 0 } known
                ? $"{FormDescription.Of(Form).Standard} gives no class {Class} for this thread; give one of {string.Join(", ", known)}."
                : $"No class of {FormDescription.Of(Form).Name} threads is known here; leave the class empty.");
    }
}

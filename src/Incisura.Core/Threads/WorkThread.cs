namespace Incisura.Core.Threads;

/// <summary>A thread as it is cut: listed or the shop's own, with its dimensions.</summary>
/// <param name="Text">What it is called.</param>
/// <param name="Thread">The thread.</param>
/// <param name="Shape">Its dimensions.</param>
public sealed record WorkThread(string Text, Thread Thread, ThreadShape Shape)
{
    /// <summary>A thread of a standard.</summary>
    public static WorkThread Of(Thread t) => new(t.ToString(), t, ThreadShape.Of(t));

    /// <summary>A shop's own thread.</summary>
    public static WorkThread Of(OwnThread own) => new(own.Name, own.Thread, own.Shape);

    /// <summary>Its form.</summary>
    public FormDescription Form => FormDescription.Of(Thread.Form);

    /// <summary>Slopes of the flanks, tan of their angles, that lead and follow along the axis.</summary>
    public (double Leading, double Following) Slopes =>
        (Math.Tan(double.DegreesToRadians(Form.LeadingFlank)), Math.Tan(double.DegreesToRadians(Form.FollowingFlank)));

    /// <summary>
    /// Limits of size on one side of the work: those of its own class where that is a class of this side, or else of the most usual one; null where
    /// the
    /// standard gives none, and for a shop's own shape.
    /// </summary>
    /// <param name="inside">Whether it is cut inside.</param>
    public ThreadLimits? LimitsOf(bool inside)
    {
        if (Shape != ThreadShape.Of(Thread)) return null;
        IEnumerable<string> classes = Thread.Class.Length > 0 ? ThreadLimits.ClassesOf(Thread).Prepend(Thread.Class) : ThreadLimits.ClassesOf(Thread);
        return classes.Select(c => ThreadLimits.Of(Thread, c)).FirstOrDefault(l => l?.Internal == inside);
    }

    /// <summary>Refuses a class of the other side, whose limits would be those of another class than the one that was written.</summary>
    /// <param name="inside">Whether it is cut inside.</param>
    /// <param name="check">Takes the fault.</param>
    internal void CheckSide(bool inside, InputCheck check)
    {
        if (ThreadLimits.Of(Thread, Thread.Class) is not { Class.Length: > 0 } own || own.Internal == inside) return;
        (string here, string there) = inside ? ("inside", "outside") : ("outside", "inside");
        string instead = LimitsOf(inside) is { Class.Length: > 0 } usual ? $"write {usual.Class}, or leave the class out" : "leave the class out";
        check.Holds(
            false, "threadToCut", double.NaN, $"{Thread.Class} is a class of threads {there}, and this one is cut {here}; {instead}.");
    }

    /// <summary>How far its diameters at the face of the work lie above those of <see cref="Shape"/>, mm: 0 but for taper threads.</summary>
    /// <param name="inside">Whether it is cut inside.</param>
    public double AtFace(bool inside) => GaugePlane.Of(Thread) is not { } gauge ? 0
        : Thread.Form == ThreadForm.PipeTaper ? (inside ? 0 : -gauge.Gauge * GaugePlane.Taper)
        : inside ? gauge.Gauge * GaugePlane.Taper : 0;

    /// <summary>Growth of the diameter for each mm into the work, from its face: a taper thread grows outside and narrows inside.</summary>
    /// <param name="inside">Whether it is cut inside.</param>
    public double Growth(bool inside) => inside ? -Form.Taper : Form.Taper;

    /// <summary>Basic diameter at the crests, mm, at the face of the work.</summary>
    /// <param name="inside">Whether it is cut inside.</param>
    public double CrestOf(bool inside) => (inside ? Shape.InternalMinor : Shape.Major) + AtFace(inside);

    /// <summary>Basic diameter at the roots, mm, at the face of the work.</summary>
    /// <param name="inside">Whether it is cut inside.</param>
    public double RootOf(bool inside) => (inside ? Shape.InternalMajor : Shape.Minor) + AtFace(inside);

    /// <summary>Width of the groove at its root, mm: half a pitch at the pitch diameter, less what the flanks narrow from there.</summary>
    /// <param name="inside">Whether it is cut inside.</param>
    public double FloorWidth(bool inside)
    {
        (double leading, double following) = Slopes;
        return Math.Max(0, (Thread.Pitch / 2) - (Math.Abs(RootOf(inside) - AtFace(inside) - Shape.Pitch) / 2 * (leading + following)));
    }

    /// <summary>Way from the pitch diameter to the floor of a groove, as the difference of the diameters, mm.</summary>
    /// <param name="floor">Width of the floor, mm, below half a pitch.</param>
    public double PitchToFloor(double floor)
    {
        (double leading, double following) = Slopes;
        return (Thread.Pitch - (2 * floor)) / (leading + following);
    }
}

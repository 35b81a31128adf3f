namespace Incisura.Core.Turning;

/// <summary>
/// One turning operation: its description, its course and its own limits and findings. What all of them share stands in
/// <see cref="CourseLoad"/> and <see cref="TurnedWork{TKind}"/>.
/// </summary>
public interface ITurningKind
{
    /// <summary>Its words, fields and options.</summary>
    static abstract OperationDescription Description { get; }

    /// <summary>Sets what was not typed and follows other inputs.</summary>
    static abstract void Follow(TurnedSetup setup, ref Inputs x);

    /// <summary>Whether an input matters with the cutter and the other inputs as they are.</summary>
    static virtual bool Uses(TurnedSetup setup, in Inputs x, Input input) => true;

    /// <summary>Refuses values that cannot be computed with because of the cutter or of each other.</summary>
    static abstract void Refuse(TurnedSetup setup, in Inputs x, InputCheck check);

    /// <summary>The course of the cut.</summary>
    static abstract TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>How the work stands when it is done.</summary>
    static abstract HeldWork Held(TurnedSetup setup, in Inputs x);

    /// <summary>Feed proposed where the chart gives one, mm.</summary>
    static virtual double FeedFrom<TTrace>(TurnedSetup setup, double charted, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace => charted;

    /// <summary>Works out what only it has, before limits are judged.</summary>
    static virtual void Work<TTrace>(TurnedSetup setup, in Inputs x, in TurnedCourse course, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
    }

    /// <summary>Judges limits that only it has.</summary>
    static virtual void Judge(TurnedSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits)
    {
    }

    /// <summary>Says what only it has to say.</summary>
    static virtual void Notice(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
    }

    /// <summary>Gathers what can follow on the work as it is left.</summary>
    static abstract void Follows(TurnedSetup setup, in Inputs x, Following after);

    /// <summary>Walks the way of the tool.</summary>
    static abstract void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse course, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink;
}

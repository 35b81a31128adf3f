using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes.Groups;

/// <summary>Holes that are alike: what each is to become, where they are, and how they are made. A change is a change of all of them.</summary>
public sealed record HoleGroup
{
    /// <summary>Name, such as flange bolts.</summary>
    public required string Name { get; init; }

    /// <summary>Identity of the work material.</summary>
    public required int MaterialId { get; init; }

    /// <summary>Identity of the machine.</summary>
    public required int MachineId { get; init; }

    /// <summary>What each hole is to become.</summary>
    public HoleTarget Target { get; init; } = new();

    /// <summary>Where they are.</summary>
    public HolePattern Pattern { get; init; } = new();

    /// <summary>In which order they are made.</summary>
    public HoleOrder Order { get; init; } = HoleOrder.NearestNext;

    /// <summary>Time to change a tool, min.</summary>
    public double ChangeTime { get; init; } = 0.15;

    /// <summary>Assemblies chosen by hand, by the code of the operation.</summary>
    public IReadOnlyDictionary<string, int> Picked { get; init; } = new Dictionary<string, int>();

    /// <summary>Checks what does not depend on the library.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck().Named("name", "The name", Name)
            .Within("changeTime", "The time to change a tool", ChangeTime, 0, 60, Quantity.Time)
            .Holds(Enum.IsDefined(Order), "order", double.NaN, "The order is unknown; choose one from the list.")
            .Holds(Picked.Count <= 10, "picked", Picked.Count, "At most ten steps can be picked by hand.");
        Target.Check(check);
        Pattern.Check(check);
        return check;
    }

    /// <summary>Works the group out.</summary>
    /// <param name="shelf">Situations of every assembly that can be used, in its work material and on its machine.</param>
    /// <param name="rapidFeed">Rapid traverse of the machine, mm/min.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="InputException">A value cannot be computed with.</exception>
    public GroupResult Solve(IReadOnlyList<Situation> shelf, double rapidFeed, CancellationToken cancel = default)
    {
        Check().ThrowIfAny();
        IReadOnlyList<ChainStep> steps = HoleChain.Propose(Target, shelf, Picked, cancel);
        cancel.ThrowIfCancellationRequested();
        IReadOnlyList<Position> positions = Pattern.Positions();
        HoleRoute route = HoleRoute.Of(positions, Order);
        int found = steps.Count(s => s.Found);
        double travel = route.Travel / rapidFeed, cutting = steps.Sum(s => s.Time) * positions.Count;
        return new(steps, positions, route, cutting, travel * found, ChangeTime * found, cutting + ((travel + ChangeTime) * found), steps.All(s => s.Found));
    }
}

/// <summary>A group worked out.</summary>
/// <param name="Steps">The chain of one hole.</param>
/// <param name="Positions">Where the holes are, as given.</param>
/// <param name="Route">Their order and the way between them.</param>
/// <param name="Making">Time of all holes in all steps, min.</param>
/// <param name="Travelling">Time between the holes in all steps, min.</param>
/// <param name="Changing">Time to change tools, min.</param>
/// <param name="Time">Time in all, min.</param>
/// <param name="Complete">Whether every step has a cutter.</param>
public sealed record GroupResult(IReadOnlyList<ChainStep> Steps, IReadOnlyList<Position> Positions, HoleRoute Route, double Making, double Travelling, double Changing, double Time, bool Complete);

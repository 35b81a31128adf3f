using Incisura.Core.Catalogue;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Machines;

namespace Incisura.Core.HoleGroups;

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

    /// <summary>Time to change a tool, min; null for what the machine usually takes.</summary>
    public double? ChangeTime { get; init; }

    /// <summary>Assemblies chosen by hand, by the code of the operation.</summary>
    public IReadOnlyDictionary<string, int> Picked { get; init; } = new Dictionary<string, int>();

    /// <summary>Checks what does not depend on the library.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck().Named("name", "The name", Name)
            .Within("changeTime", "The time to change a tool", ChangeTime ?? 0, 0, 60, Quantity.Time)
            .Holds(Enum.IsDefined(Order), "order", double.NaN, "The order is unknown; choose one from the list.")
            .Holds(Picked.Count <= 10, "picked", Picked.Count, "At most ten steps can be picked by hand.")
            .Holds(
                Picked.Keys.All(o => Operations.Find(o) is not null), "picked", Picked.Count,
                "A cutter was picked for an operation that does not exist; take the pick back.");
        Target.Check(check);
        Pattern.Check(check);
        return check;
    }

    /// <summary>Works the group out.</summary>
    /// <param name="shelf">What can be used in its work material and on its machine, and what cannot and why.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="InputException">A value cannot be computed with.</exception>
    public GroupResult Solve(ToolShelf shelf, Machine machine, CancellationToken cancel = default)
    {
        Check().ThrowIfAny();
        HoleChain chain = HoleChain.Propose(Target, shelf, Picked, cancel: cancel);
        cancel.ThrowIfCancellationRequested();
        IReadOnlyList<Position> positions = Pattern.Positions();
        HoleRoute route = HoleRoute.Of(positions, Order, Pattern.RowAngle());

        // Rows are often asked for; how much shorter another order would be is worth knowing.
        double shortest = Order == HoleOrder.Rows ? HoleRoute.Of(positions, HoleOrder.NearestNext).Travel : route.Travel;
        int found = chain.Steps.Count(s => s.Found);
        double change = ChangeTime ?? machine.Store.UsualChange(), travel = route.Travel / machine.RapidFeed,
            cutting = chain.Steps.Sum(s => s.Time) * positions.Count;
        return new(chain, positions, route, cutting, travel * found, change * found, cutting + ((travel + change) * found))
        {
            ChangeTime = change,
            Shortest = Math.Min(shortest, route.Travel),
            Touching = HolePattern.Touching(positions, Target.Widest()),
        };
    }
}

/// <summary>A group worked out.</summary>
/// <param name="Chain">The chain of one hole.</param>
/// <param name="Positions">Where the holes are, as given.</param>
/// <param name="Route">Their order and the way between them.</param>
/// <param name="Making">Time of all holes in all steps, min.</param>
/// <param name="Travelling">Time between the holes in all steps, min.</param>
/// <param name="Changing">Time to change tools, min.</param>
/// <param name="Time">Time in all, min.</param>
public sealed record GroupResult(
    HoleChain Chain, IReadOnlyList<Position> Positions, HoleRoute Route, double Making, double Travelling, double Changing, double Time)
{
    /// <summary>Time of one tool change, min.</summary>
    public double ChangeTime { get; init; }

    /// <summary>Way between the holes by the shortest order found, mm.</summary>
    public double Shortest { get; init; }

    /// <summary>Two holes that lie on or in each other, by their numbers as given from 1; null where none do.</summary>
    public TouchingHoles? Touching { get; init; }
}

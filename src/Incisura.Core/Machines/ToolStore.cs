namespace Incisura.Core.Machines;

/// <summary>How a machine keeps its tools.</summary>
public enum ToolStoreKind
{
    /// <summary>Changed by hand; nothing stands at the machine.</summary>
    ByHand,

    /// <summary>Magazine with a changer.</summary>
    Magazine,

    /// <summary>Turret.</summary>
    Turret,
}

/// <summary>An assembly as a place of a store has to carry it.</summary>
/// <param name="Number">Shop number.</param>
/// <param name="Interface">Machine-side interface of its holder.</param>
/// <param name="Diameter">Largest diameter, mm.</param>
/// <param name="Length">Length to the gauge line, mm.</param>
/// <param name="Mass">Mass, kg.</param>
/// <param name="Driven">Whether its holder turns it from the turret.</param>
public readonly record struct StoredTool(string Number, string Interface, double Diameter, double Length, double Mass, bool Driven = false);

/// <summary>The turret or magazine of a machine: places in a ring, and what each may carry.</summary>
public sealed record ToolStore
{
    /// <summary>How tools are kept.</summary>
    public ToolStoreKind Kind { get; init; }

    /// <summary>Number of places, 0 to 400.</summary>
    public int Places { get; init; }

    /// <summary>Largest diameter with tools in both neighbouring places, mm; 0 where nobody has said.</summary>
    public double LargestDiameter { get; init; }

    /// <summary>Largest diameter with both neighbouring places empty, mm; 0 where nobody has said.</summary>
    public double LargestAlone { get; init; }

    /// <summary>Largest length to the gauge line, mm; 0 where nobody has said.</summary>
    public double LargestLength { get; init; }

    /// <summary>Heaviest tool, kg; 0 where nobody has said.</summary>
    public double Heaviest { get; init; }

    /// <summary>Places that drive their tool, counted from the first; 0 where every place does, or nobody has said.</summary>
    public int DrivenPlaces { get; init; }

    /// <summary>Checks the store's own figures.</summary>
    internal void Check(InputCheck check) => check
        .Holds(Enum.IsDefined(Kind), "store.kind", double.NaN, "The kind of tool store is unknown; choose one from the list.")
        .Within(
            "store.places", "The number of places", Places, Kind == ToolStoreKind.ByHand ? 0 : 1, Kind == ToolStoreKind.ByHand ? 0 : 400,
            Quantity.Count)
        .Within("store.drivenPlaces", "The number of places that drive their tool", DrivenPlaces, 0, Math.Max(0, Places), Quantity.Count)
        .Within("store.largestDiameter", "The largest diameter", LargestDiameter, 0, 1000, Quantity.Length)
        .Within("store.largestAlone", "The largest diameter beside empty places", LargestAlone, 0, 2000, Quantity.Length)
        .Holds(
            LargestAlone == 0 || LargestAlone >= LargestDiameter, "store.largestAlone", LargestAlone,
            "Beside empty places a tool may be wider, never narrower; give at least the largest diameter.")
        .Within("store.largestLength", "The largest length", LargestLength, 0, 2000, Quantity.Length)
        .Within("store.heaviest", "The heaviest tool", Heaviest, 0, 200, Quantity.Mass);

    /// <summary>Whether two places stand side by side; the first and the last do.</summary>
    public bool Neighbours(int a, int b) => Places > 1 && (Math.Abs(a - b) == 1 || Math.Abs(a - b) == Places - 1);

    /// <summary>Time it usually takes to change a tool, min: by hand it is fetched and clamped.</summary>
    public double UsualChange() => Kind == ToolStoreKind.ByHand ? 1.5 : 0.15;

    /// <summary>
    /// Why a tool can stand in no place of the store whatever its neighbours; null where it can, and where tools are changed by hand.
    /// </summary>
    /// <param name="machine">The machine.</param>
    /// <param name="tool">The tool.</param>
    public string? WhyNot(Machine machine, StoredTool tool)
    {
        if (Kind == ToolStoreKind.ByHand) return null;
        InputCheck check = new();
        CheckTool(check, "store", machine, 0, tool with { Number = "it" });
        return check.Faults.Count == 0 ? null : check.Faults[0].Sentence;
    }

    private void CheckTool(InputCheck check, string field, Machine machine, int place, StoredTool tool)
    {
        double widest = Math.Max(LargestAlone, LargestDiameter);
        check.Holds(
            Heaviest == 0 || tool.Mass <= Heaviest, field, place,
            $"{tool.Number} weighs about {tool.Mass:0.##} kg; a place at {machine.Name} carries {Heaviest:0.##} kg.")
            .Holds(
                LargestLength == 0 || tool.Length <= LargestLength, field, place,
                $"{tool.Number} is {tool.Length:0.#} mm to the gauge line; {machine.Name} changes tools up to {LargestLength:0.#} mm.")
            .Holds(
                widest == 0 || tool.Diameter <= widest, field, place,
                $"{tool.Number} is Ø{tool.Diameter:0.#} mm; {machine.Name} takes Ø{widest:0.#} mm at most.");
    }

    /// <summary>Says what forbids a tool in a place.</summary>
    /// <param name="check">Takes the faults.</param>
    /// <param name="field">Field of the place.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="place">Number of the place.</param>
    /// <param name="tool">The tool.</param>
    /// <param name="others">Tools in the other places.</param>
    public void CheckPlace(InputCheck check, string field, Machine machine, int place, StoredTool tool, IReadOnlyDictionary<int, StoredTool> others)
    {
        if (Kind == ToolStoreKind.ByHand)
        {
            check.Holds(false, field, place, $"{machine.Name} changes tools by hand and has no places; leave it out.");
            return;
        }

        check.Within(field, $"The place at {machine.Name}", place, 1, Places, Quantity.Count)
            .Holds(
                tool.Interface == machine.Interface, field, place,
                $"{machine.Name} takes {machine.Interface} and the holder of {tool.Number} has {tool.Interface}; choose another machine or holder.");
        CheckTool(check, field, machine, place, tool);
        check.Holds(
            !tool.Driven || DrivenPlaces == 0 || place <= DrivenPlaces, field, place,
            $"Place {place} of {machine.Name} does not drive a tool; {tool.Number} stands in place 1 to {DrivenPlaces}.");
        if (others.TryGetValue(place, out StoredTool there))
            check.Holds(false, field, place, $"{there.Number} stands in place {place} of {machine.Name}; take it out first or choose another place.");
        if (LargestDiameter == 0) return;

        foreach ((int at, StoredTool other) in others.Where(o => Neighbours(o.Key, place)))
        {
            // Two wide tools share the room between their places; a narrow neighbour leaves some to a wide one.
            double room = (2 * LargestDiameter - tool.Diameter - other.Diameter) / 2;
            check.Holds(
                room >= 0, field, place,
                $"{tool.Number} (Ø{tool.Diameter:0.#}) and {other.Number} (Ø{other.Diameter:0.#}) in place {at} are {-room:0.#} mm too wide to "
                    + $"stand side by side at {machine.Name}; choose another place.");
        }
    }
}

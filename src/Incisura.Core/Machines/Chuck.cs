namespace Incisura.Core.Machines;

/// <summary>The chuck on a spindle that turns the work: how hard it clamps, and what of it its jaws lose as they turn.</summary>
public sealed record Chuck
{
    /// <summary>Clamping force of all jaws at rest F_0, N, 100 to 1 000 000.</summary>
    public double Force { get; init; } = double.NaN;

    /// <summary>Number of jaws i_b, 2 to 8.</summary>
    public double Jaws { get; init; } = 3;

    /// <summary>Mass of one jaw m_b, kg, 0 to 100.</summary>
    public double JawMass { get; init; }

    /// <summary>Distance of the jaws' centre of mass from the axis r_b, mm, 0 to 1000.</summary>
    public double JawRadius { get; init; }

    /// <summary>Friction μ_s between jaws and work, 0.05 to 0.6: 0.1 for smooth jaws on turned steel, to 0.3 for toothed ones.</summary>
    public double Friction { get; init; } = 0.15;

    /// <summary>Largest bar that goes through the spindle, mm; 0 where none does.</summary>
    public double LargestBar { get; init; }

    internal void Check(string at, string name, InputCheck check) => check
        .Within($"{at}.force", $"The clamping force of the chuck of {name}", Force, 100, 1_000_000, Quantity.Force)
        .Within($"{at}.jaws", $"The number of jaws of {name}", Jaws, 2, 8, Quantity.Count)
        .Holds(Jaws == Math.Floor(Jaws), $"{at}.jaws", Jaws, "A chuck has a whole number of jaws; give 2, 3, 4 …")
        .Within($"{at}.jawMass", $"The mass of a jaw of {name}", JawMass, 0, 100, Quantity.Mass)
        .Within($"{at}.jawRadius", $"The radius at which the jaws of {name} have their mass", JawRadius, 0, 1000, Quantity.Length)
        .Within($"{at}.friction", $"The friction of the jaws of {name}", Friction, 0.05, 0.6, Quantity.Ratio)
        .Within($"{at}.largestBar", $"The largest bar through {name}", LargestBar, 0, 1000, Quantity.Length);
}

namespace Incisura.Core.Holes;

/// <summary>A length along a bore over which a crossing hole opens its wall.</summary>
/// <param name="From">Its beginning below the surface, mm.</param>
/// <param name="To">Its end, mm.</param>
public readonly record struct OpenWall(double From, double To);

/// <summary>Where crossing holes open the wall of the bore, in the order they were given.</summary>
/// <param name="Walls">The open lengths.</param>
public sealed record OpenWalls(IReadOnlyList<OpenWall> Walls) : Attachment;

/// <summary>Holes that cross the bore, for a hole drilled in stages.</summary>
/// <param name="Holes">The holes, in the order they were given.</param>
public sealed record CrossHoles(IReadOnlyList<CrossHole> Holes) : Extra
{
    /// <summary>Most crossing holes of a bore.</summary>
    public const int Most = 12;

    /// <summary>Where each opens the wall; it follows from the bore alone, so it is worked out once.</summary>
    internal OpenWall[] Openings { get; private init; } = [];

    /// <inheritdoc/>
    protected internal override string Words => "holes that cross a bore";

    /// <inheritdoc/>
    public override Extra Prepared(CuttingSetup setup) => this with { Openings = [.. Holes.Select(h => h.Opening(((HoleSetup)setup).Diameter))] };

    /// <inheritdoc/>
    protected internal override void Check(OperationDescription operation, InputCheck check)
    {
        check.Holds(Holes.Count <= Most, "crossHoles", Holes.Count, $"A bore takes at most {Most} crossing holes; leave some out.");
        for (int i = 0; i < Holes.Count && i < Most; i++)
        {
            string at = $"crossHoles[{i}]";
            if (Holes[i] is not { } hole)
            {
                check.Holds(
                    false, at, double.NaN, $"Crossing hole {i + 1} is empty; give its depth and diameter, or leave it out.");
                continue;
            }

            check.Within($"{at}.distance", $"The depth of crossing hole {i + 1}", hole.Distance, -1000, 5000, Quantity.Length)
                .Within($"{at}.diameter", $"The diameter of crossing hole {i + 1}", hole.Diameter, 0.1, 500, Quantity.Length)
                .Within($"{at}.angle", $"The angle of crossing hole {i + 1}", hole.Angle, 10, 170, Quantity.Angle)
                .Within($"{at}.offset", $"The offset of crossing hole {i + 1}", hole.Offset, 0, 500, Quantity.Length);
        }
    }
}

/// <summary>A hole that crosses the bore.</summary>
/// <param name="Distance">Depth x below the surface at which the axes meet, or pass nearest, mm.</param>
/// <param name="Diameter">Its diameter d_x, mm, above 0.</param>
/// <param name="Angle">Angle θ between the axes, degrees, 10 to 170; 90 is square.</param>
/// <param name="Offset">Least distance of the axes, mm; 0 where they meet.</param>
public sealed record CrossHole(double Distance, double Diameter, double Angle = 90, double Offset = 0)
{
    private static readonly Formula HalfLengthFormula = new(
        "b_x", "Half of the open length", Quantity.Length, "(sqrt(r_x^2 - (y - e_x)^2) + abs(cos(θ*pi/180))*sqrt(R^2 - y^2))/sin(θ*pi/180)",
        "two cylinders that cross, where they reach furthest along the bore, y beside its axis");

    /// <summary>
    /// Half of the length b_x along the bore over which its wall is open, mm. Beside the axis of the bore by y, the crossing cylinder
    /// reaches √(r² − (y − e)²), and being slanted it meets the two sides of the bore at different depths, √(R² − y²)·|cos θ|; the
    /// largest sum over y, over sin θ, is what is open. It is r/sin θ + R·|cot θ| where the axes meet.
    /// </summary>
    /// <param name="bore">Diameter of the bore, mm.</param>
    /// <param name="trace">Listens to the step.</param>
    internal double HalfLength<TTrace>(double bore, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double angle = double.DegreesToRadians(Angle), slant = Angle == 90 ? 0 : Math.Abs(Math.Cos(angle)), radius = Diameter / 2, around = bore / 2;
        double y = Furthest(radius, around, slant);
        double half = (Reach(radius, y - Offset) + (slant * Reach(around, y))) / Math.Sin(angle);
        if (TTrace.Listens)
            trace.Take(HalfLengthFormula, half, new("r_x", radius), new("R", around), new("e_x", Offset), new("y", y), new("θ", Angle));
        return half;
    }

    /// <inheritdoc cref="HalfLength"/>
    public double HalfLength(double bore)
    {
        NoTrace none = default;
        return HalfLength(bore, ref none);
    }

    /// <summary>Where along the bore its wall is open, mm below the surface.</summary>
    /// <param name="bore">Diameter of the bore, mm.</param>
    public OpenWall Opening(double bore)
    {
        double half = HalfLength(bore);
        return new(Distance - half, Distance + half);
    }

    // Both reaches curve downwards, the one highest at the axis of the bore and the other at the offset: their sum is highest between.
    private double Furthest(double radius, double around, double slant)
    {
        double near = Math.Max(0, Offset - radius), far = Math.Min(Offset, around);
        if (slant == 0) return far;
        for (int i = 0; i < 60 && far - near > 1e-12 * around; i++)
        {
            double y = (near + far) / 2;
            if ((Offset - y) / Reach(radius, Offset - y) > slant * y / Reach(around, y)) near = y;
            else far = y;
        }

        return (near + far) / 2;
    }

    // Half of the chord of a circle beside its middle.
    private static double Reach(double radius, double beside) => Math.Sqrt(Math.Max(0, (radius - beside) * (radius + beside)));

    /// <summary>Refuses a hole that does not cross the bore.</summary>
    internal void Check(double bore, double depth, int number, InputCheck check)
    {
        string at = $"crossHoles[{number - 1}]";
        bool meets = Offset < (bore + Diameter) / 2;
        check.Holds(
            meets, $"{at}.offset", Offset,
            $"Crossing hole {number} passes {Offset:0.##} mm beside the axis and never meets the bore; give less than "
                + $"{(bore + Diameter) / 2:0.##} mm, or leave it out.");
        if (!meets) return;
        double half = HalfLength(bore);
        check.Holds(
            Distance - half >= 0 && Distance - half < depth, $"{at}.distance", Distance,
            $"Crossing hole {number} at {Distance:0.##} mm lies outside the bore, which is {depth:0.##} mm deep; give a distance between "
                + $"{half:0.##} and {depth + half:0.##} mm, or deepen the bore.");
    }
}

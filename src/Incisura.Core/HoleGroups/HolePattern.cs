using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;

namespace Incisura.Core.HoleGroups;

/// <summary>A point of the plan of a part.</summary>
/// <param name="X">x, mm.</param>
/// <param name="Y">y, mm.</param>
public readonly record struct Position(double X, double Y)
{
    /// <summary>Distance to another point, mm.</summary>
    public double To(Position other) => Math.Sqrt(((X - other.X) * (X - other.X)) + ((Y - other.Y) * (Y - other.Y)));
}

/// <summary>Two holes that lie on or in each other.</summary>
/// <param name="First">Number of the one, from 1 as given.</param>
/// <param name="Second">Number of the other.</param>
/// <param name="Apart">How far apart their centres are, mm.</param>
public sealed record TouchingHoles(int First, int Second, double Apart);

/// <summary>How the holes of a group lie to each other.</summary>
public enum PatternForm
{
    /// <summary>One after the other as typed or read from a file.</summary>
    Typed,

    /// <summary>Evenly on a whole circle.</summary>
    Circle,

    /// <summary>On an arc, from one angle to another.</summary>
    Arc,

    /// <summary>In rows and columns.</summary>
    Grid,

    /// <summary>On a straight line.</summary>
    Line,
}

/// <summary>In which order the holes are made.</summary>
public enum HoleOrder
{
    /// <summary>As they are given.</summary>
    AsGiven,

    /// <summary>Always the nearest next.</summary>
    NearestNext,

    /// <summary>Row by row, to and fro.</summary>
    Rows,
}

/// <summary>Where the holes of a group are. Which values count depends on the form.</summary>
public sealed record HolePattern
{
    /// <summary>Most holes of a group.</summary>
    public const int Most = 5000;

    /// <summary>The form.</summary>
    public PatternForm Form { get; init; }

    /// <summary>Centre of a circle or arc, first hole of a grid or line.</summary>
    public Position Start { get; init; }

    /// <summary>Diameter of the circle or arc, mm.</summary>
    public double Diameter { get; init; } = 100;

    /// <summary>Number of holes on a circle, an arc or a line; columns of a grid.</summary>
    public int Count { get; init; } = 6;

    /// <summary>Rows of a grid.</summary>
    public int Rows { get; init; } = 2;

    /// <summary>Angle of the first hole, or of the line or grid against x, degrees.</summary>
    public double Angle { get; init; }

    /// <summary>Angle of the last hole of an arc, degrees.</summary>
    public double LastAngle { get; init; } = 90;

    /// <summary>Step along the line or the row, mm.</summary>
    public double Step { get; init; } = 20;

    /// <summary>Step between rows, mm.</summary>
    public double RowStep { get; init; } = 20;

    /// <summary>Typed positions.</summary>
    public IReadOnlyList<Position> Typed { get; init; } = [];

    /// <summary>Number of holes.</summary>
    public int Total => Form switch { PatternForm.Typed => Typed.Count, PatternForm.Grid => Count * Rows, _ => Count };

    /// <summary>Checks what the form needs.</summary>
    internal void Check(InputCheck check)
    {
        check.Holds(Enum.IsDefined(Form), "pattern.form", double.NaN, "The form of the pattern is unknown; choose one from the list.")
            .Within("pattern.start.x", "x of the pattern", Start.X, -1e5, 1e5, Quantity.Length)
            .Within("pattern.start.y", "y of the pattern", Start.Y, -1e5, 1e5, Quantity.Length)
            .Within("pattern.angle", "The angle", Angle, -360, 360, Quantity.Angle);
        if (Form == PatternForm.Typed)
        {
            check.Holds(
                Typed.Count is > 0 and <= Most, "pattern.typed", Typed.Count,
                Typed.Count == 0
                    ? "No position is given; type one line of x and y for each hole, or read a file."
                    : $"{Typed.Count} positions are more than {Most}; split the group.");
            for (int i = 0; i < Typed.Count && i < Most; i++)
                check.Holds(
                    Math.Abs(Typed[i].X) <= 1e5 && Math.Abs(Typed[i].Y) <= 1e5, $"pattern.typed[{i}]", i + 1,
                    $"Position {i + 1} is out of reach; both values must lie between -100000 and 100000 mm.");
            return;
        }

        check.Within("pattern.count", Form == PatternForm.Grid ? "The number of columns" : "The number of holes", Count, 1, Most, Quantity.Count);
        if (Form is PatternForm.Circle or PatternForm.Arc)
            check.Within("pattern.diameter", "The diameter of the circle", Diameter, 0.1, 1e5, Quantity.Length);
        if (Form == PatternForm.Arc) check.Within("pattern.lastAngle", "The last angle", LastAngle, -360, 360, Quantity.Angle);
        if (Form is PatternForm.Line or PatternForm.Grid) check.Within("pattern.step", "The step", Step, 0.01, 1e5, Quantity.Length);
        if (Form == PatternForm.Grid)
            check.Within("pattern.rows", "The number of rows", Rows, 1, Most, Quantity.Count)
                .Within("pattern.rowStep", "The step between rows", RowStep, 0.01, 1e5, Quantity.Length)
                .Holds((long)Count * Rows <= Most, "pattern.rows", Rows, $"{(long)Count * Rows} holes are more than {Most}; split the group.");
    }

    /// <summary>Angle of the rows against x, degrees; the pattern's own where it has rows.</summary>
    public double RowAngle() => Form is PatternForm.Grid or PatternForm.Line ? Angle : 0;

    /// <summary>Whether the arc closes, so that its last hole would fall on its first.</summary>
    private bool Closes => Count > 1 && Math.Abs(Math.Abs(LastAngle - Angle) - 360) < 1e-9;

    /// <summary>The first two holes found that lie nearer than a distance; null where all keep it.</summary>
    /// <param name="positions">The holes.</param>
    /// <param name="diameter">Diameter of each at the surface, mm.</param>
    public static TouchingHoles? Touching(IReadOnlyList<Position> positions, double diameter)
    {
        // Holes are looked for in squares of that distance: whatever touches lies in the same one or beside it.
        Dictionary<(long, long), List<int>> squares = [];
        for (int i = 0; i < positions.Count; i++)
        {
            (long x, long y) = ((long)Math.Floor(positions[i].X / diameter), (long)Math.Floor(positions[i].Y / diameter));
            for (long u = x - 1; u <= x + 1; u++)
                for (long v = y - 1; v <= y + 1; v++)
                    if (squares.TryGetValue((u, v), out List<int>? near))
                        foreach (int j in near)
                            if (positions[i].To(positions[j]) is var apart && apart < diameter - 1e-9) return new(j + 1, i + 1, apart);
            if (squares.TryGetValue((x, y), out List<int>? here)) here.Add(i);
            else squares[(x, y)] = [i];
        }

        return null;
    }

    /// <summary>The positions in the order they are given.</summary>
    public IReadOnlyList<Position> Positions()
    {
        switch (Form)
        {
            case PatternForm.Circle:
                return [.. Enumerable.Range(0, Count).Select(i => On(Angle + (360.0 * i / Count)))];
            case PatternForm.Arc:
                return [
                    .. Enumerable.Range(0, Count)
                    .Select(i => On(Count == 1 ? Angle : Angle + ((LastAngle - Angle) * i / (Closes ? Count : Count - 1))))];
            case PatternForm.Line:
                return [.. Enumerable.Range(0, Count).Select(i => Along(i * Step, 0))];
            case PatternForm.Grid:
                return [.. Enumerable.Range(0, Rows).SelectMany(r => Enumerable.Range(0, Count).Select(c => Along(c * Step, r * RowStep)))];
            default:
                return Typed;
        }

        Position On(double angle)
        {
            (double sin, double cos) = Math.SinCos(double.DegreesToRadians(angle));
            return new(Start.X + (Diameter / 2 * cos), Start.Y + (Diameter / 2 * sin));
        }

        Position Along(double u, double v)
        {
            (double sin, double cos) = Math.SinCos(double.DegreesToRadians(Angle));
            return new(Start.X + (u * cos) - (v * sin), Start.Y + (u * sin) + (v * cos));
        }
    }
}

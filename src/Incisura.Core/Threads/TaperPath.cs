namespace Incisura.Core.Threads;

/// <summary>
/// The path of a cutter that mills a taper thread, as arcs a control can run: its radius grows evenly with the turn, and each arc goes through the
/// beginning, the middle and the end of its stretch of that spiral.
/// </summary>
/// <param name="PerTurn">Arcs in a turn, 0 for a parallel thread.</param>
/// <param name="Error">Greatest distance of an arc from the spiral, µm.</param>
public readonly record struct TaperPath(int PerTurn, double Error)
{
    private const int Least = 4, Most = 360, Looked = 9;

    /// <summary>The fewest arcs in a turn that stay inside a tolerance; the most there are where none does.</summary>
    /// <param name="radius">Radius of the path where it is narrowest, mm, above 0.</param>
    /// <param name="growth">Growth of the radius in a turn, mm; its sign does not matter.</param>
    /// <param name="tolerance">Distance allowed, µm, above 0.</param>
    public static TaperPath Of(double radius, double growth, double tolerance)
    {
        if (growth == 0) return default;
        int arcs = Least;
        double error = ErrorOf(radius, growth, arcs);
        while (error > tolerance && arcs < Most)
        {
            // The distance falls with the third power of the length of an arc.
            arcs = Math.Min(Most, Math.Max(arcs + 1, (int)(arcs * Math.Pow(error / tolerance, 0.3))));
            error = ErrorOf(radius, growth, arcs);
        }

        return new(arcs, error);
    }

    /// <summary>Greatest distance of the first arc of a turn from the spiral, µm; arcs further out are flatter and lie closer.</summary>
    /// <param name="radius">Radius at its beginning, mm.</param>
    /// <param name="growth">Growth of the radius in a turn, mm.</param>
    /// <param name="arcs">Arcs in a turn.</param>
    public static double ErrorOf(double radius, double growth, int arcs)
    {
        double turn = 2 * Math.PI / arcs, most = 0;
        ((double X, double Y) centre, double around) = ArcOf(radius, growth, turn);
        for (int i = 1; i < 4 * Looked; i++)
        {
            (double x, double y) = PointAt(radius, growth, turn * i / (4 * Looked));
            most = Math.Max(most, Math.Abs(double.Hypot(x - centre.X, y - centre.Y) - around));
        }

        return 1000 * most;
    }

    /// <summary>A point of the spiral after a turn θ, mm.</summary>
    public static (double X, double Y) PointAt(double radius, double growth, double turn)
    {
        double r = radius + (growth * turn / (2 * Math.PI));
        (double sine, double cosine) = Math.SinCos(turn);
        return (r * cosine, r * sine);
    }

    /// <summary>The circle through the beginning, the middle and the end of a stretch of the spiral.</summary>
    public static ((double X, double Y) Centre, double Radius) ArcOf(double radius, double growth, double turn)
    {
        (double ax, double ay) = PointAt(radius, growth, 0);
        (double bx, double by) = PointAt(radius, growth, turn / 2);
        (double cx, double cy) = PointAt(radius, growth, turn);
        double ux = bx - ax, uy = by - ay, vx = cx - ax, vy = cy - ay, twice = 2 * ((ux * vy) - (uy * vx)), uu = (ux * ux) + (uy * uy),
            vv = (vx * vx) + (vy * vy), x = ((vy * uu) - (uy * vv)) / twice, y = ((ux * vv) - (vx * uu)) / twice;
        return ((ax + x, ay + y), double.Hypot(x, y));
    }
}

using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
namespace Incisura.Core.HoleGroups;

/// <summary>The holes of a group in the order they are made, and the way between them.</summary>
/// <param name="Order">Places of the positions as given, in the order they are made.</param>
/// <param name="Travel">Way between the holes, mm.</param>
/// <param name="AsGiven">Way in the order given, mm.</param>
/// <param name="Kept">Whether the order given was kept because the one asked for would have been longer.</param>
public sealed record HoleRoute(IReadOnlyList<int> Order, double Travel, double AsGiven, bool Kept)
{
    // Holes whose distance across the rows is below this share of the whole count as one row.
    private const double SameRow = 1e-3;

    /// <summary>Orders positions. The way is never longer than in the order given.</summary>
    /// <param name="positions">Where the holes are.</param>
    /// <param name="order">How they are ordered.</param>
    /// <param name="rowAngle">Angle of the rows against x, degrees.</param>
    public static HoleRoute Of(IReadOnlyList<Position> positions, HoleOrder order, double rowAngle = 0)
    {
        int[] given = [.. Enumerable.Range(0, positions.Count)];
        double before = Length(positions, given);
        if (order == HoleOrder.AsGiven || positions.Count < 3) return new(given, before, before, false);
        int[] wanted = order == HoleOrder.NearestNext
            ? TourImprover.Improve(positions, Nearest(positions))
            : Shorter(positions, ByRows(positions, rowAngle), ByRows(positions, rowAngle + 90));
        double after = Length(positions, wanted);
        return after <= before ? new(wanted, after, before, false) : new(given, before, before, true);
    }

    private static double Length(IReadOnlyList<Position> positions, int[] order)
    {
        double length = 0;
        for (int i = 1; i < order.Length; i++) length += positions[order[i - 1]].To(positions[order[i]]);
        return length;
    }

    private static int[] Shorter(IReadOnlyList<Position> positions, int[] a, int[] b) => Length(positions, a) <= Length(positions, b) ? a : b;

    // Starts where the order given does.
    private static int[] Nearest(IReadOnlyList<Position> positions)
    {
        Position[] left = [.. positions];
        int[] places = [.. Enumerable.Range(0, left.Length)];
        int[] order = new int[left.Length];
        Position at = left[0];
        for (int made = 0; made < order.Length; made++)
        {
            // What is left is kept together at the front; the hole chosen gives its place to the last one.
            int count = order.Length - made, nearest = 0;
            double least = double.PositiveInfinity;
            for (int i = 0; i < count; i++)
            {
                double x = left[i].X - at.X, y = left[i].Y - at.Y, square = (x * x) + (y * y);
                if (square < least || (square == least && places[i] < places[nearest])) (least, nearest) = (square, i);
            }

            (order[made], at) = (places[nearest], left[nearest]);
            (left[nearest], places[nearest]) = (left[count - 1], places[count - 1]);
        }

        return order;
    }

    // Row by row along an angle, every other row the other way.
    private static int[] ByRows(IReadOnlyList<Position> positions, double angle)
    {
        (double sin, double cos) = Math.SinCos(double.DegreesToRadians(angle));
        double Across(int i) => (positions[i].Y * cos) - (positions[i].X * sin);
        double Along(int i) => (positions[i].X * cos) + (positions[i].Y * sin);
        int[] sorted = [.. Enumerable.Range(0, positions.Count).OrderBy(Across)];
        double tolerance = SameRow * Math.Max(Across(sorted[^1]) - Across(sorted[0]), 1);
        List<int> order = [];
        List<int> row = [];
        bool back = false;
        foreach (int i in sorted)
        {
            if (row.Count > 0 && Across(i) - Across(row[^1]) > tolerance) Close();
            row.Add(i);
        }

        Close();
        return [.. order];

        void Close()
        {
            order.AddRange(back ? row.OrderByDescending(Along) : row.OrderBy(Along));
            back = !back;
            row.Clear();
        }
    }
}

namespace Incisura.Core.Calculation;

/// <summary>Lines along which a value sampled over a square grid is 1 (marching squares).</summary>
internal static class Contour
{
    /// <summary>The lines, each as x and y in turn, in steps of the grid from its first point.</summary>
    /// <param name="values">The samples row by row.</param>
    /// <param name="size">Points in a row and in a column.</param>
    public static IReadOnlyList<IReadOnlyList<double>> Lines(ReadOnlySpan<float> values, int size)
    {
        // An edge between two neighbouring points is named by its first point, twice, plus 1 where it runs up.
        Dictionary<int, (int A, int B)> next = [];
        Dictionary<int, (double X, double Y)> places = [];
        for (int j = 0; j + 1 < size; j++)
            for (int i = 0; i + 1 < size; i++)
            {
                int at = (j * size) + i;
                int form = Above(values, at) | (Above(values, at + 1) << 1) | (Above(values, at + size + 1) << 2) | (Above(values, at + size) << 3);
                if (form is 0 or 15) continue;
                int low = at * 2, right = ((at + 1) * 2) + 1, high = (at + size) * 2, left = (at * 2) + 1;
                switch (form)
                {
                    case 1 or 14: Join(left, low); break;
                    case 2 or 13: Join(low, right); break;
                    case 3 or 12: Join(left, right); break;
                    case 4 or 11: Join(right, high); break;
                    case 6 or 9: Join(low, high); break;
                    case 7 or 8: Join(left, high); break;
                    case 5: Join(left, high); Join(low, right); break;
                    default: Join(left, low); Join(right, high); break;
                }

                void Join(int a, int b)
                {
                    Meet(a, b);
                    Meet(b, a);
                }
            }

        foreach (int edge in next.Keys) places[edge] = Place(values, edge, size);
        List<IReadOnlyList<double>> lines = [];
        HashSet<int> seen = [];

        // Lines that end at the border first, then the closed ones.
        foreach (int start in next.Keys.Where(k => next[k].B < 0).Concat(next.Keys))
        {
            if (!seen.Add(start)) continue;
            List<double> line = [places[start].X, places[start].Y];
            for (int at = next[start].A; at >= 0 && seen.Add(at);)
            {
                line.Add(places[at].X);
                line.Add(places[at].Y);
                at = seen.Contains(next[at].A) ? next[at].B : next[at].A;
            }

            if (next[start].B >= 0) line.AddRange([places[start].X, places[start].Y]);
            lines.Add(line);
        }

        return lines;

        void Meet(int a, int b) => next[a] = next.TryGetValue(a, out (int A, int B) has) ? (has.A, b) : (b, -1);
    }

    private static int Above(ReadOnlySpan<float> values, int at) => values[at] > 1 ? 1 : 0;

    private static (double X, double Y) Place(ReadOnlySpan<float> values, int edge, int size)
    {
        int from = edge / 2, to = edge % 2 == 0 ? from + 1 : from + size;
        double a = Math.Min(values[from], 4) - 1, b = Math.Min(values[to], 4) - 1, share = a == b ? 0.5 : Math.Clamp(a / (a - b), 0, 1);
        return edge % 2 == 0 ? ((from % size) + share, from / size) : (from % size, (from / size) + share);
    }
}

namespace Incisura.Core.Calculation;

/// <summary>Which window is wanted.</summary>
/// <param name="Across">Code of the field along the rows.</param>
/// <param name="Up">Code of the field along the columns.</param>
/// <param name="Size">Points on a side, 8 to 512.</param>
public sealed record WindowRequest(string Across, string Up, int Size = 256);

/// <summary>The line along which a limit is just used up.</summary>
/// <param name="Kind">Code of the limit.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Lines">Its pieces, each as x and y in turn, in steps of the grid from its first point.</param>
public sealed record WindowLine(string Kind, string Name, IReadOnlyList<IReadOnlyList<double>> Lines);

/// <summary>Where a cut may be run, over two of its values. Point (i, j) has the values (i + 1)/size and (j + 1)/size of the two ends.</summary>
public sealed record OperatingWindow
{
    /// <summary>What <see cref="Use"/> says at the limit; more is over it.</summary>
    public const int UseScale = 200;

    /// <summary>Code of the field along the rows.</summary>
    public required string Across { get; init; }

    /// <summary>Code of the field along the columns.</summary>
    public required string Up { get; init; }

    /// <summary>Value of the last point of a row, base unit.</summary>
    public required double AcrossEnd { get; init; }

    /// <summary>Value of the last point of a column, base unit.</summary>
    public required double UpEnd { get; init; }

    /// <summary>Points on a side.</summary>
    public required int Size { get; init; }

    /// <summary>Use of the tightest limit at each point, row by row; 200 is at the limit.</summary>
    public required byte[] Use { get; init; }

    /// <summary>Place in <see cref="Kinds"/> of the tightest limit at each point.</summary>
    public required byte[] Tightest { get; init; }

    /// <summary>The limits looked at.</summary>
    public required IReadOnlyList<string> Kinds { get; init; }

    /// <summary>The line of every limit that crosses the window.</summary>
    public required IReadOnlyList<WindowLine> Lines { get; init; }

    /// <summary>First value of the sampled point of highest removal rate inside all limits; 0 where there is none.</summary>
    public required double BestAcross { get; init; }

    /// <summary>Its second value.</summary>
    public required double BestUp { get; init; }

    /// <summary>Its removal rate Q, cm³/min.</summary>
    public required double BestRemovalRate { get; init; }

    /// <summary>Refuses a window that cannot be drawn.</summary>
    internal static void Check(double size, bool different) => new InputCheck()
        .Within("size", "The number of points on a side", size, 8, 512, Quantities.Quantity.Count)
        .Holds(different, "up", double.NaN, "The window needs two different values; choose another for one of them.")
        .ThrowIfAny();

    /// <summary>Draws a window from the use of each limit at each point.</summary>
    /// <param name="across">Code of the field along the rows, and its value at their end.</param>
    /// <param name="up">Code of the field along the columns, and its value at their end.</param>
    /// <param name="size">Points on a side.</param>
    /// <param name="limits">The limits.</param>
    /// <param name="uses">Use of each limit, limit by limit, each row by row.</param>
    /// <param name="rates">Removal rate of each point, cm³/min; NaN where it is not to be proposed.</param>
    internal static OperatingWindow Draw(
        (string Code, double End) across, (string Code, double End) up, int size, IReadOnlyList<LimitDefinition> limits, float[] uses, float[] rates)
    {
        int points = size * size;
        byte[] tightest = new byte[points], use = new byte[points];
        int best = -1;
        for (int at = 0; at < points; at++)
        {
            int kind = 0;
            for (int k = 1; k < limits.Count; k++)
                if (uses[(k * points) + at] > uses[(kind * points) + at]) kind = k;
            float most = uses[(kind * points) + at];
            tightest[at] = (byte)kind;
            use[at] = most > 1
                ? (byte)Math.Clamp(most * OperatingWindow.UseScale, OperatingWindow.UseScale + 1, 255)
                : (byte)(most * OperatingWindow.UseScale);
            if (most <= 1 && rates[at] > (best < 0 ? double.NegativeInfinity : rates[best])) best = at;
        }

        return new()
        {
            Across = across.Code,
            Up = up.Code,
            AcrossEnd = across.End,
            UpEnd = up.End,
            Size = size,
            Use = use,
            Tightest = tightest,
            Kinds = [.. limits.Select(l => l.Code)],
            Lines =
            [
                .. limits.Select((limit, k) => new WindowLine(limit.Code, limit.Name, Contour.Lines(uses.AsSpan(k * points, points), size)))
                    .Where(l => l.Lines.Count > 0),
            ],
            BestAcross = best < 0 ? 0 : across.End * ((best % size) + 1) / size,
            BestUp = best < 0 ? 0 : up.End * ((best / size) + 1) / size,
            BestRemovalRate = best < 0 ? 0 : rates[best],
        };
    }
}

/// <summary>What is best.</summary>
public enum BestAim
{
    /// <summary>Highest removal rate of one pass.</summary>
    Removal,

    /// <summary>Least time for the whole stock, in equal passes.</summary>
    Time,
}

/// <summary>A value of the best point.</summary>
/// <param name="Code">Code of the field.</param>
/// <param name="Value">Value, base unit.</param>
public sealed record BestValue(string Code, double Value);

/// <summary>The best point inside all limits.</summary>
/// <param name="Found">Whether any point is inside all limits.</param>
/// <param name="Values">Its free values, and what is to be removed in all, which it never shrinks; the least bad ones where none was found.</param>
/// <param name="RemovalRate">Its removal rate Q, cm³/min; 0 where none was found.</param>
/// <param name="Time">Its time T, min; 0 where none was found.</param>
/// <param name="Binding">Limits it is held by.</param>
/// <param name="NotJudged">Limits that could not be judged for lack of data.</param>
/// <param name="Reason">Why there is none, or what else ends the search: a sentence.</param>
public sealed record BestPoint(
    bool Found, IReadOnlyList<BestValue> Values, double RemovalRate, double Time, IReadOnlyList<string> Binding,
    IReadOnlyList<string> NotJudged, string Reason);

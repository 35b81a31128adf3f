using Incisura.Core.Calculation;

namespace Incisura.Core.Milling;

/// <summary>Where a cut may be run, over any two of width, depth, speed and feed per tooth.</summary>
public static class MillingWindow
{
    private const double Headroom = 1.15;
    private static readonly MillingInput[] Axes =
    [
        MillingInput.WidthOfCut, MillingInput.DepthOfCut, MillingInput.CuttingSpeed, MillingInput.FeedPerTooth,
    ];
    private static readonly MillingInput[] Totals = [MillingInput.StockWidth, MillingInput.WallHeight, MillingInput.StockHeight];

    /// <summary>The inputs of an operation that are free to be chosen: those of width, depth, speed and feed per tooth it asks for.</summary>
    public static IReadOnlyList<MillingInput> FreeOf<TKind>()
        where TKind : struct, IMillingKind => [.. Axes.Where(TKind.Description.Has)];

    /// <summary>Works out every limit at every point of a grid. Point (i, j) has the values (i + 1)/size and (j + 1)/size of the two ends.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="inputs">Complete inputs; what was not typed and follows the two goes on following them.</param>
    /// <param name="across">Input along the rows, and its end.</param>
    /// <param name="up">Input along the columns, and its end.</param>
    /// <param name="size">Points in a row and in a column, at least 2.</param>
    /// <param name="uses">Receives the use of each limit, limit by limit, each row by row; 0 where it could not be judged.</param>
    /// <param name="rates">Receives the removal rate of each point, cm³/min.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <returns>The kinds of the limits in their order.</returns>
    public static IReadOnlyList<LimitKind> Evaluate<TKind>(
        MillingSetup setup, in MillingInputs inputs, (MillingInput Input, double End) across, (MillingInput Input, double End) up, int size,
        Span<float> uses, Span<float> rates, CancellationToken cancel)
        where TKind : struct, IMillingKind
    {
        MillingInputs x = OnePass<TKind>(setup, inputs);
        // At one speed the life is the same everywhere, and being kept exactly it would only hide the other limits.
        if (
            across.Input != MillingInput.CuttingSpeed && up.Input != MillingInput.CuttingSpeed
                && MillingSolver.Solve<TKind>(setup, x).Limits.Of(LimitKind.ToolLife) is { Exceeded: false })
            x = x.Without(MillingInput.ToolLife);
        LimitSet first = MillingSolver.Solve<TKind>(setup, x).Limits;
        NoTrace none = default;
        int points = size * size;
        for (int j = 0; j < size; j++)
        {
            cancel.ThrowIfCancellationRequested();
            for (int i = 0; i < size; i++)
            {
                x[across.Input] = across.End * (i + 1) / size;
                x[up.Input] = up.End * (j + 1) / size;
                TKind.Follow(setup, ref x);
                if (across.Input != MillingInput.FeedPerTooth && up.Input != MillingInput.FeedPerTooth) MillingProposal.Refeed<TKind>(setup, ref x);
                MillingSolver.Solve<TKind, NoTrace>(setup, x, out MillingResult result, ref none);
                LimitSet limits = result.Limits;
                int at = (j * size) + i;
                for (int k = 0; k < limits.Count; k++)
                    uses[(k * points) + at] = limits[k] is { Judged: true } limit ? (float)Math.Min(limit.Use, 1e6) : 0;
                rates[at] = (float)result[MillingFigure.RemovalRate];
            }
        }

        return [.. Enumerable.Range(0, first.Count).Select(k => first[k].Kind)];
    }

    /// <summary>The window as it is drawn.</summary>
    internal static OperatingWindow Of<TKind>(
        MillingSetup setup, in MillingInputs inputs, MillingInput across, MillingInput up, int size, CancellationToken cancel)
        where TKind : struct, IMillingKind
    {
        OperatingWindow.Check(size, across != up);
        int points = size * size, limits = MillingSolver.Solve<TKind>(setup, inputs).Limits.Count;
        double endAcross = EndOf<TKind>(setup, inputs, across), endUp = EndOf<TKind>(setup, inputs, up);
        float[] uses = new float[limits * points], rates = new float[points];
        IReadOnlyList<LimitKind> kinds = Evaluate<TKind>(setup, inputs, (across, endAcross), (up, endUp), size, uses, rates, cancel);

        return OperatingWindow.Draw((Codes.Of(across), endAcross), (Codes.Of(up), endUp), size, kinds, uses, rates);
    }

    /// <summary>What is to be removed in all, where an operation asks for it.</summary>
    internal static IEnumerable<MillingInput> TotalsOf<TKind>()
        where TKind : struct, IMillingKind => Totals.Where(TKind.Description.Has);

    /// <summary>The inputs with everything that is to be removed kept as it is, typed or not: what is looked for must not shrink the job.</summary>
    internal static MillingInputs WholeJob<TKind>(in MillingInputs inputs)
        where TKind : struct, IMillingKind
    {
        MillingInputs x = inputs;
        foreach (MillingInput total in TotalsOf<TKind>()) x.Type(total, x[total]);
        return x;
    }

    /// <summary>The inputs with one pass of the width and depth in use: totals follow them.</summary>
    internal static MillingInputs OnePass<TKind>(MillingSetup setup, in MillingInputs inputs)
        where TKind : struct, IMillingKind
    {
        MillingInputs x = inputs;
        foreach (MillingInput total in Totals) x = x.Without(total);
        TKind.Follow(setup, ref x);
        return x;
    }

    /// <summary>Where an axis ends: a little beyond what cutter, spindle and edge could do.</summary>
    internal static double EndOf<TKind>(MillingSetup setup, in MillingInputs inputs, MillingInput input)
        where TKind : struct, IMillingKind
    {
        Engagement e = MillingSolver.Engage<TKind>(setup, inputs);
        double used = inputs[input];
        return input switch
        {
            MillingInput.WidthOfCut => setup.Diameter,
            MillingInput.DepthOfCut => Math.Max(used, Math.Min(setup.FluteLength, setup.LargestDepth) * Headroom),
            MillingInput.CuttingSpeed =>
                Math.Max(
                    used * Headroom,
                    Math.Min(MillingCut.CuttingSpeedFor(setup.LargestSpeed, e.Diameter) * Headroom, 2 * (setup.Row?.CuttingSpeed ?? used))),
            _ => Math.Max(used, setup.LargestChip / e.LargestChipRatio) * Headroom,
        };
    }
}

namespace Incisura.Core.Calculation;

/// <content>Where the situation may be run, over any two of its free values.</content>
public partial class Operation<TWork, TResult>
{
    /// <summary>Works out every limit at every point of a grid. Point (i, j) has the values (i + 1)/size and (j + 1)/size of the two ends.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="inputs">Complete inputs; what was not typed and follows the two goes on following them.</param>
    /// <param name="across">Input along the rows, and its end.</param>
    /// <param name="up">Input along the columns, and its end.</param>
    /// <param name="size">Points in a row and in a column, at least 2.</param>
    /// <param name="uses">Receives the use of each limit, limit by limit, each row by row; 0 where it could not be judged.</param>
    /// <param name="rates">Receives the removal rate of each point, cm³/min; NaN where it lies above what the shop's chart says.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <returns>The limits in their order.</returns>
    public static IReadOnlyList<LimitDefinition> Evaluate(
        CuttingSetup setup, in Inputs inputs, (Input Input, double End) across, (Input Input, double End) up, int size, Span<float> uses,
        Span<float> rates, CancellationToken cancel)
    {
        Inputs x = OnePass(setup, inputs);

        // At one speed the life is the same everywhere, and being kept exactly it would only hide the other limits.
        if (across.Input != Input.CuttingSpeed && up.Input != Input.CuttingSpeed
            && Solve(setup, x).Limits.Of(Limits.ToolLife) is { Exceeded: false }) x = x.Without(Input.ToolLife);
        LimitSet first = Solve(setup, x).Limits;
        double mostAcross = ChartEnd(setup, x, across.Input), mostUp = ChartEnd(setup, x, up.Input);
        bool refeed = across.Input != Feed?.Input && up.Input != Feed?.Input;
        NoTrace none = default;
        int points = size * size;
        for (int j = 0; j < size; j++)
        {
            cancel.ThrowIfCancellationRequested();
            for (int i = 0; i < size; i++)
            {
                x[across.Input] = across.End * (i + 1) / size;
                x[up.Input] = up.End * (j + 1) / size;
                TWork.Follow(setup, ref x);
                if (refeed) Refeed(setup, ref x);
                TWork.Solve(setup, x, out TResult result, ref none);
                LimitSet limits = result.Limits;
                int at = (j * size) + i;
                for (int k = 0; k < limits.Count; k++)
                    uses[(k * points) + at] = limits[k] is { Judged: true } limit ? (float)Math.Min(limit.Use, LimitDefinition.LargestUse) : 0;
                rates[at] = x[across.Input] <= mostAcross && x[up.Input] <= mostUp ? (float)result[Output.RemovalRate] : float.NaN;
            }
        }

        return [.. first.All().Select(l => l.Definition)];
    }

    private static OperatingWindow Window(CuttingSetup setup, in Inputs inputs, WindowRequest request, CancellationToken cancel)
    {
        Lever across = FreeOf(request.Across, "across"), up = FreeOf(request.Up, "up");
        OperatingWindow.Check(request.Size, across != up);
        int points = request.Size * request.Size, limits = Solve(setup, inputs).Limits.Count;
        double endAcross = across.End(setup, inputs), endUp = up.End(setup, inputs);
        float[] uses = new float[limits * points], rates = new float[points];
        IReadOnlyList<LimitDefinition> drawn = Evaluate(
            setup, inputs, (across.Input, endAcross), (up.Input, endUp), request.Size, uses, rates, cancel);
        return OperatingWindow.Draw((request.Across, endAcross), (request.Up, endUp), request.Size, drawn, uses, rates);
    }

    private static Lever FreeOf(string code, string field)
    {
        Lever? lever = Free.FirstOrDefault(l => TWork.Description.Field(l.Input).Code == code);
        new InputCheck()
            .Holds(
                lever is not null, field, double.NaN,
                $"The window cannot be drawn over {code}; choose one of {string.Join(", ", TWork.Description.Free)}.")
            .ThrowIfAny();
        return lever!;
    }

    // Beyond what the chart says nothing is proposed, though every limit may be kept there.
    private static double ChartEnd(CuttingSetup setup, in Inputs x, Input input) =>
        Levers.First(l => l.Input == input) is { TopIsChart: true } lever ? lever.Top(setup, x) : double.PositiveInfinity;

    // The inputs with everything that is to be removed kept as it is, typed or not: what is looked for must not shrink the job.
    private static Inputs WholeJob(in Inputs inputs)
    {
        Inputs x = inputs;
        foreach (Input total in Totals) x.Type(total, x[total]);
        return x;
    }

    // The inputs with one pass of the width and depth in use: totals follow them.
    private static Inputs OnePass(CuttingSetup setup, in Inputs inputs)
    {
        Inputs x = inputs;
        foreach (Input total in Totals) x = x.Without(total);
        TWork.Follow(setup, ref x);
        return x;
    }
}

namespace Incisura.Core.Threads;

/// <summary>How the infeeds divide the height of a thread.</summary>
public enum InfeedLaw
{
    /// <summary>Falling, with an eased first infeed: depth after i of n is h·√ψ/√(n − 1), ψ = 0.3, 1, 2 …; the rule of the handbooks.</summary>
    Eased,

    /// <summary>Constant section of chip: depth after i of n is h·√(i/n).</summary>
    ConstantSection,

    /// <summary>Equal infeeds.</summary>
    Equal,
}

/// <summary>The depths of the infeeds of a thread, held to a largest first and a least infeed.</summary>
/// <param name="Law">How they divide the height.</param>
/// <param name="Height">Height of the thread h, mm, above 0.</param>
/// <param name="Count">Infeeds wanted n, 1 to <see cref="Most"/>.</param>
/// <param name="First">Largest first infeed, mm; infinite for none.</param>
/// <param name="Least">Least infeed, mm; 0 for none. Where the law gives less, fewer infeeds of this much are made; the last is what is left.</param>
public readonly record struct InfeedSchedule(InfeedLaw Law, double Height, int Count, double First = double.PositiveInfinity, double Least = 0)
{
    /// <summary>Most infeeds of a thread.</summary>
    public const int Most = 99;

    /// <summary>First depth of the eased law over that of the second, squared.</summary>
    public const double Eased = 0.3;

    /// <summary>Depth after an infeed, mm.</summary>
    /// <param name="number">Number of the infeed, from 1.</param>
    /// <param name="before">Depth after the one before, mm; 0 before the first.</param>
    public double After(int number, double before)
    {
        double law = number >= Count ? Height : ByLaw(number);
        if (number == 1) return Math.Min(Math.Max(law, Least), Math.Min(First, Height));
        return Math.Min(Height, Math.Max(law, before + Least));
    }

    /// <summary>Depths after all infeeds, mm: rising, the last is the height.</summary>
    public IReadOnlyList<double> Depths()
    {
        List<double> depths = [];
        for (double at = 0; at < Height && depths.Count < Most;) depths.Add(at = After(depths.Count + 1, at));
        return depths;
    }

    // The law from the first infeed on, whether a limit holds that or not.
    private double ByLaw(int number)
    {
        if (Law == InfeedLaw.Eased) return Height * Math.Sqrt((number == 1 ? Eased : number - 1) / (Count - 1.0));
        double first = Law == InfeedLaw.Equal ? Height / Count : Height / Math.Sqrt(Count), held = Math.Min(first, First);
        if (number == 1) return first;
        double share = (number - 1) / (Count - 1.0);
        return Law == InfeedLaw.Equal
            ? held + ((Height - held) * share)
            : Math.Sqrt((held * held) + (((Height * Height) - (held * held)) * share));
    }
}

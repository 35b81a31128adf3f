namespace Incisura.Web.Upkeep;

/// <summary>Which copies of the database are made by themselves.</summary>
public sealed class CopyOptions
{
    /// <summary>Where the settings stand.</summary>
    public const string Section = "Incisura:Copies";

    /// <summary>Folder of the dated copies; none are made where it is empty.</summary>
    public string Folder { get; init; } = "";

    /// <summary>Hours from one dated copy to the next, 1 to 720.</summary>
    public double EveryHours { get; init; } = 24;

    /// <summary>How many dated copies are kept, 1 to 1000; the oldest go.</summary>
    public int Keep { get; init; } = 14;

    /// <summary>A second place that is kept up to date; none where it is empty.</summary>
    public string Second { get; init; } = "";

    /// <summary>Seconds from one copy to the second place to the next, 5 to 86 400: what is lost at the worst, and the time a copy takes.</summary>
    public double EverySeconds { get; init; } = 60;

    /// <summary>Refuses what cannot be.</summary>
    /// <exception cref="StartException">A setting is out of its range.</exception>
    public void Check()
    {
        Within(nameof(EveryHours), EveryHours, 1, 720);
        Within(nameof(Keep), Keep, 1, 1000);
        Within(nameof(EverySeconds), EverySeconds, 5, 86_400);
    }

    private static void Within(string name, double value, double least, double most)
    {
        if (!(value >= least && value <= most))
            throw new StartException($"Incisura__Copies__{name} is {value}; it lies between {least} and {most}.");
    }
}

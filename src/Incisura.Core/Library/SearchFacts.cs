namespace Incisura.Core.Library;

/// <summary>What one thing of a list can be found by.</summary>
public sealed record SearchFacts
{
    /// <summary>Words that say what it is, plain as <see cref="SearchWords.Plain"/> makes them: name, trade words, material, coating.</summary>
    public required IReadOnlyList<string> Words { get; init; }

    /// <summary>Numbers it is known by, as they are written.</summary>
    public IReadOnlyList<string> Numbers { get; init; } = [];

    /// <summary>Everything else that is written about it, plain.</summary>
    public string Text { get; init; } = "";

    /// <summary>The sizes people call it by, mm.</summary>
    public IReadOnlyList<double> Sizes { get; init; } = [];

    /// <summary>Corner radius, mm; not a number where it has none.</summary>
    public double Radius { get; init; } = double.NaN;

    /// <summary>Number of teeth; 0 where it has none.</summary>
    public int Teeth { get; init; }

    /// <summary>Usable length over diameter; not a number where it has none.</summary>
    public double Slenderness { get; init; } = double.NaN;

    /// <summary>Pitch of its thread, mm; not a number where it has none.</summary>
    public double Pitch { get; init; } = double.NaN;
}

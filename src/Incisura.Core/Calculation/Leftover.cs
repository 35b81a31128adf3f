namespace Incisura.Core.Calculation;

/// <summary>What a step before left for this one.</summary>
/// <param name="From">The record and revision it was taken from, in words.</param>
/// <param name="Record">Number of that record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Across">Stock left across, mm; 0 for none.</param>
/// <param name="Height">Height of the wall, mm; 0 where it has none.</param>
/// <param name="Length">Length of the cut, mm; 0 where it has none.</param>
/// <param name="CutterDiameter">Cutting diameter of its cutter, mm.</param>
public sealed record Leftover(string From, string Record, int Revision, double Across, double Height, double Length, double CutterDiameter)
{
    /// <summary>What has changed in that step since, in words; empty for nothing.</summary>
    public string Changed { get; init; } = "";
}

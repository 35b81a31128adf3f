using System.Globalization;

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

    /// <summary>The same leftover with what has changed in its step since it was taken.</summary>
    /// <param name="now">What that step leaves now; null where it is no longer there.</param>
    public Leftover Against(Leftover? now)
    {
        if (now is null) return this with { Changed = $"{Record} is no longer there." };
        List<string> changes = [];
        void Compare(string what, double then, double since)
        {
            if (Math.Abs(then - since) > 1e-9) changes.Add(string.Create(CultureInfo.InvariantCulture, $"{what} {since:0.###} mm instead of {then:0.###} mm"));
        }

        Compare("leaves", Across, now.Across);
        Compare("has a wall of", Height, now.Height);
        Compare("cuts a length of", Length, now.Length);
        Compare("uses a cutter of", CutterDiameter, now.CutterDiameter);
        return this with { Changed = changes.Count == 0 ? "" : $"{Record} was changed since: in revision {now.Revision} it {string.Join(", ", changes)}." };
    }
}

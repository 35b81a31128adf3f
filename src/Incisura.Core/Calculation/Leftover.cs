using System.Globalization;

namespace Incisura.Core.Calculation;

/// <summary>What a step leaves behind.</summary>
public enum LeftoverKind
{
    /// <summary>Stock on a wall, and roundings in its corners.</summary>
    Wall,

    /// <summary>A hole.</summary>
    Hole,
}

/// <summary>What a step before left for this one, as its record holds it.</summary>
/// <param name="From">The record and revision it was taken from, in words.</param>
/// <param name="Record">Number of that record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Across">Stock left across, mm; 0 for none.</param>
/// <param name="Height">Height of the wall, or depth of the hole at full diameter, mm; 0 where it has none, or the hole goes through.</param>
/// <param name="Length">Length of the cut, mm; 0 where it has none.</param>
/// <param name="CutterDiameter">Cutting diameter of its cutter, or diameter of the hole, mm.</param>
public sealed record Leftover(string From, string Record, int Revision, double Across, double Height, double Length, double CutterDiameter)
{
    /// <summary>What kind of thing is left.</summary>
    public LeftoverKind Kind { get; init; }

    /// <summary>What has changed in that step since, in words; empty for nothing.</summary>
    public string Changed { get; init; } = "";

    /// <summary>What else speaks against going by it, in words: another work material, a withdrawal; empty for nothing.</summary>
    public string Doubt { get; init; } = "";

    /// <summary>The same leftover with what has changed in its step since it was taken.</summary>
    /// <param name="now">What that step leaves now; null where it is no longer there.</param>
    public Leftover Against(Leftover? now)
    {
        if (now is null) return this with { Changed = $"{Record} leaves nothing any more." };
        List<string> changes = [];
        void Compare(string what, double then, double since)
        {
            if (Math.Abs(then - since) > 1e-9)
                changes.Add(string.Create(CultureInfo.InvariantCulture, $"{what} {since:0.###} mm instead of {then:0.###} mm"));
        }

        bool hole = Kind == LeftoverKind.Hole;
        Compare("leaves", Across, now.Across);
        Compare(hole ? "is deep" : "has a wall of", Height, now.Height);
        Compare("cuts a length of", Length, now.Length);
        Compare(hole ? "makes a hole of" : "uses a cutter of", CutterDiameter, now.CutterDiameter);
        return this with
        {
            Changed = changes.Count == 0 ? "" : $"{Record} was changed since: in revision {now.Revision} it {string.Join(", ", changes)}.",
            Doubt = now.Doubt,
        };
    }

    /// <summary>Says what was taken over, what was typed instead, and what speaks against it.</summary>
    /// <param name="parts">What the operation could take: in words, what is left, and the value in use.</param>
    /// <param name="findings">Takes the findings.</param>
    internal void Tell(IEnumerable<(string Words, double Left, double Used)> parts, List<Finding> findings)
    {
        string from = From.TrimEnd(',');
        (string Words, double Left, double Used)[] all = [.. parts.Where(p => p.Left > 0)],
            taken = [.. all.Where(p => Math.Abs(p.Left - p.Used) <= 1e-9)], instead = [.. all.Except(taken)];
        static Measure Mm(double mm) => new(mm, Quantities.Quantity.Length);
        if (taken.Length > 0)
            findings.Add(new(
                "leftover", Severity.Info,
                new($"From {from}: {string.Join(", ", taken.Select((p, i) => $"{p.Words} {{{i}}}"))}.", [.. taken.Select(p => Mm(p.Left))]), ""));
        if (instead.Length > 0)
            findings.Add(new(
                "leftover-typed",
                Severity.Info,
                new(
                    $"{from} leaves "
                        + $"{string.Join(", ", instead.Select((p, i) => $"{p.Words} {{{2 * i}}}, and {{{(2 * i) + 1}}} was typed instead"))}.",
                    [.. instead.SelectMany(p => new[] { Mm(p.Left), Mm(p.Used) })]),
                ""));
        if (Changed.Length > 0)
            findings.Add(new("leftover-changed", Severity.Caution, new(Changed), "Take the leftover anew, or keep these figures knowingly."));
        if (Doubt.Length > 0) findings.Add(new("leftover-doubt", Severity.Caution, new(Doubt), "Take the leftover of another record, or none."));
    }
}

using Incisura.Core.Cutters;

namespace Incisura.Core.Library;

/// <summary>Cutters that are probably the same one, entered more than once.</summary>
/// <param name="Ids">Identities, at least two.</param>
/// <param name="Differing">Symbols and words in which they differ.</param>
public sealed record LikelyDuplicates(IReadOnlyList<int> Ids, IReadOnlyList<string> Differing);

/// <summary>Finds likely duplicates: the same family, cutting material and teeth, and every length and angle nearly the same.</summary>
public static class Duplicates
{
    /// <summary>Largest difference between two dimensions that may be the same one, as a share of the larger.</summary>
    public const double Nearly = 0.005;

    /// <summary>Finds groups of likely duplicates among cutters in use.</summary>
    /// <param name="cutters">Identities and cutters.</param>
    public static IReadOnlyList<LikelyDuplicates> Of(IEnumerable<(int Id, Cutter Cutter)> cutters) =>
    [
        .. from c in cutters
           where !c.Cutter.Retired
           group c by (c.Cutter.Family, c.Cutter.Material, c.Cutter.Teeth, c.Cutter.Hand) into bucket
           from likely in Within([.. bucket.OrderBy(c => c.Cutter.CalledSize).ThenBy(c => c.Id)])
           orderby likely.Ids[0]
           select likely,
    ];

    // Sorted by diameter, so that only neighbours are compared and no pair lies on two sides of a rounding.
    private static IEnumerable<LikelyDuplicates> Within((int Id, Cutter Cutter)[] bucket)
    {
        HashSet<int> taken = [];
        for (int i = 0; i < bucket.Length; i++)
        {
            (int id, Cutter first) = bucket[i];
            if (!taken.Add(id)) continue;
            List<(int Id, Cutter Cutter)> same = [];
            for (int j = i + 1; j < bucket.Length && bucket[j].Cutter.CalledSize * (1 - Nearly) <= first.CalledSize; j++)
                if (!taken.Contains(bucket[j].Id) && Alike(first, bucket[j].Cutter)) same.Add(bucket[j]);
            taken.UnionWith(same.Select(s => s.Id));
            if (same.Count > 0)
                yield return new([.. same.Select(s => s.Id).Append(id).Order()], [.. same.SelectMany(s => Differing(first, s.Cutter)).Distinct()]);
        }
    }

    private static bool Alike(Cutter a, Cutter b)
    {
        foreach (FamilyDimension d in a.Described.Dimensions)
        {
            if (d.Dimension == Dimension.LargestSpeed || d.Dimension == Dimension.LeastChip || d.Dimension == Dimension.LargestChip) continue;
            double x = Value(a, d.Dimension), y = Value(b, d.Dimension);
            if (Math.Abs(x - y) > Nearly * Math.Max(Math.Abs(x), Math.Abs(y))) return false;
        }

        return a.Described.Picks.All(p => a.Picked(p.Code) == b.Picked(p.Code)) && a.Segments.SequenceEqual(b.Segments);
    }

    private static IEnumerable<string> Differing(Cutter a, Cutter b)
    {
        foreach (FamilyDimension d in a.Described.Dimensions)
            if (Value(a, d.Dimension) != Value(b, d.Dimension)) yield return d.Dimension.Symbol;
        if (!string.Equals(a.Coating, b.Coating, StringComparison.OrdinalIgnoreCase)) yield return "coating";
        if (!string.Equals(a.Grade, b.Grade, StringComparison.OrdinalIgnoreCase)) yield return "grade";
        if (!a.Groups.Order().SequenceEqual(b.Groups.Order())) yield return "groups";
        if (a.Remarks != b.Remarks) yield return "remarks";
    }

    private static double Value(Cutter c, Dimension d) => c.Dimensions.GetValueOrDefault(d.Symbol);
}

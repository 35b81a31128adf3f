using Incisura.Core.Cutters;
using Incisura.Core.Materials;
using Incisura.Core.Wear;

namespace Incisura.Core.Charts;

/// <summary>Feed at one size of cutter.</summary>
/// <param name="Diameter">Cutting diameter, mm; of an edge that stands still its corner radius r_ε, or the width of a blade.</param>
/// <param name="FeedPerTooth">Feed per tooth f_z at that size, mm; of an edge that stands still the feed of a turn f.</param>
public readonly record struct FeedPoint(double Diameter, double FeedPerTooth);

/// <summary>
/// The shop's starting figures for one cutter family, cutting material, material sub-group and operation. The feed per tooth is
/// stated for the row's own width ratio; at another width it is thinned or thickened by geometry.
/// </summary>
public sealed record SpeedRow
{
    /// <summary>Least and most life a row can state, min.</summary>
    internal const double LeastLife = 0.5, MostLife = 1000;

    /// <summary>Cutter family the row is for.</summary>
    public required CutterFamily Family { get; init; }

    /// <summary>Cutting material the row is for.</summary>
    public required CuttingMaterial CuttingMaterial { get; init; }

    /// <summary>Sub-group of work material the row is for.</summary>
    public required string SubGroup { get; init; }

    /// <summary>Code of the operation the row is for.</summary>
    public required string Operation { get; init; }

    /// <summary>Starting cutting speed v_c, m/min, 1 to 3000.</summary>
    public required double CuttingSpeed { get; init; }

    /// <summary>Starting feed per tooth over diameter, rising diameters.</summary>
    public required IReadOnlyList<FeedPoint> Feeds { get; init; }

    /// <summary>Starting width of cut over diameter a_e/D, above 0 up to 1; the feeds are stated for it.</summary>
    public required double WidthRatio { get; init; }

    /// <summary>Starting depth of cut over diameter a_p/D, above 0 up to 10.</summary>
    public required double DepthRatio { get; init; }

    /// <summary>Starting depth of cut a_p of an edge that stands still, mm, 0.02 to 25; null where it goes by the diameter.</summary>
    public double? Depth { get; init; }

    /// <summary>Tool life T_chart an edge has at this speed, min, 0.5 to 1000; 0 where it is not known.</summary>
    public double Life { get; init; }

    /// <summary>Exponent n_T of the life, above 0 up to 1: how much slower for how much longer (Taylor 1907); 0 where it is not known.</summary>
    public double LifeExponent { get; init; }

    /// <summary>Where the row comes from.</summary>
    public string Source { get; init; } = "";

    /// <summary>Whether speed and feeds are starting values from outside that nobody has tried here.</summary>
    public bool Untried { get; init; }

    /// <summary>How the life follows the speed.</summary>
    internal TaylorLife Taylor => new(CuttingSpeed, Life, LifeExponent);

    /// <summary>Whether a diameter lies above all the row has a feed for.</summary>
    /// <param name="diameter">Cutting diameter, mm.</param>
    public bool EndsBelow(double diameter) => Feeds.Count > 0 && diameter > Feeds[^1].Diameter * (1 + 1e-9);

    /// <summary>
    /// Feed per tooth at a diameter: straight between two points, in proportion to the diameter below the first, and above the last
    /// that of the last, because nobody has tried more.
    /// </summary>
    /// <param name="diameter">Cutting diameter, mm, above 0.</param>
    public double FeedPerToothAt(double diameter)
    {
        FeedPoint first = Feeds[0];
        if (diameter <= first.Diameter) return first.FeedPerTooth * diameter / first.Diameter;
        for (int i = 1; i < Feeds.Count; i++)
        {
            FeedPoint b = Feeds[i], a = Feeds[i - 1];
            if (diameter <= b.Diameter)
                return a.FeedPerTooth + ((b.FeedPerTooth - a.FeedPerTooth) * (diameter - a.Diameter) / (b.Diameter - a.Diameter));
        }

        return Feeds[^1].FeedPerTooth;
    }
}

/// <summary>A chart: a named set of rows, revised as a whole.</summary>
public sealed record SpeedChart
{
    /// <summary>Name of the chart.</summary>
    public required string Name { get; init; }

    /// <summary>Its rows.</summary>
    public required IReadOnlyList<SpeedRow> Rows { get; init; }

    /// <summary>From which depth over diameter a drill breaks its chip, clears the hole, or drills in stages.</summary>
    public IReadOnlyList<DrillingCycleRow> Cycles { get; init; } = [];

    /// <summary>What this shop goes by where no standard says.</summary>
    public ShopPractice Practice { get; init; } = ShopPractice.Usual;

    /// <summary>The row of drilling cycles for a cutter family, a work-material group and a coolant; null where the chart has none.</summary>
    public DrillingCycleRow? FindCycle(CutterFamily family, MaterialGroup group, string coolant) =>
        Cycles.FirstOrDefault(c => c.Family == family && c.Group == group && c.Coolant == coolant);

    /// <summary>
    /// The row for a work material and an operation: its sub-group's own, or else that of its whole group; null where the chart has neither.
    /// </summary>
    public SpeedRow? Find(CutterFamily family, CuttingMaterial cuttingMaterial, WorkMaterial material, string operation) =>
        Find(family, cuttingMaterial, material.SubGroup, operation) ?? Find(family, cuttingMaterial, material.Group.ToString(), operation);

    /// <summary>The row for a sub-group and an operation, or null where the chart has none.</summary>
    public SpeedRow? Find(CutterFamily family, CuttingMaterial cuttingMaterial, string subGroup, string operation)
    {
        foreach (SpeedRow row in Rows)
            if (row.Family == family && row.CuttingMaterial == cuttingMaterial && row.Operation == operation && string.Equals(
                row.SubGroup, subGroup, StringComparison.OrdinalIgnoreCase))
                return row;
        return null;
    }

    /// <summary>The chart with no more than one row and the cycles of one family in one group: what a single calculation reads of it.</summary>
    /// <param name="row">The row; null for none.</param>
    /// <param name="family">Cutter family.</param>
    /// <param name="group">Work-material group.</param>
    public SpeedChart With(SpeedRow? row, CutterFamily family, MaterialGroup group) => this with
    {
        Rows = row is null ? [] : [row],
        Cycles = [.. Cycles.Where(c => c.Family == family && c.Group == group)],
    };

    /// <summary>Whether everything in two charts is the same.</summary>
    public bool SameAs(SpeedChart other) =>
        Name == other.Name && Practice == other.Practice && Cycles.SequenceEqual(other.Cycles) && Rows.Count == other.Rows.Count
            && Rows.Zip(other.Rows).All(r => r.First with { Feeds = r.Second.Feeds } == r.Second && r.First.Feeds.SequenceEqual(r.Second.Feeds));

    /// <summary>Checks every row, and that no two rows are for the same situation.</summary>
    /// <param name="inStep">Whether the feed of an operation is the lead of a thread, by its code; null for one that does not exist.</param>
    public InputCheck Check(Func<string, bool?> inStep)
    {
        InputCheck check = new InputCheck().Named("name", "The name", Name);
        Practice.Check(check);
        HashSet<(CutterFamily, CuttingMaterial, string, string)> seen = [];
        for (int i = 0; i < Cycles.Count; i++)
        {
            Cycles[i].Check(check, $"cycles[{i}]", i + 1);
            check.Holds(
                FindCycle(Cycles[i].Family, Cycles[i].Group, Cycles[i].Coolant) == Cycles[i], $"cycles[{i}]", i + 1,
                $"Drilling cycle {i + 1} repeats an earlier one for the same cutter, group and coolant; change or remove one.");
        }

        for (int i = 0; i < Rows.Count; i++)
        {
            SpeedRow row = Rows[i];
            string at = $"rows[{i}]";
            check.Named($"{at}.subGroup", $"The sub-group of row {i + 1}", row.SubGroup, 12)
                .Within($"{at}.cuttingSpeed", $"The cutting speed of row {i + 1}", row.CuttingSpeed, 1, 3000, Quantity.CuttingSpeed)
                .Within($"{at}.widthRatio", $"The width ratio of row {i + 1}", row.WidthRatio, 0.005, 1, Quantity.Ratio)
                .Within($"{at}.depthRatio", $"The depth ratio of row {i + 1}", row.DepthRatio, 0.005, 10, Quantity.Ratio)
                .Within(
                    $"{at}.life", $"The tool life of row {i + 1}", row.Life, row.LifeExponent > 0 ? SpeedRow.LeastLife : 0, SpeedRow.MostLife,
                    Quantity.Time)
                .Within(
                    $"{at}.lifeExponent", $"The exponent of the life in row {i + 1}", row.LifeExponent, row.Life > 0 ? 0.02 : 0, 1, Quantity.Ratio)
                .Within($"{at}.depth", $"The depth of cut of row {i + 1}", row.Depth ?? 1, 0.02, 25, Quantity.Length)
                .Holds(
                    inStep(row.Operation) is not null, $"{at}.operation", double.NaN,
                    $"Row {i + 1} is for no known operation; choose one from the list.")
                .Holds(
                    row.Feeds.Count >= (inStep(row.Operation) == true ? 0 : 1) && row.Feeds.Count <= 20,
                    $"{at}.feeds", row.Feeds.Count, $"Row {i + 1} needs 1 to 20 feeds.")
                .Holds(
                    seen.Add((row.Family, row.CuttingMaterial, row.SubGroup.ToUpperInvariant(), row.Operation)),
                    at,
                    i + 1,
                    $"Row {i + 1} repeats an earlier row for the same cutter, material and operation; change or remove one.");
            for (int j = 0; j < row.Feeds.Count && j < 20; j++)
                check.Within(
                    $"{at}.feeds[{j}].diameter", $"Diameter {j + 1} of row {i + 1}", row.Feeds[j].Diameter,
                    j == 0 ? 0.1 : row.Feeds[j - 1].Diameter + 1e-6, 500, Quantity.Length)
                    .Within($"{at}.feeds[{j}].feedPerTooth", $"Feed {j + 1} of row {i + 1}", row.Feeds[j].FeedPerTooth, 0.0005, 5, Quantity.Chip);
        }

        return check;
    }
}

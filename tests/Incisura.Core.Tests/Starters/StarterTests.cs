using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Materials;
using Incisura.Core.Records;
using Incisura.Core.Starters;

namespace Incisura.Core.Tests.Starters;

/// <summary>What a workshop can begin with: sound, with its source, and marked until somebody has tried it.</summary>
public sealed class StarterTests
{
    private static readonly IOperation Rough = Operations.Find("side-rough")!;
    private static readonly (string, double)[] Typed = [("widthOfCut", 3), ("depthOfCut", 6), ("feedPerTooth", 0.05), ("cuttingSpeed", 110)];

    private static string[] Marks(bool material, bool row, params (string, double)[] typed) =>
    [
        .. Rough.Calculate(With(material, row), Sample.Typed(typed), explain: false).Findings
            .Where(f => f.Code.StartsWith("untried", StringComparison.Ordinal))
            .Select(f => $"{f.Code} {f.Severity}"),
    ];

    private static Situation With(bool material, bool row) => Sample.Situation with
    {
        Material = new(1, material ? 1 : 2, Sample.Material with { Untried = material }),
        Chart = new(1, row ? 1 : 2, Sample.Situation.Chart.Value with
        {
            Rows = [.. Sample.Situation.Chart.Value.Rows.Select(r => r with { Untried = row })],
        }),
    };

    [Fact]
    public void Every_material_row_drill_and_holder_can_be_taken_as_it_is()
    {
        Assert.All(StarterMaterials.All, m => Assert.Empty(m.Check().Faults));
        Assert.Empty(new SpeedChart { Name = "Speed chart", Rows = StarterRows.All }.Check(Operations.FeedInStep).Faults);
        Assert.All(StarterTools.Drills, d => Assert.Empty(d.Check().Faults));
        Assert.All(StarterTools.Holders, h => Assert.Empty(h.Check().Faults));
        Assert.Equal(StarterMaterials.All.Count, StarterMaterials.All.Select(m => m.Name).Distinct().Count());
        Assert.Equal(StarterTools.Drills.Count, StarterTools.Drills.Select(d => d.Number).Distinct().Count());
        Assert.Equal(Enum.GetValues<MaterialGroup>(), StarterMaterials.All.Select(m => m.Group).Distinct().Order());
    }

    [Fact]
    public void Nothing_is_offered_as_certain()
    {
        Assert.All(StarterMaterials.All, m => Assert.True(m.Untried && m.Source.Contains("unverified", StringComparison.Ordinal), m.Name));
        Assert.All(StarterRows.All, r => Assert.True(r.Untried && r.Source.Contains("unverified", StringComparison.Ordinal), r.Operation));
        Assert.All(StarterTools.Drills, d => Assert.Contains("unverified", d.Remarks, StringComparison.Ordinal));
        Assert.All(StarterTools.Holders, h => Assert.Contains("unverified", h.Remarks, StringComparison.Ordinal));
    }

    [Fact]
    public void Every_row_is_for_an_operation_its_family_does() => Assert.All(
        StarterRows.All, r => Assert.Contains(r.Family, Operations.Find(r.Operation)!.Description.Families));

    [Fact]
    public void A_row_says_its_range_and_starts_at_the_lower_end_of_it() => Assert.All(StarterRows.All, r =>
    {
        double slow = r.CuttingSpeed;
        Assert.Contains(FormattableString.Invariant($" {slow} to "), r.Source, StringComparison.Ordinal);
        Assert.All(r.Feeds.Zip(r.Feeds.Skip(1)), f => Assert.True(f.Second.FeedPerTooth >= f.First.FeedPerTooth));
    });

    [Fact]
    public void Every_starter_material_is_cut_by_a_starter_row_within_its_limits_or_says_what_stands_in_the_way()
    {
        SpeedChart chart = new() { Name = "Speed chart", Rows = StarterRows.All };
        foreach (WorkMaterial material in StarterMaterials.All)
        {
            Situation s = Sample.Situation with
            {
                Material = new(1, 1, material),
                Chart = new(1, 1, chart),
                Cutter = new(1, 1, Sample.Cutter with { Groups = [material.Group] }),
            };
            CalculationResult r = Rough.Calculate(s, Choices.None, explain: false);
            Assert.True(
                r.Limits.All(l => l.Use is not > 1 + 1e-9) || r.Findings.Any(f => f.Code == "nothing-fits"),
                $"{material.Name}: {string.Join(", ", r.Limits.Where(l => l.Use > 1).Select(l => l.Name))}");
            Assert.Contains(r.Findings, f => f.Code == "untried-speeds");
        }
    }

    [Fact]
    public void A_drill_of_the_jobber_series_stands_in_a_holder_and_drills()
    {
        Cutter drill = StarterTools.Drills.First(d => d.CuttingDiameter == 8.5);
        Assert.Equal((75, 117), (drill.FluteLength, drill.OverallLength));
        Situation s = Sample.Situation with
        {
            Material = new(1, 1, StarterMaterials.All[0]),
            Cutter = new(1, 1, drill),
            Assembly = new(1, 1, Sample.Assembly with { Projection = 80 }),
            Chart = new(1, 1, new() { Name = "Speed chart", Rows = StarterRows.All }),
        };
        CalculationResult r = Operations.Find("drill")!.Calculate(s, Choices.None, explain: false);
        Assert.Equal(18, r.Fields.First(f => f.Code == "cuttingSpeed").Value, 9);
    }

    [Fact]
    public void What_nobody_has_tried_is_said_as_long_as_the_figures_rest_on_it()
    {
        Assert.Equal([], Marks(material: false, row: false));
        Assert.Equal(["untried-speeds Caution", "untried-forces Caution"], Marks(material: true, row: true));
        Assert.Equal(["untried-forces Caution"], Marks(material: true, row: true, Typed));
        // With the speed alone typed the feed still comes from the row.
        Assert.Equal(["untried-speeds Caution"], Marks(material: false, row: true, ("cuttingSpeed", 110)));
    }

    [Fact]
    public void That_it_was_tried_meanwhile_makes_no_record_stale_and_that_it_was_not_does()
    {
        Assert.Equal((false, 0), Turn(from: true, to: false));
        Assert.Equal((true, 2), Turn(from: false, to: true));

        static (bool Stale, int Findings) Turn(bool from, bool to)
        {
            CalculationResult then = Rough.Calculate(With(from, from), Choices.None, explain: false);
            Standing standing = Staleness.Of(Rough, With(from, from), Choices.None, then, With(to, to), Choices.None);
            Assert.Equal(2, standing.Moved.Count);
            return (standing.Stale, standing.Findings.Count);
        }
    }
}

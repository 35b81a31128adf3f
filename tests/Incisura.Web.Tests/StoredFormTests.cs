using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.HoleGroups;
using Incisura.Core.Holes;
using Incisura.Core.Materials;
using Incisura.Core.Starters;
using Incisura.Data;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Tests;

/// <summary>
/// What a release stored is read by every later one. tests/stored keeps one file for each engine whose forms differ: some of every kind of
/// stored thing, as that release wrote it. Such a file is never written again.
/// </summary>
public class StoredFormTests
{
    private static readonly string Folder = Path.Combine(Repository.Root, "tests", "stored");

    public static TheoryData<string> Releases => [.. Directory.GetFiles(Folder, "engine-*.json").Select(f => Path.GetFileName(f))];

    private static string Latest =>
        Releases.Select(r => r.Data).OrderByDescending(f => f.Length).ThenByDescending(f => f, StringComparer.Ordinal).First();

    // The kinds the database keeps a definition of, and the three parts of a record.
    private static Dictionary<string, Type> Kinds()
    {
        using IncisuraDb db = new(new DbContextOptionsBuilder<IncisuraDb>().UseSqlite("Data Source=:memory:").Options);
        return db.Model.GetEntityTypes()
            .Select(e => e.ClrType.BaseType)
            .Where(b => b is { IsGenericType: true } && b.GetGenericTypeDefinition() == typeof(Stored<>))
            .Select(b => b!.GetGenericArguments()[0])
            .Concat([typeof(Choices), typeof(Situation), typeof(CalculationResult)])
            .ToDictionary(t => t.Name);
    }

    /// <summary>Where the file of a release stands.</summary>
    internal static string PathOf(string file) => Path.Combine(Folder, file);

    private static JsonObject Stored(string file) => JsonNode.Parse(File.ReadAllText(Path.Combine(Folder, file)))!.AsObject();

    private static string Rewritten(Type type, string json)
    {
        object read = typeof(DefinitionFormat).GetMethod(nameof(DefinitionFormat.Read))!.MakeGenericMethod(type).Invoke(null, [json])!;
        return (string)typeof(DefinitionFormat).GetMethod(nameof(DefinitionFormat.Write), BindingFlags.Public | BindingFlags.Static)!
            .MakeGenericMethod(type)
            .Invoke(null, [read])!;
    }

    [Theory]
    [MemberData(nameof(Releases))]
    public void Every_kind_of_stored_thing_is_read_and_written_to_one_form(string file)
    {
        Dictionary<string, Type> kinds = Kinds();
        JsonObject stored = Stored(file);

        // A release knows no kinds that came after it; the last one has them all.
        if (file == Latest) Assert.Equal(kinds.Keys.Order(), stored.Select(s => s.Key).Order());
        else Assert.Subset(kinds.Keys.ToHashSet(), stored.Select(s => s.Key).ToHashSet());
        foreach ((string kind, JsonNode? all) in stored)
        {
            Assert.NotEmpty(all!.AsArray());
            foreach (JsonNode? one in all.AsArray())
            {
                string now = Rewritten(kinds[kind], one!.ToJsonString());
                Assert.Equal(now, Rewritten(kinds[kind], now));
            }
        }
    }

    [Theory]
    [InlineData("threaded", 10, 1.5, false, "M10×1.5")]
    [InlineData("threaded", 12.7, 1.9538, true, "1/2-13 UNC LH")]
    [InlineData("plain", 10, 1.5, false, null)]
    public void A_hole_stored_with_diameter_and_pitch_has_the_thread_they_mean(string kind, double diameter, double pitch, bool left, string? thread)
    {
        HoleTarget read = DefinitionFormat.Read<HoleTarget>(
            $$"""{"kind":"{{kind}}","diameter":{{diameter}},"pitch":{{pitch}},"leftHand":{{(left ? "true" : "false")}},"depth":20}""");
        Assert.Equal(thread, read.Thread?.Text);
        Assert.Equal(diameter, read.Nominal(), 9);
    }

    [Fact]
    public void What_this_release_writes_is_what_stands_in_its_file()
    {
        Dictionary<string, Type> kinds = Kinds();
        foreach ((string kind, JsonNode? all) in Stored(Latest))
            foreach (JsonNode? one in all!.AsArray())
            {
                JsonNode now = JsonNode.Parse(Rewritten(kinds[kind], one!.ToJsonString()))!;
                Assert.True(JsonNode.DeepEquals(one, now), $"{kind} was\n{one.ToJsonString()}\nand is written as\n{now.ToJsonString()}");
            }
    }

    [Fact]
    public void That_nobody_tried_it_is_written_where_it_is_so_and_read_again()
    {
        WorkMaterial tried = StarterMaterials.All[0] with { Untried = false };
        Assert.DoesNotContain("untried", DefinitionFormat.Write(tried), StringComparison.Ordinal);
        Assert.False(DefinitionFormat.Read<WorkMaterial>(DefinitionFormat.Write(tried)).Untried);
        Assert.True(DefinitionFormat.Read<WorkMaterial>(DefinitionFormat.Write(StarterMaterials.All[0])).Untried);
        Assert.True(DefinitionFormat.Read<SpeedRow>(DefinitionFormat.Write(StarterRows.All[0])).Untried);
    }

    [Theory]
    [MemberData(nameof(Releases))]
    public void A_record_of_any_release_can_be_worked_out_again(string file)
    {
        JsonObject stored = Stored(file);
        List<(Situation Situation, Choices Choices, CalculationResult Result)> records =
        [
            .. Enumerable.Range(0, stored["Choices"]!.AsArray().Count).Select(i => (
                DefinitionFormat.Read<Situation>(stored["Situation"]![i]!.ToJsonString()),
                DefinitionFormat.Read<Choices>(stored["Choices"]![i]!.ToJsonString()),
                DefinitionFormat.Read<CalculationResult>(stored["CalculationResult"]![i]!.ToJsonString()))),
        ];
        Assert.All(records, r =>
        {
            CalculationResult now = Operations.Find(r.Result.Operation)!
                .Calculate(r.Situation, r.Choices, explain: true, TestContext.Current.CancellationToken);
            Assert.Superset(r.Result.Figures.Select(f => f.Code).ToHashSet(), now.Figures.Select(f => f.Code).ToHashSet());
            Assert.Superset(
                r.Result.Attachments.Select(a => a.GetType()).Where(t => t != typeof(ToolWay)).ToHashSet(),
                now.Attachments.Select(a => a.GetType()).ToHashSet());
        });
        var deep = Assert.Single(records, r => r.Result.Operation == "deep-hole");
        Assert.Contains(deep.Choices.Extras, e => e is CrossHoles { Holes.Count: > 0 });
        Assert.Contains(deep.Result.Attachments, a => a is ToolWay { Parts.Count: > 3 });
        Assert.All(
            stored["Cutter"]!.AsArray(),
            c => Assert.Empty(DefinitionFormat.Read<Cutter>(c!.ToJsonString()).Check().Faults));
    }

    [Fact]
    public void Cutters_written_before_families_were_described_are_read_as_what_they_mean()
    {
        const string then =
            """
            {"number":"C-1","family":"squareEndMill","material":"carbide","coating":"AlTiN","cuttingDiameter":12,"teeth":4,
            "largestDepth":25,"fluteLength":26,
            "usableLength":26,"neckDiameter":0,"shankDiameter":12,"overallLength":83,"helixAngle":38,"leastChip":0.004,"largestChip":0.09,
            "largestWidthRatio":1,"largestSpeed":0,"groups":["P"],"remarks":""}
            """;
        Cutter read = DefinitionFormat.Read<Cutter>(then);
        Assert.Empty(read.Check().Faults);
        Assert.Equal((12d, 4, 26d, 0.09), (read.CuttingDiameter, read.Teeth, read.FluteLength, read[Dimension.LargestChip]));
        Revised<Cutter> nested = DefinitionFormat.Read<Revised<Cutter>>($$"""{"id":3,"number":2,"value":{{then}}}""");
        Assert.Equal(83, nested.Value.OverallLength);
    }
}

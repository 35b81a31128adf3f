using ArchUnitNET.Loader;

namespace Incisura.Core.Tests;

/// <summary>The rooms of the core, each of which uses only what stands above it.</summary>
public sealed class RoomTests
{
    private static readonly string[] Rooms =
    [
        "Quantities", "Checks", "Derivations", "Geometry", "Materials", "Threads", "Cutters", "Machines", "Holders", "Wear", "Charts", "Calculation",
        "Milling", "Holes", "ThreadCutting", "Turning", "Catalogue", "HoleGroups", "Records", "Methods", "Library", "Starters",
    ];

    private static readonly Lazy<(string From, string To, string Type)[]> Arrows = new(() =>
    [
        .. new ArchLoader().LoadAssemblies(typeof(Core.Calculation.IOperation).Assembly).Build().Types
            .SelectMany(t => t.Dependencies)
            .Select(d => (RoomOf(d.Origin.FullName), RoomOf(d.Target.FullName), $"{d.Origin.FullName} → {d.Target.FullName}"))
            .Where(a => a.Item1.Length > 0 && a.Item2.Length > 0 && a.Item1 != a.Item2)
            .Distinct(),
    ]);

    [Fact]
    public void Arrows_point_up_the_list_only()
    {
        Assert.NotEmpty(Arrows.Value);
        string wrong = string.Join("\n", Arrows.Value.Where(a => Array.IndexOf(Rooms, a.To) >= Array.IndexOf(Rooms, a.From)).Select(a => a.Type));
        Assert.True(wrong.Length == 0, wrong);
    }

    [Fact]
    public void Every_room_is_on_the_list_and_used()
    {
        string[] there =
        [
            .. typeof(Core.Calculation.IOperation).Assembly
            .GetTypes()
            .Select(t => RoomOf(t.FullName ?? ""))
            .Where(r => r.Length > 0)
            .Distinct()
            .Order(),
        ];
        Assert.Equal(Rooms.Order(), there);
        Assert.Contains(Arrows.Value, a => a is { From: "Milling", To: "Calculation" });
        Assert.Contains(Arrows.Value, a => a is { From: "Holes", To: "Threads" });
    }

    // The first part of the namespace below the core's own.
    private static string RoomOf(string type)
    {
        const string core = "Incisura.Core.";
        if (!type.StartsWith(core, StringComparison.Ordinal)) return "";
        string[] parts = type[core.Length..].Split('.');
        return parts.Length > 1 ? parts[0] : "";
    }
}

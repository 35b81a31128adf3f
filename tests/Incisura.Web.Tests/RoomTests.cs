using ArchUnitNET.Loader;

namespace Incisura.Web.Tests;

/// <summary>The rooms of the host, each of which uses only what stands above it.</summary>
public sealed class RoomTests
{
    private static readonly string[] Rooms =
    [
        "Hosting", "Mail", "Accounts", "History", "Guide", "Library", "Calculate", "Records", "Shop", "Coverage", "Find", "Editions",
        "Lookup", "Reports", "FirstDay", "Upkeep", "Demo", "Startup",
    ];

    private static readonly Lazy<(string From, string To, string Type)[]> Arrows = new(() =>
    [
        .. new ArchLoader().LoadAssemblies(typeof(Program).Assembly).Build().Types
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
    public void Every_room_is_on_the_list()
    {
        Assert.Equal(
            Rooms.Order(), typeof(Program).Assembly.GetTypes().Select(t => RoomOf(t.FullName ?? "")).Where(r => r.Length > 0).Distinct().Order());
        Assert.Contains(Arrows.Value, a => a is { From: "Records", To: "Hosting" });
    }

    // The first part of the namespace below the host's own.
    private static string RoomOf(string type)
    {
        const string host = "Incisura.Web.";
        if (!type.StartsWith(host, StringComparison.Ordinal)) return "";
        string[] parts = type[host.Length..].Split('.');
        return parts.Length > 1 ? parts[0] : "";
    }
}

using System.Reflection;

namespace Incisura.Core.Tests;

/// <summary>
/// The public surface of the core stands in tests/surface/core.txt: what others may rely on changes on purpose only. `make golden` writes
/// it anew.
/// </summary>
public sealed class SurfaceTests
{
    [Fact]
    public void The_public_surface_changes_on_purpose_only()
    {
        string path = Path.Combine(GoldenTests.Folder, "..", "surface", "core.txt");
        string[] now =
            [.. typeof(Core.Calculation.IOperation).Assembly.GetExportedTypes().OrderBy(t => t.FullName, StringComparer.Ordinal).SelectMany(Lines)];
        if (Environment.GetEnvironmentVariable("INCISURA_GOLDEN") == "write")
        {
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            File.WriteAllLines(path, now);
            return;
        }

        string[] then = File.ReadAllLines(path);
        Assert.True(
            now.SequenceEqual(then),
            $"Gone: {string.Join("; ", then.Except(now).Take(20))}. New: "
                + $"{string.Join("; ", now.Except(then).Take(20))}. If it is meant, `make golden`.");
    }

    private static IEnumerable<string> Lines(Type type)
    {
        yield return type.ToString();
        const BindingFlags declared = BindingFlags.Public | BindingFlags.Instance | BindingFlags.Static | BindingFlags.DeclaredOnly;
        IEnumerable<string> members = type.GetMembers(declared)
            .Where(m => m is not MethodInfo { IsSpecialName: true } && m is not Type && !m.Name.Contains('<', StringComparison.Ordinal))
            .Select(m => $"  {m}")
            .Distinct()
            .Order(StringComparer.Ordinal);
        foreach (string member in members) yield return member;
    }
}

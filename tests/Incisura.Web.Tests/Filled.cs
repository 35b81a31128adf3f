using System.Diagnostics;

namespace Incisura.Web.Tests;

/// <summary>The demo workshop as `tests/filled.cjs` fills it, once for all runs of the same code; everybody works on a copy.</summary>
internal static class Filled
{
    private static readonly Lazy<string> Folder = new(() => Environment.GetEnvironmentVariable("INCISURA_FILLED") ?? Made());

    /// <summary>Puts a copy into a folder, which is made where there is none.</summary>
    /// <param name="folder">The folder of the database.</param>
    public static void CopyTo(string folder)
    {
        PrivateFolder.Make(folder);
        foreach (string from in Directory.EnumerateFiles(Folder.Value, "*", SearchOption.AllDirectories))
        {
            string to = Path.Combine(folder, Path.GetRelativePath(Folder.Value, from));
            PrivateFolder.Make(Path.GetDirectoryName(to)!);
            File.Copy(from, to);
        }
    }

    private static string Made()
    {
        using Process fill = Process.Start(
            new ProcessStartInfo("node", [Path.Combine(Repository.Root, "tests", "filled.cjs")]) { RedirectStandardOutput = true })!;
        string said = fill.StandardOutput.ReadToEnd().Trim();
        fill.WaitForExit();
        return fill.ExitCode == 0 ? said : throw new InvalidOperationException("tests/filled.cjs failed, see above");
    }
}

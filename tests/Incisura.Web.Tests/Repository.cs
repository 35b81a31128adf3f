namespace Incisura.Web.Tests;

/// <summary>The folder of the sources, for what is kept there and compared.</summary>
internal static class Repository
{
    public static string Root { get; } = RootOf(AppContext.BaseDirectory);

    private static string RootOf(string folder) =>
        File.Exists(Path.Combine(folder, "Incisura.slnx"))
            ? folder
            : RootOf(Path.GetDirectoryName(folder) ?? throw new DirectoryNotFoundException("Incisura.slnx"));
}

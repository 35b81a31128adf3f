namespace Incisura.Data;

/// <summary>Folders whose content is nobody's but the owner's.</summary>
public static class PrivateFolder
{
    private const UnixFileMode Owner = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;

    /// <summary>Makes a folder where there is none; one that is there keeps its rights.</summary>
    public static void Make(string path)
    {
        if (Directory.Exists(path)) return;
        if (OperatingSystem.IsWindows()) Directory.CreateDirectory(path);
        else Directory.CreateDirectory(path, Owner);
    }
}

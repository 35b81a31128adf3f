namespace Incisura.Data;

/// <summary>
/// Where keys lie: those that sign editions and those that protect sessions and second factors, each in a folder of its own, so that they can
/// be kept and copied apart. Whoever has one of them has nothing of the other.
/// </summary>
/// <param name="Editions">Folder of the key that signs editions.</param>
/// <param name="Sessions">Folder of the keys that protect sessions, second factors and links.</param>
public sealed record KeyFolders(string Editions, string Sessions)
{
    /// <summary>The folders of a database: beside it, where the settings name no others.</summary>
    public static KeyFolders Of(string database, string? editions, string? sessions)
    {
        string beside = Path.Combine(Path.GetDirectoryName(database)!, "keys");
        return new(Path.GetFullPath(editions ?? Path.Combine(beside, "editions")), Path.GetFullPath(sessions ?? Path.Combine(beside, "sessions")));
    }

    /// <summary>Makes the folders, for the server's own eyes only, and puts there what lay in one folder for both.</summary>
    public void Prepare(string database)
    {
        PrivateFolder.Make(Editions);
        PrivateFolder.Make(Sessions);
        string together = Path.Combine(Path.GetDirectoryName(database)!, "keys");
        if (!Directory.Exists(together)) return;
        foreach (string file in Directory.GetFiles(together))
            File.Move(file, Path.Combine(Path.GetExtension(file) == ".xml" ? Sessions : Editions, Path.GetFileName(file)), overwrite: false);
    }
}

namespace Incisura.Data;

/// <summary>Something that keeps the workshop from being opened, with the cure for whoever starts it.</summary>
public sealed class StartException(string message, Exception? cause = null) : Exception(message, cause);

/// <summary>The file of the database. One process holds it, by a lock on a file beside it that goes with the process however that ends.</summary>
/// <param name="path">Path of the database.</param>
public sealed class DatabaseFile(string path) : IDisposable
{
    private FileStream? held;

    /// <summary>Path of the database.</summary>
    public string Path => path;

    /// <summary>Takes the file for this process alone; makes its folder where there is none.</summary>
    /// <exception cref="StartException">Another process has it, or nothing can be written there.</exception>
    public void Hold()
    {
        try
        {
            PrivateFolder.Make(System.IO.Path.GetDirectoryName(path)!);
            held ??= new FileStream(path + ".lock", FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
            if (!File.Exists(path)) DatabaseCopy.Private(path);
        }
        catch (UnauthorizedAccessException refused)
        {
            throw new StartException(
                $"Nothing can be written to {System.IO.Path.GetDirectoryName(path)}; give the account that starts Incisura the right to, or "
                    + "choose another folder with Incisura__Database.",
                refused);
        }
        catch (IOException busy)
        {
            throw new StartException(
                $"{path} is in use: another Incisura runs on it, or nothing can be written beside it. Stop the other one first.", busy);
        }
    }

    /// <inheritdoc/>
    public void Dispose() => held?.Dispose();
}

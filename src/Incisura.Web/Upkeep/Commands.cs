using Incisura.Web.Editions;
using Incisura.Web.History;
using Microsoft.Data.Sqlite;

namespace Incisura.Web.Upkeep;

/// <summary>What can be done on the machine, beside serving: `incisura WORD …`.</summary>
public static class Commands
{
    private const string Usage = """
        incisura                                serves the workshop
        incisura check [FILE [HASH]]            reads a database, and says whether all of it is what the history wrote, and whether an entry
                                                with a hash that was noted elsewhere is still in it
        incisura verify FILE …                  checks the file of an edition and its signature
        incisura backup FILE                    copies the database, while it is in use too
        incisura restore FILE [--replace]       puts a copy in place of the database, while it is not in use
        incisura reset-password NAME            gives somebody a new password, takes their second factor away and ends their sessions
        incisura health ADDRESS                 asks a server whether it can be worked with, such as http://127.0.0.1:5080
        incisura lay-out FOLDER                 writes all editions as static files with a reader's page, for any web server
        incisura keys FOLDER                    copies the keys that sign editions and sessions; keep them apart from the database's copies
        """;

    /// <summary>Runs what the words ask for; null where they ask for no command, so that the workshop is served.</summary>
    /// <param name="words">The command line.</param>
    /// <param name="database">Path of the database, for those that need it.</param>
    /// <param name="keys">Where keys lie.</param>
    /// <param name="settings">The workshop's settings.</param>
    /// <param name="says">Takes what is said.</param>
    /// <returns>0 where it was done, 1 where something is wrong, 2 where it could not be tried.</returns>
    public static async Task<int?> RunAsync(string[] words, string database, KeyFolders keys, IConfiguration settings, TextWriter says)
    {
        try
        {
            switch (words)
            {
                case [CheckCommand.Word, .. var rest]:
                    return await CheckCommand.RunAsync(
                        Path.GetFullPath(rest is [var given, ..] ? given : database), says, rest is [_, var hash, ..] ? hash : "");
                case [VerifyCommand.Word, .. var files]:
                    return await VerifyCommand.RunAsync(files, says);
                case ["backup", var to]:
                    return await BackupAsync(database, Path.GetFullPath(to), says);
                case ["restore", var from]:
                    return await RestoreAsync(Path.GetFullPath(from), database, replace: false, says);
                case ["restore", var from, "--replace"]:
                    return await RestoreAsync(Path.GetFullPath(from), database, replace: true, says);
                case ["reset-password", var name]:
                    return await HostDoor.ResetPasswordAsync(database, name, says);
                case ["health", var address]:
                    return await HealthAsync(address, says);
                case [LayOutCommand.Word, var to]:
                    return await LayOutCommand.RunAsync(database, keys, Path.GetFullPath(to), settings, says);
                case ["keys", var to]:
                    return await CopyKeysAsync(keys, Path.GetFullPath(to), says);
                case ["help" or "--help" or "-h", ..] or ["backup" or "restore" or "reset-password" or "health" or "keys" or LayOutCommand.Word, ..]:
                    await says.WriteLineAsync(Usage);
                    return words[0].TrimStart('-') is "help" or "h" ? 0 : 2;
                case [var mistyped, ..] when !mistyped.StartsWith('-'):
                    await says.WriteLineAsync($"There is no command {mistyped}.");
                    await says.WriteLineAsync(Usage);
                    return 2;
                default:
                    return null;
            }
        }
        catch (Exception failed) when (
            failed is SqliteException or IOException or UnauthorizedAccessException or InvalidDataException or StartException)
        {
            await says.WriteLineAsync(failed.Message);
            return 2;
        }
    }

    private static async Task<int> BackupAsync(string database, string to, TextWriter says)
    {
        if (!File.Exists(database)) return await NoneAsync(database, says);
        await DatabaseCopy.MakeAsync(database, to);
        await says.WriteLineAsync(
            $"{to} is a whole and sound copy of {database}, {new FileInfo(to).Length >> 10} kB. The keys that sign editions and sessions are not in it: "
                + "copy them apart with `incisura keys FOLDER`.");
        return 0;
    }

    private static async Task<int> RestoreAsync(string from, string database, bool replace, TextWriter says)
    {
        if (!File.Exists(from)) return await NoneAsync(from, says);
        if (await DatabaseCopy.FaultAsync(from) is { } fault)
        {
            await says.WriteLineAsync($"{from} is not sound, so nothing was restored: {fault}");
            return 1;
        }

        using DatabaseFile held = new(database);
        held.Hold();
        string? aside = null;
        if (new FileInfo(database) is { Exists: true, Length: > 0 })
        {
            if (!replace)
            {
                await says.WriteLineAsync(
                    $"{database} is there already. To put the copy in its place add --replace; what is there is then kept beside it.");
                return 1;
            }

            // With what it has not written into its file yet, so that nothing of it is lost.
            aside = $"{database}.replaced-{DateTime.UtcNow:yyyyMMdd-HHmmss}";
            foreach (string end in (string[])["", "-wal", "-shm"])
                if (File.Exists(database + end)) File.Move(database + end, aside + end);
        }

        await DatabaseCopy.MakeAsync(from, database);
        await says.WriteLineAsync(
            $"{database} is what {from} was.{(aside is null ? "" : $" What was there before is {aside}.")} Keys are not part of a copy: without "
                + "the folder `keys` people sign in again, and editions are signed with a new key from now on.");
        return 0;
    }

    private static async Task<int> CopyKeysAsync(KeyFolders keys, string to, TextWriter says)
    {
        if (!Directory.Exists(keys.Editions)) return await NoneAsync(keys.Editions, says);
        foreach ((string from, string name) in new[] { (keys.Editions, "editions"), (keys.Sessions, "sessions") })
            foreach (string file in Directory.GetFiles(from))
            {
                string copy = Path.Combine(to, name, Path.GetFileName(file));
                PrivateFolder.Make(Path.GetDirectoryName(copy)!);
                DatabaseCopy.Private(copy);
                await File.WriteAllBytesAsync(copy, await File.ReadAllBytesAsync(file));
            }

        await says.WriteLineAsync(
            $"The keys are in {to}: whoever has `editions` can sign editions in this workshop's name, whoever has `sessions` can come in as "
                + "anybody. Keep them locked away, and apart.");
        return 0;
    }

    private static async Task<int> HealthAsync(string address, TextWriter says)
    {
        using HttpClient http = new() { Timeout = TimeSpan.FromSeconds(10) };
        try
        {
            using HttpResponseMessage answer = await http.GetAsync(address.TrimEnd('/') + "/health/ready");
            await says.WriteLineAsync(await answer.Content.ReadAsStringAsync());
            return answer.IsSuccessStatusCode ? 0 : 1;
        }
        catch (Exception silent) when (
            silent is HttpRequestException or OperationCanceledException or UriFormatException or InvalidOperationException)
        {
            await says.WriteLineAsync($"{address} does not answer: {silent.Message}");
            return 1;
        }
    }

    private static async Task<int> NoneAsync(string path, TextWriter says)
    {
        await says.WriteLineAsync($"There is nothing at {path}.");
        return 2;
    }
}

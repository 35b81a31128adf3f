using System.Security.Cryptography;
using Incisura.Exchange.Editions;

namespace Incisura.Web.Editions;

/// <summary>`verify FILE [--signature FILE] [--key FILE …]`: checks an edition without the server, its database or a network.</summary>
public static class VerifyCommand
{
    /// <summary>Word that calls it.</summary>
    public const string Word = "verify";

    /// <summary>Checks a file; the signature is looked for beside it as FILE.sig, and the public keys as *.pem, where none are named.</summary>
    /// <returns>0 where all is in order, 1 where something is wrong or it is not signed, 2 where a file cannot be read.</returns>
    public static async Task<int> RunAsync(IReadOnlyList<string> words, TextWriter says)
    {
        string? file = null, signature = null;
        List<string> keyFiles = [];
        for (int i = 0; i < words.Count; i++)
        {
            if (words[i] is "--signature" or "--key" && i + 1 == words.Count) return await SayAsync(2, $"{words[i]} needs a file after it.");
            if (words[i] == "--signature") signature = words[++i];
            else if (words[i] == "--key") keyFiles.Add(words[++i]);
            else if (file is null) file = words[i];
            else return await SayAsync(2, $"One edition at a time: {words[i]} is one too many.");
        }

        if (file is null) return await SayAsync(2, "Which file? verify FILE [--signature FILE] [--key FILE …]");
        try
        {
            file = Path.GetFullPath(file);
            if (keyFiles.Count == 0) keyFiles.AddRange(Directory.GetFiles(Path.GetDirectoryName(file)!, "*.pem").Order(StringComparer.Ordinal));
            signature ??= File.Exists(file + ".sig") ? file + ".sig" : null;
            List<EditionKey> keys = keyFiles.ConvertAll(f => EditionKey.Of(File.ReadAllText(f)));
            EditionVerdict verdict = EditionVerdict.Of(
                await File.ReadAllBytesAsync(file), signature is null ? null : await File.ReadAllBytesAsync(signature), keys);
            await says.WriteLineAsync($"SHA-256 {verdict.Sha256}");
            if (verdict.Edition is { } e)
                await says.WriteLineAsync(
                    $"Edition {e.Number} of {e.Workshop}, published {e.PublishedAt} by {e.PublishedBy}: {e.Records.Count} records"
                        + (e.Before is { } before ? $", after edition {before.Number} ({before.Sha256})." : "."));
            foreach (string fault in verdict.Faults) await says.WriteLineAsync(fault);
            if (verdict.Faults.Count > 0) return 1;
            if (verdict.SignedWith is not { } key)
                return await SayAsync(1, "There is no signature beside it; the digest is all that can be compared with what the workshop says.");
            return await SayAsync(0, $"Signed with key {key.Id}, and not a byte was altered since.");
        }
        catch (Exception unreadable) when (unreadable is IOException or UnauthorizedAccessException or ArgumentException or CryptographicException)
        {
            return await SayAsync(2, unreadable.Message);
        }

        async Task<int> SayAsync(int code, string sentence)
        {
            await says.WriteLineAsync(sentence);
            return code;
        }
    }
}

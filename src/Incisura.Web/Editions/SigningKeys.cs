using System.Security.Cryptography;
using Incisura.Exchange.Editions;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Editions;

/// <summary>
/// The key that editions are signed with (ECDSA P-256). Its private half lies beside the database in a file of its own, so that a copy of the
/// database alone signs nothing; the public halves of it and of all before it are in the database.
/// </summary>
public sealed class SigningKeys(string folder, TimeProvider clock)
{
    private readonly Lock gate = new();

    private string PrivateFile => Path.Combine(folder, "edition-signing-key.pem");

    /// <summary>Signs the SHA-256 of an edition's bytes.</summary>
    /// <returns>The key and the signature, DER.</returns>
    public (EditionKey Key, byte[] Signature) Sign(byte[] sha256)
    {
        using ECDsa key = Current();
        return (EditionKey.Of(key), key.SignHash(sha256, DSASignatureFormat.Rfc3279DerSequence));
    }

    /// <summary>The public half of the key that the next edition is signed with; it is made where there is none.</summary>
    public EditionKey Public()
    {
        using ECDsa key = Current();
        return EditionKey.Of(key);
    }

    /// <summary>Makes a new key in place of the one there is, whose public half stays known.</summary>
    public EditionKey Renew()
    {
        lock (gate)
        {
            using ECDsa key = Make();
            return EditionKey.Of(key);
        }
    }

    /// <summary>Sees to it that the public half of the key is known before anything signed with it is published.</summary>
    public async Task TellAsync(IncisuraDb db, string by, CancellationToken cancel = default)
    {
        EditionKey key = Public();
        if (await db.EditionKeys.AnyAsync(k => k.Id == key.Id, cancel)) return;
        db.Add(new EditionKeyRow { Id = key.Id, Pem = key.Pem, Since = clock.GetUtcNow(), By = by });
        await db.SaveChangesAsync(cancel);
    }

    private ECDsa Current()
    {
        lock (gate)
        {
            if (!File.Exists(PrivateFile)) return Make();
            ECDsa key = ECDsa.Create();
            try
            {
                key.ImportFromPem(File.ReadAllText(PrivateFile));
                return key;
            }
            catch (Exception broken) when (broken is ArgumentException or CryptographicException)
            {
                throw new Core.Records.RuleException(
                    "signing-key",
                    $"The key that editions are signed with cannot be read ({PrivateFile}). Put it back from a copy, or delete it: then a new "
                        + "one is made, and the old editions stay checkable with the old public key.");
            }
        }
    }

    // The file is there whole or not at all, for the server's own eyes only.
    private ECDsa Make()
    {
        ECDsa key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        Directory.CreateDirectory(folder);
        string written = PrivateFile + ".new";
        FileStreamOptions own = new() { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows()) own.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        using (StreamWriter file = new(written, own)) file.Write(key.ExportPkcs8PrivateKeyPem());
        File.Move(written, PrivateFile, overwrite: true);
        return key;
    }
}

using System.Security.Cryptography;
using System.Text.Json;

namespace Incisura.Exchange.Editions;

/// <summary>A public key that editions are signed with.</summary>
/// <param name="Id">First 16 hexadecimal digits of the SHA-256 of its SubjectPublicKeyInfo.</param>
/// <param name="Pem">The key, PEM.</param>
public sealed record EditionKey(string Id, string Pem)
{
    /// <summary>A public key from its PEM.</summary>
    /// <exception cref="CryptographicException">It is no elliptic-curve key.</exception>
    /// <exception cref="ArgumentException">It is no PEM.</exception>
    public static EditionKey Of(string pem)
    {
        using ECDsa key = ECDsa.Create();
        key.ImportFromPem(pem);
        return Of(key);
    }

    /// <summary>The public half of a key.</summary>
    public static EditionKey Of(ECDsa key) =>
        new(Convert.ToHexStringLower(SHA256.HashData(key.ExportSubjectPublicKeyInfo()))[..16], key.ExportSubjectPublicKeyInfoPem());

    /// <summary>Whether a signature (ECDSA P-256 over SHA-256, DER) over bytes was made with it.</summary>
    public bool Verifies(ReadOnlySpan<byte> bytes, ReadOnlySpan<byte> signature)
    {
        using ECDsa key = ECDsa.Create();
        key.ImportFromPem(Pem);
        return key.VerifyData(bytes, signature, HashAlgorithmName.SHA256, DSASignatureFormat.Rfc3279DerSequence);
    }
}

/// <summary>What came of checking an edition's bytes.</summary>
/// <param name="Sha256">SHA-256 of the bytes.</param>
/// <param name="Edition">What they say; null where they cannot be read.</param>
/// <param name="Faults">What is wrong, in words.</param>
/// <param name="SignedWith">Key whose signature fits; null for none.</param>
public sealed record EditionVerdict(string Sha256, EditionFile? Edition, IReadOnlyList<string> Faults, EditionKey? SignedWith)
{
    /// <summary>Checks an edition, with nothing but its bytes, its signature and public keys.</summary>
    /// <param name="bytes">The file.</param>
    /// <param name="signature">Its signature; null where there is none.</param>
    /// <param name="keys">Public keys that are trusted.</param>
    public static EditionVerdict Of(byte[] bytes, byte[]? signature, IReadOnlyCollection<EditionKey> keys)
    {
        List<string> faults = [];
        EditionFile? edition = null;
        try
        {
            if (!CanonicalJson.IsCanonical(bytes))
                faults.Add("The bytes are not the canonical form (RFC 8785) of what they say, so they were altered.");
            edition = EditionFile.Read<EditionFile>(bytes);
            if (edition.Schema != EditionFile.Form) faults.Add($"It has the form {edition.Schema}; this program knows {EditionFile.Form} only.");
        }
        catch (JsonException broken)
        {
            faults.Add($"It cannot be read as an edition: {broken.Message}");
        }

        EditionKey? signer = null;
        if (signature is not null)
        {
            signer = keys.FirstOrDefault(k => k.Verifies(bytes, signature));
            if (signer is null)
                faults.Add(
                    keys.Count == 0
                        ? "There is a signature, and no public key to check it with."
                        : "The signature was made with none of these keys over these bytes: the file or the signature was altered.");
        }

        return new(Convert.ToHexStringLower(SHA256.HashData(bytes)), edition, faults, signer);
    }
}

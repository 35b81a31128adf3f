using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using Incisura.Exchange.Editions;

namespace Incisura.Exchange.Tests;

/// <summary>An edition that was altered after it was signed is found, whatever was altered.</summary>
public sealed class EditionVerdictTests : IDisposable
{
    private readonly ECDsa key = ECDsa.Create(ECCurve.NamedCurves.nistP256);

    private static EditionFile Edition => new(
        EditionFile.Form, "A workshop", 2, "2026-11-26T12:00:00.000Z", "tobiah", "records\":[ and \"records\":[]", Published.UnitsStated, [])
    {
        Before = new(1, new('a', 64)),
    };

    private (byte[] Bytes, byte[] Signature) Signed(EditionFile edition)
    {
        byte[] bytes = EditionFile.Write(edition);
        return (bytes, key.SignData(bytes, HashAlgorithmName.SHA256, DSASignatureFormat.Rfc3279DerSequence));
    }

    public void Dispose() => key.Dispose();

    [Fact]
    public void What_is_as_it_was_signed_has_no_fault()
    {
        (byte[] bytes, byte[] signature) = Signed(Edition);
        EditionVerdict verdict = EditionVerdict.Of(bytes, signature, [EditionKey.Of(key)]);
        Assert.Empty(verdict.Faults);
        Assert.Equal(EditionKey.Of(key), verdict.SignedWith);
        Assert.Equal(2, verdict.Edition!.Number);
        Assert.Equal(Convert.ToHexStringLower(SHA256.HashData(bytes)), verdict.Sha256);
    }

    [Fact]
    public void Any_byte_that_is_altered_is_found()
    {
        (byte[] bytes, byte[] signature) = Signed(Edition);
        for (int i = 0; i < bytes.Length; i++)
        {
            byte[] altered = [.. bytes];
            altered[i] ^= 1;
            Assert.NotEmpty(EditionVerdict.Of(altered, signature, [EditionKey.Of(key)]).Faults);
        }

        for (int i = 0; i < signature.Length; i++)
        {
            byte[] altered = [.. signature];
            altered[i] ^= 1;
            EditionVerdict verdict = EditionVerdict.Of(bytes, altered, [EditionKey.Of(key)]);
            Assert.Null(verdict.SignedWith);
            Assert.NotEmpty(verdict.Faults);
        }
    }

    [Fact]
    public void Another_key_no_key_and_another_order_of_members_are_found()
    {
        (byte[] bytes, byte[] signature) = Signed(Edition);
        using ECDsa other = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        Assert.NotEmpty(EditionVerdict.Of(bytes, signature, [EditionKey.Of(other)]).Faults);
        Assert.Equal(EditionKey.Of(key), EditionVerdict.Of(bytes, signature, [EditionKey.Of(other), EditionKey.Of(key)]).SignedWith);
        Assert.NotEmpty(EditionVerdict.Of(bytes, signature, []).Faults);
        byte[] spaced = Encoding.UTF8.GetBytes(Encoding.UTF8.GetString(bytes).Replace("\"number\":2", "\"number\": 2", StringComparison.Ordinal));
        Assert.Contains(EditionVerdict.Of(spaced, null, []).Faults, f => f.Contains("canonical", StringComparison.Ordinal));
    }

    [Fact]
    public void A_form_of_later_years_and_what_is_no_edition_are_told_apart()
    {
        byte[] later = EditionFile.Write(Edition with { Schema = "incisura-edition/2" });
        Assert.Contains("incisura-edition/2", Assert.Single(EditionVerdict.Of(later, null, []).Faults), StringComparison.Ordinal);
        Assert.Contains("cannot be read", Assert.Single(EditionVerdict.Of("[]"u8.ToArray(), null, []).Faults), StringComparison.Ordinal);
        Assert.Null(EditionVerdict.Of("{"u8.ToArray(), null, []).Edition);
    }

    [Fact]
    public void The_schema_that_is_shipped_is_the_one_of_the_types()
    {
        string shipped = Path.Combine(AppContext.BaseDirectory, "edition.schema.json");
        Assert.True(
            JsonNode.DeepEquals(JsonNode.Parse(File.ReadAllText(shipped)), EditionSchema.Of()),
            "docs/edition.schema.json is not what the server serves under /api/v1/editions/schema; put that in its place, and give the form a "
                + "new number where earlier files would not fit.");
    }

    [Fact]
    public void The_records_stand_between_head_and_tail_whatever_the_note_says()
    {
        (byte[] head, byte[] tail) = EditionFile.Around(Edition);
        Assert.Equal(EditionFile.Write(Edition), (byte[])[.. head, .. tail]);
        Assert.EndsWith("\"records\":[", Encoding.UTF8.GetString(head), StringComparison.Ordinal);
        Assert.DoesNotContain("null", Encoding.UTF8.GetString(EditionFile.Write(Edition with { Before = null })), StringComparison.Ordinal);
    }
}

using System.Security.Cryptography;
using Incisura.Exchange.Paper;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.EntityFrameworkCore;
using OtpNet;

namespace Incisura.Web.Accounts;

/// <summary>How somebody's second factor stands.</summary>
/// <param name="On">Whether a code is asked for at sign-in.</param>
/// <param name="Needed">Whether their role needs one.</param>
/// <param name="CodesLeft">How many codes for a lost device are left.</param>
public sealed record FactorState(bool On, bool Needed, int CodesLeft);

/// <summary>What a device that shows codes has to be given.</summary>
/// <param name="Secret">The secret, base 32.</param>
/// <param name="Address">The same as an address that such devices read.</param>
/// <param name="Picture">The address as a code for a camera, SVG.</param>
public sealed record FactorSecret(string Secret, string Address, string Picture);

/// <summary>Codes for when the device is lost, shown once.</summary>
public sealed record RecoveryCodes(IReadOnlyList<string> Codes);

/// <summary>What a second factor says to somebody who comes in.</summary>
public enum FactorAnswer
{
    /// <summary>There is none.</summary>
    NotAsked,

    /// <summary>A code of it is needed.</summary>
    Missing,

    /// <summary>The code is wrong, or was used.</summary>
    Wrong,

    /// <summary>The code is right.</summary>
    Right,
}

/// <summary>Second factors by time codes (RFC 6238), with codes for when the device is lost.</summary>
public sealed class SecondFactor(IDataProtectionProvider protection, TimeProvider clock)
{
    private const int SecretBytes = 20, Codes = 10, GroupsOfCode = 2, SecondsOfStep = 30;

    private readonly IDataProtector protector = protection.CreateProtector("Incisura.SecondFactor");

    /// <summary>How it stands.</summary>
    public static async Task<FactorState> StateAsync(IncisuraDb db, string personId, bool needed)
    {
        SecondFactorRow? row = await db.SecondFactors.AsNoTracking().FirstOrDefaultAsync(f => f.PersonId == personId && f.Confirmed);
        return new(row is not null, needed, row is null ? 0 : Hashes(row).Length);
    }

    /// <summary>Begins one: a new secret, which asks for nothing before a code of it was given.</summary>
    public async Task<FactorSecret> BeginAsync(IncisuraDb db, Person person)
    {
        byte[] secret = RandomNumberGenerator.GetBytes(SecretBytes);
        await db.SecondFactors.Where(f => f.PersonId == person.Id).ExecuteDeleteAsync();
        db.Add(new SecondFactorRow { PersonId = person.Id, Secret = protector.Protect(Base32Encoding.ToString(secret)) });
        await db.SaveChangesAsync();
        string address = new OtpUri(OtpType.Totp, secret, person.UserName!, "Incisura").ToString();
        return new(Base32Encoding.ToString(secret), address, CodePicture.Svg(address));
    }

    /// <summary>Ends the beginning with a code; null where the code is wrong.</summary>
    public async Task<RecoveryCodes?> ConfirmAsync(IncisuraDb db, Person person, string code)
    {
        SecondFactorRow? row = await db.SecondFactors.FirstOrDefaultAsync(f => f.PersonId == person.Id && !f.Confirmed);
        if (row is null || !Takes(row, code)) return null;
        string[] codes = [.. Enumerable.Range(0, Codes).Select(_ => SpokenCode.Make(GroupsOfCode))];
        (row.Confirmed, row.Recovery) = (true, string.Join(' ', codes.Select(HashOf)));
        await db.SaveChangesAsync();
        return new(codes);
    }

    /// <summary>Whether somebody may come in with a code, as far as a second factor goes; a code is taken once.</summary>
    public async Task<FactorAnswer> LetsInAsync(IncisuraDb db, Person person, string code)
    {
        SecondFactorRow? row = await db.SecondFactors.FirstOrDefaultAsync(f => f.PersonId == person.Id && f.Confirmed);
        if (row is null) return FactorAnswer.NotAsked;
        if (code.Length == 0) return FactorAnswer.Missing;
        if (!Takes(row, code) && !TakesRecovery(row, code)) return FactorAnswer.Wrong;
        await db.SaveChangesAsync();
        return FactorAnswer.Right;
    }

    /// <summary>Takes it away.</summary>
    public static Task<int> RemoveAsync(IncisuraDb db, string personId) => db.SecondFactors.Where(f => f.PersonId == personId).ExecuteDeleteAsync();

    private bool Takes(SecondFactorRow row, string code)
    {
        string secret;
        try
        {
            secret = protector.Unprotect(row.Secret);
        }
        catch (CryptographicException)
        {
            // The keys beside the database are others: an administrator, or the machine, takes it away.
            return false;
        }

        Totp totp = new(Base32Encoding.ToBytes(secret));
        string digits = code.Replace(" ", "", StringComparison.Ordinal);
        DateTimeOffset now = clock.GetUtcNow();
        bool right = totp.VerifyTotp(now.UtcDateTime, digits, out long step, new VerificationWindow(1, 1));

        // One taken of a time to come was taken before the clock was put back; waiting for it would keep somebody out for as long.
        bool taken = step <= row.LastStep && row.LastStep <= now.ToUnixTimeSeconds() / SecondsOfStep + 1;
        if (!right || taken) return false;
        row.LastStep = step;
        return true;
    }

    private static bool TakesRecovery(SecondFactorRow row, string code)
    {
        string hash = HashOf(code);
        string[] hashes = Hashes(row);
        if (!hashes.Contains(hash)) return false;
        row.Recovery = string.Join(' ', hashes.Where(h => h != hash));
        return true;
    }

    private static string[] Hashes(SecondFactorRow row) => row.Recovery.Split(' ', StringSplitOptions.RemoveEmptyEntries);

    // However it is typed.
    private static string HashOf(string code) => EditionStore.Sha256(
        System.Text.Encoding.UTF8.GetBytes(code.Trim().ToLowerInvariant().Replace("-", "", StringComparison.Ordinal)));
}

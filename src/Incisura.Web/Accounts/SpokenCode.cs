using System.Security.Cryptography;

namespace Incisura.Web.Accounts;

/// <summary>Random codes that are read out or written down: letters and digits that nobody takes for others, in groups.</summary>
public static class SpokenCode
{
    private const string Letters = "abcdefghjkmnpqrstuvwxyz23456789";

    private const int Group = 5;

    /// <summary>Makes one, its groups parted by dashes.</summary>
    public static string Make(int groups) =>
        string.Join('-', Enumerable.Range(0, groups).Select(_ => RandomNumberGenerator.GetString(Letters, Group)));
}

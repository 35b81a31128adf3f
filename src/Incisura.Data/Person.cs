using Microsoft.AspNetCore.Identity;

namespace Incisura.Data;

/// <summary>Somebody who signs in.</summary>
public sealed class Person : IdentityUser
{
    /// <summary>Until when a closed account is locked: for good, as far as the file can say it.</summary>
    public static readonly DateTimeOffset ForGood = new(9999, 1, 1, 0, 0, 0, TimeSpan.Zero);

    /// <summary>Whether the person may sign in no more.</summary>
    public static bool IsClosed(DateTimeOffset? lockoutEnd) => lockoutEnd >= ForGood;

    /// <summary>Name shown to others.</summary>
    public string FullName { get; set; } = "";
}

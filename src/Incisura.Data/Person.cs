using Incisura.Core.Records;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

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

    /// <summary>Whether the password is good for once: whoever signs in with it gives one of their own.</summary>
    public bool PasswordOnce { get; set; }

    /// <summary>Whether the workshop's provider of identity may say that somebody is this person, who has not come in through it yet.</summary>
    public bool ByProvider { get; set; }

    /// <summary>Sign-in names of those who have a role and may sign in.</summary>
    public static async Task<IReadOnlyList<string>> NamesAsync(IncisuraDb db, Role role) =>
        await (from p in db.Users
               join ur in db.UserRoles on p.Id equals ur.UserId
               join r in db.Roles on ur.RoleId equals r.Id
               where r.Name == role.ToString() && (p.LockoutEnd == null || p.LockoutEnd < ForGood)
               orderby p.UserName
               select p.UserName!).ToListAsync();
}

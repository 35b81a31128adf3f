using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Identity;

namespace Incisura.Web.Accounts;

/// <summary>A link with which somebody gives a password of their own, once.</summary>
/// <param name="Name">Sign-in name of who it is for.</param>
/// <param name="Link">The link; what opens the door stands behind its #, which browsers send to nobody.</param>
/// <param name="Until">Until when it can be used.</param>
public sealed record Invitation(string Name, string Link, DateTimeOffset Until);

/// <summary>What somebody gives who follows such a link.</summary>
/// <param name="Name">Sign-in name, from the link.</param>
/// <param name="Code">What opens the door, from the link.</param>
/// <param name="Password">The password they chose.</param>
public sealed record Joined(string Name, string Code, string Password);

/// <summary>How somebody new, or who lost their password, comes in: by a link, so that nobody else ever knows their password.</summary>
public static class Joining
{
    /// <summary>How long a link can be used.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromDays(3);

    private const string UsedUp = "This link was used already, is too old, or was replaced by a newer one; ask the administrator for another.";

    /// <summary>Makes a link; those made before for the same person open nothing from then on.</summary>
    public static async Task<Invitation> InviteAsync(UserManager<Person> people, Person person, HttpContext context, TimeProvider clock)
    {
        Account.Demand(await people.UpdateSecurityStampAsync(person));
        string code = await people.GeneratePasswordResetTokenAsync(person);
        string link = $"{Transport.AddressOf(context.Request)}/join#name={Uri.EscapeDataString(person.UserName!)}&code={Uri.EscapeDataString(code)}";
        return new(person.UserName!, link, clock.GetUtcNow() + Lasts);
    }

    /// <summary>Maps where the link leads.</summary>
    public static void MapJoining(this RouteGroupBuilder session) => session.MapPost("/joining", async (
        Joined joined, IncisuraDb db, HttpContext context, UserManager<Person> people, SignInGuard guard, TimeProvider clock) =>
    {
        if (!guard.MayTry(joined.Name, context)) throw Account.Wrong("code", SignInGuard.TooMany);
        Person? person = await people.FindByNameAsync(joined.Name);
        if (person is null || Person.IsClosed(person.LockoutEnd) || !await people.VerifyUserTokenAsync(
            person, people.Options.Tokens.PasswordResetTokenProvider, UserManager<Person>.ResetPasswordTokenPurpose, joined.Code))
        {
            guard.Wrong(joined.Name, context);
            throw Account.Wrong("code", UsedUp);
        }

        await using var transaction = await db.Database.BeginTransactionAsync();
        await Account.SetPasswordAsync(people, person, joined.Password);
        await SessionStore.EndAllAsync(db, person.Id);
        await Account.TellAsync(db, person, Chronicle.NewPassword, person.UserName!, clock.GetUtcNow());
        await transaction.CommitAsync();
        return TypedResults.NoContent();
    }).RequireRateLimiting(SessionEndpoints.SignInLimit);
}

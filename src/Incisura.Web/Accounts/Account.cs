using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Mail;
using Microsoft.AspNetCore.Identity;

namespace Incisura.Web.Accounts;

/// <summary>What is done to accounts, wherever it is asked for, with what is told of it.</summary>
public static class Account
{
    /// <summary>A field of an account that changed; a value that says who somebody is stays out of the history, which is kept for ever.</summary>
    /// <param name="Name">The field.</param>
    /// <param name="From">Its value before; null for none.</param>
    /// <param name="To">Its value now.</param>
    /// <param name="OwnData">Whether only that it changed is told.</param>
    public sealed record Field(string Name, string? From, string To, bool OwnData = false)
    {
        internal FieldDifference Told => OwnData ? new(Name, null, Json("changed")) : new(Name, Json(From), Json(To));

        private static string? Json(string? value) => value is null ? null : System.Text.Json.JsonSerializer.Serialize(value);
    }

    /// <summary>Writes a change of an account into the history, and tells the person by mail; what stays the same is left out.</summary>
    /// <param name="db">The database; it is saved.</param>
    /// <param name="person">Whose account.</param>
    /// <param name="act">What was done, as a code.</param>
    /// <param name="by">Who did it.</param>
    /// <param name="now">When.</param>
    /// <param name="fields">What may have changed.</param>
    public static async Task TellAsync(
        IncisuraDb db, Person person, string act, string by, DateTimeOffset now, params IReadOnlyList<Field> fields)
    {
        Field[] changed = [.. fields.Where(f => f.From != f.To)];
        await Chronicle.AppendAsync(
            db,
            [
                new(now, by, Chronicle.PersonKind, 0, person.UserName!, act)
                {
                    Differences = [.. changed.Select(f => f.Told)],
                    Content = await Chronicle.ContentOfAsync(db, person),
                },
            ]);
        Letters.TellAccount(db, person, act, by, [.. changed.Select(f => f.Name)], now);
        await db.SaveChangesAsync();
    }

    /// <summary>The same, done by who calls.</summary>
    public static Task TellAsync(
        IncisuraDb db, Person person, string act, HttpContext context, TimeProvider clock, params IReadOnlyList<Field> fields) =>
        TellAsync(db, person, act, context.User.Actor().Name, clock.GetUtcNow(), fields);

    /// <summary>Gives a person another password.</summary>
    /// <exception cref="InputException">It is not acceptable; the one until now stays.</exception>
    public static async Task SetPasswordAsync(UserManager<Person> people, Person person, string password)
    {
        foreach (IPasswordValidator<Person> validator in people.PasswordValidators) Demand(await validator.ValidateAsync(people, person, password));
        (person.PasswordHash, person.PasswordOnce) = (people.PasswordHasher.HashPassword(person, password), false);
        Demand(await people.UpdateSecurityStampAsync(person));
    }

    /// <summary>What a person may do.</summary>
    public static async Task<Role> RoleOfAsync(UserManager<Person> people, Person person) =>
        await people.GetRolesAsync(person) is [var role, ..] ? Enum.Parse<Role>(role) : Role.Reader;

    /// <summary>Adds a person with a role.</summary>
    /// <param name="people">The people.</param>
    /// <param name="person">Who.</param>
    /// <param name="password">Their password; null for somebody who gives one themself, by a link.</param>
    /// <exception cref="InputException">Name or password is not acceptable.</exception>
    public static async Task<Person> AddAsync(UserManager<Person> people, NewPerson person, string? password = null)
    {
        Check(
            new InputCheck().Named("name", "The sign-in name", person.Name, 60).Holds(
                string.IsNullOrWhiteSpace(person.Name) || person.Name.Any(char.IsAsciiLetterOrDigit), "name", double.NaN,
                "A sign-in name needs a letter or a digit; choose one such as ines or i.varga."),
            person.FullName, person.Role);
        Person row = new() { UserName = person.Name!.Trim(), FullName = person.FullName.Trim(), ByProvider = person.ByProvider };
        Demand(await (password is null ? people.CreateAsync(row) : people.CreateAsync(row, password)));
        Demand(await people.AddToRoleAsync(row, person.Role.ToString()));
        return row;
    }

    /// <summary>Checks what an administrator says of somebody.</summary>
    public static void Check(InputCheck check, string fullName, Role role) => check
        .Named("fullName", "The full name", fullName)
        .Holds(Enum.IsDefined(role), "role", double.NaN, "The role is unknown; choose reader, engineer, approver or administrator.")
        .ThrowIfAny();

    /// <summary>Refuses what was not done.</summary>
    /// <exception cref="InputException">It was not.</exception>
    public static void Demand(IdentityResult result)
    {
        if (result.Succeeded) return;
        throw new InputException(
            [.. result.Errors.Select(
                e =>
                    new InputFault(
                        e.Code.StartsWith("Password", StringComparison.Ordinal) ? "password" : "name", double.NaN, double.NaN, double.NaN,
                        SentenceOf(e)))]);
    }

    /// <summary>One wrong field.</summary>
    public static InputException Wrong(string field, string sentence) => new([new(field, double.NaN, double.NaN, double.NaN, sentence)]);

    private static string SentenceOf(IdentityError error) => error.Code switch
    {
        nameof(IdentityErrorDescriber.InvalidUserName) =>
            "A sign-in name has letters, digits and . - _ @ + only, and no space; choose one such as ines or i.varga.",
        nameof(IdentityErrorDescriber.DuplicateUserName) => "Somebody has this sign-in name already, or had it; choose another.",
        nameof(IdentityErrorDescriber.PasswordTooShort) =>
            "The password is too short; give at least 12 characters, a few words in a row are easily remembered.",
        _ => error.Description,
    };
}

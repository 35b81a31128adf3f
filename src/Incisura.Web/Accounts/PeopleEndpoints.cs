using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Accounts;

/// <summary>Somebody new.</summary>
public sealed record NewPerson(string Name, string FullName, Role Role, string Password);

/// <summary>People as the administrator sees them.</summary>
/// <param name="Name">Sign-in name.</param>
/// <param name="FullName">Name shown to others.</param>
/// <param name="Role">What they may do.</param>
/// <param name="Disabled">Whether they may sign in no more.</param>
/// <param name="HasFactor">Whether they have a second factor.</param>
public sealed record PersonView(string Name, string FullName, Role Role, bool Disabled, bool HasFactor);

/// <summary>What an administrator changes of somebody.</summary>
public sealed record PersonChange(string FullName, Role Role, bool Disabled);

/// <summary>A password that an administrator gives somebody who lost theirs.</summary>
public sealed record PasswordReset(string Password);

/// <summary>The administrator's list of people.</summary>
public static class PeopleEndpoints
{
    public static void MapPeople(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/people").WithTags("people").RequireAuthorization(Access.Administrators);
        group.MapGet("/", async (IncisuraDb db) =>
        {
            var rows = await (from p in db.Users
                              join ur in db.UserRoles on p.Id equals ur.UserId
                              join r in db.Roles on ur.RoleId equals r.Id
                              orderby p.UserName
                              select new
                              {
                                  p.UserName,
                                  p.FullName,
                                  Role = r.Name,
                                  p.LockoutEnd,
                                  HasFactor = db.SecondFactors.Any(f => f.PersonId == p.Id && f.Confirmed),
                              }).ToListAsync();
            return rows.ConvertAll(
                r => new PersonView(r.UserName!, r.FullName, Enum.Parse<Role>(r.Role!), Person.IsClosed(r.LockoutEnd), r.HasFactor));
        });
        group.MapPost("/", async (NewPerson person, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            await using var transaction = await db.Database.BeginTransactionAsync();
            Person added = await AddAsync(people, person);
            await TellAsync(db, added, Chronicle.Added, context, clock, ("fullName", null, added.FullName), ("role", null, person.Role.ToString()));
            await transaction.CommitAsync();
            return TypedResults.Created(
                $"/api/v1/people/{Uri.EscapeDataString(added.UserName!)}",
                new PersonView(added.UserName!, added.FullName, person.Role, false, false));
        });
        group.MapPut("/{name}", async (
            string name, PersonChange change, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            Person person = await FindAsync(people, name);
            Role before = await RoleOfAsync(people, person);
            Check(new(), change.FullName, change.Role);
            bool steps = before == Role.Administrator && (change.Role != Role.Administrator || change.Disabled);
            if (steps && person.UserName == context.User.Actor().Name)
                throw new RuleException("own-account", "Nobody takes the administrator's rights from themselves; ask another administrator.");
            await using var transaction = await db.Database.BeginTransactionAsync();
            await TellAsync(
                db, person, Chronicle.Changed, context, clock, ("fullName", person.FullName, change.FullName.Trim()),
                ("role", before.ToString(), change.Role.ToString()),
                ("closed", Word(Person.IsClosed(person.LockoutEnd)), Word(change.Disabled)));
            person.FullName = change.FullName.Trim();
            person.LockoutEnd = change.Disabled ? Person.ForGood : null;
            Demand(await people.UpdateAsync(person));
            if (before != change.Role)
            {
                Demand(await people.RemoveFromRolesAsync(person, await people.GetRolesAsync(person)));
                Demand(await people.AddToRoleAsync(person, change.Role.ToString()));
            }

            // What somebody may do counts from now on, wherever they are signed in.
            if (change.Disabled || before != change.Role) await SessionStore.EndAllAsync(db, person.Id);
            await transaction.CommitAsync();
            return new PersonView(
                person.UserName!, person.FullName, change.Role, change.Disabled, (await SecondFactor.StateAsync(db, person.Id, false)).On);
        });
        group.MapPost("/{name}/password", async (
            string name, PasswordReset reset, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            Person person = await FindAsync(people, name);
            await using var transaction = await db.Database.BeginTransactionAsync();
            await SetPasswordAsync(people, person, reset.Password);
            await SessionStore.EndAllAsync(db, person.Id);
            await TellAsync(db, person, NewPassword, context, clock);
            await transaction.CommitAsync();
            return TypedResults.NoContent();
        });
        group.MapDelete("/{name}/factor", async (string name, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            Person person = await FindAsync(people, name);
            await using var transaction = await db.Database.BeginTransactionAsync();
            await SecondFactor.RemoveAsync(db, person.Id);
            await SessionStore.EndAllAsync(db, person.Id);
            await TellAsync(db, person, Chronicle.FactorRemoved, context, clock);
            await transaction.CommitAsync();
            return TypedResults.NoContent();
        });
    }

    /// <summary>Writes a change of a person into the history; what stays the same is left out.</summary>
    internal static Task TellAsync(
        IncisuraDb db, Person person, string act, HttpContext context, TimeProvider clock,
        params IReadOnlyList<(string Field, string? From, string To)> fields) => Chronicle.AppendAsync(
            db,
            [
                new(clock.GetUtcNow(), context.User.Actor().Name, Chronicle.PersonKind, 0, person.UserName!, act)
                {
                    Differences =
                    [
                        .. fields.Where(f => f.From != f.To)
                            .Select(f => new FieldDifference(f.Field, Json(f.From), Json(f.To))),
                    ],
                },
            ]);

    /// <summary>Act of giving a password.</summary>
    internal const string NewPassword = "newPassword";

    private static string Word(bool yes) => yes ? "yes" : "no";

    private static string? Json(string? value) => value is null ? null : System.Text.Json.JsonSerializer.Serialize(value);

    /// <summary>Gives a person another password.</summary>
    /// <exception cref="InputException">It is not acceptable; the one until now stays.</exception>
    public static async Task SetPasswordAsync(UserManager<Person> people, Person person, string password)
    {
        foreach (IPasswordValidator<Person> validator in people.PasswordValidators) Demand(await validator.ValidateAsync(people, person, password));
        person.PasswordHash = people.PasswordHasher.HashPassword(person, password);
        Demand(await people.UpdateSecurityStampAsync(person));
    }

    /// <summary>Sign-in names of those who have a role and may sign in.</summary>
    public static async Task<IReadOnlyList<string>> NamesAsync(IncisuraDb db, Role role) =>
        await (from p in db.Users
               join ur in db.UserRoles on p.Id equals ur.UserId
               join r in db.Roles on ur.RoleId equals r.Id
               where r.Name == role.ToString() && (p.LockoutEnd == null || p.LockoutEnd < Person.ForGood)
               orderby p.UserName
               select p.UserName!).ToListAsync();

    /// <summary>What a person may do.</summary>
    public static async Task<Role> RoleOfAsync(UserManager<Person> people, Person person) =>
        await people.GetRolesAsync(person) is [var role, ..] ? Enum.Parse<Role>(role) : Role.Reader;

    private static async Task<Person> FindAsync(UserManager<Person> people, string name) =>
        await people.FindByNameAsync(name) ?? throw new MissingException($"There is nobody named {name}; choose somebody from the list.");

    /// <summary>Adds a person with a role.</summary>
    /// <exception cref="InputException">Name or password is not acceptable.</exception>
    public static async Task<Person> AddAsync(UserManager<Person> people, NewPerson person)
    {
        Check(new InputCheck().Named("name", "The sign-in name", person.Name, 60), person.FullName, person.Role);
        Person row = new() { UserName = person.Name.Trim(), FullName = person.FullName.Trim() };
        Demand(await people.CreateAsync(row, person.Password ?? ""));
        Demand(await people.AddToRoleAsync(row, person.Role.ToString()));
        return row;
    }

    private static void Check(InputCheck check, string fullName, Role role) => check
        .Named("fullName", "The full name", fullName)
        .Holds(Enum.IsDefined(role), "role", double.NaN, "The role is unknown; choose reader, engineer, approver or administrator.")
        .ThrowIfAny();

    private static string SentenceOf(IdentityError error) => error.Code switch
    {
        nameof(IdentityErrorDescriber.InvalidUserName) =>
            "A sign-in name has letters, digits and . - _ @ + only, and no space; choose one such as ines or i.varga.",
        nameof(IdentityErrorDescriber.DuplicateUserName) => "Somebody has this sign-in name already; choose another.",
        nameof(IdentityErrorDescriber.PasswordTooShort) =>
            "The password is too short; give at least 12 characters, a few words in a row are easily remembered.",
        _ => error.Description,
    };

    private static void Demand(IdentityResult result)
    {
        if (result.Succeeded) return;
        throw new InputException(
            [.. result.Errors.Select(
                e =>
                    new InputFault(
                        e.Code.StartsWith("Password", StringComparison.Ordinal) ? "password" : "name", double.NaN, double.NaN, double.NaN,
                        SentenceOf(e)))]);
    }
}

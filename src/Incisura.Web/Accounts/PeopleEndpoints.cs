using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Accounts;

/// <summary>Somebody new.</summary>
/// <param name="Name">Sign-in name.</param>
/// <param name="FullName">Name shown to others.</param>
/// <param name="Role">What they may do.</param>
/// <param name="ByProvider">Whether they may come in through the workshop's provider of identity, which has the same name of them.</param>
public sealed record NewPerson(string Name, string FullName, Role Role, bool ByProvider = false);

/// <summary>How somebody's account stands.</summary>
public enum AccountState
{
    /// <summary>They were given a link and have not used it.</summary>
    Invited,

    /// <summary>They may sign in.</summary>
    Open,

    /// <summary>They may sign in no more.</summary>
    Closed,

    /// <summary>Closed, and what told who they were is removed.</summary>
    Removed,
}

/// <summary>People as the administrator sees them.</summary>
/// <param name="Name">Sign-in name.</param>
/// <param name="FullName">Name shown to others; empty where it was removed.</param>
/// <param name="Role">What they may do.</param>
/// <param name="Stands">How the account stands.</param>
/// <param name="HasFactor">Whether they have a second factor.</param>
/// <param name="ByProvider">Whether they may come in through the provider of identity.</param>
public sealed record PersonView(string Name, string FullName, Role Role, AccountState Stands, bool HasFactor, bool ByProvider);

/// <summary>What an administrator changes of somebody.</summary>
/// <param name="FullName">Name shown to others.</param>
/// <param name="Role">What they may do.</param>
/// <param name="Disabled">Whether the account is closed.</param>
/// <param name="ByProvider">Whether they may come in through the provider of identity; null leaves it.</param>
public sealed record PersonChange(string FullName, Role Role, bool Disabled, bool? ByProvider = null);

/// <summary>The administrator's list of people.</summary>
public static class PeopleEndpoints
{
    public static void MapPeople(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/people").WithTags("people").RequireAuthorization(Access.Administrators);
        group.MapGet("/", async (IncisuraDb db, CancellationToken cancel) =>
        {
            var rows = await (from p in db.Users.AsNoTracking()
                              join ur in db.UserRoles on p.Id equals ur.UserId
                              join r in db.Roles on ur.RoleId equals r.Id
                              orderby p.UserName
                              select new
                              {
                                  Person = p,
                                  Role = r.Name,
                                  HasFactor = db.SecondFactors.Any(f => f.PersonId == p.Id && f.Confirmed),
                                  Elsewhere = db.UserLogins.Any(l => l.UserId == p.Id),
                              }).ToListAsync(cancel);
            return rows.ConvertAll(
                r => new PersonView(
                    r.Person.UserName!, r.Person.FullName, Enum.Parse<Role>(r.Role!), StateOf(r.Person, r.Elsewhere), r.HasFactor,
                    r.Person.ByProvider));
        });
        group.MapPost("/", async (NewPerson person, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            await using var transaction = await db.Database.BeginTransactionAsync();
            Person added = await Account.AddAsync(people, person);
            await Account.TellAsync(db, added, Chronicle.Added, context, clock, new Account.Field("role", null, person.Role.ToString()));
            Invitation link = await Joining.InviteAsync(people, added, context, clock);
            await transaction.CommitAsync();
            return TypedResults.Created($"/api/v1/people/{Uri.EscapeDataString(added.UserName!)}", link);
        });
        group.MapPut("/{name}", async (
            string name, PersonChange change, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            Person person = await FindAsync(people, name);
            Role before = await Account.RoleOfAsync(people, person);
            Account.Check(new(), change.FullName, change.Role);
            bool steps = before == Role.Administrator && (change.Role != Role.Administrator || change.Disabled);
            if (steps && person.UserName == context.User.Actor().Name)
                throw new RuleException("own-account", "Nobody takes the administrator's rights from themselves; ask another administrator.");
            await using var transaction = await db.Database.BeginTransactionAsync();
            string fullName = person.FullName, closed = Word(Person.IsClosed(person.LockoutEnd)), elsewhere = Word(person.ByProvider);
            person.FullName = change.FullName.Trim();
            person.ByProvider = change.ByProvider ?? person.ByProvider;
            person.LockoutEnd = change.Disabled ? Person.ForGood : null;
            Account.Demand(await people.UpdateAsync(person));
            if (before != change.Role)
            {
                Account.Demand(await people.RemoveFromRolesAsync(person, await people.GetRolesAsync(person)));
                Account.Demand(await people.AddToRoleAsync(person, change.Role.ToString()));
            }

            // Who is to come in through the provider no more is known there no more.
            if (change.ByProvider == false)
                foreach (UserLoginInfo login in await people.GetLoginsAsync(person))
                    Account.Demand(await people.RemoveLoginAsync(person, login.LoginProvider, login.ProviderKey));

            // What somebody may do counts from now on, wherever they are signed in.
            if (change.Disabled || before != change.Role) await SessionStore.EndAllAsync(db, person.Id);
            await Account.TellAsync(
                db, person, Chronicle.Changed, context, clock, new("fullName", fullName, person.FullName, OwnData: true),
                new("role", before.ToString(), change.Role.ToString()), new("closed", closed, Word(change.Disabled)),
                new("byProvider", elsewhere, Word(person.ByProvider)));
            await transaction.CommitAsync();
            return new PersonView(
                person.UserName!, person.FullName, change.Role, StateOf(person, (await people.GetLoginsAsync(person)).Count > 0),
                (await SecondFactor.StateAsync(db, person.Id, false)).On, person.ByProvider);
        });
        group.MapDelete("/{name}", async (string name, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            await PersonData.RemoveAsync(db, people, await FindAsync(people, name), context, clock);
            return TypedResults.NoContent();
        });
        group.MapGet("/{name}/data", async (string name, IncisuraDb db, UserManager<Person> people, CancellationToken cancel) =>
            await PersonData.FileAsync(db, people, await FindAsync(people, name), cancel)).Produces<byte[]>().TellsWhoTakesIt();
        group.MapPost("/{name}/link", async (string name, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            Person person = await FindAsync(people, name);
            if (Person.IsClosed(person.LockoutEnd))
                throw new RuleException("closed-account", "This account is closed; open it again first, then make a link.");
            await using var transaction = await db.Database.BeginTransactionAsync();
            Invitation link = await Joining.InviteAsync(people, person, context, clock);
            await Account.TellAsync(db, person, Chronicle.Invited, context, clock);
            await transaction.CommitAsync();
            return link;
        });
        group.MapDelete("/{name}/factor", async (string name, HttpContext context, IncisuraDb db, UserManager<Person> people, TimeProvider clock) =>
        {
            Person person = await FindAsync(people, name);
            await using var transaction = await db.Database.BeginTransactionAsync();
            await SecondFactor.RemoveAsync(db, person.Id);
            await SessionStore.EndAllAsync(db, person.Id);
            await Account.TellAsync(db, person, Chronicle.FactorRemoved, context, clock);
            await transaction.CommitAsync();
            return TypedResults.NoContent();
        });
    }

    private static AccountState StateOf(Person person, bool elsewhere) => Person.IsClosed(person.LockoutEnd)
        ? person.FullName.Length == 0 ? AccountState.Removed : AccountState.Closed
        : person.PasswordHash is null && !elsewhere ? AccountState.Invited : AccountState.Open;

    private static string Word(bool yes) => yes ? "yes" : "no";

    // Somebody whose data was removed is nobody any more.
    private static async Task<Person> FindAsync(UserManager<Person> people, string name) =>
        await people.FindByNameAsync(name) is { FullName.Length: > 0 } person
            ? person
            : throw new MissingException($"There is nobody named {name}; choose somebody from the list.");
}

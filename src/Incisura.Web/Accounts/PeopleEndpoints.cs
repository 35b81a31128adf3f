using Incisura.Core.Calculation;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Accounts;

/// <summary>Somebody new.</summary>
public sealed record NewPerson(string Name, string FullName, Role Role, string Password);

/// <summary>People as the administrator sees them.</summary>
public sealed record PersonView(string Name, string FullName, Role Role);

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
                              select new { p.UserName, p.FullName, Role = r.Name }).ToListAsync();
            return rows.ConvertAll(r => new PersonView(r.UserName!, r.FullName, Enum.Parse<Role>(r.Role!)));
        });
        group.MapPost("/", async (NewPerson person, UserManager<Person> people) =>
        {
            await AddAsync(people, person);
            return TypedResults.Created($"/api/v1/people/{person.Name}", new PersonView(person.Name, person.FullName, person.Role));
        });
    }

    /// <summary>Adds a person with a role.</summary>
    /// <exception cref="InputException">Name or password is not acceptable.</exception>
    public static async Task AddAsync(UserManager<Person> people, NewPerson person)
    {
        new InputCheck().Named("name", "The sign-in name", person.Name, 60).Named("fullName", "The full name", person.FullName)
            .Holds(Enum.IsDefined(person.Role), "role", double.NaN, "The role is unknown; choose reader, engineer, approver or administrator.").ThrowIfAny();
        Person row = new() { UserName = person.Name.Trim(), FullName = person.FullName.Trim() };
        Demand(await people.CreateAsync(row, person.Password ?? ""));
        Demand(await people.AddToRoleAsync(row, person.Role.ToString()));
    }

    private static void Demand(IdentityResult result)
    {
        if (result.Succeeded) return;
        throw new InputException([.. result.Errors.Select(e => new InputFault(e.Code.StartsWith("Password", StringComparison.Ordinal) ? "password" : "name", double.NaN, double.NaN, double.NaN, e.Description))]);
    }
}

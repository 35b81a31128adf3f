using System.Security.Claims;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Identity;

namespace Incisura.Web.Accounts;

/// <summary>Who is signed in.</summary>
/// <param name="Name">Sign-in name.</param>
/// <param name="FullName">Name shown to others.</param>
/// <param name="Role">What they may do now.</param>
/// <param name="InPlaceOf">Absent approver they stand in for; empty for nobody.</param>
public sealed record SessionView(string Name, string FullName, Role Role, string InPlaceOf);

/// <summary>Name and password of somebody who signs in.</summary>
/// <param name="Name">Sign-in name.</param>
/// <param name="Password">Password.</param>
/// <param name="Code">Code of the second factor, or one for a lost device, where it is asked for.</param>
/// <param name="Next">A password of their own, where the one given is good for once.</param>
public sealed record SignIn(string Name, string Password, string Code = "", string Next = "");

/// <summary>What the sign-in page needs before anybody is signed in.</summary>
/// <param name="Demo">Whether this is the demo.</param>
/// <param name="People">Who is one click away in it.</param>
/// <param name="Provider">What people call the workshop's provider of identity; empty where there is none.</param>
public sealed record Welcome(bool Demo, IReadOnlyList<DemoPerson> People, string Provider);

/// <summary>Signing in and out. Demo people are one click away in the demo only.</summary>
public static class SessionEndpoints
{
    public const string SignInLimit = "sign-in";

    private const string CodeNeeded = "code-needed", PasswordNeeded = "password-needed";

    private const string WrongPair = "Name and password do not fit together; check both and try again.";

    public static void MapSession(this IEndpointRouteBuilder api, bool demo)
    {
        RouteGroupBuilder session = api.MapGroup("/session").WithTags("session").AllowAnonymous();

        string provider = Provider.NameOf(api.ServiceProvider.GetRequiredService<IConfiguration>());
        session.MapGet("/welcome", () => new Welcome(demo, demo ? DemoPeople.All : [], provider));

        session.MapGet("/", async (ClaimsPrincipal user, UserManager<Person> people, SignInManager<Person> manager, StandIn standIn) =>
            await people.GetUserAsync(user) is { } person ? Results.Ok(await ViewOf(person, manager, standIn)) : Results.NoContent())
            .Produces<SessionView>().Produces(StatusCodes.Status204NoContent);

        session.MapPost("/", async (
            SignIn signIn, HttpContext context, IncisuraDb db, SignInManager<Person> manager, UserManager<Person> people, SignInGuard guard,
            SecondFactor factor, SessionStore sessions, StandIn standIn, TimeProvider clock) =>
        {
            (string name, string password) = (signIn.Name ?? "", signIn.Password ?? "");
            using IDisposable turn = await guard.TurnAsync(context);
            if (!guard.MayTry(name, context)) return Refused(SignInGuard.TooMany);

            // Neither the words nor the time tell whether somebody has the name.
            Person? person = await people.FindByNameAsync(name);
            if (person is null) Passwords.CompareWithNobodys(password);
            string? kept = person?.PasswordHash;
            if (person is null || !await people.CheckPasswordAsync(person, password))
            {
                guard.Wrong(name, context);
                await Door.TellAsync(db, name, Chronicle.Refused, "", context, clock);
                return Refused(WrongPair);
            }

            if (Person.IsClosed(person.LockoutEnd))
            {
                await Door.TellAsync(db, name, Chronicle.Refused, "", context, clock);
                return Refused("This account has been closed; ask the administrator.");
            }

            if (person.PasswordOnce && string.IsNullOrEmpty(signIn.Next))
                return Refused("This password is good for once: give one of your own now, and you are in.", PasswordNeeded);
            FactorAnswer answer = await factor.LetsInAsync(db, person, signIn.Code ?? "");
            switch (answer)
            {
                case FactorAnswer.Missing:
                    return Refused("Give the code that your device shows now, or one of those for when it is lost.", CodeNeeded);
                case FactorAnswer.Wrong:
                    guard.Wrong(name, context);
                    await Door.TellAsync(db, name, Chronicle.Refused, "", context, clock);
                    return Refused("This code is not right, or was used already; type the next one that your device shows.", CodeNeeded);
            }

            // What an earlier version hashed more weakly is hashed anew when it is right, and told.
            if (person.PasswordOnce || person.PasswordHash != kept)
            {
                await using var transaction = await db.Database.BeginTransactionAsync();
                if (person.PasswordOnce) await Account.SetPasswordAsync(people, person, signIn.Next!);
                await Account.TellAsync(db, person, Chronicle.NewPassword, person.UserName!, clock.GetUtcNow());
                await transaction.CommitAsync();
            }

            await sessions.BeginAsync(context, person, answer == FactorAnswer.Right);
            await Door.TellAsync(db, person.UserName!, Chronicle.SignedIn, "", context, clock);
            return Results.Ok(await ViewOf(person, manager, standIn));
        }).Produces<SessionView>().ProducesProblem(401);

        session.MapDelete("/", async (HttpContext context, IncisuraDb db, SignInManager<Person> manager, TimeProvider clock) =>
        {
            if (context.User.Identity?.Name is { } name) await Door.TellAsync(db, name, Chronicle.SignedOut, "", context, clock);
            await manager.SignOutAsync();
            return TypedResults.NoContent();
        });

        session.MapJoining();
        if (provider.Length > 0) session.MapProvider();
        if (!demo) return;
        session.MapPost("/demo/{name}", async (
            string name, HttpContext context, IncisuraDb db, SignInManager<Person> manager, UserManager<Person> people, SessionStore sessions,
            StandIn standIn, TimeProvider clock) =>
        {
            Person person = (DemoPeople.All.Any(p => p.Name == name) ? await people.FindByNameAsync(name) : null)
                ?? throw new MissingException("This person does not belong to the demo; choose one of those offered.");
            await sessions.BeginAsync(context, person, withFactor: false);
            await Door.TellAsync(db, name, Chronicle.SignedIn, "", context, clock);
            return await ViewOf(person, manager, standIn);
        });
    }

    private static IResult Refused(string sentence, string rule = "") => Results.Problem(
        sentence, statusCode: 401, title: "Not signed in", extensions: rule.Length > 0 ? [new("rule", rule)] : null);

    private static async Task<SessionView> ViewOf(Person person, SignInManager<Person> manager, StandIn standIn)
    {
        Actor actor = (await standIn.TransformAsync(await manager.CreateUserPrincipalAsync(person))).Actor();
        return new(actor.Name, person.FullName, actor.Role, actor.InPlaceOf);
    }
}

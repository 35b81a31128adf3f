using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Accounts;

/// <summary>Somewhere somebody is signed in.</summary>
/// <param name="Id">Its identity, which signs nobody in.</param>
/// <param name="Device">The browser, as it names itself.</param>
/// <param name="Since">Since when.</param>
/// <param name="Until">Until when at the latest, if nothing is done there.</param>
/// <param name="Own">Whether it is the one that asks.</param>
public sealed record OwnSession(string Id, string Device, DateTimeOffset Since, DateTimeOffset Until, bool Own);

/// <summary>Somebody's own new password, with the one until now.</summary>
public sealed record OwnPassword(string Current, string Next);

/// <summary>A password given once more, before something that matters.</summary>
public sealed record Again(string Password);

/// <summary>A time code, or one for a lost device.</summary>
public sealed record GivenCode(string Code);

/// <summary>What somebody sees and keeps of their own account: sessions and second factor.</summary>
public static class AccountEndpoints
{
    // Enough of a hash to tell one's few sessions apart.
    private const int IdLength = 16;

    public static void MapAccount(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/account").WithTags("account");
        // Asked by a web server in front, before it serves what is only for those who are signed in.
        group.MapGet("/signed-in", () => TypedResults.NoContent());
        group.MapGet("/sessions", async (HttpContext context, IncisuraDb db, UserManager<Person> people) =>
        {
            string own = SessionStore.OwnKeyOf(context) ?? "", person = people.GetUserId(context.User)!;
            List<SessionRow> rows = await db.Sessions.AsNoTracking().Where(s => s.PersonId == person).OrderByDescending(s => s.Since).ToListAsync();
            return rows.ConvertAll(s => new OwnSession(s.Key[..IdLength], s.Device, s.Since, s.Until, s.Key == own));
        });
        group.MapDelete("/sessions/{id}", async (string id, HttpContext context, IncisuraDb db, UserManager<Person> people) =>
        {
            string person = people.GetUserId(context.User)!;
            int ended = id.Length == IdLength
                ? await db.Sessions.Where(s => s.PersonId == person && s.Key.StartsWith(id)).ExecuteDeleteAsync()
                : 0;
            return ended > 0 ? TypedResults.NoContent() : throw new MissingException("This session has ended already; load the page again.");
        });
        group.MapDelete("/sessions", async (HttpContext context, IncisuraDb db, UserManager<Person> people) =>
        {
            await SessionStore.EndOthersAsync(db, people.GetUserId(context.User)!, context);
            return TypedResults.NoContent();
        });

        group.MapPut("/password", async (
            OwnPassword given, HttpContext context, IncisuraDb db, UserManager<Person> people, SignInGuard guard, TimeProvider clock) =>
        {
            Person person = await OwnAsync(given.Current, "current", context, people, guard);
            await using var transaction = await db.Database.BeginTransactionAsync();
            await Account.SetPasswordAsync(people, person, given.Next);
            await SessionStore.EndOthersAsync(db, person.Id, context);
            await Account.TellAsync(db, person, Chronicle.NewPassword, context, clock);
            await transaction.CommitAsync();
            return TypedResults.NoContent();
        });
        group.MapGet("/data", async (HttpContext context, IncisuraDb db, UserManager<Person> people, CancellationToken cancel) =>
            await PersonData.FileAsync(db, people, (await people.GetUserAsync(context.User))!, cancel))
            .Produces<byte[]>().TellsWhoTakesIt().TakesTurns();

        group.MapGet("/factor", async (HttpContext context, IncisuraDb db, UserManager<Person> people, FactorRule rule) =>
            await SecondFactor.StateAsync(db, people.GetUserId(context.User)!, rule.Needed(context.User.Actor().Role)));
        group.MapPost("/factor", async (
            Again again, HttpContext context, IncisuraDb db, UserManager<Person> people, SecondFactor factor, SignInGuard guard) =>
        {
            Person person = await OwnAsync(again.Password, "password", context, people, guard);
            if ((await SecondFactor.StateAsync(db, person.Id, false)).On)
                throw new RuleException("factor-on", "There is a second factor already; take it away first, then make another.");
            return await factor.BeginAsync(db, person);
        });
        group.MapPost("/factor/confirmation", async (
            GivenCode given, HttpContext context, IncisuraDb db, UserManager<Person> people, SessionStore sessions, SecondFactor factor,
            TimeProvider clock) =>
        {
            Person person = (await people.GetUserAsync(context.User))!;
            await using var transaction = await db.Database.BeginTransactionAsync();
            RecoveryCodes codes = await factor.ConfirmAsync(db, person, given.Code ?? "") ?? throw Account.Wrong(
                "code", "This is not the code that the device shows now; look whether its clock is right, and type the next one.");
            await SessionStore.EndOthersAsync(db, person.Id, context);
            await Account.TellAsync(db, person, Chronicle.FactorMade, context, clock);
            await transaction.CommitAsync();
            await sessions.BeginAsync(context, person, withFactor: true);
            return codes;
        });
        group.MapPost("/factor/removal", async (
            Again again, HttpContext context, IncisuraDb db, UserManager<Person> people, SignInGuard guard, TimeProvider clock) =>
        {
            Person person = await OwnAsync(again.Password, "password", context, people, guard);
            await using var transaction = await db.Database.BeginTransactionAsync();
            await SecondFactor.RemoveAsync(db, person.Id);
            await Account.TellAsync(db, person, Chronicle.FactorRemoved, context, clock);
            await transaction.CommitAsync();
            return TypedResults.NoContent();
        });
    }

    // Somebody who only found the screen open does not get further than the screen.
    private static async Task<Person> OwnAsync(
        string password, string field, HttpContext context, UserManager<Person> people, SignInGuard guard)
    {
        Person person = (await people.GetUserAsync(context.User))!;
        using IDisposable turn = await guard.TurnAsync(context);
        if (!guard.MayTry(person.UserName!, context)) throw Account.Wrong(field, SignInGuard.TooMany);
        if (await people.CheckPasswordAsync(person, password)) return person;
        guard.Wrong(person.UserName!, context);
        throw Account.Wrong(field, "The password is another one; type it again.");
    }
}

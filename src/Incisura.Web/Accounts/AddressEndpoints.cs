using Incisura.Core.Checks;
using Incisura.Web.Hosting;
using Incisura.Web.Mail;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using MimeKit;

namespace Incisura.Web.Accounts;

/// <summary>Somebody's own address; empty for no mail.</summary>
public sealed record OwnAddress(string Address);

/// <summary>Somebody's own address, and whether this workshop sends mail at all.</summary>
public sealed record AddressView(string Address, bool Sends);

/// <summary>Where people get mail.</summary>
public static class AddressEndpoints
{
    public static void MapAddress(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/session").WithTags("session");
        group.MapGet("/address", async (HttpContext context, UserManager<Person> people, IOptions<MailOptions> mail) =>
            new AddressView((await people.GetUserAsync(context.User))?.Email ?? "", mail.Value.Host.Length > 0));
        group.MapPut("/address", async (
            OwnAddress given, HttpContext context, IncisuraDb db, UserManager<Person> people, IOptions<MailOptions> mail, TimeProvider clock) =>
        {
            string address = given.Address.Trim();
            new InputCheck()
                .Holds(
                    address.Length == 0 || (address.Length <= 200 && address.Contains('@') && MailboxAddress.TryParse(address, out _)), "address",
                    double.NaN, "This is no mail address; write one such as maren@workshop.example, or leave it empty for no mail.")
                .ThrowIfAny();
            Person person = await people.GetUserAsync(context.User) ?? throw new MissingException("You are not signed in.");
            await using var transaction = await db.Database.BeginTransactionAsync();
            string before = person.Email ?? "";
            person.Email = address;
            await people.UpdateAsync(person);
            await Account.TellAsync(
                db, person, Chronicle.Changed, context, clock, new Account.Field("address", before, address, OwnData: true));

            // Where mail went until now hears of it last, so that nobody turns it aside unseen.
            if (before.Length > 0 && before != address) Letters.TellMoved(db, person, before, clock.GetUtcNow());
            await db.SaveChangesAsync();
            await transaction.CommitAsync();
            return new AddressView(address, mail.Value.Host.Length > 0);
        });
    }
}

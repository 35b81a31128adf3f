using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;

namespace Incisura.Web.Mail;

/// <summary>A mail in the demo's mailbox.</summary>
public sealed record MailView(DateTimeOffset At, string Subject, string Text);

/// <summary>The demo's mailbox.</summary>
public static class MailEndpoints
{
    public static void MapMail(this IEndpointRouteBuilder api, bool demo)
    {
        if (!demo) return;
        api.MapGet("/session/demo/mailbox", async (HttpContext context, UserManager<Person> people, [FromServices] DemoMailbox box) =>
            box.Of((await people.GetUserAsync(context.User))?.Email ?? "")).WithTags("session");
    }
}

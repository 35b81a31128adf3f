using System.Security.Claims;
using Incisura.Core.Records;
using Incisura.Web.Demo;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.OpenIdConnect;
using Microsoft.AspNetCore.Identity;

namespace Incisura.Web.Accounts;

/// <summary>The workshop's own provider of identity (OpenID Connect). Without an authority there is none.</summary>
public sealed class ProviderOptions
{
    /// <summary>Where the settings stand.</summary>
    public const string Section = "Incisura:Provider";

    /// <summary>Address of the provider, below which it says how it is spoken to.</summary>
    public string Authority { get; init; } = "";

    /// <summary>What this server is known as there.</summary>
    public string ClientId { get; init; } = "incisura";

    /// <summary>The secret shared with it.</summary>
    public string ClientSecret { get; init; } = "";

    /// <summary>What people call it, for the button.</summary>
    public string Name { get; init; } = "the workshop's account";

    /// <summary>What it says of somebody that is their sign-in name here.</summary>
    public string NameClaim { get; init; } = "preferred_username";

    /// <summary>In the demo: whether a simulated one stands in, which believes everybody.</summary>
    public bool StandIn { get; init; }
}

/// <summary>Signing in through the workshop's provider of identity: it says who somebody is; what they may do is said here.</summary>
public static partial class Provider
{
    /// <summary>Name of the scheme, and of the provider in the accounts it is tied to.</summary>
    public const string Scheme = "provider";

    // Ways of proving who one is that are a second factor (RFC 8176).
    private static readonly string[] SecondFactors = ["mfa", "otp", "hwk"];

    /// <summary>Adds it where the settings name one.</summary>
    public static void AddProvider(this WebApplicationBuilder builder, bool demo)
    {
        if (demo && OptionsOf(builder.Configuration).StandIn)
        {
            StandInProvider standIn = new();
            builder.Configuration[$"{ProviderOptions.Section}:{nameof(ProviderOptions.Authority)}"] = standIn.Address;
            builder.Services.AddHostedService(_ => standIn);
        }

        ProviderOptions options = OptionsOf(builder.Configuration);
        if (options.Authority.Length == 0) return;
        bool plain = Transport.IsPlain(builder.Configuration, demo);
        builder.Services.AddAuthentication().AddOpenIdConnect(Scheme, options.Name, o =>
        {
            o.Authority = options.Authority;
            (o.ClientId, o.ClientSecret) = (options.ClientId, options.ClientSecret);
            (o.ResponseType, o.ResponseMode, o.UsePkce) = ("code", "query", true);
            o.CallbackPath = "/api/signed-in";
            o.MapInboundClaims = false;
            o.DisableTelemetry = true;
            o.RequireHttpsMetadata = !new Uri(options.Authority).IsLoopback;
            foreach (CookieBuilder cookie in (CookieBuilder[])[o.CorrelationCookie, o.NonceCookie])
            {
                cookie.SameSite = SameSiteMode.Lax;
                cookie.SecurePolicy = plain ? CookieSecurePolicy.SameAsRequest : CookieSecurePolicy.Always;
            }

            o.Events.OnRedirectToIdentityProvider = context =>
            {
                context.ProtocolMessage.RedirectUri = Transport.AddressOf(context.Request) + o.CallbackPath;
                return Task.CompletedTask;
            };
            o.Events.OnTicketReceived = context => LetInAsync(context, options);
            o.Events.OnRemoteFailure = context =>
            {
                LogFailure(context.HttpContext.RequestServices.GetRequiredService<ILogger<OpenIdConnectHandler>>(), context.Failure);
                Send(context, "failed");
                return Task.CompletedTask;
            };
        });
    }

    /// <summary>What people call it; empty where there is none.</summary>
    public static string NameOf(IConfiguration configuration) => OptionsOf(configuration) is { Authority.Length: > 0 } o ? o.Name : "";

    /// <summary>Maps where the button leads.</summary>
    public static void MapProvider(this RouteGroupBuilder session) => session.MapGet("/provider", async (HttpContext context) =>
    {
        try
        {
            await context.ChallengeAsync(Scheme, new() { RedirectUri = "/" });
        }
        catch (Exception silent) when (silent is InvalidOperationException or HttpRequestException or IOException)
        {
            LogFailure(context.RequestServices.GetRequiredService<ILogger<OpenIdConnectHandler>>(), silent);
            context.Response.Redirect("/?provider=silent");
        }
    }).RequireRateLimiting(SessionEndpoints.SignInLimit).ExcludeFromDescription();

    private static async Task LetInAsync(TicketReceivedContext ticket, ProviderOptions options)
    {
        HttpContext context = ticket.HttpContext;
        IncisuraDb db = context.RequestServices.GetRequiredService<IncisuraDb>();
        TimeProvider clock = context.RequestServices.GetRequiredService<TimeProvider>();
        ClaimsPrincipal said = ticket.Principal!;
        string subject = said.FindFirstValue("sub") ?? "", name = said.FindFirstValue(options.NameClaim) ?? "";
        UserManager<Person> people = context.RequestServices.GetRequiredService<UserManager<Person>>();
        Person? person = await KnownAsync(people, options, subject, name);
        bool factor = said.FindAll("amr").Any(a => SecondFactors.Contains(a.Value));
        string why = person is null || person.FullName.Length == 0 ? "unknown"
            : Person.IsClosed(person.LockoutEnd) ? "closed"
            : !factor && (await SecondFactor.StateAsync(db, person.Id, false)).On ? "factor"
            : "";
        if (why.Length > 0)
        {
            await Door.TellAsync(db, name, Chronicle.Refused, options.Name, context, clock);
            Send(ticket, why);
            return;
        }

        await context.RequestServices.GetRequiredService<SessionStore>().BeginAsync(context, person!, factor);
        await Door.TellAsync(db, person!.UserName!, Chronicle.SignedIn, options.Name, context, clock);
        context.Response.Redirect("/");
        ticket.HandleResponse();
    }

    // The first time by the name an administrator gave them, if they are to come in so and are no administrator: whoever may choose a name at
    // the provider chooses no account here. From then on by what the provider never changes nor gives to somebody else.
    private static async Task<Person?> KnownAsync(UserManager<Person> people, ProviderOptions options, string subject, string name)
    {
        if (subject.Length == 0) return null;
        if (await people.FindByLoginAsync(Scheme, subject) is { } tied) return tied;
        if (name.Length == 0 || await people.FindByNameAsync(name) is not { ByProvider: true } person) return null;
        if (Person.IsClosed(person.LockoutEnd) || await Account.RoleOfAsync(people, person) == Role.Administrator) return null;
        if ((await people.GetLoginsAsync(person)).Any(l => l.LoginProvider == Scheme)) return null;
        Account.Demand(await people.AddLoginAsync(person, new(Scheme, subject, options.Name)));
        return person;
    }

    private static void Send<T>(HandleRequestContext<T> context, string why)
        where T : RemoteAuthenticationOptions
    {
        context.Response.Redirect("/?provider=" + why);
        context.HandleResponse();
    }

    private static ProviderOptions OptionsOf(IConfiguration configuration) =>
        configuration.GetSection(ProviderOptions.Section).Get<ProviderOptions>() ?? new();

    [LoggerMessage(Level = LogLevel.Warning, Message = "The provider of identity let nobody in")]
    private static partial void LogFailure(ILogger logger, Exception? exception);
}

using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace Incisura.Web.Accounts;

/// <summary>How people come in: names and passwords, sessions on the server, second factors, and the workshop's provider of identity.</summary>
public static class Setup
{
    public static void AddAccounts(this WebApplicationBuilder builder, bool demo)
    {
        IServiceCollection services = builder.Services;
        services.AddIdentity<Person, IdentityRole>(o =>
        {
            o.Password.RequiredLength = Passwords.Fewest;
            o.Password.RequireNonAlphanumeric = false;
            o.Password.RequireUppercase = false;
            o.Password.RequireLowercase = false;
            o.Password.RequireDigit = false;
        }).AddEntityFrameworkStores<IncisuraDb>().AddPasswordValidator<Passwords>()
            .AddTokenProvider<DataProtectorTokenProvider<Person>>(TokenOptions.DefaultProvider);
        services.Configure<DataProtectionTokenProviderOptions>(o => o.TokenLifespan = Joining.Lasts);
        Passwords.Configure(services);
        services.AddSingleton<SignInGuard>();
        services.AddSingleton<Door.Waiting>();
        services.ConfigureApplicationCookie(o =>
        {
            o.Cookie.HttpOnly = true;
            o.Cookie.SameSite = SameSiteMode.Strict;

            // Sessions end on the server; the browser counts from when it gets the cookie, whatever its clock or the server's says.
            o.SlidingExpiration = false;
            o.ExpireTimeSpan = SessionLimits.Usual.Whole;
            o.Cookie.MaxAge = SessionLimits.Usual.Whole;
            o.Events.OnRedirectToLogin = c => Results.Problem(
                "You are not signed in, or your session has ended. Sign in and go on; what you typed is still here.", statusCode: 401,
                title: "Not signed in").ExecuteAsync(c.HttpContext);
            o.Events.OnRedirectToAccessDenied = c => Results.Problem(
                FactorRule.Lacks(c.HttpContext)
                    ? "An administrator needs a second factor: make one under Your account, then go on here."
                    : "Your role may not do this; ask an engineer or an approver.",
                statusCode: 403, title: "Not yours to do").ExecuteAsync(c.HttpContext);
        });
        services.AddSingleton<SessionStore>();
        services.AddOptions<CookieAuthenticationOptions>(IdentityConstants.ApplicationScheme)
            .Configure<SessionStore>((o, store) => o.SessionStore = store);

        // Sessions are ended on the server at once, so that no stamp needs to be compared now and then.
        services.Configure<SecurityStampValidatorOptions>(o => o.ValidationInterval = TimeSpan.FromDays(3650));
        services.AddAccess(new FactorRule(asked: !demo && !builder.Configuration.GetValue(FactorRule.Setting, false)));
        services.AddSingleton<SecondFactor>();
        services.AddSingleton<StandIn>();
        services.AddSingleton<IClaimsTransformation>(s => s.GetRequiredService<StandIn>());
        builder.AddProvider(demo);
    }
}

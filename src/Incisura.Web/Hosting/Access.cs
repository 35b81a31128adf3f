using System.Security.Claims;
using Incisura.Core.Records;
using Incisura.Web.Accounts;

namespace Incisura.Web.Hosting;

/// <summary>Who may call what, by the roles of the workshop.</summary>
public static class Access
{
    /// <summary>Engineers and approvers, who work on the library and on records.</summary>
    public const string Engineers = "engineers";

    /// <summary>Approvers, who review and publish.</summary>
    public const string Approvers = "approvers";

    /// <summary>Administrators, who keep people.</summary>
    public const string Administrators = "administrators";

    /// <summary>Claim of an engineer who stands in for an approver: the absent one's name.</summary>
    public const string InPlaceOf = "inPlaceOf";

    public static IServiceCollection AddAccess(this IServiceCollection services, FactorRule rule) => services.AddSingleton(rule).AddAuthorization(o =>
    {
        o.AddPolicy(Engineers, p => p.RequireRole(nameof(Role.Engineer), nameof(Role.Approver)));
        o.AddPolicy(Approvers, p => p.RequireRole(nameof(Role.Approver)));
        o.AddPolicy(Administrators, p => p.RequireRole(nameof(Role.Administrator)).RequireAssertion(c => rule.Holds(c.User)));
    });

    /// <summary>The person who calls.</summary>
    public static Actor Actor(this ClaimsPrincipal user) => user.FindFirstValue(InPlaceOf) is { } absent
        ? new(user.Identity?.Name ?? "", Role.Approver, absent)
        : new(user.Identity?.Name ?? "", Enum.TryParse(user.FindFirstValue(ClaimTypes.Role), out Role role) ? role : Role.Reader);

    /// <summary>Whether the person sees drafts.</summary>
    public static bool SeesDrafts(this ClaimsPrincipal user) => user.Actor().Role is Role.Engineer or Role.Approver;
}

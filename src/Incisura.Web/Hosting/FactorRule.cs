using System.Security.Claims;
using Incisura.Core.Records;

namespace Incisura.Web.Hosting;

/// <summary>Who needs a second factor: administrators, outside the demo, unless the workshop decided otherwise.</summary>
/// <param name="asked">Whether it is asked for.</param>
public sealed class FactorRule(bool asked)
{
    /// <summary>Where the setting stands.</summary>
    public const string Setting = "Incisura:AdministratorsWithoutSecondFactor";

    /// <summary>What a session has that was begun with one.</summary>
    public static Claim Given { get; } = new("secondFactor", "given");

    /// <summary>Whether a role needs one.</summary>
    public bool Needed(Role role) => asked && role == Role.Administrator;

    /// <summary>Whether an administrator asks who only lacks one.</summary>
    public static bool Lacks(HttpContext context) => context.User.Actor().Role == Role.Administrator
        && !context.RequestServices.GetRequiredService<FactorRule>().Holds(context.User);

    /// <summary>Whether somebody who is signed in may do what an administrator does.</summary>
    public bool Holds(ClaimsPrincipal user) => !asked || user.HasClaim(Given.Type, Given.Value);
}

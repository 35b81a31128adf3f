using Microsoft.AspNetCore.Identity;

namespace Incisura.Data;

/// <summary>Somebody who signs in.</summary>
public sealed class Person : IdentityUser
{
    /// <summary>Name shown to others.</summary>
    public string FullName { get; set; } = "";
}

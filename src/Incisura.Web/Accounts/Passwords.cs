using Incisura.Core.Checks;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;

namespace Incisura.Web.Accounts;

/// <summary>How passwords are kept, and which are taken: long ones, that nobody guesses who knows common ones and the person's name.</summary>
public sealed class Passwords : IPasswordValidator<Person>
{
    /// <summary>Fewest and most characters.</summary>
    public const int Fewest = 12, Most = 200;

    // What an attacker with a list and some patience tries: 10^8 guesses.
    private const int Guessed = 2;

    private const int Iterations = 210_000;

    private static readonly PasswordHasher<Person> Hasher = new(Options.Create(new PasswordHasherOptions { IterationCount = Iterations }));

    // Compared with where nobody has the name, so that the answer takes as long.
    private static readonly string Nobodys = Hasher.HashPassword(new Person(), Guid.NewGuid().ToString());

    /// <summary>A password as it is kept: PBKDF2 with HMAC-SHA-512.</summary>
    public static string Hash(Person person, string password) => Hasher.HashPassword(person, password);

    /// <summary>Takes the time that comparing a password takes.</summary>
    public static void CompareWithNobodys(string password) => Hasher.VerifyHashedPassword(new Person(), Nobodys, password);

    /// <summary>Sets up how they are kept and taken.</summary>
    public static void Configure(IServiceCollection services) => services.Configure<PasswordHasherOptions>(o => o.IterationCount = Iterations);

    public Task<IdentityResult> ValidateAsync(UserManager<Person> manager, Person user, string? password)
    {
        string given = password ?? "";
        if (given.Length > Most) return Refuse($"The password has {given.Length} characters; {Most} are the most.");
        string[] own = [.. $"{user.UserName} {user.FullName}".Split([' ', '.', '-', '_', '@'], StringSplitOptions.RemoveEmptyEntries), "incisura"];
        string bare = own.Where(o => o.Length > 2)
            .Aggregate(given, (rest, o) => rest.Replace(o, "", StringComparison.OrdinalIgnoreCase));
        if (bare.Length < Fewest / 2)
            return Refuse("The password is mostly the person's own name or the program's; take a few words that have nothing to do with them.");
        if (Zxcvbn.Zxcvbn.MatchPassword(given.Length > 100 ? given[..100] : given, own).Score < Guessed)
            return Refuse("This password is among those that are guessed first; take four words in a row that nobody would put together.");
        return Task.FromResult(IdentityResult.Success);
    }

    private static Task<IdentityResult> Refuse(string sentence) =>
        Task.FromResult(IdentityResult.Failed(new IdentityError { Code = "PasswordGuessed", Description = sentence }));
}

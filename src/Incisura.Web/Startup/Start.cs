using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Accounts;
using Incisura.Web.Demo;
using Incisura.Web.Editions;
using Incisura.Web.Hosting;
using Incisura.Web.Upkeep;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace Incisura.Web.Startup;

/// <summary>What happens before the first request: tables, roles, the first administrator, or the demo workshop.</summary>
public static partial class Start
{
    public static async Task PrepareAsync(IServiceProvider services, bool demo, string demoFolder, CancellationToken cancel)
    {
        Transport.Check(services.GetRequiredService<IConfiguration>());
        WorkshopClock.Check(services.GetRequiredService<IConfiguration>());
        Telemetry.Check(services.GetRequiredService<IConfiguration>());
        services.GetRequiredService<IOptions<CopyOptions>>().Value.Check();
        services.GetRequiredService<DatabaseFile>().Hold();
        KeyFolders keys = services.GetRequiredService<KeyFolders>();
        keys.Prepare(services.GetRequiredService<DatabaseFile>().Path);
        if (!Directory.EnumerateFiles(keys.Sessions).Any()) LogKeys(services.GetRequiredService<ILogger<KeyFolders>>(), keys.Sessions);
        IncisuraDb db = services.GetRequiredService<IncisuraDb>();
        try
        {
            await db.PrepareAsync(cancel);
            await OldEditions.TakeOverAsync(db, services.GetRequiredService<Publisher>(), cancel);
        }
        catch (Microsoft.Data.Sqlite.SqliteException broken)
        {
            throw new StartException(
                $"{services.GetRequiredService<DatabaseFile>().Path} cannot be opened as a database of Incisura: {broken.Message} Put a sound "
                    + "copy in its place, or choose another file with Incisura__Database.",
                broken);
        }

        RoleManager<IdentityRole> roles = services.GetRequiredService<RoleManager<IdentityRole>>();
        foreach (string role in Enum.GetNames<Role>())
            if (!await roles.RoleExistsAsync(role)) await roles.CreateAsync(new(role));

        if (await db.Users.AnyAsync(cancel))
        {
            if (demo) await RequireDemoAsync(db, cancel);
            return;
        }

        UserManager<Person> people = services.GetRequiredService<UserManager<Person>>();
        if (demo)
        {
            await DemoWorkshop.FillAsync(services, demoFolder, cancel);
            await db.MarkAsDemoAsync(cancel);
            return;
        }

        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        Person first = await AddFirstAdministratorAsync(services.GetRequiredService<IConfiguration>(), people);
        await Account.TellAsync(
            db, first, Chronicle.Added, "the machine", services.GetRequiredService<TimeProvider>().GetUtcNow(),
            new Account.Field("role", null, nameof(Role.Administrator)));
        await transaction.CommitAsync(cancel);
    }

    [LoggerMessage(
        LogLevel.Information,
        "The keys of sessions are made in {Folder}, unencrypted and for this account's eyes only: keep copies of it apart from those of the database.")]
    private static partial void LogKeys(ILogger logger, string folder);

    // With the demo's switch anybody comes in as one of its people, so it opens nothing but a demo.
    private static async Task RequireDemoAsync(IncisuraDb db, CancellationToken cancel)
    {
        if (await db.IsDemoAsync(cancel)) return;

        // A demo made before demos were marked has the demo's people under their full names, and nobody else.
        Dictionary<string, string> people = await db.Users.ToDictionaryAsync(p => p.UserName ?? "", p => p.FullName, cancel);
        bool known = people.Count == DemoPeople.All.Count && DemoPeople.All.All(p => people.GetValueOrDefault(p.Name) == p.FullName)
            && await db.Charts.AnyAsync(c => c.Name == DemoWorkshop.ChartName, cancel);
        if (!known)
            throw new StartException(
                "This database is a real workshop's, so it is not opened as the demo, which lets anybody in without a password. Start it without "
                    + "Incisura__Demo, or give the demo a file of its own with Incisura__Database.");
        await db.MarkAsDemoAsync(cancel);
    }

    // A file is not seen by whoever lists processes.
    private static async Task<string?> InFileAsync(IConfiguration configuration)
    {
        if (configuration["Incisura:FirstAdministrator:PasswordFile"] is not { Length: > 0 } file) return null;
        try
        {
            return (await File.ReadAllTextAsync(file)).TrimEnd('\r', '\n');
        }
        catch (Exception unread) when (unread is IOException or UnauthorizedAccessException)
        {
            throw new StartException($"Incisura__FirstAdministrator__PasswordFile names {file}, which cannot be read: {unread.Message}", unread);
        }
    }

    private static async Task<Person> AddFirstAdministratorAsync(IConfiguration configuration, UserManager<Person> people)
    {
        string name = configuration["Incisura:FirstAdministrator:Name"] ?? "administrator";
        string password = configuration["Incisura:FirstAdministrator:Password"] ?? await InFileAsync(configuration)
            ?? throw new StartException(
                "This is a new workshop: set Incisura__FirstAdministrator__Password, or __PasswordFile to a file with it, to the first administrator's password (12 "
                    + "characters at least) and start again.");
        try
        {
            return await Account.AddAsync(people, new(name, "Administrator", Role.Administrator), password);
        }
        catch (InputException refused)
        {
            throw new StartException(
                $"The first administrator cannot be made from Incisura__FirstAdministrator__Name and __Password: {refused.Message}", refused);
        }
    }
}

using Incisura.Core.Records;
using Incisura.Web.Accounts;
using Incisura.Web.Demo;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Hosting;

/// <summary>What happens before the first request: tables, roles, the first administrator, or the demo workshop.</summary>
public static class Start
{
    public static async Task PrepareAsync(IServiceProvider services, bool demo, string demoFolder, CancellationToken cancel)
    {
        IncisuraDb db = services.GetRequiredService<IncisuraDb>();
        await db.PrepareAsync(cancel);

        RoleManager<IdentityRole> roles = services.GetRequiredService<RoleManager<IdentityRole>>();
        foreach (string role in Enum.GetNames<Role>())
            if (!await roles.RoleExistsAsync(role)) await roles.CreateAsync(new(role));

        if (await db.Users.AnyAsync(cancel)) return;
        UserManager<Person> people = services.GetRequiredService<UserManager<Person>>();
        if (demo)
        {
            await DemoWorkshop.FillAsync(services, demoFolder, cancel);
            return;
        }

        IConfiguration configuration = services.GetRequiredService<IConfiguration>();
        string name = configuration["Incisura:FirstAdministrator:Name"] ?? "administrator";
        string password = configuration["Incisura:FirstAdministrator:Password"]
            ?? throw new InvalidOperationException("This is a new workshop: set Incisura__FirstAdministrator__Password to the first administrator's password (12 characters at least) and start again.");
        await PeopleEndpoints.AddAsync(people, new(name, "Administrator", Role.Administrator, password));
    }
}

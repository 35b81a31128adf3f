using System.Text.Json;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Accounts;

/// <summary>Where somebody is or was signed in.</summary>
public sealed record DeviceOfPerson(string Device, DateTimeOffset Since, DateTimeOffset Until);

/// <summary>A mail to somebody.</summary>
public sealed record LetterToPerson(DateTimeOffset At, string Says, DateTimeOffset? SentAt);

/// <summary>Something somebody did, or that was done to their account.</summary>
public sealed record DeedOfPerson(DateTimeOffset At, string By, string InPlaceOf, string Kind, string Name, int Revision, string Act, string Reason);

/// <summary>All that is kept of a person, as a file.</summary>
/// <param name="Name">Sign-in name, which stays in the history as the pseudonym of who did what.</param>
/// <param name="FullName">Name shown to others.</param>
/// <param name="Role">What they may do.</param>
/// <param name="Address">Mail address.</param>
/// <param name="Closed">Whether they may sign in no more.</param>
/// <param name="HasFactor">Whether they have a second factor; its secret is not taken along.</param>
/// <param name="Providers">Providers of identity they come in through.</param>
/// <param name="Devices">Where they are signed in.</param>
/// <param name="Views">Views of lists they keep, by name, each an address.</param>
/// <param name="Absences">When they were away, and who stood in.</param>
/// <param name="Letters">What they were told by mail in the last days.</param>
/// <param name="Deeds">What the history tells of them: revisions, decisions, comments, reports, sign-ins.</param>
public sealed record PersonData(
    string Name, string FullName, Role Role, string Address, bool Closed, bool HasFactor, IReadOnlyList<string> Providers,
    IReadOnlyList<DeviceOfPerson> Devices, IReadOnlyDictionary<string, string> Views, IReadOnlyList<AbsenceRow> Absences,
    IReadOnlyList<LetterToPerson> Letters, IReadOnlyList<DeedOfPerson> Deeds)
{
    private static readonly JsonSerializerOptions Readable = new(DefinitionFormat.Options) { WriteIndented = true };

    /// <summary>Gathers it.</summary>
    public static async Task<FileContentHttpResult> FileAsync(IncisuraDb db, UserManager<Person> people, Person person, CancellationToken cancel)
    {
        string name = person.UserName!;
        PersonData data = new(
            name, person.FullName, await Account.RoleOfAsync(people, person), person.Email ?? "", Person.IsClosed(person.LockoutEnd),
            (await SecondFactor.StateAsync(db, person.Id, false)).On, [.. (await people.GetLoginsAsync(person)).Select(l => l.LoginProvider)],
            await db.Sessions.AsNoTracking().Where(s => s.PersonId == person.Id).Select(s => new DeviceOfPerson(s.Device, s.Since, s.Until))
                .ToListAsync(cancel),
            await db.SavedViews.AsNoTracking().Where(v => v.Person == name).ToDictionaryAsync(v => $"{v.List}: {v.Name}", v => v.Query, cancel),
            await db.Absences.AsNoTracking().Where(a => a.Approver == name || a.Deputy == name).ToListAsync(cancel),
            await db.Letters.AsNoTracking().Where(l => l.To == name).Select(l => new LetterToPerson(l.At, l.Says, l.SentAt)).ToListAsync(cancel),
            await db.Changes.AsNoTracking()
                .Where(c => c.By == name || c.InPlaceOf == name || (c.Kind == Chronicle.PersonKind && c.Name == name)).OrderBy(c => c.Id)
                .Select(c => new DeedOfPerson(c.At, c.By, c.InPlaceOf, c.Kind, c.Name, c.Number, c.Act, c.Reason)).ToListAsync(cancel));
        return TypedResults.File(JsonSerializer.SerializeToUtf8Bytes(data, Readable), "application/json", $"account-{name}.json");
    }

    /// <summary>
    /// Removes what tells who somebody is. The sign-in name stays, as the pseudonym the history and published editions know; it is given to
    /// nobody else.
    /// </summary>
    /// <exception cref="RuleException">The account is open.</exception>
    public static async Task RemoveAsync(IncisuraDb db, UserManager<Person> people, Person person, HttpContext context, TimeProvider clock)
    {
        if (!Person.IsClosed(person.LockoutEnd))
            throw new RuleException("open-account", "This account is open; close it first, then remove the data of who had it.");
        string name = person.UserName!;
        await using var transaction = await db.Database.BeginTransactionAsync();
        await SessionStore.EndAllAsync(db, person.Id);
        await SecondFactor.RemoveAsync(db, person.Id);
        await db.SavedViews.Where(v => v.Person == name).ExecuteDeleteAsync();
        await db.Letters.Where(l => l.To == name).ExecuteDeleteAsync();
        await db.UserLogins.Where(l => l.UserId == person.Id).ExecuteDeleteAsync();
        (person.FullName, person.Email, person.NormalizedEmail, person.PasswordHash) = ("", "", "", null);
        Account.Demand(await people.UpdateSecurityStampAsync(person));
        await Account.TellAsync(db, person, Chronicle.DataRemoved, context, clock);
        await transaction.CommitAsync();

        // Otherwise it could be read in the log for a while.
        await db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)");
    }
}

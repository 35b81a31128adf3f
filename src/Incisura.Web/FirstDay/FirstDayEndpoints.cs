using Incisura.Core.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.FirstDay;

/// <summary>What a workshop has of all that a first published figure needs, counted.</summary>
/// <param name="People">People whose account is open.</param>
/// <param name="Decides">Whether one can propose and another approve it.</param>
/// <param name="Machines">Machines.</param>
/// <param name="Materials">Work materials.</param>
/// <param name="Cutters">Cutters.</param>
/// <param name="Holders">Holders.</param>
/// <param name="Assemblies">Assemblies.</param>
/// <param name="Rows">Rows of the speed chart.</param>
/// <param name="Records">Records.</param>
/// <param name="Approved">Records that are in force.</param>
/// <param name="Editions">Editions.</param>
public sealed record FirstDayView(
    int People, bool Decides, int Machines, int Materials, int Cutters, int Holders, int Assemblies, int Rows, int Records, int Approved,
    int Editions)
{
    /// <summary>Whether nothing is missing.</summary>
    public bool Done => Decides && new[] { Machines, Materials, Cutters, Holders, Assemblies, Rows, Records, Editions }.All(n => n > 0);
}

/// <summary>What is missing between an empty workshop and its first published figure.</summary>
public static class FirstDayEndpoints
{
    public static void MapFirstDay(this IEndpointRouteBuilder api) =>
        api.MapGet("/first-day", async (IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            DateTimeOffset closed = Person.ForGood;
            List<string?> roles = await (from p in db.Users.AsNoTracking()
                                         join ur in db.UserRoles on p.Id equals ur.UserId
                                         join r in db.Roles on ur.RoleId equals r.Id
                                         where p.LockoutEnd == null || p.LockoutEnd != closed
                                         select r.Name).ToListAsync(cancel);
            int engineers = roles.Count(r => r == nameof(Role.Engineer)), approvers = roles.Count(r => r == nameof(Role.Approver));
            return new FirstDayView(
                roles.Count, approvers > 0 && engineers + approvers > 1, view.Machines.Count, view.Materials.Count, view.Cutters.Count,
                view.Holders.Count, view.Assemblies.Count, view.Charts.Values.Sum(c => c.Definition.Rows.Count),
                await db.Records.CountAsync(cancel), await db.RecordRevisions.CountAsync(v => v.IsInForce, cancel),
                await db.Editions.CountAsync(cancel));
        }).WithTags("first day");
}

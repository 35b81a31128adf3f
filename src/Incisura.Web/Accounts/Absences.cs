using System.Security.Claims;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Incisura.Web.Mail;
using Incisura.Web.Records;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Accounts;

/// <summary>An absence, as people see it.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Approver">Who is away.</param>
/// <param name="Deputy">Who decides in the meantime.</param>
/// <param name="From">First day.</param>
/// <param name="Until">Last day.</param>
/// <param name="Now">Whether it is now.</param>
/// <param name="Agreed">Whether the deputy has agreed; until then nobody decides in the absent one's place.</param>
public sealed record AbsenceView(int Id, string Approver, string Deputy, DateOnly From, DateOnly Until, bool Now, bool Agreed);

/// <summary>An absence to come. An administrator says whose; an approver is away themselves.</summary>
public sealed record NewAbsence(string Deputy, DateOnly From, DateOnly Until, string? Approver = null);

/// <summary>Who may stand in for an approver.</summary>
public sealed record Deputies(IReadOnlyList<string> Approvers, IReadOnlyList<string> Engineers, IReadOnlyList<AbsenceView> Absences);

/// <summary>Gives an engineer the rights of the absent approver they stand in for, from the first day to the last.</summary>
public sealed class StandIn(TimeProvider clock, IServiceScopeFactory scopes) : IClaimsTransformation
{
    private volatile IReadOnlyList<AbsenceRow>? kept;

    /// <summary>Has them read anew.</summary>
    public void Forget() => kept = null;

    public async Task<ClaimsPrincipal> TransformAsync(ClaimsPrincipal principal)
    {
        if (principal.Identity?.Name is not { } name || principal.HasClaim(c => c.Type == Access.InPlaceOf)) return principal;
        if (!principal.IsInRole(nameof(Role.Engineer))) return principal;
        DateOnly today = clock.Today();
        AbsenceRow? now = (await AllAsync()).FirstOrDefault(a => a.Deputy == name && a.IsOn(today));
        if (now is null) return principal;
        ClaimsIdentity more = new();
        more.AddClaim(new(Access.InPlaceOf, now.Approver));
        more.AddClaim(new(ClaimTypes.Role, nameof(Role.Approver)));
        ClaimsPrincipal both = principal.Clone();
        both.AddIdentity(more);
        return both;
    }

    private async Task<IReadOnlyList<AbsenceRow>> AllAsync()
    {
        if (kept is { } known) return known;
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        return kept = await scope.ServiceProvider.GetRequiredService<IncisuraDb>().Absences.AsNoTracking().ToListAsync();
    }
}

/// <summary>Naming a deputy for an absence.</summary>
public static class AbsenceEndpoints
{
    public static void MapAbsences(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/absences").WithTags("people")
            .RequireAuthorization(p => p.RequireRole(nameof(Role.Engineer), nameof(Role.Approver), nameof(Role.Administrator)));

        group.MapGet("/", async (IncisuraDb db, TimeProvider clock) =>
        {
            DateOnly today = clock.Today();
            return new Deputies(
                await Person.NamesAsync(db, Role.Approver), await Person.NamesAsync(db, Role.Engineer),
                await db.Absences.AsNoTracking().Where(a => a.Until >= today).OrderBy(a => a.From)
                    .Select(a => new AbsenceView(a.Id, a.Approver, a.Deputy, a.From, a.Until, a.From <= today, a.AgreedAt != null)).ToListAsync());
        });

        group.MapPost("/", async (NewAbsence absence, HttpContext context, IncisuraDb db, StandIn standIn, TimeProvider clock) =>
        {
            Actor actor = context.User.Actor();
            string approver = actor.Role == Role.Administrator ? absence.Approver ?? "" : actor.Name;
            DateOnly today = clock.Today();
            if (!(await Person.NamesAsync(db, Role.Approver)).Contains(approver))
                throw new RuleException("role", "Only an approver names a deputy, or an administrator for one; a deputy names nobody.");
            IReadOnlyList<string> engineers = await Person.NamesAsync(db, Role.Engineer);
            new InputCheck()
                .Holds(engineers.Contains(absence.Deputy), "deputy", double.NaN, "The deputy must be an engineer; choose one of the list.")
                .Holds(absence.Until >= absence.From, "until", double.NaN, "The last day lies before the first; choose a later one.")
                .Holds(absence.Until >= today, "until", double.NaN, "The last day is over already; choose a later one.")
                .ThrowIfAny();
            await using var transaction = await db.Database.BeginTransactionAsync();
            if (await db.Absences.AnyAsync(a => a.Approver == approver && a.From <= absence.Until && absence.From <= a.Until))
                throw new RuleException("absent-already", $"{approver} has a deputy in these days already; end that first.");
            AbsenceRow row = new() { Approver = approver, Deputy = absence.Deputy, From = absence.From, Until = absence.Until };
            db.Add(row);
            db.Add(Letters.Asked(row, clock.GetUtcNow()));
            await db.SaveChangesAsync();
            await TellAsync(db, row, Chronicle.Named, actor, clock);
            await transaction.CommitAsync();
            standIn.Forget();
            return new AbsenceView(row.Id, row.Approver, row.Deputy, row.From, row.Until, row.From <= today, Agreed: false);
        });

        group.MapPost("/{id:int}/agreement", async (int id, HttpContext context, IncisuraDb db, StandIn standIn, TimeProvider clock) =>
        {
            Actor actor = context.User.Actor();
            await using var transaction = await db.Database.BeginTransactionAsync();
            AbsenceRow row = await db.Absences.FirstOrDefaultAsync(a => a.Id == id)
                ?? throw new MissingException("There is no such absence any more.");
            if (row.Deputy != actor.Name) throw new RuleException("not-yours", "Only who is to decide in the meantime agrees to it.");
            if (row.AgreedAt is not null) return TypedResults.NoContent();
            row.AgreedAt = clock.GetUtcNow();
            await db.SaveChangesAsync();
            await TellAsync(db, row, Chronicle.Agreed, actor, clock);
            await transaction.CommitAsync();
            standIn.Forget();
            return TypedResults.NoContent();
        });

        group.MapDelete("/{id:int}", async (int id, HttpContext context, IncisuraDb db, StandIn standIn, TimeProvider clock) =>
        {
            Actor actor = context.User.Actor();
            await using var transaction = await db.Database.BeginTransactionAsync();
            AbsenceRow row = await db.Absences.FirstOrDefaultAsync(a => a.Id == id)
                ?? throw new MissingException("There is no such absence any more.");
            if (actor.Role != Role.Administrator && row.Approver != actor.Name)
                throw new RuleException("not-yours", "Only who is away, or an administrator, ends it.");
            db.Remove(row);
            await db.SaveChangesAsync();
            await TellAsync(db, row, Chronicle.Ended, actor, clock);
            await transaction.CommitAsync();
            standIn.Forget();
            return TypedResults.NoContent();
        });
    }

    private static Task TellAsync(IncisuraDb db, AbsenceRow row, string act, Actor by, TimeProvider clock) => Chronicle.AppendAsync(
        db,
        [
            new(clock.GetUtcNow(), by.Name, Chronicle.AbsenceKind, row.Id, row.Approver, act)
            {
                Reason = Chronicle.TellingOf(row),
            },
        ]);
}

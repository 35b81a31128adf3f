using System.Security.Claims;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Library;

/// <summary>A view of a list, or a situation of a calculation, that a person keeps under a name.</summary>
public sealed record SavedView(int Id, string List, string Name, string Query);

/// <summary>A view to keep; one of the same name is replaced.</summary>
public sealed record SavedViewRequest(string List, string Name, string Query);

/// <summary>The views a person keeps; nobody sees another's.</summary>
public static class SavedViewEndpoints
{
    private const int Most = 50, MostLetters = 4000;

    public static void MapSavedViews(this IEndpointRouteBuilder library)
    {
        RouteGroupBuilder group = library.MapGroup("/views").WithTags("views");

        group.MapGet(
            "/",
            async (ClaimsPrincipal user, IncisuraDb db) =>
                await Own(db, user).OrderBy(v => v.Name).Select(v => new SavedView(v.Id, v.List, v.Name, v.Query)).ToListAsync());

        group.MapPost("/", async (SavedViewRequest request, ClaimsPrincipal user, IncisuraDb db) =>
        {
            // Counted and written as one; a view of the same name takes no room of its own.
            await using var transaction = await db.Database.BeginTransactionAsync();
            SavedViewRow? same = await Own(db, user).FirstOrDefaultAsync(v => v.List == request.List && v.Name == request.Name.Trim());
            int kept = same is null ? await Own(db, user).CountAsync() : 0;
            new InputCheck()
                .Named("name", "The name of the view", request.Name, 40)
                .Holds(
                    request.List is "cutters" or "holders" or "assemblies" or "situations", "list", double.NaN,
                    "A view belongs to cutters, holders, assemblies or situations.")
                .Holds(request.Query.Length <= MostLetters, "query", request.Query.Length, "What is to be kept is too long; take some of it away.")
                .Holds(kept < Most, "name", kept, $"You keep {Most} views already; remove one first.")
                .ThrowIfAny();
            SavedViewRow row = same
                ?? db.Add(new SavedViewRow { Person = user.Actor().Name, List = request.List, Name = request.Name.Trim(), Query = "" }).Entity;
            row.Query = request.Query;
            await db.SaveChangesAsync();
            await transaction.CommitAsync();
            return new SavedView(row.Id, row.List, row.Name, row.Query);
        });

        group.MapDelete("/{id:int}", async (int id, ClaimsPrincipal user, IncisuraDb db) =>
        {
            if (await Own(db, user).Where(v => v.Id == id).ExecuteDeleteAsync() == 0) throw new MissingException("You keep no such view.");
            return TypedResults.NoContent();
        });
    }

    private static IQueryable<SavedViewRow> Own(IncisuraDb db, ClaimsPrincipal user)
    {
        string name = user.Actor().Name;
        return db.SavedViews.Where(v => v.Person == name);
    }
}

using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Library;

/// <summary>A stored thing on the wire: its definition at a revision, and its profile where it has one.</summary>
public sealed record Sheet<T>(int Id, int Revision, string ChangedBy, DateTimeOffset ChangedAt, T Definition, IReadOnlyList<ProfileSegment> Profile)
    where T : notnull;

/// <summary>One earlier state.</summary>
public sealed record SheetRevision<T>(int Revision, string By, DateTimeOffset At, T Definition)
    where T : notnull;

/// <summary>What a definition would look like, and what is wrong with it; nothing is saved.</summary>
public sealed record SheetPreview(IReadOnlyList<ProfileSegment> Profile, IReadOnlyList<Fault> Faults);

/// <summary>How one kind of stored thing is checked, named and drawn.</summary>
/// <param name="Word">The trade's word for it.</param>
/// <param name="Name">Its name within its kind.</param>
/// <param name="Check">Checks a definition against the rest of the shelf.</param>
/// <param name="Profile">Its profile; empty for what has none.</param>
public sealed record StoredKind<TStored, T>(string Word, Func<T, string> Name, Func<T, ShelfView, InputCheck> Check, Func<T, ShelfView, IReadOnlyList<ProfileSegment>> Profile);

/// <summary>List, read, add, change, preview and history, the same for every kind of stored thing.</summary>
public static class StoredEndpoints
{
    public static void MapStored<TStored, T>(this IEndpointRouteBuilder api, string path, StoredKind<TStored, T> kind, Func<TStored> create)
        where TStored : Stored<T>
        where T : class
    {
        RouteGroupBuilder group = api.MapGroup(path).WithTags(path.Trim('/'));

        group.MapGet("/", async (IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            return (await db.Set<TStored>().AsNoTracking().OrderBy(s => s.Name).ToListAsync()).ConvertAll(s => SheetOf(s, kind, view));
        });

        group.MapGet("/{id:int}", async (int id, HttpContext context, IncisuraDb db, Shelf shelf) =>
        {
            TStored stored = await db.Set<TStored>().AsNoTracking().FirstOrDefaultAsync(s => s.Id == id) ?? throw Missing(kind.Word, id);
            Tags.Send(context, stored.Revision);
            return SheetOf(stored, kind, await shelf.ViewAsync(db));
        });

        group.MapPost("/preview", async (T definition, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            InputCheck check = kind.Check(definition, view);
            return new SheetPreview(check.Faults.Count == 0 ? kind.Profile(definition, view) : [], [.. check.Faults.Select(Fault.Of)]);
        }).RequireAuthorization(Access.Engineers);

        group.MapPost("/", async (T definition, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            kind.Check(definition, view).ThrowIfAny();
            TStored stored = create();
            Write(stored, definition, kind.Name(definition), context, clock);
            db.Add(stored);
            await db.SaveChangesAsync();
            shelf.Forget();
            Tags.Send(context, stored.Revision);
            return TypedResults.Created($"{context.Request.Path}/{stored.Id}", SheetOf(stored, kind, await shelf.ViewAsync(db)));
        }).RequireAuthorization(Access.Engineers);

        group.MapPut("/{id:int}", async (int id, T definition, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            int from = Tags.Required(context);
            TStored stored = await db.Set<TStored>().FirstOrDefaultAsync(s => s.Id == id) ?? throw Missing(kind.Word, id);
            ShelfView view = await shelf.ViewAsync(db);
            if (stored.Revision != from) throw Lost(stored, view);
            kind.Check(definition, view).ThrowIfAny();
            Write(stored, definition, kind.Name(definition), context, clock);
            try
            {
                await db.SaveChangesAsync();
            }
            catch (DbUpdateConcurrencyException)
            {
                throw Lost(await db.Set<TStored>().AsNoTracking().FirstAsync(s => s.Id == id), view);
            }

            shelf.Forget();
            Tags.Send(context, stored.Revision);
            return SheetOf(stored, kind, await shelf.ViewAsync(db));
        }).RequireAuthorization(Access.Engineers);

        group.MapGet("/{id:int}/revisions", async (int id, IncisuraDb db) =>
        {
            string word = create().Kind;
            List<Revision> rows = await db.History.AsNoTracking().Where(r => r.Kind == word && r.ObjectId == id).OrderByDescending(r => r.Number).ToListAsync();
            if (rows.Count == 0) throw Missing(kind.Word, id);
            return rows.ConvertAll(r => new SheetRevision<T>(r.Number, r.By, r.At, DefinitionFormat.Read<T>(r.Json)));
        });

        LostRaceException Lost(TStored current, ShelfView view) =>
            new($"{current.ChangedBy} saved revision {current.Revision} of this {kind.Word} while you worked. Yours was not saved; compare both and save again.", SheetOf(current, kind, view));
    }

    private static Sheet<T> SheetOf<TStored, T>(TStored s, StoredKind<TStored, T> kind, ShelfView view)
        where TStored : Stored<T>
        where T : class => new(s.Id, s.Revision, s.ChangedBy, s.ChangedAt, s.Definition, kind.Profile(s.Definition, view));

    private static void Write<T>(Stored<T> stored, T definition, string name, HttpContext context, TimeProvider clock)
        where T : class
    {
        stored.Take(definition, name.Trim());
        stored.ChangedBy = context.User.Actor().Name;
        stored.ChangedAt = clock.GetUtcNow();
    }

    private static MissingException Missing(string word, int id) => new($"There is no {word} with the identity {id}; go back to the list and choose one.");
}

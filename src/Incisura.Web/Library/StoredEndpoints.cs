using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Geometry;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Library;

/// <summary>How a definition looks and what is to be said of it.</summary>
/// <param name="Profile">Its profile; empty where it has none.</param>
/// <param name="Built">What an assembly comes to; null for everything else.</param>
/// <param name="Doubts">Questions about values that can be taken.</param>
/// <param name="Ranges">Ranges that follow the other dimensions, by field.</param>
public sealed record Looks(
    Profile Profile, BuiltView? Built = null, IReadOnlyList<Fault>? Doubts = null, IReadOnlyList<FieldRange>? Ranges = null, string? Thread = null)
{
    public static Looks None { get; } = new(Profile.None);
}

/// <summary>The range a field may be in while the others are as they are.</summary>
public sealed record FieldRange(string Field, double Least, double Most);

/// <summary>A stored thing on the wire: its definition at a revision, and how it looks.</summary>
public sealed record Sheet<T>(int Id, int Revision, string ChangedBy, DateTimeOffset ChangedAt, T Definition, Looks Looks)
    where T : notnull;

/// <summary>One earlier state.</summary>
public sealed record SheetRevision<T>(int Revision, string By, DateTimeOffset At, T Definition)
    where T : notnull;

/// <summary>What a definition would look like, and what is wrong with it; nothing is saved.</summary>
public sealed record SheetPreview(Looks Looks, IReadOnlyList<Fault> Faults);

/// <summary>How one kind of stored thing is checked, named and drawn.</summary>
/// <param name="Word">The trade's word for it.</param>
/// <param name="Name">Its name within its kind.</param>
/// <param name="Check">Checks a definition against the rest of the shelf.</param>
/// <param name="Look">How it looks, faulty or not; <see cref="Looks.None"/> for what cannot be seen.</param>
/// <param name="Create">Makes an empty row.</param>
public sealed record StoredKind<TStored, T>(
    string Word, Func<T, string> Name, Func<T, ShelfView, int, InputCheck> Check, Func<T, ShelfView, bool, Looks> Look, Func<TStored> Create)
    where TStored : Stored<T>
    where T : class
{
    /// <summary>A row as its readers see it.</summary>
    public Sheet<T> SheetOf(TStored s, ShelfView view) =>
        new(s.Id, s.Revision, s.ChangedBy, s.ChangedAt, s.Definition, Look(s.Definition, view, true));
}

/// <summary>Lets one change of library and shop be judged and saved after the other.</summary>
public sealed class OneWriter(Shelf shelf) : IEndpointFilter
{
    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        using IDisposable turn = await shelf.WritingAsync(context.HttpContext.RequestAborted);
        return await next(context);
    }
}

/// <summary>Read, add, change, preview and history, the same for every kind of stored thing.</summary>
public static class StoredEndpoints
{
    // Fields that a profile is made from; without a number or a group a thing can be drawn all the same.
    private static readonly string[] Shapes = ["family", "dimensions", "picks", "segments", "cutterId", "holderId", "projection", "extensions"];

    public static void MapStored<TStored, T>(this IEndpointRouteBuilder api, string path, StoredKind<TStored, T> kind)
        where TStored : Stored<T>
        where T : class
    {
        RouteGroupBuilder group = api.MapGroup(path).WithTags(path.Trim('/'));

        group.MapGet("/{id:int}", async (int id, HttpContext context, IncisuraDb db, Shelf shelf) =>
        {
            TStored stored = await db.Set<TStored>().AsNoTracking().FirstOrDefaultAsync(s => s.Id == id) ?? throw Missing(kind.Word, id);
            Tags.Send(context, stored.Revision);
            return kind.SheetOf(stored, await shelf.ViewAsync(db));
        });

        group.MapPost("/preview", async (T definition, int? id, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            InputCheck check = kind.Check(definition, view, id ?? 0);
            return new SheetPreview(
                kind.Look(definition, view, !check.Faults.Any(f => Shapes.Any(s => f.Field.StartsWith(s, StringComparison.Ordinal)))),
                [.. check.Faults.Select(Fault.Of)]);
        }).RequireAuthorization(Access.Engineers);

        group.MapPost("/", async (T definition, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            kind.Check(definition, view, 0).ThrowIfAny();
            TStored stored = kind.Create();
            Write(stored, definition, kind.Name(definition), context, clock);
            db.Add(stored);
            await db.SaveChangesAsync();
            shelf.Put(stored);
            Tags.Send(context, stored.Revision);
            return TypedResults.Created($"{context.Request.Path}/{stored.Id}", kind.SheetOf(stored, await shelf.ViewAsync(db)));
        }).AddEndpointFilter<OneWriter>().RequireAuthorization(Access.Engineers);

        group.MapPut("/{id:int}", async (int id, T definition, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            int from = Tags.Required(context);
            TStored stored = await db.Set<TStored>().FirstOrDefaultAsync(s => s.Id == id) ?? throw Missing(kind.Word, id);
            ShelfView view = await shelf.ViewAsync(db);
            if (stored.Revision != from) throw Lost(stored, view);
            kind.Check(definition, view, id).ThrowIfAny();
            Write(stored, definition, kind.Name(definition), context, clock);
            try
            {
                await db.SaveChangesAsync();
            }
            catch (DbUpdateConcurrencyException)
            {
                throw Lost(await db.Set<TStored>().AsNoTracking().FirstAsync(s => s.Id == id), view);
            }

            shelf.Put(stored);
            Tags.Send(context, stored.Revision);
            return kind.SheetOf(stored, await shelf.ViewAsync(db));
        }).AddEndpointFilter<OneWriter>().RequireAuthorization(Access.Engineers);

        group.MapGet("/{id:int}/revisions", async (int id, IncisuraDb db) =>
        {
            string word = kind.Create().Kind;
            List<Revision> rows = await db.History.AsNoTracking()
                .Where(r => r.Kind == word && r.ObjectId == id)
                .OrderByDescending(r => r.Number)
                .ToListAsync();
            if (rows.Count == 0) throw Missing(kind.Word, id);
            return rows.ConvertAll(r => new SheetRevision<T>(r.Number, r.By, r.At, DefinitionFormat.Read<T>(r.Json)));
        });

        LostRaceException Lost(TStored current, ShelfView view) =>
            new(
                $"{current.ChangedBy} saved revision {current.Revision} of this {kind.Word} while you worked. Yours was "
                    + "not saved; compare both and save again.",
                kind.SheetOf(current, view));
    }

    /// <summary>Maps a list that is short and always read whole.</summary>
    public static void MapAll<TStored, T>(
        this IEndpointRouteBuilder api, string path, StoredKind<TStored, T> kind, Func<ShelfView, IReadOnlyDictionary<int, TStored>> all)
        where TStored : Stored<T>
        where T : class => api.MapGet(path, async (IncisuraDb db, Shelf shelf) =>
    {
        ShelfView view = await shelf.ViewAsync(db);
        return all(view).Values.OrderBy(s => s.Name, StringComparer.OrdinalIgnoreCase).Select(s => kind.SheetOf(s, view)).ToList();
    }).WithTags(path.Trim('/'));

    /// <summary>Takes over a definition in the name of whoever calls.</summary>
    internal static void Write<T>(Stored<T> stored, T definition, string name, HttpContext context, TimeProvider clock)
        where T : class
    {
        stored.Take(definition, name.Trim());
        stored.ChangedBy = context.User.Actor().Name;
        stored.ChangedAt = clock.GetUtcNow();
    }

    internal static MissingException Missing(string word, int id) =>
        new($"There is no {word} with the identity {id}; go back to the list and choose one.");
}

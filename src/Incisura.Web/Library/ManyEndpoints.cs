using System.Text.Json;
using System.Text.Json.Nodes;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Library;

/// <summary>Many things and what to change in all of them: values by field, such as coating or dimensions.FHA; null takes a value out.</summary>
public sealed record ManyRequest(IReadOnlyList<int> Ids, IReadOnlyDictionary<string, JsonElement> Changes);

/// <summary>What would change in one of them.</summary>
public sealed record ManyChange(int Id, int Revision, string Number, IReadOnlyList<FieldChange> Changes, IReadOnlyList<Fault> Faults);

/// <summary>A field with its value before and after, as JSON.</summary>
public sealed record FieldChange(string Field, JsonNode? From, JsonNode? To);

/// <summary>Which revisions were seen in the preview.</summary>
public sealed record ManyApply(IReadOnlyList<ManySeen> Seen, IReadOnlyDictionary<string, JsonElement> Changes);

/// <summary>One thing and the revision that was seen.</summary>
public sealed record ManySeen(int Id, int Revision);

/// <summary>What was changed at once, with the number to take it back by.</summary>
public sealed record BatchView(int Id, string About, int Count, bool TakesBack);

/// <summary>Changes many things at once: preview, apply all or nothing, and one undo.</summary>
public static class ManyEndpoints
{
    private const int Most = 5000;

    public static void MapMany<TStored, T>(
        this IEndpointRouteBuilder library, string path, StoredKind<TStored, T> kind, Func<ShelfView, IReadOnlyDictionary<int, TStored>> all)
        where TStored : Stored<T>
        where T : class
    {
        RouteGroupBuilder group = library.MapGroup(path).WithTags(path.Trim('/')).RequireAuthorization(Access.Engineers);

        group.MapPost("/many/preview", async (ManyRequest request, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            Known(request.Ids, all(view));
            List<(TStored Stored, T After)> changed =
                [.. Limited(request.Ids).Select(id => (all(view)[id], Changed(all(view)[id].Definition, request.Changes)))];
            ShelfView next = view.With(changed.ConvertAll(c => (IStored)Kept(kind, c.Stored, c.After)));
            return changed.ConvertAll(c => new ManyChange(
                c.Stored.Id,
                c.Stored.Revision,
                c.Stored.Name,
                Differences(c.Stored.Definition, c.After),
                [
                    .. kind.Check(c.After, view, c.Stored.Id).Faults
                    .Concat(kind.Check(c.After, next, c.Stored.Id).Faults)
                    .Select(Fault.Of)
                    .Distinct()]));
        });

        group.MapPost("/many", async (ManyApply request, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            Known([.. request.Seen.Select(s => s.Id)], all(view));
            Dictionary<int, int> seen = Limited([.. request.Seen.Select(s => s.Id)])
                .ToDictionary(id => id, id => request.Seen.First(s => s.Id == id).Revision);
            return await BatchAsync(kind, db, shelf, context, clock, $"{string.Join(", ", request.Changes.Keys)} of {seen.Count}", seen, s =>
            {
                T after = Changed(s.Definition, request.Changes);
                kind.Check(after, view, s.Id).ThrowIfAny();
                return after;
            });
        }).AddEndpointFilter<OneWriter>();

        group.MapPost("/many/{batch:int}/undo", async (int batch, HttpContext context, IncisuraDb db, Shelf shelf, TimeProvider clock) =>
        {
            string word = kind.Create().Kind;
            BatchRow row = await db.Batches.FirstOrDefaultAsync(b => b.Id == batch && b.Kind == word)
                ?? throw new MissingException($"There is no change {batch} to take back.");
            if (row.UndoneAt is not null) throw new Core.Records.RuleException("undone", "This change has been taken back already.");
            List<BatchItem> items = DefinitionFormat.Read<List<BatchItem>>(row.Items);
            List<int> ids = items.ConvertAll(i => i.Id);
            Dictionary<(int, int), string> before = await db.History.AsNoTracking()
                .Where(h => h.Kind == word && ids.Contains(h.ObjectId))
                .ToDictionaryAsync(h => (h.ObjectId, h.Number), h => h.Json);
            row.UndoneAt = clock.GetUtcNow();
            return await BatchAsync(
                kind, db, shelf, context, clock, row.About, items.ToDictionary(i => i.Id, i => i.After),
                s => DefinitionFormat.Read<T>(before[(s.Id, items.First(i => i.Id == s.Id).Before)]), takesBack: row);
        }).AddEndpointFilter<OneWriter>();
    }

    /// <summary>Changes things together, each from the revision that was seen, and keeps what is needed to take it back.</summary>
    /// <exception cref="LostRaceException">Somebody changed one of them meanwhile; nothing is changed.</exception>
    internal static async Task<BatchView> BatchAsync<TStored, T>(
        StoredKind<TStored, T> kind, IncisuraDb db, Shelf shelf, HttpContext context, TimeProvider clock, string about,
        IReadOnlyDictionary<int, int> seen, Func<TStored, T> change, BatchRow? takesBack = null)
        where TStored : Stored<T>
        where T : class
    {
        await using var own = db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync() : null;
        List<int> ids = [.. seen.Keys];
        List<TStored> rows = await db.Set<TStored>().Where(s => ids.Contains(s.Id)).ToListAsync();
        if (rows.FirstOrDefault(r => r.Revision != seen[r.Id]) is { } moved)
            throw new LostRaceException(
                $"{moved.ChangedBy} changed {moved.Name} meanwhile (revision {moved.Revision}). Nothing was changed; look again and repeat.",
                kind.SheetOf(moved, await shelf.ViewAsync(db)));
        List<BatchItem> items = [];
        foreach (TStored row in rows)
        {
            T after = change(row);
            items.Add(new(row.Id, row.Revision, row.Revision + 1));
            StoredEndpoints.Write(row, after, kind.Name(after), context, clock);
        }

        // Each is judged beside all the others as they will stand.
        ShelfView next = (await shelf.ViewAsync(db)).With(rows);
        foreach (TStored row in rows) kind.Check(row.Definition, next, row.Id).ThrowIfAny();
        BatchRow batch = new()
        {
            Kind = kind.Create().Kind,
            By = context.User.Actor().Name,
            At = clock.GetUtcNow(),
            About = about,
            Items = DefinitionFormat.Write(items),
            TakesBack = takesBack,
        };
        db.Add(batch);
        await db.SaveChangesAsync();
        if (own is not null) await own.CommitAsync();
        if (own is not null) shelf.Put(rows);
        return new(batch.Id, about, rows.Count, takesBack is not null);
    }

    /// <summary>The fields in which two definitions differ, nested ones by their path.</summary>
    internal static IReadOnlyList<FieldChange> Differences<T>(T before, T after)
    {
        List<FieldChange> changes = [];
        Compare(
            "", JsonSerializer.SerializeToNode(before, DefinitionFormat.Options), JsonSerializer.SerializeToNode(after, DefinitionFormat.Options));
        return changes;

        void Compare(string path, JsonNode? a, JsonNode? b)
        {
            if (a is JsonObject from && b is JsonObject to)
                foreach (string key in from.Select(p => p.Key).Union(to.Select(p => p.Key)))
                    Compare(path.Length == 0 ? key : $"{path}.{key}", from[key], to[key]);
            else if (!JsonNode.DeepEquals(a, b)) changes.Add(new(path, a?.DeepClone(), b?.DeepClone()));
        }
    }

    // A thing as it would be kept.
    private static TStored Kept<TStored, T>(StoredKind<TStored, T> kind, TStored stored, T definition)
        where TStored : Stored<T>
        where T : class
    {
        TStored changed = kind.Create();
        (changed.Id, changed.Revision) = (stored.Id, stored.Revision);
        changed.Take(definition, stored.Name);
        return changed;
    }

    private static void Known<TStored>(IEnumerable<int> ids, IReadOnlyDictionary<int, TStored> all)
    {
        int[] gone = [.. ids.Where(id => !all.ContainsKey(id)).Distinct()];
        new InputCheck()
            .Holds(
                gone.Length == 0, "ids", gone.Length,
                $"{gone.Length} of the rows chosen are not in the library (identities "
                    + $"{string.Join(", ", gone.Take(5))}{(gone.Length > 5 ? " …" : "")}); choose them anew.")
            .ThrowIfAny();
    }

    private static IReadOnlyList<int> Limited(IReadOnlyList<int> ids)
    {
        new InputCheck().Holds(ids.Count is > 0 and <= Most, "ids", ids.Count, $"Choose 1 to {Most} rows; {ids.Count} are chosen.").ThrowIfAny();
        return [.. ids.Distinct()];
    }

    private static T Changed<T>(T definition, IReadOnlyDictionary<string, JsonElement> changes)
    {
        JsonObject json = JsonSerializer.SerializeToNode(definition, DefinitionFormat.Options)!.AsObject();
        foreach ((string path, JsonElement value) in changes)
        {
            int dot = path.IndexOf('.', StringComparison.Ordinal);
            JsonObject at = dot < 0 ? json : json[path[..dot]] as JsonObject ?? throw Unknown(path);
            string key = dot < 0 ? path : path[(dot + 1)..];
            if (dot < 0 && (!at.ContainsKey(key) || key is "number")) throw Unknown(path);
            if (value.ValueKind == JsonValueKind.Null && dot < 0)
                throw new InputException(
                    [new(path, double.NaN, double.NaN, double.NaN, $"“{path}” cannot be nothing; give it a value, or leave it out of the change.")]);
            if (value.ValueKind == JsonValueKind.Null) at.Remove(key);
            else at[key] = JsonNode.Parse(value.GetRawText());
        }

        try
        {
            return json.Deserialize<T>(DefinitionFormat.Options)!;
        }
        catch (JsonException e)
        {
            throw new InputException(
                [new(
                    e.Path?.TrimStart('$', '.') ?? "", double.NaN, double.NaN, double.NaN,
                    "This value does not fit the field; give it in the field's form.")]);
        }

        static InputException Unknown(string path) =>
            new([new(path, double.NaN, double.NaN, double.NaN, $"“{path}” cannot be changed in many at once; choose another field.")]);
    }
}

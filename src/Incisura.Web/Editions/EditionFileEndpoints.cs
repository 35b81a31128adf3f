using System.Text.Json;
using Incisura.Core.Calculation;
using Incisura.Core.Quantities;
using Incisura.Exchange.Editions;
using Incisura.Exchange.Tables;
using Incisura.Web.Accounts;
using Incisura.Web.Hosting;
using Incisura.Web.Library;
using Microsoft.EntityFrameworkCore;
using Microsoft.Net.Http.Headers;

namespace Incisura.Web.Editions;

/// <summary>Editions as files: the bytes that were signed, their signature and keys, figures alone, tables.</summary>
public static class EditionFileEndpoints
{
    // The bytes of an edition never change.
    private const string ForEver = "private, max-age=31536000, immutable";

    public static void MapEditionFiles(this RouteGroupBuilder group)
    {
        group.MapGet("/{number:int}/file", async (int number, HttpContext context, IncisuraDb db, CancellationToken cancel) =>
        {
            EditionFileRow file = await FileAsync(db, number);
            if (Known(context, file)) return Results.StatusCode(StatusCodes.Status304NotModified);
            return Results.Stream(
                to => EditionStore.WriteAsync(db, file, to, cancel), "application/json", NameOf(number) + ".json");
        }).Produces<byte[]>(contentType: "application/json").TellsWhoTakesIt();

        group.MapGet("/{number:int}/signature", async (int number, HttpContext context, IncisuraDb db) =>
        {
            EditionFileRow file = await FileAsync(db, number);
            if (file.Signature.Length == 0)
                throw new MissingException($"Edition {number} was published before editions were signed; its digest is all there is.");
            context.Response.Headers.CacheControl = ForEver;
            return TypedResults.File(file.Signature, "application/octet-stream", NameOf(number) + ".json.sig");
        }).Produces<byte[]>();

        group.MapGet("/{number:int}/figures", async (int number, HttpContext context, IncisuraDb db, CancellationToken cancel) =>
        {
            EditionFileRow file = await FileAsync(db, number);
            if (Known(context, file, "f")) return Results.StatusCode(StatusCodes.Status304NotModified);
            List<FiguresOf> records = [];
            await foreach (PublishedRecord p in RecordsAsync(db, number, cancel)) records.Add(FiguresOf.Of(p));
            return Results.File(
                EditionFile.Write(new FiguresFile(FiguresFile.Form, new(number, file.Sha256), Published.UnitsStated, records)), "application/json",
                NameOf(number) + "-figures.json");
        }).Produces<byte[]>(contentType: "application/json");

        group.MapGet("/{number:int}/table.{format}", async (int number, string format, IncisuraDb db, CancellationToken cancel) =>
        {
            await FileAsync(db, number);
            List<PublishedRecord> records = [];
            await foreach (PublishedRecord p in RecordsAsync(db, number, cancel)) records.Add(p);
            return Table(NameOf(number), format, records);
        }).Produces<byte[]>().TellsWhoTakesIt();

        group.MapEditionCards();
        group.MapGet("/schema", () =>
            TypedResults.File(JsonSerializer.SerializeToUtf8Bytes(EditionSchema.Of(), Readable), "application/schema+json", "edition.schema.json"))
            .Produces<byte[]>();

        group.MapGet("/keys", KeysAsync);
        group.MapGet("/keys/{id}.pem", async (string id, IncisuraDb db) =>
            await db.EditionKeys.FindAsync(id) is { } key
                ? TypedResults.File(PemOf(key), "application/x-pem-file", NameOf(key))
                : throw new MissingException($"No edition was signed with a key {id}.")).Produces<byte[]>();
        group.MapPost("/keys", async (HttpContext context, IncisuraDb db, SigningKeys keys) =>
        {
            keys.Renew();
            await keys.TellAsync(db, context.User.Actor().Name);
            return await KeysAsync(db, keys);
        }).RequireAuthorization(Access.Administrators);
    }

    /// <summary>The published records of an edition, in the order of their numbers.</summary>
    public static async IAsyncEnumerable<PublishedRecord> RecordsAsync(
        IncisuraDb db, int number, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        foreach (int[] batch in (await EditionStore.LeafIdsAsync(db, number, cancel)).Chunk(EditionReading.Most))
        {
            IReadOnlyDictionary<int, PublishedLeaf> leaves = await EditionReading.LeavesAsync(db, batch, cancel);
            foreach (int id in batch) yield return leaves[id].Record;
        }
    }

    private static readonly JsonSerializerOptions Readable = new() { WriteIndented = true };

    /// <summary>What the files of an edition are called, without their endings.</summary>
    internal static string NameOf(int number) => $"edition-{number}";

    /// <summary>What the file of a public key is called.</summary>
    internal static string NameOf(EditionKeyRow key) => $"edition-key-{key.Id}.pem";

    /// <summary>What is in it.</summary>
    internal static byte[] PemOf(EditionKeyRow key) => System.Text.Encoding.ASCII.GetBytes(key.Pem + "\n");

    private static async Task<EditionFileRow> FileAsync(IncisuraDb db, int number) =>
        await db.EditionFiles.AsNoTracking().FirstOrDefaultAsync(f => f.EditionNumber == number)
            ?? throw new MissingException($"There is no edition {number}; go back to the list and choose one.");

    // Sends the tag and whether whoever asks has these bytes already.
    private static bool Known(HttpContext context, EditionFileRow file, string form = "")
    {
        EntityTagHeaderValue tag = new($"\"{form}{file.Sha256}\"");
        context.Response.Headers.CacheControl = ForEver;
        context.Response.GetTypedHeaders().ETag = tag;
        return context.Request.GetTypedHeaders().IfNoneMatch is { } known
            && known.Any(t => t.Compare(tag, useStrongComparison: false) || t == EntityTagHeaderValue.Any);
    }

    private static async Task<List<EditionKeyView>> KeysAsync(IncisuraDb db, SigningKeys keys)
    {
        string current = keys.Public().Id;
        var signed = await db.EditionFiles.AsNoTracking().Where(f => f.KeyId != "").Select(f => new { f.KeyId, f.EditionNumber }).ToListAsync();
        return
        [
            .. (await db.EditionKeys.AsNoTracking().OrderByDescending(k => k.Since).ToListAsync())
                .Select(k => new EditionKeyView(
                    k.Id, k.Pem, k.Since, [.. signed.Where(s => s.KeyId == k.Id).Select(s => s.EditionNumber).Order()], k.Id == current)),
        ];
    }

    private static Microsoft.AspNetCore.Http.HttpResults.FileContentHttpResult Table(string name, string format, List<PublishedRecord> records)
    {
        List<Figure> columns =
        [
            .. records.SelectMany(p => p.Figures().Where(f => f.Rank != FigureRank.Behind).Concat(p.Settings.Select(s => s.AsFigure())))
                .DistinctBy(f => f.Code),
        ];
        return TableAnswer.Send(
            name, format, records,
            [
                "record", "revision", "operation", "thread", "material", "hardness [HB]", "machine", "assembly", "cutter", "coolant",
                "length register", "diameter register", "kept in", "stands in", .. columns.Select(HeadingOf), "cautions", "stands against it",
                "holds until", "pieces", "note", "approved by",
            ],
            p =>
            [
                p.Record, (double)p.Revision, p.Operation.Name, p.Operation.Thread, p.Material.Name, p.Material.Hardness, p.Machine.Name,
                p.Assembly.Number, p.Cutter.Number, p.Options.FirstOrDefault(o => o.Code == Common.Coolant)?.Words,
                (double?)p.Assembly.LengthRegister, (double?)p.Assembly.DiameterRegister, p.Assembly.StockPlace,
                string.Join(", ", p.Assembly.Places),
                .. columns.Select(c => (object?)ValueOf(p, c.Code)),
                string.Join(" ", p.Findings.Where(f => f.Severity == "caution").Select(f => f.Says)), p.Against(), p.Until,
                (double?)p.Pieces, p.Note, p.ApprovedBy,
            ]);
    }

    private static string HeadingOf(Figure column) =>
        Units.Of(column.Quantity).Metric.Unit is { Length: > 0 } unit ? $"{column.Name} [{unit}]" : column.Name;

    private static double? ValueOf(PublishedRecord p, string code) =>
        p.Figures.FirstOrDefault(f => f.Code == code)?.Value ?? p.Settings.FirstOrDefault(s => s.Code == code)?.Value;
}

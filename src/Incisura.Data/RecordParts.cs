using System.Text;
using System.Text.Json.Nodes;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Data;

/// <summary>A thing a revision rests on: its identity and revision then, and the hash of its content.</summary>
public sealed record PartMark(int Id, int Number, string Hash);

/// <summary>All a revision rests on.</summary>
public sealed record PartMarks(
    PartMark Material, PartMark Cutter, PartMark Holder, IReadOnlyList<PartMark> Extensions, PartMark Assembly, PartMark Machine, PartMark Chart)
{
    /// <summary>Hashes of all of them.</summary>
    public IEnumerable<string> Hashes => new[] { Material, Cutter, Holder, Assembly, Machine, Chart }.Concat(Extensions).Select(m => m.Hash);
}

/// <summary>What a result is derived from, step by step; kept apart, since only a reader of one record asks for it.</summary>
public sealed record Derivation(IReadOnlyList<Given> Givens, IReadOnlyList<DerivationStep> Steps);

/// <summary>
/// Keeps what records rest on: each thing once for each content it had, of the chart only the row that was read; and puts situations
/// together again.
/// </summary>
public static class RecordParts
{
    private const int Batch = 50;

    /// <summary>Writes what a revision says and what it rests on into it, and its parts into the database.</summary>
    /// <param name="db">The database.</param>
    /// <param name="record">The record.</param>
    /// <param name="row">Its revision.</param>
    /// <param name="situation">The situation it is for.</param>
    /// <param name="choices">What was chosen.</param>
    /// <param name="result">What came out.</param>
    public static async Task KeepAsync(
        IncisuraDb db, RecordRow record, RecordRevisionRow row, Situation situation, Choices choices, CalculationResult result)
    {
        record.CutterId = situation.Cutter.Id;
        if (Operations.Find(record.Operation) is { } known) situation = situation.For(known.Description);
        PartMarks marks = new(
            await Keep("material", situation.Material), await Keep("cutter", situation.Cutter), await Keep("holder", situation.Holder),
            await KeepAll(situation.Extensions), await Keep("assembly", situation.Assembly), await Keep("machine", situation.Machine),
            await Keep("chart", situation.Chart));
        SituationWords words = SituationWords.Of(record.Operation, situation, result);
        JudgedLimit? worst = result.Limits.MaxBy(l => l.Use ?? 0);
        row.Choices = DefinitionFormat.Write(choices);
        row.Footings = DefinitionFormat.Write(marks);
        row.Result = DefinitionFormat.Write(result with { Givens = [], Steps = [] });
        row.Derivation = Packed.Pack(Encoding.UTF8.GetBytes(DefinitionFormat.Write(new Derivation(result.Givens, result.Steps))));
        row.Words = DefinitionFormat.Write(words);
        row.Search = string.Join(
            ' ', record.Number, words.OperationName, words.Material, words.Condition, words.Assembly, situation.Cutter.Value.Number,
            situation.Cutter.Value.Described.Name, words.Holder, words.Machine, situation.Cutter.Value.TapThread?.ToString()).ToLowerInvariant();
        (row.WorstLimit, row.WorstUse) = (worst?.Kind ?? "", worst?.Use ?? 0);
        (row.Operation, row.MaterialId, row.MachineId, row.CutterId) = (record.Operation, record.MaterialId, record.MachineId, record.CutterId);
        row.ThreadId = choices.Extras.OfType<ThreadToCut>().FirstOrDefault()?.OwnId ?? 0;

        async Task<PartMark> Keep<T>(string kind, Revised<T> thing)
            where T : class
        {
            string json = Canonical(DefinitionFormat.Write(thing.Value)), hash = HashOf(json);
            await db.Database.ExecuteSqlAsync($"""INSERT OR IGNORE INTO "Parts" ("Hash", "Kind", "Json") VALUES ({hash}, {kind}, {json})""");
            return new(thing.Id, thing.Number, hash);
        }

        async Task<IReadOnlyList<PartMark>> KeepAll(IReadOnlyList<Revised<Holder>> extensions)
        {
            List<PartMark> kept = [];
            foreach (Revised<Holder> e in extensions) kept.Add(await Keep("holder", e));
            return kept;
        }
    }

    /// <summary>The situations of some revisions, by the identity of each.</summary>
    public static async Task<IReadOnlyDictionary<int, Situation>> SituationsAsync(
        IncisuraDb db, IReadOnlyCollection<RecordRevisionRow> rows, CancellationToken cancel = default)
    {
        Dictionary<int, PartMarks> marks = rows.ToDictionary(r => r.Id, r => DefinitionFormat.Read<PartMarks>(r.Footings));
        List<string> hashes = [.. marks.Values.SelectMany(m => m.Hashes).Distinct()];
        Dictionary<string, string> parts = await db.Parts.AsNoTracking().Where(p => hashes.Contains(p.Hash))
            .ToDictionaryAsync(p => p.Hash, p => p.Json, cancel);
        Dictionary<string, object> read = [];
        return marks.ToDictionary(m => m.Key, m => new Situation
        {
            Material = At<WorkMaterial>(m.Value.Material),
            Cutter = At<Cutter>(m.Value.Cutter),
            Holder = At<Holder>(m.Value.Holder),
            Extensions = [.. m.Value.Extensions.Select(At<Holder>)],
            Assembly = At<Assembly>(m.Value.Assembly),
            Machine = At<Machine>(m.Value.Machine),
            Chart = At<SpeedChart>(m.Value.Chart),
        });

        Revised<T> At<T>(PartMark mark)
            where T : class
        {
            if (!read.TryGetValue(mark.Hash, out object? thing)) read[mark.Hash] = thing = DefinitionFormat.Read<T>(parts[mark.Hash]);
            return new(mark.Id, mark.Number, (T)thing);
        }
    }

    /// <summary>The situation of one revision.</summary>
    public static async Task<Situation> SituationAsync(IncisuraDb db, RecordRevisionRow row) => (await SituationsAsync(db, [row]))[row.Id];

    /// <summary>The result of a revision without its derivation.</summary>
    public static CalculationResult ResultOf(RecordRevisionRow row) => DefinitionFormat.Read<CalculationResult>(row.Result);

    /// <summary>The result of a revision with its derivation.</summary>
    public static CalculationResult WholeResultOf(RecordRevisionRow row)
    {
        Derivation derivation = DefinitionFormat.Read<Derivation>(Encoding.UTF8.GetString(Packed.Unpack(row.Derivation)));
        return ResultOf(row) with { Givens = derivation.Givens, Steps = derivation.Steps };
    }

    /// <summary>
    /// Takes apart what earlier versions wrote whole. Each batch is a transaction of its own, so that a kill in between loses nothing and the next
    /// start goes on.
    /// </summary>
    internal static async Task TakeApartAsync(IncisuraDb db, CancellationToken cancel)
    {
        bool any = false;
        while (true)
        {
            // What was kept can be searched; asked like this, the index answers, and a start need not read every record.
            List<int> whole = await db.RecordRevisions.Where(v => v.Search == "").Select(v => v.RecordId).Distinct().Order().Take(Batch)
                .ToListAsync(cancel);
            if (whole.Count == 0) break;
            List<RecordRow> records = await db.Records.Include(r => r.Revisions).ThenInclude(v => v.Events).AsSplitQuery()
                .Where(r => whole.Contains(r.Id)).ToListAsync(cancel);
            any = true;
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            foreach (RecordRow record in records)
            {
                foreach (RecordRevisionRow row in record.Revisions.Where(r => r.Footings.Length == 0))
                {
                    Situation situation = DefinitionFormat.Read<Situation>(row.SituationOnce);
                    CalculationResult result = DefinitionFormat.Read<CalculationResult>(row.Result);
                    await KeepAsync(db, record, row, situation, DefinitionFormat.Read<Choices>(row.Choices), result);
                    row.SituationOnce = "";
                    row.ChangedAt = row.Events.Max(e => e.At);
                    row.SentBack = row.State == RecordState.Draft && row.Events.MaxBy(e => e.Id)!.Act == RecordAct.SendBack;
                }

                record.Draw();
            }

            await db.SaveChangesAsync(cancel);
            await transaction.CommitAsync(cancel);
            db.ChangeTracker.Clear();
        }

        // What the whole situations took is given back to the disk.
        if (any) await db.Database.ExecuteSqlRawAsync("VACUUM", cancel);
    }

    /// <summary>SHA-256 of a text, in small hexadecimal letters.</summary>
    internal static string HashOf(string json) => EditionStore.Sha256(Encoding.UTF8.GetBytes(json));

    /// <summary>JSON with the members of each object in order of their names.</summary>
    internal static string Canonical(string json) => Sorted(JsonNode.Parse(json))!.ToJsonString();

    private static JsonNode? Sorted(JsonNode? node) => node switch
    {
        JsonObject o => new JsonObject(o.OrderBy(m => m.Key, StringComparer.Ordinal).Select(m => KeyValuePair.Create(m.Key, Sorted(m.Value)))),
        JsonArray a => new JsonArray([.. a.Select(Sorted)]),
        _ => node?.DeepClone(),
    };
}

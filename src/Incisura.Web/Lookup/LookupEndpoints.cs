using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Materials;
using Incisura.Core.Quantities;
using Incisura.Core.Records;
using Incisura.Exchange.Editions;
using Incisura.Web.Editions;
using Incisura.Web.Hosting;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Lookup;

/// <summary>The newest edition, as far as it answers a question. Nothing that was not published is in it.</summary>
/// <param name="Edition">Number of the edition; 0 where none was published yet.</param>
/// <param name="PublishedAt">When.</param>
/// <param name="AsksReading">Whether it asks whoever asked to say that it was read, which was not done yet.</param>
/// <param name="Entries">Approved figures, by shop number.</param>
/// <param name="Total">How many there are.</param>
/// <param name="Nearest">Where nothing fits, what is approved for something like it.</param>
public sealed record LookupAnswer(
    int Edition, DateTimeOffset? PublishedAt, bool AsksReading, IReadOnlyList<LookupEntry> Entries, int Total, IReadOnlyList<NearEntry> Nearest);

/// <summary>What the newest edition has for a machine.</summary>
public sealed record MachinePart(int MachineId, string Machine, int Count);

/// <summary>Approved figures to be kept on a device.</summary>
/// <param name="Text">All words they are found by, in small letters.</param>
/// <param name="Entry">The figures.</param>
public sealed record KeptEntry(string Text, LookupEntry Entry);

/// <summary>Some of a machine's part of the newest edition, to be kept on a device for a time without a network.</summary>
/// <param name="Edition">Number of the edition; 0 where none was published yet.</param>
/// <param name="PublishedAt">When.</param>
/// <param name="At">The moment this is true of.</param>
/// <param name="Total">How many records the part has.</param>
/// <param name="Entries">Those asked for.</param>
public sealed record LookupPart(int Edition, DateTimeOffset PublishedAt, DateTimeOffset At, int Total, IReadOnlyList<KeptEntry> Entries);

/// <summary>Approved figures for something like what was asked for.</summary>
/// <param name="Entry">The figures.</param>
/// <param name="Differs">In what it is not what was asked for.</param>
public sealed record NearEntry(LookupEntry Entry, IReadOnlyList<string> Differs);

/// <summary>A choice between words as it was approved.</summary>
public sealed record PickedOption(string Code, string Name, string Words);

/// <summary>Approved figures for one situation, as an operator needs them.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Situation">What they are for.</param>
/// <param name="Group">ISO 513 group of the material.</param>
/// <param name="LengthRegister">Length offset register; 0 for none.</param>
/// <param name="DiameterRegister">Diameter offset register; 0 for none.</param>
/// <param name="StockPlace">Where the assembly is kept.</param>
/// <param name="Places">Where it stood at machines when the edition was published.</param>
/// <param name="Figures">What is set at the machine, the foremost first.</param>
/// <param name="HoldsFor">What the part is that the figures hold for: stock, heights, holes.</param>
/// <param name="NotStated">Codes of those that nobody stated, so that a usual value was taken.</param>
/// <param name="Picked">What was picked, such as coolant, direction, how steadily the work is held.</param>
/// <param name="Way">What the tool does along its axis; empty where it does not move along it alone.</param>
/// <param name="Directions">Which way spindle and tool go, where that is a matter of the thread; null otherwise.</param>
/// <param name="Warning">The one warning that matters, or null.</param>
/// <param name="Since">What became of it since it was published.</param>
/// <param name="Note">The proposer's note.</param>
/// <param name="ApprovedBy">Who approved it.</param>
/// <param name="Terms">Accepted cautions, evidence, and how far the approval reaches.</param>
/// <param name="Cautions">Its cautions, each with why it may stand.</param>
/// <param name="Meanwhile">Where it does not hold: records of the same operation, material and machine that do.</param>
public sealed record LookupEntry(
    string Record,
    int Revision,
    SituationWords Situation,
    MaterialGroup Group,
    int LengthRegister,
    int DiameterRegister,
    string StockPlace,
    IReadOnlyList<string> Places,
    IReadOnlyList<Figure> Figures,
    IReadOnlyList<Figure> HoldsFor,
    IReadOnlyList<string> NotStated,
    IReadOnlyList<PickedOption> Picked,
    IReadOnlyList<WayPart> Way,
    Sentence? Directions,
    Sentence? Warning,
    SinceThen Since,
    string Note,
    string ApprovedBy,
    Terms Terms,
    IReadOnlyList<CautionView> Cautions,
    IReadOnlyList<Meanwhile> Meanwhile);

/// <summary>A record that can be run instead of one that does not hold.</summary>
public sealed record Meanwhile(string Record, SituationWords Situation);

/// <summary>The reader's fast page.</summary>
public static class LookupEndpoints
{
    private const int Most = 60, MostNear = 3, MostKept = 200;

    // What of the picks is seen to at the machine; the others follow.
    private static readonly string[] AtTheMachine = [Common.Coolant, "climb", "ways", "turning", "steadiness", "support"];

    public static void MapLookup(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder group = api.MapGroup("/lookup").WithTags("lookup");
        group.MapGet("/", AskAsync);
        group.MapGet("/parts", async (IncisuraDb db, LookupIndex index, CancellationToken cancel) =>
        {
            NewestEdition newest = await index.NewestAsync(db, cancel);
            return newest.Records.GroupBy(r => (r.Words.MachineId, r.Words.Machine))
                .Select(g => new MachinePart(g.Key.MachineId, g.Key.Machine, g.Count())).OrderBy(m => m.Machine, StringComparer.Ordinal).ToList();
        });
        group.MapGet("/parts/{machine:int}", PartAsync);
    }

    private static async Task<LookupPart> PartAsync(
        int machine, int? skip, int? take, IncisuraDb db, Shelf shelf, LookupIndex index, TimeProvider clock, CancellationToken cancel)
    {
        new InputCheck()
            .Within("take", "The number of records to give", take ?? MostKept, 1, MostKept, Quantity.Count)
            .Within("skip", "The number of records to leave out", skip ?? 0, 0, int.MaxValue, Quantity.Count)
            .ThrowIfAny();
        NewestEdition newest = await index.NewestAsync(db, cancel);
        List<Findable> part = [.. newest.Records.Where(r => r.Words.MachineId == machine)];
        List<Findable> some = [.. part.Skip(skip ?? 0).Take(take ?? MostKept)];
        DateTimeOffset now = clock.GetUtcNow();
        IReadOnlyList<LookupEntry> entries =
            await new Reading(newest.Records, db, await shelf.ViewAsync(db), clock.Today(), cancel).EntriesAsync(some);
        return new(newest.Number, newest.PublishedAt, now, part.Count, [.. some.Zip(entries, (f, e) => new KeptEntry(f.Text, e))]);
    }

    private static async Task<LookupAnswer> AskAsync(
        string? q, HttpContext context, IncisuraDb db, Shelf shelf, LookupIndex index, TimeProvider clock, CancellationToken cancel)
    {
        (int edition, DateTimeOffset publishedAt, bool asks, IReadOnlyList<Findable> records) = await index.NewestAsync(db, cancel);
        if (edition == 0) return new LookupAnswer(0, null, false, [], 0, []);
        string reader = context.User.Actor().Name;
        asks = asks && !await db.Readings.AnyAsync(r => r.EditionNumber == edition && r.Person == reader, cancel);
        string[] words = (q ?? "").ToLowerInvariant().Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        List<Findable> found = [.. records.Where(r => words.All(w => r.Text.Contains(w, StringComparison.Ordinal)))];
        Reading reading = new(records, db, await shelf.ViewAsync(db), clock.Today(), cancel);
        if (found.Count > 0 || q is null)
            return new LookupAnswer(edition, publishedAt, asks, await reading.EntriesAsync([.. found.Take(Most)]), found.Count, []);
        await Misses.NoteAsync(q, context.User.Actor(), db, reading.View, clock.GetUtcNow());
        List<Near> near = Nearness.Of(q, records, reading.View);
        IReadOnlyList<LookupEntry> entries = await reading.EntriesAsync(near.ConvertAll(n => n.Record));
        return new LookupAnswer(
            edition, publishedAt, asks, [], 0,
            [
                .. entries.Zip(near, (entry, n) => new NearEntry(entry, n.Differs)).Where(n => n.Entry.Since.What == Since.Holds)
                    .Take(MostNear),
            ]);
    }

    // The newest edition and the shelf, as they are at one question.
    private sealed record Reading(IReadOnlyList<Findable> Records, IncisuraDb Db, ShelfView View, DateOnly Today, CancellationToken Cancel)
    {
        public async Task<IReadOnlyList<LookupEntry>> EntriesAsync(List<Findable> found)
        {
            IReadOnlyDictionary<string, SinceThen> since = await SinceAsync(found);
            IReadOnlyDictionary<int, PublishedLeaf> leaves = await EditionReading.LeavesAsync(Db, found.ConvertAll(f => f.LeafId), Cancel);
            Dictionary<string, List<Findable>> like = found.Where(f => since[f.Record].What != Since.Holds).ToDictionary(f => f.Record, Like);
            IReadOnlyDictionary<string, SinceThen> others = await SinceAsync([.. like.Values.SelectMany(l => l).DistinctBy(l => l.Record)]);
            return found.ConvertAll(f => EntryOf(
                leaves[f.LeafId], since[f.Record],
                [
                    .. like.GetValueOrDefault(f.Record, []).Where(o => others[o.Record].What == Since.Holds).Take(MostNear)
                        .Select(o => new Meanwhile(o.Record, o.Words)),
                ]));
        }

        private Task<IReadOnlyDictionary<string, SinceThen>> SinceAsync(List<Findable> of) =>
            Publication.SinceAsync(of.ConvertAll(f => new Entry(f.Record, f.Revision)), Db, View, Today);

        // Nobody is sent to another material or machine by something that does not hold.
        private List<Findable> Like(Findable f) =>
        [
            .. Records.Where(r => r.Record != f.Record && r.Words.Operation == f.Words.Operation && r.Words.MaterialId == f.Words.MaterialId
                    && r.Words.MachineId == f.Words.MachineId)
                .OrderBy(r => Math.Abs(r.Words.Diameter - f.Words.Diameter)).Take(2 * MostNear),
        ];
    }

    private static LookupEntry EntryOf(PublishedLeaf leaf, SinceThen since, IReadOnlyList<Meanwhile> meanwhile)
    {
        PublishedRecord p = leaf.Record;
        IReadOnlyList<Finding> findings = p.Findings();
        return new(
            p.Record,
            p.Revision,
            leaf.Words,
            leaf.Words.Group,
            p.Assembly.LengthRegister ?? 0,
            p.Assembly.DiameterRegister ?? 0,
            p.Assembly.StockPlace,
            [.. p.Assembly.Places.Select(s => s.ToString())],
            [.. p.SetAtMachine().Select(Published.AsFigure)],
            [.. p.HoldsFor().Select(Published.AsFigure)],
            p.NotStated(),
            [
                .. p.Options.OrderBy(o => Array.IndexOf(AtTheMachine, o.Code) is var i and >= 0 ? i : AtTheMachine.Length)
                    .Select(o => new PickedOption(o.Code, o.Name, o.Words)),
            ],
            p.Stages.All(s => s.Length == 0 || s.From is not null) ? p.Stages() : [],
            findings.FirstOrDefault(f => f.Code == "directions")?.Text,
            since.Warning ?? findings.FirstOrDefault(f => f.Severity >= Severity.Caution)?.Text,
            since,
            p.Note,
            p.ApprovedBy,
            p.Terms(),
            RecordViews.CautionsOf(findings, p.Terms()),
            meanwhile);
    }
}

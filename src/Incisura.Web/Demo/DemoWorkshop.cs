using System.Security.Cryptography;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.HoleGroups;
using Incisura.Core.Holes;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Methods;
using Incisura.Core.Records;
using Incisura.Core.Threads;
using Incisura.Core.Turning;
using Incisura.Web.Accounts;
using Incisura.Web.Editions;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Demo;

/// <summary>A hole group of the demo, with material and machine by name.</summary>
public sealed record DemoHoleGroup(string Material, string Machine, HoleGroup Group);

/// <summary>An assembly of the demo, naming its parts by number.</summary>
public sealed record DemoAssembly(
    string Number, string Cutter, string Holder, double Projection, int LengthRegister, int DiameterRegister, string StockPlace,
    IReadOnlyList<DemoExtension>? Extensions, Dictionary<string, int>? Places);

/// <summary>An extension of a demo assembly.</summary>
public sealed record DemoExtension(string Holder, double Projection);

/// <summary>A record of the demo: who proposed it and how far it came.</summary>
public sealed record DemoRecord(
    string Operation, string Material, string Assembly, string Machine, Dictionary<string, double> Numbers, Dictionary<string, string> Options,
    string Note, RecordState State, bool Published, IReadOnlyList<CrossHole>? CrossHoles = null, string? Thread = null,
    string? Accepted = null, Evidence? Evidence = null, IReadOnlyList<OutlineStep>? Outline = null);

/// <summary>Fills an empty database with the demonstration workshop, through the same checks as everything else.</summary>
public static class DemoWorkshop
{
    /// <summary>Its name.</summary>
    public const string Name = "Skerrymoor Tidal Works";

    /// <summary>Name of the demo's speed chart.</summary>
    public const string ChartName = "Speed chart of the shop";

    private const string Engineer = "maren", Approver = "tobiah";

    public static async Task FillAsync(IServiceProvider services, string folder, CancellationToken cancel)
    {
        IncisuraDb db = services.GetRequiredService<IncisuraDb>();
        DateTimeOffset now = services.GetRequiredService<TimeProvider>().GetUtcNow();
        UserManager<Person> people = services.GetRequiredService<UserManager<Person>>();
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);

        foreach (DemoPerson person in DemoPeople.All)
        {
            Person added = await Account.AddAsync(
                people, new(person.Name, person.FullName, person.Role, ByProvider: true), Convert.ToHexString(RandomNumberGenerator.GetBytes(24)));
            added.Email = $"{person.Name}@workshop.example";
            await Account.TellAsync(db, added, Chronicle.Added, "the demo", now, new Account.Field("role", null, person.Role.ToString()));
        }

        db.AddRange(Read<Cutter>("cutters").Select(d => Stamp(new StoredCutter { Definition = d }, d, d.Number, d.Check())));
        db.AddRange(Read<Holder>("holders").Select(d => Stamp(new StoredHolder { Definition = d }, d, d.Number, d.Check())));
        db.AddRange(Read<WorkMaterial>("materials").Select(d => Stamp(new StoredMaterial { Definition = d }, d, d.Name, d.Check())));
        db.AddRange(Read<Machine>("machines").Select(d => Stamp(new StoredMachine { Definition = d }, d, d.Name, d.Check())));
        db.AddRange(Read<SpeedChart>("charts").Select(d => Stamp(new StoredChart { Definition = d }, d, d.Name, d.Check(Operations.FeedInStep))));
        db.AddRange(Read<OwnThread>("threads").Select(d => Stamp(new StoredThread { Definition = d }, d, d.Name, d.Check())));
        db.AddRange(Read<Method>("methods").Select(d => Stamp(new StoredMethod { Definition = d }, d, d.Name, d.Check())));
        await db.SaveChangesAsync(cancel);

        ShelfView parts = await new Shelf().ViewAsync(db);
        Dictionary<string, int> cutters = parts.Cutters.Values.ToDictionary(c => c.Name, c => c.Id),
            holders = parts.Holders.Values.ToDictionary(h => h.Name, h => h.Id),
            machines = parts.Machines.Values.ToDictionary(m => m.Name, m => m.Id);
        foreach (DemoAssembly a in Read<DemoAssembly>("assemblies"))
        {
            Assembly d = new()
            {
                Number = a.Number,
                CutterId = cutters[a.Cutter],
                HolderId = holders[a.Holder],
                Projection = a.Projection,
                Extensions = [.. (a.Extensions ?? []).Select(e => new AssemblyExtension(holders[e.Holder], e.Projection))],
                Places = [.. (a.Places ?? []).Select(p => new AssemblyPlace(machines[p.Key], p.Value))],
                LengthRegister = a.LengthRegister,
                DiameterRegister = a.DiameterRegister,
                StockPlace = a.StockPlace,
            };
            db.Add(Stamp(new StoredAssembly { Definition = d }, d, d.Number, parts.Build(d)!.Check()));
        }

        foreach (DemoHoleGroup g in Read<DemoHoleGroup>("groups"))
        {
            HoleGroup d = g.Group with { MaterialId = parts.Materials.Values.Single(m => m.Name == g.Material).Id, MachineId = machines[g.Machine] };
            db.Add(Stamp(new StoredHoleGroup { Definition = d }, d, d.Name, d.Check()));
        }

        await db.SaveChangesAsync(cancel);
        await AddRecordsAsync();
        await transaction.CommitAsync(cancel);

        async Task AddRecordsAsync()
        {
            ShelfView view = await new Shelf().ViewAsync(db);
            List<DemoRecord> records = [.. Read<DemoRecord>("records")];
            for (int i = 0; i < records.Count; i++)
            {
                DemoRecord d = records[i];
                Situation situation = view.SituationOf(
                    view.Materials.Values.Single(m => m.Name == d.Material).Id, view.Assemblies.Values.Single(a => a.Name == d.Assembly).Id,
                    view.Machines.Values.Single(m => m.Name == d.Machine).Id)!;
                Choices choices = new(d.Numbers, d.Options)
                {
                    Extras = d.CrossHoles is { } holes ? [new CrossHoles(holes)]
                        : d.Thread is { } thread ? [new ThreadToCut(thread)]
                        : d.Outline is { } outline ? [new TurnedOutline(outline)]
                        : [],
                };
                CalculationResult result = Operations.Find(d.Operation)!.Calculate(situation, choices, explain: true, cancel);
                DateTimeOffset at = now.AddDays(-30).AddHours(7 * i);
                RecordRevisionRow revision = new()
                {
                    Number = 1,
                    State = d.State,
                    Note = d.Note,
                    ProposedBy = Engineer,
                    Events = { new() { At = at, By = Engineer, Act = RecordAct.Edit } },
                };
                if (d.State != RecordState.Draft) revision.Events.Add(new() { At = at.AddHours(1), By = Engineer, Act = RecordAct.Submit });
                if (d.State == RecordState.Approved) revision.Events.Add(new() { At = at.AddHours(3), By = Approver, Act = RecordAct.Approve });
                RecordRow record = new()
                {
                    Number = $"R-{i + 1:0000}",
                    Operation = d.Operation,
                    MaterialId = situation.Material.Id,
                    AssemblyId = situation.Assembly.Id,
                    MachineId = situation.Machine.Id,
                    Thread = d.Thread is null ? "" : result.Attached<CutThread>()!.Text,
                    Revisions = { revision },
                };
                await Records.RecordEndpoints.TakeAsync(record, revision, situation, choices, result, db, view);
                Terms terms = Terms.None with { Evidence = d.Evidence ?? Evidence.Computed };
                if (d.State == RecordState.Approved)
                    terms = terms.Accepting(
                        terms.Open(result.Findings).ToDictionary(
                            f => f.Text.ToString(),
                            f => d.Accepted
                                ?? throw new InvalidOperationException($"{record.Number} is approved with a caution that nobody accepted: {f.Text}")),
                        result.Findings, Approver);
                revision.Take(terms);
                revision.ChangedAt = revision.Events[^1].At;
                record.Draw();
                db.Add(record);
            }

            await db.SaveChangesAsync(cancel);
            await services.GetRequiredService<Publisher>().PublishAsync(
                db, view,
                new(Approver, "First edition: the cuts run every week.", now.AddDays(-14), new Dictionary<string, EditionTake>(), AsksReading: false)
                {
                    Only = [.. records.Index().Where(r => r.Item.Published).Select(r => $"R-{r.Index + 1:0000}")],
                },
                cancel: cancel);
        }

        IEnumerable<T> Read<T>(string name) => DefinitionFormat.Read<List<T>>(File.ReadAllText(Path.Combine(folder, name + ".json")));

        TStored Stamp<TStored, T>(TStored stored, T definition, string name, InputCheck check)
            where TStored : Stored<T>
            where T : class
        {
            check.ThrowIfAny();
            stored.Take(definition, name);
            stored.ChangedBy = Engineer;
            stored.ChangedAt = now.AddDays(-60);
            return stored;
        }
    }
}

using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Library;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Records;
using Incisura.Core.Threads;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Data;

/// <summary>Library and shop as they stand, read once and kept in memory; what is saved is put into the next view.</summary>
public sealed class ShelfView
{
    private readonly Lazy<Listings> listings;
    private Listings? before;

    public ShelfView(ShelfView? earlier = null)
    {
        before = earlier is null ? null : earlier.listings.IsValueCreated ? earlier.listings.Value : earlier.before;
        listings = new(() =>
        {
            Listings made = new(this, before);
            before = null;
            return made;
        });
    }

    public required IReadOnlyDictionary<int, StoredCutter> Cutters { get; init; }

    public required IReadOnlyDictionary<int, StoredHolder> Holders { get; init; }

    public required IReadOnlyDictionary<int, StoredAssembly> Assemblies { get; init; }

    public required IReadOnlyDictionary<int, StoredMaterial> Materials { get; init; }

    public required IReadOnlyDictionary<int, StoredMachine> Machines { get; init; }

    public required IReadOnlyDictionary<int, StoredChart> Charts { get; init; }

    public required IReadOnlyDictionary<int, StoredMethod> Methods { get; init; }

    public required IReadOnlyDictionary<int, StoredThread> Threads { get; init; }

    public required IReadOnlyDictionary<int, StoredHoleGroup> HoleGroups { get; init; }

    /// <summary>How many approved records rest on each assembly.</summary>
    public required IReadOnlyDictionary<int, int> Approved { get; init; }

    /// <summary>The searchable lists, made when they are first asked for.</summary>
    public Listings Listings => listings.Value;

    /// <summary>The shelf with things put in or changed. Of two states of one thing, the later revision stays.</summary>
    /// <param name="things">What is put in.</param>
    /// <param name="approved">Counts of approved records; null keeps them.</param>
    public ShelfView With(IReadOnlyCollection<IStored> things, IReadOnlyDictionary<int, int>? approved = null)
    {
        return new(this)
        {
            Cutters = Put(Cutters),
            Holders = Put(Holders),
            Assemblies = Put(Assemblies),
            Materials = Put(Materials),
            Machines = Put(Machines),
            Charts = Put(Charts),
            Methods = Put(Methods),
            Threads = Put(Threads),
            HoleGroups = Put(HoleGroups),
            Approved = approved ?? Approved,
        };

        IReadOnlyDictionary<int, T> Put<T>(IReadOnlyDictionary<int, T> before)
            where T : class, IStored
        {
            List<T> own = [.. things.OfType<T>().Where(s => !before.TryGetValue(s.Id, out T? b) || b.Revision <= s.Revision)];
            if (own.Count == 0) return before;
            Dictionary<int, T> after = new(before);
            foreach (T s in own) after[s.Id] = s;
            return after;
        }
    }

    /// <summary>The situation of a material, an assembly and a machine; null where one of them does not exist.</summary>
    public Situation? SituationOf(int materialId, int assemblyId, int machineId)
    {
        if (!Materials.TryGetValue(materialId, out StoredMaterial? material) || !Assemblies.TryGetValue(assemblyId, out StoredAssembly? assembly)
            || !Machines.TryGetValue(machineId, out StoredMachine? machine) || Charts.Count == 0)
            return null;
        return new()
        {
            Material = At<StoredMaterial, WorkMaterial>(material),
            Cutter = At<StoredCutter, Cutter>(Cutters[assembly.CutterId]),
            Holder = At<StoredHolder, Holder>(Holders[assembly.HolderId]),
            Extensions = [.. assembly.Definition.Extensions.Select(e => At<StoredHolder, Holder>(Holders[e.HolderId]))],
            Assembly = At<StoredAssembly, Assembly>(assembly),
            Machine = At<StoredMachine, Machine>(machine),
            Chart = At<StoredChart, SpeedChart>(Charts.Values.MinBy(c => c.Id)!),
        };
    }

    /// <summary>Choices with the shop's own threads they name as they stand today; one that is no longer there is left without.</summary>
    public Choices WithThreads(Choices choices) => choices.Extras.OfType<ThreadToCut>().Any()
        ? choices with { Extras = [.. choices.Extras.Select(e => e is ThreadToCut t ? AsItStands(t) : e)] }
        : choices;

    /// <summary>A thread to cut with the shop's own one it names as that stands today; without where it is no longer there.</summary>
    public ThreadToCut AsItStands(ThreadToCut thread) =>
        thread with { Own = Threads.TryGetValue(thread.OwnId, out StoredThread? own) ? At<StoredThread, OwnThread>(own) : null };

    /// <summary>The revisions, today, of all that a record rests on: while this text is the same, so is how the record stands.</summary>
    public string FootingsOf(RecordRow record, int threadId)
    {
        Assembly assembly = Assemblies[record.AssemblyId].Definition;
        IEnumerable<int> holders = [assembly.HolderId, .. assembly.Extensions.Select(e => e.HolderId)];
        return string.Create(
            CultureInfo.InvariantCulture,
            $"e{Operations.EngineVersion} m{Materials[record.MaterialId].Revision} a{Assemblies[record.AssemblyId].Revision} "
                + $"c{assembly.CutterId}.{Cutters[assembly.CutterId].Revision} "
                + $"h{string.Join('+', holders.Select(h => $"{h}.{Holders[h].Revision}"))} "
                + $"n{Machines[record.MachineId].Revision} s{Charts.Values.MinBy(c => c.Id)?.Revision ?? 0} "
                + $"t{(Threads.TryGetValue(threadId, out StoredThread? own) ? own.Revision : 0)}");
    }

    /// <summary>An assembly put together from what is on the shelf; null where a part does not exist.</summary>
    public BuiltAssembly? Build(Assembly assembly) =>
        Cutters.TryGetValue(assembly.CutterId, out StoredCutter? cutter) && Holders.TryGetValue(assembly.HolderId, out StoredHolder? holder)
            && assembly.Extensions.All(e => Holders.ContainsKey(e.HolderId))
            ? new(assembly, cutter.Definition, holder.Definition, [.. assembly.Extensions.Select(e => Holders[e.HolderId].Definition)])
            : null;

    private static Revised<T> At<TStored, T>(TStored stored)
        where TStored : Stored<T>
        where T : class => new(stored.Id, stored.Revision, stored.Definition);
}

/// <summary>The lists of the library, ready for search.</summary>
public sealed class Listings
{
    private readonly Dictionary<int, ListedCutter> cutters = [];

    internal Listings(ShelfView view, Listings? before)
    {
        ILookup<int, StoredAssembly> byCutter = view.Assemblies.Values.ToLookup(a => a.CutterId);
        ILookup<int, StoredAssembly> byHolder = view.Assemblies.Values.SelectMany(
            a => a.Definition.Extensions.Select(e => e.HolderId).Append(a.HolderId).Distinct().Select(h => (h, a))).ToLookup(x => x.h, x => x.a);
        Dictionary<int, IReadOnlyList<string>> machines = view.Assemblies.Values.ToDictionary(
            a => a.Id, a => (IReadOnlyList<string>)[.. a.Definition.Places.Select(p => view.Machines[p.MachineId].Name).Distinct()]);
        foreach (StoredCutter c in view.Cutters.Values)
        {
            ListedCutter listed = new(
                c.Id, c.Definition, [.. byCutter[c.Id].Select(a => a.Name)], [.. byCutter[c.Id].SelectMany(a => machines[a.Id]).Distinct()],
                byCutter[c.Id].Sum(a => view.Approved.GetValueOrDefault(a.Id)));
            cutters[c.Id] = before is not null && before.cutters.TryGetValue(c.Id, out ListedCutter? earlier) && Same(earlier, listed)
                ? earlier
                : listed;
        }

        Cutters = new([.. cutters.Values], CutterListing.Rules, before?.Cutters);
        Holders = new(
            [.. view.Holders.Values.Select(
                h => new ListedHolder(h.Id, h.Definition, [.. byHolder[h.Id].Select(a => a.Name)]))], HolderListing.Holders);
        Assemblies = new(
            [.. view.Assemblies.Values.Select(
                a => new ListedAssembly(a.Id, view.Build(a.Definition)!, machines[a.Id], view.Approved.GetValueOrDefault(a.Id)))],
            HolderListing.Assemblies);
    }

    public Listing<ListedCutter> Cutters { get; }

    public Listing<ListedHolder> Holders { get; }

    public Listing<ListedAssembly> Assemblies { get; }

    // The same row, so that what was worked out for it can be taken over.
    private static bool Same(ListedCutter a, ListedCutter b) =>
        ReferenceEquals(a.Cutter, b.Cutter) && a.Approved == b.Approved && a.Assemblies.SequenceEqual(b.Assemblies)
            && a.Machines.SequenceEqual(b.Machines);
}

/// <summary>Keeps the current <see cref="ShelfView"/>; whoever saves library or shop says what was saved.</summary>
public sealed class Shelf : IDisposable
{
    private readonly Lock gate = new();
    private readonly SemaphoreSlim writer = new(1, 1);
    private ShelfView? kept;
    private int changes;

    /// <summary>The view, read when it is first asked for.</summary>
    public async Task<ShelfView> ViewAsync(IncisuraDb db)
    {
        int seen;
        lock (gate)
        {
            if (kept is not null) return kept;
            seen = changes;
        }

        ShelfView read = new()
        {
            Cutters = await Read(db.Cutters),
            Holders = await Read(db.Holders),
            Assemblies = await Read(db.Assemblies),
            Materials = await Read(db.Materials),
            Machines = await Read(db.Machines),
            Charts = await Read(db.Charts),
            Methods = await Read(db.Methods),
            Threads = await Read(db.Threads),
            HoleGroups = await Read(db.HoleGroups),
            Approved = await ApprovedAsync(db),
        };

        // A view read while something was saved may be half old; it answers this once and is not kept.
        lock (gate)
            if (seen == changes) kept = read;
        return read;

        static async Task<IReadOnlyDictionary<int, T>> Read<T>(IQueryable<T> rows)
            where T : class, IStored => await rows.AsNoTracking().ToDictionaryAsync(r => r.Id);
    }

    /// <summary>
    /// Waits until nobody else changes the library: what is judged against the rest of the shelf must still be so when it is saved.
    /// Dispose what comes back.
    /// </summary>
    public async Task<IDisposable> WritingAsync(CancellationToken cancel)
    {
        await writer.WaitAsync(cancel);
        return new Turn(writer);
    }

    /// <summary>Puts what was saved into the next view. Of two savings that cross, the later revision stays.</summary>
    public void Put(params IReadOnlyCollection<IStored> saved)
    {
        lock (gate)
        {
            changes++;
            if (kept is not null) kept = kept.With(saved);
        }

        Changed?.Invoke();
    }

    /// <summary>Told after something was put into the view.</summary>
    public event Action? Changed;

    /// <summary>Reads anew how many approved records rest on each assembly, after records changed.</summary>
    public async Task RecountAsync(IncisuraDb db)
    {
        IReadOnlyDictionary<int, int> approved = await ApprovedAsync(db);
        lock (gate)
        {
            if (kept is not null) kept = kept.With([], approved);
        }
    }

    private static async Task<IReadOnlyDictionary<int, int>> ApprovedAsync(IncisuraDb db) => await db.RecordRevisions
        .Where(r => r.State == RecordState.Approved)
        .Select(r => new { r.RecordId, r.Record!.AssemblyId })
        .Distinct()
        .GroupBy(r => r.AssemblyId)
        .ToDictionaryAsync(g => g.Key, g => g.Count());

    public void Dispose() => writer.Dispose();

    private sealed class Turn(SemaphoreSlim writer) : IDisposable
    {
        public void Dispose() => writer.Release();
    }
}

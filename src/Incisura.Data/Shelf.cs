using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Data;

/// <summary>Library and shop as they stand, read once and kept in memory until something is saved.</summary>
public sealed record ShelfView
{
    public required IReadOnlyDictionary<int, StoredCutter> Cutters { get; init; }

    public required IReadOnlyDictionary<int, StoredHolder> Holders { get; init; }

    public required IReadOnlyDictionary<int, StoredAssembly> Assemblies { get; init; }

    public required IReadOnlyDictionary<int, StoredMaterial> Materials { get; init; }

    public required IReadOnlyDictionary<int, StoredMachine> Machines { get; init; }

    public required IReadOnlyDictionary<int, StoredChart> Charts { get; init; }

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
            Assembly = At<StoredAssembly, Assembly>(assembly),
            Machine = At<StoredMachine, Machine>(machine),
            Chart = At<StoredChart, SpeedChart>(Charts.Values.MinBy(c => c.Id)!),
        };
    }

    private static Revised<T> At<TStored, T>(TStored stored)
        where TStored : Stored<T>
        where T : class => new(stored.Id, stored.Revision, stored.Definition);
}

/// <summary>Keeps the current <see cref="ShelfView"/>; whoever saves library or shop calls <see cref="Forget"/>.</summary>
public sealed class Shelf
{
    private readonly Lock gate = new();
    private ShelfView? kept;
    private int changes;

    /// <summary>The view, read when it is first asked for after a change.</summary>
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
        };

        // A view read while something was saved may be half old; it answers this once and is not kept.
        lock (gate)
            if (seen == changes) kept = read;
        return read;

        static async Task<IReadOnlyDictionary<int, T>> Read<T>(IQueryable<T> rows)
            where T : class, IStored => await rows.AsNoTracking().ToDictionaryAsync(r => r.Id);
    }

    /// <summary>Drops what is kept, after a change was saved.</summary>
    public void Forget()
    {
        lock (gate)
        {
            kept = null;
            changes++;
        }
    }
}

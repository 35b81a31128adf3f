using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.HoleGroups;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Methods;
using Incisura.Core.Threads;

namespace Incisura.Data;

/// <summary>What every revisioned thing of library and shop has in common.</summary>
public interface IStored
{
    int Id { get; }

    /// <summary>What people call it; unique within its kind, whatever the case.</summary>
    string Name { get; set; }

    /// <summary>Rises by one with every change; a write names the revision it was made from.</summary>
    int Revision { get; set; }

    string ChangedBy { get; set; }

    DateTimeOffset ChangedAt { get; set; }

    /// <summary>Word for its kind, as footings of records name it.</summary>
    string Kind { get; }

    /// <summary>Its definition as it is written down.</summary>
    string TextOf();

    /// <summary>Another definition of its kind as it is written down.</summary>
    string TextOf(object definition);
}

/// <summary>A revisioned thing as it lies in the file.</summary>
internal sealed record StoredText(string Kind, int Id, int Revision, string Name, string Json);

/// <summary>A revisioned thing: its immutable definition from the core, and who made it what it is.</summary>
public abstract class Stored<T> : IStored
    where T : class
{
    public int Id { get; set; }

    public string Name { get; set; } = "";

    public int Revision { get; set; }

    public string ChangedBy { get; set; } = "";

    public DateTimeOffset ChangedAt { get; set; }

    public required T Definition { get; set; }

    public abstract string Kind { get; }

    public string TextOf() => TextOf(Definition);

    public string TextOf(object definition) => DefinitionFormat.Write((T)definition);

    /// <summary>Takes over a definition, with the columns that are drawn from it.</summary>
    public virtual void Take(T definition, string name)
    {
        Definition = definition;
        Name = name;
    }
}

public sealed class StoredCutter : Stored<Cutter>
{
    public override string Kind => "cutter";
}

public sealed class StoredHolder : Stored<Holder>
{
    public override string Kind => "holder";
}

public sealed class StoredAssembly : Stored<Assembly>
{
    public int CutterId { get; set; }

    public int HolderId { get; set; }

    /// <summary>The places it stands in, as rows, so that the database lets no two assemblies into one place.</summary>
    public List<PlaceRow> Places { get; init; } = [];

    public override string Kind => "assembly";

    public override void Take(Assembly definition, string name)
    {
        base.Take(definition, name);
        CutterId = definition.CutterId;
        HolderId = definition.HolderId;
        Places.RemoveAll(p => !definition.Places.Any(d => d.MachineId == p.MachineId && d.Place == p.Place));
        Places.AddRange(
            definition.Places.Where(d => !Places.Any(p => p.MachineId == d.MachineId && p.Place == d.Place))
                .Select(d => new PlaceRow { MachineId = d.MachineId, Place = d.Place }));
    }
}

/// <summary>A place at a machine that an assembly stands in.</summary>
public sealed class PlaceRow
{
    public required int MachineId { get; init; }

    public required int Place { get; init; }

    public int AssemblyId { get; set; }
}

public sealed class StoredMaterial : Stored<WorkMaterial>
{
    public override string Kind => "material";
}

public sealed class StoredMachine : Stored<Machine>
{
    public override string Kind => "machine";
}

public sealed class StoredChart : Stored<SpeedChart>
{
    public override string Kind => "chart";
}

public sealed class StoredMethod : Stored<Method>
{
    public override string Kind => "method";
}

public sealed class StoredThread : Stored<OwnThread>
{
    public override string Kind => "thread";
}

/// <summary>That a revision of a shop's own thread may be published.</summary>
public sealed class ThreadApprovalRow
{
    public required int ThreadId { get; init; }

    /// <summary>Its name, for the history only; not kept here.</summary>
    public string ThreadName { get; set; } = "";

    public required int Revision { get; set; }

    public required string By { get; set; }

    public required DateTimeOffset At { get; set; }
}

public sealed class StoredHoleGroup : Stored<HoleGroup>
{
    public override string Kind => "hole group";
}

/// <summary>Many things changed at once, so that one undo takes all of it back.</summary>
public sealed class BatchRow
{
    public int Id { get; set; }

    /// <summary>Kind of the things, as in <see cref="Revision"/>.</summary>
    public required string Kind { get; init; }

    public required string By { get; init; }

    public required DateTimeOffset At { get; init; }

    /// <summary>What was done, in words.</summary>
    public required string About { get; init; }

    /// <summary>The things with the revisions they had before and after, JSON.</summary>
    public required string Items { get; init; }

    /// <summary>When it was taken back; null while it stands.</summary>
    public DateTimeOffset? UndoneAt { get; set; }

    /// <summary>What this one takes back; null for nothing. It is told in the history and not kept here.</summary>
    public BatchRow? TakesBack { get; init; }
}

/// <summary>One thing of a batch.</summary>
public sealed record BatchItem(int Id, int Before, int After);

/// <summary>A view of a list that a person keeps: its address without the place.</summary>
public sealed class SavedViewRow
{
    public int Id { get; set; }

    public required string Person { get; init; }

    public required string List { get; init; }

    public required string Name { get; set; }

    public required string Query { get; set; }
}

/// <summary>One revision of a stored thing, kept for ever.</summary>
public sealed class Revision
{
    public required string Kind { get; init; }

    public required int ObjectId { get; init; }

    public required int Number { get; init; }

    public required DateTimeOffset At { get; init; }

    public required string By { get; init; }

    public required string Json { get; init; }
}

using Incisura.Core.Records;

namespace Incisura.Data;

/// <summary>A record: cutting data for one situation, with all its revisions.</summary>
public sealed class RecordRow
{
    public int Id { get; set; }

    /// <summary>Number people use, such as R-0007.</summary>
    public required string Number { get; init; }

    public required string Operation { get; init; }

    public required int MaterialId { get; init; }

    public required int AssemblyId { get; init; }

    public required int MachineId { get; init; }

    /// <summary>The thread it is about where its operation cuts one that is chosen; empty otherwise.</summary>
    public string Thread { get; init; } = "";

    public List<RecordRevisionRow> Revisions { get; init; } = [];
}

/// <summary>One revision of a record with a snapshot of everything it rests on.</summary>
public sealed class RecordRevisionRow
{
    public int Id { get; set; }

    public int RecordId { get; set; }

    public RecordRow? Record { get; set; }

    public required int Number { get; init; }

    public required RecordState State { get; set; }

    /// <summary>Rises with every write to the revision, for lost races.</summary>
    public int Version { get; set; }

    /// <summary>Choices of the user, JSON.</summary>
    public required string Choices { get; set; }

    /// <summary>Situation as it stood, JSON.</summary>
    public required string Situation { get; set; }

    /// <summary>Result with its derivation, JSON.</summary>
    public required string Result { get; set; }

    public string Note { get; set; } = "";

    public required string ProposedBy { get; set; }

    public List<RecordEventRow> Events { get; init; } = [];
}

/// <summary>Something that happened to a revision.</summary>
public sealed class RecordEventRow
{
    public int Id { get; set; }

    public int RevisionId { get; set; }

    public required DateTimeOffset At { get; init; }

    public required string By { get; init; }

    public required RecordAct Act { get; init; }

    public string Reason { get; init; } = "";
}

/// <summary>A numbered publication. Neither it nor its entries change once written.</summary>
public sealed class EditionRow
{
    public int Number { get; init; }

    public required DateTimeOffset PublishedAt { get; init; }

    public required string PublishedBy { get; init; }

    public required string Note { get; init; }

    /// <summary>SHA-256 over the entries in order of record number, so that a copy can be checked.</summary>
    public required string Digest { get; init; }

    public List<EditionEntryRow> Entries { get; init; } = [];
}

/// <summary>One approved record in an edition, whole.</summary>
public sealed class EditionEntryRow
{
    public int EditionNumber { get; init; }

    public required string RecordNumber { get; init; }

    public required int Revision { get; init; }

    public required string Operation { get; init; }

    public required string Assembly { get; init; }

    public required string Material { get; init; }

    public required string Machine { get; init; }

    public required string Note { get; init; }

    public required string ApprovedBy { get; init; }

    public required string Choices { get; init; }

    public required string Situation { get; init; }

    public required string Result { get; init; }
}

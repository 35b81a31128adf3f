namespace Incisura.Data;

/// <summary>A numbered publication. Neither it nor anything of it changes once written.</summary>
public sealed class EditionRow
{
    public int Number { get; init; }

    public required DateTimeOffset PublishedAt { get; init; }

    public required string PublishedBy { get; init; }

    public required string Note { get; init; }

    /// <summary>SHA-256 of its file; of its entries where it was published before editions were files.</summary>
    public required string Digest { get; init; }

    /// <summary>Entries as they were written before editions were files; empty since.</summary>
    public List<EditionEntryRow> Entries { get; init; } = [];
}

/// <summary>The file of an edition: the bytes around its records, and its signature. The records' bytes are those of its lines' leaves.</summary>
public sealed class EditionFileRow
{
    public int EditionNumber { get; init; }

    /// <summary>Bytes before the first record.</summary>
    public required byte[] Head { get; init; }

    /// <summary>Bytes after the last record.</summary>
    public required byte[] Tail { get; init; }

    /// <summary>SHA-256 of all of it.</summary>
    public required string Sha256 { get; init; }

    /// <summary>How many bytes all of it has.</summary>
    public required long Size { get; init; }

    /// <summary>How many records it has.</summary>
    public required int Count { get; init; }

    /// <summary>Key it was signed with; empty where it was published before editions were signed.</summary>
    public string KeyId { get; init; } = "";

    /// <summary>Its signature, DER; empty for none.</summary>
    public byte[] Signature { get; init; } = [];

    /// <summary>Whether its readers are asked to say that they have read it.</summary>
    public bool AsksReading { get; init; }
}

/// <summary>One record in an edition.</summary>
public sealed class EditionLineRow
{
    public required int EditionNumber { get; init; }

    public required string RecordNumber { get; init; }

    public required int Revision { get; init; }

    public required int LeafId { get; init; }
}

/// <summary>A published record, kept once for all editions in which it is the same.</summary>
public sealed class EditionLeafRow
{
    public int Id { get; init; }

    /// <summary>SHA-256 of its canonical JSON.</summary>
    public required string Hash { get; init; }

    /// <summary>Its canonical JSON, packed.</summary>
    public required byte[] Json { get; init; }

    /// <summary>The revision it was made of; 0 where it was published before editions were files.</summary>
    public required int RevisionId { get; init; }

    /// <summary>Where its assembly stood then: the one thing in it that is not of the revision, which never changes once it is approved.</summary>
    public required string Places { get; init; }

    /// <summary>Number of the assembly.</summary>
    public required string Assembly { get; init; }

    /// <summary>Its situation in words, JSON, with the identities that things have here.</summary>
    public required string Words { get; init; }
}

/// <summary>A public key that editions are or were signed with.</summary>
public sealed class EditionKeyRow
{
    /// <summary>First digits of the SHA-256 of the key.</summary>
    public required string Id { get; init; }

    public required string Pem { get; init; }

    public required DateTimeOffset Since { get; init; }

    public required string By { get; init; }
}

/// <summary>That somebody has read an edition.</summary>
public sealed class ReadingRow
{
    public required int EditionNumber { get; init; }

    public required string Person { get; init; }

    public required DateTimeOffset At { get; init; }
}

/// <summary>One approved record in an edition, whole, as it was written before editions were files.</summary>
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

    /// <summary>Accepted cautions, evidence and how far the approval reaches, JSON; empty for none.</summary>
    public string Terms { get; init; } = "";

    public required string Choices { get; init; }

    public required string Situation { get; init; }

    public required string Result { get; init; }
}

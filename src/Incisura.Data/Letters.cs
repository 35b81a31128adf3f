namespace Incisura.Data;

/// <summary>A message to somebody, written in the transaction of what it tells and sent afterwards.</summary>
public sealed class LetterRow
{
    public int Id { get; set; }

    /// <summary>Sign-in name of who it is for.</summary>
    public required string To { get; init; }

    /// <summary>Address it goes to where that is not the person's own; empty otherwise.</summary>
    public string Address { get; init; } = "";

    public required DateTimeOffset At { get; init; }

    /// <summary>One line about what happened.</summary>
    public required string Says { get; init; }

    /// <summary>Path of the page it is about.</summary>
    public required string Path { get; init; }

    /// <summary>When it went out; null while it waits.</summary>
    public DateTimeOffset? SentAt { get; set; }

    /// <summary>How often it could not be sent.</summary>
    public int Failures { get; set; }
}

/// <summary>Something that was looked for at the machine and not found, once for each question.</summary>
public sealed class MissRow
{
    public int Id { get; set; }

    /// <summary>0 where no cutter was named; so with the others.</summary>
    public required int CutterId { get; init; }

    public required int MaterialId { get; init; }

    public required int MachineId { get; init; }

    /// <summary>Code of the operation; empty where none was named.</summary>
    public required string Operation { get; init; }

    public int Times { get; set; }

    public DateTimeOffset LastAt { get; set; }

    public string LastBy { get; set; } = "";
}

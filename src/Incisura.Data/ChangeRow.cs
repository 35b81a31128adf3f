namespace Incisura.Data;

/// <summary>One change of anything: who, when, what, from, to and why. It is never altered, and carries the hash of itself and the one before.</summary>
public sealed class ChangeRow
{
    /// <summary>Place in the chain, from 1, without a gap.</summary>
    public long Id { get; init; }

    public required DateTimeOffset At { get; init; }

    /// <summary>Sign-in name.</summary>
    public required string By { get; init; }

    /// <summary>Absent approver in whose place it was done; empty for nobody.</summary>
    public required string InPlaceOf { get; init; }

    /// <summary>Word for the kind of thing.</summary>
    public required string Kind { get; init; }

    /// <summary>Its identity within its kind; 0 where its name is its identity.</summary>
    public required int ObjectId { get; init; }

    /// <summary>What people call it.</summary>
    public required string Name { get; init; }

    /// <summary>Its revision; 0 where it has none.</summary>
    public required int Number { get; init; }

    /// <summary>What was done, as a code.</summary>
    public required string Act { get; init; }

    public required string Reason { get; init; }

    /// <summary>What differs, JSON: a list of field, from and to.</summary>
    public required string Changes { get; init; }

    /// <summary>SHA-256 of the whole content after the change; empty where it was not known.</summary>
    public required string Content { get; init; }

    /// <summary>SHA-256 of the entry before it and of everything above.</summary>
    public required string Hash { get; init; }

    /// <summary>Words it is found by, in small letters.</summary>
    public required string Search { get; init; }
}

/// <summary>A field that differs between two states of a thing, each value as JSON; null where it is not there.</summary>
public sealed record FieldDifference(string Field, string? From, string? To);

namespace Incisura.Data;

/// <summary>Somebody's second factor: a secret shared with a device that shows time codes, and codes for when it is lost.</summary>
public sealed class SecondFactorRow
{
    public required string PersonId { get; init; }

    /// <summary>The secret, protected with the keys beside the database, so that a copy of the database alone makes no codes.</summary>
    public required string Secret { get; set; }

    /// <summary>Whether a code of it was given once; until then it asks for nothing.</summary>
    public bool Confirmed { get; set; }

    /// <summary>The last time step a code was taken of; none is taken twice.</summary>
    public long LastStep { get; set; }

    /// <summary>SHA-256 of the codes for when the device is lost, parted by spaces; each is taken once.</summary>
    public string Recovery { get; set; } = "";
}

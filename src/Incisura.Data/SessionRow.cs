namespace Incisura.Data;

/// <summary>Somebody who is signed in somewhere: what the cookie stands for, so that a session ends when the server says so.</summary>
public sealed class SessionRow
{
    /// <summary>SHA-256 of the key in the cookie, so that nobody who reads the file can use it.</summary>
    public required string Key { get; init; }

    public required string PersonId { get; init; }

    public required byte[] Ticket { get; set; }

    /// <summary>The browser, as it names itself.</summary>
    public string Device { get; init; } = "";

    public required DateTimeOffset Since { get; init; }

    public required DateTimeOffset Until { get; set; }
}

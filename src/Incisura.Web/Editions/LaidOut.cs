using Incisura.Exchange.Editions;

namespace Incisura.Web.Editions;

/// <summary>An edition among those laid out.</summary>
/// <param name="Number">Its number.</param>
/// <param name="PublishedAt">When, UTC.</param>
/// <param name="Note">Why, and what is new.</param>
/// <param name="Records">How many records it has.</param>
/// <param name="File">Its file within the folder.</param>
/// <param name="Sha256">SHA-256 of the file.</param>
/// <param name="Key">Key it was signed with; empty where it was not.</param>
public sealed record LaidOutEdition(int Number, string PublishedAt, string Note, int Records, string File, string Sha256, string Key);

/// <summary>The newest edition's records for one machine.</summary>
/// <param name="Machine">The machine.</param>
/// <param name="Records">How many.</param>
/// <param name="File">Their file within the folder.</param>
/// <param name="Sha256">SHA-256 of it.</param>
public sealed record LaidOutPart(string Machine, int Records, string File, string Sha256);

/// <summary>What became of a record since the newest edition was published, where it does not hold as it was.</summary>
public sealed record LaidOutChange(string Record, string What);

/// <summary>The unit of a quantity, and how many decimals of it matter in the shop.</summary>
public sealed record LaidOutUnit(string Unit, int Decimals);

/// <summary>What lies in the folder; signed like an edition.</summary>
/// <param name="Schema">Name and version of the form.</param>
/// <param name="Workshop">Whose editions they are.</param>
/// <param name="At">When it was laid out, UTC: what changed later is not told here.</param>
/// <param name="Editions">All editions, the newest first.</param>
/// <param name="Parts">The newest one's records, machine by machine.</param>
/// <param name="Since">Records of the newest one that do not hold as they were.</param>
/// <param name="Units">Unit of each quantity.</param>
public sealed record LaidOutIndex(
    string Schema, string Workshop, string At, IReadOnlyList<LaidOutEdition> Editions, IReadOnlyList<LaidOutPart> Parts,
    IReadOnlyList<LaidOutChange> Since, IReadOnlyDictionary<string, LaidOutUnit> Units)
{
    /// <summary>The form this program writes.</summary>
    public const string Form = "incisura-laid-out/1";
}

/// <summary>Records of one machine.</summary>
/// <param name="Schema">Name and version of the form.</param>
/// <param name="Edition">The edition they were drawn out of.</param>
/// <param name="Machine">The machine.</param>
/// <param name="Records">The records.</param>
public sealed record LaidOutRecords(string Schema, EditionMark Edition, string Machine, IReadOnlyList<PublishedRecord> Records)
{
    /// <summary>The form this program writes.</summary>
    public const string Form = "incisura-part/1";
}

using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace Incisura.Exchange.Editions;

/// <summary>An edition as a file that speaks for itself. What a later schema adds is absent in earlier files, never null.</summary>
/// <param name="Schema">Name and version of the form: incisura-edition/1.</param>
/// <param name="Workshop">The workshop that published it.</param>
/// <param name="Number">Its number, from 1.</param>
/// <param name="PublishedAt">When, UTC, as 2026-11-26T12:00:00.000Z.</param>
/// <param name="PublishedBy">Sign-in name of the approver who published it.</param>
/// <param name="Note">Why, and what is new.</param>
/// <param name="Units">Unit of each quantity that values are given in; an empty one for plain numbers.</param>
/// <param name="Records">Approved records in order of their numbers.</param>
public sealed record EditionFile(
    string Schema, string Workshop, int Number, string PublishedAt, string PublishedBy, string Note, IReadOnlyDictionary<string, string> Units,
    IReadOnlyList<PublishedRecord> Records)
{
    /// <summary>The form this program writes.</summary>
    public const string Form = "incisura-edition/1";

    /// <summary>How its values are read and written before they are brought into canonical form.</summary>
    public static JsonSerializerOptions Options { get; } = new(JsonSerializerDefaults.Web)
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        NumberHandling = JsonNumberHandling.Strict,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver(),
    };

    /// <summary>The edition before; absent for the first one.</summary>
    public EditionMark? Before { get; init; }

    /// <summary>The workshop's history as far as it went when this was put together; absent where there was none.</summary>
    public HistoryMark? History { get; init; }

    /// <summary>Something in its canonical bytes.</summary>
    public static byte[] Write<T>(T value) => CanonicalJson.Write(JsonSerializer.SerializeToUtf8Bytes(value, Options));

    /// <summary>Reads what <see cref="Write"/> wrote.</summary>
    /// <exception cref="JsonException">It has another form.</exception>
    public static T Read<T>(ReadOnlySpan<byte> json) =>
        JsonSerializer.Deserialize<T>(json, Options) ?? throw new JsonException("There is nothing in it.");

    /// <summary>The canonical bytes before and after the records, which stand between them parted by commas.</summary>
    /// <param name="empty">The edition without records.</param>
    public static (byte[] Head, byte[] Tail) Around(EditionFile empty)
    {
        // Within a text the quotes would be escaped, so this stands there once only.
        const string records = "\"records\":[";
        string all = Encoding.UTF8.GetString(Write(empty with { Records = [] }));
        int at = all.IndexOf(records, StringComparison.Ordinal) + records.Length;
        return (Encoding.UTF8.GetBytes(all[..at]), Encoding.UTF8.GetBytes(all[at..]));
    }
}

/// <summary>Another edition, by its number and the SHA-256 of its bytes.</summary>
public sealed record EditionMark(int Number, string Sha256);

/// <summary>How far the workshop's chain of history went: number and hash of its last entry.</summary>
public sealed record HistoryMark(long Entries, string Last);

/// <summary>An approved record as it is published: what it is for, what to run, and how far that holds.</summary>
/// <param name="Record">Its number.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Operation">The operation.</param>
/// <param name="Material">The work material.</param>
/// <param name="Machine">The machine.</param>
/// <param name="Cutter">The cutter with its dimensions.</param>
/// <param name="Assembly">The assembly with holder, registers and places.</param>
/// <param name="Engine">Version of the calculation.</param>
/// <param name="Figures">What came out.</param>
/// <param name="Settings">What was typed or proposed, among them the stock and the heights the figures hold for.</param>
/// <param name="Options">What was picked, among them coolant and direction.</param>
/// <param name="Limits">Limits with their use.</param>
/// <param name="Findings">What the calculation noticed.</param>
/// <param name="Accepted">Cautions that were accepted, each with why.</param>
/// <param name="Evidence">What the figures rest on beside the calculation.</param>
/// <param name="Stages">The way of the tool, stage by stage.</param>
/// <param name="Note">The proposer's note.</param>
/// <param name="ProposedBy">Who proposed it.</param>
/// <param name="ApprovedBy">Who approved it.</param>
/// <param name="ApprovedAt">When, UTC.</param>
public sealed record PublishedRecord(
    string Record, int Revision, PublishedOperation Operation, PublishedMaterial Material, PublishedMachine Machine, PublishedCutter Cutter,
    PublishedAssembly Assembly, string Engine, IReadOnlyList<PublishedFigure> Figures, IReadOnlyList<PublishedSetting> Settings,
    IReadOnlyList<PublishedOption> Options, IReadOnlyList<PublishedLimit> Limits, IReadOnlyList<PublishedFinding> Findings,
    IReadOnlyList<PublishedAcceptance> Accepted, PublishedEvidence Evidence, IReadOnlyList<PublishedStage> Stages, string Note, string ProposedBy,
    string ApprovedBy, string ApprovedAt)
{
    /// <summary>Last day on which it holds, as 2026-12-31; absent for no end.</summary>
    public string? Until { get; init; }

    /// <summary>How many pieces may be made with it; absent for any number.</summary>
    public int? Pieces { get; init; }

    /// <summary>
    /// The limits as they were on the day of the edition, where the figures were taken into it although they broke one or something they rest on
    /// had been revised; what stood against them is among the accepted. Absent otherwise.
    /// </summary>
    public IReadOnlyList<PublishedLimit>? LimitsToday { get; init; }
}

/// <summary>An operation: its code, its name, and the thread where it cuts one.</summary>
public sealed record PublishedOperation(string Code, string Name)
{
    /// <summary>The thread that is cut; absent where none is.</summary>
    public string? Thread { get; init; }
}

/// <summary>A work material: name, condition, ISO 513 group and subgroup, and its Brinell hardness where one is known.</summary>
public sealed record PublishedMaterial(string Name, string Condition, string Group, string SubGroup)
{
    /// <summary>Brinell hardness, HBW; absent where unknown.</summary>
    public double? Hardness { get; init; }

    /// <summary>Other designations, parted by commas; absent for none.</summary>
    public string? Designations { get; init; }
}

/// <summary>A machine by its name.</summary>
public sealed record PublishedMachine(string Name);

/// <summary>A cutter: its family, and its dimensions by their symbols of ISO 13399 (mm and degrees, numbers of teeth).</summary>
public sealed record PublishedCutter(
    string Number, string Family, string Material, string Grade, string Coating, string Hand, IReadOnlyDictionary<string, double> Dimensions);

/// <summary>An assembly: what it is put together of, its registers, and where it is.</summary>
/// <param name="Number">Shop number.</param>
/// <param name="Projection">Length of the cutter outside the next part, mm.</param>
/// <param name="GaugeLength">Length from the gauge line to the tip, mm.</param>
/// <param name="Holder">Number of the holder.</param>
/// <param name="HolderKind">Its kind.</param>
/// <param name="Interface">Its interface to the machine.</param>
/// <param name="Extensions">Numbers of extensions and sleeves, from the cutter to the holder.</param>
/// <param name="StockPlace">Place in the tool store.</param>
/// <param name="Places">Places at machines when it was published.</param>
public sealed record PublishedAssembly(
    string Number, double Projection, double GaugeLength, string Holder, string HolderKind, string Interface, IReadOnlyList<string> Extensions,
    string StockPlace, IReadOnlyList<PublishedPlace> Places)
{
    /// <summary>Length offset register; absent for none.</summary>
    public int? LengthRegister { get; init; }

    /// <summary>Diameter offset register; absent for none.</summary>
    public int? DiameterRegister { get; init; }
}

/// <summary>A place at a machine.</summary>
public sealed record PublishedPlace(string Machine, int Place)
{
    /// <summary>As people say it.</summary>
    public override string ToString() => $"{Machine} {Place}";
}

/// <summary>A figure: its value in the unit of its quantity.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures; the file's units say in what.</param>
/// <param name="Value">Its value.</param>
/// <param name="Rank">How much it stands out: large, row or behind.</param>
public sealed record PublishedFigure(string Code, string Symbol, string Name, string Quantity, double Value, string Rank)
{
    /// <summary>Place among what is set at the machine, 1 the foremost; absent for what follows from it.</summary>
    public int? AtMachine { get; init; }
}

/// <summary>A value that was typed or proposed.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Symbol">Its symbol; empty for none.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Value">Its value.</param>
/// <param name="OfPart">Whether it says what the part is, so that the figures hold for this value only.</param>
public sealed record PublishedSetting(string Code, string Symbol, string Name, string Quantity, double Value, bool OfPart)
{
    /// <summary>True where it says what the part is and nobody stated it, so that a usual value was taken; absent otherwise.</summary>
    public bool? Assumed { get; init; }

    /// <summary>Place among what is set at the machine, 1 the foremost; absent for what is not set there.</summary>
    public int? AtMachine { get; init; }
}

/// <summary>A choice between words, and what was picked.</summary>
public sealed record PublishedOption(string Code, string Name, string Picked, string Words);

/// <summary>A limit. Allowed and use are absent where it could not be judged, and at where it is the same all along the cut.</summary>
public sealed record PublishedLimit(string Code, string Name, string Quantity, double Used, bool IsLeast, string Severity)
{
    /// <summary>Value allowed.</summary>
    public double? Allowed { get; init; }

    /// <summary>Use as a ratio; 1 is all of it.</summary>
    public double? Use { get; init; }

    /// <summary>Where along the cut it is worst, mm from its beginning.</summary>
    public double? At { get; init; }
}

/// <summary>Something the calculation noticed, in words; with the template and the measures they were made of, for readers in other units.</summary>
public sealed record PublishedFinding(
    string Code, string Severity, string Says, string Template, IReadOnlyList<PublishedMeasure> Measures, string Cure);

/// <summary>A number within words.</summary>
public sealed record PublishedMeasure(double Value, string Quantity);

/// <summary>A caution that was accepted: what it said, why it may stand, and who says so.</summary>
public sealed record PublishedAcceptance(string Code, string Says, string Reason, string By);

/// <summary>What figures rest on beside the calculation, and where that can be read.</summary>
public sealed record PublishedEvidence(string Kind, string Source);

/// <summary>A stage of the tool's way. From and to are absent where it does not run along the axis.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Count">How many equal ones.</param>
/// <param name="Length">Length of one, mm.</param>
/// <param name="Speed">Spindle speed, rev/min; negative to the left.</param>
/// <param name="FeedRate">Feed rate, mm/min; 0 while the tool stands.</param>
/// <param name="Rapid">Whether it moves in rapid.</param>
/// <param name="Coolant">Whether coolant is on.</param>
/// <param name="Time">Time of all, min.</param>
public sealed record PublishedStage(
    string Code, string Name, double Count, double Length, double Speed, double FeedRate, bool Rapid, bool Coolant, double Time)
{
    /// <summary>Depth of the tip at its beginning, mm.</summary>
    public double? From { get; init; }

    /// <summary>Depth of the tip at its end, mm.</summary>
    public double? To { get; init; }
}

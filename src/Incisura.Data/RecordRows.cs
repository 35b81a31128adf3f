using System.Linq.Expressions;
using Incisura.Core.Checks;
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

    /// <summary>The cutter in its assembly when it was first made, for lists.</summary>
    public int CutterId { get; set; }

    /// <summary>The thread it is about where its operation cuts one that is chosen; empty otherwise.</summary>
    public string Thread { get; init; } = "";

    public List<RecordRevisionRow> Revisions { get; init; } = [];

    /// <summary>The revision that counts: the newest one that was ever approved, unless it was withdrawn.</summary>
    public RecordRevisionRow? InForce() =>
        RecordLife.InForce(Revisions.Select(r => (r.Number, r.State))) is var number and > 0 ? Revisions.First(r => r.Number == number) : null;

    /// <summary>The revision people work on: the newest one that was not discarded.</summary>
    public RecordRevisionRow Newest() =>
        Revisions.Where(r => r.State != RecordState.Discarded).MaxBy(r => r.Number) ?? Revisions.MaxBy(r => r.Number)!;

    /// <summary>Draws out what lists ask for, after a revision was added or changed its state.</summary>
    public void Draw()
    {
        RecordRevisionRow newest = Newest();
        RecordRevisionRow? inForce = InForce();
        foreach (RecordRevisionRow r in Revisions) (r.IsNewest, r.IsInForce, r.IsCounted) = (r == newest, r == inForce, r == (inForce ?? newest));
    }
}

/// <summary>How a revision stands to what it rests on, as it was judged last.</summary>
public enum Stands
{
    /// <summary>Nothing it rests on was revised.</summary>
    Firm,

    /// <summary>Something was revised, and no figure, limit or finding moved beyond the tolerance.</summary>
    Holds,

    /// <summary>Something moved.</summary>
    Stale,

    /// <summary>Its figures break a limit now, or can no longer be calculated.</summary>
    Broken,
}

/// <summary>One revision of a record: what is its own, and by their hashes the things it rests on.</summary>
public sealed class RecordRevisionRow
{
    /// <summary>Whether it is worked on or in force, so that it matters how it stands.</summary>
    public static Expression<Func<RecordRevisionRow, bool>> Open { get; } =
        v => (v.IsInForce || v.IsNewest) && v.State != RecordState.Withdrawn && v.State != RecordState.Discarded;

    /// <summary>The revision by which a record counts: the one in force, or else the newest, unless it was discarded.</summary>
    public static Expression<Func<RecordRevisionRow, bool>> Counted { get; } = v => v.IsCounted && v.State != RecordState.Discarded;

    public int Id { get; set; }

    public int RecordId { get; set; }

    public RecordRow? Record { get; set; }

    public required int Number { get; init; }

    public required RecordState State { get; set; }

    /// <summary>Rises with every write to the revision, for lost races.</summary>
    public int Version { get; set; }

    /// <summary>Choices of the user, JSON.</summary>
    public string Choices { get; set; } = "";

    /// <summary>What it rests on, each by identity, revision and hash of its content, JSON; empty only in a file that is being brought up to date.</summary>
    public string Footings { get; set; } = "";

    /// <summary>The whole situation, where an earlier version wrote it and it was not taken apart yet; else empty.</summary>
    public string SituationOnce { get; set; } = "";

    /// <summary>Result without its derivation, JSON.</summary>
    public string Result { get; set; } = "";

    /// <summary>The derivation, packed.</summary>
    public byte[] Derivation { get; set; } = [];

    public string Note { get; set; } = "";

    /// <summary>Accepted cautions, evidence and how far the approval reaches, JSON; empty for none.</summary>
    public string Terms { get; set; } = "";

    /// <summary>Last day on which it holds, drawn out of its terms, or the day before its pieces were made; null for no end.</summary>
    public DateOnly? EndsOn { get; set; }

    /// <summary>How many pieces were made with it, as far as they were told.</summary>
    public int Made { get; set; }

    /// <summary>What was reported from a machine that forbids to run it until somebody decides; empty for nothing.</summary>
    public string StoppedBy { get; set; } = "";

    public required string ProposedBy { get; set; }

    /// <summary>Whether it is the one people work on.</summary>
    public bool IsNewest { get; set; }

    /// <summary>Whether it is the one editions publish.</summary>
    public bool IsInForce { get; set; }

    /// <summary>Whether it is the one its record counts by: the one in force, or else the one people work on.</summary>
    public bool IsCounted { get; set; }

    /// <summary>Whether a reviewer sent it back and it was not handed in since.</summary>
    public bool SentBack { get; set; }

    /// <summary>The result that was sent back last, JSON; empty where none was.</summary>
    public string ResultSentBack { get; set; } = "";

    public DateTimeOffset ChangedAt { get; set; }

    /// <summary>Its situation in words, JSON.</summary>
    public string Words { get; set; } = "";

    /// <summary>Words it is found by, in small letters.</summary>
    public string Search { get; set; } = "";

    /// <summary>What its record is about, so that lists and counts need no look at the record.</summary>
    public string Operation { get; set; } = "";

    public int MaterialId { get; set; }

    public int MachineId { get; set; }

    public int CutterId { get; set; }

    /// <summary>The limit that is used most.</summary>
    public string WorstLimit { get; set; } = "";

    /// <summary>How far, over what is allowed.</summary>
    public double WorstUse { get; set; }

    /// <summary>The shop's own thread it is about; 0 for none.</summary>
    public int ThreadId { get; set; }

    /// <summary>How it stands, as it was judged last.</summary>
    public Stands Stands { get; set; }

    /// <summary>What moved, JSON; empty where nothing did.</summary>
    public string Standing { get; set; } = "";

    /// <summary>How far it moved; 2 where it broke.</summary>
    public double Moved { get; set; }

    /// <summary>The revisions of all it rests on for which somebody said that it still holds; empty where nobody did.</summary>
    public string KeptFor { get; set; } = "";

    /// <summary>The revisions of all it rests on for which it was judged.</summary>
    public string JudgedFor { get; set; } = "";

    public List<RecordEventRow> Events { get; init; } = [];

    /// <summary>How it stands, with what was reported from a machine.</summary>
    public Standing With(Standing calculated) => StoppedBy.Length == 0
        ? calculated
        : calculated with
        {
            Breaks = [new Finding(Usable.Stopped, Severity.Stop, new(StoppedBy.Replace('{', '(').Replace('}', ')')), ""), .. calculated.Breaks],
        };

    /// <summary>What stands beside its figures.</summary>
    public Terms ReadTerms() => Terms.Length == 0 ? Core.Records.Terms.None : DefinitionFormat.Read<Terms>(Terms);

    /// <summary>Counts pieces that were made; with the last one that it was approved for it ends.</summary>
    public void Count(int pieces, DateOnly today)
    {
        Made += pieces;
        if (ReadTerms().Pieces <= Made) EndsOn = today.AddDays(-1);
    }

    /// <summary>Takes over what stands beside its figures, with what is drawn out of it.</summary>
    public void Take(Terms terms)
    {
        string text = DefinitionFormat.Write(terms);
        Terms = text == DefinitionFormat.Write(Core.Records.Terms.None) ? "" : text;
        EndsOn = terms.Until;
    }
}

/// <summary>A thing that records rest on, once for each content it ever had.</summary>
public sealed class PartRow
{
    /// <summary>SHA-256 of the canonical JSON.</summary>
    public required string Hash { get; init; }

    public required string Kind { get; init; }

    /// <summary>Canonical JSON: members in order of their names, without space.</summary>
    public required string Json { get; init; }
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

    /// <summary>Absent approver in whose place it was done; empty for nobody.</summary>
    public string InPlaceOf { get; init; } = "";
}

/// <summary>What somebody has to say about a revision, or about one of its figures.</summary>
public sealed class CommentRow
{
    public int Id { get; set; }

    public required int RecordId { get; init; }

    public required string RecordNumber { get; init; }

    public required int Revision { get; init; }

    /// <summary>Code of the figure; empty for the whole.</summary>
    public required string Figure { get; init; }

    public required DateTimeOffset At { get; init; }

    public required string By { get; init; }

    public required string Text { get; init; }
}

/// <summary>An approver who is away, and the engineer who decides in the meantime.</summary>
public sealed class AbsenceRow
{
    public int Id { get; set; }

    /// <summary>Sign-in name of who is away.</summary>
    public required string Approver { get; init; }

    /// <summary>Sign-in name of who stands in.</summary>
    public required string Deputy { get; init; }

    /// <summary>First day.</summary>
    public required DateOnly From { get; init; }

    /// <summary>Last day.</summary>
    public required DateOnly Until { get; init; }

    /// <summary>When the deputy agreed; null while they have not.</summary>
    public DateTimeOffset? AgreedAt { get; set; }

    /// <summary>Whether the deputy decides on a day.</summary>
    public bool IsOn(DateOnly day) => AgreedAt is not null && From <= day && day <= Until;
}

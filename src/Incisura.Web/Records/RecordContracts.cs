using System.Text.Json.Serialization;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Calculate;
using Microsoft.AspNetCore.Mvc;

namespace Incisura.Web.Records;

/// <summary>A draft to be kept: situation, choices and a note.</summary>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record DraftRequest(
    string Operation, int MaterialId, int AssemblyId, int MachineId, Dictionary<string, double>? Numbers =
        null, Dictionary<string, string>? Options = null, string? Note = null, TakenLeftover? Leftover = null, string? Method = null)
    : CalculationRequest(MaterialId, AssemblyId, MachineId, Numbers, Options, Leftover, Method);

/// <summary>New choices and note of an open draft.</summary>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record DraftChange(
    Dictionary<string, double>? Numbers = null, Dictionary<string, string>? Options = null, string? Note = null, TakenLeftover? Leftover = null,
    string? Method = null)
{
    /// <summary>What it has beyond numbers and picks; how the hole was drilled before is that of the revision before, unless it is given.</summary>
    public IReadOnlyList<Extra>? Extras { get; init; }
}

/// <summary>What somebody says when they do something to a revision.</summary>
/// <param name="Text">Why; needed to send back, keep and withdraw.</param>
/// <param name="Accepted">Why cautions may stand, by what each says in base units; an empty reason takes one back. Null leaves them.</param>
/// <param name="Terms">Evidence, and how far the approval is to reach; null leaves both.</param>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record ActRequest(string? Text = null, Dictionary<string, string>? Accepted = null, GivenTerms? Terms = null);

/// <summary>Evidence, and how far an approval is to reach.</summary>
/// <param name="Evidence">What the figures rest on.</param>
/// <param name="Until">Last day; null for no end.</param>
/// <param name="Pieces">How many pieces; null for any number.</param>
public sealed record GivenTerms(Evidence Evidence, DateOnly? Until, int? Pieces);

/// <summary>A caution of a revision.</summary>
/// <param name="Key">What it says in base units, by which it is accepted.</param>
/// <param name="Finding">The caution.</param>
/// <param name="Acceptance">Why it may stand; null while nobody said so.</param>
public sealed record CautionView(string Key, Finding Finding, Acceptance? Acceptance);

/// <summary>Something a revision rests on that was revised since the approval before.</summary>
public sealed record ChangedUnder(string Kind, int Id, string Name, int From, int To, IReadOnlyList<string> By);

/// <summary>Pieces that were made with what is in force.</summary>
/// <param name="Pieces">How many since they were told last, 1 to a million.</param>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record PiecesMade(int Pieces);

/// <summary>What somebody has to say about a revision.</summary>
/// <param name="Figure">Code of the figure it is about; empty for the whole.</param>
/// <param name="At">When.</param>
/// <param name="By">Who.</param>
/// <param name="Text">What.</param>
public sealed record CommentView(string Figure, DateTimeOffset At, string By, string Text);

/// <summary>Something to say about a revision.</summary>
/// <param name="Revision">Which.</param>
/// <param name="Text">What.</param>
/// <param name="Figure">Code of the figure it is about; empty for the whole.</param>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record NewComment(int Revision, string Text, string Figure = "");

/// <summary>A record in a list.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Revision">The revision people work on.</param>
/// <param name="State">Where that stands.</param>
/// <param name="SentBack">Whether a reviewer sent it back and it was not handed in since.</param>
/// <param name="Version">For If-Match.</param>
/// <param name="Situation">The situation in words.</param>
/// <param name="ProposedBy">Who proposed it.</param>
/// <param name="ChangedAt">When anything last happened to it.</param>
/// <param name="StaleBy">What made it stale; empty where it holds.</param>
/// <param name="Broken">Whether its figures break a limit now, or can no longer be calculated.</param>
/// <param name="Breaks">What they break; null for nothing.</param>
/// <param name="Refused">Why it can no longer be calculated; empty where it can.</param>
/// <param name="Foremost">The figure to tell first of those that moved; null where none did.</param>
/// <param name="Moved">How far, over the larger of its two values; 2 where it broke.</param>
/// <param name="WorstLimit">The limit that is used most.</param>
/// <param name="WorstUse">How far, over what is allowed.</param>
/// <param name="Note">Its note.</param>
/// <param name="EndsOn">Last day on which it holds; null for no end.</param>
/// <param name="Ended">Whether that is over.</param>
public sealed record RecordSummary(
    string Number,
    int Revision,
    RecordState State,
    bool SentBack,
    int Version,
    SituationWords Situation,
    string ProposedBy,
    DateTimeOffset ChangedAt,
    IReadOnlyList<string> StaleBy,
    bool Broken,
    Sentence? Breaks,
    string Refused,
    FigureChange? Foremost,
    double Moved,
    string WorstLimit,
    double WorstUse,
    string Note,
    DateOnly? EndsOn,
    bool Ended);

/// <summary>How coverage counts a record.</summary>
public enum CountedAs
{
    /// <summary>However it does.</summary>
    Any,
    Approved,
    Stopped,
    Stale,
    InReview,
    Draft,
    Withdrawn,
}

/// <summary>In which order the list comes.</summary>
public enum RecordOrder
{
    /// <summary>What changed last first.</summary>
    Changed,

    /// <summary>By number.</summary>
    Number,

    /// <summary>What moved most first, and before it what broke.</summary>
    Moved,

    /// <summary>What is nearest to a limit first.</summary>
    Limit,
}

/// <summary>What is asked of the list of records.</summary>
/// <param name="Text">Words that all have to be found in it.</param>
/// <param name="State">Where it stands; discarded ones only when asked for.</param>
/// <param name="Stands">How it stands to what it rests on: stale takes the broken ones too.</param>
/// <param name="Material">Identity of the work material.</param>
/// <param name="Machine">Identity of the machine.</param>
/// <param name="Cutter">Identity of the cutter.</param>
/// <param name="Operation">Code of the operation.</param>
/// <param name="By">Who proposed it.</param>
/// <param name="Limit">The limit that is used most.</param>
/// <param name="Waits">Only what waits for whoever asks.</param>
/// <param name="Counts">Only what coverage counts like this: approved, stale, inReview, draft or withdrawn; any for all it counts.</param>
/// <param name="Order">changed, number, moved or limit.</param>
/// <param name="Skip">How many to leave out.</param>
/// <param name="Take">How many to give, 1 to 500.</param>
public sealed record RecordQuery(
    [FromQuery(Name = "text")] string? Text = null,
    [FromQuery(Name = "state")] string? State = null,
    [FromQuery(Name = "stands")] string? Stands = null,
    [FromQuery(Name = "material")] int? Material = null,
    [FromQuery(Name = "machine")] int? Machine = null,
    [FromQuery(Name = "cutter")] int? Cutter = null,
    [FromQuery(Name = "operation")] string? Operation = null,
    [FromQuery(Name = "by")] string? By = null,
    [FromQuery(Name = "limit")] string? Limit = null,
    [FromQuery(Name = "waits")] bool Waits = false,
    [FromQuery(Name = "counts")] string? Counts = null,
    [FromQuery(Name = "order")] string? Order = null,
    [FromQuery(Name = "skip")] int Skip = 0,
    [FromQuery(Name = "take")] int Take = 50);

/// <summary>A page of the list of records.</summary>
/// <param name="Total">How many there are.</param>
/// <param name="Counts">How many there are in each state, whatever state is asked for.</param>
/// <param name="Stale">How many of all are stale.</param>
/// <param name="Waiting">How many of all wait for whoever asks: for a decision, or sent back to be mended.</param>
/// <param name="Judging">How many are being recalculated because something they rest on was revised.</param>
/// <param name="Rows">The page.</param>
public sealed record RecordListing(
    int Total, IReadOnlyDictionary<string, int> Counts, int Stale, int Waiting, int Judging, IReadOnlyList<RecordSummary> Rows);

/// <summary>Something that happened to a revision.</summary>
public sealed record RecordEventView(DateTimeOffset At, string By, string InPlaceOf, RecordAct Act, string Reason);

/// <summary>A revision of a record with everything a reviewer needs.</summary>
/// <param name="Number">Revision, from 1.</param>
/// <param name="State">Where it stands.</param>
/// <param name="SentBack">Whether a reviewer sent it back and it was not handed in since.</param>
/// <param name="Version">For If-Match.</param>
/// <param name="Situation">The situation it was made for, in words.</param>
/// <param name="Numbers">What was typed.</param>
/// <param name="Options">What was picked.</param>
/// <param name="Leftover">What was taken over from a step before, with what has changed there since; null for nothing.</param>
/// <param name="Method">The method that was applied, in words.</param>
/// <param name="Extras">What it has beyond numbers and picks.</param>
/// <param name="Result">What came out, with its derivation.</param>
/// <param name="Snapshot">Everything it rests on, as it stood.</param>
/// <param name="Note">Why it is proposed.</param>
/// <param name="ProposedBy">Who proposed it.</param>
/// <param name="Events">What happened to it.</param>
/// <param name="AgainstApproved">Figures that differ from the revision approved before; empty where there was none.</param>
/// <param name="LimitsAgainstApproved">Limits whose use differs from it.</param>
/// <param name="FindingsAgainstApproved">Cautions and stops that only one of the two has.</param>
/// <param name="ApprovedBefore">That revision's number; 0 where there was none.</param>
/// <param name="SinceSentBack">Figures that differ from what was sent back; null where nothing was.</param>
/// <param name="ChosenSince">What was typed, or is of the part, that differs from what was sent back.</param>
/// <param name="NoteBefore">Its note, where it was another one.</param>
/// <param name="Standing">How it stands today.</param>
/// <param name="Kept">Whether somebody said that it still holds although something moved.</param>
/// <param name="Terms">Accepted cautions, evidence, and how far the approval reaches.</param>
/// <param name="Ended">Whether the approval has ended.</param>
/// <param name="Made">How many pieces were made with it, as far as they were told.</param>
/// <param name="Cautions">Its cautions, each with why it may stand.</param>
/// <param name="Can">What may be done to it now, and of everything else why not.</param>
/// <param name="ChangedUnder">What it rests on that was revised since the approval before, and by whom.</param>
/// <param name="Comments">What people said about it.</param>
public sealed record RecordRevisionView(
    int Number,
    RecordState State,
    bool SentBack,
    int Version,
    SituationWords Situation,
    IReadOnlyDictionary<string, double> Numbers,
    IReadOnlyDictionary<string, string> Options,
    Leftover? Leftover,
    string Method,
    IReadOnlyList<Extra> Extras,
    CalculationResult Result,
    Situation Snapshot,
    string Note,
    string ProposedBy,
    IReadOnlyList<RecordEventView> Events,
    IReadOnlyList<FigureChange> AgainstApproved,
    IReadOnlyList<LimitChange> LimitsAgainstApproved,
    IReadOnlyList<FindingChange> FindingsAgainstApproved,
    int ApprovedBefore,
    IReadOnlyList<FigureChange>? SinceSentBack,
    IReadOnlyList<FigureChange> ChosenSince,
    string? NoteBefore,
    Standing Standing,
    bool Kept,
    Terms Terms,
    bool Ended,
    int Made,
    IReadOnlyList<CautionView> Cautions,
    IReadOnlyList<ActVerdict> Can,
    IReadOnlyList<ChangedUnder> ChangedUnder,
    IReadOnlyList<CommentView> Comments);

/// <summary>A record with all its revisions, newest first.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Operation">Its operation.</param>
/// <param name="MaterialId">The work material.</param>
/// <param name="AssemblyId">The assembly.</param>
/// <param name="MachineId">The machine.</param>
/// <param name="Revisions">All of them, newest first.</param>
/// <param name="InForce">Number of the revision that editions publish; 0 for none.</param>
/// <param name="NotRenewed">Why no new revision can be begun; empty where one can.</param>
public sealed record RecordView(
    string Number, string Operation, int MaterialId, int AssemblyId, int MachineId, IReadOnlyList<RecordRevisionView> Revisions, int InForce,
    string NotRenewed);

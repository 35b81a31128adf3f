using System.Text.Json.Serialization;
using Incisura.Core.Calculation;
using Incisura.Core.Materials;
using Incisura.Core.Records;
using Incisura.Web.Calculate;

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

/// <summary>Why something is sent back or withdrawn.</summary>
public sealed record Reason(string? Text = null);

/// <summary>A situation in words, as the sentence at the head of every page needs it.</summary>
public sealed record SituationWords(
    string Operation,
    string OperationName,
    int MaterialId,
    string Material,
    string Condition,
    double Hardness,
    MaterialGroup Group,
    int AssemblyId,
    string Assembly,
    double Diameter,
    int Teeth,
    bool Turning,
    double Projection,
    string Holder,
    int MachineId,
    string Machine);

/// <summary>A record in a list.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Revision">The revision people work on.</param>
/// <param name="State">Where that stands.</param>
/// <param name="Situation">The situation in words.</param>
/// <param name="ProposedBy">Who proposed it.</param>
/// <param name="ChangedAt">When anything last happened to it.</param>
/// <param name="StaleBy">What made it stale; empty where it holds.</param>
/// <param name="Broken">Whether its figures break a limit now, or can no longer be calculated.</param>
/// <param name="HasApproved">Whether a revision is in force.</param>
/// <param name="Note">Its note.</param>
public sealed record RecordSummary(
    string Number,
    int Revision,
    RecordState State,
    SituationWords Situation,
    string ProposedBy,
    DateTimeOffset ChangedAt,
    IReadOnlyList<string> StaleBy,
    bool Broken,
    bool HasApproved,
    string Note);

/// <summary>Something that happened to a revision.</summary>
public sealed record RecordEventView(DateTimeOffset At, string By, RecordAct Act, string Reason);

/// <summary>A revision of a record with everything a reviewer needs.</summary>
/// <param name="Number">Revision, from 1.</param>
/// <param name="State">Where it stands.</param>
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
/// <param name="NoteBefore">Its note, where it was another one.</param>
/// <param name="Standing">How it stands today.</param>
public sealed record RecordRevisionView(
    int Number,
    RecordState State,
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
    string? NoteBefore,
    Standing Standing);

/// <summary>A record with all its revisions, newest first.</summary>
public sealed record RecordView(
    string Number, string Operation, int MaterialId, int AssemblyId, int MachineId, IReadOnlyList<RecordRevisionView> Revisions);

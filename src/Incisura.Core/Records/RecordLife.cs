namespace Incisura.Core.Records;

/// <summary>Where a revision of a record stands.</summary>
public enum RecordState
{
    /// <summary>Being worked on; only engineers and approvers see it.</summary>
    Draft,

    /// <summary>Proposed, waiting for an approver.</summary>
    InReview,

    /// <summary>Approved; the next edition publishes it.</summary>
    Approved,

    /// <summary>Taken back; no edition publishes it any more.</summary>
    Withdrawn,

    /// <summary>A draft that was given up; kept, but shown to nobody who does not look for it.</summary>
    Discarded,
}

/// <summary>What can be done to a revision of a record.</summary>
public enum RecordAct
{
    /// <summary>Change the draft's choices or note.</summary>
    Edit,

    /// <summary>Hand the draft in for review.</summary>
    Submit,

    /// <summary>Approve it.</summary>
    Approve,

    /// <summary>Send it back to its proposer with a reason.</summary>
    SendBack,

    /// <summary>Take it back from review, to work on it.</summary>
    TakeBack,

    /// <summary>Take an approved record out of use with a reason.</summary>
    Withdraw,

    /// <summary>Say that it still holds although something it rests on moved.</summary>
    Keep,

    /// <summary>Give a draft up.</summary>
    Discard,
}

/// <summary>What a person may do in the workshop.</summary>
public enum Role
{
    /// <summary>Reads published figures.</summary>
    Reader,

    /// <summary>Keeps the library, calculates, proposes.</summary>
    Engineer,

    /// <summary>Reviews, approves, publishes; may do an engineer's work too.</summary>
    Approver,

    /// <summary>Keeps people and the system; decides nothing about cutting data.</summary>
    Administrator,
}

/// <summary>Somebody who acts.</summary>
/// <param name="Name">Sign-in name, unique.</param>
/// <param name="Role">What they may do.</param>
public sealed record Actor(string Name, Role Role);

/// <summary>Thrown when a rule of the record's life forbids an act; the message says which and what would do.</summary>
/// <param name="code">Stable code of the rule.</param>
/// <param name="message">For a person.</param>
public sealed class RuleException(string code, string message) : Exception(message)
{
    /// <summary>Stable code of the rule.</summary>
    public string Code { get; } = code;
}

/// <summary>
/// The life of a record's revision: draft → in review → approved → withdrawn, back from review to draft (sent back, or taken back), and from draft to discarded.
/// </summary>
public static class RecordLife
{
    /// <summary>Most characters a note or a reason may have.</summary>
    public const int LongestText = 2000;

    /// <summary>Number of the revision in force: the newest that was ever approved, unless it was withdrawn. 0 where there is none.</summary>
    /// <param name="revisions">Number and state of every revision of a record, in any order.</param>
    public static int InForce(IEnumerable<(int Number, RecordState State)> revisions) =>
        revisions.Where(r => r.State is RecordState.Approved or RecordState.Withdrawn)
            .OrderByDescending(r => r.Number)
            .FirstOrDefault() is { State: RecordState.Approved } newest
            ? newest.Number
            : 0;

    /// <summary>The state after an act.</summary>
    /// <param name="state">State before.</param>
    /// <param name="act">What is done.</param>
    /// <param name="actor">Who does it.</param>
    /// <param name="contributors">Sign-in names of everybody who wrote or submitted the revision.</param>
    /// <param name="reason">Why; needed to send back and to withdraw.</param>
    /// <exception cref="RuleException">The act is not allowed here.</exception>
    public static RecordState After(RecordState state, RecordAct act, Actor actor, IReadOnlyCollection<string> contributors, string? reason)
    {
        bool decides = act is RecordAct.Approve or RecordAct.SendBack or RecordAct.Keep;
        if (actor.Role is not (Role.Engineer or Role.Approver))
            throw new RuleException("role", "Only an engineer or an approver may work on records.");
        if ((decides || act == RecordAct.Withdraw) && actor.Role != Role.Approver)
            throw new RuleException("role", "Only an approver may approve, send back, keep or withdraw.");
        if (decides && contributors.Contains(actor.Name, StringComparer.OrdinalIgnoreCase))
            throw new RuleException("own-proposal", "Nobody decides on their own proposal; ask another approver.");
        if (act == RecordAct.TakeBack && state == RecordState.InReview && !contributors.Contains(actor.Name, StringComparer.OrdinalIgnoreCase))
            throw new RuleException("not-yours", "Only somebody who worked on it takes it back; an approver sends it back with a reason.");
        if (act is RecordAct.SendBack or RecordAct.Keep or RecordAct.Withdraw && string.IsNullOrWhiteSpace(reason))
            throw new RuleException("reason", "A reason is needed, so that others know what to mend.");
        if (reason?.Length > LongestText)
            throw new RuleException("reason", $"The reason has {reason.Length} characters; {LongestText} is the most.");
        return (state, act) switch
        {
            (RecordState.Draft, RecordAct.Edit) => RecordState.Draft,
            (RecordState.Draft, RecordAct.Submit) => RecordState.InReview,
            (RecordState.InReview, RecordAct.Approve) => RecordState.Approved,
            (RecordState.InReview, RecordAct.SendBack) => RecordState.Draft,
            (RecordState.InReview, RecordAct.TakeBack) => RecordState.Draft,
            (RecordState.Approved, RecordAct.Withdraw) => RecordState.Withdrawn,
            (RecordState.Approved, RecordAct.Keep) => RecordState.Approved,
            (RecordState.Draft, RecordAct.Discard) => RecordState.Discarded,
            _ => throw new RuleException("state", $"This revision is {Words(state)}, so it cannot be {Words(act)}."),
        };
    }

    /// <summary>The state in plain words.</summary>
    public static string Words(RecordState state) => state switch
    {
        RecordState.Draft => "a draft",
        RecordState.InReview => "in review",
        RecordState.Approved => "approved",
        RecordState.Discarded => "discarded",
        _ => "withdrawn",
    };

    private static string Words(RecordAct act) => act switch
    {
        RecordAct.Edit => "edited",
        RecordAct.Submit => "submitted",
        RecordAct.Approve => "approved",
        RecordAct.SendBack => "sent back",
        RecordAct.TakeBack => "taken back",
        RecordAct.Discard => "discarded",
        RecordAct.Keep => "kept",
        _ => "withdrawn",
    };
}

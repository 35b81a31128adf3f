using Incisura.Core.Checks;

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
/// <param name="InPlaceOf">Sign-in name of the absent approver they stand in for; empty for nobody.</param>
public sealed record Actor(string Name, Role Role, string InPlaceOf = "");

/// <summary>What the rules have to know of a revision.</summary>
/// <param name="State">Where it stands.</param>
/// <param name="Contributors">Sign-in names of everybody who had a hand in its figures.</param>
/// <param name="Standing">How it stands to what it rests on today, with what was reported from a machine.</param>
public sealed record RevisionFacts(RecordState State, IReadOnlyCollection<string> Contributors, Standing Standing)
{
    /// <summary>What its calculation noticed.</summary>
    public IReadOnlyList<Finding> Findings { get; init; } = [];

    /// <summary>What stands beside its figures.</summary>
    public Terms Terms { get; init; } = Terms.None;

    /// <summary>Whether somebody said that it still holds, and nothing moved since.</summary>
    public bool Kept { get; init; }

    /// <summary>Day on which it is asked.</summary>
    public DateOnly Today { get; init; }

    /// <summary>Whether the day until which it was approved is over, or its pieces are made.</summary>
    public bool Ended { get; init; }

    /// <summary>The shop's own thread it rests on that nobody has approved; empty where there is none.</summary>
    public string UnapprovedThread { get; init; } = "";
}

/// <summary>Whether an act is possible now.</summary>
/// <param name="Act">The act.</param>
/// <param name="Rule">Code of the rule that forbids it; empty where it is possible.</param>
/// <param name="WhyNot">That rule in words.</param>
/// <param name="Against">What stands against it, so that it needs a reason that readers see; empty for nothing.</param>
public sealed record ActVerdict(RecordAct Act, string Rule, string WhyNot, IReadOnlyList<Sentence> Against);

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
    /// <param name="facts">The revision before.</param>
    /// <param name="act">What is done.</param>
    /// <param name="actor">Who does it.</param>
    /// <param name="reason">Why; needed to send back, keep and withdraw.</param>
    /// <exception cref="RuleException">The act is not allowed here.</exception>
    public static RecordState After(RevisionFacts facts, RecordAct act, Actor actor, string? reason)
    {
        if (Refusal(facts, act, actor) is { } refused) throw refused;
        if (act is RecordAct.SendBack or RecordAct.Keep or RecordAct.Withdraw && string.IsNullOrWhiteSpace(reason))
            throw new RuleException("reason", "A reason is needed, so that others know what to mend.");
        if (act == RecordAct.Approve && string.IsNullOrWhiteSpace(reason) && Usable.Bars(facts, Use.Approval) is [var against, ..])
            throw new RuleException(against.Code, $"{against.Says} Say why it may be approved nevertheless; whoever reads the figures sees it.");
        if (reason?.Length > LongestText)
            throw new RuleException("reason", $"The reason has {reason.Length} characters; {LongestText} is the most.");
        return Next(facts.State, act)!.Value;
    }

    /// <summary>What may be done to a revision now, and of everything else why not.</summary>
    /// <param name="facts">The revision.</param>
    /// <param name="actor">Who asks.</param>
    public static IReadOnlyList<ActVerdict> Verdicts(RevisionFacts facts, Actor actor) =>
    [
        .. from act in Enum.GetValues<RecordAct>()
           let refused = Refusal(facts, act, actor)
           select new ActVerdict(
               act, refused?.Code ?? "", refused?.Message ?? "",
               act == RecordAct.Approve && refused is null ? [.. Usable.Bars(facts, Use.Approval).Select(b => b.Says)] : []),
    ];

    // The rule that forbids an act, the first that matters; null where it is possible.
    private static RuleException? Refusal(RevisionFacts facts, RecordAct act, Actor actor)
    {
        bool decides = act is RecordAct.Approve or RecordAct.SendBack or RecordAct.Keep;
        bool own = IsOwn(facts.Contributors, actor);
        if (actor.Role is not (Role.Engineer or Role.Approver)) return new("role", "Only an engineer or an approver may work on records.");
        if ((decides || act == RecordAct.Withdraw) && actor.Role != Role.Approver)
            return new("role", "Only an approver may approve, send back, keep or withdraw.");
        if (Next(facts.State, act) is null)
            return new("state", $"This revision is {Words(facts.State)}, so it cannot be {Words(act)}.");
        if (decides && own)
            return new(
                "own-proposal",
                facts.Contributors.Contains(actor.Name, StringComparer.OrdinalIgnoreCase)
                    ? "Nobody decides on their own proposal; ask another approver."
                    : $"You stand in for {actor.InPlaceOf}, who had a hand in it; ask another approver.");
        return act switch
        {
            RecordAct.TakeBack when !own =>
                new("not-yours", "Only somebody who worked on it takes it back; an approver sends it back with a reason."),
            RecordAct.Submit when First(Use.Proposal) is { } bar => new(bar.Code, $"A record that must not be run cannot be proposed: {bar.Says}"),
            RecordAct.Approve when First(Use.Approval) is { Code: Usable.OpenCaution } bar => new(
                bar.Code,
                $"{(facts.Terms.Open(facts.Findings) is [_, _, ..] open ? $"{open.Count} cautions" : "A caution")} must be accepted with a reason "
                    + $"first: {bar.Says}"),
            RecordAct.Approve when First(Use.Approval) is { Code: Usable.Broken or Usable.Impossible } bar =>
                new(bar.Code, $"It cannot be approved as it stands now: {bar.Says} Work it out anew for somebody else's review, or send it back."),
            RecordAct.Approve when First(Use.Approval) is { } bar => new(bar.Code, bar.Says.ToString()),
            RecordAct.Keep when First(Use.Keeping) is { } bar =>
                new(bar.Code, $"It cannot be kept: {bar.Says} Make a new revision, or withdraw it."),
            RecordAct.Keep when Usable.Bars(facts, Use.Keeping).Count == 0 => new("holds", "It holds as it is; there is nothing to keep."),
            _ => null,
        };

        Bar? First(Use use) => Usable.Bars(facts, use).FirstOrDefault(b => !b.Yields);
    }

    /// <summary>Whether somebody, or whoever they stand in for, had a hand in it.</summary>
    /// <param name="contributors">Sign-in names of everybody who had.</param>
    /// <param name="actor">Who acts.</param>
    public static bool IsOwn(IReadOnlyCollection<string> contributors, Actor actor) =>
        contributors.Contains(actor.Name, StringComparer.OrdinalIgnoreCase)
            || contributors.Contains(actor.InPlaceOf, StringComparer.OrdinalIgnoreCase);

    private static RecordState? Next(RecordState state, RecordAct act) => (state, act) switch
    {
        (RecordState.Draft, RecordAct.Edit) => RecordState.Draft,
        (RecordState.Draft, RecordAct.Submit) => RecordState.InReview,
        (RecordState.InReview, RecordAct.Approve) => RecordState.Approved,
        (RecordState.InReview, RecordAct.SendBack) => RecordState.Draft,
        (RecordState.InReview, RecordAct.TakeBack) => RecordState.Draft,
        (RecordState.Approved, RecordAct.Withdraw) => RecordState.Withdrawn,
        (RecordState.Approved, RecordAct.Keep) => RecordState.Approved,
        (RecordState.Draft, RecordAct.Discard) => RecordState.Discarded,
        _ => null,
    };

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

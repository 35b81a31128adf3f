using Incisura.Core.Calculation;
using Incisura.Core.Checks;

namespace Incisura.Core.Records;

/// <summary>What a record's figures rest on beside the calculation.</summary>
public enum EvidenceKind
{
    /// <summary>Calculated, and nothing else.</summary>
    Computed,

    /// <summary>Run at the machine as they stand.</summary>
    TriedAtMachine,

    /// <summary>Run in this shop before under like conditions.</summary>
    EarlierPractice,
}

/// <summary>What a record's figures rest on, and where that can be read.</summary>
/// <param name="Kind">Of which kind it is.</param>
/// <param name="Source">Where it comes from: job, date, people; empty for a calculation.</param>
public sealed record Evidence(EvidenceKind Kind, string Source)
{
    /// <summary>A calculation and nothing else.</summary>
    public static Evidence Computed { get; } = new(EvidenceKind.Computed, "");
}

/// <summary>A caution that somebody accepts, with the reason that is published beside it.</summary>
/// <param name="Code">Code of the finding.</param>
/// <param name="Text">What it said when it was accepted, in base units.</param>
/// <param name="Reason">Why it may stand.</param>
/// <param name="By">Who wrote the reason.</param>
public sealed record Acceptance(string Code, string Text, string Reason, string By);

/// <summary>What stands beside a revision's figures: accepted cautions, evidence, and how far the approval reaches.</summary>
/// <param name="Accepted">Cautions that were accepted.</param>
/// <param name="Evidence">What the figures rest on.</param>
/// <param name="Until">Last day on which it holds; null for no end.</param>
/// <param name="Pieces">How many pieces may be made with it, 1 to <see cref="MostPieces"/>; null for any number.</param>
public sealed record Terms(IReadOnlyList<Acceptance> Accepted, Evidence Evidence, DateOnly? Until, int? Pieces)
{
    /// <summary>Most pieces an approval can be limited to.</summary>
    public const int MostPieces = 1_000_000;

    /// <summary>A calculation without a caution that was accepted, for good.</summary>
    public static Terms None { get; } = new([], Evidence.Computed, null, null);

    /// <summary>Whether it has ended.</summary>
    /// <param name="today">The day it is asked for.</param>
    public bool EndedOn(DateOnly today) => Until < today;

    /// <summary>The reason why a caution was accepted, if it says today what it said then; null where nobody accepted it.</summary>
    /// <param name="finding">The caution.</param>
    public Acceptance? Of(Finding finding) => Accepted.FirstOrDefault(a => a.Code == finding.Code && a.Text == finding.Text.ToString());

    /// <summary>Cautions that nobody has accepted yet.</summary>
    /// <param name="findings">What a calculation noticed.</param>
    public IReadOnlyList<Finding> Open(IReadOnlyList<Finding> findings) =>
        [.. findings.Where(f => f.Severity == Severity.Caution && Of(f) is null)];

    /// <summary>
    /// The same terms for other figures: without acceptances of what is no longer said, and tried at the machine only where the same is set there.
    /// </summary>
    /// <param name="now">What came out now.</param>
    /// <param name="before">What the terms were written for; null for nothing.</param>
    public Terms Carried(CalculationResult now, CalculationResult? before) => For(now.Findings) with
    {
        Evidence = Evidence.Kind == EvidenceKind.TriedAtMachine && (before is null || !Usable.SameAtMachine(before, now))
            ? Evidence.Computed
            : Evidence,
    };

    /// <summary>The same terms without acceptances of what is no longer said.</summary>
    /// <param name="findings">What a calculation notices now.</param>
    public Terms For(IReadOnlyList<Finding> findings) =>
        this with { Accepted = [.. Accepted.Where(a => findings.Any(f => Of(f) == a))] };

    /// <summary>The same terms with reasons for some cautions written, or taken out where they are empty.</summary>
    /// <param name="reasons">Reason by the finding's text in base units; an empty one takes it out.</param>
    /// <param name="findings">What the calculation noticed.</param>
    /// <param name="by">Who writes.</param>
    /// <exception cref="RuleException">One is about something that the calculation does not say, or is too long.</exception>
    public Terms Accepting(IReadOnlyDictionary<string, string> reasons, IReadOnlyList<Finding> findings, string by)
    {
        List<Acceptance> accepted = [.. Accepted];
        foreach ((string text, string reason) in reasons)
        {
            Finding finding = findings.FirstOrDefault(f => f.Severity == Severity.Caution && f.Text.ToString() == text)
                ?? throw new RuleException("no-such-caution", $"Nothing here says “{text}” any more; look at the findings again.");
            if (reason.Length > RecordLife.LongestText)
                throw new RuleException("reason", $"The reason has {reason.Length} characters; {RecordLife.LongestText} is the most.");
            Acceptance? before = accepted.Find(a => a.Code == finding.Code && a.Text == text);
            if (before?.Reason == reason.Trim()) continue;
            accepted.RemoveAll(a => a == before);
            if (reason.Trim() is { Length: > 0 } said) accepted.Add(new(finding.Code, text, said, by));
        }

        return this with { Accepted = accepted };
    }

    /// <summary>Checks evidence and reach.</summary>
    /// <param name="today">The day it is written.</param>
    public InputCheck Check(DateOnly today) => new InputCheck()
        .Holds(Enum.IsDefined(Evidence.Kind), "evidence", double.NaN, "This kind of evidence is unknown; choose one that is offered.")
        .Holds(
            Evidence.Kind == EvidenceKind.Computed || Evidence.Source.Trim().Length > 0, "evidence", double.NaN,
            "Say where this was tried or practised: job, date and who can be asked.")
        .Holds(
            Evidence.Source.Length <= RecordLife.LongestText, "evidence", Evidence.Source.Length,
            $"The source has {Evidence.Source.Length} characters; {RecordLife.LongestText} is the most.")
        .Holds(
            Until is null || Until >= today, "until", double.NaN,
            $"{Until:yyyy-MM-dd} is over already; choose a later day, or leave it empty for no end.")
        .Holds(
            Pieces is null or (>= 1 and <= MostPieces), "pieces", Pieces ?? 0,
            $"The number of pieces must be between 1 and {MostPieces}; leave it empty for any number.");
}

using Incisura.Core.Calculation;
using Incisura.Core.Checks;

namespace Incisura.Core.Records;

/// <summary>What the figures of a revision are to be used for.</summary>
public enum Use
{
    /// <summary>To be handed in: an approver still decides on cautions and on what moved.</summary>
    Proposal,

    /// <summary>To be approved as they stand.</summary>
    Approval,

    /// <summary>To hold on although something they rest on moved.</summary>
    Keeping,

    /// <summary>To go into an edition that they are not in yet.</summary>
    Publication,

    /// <summary>To be run, read off an edition.</summary>
    Reading,
}

/// <summary>Why figures may not be used.</summary>
/// <param name="Code">Code of the rule.</param>
/// <param name="Says">In words.</param>
/// <param name="Yields">
/// Whether an approver's written reason lets them be used nevertheless; it stands beside the figures wherever they are read.
/// </param>
public sealed record Bar(string Code, Sentence Says, bool Yields = false);

/// <summary>
/// May this be used? Answered here alone, for every road to an approved, published or read figure, from the revision, what it rests on today,
/// and the day.
/// </summary>
public static class Usable
{
    /// <summary>Somebody at a machine says that it must not be run.</summary>
    public const string Stopped = "reported-do-not-run";

    /// <summary>The day or the pieces it was approved for are over.</summary>
    public const string Ended = "ended";

    /// <summary>Its own calculation says that it must not be run.</summary>
    public const string StopFinding = "stop-finding";

    /// <summary>It breaks a limit today.</summary>
    public const string Broken = "broken";

    /// <summary>It cannot be worked out any more from what it rests on today.</summary>
    public const string Impossible = "impossible";

    /// <summary>It rests on a thread of the shop's own that nobody has approved.</summary>
    public const string UnapprovedThread = "thread-not-approved";

    /// <summary>A caution of its own that nobody has accepted.</summary>
    public const string OpenCaution = "open-caution";

    /// <summary>Something it rests on was revised, and it would come out otherwise today.</summary>
    public const string Moved = "moved";

    /// <summary>All that stands against a use, the gravest first; empty where nothing does.</summary>
    /// <param name="facts">The revision, what it rests on today, and the day.</param>
    /// <param name="use">What its figures are to be used for.</param>
    public static IReadOnlyList<Bar> Bars(RevisionFacts facts, Use use)
    {
        List<Bar> bars = [];
        if (facts.Standing.Breaks is [{ Code: Stopped } stopped, ..]) bars.Add(new(Stopped, stopped.Text));
        if (facts.Ended)
            bars.Add(new(Ended, new("The time or the pieces it was approved for are over.")));
        else if (facts.Terms.EndedOn(facts.Today) && use is not Use.Proposal)
            bars.Add(new(Ended, new($"It is proposed until {facts.Terms.Until:yyyy-MM-dd}, which is over; send it back for another day.")));
        foreach (Finding stop in facts.Findings.Where(f => f.Severity == Severity.Stop)) bars.Add(new(StopFinding, Whole(stop)));

        // Before it is published an approver may say why it holds nevertheless; what was only proposed is worked out anew.
        bars.AddRange(facts.Standing.Breaks.Where(b => b.Code != Stopped).Select(b => new Bar(Broken, b.Text, use == Use.Publication)));
        if (facts.Standing.Refused.Length > 0) bars.Add(new(Impossible, Plain(facts.Standing.Refused)));
        if (facts.UnapprovedThread.Length > 0 && use != Use.Proposal) bars.Add(new(UnapprovedThread, Plain(facts.UnapprovedThread)));
        if (use is not (Use.Proposal or Use.Reading))
            bars.AddRange(facts.Terms.Open(facts.Findings).Select(f => new Bar(OpenCaution, f.Text)));
        if (facts.Standing is { Stale: true, Broken: false } && !facts.Kept && use != Use.Proposal)
            bars.Add(new(Moved, facts.Standing.Told, Yields: true));
        return bars;
    }

    /// <summary>Terms that say what stood against a use, and why it may be nevertheless.</summary>
    /// <param name="terms">The terms until now.</param>
    /// <param name="bars">What stands against it.</param>
    /// <param name="reason">The approver's reason.</param>
    /// <param name="by">Their name.</param>
    public static Terms Overrule(Terms terms, IReadOnlyList<Bar> bars, string reason, string by)
    {
        HashSet<string> codes = [.. bars.Where(b => b.Yields).Select(b => b.Code)];
        return codes.Count == 0 ? terms : terms with
        {
            Accepted =
            [
                .. terms.Accepted.Where(a => !codes.Contains(a.Code)),
                .. bars.Where(b => b.Yields).Select(b => new Acceptance(b.Code, b.Says.ToString(), reason.Trim(), by)),
            ],
        };
    }

    /// <summary>What stood against the figures when they were approved, kept or published, each with why they may be used nevertheless.</summary>
    /// <param name="terms">What stands beside the figures.</param>
    public static IReadOnlyList<Acceptance> Overruled(Terms terms) => [.. terms.Accepted.Where(a => a.Code is Broken or Impossible or Moved)];

    /// <summary>Whether two calculations set the same at the machine: speeds, feeds, widths and depths within <see cref="Staleness.Tolerance"/>.</summary>
    /// <param name="a">The one.</param>
    /// <param name="b">The other.</param>
    public static bool SameAtMachine(CalculationResult a, CalculationResult b)
    {
        Dictionary<string, double> one = SetAtMachine(a), other = SetAtMachine(b);
        return one.Keys.Union(other.Keys).All(code => one.TryGetValue(code, out double x) && other.TryGetValue(code, out double y)
            && Math.Abs(x - y) <= Staleness.Tolerance * Math.Max(Math.Abs(x), Math.Abs(y)));
    }

    private static readonly HashSet<string> Programmed =
    [
        .. new[] { Output.SpindleSpeed, Output.FeedRate, Output.ProgrammedSpeed, Output.FeedInUse, Output.Width, Output.Depth }.Select(Codes.Of),
    ];

    private static Dictionary<string, double> SetAtMachine(CalculationResult r)
    {
        Dictionary<string, double> set = r.Figures.Where(f => Programmed.Contains(f.Code)).ToDictionary(f => f.Code, f => f.Value);
        foreach (FieldState f in r.Fields.Where(f => f.Used && FieldRoles.Of(f.Code) == FieldRole.WayBySize)) set["field." + f.Code] = f.Value;
        return set;
    }

    private static Sentence Whole(Finding finding) => finding.Cure.Length == 0 ? finding.Text : finding.Text.Then(Plain(" " + finding.Cure));

    private static Sentence Plain(string words) => new(words.Replace('{', '(').Replace('}', ')'));
}

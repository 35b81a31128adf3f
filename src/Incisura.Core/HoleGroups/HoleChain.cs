using Incisura.Core.Catalogue;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;

namespace Incisura.Core.HoleGroups;

/// <summary>Whether a chain makes the hole.</summary>
public enum ChainVerdict
{
    /// <summary>Every step can be done and nothing speaks against it.</summary>
    Works,

    /// <summary>Every step can be done, and something should be looked at.</summary>
    Cautions,

    /// <summary>A step is missing or must not be run.</summary>
    Fails,
}

/// <summary>One step of a chain: an operation with a cutter of the library, or what is missing for it.</summary>
/// <param name="Operation">Code of the operation.</param>
/// <param name="Situation">Its situation; null where nothing serves.</param>
/// <param name="Choices">What was chosen in it.</param>
/// <param name="Result">What it comes to; null where nothing serves.</param>
/// <param name="Reason">Why this cutter, or what is missing and what would come nearest.</param>
/// <param name="Others">Other assemblies that could do the step.</param>
public sealed record ChainStep(
    string Operation, Situation? Situation, Choices Choices, CalculationResult? Result, Sentence Reason, IReadOnlyList<Situation> Others)
{
    /// <summary>What the step takes over from the steps before it; null where it starts in the solid.</summary>
    public Sentence? Takes { get; init; }

    /// <summary>Whether a cutter was found.</summary>
    public bool Found => Result is not null;

    /// <summary>Time for one hole, min.</summary>
    public double Time => Result?.Figures.FirstOrDefault(f => f.Code == "time")?.Value ?? 0;

    /// <summary>How grave the gravest finding of the step is; a step without a result must not be run.</summary>
    public Severity Gravest => Result is null ? Severity.Stop : Result.Findings.Select(f => f.Severity).DefaultIfEmpty(Severity.Info).Max();
}

/// <summary>An assembly picked by hand that was not taken.</summary>
/// <param name="Operation">Code of the operation it was picked for.</param>
/// <param name="AssemblyId">The assembly.</param>
/// <param name="Why">Why it was not taken.</param>
public sealed record FallenPick(string Operation, int AssemblyId, Sentence Why);

/// <summary>The chain of operations that makes a hole, out of cutters that the library really has.</summary>
/// <param name="Steps">The steps in their order.</param>
/// <param name="Cautions">What should be looked at and belongs to no single step.</param>
/// <param name="Notes">What is good to know: steps left out, edges left as they are.</param>
public sealed record HoleChain(IReadOnlyList<ChainStep> Steps, IReadOnlyList<Sentence> Cautions, IReadOnlyList<Sentence> Notes)
{
    /// <summary>Picks that do not fit this hole.</summary>
    public IReadOnlyList<FallenPick> Fallen { get; init; } = [];

    /// <summary>Whether the chain makes the hole.</summary>
    public ChainVerdict Verdict =>
        Steps.Any(s => s.Gravest == Severity.Stop) ? ChainVerdict.Fails
        : Cautions.Count > 0 || Steps.Any(s => s.Gravest == Severity.Caution) ? ChainVerdict.Cautions
        : ChainVerdict.Works;

    /// <summary>What stands against it, the gravest first; empty where it works.</summary>
    public IReadOnlyList<Sentence> Why
    {
        get
        {
            Severity gravest = Verdict switch { ChainVerdict.Fails => Severity.Stop, ChainVerdict.Cautions => Severity.Caution, _ => Severity.Info };
            if (gravest == Severity.Info) return [];
            IEnumerable<Sentence> ofSteps = Steps.SelectMany(s => s.Result is null
                ? [Named(s, s.Reason)]
                : s.Result.Findings.Where(f => f.Severity == gravest).Select(f => Named(s, f.Text)));
            return [.. ofSteps, .. gravest == Severity.Caution ? Cautions : []];
        }
    }

    /// <summary>Says that the hole is drilled in another way than by another chain; null where it is not.</summary>
    /// <param name="before">The other chain.</param>
    public Sentence? DrilledOtherwise(HoleChain before) =>
        WayOf(this) is { } now && WayOf(before) is { } then && now != then
            ? new($"As it is kept it is drilled by {HoleWords.NameOf(then)}; now it is {HoleWords.NameOf(now)}. Tell the programmer.")
            : null;

    private static DrillingCycle? WayOf(HoleChain chain) =>
        chain.Steps.LastOrDefault(s => s.Operation is "drill" or "deep-hole")?.Result?.Figures.FirstOrDefault(f => f.Code == "cycle") is { } cycle
            ? (DrillingCycle)(int)cycle.Value
            : null;

    /// <summary>Proposes the chain that makes a hole: the first that works, or else the one with the least against it.</summary>
    /// <param name="target">The hole.</param>
    /// <param name="shelf">What can be used, and what cannot and why.</param>
    /// <param name="picked">Assemblies chosen by hand, by the code of the operation.</param>
    /// <param name="others">Whether to look for other assemblies that could do each step.</param>
    /// <param name="cancel">Stops the work.</param>
    public static HoleChain Propose(
        HoleTarget target, ToolShelf shelf, IReadOnlyDictionary<string, int> picked, bool others = true, CancellationToken cancel = default)
    {
        ChainTrials trials = new(cancel);
        HoleChain chain = Settle(target, shelf, picked, trials);
        if (!others) return chain with { Steps = [.. chain.Steps.Select(s => s with { Others = [] })] };

        // Another assembly could do a step where the whole chain still makes the hole with it.
        List<ChainStep> steps = [];
        foreach (ChainStep step in chain.Steps)
        {
            IEnumerable<Situation> able = step.Others.Where(o =>
            {
                HoleChain with = Settle(target, shelf, new Dictionary<string, int>(picked) { [step.Operation] = o.Assembly.Id }, trials);
                return with.Verdict != ChainVerdict.Fails
                    && with.Steps.Any(s => s.Operation == step.Operation && s.Situation?.Assembly.Id == o.Assembly.Id);
            });
            steps.Add(step with { Others = [.. able.Where(o => o.Assembly.Id != step.Situation?.Assembly.Id).Take(MostOthers)] });
        }

        return chain with { Steps = steps };
    }

    private const int MostOthers = 12;

    // A pick that fits nowhere falls, and is said; the hole is then proposed without it.
    private static HoleChain Settle(HoleTarget target, ToolShelf shelf, IReadOnlyDictionary<string, int> picked, ChainTrials trials)
    {
        Dictionary<string, int> held = new(picked);
        List<FallenPick> fallen = [];
        while (true)
        {
            ChainBuilder builder = new(target, shelf, held, trials);
            HoleChain best = builder.Best();
            FallenPick[] unfit = [.. builder.Unfit];
            if (unfit.Length == 0)
            {
                fallen.AddRange(
                    held.Where(p => best.Steps.All(s => s.Operation != p.Key))
                        .Select(
                            p => new FallenPick(p.Key, p.Value, new($"{builder.NameOf(p.Value)} was picked for a step this hole does not need."))));
                return best with { Fallen = fallen };
            }

            fallen.AddRange(unfit);
            foreach (FallenPick pick in unfit) held.Remove(pick.Operation);
        }
    }

    private static Sentence Named(ChainStep step, Sentence text) => new Sentence($"{Operations.Find(step.Operation)!.Description.Name}: ").Then(text);
}

using Incisura.Core.Charts;
using Incisura.Core.Holders;

namespace Incisura.Core.Calculation;

/// <summary>
/// The one engine of all operations: a situation is taken at the door, what was not typed is proposed, values that contradict each
/// other are refused, and the same code works it out whether somebody listens or not.
/// </summary>
/// <typeparam name="TWork">Which operation, within its world.</typeparam>
/// <typeparam name="TResult">What the world yields.</typeparam>
public partial class Operation<TWork, TResult> : IOperation
    where TWork : struct, IWork<TResult>
    where TResult : struct, IOutputs
{
    private const double Headroom = 1.15, SlowestShare = 0.001;

    // The speed can be turned in every operation. It goes from the spindle's least to what the chart says for the life wanted.
    private static readonly Lever Speed = new(
        Input.CuttingSpeed, (_, in x) => SlowestShare * x[Input.CuttingSpeed], FastestOf,
        (setup, in x) => Math.Max(
            Headroom * x[Input.CuttingSpeed],
            Math.Min(Headroom * SpeedAt(setup, x, setup.LargestSpeed), 2 * (setup.Row?.CuttingSpeed ?? x[Input.CuttingSpeed]))))
    {
        Least = (setup, in x) => SpeedAt(setup, x, setup.LeastSpeed),
        TopIsChart = true,
        Points = (5, false),
    };

    private static readonly Lever[] Levers = [Speed, .. TWork.Levers.Where(l => TWork.Description.Has(l.Input))],
        Free = [.. Levers.Where(l => TWork.Description.Free.Contains(TWork.Description.Field(l.Input).Code))];

    private static readonly Lever? Feed = Levers.FirstOrDefault(l => l.IsFeed), FreeFeed = Free.FirstOrDefault(l => l.IsFeed);

    private static readonly Output[] AllOutputs = Enum.GetValues<Output>();

    private static readonly Input[] Totals =
        [.. new[] { Input.StockWidth, Input.WallHeight, Input.StockHeight, Input.EndDiameter }.Where(TWork.Description.Has)];

    /// <inheritdoc/>
    public OperationDescription Description => TWork.Description;

    /// <summary>Works complete inputs out, taken as checked.</summary>
    /// <param name="setup">Cutter, holder, material and machine.</param>
    /// <param name="x">The inputs, complete.</param>
    public static TResult Solve(CuttingSetup setup, in Inputs x)
    {
        NoTrace none = default;
        TWork.Solve(setup, x, out TResult result, ref none);
        return result;
    }

    /// <inheritdoc/>
    public CalculationResult Calculate(Situation situation, Choices choices, bool explain, CancellationToken cancel = default)
    {
        cancel.ThrowIfCancellationRequested();
        Taken given = Take(situation, choices);
        if (!explain)
        {
            NoTrace none = default;
            return Told(situation, given, ProposeChecked(given, ref none), ref none, cancel);
        }

        DerivationTrace derivation = new();
        Proposal proposal = ProposeChecked(given, ref derivation);
        CalculationResult told = Told(situation, given, proposal, ref derivation, cancel);
        return told with { Steps = derivation.Steps, Givens = GivensOf(situation, given, proposal, Solve(given.Setup, proposal.Inputs)) };
    }

    /// <inheritdoc/>
    public OperatingWindow Window(Situation situation, Choices choices, WindowRequest request, CancellationToken cancel)
    {
        (Taken given, Proposal proposal) = TakeProposed(situation, choices);
        return Window(given.Setup, proposal.Inputs, request, cancel);
    }

    /// <inheritdoc/>
    public BestPoint Best(Situation situation, Choices choices, BestAim aim, CancellationToken cancel)
    {
        (Taken given, Proposal proposal) = TakeProposed(situation, choices);
        return new Search(given.Setup, proposal.Inputs, aim, cancel).Run();
    }

    /// <summary>Takes a situation and proposes what was not typed in it.</summary>
    /// <exception cref="InputException">A value cannot be computed with; each fault names its field.</exception>
    protected static (Taken Given, Proposal Proposal) TakeProposed(Situation situation, Choices choices)
    {
        Taken given = Take(situation, choices);
        NoTrace none = default;
        return (given, ProposeChecked(given, ref none));
    }

    // Checks everything once, at the door; what a step before left stands in for what was not typed.
    private static Taken Take(Situation situation, Choices choices)
    {
        OperationDescription d = TWork.Description;
        BuiltAssembly built = situation.Built();
        (Inputs wish, IReadOnlyDictionary<string, string> options) = Door.Take(d, built, choices, TWork.MostOf);
        SpeedRow? row = situation.RowFor(d);
        CuttingSetup setup = TWork.Draw(situation, built, row, options);
        setup.Take(choices.Extras);
        if (choices.Leftover is { } leftover)
            foreach (LeftPart part in TWork.Left(leftover, wish))
                if (d.Has(part.Input) && !wish.IsTyped(part.Input) && (part.Value > 0 || part.TakesNothing)) wish.Type(part.Input, part.Value);
        if (row is null) Door.RefuseUntyped(Levers.Where(l => !wish.IsTyped(l.Input)).Select(l => d.Field(l.Input)));
        return new(setup, wish, options, choices.Leftover);
    }

    private static Proposal ProposeChecked<TTrace>(Taken given, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        Proposal proposal = Propose(given.Setup, given.Wish, ref trace);
        InputCheck check = new();
        given.Setup.Refuse(given.Wish.IsTyped(Input.ToolLife), check);
        TWork.Refuse(given.Setup, proposal.Inputs, check);
        check.ThrowIfAny();
        return proposal;
    }

    // Fields, figures, limits and findings.
    private static CalculationResult Told<TTrace>(
        Situation situation, Taken given, Proposal proposal, ref TTrace trace, CancellationToken cancel)
        where TTrace : struct, ITrace
    {
        cancel.ThrowIfCancellationRequested();
        OperationDescription d = TWork.Description;
        TWork.Solve(given.Setup, proposal.Inputs, out TResult result, ref trace);
        TResult r = result;
        return new()
        {
            Operation = d.Code,
            EngineVersion = Engine.Version,
            Fields = StatesOf(given, proposal),
            Options = given.Options,
            Figures =
            [
                .. d.Large.Where(r.Has).Select(o => FigureOf(o, FigureRank.Large)),
                .. d.Rows.Where(r.Has).Select(o => FigureOf(o, FigureRank.Row)),
                .. AllOutputs.Where(o => r.Has(o) && !d.Large.Contains(o) && !d.Rows.Contains(o)).Select(o => FigureOf(o, FigureRank.Behind)),
            ],
            Limits = r.Limits.Judged(),
            Findings = FindingsOf(situation, given, proposal, r),
            Attachments = TWork.Attach(given.Setup, proposal.Inputs, r),
        };

        Figure FigureOf(Output output, FigureRank rank)
        {
            OutputWords words = d.Words(output);
            return new(words.Code, words.Symbol, words.Name, words.Quantity, r[output], rank);
        }
    }

    private static IReadOnlyList<Finding> FindingsOf(Situation situation, Taken given, Proposal proposal, in TResult result)
    {
        OperationDescription d = TWork.Description;
        List<Finding> findings = [];
        if (given.Setup.Row is not null && Levers.Any(l => !given.Wish.IsTyped(l.Input)) && Exceeded(result.Limits) != 0
            && result.Limits.Tightest is { } way)
            findings.Add(new(
                "nothing-fits", way.Severity,
                new($"No choice within the speed chart keeps every limit: {way.Words} stands in the way."), way.Cure));
        if (given.Setup.Row is { } row) Common.AddChart(situation, d, row, findings);
        Common.AddUntried(situation, TakesFromChart(given.Wish) ? given.Setup.Row : null, findings);
        Inputs x = proposal.Inputs;
        given.Leftover?.Tell(
            TWork.Left(given.Leftover, x).Where(p => d.Has(p.Input)).Select(p => (p.Words, p.Value, x[p.Input])), findings);
        Common.AddFit(situation, given.Options, result.Limits, findings);
        TWork.Notice(given.Setup, x, result, findings);
        return [.. findings.OrderByDescending(f => f.Severity)];
    }

    private static bool TakesFromChart(in Inputs wish) =>
        !wish.IsTyped(Input.CuttingSpeed) || (Feed is { } feed && !wish.IsTyped(feed.Input));

    private static List<Given> GivensOf(Situation situation, Taken given, Proposal proposal, in TResult result)
    {
        CuttingSetup setup = given.Setup;
        Origins origins = Origins.Of(situation, setup);
        Inputs x = proposal.Inputs;
        List<Given> givens = [.. setup.Givens(origins, Common.Wear(x)), .. TWork.Givens(setup, x, result, origins)];
        if (setup.Row is { } row)
        {
            givens.Add(new("v_cchart", "Charted cutting speed", Quantities.Quantity.CuttingSpeed, row.CuttingSpeed, origins.Chart));
            if (setup.Taylor.Known) givens.AddRange(setup.Taylor.Givens(origins.Chart));
        }

        foreach (FieldDescription f in TWork.Description.Fields)
        {
            bool typed = given.Wish.IsTyped(f.Input);
            if (!UsesField(setup, x, f.Input) || (!typed && Levers.Any(l => l.Input == f.Input))) continue;
            givens.Add(new(
                TWork.SymbolOf(f), f.Name, f.Quantity, x[f.Input],
                typed ? "typed" : double.IsFinite(f.Default) ? "default of the operation" : "follows the other fields"));
        }

        return givens;
    }

    private static double SpeedAt(CuttingSetup setup, in Inputs x, double spindleSpeed) =>
        CuttingSetup.CuttingSpeedFor(spindleSpeed, TWork.SpeedDiameter(setup, x));

    // What the chart says for the life wanted; what was typed, where that is more or the chart says nothing.
    private static double FastestOf(CuttingSetup setup, in Inputs x)
    {
        NoTrace none = default;
        double charted = setup.Row is null ? 0 : setup.ChartedSpeed(x, ref none);
        return setup.Row is null || x.IsTyped(Input.CuttingSpeed) ? Math.Max(charted, x[Input.CuttingSpeed]) : charted;
    }

    // A life matters only where one is known or asked for, anything else as the operation says.
    private static bool UsesField(CuttingSetup setup, in Inputs x, Input input) =>
        input == Input.ToolLife ? x.IsTyped(input) || setup.Taylor.Known : TWork.Uses(setup, x, input);
}

/// <summary>The engine's own version.</summary>
public static class Engine
{
    /// <summary>Raised whenever any figure could change; the changelog names what moved.</summary>
    public const string Version = "16";
}

using Incisura.Core.Calculation;
using Incisura.Core.Charts;

namespace Incisura.Core.Holes;

/// <summary>A hole operation as the interface, the API and the exports use it.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public sealed class HoleOperation<TKind> : ProposedOperation<HoleCase, HoleProposal, HoleResult>
    where TKind : struct, IHoleKind
{
    private static readonly HoleInput[] Charted = TKind.Description.InStep
        ? [HoleInput.CuttingSpeed]
        : [HoleInput.CuttingSpeed, HoleInput.FeedPerRevolution];

    /// <inheritdoc/>
    public override OperationDescription Description { get; } = new(
        TKind.Description.Code,
        TKind.Description.Name,
        TKind.Description.Families,
        [.. TKind.Description.Fields.Select(f => f.Described)],
        TKind.Description.Options)
    {
        Picture = TKind.Description.Picture,
        Takes = TKind.Description.FollowsHole ? LeftoverKind.Hole : null,
        Free = TKind.Description.InStep ? [] : [.. Charted.Select(i => Codes.Of(i))],
        FeedInStep = TKind.Description.InStep,
        InStages = TKind.Description.InStages,
    };

    /// <inheritdoc/>
    public override OperatingWindow Window(Situation situation, Choices choices, WindowRequest request, CancellationToken cancel)
    {
        (HoleCase given, HoleProposal proposal) = TakeProposed(situation, choices);
        HoleInputs x = proposal.Inputs;
        IReadOnlyList<HoleInput> free = TKind.Description.InStep ? [] : Charted;
        HoleInput across = Door.FreeOf(request.Across, "across", free), up = Door.FreeOf(request.Up, "up", free);
        int size = request.Size;
        OperatingWindow.Check(size, across != up);
        double endAcross = EndOf(given.Setup, x, across), endUp = EndOf(given.Setup, x, up);
        double mostAcross = ChartedValue(given.Setup, x, across), mostUp = ChartedValue(given.Setup, x, up);
        LimitSet first = HoleSolver.Solve<TKind>(given.Setup, x).Limits;
        int points = size * size;
        float[] uses = new float[first.Count * points], rates = new float[points];
        for (int at = 0; at < points; at++)
        {
            if (at % size == 0) cancel.ThrowIfCancellationRequested();
            x[across] = endAcross * ((at % size) + 1) / size;
            x[up] = endUp * ((at / size) + 1) / size;
            HoleResult r = HoleSolver.Solve<TKind>(given.Setup, x);
            LimitSet limits = r.Limits;
            for (int k = 0; k < limits.Count; k++)
                uses[(k * points) + at] = limits[k] is { Judged: true } limit ? (float)Math.Min(limit.Use, LimitCatalogue.LargestUse) : 0;
            rates[at] = x[across] <= mostAcross && x[up] <= mostUp ? (float)r[HoleFigure.RemovalRate] : float.NaN;
        }

        return OperatingWindow.Draw(
            (Codes.Of(across), endAcross), (Codes.Of(up), endUp), size, [.. Enumerable.Range(0, first.Count).Select(k => first[k].Kind)], uses,
            rates);
    }

    /// <inheritdoc/>
    /// <remarks>
    /// Speed and feed are never raised above the chart: nothing else says what the lips stand. Within it the proposal is the fastest point.
    /// </remarks>
    public override BestPoint Best(Situation situation, Choices choices, BestAim aim, CancellationToken cancel)
    {
        // Without a row of the chart there is nothing to go by but what was typed.
        Choices free = situation.RowFor([TKind.Description.Code, .. TKind.Description.ChartedAs]) is null
            ? choices
            : choices with { Numbers = choices.Numbers.Where(n => !Charted.Any(i => Codes.Of(i) == n.Key)).ToDictionary() };
        (HoleCase given, HoleProposal proposal) = TakeProposed(situation, free);
        HoleInputs x = proposal.Inputs;
        HoleResult r = HoleSolver.Solve<TKind>(given.Setup, x);
        LimitSet limits = r.Limits;
        IReadOnlyList<Limit> all = [.. Enumerable.Range(0, limits.Count).Select(i => limits[i])];
        bool found = all.All(l => !l.Exceeded);
        return new(
            found,
            [.. Charted.Select(i => new BestValue(Codes.Of(i), x[i]))],
            found ? r[HoleFigure.RemovalRate] : 0,
            found ? r[HoleFigure.Time] : 0,
            [.. all.Where(l => l.Judged && l.Use > 0.995).Select(l => l.Kind)],
            [.. all.Where(l => !l.Judged).Select(l => l.Kind)],
            found
                ? "Neither speed nor feed goes above what the speed chart gives for the life wanted."
                : "No speed or feed cures it: "
                    + $"{string.Join(", ", all.Where(l => l.Exceeded).Select(l => LimitCatalogue.NameOf(l.Kind).ToLowerInvariant()))}.");
    }

    /// <inheritdoc/>
    protected override HoleCase Take(Situation situation, Choices choices)
    {
        HoleDescription d = TKind.Description;
        (IReadOnlyList<(string Code, double Value)> values, IReadOnlyDictionary<string, string> options) = Door
            .Take(Description, situation.Built(), choices, f => f.Most);
        HoleInputs wish = new() { Wear = 1, Edits = [.. choices.Edits] };
        foreach ((string code, double value) in values)
            if (Codes<HoleInput>.TryMember(code, out HoleInput input)) wish.Type(input, value);
        HoleWords.Pick(options, ref wish);
        SpeedRow? row = situation.RowFor([d.Code, .. d.ChartedAs]);
        DrillingCycleRow? cycle = situation.Chart.Value.FindCycle(
            situation.Cutter.Value.Family, situation.Material.Value.Group, options.GetValueOrDefault(ShopOptions.Coolant, ""));
        if (row is null) Door.RefuseUntyped(Charted.Where(i => !wish.IsTyped(i)).Select(i => d.Fields.Of(i).Described));
        HoleSetup setup = new(situation.Built(), situation.Material.Value, situation.Machine.Value, row, cycle);
        wish.Cross(choices.CrossHoles, setup.Diameter);
        if (choices.Leftover is { } leftover)
        {
            // What was typed stands; the depth of a hole that goes through is none.
            if (!wish.IsTyped(HoleInput.HoleBefore)) wish.Type(HoleInput.HoleBefore, leftover.CutterDiameter);
            if (d.Has(HoleInput.DepthOfHoleBefore) && leftover.Height > 0 && !wish.Through && !wish.IsTyped(HoleInput.DepthOfHoleBefore))
                wish.Type(HoleInput.DepthOfHoleBefore, leftover.Height);
        }

        return new(setup, wish, options, choices.DepthBefore, choices.CycleBefore, choices.Leftover);
    }

    /// <inheritdoc/>
    protected override void Refuse(HoleCase given, in HoleProposal proposal, InputCheck check)
    {
        HoleInputs x = proposal.Inputs;
        check.Holds(
            x[HoleInput.Retract] >= x[HoleInput.Approach], "retract", x[HoleInput.Retract],
            $"The retract plane lies below the approach plane at {x[HoleInput.Approach]:0.##} mm; raise it.");
        given.Setup.Refuse(x.IsTyped(HoleInput.ToolLife), check);
        TKind.Refuse(given.Setup, x, check);
    }

    /// <inheritdoc/>
    protected override HoleProposal Propose<TTrace>(HoleCase given, ref TTrace trace) =>
        HoleProposal.Propose<TKind, TTrace>(given.Setup, given.Wish, ref trace);

    /// <inheritdoc/>
    protected override HoleResult Solve<TTrace>(HoleCase given, in HoleProposal proposal, ref TTrace trace)
    {
        HoleSolver.Solve<TKind, TTrace>(given.Setup, proposal.Inputs, out HoleResult result, ref trace);
        return result;
    }

    /// <inheritdoc/>
    protected override CalculationResult Tell(Situation situation, HoleCase given, in HoleProposal proposal, in HoleResult result)
    {
        HoleDescription d = TKind.Description;
        HoleResult r = result;
        IEnumerable<HoleFigure> behind = Enum.GetValues<HoleFigure>().Where(f => r.Has(f) && !d.Large.Contains(f) && !d.Rows.Contains(f));
        return new()
        {
            Operation = d.Code,
            EngineVersion = Operations.EngineVersion,
            Fields = HoleFields.StatesOf<TKind>(given, proposal),
            Options = given.Options,
            Figures =
            [
                .. d.Large.Where(r.Has).Select(f => HoleFigures.Of(f, FigureRank.Large, r[f])),
                .. d.Rows.Where(r.Has).Select(f => HoleFigures.Of(f, FigureRank.Row, r[f])),
                .. behind.Select(f => HoleFigures.Of(f, FigureRank.Behind, r[f])),
            ],
            Limits = result.Limits.Judged(),
            Findings = HoleFindings.Of<TKind>(situation, given, proposal, result),
            Givens = [],
            Steps = [],
            Stages = TKind.Stages(given.Setup, proposal.Inputs, result),
            Openings = TKind.Openings(proposal.Inputs),
        };
    }

    /// <inheritdoc/>
    protected override IReadOnlyList<Given> GivensOf(Situation situation, HoleCase given, in HoleProposal proposal, in HoleResult result) =>
        HoleGivens.Of<TKind>(situation, given, proposal, result);

    private static double EndOf(HoleSetup setup, in HoleInputs x, HoleInput input) => 1.15 * Math.Max(x[input], 1.6 * ChartedValue(setup, x, input));

    // What the chart says for the life wanted, above which nothing is proposed; without a row, what was typed.
    private static double ChartedValue(HoleSetup setup, in HoleInputs x, HoleInput input)
    {
        NoTrace none = default;
        return setup.Row is not { } row
            ? x[input]
            : input == HoleInput.CuttingSpeed
            ? HoleProposal.ChartedSpeed(setup, x, ref none)
            : HoleProposal.ChartedFeed(setup, row);
    }
}

/// <summary>A checked situation: the setup, what was typed, what was picked, and the depth before the drawing changed.</summary>
public sealed record HoleCase(
    HoleSetup Setup, HoleInputs Wish, IReadOnlyDictionary<string, string> Options, double? DepthBefore, DrillingCycle? CycleBefore = null,
    Leftover? Leftover = null);

using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>A milling operation as the interface, the API and the exports use it.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public sealed class MillingOperation<TKind> : ProposedOperation<MillingCase, MillingProposal, MillingResult>, ITurningLoad
    where TKind : struct, IMillingKind
{
    private static readonly string WidthCode = Codes.Of(MillingInput.WidthOfCut);

    /// <inheritdoc/>
    public override OperationDescription Description { get; } = new(
        TKind.Description.Code,
        TKind.Description.Name,
        TKind.Description.Families,
        [.. TKind.Description.Fields.Select(f => f.Described)],
        TKind.Description.Options)
    {
        Picture = TKind.Description.Picture,
        LoadOverTurn = true,
        Takes = TKind.Description.FollowsWall ? LeftoverKind.Wall : null,
        Free = [.. MillingWindow.FreeOf<TKind>().Select(i => Codes.Of(i))],
    };

    /// <inheritdoc/>
    public override OperatingWindow Window(Situation situation, Choices choices, WindowRequest request, CancellationToken cancel)
    {
        (MillingCase given, MillingProposal proposal) = TakeProposed(situation, choices);
        IReadOnlyList<MillingInput> free = MillingWindow.FreeOf<TKind>();
        return MillingWindow.Of<TKind>(
            given.Setup, proposal.Inputs, Door.FreeOf(request.Across, "across", free), Door.FreeOf(request.Up, "up", free), request.Size, cancel);
    }

    /// <inheritdoc/>
    public override BestPoint Best(Situation situation, Choices choices, BestAim aim, CancellationToken cancel)
    {
        (MillingCase given, MillingProposal proposal) = TakeProposed(situation, choices);
        return BestPointSearch.Find<TKind>(given.Setup, proposal.Inputs, aim, cancel);
    }

    /// <inheritdoc/>
    public RevolutionLoad Revolution(Situation situation, Choices choices, CancellationToken cancel = default)
    {
        (MillingCase given, MillingProposal proposal) = TakeProposed(situation, choices);
        cancel.ThrowIfCancellationRequested();
        return RevolutionLoad.Of(given.Setup, MillingSolver.Solve<TKind>(given.Setup, proposal.Inputs), proposal.Inputs);
    }

    /// <inheritdoc/>
    protected override MillingCase Take(Situation situation, Choices choices)
    {
        MillingDescription d = TKind.Description;
        (IReadOnlyList<(string Code, double Value)> values, IReadOnlyDictionary<string, string> options) =
            Door.Take(
                Description, situation.Built(), choices, f =>
                    f.Code == WidthCode ? Math.Min(f.Most, situation.Cutter.Value.CuttingDiameter) : f.Most);
        MillingInputs wish = new() { Steadiness = 1, Wear = 1 };
        foreach ((string code, double value) in values)
            if (Codes<MillingInput>.TryMember(code, out MillingInput input)) wish.Type(input, value);

        MillingWords.Pick(options, ref wish);
        if (choices.Leftover is { } leftover) MillingWords.TakeLeftover(d, leftover, ref wish);
        SpeedRow? row = situation.RowFor([d.Code, .. d.ChartedAs]);
        MillingSetup setup = new(situation.Built(), situation.Material.Value, situation.Machine.Value, row);
        if (row is null) Door.RefuseUntyped(MillingWindow.FreeOf<TKind>().Where(i => !wish.IsTyped(i)).Select(i => d.Fields.Of(i).Described));
        return new(setup, wish, options, choices.Leftover);
    }

    /// <inheritdoc/>
    protected override void Refuse(MillingCase given, in MillingProposal proposal, InputCheck check)
    {
        given.Setup.Refuse(given.Wish.IsTyped(MillingInput.ToolLife), check);
        TKind.Refuse(given.Setup, proposal.Inputs, check);
    }

    /// <inheritdoc/>
    protected override MillingProposal Propose<TTrace>(MillingCase given, ref TTrace trace) =>
        MillingProposal.Propose<TKind, TTrace>(given.Setup, given.Wish, ref trace);

    /// <inheritdoc/>
    protected override MillingResult Solve<TTrace>(MillingCase given, in MillingProposal proposal, ref TTrace trace)
    {
        MillingSolver.Solve<TKind, TTrace>(given.Setup, proposal.Inputs, out MillingResult result, ref trace);
        return result;
    }

    /// <inheritdoc/>
    protected override CalculationResult Tell(Situation situation, MillingCase given, in MillingProposal proposal, in MillingResult result)
    {
        MillingDescription d = TKind.Description;
        MillingResult r = result;
        return new()
        {
            Operation = d.Code,
            EngineVersion = Operations.EngineVersion,
            Fields = MillingFields.StatesOf<TKind>(given, proposal),
            Options = given.Options,
            Figures =
            [
                .. d.Large.Where(r.Has).Select(f => MillingFigures.Of(f, FigureRank.Large, r[f])),
                .. d.Rows.Where(r.Has).Select(f => MillingFigures.Of(f, FigureRank.Row, r[f])),
                .. MillingWords.Behind.Concat(d.Behind)
                .Where(f => r.Has(f) && !d.Large.Contains(f) && !d.Rows.Contains(f))
                .Select(f => MillingFigures.Of(f, FigureRank.Behind, r[f])),
            ],
            Limits = result.Limits.Judged(),
            Findings = MillingFindings.Of<TKind>(situation, given, proposal, result),
            Givens = [],
            Steps = [],
        };
    }

    /// <inheritdoc/>
    protected override IReadOnlyList<Given> GivensOf(Situation situation, MillingCase given, in MillingProposal proposal, in MillingResult result) =>
        MillingGivens.Of<TKind>(situation, given, proposal, result);
}

/// <summary>A checked situation: the setup, what was typed, what was picked, and what the step before left.</summary>
public sealed record MillingCase(MillingSetup Setup, MillingInputs Wish, IReadOnlyDictionary<string, string> Options, Leftover? Leftover);

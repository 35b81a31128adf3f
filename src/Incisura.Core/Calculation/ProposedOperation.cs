namespace Incisura.Core.Calculation;

/// <summary>
/// What operations with proposals have in common: a situation is taken at the door, what was not typed is proposed, values that
/// contradict each other are refused, and the same code works it out whether somebody listens or not.
/// </summary>
/// <typeparam name="TCase">A situation as it came through the door.</typeparam>
/// <typeparam name="TProposal">Complete inputs, and where the proposed ones come from.</typeparam>
/// <typeparam name="TResult">What was worked out.</typeparam>
public abstract class ProposedOperation<TCase, TProposal, TResult> : IOperation
{
    /// <inheritdoc/>
    public abstract OperationDescription Description { get; }

    /// <inheritdoc/>
    public CalculationResult Calculate(Situation situation, Choices choices, bool explain, CancellationToken cancel = default)
    {
        cancel.ThrowIfCancellationRequested();
        TCase given = Take(situation, choices);
        if (!explain)
        {
            NoTrace none = default;
            TProposal proposal = ProposeChecked(given, ref none);
            cancel.ThrowIfCancellationRequested();
            return Tell(situation, given, proposal, Solve(given, proposal, ref none));
        }

        DerivationTrace derivation = new();
        TProposal explained = ProposeChecked(given, ref derivation);
        cancel.ThrowIfCancellationRequested();
        TResult result = Solve(given, explained, ref derivation);
        return Tell(situation, given, explained, result) with { Givens = GivensOf(situation, given, explained, result), Steps = derivation.Steps };
    }

    /// <inheritdoc/>
    public abstract OperatingWindow Window(Situation situation, Choices choices, WindowRequest request, CancellationToken cancel);

    /// <inheritdoc/>
    public abstract BestPoint Best(Situation situation, Choices choices, BestAim aim, CancellationToken cancel);

    /// <summary>Checks everything once, at the door.</summary>
    /// <exception cref="InputException">A value cannot be computed with; each fault names its field.</exception>
    protected abstract TCase Take(Situation situation, Choices choices);

    /// <summary>What was typed, with everything else proposed.</summary>
    protected abstract TProposal Propose<TTrace>(TCase given, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Refuses values that cannot be computed with because of each other.</summary>
    protected abstract void Refuse(TCase given, in TProposal proposal, InputCheck check);

    /// <summary>Works the complete inputs out.</summary>
    protected abstract TResult Solve<TTrace>(TCase given, in TProposal proposal, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Tells what was worked out: fields, figures, limits and findings.</summary>
    protected abstract CalculationResult Tell(Situation situation, TCase given, in TProposal proposal, in TResult result);

    /// <summary>What went in, and where each value came from.</summary>
    protected abstract IReadOnlyList<Given> GivensOf(Situation situation, TCase given, in TProposal proposal, in TResult result);

    /// <summary>Takes a situation and proposes what was not typed in it.</summary>
    /// <exception cref="InputException">A value cannot be computed with; each fault names its field.</exception>
    protected (TCase Given, TProposal Proposal) TakeProposed(Situation situation, Choices choices)
    {
        TCase given = Take(situation, choices);
        NoTrace none = default;
        return (given, ProposeChecked(given, ref none));
    }

    private TProposal ProposeChecked<TTrace>(TCase given, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        TProposal proposal = Propose(given, ref trace);
        InputCheck check = new();
        Refuse(given, proposal, check);
        check.ThrowIfAny();
        return proposal;
    }
}

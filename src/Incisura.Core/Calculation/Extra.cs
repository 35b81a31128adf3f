namespace Incisura.Core.Calculation;

/// <summary>Something a choice has beyond numbers and picks, such as the holes that cross a bore; each kind checks itself.</summary>
public abstract record Extra
{
    /// <summary>Its code on the wire: the name of its type with a small first letter.</summary>
    public static string CodeOf(Type extra) => char.ToLowerInvariant(extra.Name[0]) + extra.Name[1..];

    /// <summary>What it is, as refusals call it.</summary>
    protected internal abstract string Words { get; }

    /// <summary>Refuses what no operation could take, before anything is worked out with it.</summary>
    /// <param name="operation">The operation it was given to.</param>
    /// <param name="check">Takes the faults.</param>
    protected internal abstract void Check(OperationDescription operation, InputCheck check);

    /// <summary>The same with what follows once and for all from the setup.</summary>
    /// <param name="setup">The setup.</param>
    public virtual Extra Prepared(CuttingSetup setup) => this;
}

/// <summary>Something a result has beyond figures, such as the way of the tool or where a wall is open.</summary>
public abstract record Attachment;

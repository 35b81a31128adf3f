namespace Incisura.Core.Holders;

/// <summary>An extension or sleeve in an assembly.</summary>
/// <param name="HolderId">Identity of the extension.</param>
/// <param name="Projection">Length of it outside the next part, mm.</param>
public readonly record struct AssemblyExtension(int HolderId, double Projection);

/// <summary>A place where an assembly stands at a machine.</summary>
/// <param name="MachineId">Identity of the machine.</param>
/// <param name="Place">Number of the place in its turret or magazine, from 1.</param>
public readonly record struct AssemblyPlace(int MachineId, int Place);

/// <summary>A cutter in a holder at a projection, with extensions between them where needed, as it stands in the tool store.</summary>
public sealed record Assembly
{
    /// <summary>Density of steel, kg/mm³.</summary>
    public const double SteelDensity = 7.85e-6;

    /// <summary>Density of cemented carbide, kg/mm³.</summary>
    public const double CarbideDensity = 14.5e-6;

    /// <summary>Shop number, unique in the workshop.</summary>
    public required string Number { get; init; }

    /// <summary>Identity of the cutter.</summary>
    public required int CutterId { get; init; }

    /// <summary>Identity of the holder.</summary>
    public required int HolderId { get; init; }

    /// <summary>Length of the cutter outside the next part, mm.</summary>
    public required double Projection { get; init; }

    /// <summary>Extensions and sleeves, from the cutter to the holder.</summary>
    public IReadOnlyList<AssemblyExtension> Extensions { get; init; } = [];

    /// <summary>Length offset register at the machine; 0 for none.</summary>
    public int LengthRegister { get; init; }

    /// <summary>Diameter offset register at the machine; 0 for none.</summary>
    public int DiameterRegister { get; init; }

    /// <summary>Run-out measured at the tip as a dial reads it, µm; 0 where nobody has, and the holder's own counts.</summary>
    public double RunOut { get; init; }

    /// <summary>Place in the tool store.</summary>
    public string StockPlace { get; init; } = "";

    /// <summary>Places it stands in at machines.</summary>
    public IReadOnlyList<AssemblyPlace> Places { get; init; } = [];

    /// <summary>Whether it was taken apart or put out of use.</summary>
    public bool Retired { get; init; }
}

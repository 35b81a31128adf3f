using Incisura.Core.Calculation;
using Incisura.Core.Materials;
using Incisura.Core.Quantities;

namespace Incisura.Core.Cutters;

/// <summary>Geometry families of cutters.</summary>
public enum CutterFamily
{
    /// <summary>End mill with square corners, cutting on its side and face.</summary>
    SquareEndMill,
}

/// <summary>What the cutting part is made of; it sets the stiffness and the row of the speed chart.</summary>
public enum CuttingMaterial
{
    /// <summary>Solid cemented carbide.</summary>
    Carbide,

    /// <summary>High-speed steel.</summary>
    HighSpeedSteel,
}

/// <summary>A cutter by its dimensions, named with the symbols of ISO 13399. Lengths in mm, measured from the tip.</summary>
public sealed record Cutter
{
    /// <summary>The workshop's number for it, unique in the library.</summary>
    public required string Number { get; init; }

    /// <summary>Geometry family.</summary>
    public CutterFamily Family { get; init; }

    /// <summary>Cutting material.</summary>
    public CuttingMaterial Material { get; init; }

    /// <summary>Coating in the shop's words; empty for none.</summary>
    public string Coating { get; init; } = "";

    /// <summary>Cutting diameter DC, mm, 0.1 to 100.</summary>
    public required double CuttingDiameter { get; init; }

    /// <summary>Number of teeth ZEFF, 1 to 20.</summary>
    public required int Teeth { get; init; }

    /// <summary>Largest depth of cut APMX, mm, up to the flute length.</summary>
    public required double LargestDepth { get; init; }

    /// <summary>Length of the chip flutes LCF, mm, up to the usable length.</summary>
    public required double FluteLength { get; init; }

    /// <summary>Usable length LU to the end of the neck, mm; equal to the flute length where there is no neck.</summary>
    public required double UsableLength { get; init; }

    /// <summary>Neck diameter DN, mm; used where the usable length exceeds the flute length.</summary>
    public double NeckDiameter { get; init; }

    /// <summary>Shank diameter DMM, mm, 0.5 to 100.</summary>
    public required double ShankDiameter { get; init; }

    /// <summary>Overall length OAL, mm, up to 500.</summary>
    public required double OverallLength { get; init; }

    /// <summary>Helix angle FHA, degrees, −60 to 60; negative for a left-hand helix.</summary>
    public double HelixAngle { get; init; }

    /// <summary>Least chip thickness h_min the edge still cuts instead of rubbing, mm; set by the edge radius.</summary>
    public double LeastChip { get; init; }

    /// <summary>Largest chip thickness h_max the edge stands, mm.</summary>
    public double LargestChip { get; init; }

    /// <summary>Largest width of cut over diameter a_e/DC the cutter is meant for, above 0 up to 1.</summary>
    public double LargestWidthRatio { get; init; } = 1;

    /// <summary>Largest spindle speed RPMX, rev/min; 0 where none is given.</summary>
    public double LargestSpeed { get; init; }

    /// <summary>Groups of work material the cutter may cut.</summary>
    public IReadOnlyList<MaterialGroup> Groups { get; init; } = [];

    /// <summary>Remarks.</summary>
    public string Remarks { get; init; } = "";

    /// <summary>Checks every dimension and the relations between them.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck()
            .Named("number", "The number", Number, 24)
            .Within("cuttingDiameter", "The cutting diameter DC", CuttingDiameter, 0.1, 100, Quantity.Length)
            .Within("teeth", "The number of teeth ZEFF", Teeth, 1, 20, Quantity.Count)
            .Within("shankDiameter", "The shank diameter DMM", ShankDiameter, 0.5, 100, Quantity.Length)
            .Within("overallLength", "The overall length OAL", OverallLength, 5, 500, Quantity.Length)
            .Within("usableLength", "The usable length LU", UsableLength, 0.1, Top(OverallLength, 500), Quantity.Length)
            .Within("fluteLength", "The flute length LCF", FluteLength, 0.1, Top(UsableLength, 500), Quantity.Length)
            .Within("largestDepth", "The largest depth of cut APMX", LargestDepth, 0.05, Top(FluteLength, 500), Quantity.Length)
            .Within("helixAngle", "The helix angle FHA", HelixAngle, -60, 60, Quantity.Angle)
            .Within("largestChip", "The largest chip thickness", LargestChip, 0.001, 2, Quantity.Chip)
            .Within("leastChip", "The least chip thickness", LeastChip, 0, Top(LargestChip, 2), Quantity.Chip)
            .Within("largestWidthRatio", "The largest width over diameter", LargestWidthRatio, 0.01, 1, Quantity.Ratio)
            .Within("largestSpeed", "The largest spindle speed RPMX", LargestSpeed, 0, 200000, Quantity.SpindleSpeed);
        if (UsableLength > FluteLength)
            check.Within("neckDiameter", "The neck diameter DN", NeckDiameter, 0.05, Top(CuttingDiameter, 100), Quantity.Length);
        return check
            .Holds(Groups.Count > 0, "groups", double.NaN, "No work-material group is chosen; choose at least one of P, M, K, N, S, H.")
            .Holds(Groups.All(Enum.IsDefined) && Groups.Distinct().Count() == Groups.Count, "groups", double.NaN, "Each work-material group can be chosen once, from P, M, K, N, S, H.")
            .Holds(Enum.IsDefined(Family), "family", double.NaN, "The cutter family is unknown; choose one from the list.")
            .Holds(Enum.IsDefined(Material), "material", double.NaN, "The cutting material is unknown; choose one from the list.")
            .Holds(Remarks.Length <= 2000 && Coating.Length <= 60, "remarks", Remarks.Length, "The remarks hold at most 2000 characters and the coating 60.");
    }

    // The upper end of a range that follows another dimension, where that one is itself usable.
    private static double Top(double follows, double otherwise) => double.IsFinite(follows) && follows > 0 ? Math.Min(follows, otherwise) : otherwise;
}

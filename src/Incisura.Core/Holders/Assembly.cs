using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holders;

/// <summary>A cutter in a holder at a projection, as it stands in the tool store.</summary>
public sealed record Assembly
{
    /// <summary>Shop number, unique in the workshop.</summary>
    public required string Number { get; init; }

    /// <summary>Identity of the cutter.</summary>
    public required int CutterId { get; init; }

    /// <summary>Identity of the holder.</summary>
    public required int HolderId { get; init; }

    /// <summary>Length of the cutter outside the holder, mm.</summary>
    public required double Projection { get; init; }

    /// <summary>Length offset register at the machine; 0 for none.</summary>
    public int LengthRegister { get; init; }

    /// <summary>Diameter offset register at the machine; 0 for none.</summary>
    public int DiameterRegister { get; init; }

    /// <summary>Place in the tool store.</summary>
    public string StockPlace { get; init; } = "";

    /// <summary>Checks the assembly against the cutter and the holder it is made of.</summary>
    public InputCheck Check(Cutter cutter, Holder holder)
    {
        double longest = cutter.OverallLength - holder.LeastGrip;
        double shortest = Math.Max(cutter.FluteLength, cutter.OverallLength - holder.BoreDepth);
        return new InputCheck()
            .Named("number", "The shop number", Number, 24)
            .Holds(
                cutter.ShankDiameter >= holder.LeastClamping && cutter.ShankDiameter <= holder.LargestClamping,
                "holderId",
                cutter.ShankDiameter,
                $"Holder {holder.Number} clamps {holder.LeastClamping:0.###} to {holder.LargestClamping:0.###} mm and the shank is {cutter.ShankDiameter:0.###} mm; choose another holder or cutter.")
            .Holds(
                longest >= shortest,
                "holderId",
                cutter.OverallLength,
                $"Cutter {cutter.Number} is too short for holder {holder.Number}: gripping {holder.LeastGrip:0.###} mm leaves {longest:0.###} mm outside, and the flutes need {shortest:0.###} mm; choose a holder that grips less.")
            .Holds(
                !(longest >= shortest) || (double.IsFinite(Projection) && Projection >= shortest - 1e-9 && Projection <= longest + 1e-9),
                "projection",
                Projection,
                $"The projection is {Projection:0.###} mm; it must lie between {shortest:0.###} mm (flutes outside, shank within the bore) and {longest:0.###} mm (so that {holder.LeastGrip:0.###} mm stay gripped).")
            .Within("lengthRegister", "The length register", LengthRegister, 0, 9999, Quantity.Count)
            .Within("diameterRegister", "The diameter register", DiameterRegister, 0, 9999, Quantity.Count)
            .Holds(StockPlace.Length <= 40, "stockPlace", StockPlace.Length, "The stock place holds at most 40 characters.");
    }

    /// <summary>Length of shank inside the holder, mm.</summary>
    public double GripOf(Cutter cutter) => cutter.OverallLength - Projection;
}

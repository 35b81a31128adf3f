using Incisura.Core.Cutters;
using Incisura.Core.Geometry;

namespace Incisura.Core.Holders;

/// <summary>Where in an assembly a holder stands.</summary>
public enum HolderRole
{
    /// <summary>Sits in the machine.</summary>
    Holder,

    /// <summary>Extends a holder.</summary>
    Extension,

    /// <summary>Sleeve that reduces a bore to a thinner shank.</summary>
    Sleeve,
}

/// <summary>A holder, extension or reduction sleeve: what it grips, how it is held itself, how it looks outside, how stiff its seat is.</summary>
public sealed record Holder
{
    /// <summary>The workshop's number for it, unique in the library.</summary>
    public required string Number { get; init; }

    /// <summary>Where it stands in an assembly.</summary>
    public HolderRole Role { get; init; }

    /// <summary>Kind in the trade's words, such as collet holder or shrink holder.</summary>
    public required string Kind { get; init; }

    /// <summary>Machine-side interface of a holder, such as SK 40 or HSK-A 63; empty for extensions and sleeves.</summary>
    public string Interface { get; init; } = "";

    /// <summary>How an extension or sleeve is held at its back.</summary>
    public ShankForm BackForm { get; init; }

    /// <summary>Diameter of an extension's shank, or size of its coupling, mm; 0 for a holder.</summary>
    public double BackSize { get; init; }

    /// <summary>Length of an extension's or sleeve's shank behind its profile, mm; 0 for a holder.</summary>
    public double BackLength { get; init; }

    /// <summary>Form of shank it takes.</summary>
    public ShankForm Takes { get; init; }

    /// <summary>Least size of shank it clamps, mm.</summary>
    public required double LeastClamping { get; init; }

    /// <summary>Largest size of shank it clamps, mm.</summary>
    public required double LargestClamping { get; init; }

    /// <summary>Least length of shank that must be gripped, mm.</summary>
    public required double LeastGrip { get; init; }

    /// <summary>Depth of the bore that takes the shank, mm.</summary>
    public required double BoreDepth { get; init; }

    /// <summary>Greatest spindle speed, rev/min.</summary>
    public required double LargestSpeed { get; init; }

    /// <summary>Balance class G of ISO 21940, mm/s; 0 where it was not balanced.</summary>
    public double BalanceClass { get; init; }

    /// <summary>Whether coolant comes through it.</summary>
    public bool ThroughCoolant { get; init; }

    /// <summary>Whether it turns its tool from the turret of a lathe: a driven head.</summary>
    public bool Driven { get; init; }

    /// <summary>Mass with the part inside the spindle, kg; 0 where nobody has weighed it.</summary>
    public double Mass { get; init; }

    /// <summary>Tilt of the seat per bending moment at the gauge line, µrad per N·m; own measurement or the interface's usual value.</summary>
    public required double SeatCompliance { get; init; }

    /// <summary>Run-out at the tool as a dial reads it, µm, stated or usual for the kind; 0 where it is not known.</summary>
    public double RunOut { get; init; }

    /// <summary>Force along the axis at which what it holds slips or is pulled out, N; 0 where it is not known.</summary>
    public double HoldingForce { get; init; }

    /// <summary>Profile outside what holds it, from the nose to the gauge line.</summary>
    public required IReadOnlyList<StackSegment> Segments { get; init; }

    /// <summary>Whether it is out of use.</summary>
    public bool Retired { get; init; }

    /// <summary>Remarks.</summary>
    public string Remarks { get; init; } = "";

    /// <summary>Length from the nose to the gauge line, mm; of an extension to the end of its profile.</summary>
    public double GaugeLength => StackedProfile.Length(Segments);

    /// <summary>Its profile, from the nose; of an extension with its own shank.</summary>
    /// <param name="from">Z of the nose, mm.</param>
    public Profile Profile(double from = 0) => Role == HolderRole.Holder
        ? StackedProfile.Draw(Segments, ProfilePart.Holder, from)
        : StackedProfile.Draw(BackLength > 0 ? [.. Segments, new(BackLength, BackSize, BackSize)] : Segments, ProfilePart.Extension, from);

    /// <summary>Mass, kg: as weighed, otherwise of its profile in steel.</summary>
    public double EstimatedMass() => Mass > 0 ? Mass : Profile().Volume(_ => true) * Assembly.SteelDensity;

    /// <summary>Checks every dimension and the relations between them.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck()
            .Named("number", "The number", Number, 24)
            .Named("kind", "The kind of holder", Kind, 60)
            .Holds(
                Enum.IsDefined(Role) && Enum.IsDefined(Takes) && Enum.IsDefined(BackForm), "role", double.NaN,
                "The role or the form of the shank is unknown; choose one from the list.")
            .Within("leastClamping", "The least clamping size", LeastClamping, 0.1, 200, Quantity.Length)
            .Within("largestClamping", "The largest clamping size", LargestClamping, Math.Max(0.1, LeastClamping), 200, Quantity.Length)
            .Within("boreDepth", "The depth of the bore", BoreDepth, 1, 300, Quantity.Length)
            .Within("leastGrip", "The least length gripped", LeastGrip, 0.5, BoreDepth > 0.5 ? BoreDepth : 300, Quantity.Length)
            .Within("largestSpeed", "The greatest spindle speed", LargestSpeed, 1, 200000, Quantity.SpindleSpeed)
            .Within("balanceClass", "The balance class G", BalanceClass, 0, 4000, Quantity.Ratio)
            .Within("mass", "The mass", Mass, 0, 200, Quantity.Mass)
            .Within("seatCompliance", "The compliance of the seat", SeatCompliance, 0, 100, Quantity.Ratio)
            .Within("runOut", "The run-out", RunOut, 0, 500, Quantity.Deviation)
            .Within("holdingForce", "The holding force", HoldingForce, 0, 200_000, Quantity.Force)
            .Holds(Remarks.Length <= 2000, "remarks", Remarks.Length, "The remarks hold at most 2000 characters.");
        if (Role == HolderRole.Holder) check.Named("interface", "The machine-side interface", Interface, 24);
        else
            check.Within("backSize", "The size of its own shank", BackSize, 0.5, 200, Quantity.Length)
                .Within("backLength", "The length of its own shank", BackLength, Flush.Contains(BackForm) ? 0 : 1, 500, Quantity.Length);
        return check.Stacked(Segments, 1);
    }

    /// <summary>Forms that seat flush instead of being gripped over a length.</summary>
    internal static IReadOnlyList<ShankForm> Flush { get; } = [ShankForm.Arbor, ShankForm.Modular];
}

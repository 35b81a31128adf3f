namespace Incisura.Core.Materials;

/// <summary>Groups of work material by ISO 513.</summary>
public enum MaterialGroup
{
    /// <summary>Steel.</summary>
    P,

    /// <summary>Stainless steel.</summary>
    M,

    /// <summary>Cast iron.</summary>
    K,

    /// <summary>Non-ferrous metal and plastics.</summary>
    N,

    /// <summary>Superalloy and titanium.</summary>
    S,

    /// <summary>Hard material.</summary>
    H,
}

/// <summary>A work material in one condition, with its force coefficients.</summary>
public sealed record WorkMaterial
{
    /// <summary>Designation of the material, such as 42CrMo4.</summary>
    public required string Name { get; init; }

    /// <summary>Other designations it is called by, parted by commas, such as 1.7225, 4140; empty for none. It is found by them.</summary>
    public string Designations { get; init; } = "";

    /// <summary>Condition, such as quenched and tempered.</summary>
    public string Condition { get; init; } = "";

    /// <summary>ISO 513 group.</summary>
    public required MaterialGroup Group { get; init; }

    /// <summary>The shop's sub-group within the ISO group, such as P3; speed charts are kept by it.</summary>
    public required string SubGroup { get; init; }

    /// <summary>Brinell hardness HBW, 5 to 750.</summary>
    public double Hardness { get; init; } = double.NaN;

    /// <summary>Tensile strength R_m, MPa, 20 to 3000.</summary>
    public double TensileStrength { get; init; } = double.NaN;

    /// <summary>Specific cutting force k_c1.1 at 1 mm chip thickness and width, MPa, 50 to 6000 (Kienzle &amp; Victor 1952).</summary>
    public double SpecificCuttingForce { get; init; } = double.NaN;

    /// <summary>Rise of the specific force for thin chips, exponent m_c, 0 to 0.6 (Kienzle &amp; Victor 1952).</summary>
    public double ChipExponent { get; init; } = double.NaN;

    /// <summary>Ratio of radial to tangential force at the edge, k_r, 0 to 1 (Altintas, mechanistic milling forces).</summary>
    public double RadialRatio { get; init; } = double.NaN;

    /// <summary>Tangential edge force K_te, N/mm of edge, 0 to 500; 0 where none is stated (Altintas, mechanistic milling forces).</summary>
    public double EdgeForce { get; init; }

    /// <summary>Radial edge force K_re, N/mm of edge, 0 to 500; 0 where none is stated.</summary>
    public double EdgeForceRadial { get; init; }

    /// <summary>Axial edge force K_ae, N/mm of edge, 0 to 500; 0 where none is stated.</summary>
    public double EdgeForceAxial { get; init; }

    /// <summary>Least chip thickness k_c1.1 and m_c were fitted for, mm, 0 to 10; 0 where it is not stated.</summary>
    public double FittedFrom { get; init; }

    /// <summary>Largest chip thickness k_c1.1 and m_c were fitted for, mm, 0 to 10; 0 where it is not stated.</summary>
    public double FittedTo { get; init; }

    /// <summary>Young's modulus E, MPa, 5 000 to 700 000; 0 for what is usual in its group.</summary>
    public double YoungsModulus { get; init; }

    /// <summary>Young's modulus the work bends with, MPa: the stated one, or the lower end of what textbooks give for its group.</summary>
    public double Stiffness() => YoungsModulus > 0 ? YoungsModulus : Group switch
    {
        MaterialGroup.P or MaterialGroup.H => 205_000,
        MaterialGroup.M => 195_000,
        MaterialGroup.N => 69_000,
        _ => 105_000,
    };

    /// <summary>Where the figures come from.</summary>
    public string Source { get; init; } = "";

    /// <summary>Whether the figures are starting values from outside that nobody has tried here.</summary>
    public bool Untried { get; init; }

    /// <summary>Its name and its other designations.</summary>
    public IEnumerable<string> Names() =>
        Designations.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Prepend(Name);

    /// <summary>Checks every figure against its physical range.</summary>
    public InputCheck Check() => new InputCheck()
        .Named("name", "The name", Name)
        .Holds(
            Designations.Length <= 200, "designations", Designations.Length,
            $"The other designations have {Designations.Length} characters; 200 is the most.")
        .Named("subGroup", "The sub-group", SubGroup, 12)
        .Within("hardness", "The hardness", Hardness, 5, 750, Quantity.Hardness)
        .Within("tensileStrength", "The tensile strength R_m", TensileStrength, 20, 3000, Quantity.Stress)
        .Within("specificCuttingForce", "The specific cutting force k_c1.1", SpecificCuttingForce, 50, 6000, Quantity.Stress)
        .Within("chipExponent", "The exponent m_c", ChipExponent, 0, 0.6, Quantity.Ratio)
        .Within("radialRatio", "The radial force ratio k_r", RadialRatio, 0, 1, Quantity.Ratio)
        .Within("edgeForce", "The tangential edge force K_te", EdgeForce, 0, 500, Quantity.EdgeForce)
        .Within("edgeForceRadial", "The radial edge force K_re", EdgeForceRadial, 0, 500, Quantity.EdgeForce)
        .Within("edgeForceAxial", "The axial edge force K_ae", EdgeForceAxial, 0, 500, Quantity.EdgeForce)
        .Within("fittedFrom", "The least chip the figures were fitted for", FittedFrom, 0, 10, Quantity.Chip)
        .Within("fittedTo", "The largest chip the figures were fitted for", FittedTo, FittedFrom > 0 ? FittedFrom : 0, 10, Quantity.Chip)
        .Within("youngsModulus", "Young's modulus E", YoungsModulus, YoungsModulus > 0 ? 5000 : 0, 700_000, Quantity.Stress)
        .Named("source", "Where the figures come from", Source, 400);
}

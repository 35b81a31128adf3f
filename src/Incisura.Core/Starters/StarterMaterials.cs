using Incisura.Core.Materials;

namespace Incisura.Core.Starters;

/// <summary>
/// Work materials by group and sub-group of ISO 513 with the force coefficients that the open literature repeats. None was measured here or compared
/// with a printed table, so each says that it is unverified, and each is marked as not tried.
/// </summary>
public static class StarterMaterials
{
    private const string Kienzle =
        "k_c1.1 and m_c as textbooks repeat the tables after Kienzle and Victor (1952) and König and Essel (1973); written down from memory, unverified",
        Later = "k_c1.1 and m_c of the order that later textbooks give for the sub-group; written down from memory, unverified";

    // Stainless steel is of group M where it is austenitic or duplex, and of P where it is not (ISO 513).
    // k_r is a third to a half wherever milling forces were measured; the lower end is taken for soft, the upper for tough materials.
    private static readonly (string Name, string Others, string Condition, MaterialGroup Group, string Sub, double Hardness, double Strength,
        double Force, double Exponent, double Radial, string Source)[] Table =
    [
        ("C15", "1.0401", "normalised", MaterialGroup.P, "P1", 130, 430, 1820, 0.22, 0.3, Kienzle),
        ("E295", "1.0050", "hot rolled", MaterialGroup.P, "P1", 160, 520, 1990, 0.26, 0.3, Kienzle),
        ("C45", "1.0503", "normalised", MaterialGroup.P, "P2", 200, 670, 2220, 0.14, 0.35, Kienzle),
        ("C60", "1.0601", "normalised", MaterialGroup.P, "P2", 230, 770, 2130, 0.18, 0.35, Kienzle),
        ("16MnCr5", "1.7131", "annealed", MaterialGroup.P, "P3", 180, 600, 2100, 0.26, 0.35, Kienzle),
        ("34CrMo4", "1.7220", "quenched and tempered", MaterialGroup.P, "P4", 270, 900, 2240, 0.21, 0.4, Kienzle),
        ("42CrMo4", "1.7225", "quenched and tempered", MaterialGroup.P, "P4", 300, 1000, 2500, 0.26, 0.4, Kienzle),
        ("X210Cr12", "1.2080", "annealed", MaterialGroup.P, "P5", 240, 800, 2100, 0.26, 0.4, Later),
        ("X12Cr13", "1.4006", "annealed", MaterialGroup.P, "P6", 200, 650, 2000, 0.24, 0.4, Later),
        ("X5CrNi18-10", "1.4301", "solution annealed", MaterialGroup.M, "M1", 190, 600, 2350, 0.21, 0.4, Kienzle),
        ("X2CrNiMoN22-5-3", "1.4462", "solution annealed", MaterialGroup.M, "M2", 260, 750, 2600, 0.24, 0.45, Later),
        ("EN-GJL-200", "5.1300", "as cast", MaterialGroup.K, "K1", 190, 200, 1020, 0.25, 0.35, Kienzle),
        ("EN-GJL-250", "5.1301", "as cast", MaterialGroup.K, "K1", 210, 250, 1160, 0.26, 0.35, Kienzle),
        ("EN-GJS-400-15", "5.3106", "as cast", MaterialGroup.K, "K2", 160, 400, 1200, 0.25, 0.35, Later),
        ("EN-GJS-700-2", "5.3300", "as cast", MaterialGroup.K, "K2", 260, 700, 1500, 0.24, 0.4, Later),
        ("EN AW-2017A", "3.1325", "aged", MaterialGroup.N, "N1", 110, 400, 830, 0.23, 0.3, Later),
        ("EN AC-43000", "AlSi10Mg", "as cast", MaterialGroup.N, "N2", 80, 220, 780, 0.27, 0.3, Later),
        ("CuZn39Pb3", "CW614N", "drawn", MaterialGroup.N, "N3", 120, 430, 780, 0.18, 0.3, Kienzle),
        ("CuSn8", "CW453K", "drawn", MaterialGroup.N, "N3", 150, 500, 1780, 0.17, 0.35, Kienzle),
        ("Ti-6Al-4V", "3.7165", "annealed", MaterialGroup.S, "S1", 330, 950, 1400, 0.23, 0.45, Later),
        ("NiCr19NbMo", "2.4668", "aged", MaterialGroup.S, "S2", 400, 1250, 2700, 0.25, 0.5, Later),
        ("100Cr6", "1.3505", "hardened, 60 HRC", MaterialGroup.H, "H1", 650, 2100, 4500, 0.25, 0.6, Later),
    ];

    /// <summary>All of them, in order of their groups.</summary>
    public static IReadOnlyList<WorkMaterial> All { get; } =
    [
        .. Table.Select(t => new WorkMaterial
        {
            Name = t.Name,
            Designations = t.Others,
            Condition = t.Condition,
            Group = t.Group,
            SubGroup = t.Sub,
            Hardness = t.Hardness,
            TensileStrength = t.Strength,
            SpecificCuttingForce = t.Force,
            ChipExponent = t.Exponent,
            RadialRatio = t.Radial,
            Source = t.Source,
            Untried = true,
        }),
    ];
}

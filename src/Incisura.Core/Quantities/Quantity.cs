namespace Incisura.Core.Quantities;

/// <summary>What a number measures. The core computes in the base unit named on each member; other units exist at the edges only.</summary>
public enum Quantity
{
    /// <summary>A plain ratio or factor, unit 1.</summary>
    Ratio,

    /// <summary>A whole count, such as teeth or passes, unit 1.</summary>
    Count,

    /// <summary>Length of a tool or a part, base unit mm.</summary>
    Length,

    /// <summary>Chip thickness or feed per tooth, base unit mm; shown finer than a length.</summary>
    Chip,

    /// <summary>Small deviation such as deflection, base unit µm.</summary>
    Deviation,

    /// <summary>Angle, base unit degree.</summary>
    Angle,

    /// <summary>Cutting speed v_c, base unit m/min.</summary>
    CuttingSpeed,

    /// <summary>Spindle speed n, base unit rev/min.</summary>
    SpindleSpeed,

    /// <summary>Feed rate v_f, base unit mm/min.</summary>
    FeedRate,

    /// <summary>Removal rate Q, base unit cm³/min.</summary>
    RemovalRate,

    /// <summary>Force, base unit N.</summary>
    Force,

    /// <summary>Torque M, base unit N·m.</summary>
    Torque,

    /// <summary>Power P, base unit kW.</summary>
    Power,

    /// <summary>Stress or specific cutting force, base unit MPa.</summary>
    Stress,

    /// <summary>Time, base unit min.</summary>
    Time,

    /// <summary>Lateral compliance at a point, base unit µm/N.</summary>
    Compliance,

    /// <summary>Hardness, Brinell scale HBW.</summary>
    Hardness,

    /// <summary>Mass, base unit kg.</summary>
    Mass,

    /// <summary>Short time such as a dwell or a run-up, base unit s.</summary>
    Duration,

    /// <summary>Force on each length of an edge, base unit N/mm.</summary>
    EdgeForce,

    /// <summary>Acceleration of an axis, base unit mm/s².</summary>
    Acceleration,

    /// <summary>Section of a chip, a groove or a bolt, base unit mm².</summary>
    Section,
}

/// <summary>How one unit system shows a quantity.</summary>
/// <param name="Unit">The unit's sign.</param>
/// <param name="PerBase">How many base units one shown unit is; exact by definition of the inch (25.4 mm), the foot, the pound-force and the
/// horsepower.</param>
/// <param name="Decimals">Decimals a shop reads; figures are rounded for show only and never stored rounded.</param>
public readonly record struct ShownUnit(string Unit, double PerBase, int Decimals);

/// <summary>A quantity with the units of both systems.</summary>
/// <param name="Quantity">The quantity.</param>
/// <param name="Metric">Its metric unit, the base unit of the core.</param>
/// <param name="Inch">Its unit where the inch is used.</param>
public readonly record struct QuantityUnits(Quantity Quantity, ShownUnit Metric, ShownUnit Inch)
{
    /// <summary>The value in the inch system's unit of a value in base units.</summary>
    public double ToInch(double baseValue) => baseValue / Inch.PerBase;

    /// <summary>The value in base units of a value in the inch system's unit.</summary>
    public double FromInch(double inchValue) => inchValue * Inch.PerBase;
}

/// <summary>The one table of units: the server, the interface and the exports read it.</summary>
public static class Units
{
    /// <summary>One inch in mm, exact (ISO 31-1, 1959 agreement).</summary>
    public const double MillimetresPerInch = 25.4;

    private const double NewtonsPerPoundForce = 4.4482216152605;
    private const double FootMetres = 0.3048;

    /// <summary>Every quantity, in the order of <see cref="Quantity"/>.</summary>
    public static IReadOnlyList<QuantityUnits> All { get; } =
    [
        new(Quantity.Ratio, new("", 1, 3), new("", 1, 3)),
        new(Quantity.Count, new("", 1, 0), new("", 1, 0)),
        new(Quantity.Length, new("mm", 1, 2), new("in", MillimetresPerInch, 4)),
        new(Quantity.Chip, new("mm", 1, 4), new("in", MillimetresPerInch, 5)),
        new(Quantity.Deviation, new("µm", 1, 1), new("µin", MillimetresPerInch / 1000, 0)),
        new(Quantity.Angle, new("°", 1, 1), new("°", 1, 1)),
        new(Quantity.CuttingSpeed, new("m/min", 1, 1), new("ft/min", FootMetres, 0)),
        new(Quantity.SpindleSpeed, new("rev/min", 1, 0), new("rev/min", 1, 0)),
        new(Quantity.FeedRate, new("mm/min", 1, 0), new("in/min", MillimetresPerInch, 1)),
        new(Quantity.RemovalRate, new("cm³/min", 1, 1), new("in³/min", 16.387064, 2)),
        new(Quantity.Force, new("N", 1, 0), new("lbf", NewtonsPerPoundForce, 0)),
        new(Quantity.Torque, new("N·m", 1, 1), new("lbf·ft", NewtonsPerPoundForce * FootMetres, 1)),
        new(Quantity.Power, new("kW", 1, 2), new("hp", NewtonsPerPoundForce * FootMetres * 550 / 1000, 2)),
        new(Quantity.Stress, new("MPa", 1, 0), new("ksi", NewtonsPerPoundForce * 1000 / (MillimetresPerInch * MillimetresPerInch), 0)),
        new(Quantity.Time, new("min", 1, 2), new("min", 1, 2)),
        new(Quantity.Compliance, new("µm/N", 1, 3), new("µm/N", 1, 3)),
        new(Quantity.Hardness, new("HB", 1, 0), new("HB", 1, 0)),
        new(Quantity.Mass, new("kg", 1, 2), new("lb", 0.45359237, 2)),
        new(Quantity.Duration, new("s", 1, 1), new("s", 1, 1)),
        new(Quantity.EdgeForce, new("N/mm", 1, 1), new("lbf/in", NewtonsPerPoundForce / MillimetresPerInch, 1)),
        new(Quantity.Acceleration, new("mm/s²", 1, 0), new("in/s²", MillimetresPerInch, 1)),
        new(Quantity.Section, new("mm²", 1, 3), new("in²", MillimetresPerInch * MillimetresPerInch, 6)),
    ];

    /// <summary>The units of one quantity.</summary>
    public static QuantityUnits Of(Quantity quantity) => All[(int)quantity];
}

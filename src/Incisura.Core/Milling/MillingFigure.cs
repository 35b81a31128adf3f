using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>A figure a milling operation can yield; <see cref="MillingFigures"/> has its words.</summary>
public enum MillingFigure
{
    /// <summary>n, rev/min.</summary>
    SpindleSpeed,

    /// <summary>v_f of the cutter's centre, mm/min: what is programmed.</summary>
    FeedRate,

    /// <summary>Q, cm³/min.</summary>
    RemovalRate,

    /// <summary>T, min.</summary>
    Time,

    /// <summary>D_e, mm.</summary>
    Diameter,

    /// <summary>a_e of each pass, mm.</summary>
    Width,

    /// <summary>a_p of each pass, mm.</summary>
    Depth,

    /// <summary>i_e.</summary>
    PassesAcross,

    /// <summary>i_p.</summary>
    PassesDown,

    /// <summary>φ_e, degrees.</summary>
    Arc,

    /// <summary>φ₁, degrees.</summary>
    EntryAngle,

    /// <summary>φ₂, degrees.</summary>
    ExitAngle,

    /// <summary>z_c.</summary>
    TeethInCut,

    /// <summary>h_m, mm.</summary>
    MeanChip,

    /// <summary>h_max, mm.</summary>
    LargestChip,

    /// <summary>k_c, MPa.</summary>
    SpecificForce,

    /// <summary>P_c, kW.</summary>
    Power,

    /// <summary>P_mot, kW.</summary>
    MotorPower,

    /// <summary>M, N·m.</summary>
    Torque,

    /// <summary>F, N.</summary>
    PeakForce,

    /// <summary>δ, µm.</summary>
    Deflection,

    /// <summary>Way before and after the work, mm.</summary>
    Overrun,

    /// <summary>Way at feed rate, mm.</summary>
    Way,

    /// <summary>Theoretical peak to valley along the feed, µm.</summary>
    PeakToValley,

    /// <summary>Ridge height between passes, mm.</summary>
    Ridge,

    /// <summary>Arc in the bend, degrees.</summary>
    BendArc,

    /// <summary>Largest chip in the bend at the feed of the centre unchanged, mm.</summary>
    BendChip,

    /// <summary>Side force in the bend over that on the straight.</summary>
    BendForce,

    /// <summary>Feed of the centre that keeps the feed at the rim, mm/min.</summary>
    BendRimFeed,

    /// <summary>Feed of the centre that keeps the chip, mm/min.</summary>
    BendChipFeed,

    /// <summary>Largest cutter whose arc stays within a quarter turn in the bend, mm.</summary>
    BendLargestCutter,

    /// <summary>Feed at the rim, mm/min.</summary>
    RimFeed,

    /// <summary>Diameter of the centre's path, mm.</summary>
    PathDiameter,

    /// <summary>Depth gained in a turn, mm.</summary>
    Pitch,

    /// <summary>Feed downwards, mm/min.</summary>
    FeedDown,

    /// <summary>Depth of the tip at the end, mm.</summary>
    ProgrammedDepth,

    /// <summary>Step between loops, mm.</summary>
    LoopStep,

    /// <summary>Radius of a loop of the centre's path, mm.</summary>
    LoopRadius,

    /// <summary>Loops or plunges.</summary>
    Rounds,

    /// <summary>Thickness of the leftover on the bisector of a corner, mm.</summary>
    Leftover,

    /// <summary>Cutter between that evens the leftover, mm.</summary>
    CutterBetween,

    /// <summary>Time with a cutter between, min.</summary>
    TimeWithBetween,

    /// <summary>Where the contact begins along the arc of the profile.</summary>
    ContactFrom,

    /// <summary>Where the contact ends along the arc of the profile.</summary>
    ContactTo,

    /// <summary>Tilt in use, degrees.</summary>
    Tilt,

    /// <summary>Step between passes, mm.</summary>
    Step,

    /// <summary>Depth of the tip below the top face, mm.</summary>
    TipDepth,

    /// <summary>Diameter in contact at the lower end, mm.</summary>
    LowerDiameter,

    /// <summary>Cutting speed at the lower end, m/min.</summary>
    LowerSpeed,

    /// <summary>Width at the top face, mm.</summary>
    TopWidth,

    /// <summary>Stock left for the step after, mm.</summary>
    StockLeft,

    /// <summary>Tool life at this speed T_e, min.</summary>
    ToolLife,

    /// <summary>Gain of a ramp g, mm.</summary>
    Gain,
}

/// <summary>The one table of milling figures.</summary>
public static class MillingFigures
{
    private static readonly (MillingFigure Figure, string Symbol, string Name, Quantity Quantity)[] Table =
    [
        (MillingFigure.SpindleSpeed, "n", "Spindle speed", Quantity.SpindleSpeed),
        (MillingFigure.FeedRate, "v_f", "Feed rate", Quantity.FeedRate),
        (MillingFigure.RemovalRate, "Q", "Removal rate", Quantity.RemovalRate),
        (MillingFigure.Time, "T", "Time", Quantity.Time),
        (MillingFigure.Diameter, "D_e", "Diameter in contact", Quantity.Length),
        (MillingFigure.Width, "a_e", "Width of each pass", Quantity.Length),
        (MillingFigure.Depth, "a_p", "Depth of each pass", Quantity.Length),
        (MillingFigure.PassesAcross, "i_e", "Passes across", Quantity.Count),
        (MillingFigure.PassesDown, "i_p", "Passes down", Quantity.Count),
        (MillingFigure.Arc, "φ_e", "Arc of engagement", Quantity.Angle),
        (MillingFigure.EntryAngle, "φ_1", "Arc begins at", Quantity.Angle),
        (MillingFigure.ExitAngle, "φ_2", "Arc ends at", Quantity.Angle),
        (MillingFigure.TeethInCut, "z_c", "Teeth in cut", Quantity.Ratio),
        (MillingFigure.MeanChip, "h_m", "Mean chip", Quantity.Chip),
        (MillingFigure.LargestChip, "h_max", "Largest chip", Quantity.Chip),
        (MillingFigure.SpecificForce, "k_c", "Specific force", Quantity.Stress),
        (MillingFigure.Power, "P_c", "Cutting power", Quantity.Power),
        (MillingFigure.MotorPower, "P_mot", "Motor power", Quantity.Power),
        (MillingFigure.Torque, "M", "Torque", Quantity.Torque),
        (MillingFigure.PeakForce, "F", "Largest side force", Quantity.Force),
        (MillingFigure.Deflection, "δ", "Deflection at the tip", Quantity.Deviation),
        (MillingFigure.Overrun, "e", "Way before and after", Quantity.Length),
        (MillingFigure.Way, "l", "Way at feed rate", Quantity.Length),
        (MillingFigure.PeakToValley, "R_th", "Peak to valley, theory", Quantity.Deviation),
        (MillingFigure.Ridge, "h_r", "Ridge height", Quantity.Chip),
        (MillingFigure.BendArc, "φ_b", "Arc in the bend", Quantity.Angle),
        (MillingFigure.BendChip, "h_b", "Largest chip in the bend", Quantity.Chip),
        (MillingFigure.BendForce, "F_b/F", "Force in the bend over straight", Quantity.Ratio),
        (MillingFigure.BendRimFeed, "v_frim", "Feed that holds the rim", Quantity.FeedRate),
        (MillingFigure.BendChipFeed, "v_fchip", "Feed that keeps the chip", Quantity.FeedRate),
        (MillingFigure.BendLargestCutter, "D_b", "Largest cutter within 90°", Quantity.Length),
        (MillingFigure.RimFeed, "v_fr", "Feed at the rim", Quantity.FeedRate),
        (MillingFigure.PathDiameter, "D_p", "Diameter of the path", Quantity.Length),
        (MillingFigure.Pitch, "P", "Depth in a turn", Quantity.Length),
        (MillingFigure.FeedDown, "v_fz", "Feed downwards", Quantity.FeedRate),
        (MillingFigure.ProgrammedDepth, "t_p", "Depth of the tip", Quantity.Length),
        (MillingFigure.LoopStep, "s_l", "Step between loops", Quantity.Length),
        (MillingFigure.LoopRadius, "R_l", "Radius of a loop", Quantity.Length),
        (MillingFigure.Rounds, "i_r", "Rounds", Quantity.Count),
        (MillingFigure.Leftover, "t_c", "Leftover on the bisector", Quantity.Length),
        (MillingFigure.CutterBetween, "D_m", "Cutter between", Quantity.Length),
        (MillingFigure.TimeWithBetween, "T_m", "Time with a cutter between", Quantity.Time),
        (MillingFigure.ContactFrom, "u_1", "Contact begins at", Quantity.Ratio),
        (MillingFigure.ContactTo, "u_2", "Contact ends at", Quantity.Ratio),
        (MillingFigure.Tilt, "β", "Tilt of the axis", Quantity.Angle),
        (MillingFigure.Step, "s_r", "Step between passes", Quantity.Length),
        (MillingFigure.TipDepth, "t_t", "Depth of the tip", Quantity.Length),
        (MillingFigure.LowerDiameter, "D_l", "Diameter at the lower end", Quantity.Length),
        (MillingFigure.LowerSpeed, "v_l", "Cutting speed at the lower end", Quantity.CuttingSpeed),
        (MillingFigure.TopWidth, "w", "Width at the top", Quantity.Length),
        (MillingFigure.StockLeft, "s", "Stock left", Quantity.Length),
        (MillingFigure.ToolLife, "T_e", "Tool life at this speed", Quantity.Time),
        (MillingFigure.Gain, "g", "Gain of a ramp", Quantity.Length),
    ];

    /// <summary>A figure with its words and its value.</summary>
    /// <param name="figure">Which.</param>
    /// <param name="rank">How much it stands out.</param>
    /// <param name="value">Its value, base unit.</param>
    public static Figure Of(MillingFigure figure, FigureRank rank, double value)
    {
        (MillingFigure of, string symbol, string name, Quantity quantity) = Table[(int)figure];
        return new(Codes.Of(of), symbol, name, quantity, value, rank);
    }
}

/// <summary>Everything a milling operation yields, with its limits, in one value so that nothing is allocated.</summary>
public struct MillingResult
{
    private Numbers<MillingFigure> figures;

    /// <summary>Passes across with the width of each, mm.</summary>
    public Passes Across { get; internal set; }

    /// <summary>Passes down with the depth of each, mm.</summary>
    public Passes Down { get; internal set; }

    /// <summary>How the teeth meet the work.</summary>
    public Engagement Engagement { get; internal set; }

    /// <summary>Speed, feed, chip, force, power and torque.</summary>
    public MillingLoad Load { get; internal set; }

    /// <summary>Every limit, judged.</summary>
    public LimitSet Limits { get; internal set; }

    /// <summary>A figure, base unit; 0 where the operation does not yield it.</summary>
    public double this[MillingFigure figure]
    {
        readonly get => figures[figure];
        internal set => figures.Mark(figure, value);
    }

    /// <summary>Whether the operation yields a figure.</summary>
    public readonly bool Has(MillingFigure figure) => figures.IsMarked(figure);
}

using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>A figure a hole operation can yield; <see cref="HoleFigures"/> has its words.</summary>
public enum HoleFigure
{
    /// <summary>n, rev/min.</summary>
    SpindleSpeed,

    /// <summary>v_f, mm/min.</summary>
    FeedRate,

    /// <summary>Feed of one turn in use, mm.</summary>
    FeedInUse,

    /// <summary>Cutting speed in use, m/min.</summary>
    SpeedInUse,

    /// <summary>Q, cm³/min.</summary>
    RemovalRate,

    /// <summary>T, min.</summary>
    Time,

    /// <summary>Depth over diameter.</summary>
    DepthRatio,

    /// <summary>Length of the point, mm.</summary>
    PointLength,

    /// <summary>Depth at which the hole has its full diameter, mm.</summary>
    FullDepth,

    /// <summary>Depth of the tip, mm: what is programmed.</summary>
    ProgrammedDepth,

    /// <summary>Height of the tip above the datum at the deepest, mm.</summary>
    ProgrammedHeight,

    /// <summary>Number of pecks.</summary>
    Pecks,

    /// <summary>The cycle, by its place in <see cref="DrillingCycle"/>.</summary>
    Cycle,

    /// <summary>Depth over diameter from which the cycle applies.</summary>
    CycleFrom,

    /// <summary>Undeformed chip thickness, mm.</summary>
    Chip,

    /// <summary>k_c, MPa.</summary>
    SpecificForce,

    /// <summary>P_c, kW.</summary>
    Power,

    /// <summary>P_mot, kW.</summary>
    MotorPower,

    /// <summary>M, N·m.</summary>
    Torque,

    /// <summary>F_f, N.</summary>
    Thrust,

    /// <summary>Largest diameter that cuts, mm.</summary>
    OuterDiameter,

    /// <summary>Least diameter that cuts, mm.</summary>
    InnerDiameter,

    /// <summary>Stock on a side, mm.</summary>
    Stock,

    /// <summary>Theoretical peak to valley, µm.</summary>
    PeakToValley,

    /// <summary>Deflection at the tip, µm.</summary>
    Deflection,

    /// <summary>Length of the lead of a tap or a reamer, mm.</summary>
    LeadLength,

    /// <summary>Pitch P, mm.</summary>
    Pitch,

    /// <summary>Hole for the wanted thread height, mm.</summary>
    HoleForHeight,

    /// <summary>Thread height that the hole gives over the full one, %.</summary>
    HeightGot,

    /// <summary>Minor diameter of the thread, mm.</summary>
    MinorDiameter,

    /// <summary>Room that chips need below the tap, mm.</summary>
    RoomForChips,

    /// <summary>Depth the hole below must have, mm.</summary>
    DepthNeeded,

    /// <summary>Speed out, rev/min.</summary>
    ReturnSpeed,

    /// <summary>Feed rate out, mm/min.</summary>
    ReturnFeed,

    /// <summary>Torque that breaks the tool, N·m.</summary>
    BreakingTorque,

    /// <summary>Way the spindle takes to run up and to stop again, mm.</summary>
    RunUpWay,

    /// <summary>Drift of the feed against the thread over the depth where the control rounds, mm.</summary>
    Drift,

    /// <summary>Highest speed at which the supported drill does not whirl, rev/min.</summary>
    WhirlSpeed,

    /// <summary>Highest speed outside the bore, rev/min.</summary>
    FreeSpeed,

    /// <summary>Thrust that buckles the drill, N.</summary>
    BucklingForce,

    /// <summary>Length of the drill without support, mm.</summary>
    FreeLength,

    /// <summary>Length of the edge in the work, mm.</summary>
    EdgeLength,

    /// <summary>Time the plain cycle would take, min.</summary>
    PlainTime,

    /// <summary>Tool life at this speed T_e, min.</summary>
    ToolLife,
}

/// <summary>The one table of hole figures.</summary>
public static class HoleFigures
{
    private static readonly (HoleFigure Figure, string Symbol, string Name, Quantity Quantity)[] Table =
    [
        (HoleFigure.SpindleSpeed, "n", "Spindle speed", Quantity.SpindleSpeed),
        (HoleFigure.FeedRate, "v_f", "Feed rate", Quantity.FeedRate),
        (HoleFigure.FeedInUse, "f", "Feed per revolution", Quantity.Chip),
        (HoleFigure.SpeedInUse, "v_u", "Cutting speed in use", Quantity.CuttingSpeed),
        (HoleFigure.RemovalRate, "Q", "Removal rate", Quantity.RemovalRate),
        (HoleFigure.Time, "T", "Time of a hole", Quantity.Time),
        (HoleFigure.DepthRatio, "t/D", "Depth over diameter", Quantity.Ratio),
        (HoleFigure.PointLength, "l_t", "Length of the point", Quantity.Length),
        (HoleFigure.FullDepth, "t_D", "Depth at full diameter", Quantity.Length),
        (HoleFigure.ProgrammedDepth, "t_p", "Programmed depth", Quantity.Length),
        (HoleFigure.ProgrammedHeight, "z_p", "Programmed height", Quantity.Length),
        (HoleFigure.Pecks, "i_q", "Pecks", Quantity.Count),
        (HoleFigure.Cycle, "C", "Cycle", Quantity.Count),
        (HoleFigure.CycleFrom, "q_C", "Cycle applies above", Quantity.Ratio),
        (HoleFigure.Chip, "h", "Chip thickness", Quantity.Chip),
        (HoleFigure.SpecificForce, "k_c", "Specific force", Quantity.Stress),
        (HoleFigure.Power, "P_c", "Cutting power", Quantity.Power),
        (HoleFigure.MotorPower, "P_mot", "Motor power", Quantity.Power),
        (HoleFigure.Torque, "M", "Torque", Quantity.Torque),
        (HoleFigure.Thrust, "F_f", "Thrust", Quantity.Force),
        (HoleFigure.OuterDiameter, "D_o", "Largest diameter cut", Quantity.Length),
        (HoleFigure.InnerDiameter, "D_i", "Least diameter cut", Quantity.Length),
        (HoleFigure.Stock, "s", "Stock on a side", Quantity.Length),
        (HoleFigure.PeakToValley, "R_th", "Peak to valley, theory", Quantity.Deviation),
        (HoleFigure.Deflection, "δ", "Deflection at the tip", Quantity.Deviation),
        (HoleFigure.LeadLength, "l_a", "Length of the lead", Quantity.Length),
        (HoleFigure.Pitch, "P", "Pitch", Quantity.Length),
        (HoleFigure.HoleForHeight, "d_h", "Hole for the height wanted", Quantity.Length),
        (HoleFigure.HeightGot, "H_p", "Thread height got, %", Quantity.Ratio),
        (HoleFigure.MinorDiameter, "D_1", "Minor diameter of the thread", Quantity.Length),
        (HoleFigure.RoomForChips, "l_c", "Room for chips below", Quantity.Length),
        (HoleFigure.DepthNeeded, "t_n", "Depth the hole must have", Quantity.Length),
        (HoleFigure.ReturnSpeed, "n_r", "Spindle speed out", Quantity.SpindleSpeed),
        (HoleFigure.ReturnFeed, "v_r", "Feed rate out", Quantity.FeedRate),
        (HoleFigure.BreakingTorque, "M_B", "Torque that breaks the tool", Quantity.Torque),
        (HoleFigure.RunUpWay, "l_u", "Way to run up and to stop", Quantity.Length),
        (HoleFigure.Drift, "Δ", "Drift by rounding of the feed", Quantity.Chip),
        (HoleFigure.WhirlSpeed, "n_w", "Speed before it whirls", Quantity.SpindleSpeed),
        (HoleFigure.FreeSpeed, "n_0", "Speed outside the bore", Quantity.SpindleSpeed),
        (HoleFigure.BucklingForce, "F_b", "Thrust that buckles the drill", Quantity.Force),
        (HoleFigure.FreeLength, "l_0", "Length without support", Quantity.Length),
        (HoleFigure.EdgeLength, "b", "Edge in the work", Quantity.Length),
        (HoleFigure.PlainTime, "T_0", "Time without pecks", Quantity.Time),
        (HoleFigure.ToolLife, "T_e", "Tool life at this speed", Quantity.Time),
    ];

    /// <summary>A figure with its words and its value.</summary>
    /// <param name="figure">Which.</param>
    /// <param name="rank">How much it stands out.</param>
    /// <param name="value">Its value, base unit.</param>
    public static Figure Of(HoleFigure figure, FigureRank rank, double value)
    {
        (HoleFigure of, string symbol, string name, Quantity quantity) = Table[(int)figure];
        return new(Codes.Of(of), symbol, name, quantity, value, rank);
    }
}

/// <summary>Everything a hole operation yields, with its limits, in one value so that nothing is allocated.</summary>
public struct HoleResult
{
    private Numbers<HoleFigure> figures;

    /// <summary>Every limit, judged.</summary>
    public LimitSet Limits { get; internal set; }

    /// <summary>How the tool gets to its depth.</summary>
    public DrillingCycle Cycle { get; internal set; }

    /// <summary>Cutting edge angle κ of the edge that cuts, degrees.</summary>
    public double EdgeAngle { get; internal set; }

    /// <summary>What held the speed of a tap; meaningful where <see cref="SpeedHeld"/> is set.</summary>
    public LimitKind HeldBy { get; internal set; }

    /// <summary>Whether a limit held the speed of a tap.</summary>
    public bool SpeedHeld { get; internal set; }

    /// <summary>A figure, base unit; 0 where the operation does not yield it.</summary>
    public double this[HoleFigure figure]
    {
        readonly get => figures[figure];
        internal set => figures.Mark(figure, value);
    }

    /// <summary>Whether the operation yields a figure.</summary>
    public readonly bool Has(HoleFigure figure) => figures.IsMarked(figure);
}

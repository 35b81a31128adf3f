namespace Incisura.Core.Calculation;

/// <summary>A number an operation yields, with its words.</summary>
/// <param name="Output">Which.</param>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
public sealed record OutputWords(Output Output, string Symbol, string Name, Quantity Quantity)
{
    /// <summary>Stable code: the name with a small first letter, unless the operation gives another.</summary>
    public string Code { get; init; } = Codes.Of(Output);
}

/// <summary>The words of all outputs that operations share.</summary>
public static class Outputs
{
    private static readonly (Output Output, string Symbol, string Name, Quantity Quantity)[] Table =
    [
        (Output.SpindleSpeed, "n", "Spindle speed", Quantity.SpindleSpeed),
        (Output.FeedRate, "v_f", "Feed rate", Quantity.FeedRate),
        (Output.RemovalRate, "Q", "Removal rate", Quantity.RemovalRate),
        (Output.Time, "T", "Time", Quantity.Time),
        (Output.Diameter, "D_e", "Diameter in contact", Quantity.Length),
        (Output.Width, "a_e", "Width of each pass", Quantity.Length),
        (Output.Depth, "a_p", "Depth of each pass", Quantity.Length),
        (Output.PassesAcross, "i_e", "Passes across", Quantity.Count),
        (Output.PassesDown, "i_p", "Passes down", Quantity.Count),
        (Output.Arc, "φ_e", "Arc of engagement", Quantity.Angle),
        (Output.EntryAngle, "φ_1", "Arc begins at", Quantity.Angle),
        (Output.ExitAngle, "φ_2", "Arc ends at", Quantity.Angle),
        (Output.TeethInCut, "z_c", "Teeth in cut", Quantity.Ratio),
        (Output.MeanChip, "h_m", "Mean chip", Quantity.Chip),
        (Output.LargestChip, "h_max", "Largest chip", Quantity.Chip),
        (Output.SpecificForce, "k_c", "Specific force", Quantity.Stress),
        (Output.Power, "P_c", "Cutting power", Quantity.Power),
        (Output.MotorPower, "P_mot", "Motor power", Quantity.Power),
        (Output.Torque, "M", "Torque", Quantity.Torque),
        (Output.PeakForce, "F", "Largest side force", Quantity.Force),
        (Output.Deflection, "δ", "Deflection at the tip", Quantity.Deviation),
        (Output.Overrun, "l_e", "Way before and after", Quantity.Length),
        (Output.Way, "l", "Way at feed rate", Quantity.Length),
        (Output.PeakToValley, "R_th", "Peak to valley, theory", Quantity.Deviation),
        (Output.Ridge, "h_r", "Ridge height", Quantity.Chip),
        (Output.BendArc, "φ_b", "Arc in the bend", Quantity.Angle),
        (Output.BendChip, "h_b", "Largest chip in the bend", Quantity.Chip),
        (Output.BendForce, "F_b/F", "Force in the bend over straight", Quantity.Ratio),
        (Output.BendRimFeed, "v_frim", "Feed that holds the rim", Quantity.FeedRate),
        (Output.BendChipFeed, "v_fchip", "Feed that keeps the chip", Quantity.FeedRate),
        (Output.BendLargestCutter, "D_90", "Largest cutter within 90°", Quantity.Length),
        (Output.RimFeed, "v_fr", "Feed at the rim", Quantity.FeedRate),
        (Output.PathDiameter, "D_p", "Diameter of the path", Quantity.Length),
        (Output.Pitch, "P", "Pitch", Quantity.Length),
        (Output.DepthInTurn, "P_u", "Depth in a turn", Quantity.Length),
        (Output.FeedDown, "v_fz", "Feed downwards", Quantity.FeedRate),
        (Output.ProgrammedDepth, "t_p", "Programmed depth", Quantity.Length),
        (Output.LoopStep, "s_l", "Step between loops", Quantity.Length),
        (Output.LoopRadius, "R_l", "Radius of a loop", Quantity.Length),
        (Output.Rounds, "i_r", "Rounds", Quantity.Count),
        (Output.Leftover, "t_c", "Leftover on the bisector", Quantity.Length),
        (Output.CutterBetween, "D_m", "Cutter between", Quantity.Length),
        (Output.TimeWithBetween, "T_m", "Time with a cutter between", Quantity.Time),
        (Output.ContactFrom, "u_1", "Contact begins at", Quantity.Ratio),
        (Output.ContactTo, "u_2", "Contact ends at", Quantity.Ratio),
        (Output.Tilt, "β", "Tilt of the axis", Quantity.Angle),
        (Output.Step, "s_r", "Step between passes", Quantity.Length),
        (Output.TipDepth, "t_t", "Depth of the tip", Quantity.Length),
        (Output.LowerDiameter, "D_l", "Diameter at the lower end", Quantity.Length),
        (Output.LowerSpeed, "v_l", "Cutting speed at the lower end", Quantity.CuttingSpeed),
        (Output.TopWidth, "w", "Width at the top", Quantity.Length),
        (Output.StockLeft, "s", "Stock left", Quantity.Length),
        (Output.ToolLife, "T_e", "Tool life at this speed", Quantity.Time),
        (Output.Gain, "g", "Gain of a ramp", Quantity.Length),
        (Output.FeedInUse, "f", "Feed per revolution", Quantity.Chip),
        (Output.SpeedInUse, "v_u", "Cutting speed in use", Quantity.CuttingSpeed),
        (Output.DepthRatio, "t/D", "Depth over diameter", Quantity.Ratio),
        (Output.PointLength, "l_t", "Length of the point", Quantity.Length),
        (Output.FullDepth, "t_D", "Depth at full diameter", Quantity.Length),
        (Output.ProgrammedHeight, "z_p", "Programmed height", Quantity.Length),
        (Output.Pecks, "i_q", "Pecks", Quantity.Count),
        (Output.Cycle, "C", "Cycle", Quantity.Count),
        (Output.CycleFrom, "q_C", "Cycle applies above", Quantity.Ratio),
        (Output.Chip, "h", "Chip thickness", Quantity.Chip),
        (Output.Thrust, "F_f", "Thrust", Quantity.Force),
        (Output.OuterDiameter, "D_a", "Largest diameter cut", Quantity.Length),
        (Output.InnerDiameter, "D_i", "Least diameter cut", Quantity.Length),
        (Output.Stock, "s", "Stock on a side", Quantity.Length),
        (Output.LeadLength, "l_a", "Length of the lead", Quantity.Length),
        (Output.HoleForHeight, "d_h", "Hole for the height wanted", Quantity.Length),
        (Output.HeightGot, "H_p", "Thread height got, %", Quantity.Ratio),
        (Output.MinorDiameter, "D_1", "Minor diameter of the thread", Quantity.Length),
        (Output.RoomForChips, "l_c", "Room for chips below", Quantity.Length),
        (Output.DepthNeeded, "t_n", "Depth the hole must have", Quantity.Length),
        (Output.ReturnSpeed, "n_r", "Spindle speed out", Quantity.SpindleSpeed),
        (Output.ReturnFeed, "v_r", "Feed rate out", Quantity.FeedRate),
        (Output.BreakingTorque, "M_B", "Torque that breaks the tool", Quantity.Torque),
        (Output.RunUpWay, "l_u", "Way to run up and to stop", Quantity.Length),
        (Output.Drift, "Δ", "Drift by rounding of the feed", Quantity.Chip),
        (Output.WhirlSpeed, "n_w", "Speed before it whirls", Quantity.SpindleSpeed),
        (Output.FreeSpeed, "n_0", "Speed outside the bore", Quantity.SpindleSpeed),
        (Output.BucklingForce, "F_k", "Thrust that buckles the drill", Quantity.Force),
        (Output.FreeLength, "l_0", "Length without support", Quantity.Length),
        (Output.EdgeLength, "b", "Edge in the work", Quantity.Length),
        (Output.PlainTime, "T_0", "Time without pecks", Quantity.Time),
        (Output.ToolStress, "σ_v", "Stress in the cutter", Quantity.Stress),
        (Output.WallError, "δ_w", "Error of the wall", Quantity.Deviation),
        (Output.WallTilt, "δ_k", "Tilt of the wall over the depth", Quantity.Deviation),
        (Output.ChiselThrust, "F_q", "Thrust of the chisel edge", Quantity.Force),
        (Output.HeightCut, "h_c", "Height of the thread", Quantity.Length),
        (Output.RootDiameter, "d_f", "Diameter at the roots", Quantity.Length),
        (Output.FirstInfeed, "p_a", "First infeed", Quantity.Chip),
        (Output.LastInfeed, "p_b", "Last infeed", Quantity.Chip),
        (Output.HeaviestInfeed, "i_k", "Infeed that loads most", Quantity.Count),
        (Output.ChipSection, "A_z", "Largest chip section", Quantity.Section),
        (Output.CuttingForce, "F_c", "Cutting force", Quantity.Force),
        (Output.PassiveForce, "F_p", "Passive force", Quantity.Force),
        (Output.AxisRunUp, "l_v", "Way to reach the feed", Quantity.Length),
        (Output.LeadAngle, "ψ", "Lead angle", Quantity.Angle),
        (Output.Lean, "ψ_k", "Lean of the lead against the shim", Quantity.Angle),
        (Output.FlankError, "ε", "Flank error", Quantity.Deviation),
        (Output.PassesAlong, "i_a", "Passes along the axis", Quantity.Count),
        (Output.ProgrammedSpeed, "v_p", "Surface speed to program", Quantity.CuttingSpeed),
        (Output.TopSpeed, "n_2", "Highest speed on the way", Quantity.SpindleSpeed),
        (Output.ClampDiameter, "D_n", "Ø below which the clamp holds", Quantity.Length),
        (Output.WorkBend, "δ_b", "Bend of the work", Quantity.Deviation),
        (Output.FormError, "Δ_D", "Error of form on Ø", Quantity.Deviation),
        (Output.GripNeeded, "F_n", "Clamping force needed", Quantity.Force),
        (Output.LeverForce, "F_j", "Clamping force against levering", Quantity.Force),
        (Output.GripLeft, "F_w", "Clamping force at speed", Quantity.Force),
        (Output.ThinChip, "h_κ", "Chip where the outline rises most", Quantity.Chip),
        (Output.SteepRise, "κ_o", "Rise of the outline there", Quantity.Angle),
        (Output.GapNeeded, "l_n", "Gap the shank needs", Quantity.Length),
    ];

    /// <summary>The words of every shared output, in the order of the enumeration.</summary>
    public static IReadOnlyList<OutputWords> Shared { get; } = [.. Table.Select(t => new OutputWords(t.Output, t.Symbol, t.Name, t.Quantity))];
}

/// <summary>What an operation yields, in one value so that nothing is allocated.</summary>
public interface IOutputs
{
    /// <summary>An output, base unit; 0 where the operation does not yield it.</summary>
    double this[Output output] { get; set; }

    /// <summary>Every limit, judged.</summary>
    LimitSet Limits { get; }

    /// <summary>Whether the operation yields an output.</summary>
    bool Has(Output output);
}

namespace Incisura.Core.Calculation;

/// <summary>
/// A number an operation can yield, one list for all; <see cref="Outputs"/> has its words. The last places belong to the operation itself.
/// </summary>
public enum Output
{
    /// <summary>n, rev/min.</summary>
    SpindleSpeed,

    /// <summary>v_f of the cutter's centre, mm/min: what is programmed.</summary>
    FeedRate,

    /// <summary>Q, cm³/min.</summary>
    RemovalRate,

    /// <summary>T, min; of a hole that of one.</summary>
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

    /// <summary>Pitch P of a thread, mm.</summary>
    Pitch,

    /// <summary>Depth gained in a turn of a helix, mm.</summary>
    DepthInTurn,

    /// <summary>Feed downwards, mm/min.</summary>
    FeedDown,

    /// <summary>Depth of the tip at the end, mm: what is programmed.</summary>
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

    /// <summary>Feed of one turn in use, mm.</summary>
    FeedInUse,

    /// <summary>Cutting speed in use, m/min.</summary>
    SpeedInUse,

    /// <summary>Depth over diameter.</summary>
    DepthRatio,

    /// <summary>Length of the point, mm.</summary>
    PointLength,

    /// <summary>Depth at which the hole has its full diameter, mm.</summary>
    FullDepth,

    /// <summary>Height of the tip above the datum at the deepest, mm.</summary>
    ProgrammedHeight,

    /// <summary>Number of pecks.</summary>
    Pecks,

    /// <summary>The cycle, by its place among the cycles.</summary>
    Cycle,

    /// <summary>Depth over diameter from which the cycle applies.</summary>
    CycleFrom,

    /// <summary>Undeformed chip thickness, mm.</summary>
    Chip,

    /// <summary>F_f, N.</summary>
    Thrust,

    /// <summary>Largest diameter that cuts, mm.</summary>
    OuterDiameter,

    /// <summary>Least diameter that cuts, mm.</summary>
    InnerDiameter,

    /// <summary>Stock on a side, mm.</summary>
    Stock,

    /// <summary>Length of the lead of a tap or a reamer, mm.</summary>
    LeadLength,

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

    /// <summary>Equivalent stress at the weakest section of the cutter, MPa.</summary>
    ToolStress,

    /// <summary>Largest error of the wall over the depth, µm: what an edge leaves or cuts too deep where it makes the wall.</summary>
    WallError,

    /// <summary>Difference of that error over the depth, µm.</summary>
    WallTilt,

    /// <summary>Thrust of the chisel edge of a drill, N.</summary>
    ChiselThrust,

    /// <summary>Height h_c of the thread that is cut, mm.</summary>
    HeightCut,

    /// <summary>Diameter at the roots of the thread, mm.</summary>
    RootDiameter,

    /// <summary>First infeed p_a, mm.</summary>
    FirstInfeed,

    /// <summary>Last infeed p_b, mm.</summary>
    LastInfeed,

    /// <summary>Infeed that loads most, by its number.</summary>
    HeaviestInfeed,

    /// <summary>Largest chip section A_z of an infeed, mm².</summary>
    ChipSection,

    /// <summary>Largest cutting force F_c, N.</summary>
    CuttingForce,

    /// <summary>Largest passive force F_p: square to the axis, along the height of the thread, N.</summary>
    PassiveForce,

    /// <summary>Way l_v in which the axis reaches the feed of the thread, mm.</summary>
    AxisRunUp,

    /// <summary>Lead angle ψ at the pitch diameter, degrees.</summary>
    LeadAngle,

    /// <summary>Lean ψ_k of the lead against the shim where it is steepest, degrees.</summary>
    Lean,

    /// <summary>Flank error ε, µm.</summary>
    FlankError,

    /// <summary>Passes i_a along the axis.</summary>
    PassesAlong,

    /// <summary>Cutting speed v_p to program where the control goes by the tip of the tool, m/min.</summary>
    ProgrammedSpeed,

    /// <summary>Highest spindle speed n_2 of a course, rev/min.</summary>
    TopSpeed,

    /// <summary>Diameter D_n below which the clamp holds the spindle, mm.</summary>
    ClampDiameter,

    /// <summary>Bend δ_b of the work away from the tool, µm.</summary>
    WorkBend,

    /// <summary>Error Δ_D that the bend leaves on the diameter along the work, µm.</summary>
    FormError,

    /// <summary>Clamping force F_n that the cut needs, N.</summary>
    GripNeeded,

    /// <summary>Clamping force F_j at which the work would be levered out of its jaws, with safety, N.</summary>
    LeverForce,

    /// <summary>Clamping force F_w that the chuck has at the speed where it matters, N.</summary>
    GripLeft,

    /// <summary>Chip thickness h_κ beside the corner where an outline rises most, mm.</summary>
    ThinChip,

    /// <summary>Rise κ_o of the outline there, degrees.</summary>
    SteepRise,

    /// <summary>Gap l_n that the shank of a blade needs beside a shoulder, mm.</summary>
    GapNeeded,

    /// <summary>A number only one operation yields, by its own description.</summary>
    Own0,

    /// <summary>A number only one operation yields, by its own description.</summary>
    Own1,

    /// <summary>A number only one operation yields, by its own description.</summary>
    Own2,

    /// <summary>A number only one operation yields, by its own description.</summary>
    Own3,

    /// <summary>A number only one operation yields, by its own description.</summary>
    Own4,

    /// <summary>A number only one operation yields, by its own description.</summary>
    Own5,
}

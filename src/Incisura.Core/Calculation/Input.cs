namespace Incisura.Core.Calculation;

/// <summary>
/// A number an operation can ask for: one list for all operations, so that one name has one meaning. The code of its field is the name
/// with a small first letter. The last places belong to the operation itself, which names them in its own file.
/// </summary>
public enum Input
{
    /// <summary>Cutting speed v_c at the diameter in contact, or at the largest that cuts, m/min.</summary>
    CuttingSpeed,

    /// <summary>Tool life wanted T_L, min.</summary>
    ToolLife,

    /// <summary>Deflection allowed at the tip, µm.</summary>
    DeflectionAllowed,

    /// <summary>Feed per tooth f_z, mm; on a circular path at the rim.</summary>
    FeedPerTooth,

    /// <summary>Most width of one pass a_e, mm.</summary>
    WidthOfCut,

    /// <summary>Most depth of one pass a_p, mm.</summary>
    DepthOfCut,

    /// <summary>Stock W across, mm.</summary>
    StockWidth,

    /// <summary>Height H of a wall, mm.</summary>
    WallHeight,

    /// <summary>Height H of the stock to remove downwards, mm.</summary>
    StockHeight,

    /// <summary>Length L of one pass, mm.</summary>
    Length,

    /// <summary>Stock s left for the step after, mm.</summary>
    StockLeft,

    /// <summary>Passes repeated without stock, which take the spring out.</summary>
    SpringPasses,

    /// <summary>Distance e of the axis from the middle of the width, mm; positive towards the side where the teeth leave.</summary>
    Offset,

    /// <summary>Radius R_c of a bend or corner of the wall, mm; 0 for a straight wall.</summary>
    CornerRadius,

    /// <summary>Angle θ between the walls of a corner, degrees.</summary>
    CornerAngle,

    /// <summary>Width b of a slot, mm.</summary>
    SlotWidth,

    /// <summary>Length of a pocket, mm.</summary>
    PocketLength,

    /// <summary>Width of a pocket, mm.</summary>
    PocketWidth,

    /// <summary>Largest arc of engagement wanted, degrees.</summary>
    ArcWanted,

    /// <summary>Ramp angle α of the path against the plane of the work, degrees.</summary>
    RampAngle,

    /// <summary>Diameter D_h of the hole to make, mm.</summary>
    HoleDiameter,

    /// <summary>Diameter d_0 of the hole that is there, mm.</summary>
    HoleBefore,

    /// <summary>Way b past the far face, mm.</summary>
    Breakthrough,

    /// <summary>Step sideways between plunges, mm.</summary>
    SideStep,

    /// <summary>Ridge height h_r left between passes, mm.</summary>
    RidgeHeight,

    /// <summary>Radius ρ of the surface across the passes, mm; only where it is curved.</summary>
    SurfaceRadius,

    /// <summary>Width of the surface across the passes, mm.</summary>
    SurfaceWidth,

    /// <summary>Tilt β of the axis against the surface, degrees.</summary>
    Tilt,

    /// <summary>Place of the contact along the barrel's arc, 0 at the tip's end to 1.</summary>
    ContactPlace,

    /// <summary>Leg c of the chamfer across the top face, mm.</summary>
    Leg,

    /// <summary>How far the tip stands below the chamfer, mm.</summary>
    TipBelow,

    /// <summary>Depth t of an engraving, mm.</summary>
    EngravingDepth,

    /// <summary>Width w of an engraving at the top, mm.</summary>
    EngravingWidth,

    /// <summary>Diameter of the cutter that roughed before, mm.</summary>
    DiameterBefore,

    /// <summary>Time to change a cutter, min.</summary>
    ChangeTime,

    /// <summary>Feed f of one turn, mm.</summary>
    FeedPerRevolution,

    /// <summary>Depth t of the hole or the thread; of a through hole the thickness of the work, mm.</summary>
    Depth,

    /// <summary>Height z_0 of the surface above the datum, mm.</summary>
    Surface,

    /// <summary>Height a of the plane the feed begins at, above the surface, mm.</summary>
    Approach,

    /// <summary>Height r of the plane the tool is lifted to between holes, above the surface, mm.</summary>
    Retract,

    /// <summary>Depth t_0 to which that hole has its full diameter, mm.</summary>
    DepthOfHoleBefore,

    /// <summary>Diameter D_b to bore to, mm.</summary>
    BoreDiameter,

    /// <summary>Diameter d_c of the chamfer at the surface, mm.</summary>
    ChamferDiameter,

    /// <summary>Diameter w of the flat that the web leaves at the point, mm.</summary>
    WebFlat,

    /// <summary>First peck q_1, mm.</summary>
    FirstPeck,

    /// <summary>Ratio k_q of each peck to the one before, up to 1.</summary>
    PeckRatio,

    /// <summary>Least peck q_min, mm.</summary>
    LeastPeck,

    /// <summary>Clear way s left above the bottom when the drill comes back in rapid, mm.</summary>
    PeckClearance,

    /// <summary>Lift s_b that breaks the chip, mm.</summary>
    ChipBreakLift,

    /// <summary>Turns at the bottom, e.</summary>
    DwellTurns,

    /// <summary>Length k of flute that must stay open above the surface, mm.</summary>
    ChipRoom,

    /// <summary>Clear way c_b between the tip and the bottom of the hole, mm.</summary>
    BottomClearance,

    /// <summary>Thread height wanted over the full one, %.</summary>
    ThreadHeight,

    /// <summary>Starts of the thread.</summary>
    Starts,

    /// <summary>Speed out over speed in.</summary>
    ReturnRatio,

    /// <summary>Diameter d_p of the pilot, mm.</summary>
    PilotDiameter,

    /// <summary>Depth t_p of the pilot to its full diameter, mm.</summary>
    PilotDepth,

    /// <summary>Clear way s_p left above the bottom of the pilot before the drill spins up, mm.</summary>
    PilotClearance,

    /// <summary>Speed n_e while entering the pilot, reversed, rev/min.</summary>
    EntrySpeed,

    /// <summary>Feed rate v_e while entering the pilot, mm/min.</summary>
    EntryFeed,

    /// <summary>Time for the coolant to reach its pressure, s.</summary>
    CoolantDelay,

    /// <summary>Share of the feed at the start of drilling.</summary>
    StartShare,

    /// <summary>Length drilled with that share, mm.</summary>
    StartLength,

    /// <summary>Share of the feed across a hole that crosses.</summary>
    SlowShare,

    /// <summary>Way before and after a crossing hole with that share, mm.</summary>
    SlowMargin,

    /// <summary>Share of the feed while breaking through.</summary>
    BreakShare,

    /// <summary>Feed rate v_w of the withdrawal with the spindle stopped, mm/min.</summary>
    WithdrawFeed,

    /// <summary>Diameter d_k at the crests of a thread before it is cut, mm: as turned outside, as bored inside.</summary>
    CrestDiameter,

    /// <summary>Height h_g of the thread to cut, radially, mm.</summary>
    HeightToCut,

    /// <summary>Diameter d_r at the roots of the thread, mm.</summary>
    RootDiameter,

    /// <summary>Infeeds i_z of a thread that take chips.</summary>
    Infeeds,

    /// <summary>Largest first infeed p_1, mm.</summary>
    FirstInfeed,

    /// <summary>Least infeed p_min, mm.</summary>
    LeastInfeed,

    /// <summary>Way l_1 before the thread in which the axis reaches its feed, mm.</summary>
    RunIn,

    /// <summary>Way l_2 behind the thread in which the axis stops, mm.</summary>
    RunOut,

    /// <summary>Diameter d_w of the work between chuck and thread, mm.</summary>
    BodyDiameter,

    /// <summary>Length l_w the work stands out of the chuck, mm.</summary>
    StandsOut,

    /// <summary>Inclination λ_s of the shim under an insert, degrees.</summary>
    ShimInclination,

    /// <summary>Flank error ε_max allowed, µm.</summary>
    FlankErrorAllowed,

    /// <summary>Passes i_s across in which a thread is milled to its height.</summary>
    PassesToHeight,

    /// <summary>Tolerance e_t of the arcs a taper path is made of, µm.</summary>
    PathTolerance,

    /// <summary>Diameter D_0 of the work before it is turned, mm.</summary>
    StartDiameter,

    /// <summary>Diameter D_2 of the finished work, or of the bottom of a groove, mm.</summary>
    EndDiameter,

    /// <summary>Speed n_g at which constant surface speed is held, rev/min.</summary>
    SpeedClamp,

    /// <summary>Diameter d_g at which the jaws grip, mm.</summary>
    GrippedDiameter,

    /// <summary>Bore d_i of turned work, mm; 0 where it is solid.</summary>
    WorkBore,

    /// <summary>Place l_st of a steady rest from the chuck, mm.</summary>
    SteadyAt,

    /// <summary>Peak to valley R_w wanted, µm.</summary>
    FinishWanted,

    /// <summary>Diameter d_s of the shoulder beside a blade, towards the chuck, mm; 0 where there is none.</summary>
    ShoulderDiameter,

    /// <summary>Gap l_g between a blade and that shoulder, mm.</summary>
    ShoulderGap,

    /// <summary>Diameter d_v from which the feed is slower on the way to the axis, mm.</summary>
    SlowFrom,

    /// <summary>Share q_i of a turn for which the edge is in cut, 0.05 to 1.</summary>
    CutShare,

    /// <summary>Stock s_f on faces of a turned outline, mm.</summary>
    FaceStock,

    /// <summary>Even stock e_b along the outline of a forging, mm; 0 for a bar or a tube.</summary>
    EvenStock,

    /// <summary>Length l_j of the work in the jaws, mm.</summary>
    GripLength,

    /// <summary>A number only one operation asks for, by its own description.</summary>
    Own0,

    /// <summary>A number only one operation asks for, by its own description.</summary>
    Own1,

    /// <summary>A number only one operation asks for, by its own description.</summary>
    Own2,

    /// <summary>A number only one operation asks for, by its own description.</summary>
    Own3,
}

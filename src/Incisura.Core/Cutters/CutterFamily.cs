namespace Incisura.Core.Cutters;

/// <summary>Geometry families of cutters; <see cref="Families"/> describes each.</summary>
public enum CutterFamily
{
    /// <summary>End mill with square corners, cutting on its side and face.</summary>
    SquareEndMill,

    /// <summary>End mill with a corner radius.</summary>
    CornerRadiusEndMill,

    /// <summary>Ball-nosed end mill.</summary>
    BallEndMill,

    /// <summary>End mill that tapers, with a flat, rounded or ball tip.</summary>
    TaperedEndMill,

    /// <summary>High-feed mill: a very small cutting edge angle and little depth.</summary>
    HighFeedMill,

    /// <summary>Face mill with inserts at a cutting edge angle.</summary>
    FaceMill,

    /// <summary>Disc for slots and T-slots.</summary>
    SlotMill,

    /// <summary>Dovetail mill.</summary>
    DovetailMill,

    /// <summary>Chamfer mill.</summary>
    ChamferMill,

    /// <summary>Mill that rounds an outer corner with a hollow quarter circle.</summary>
    CornerRoundingMill,

    /// <summary>Barrel mill: part of a large circle as its profile, tangential, conical or lens-shaped.</summary>
    BarrelMill,

    /// <summary>Engraving point.</summary>
    EngravingPoint,

    /// <summary>Thread mill with one profile, several, or several on a taper.</summary>
    ThreadMill,

    /// <summary>Centre drill.</summary>
    CentreDrill,

    /// <summary>Spot drill.</summary>
    SpotDrill,

    /// <summary>Twist drill.</summary>
    TwistDrill,

    /// <summary>Flat-bottomed drill, 180°.</summary>
    FlatDrill,

    /// <summary>Drill with a step.</summary>
    StepDrill,

    /// <summary>Drill with inserts.</summary>
    IndexableDrill,

    /// <summary>Deep-hole drill with one lip on a tube.</summary>
    GunDrill,

    /// <summary>Reamer.</summary>
    Reamer,

    /// <summary>Counterbore with a pilot.</summary>
    Counterbore,

    /// <summary>Countersink.</summary>
    Countersink,

    /// <summary>Rough boring tool for the spindle, with set diameter.</summary>
    BoringTool,

    /// <summary>Fine-boring head.</summary>
    FineBoringHead,

    /// <summary>Cutting tap.</summary>
    CuttingTap,

    /// <summary>Forming tap.</summary>
    FormingTap,

    /// <summary>Tap for taper pipe threads.</summary>
    TaperPipeTap,

    /// <summary>Outside turning holder with its insert.</summary>
    OutsideTurningTool,

    /// <summary>Boring bar for turning, with its insert.</summary>
    InsideTurningTool,

    /// <summary>Grooving blade.</summary>
    GroovingBlade,

    /// <summary>Parting blade.</summary>
    PartingBlade,

    /// <summary>Outside threading holder with its insert.</summary>
    ThreadTurningTool,

    /// <summary>Form cutter with a free profile, typed or read from a drawing.</summary>
    FormCutter,

    /// <summary>Bar for threading inside, with its insert.</summary>
    InsideThreadTurningTool,

    /// <summary>Bar for grooves in a bore, with its insert.</summary>
    InsideGroovingTool,

    /// <summary>Blade for grooves in a face, curved as they are.</summary>
    FaceGroovingBlade,
}

/// <summary>What the cutting part is made of; it sets the stiffness and the row of the speed chart.</summary>
public enum CuttingMaterial
{
    /// <summary>Cemented carbide.</summary>
    Carbide,

    /// <summary>High-speed steel.</summary>
    HighSpeedSteel,

    /// <summary>Cobalt high-speed steel made from powder.</summary>
    PowderSteel,

    /// <summary>Cermet.</summary>
    Cermet,

    /// <summary>Ceramic.</summary>
    Ceramic,

    /// <summary>Polycrystalline cubic boron nitride.</summary>
    BoronNitride,

    /// <summary>Polycrystalline diamond.</summary>
    Diamond,
}

/// <summary>Hand of a cutter, seen along its feed or its turning.</summary>
public enum Hand
{
    /// <summary>Right-hand.</summary>
    Right,

    /// <summary>Left-hand.</summary>
    Left,

    /// <summary>Neither.</summary>
    Neutral,
}

using Incisura.Core.Calculation;

namespace Incisura.Core.Milling;

/// <summary>A number a milling operation can ask for. The code of its field is the name with a small first letter.</summary>
public enum MillingInput
{
    /// <summary>Cutting speed v_c at the diameter in contact, m/min.</summary>
    CuttingSpeed,

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

    /// <summary>Deflection allowed at the tip, µm.</summary>
    DeflectionAllowed,

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

    /// <summary>Way past the far face, mm.</summary>
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

    /// <summary>Tool life wanted T_L, min.</summary>
    ToolLife,
}

/// <summary>Form of a surface across the passes.</summary>
public enum SurfaceForm
{
    /// <summary>Flat.</summary>
    Flat,

    /// <summary>Hollow, with its radius.</summary>
    Concave,

    /// <summary>Domed, with its radius.</summary>
    Convex,
}

/// <summary>The numbers of one milling calculation, typed or proposed, in one value so that nothing is allocated.</summary>
public struct MillingInputs
{
    private Numbers<MillingInput> numbers;

    /// <summary>Whether passes go to and fro; otherwise the cutter returns in rapid and every pass cuts the same way.</summary>
    public bool BothWays { get; set; }

    /// <summary>Whether the bend of the wall goes round the outside of the work.</summary>
    public bool OuterBend { get; set; }

    /// <summary>Form of the surface.</summary>
    public SurfaceForm Surface { get; set; }

    /// <summary>What the feed per tooth keeps when the engagement differs from the chart's.</summary>
    public ChipKept ChipKept { get; set; }

    /// <summary>Factor k_s on the charted depth for how steadily the work is held, above 0 up to 1.</summary>
    public double Steadiness { get; set; }

    /// <summary>Factor K_w on the specific force for a worn edge; 1 for a fresh one.</summary>
    public double Wear { get; set; }

    /// <summary>The value of an input, base unit.</summary>
    public double this[MillingInput input]
    {
        readonly get => numbers[input];
        set => numbers[input] = value;
    }

    /// <summary>Whether a value was typed, rather than proposed.</summary>
    public readonly bool IsTyped(MillingInput input) => numbers.IsMarked(input);

    /// <summary>Sets a value as typed: nothing that follows changes it.</summary>
    public void Type(MillingInput input, double value) => numbers.Mark(input, value);

    /// <summary>Sets a value unless it was typed.</summary>
    public void Propose(MillingInput input, double value) => numbers.SetUnmarked(input, value);

    /// <summary>The same inputs with one value given back to be proposed.</summary>
    public readonly MillingInputs Without(MillingInput input)
    {
        MillingInputs x = this;
        x.numbers.Unmark(input);
        return x;
    }

    /// <summary>The same inputs with one value typed.</summary>
    public readonly MillingInputs With(MillingInput input, double value)
    {
        MillingInputs x = this;
        x.Type(input, value);
        return x;
    }
}

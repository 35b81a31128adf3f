using Incisura.Core.Calculation;

namespace Incisura.Core.Holes;

/// <summary>
/// A number a hole operation can ask for. The code of its field is the name with a small first letter. Depths are below the surface, planes above it.
/// </summary>
public enum HoleInput
{
    /// <summary>Cutting speed v_c at the largest diameter that cuts, m/min.</summary>
    CuttingSpeed,

    /// <summary>Feed f of one turn, mm.</summary>
    FeedPerRevolution,

    /// <summary>Depth t of the hole or the thread; of a through hole the thickness of the work, mm.</summary>
    Depth,

    /// <summary>Height z_0 of the surface above the datum, mm.</summary>
    Surface,

    /// <summary>Way b past the far face, mm.</summary>
    Breakthrough,

    /// <summary>Height a of the plane the feed begins at, above the surface, mm.</summary>
    Approach,

    /// <summary>Height r of the plane the tool is lifted to between holes, above the surface, mm.</summary>
    Retract,

    /// <summary>Diameter d_0 of the hole that is there, mm; 0 for none.</summary>
    HoleBefore,

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

    /// <summary>Deflection allowed at the tip, µm.</summary>
    DeflectionAllowed,

    /// <summary>Tool life wanted T_L, min.</summary>
    ToolLife,
}

/// <summary>How the drill gets to its depth.</summary>
public enum DrillingCycle
{
    /// <summary>Straight down.</summary>
    Plain,

    /// <summary>In pecks, with a short lift that breaks the chip.</summary>
    ChipBreaking,

    /// <summary>In pecks, out of the hole after each to clear it.</summary>
    FullRetract,

    /// <summary>In stages behind a pilot.</summary>
    Staged,
}

/// <summary>The numbers and picks of one hole calculation, typed or proposed, in one value so that nothing is allocated.</summary>
public struct HoleInputs
{
    private Numbers<HoleInput> numbers;

    /// <summary>Whether the hole goes through the work.</summary>
    public bool Through { get; set; }

    /// <summary>Whether the depth is meant to the point of the drill rather than to its full diameter.</summary>
    public bool ToPoint { get; set; }

    /// <summary>The cycle picked; null where it follows the depth over the diameter.</summary>
    public DrillingCycle? Cycle { get; set; }

    /// <summary>Which way the spindle turns: 1 right, −1 left, 0 with the cutter's hand.</summary>
    public int Turning { get; set; }

    /// <summary>Factor K_w on the specific force for a worn edge; 1 for a fresh one.</summary>
    public double Wear { get; set; }

    /// <summary>Holes that cross the bore, in the order they were given.</summary>
    public CrossHole[] CrossHoles { get; private set; }

    /// <summary>Where each of them opens the wall; it follows from the bore alone, so it is worked out once.</summary>
    public OpenWall[] Openings { get; private set; }

    /// <summary>Stages that were changed.</summary>
    public StageEdit[] Edits { get; set; }

    /// <summary>The value of an input, base unit.</summary>
    public double this[HoleInput input]
    {
        readonly get => numbers[input];
        set => numbers[input] = value;
    }

    /// <summary>Takes the holes that cross a bore.</summary>
    /// <param name="holes">The holes.</param>
    /// <param name="bore">Diameter of the bore, mm.</param>
    public void Cross(IReadOnlyList<CrossHole> holes, double bore)
    {
        CrossHoles = [.. holes];
        Openings = [.. holes.Select(h => h.Opening(bore))];
    }

    /// <summary>Whether a value was typed, rather than proposed.</summary>
    public readonly bool IsTyped(HoleInput input) => numbers.IsMarked(input);

    /// <summary>Sets a value as typed: nothing that follows changes it.</summary>
    public void Type(HoleInput input, double value) => numbers.Mark(input, value);

    /// <summary>Sets a value unless it was typed.</summary>
    public void Propose(HoleInput input, double value) => numbers.SetUnmarked(input, value);

    /// <summary>The same inputs with one value given back to be proposed.</summary>
    public readonly HoleInputs Without(HoleInput input)
    {
        HoleInputs x = this;
        x.numbers.Unmark(input);
        return x;
    }
}

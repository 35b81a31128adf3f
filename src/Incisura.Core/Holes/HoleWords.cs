using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>Fields and options that many hole operations share, in the words people read.</summary>
internal static class HoleWords
{
    /// <summary>Codes of the options.</summary>
    public const string End = "end", Meaning = "meaning", Cycle = "cycle", Turning = "turning";

    public static readonly HoleFigure[] Large = [HoleFigure.SpindleSpeed, HoleFigure.FeedRate, HoleFigure.ProgrammedDepth, HoleFigure.Time];

    public static readonly HoleFigure[] LoadRows = [HoleFigure.Chip, HoleFigure.Power, HoleFigure.Torque, HoleFigure.Thrust, HoleFigure.ToolLife];

    public static readonly HoleField CuttingSpeed = new(HoleInput.CuttingSpeed, "v_c", "Cutting speed", "Fast", Quantity.CuttingSpeed, 0.5, 5000);
    public static readonly HoleField ToolLife = new(HoleInput.ToolLife, "T_L", "Tool life wanted", "Pace", Quantity.Time, 0.5, 1000);
    public static readonly HoleField Feed = new(HoleInput.FeedPerRevolution, "f", "Feed per revolution", "Per turn", Quantity.Chip, 0.0005, 10);
    public static readonly HoleField Depth = new(HoleInput.Depth, "t", "Depth", "Deep", Quantity.Length, 0.01, 2000);
    public static readonly HoleField Breakthrough = new(HoleInput.Breakthrough, "b", "Breakthrough", "Deep", Quantity.Length, 0, 100, 1);
    public static readonly HoleField Chamfer = new(HoleInput.ChamferDiameter, "d_c", "Chamfer diameter", "Deep", Quantity.Length, 0.05, 200);
    public static readonly HoleField Dwell = new(HoleInput.DwellTurns, "e", "Turns at the bottom", "Deep", Quantity.Ratio, 0, 100, 0);
    public static readonly HoleField Before = new(HoleInput.HoleBefore, "d_0", "Hole that is there", "Before", Quantity.Length, 0, 500);
    public static readonly HoleField DepthBefore = new(
        HoleInput.DepthOfHoleBefore, "t_0", "Its depth at full diameter", "Before", Quantity.Length, 0, 2000);

    public static readonly HoleField[] Planes =
    [
        new(HoleInput.Approach, "a", "Approach plane", "Planes", Quantity.Length, 0, 200, 2),
        new(HoleInput.Retract, "r", "Retract plane", "Planes", Quantity.Length, 0, 500),
        new(HoleInput.Surface, "z_0", "Height of the surface", "Planes", Quantity.Length, -2000, 2000, 0),
    ];

    public static readonly OptionDescription EndOption = new(
        End, "Hole", [new("blind", "blind"), new("through", "through")], "blind")
    { Group = "Deep" };
    public static readonly OptionDescription MeaningOption = new(
        Meaning, "Depth to", [new("full", "the full diameter"), new("point", "the point")], "full")
    { Group = "Deep" };

    public static readonly OptionDescription CycleOption = new(
        Cycle, "Cycle",
        [
            new("shop", "by depth over diameter"), new("plain", "plain"), new("chip-breaking", "breaking the chip"),
            new("full-retract", "clearing the hole"),
        ],
        "shop")
    { Group = "Cycle" };

    public static readonly OptionDescription TurningOption = new(
        Turning, "Spindle", [
            new("hand", "with the hand of the tap"), new("right", "to the right"), new("left", "to the left"),
        ], "hand")
    { Group = "Fast" };

    /// <summary>Height of the retract plane where none is typed, mm; never below the approach plane.</summary>
    public const double UsualRetract = 10;

    /// <summary>A cycle in words.</summary>
    public static string NameOf(DrillingCycle cycle) => cycle switch
    {
        DrillingCycle.Plain => "plain drilling",
        DrillingCycle.ChipBreaking => "breaking the chip",
        DrillingCycle.FullRetract => "clearing the hole at every peck",
        _ => "drilling in stages behind a pilot",
    };

    /// <summary>Takes the picks over into the inputs.</summary>
    public static void Pick(IReadOnlyDictionary<string, string> options, ref HoleInputs x)
    {
        string Of(string code) => options.GetValueOrDefault(code, "");
        x.Through = Of(End) == "through";
        x.ToPoint = Of(Meaning) == "point";
        x.Cycle = Of(Cycle) switch
        {
            "plain" => DrillingCycle.Plain,
            "chip-breaking" => DrillingCycle.ChipBreaking,
            "full-retract" => DrillingCycle.FullRetract,
            _ => null,
        };
        x.Turning = Of(Turning) switch { "right" => 1, "left" => -1, _ => 0 };
        x.Wear = Of(ShopOptions.Edge) == "worn" ? ShopOptions.WornFactor : 1;
    }
}

namespace Incisura.Core.Holes;

/// <summary>Fields and options that many hole operations share, in the words people read.</summary>
internal static class HoleWords
{
    public static readonly Output[] Large = [Output.SpindleSpeed, Output.FeedRate, Output.ProgrammedDepth, Output.Time];

    public static readonly Output[] LoadRows = [Output.Chip, Output.Power, Output.Torque, Output.Thrust, Output.ToolLife];

    /// <summary>What is set at the machine for any hole, round what an operation has of its own.</summary>
    public static IReadOnlyList<string> SetAtMachine(params ReadOnlySpan<MachineSetting> own) => MachineSetting.InOrder(
        [
            Output.SpindleSpeed, Output.FeedRate, Output.ProgrammedDepth, Output.FeedInUse, .. own, Output.ProgrammedHeight, Input.Approach,
            Input.Retract,
        ]);

    public static readonly FieldDescription Feed = new(Input.FeedPerRevolution, "f", "Feed per revolution", "Per turn", Quantity.Chip, 0.0005, 10);
    public static readonly FieldDescription Depth = new(Input.Depth, "t", "Depth", "Deep", Quantity.Length, 0.01, 2000);
    public static readonly FieldDescription Breakthrough = new(Input.Breakthrough, "t_b", "Breakthrough", "Deep", Quantity.Length, 0, 100, 1);
    public static readonly FieldDescription Chamfer = new(Input.ChamferDiameter, "d_c", "Chamfer diameter", "Deep", Quantity.Length, 0.05, 200);
    public static readonly FieldDescription Dwell = new(Input.DwellTurns, "n_d", "Turns at the bottom", "Deep", Quantity.Ratio, 0, 100, 0);
    public static readonly FieldDescription Before = new(Input.HoleBefore, "d_0", "Hole that is there", "Before", Quantity.Length, 0, 500);
    public static readonly FieldDescription DepthBefore = new(
        Input.DepthOfHoleBefore, "t_0", "Its depth at full diameter", "Before", Quantity.Length, 0, 2000);

    public static readonly FieldDescription[] Planes =
    [
        new(Input.Approach, "a", "Approach plane", "Planes", Quantity.Length, 0, 200, 2),
        new(Input.Retract, "r", "Retract plane", "Planes", Quantity.Length, 0, 500),
        new(Input.Surface, "z_0", "Height of the surface", "Planes", Quantity.Length, -2000, 2000, 0),
    ];

    public static readonly OptionDescription EndOption = new(
        Choice.End, "Hole", [new("blind", "blind"), new("through", "through")], "blind")
    { Group = "Deep" };
    public static readonly OptionDescription MeaningOption = new(
        Choice.Meaning, "Depth to", [new("full", "the full diameter"), new("point", "the point")], "full")
    { Group = "Deep" };

    public static readonly OptionDescription CycleOption = new(
        Choice.Cycle, "Cycle",
        [
            new("shop", "by depth over diameter"), new("plain", "plain"), new("chip-breaking", "breaking the chip"),
            new("full-retract", "clearing the hole"),
        ],
        "shop")
    { Group = "Cycle" };

    public static readonly OptionDescription TurningOption = new(
        Choice.Turning, "Spindle", [
            new("hand", "with the hand of the tap"), new("right", "to the right"), new("left", "to the left"),
        ], "hand")
    { Group = "Fast" };

    /// <summary>What turns: the tool, or on the axis of a lathe the work.</summary>
    public static readonly OptionDescription TurnsOption = new(
        Choice.Spindle, "Turns",
        [new("tool", "the tool"), new("main", "the work, main spindle"), new("counter", "the work, counter spindle")], "tool")
    { Group = "Work", OnLathes = true };

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
}

/// <summary>What the picks of a hole operation mean.</summary>
public static class HolePicks
{
    extension(in Inputs x)
    {
        /// <summary>Whether the hole goes through the work.</summary>
        public bool Through => x.Picked(Choice.End) == 1;

        /// <summary>Whether the depth is meant to the point of the drill rather than to its full diameter.</summary>
        public bool ToPoint => x.Picked(Choice.Meaning) == 1;

        /// <summary>The cycle picked; null where it follows the depth over the diameter.</summary>
        public DrillingCycle? Cycle => x.Picked(Choice.Cycle) is var place && place > 0 ? (DrillingCycle)(place - 1) : null;

        /// <summary>Which way the spindle turns: 1 right, −1 left, 0 with the cutter's hand.</summary>
        public int Turning => x.Picked(Choice.Turning) switch { 1 => 1, 2 => -1, _ => 0 };
    }
}

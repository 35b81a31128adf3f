namespace Incisura.Core.Turning;

/// <summary>Fields and options that turning operations share.</summary>
internal static class TurningWords
{
    public const string Work = "Work", Deep = "Deep", HeldTo = "Held to", Along = "Along";

    /// <summary>What is set at the machine for any turning, round what an operation has of its own.</summary>
    public static IReadOnlyList<string> SetAtMachine(params ReadOnlySpan<MachineSetting> own) => MachineSetting.InOrder(
        [
            Output.ProgrammedSpeed, Input.SpeedClamp, Output.FeedInUse, .. own, Output.TopSpeed, Output.ClampDiameter, Input.GripLength,
        ]);

    public static readonly FieldDescription Before = new(Input.StartDiameter, "D_0", "Ø before", Work, Quantity.Length, 0.5, 2000);
    public static readonly FieldDescription After = new(Input.EndDiameter, "D_2", "Ø finished", Work, Quantity.Length, 0.2, 2000);
    public static readonly FieldDescription Length = new(Input.Length, "L", "Length turned", Work, Quantity.Length, 0.1, 5000);
    public static readonly FieldDescription Bore = new(Input.WorkBore, "d_i", "Bore of the work, 0 if solid", Work, Quantity.Length, 0, 1900, 0);
    public static readonly FieldDescription Body = new(Input.BodyDiameter, "d_w", "Ø towards the chuck", Work, Quantity.Length, 0.5, 2000);
    public static readonly FieldDescription StandsOut = new(
        Input.StandsOut, "l_w", "Stands out of the chuck", Work, Quantity.Length, 0.5, 5000);
    public static readonly FieldDescription SteadyAt = new(
        Input.SteadyAt, "l_st", "Steady rest at, from the chuck", Work, Quantity.Length, 0.5, 5000);
    public static readonly FieldDescription CutShare = new(
        Input.CutShare, "q_i", "Share of a turn in cut", Work, Quantity.Ratio, 0.05, 1, 1);
    public static readonly FieldDescription Depth = new(
        Input.DepthOfCut, "a_p", "Depth of cut, at most", Deep, Quantity.Length, 0.01, 40);
    public static readonly FieldDescription Left = new(
        Input.StockLeft, "s", "Left for finishing, on a side", Deep, Quantity.Length, 0, 20, 0.5);
    public static readonly FieldDescription FaceStock = new(
        Input.FaceStock, "s_f", "Left for finishing, on faces", Deep, Quantity.Length, 0, 20);
    public static readonly FieldDescription Feed = new(
        Input.FeedPerRevolution, "f", "Feed per revolution", "Fast", Quantity.Chip, 0.002, 3);
    public static readonly FieldDescription Clamp = new(
        Input.SpeedClamp, "n_g", "Speed clamp", "Fast", Quantity.SpindleSpeed, 1, 20_000);

    public static readonly OptionDescription Support = new(
        Choice.Support, "Work held",
        [
            new("chuck", "in the chuck"), new("centre", "in the chuck and by a centre"), new("steady", "in the chuck and by a steady rest"),
        ],
        "chuck")
    { Group = Work };

    public static readonly OptionDescription[] Options = [Support, WorkSpindleWords.Spindle, WorkSpindleWords.Stands];

    public static readonly Output[] Large = [Output.ProgrammedSpeed, Output.FeedInUse, Output.Depth, Output.Time];

    public static readonly Output[] Rows =
    [
        Output.PassesDown, Output.SpindleSpeed, Output.TopSpeed, Output.ClampDiameter, Output.SpeedInUse, Output.FeedRate, Output.RemovalRate,
        Output.CuttingForce, Output.Thrust, Output.PassiveForce, Output.Power, Output.MotorPower, Output.Torque, Output.Chip, Output.LargestChip,
        Output.EdgeLength, Output.ThinChip, Output.SteepRise, Output.Deflection, Output.WorkBend, Output.WallError, Output.FormError,
        Output.PeakToValley, Output.GripNeeded, Output.LeverForce, Output.GripLeft, Output.ToolLife,
    ];

    public static readonly OutputWords[] Own =
    [
        new(Output.SpindleSpeed, "n", "Spindle speed at the largest Ø", Quantity.SpindleSpeed),
        new(Output.PassesDown, "i_p", "Passes", Quantity.Count),
        new(Output.Thrust, "F_f", "Feed force", Quantity.Force),
        new(Output.WallError, "δ_w", "Bend away from the cut", Quantity.Deviation),
        new(Output.Chip, "h", "Chip beside the corner, f·sin κ", Quantity.Chip),
    ];

    public static FieldDescription Deflection(double start) =>
        new(Input.DeflectionAllowed, "δ_max", "Bend allowed", HeldTo, Quantity.Deviation, 0.1, 2000, start);

    /// <summary>Symbol of a field in the derivation.</summary>
    public static string SymbolOf(FieldDescription field) => field.Input == Input.DepthOfCut ? "a_pmost" : field.Symbol;
}

/// <summary>What the picks of turning mean.</summary>
internal static class TurningPicks
{
    extension(in Inputs x)
    {
        /// <summary>Whether a centre pins the end of the work.</summary>
        public bool Centre => x.Picked(Choice.Support) == 1;

        /// <summary>Whether nothing but the jaws holds the work.</summary>
        public bool OnlyJaws => !x.Centre && !x.Steady;

        /// <summary>How far a force that comes at once bends work and tool, against one that comes slowly.</summary>
        public double Blow => x[Input.CutShare] < 1 ? 2 : 1;

        /// <summary>Whether a steady rest pins the work.</summary>
        public bool Steady => x.Picked(Choice.Support) == 2;
    }
}

namespace Incisura.Core.Milling;

/// <summary>Fields and options that many milling operations share, in the words people read.</summary>
internal static class MillingWords
{
    public static readonly Output[] Large =
    [
        Output.SpindleSpeed, Output.FeedRate, Output.RemovalRate, Output.Time,
    ];

    public static readonly Output[] LoadRows =
        [
            Output.MeanChip, Output.LargestChip, Output.SpecificForce, Output.Power, Output.Torque,
            Output.PeakForce, Output.ToolStress, Output.TeethInCut, Output.ToolLife,
        ];

    /// <summary>What is set at the machine for any milling, round what an operation has of its own.</summary>
    public static IReadOnlyList<string> SetAtMachine(params ReadOnlySpan<MachineSetting> own) =>
        MachineSetting.InOrder([Output.SpindleSpeed, Output.FeedRate, .. own, Input.FeedPerTooth, Input.CuttingSpeed]);

    public static readonly FieldDescription FeedPerTooth = new(Input.FeedPerTooth, "f_z", "Feed per tooth", "Per tooth", Quantity.Chip, 0.0001, 5);
    public static readonly FieldDescription Width = new(Input.WidthOfCut, "a_e", "Width, at most", "Across", Quantity.Length, 0.001, 500);
    public static readonly FieldDescription Depth = new(Input.DepthOfCut, "a_p", "Depth, at most", "Deep", Quantity.Length, 0.001, 500);
    public static readonly FieldDescription StockHeight = new(Input.StockHeight, "H", "Depth to remove", "Deep", Quantity.Length, 0.001, 1000);

    public static FieldDescription Length(string name = "Length of cut", double start = 100) =>
        new(Input.Length, "L", name, "Along", Quantity.Length, 0.1, 100_000, start);

    public static FieldDescription Deflection(double start) =>
        new(Input.DeflectionAllowed, "δ_max", "Deflection allowed", "Held to", Quantity.Deviation, 0.1, 1000, start);

    public static OptionDescription ChipKept(string start) =>
        new(
            Choice.Chip, "Chip kept", [
                new("largest", "largest chip"), new("mean", "mean chip"), new("none", "feed as charted"),
            ], start)
        { Group = "Per tooth" };

    public static readonly OptionDescription PassWays = new(
        Choice.Ways, "Passes", [new("one-way", "one way, climb"), new("both-ways", "to and fro")], "one-way")
    { Group = "Along" };
    public static readonly OptionDescription WorkHeld = new(
        Choice.Steadiness, "Work held", [new("steady", "steadily"), new("fair", "fairly"), new("weak", "weakly")], "steady");
}

/// <summary>What the picks of a milling operation mean.</summary>
public static class MillingPicks
{
    extension(in Inputs x)
    {
        /// <summary>Whether passes go to and fro; otherwise the cutter returns in rapid and every pass cuts the same way.</summary>
        public bool BothWays => x.Picked(Choice.Ways) == 1;

        /// <summary>Whether the bend of the wall goes round the outside of the work.</summary>
        public bool OuterBend => x.Picked(Choice.Bend) == 1;

        /// <summary>Form of the surface.</summary>
        public SurfaceForm Surface =>
            x.Picked(Choice.Surface) switch { 1 => SurfaceForm.Concave, 2 => SurfaceForm.Convex, _ => SurfaceForm.Flat };

        /// <summary>What the feed per tooth keeps when the engagement differs from the chart's.</summary>
        public ChipKept ChipKept => x.Picked(Choice.Chip) switch { 0 => ChipKept.Largest, 1 => ChipKept.Mean, _ => ChipKept.None };
    }
}

using Incisura.Core.Cutters;
using Incisura.Core.Holes;

namespace Incisura.Core.ThreadCutting;

/// <summary>How milling a thread describes itself.</summary>
internal static class ThreadMillingWords
{
    /// <summary>Most passes in which a thread is milled to its height.</summary>
    public const int MostPasses = 6;

    public static readonly OptionDescription Side = new(
        Choice.Side, "Side", [new("inside", "inside"), new("outside", "outside")], "inside")
    { Group = ThreadCutWords.Thread };

    public static readonly OptionDescription Climb = new(
        Choice.Climb, "Cut", [new("climb", "climb"), new("conventional", "conventional")], "climb")
    { Group = "Per tooth" };

    public static OperationDescription Description { get; } = new(
        "thread-milling",
        "Thread milling",
        "threadMilling",
        [CutterFamily.ThreadMill],
        [
            ThreadCutWords.Crest,
            new(Input.Depth, "t", "Length of thread", "Deep", Quantity.Length, 0.1, 1000),
            new(Input.BottomClearance, "c_b", "Clear way to the bottom", "Deep", Quantity.Length, 0, 100),
            new(Input.DepthOfHoleBefore, "t_0", "Depth of the hole", "Deep", Quantity.Length, 0, 2000),
            new(Input.PassesToHeight, "i_h", "Passes to full height", "Across", Quantity.Count, 1, MostPasses),
            new(Input.FeedPerTooth, "f_z", "Feed per tooth, rim", "Per tooth", Quantity.Chip, 0.0001, 2),
            new(Input.FlankErrorAllowed, "ε_max", "Flank error allowed", "Held to", Quantity.Deviation, 0.1, 1000),
            new(Input.PathTolerance, "e_t", "Tolerance of taper arcs", "Held to", Quantity.Deviation, 0.1, 100, 2),
            ThreadCutWords.Deflection(40),
        ],
        [Side, HoleWords.EndOption, Climb],
        [Output.SpindleSpeed, Output.FeedRate, Output.ProgrammedDepth, Output.Time],
        [
            Output.RimFeed, Output.PathDiameter, Output.Rounds, Output.PassesAlong, Output.HeightCut, Output.RootDiameter, Output.LargestChip,
            Output.MeanChip, Output.PeakForce, Output.Power, Output.Torque, Output.Deflection, Output.ToolStress, Output.FlankError, Output.LeadAngle,
            Output.ToolLife,
        ])
    {
        AtMachine = MachineSetting.InOrder(
            Output.SpindleSpeed, Output.FeedRate, Output.ProgrammedDepth, Output.PathDiameter, Output.PassesAlong,
            Input.PassesToHeight, Output.HeightCut, Output.RootDiameter, Output.Rounds, Input.BottomClearance,
            Input.PathTolerance, Output.RimFeed, Input.FeedPerTooth, Input.CuttingSpeed),
        Extras = ThreadCutWords.Extras,
    };
}

/// <summary>What the picks of milling a thread mean.</summary>
internal static class ThreadMillingPicks
{
    extension(in Inputs x)
    {
        /// <summary>Whether the cutter climbs.</summary>
        public bool Climbs => x.Picked(Choice.Climb) != 1;
    }
}

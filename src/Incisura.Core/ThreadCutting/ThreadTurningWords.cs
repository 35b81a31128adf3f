using Incisura.Core.Cutters;
using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>How turning a thread describes itself.</summary>
internal static class ThreadTurningWords
{
    public static readonly OptionDescription Law = new(
        Choice.Law, "Divided",
        [new("eased", "falling, first one eased"), new("section", "equal chip section"), new("equal", "equal infeeds")], "eased")
    { Group = "Infeeds" };

    public static readonly OptionDescription Way = new(
        Choice.Infeed, "Infeed",
        [
            new("radial", "straight in"), new("flank", "along the flank"), new("modified", "along the flank, 2.5° steeper"),
            new("alternating", "along both flanks by turns"),
        ],
        "modified")
    { Group = "Infeeds" };

    public static readonly OptionDescription Support = new(
        Choice.Support, "Work held", [new("chuck", "in the chuck"), new("centre", "in the chuck and by a centre")], "chuck")
    { Group = "Work" };

    public static OperationDescription Description { get; } = new(
        "thread-turning",
        "Thread turning",
        "threadTurning",
        [CutterFamily.ThreadTurningTool, CutterFamily.InsideThreadTurningTool],
        [
            ThreadCutWords.Crest,
            new(Input.HeightToCut, "h_g", "Height, on a side", ThreadCutWords.Thread, Quantity.Length, 0.05, 30),
            new(Input.RootDiameter, "d_r", "Ø at the roots", ThreadCutWords.Thread, Quantity.Length, 0.2, 1100),
            new(Input.Infeeds, "i_z", "Number of infeeds", "Infeeds", Quantity.Count, 1, InfeedSchedule.Most),
            new(Input.FirstInfeed, "p_1", "First infeed, at most", "Infeeds", Quantity.Length, 0.01, 5),
            new(Input.LeastInfeed, "p_min", "Least infeed", "Infeeds", Quantity.Length, 0.005, 1, 0.05),
            new(Input.SpringPasses, "i_s", "Passes without infeed", "Infeeds", Quantity.Count, 0, 10, 1),
            new(Input.Length, "L", "Length of thread", "Along", Quantity.Length, 0.1, 5000),
            new(Input.RunIn, "l_1", "Way to run in", "Along", Quantity.Length, 0, 500),
            new(Input.RunOut, "l_2", "Way to run out", "Along", Quantity.Length, 0, 500),
            new(Input.BodyDiameter, "d_w", "Ø behind the thread", "Work", Quantity.Length, 0.5, 1000),
            new(Input.StandsOut, "l_w", "Stands out of the chuck", "Work", Quantity.Length, 0.5, 5000),
            WorkSpindleWords.Gripped, WorkSpindleWords.GripLength,
            new(Input.ShimInclination, "λ_s", "Inclination of the shim", "Tool", Quantity.Angle, -10, 10),
            ThreadCutWords.Deflection(20),
        ],
        [Law, Way, WorkSpindleWords.Stands with { Group = "Along" }, Support, WorkSpindleWords.Spindle],
        [Output.SpindleSpeed, Output.FeedInUse, Output.HeightCut, Output.Time],
        [
            Output.SpeedInUse, Output.FeedRate, Output.RootDiameter, Output.FirstInfeed, Output.LastInfeed, Output.HeaviestInfeed,
            Output.ChipSection, Output.CuttingForce, Output.PassiveForce, Output.Power, Output.Torque, Output.Deflection, Output.AxisRunUp,
            Output.LeadAngle, Output.Lean, Output.GripNeeded, Output.LeverForce, Output.GripLeft, Output.ToolLife,
        ])
    {
        AtMachine = MachineSetting.InOrder(
            Output.SpindleSpeed, Output.FeedInUse, Output.HeightCut, Input.Infeeds, Output.FirstInfeed, Input.LeastInfeed,
            Input.SpringPasses, Input.CrestDiameter, Output.RootDiameter, Input.RunIn, Input.RunOut, Input.ShimInclination,
            Input.GripLength, Output.SpeedInUse),
        FeedInStep = true,
        Extras = ThreadCutWords.Extras,
    };
}

/// <summary>What the picks of turning a thread mean.</summary>
internal static class ThreadTurningPicks
{
    extension(in Inputs x)
    {
        /// <summary>How the infeeds divide the height.</summary>
        public InfeedLaw Law => (InfeedLaw)Math.Max(0, x.Picked(Choice.Law));

        /// <summary>Which way the insert goes in.</summary>
        public InfeedWay Way => (InfeedWay)Math.Max(0, x.Picked(Choice.Infeed));

        /// <summary>Whether a centre pins the end of the work.</summary>
        public bool Centre => x.Picked(Choice.Support) == 1;
    }
}
